package export

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"strconv"
	"time"

	"acornstep/sock/logbook"
	"acornstep/sock/needle"
)

// CSV writes a log as a table, one event a line, those that were taken back
// included and marked. Commas, quotes and line breaks in notes are quoted.
func CSV(events []logbook.Event, rows []needle.Row) ([]byte, error) {
	var b bytes.Buffer
	w := csv.NewWriter(&b)
	lines := [][]string{{"time", "sock", "section", "row", "what", "said", "grams", "length_mm", "plan_version", "device", "taken_back"}}
	standing := map[string]bool{}
	for _, e := range logbook.Read(events).Standing {
		standing[e.ID] = true
	}
	for _, e := range logbook.Merge(events) {
		section, n := "", ""
		if e.Row < len(rows) {
			section, n = string(rows[e.Row].Section), strconv.Itoa(rows[e.Row].N)
		}
		lines = append(lines, []string{
			time.UnixMilli(e.At).UTC().Format(time.RFC3339), strconv.Itoa(e.Sock), section, n, string(e.Kind), safe(e.Text),
			number(e.Grams), number(e.Length), strconv.Itoa(e.Version), e.Device, yes(!standing[e.ID] && e.Kind != logbook.Undone),
		})
	}
	if err := w.WriteAll(lines); err != nil {
		return nil, fmt.Errorf("csv: %w", err)
	}
	return b.Bytes(), nil
}

// safe keeps a spreadsheet from taking a note for a formula.
func safe(text string) string {
	if text != "" && bytes.ContainsAny([]byte(text[:1]), "=+-@\t\r") {
		return "'" + text
	}
	return text
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
