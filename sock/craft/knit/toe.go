package knit

import (
	"slices"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/needle"
)

// toes lists the ways to begin the sock, the usual one first.
var toes = []Toe{wedgeToe{}, garterSquareToe{}, shortRowToe{}}

// twoNeedleCastOns are those that put the loops on two needles, for toes that are knitted from both.
var twoNeedleCastOns = map[at.Path][]string{at.ToeCastOn: {"magic", "turkish", "figure_eight"}}

// Tail is the length of the tail to leave at the cast-on of s stitches: 200 mm
// to hold and darn, and 6 mm for each stitch, more on thick needles.
func (s *Sock) Tail() measure.Length {
	const fineGauge = 0.32 // stitches per mm of fine sock yarn
	thick := max(1, fineGauge/s.Gauge.Stitches)
	return measure.Length(200 + 6*float64(s.Toe.CastOn)*thick)
}

func (s *Sock) tailNote() string {
	return "Leave a tail of " + s.Tail().About() + "."
}

// colourOf is the colour of rows in a section: empty for the main yarn.
func (s *Sock) colourOf(section string) string {
	if slices.Contains(s.Design.Yarn.Contrast, section) {
		return needle.Contrast
	}
	return ""
}
