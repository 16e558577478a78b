package knit

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/needle"
)

func TestNearestMultipleTakesTheSmallerAtATie(t *testing.T) {
	for _, c := range []struct {
		target float64
		m, n   int
	}{{67.97, 4, 68}, {66, 4, 64}, {66.001, 4, 68}, {63.72, 4, 64}, {69, 2, 68}, {1, 4, 4}, {102, 12, 96}} {
		assert.Equal(t, c.n, NearestMultiple(c.target, c.m), "%v in %ds", c.target, c.m)
	}
	rapid.Check(t, func(t *rapid.T) {
		target, m := rapid.Float64Range(20, 300).Draw(t, "target"), 2*rapid.IntRange(1, 12).Draw(t, "m")
		n := float64(NearestMultiple(target, m))
		for _, other := range []float64{n - float64(m), n + float64(m)} {
			if other > 0 && abs1(other-target) < abs1(n-target)-1e-9 {
				t.Fatalf("%v is nearer to %v than %v", other, target, n)
			}
		}
	})
}

func abs1(x float64) float64 {
	if x < 0 {
		return -x
	}
	return x
}

func TestThirdsByHand(t *testing.T) {
	// A third, but never fewer than four in the centre.
	for stitches, turns := range map[int]int{34: 11, 36: 12, 12: 4, 10: 3, 9: 2, 6: 1, 5: 0, 4: 0} {
		assert.Equal(t, turns, thirds(stitches), "%d", stitches)
	}
}

func TestStartsAreValid(t *testing.T) {
	for n := 16; n <= 200; n += 2 {
		for most := 8; most <= n; most++ {
			start := largestStart(n, most)
			assert.Zero(t, (n-start)%4)
			assert.Zero(t, start%2)
			assert.GreaterOrEqual(t, start, fewestToStart)
			assert.True(t, start <= most || start <= fewestToStart+2, "%d of %d gives %d", most, n, start)
		}
	}
}

func TestWedgeRoundsByHand(t *testing.T) {
	assert.Equal(t, 19, wedgeRounds(9, 0))
	assert.Equal(t, 15, wedgeRounds(9, 4))
	assert.Equal(t, 11, wedgeRounds(9, 9), "set-up, nine at once, and a plain one at the end")
	assert.Equal(t, 2, wedgeRounds(0, 0), "nothing to increase")
}

func TestChangesKeepTheirSumAndTheirRests(t *testing.T) {
	assert.Equal(t, []change{{0, -4}, {0, -4}, {0, -2}}, changes(-10))
	rapid.Check(t, func(t *rapid.T) {
		difference := 2 * rapid.IntRange(-20, 20).Draw(t, "difference")
		first, last := rapid.IntRange(1, 8).Draw(t, "first"), rapid.IntRange(0, 60).Draw(t, "last")
		fromEnd := rapid.Bool().Draw(t, "from the end")
		list := changes(difference)
		sum := 0
		for _, c := range list {
			sum += c.stitches
		}
		if sum != difference {
			t.Fatalf("%v make %d, not %d", list, sum, difference)
		}
		placed := (&Sock{}).spread(list, first, last, fromEnd)
		for i, c := range placed {
			if c.round < first || c.round > last {
				t.Fatalf("round %d lies outside %d to %d", c.round, first, last)
			}
			if i > 0 && c.round <= placed[i-1].round {
				t.Fatalf("rounds %v are not in order", placed)
			}
		}
		if len(placed) < len(list) && last-first+1 >= len(list) {
			t.Fatalf("there was room for %d changes in %d to %d, and %d were placed", len(list), first, last, len(placed))
		}
	})
}

// Increases and decreases lie evenly: no two plain runs differ by more than half.
func TestEvenlyIsEven(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		n := rapid.IntRange(8, 60).Draw(t, "stitches")
		gain := rapid.IntRange(-n/3, n/3).Draw(t, "gain")
		h := newWorker(16)
		h.enter(needle.CastOn)
		h.begin(needle.FlatRow)
		h.do(needle.CO, n)
		h.end()
		h.instep = n / 2
		h.enter(needle.Leg)
		h.begin(needle.Round)
		h.evenly(n, gain)
		row := h.end()
		if h.err != nil {
			t.Fatal(h.err)
		}
		if row.Stitches != n+gain {
			t.Fatalf("%d%+d gives %d", n, gain, row.Stitches)
		}
	})
}

func TestPlacesOfChangesOnBothNeedles(t *testing.T) {
	for place, where := range changePlaces {
		for _, stitches := range []int{-4, -2, 2, 4, 8, -12} {
			front, back := where(stitches)
			assert.Equal(t, stitches, front.gain()+back.gain(), "%s %d", place, stitches)
			if place != "back" {
				assert.Equal(t, front.gain(), back.gain(), "%s %d keeps the halves", place, stitches)
			}
		}
	}
}

func TestTheTailIsLongerInThickYarn(t *testing.T) {
	fine := &Sock{Gauge: measure.GaugePer100(32, 44), Toe: ToeSize{CastOn: 32}}
	thick := &Sock{Gauge: measure.GaugePer100(16, 22), Toe: ToeSize{CastOn: 16}}
	assert.InDelta(t, 392, float64(fine.Tail()), 1e-9) // 200 + 6·32
	assert.InDelta(t, 392, float64(thick.Tail()), 1e-9, "half the stitches, twice as thick")
}
