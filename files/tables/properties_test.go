package tables

import (
	"encoding/csv"
	"fmt"
	"strings"
	"testing"
	"time"
	"unicode/utf8"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/figures/day"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/rows/needle"
)

// Whatever somebody writes into a note, the table reads back as it was, a column for a column.
func TestAnyNoteSurvivesTheTable(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		notes := rapid.SliceOfN(rapid.StringMatching(`[ -~äß“,;"=+@\n\x{200B}\x{FEFF}\x{2060}\x{0301}-]{0,30}`), 1, 12).Draw(t, "notes")
		events := make([]logbook.Event, len(notes))
		for i, note := range notes {
			events[i] = logbook.Event{ID: fmt.Sprint("n", i), Device: "d", Clock: int64(i + 1), Kind: logbook.Noted, Version: 1,
				Sock: 1 + i%2, Text: note}
		}
		text, err := CSV(events, func(int) []needle.Row { return []needle.Row{{Section: needle.Toe, N: 1}} })
		require.NoError(t, err)
		lines, err := csv.NewReader(strings.NewReader(string(text))).ReadAll()
		require.NoError(t, err)
		require.Len(t, lines, len(notes)+1)
		for i, note := range notes {
			said := lines[i+1][5]
			if strings.TrimPrefix(said, "'") != note && said != note {
				t.Fatalf("wrote %q, read %q", note, said)
			}
			if first := strings.TrimLeftFunc(said, unseen); first != "" && strings.ContainsAny(first[:1], "=+-@") {
				t.Fatalf("a spreadsheet would take %q for a formula", said)
			}
		}
	})
}

// Whatever stands in it, a calendar has an event for each entry, no line longer than 75 octets, and no character torn apart.
func TestAnyPlanMakesACalendar(t *testing.T) {
	now := time.Date(2026, 12, 29, 23, 30, 0, 0, time.UTC)
	rapid.Check(t, func(t *rapid.T) {
		name := rapid.StringMatching(`[ -~ŒäßΩ]{1,120}`).Draw(t, "name")
		var entries []Entry
		for range rapid.IntRange(1, 8).Draw(t, "entries") {
			from := day.Of(now).Add(rapid.IntRange(0, 400).Draw(t, "from"))
			entries = append(entries, Entry{rapid.StringMatching(`[ -~ŒäßΩ]{1,80}`).Draw(t, "text"), from,
				from.Add(rapid.IntRange(0, 90).Draw(t, "days"))})
		}
		text := string(Calendar("SOCK", name, entries, now))
		var summaries []string
		for _, line := range strings.Split(text, "\r\n") {
			if len(line) > 75 || !utf8.ValidString(line) {
				t.Fatalf("%d octets: %q", len(line), line)
			}
		}
		for _, line := range strings.Split(strings.ReplaceAll(text, "\r\n ", ""), "\r\n") {
			if summary, is := strings.CutPrefix(line, "SUMMARY:"); is {
				summaries = append(summaries, strings.NewReplacer(`\\`, `\`, `\;`, ";", `\,`, ",").Replace(summary))
			}
		}
		require.Len(t, summaries, len(entries))
		for i, e := range entries {
			require.Equal(t, name+": "+e.Text, summaries[i])
		}
	})
}
