// Package yarn reckons how much yarn a sock takes: from the geometry of the
// stitch at first, from weighings as soon as there are some.
package yarn

import (
	"math"
	"slices"

	"acornstep/sock/design"
	"acornstep/sock/knit"
	"acornstep/sock/measure"
	"acornstep/sock/needle"
)

// density of a wool blend, in grams per cubic millimetre.
const density = 0.00055

// Uncertainty of the reckoning from geometry, as a share.
const Uncertainty = 0.15

// Factors on the yarn in a stitch: purl columns and ridges take more, a slipped stitch less.
const (
	slippedFactor = 0.8
	purlFactor    = 1.05
)

// Thickness is the diameter of the yarn: that of a cylinder of its weight.
func Thickness(y design.Yarn) measure.Length {
	perMM := y.BallGrams / (y.BallMetres * 1000)
	return measure.Length(math.Sqrt(4 * perMM / (math.Pi * density)))
}

// PerStitch is the yarn in one stitch of stockinette, after Peirce (1947).
func PerStitch(g measure.Gauge, thickness measure.Length) measure.Length {
	return measure.Length(2/g.Rounds+1/g.Stitches) + 5.94*thickness
}

// Need is what a section takes in one colour.
type Need struct {
	Section needle.Section `json:"section"`
	Colour  string         `json:"colour"`
	Metres  float64        `json:"metres"`
	Grams   float64        `json:"grams"`
}

// Needs reckons each section of a sock from its rows.
func Needs(d *design.Design, rows []needle.Row) []Need {
	perStitch := float64(PerStitch(d.Gauge.PerMM(), Thickness(d.Yarn))) / 1000
	gramsPerMetre := d.Yarn.BallGrams / d.Yarn.BallMetres
	var needs []Need
	for i := range rows {
		row := &rows[i]
		last := len(needs) - 1
		if last < 0 || needs[last].Section != row.Section || needs[last].Colour != row.Colour {
			needs = append(needs, Need{Section: row.Section, Colour: row.Colour})
			last++
		}
		metres := perStitch * stitches(row)
		needs[last].Metres += metres
		needs[last].Grams += metres * gramsPerMetre
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
			sum += slippedFactor * n
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

// Total adds the needs of one colour; the colour of every yarn is its own name.
func Total(needs []Need, colour string) (metres, grams float64) {
	for _, n := range needs {
		if n.Colour == colour {
			metres += n.Metres
			grams += n.Grams
		}
	}
	return metres, grams
}

// PerStitchWeighed is grams per stitch from two weighings of the ball, with so
// many stitches knitted between them; ok is false when they explain nothing.
func PerStitchWeighed(before, after float64, stitches int) (grams float64, ok bool) {
	if stitches <= 0 || after >= before {
		return 0, false
	}
	return (before - after) / float64(stitches), true
}

// Reserve is the share of a ball that is kept back for weaving in and a slip of the reckoning.
const Reserve = 0.08

// KeptBack is what cuff and bind-off take of the sock's own yarn, in grams:
// nothing when they are knitted in another.
func KeptBack(gramsPerStitch float64, s *knit.Sock) float64 {
	if s.Design != nil && slices.Contains(s.Design.Yarn.Contrast, string(needle.Cuff)) {
		return 0
	}
	return (float64(s.CuffRounds)*purlFactor + 2) * float64(s.LegStitches) * gramsPerStitch
}

// LegRoundsLeft is the number of leg rounds that what is left of the ball
// gives, when cuff, bind-off and a reserve (a share of what is left) are kept back.
func LegRoundsLeft(left, reserve, gramsPerStitch float64, s *knit.Sock) int {
	free := left*(1-reserve) - KeptBack(gramsPerStitch, s)
	return max(0, int(free/(gramsPerStitch*float64(s.LegStitches))))
}

// StripeRounds is the number of rounds of n stitches that one repeat of a
// self-striping yarn gives.
func StripeRounds(repeat measure.Length, n int, g measure.Gauge, thickness measure.Length) float64 {
	return float64(repeat) / (float64(n) * float64(PerStitch(g, thickness)))
}

// GramsPerStitch is the first guess, from gauge and yarn, of what a stitch weighs.
func GramsPerStitch(d *design.Design) float64 {
	return float64(PerStitch(d.Gauge.PerMM(), Thickness(d.Yarn))) / 1000 * d.Yarn.BallGrams / d.Yarn.BallMetres
}

// StitchesBelowLeg counts the stitches of toe, foot with gusset, and heel from their
// sizes, without knitting them: together within a twentieth of what the rows have.
func StitchesBelowLeg(s *knit.Sock) (toe, foot, heel float64) {
	n, h, g := float64(s.Stitches), float64(s.Heel.Stitches), float64(s.Heel.GussetIncreases)
	toe = float64(s.Toe.Rounds) * (float64(s.Toe.CastOn) + n) / 2
	switch s.Design.Toe.Kind {
	case "garter_square":
		toe = float64(s.Toe.Rounds)*n/4 + n // the square on a quarter of the stitches, and the round that picks up
	case "short_row":
		toe = shortRows(4, s.Toe.Turns, n/2) + 1.5*n // the purl row before, and the round that joins
	}
	foot = float64(s.FootRounds)*n + 2*g*(g+1)
	heel = shortRows(4, s.Heel.Turns, h) + float64(s.Heel.RoundsBetween)*(1.5*n+h)
	switch s.Design.Heel.Kind {
	case "flap_under":
		slipped := (1 + slippedFactor) / 2 // every other stitch on the right side, the first on the wrong one
		heel = float64(s.Heel.FlapRows+1)*h*slipped + h*h/4 + float64(len(s.Heel.GussetRounds))*(n+float64(s.Heel.GussetDecreaseRounds)) + n
	case "gusset_turn":
		heel = shortRows(2, s.Heel.Turns, h) + (2*g+3.5)*h // the way in, a row each way that resolves, and the flap
	}
	return toe, foot, heel
}

// shortRows are the stitches of so many rows for each turn, and one over the turns on either side; the row in the middle of them is as long as the mean.
func shortRows(each, turns int, h float64) float64 {
	return float64(each*turns+2) * (h - float64(turns))
}
