package replan

import (
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// anyPlan draws a sock with every heel and toe.
func anyPlan(t *rapid.T) *plan.Plan {
	pick := func(field string, names ...string) string { return rapid.SampledFrom(names).Draw(t, field) }
	return planOf(t, fmt.Sprintf(`,"toe":{"kind":%q},"heel":{"kind":%q,"turn":%q},"cuff":{"pattern":%q}`,
		pick("toe", "wedge", "short_row", "garter_square"), pick("heel", "short_row", "flap_under", "gusset_turn"),
		pick("turn", "german", "wrap", "yarn_over"), pick("cuff", "rib_1x1", "rib_2x2")))
}

// What the tape should read is shown: who types it, or half a centimetre beside it, has changed nothing, wherever the sock is.
func TestTheFigureThatIsShownChangesNothing(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := anyPlan(t)
		unit := rapid.SampledFrom([]measure.Unit{measure.Centimetres, measure.Inches}).Draw(t, "unit")
		h := Happened{Row: rapid.IntRange(0, len(p.Rows)-1).Draw(t, "row"), Unit: unit}
		should := measure.Length(rapid.Float64Range(20, 400).Draw(t, "should"))
		shown, err := measure.ParseLength(unit.Show(should), unit)
		require.NoError(t, err)
		read := shown + measure.Length(rapid.Float64Range(-TapeNoise, TapeNoise).Draw(t, "off"))
		switch section(p, h.Row) {
		case needle.Foot:
			h.Length, h.Should = &read, should
		case needle.Leg:
			h.Height, h.HeightShould = &read, should
		default:
			return
		}
		q, err := Ask(edition(p), h)
		if err != nil {
			assert.Regexp(t, "some rounds of the foot|while it is on the leg", err.Error(), "before the first round there is nothing to measure")
			return
		}
		assert.False(t, q.Plans)
		assert.Empty(t, q.Changes)
		assert.Contains(t, q.Repair, "as it should, about "+unit.Show(should))
	})
}

// On the foot the toe of a sock is pulled long: after five rounds of the foot it lies 46 mm long and reads 56 on the foot.
// 56 is as it should be; by the flat figure it would be 27 rounds too many.
func TestASockThatIsWornIsHeldAgainstOneThatIsWorn(t *testing.T) {
	p := planOf(t, "")
	q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "foot-6"), Length: mm(56), Should: 56})
	require.NoError(t, err)
	assert.Empty(t, q.Changes)
	q, err = Ask(edition(p), Happened{Row: rowAt(t, p, "foot-6"), Length: mm(46), Should: 56, Unit: measure.Centimetres})
	require.NoError(t, err)
	assert.Empty(t, q.Changes, "so short a piece tells no gauge")
	assert.Contains(t, q.Repair, "measure again from round 24 of the foot on") // 95.5 − 43.2 mm are 23 rounds
	// 30 rounds of the foot are 111.4 mm by the swatch and should read 120 on the foot. They read 126, a twentieth more: 41.9 rounds in
	// 100 mm, and 117 mm as the sock lies. Left: 242 − 117 − 51.1 × 1.05 (53.7) = 71.4 mm, 30 rounds: 60 before the heel, 5 fewer.
	q, err = Ask(edition(p), Happened{Row: rowAt(t, p, "foot-31"), Length: mm(126), Should: 120})
	require.NoError(t, err)
	assert.InDelta(t, 41.9, q.Edition.Plan.Design.Gauge.Rounds, 0.01)
	assert.Equal(t, Change{"rounds before the heel", 65, 60}, q.Changes[0])
}

// 60 rounds of the foot are done where 65 lead to the heel, and the tape reads three centimetres more than it should.
func TestAFootThatIsTooLongIsNotMendedByFewerRounds(t *testing.T) {
	p := planOf(t, "")
	h := Happened{Row: rowAt(t, p, "foot-61"), Length: mm(210), Should: 179.5, Unit: measure.Centimetres, Pace: logbook.Pace{SecondsPerStitch: 2}}
	q, err := Ask(edition(p), h)
	require.NoError(t, err)
	// 179.5 ÷ 210 of 44 rounds are 37.6 in 100 mm; 60 rounds and the toe are 209.9 mm as they lie, the heel 59.8: 27.4 mm over, 10 rounds.
	assert.Contains(t, q.Repair, "The foot is already 2.8 cm too long: rip back to the end of round 50 of the foot (10 rows, 680 stitches to knit again")
	assert.Contains(t, q.Repair, "25 minutes at your pace")
	assert.Equal(t, 60, *q.Edition.Plan.Design.FootLength.Rounds, "or the heel begins now")
}

func TestAHeelThatIsKnittedSitsWhereItSits(t *testing.T) {
	p := planOf(t, "")
	leg := rowAt(t, p, "leg-9")
	q, err := Ask(edition(p), Happened{Row: leg, HeelOff: mm(20), Unit: measure.Centimetres})
	require.NoError(t, err)
	// 20 mm are 9 rounds; 47 rows of heel, 9 of foot and 8 of leg go.
	assert.Contains(t, q.Repair, "2.0 cm too long. No row to come can mend it. Rip back to the end of round 56 of the foot (64 rows, ")
	assert.False(t, q.Plans)
	q, err = Ask(edition(p), Happened{Row: leg, HeelOff: mm(-12), Unit: measure.Centimetres})
	require.NoError(t, err)
	assert.Contains(t, q.Repair, "1.2 cm too short. No row to come can mend it. Rip back to the end of the foot (55 rows, ")
	assert.Contains(t, q.Repair, "knit 5 rounds more")
	q, err = Ask(edition(p), Happened{Row: leg, HeelOff: mm(4)})
	require.NoError(t, err)
	assert.Contains(t, q.Repair, "sits where it should")
	_, err = Ask(edition(p), Happened{Row: rowAt(t, p, "foot-9"), HeelOff: mm(9)})
	assert.ErrorContains(t, err, "seen when it is turned")
	_, err = Ask(edition(p), Happened{Row: leg, Length: mm(200)})
	assert.ErrorContains(t, err, "while the needle is on the foot")
}

