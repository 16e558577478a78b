package replan

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
)

// The heel of the first sock came three rounds late; the second is not begun. What happened to one is asked for the other.
func TestWhatHappenedToOneSockIsAskedForTheOther(t *testing.T) {
	e := begunWith(t, "")
	row := rowAt(t, e.Plan, "heel-2")
	late := Happened{Row: row, Done: knitting.Done{row, 0}, HeelLate: whole(3), Unit: measure.Centimetres}
	q, err := Ask(e, late)
	require.NoError(t, err)
	assert.Equal(t, 68, q.Edition.Plan.Summary.FootRounds)
	assert.Equal(t, 65, q.Edition.SecondPlan().Summary.FootRounds, "never inherited unasked")
	require.NotNil(t, q.Other)
	assert.Equal(t, "And the second sock?", q.Other.Question)
	assert.Equal(t, []Way{
		{AsPlanned, "As planned", "The second sock stays as it is planned."},
		{Alike, "Alike", "The second sock: 3 more rounds before the heel. The foot comes out 0.7 cm longer."},
		{Later, "Decide later", "The second sock stays as it is planned for now, and you are asked again while it is knitted."},
	}, q.Other.Ways, "a slip: as planned comes first")

	late.Other = Alike
	alike, err := Ask(e, late)
	require.NoError(t, err)
	assert.Nil(t, alike.Edition.Second)
	assert.Nil(t, ApartOf(alike.Edition), "only where they differ")

	late.Other = Later
	q, err = Ask(e, late)
	require.NoError(t, err)
	assert.Equal(t, 65, q.Edition.SecondPlan().Summary.FootRounds)
	assert.Equal(t, &logbook.Undecided{Sock: 2, Before: 1, Text: "What happened to the first sock is not decided for the second: 3 more rounds before the heel. The foot comes out 0.7 cm longer."}, q.Edition.Undecided)
	assert.Equal(t, &Apart{Text: "The second sock: 3 fewer rounds before the heel.", Counts: []Change{{"rounds before the heel", 68, 65}},
		Long: [2]measure.Length{q.Edition.Plan.Summary.FinishedLength, 242}}, ApartOf(q.Edition))

	done := knitting.Done{len(q.Edition.Plan.Rows), rowAt(t, q.Edition.SecondPlan(), "foot-60")}
	now, err := Ask(q.Edition, Happened{Sock: 2, Done: done, Decided: Alike, Unit: measure.Centimetres})
	require.NoError(t, err)
	assert.Nil(t, now.Edition.Undecided)
	assert.Equal(t, 68, now.Edition.SecondPlan().Summary.FootRounds)
	assert.Equal(t, "The second sock is knitted as the first: 3 more rounds before the heel. The foot comes out 0.7 cm longer.", now.Edition.Reason)
	back, err := Ask(q.Edition, Happened{BackTo: 1, Earlier: e, Done: knitting.Done{row, 0}})
	require.NoError(t, err)
	assert.Nil(t, back.Edition.Undecided, "what was taken back is asked no more")
	_, err = Ask(e, Happened{Sock: 2, Decided: AsPlanned})
	assert.ErrorContains(t, err, "nothing is left open for the second sock")
	stays, err := Ask(q.Edition, Happened{Sock: 2, Done: done, Decided: AsPlanned})
	require.NoError(t, err)
	assert.Nil(t, stays.Edition.Undecided)
	assert.Equal(t, q.Edition.SecondPlan().Rows, stays.Edition.SecondPlan().Rows)
	assert.Equal(t, done[1], stays.Edition.From(done)[1])
}

