package replan

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
)

func planOf(t require.TestingT, fields string) *plan.Plan {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":180}` + fields + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	return p
}

func rowAt(t require.TestingT, p *plan.Plan, id string) int {
	for i := range p.Rows {
		if p.Rows[i].ID == id {
			return i
		}
	}
	require.Fail(t, "no row", id)
	return 0
}

// edition is a plan as it is kept when it was begun.
func edition(p *plan.Plan) *knitting.Edition {
	return &knitting.Edition{Line: knitting.Line{Version: 1}, Plan: p}
}

func mm(l float64) *measure.Length { length := measure.Length(l); return &length }

func whole(n int) *int { return &n }

// 19 rounds of toe and 30 of foot are 111.4 mm by the swatch. They measure 118: 49 rounds in 118 mm
// are 41.5 in 100. Left: 242 − 118 − 51.1·44/41.5 (54.2) = 69.8 mm, 29 rounds: 59 before the heel, 6 fewer than 65.
func TestTriedOnTooLong(t *testing.T) {
	p := planOf(t, "")
	q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "foot-31"), Length: mm(118)})
	require.NoError(t, err)
	assert.Contains(t, q.Text, "6 fewer rounds before the heel")
	assert.InDelta(t, 41.53, q.Edition.Plan.Design.Gauge.Rounds, 0.01)
	// 180 mm of leg at 41.53 are 75 rounds, 40 mm of cuff 17.
	assert.Equal(t, []Change{{"rounds before the heel", 65, 59}, {"leg rounds", 61, 58}, {"cuff rounds", 18, 17}}, q.Changes)
	assert.Equal(t, rowAt(t, p, "foot-31"), q.Row)
}

func TestTheHeelIsLate(t *testing.T) {
	p := planOf(t, "")
	q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "heel-2"), HeelLate: whole(3)})
	require.NoError(t, err)
	assert.Equal(t, "3 more rounds before the heel. The foot comes out 0.7 cm longer.", q.Text)
	assert.Equal(t, rowAt(t, p, "heel-2")+3, q.Row, "the same row of the heel, three rows on")
	q, err = Ask(edition(p), Happened{Row: rowAt(t, p, "heel-2"), HeelLate: whole(1)})
	require.NoError(t, err)
	assert.Contains(t, q.Text, "1 more round before the heel.")
	_, err = Ask(edition(p), Happened{Row: rowAt(t, p, "foot-60"), HeelLate: whole(-20)})
	assert.ErrorContains(t, err, "59 rounds of the foot are knitted already")
}

// 36 flap rows: 18 edge stitches and one in the corner on each side, 24 to lose in 12 rounds. 21 and 19 are four more, and the fuller
// side loses two by itself first: 2 rounds and 13, three more.
func TestMoreWasPickedUp(t *testing.T) {
	p := planOf(t, `,"heel":{"kind":"flap_under"}`)
	q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "gusset-2"), PickedUp: &[2]int{21, 19}})
	require.NoError(t, err)
	assert.Contains(t, q.Text, "3 more gusset decrease rounds")
	assert.Equal(t, rowAt(t, p, "gusset-2"), q.Row)
	_, err = Ask(edition(planOf(t, "")), Happened{PickedUp: &[2]int{21, 19}})
	assert.ErrorContains(t, err, "no flap")
}

func TestLengthsThatNoGaugeExplains(t *testing.T) {
	p := planOf(t, "")
	row := rowAt(t, p, "foot-31")
	_, err := Ask(edition(p), Happened{Row: row, Length: mm(40)})
	assert.ErrorContains(t, err, "no gauge explains so much")
	_, err = Ask(edition(p), Happened{Row: rowAt(t, p, "toe-5"), Length: mm(20)})
	assert.ErrorContains(t, err, "some rounds of the foot")
	_, err = Ask(edition(p), Happened{Row: row, Length: mm(0)})
	assert.Error(t, err)
	_, err = Ask(edition(p), Happened{Row: 9999})
	assert.ErrorContains(t, err, "rows 0 to")
}

