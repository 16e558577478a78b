package replan

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// said spells a row by its operations.
func said(r *needle.Row) string {
	text := ""
	for _, o := range r.Ops {
		text += fmt.Sprintf("%s%d ", o.Code, o.N)
	}
	return text
}

// 34 on two needles are 17 and 17, and each has 17 to go: one increase on each needle once, at opposite sides of
// the foot, and then eight times four. 32 would have taken nine.
func TestTwoTooManyWereCastOn(t *testing.T) {
	p := planOf(t, "")
	q, err := Ask(edition(p), Happened{Row: 1, CastOn: whole(34)})
	require.NoError(t, err)
	require.True(t, q.Plans)
	next := q.Edition.Plan
	assert.Equal(t, 1, q.Row)
	assert.Equal(t, "k1 kfb1 k15 k1 kfb1 k15 ", said(&next.Rows[2]))
	assert.Equal(t, 36, next.Rows[2].Stitches)
	assert.Equal(t, 9, *next.Summary.IncreaseRounds)
	assert.Equal(t, 34, next.Summary.CastOnStitches)

	// Told three rounds later, with two increase rounds done by the plan: 34 + 8, on needles of 21. The odd one is made next.
	q, err = Ask(edition(p), Happened{Row: rowAt(t, p, "toe-5"), CastOn: whole(34)})
	require.NoError(t, err)
	next = q.Edition.Plan
	row := &next.Rows[q.Row]
	assert.Equal(t, "toe-5", row.ID)
	assert.Equal(t, "k21 k21 ", said(row), "a plain round came next, and still does")
	assert.Equal(t, "k1 kfb1 k19 k1 kfb1 k19 ", said(&next.Rows[q.Row+1]))
}

// Every count from the smallest strip to the whole round, told at once or rounds
// later, with any rhythm and any increase: the rows that are knitted are what
// they really were, and from there the toe comes to its count.
func TestAnyCountThatWasCastOn(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := planOf(t, fmt.Sprintf(`,"toe":{"start":%q,"increase":%q},"heel":{"kind":%q}`,
			rapid.SampledFrom([]string{"half", "rounded", "fitted"}).Draw(t, "start"),
			rapid.SampledFrom([]string{"kfb", "kfb_mirrored", "m1"}).Draw(t, "increase"),
			rapid.SampledFrom(design.Registered("heel.kind")).Draw(t, "heel")))
		loops := rapid.OneOf(rapid.SampledFrom([]int{20, 22, 33, 34, 36, 60}), rapid.IntRange(8, 68)).Draw(t, "loops")
		row := rapid.IntRange(0, p.Summary.ToeRounds+1).Draw(t, "row")
		q, err := Ask(edition(p), Happened{Row: row, CastOn: &loops})
		if err != nil {
			t.Fatal(err)
		}
		if loops == p.Summary.CastOnStitches {
			return
		}
		next := q.Edition.Plan
		if faults := check.Kept(next); len(faults) > 0 {
			t.Fatal(faults[0])
		}
		if q.Row != row {
			t.Fatalf("stood before row %d, sent to %d", row, q.Row)
		}
		for i := range row {
			grew, grows := 0, 0
			if i > 0 {
				grew, grows = p.Rows[i].Stitches-p.Rows[i-1].Stitches, next.Rows[i].Stitches-next.Rows[i-1].Stitches
			}
			if grew != grows {
				t.Fatalf("row %d added %d and is said to have added %d", i, grew, grows)
			}
		}
		if next.Rows[0].Stitches != loops {
			t.Fatalf("%d cast on, %d said", loops, next.Rows[0].Stitches)
		}
		last := 0
		for i := range next.Rows {
			if next.Rows[i].Section == needle.Toe {
				last = i
			}
		}
		if got := next.Rows[last].Stitches; got != p.Summary.FootStitches {
			t.Fatalf("the toe ends with %d stitches", got)
		}
	})
}

// 34 cast on for the second sock, while the first is on the foot: a fact of the second alone.
func TestWhatHappenedOnOneSockIsNoFactOfTheOther(t *testing.T) {
	p := planOf(t, "")
	first := rowAt(t, p, "foot-20")
	q, err := Ask(edition(p), Happened{Sock: 2, Row: 1, Done: knitting.Done{first, 1}, CastOn: whole(34)})
	require.NoError(t, err)
	assert.Same(t, p, q.Edition.Plan)
	assert.Equal(t, 34, q.Edition.Second.Rows[0].Stitches)
	assert.Equal(t, []int{1, first}, []int{q.Row, *q.OtherRow})
	// The first is tried on later: the second keeps its own toe.
	n, err := Ask(q.Edition, Happened{Row: first, Done: knitting.Done{first, 1}, HeelLate: whole(3)})
	require.NoError(t, err)
	assert.Equal(t, 34, n.Edition.Second.Rows[0].Stitches)
	assert.Equal(t, 68, n.Edition.Plan.Summary.FootRounds)
}

