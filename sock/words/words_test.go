package words

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/design"
	"acornstep/sock/knit"
	"acornstep/sock/needle"
	"acornstep/sock/trace"
)

func rows(t *testing.T, fields string) map[string]Row {
	t.Helper()
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + fields + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	traced, err := trace.Of(p.Rows)
	require.NoError(t, err)
	said := Rows(traced, p.Design.Needles)
	byID := map[string]Row{}
	for _, r := range said {
		byID[r.ID] = r
	}
	return byID
}

func TestRowsAsKnittersSayThem(t *testing.T) {
	said := rows(t, "")
	sentence := func(id string) string { r := said[id]; return r.Sentence(false) }
	assert.Equal(t, "needle 1 (instep): k16; needle 2 (sole): k1, k15 tbl", sentence("toe-1"))
	assert.Equal(t, "needle 1 (instep): k1, kfb, k12, kfb, k1; needle 2 (sole): k1, kfb, k12, kfb, k1", sentence("toe-2"))
	assert.Equal(t, "turn", sentence("heel-1"))
	assert.Equal(t, "needle 2 (sole): ds, p33, turn", sentence("heel-2"))
	assert.Equal(t, "needle 1 (front): *k1, p1; rep from * to the end; needle 2 (back): *k1, p1; rep from * to the end", sentence("cuff-2"))
	assert.Equal(t, []string{"kfb"}, said["toe-2"].New, "the first time it appears")
	assert.Empty(t, said["toe-4"].New)
	long := said["heel-3"]
	assert.Contains(t, long.Sentence(true), "into a double stitch, knit 32, turn the work")
}

// What is picked up between the halves is told with the needle on which it lies when the row is done.
func TestPickedUpStitchesAreToldWhereTheyLie(t *testing.T) {
	said := rows(t, `,"heel":{"kind":"flap_under"}`)
	sentence := func(r Row) string { return r.Sentence(false) }
	assert.Equal(t, "needle 2 (heel): k20, pu19", sentence(said["gusset-1"]))
	assert.Equal(t, "needle 1 (instep): k34; needle 2 (heel): pu19, k39", sentence(said["gusset-2"]))
	assert.Equal(t, "needle 1 (front): pu1, k34; needle 2 (back): pu1, kds, k33", sentence(rows(t, "")["leg-1"]))
	assert.Equal(t, "needle 1 (instep): k34; needle 2 (heel): pu19, k20; needle 3 (heel): k19", sentence(rows(t, `,"needles":"dpn4","heel":{"kind":"flap_under"}`)["gusset-2"]))
}

// A heel over 60 of a hundred laps over three stitches at either end of the instep: its rows pass the start of the round, both ways.
func TestAWideHeelPassesTheStartOfTheRound(t *testing.T) {
	sentence := func(fields, id string) string { r := rows(t, fields)[id]; return r.Sentence(false) }
	const wide = `,"heel":{"turn":"yarn_over","share":0.6}`
	assert.Equal(t, "needle 1 (instep): k3; needle 2 (sole): k34; needle 1 (instep): k2, turn", sentence(wide, "heel-2"))
	assert.Equal(t, "needle 1 (instep): yo, p2; needle 2 (sole): p34; needle 1 (instep): p2, turn", sentence(wide, "heel-3"))
	const four = `,"needles":"dpn4"` + wide
	assert.Equal(t, "needle 1 (instep): yo, p2; needle 3 (sole): p17; needle 2 (sole): p17; needle 1 (instep): p2, turn", sentence(four, "heel-3"))
}

func TestRowsOnOtherNeedles(t *testing.T) {
	dpn := rows(t, `,"needles":"dpn5"`)["foot-1"]
	assert.Equal(t, "needle 1 (instep): k17; needle 2 (instep): k17; needle 3 (sole): k17; needle 4 (sole): k17", dpn.Sentence(false))
	four := rows(t, `,"needles":"dpn4"`)["heel-2"]
	assert.Equal(t, "needle 3 (sole): ds, p16; needle 2 (sole): p17, turn", four.Sentence(false), "a wrong-side row goes back")
	circular := rows(t, `,"needles":"short_circular"`)["foot-1"]
	assert.Equal(t, "from the start marker (instep): k34; from the sole marker: k34", circular.Sentence(false))
}

func TestFoldingSaysTheSameRow(t *testing.T) {
	k, p, yo := needle.Op{Code: needle.K, N: 1}, needle.Op{Code: needle.P, N: 1}, needle.Op{Code: needle.YO, N: 1}
	assert.Equal(t, "yo, *k1, p1; rep from * 3 times in all, yo", fold([]needle.Op{yo, k, p, k, p, k, p, yo}, Short))
	assert.Equal(t, "k1, p1", fold([]needle.Op{k, p}, Short))
}

func TestEveryOperationIsExplained(t *testing.T) {
	for _, e := range Glossary() {
		assert.True(t, e.Name != "" && e.Steps != "" && e.Slip != "" && e.Look != "", e.Op)
	}
	for _, c := range needle.Codes() {
		assert.NotEmpty(t, Long(needle.Op{Code: c, N: 2}), c)
		assert.NotEmpty(t, Short(needle.Op{Code: c, N: 2}), c)
	}
}
