// Package yarn reckons how much yarn a sock takes: from the geometry of the
// stitch at first, from weighings as soon as there are some.
package yarn

import (
	"fmt"
	"math"
	"slices"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
)

// density of a wool blend, in grams per cubic millimetre.
const density = 0.00055

// Uncertainty of the reckoning from geometry, as a share.
const Uncertainty = 0.15

// Factors on the yarn in a stitch: purl columns and ridges take more, a slipped stitch less.
const (
	SlippedFactor = 0.8
	purlFactor    = 1.05
)

// Thickness is the diameter of the yarn: that of a cylinder of its weight.
func Thickness(y design.Yarn) measure.Length {
	perMM := y.BallGrams / (y.BallMetres * 1000)
	return measure.Length(math.Sqrt(4 * perMM / (math.Pi * density)))
}

// Densities of fabric, as the share of its width that is yarn: between Loosest
// and Tightest it wears well, from HardOnHands on the hands begin to ache.
const (
	Loosest     = 0.23
	Tightest    = 0.27
	HardOnHands = 0.31
)

// Density is the share of the fabric's width that is yarn, at so many stitches per mm.
func Density(stitches float64, y design.Yarn) float64 { return stitches * float64(Thickness(y)) }

// SaidOf says a density as what it is, the thickness of the strand beside the width of a stitch, with what wears well. It is rounded
// away from the range, so that what lies outside never reads as one of its ends.
func SaidOf(density float64) string {
	tenths := 1000 * density
	switch {
	case density < Loosest:
		tenths = math.Floor(tenths)
	case density > Tightest:
		tenths = math.Ceil(tenths)
	}
	return fmt.Sprintf("the strand is %.1f %% as thick as a stitch is wide, and %.0f to %.0f %% wear well", tenths/10, 100*Loosest, 100*Tightest)
}

// Exchanged says that a gauge has more stitches than rounds in the same length, as no stockinette has: a stitch is wider than it is tall.
func Exchanged(g measure.Gauge) bool { return g.Stitches > g.Rounds }

// PerThickness is how much yarn a stitch takes for its thickness, in thicknesses.
const PerThickness = 5.94

// PerStitch is the yarn in one stitch of stockinette, after Peirce (1947).
func PerStitch(g measure.Gauge, thickness measure.Length) measure.Length {
	return measure.Length(2/g.Rounds+1/g.Stitches) + PerThickness*thickness
}

// Need is what a section takes in one colour.
type Need struct {
	Section needle.Section `json:"section"`
	Colour  string         `json:"colour"`
	Metres  float64        `json:"metres"`
	Grams   float64        `json:"grams"`
}

// Needs reckons each section of a sock, and each yarn in it, from its rows.
func Needs(d *design.Design, rows []needle.Row) []Need {
	perStitch := float64(PerStitch(d.Gauge.PerMM(), Thickness(d.Yarn))) / 1000
	gramsPerMetre := d.Yarn.BallGrams / d.Yarn.BallMetres
	var needs []Need
	for i := range rows {
		row := &rows[i]
		at := slices.IndexFunc(needs, func(n Need) bool { return n.Section == row.Section && n.Colour == row.Colour })
		if at < 0 {
			at = len(needs)
			needs = append(needs, Need{Section: row.Section, Colour: row.Colour})
		}
		metres := perStitch * stitches(row)
		needs[at].Metres += metres
		needs[at].Grams += metres * gramsPerMetre
	}
	return needs
}

// InRow is the yarn in a row.
func InRow(d *design.Design, row *needle.Row) measure.Length {
	return PerStitch(d.Gauge.PerMM(), Thickness(d.Yarn)) * measure.Length(stitches(row))
}

