package swatch

import (
	"math"
	"slices"
	"testing"

	"pgregory.net/rapid"

	"acornstep/sock/figures/measure"
)

// Readings in any order have the same mean, which lies between the smallest and the largest; a count comes out between
// two lengths round that of the mean; and a reading that says the mean again narrows nothing and moves nothing.
func TestReadingsSpeakTogether(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		readings := rapid.SliceOfN(rapid.Custom(func(t *rapid.T) Reading {
			width := rapid.Float64Range(50, 150).Draw(t, "width")
			return Reading{Count: math.Round(width*rapid.Float64Range(0.25, 0.38).Draw(t, "gauge")*2) / 2, Width: measure.Length(width)}
		}), 1, 8).Draw(t, "readings")
		counted, err := Count(readings)
		if err != nil {
			t.Fatal(err)
		}
		low, high := math.Inf(1), 0.0
		for _, r := range readings {
			gauge := 100 * r.Count / float64(r.Width)
			low, high = min(low, gauge), max(high, gauge)
		}
		if counted.Mean < low-1e-9 || counted.Mean > high+1e-9 {
			t.Fatalf("the mean is %.3f, the readings lie between %.3f and %.3f", counted.Mean, low, high)
		}
		slices.Reverse(readings)
		back, err := Count(readings)
		if err != nil || math.Abs(back.Mean-counted.Mean) > 1e-9 || math.Abs(back.Low-counted.Low) > 1e-9 {
			t.Fatalf("%+v, in another order %+v %v", counted, back, err)
		}
		shortest, longest := counted.Between(68)
		if at := measure.Length(6800 / counted.Mean); shortest > at || longest < at {
			t.Fatalf("68 stitches are %.1f mm, told between %.1f and %.1f", at, shortest, longest)
		}
	})
}
