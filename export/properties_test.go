package export

import (
	"encoding/csv"
	"fmt"
	"strings"
	"testing"
	"time"
	"unicode/utf8"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/logbook"
	"acornstep/sock/needle"
)

// Whatever somebody writes into a note, the table reads back as it was, a column for a column.
func TestAnyNoteSurvivesTheTable(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		notes := rapid.SliceOfN(rapid.StringMatching(`[ -~äß“,;"=+@\n-]{0,30}`), 1, 12).Draw(t, "notes")
		events := make([]logbook.Event, len(notes))
		for i, note := range notes {
			events[i] = logbook.Event{ID: fmt.Sprint("n", i), Device: "d", Clock: int64(i + 1), Kind: logbook.Noted, Version: 1, Sock: 1 + i%2, Text: note}
		}
		text, err := CSV(events, []needle.Row{{Section: needle.Toe, N: 1}})
		require.NoError(t, err)
		lines, err := csv.NewReader(strings.NewReader(string(text))).ReadAll()
		require.NoError(t, err)
		require.Len(t, lines, len(notes)+1)
		for i, note := range notes {
			said := lines[i+1][5]
			if strings.TrimPrefix(said, "'") != note && said != note {
				t.Fatalf("wrote %q, read %q", note, said)
			}
			if said != "" && strings.ContainsAny(said[:1], "=+-@") {
				t.Fatalf("a spreadsheet would take %q for a formula", said)
			}
		}
	})
}

// A calendar has no gaps and no overlaps, no line is longer than 75 octets, and no character is torn apart.
func TestAnyPlanMakesACalendar(t *testing.T) {
	now := time.Date(2026, 12, 29, 23, 30, 0, 0, time.UTC)
	rapid.Check(t, func(t *rapid.T) {
		name := rapid.StringMatching(`[ -~ŒäßΩ]{1,120}`).Draw(t, "name")
		var parts []Part
		days := 0
		for range rapid.IntRange(1, 8).Draw(t, "parts") {
			takes := time.Duration(rapid.IntRange(0, 2000).Draw(t, "minutes")) * time.Minute
			parts = append(parts, Part{"leg", rapid.IntRange(1, 300).Draw(t, "rows"), takes})
			days += max(1, int((takes+evening-1)/evening))
		}
		text := string(Calendar("SOCK", name, parts, now))
		end := now.AddDate(0, 0, 1).Format("20060102")
		for _, line := range strings.Split(text, "\r\n") {
			if len(line) > 75 || !utf8.ValidString(line) {
				t.Fatalf("%d octets: %q", len(line), line)
			}
			if from, is := strings.CutPrefix(line, "DTSTART;VALUE=DATE:"); is && from != end {
				t.Fatalf("a section begins on %s, the one before it ended on %s", from, end)
			}
			if to, is := strings.CutPrefix(line, "DTEND;VALUE=DATE:"); is {
				end = to
			}
		}
		require.Equal(t, now.AddDate(0, 0, 1+days).Format("20060102"), end)
		require.Equal(t, len(parts), strings.Count(text, "BEGIN:VEVENT"))
	})
}
