package knit_test

import (
	"encoding/json"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/needles/replan"
	"acornstep/sock/needles/tally"
	"acornstep/sock/needles/whereami"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

func place(t *testing.T, p *plan.Plan, id string) int {
	t.Helper()
	i := slices.IndexFunc(p.Rows, func(r needle.Row) bool { return r.ID == id })
	require.GreaterOrEqual(t, i, 0, id)
	return i
}

// half is a sock that an older program began, kept as its documents and read again, and the row in its heel that comes next.
func half(t *testing.T) (*knitting.Edition, int) {
	t.Helper()
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}}`))
	require.NoError(t, err)
	e, err := knitting.Begin(d)
	require.NoError(t, err)
	text, err := json.Marshal(e.Plan)
	require.NoError(t, err)
	e.Plan, err = plan.Read(text)
	require.NoError(t, err)
	return e, place(t, e.Plan, "heel-15")
}

// A newer program has another rule for the heel. The half-knitted sock goes on by its own rows in everything that reads them.
func TestANewerRuleChangesNoKnittedRow(t *testing.T) {
	e, row := half(t)
	rows := slices.Clone(e.Plan.Rows)
	before, err := e.Work()
	require.NoError(t, err)
	t.Cleanup(knit.RoundThirdsUp())
	newer, err := knit.Make(e.Plan.Design)
	require.NoError(t, err)
	require.Equal(t, 12, *newer.Summary.HeelTurnsPerSide, "34 over 12 · 10 · 12")

	after, err := e.Work()
	require.NoError(t, err)
	assert.Equal(t, before.First, after.First, "its rows in words, and its needles")
	assert.Equal(t, rows, e.Plan.Rows)

	events := []logbook.Event{{ID: "a", Device: "d", Clock: 1, Kind: logbook.RowDone, Version: 1, Sock: 1, Row: row - 1}}
	sum := tally.Of([2]tally.Knitted{{Plan: after.Plan, Knitted: after.Knitted}, {Plan: after.Plan, Knitted: after.Knitted}}, events,
		"2026-11-26")
	assert.Equal(t, before.Knitted.Stitches(row, len(rows)), sum.Each[0].Stitches, "the log counts the rows that are knitted")

	look := after.Wheres.Looks[slices.IndexFunc(after.Wheres.Looks, func(l whereami.Look) bool { return l.Row == row && !l.Half })]
	seen := whereami.Seen{Needle1: &look.Needles[0], Needle2: &look.Needles[1], Right: &look.Right, Left: &look.Left}
	assert.Equal(t, row, after.Wheres.Ask(seen, row).Matches[0].Row)

	offer := e.Offer(knitting.Done{row})
	require.NotNil(t, offer)
	assert.Contains(t, offer.Text, "made by an older version of the program")
	e.SaidOffer = offer.Name
	assert.Nil(t, e.Offer(knitting.Done{row}), "it is said once")

	tried := replan.Happened{Row: row, Sits: []replan.Sit{{Place: "ankle", How: "tight"}}}
	late := 3
	for name, h := range map[string]replan.Happened{"tried on": tried, "the leg is taller": {Row: row, LegRounds: &[]int{80}[0]},
		"the heel came late": {Row: row, HeelLate: &late}} {
		q, err := replan.Ask(e, h)
		require.NoError(t, err, name)
		require.True(t, q.Plans, name)
		kept := row
		if h.HeelLate != nil {
			kept = place(t, e.Plan, "heel-1")
		}
		assert.Equal(t, rows[:kept], q.Edition.Plan.Rows[:kept], name)
		assert.Equal(t, "heel-15", q.Edition.Plan.Rows[q.Row].ID, name)
		assert.Equal(t, 11, *q.Edition.Plan.Summary.HeelTurnsPerSide, "%s: the heel that is being knitted stays", name)
	}
}

// On the foot the heel is still to come: taken, the offer changes it and nothing that is knitted.
func TestAnOfferIsTaken(t *testing.T) {
	e, _ := half(t)
	done := place(t, e.Plan, "foot-30")
	t.Cleanup(knit.RoundThirdsUp())
	offer := e.Offer(knitting.Done{done})
	require.NotNil(t, offer)
	next := offer.Taken()
	assert.Equal(t, e.Plan.Rows[:done], next.Plan.Rows[:done])
	assert.Equal(t, 12, *next.Plan.Summary.HeelTurnsPerSide)
	assert.Equal(t, 2, next.Version)
	assert.Nil(t, next.Offer(knitting.Done{done}), "its rows are today's")
}

// The offer looks at each sock from where it stands: the first is still on the foot, the second in the heel that
// the newer rule would make otherwise. Not a knitted row of either changes, and one that is off the needles is
// offered nothing.
func TestAnOfferKeepsBothSocks(t *testing.T) {
	e, _ := half(t)
	heel := place(t, e.Plan, "heel-30")
	foot := place(t, e.Plan, "foot-30")
	t.Cleanup(knit.RoundThirdsUp())
	for _, done := range []knitting.Done{{foot, heel}, {heel, foot}} {
		offer := e.Offer(done)
		require.NotNil(t, offer)
		assert.Contains(t, offer.Text, "of the first sock and")
		next := offer.Taken()
		for i, rows := range done {
			assert.Equal(t, e.Plan.Rows[:rows], next.PlanOf(i + 1).Rows[:rows])
			assert.Equal(t, rows, next.From(done)[i])
		}
		turns := [2]int{*next.Plan.Summary.HeelTurnsPerSide, *next.SecondPlan().Summary.HeelTurnsPerSide}
		assert.ElementsMatch(t, []int{12, 11}, turns[:], "only the heel that is not begun is another")
	}
	assert.Nil(t, e.Offer(knitting.Done{len(e.Plan.Rows), len(e.Plan.Rows)}))
}