// 20 rounds of the leg are done. The needle should be 130 mm above the floor and is 140: 40.9 rounds in 100 mm. 180 mm of leg are 74
// rounds, 16 of them cuff.
func TestTheLegIsCountedByItsHeightAboveTheFloor(t *testing.T) {
	p := planOf(t, "")
	q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "leg-21"), Height: mm(140), HeightShould: 130})
	require.NoError(t, err)
	assert.Equal(t, []Change{{"leg rounds", 61, 58}, {"cuff rounds", 18, 16}}, q.Changes)
	_, err = Ask(edition(p), Happened{Row: rowAt(t, p, "leg-21"), Height: mm(30), HeightShould: 130})
	assert.ErrorContains(t, err, "no gauge explains so much")
}

// Whatever is told of any place at any row, there is something to do, what it costs is said as it is, and no two places get the same.
func TestEveryPlaceHasItsOwnAdvice(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := anyPlan(t)
		h := Happened{Row: rapid.IntRange(1, len(p.Rows)-1).Draw(t, "row")}
		how := rapid.SampledFrom([]string{"tight", "loose"}).Draw(t, "how")
		var all []string
		for _, place := range []string{"toes", "ball", "instep", "ankle", "leg", "cuff"} {
			h.Sits = []Sit{{place, how}}
			q, err := Ask(edition(p), h)
			if err != nil {
				assert.Regexp(t, "is not knitted yet|planned like that|knitted", err.Error())
				continue
			}
			require.Len(t, q.Advice, 1)
			require.NotEmpty(t, q.Advice[0].Ways)
			assert.Equal(t, how == "tight", strings.Contains(q.Advice[0].Care, "clinician"))
			for _, way := range q.Advice[0].Ways {
				var rows int
				if _, after, priced := strings.Cut(way, "("); priced {
					_, err := fmt.Sscanf(after, "%d row", &rows)
					require.NoError(t, err, way)
					assert.True(t, rows > 0 && rows <= h.Row, way)
				}
				assert.False(t, place != "leg" && slices.Contains(all, way), way)
				all = append(all, way)
			}
		}
	})
}

// Before the first round of the leg all of it can still be decided.
func TestALegThatIsNotBegunCanStillBeDecided(t *testing.T) {
	p := planOf(t, "")
	q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "leg-1"), Sits: []Sit{{"ankle", "tight"}}})
	require.NoError(t, err)
	assert.Equal(t, []Change{{"stitches of the leg", 68, 72}}, q.Changes)
	_, err = Ask(edition(p), Happened{Row: rowAt(t, p, "leg-1"), Sits: []Sit{{"elbow", "tight"}}})
	assert.ErrorContains(t, err, "elbow")
}

func TestTimesAreSaidAsPeopleSayThem(t *testing.T) {
	for took, said := range map[time.Duration]string{time.Second: "5 minutes", 41 * time.Minute: "40 minutes", 2 * time.Hour: "2 hours", 155 * time.Minute: "2 1/2 hours"} {
		assert.Equal(t, said, inWords(took))
	}
}

// Several things that are told at once are all worked in, or the one that cannot is named.
func TestSeveralThingsToldAtOnce(t *testing.T) {
	p := planOf(t, "")
	q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "foot-31"), ToHeel: mm(66), LegRounds: whole(70), Sits: []Sit{{"ball", "tight"}}})
	require.NoError(t, err)
	assert.Equal(t, []Change{{"rounds before the heel", 65, 59}, {"leg rounds", 61, 70}}, q.Changes)
	assert.Equal(t, "ball", q.Advice[0].Place)
	// Past the heel's place no round to come can help: the rest is worked in all the same.
	q, err = Ask(edition(p), Happened{Row: rowAt(t, p, "foot-31"), ToHeel: mm(-20), LegRounds: whole(70), Unit: measure.Centimetres})
	require.NoError(t, err)
	assert.Contains(t, q.Repair, "begun 9 rounds ago: rip back to the end of round 21 of the foot (9 rows, 612 stitches")
	assert.Equal(t, []Change{{"leg rounds", 61, 70}}, q.Changes)
	q, err = Ask(edition(p), Happened{Row: rowAt(t, p, "foot-4"), ToHeel: mm(-20)})
	require.NoError(t, err)
	assert.Contains(t, q.Repair, "rip back to the end of the toe (3 rows")
	_, err = Ask(edition(p), Happened{Row: rowAt(t, p, "toe-9"), CastOn: whole(34), LegRounds: whole(70)})
	assert.ErrorContains(t, err, "take the count that was cast on in first, by itself")
	_, err = Ask(edition(p), Happened{Row: rowAt(t, p, "toe-9"), CastOn: whole(34), Missed: &Missed{Needle: 1, End: "start"}})
	assert.ErrorContains(t, err, "missed: tell one of these at a time")
}
