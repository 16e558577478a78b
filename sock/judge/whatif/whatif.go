// Package whatif asks what a sock comes to when the swatch, the tape or the
// ball was not quite right.
package whatif

import (
	"fmt"
	"slices"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/fit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/yarn"
)

// Doubt is how far off the truth may be.
type Doubt struct {
	// Stitches and Rounds per 100 mm more than the swatch said; Length of foot more than measured.
	Stitches float64        `json:"stitches_per_100mm"`
	Rounds   float64        `json:"rounds_per_100mm"`
	Length   measure.Length `json:"length_mm"`
	// YarnPct of the ball more than its band says.
	YarnPct float64 `json:"yarn_pct"`
}

// Figure is a number now, when the same rows are knitted in spite of the
// doubt, and when the sock is planned anew for it.
type Figure struct {
	Name    string `json:"name"`
	Label   string `json:"label"`
	Now     string `json:"now"`
	Same    string `json:"same"`
	Anew    string `json:"anew"`
	Changed bool   `json:"changed"`
}

// Limits of a doubt.
const (
	mostGauge  = 5
	mostLength = 30
	mostYarn   = 50
)

func (w *Doubt) check() document.Faults {
	var faults document.Faults
	for _, f := range []struct {
		field string
		value float64
		most  float64
	}{{"stitches_per_100mm", w.Stitches, mostGauge}, {"rounds_per_100mm", w.Rounds, mostGauge},
		{"length_mm", float64(w.Length), mostLength}, {"yarn_pct", w.YarnPct, mostYarn}} {
		if f.value < -f.most || f.value > f.most {
			faults.Add(f.field, "read %g, possible is %g to %g", f.value, -f.most, f.most)
		}
	}
	return faults
}

// Ask compares a design with what it comes to under a doubt. A doubt that is
// too large, or a design that gives no sock, is document.Faults.
func Ask(d design.Design, doubt Doubt, unit measure.Unit) ([]Figure, error) {
	a, err := doubted(&d, doubt)
	if err != nil {
		return nil, err
	}
	a.unit = unit
	return a.figures(), nil
}

// Same is the sock of a design when the same rows are knitted under a doubt: its foot and its gauge are others, its
// counts are not. Its errors are those of [Ask].
func Same(d design.Design, doubt Doubt) (*knit.Sock, error) {
	a, err := doubted(&d, doubt)
	if err != nil {
		return nil, err
	}
	return a.same, nil
}

func doubted(d *design.Design, doubt Doubt) (*asked, error) {
	if faults := doubt.check(); len(faults) > 0 {
		return nil, faults
	}
	now := knit.Measure(d)
	if now.Stopped() {
		return nil, document.Faults{{Field: "", Message: "this is not a sock yet: " + now.Checks[len(now.Checks)-1].Text}}
	}
	changed := *d
	changed.Gauge.Stitches += doubt.Stitches
	changed.Gauge.Rounds += doubt.Rounds
	changed.Foot.Length += doubt.Length
	changed.Yarn.BallGrams *= 1 + doubt.YarnPct/100
	changed.Yarn.BallMetres *= 1 + doubt.YarnPct/100 // a smaller ball of the same yarn
	anew := knit.Measure(&changed)
	fixed := now.Pinned()
	fixed.Gauge, fixed.Foot, fixed.Yarn = changed.Gauge, changed.Foot, changed.Yarn
	same := knit.Measure(&fixed)
	if anew.Stopped() || same.Stopped() {
		return nil, document.Faults{{Field: "", Message: "with so much doubt no sock is left to compare"}}
	}
	return &asked{now: now, same: same, anew: anew, d: d, changed: &changed}, nil
}

type asked struct {
	unit            measure.Unit
	now, same, anew *knit.Sock
	d, changed      *design.Design
}

