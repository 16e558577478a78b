package words

import (
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

func rows(t *testing.T, fields string) map[string]Row {
	t.Helper()
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + fields + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	said := Rows(traced, &p.Design)
	byID := map[string]Row{}
	for _, r := range said {
		byID[r.ID] = r
	}
	return byID
}

func TestRowsAsKnittersSayThem(t *testing.T) {
	said := rows(t, "")
	sentence := func(id string) string { r := said[id]; return r.Sentence(false) }
	assert.Equal(t, "cast on 32: 16 on needle 1 (instep), 16 on needle 2 (sole)", sentence("cast_on-1"))
	assert.Equal(t, "cast on 32: 16 on needle 1 (instep), 16 on needle 3 (sole)", sentenceOf(rows(t, `,"needles":"dpn5"`)["cast_on-1"]))
	assert.Equal(t, "needle 1 (instep): k16; needle 2 (sole): k1, k15 tbl", sentence("toe-1"))
	assert.Equal(t, "needle 1 (instep): k1, kfb, k12, kfb, k1; needle 2 (sole): k1, kfb, k12, kfb, k1", sentence("toe-2"))
	assert.Equal(t, "turn", sentence("heel-1"))
	assert.Equal(t, "needle 2 (sole): ds, p33, turn", sentence("heel-2"))
	assert.Equal(t, "needle 1 (front): *k1, p1; rep from * to the end; needle 2 (back): *k1, p1; rep from * to the end",
		sentence("cuff-2"))
	assert.Equal(t, []string{"kfb"}, said["toe-2"].New, "the first time it appears")
	assert.Empty(t, said["toe-4"].New)
	long := said["heel-3"]
	assert.Contains(t, long.Sentence(true), "into a double stitch, knit 32, turn the work")
}

// What is picked up between the halves is told with the needle on which it lies when the row is done.
func TestPickedUpStitchesAreToldWhereTheyLie(t *testing.T) {
	said := rows(t, `,"heel":{"kind":"flap_under"}`)
	sentence := func(r Row) string { return r.Sentence(false) }
	assert.Equal(t, "needle 2 (heel): k20, pu18, pc1", sentence(said["gusset-1"]))
	assert.Equal(t, "needle 1 (instep): k34; needle 2 (heel): pc1, pu18, k39", sentence(said["gusset-2"]))
	assert.Equal(t, "needle 1 (front): pc1, k34; needle 2 (back): pc1, kds, k33", sentence(rows(t, "")["leg-1"]))
	assert.Equal(t, "needle 1 (instep): k34; needle 2 (heel): pc1, pu18, k10; needle 3 (heel): k29",
		sentence(rows(t, `,"needles":"dpn4","heel":{"kind":"flap_under"}`)["gusset-2"]))
}

// A heel over 60 of a hundred laps over three stitches at either end of the instep: it has needles of its own, and
// the rest waits on a holder.
func TestAWideHeelHasNeedlesOfItsOwn(t *testing.T) {
	sentence := func(fields, id string) string { r := rows(t, fields)[id]; return r.Sentence(false) }
	const wide = `,"heel":{"turn":"yarn_over","share":0.6}`
	assert.Equal(t, "needle 1 (instep): k31", sentence(wide, "heel-1"))
	assert.Equal(t, "first: put 28 stitches on a holder, all but the first 3 and the last 3 of the instep; lay the 40 of the heel on two needles, 20 and 20, from its right edge; heel needle 1: k20; heel needle 2: k19, turn", sentence(wide, "heel-2"))
	assert.Equal(t, "heel needle 2: yo, p19; heel needle 1: p19, turn", sentence(wide, "heel-3"))
	assert.Equal(t, "first: lay the stitches on their needles: 38 on needle 1 (front), 34 on needle 2 (back); needle 1 (front): k2, k3tog, pc1, k28, pc1, sssk, k2; needle 2 (back): k34", sentence(wide, "leg-1"))
	const four = `,"needles":"dpn4"` + wide
	assert.Equal(t, "heel needle 2: yo, p19; heel needle 1: p19, turn", sentence(four, "heel-3"))
}

func TestRowsOnOtherNeedles(t *testing.T) {
	dpn := rows(t, `,"needles":"dpn5"`)["foot-1"]
	assert.Equal(t, "needle 1 (instep): k17; needle 2 (instep): k17; needle 3 (sole): k17; needle 4 (sole): k17", dpn.Sentence(false))
	assert.Equal(t, "needle 1 (instep): k8; needle 2 (instep), a new one: k8; needle 3 (sole): k1, k7 tbl; needle 4 (sole), a new one: k8 tbl", sentenceOf(rows(t, `,"needles":"dpn5"`)["toe-1"]))
	four := rows(t, `,"needles":"dpn4"`)["heel-2"]
	assert.Equal(t, "needle 3 (sole): ds, p16; needle 2 (sole): p17, turn", four.Sentence(false), "a wrong-side row goes back")
	circular := rows(t, `,"needles":"short_circular"`)["foot-1"]
	assert.Equal(t, "from the start marker (instep): k34; from the sole marker: k34", circular.Sentence(false))
}

func sentenceOf(r Row) string { return r.Sentence(false) }

func TestFoldingSaysTheSameRow(t *testing.T) {
	k, p, yo := needle.Op{Code: needle.K, N: 1}, needle.Op{Code: needle.P, N: 1}, needle.Op{Code: needle.YO, N: 1}
	said := func(ops ...needle.Op) string {
		return folded(ops, true, func(o needle.Op) Do { return Do{Op: o} }).Words(needle.RS, false)
	}
	assert.Equal(t, "yo, *k1, p1; rep from * 3 times in all, yo", said(yo, k, p, k, p, k, p, yo))
	assert.Equal(t, "k1, p1", said(k, p))
}

func TestEveryOperationIsExplained(t *testing.T) {
	for _, e := range Glossary() {
		assert.True(t, e.Name != "" && e.Steps != "" && e.Slip != "" && e.Look != "", e.Op)
	}
	for _, c := range needle.Codes() {
		assert.NotEmpty(t, Long(needle.Op{Code: c, N: 2}, needle.RS), c)
		assert.NotEmpty(t, Short(needle.Op{Code: c, N: 2}, needle.WS), c)
	}
}

// Each stitch is wrapped once on the way in and once on the way out: but for the two in the middle all carry two wraps.
func TestTwoWrapsAreCalledTwo(t *testing.T) {
	said := rows(t, `,"heel":{"turn":"wrap"}`)
	assert.Equal(t, "needle 2 (sole): k12, kw, wrap the next, turn", sentenceOf(said["heel-24"]))
	assert.Equal(t, "needle 2 (sole): k14, kw (both wraps), wrap the next, turn", sentenceOf(said["heel-26"]))
	assert.Equal(t, "needle 2 (sole): p15, pw (both wraps), wrap the next, turn", sentenceOf(said["heel-27"]))
}

// The phrases of an operation stand in whatever is said of it, and no two operations share one that is not plain.
func TestPhrasesStandInTheWords(t *testing.T) {
	for _, e := range Glossary() {
		code, known := needle.ParseCode(e.Op)
		require.True(t, known)
		for _, n := range []int{1, 3} {
			o := needle.Op{Code: code, N: n}
			for _, said := range []string{Short(o, needle.RS), Long(o, needle.RS)} {
				assert.True(t, slices.ContainsFunc(e.Words, func(phrase string) bool { return strings.Contains(said, phrase) }),
					"%s: %q has none of %q", e.Op, said, e.Words)
			}
		}
	}
}
