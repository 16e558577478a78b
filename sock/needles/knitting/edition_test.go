package knitting

import (
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

func designOf(t require.TestingT, more string) design.Design {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + more + `}`))
	require.NoError(t, err)
	return d
}

func begun(t require.TestingT, more string) *Edition {
	e, err := Begin(designOf(t, more))
	require.NoError(t, err)
	return e
}

func at(t require.TestingT, p *plan.Plan, id string) int {
	i := slices.IndexFunc(p.Rows, func(r needle.Row) bool { return r.ID == id })
	require.GreaterOrEqual(t, i, 0, id)
	return i
}

// The rows that are knitted are copied to the letter; the rest is the other plan's, and the whole is sound.
func TestASpliceKeepsWhatIsKnitted(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		pick := func(name string, from ...string) string { return rapid.SampledFrom(from).Draw(t, name) }
		more := func(n string) string {
			return fmt.Sprintf(`,"heel":{"kind":%q,"turn":%q},"leg":{"height_mm":%d,"pattern":%q},"cuff":{"height_mm":%d,"pattern":"rib_1x1"}`,
				pick(n+"heel", design.Registered("heel.kind")...), pick(n+"turn", design.Registered("heel.turn")...),
				rapid.IntRange(100, 200).Draw(t, n+"leg"), pick(n+"pattern", "stockinette", "rib_2x2"),
				rapid.IntRange(20, 60).Draw(t, n+"cuff"))
		}
		old, next := begun(t, more("old ")), begun(t, more("next "))
		done := rapid.IntRange(0, len(old.Plan.Rows)).Draw(t, "done")
		spliced, places, err := Splice(old.Plan, next.Plan, done)
		if err != nil {
			return // the needles never look alike again
		}
		if !sameRows(old.Plan.Rows[:done], spliced.Rows[:done]) {
			t.Fatal("a knitted row is another one")
		}
		if faults := check.Plan(spliced); len(faults) > 0 {
			t.Fatal(faults[0])
		}
		if len(places) != len(old.Plan.Rows)+1 || !slices.IsSorted(places) || places[done] != done ||
			places[len(places)-1] != len(spliced.Rows) {
			t.Fatalf("places %v", places)
		}
	})
}

// On the foot another heel can still be chosen; in the heel the rows of the old one are knitted to its end.
func TestWhereTwoPlansMeet(t *testing.T) {
	old, next := begun(t, `,"leg":{"height_mm":180}`), begun(t, `,"leg":{"height_mm":150},"heel":{"turn":"wrap"}`)
	spliced, _, err := Splice(old.Plan, next.Plan, at(t, old.Plan, "foot-40"))
	require.NoError(t, err)
	assert.Equal(t, needle.WT, spliced.Rows[at(t, spliced, "heel-2")].Ops[1].Code)
	spliced, places, err := Splice(old.Plan, next.Plan, at(t, old.Plan, "heel-30"))
	require.NoError(t, err)
	assert.True(t, SameRow(old.Plan.Rows[at(t, old.Plan, "heel-48")], spliced.Rows[at(t, spliced, "heel-48")]))
	assert.Equal(t, next.Plan.Summary.LegRounds, spliced.Summary.LegRounds)
	assert.Equal(t, at(t, spliced, "cuff-1"), places[at(t, old.Plan, "cuff-1")])
}

func TestNothingIsOfferedOfOnesOwnRows(t *testing.T) {
	e := begun(t, "")
	assert.Nil(t, e.Offer(Done{}))
	e.Plan.Design.Foot.Length = 0
	assert.Nil(t, e.Offer(Done{}), "a plan by others has no design to make rows from")
}

// A plan by others says rows, summary and gauge; it opens and is knitted from.
func TestAPlanWithoutADesignIsWorked(t *testing.T) {
	e := begun(t, `,"heel":{"kind":"flap_under"}`)
	bare := &Edition{Line: Line{Version: 1}, Plan: &plan.Plan{Rules: e.Plan.Rules, Summary: e.Plan.Summary, Rows: e.Plan.Rows, Design: design.Blank()}}
	bare.Plan.Design.Gauge = e.Plan.Design.Gauge
	work, err := bare.Work()
	require.NoError(t, err)
	whole, err := e.Work()
	require.NoError(t, err)
	assert.Equal(t, whole.First.Rows, work.First.Rows)
	assert.Equal(t, whole.Wheres, work.Wheres)
}

// A square toe leans to one side, so that the second sock of a pair has other
// rows. What is knitted of it stays to the letter too, whatever toe the next plan has.
func TestTheSecondSockKeepsItsOwnRows(t *testing.T) {
	mirrorless, mirrored := begun(t, ""), begun(t, `,"toe":{"kind":"garter_square"}`)
	require.Nil(t, mirrorless.Second)
	require.NotNil(t, mirrored.Second)
	for _, c := range []struct {
		old, next *Edition
	}{{mirrored, mirrorless}, {mirrored, mirrored}} {
		done := at(t, c.old.Plan, "leg-10")
		to, err := c.old.Pair(1, c.next.Plan)
		require.NoError(t, err)
		n, _, err := c.old.Next(Bend{To: to}, Done{done, done})
		require.NoError(t, err)
		assert.Equal(t, c.old.Version+1, n.Version)
		require.NotNil(t, n.Second)
		assert.True(t, sameRows(c.old.Second.Rows[:done], n.Second.Rows[:done]))
		assert.Empty(t, check.Plan(n.Second))
		assert.False(t, sameRows(n.Second.Rows, n.Plan.Rows))
	}
	foot := at(t, mirrorless.Plan, "foot-20")
	to, err := mirrorless.Pair(1, mirrored.Plan)
	require.NoError(t, err)
	n, _, err := mirrorless.Next(Bend{To: to}, Done{foot, foot})
	require.NoError(t, err)
	assert.Nil(t, n.Second, "both toes are knitted alike already")
}

// What an older program kept as a design alone gets rows that are sound, also where a judgement that came later would stop a new sock.
func TestAdoptingAPlanOfAnOlderProgram(t *testing.T) {
	e, err := Adopt(designOf(t, `,"toe":{"kind":"garter_square"}`))
	require.NoError(t, err)
	assert.Empty(t, check.Plan(e.Plan))
	assert.NotNil(t, e.Second)
	tight, err := Adopt(designOf(t, `,"leg":{"stitches":44}`))
	require.NoError(t, err, "a leg that cannot be pulled on stops a new sock, and not the one that is on the needles")
	assert.NotEmpty(t, tight.Plan.Rows)
	_, err = Adopt(design.Blank())
	require.Error(t, err)
}

// The numbers of the rows are the section's own, and a row is special when it is not worked like the one before.
func TestTheRowsOfAWork(t *testing.T) {
	w, err := begun(t, "").Work()
	require.NoError(t, err)
	assert.Nil(t, w.Other)
	require.Len(t, w.First.Needles, len(w.First.Rows)+1)
	foot := 0
	for i, r := range w.First.Rows {
		if r.Section != "foot" {
			continue
		}
		foot++
		assert.Equal(t, foot, r.N)
		assert.Equal(t, w.Plan.Summary.FootRounds, r.Of)
		if foot > 1 && foot < r.Of {
			assert.False(t, r.Special, r.ID)
		}
		assert.InDelta(t, w.First.Rows[i-1].Along+100.0/44, r.Along, 0.11, "a round of the foot is a round higher")
	}
	assert.Equal(t, w.Plan.Summary.FootRounds, foot)
}
