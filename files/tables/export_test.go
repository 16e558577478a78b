package tables

import (
	"encoding/csv"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/needles/logbook"
	"acornstep/sock/rows/needle"
)

func TestNotesWithCommasAndFormulasAreQuoted(t *testing.T) {
	rows := []needle.Row{{Section: needle.Toe, N: 4}}
	note := "dropped one, caught it; \"phew\"\nand on"
	text, err := CSV([]logbook.Event{
		{ID: "a", Device: "d", Clock: 1, At: 0, Kind: logbook.Noted, Version: 1, Sock: 1, Text: note},
		{ID: "b", Device: "=cmd|x", Clock: 2, At: 1000, Kind: logbook.Noted, Version: 1, Sock: 1, Row: 9, Text: " =HYPERLINK(1)"},
		{ID: "c", Device: "d", Clock: 3, At: 2000, Kind: logbook.Weighed, Version: 1, Sock: 2, Grams: 71.3},
		{ID: "u", Device: "d", Clock: 4, At: 3000, Kind: logbook.Undone, Version: 1, Sock: 2, Of: "c"},
	}, func(int) []needle.Row { return rows })
	require.NoError(t, err)
	lines, err := csv.NewReader(strings.NewReader(string(text))).ReadAll()
	require.NoError(t, err)
	require.Len(t, lines, 5)
	assert.Equal(t, []string{"1970-01-01T00:00:00Z", "1", "toe", "4", "note", note, "", "", "1", "d", ""}, lines[1])
	assert.Equal(t, "' =HYPERLINK(1)", lines[2][5])
	assert.Equal(t, "'=cmd|x", lines[2][9], "any cell can come from anywhere on the network")
	assert.Empty(t, lines[2][2], "a row that the plan does not have")
	assert.Equal(t, []string{"71.3", "yes"}, []string{lines[3][6], lines[3][10]})
}

// A whole-day event ends on the day after its last.
func TestACalendarOfWholeDays(t *testing.T) {
	now := time.Date(2026, 11, 23, 18, 0, 0, 0, time.UTC)
	text := string(Calendar("ABC", "Roof socks; for Isolde, who stands on the cold roof until the comet has set",
		[]Entry{{"leg, 61 rows", "2026-11-24", "2026-11-26"}, {"bind off, 1 rows", "2026-12-31", "2026-12-31"}}, now))
	assert.Contains(t, text, "DTSTART;VALUE=DATE:20261124\r\nDTEND;VALUE=DATE:20261127\r\n")
	assert.Contains(t, text, "DTSTART;VALUE=DATE:20261231\r\nDTEND;VALUE=DATE:20270101\r\n")
	unfolded := strings.ReplaceAll(text, "\r\n ", "")
	assert.Contains(t, unfolded, `SUMMARY:Roof socks\; for Isolde\, who stands on the cold roof until the comet has set: leg\, 61 rows`)
	assert.Contains(t, unfolded, "UID:ABC-1@acorn-step")
	for _, line := range strings.Split(text, "\r\n") {
		assert.LessOrEqual(t, len(line), 75)
	}
	assert.True(t, strings.HasSuffix(text, "END:VCALENDAR\r\n"))
}
