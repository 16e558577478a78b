package sqlite

import (
	"math"

	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
)

// counted is a design counted as the program did when schema 5 was new. Files of schemas before it keep the
// design of a plan and no rows, and their events name rows by their number: only so
// is it known which rows those were. Nothing here follows the program of today, and nothing here may ever change.
type counted struct {
	d *design.Design
	// stitches and rounds per mm.
	gs, gr float64
	// foot, ankle and leg are stitches; before is what changes before the heel.
	foot, ankle, before int
	toeRows             int
	toeLength           float64
	footRounds          int
	// ring is the count that the heel meets; heel its stitches, turns on each side.
	ring, heel, turns, between int
	increases                  int
	flapRows, afterTurn        int
	cornerStitches             int
	heelLength                 float64
	// picks is how many corner stitches a round loses, gone the round in which the first goes.
	picks, gone  int
	gussetRounds int
	legRounds    int
	cuffRounds   int
}

// countedThen is how many rows each section of a design had; false for a design that gave no sock then.
func countedThen(d *design.Design) (map[needle.Section]int, bool) {
	c := &counted{d: d, gs: d.Gauge.Stitches / 100, gr: d.Gauge.Rounds / 100}
	c.countStitches()
	if !c.sizeToe() || !c.sizeHeelAndFoot() {
		return nil, false
	}
	c.sizeLeg()
	rows := map[needle.Section]int{
		needle.CastOn: 1, needle.Toe: c.toeRows, needle.Foot: c.footRounds, needle.Heel: c.heelRows(),
		needle.Leg: c.legRounds, needle.Cuff: c.cuffRounds, needle.BindOff: 1,
	}
	if c.flapRows > 0 {
		rows[needle.Gusset] = 1 + c.gussetRounds
	}
	return rows, true
}

// Small numbers that were rules then.
const (
	thenFewestStitches = 16
	thenFewestCentre   = 4
	thenFewestToStart  = 8
	thenFewestFlap     = 12
	thenFewestInstep   = 4
	thenWorthChanging  = 4
	thenRest           = 2
	thenWideCentre     = 25.0
	thenFlapShare      = 0.24
	thenThumb          = 25.0
	thenRoundedFast    = 4
)

// thenRepeats are the repeats of the patterns that were there; a design brings its own along.
var thenRepeats = map[string]int{
	"stockinette": 1, "rib_1x1": 2, "rib_2x2": 4, "rib_3x1": 4, "broken_rib": 2, "seed_stitch": 2, "garter_rib": 4, "dew_lace": 6,
	"eyelet_cable": 5, "basket_rib": 6,
}

func (c *counted) repeat(name string) int {
	for i := range c.d.Patterns {
		if c.d.Patterns[i].Name == name {
			return c.d.Patterns[i].Repeat
		}
	}
	return max(1, thenRepeats[name])
}

func nearestThen(target float64, m int) int {
	low := int(math.Floor(target/float64(m))) * m
	if target-float64(low) > float64(m)/2+1e-9 {
		low += m
	}
	return max(low, 0)
}

func halfUpThen(x float64) int { return int(math.Floor(x + 0.5 + 1e-9)) }

func lcmThen(a, b int) int {
	x, y := a, b
	for y != 0 {
		x, y = y, x%y
	}
	return a / x * b
}

func absThen(n int) int { return max(n, -n) }

func (c *counted) target(girth float64) float64 {
	return girth * (1 - c.d.Fit.GirthEasePct/100) * c.gs
}

func (c *counted) countStitches() {
	d := c.d
	if d.Stitches != nil {
		c.foot = *d.Stitches
	} else {
		c.foot = max(nearestThen(c.target(float64(d.Foot.BallGirth)), d.Fit.Multiple), d.Fit.Multiple, thenFewestStitches)
	}
	if d.Leg.Stitches != nil {
		c.ankle = *d.Leg.Stitches
		return
	}
	n := c.foot
	if d.Ankle.Change != "none" {
		ankle := max(nearestThen(c.target(float64(d.Foot.AnkleGirth)), d.Fit.Multiple), d.Fit.Multiple, thenFewestStitches)
		if absThen(ankle-c.foot) >= thenWorthChanging {
			n = ankle
		}
	}
	repeat := lcmThen(lcmThen(c.repeat(d.Leg.Pattern), c.repeat(d.Cuff.Pattern)), 2)
	c.ankle = max(nearestThen(float64(n), repeat), repeat, (thenFewestStitches+repeat-1)/repeat*repeat)
}
