package tables

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"strconv"
	"strings"
	"time"
	"unicode"

	"acornstep/sock/needles/logbook"
	"acornstep/sock/rows/needle"
)

// CSV writes a log as a table, one event a line, those that were taken back
// included and marked. Commas, quotes and line breaks in notes are quoted. Each
// sock of the pair, 1 or 2, has its rows.
func CSV(events []logbook.Event, rowsOf func(sock int) []needle.Row) ([]byte, error) {
	var b bytes.Buffer
	w := csv.NewWriter(&b)
	lines := [][]string{{"time", "sock", "section", "row", "what", "said", "grams", "length_mm", "plan_version", "device", "taken_back"}}
	standing := map[string]bool{}
	for _, e := range logbook.Read(events).Standing {
		standing[e.ID] = true
	}
	for _, e := range logbook.Merge(events) {
		section, n, rows := "", "", rowsOf(e.Sock)
		if e.Row < len(rows) {
			section, n = string(rows[e.Row].Section), strconv.Itoa(needle.NumberOf(rows, e.Row))
		}
		line := []string{
			time.UnixMilli(e.At).UTC().Format(time.RFC3339), strconv.Itoa(e.Sock), section, n, string(e.Kind), e.Text,
			number(e.Grams), number(e.Length), strconv.Itoa(e.Version), e.Device, yes(!standing[e.ID] && e.Kind != logbook.Undone),
		}
		for i := range line {
			line[i] = safe(line[i])
		}
		lines = append(lines, line)
	}
	if err := w.WriteAll(lines); err != nil {
		return nil, fmt.Errorf("csv: %w", err)
	}
	return b.Bytes(), nil
}

// safe keeps a spreadsheet from taking a cell for a formula, which any device on the network could have put there.
func safe(text string) string {
	begins := strings.TrimLeftFunc(text, unseen)
	if begins != text || begins != "" && strings.ContainsRune("=+-@＝＋－＠|%", []rune(begins)[0]) {
		return "'" + text
	}
	return text
}

// unseen says whether a letter has no width of its own: what stands behind it is what a spreadsheet reads first.
func unseen(r rune) bool {
	return unicode.IsSpace(r) || unicode.IsControl(r) || unicode.Is(unicode.Cf, r) || unicode.Is(unicode.Mn, r) ||
		unicode.Is(unicode.Me, r)
}

func number(x float64) string {
	if x == 0 {
		return ""
	}
	return strconv.FormatFloat(x, 'f', -1, 64)
}

func yes(b bool) string {
	if b {
		return "yes"
	}
	return ""
}
