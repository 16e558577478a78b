package replan

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
	"acornstep/sock/craft/knit"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// 32 cast on; the increase at the end of needle 2 was forgotten in the second increase round: 39 instead of 40, 20 and 19. The
// plain round after it lifts the strand before the last stitch, and there are 40; nothing else is another.
func TestAForgottenIncreaseIsLiftedInTheNextRound(t *testing.T) {
	p := planOf(t, "")
	row := rowAt(t, p, "toe-5")
	q, err := Ask(edition(p), Happened{Row: row, Missed: &Missed{Needle: 2, End: "end"}})
	require.NoError(t, err)
	next := q.Edition.Plan
	assert.Equal(t, row, q.Row)
	assert.Equal(t, "k1 kfb1 k14 kfb1 k1 k1 kfb1 k16 ", said(&next.Rows[row-1]))
	assert.Equal(t, 39, next.Rows[row-1].Stitches)
	assert.Equal(t, "k20 k18 m1l1 k1 ", said(&next.Rows[row]))
	assert.Equal(t, 40, next.Rows[row].Stitches)
	assert.Equal(t, p.Rows[row+1:], next.Rows[row+1:])
	assert.Empty(t, check.Kept(next))
	assert.Equal(t, "Toe, round 5 lifts the strand where the stitch is missing and knits it twisted: 40 again. Every row after it is the planned one.", q.Text)

	// Noticed three rounds later, among rounds that increase: the round that comes makes one more beside its own.
	q, err = Ask(edition(p), Happened{Row: rowAt(t, p, "toe-6"), Missed: &Missed{Needle: 1, End: "start"}})
	require.NoError(t, err)
	assert.Equal(t, "k1 kfb1 m1r1 k15 kfb1 k1 k1 kfb1 k16 kfb1 k1 ", said(&q.Edition.Plan.Rows[rowAt(t, p, "toe-6")]))

	// The toe is done: the foot lifts it all the same.
	row = rowAt(t, p, "foot-3")
	q, err = Ask(edition(p), Happened{Row: row, Missed: &Missed{Needle: 1, End: "start"}})
	require.NoError(t, err)
	assert.Equal(t, 67, q.Edition.Plan.Rows[row-1].Stitches)
	assert.Equal(t, 68, q.Edition.Plan.Rows[row].Stitches)

	for _, wrong := range []struct {
		row    int
		missed Missed
		says   string
	}{
		{2, Missed{1, "start"}, "to be made yet"},
		{9, Missed{3, "start"}, "expected needle 1 or 2"},
		{rowAt(t, p, "heel-3"), Missed{1, "start"}, "the foot is knitted"},
	} {
		_, err = Ask(edition(p), Happened{Row: wrong.row, Missed: &wrong.missed})
		assert.ErrorContains(t, err, wrong.says)
	}
}

// 34 and 34; the gusset makes its first stitches in round 40, one beside each end of the sole. The second is forgotten there,
// and round 41, plain, lifts it before the last stitch: 70 again, as planned.
func TestAForgottenIncreaseOfAGussetIsLiftedToo(t *testing.T) {
	p := planOf(t, `,"heel":{"kind":"gusset_turn"}`)
	row := rowAt(t, p, "foot-41")
	q, err := Ask(edition(p), Happened{Row: row, Missed: &Missed{2, "end"}})
	require.NoError(t, err)
	assert.Equal(t, "k34 k1 m1r1 k33 ", said(&q.Edition.Plan.Rows[row-1]))
	assert.Equal(t, "k34 k34 m1l1 k1 ", said(&q.Edition.Plan.Rows[row]))
	assert.Equal(t, 70, q.Edition.Plan.Rows[row].Stitches)
	assert.Equal(t, p.Summary, q.Edition.Plan.Summary)
	_, err = Ask(edition(p), Happened{Row: row, Missed: &Missed{1, "end"}})
	assert.ErrorContains(t, err, "made none there")
}

// Whatever the toe, its increases and the foot above it: one is lacking from the round that forgot it up to the one that comes, which
// brings the planned count, and after it nothing is another.
func TestAForgottenIncreaseChangesOneRowToCome(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		pick := func(what string, of ...string) string { return rapid.SampledFrom(of).Draw(t, what) }
		p := planOf(t, fmt.Sprintf(`,"needles":%q,"toe":{"increase":%q,"start":%q,"cast_on":%q},"heel":{"kind":%q},"foot_length":{"sole":%q},"round_start":%q`,
			pick("needles", "magic_loop", "two_circulars", "dpn4", "dpn5", "short_circular"), pick("increase", "kfb", "kfb_mirrored", "m1"),
			pick("start", "half", "rounded", "fitted"), pick("cast on", "magic", "turkish", "figure_eight"), pick("heel", "short_row", "flap_under", "gusset_turn"),
			pick("sole", "stockinette", "reverse"), pick("round", "instep", "centre_back", "columns")))
		d := p.Design
		d.Leg.InstepPattern = pick("instep", d.Leg.InstepPattern, "rib_2x2")
		p, err := knit.Make(d)
		require.NoError(t, err)
		row := rapid.IntRange(3, firstOf(p, needle.Heel)-1).Draw(t, "row")
		h := Happened{Row: row, Missed: &Missed{rapid.IntRange(1, 2).Draw(t, "needle"), pick("end", "start", "end")}}
		q, err := Ask(edition(p), h)
		if err != nil {
			assert.Contains(t, err.Error(), "made none there")
			assert.True(t, h.Missed.Needle == 1 && p.Summary.GussetIncreases != nil, "a gusset grows on the sole only")
			return
		}
		next := q.Edition.Plan
		if faults := check.Kept(next); len(faults) > 0 {
			t.Fatal(faults[0])
		}
		lacking := lacksOne(t, p, next, row)
		if lacking == row {
			t.Fatal("no knitted round lacks a stitch")
		}
		for i, o := range next.Rows[row].Ops {
			if o.Code.Takes() == 0 && (o.N > 1 || i > 0 && next.Rows[row].Ops[i-1].Code.Takes() == 0) {
				t.Fatalf("%s lifts one strand twice: %s", next.Rows[row].ID, said(&next.Rows[row]))
			}
		}
		if next.Rows[row].Stitches != p.Rows[row].Stitches {
			t.Fatalf("row %d comes to %d", row, next.Rows[row].Stitches)
		}
		for i := row + 1; i < len(p.Rows); i++ {
			if !knitting.SameRow(p.Rows[i], next.Rows[i]) {
				t.Fatalf("row %s is another", p.Rows[i].ID)
			}
		}
	})
}

// lacksOne is the first knitted row that has one loop fewer than planned; every one after it, before the needle, has to.
func lacksOne(t *rapid.T, p, next *plan.Plan, row int) int {
	first := row
	for i := range row {
		switch p.Rows[i].Stitches - next.Rows[i].Stitches {
		case 1:
			first = min(first, i)
		case 0:
			if i > first {
				t.Fatalf("row %d has its count again, %d comes", i, row)
			}
		default:
			t.Fatalf("row %d has %d of %d", i, next.Rows[i].Stitches, p.Rows[i].Stitches)
		}
	}
	return first
}