func TestCountsWithoutRoomAreSaidSo(t *testing.T) {
	p := planOf(t, "")
	for loops, says := range map[int]string{6: "no room to shape", 70: "no room is left to shape"} {
		_, err := Ask(edition(p), Happened{Row: 1, CastOn: &loops})
		assert.ErrorContains(t, err, says)
	}
	_, err := Ask(edition(p), Happened{Row: rowAt(t, p, "foot-9"), CastOn: whole(36)})
	assert.ErrorContains(t, err, "how many stitches you count now")

	// A square of 17 on each needle makes 68; 36 cast on are 18 ridges and 72.
	square := planOf(t, `,"toe":{"kind":"garter_square"}`)
	q, err := Ask(edition(square), Happened{Row: 1, CastOn: whole(36)})
	require.NoError(t, err)
	assert.Equal(t, 72, q.Edition.Plan.Summary.FootStitches)
	_, err = Ask(edition(square), Happened{Row: 1, CastOn: whole(35)})
	assert.ErrorContains(t, err, "even count")
}

// 17 and 20 on a flap of 36 rows, one in each corner: 34 + 20 + 18 + 21 = 93. Three rounds with one decrease on the
// fuller side, then 11 with two: 14 decrease rounds.
func TestSeventeenAndTwentyWerePickedUp(t *testing.T) {
	p := planOf(t, `,"heel":{"kind":"flap_under","flap_rows":36}`)
	q, err := Ask(edition(p), Happened{Row: rowAt(t, p, "gusset-3"), PickedUp: &[2]int{17, 20}})
	require.NoError(t, err)
	next := q.Edition.Plan
	assert.Equal(t, 14, *next.Summary.GussetDecreaseRounds)
	assert.Equal(t, 93, next.Rows[rowAt(t, next, "gusset-2")].Stitches)
	assert.Equal(t, rowAt(t, p, "gusset-3"), q.Row)

	// Told after one decrease round by the plan, which took one on each side: 16 and 19 are left with their
	// corners, three lone ones still to go.
	q, err = Ask(edition(p), Happened{Row: rowAt(t, p, "gusset-5"), PickedUp: &[2]int{17, 20}})
	require.NoError(t, err)
	next = q.Edition.Plan
	assert.Equal(t, rowAt(t, p, "gusset-5"), q.Row)
	assert.Equal(t, 91, next.Rows[q.Row-1].Stitches)
	assert.Equal(t, []int{91, 90, 90, 89, 89, 88, 88, 86}, stitchesFrom(next, q.Row, 8))
	assert.Empty(t, check.Kept(next))
}

func stitchesFrom(p *plan.Plan, row, n int) []int {
	list := make([]int, n)
	for i := range list {
		list[i] = p.Rows[row+i].Stitches
	}
	return list
}

// Any two counts, told anywhere in the gusset: sound rows from the needle's state on, and the leg's count in the end.
func TestAnyCountsThatWerePickedUp(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := planOf(t, `,"heel":{"kind":"flap_under"},"needles":"`+rapid.SampledFrom([]string{"magic_loop", "dpn5"}).Draw(t, "needles")+
			`"`)
		first := rowAt(t, p, "gusset-1")
		row := rapid.IntRange(first, first+20).Draw(t, "row")
		counts := [2]int{rapid.IntRange(13, 24).Draw(t, "left"), rapid.IntRange(13, 24).Draw(t, "right")}
		q, err := Ask(edition(p), Happened{Row: row, PickedUp: &counts})
		if err != nil {
			return // the decreases that are knitted already were more than such counts have
		}
		if faults := check.Kept(q.Edition.Plan); len(faults) > 0 {
			t.Fatal(faults[0])
		}
		if q.Row != row {
			t.Fatalf("stood before row %d, sent to %d", row, q.Row)
		}
		if got := q.Edition.Plan.Summary.LegStitches; got != p.Summary.LegStitches {
			t.Fatalf("the leg has %d", got)
		}
	})
}

