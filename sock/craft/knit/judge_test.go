package knit

import (
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/people/feet"
	"acornstep/sock/rows/needle"
)

// saidOf are the judgements on a sock in inches, by their code.
func saidOf(t *testing.T, foot, stitches, rounds float64, more string) map[string]string {
	t.Helper()
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":%g},"gauge":{"stitches_per_100mm":%g,"rounds_per_100mm":%g}%s}`, foot, stitches, rounds, more))
	require.NoError(t, err)
	s := Measure(&d)
	s.Judge()
	said := map[string]string{}
	for _, c := range s.Checks.In(measure.Inches) {
		said[c.Code] = c.Text
	}
	return said
}

// 8 stitches and 11 rounds in 10 cm make a sock of 17 stitches for a foot of 251 mm; counted in an inch they are 31.5 and make 67.
func TestAGaugeThatWasCountedInAnInchIsAskedAbout(t *testing.T) {
	assert.Contains(t, saidOf(t, 251, 8, 11, "")["gauge_asked"], "Were they counted in 1 inch? Then write “8 in 1 inch”")
	assert.NotContains(t, saidOf(t, 251, 32, 44, ""), "gauge_asked")
	assert.NotContains(t, saidOf(t, 120, 20, 28, ""), "gauge_asked", "a child's sock has few stitches")
}

// A ball of 420 m in 100 g is 0.743 mm thick: 28 stitches in 100 mm are 0.21 of it, 44 are 0.33.
func TestTheFabricIsJudgedOnTheBoard(t *testing.T) {
	assert.Contains(t, saidOf(t, 251, 28, 38, "")["gauge_loose"], "the strand is 20.")
	assert.Contains(t, saidOf(t, 251, 44, 60, "")["gauge_stiff"], "hard on the hands")
	assert.Contains(t, saidOf(t, 251, 42, 30, "")["gauge_exchanged"], "Were the two exchanged?")
	fine := saidOf(t, 251, 33, 46, "")
	assert.NotContains(t, fine, "gauge_exchanged")
	assert.NotContains(t, fine, "gauge_loose")
	assert.NotContains(t, fine, "gauge_stiff")
}

func TestAShortCuffRolls(t *testing.T) {
	assert.Equal(t, "A cuff under 1 1/2 in tends to roll outward.", saidOf(t, 251, 32, 44, `,"cuff":{"height_mm":37}`)["cuff_short"])
	assert.NotContains(t, saidOf(t, 251, 32, 44, `,"cuff":{"height_mm":38}`), "cuff_short")
}

// What is guessed is asked about: 265.1 mm of heel go on easily to 265.1 × 1.201 = 318.4.
func TestAGuessedInstepIsAskedAbout(t *testing.T) {
	checks := makePlan(t, isolde).Checks
	at := slices.IndexFunc(checks, func(c verdict.Check) bool { return c.Code == "heel_measure" })
	require.GreaterOrEqual(t, at, 0)
	assert.Equal(t, verdict.Note, checks[at].Level)
	assert.Contains(t, checks[at].Text, "from 318 mm")
	for _, c := range checks {
		assert.NotContains(t, []string{"heel_snug", "heel_tight"}, c.Code, "nobody measured it")
	}
}