func (a *asked) figures() []Figure {
	// The rows are the same, so lengths shrink as the rounds get denser.
	denser := measure.Length(a.now.Gauge.Rounds / a.same.Gauge.Rounds)
	show := a.unit.Show
	pct := func(foot, sock measure.Length) string { return fmt.Sprintf("%.0f %%", fit.Stretch(foot, sock)) }
	girth := (*knit.Sock).FootGirth
	leg := func(s *knit.Sock) measure.Length { return s.Gauge.Girth(float64(s.LegStitches)) }
	spare := func(length, sock measure.Length) string { return show(length - sock) }
	foot, other := a.d.Foot, a.changed.Foot
	list := []Figure{
		{Name: "foot_stitches", Label: "Stitches round the foot", Now: fmt.Sprint(a.now.Stitches), Same: fmt.Sprint(a.now.Stitches),
			Anew: fmt.Sprint(a.anew.Stitches)},
		{Name: "girth", Label: "Stretch round the ball", Now: pct(foot.BallGirth, girth(a.now)),
			Same: pct(other.BallGirth, girth(a.same)), Anew: pct(other.BallGirth, girth(a.anew))},
		{Name: "heel", Label: "Stretch over the instep", Now: pct(foot.HeelDiagonal, a.now.HeelGirth()),
			Same: pct(other.HeelDiagonal, a.same.HeelGirth()), Anew: pct(other.HeelDiagonal, a.anew.HeelGirth())},
		{Name: "cuff", Label: "Stretch of the cuff over the heel", Now: pct(foot.HeelDiagonal, leg(a.now)),
			Same: pct(other.HeelDiagonal, leg(a.same)), Anew: pct(other.HeelDiagonal, leg(a.anew))},
		{Name: "foot_rounds", Label: "Rounds to the heel", Now: fmt.Sprint(a.now.FootRounds), Same: fmt.Sprint(a.now.FootRounds),
			Anew: fmt.Sprint(a.anew.FootRounds)},
		{Name: "heel_starts_at_mm", Label: "From the tip to the heel", Now: show(a.now.HeelStarts), Same: show(a.now.HeelStarts * denser),
			Anew: show(a.anew.HeelStarts)},
		{Name: "finished_length_mm", Label: "Length of the sock", Now: show(length(a.now)), Same: show(length(a.now) * denser),
			Anew: show(length(a.anew))},
		{Name: "ease", Label: "Shorter than the foot by", Now: spare(foot.Length, length(a.now)),
			Same: spare(other.Length, length(a.now)*denser), Anew: spare(other.Length, length(a.anew))},
		{Name: "leg_rounds", Label: "Leg and cuff rounds", Now: legRounds(a.now), Same: legRounds(a.now), Anew: legRounds(a.anew)},
		{Name: "ball", Label: "Leg rounds that half the ball gives", Now: ballRounds(a.now), Same: ballRounds(a.same),
			Anew: ballRounds(a.anew)},
	}
	for i := range list {
		list[i].Changed = list[i].Now != list[i].Same || list[i].Now != list[i].Anew
	}
	return list
}

func length(s *knit.Sock) measure.Length { return s.HeelStarts + s.Heel.Length }

func legRounds(s *knit.Sock) string { return fmt.Sprintf("%d + %d", s.LegRounds, s.CuffRounds) }

// ballRounds is how tall a leg half the ball gives, above what toe, foot and heel take.
func ballRounds(s *knit.Sock) string {
	perStitch := yarn.GramsPerStitch(s.Design)
	toe, foot, heel := s.StitchesBelowLeg()
	used := foot
	for section, stitches := range map[string]float64{"toe": toe, "heel": heel} {
		if !slices.Contains(s.Design.Yarn.Contrast, section) {
			used += stitches
		}
	}
	left := s.Design.Yarn.BallGrams/2 - perStitch*used
	if left <= 0 {
		return "not even the foot"
	}
	return fmt.Sprint(yarn.LegRoundsLeft(left, yarn.Reserve, perStitch, s.LegYarn()))
}
