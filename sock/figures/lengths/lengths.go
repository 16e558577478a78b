// Package lengths holds the formulas that turn counted stitches and rows into
// millimetres. Whoever makes a plan and whoever checks one reckons with these.
package lengths

import (
	"math"

	"acornstep/sock/figures/measure"
)

// GarterRows is the rows per mm of garter stitch, which draws together: two rows are as tall as a stitch is wide.
func GarterRows(g measure.Gauge) float64 { return 2 * g.Stitches }

// FlapRows is the rows per mm of a flap; each slip-stitch row counts a share, the factor, of a plain one.
func FlapRows(g measure.Gauge, factor float64) float64 { return g.Rounds / factor }

// SquareToe is what a garter square of q stitches is credited with, an
// estimate: nothing at the sides, about 0.7·q/gs in the middle.
func SquareToe(q int, g measure.Gauge) measure.Length {
	return measure.Length(float64(q) / (2 * g.Stitches))
}

// ShortRowToe is a toe with so many turns on each side: one half of its rows lies above the other.
func ShortRowToe(turns int, g measure.Gauge) measure.Length { return g.Height(float64(2 * turns)) }

// HeelStarts is from the tip of the toe to the first row of the heel.
func HeelStarts(toe measure.Length, footRounds int, g measure.Gauge) measure.Length {
	return toe + g.Height(float64(footRounds))
}

// ShortRowHeel is what a heel adds to the foot: its narrowing rows at the
// centre, two for each turn, and half of the full rounds between the halves.
func ShortRowHeel(turns, between int, rowsPerMM float64, g measure.Gauge) measure.Length {
	return measure.Length(2*float64(turns)/rowsPerMM + float64(between)/(2*g.Rounds))
}

// Flap is what a flap of so many rows adds to the foot, its set-up row with it.
func Flap(rows int, rowsPerMM float64) measure.Length {
	return measure.Length(float64(rows+1) / rowsPerMM)
}

// DiagonalOfShortRows is the relaxed girth round the point of a short-row heel
// and the bend of the ankle: the instep, the two slanting edges of the
// narrowing rows, each w stitches wide and 2w rows high, and the centre.
func DiagonalOfShortRows(ring, heel, turns int, rowsPerMM float64, g measure.Gauge) measure.Length {
	w := float64(turns)
	slants := measure.Length(2 * math.Hypot(w/g.Stitches, 2*w/rowsPerMM))
	return g.Girth(float64(ring-heel)) + slants + g.Girth(float64(heel-2*turns))
}

// DiagonalOfFlap is the same for a flap: the instep, what was picked up along
// both edges, corner stitches not counted, and what the turn leaves.
func DiagonalOfFlap(ring, heel, pickedUp, afterTurn int, g measure.Gauge) measure.Length {
	return g.Girth(float64(ring - heel + pickedUp + afterTurn))
}

// DiagonalOfGusset is the same for a gusset increased on the foot: instep, both gussets and the heel.
func DiagonalOfGusset(ring, increases int, g measure.Gauge) measure.Length {
	return g.Girth(float64(ring + 2*increases))
}

// Round is the height of one round.
func Round(g measure.Gauge) measure.Length { return g.Height(1) }
