package replan

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Isolde's right foot is 255 long and 250 round the ball: 250 · 0.9 · 0.32 = 72 stitches instead of 68, 36 cast on instead of 32, nine rounds of
// increases as before; 255 − 9 less its own toe and heel are the rounds of its foot.
const twoFeet = `,"second_foot":{"length_mm":255,"ball_girth_mm":250},"leg":{"height_mm":180,"pattern":"rib_2x2"}`

func counts(p *plan.Plan) []int {
	s := p.Summary
	return []int{s.FootStitches, s.FootRounds, s.LegStitches, s.LegRounds, s.CuffRounds}
}

func begunFor(t *testing.T, fields string) *knitting.Edition {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + fields + `}`))
	require.NoError(t, err)
	e, err := knitting.Begin(d)
	require.NoError(t, err)
	return e
}

func TestTwoFeetThatDifferAreTwoSocksFromTheCastOn(t *testing.T) {
	e := begunFor(t, twoFeet)
	assert.Equal(t, []int{68, 65, 68, 61, 18}, counts(e.Plan))
	require.NotNil(t, e.Second)
	second := e.Second.Summary
	assert.Equal(t, 72, second.FootStitches)
	assert.Equal(t, 36, second.CastOnStitches)
	assert.InDelta(t, 246, float64(second.FinishedLength), 1.2)
	assert.Equal(t, []int{72, 61, 18}, []int{second.LegStitches, second.LegRounds, second.CuffRounds}, "one leg height, one cuff, a repeat that closes")
	assert.Equal(t, e.Plan.Summary.LegRounds, second.LegRounds)
	assert.False(t, e.Second.Design.SecondFoot.Differs())
	assert.True(t, e.Second.Design.Mirror)
	begins := func(p *plan.Plan) string {
		for i := range p.Rows {
			purls := func(o needle.Op) bool { return o.Code == needle.P }
			if p.Rows[i].Section == needle.Leg && slices.ContainsFunc(p.Rows[i].Ops, purls) {
				return p.Rows[i].ID
			}
		}
		return ""
	}
	assert.Equal(t, begins(e.Plan), begins(e.Second), "the pattern begins in the same round")
}

// A leg of 150 mm, decided for both: each keeps its own foot. A foot measured anew is that sock's alone.
func TestWhatIsDecidedOfTwoFeet(t *testing.T) {
	e := begunFor(t, twoFeet)
	done := knitting.Done{rowAt(t, e.Plan, "foot-20"), rowAt(t, e.Second, "foot-10")}
	taller, err := e.Board.With(design.Changes{at.LegHeight: measure.Length(150)})
	require.NoError(t, err)
	out, err := Decide(e, taller, Bound{Done: done}, measure.Centimetres)
	require.NoError(t, err)
	require.Empty(t, out.Locked)
	assert.Equal(t, []int{68, 65, 68, 48, 18}, counts(out.Edition.Plan))
	assert.Equal(t, e.Second.Summary.FootRounds, out.Edition.Second.Summary.FootRounds)
	assert.Equal(t, 48, out.Edition.Second.Summary.LegRounds)

	longer, err := e.Board.With(design.Changes{at.SecondFootLength: measure.Length(260)})
	require.NoError(t, err)
	out, err = Decide(e, longer, Bound{Done: done}, measure.Centimetres)
	require.NoError(t, err)
	assert.Equal(t, e.Plan.Rows, out.Edition.Plan.Rows)
	assert.Equal(t, e.Second.Summary.FootRounds+2, out.Edition.Second.Summary.FootRounds)

	// The heel of the first came three rounds late; so will the second's, on its own foot, when that is decided.
	late := Happened{Row: rowAt(t, e.Plan, "heel-2"), HeelLate: whole(3), Other: Later, Done: knitting.Done{0, done[1]}}
	open, err := Ask(e, late)
	require.NoError(t, err)
	assert.Equal(t, 68, open.Edition.Plan.Summary.FootRounds)
	q, err := Ask(open.Edition, Happened{Sock: 2, Decided: Alike, Open: []Step{{e, open.Edition}}, Done: knitting.Done{late.Row, done[1]}})
	require.NoError(t, err)
	assert.Equal(t, e.Second.Summary.FootRounds+3, q.Edition.Second.Summary.FootRounds)
	assert.Equal(t, 72, q.Edition.Second.Summary.FootStitches)
}