// Whatever is ticked for a wearer says something at a section of the work; a sock that is given away says none of it.
func TestWhatIsTickedForAWearerIsSaidWhereItMatters(t *testing.T) {
	with := func(names ...string) *plan.Plan {
		d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"fit":{"girth_ease_pct":12},"toe":{"kind":"garter_square"},"heel":{"fabric":"garter"},"cuff":{"pattern":"rib_2x2"}}`))
		require.NoError(t, err)
		d.Foot.Cautions = names
		p, err := Make(d)
		require.NoError(t, err)
		return p
	}
	none := with()
	assert.Empty(t, none.Cautions(measure.Centimetres))
	for _, name := range feet.CautionNames() {
		p := with(name)
		said := []string{}
		for _, c := range p.Cautions(measure.Centimetres) {
			said = append(said, c.Text)
			assert.True(t, slices.ContainsFunc(p.Rows, func(r needle.Row) bool { return r.Section == c.Section }), "%s: %s", name, c.Section)
		}
		more := []string{}
		for _, c := range p.Checks {
			if !slices.ContainsFunc(none.Checks, func(o verdict.Check) bool { return o.Code == c.Code }) {
				more = append(more, c.Text)
			}
		}
		assert.NotEmpty(t, said, name)
		assert.ElementsMatch(t, more, said, name)
		assert.Empty(t, p.Given().Cautions(measure.Centimetres), name)
		assert.Equal(t, len(none.Checks), len(p.Given().Checks), name)
	}
}

// An ankle of 180 mm takes 180 × 0.9 × 0.32 = 51.8, so 52 stitches; a heel of 325.7 mm is 2.004 times their 162.5 mm. Nobody who typed no count is
// refused a sock: 56 are 1.86 times. Typed, 52 is refused.
func TestAThinAnkleHasALegThatCanBePulledOn(t *testing.T) {
	with := func(more string) *plan.Plan {
		d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"ankle_girth_mm":180},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + more + `}`))
		require.NoError(t, err)
		p, err := Make(d)
		require.NoError(t, err)
		return p
	}
	p := with("")
	require.Nil(t, p.Stopped())
	assert.Equal(t, 56, p.Summary.LegStitches)
	assert.True(t, slices.ContainsFunc(p.Checks, func(c verdict.Check) bool { return c.Code == "ankle_thin" }))
	assert.True(t, slices.ContainsFunc(p.Checks, func(c verdict.Check) bool { return c.Code == "leg_over_heel" && c.Level == verdict.Caution }))
	require.NotNil(t, with(`,"leg":{"stitches":52}`).Stopped())
}

// Whoever decides nothing about the leg is not refused one, whatever the ankle that a foot can have.
func TestNoAnkleIsRefusedByTheDefault(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		length := rapid.Float64Range(120, 300).Draw(t, "length")
		ball := length * rapid.Float64Range(0.85, 1.1).Draw(t, "ball")
		ankle := ball * rapid.Float64Range(0.75, 1.3).Draw(t, "ankle")
		d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":%.0f,"ball_girth_mm":%.0f,"ankle_girth_mm":%.0f},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}}`,
			length, ball, ankle))
		require.NoError(t, err)
		s := Measure(&d)
		s.Judge()
		for _, c := range s.Checks {
			assert.False(t, c.Level == verdict.Stop && c.Code == "leg_over_heel", c.Text)
		}
	})
}

// A tiny leg of 24 stitches goes down to 16 by fours, spread over front and back, so that two decreases happen to stand beside the two middle stitches
// of the back; then one pair makes 18, and another 20. The count at the ankle is 16.
func TestAnkleAndCalfAreToldApart(t *testing.T) {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":102.5,"ball_girth_mm":90.29,"heel_diagonal_mm":103.83,"ankle_girth_mm":79,"calf_girth_mm":135.43,"calf_height_mm":300},"gauge":{"stitches_per_100mm":23.5,"rounds_per_100mm":23.5},"fit":{"girth_ease_pct":1,"length_ease_mm":4,"multiple":6},"toe":{"start_stitches":8,"fast_rounds":0},"corner":{"pick_up":0,"hold_rounds":0},"ankle":{"place":"spread"},"leg":{"height_mm":40.5,"plain_rounds":0},"cuff":{"pattern":"rib_2x2","height_mm":1,"rounds":0}}`))
	require.NoError(t, err)
	p, err := Make(d)
	require.NoError(t, err)
	require.Equal(t, []int{24, 20}, []int{p.Summary.FootStitches, p.Summary.LegStitches})
	assert.Equal(t, 16, *p.Summary.AnkleStitches)
}

// A thick short leg of 26 stitches that ends far above a guessed knee would narrow to 16, five pairs from a back of 13: three are left when the
// last is to be taken. It keeps 13 in front and four behind, 18 by the cuff's two.
func TestTheBackOfALegKeepsItsColumns(t *testing.T) {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":86.75,"ball_girth_mm":108.44,"heel_diagonal_mm":124.7,"ankle_girth_mm":140.97,"calf_girth_mm":162.66,"calf_height_mm":300},"gauge":{"stitches_per_100mm":8,"rounds_per_100mm":8},"fit":{"girth_ease_pct":1,"length_ease_mm":3},"stitches":26,"heel":{"turns_per_side":1},"foot_length":{"school":"thumb"},"corner":{"pick_up":0,"hold_rounds":0},"ankle":{"change":"none"},"leg":{"height_mm":500,"plain_rounds":0},"cuff":{"pattern":"rib_1x1","height_mm":1,"rounds":0}}`))
	require.NoError(t, err)
	p, err := Make(d)
	require.NoError(t, err)
	assert.Equal(t, 18, p.Summary.LegStitches)
}
