package sqlite

import (
	"bufio"
	"encoding/json"
	"os"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
)

// The rows of 360 designs of every kind as the release with schema 5 had them, written down by that release.
func TestDesignsAreCountedAsTheyWereThen(t *testing.T) {
	file, err := os.Open("testdata/counted-5.jsonl")
	require.NoError(t, err)
	defer file.Close()
	lines := bufio.NewScanner(file)
	counted := 0
	for lines.Scan() {
		var then struct {
			Design json.RawMessage        `json:"design"`
			Rows   map[needle.Section]int `json:"rows"`
		}
		require.NoError(t, json.Unmarshal(lines.Bytes(), &then))
		d, err := design.Read(then.Design)
		require.NoError(t, err)
		rows, ok := countedThen(&d)
		require.True(t, ok)
		for _, section := range needle.Sections {
			assert.Equal(t, then.Rows[section], rows[section], "%s of %s", section, then.Design)
		}
		counted++
	}
	assert.Equal(t, 360, counted)
}

// A measured heel diagonal lengthens today's flap; when the file was written it did not. 48 rows of the old sock are
// heel and gusset; who stood before the second round of the leg stands there still, in rows of which that section begins elsewhere.
func TestRowsThatWereCountedOtherwise(t *testing.T) {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"heel_diagonal_mm":345},
		"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"heel":{"kind":"flap_under"},"leg":{"height_mm":180}}`))
	require.NoError(t, err)
	then, ok := pairThen(&d)
	require.True(t, ok)
	e, err := knitting.Adopt(d)
	require.NoError(t, err)
	now := countsOf(e.Plan)
	require.NotEqual(t, then[0], now, "the rule has changed since")

	path := copyOf(t, "testdata/schema-3.db")
	old := bareSock(t, path, &d)
	leg2 := 1
	for s := range then[0][:5] {
		leg2 += then[0][s]
	}
	tellBare(t, path, old, leg2-1)

	store := open(t, path)
	lines, err := store.Editions(t.Context(), old)
	require.NoError(t, err)
	require.Len(t, lines, 2)
	assert.Equal(t, adoptedMoved, lines[1].Reason, "it is said once")
	kept, err := store.Edition(t.Context(), old, 2)
	require.NoError(t, err)
	events, _, err := store.Events(t.Context(), old, 0)
	require.NoError(t, err)
	bent := events[len(events)-1]
	assert.Equal(t, logbook.Bent, bent.Kind)
	place := logbook.Read(logbook.CoursesOf(kept.Steps).Today(events)).Places[0]
	assert.Equal(t, "leg-2", kept.Plan.Rows[place.Row].ID)
	assert.Equal(t, place.Row, bent.Places[0])
	_, err = store.Edition(t.Context(), old, 1)
	require.ErrorIs(t, err, knitting.ErrNoRows)
}
