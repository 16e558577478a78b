package swatch

import (
	"fmt"
	"math"

	"acornstep/sock/figures/measure"
)

// Reading is one count on a swatch.
type Reading struct {
	// Count of stitches or rounds over Width.
	Count float64
	Width measure.Length
}

// shortestReading is the width over which a count means something.
const shortestReading measure.Length = 50

// Counted is the mean of several readings per 100 mm, with the range that
// they leave: their spread, and at least half a stitch over their width.
type Counted struct {
	Mean float64 `json:"mean"`
	Low  float64 `json:"low"`
	High float64 `json:"high"`
	// Spread is how far the counts themselves lie apart, per 100 mm: 0 where they are equal.
	Spread float64 `json:"-"`
	// Short: some reading is over less than 50 mm.
	Short bool `json:"short"`
}

// Count takes the mean of readings. It refuses none at all, and counts or widths that are not positive.
func Count(readings []Reading) (Counted, error) {
	if len(readings) == 0 {
		return Counted{}, fmt.Errorf("readings: there are none; count in at least one place, better in three")
	}
	c := Counted{Low: math.Inf(1), High: math.Inf(-1)}
	half := 0.0
	for i, r := range readings {
		if r.Count <= 0 || r.Width <= 0 {
			return Counted{}, fmt.Errorf("readings[%d]: read %g over %g mm; both are more than nothing", i, r.Count, float64(r.Width))
		}
		per100 := r.Count * 100 / float64(r.Width)
		c.Mean += per100 / float64(len(readings))
		c.Low, c.High = min(c.Low, per100), max(c.High, per100)
		half += 50 / float64(r.Width) / float64(len(readings))
		c.Short = c.Short || r.Width < shortestReading
	}
	c.Spread = c.High - c.Low
	// The reach of half a stitch is about the mean; several readings can only widen it.
	c.Low, c.High = min(c.Low, c.Mean-half), max(c.High, c.Mean+half)
	return c, nil
}

// Between is what a count of stitches or rounds comes out as, from the tightest
// to the loosest reading.
func (c Counted) Between(count float64) (low, high measure.Length) {
	return measure.Length(count * 100 / c.High), measure.Length(count * 100 / c.Low)
}