func TestAWrongCountHasItsLikelyCause(t *testing.T) {
	p := planOf(t, "")
	after := rowAt(t, p, "toe-5") // toe-4 increased to 40
	causes, err := CountIsWrong(p, tracedOf(t, p), after, p.Rows[after-1].Stitches-4)
	require.NoError(t, err)
	assert.Equal(t, "The last increase round was knitted plain.", causes[0].Text)
	assert.Contains(t, causes[0].Repair, "rip back to toe, round 4")
	causes, err = CountIsWrong(p, tracedOf(t, p), after, p.Rows[after-1].Stitches-1)
	require.NoError(t, err)
	assert.Contains(t, causes[0].Text, "An increase was forgotten")
	causes, err = CountIsWrong(p, tracedOf(t, p), rowAt(t, p, "heel-6"), p.Rows[rowAt(t, p, "heel-5")].Stitches+3)
	require.NoError(t, err)
	assert.Contains(t, causes[0].Text, "Both legs")
	causes, err = CountIsWrong(p, tracedOf(t, p), after, p.Rows[after-1].Stitches)
	require.NoError(t, err)
	assert.Empty(t, causes)
}

func TestALegThatWouldBeTight(t *testing.T) {
	p := planOf(t, "")
	q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "foot-40"), Feels: "tight_leg"})
	require.NoError(t, err)
	assert.Equal(t, []Change{{"stitches of the leg", 68, 72}}, q.Changes)
	q, err = Ask(edition(p), Happened{Row: rowAt(t, p, "leg-4"), Feels: "tight_leg"})
	require.NoError(t, err)
	assert.False(t, q.Plans)
	assert.Contains(t, q.Advice[0].Ways[0], "thicker")
	q, err = Ask(edition(p), Happened{Row: rowAt(t, p, "foot-40"), Feels: "tight_foot"})
	require.NoError(t, err)
	assert.Contains(t, q.Advice[0].Ways[1], "circulation")
	_, err = Ask(edition(p), Happened{Row: 9, Feels: "itchy"})
	assert.ErrorContains(t, err, "itchy")
}

// 30 rounds of the foot are done. 66 mm more to the bend in front of the ankle are 66 × 0.44 = 29.04
// rounds: 59 before the heel, 6 fewer than planned, 6 ÷ 0.44 = 13.6 mm.
func TestTheHeelsPlaceIsSeenOnTheFoot(t *testing.T) {
	p := planOf(t, "")
	row := rowAt(t, p, "foot-31")
	q, err := Ask(edition(p), Happened{Row: row, ToHeel: mm(66)})
	require.NoError(t, err)
	assert.Equal(t, "6 fewer rounds before the heel. The foot comes out 1.4 cm shorter.", q.Text)
	assert.Equal(t, row, q.Row)
	q, err = Ask(edition(p), Happened{Row: row, ToHeel: mm(0)})
	require.NoError(t, err)
	assert.Equal(t, 30, *q.Edition.Plan.Design.FootLength.Rounds, "begin it now")
	// 15 mm past it are 6.6 rounds: 7 to rip.
	q, err = Ask(edition(p), Happened{Row: row, ToHeel: mm(-15)})
	require.NoError(t, err)
	assert.False(t, q.Plans)
	assert.Contains(t, q.Repair, "7 rounds ago: rip back to the end of round 23")
	_, err = Ask(edition(p), Happened{Row: rowAt(t, p, "leg-3"), ToHeel: mm(10)})
	assert.ErrorContains(t, err, "between the toe and the heel")
	_, err = Ask(edition(p), Happened{Row: row, ToHeel: mm(400)})
	assert.ErrorContains(t, err, "at most 250 mm")
}

