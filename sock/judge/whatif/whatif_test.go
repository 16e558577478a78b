package whatif

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
)

func isolde(t require.TestingT) design.Design {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"fit":{"length_ease_mm":9}}`))
	require.NoError(t, err)
	return d
}

func figure(t *testing.T, list []Figure, name string) Figure {
	t.Helper()
	for _, f := range list {
		if f.Name == name {
			return f
		}
	}
	require.Fail(t, "no figure", name)
	return Figure{}
}

// 68 at 31.5 in 100 mm are 215.87 mm; 236 over that is 1.093. At 32 they are 212.5: 1.111.
func TestHalfAStitchOff(t *testing.T) {
	list, err := Ask(isolde(t), Doubt{Stitches: -0.5}, measure.Centimetres)
	require.NoError(t, err)
	girth := figure(t, list, "girth")
	assert.Equal(t, Figure{"girth", "Stretch round the ball", "11 %", "9 %", "9 %", true}, girth)
	assert.False(t, figure(t, list, "foot_rounds").Changed, "rounds do not depend on stitches here")
	assert.Equal(t, "68", figure(t, list, "foot_stitches").Anew, "236 · 0.9 · 0.315 = 66.9, nearest four 68")
}

// A foot of 256 mm: the same rows are 14 mm shorter than it; anew (256 − 9 − 43.18 − 51.14) · 0.44 = 67.2.
func TestTheFootIsLonger(t *testing.T) {
	list, err := Ask(isolde(t), Doubt{Length: 5}, measure.Centimetres)
	require.NoError(t, err)
	assert.Equal(t, "1.4 cm", figure(t, list, "ease").Same)
	rounds := figure(t, list, "foot_rounds")
	assert.Equal(t, []string{"65", "65", "67"}, []string{rounds.Now, rounds.Same, rounds.Anew})
}

// Two rounds more in 100 mm: 242 mm of sock knitted by the same rows come out 242.05 · 44/46 = 231.5 mm.
func TestDenserRoundsMakeTheSameRowsShorter(t *testing.T) {
	list, err := Ask(isolde(t), Doubt{Rounds: 2}, measure.Centimetres)
	require.NoError(t, err)
	assert.Equal(t, "23.2 cm", figure(t, list, "finished_length_mm").Same)
	assert.Equal(t, "1.9 cm", figure(t, list, "ease").Same)
}

func TestNoDoubtChangesNothing(t *testing.T) {
	list, err := Ask(isolde(t), Doubt{}, measure.Inches)
	require.NoError(t, err)
	for _, f := range list {
		assert.False(t, f.Changed, "%+v", f)
	}
}

func TestLessYarnGivesFewerLegRounds(t *testing.T) {
	list, err := Ask(isolde(t), Doubt{YarnPct: -10}, measure.Centimetres)
	require.NoError(t, err)
	ball := figure(t, list, "ball")
	assert.True(t, ball.Changed)
	assert.Less(t, ball.Same, ball.Now)
}

func TestDoubtsThatAreTooLarge(t *testing.T) {
	_, err := Ask(isolde(t), Doubt{Stitches: 9, Length: -80}, measure.Centimetres)
	assert.ErrorContains(t, err, "stitches_per_100mm: read 9, possible is -5 to 5")
	assert.ErrorContains(t, err, "length_mm: read -80")
	tiny := isolde(t)
	tiny.Heel.Stitches = new(int)
	*tiny.Heel.Stitches = 33
	_, err = Ask(tiny, Doubt{}, measure.Centimetres)
	assert.ErrorContains(t, err, "not a sock yet")
}

func TestEveryDoubtIsAnswered(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		doubt := Doubt{
			rapid.Float64Range(-5, 5).Draw(t, "stitches"), rapid.Float64Range(-5, 5).Draw(t, "rounds"),
			measure.Length(rapid.Float64Range(-30, 30).Draw(t, "length")), rapid.Float64Range(-50, 50).Draw(t, "yarn"),
		}
		list, err := Ask(isolde(t), doubt, measure.Centimetres)
		if err != nil || len(list) != 10 {
			t.Fatalf("%+v: %v", doubt, err)
		}
	})
}
