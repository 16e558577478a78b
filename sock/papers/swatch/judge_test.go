package swatch

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/figures/measure"
)

func codes(j Judged) []string {
	list := []string{}
	for _, c := range j.Checks {
		list = append(list, c.Code)
	}
	return list
}

func counted(what string, counts ...float64) []Noted {
	var list []Noted
	for _, c := range counts {
		list = append(list, Noted{What: what, Count: c, Width: 100})
	}
	return list
}

// 100 g on 420 m: the yarn is 0.7426 mm thick; 32 stitches in 100 mm are 0.2376 of it.
func TestAGoodSwatchHasNothingWrongWithIt(t *testing.T) {
	s := &Swatch{Form: "round", Washed: true, Readings: append(counted("stitches", 32, 32, 32), counted("rounds", 44, 44, 44)...)}
	j := Judge(s, &Yarn{Grams: 100, Metres: 420})
	assert.True(t, j.Ready)
	assert.Empty(t, j.Checks)
	assert.InDelta(t, 0.2376, j.Density, 0.0001)
}

func TestWhatIsWrongWithASwatch(t *testing.T) {
	y := &Yarn{Grams: 100, Metres: 420}
	s := &Swatch{Form: "flat", Readings: []Noted{{What: "stitches", Count: 8, Width: 30}}}
	assert.Equal(t, []string{"short_stitches", "few_stitches", "none_rounds", "flat", "unwashed"},
		codes(Judge(s, nil)))
	for gauge, code := range map[float64]string{28: "loose", 38: "tight", 46: "stiff"} {
		s := &Swatch{Form: "sock", Washed: true, Readings: append(counted("stitches", gauge, gauge, gauge),
			counted("rounds", 60, 60, 60)...)}
		assert.Equal(t, []string{"sock", code}, codes(Judge(s, y)), "%v", gauge)
	}
	apart := &Swatch{Form: "round", Washed: true, Readings: append(counted("stitches", 30, 34, 32), counted("rounds", 44, 44, 44)...)}
	assert.Equal(t, []string{"spread_stitches"}, codes(Judge(apart, y)))
	alike := &Swatch{Form: "round", Washed: true, Readings: []Noted{{What: "stitches", Count: 8, Width: 25}, {What: "stitches", Count: 8, Width: 25}, {What: "stitches", Count: 8, Width: 25},
		{What: "rounds", Count: 22, Width: 50}, {What: "rounds", Count: 22, Width: 50}, {What: "rounds", Count: 22, Width: 50}}}
	assert.Equal(t, []string{"short_stitches"}, codes(Judge(alike, y)), "three equal counts do not lie apart")
	turned := &Swatch{Form: "round", Washed: true, Readings: append(counted("stitches", 42, 42, 42), counted("rounds", 30, 30, 30)...)}
	assert.Contains(t, codes(Judge(turned, nil)), "exchanged")
}

// 32 on 2.5 mm and 34.5 on 2.25 mm: ten stitches a mm, so 37 on 2 mm.
func TestTheNextNeedleFromOwnSwatches(t *testing.T) {
	aim, err := NextNeedle([]Knitted{{2.5, 32}, {2.25, 34.5}}, 36.6, nil)
	require.NoError(t, err)
	assert.InDelta(t, 2, aim.Best, 0)
	for _, try := range aim.Tries {
		assert.InDelta(t, 32-10*(try.Size-2.5), try.Stitches, 1e-9)
		assert.Equal(t, try.Size == 2.5 || try.Size == 2.25, try.Knitted)
	}
	assert.Contains(t, aim.Text, "each mm of needle takes 10.0 stitches")
	// One needle only: 16 % a mm, 32 + 0.25 · 5.12 = 33.28 on 2.25 mm.
	aim, err = NextNeedle([]Knitted{{2.5, 32}}, 33.3, nil)
	require.NoError(t, err)
	assert.InDelta(t, 2.25, aim.Best, 0)
	assert.Contains(t, aim.Text, "usual step")
	_, err = NextNeedle(nil, 32, nil)
	assert.Error(t, err)
}

func TestThickerNeedlesNeverPromiseMoreStitches(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		own := []Knitted{}
		for i := range rapid.IntRange(1, 5).Draw(t, "swatches") {
			own = append(own, Knitted{rapid.SampledFrom(Sizes).Draw(t, "size"), rapid.Float64Range(15, 45).Draw(t, "stitches")})
			_ = i
		}
		aim, err := NextNeedle(own, 30, nil)
		if err != nil {
			t.Fatal(err)
		}
		for i := 1; i < len(aim.Tries); i++ {
			if aim.Tries[i].Stitches >= aim.Tries[i-1].Stitches {
				t.Fatalf("%+v", aim.Tries)
			}
		}
	})
}

func TestWhatCannotBeKept(t *testing.T) {
	assert.ErrorContains(t, (&Yarn{Name: " ", Grams: 0.1, Metres: 1e6}).Validate(), "ball_g: read 0.1")
	assert.ErrorContains(t, (&Needle{Size: 40}).Validate(), "0.5 to 15 mm")
	assert.ErrorContains(t, (&Swatch{Form: "crochet"}).Validate(), `"crochet"`)
	assert.ErrorContains(t, (&Noted{What: "rows", Count: 30, Width: 100}).Validate(measure.Centimetres), `"rows"`)
	assert.ErrorContains(t, (&Noted{What: "stitches", Count: 300, Width: 100}).Validate(measure.Centimetres), "no knitting")
	assert.ErrorContains(t, (&Noted{What: "stitches", Count: 3, Width: 4}).Validate(measure.Inches), "3/8 in to 39 3/8 in")
}

// 420 m in 100 g carry about 31 to 41 stitches in 10 cm. 26 are looser than that: no needle is the best for them, and why is said.
func TestANeedleOutOfTheYarnsReachIsNotAdvised(t *testing.T) {
	y := &Yarn{Grams: 100, Metres: 420}
	aim, err := NextNeedle([]Knitted{{2.5, 32}, {2.25, 34.5}}, 26, y)
	require.NoError(t, err)
	assert.Contains(t, aim.Text, "26.0 stitches in 10 cm are too loose for this yarn")
	best := slices.IndexFunc(aim.Tries, func(try Try) bool { return try.Size == aim.Best })
	require.GreaterOrEqual(t, best, 0)
	assert.Empty(t, aim.Tries[best].Beyond, "the nearest that wears")
	assert.NotEmpty(t, aim.Tries[len(aim.Tries)-1].Beyond)
	rapid.Check(t, func(t *rapid.T) {
		aim, err := NextNeedle([]Knitted{{rapid.SampledFrom(Sizes).Draw(t, "size"), rapid.Float64Range(12, 60).Draw(t, "stitches")}},
			rapid.Float64Range(12, 60).Draw(t, "wanted"), y)
		require.NoError(t, err)
		for _, try := range aim.Tries {
			require.False(t, try.Size == aim.Best && try.Beyond != "")
		}
	})
}

func TestADoubtedSwatchIsNotReckonedWith(t *testing.T) {
	apart := Judge(&Swatch{Form: "round", Washed: true, Readings: append(counted("stitches", 28, 32, 33), counted("rounds", 44, 44, 44)...)}, nil)
	assert.True(t, apart.Doubted())
	even := Judge(&Swatch{Form: "round", Washed: true, Readings: append(counted("stitches", 32, 32, 32), counted("rounds", 44, 44, 44)...)}, nil)
	assert.False(t, even.Doubted())
}