// 118 mm were measured at 41.5 rounds in 100 mm: the 66 mm still to go are 27 rounds by that gauge.
func TestTheHeelsPlaceIsCountedByTheGaugeOfTheTryOn(t *testing.T) {
	p := planOf(t, "")
	q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "foot-31"), Length: mm(118), ToHeel: mm(66)})
	require.NoError(t, err)
	assert.Equal(t, 57, *q.Edition.Plan.Design.FootLength.Rounds)
}

// The heel of the first sock came three rounds late. The second stands in the leg, past its own heel, and keeps every row; one that is
// still on the foot follows.
func TestTheSisterKeepsWhatIsKnitted(t *testing.T) {
	p := planOf(t, "")
	leg := rowAt(t, p, "leg-4")
	q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "heel-2"), Done: knitting.Done{0, leg}, HeelLate: whole(3)})
	require.NoError(t, err)
	assert.Same(t, p, q.Edition.Second, "not a row of it is another")
	assert.Equal(t, leg, *q.OtherRow)
	assert.Equal(t, "The second sock has knitted past it (leg, round 4 comes next) and stays as it was planned: from here on each sock of the pair has a plan of its own.", q.Pair)
	q, err = Ask(edition(p), Happened{Row: rowAt(t, p, "foot-20"), Done: knitting.Done{0, rowAt(t, p, "foot-60")}, HeelLate: whole(3), Other: Alike})
	require.NoError(t, err)
	assert.Nil(t, q.Edition.Second)
	assert.Equal(t, "The second sock is planned alike.", q.Pair)

	off := knitting.Done{len(p.Rows), 0}
	_, err = Ask(edition(p), Happened{Row: len(p.Rows), Done: off, LegRounds: whole(50)})
	assert.ErrorContains(t, err, "off the needles", "a finished sock is never told anew")
	q, err = Ask(edition(p), Happened{Sock: 2, Row: rowAt(t, p, "foot-3"), Done: off, LegRounds: whole(50)})
	require.NoError(t, err)
	assert.Same(t, p, q.Edition.Plan)
	assert.Equal(t, 50, q.Edition.Second.Summary.LegRounds)
	assert.Equal(t, "The first sock is off the needles, and stays as it is.", q.Pair)
}

// What the other sock's row is said to be is read and ignored: only what happened to it counts.
func TestNobodyIsToldWhatIsKnittedOfTheOtherSock(t *testing.T) {
	p := planOf(t, "")
	heel := rowAt(t, p, "heel-40")
	for _, other := range []int{0, heel, 9999} {
		q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "foot-20"), OtherRow: &other, Done: knitting.Done{0, heel}, HeelLate: whole(3)})
		require.NoError(t, err)
		assert.Same(t, p, q.Edition.Second)
		assert.Equal(t, heel, *q.OtherRow)
	}
}

// Ticked on the foot of before, to the second row of its heel, on a device that had not heard of three rounds more:
// the sock has that heel.
func TestRowsThatWereKnittedByThePlanOfBefore(t *testing.T) {
	e := begunWith(t, "")
	foot := rowAt(t, e.Plan, "foot-60")
	late, err := Ask(e, Happened{Row: foot, HeelLate: whole(3), Other: Alike})
	require.NoError(t, err)
	row := rowAt(t, e.Plan, "heel-3")
	q, err := Ask(late.Edition, Happened{Row: row, ByVersion: 1, Before: e, Done: knitting.Done{rowAt(t, e.Plan, "heel-1"), 0}})
	require.NoError(t, err)
	assert.Equal(t, row, q.Row)
	assert.Equal(t, e.Plan.Rows[:row], q.Edition.Plan.Rows[:row])
	assert.Equal(t, 65, q.Edition.Plan.Summary.FootRounds)
	assert.Equal(t, 68, q.Edition.SecondPlan().Summary.FootRounds, "the second goes by the newest still")
	for _, wrong := range []Happened{{ByVersion: 7, Row: 3}, {ByVersion: 1, Before: e, Row: 0}, {ByVersion: 1, Before: e, Row: 9999}} {
		_, err = Ask(late.Edition, wrong)
		assert.Error(t, err)
	}
}
