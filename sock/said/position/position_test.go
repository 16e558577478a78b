package position

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// failing is what a test and a property have in common.
type failing interface {
	require.TestingT
	Helper()
}

func planOf(t failing, heel string) *plan.Plan {
	t.Helper()
	return planWith(t, `"heel":`+heel)
}

func planWith(t failing, more string) *plan.Plan {
	t.Helper()
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},` + more + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	require.Nil(t, p.Stopped())
	return p
}

func traceOf(t failing, p *plan.Plan) *knitted.Sock {
	t.Helper()
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	return traced
}

func at(t failing, p *plan.Plan, id string) Row {
	t.Helper()
	for i := range p.Rows {
		if p.Rows[i].ID == id {
			r, err := Of(p, traceOf(t, p), i)
			require.NoError(t, err)
			return r
		}
	}
	require.Fail(t, id)
	return Row{}
}

// After four turns a side 26 are free, whatever the turns leave behind: 4 + 26 + 4 = 34. The
// German style makes its fourth double stitch in the ninth row; the others walk in first, and a
// pin or a yarn-over of the last turn is made in the row after it.
func TestHeldAndWorkedMakeTheHeel(t *testing.T) {
	for turn, id := range map[string]string{"german": "heel-9", "wrap": "heel-9", "yarn_over": "heel-10", "pinned": "heel-10",
		"lift": "heel-9"} {
		p := planOf(t, `{"turn":"`+turn+`"}`)
		got := at(t, p, id).After.Held
		assert.Equal(t, 4, got.Left, turn)
		assert.Equal(t, 34, got.Right+got.Between+got.Left, "%s: %+v", turn, got)
		assert.GreaterOrEqual(t, got.Right, 4-1, turn)
	}
	german := at(t, planOf(t, `{}`), "heel-9")
	assert.Equal(t, Held{4, 26, 4}, german.After.Held)
	assert.Equal(t, needle.RS, german.Before.Side)
	assert.Equal(t, needle.WS, german.After.Side)
	assert.Equal(t, 34, german.After.Sole)
}

// A heel over 44 of 68 takes five stitches from either end of the instep, and its held stitches lie
// round the start of the round: still as many on either side.
func TestAWideHeelHoldsOnBothSides(t *testing.T) {
	for _, turn := range []string{"german", "wrap", "pinned", "yarn_over", "lift"} {
		p := planOf(t, `{"share":0.65,"turn":"`+turn+`"}`)
		require.Equal(t, 44, p.Summary.HeelStitches)
		got := at(t, p, "heel-8").After.Held
		assert.Equal(t, 44, got.Right+got.Between+got.Left, "%s: %+v", turn, got)
		assert.InDelta(t, got.Right, got.Left, 1, "%s: %+v", turn, got)
		assert.GreaterOrEqual(t, got.Left, 3, "%s: %+v", turn, got)
	}
}

// h = 34: work to 17 + 2 = 19, ssk, k1, turn: 34 − 22 = 12 lie outside; on the way back as many.
func TestTheTurnOfAFlapLeavesTwelveOnEitherSide(t *testing.T) {
	p := planOf(t, `{"kind":"flap_under"}`)
	for i := range p.Rows {
		row, err := Of(p, traceOf(t, p), i)
		require.NoError(t, err)
		if h := row.After.Held; h.Right > 0 && h.Left > 0 {
			assert.Equal(t, Held{12, 8, 12}, h, p.Rows[i].ID)
			return
		}
	}
	require.Fail(t, "the turn holds nothing")
}

// For any heel of short rows what is held and what is worked make the heel, row for row, and both sides hold the
// same within one stitch while it narrows.
func TestNoStitchOfAShortRowHeelIsForgotten(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		turn := rapid.SampledFrom([]string{"german", "wrap", "pinned", "yarn_over", "lift"}).Draw(t, "turn")
		kind := rapid.SampledFrom([]string{"short_row", "gusset_turn"}).Draw(t, "kind")
		share := rapid.SampledFrom([]string{"0.5", "0.6", "0.65", "0.7"}).Draw(t, "share")
		if kind == "gusset_turn" {
			share = "0.5"
		}
		corner := rapid.SampledFrom(design.Registered("corner.method")).Draw(t, "corner")
		count := 2 * rapid.IntRange(24, 40).Draw(t, "half")
		p := planWith(t, fmt.Sprintf(`"stitches":%d,"heel":{"kind":"%s","turn":"%s","share":%s},"corner":{"method":"%s"}`, count, kind,
			turn, share, corner))
		held := 0
		Each(p, traceOf(t, p), func(i int, s State) {
			if i == 0 || p.Rows[i-1].Section != needle.Heel || s.Right+s.Left == 0 {
				return
			}
			held++
			if all := s.Right + s.Between + s.Left; all != p.Summary.HeelStitches {
				t.Fatalf("%s: %d held, %d free, %d held of a heel of %d", p.Rows[i-1].ID, s.Right, s.Between, s.Left,
					p.Summary.HeelStitches)
			}
			if p.Rows[i-1].N > 3 && p.Rows[i-1].N < 2**p.Summary.HeelTurnsPerSide && max(s.Right-s.Left, s.Left-s.Right) > 1 {
				t.Fatalf("%s: %d held on the right, %d on the left", p.Rows[i-1].ID, s.Right, s.Left)
			}
		})
		if held < 2**p.Summary.HeelTurnsPerSide-3 {
			t.Fatalf("only %d rows of the heel hold stitches, it turns %d times a side", held, *p.Summary.HeelTurnsPerSide)
		}
	})
}

func TestPlainRoundsHoldNothing(t *testing.T) {
	p := planOf(t, `{}`)
	r := at(t, p, "foot-3")
	assert.Equal(t, Held{}, r.After.Held)
	assert.Equal(t, 68, r.After.Count)
	_, err := Of(p, traceOf(t, p), 9999)
	assert.ErrorContains(t, err, "read 9999")
}

// 34 stitches from loop 34 on, 11 turns a side: the centre of 12 is loops 45 to 57. Only a full
// round between the halves makes markers necessary.
func TestTheEndsOfTheCentreAreMarkedWhereARoundGoesOverIt(t *testing.T) {
	centre := func(heel string) (loops []int) {
		for _, m := range at(t, planOf(t, heel), "heel-12").Before.Markers {
			if m.Name == "heel centre" {
				loops = append(loops, m.Loop)
			}
		}
		return loops
	}
	assert.Equal(t, []int{45, 57}, centre(`{}`))
	assert.Equal(t, []int{45, 57}, centre(`{"turn":"wrap","rounds_between":2}`))
	assert.Empty(t, centre(`{"turn":"wrap"}`))
	assert.Equal(t, []needle.Marker{{Loop: 0, Name: "round start"}, {Loop: 34, Name: "sole"}},
		at(t, planOf(t, `{}`), "foot-3").Before.Markers)
}

// A contrast heel over 34 of 68, wrapped: after the instep a row knits 33 in the second yarn and wraps the 34th, which
// is not worked; the way back purls 32 of them. The instep stays of the sock's own yarn.
func TestLoopsAreOfTheYarnThatMadeThem(t *testing.T) {
	p := planWith(t, `"heel":{"turn":"wrap"},"yarn":{"contrast":["heel"]}`)
	contrast := func(id string) int {
		n := 0
		for _, l := range at(t, p, id).After.Loops {
			if l.Yarn != "" {
				n++
			}
		}
		return n
	}
	last := fmt.Sprintf("foot-%d", p.Summary.FootRounds)
	assert.Equal(t, 0, contrast(last))
	assert.Equal(t, 0, contrast("heel-1"), "the instep")
	assert.Equal(t, 33, contrast("heel-2"))
	assert.Equal(t, 33, contrast("heel-3"))
	assert.Equal(t, 0, contrast("leg-2"), "the leg has worked every loop")
}

// A round works every loop, so that all of them are of its yarn.
func TestAfterARoundAllLoopsAreOfItsYarn(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		turn := rapid.SampledFrom([]string{"german", "wrap", "pinned", "yarn_over", "lift"}).Draw(t, "turn")
		toe := rapid.SampledFrom(design.Registered("toe.kind")).Draw(t, "toe")
		contrast := rapid.SampledFrom([]string{`"toe"`, `"heel"`, `"cuff","toe"`, ``}).Draw(t, "contrast")
		p := planWith(t, `"heel":{"turn":"`+turn+`"},"toe":{"kind":"`+toe+`"},"yarn":{"contrast":[`+contrast+`]}`)
		Each(p, traceOf(t, p), func(row int, s State) {
			if row == 0 || p.Rows[row-1].Kind != needle.Round {
				return
			}
			for i, l := range s.Loops {
				if l.Yarn != p.Rows[row-1].Colour {
					t.Fatalf("after %s loop %d is of %q, not of %q", p.Rows[row-1].ID, i, l.Yarn, p.Rows[row-1].Colour)
				}
			}
		})
	})
}