// A foot of 65 rounds makes 13 increases on each side in its last 26, from round 40 on. Two rounds late in round 50: the
// increases go on as they do, and two plain rounds come before the heel. Six early: 20 of the 26 rounds are there, ten increases.
func TestTheHeelOfAGussetComesLateOrEarlyWhenItsIncreasesHaveBegun(t *testing.T) {
	p := planOf(t, `,"heel":{"kind":"gusset_turn"}`)
	require.Equal(t, 65, p.Summary.FootRounds)
	row := rowAt(t, p, "foot-50")
	q, err := Ask(edition(p), Happened{Row: row, HeelLate: whole(2)})
	require.NoError(t, err)
	next := q.Edition.Plan
	assert.Equal(t, "2 more rounds before the heel. The foot comes out 0.5 cm longer.", q.Text)
	assert.Equal(t, p.Rows[row:rowAt(t, p, "heel-1")], next.Rows[row:rowAt(t, next, "foot-66")])
	assert.Equal(t, []int{94, 94}, []int{next.Rows[rowAt(t, next, "foot-66")].Stitches, next.Rows[rowAt(t, next, "foot-67")].Stitches})
	q, err = Ask(edition(p), Happened{Row: row, HeelLate: whole(-6)})
	require.NoError(t, err)
	assert.Equal(t, 59, q.Edition.Plan.Summary.FootRounds)
	assert.Equal(t, 10, *q.Edition.Plan.Summary.GussetIncreases)
}

// Whatever the heel, and wherever the sock is when it is told: the heel begins where it is said to begin, or a sentence says why not.
func TestTheHeelBeginsWhereItIsToldToBegin(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := anyPlan(t)
		late := rapid.IntRange(-12, 12).Filter(func(n int) bool { return n != 0 }).Draw(t, "late")
		h := Happened{Row: rapid.IntRange(firstOf(p, needle.Foot), len(p.Rows)-1).Draw(t, "row"), HeelLate: &late}
		q, err := Ask(edition(p), h)
		if err != nil {
			assert.ErrorContains(t, err, "heel_late")
			return
		}
		require.True(t, q.Plans)
		next := q.Edition.Plan
		assert.Equal(t, p.Summary.FootRounds+late, next.Summary.FootRounds)
		assert.Empty(t, check.Kept(next))
		assert.Contains(t, q.Text, "before the heel")
		if h.Row > firstOf(p, needle.Heel) { // before its first row, what is late is still to be knitted
			assert.Equal(t, p.Rows[h.Row].ID, next.Rows[q.Row].ID, "the knitter stands at the same row")
		}
	})
}

// However many were cast on, and wherever in the toe it is told: the sock can go otherwise again, and be decided anew.
func TestWhatWentOtherwiseOnceCanAgain(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		heel := rapid.SampledFrom([]string{"short_row", "flap_under", "gusset_turn"}).Draw(t, "heel")
		e := begunWith(t, fmt.Sprintf(`,"heel":{"kind":%q}`, heel))
		d := e.Plan.Design
		told := rapid.IntRange(1, firstOf(e.Plan, needle.Foot)).Draw(t, "told")
		loops := rapid.IntRange(fewestToShape, 60).Draw(t, "loops")
		q, err := Ask(e, Happened{Row: told, Done: knitting.Done{told, 0}, CastOn: &loops, Other: Alike})
		require.NoError(t, err)
		if q.Plans {
			e = q.Edition
		}
		row := firstOf(e.Plan, needle.Foot) + rapid.IntRange(1, e.Plan.Summary.FootRounds-1).Draw(t, "round")
		done := knitting.Done{row, 0}
		q, err = Ask(e, Happened{Row: row, Done: done, HeelLate: whole(3), Other: Alike})
		require.NoError(t, err)
		next := q.Edition.Plan
		assert.Equal(t, e.Plan.Summary.FootRounds+3, next.Summary.FootRounds)
		assert.Equal(t, loops, next.Summary.CastOnStitches)
		assert.Equal(t, e.Plan.Rows[:row], next.Rows[:row])
		assert.Empty(t, check.Kept(next))
		d.Leg.Height += 30
		out, err := Decide(q.Edition, d, Bound{Done: done}, measure.Centimetres)
		require.NoError(t, err)
		assert.Greater(t, out.Edition.Plan.Summary.LegRounds, next.Summary.LegRounds)
		assert.Equal(t, next.Rows[:row], out.Edition.Plan.Rows[:row])
	})
}