// The first sock has three rounds more of foot. A leg of 50 rounds for both is one for both; two rounds more of foot are so for each.
func TestSocksThatDifferAreAskedToo(t *testing.T) {
	e := begunWith(t, "")
	late, err := Ask(e, Happened{HeelLate: whole(3)})
	require.NoError(t, err)
	both, err := Ask(late.Edition, Happened{LegRounds: whole(50), Other: Alike})
	require.NoError(t, err)
	assert.Equal(t, []int{68, 50}, []int{both.Edition.Plan.Summary.FootRounds, both.Edition.Plan.Summary.LegRounds})
	assert.Equal(t, []int{65, 50}, []int{both.Edition.SecondPlan().Summary.FootRounds, both.Edition.SecondPlan().Summary.LegRounds})
	more, err := Ask(late.Edition, Happened{HeelLate: whole(2), Other: Alike})
	require.NoError(t, err)
	assert.Equal(t, 70, more.Edition.Plan.Summary.FootRounds)
	assert.Equal(t, 67, more.Edition.SecondPlan().Summary.FootRounds)
}

// What the tape says is no slip: the second is knitted by the same hands, and alike comes first. Nobody forgets an increase on purpose.
func TestAMeasureIsLikelyToBeThatOfBoth(t *testing.T) {
	e := begunWith(t, "")
	row := rowAt(t, e.Plan, "foot-51")
	q, err := Ask(e, Happened{Row: row, Done: knitting.Done{row, 0}, Length: mm(150)})
	require.NoError(t, err)
	assert.Equal(t, Alike, q.Other.Ways[0].Answer)
	row = rowAt(t, e.Plan, "toe-6")
	q, err = Ask(e, Happened{Row: row, Done: knitting.Done{row, 0}, Missed: &Missed{1, "start"}, Other: Alike})
	require.NoError(t, err)
	assert.Nil(t, q.Other)
	assert.Equal(t, e.Plan.Rows, q.Edition.SecondPlan().Rows)
	_, err = Ask(e, Happened{Row: row, HeelLate: whole(2), Other: "both"})
	assert.EqualError(t, err, `other: read "both"; it is planned, alike or later`)
}

// 34 were cast on for the first sock, and the second stays as planned. Its heel comes three rounds late and turns twelve times: both are
// decided later. Alike means these two then, and not the cast-on.
func TestAlikeMeansWhatWasLeftOpen(t *testing.T) {
	e := begunWith(t, "")
	q, err := Ask(e, Happened{Row: 1, Done: knitting.Done{1, 0}, CastOn: whole(34), Other: AsPlanned})
	require.NoError(t, err)
	cast := q.Edition
	row := rowAt(t, cast.Plan, "foot-60")
	q, err = Ask(cast, Happened{Row: row, Done: knitting.Done{row, 0}, HeelLate: whole(3), Other: Later})
	require.NoError(t, err)
	late := q.Edition
	row = rowAt(t, late.Plan, "heel-10")
	q, err = Ask(late, Happened{Row: row, Done: knitting.Done{row, 0}, HeelTurns: whole(12), Other: Later})
	require.NoError(t, err)
	turned := q.Edition
	assert.Equal(t, []int{3, 4}, turned.Undecided.Made())
	assert.Contains(t, turned.Undecided.Text, "3 more rounds before the heel")
	assert.Contains(t, turned.Undecided.Text, "turn")
	_, err = Ask(turned, Happened{Sock: 2, Row: 5, Done: knitting.Done{row, 5}, LegRounds: whole(50), Other: Later})
	assert.ErrorContains(t, err, "for the second sock something is still open")

	now, err := Ask(turned, Happened{Sock: 2, Decided: Alike, Open: []Step{{cast, late}, {late, turned}}, Done: knitting.Done{row, 4}})
	require.NoError(t, err)
	second := now.Edition.SecondPlan()
	assert.Equal(t, []int{32, 68, 12}, []int{second.Summary.CastOnStitches, second.Summary.FootRounds, *second.Summary.HeelTurnsPerSide})
	assert.Nil(t, now.Edition.Undecided)
	assert.Equal(t, turned.Plan.Rows, now.Edition.Plan.Rows)
}
