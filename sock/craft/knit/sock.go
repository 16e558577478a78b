package knit

import (
	"math"
	"slices"

	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
)

// Sock is a design worked out in stitches and rounds, before a row is knitted.
type Sock struct {
	Design *design.Design
	Gauge  measure.Gauge
	// Stitches round the foot, round the ankle, at the widest place of a calf that the leg reaches, and at the end of the leg.
	Stitches, AnkleStitches, CalfStitches, LegStitches int
	Toe                                                ToeSize
	Heel                                               HeelSize
	// FinishedLength is what the sock is meant to measure from tip to heel.
	FinishedLength measure.Length
	// FootRounds lie between the toe and the first row of the heel.
	FootRounds int
	// HeelStarts is the distance from the toe tip to the first row of the heel.
	HeelStarts measure.Length
	Corner     CornerPlan
	Ankle      AnklePlan
	// LegRounds lie between the end of the heel, or of the gusset, and the cuff.
	LegRounds, CuffRounds int
	// PlainRounds of the leg come before its pattern.
	PlainRounds int
	Checks      verdict.Checks
	// went is what went otherwise on the needles; nil for nothing.
	went *Went
}

// ToeSize is a toe in stitches and rounds.
type ToeSize struct {
	// CastOn counts the loops on both needles together.
	CastOn int
	// IncreaseRounds are the rounds that add four stitches; FastRounds of them follow each other at once.
	IncreaseRounds, FastRounds int
	// Rounds are all rounds or rows of the toe after the cast-on.
	Rounds int
	// Length is what the toe adds to the sock.
	Length measure.Length
	// Turns on each side of a short-row toe.
	Turns int
}

// Measure works a design out. The result may carry a check that stops it.
func Measure(d *design.Design) *Sock { return measured(d, nil) }

// measured works a design out, with what went otherwise on the needles.
func measured(d *design.Design, went *Went) *Sock {
	s := &Sock{Design: d, Gauge: d.Gauge.PerMM(), went: went}
	s.Stitches = s.countRoundFoot()
	s.countLeg()
	if s.Stopped() {
		return s
	}
	s.toe().Size(s)
	if s.Stopped() {
		return s
	}
	s.toe().Caution(s, &s.Checks)
	s.sizeHeelAndFoot()
	if s.Stopped() {
		return s
	}
	s.sizeLeg()
	return s
}

// sizeHeelAndFoot sizes the heel for the count that it will meet. Where the
// foot is too short to change to that count, the heel meets what fits.
func (s *Sock) sizeHeelAndFoot() {
	s.Ankle.Before = s.changeBeforeHeel()
	said := len(s.Checks)
	for {
		s.heel().Size(s)
		if s.Stopped() {
			return
		}
		s.sizeFoot()
		s.Ankle.footRounds = s.spread(changes(s.Ankle.Before), 2, s.gussetFrom()-2, true)
		fits := 0
		for _, c := range s.Ankle.footRounds {
			fits += c.stitches
		}
		if fits == s.Ankle.Before {
			return
		}
		s.Ankle.Before, s.Checks = fits, s.Checks[:said]
	}
}

// NearestMultiple is the multiple of m nearest to the target, the smaller at a tie, at least m.
func NearestMultiple(target float64, m int) int {
	low := int(math.Floor(target/float64(m))) * m
	if target-float64(low) > float64(m)/2+1e-9 {
		low += m
	}
	return max(low, m)
}

// FewestStitches is the smallest count round a sock.
const FewestStitches = 16

// FootTarget is the exact count that the ball of the foot asks for: its girth,
// less the negative ease that makes the sock hold, times the stitch gauge.
func FootTarget(d *design.Design) float64 { return target(d, d.Foot.BallGirth) }

// LegTarget is the exact count that the ankle asks for.
func LegTarget(d *design.Design) float64 { return target(d, d.Foot.AnkleGirth) }

func target(d *design.Design, girth measure.Length) float64 {
	return float64(girth) * (1 - d.Fit.GirthEasePct/100) * d.Gauge.PerMM().Stitches
}

func (s *Sock) countRoundFoot() int {
	if n := s.Design.Stitches; n != nil {
		return *n
	}
	n := NearestMultiple(FootTarget(s.Design), s.Design.Fit.Multiple)
	if n < FewestStitches {
		s.Checks.Say(verdict.OnRound, verdict.Caution, "few_stitches",
			"This foot and gauge ask for %d stitches, and no sock is knitted on fewer than %d: it comes out wide. Take a finer yarn.", n,
			FewestStitches)
		n = FewestStitches
	}
	return n
}

func abs(n int) int {
	if n < 0 {
		return -n
	}
	return n
}

// CountChoice is a count round the foot with the ease that it gives.
type CountChoice struct {
	Stitches int
	// EasePct is how much smaller than the foot the sock is, in percent.
	EasePct float64
	// Chosen is the count of this sock, Nearest the one that the ease asks for.
	Chosen, Nearest bool
}

// CountChoices are the count nearest to the ease that was asked for and its
// neighbours, and the chosen count when it is another one.
func CountChoices(d *design.Design, chosen int) []CountChoice {
	m := d.Fit.Multiple
	nearest := max(NearestMultiple(FootTarget(d), m), FewestStitches)
	counts := []int{nearest - m, nearest, nearest + m}
	switch {
	case chosen < counts[0]:
		counts = append([]int{chosen}, counts...)
	case chosen > counts[2]:
		counts = append(counts, chosen)
	case chosen != counts[0] && chosen != counts[1] && chosen != counts[2]:
		counts = append(counts, chosen)
		slices.Sort(counts)
	}
	choices := make([]CountChoice, 0, len(counts))
	for _, n := range counts {
		if n < FewestStitches {
			continue
		}
		girth := d.Gauge.PerMM().Girth(float64(n))
		choices = append(choices, CountChoice{n, 100 * float64(1-girth/d.Foot.BallGirth), n == chosen, n == nearest})
	}
	return choices
}

// Stopped says whether a check forbids the sock.
func (s *Sock) Stopped() bool { return s.Checks.Stopped() != nil }
