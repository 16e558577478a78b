package yarn_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/needle"
)

// 100 g on 420 m: t = 0.000238 g/mm, d = √(4t/(π·0.00055)) = 0.742 mm;
// 2/0.44 + 1/0.32 + 5.94·0.742 = 4.545 + 3.125 + 4.410 = 12.08 mm a stitch.
func TestAStitchByHand(t *testing.T) {
	d := yarn.Thickness(design.Yarn{BallGrams: 100, BallMetres: 420})
	assert.InDelta(t, 0.742, float64(d), 0.001)
	assert.InDelta(t, 12.08, float64(yarn.PerStitch(measure.GaugePer100(32, 44), d)), 0.01)
}

// A short sock for a foot of 230 mm: about 25 g, so that 100 g give about two pairs.
func TestAnAnkleSockIsAboutAQuarterOfTheBall(t *testing.T) {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":230},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":40},"yarn":{"contrast":["toe"]}}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	needs := yarn.Needs(&p.Design, p.Rows)
	main := total(needs, "")
	contrast := total(needs, "contrast")
	assert.InDelta(t, 25, main+contrast, 25*yarn.Uncertainty+2)
	assert.Equal(t, needle.CastOn, needs[0].Section)
	assert.Greater(t, contrast, 1.0)
}

func TestRoundsLeftInTheBall(t *testing.T) {
	// 10 rounds of cuff at 1.05 and two for the bind-off: 12.5·60·0.003 = 2.25 g kept back; (20·0.92 − 2.25)/0.18 = 89.7.
	s := yarn.Leg{Stitches: 60, CuffRounds: 10}
	assert.Equal(t, 89, yarn.LegRoundsLeft(20, 0.08, 0.003, s))
	assert.Equal(t, 0, yarn.LegRoundsLeft(1, 0.08, 0.003, s))
	// A cuff in another yarn takes nothing of this one: 20·0.92/0.18 = 102.2.
	s.OtherCuff = true
	assert.Equal(t, 102, yarn.LegRoundsLeft(20, 0.08, 0.003, s))
}

func TestStripes(t *testing.T) {
	d := yarn.Thickness(design.Yarn{BallGrams: 100, BallMetres: 420})
	assert.InDelta(t, 10, yarn.StripeRounds(8214, 68, measure.GaugePer100(32, 44), d), 0.01) // 8,214 mm / (68 · 12.08 mm)
}
