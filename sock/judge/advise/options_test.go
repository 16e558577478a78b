package advise

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
)

func choiceOf(t *testing.T, list []Choice, field at.Path) Choice {
	t.Helper()
	for _, c := range list {
		if c.Field == field {
			return c
		}
	}
	require.Fail(t, "no such choice", field)
	return Choice{}
}

func optionsOf(t require.TestingT, d design.Design) []Choice {
	list, err := Options(d, measure.Centimetres)
	require.NoError(t, err)
	return list
}

// 68 stitches, 34 of them in the heel: every kind of heel has its own stretch and depth, every cuff the same stitches and rounds.
func TestOptionsSayWhatTheyDoHere(t *testing.T) {
	guessed := choiceOf(t, optionsOf(t, read(t, "")), "heel.kind")
	assert.Equal(t, "short_row", guessed.Options[0].Value, "what is guessed moves no default and recommends no other heel")
	assert.True(t, guessed.Options[0].Recommended)
	list := optionsOf(t, read(t, `,"heel_diagonal_mm":326`))
	heel := choiceOf(t, list, "heel.kind")
	assert.Equal(t, "flap_under", heel.Options[0].Value, "it is the first that goes on easily, and stands first")
	assert.True(t, heel.Options[0].Recommended)
	assert.Equal(t, "sits over the instep", heel.Options[0].Reason)
	assert.True(t, heel.Options[1].Chosen)
	assert.Contains(t, heel.Options[1].Here, "stretches 23 %, snug · 5.1 cm deep")
	toe := choiceOf(t, list, "toe.kind")
	assert.Equal(t, "32 cast on · 19 rounds · 4.3 cm", toe.Options[0].Here)
	assert.NotContains(t, choiceOf(t, list, "cuff.pattern").Options[0].Here, "rounds", "what all have alike is not said of each")
	assert.Empty(t, choiceOf(t, list, "heel.turn").Options[0].Here, "turning styles give the same shape")
	for _, c := range list {
		assert.NotEqual(t, "corner.pick_up", c.Field)
		assert.LessOrEqual(t, 2, len(c.Options), c.Field)
	}
}

func TestAFootThatIsNumbGetsASmoothSock(t *testing.T) {
	r := ranked(t, read(t, `,"cautions":["numb_feet"],"toe_depth_mm":70,"heel_diagonal_mm":390`))
	for _, c := range Different(r.Candidates, 3) {
		assert.NotEqual(t, "garter_square", c.Toe)
		assert.NotEqual(t, "garter", c.Changes["heel.fabric"])
	}
}

// Whatever was chosen, each decision has one mark, the recommended way first,
// and a way that is not stopped really gives a sock.
func TestOptionsKeepTheirPromises(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := anySock(t)
		list, err := Options(d, measure.Inches)
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range list {
			chosen := 0
			for i, o := range c.Options {
				if o.Chosen {
					chosen++
				}
				if o.Recommended && i != 0 {
					t.Fatalf("%s: %s is recommended in place %d", c.Field, o.Label, i)
				}
			}
			if chosen > 1 {
				t.Fatalf("%s: %d are chosen", c.Field, chosen)
			}
		}
		for _, f := range fields {
			if !f.asks(&d) {
				continue
			}
			w := rapid.SampledFrom(f.ways(&d)).Draw(t, string(f.name))
			tried, err := d.With(knit.Choose(f.name, w.value))
			if err != nil {
				t.Fatal(err)
			}
			s := knit.Measure(&tried)
			if s.Stopped() {
				continue
			}
			p, err := knit.Make(tried)
			if err != nil {
				t.Fatalf("%s = %v: %v", f.name, w.value, err)
			}
			if p.Stopped() == nil && len(p.Rows) == 0 {
				t.Fatalf("%s = %v gives no rows", f.name, w.value)
			}
		}
	})
}

// anySock is a design over the space of feet, gauges and kinds.
func anySock(t *rapid.T) design.Design {
	text := fmt.Sprintf(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":%d},"gauge":{"stitches_per_100mm":%d,"rounds_per_100mm":%d},"toe":{"kind":%q},"heel":{"kind":%q,"turn":%q}}`,
		rapid.IntRange(150, 300).Draw(t, "length"), rapid.IntRange(20, 38).Draw(t, "stitches"), rapid.IntRange(28, 54).Draw(t, "rounds"),
		rapid.SampledFrom(design.Registered("toe.kind")).Draw(t, "toe"),
		rapid.SampledFrom(design.Registered("heel.kind")).Draw(t, "heel"),
		rapid.SampledFrom(design.Registered("heel.turn")).Draw(t, "turn"))
	d, err := design.Read([]byte(text))
	if err != nil {
		t.Fatal(err)
	}
	return d
}

func TestWishes(t *testing.T) {
	d := read(t, "")
	best, err := Rank(d, BestFit, nil)
	require.NoError(t, err)
	least, err := Rank(d, LeastYarn, nil)
	require.NoError(t, err)
	easy, err := Rank(d, LeastCounting, nil)
	require.NoError(t, err)
	for i := 1; i < len(least.Candidates); i++ {
		assert.LessOrEqual(t, least.Candidates[i-1].Grams, least.Candidates[i].Grams)
		assert.LessOrEqual(t, least.Candidates[i].Misfit, best.Candidates[0].Misfit+goodEnough, "nobody saves yarn on a sock that hurts")
	}
	for i := 1; i < len(easy.Candidates); i++ {
		assert.LessOrEqual(t, easy.Candidates[i-1].Counting, easy.Candidates[i].Counting)
	}
	known, err := Rank(d, OnlyKnown, []string{"toe:wedge", "heel:flap_under"})
	require.NoError(t, err)
	require.NotEmpty(t, known.Candidates)
	for _, c := range known.Candidates {
		assert.Equal(t, "wedge flap_under", c.Toe+" "+c.Heel)
	}
	none, err := Rank(d, OnlyKnown, nil)
	require.NoError(t, err)
	assert.Empty(t, none.Candidates)
	_, err = Rank(d, "colour", nil)
	assert.ErrorContains(t, err, `read "colour"`)
}

// A knee sock has another count at its calf and under its cuff, and never "all the way up".
func TestTheAnkleOfAKneeSockSaysItsCounts(t *testing.T) {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"calf_girth_mm":360,"calf_height_mm":310},
		"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":340}}`))
	require.NoError(t, err)
	assert.Equal(t, []string{"68 round the ankle · 104 at the calf, 100 under the cuff"}, ankleHere(&words{sock: knit.Measure(&d)}))
	// 180 mm: the cuff begins 190.2 above the floor, 0.43 of the way from the ankle to the calf: 289 round, 83.3 stitches.
	d.Leg.Height = 180
	assert.Equal(t, []string{"68 round the ankle · 84 under the cuff"}, ankleHere(&words{sock: knit.Measure(&d)}))
	d.Foot.CalfGirth = nil
	assert.Equal(t, []string{"68 all the way up"}, ankleHere(&words{sock: knit.Measure(&d)}))
}