// stitches counts what a row takes in yarn, in stitches of stockinette. A row
// that purls on the right side, or knits on the wrong, is ribbed or ridged.
func stitches(row *needle.Row) float64 {
	sum := 0.0
	for _, o := range row.Ops {
		n := float64(o.N)
		switch {
		case o.Code == needle.CO || o.Code == needle.COChain:
			sum += 2 * n // loops and the tail
		case o.Code == needle.Sl:
			sum += SlippedFactor * n
		case o.Code == needle.BO:
			sum += 2 * n
		case o.Code == needle.Turn || o.Code == needle.Unzip || o.Code == needle.Start || o.Code == needle.WT:
		case o.Code.IsPurl() == (row.Side == needle.RS) && o.Code.Takes() > 0:
			sum += purlFactor * n
		default:
			sum += max(1, float64(o.Code.Makes())) * n
		}
	}
	return sum
}

// Reserve is the share of a ball that is kept back for weaving in and a slip of the reckoning.
const Reserve = 0.08

// Leg is what the reckoning needs to know of a leg.
type Leg struct {
	// Stitches round its top, and rounds of the cuff.
	Stitches, CuffRounds int
	// OtherCuff: the cuff is knitted in another yarn.
	OtherCuff bool
}

// KeptBack is what cuff and bind-off take of the sock's own yarn, in grams:
// nothing when they are knitted in another.
func KeptBack(gramsPerStitch float64, leg Leg) float64 {
	if leg.OtherCuff {
		return 0
	}
	return (float64(leg.CuffRounds)*purlFactor + 2) * float64(leg.Stitches) * gramsPerStitch
}

// LegRoundsLeft is the number of leg rounds that what is left of the ball
// gives, when cuff, bind-off and a reserve (a share of what is left) are kept back.
func LegRoundsLeft(left, reserve, gramsPerStitch float64, leg Leg) int {
	free := left*(1-reserve) - KeptBack(gramsPerStitch, leg)
	return max(0, int(free/(gramsPerStitch*float64(leg.Stitches))))
}

// StripeRounds is the number of rounds of n stitches that one repeat of a
// self-striping yarn gives.
func StripeRounds(repeat measure.Length, n int, g measure.Gauge, thickness measure.Length) float64 {
	return float64(repeat) / (float64(n) * float64(PerStitch(g, thickness)))
}

// Repeat are the lengths of yarn of each colour of a yarn that stripes by itself,
// from where the sock begins; none for another yarn. Where rounds were counted,
// those are of so many stitches, or of the foot's.
func Repeat(d *design.Design, footStitches int) []measure.Length {
	y := &d.Yarn
	if len(y.RepeatRounds) == 0 {
		return y.Repeat
	}
	if y.RepeatStitches != nil {
		footStitches = *y.RepeatStitches
	}
	round := measure.Length(footStitches) * PerStitch(d.Gauge.PerMM(), Thickness(*y))
	list := make([]measure.Length, len(y.RepeatRounds))
	for i, rounds := range y.RepeatRounds {
		list[i] = measure.Length(rounds) * round
	}
	return list
}

// Stripe is one colour of a yarn that stripes by itself: how long it is on the ball, and the rounds that it gives.
type Stripe struct {
	Length     measure.Length `json:"length_mm"`
	FootRounds float64        `json:"foot_rounds"`
	LegRounds  float64        `json:"leg_rounds"`
}

// Striping are the colours of a yarn that stripes by itself on a sock of so many stitches; none for another yarn.
func Striping(d *design.Design, footStitches, legStitches int) []Stripe {
	var list []Stripe
	for _, long := range Repeat(d, footStitches) {
		on := func(n int) float64 {
			return math.Round(10*StripeRounds(long, n, d.Gauge.PerMM(), Thickness(d.Yarn))) / 10
		}
		list = append(list, Stripe{long.Tenth(), on(footStitches), on(legStitches)})
	}
	return list
}

// GramsPerStitch is the first guess, from gauge and yarn, of what a stitch weighs.
func GramsPerStitch(d *design.Design) float64 {
	return float64(PerStitch(d.Gauge.PerMM(), Thickness(d.Yarn))) / 1000 * d.Yarn.BallGrams / d.Yarn.BallMetres
}
