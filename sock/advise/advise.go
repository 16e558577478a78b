// Package advise tries every sensible way to knit a sock for one foot and
// gauge, and ranks them by how they fit.
package advise

import (
	"fmt"
	"math"
	"slices"

	"acornstep/sock/design"
	"acornstep/sock/fit"
	"acornstep/sock/knit"
	"acornstep/sock/measure"
	"acornstep/sock/yarn"
)

// Candidate is one way to knit the sock.
type Candidate struct {
	Toe      string  `json:"toe"`
	Start    string  `json:"start"`
	Heel     string  `json:"heel"`
	Turn     string  `json:"turn"`
	Share    float64 `json:"share"`
	Fabric   string  `json:"fabric"`
	Stitches int     `json:"stitches"`
	// HeelStretchPct is the stretch over the instep, EasePct that round the ball.
	HeelStretchPct float64        `json:"heel_stretch_pct"`
	EasePct        float64        `json:"ease_pct"`
	HeelStartsAt   measure.Length `json:"heel_starts_at_mm"`
	FootRounds     int            `json:"foot_rounds"`
	// Grams of all yarn, a first guess.
	Grams float64 `json:"grams"`
	// Misfit is 0 for a sock that fits everywhere; the rank follows it.
	Misfit float64 `json:"misfit"`
	// Counting is how many things have to be counted at once, from 2 up.
	Counting int      `json:"counting"`
	Reasons  []string `json:"reasons"`
}

// Report is the ranking, with what half a stitch of gauge would change.
type Report struct {
	Candidates []Candidate `json:"candidates"`
	// Heels are the design itself with each kind of heel, all other choices as they are.
	Heels []Candidate `json:"heels"`
	// Tried counts all ways, those that give no sock included.
	Tried  int    `json:"tried"`
	Gauges []Off  `json:"gauges"`
	Note   string `json:"note"`
}

// Off is the chosen sock when the gauge is off by half a stitch over 100 mm.
type Off struct {
	StitchesPer100 float64        `json:"stitches_per_100mm"`
	Girth          measure.Length `json:"girth_mm"`
	EasePct        float64        `json:"ease_pct"`
	StretchPct     float64        `json:"heel_stretch_pct"`
}

var toeWays = []struct{ kind, start, castOn string }{
	{"wedge", "half", "magic"}, {"wedge", "rounded", "magic"}, {"wedge", "fitted", "magic"},
	{"garter_square", "half", "magic"}, {"short_row", "half", "provisional"},
}

var heelWays = []struct {
	kind, fabric string
	share        float64
}{
	{"short_row", "stockinette", 0.5}, {"short_row", "stockinette", 0.6}, {"short_row", "stockinette", 0.7},
	{"short_row", "garter", 0.5}, {"short_row", "garter", 0.6}, {"short_row", "garter", 0.7},
	{"flap_under", "stockinette", 0.5}, {"gusset_turn", "stockinette", 0.5},
}

var turnWays = []string{"german", "wrap", "yarn_over", "pinned", "lift"}

// Rank tries toes, heels, shares, turning styles and counts for the foot and
// gauge of a design; everything else stays as the design has it. The wish says
// what the ranking follows; a wish that nobody knows is an error.
func Rank(d design.Design, by Wish, known []string) (Report, error) {
	var r Report
	turns := append([]string{d.Heel.Turn}, slices.DeleteFunc(slices.Clone(turnWays), func(t string) bool { return t == d.Heel.Turn })...)
	counts := []int{}
	for _, c := range knit.CountChoices(&d, chosen(&d)) {
		counts = append(counts, c.Stitches)
	}
	for _, n := range counts {
		for _, toe := range toeWays {
			for _, heel := range heelWays {
				for _, turn := range turns {
					if turn != turns[0] && heel.kind == "flap_under" && toe.kind != "short_row" {
						continue // nothing in this sock turns
					}
					r.Tried++
					way := d
					way.Stitches = &n
					way.Toe.Kind, way.Toe.Start, way.Toe.CastOn = toe.kind, toe.start, toe.castOn
					way.Toe.StartStitches, way.Toe.FastRounds, way.Toe.TurnsPerSide = nil, nil, nil
					way.Heel = reset(d.Heel, heel.kind, heel.fabric, heel.share, turn)
					if c, ok := try(&way); ok {
						r.Candidates = append(r.Candidates, c)
					}
				}
			}
		}
	}
	sorted, err := by.sort(r.Candidates, known)
	r.Candidates = sorted
	r.Heels = heels(d)
	r.Gauges = offGauge(&d)
	r.Note = "Grams are a first guess of ± 15 %. Turning styles give the same shape: choose the one your hands like."
	return r, err
}

// Distinct keeps the first of the ways that differ in their turning style
// only: they are the same sock to look at and to wear.
func Distinct(list []Candidate) []Candidate {
	type look struct {
		toe, start, heel, fabric string
		share                    float64
		stitches                 int
	}
	seen := map[look]bool{}
	kept := []Candidate{}
	for _, c := range list {
		l := look{c.Toe, c.Start, c.Heel, c.Fabric, c.Share, c.Stitches}
		if !seen[l] {
			kept = append(kept, c)
		}
		seen[l] = true
	}
	return kept
}

// heels tries each kind of heel in the design as it stands.
func heels(d design.Design) []Candidate {
	found := []Candidate{}
	for _, kind := range []string{"short_row", "flap_under", "gusset_turn"} {
		way := d
		if kind != d.Heel.Kind {
			way.Heel = reset(d.Heel, kind, d.Heel.Fabric, d.Heel.Share, d.Heel.Turn)
		}
		if c, ok := try(&way); ok {
			found = append(found, c)
		}
	}
	return found
}

func chosen(d *design.Design) int {
	s := knit.Measure(d)
	return s.Stitches
}

// reset keeps what the knitter's hands bring, and leaves counts to be worked out.
func reset(h design.Heel, kind, fabric string, share float64, turn string) design.Heel {
	h.Kind, h.Fabric, h.Share, h.Turn = kind, fabric, share, turn
	h.Stitches, h.TurnsPerSide, h.RoundsBetween, h.FirstRow = nil, nil, nil, nil
	h.FlapRows, h.PickedUp, h.GussetIncreases = nil, nil, nil
	return h
}

func try(d *design.Design) (Candidate, bool) {
	s := knit.Measure(d)
	if !s.Stopped() {
		s.Judge()
	}
	if s.Stopped() {
		return Candidate{}, false
	}
	places := fit.Of(s)
	c := Candidate{
		Toe: d.Toe.Kind, Start: d.Toe.Start, Heel: d.Heel.Kind, Turn: d.Heel.Turn, Share: d.Heel.Share, Fabric: d.Heel.Fabric,
		Stitches: s.Stitches, HeelStartsAt: s.HeelStarts, FootRounds: s.FootRounds, Misfit: fit.Misfit(places), Grams: grams(s),
		EasePct: 100 * float64(1-s.Gauge.Girth(float64(s.Stitches))/d.Foot.BallGirth),
	}
	for _, p := range places {
		if p.Name == "heel" {
			c.HeelStretchPct = p.StretchPct
		}
	}
	// A heel that is roomier than the foot slips; how much is too much depends on the foot.
	if room := -c.HeelStretchPct; room > 0 {
		c.Misfit += room / 2
	}
	c.Misfit += footAdvice(s, &c)
	c.Counting = counting(d)
	if d.Toe.Kind == "wedge" {
		c.Misfit += math.Abs(float64(s.Toe.Length-d.Foot.ToeDepth)) / 10
	}
	return c, true
}

// footAdvice names the heels that suit a foot: slipping heels like short
// rows, hard wear likes garter, a high instep a gusset.
func footAdvice(s *knit.Sock, c *Candidate) (misfit float64) {
	d := s.Design
	c.Reasons = append(c.Reasons, fmt.Sprintf("stretches %.0f %% over the instep", c.HeelStretchPct))
	const highInstep = 1.48 // heel diagonal over ball girth
	high := float64(d.Foot.HeelDiagonal/d.Foot.BallGirth) > highInstep
	switch {
	case high && d.Heel.Kind != "short_row":
		c.Reasons = append(c.Reasons, "a gusset suits a high instep")
	case d.Foot.HeelWidth == "narrow" && d.Heel.Kind == "short_row":
		c.Reasons = append(c.Reasons, "short rows grip a narrow heel")
	case d.Foot.HeelWidth == "narrow":
		misfit += 4
		c.Reasons = append(c.Reasons, "a flap may slip on a narrow heel: carry the slip stitch through the turn")
	case d.Heel.Kind == "short_row" && d.Heel.Share > 0.5 && d.Heel.Fabric == "garter":
		c.Reasons = append(c.Reasons, "a wide garter heel is padded and wears hard")
	}
	return misfit
}

// grams reckons the whole sock from its counts, without knitting it.
func grams(s *knit.Sock) float64 {
	leg := float64(s.LegRounds+s.CuffRounds+2) * float64(s.LegStitches)
	toe, foot, heel := yarn.StitchesBelowLeg(s)
	return yarn.GramsPerStitch(s.Design) * (toe + foot + heel + leg)
}

// offGauge is what half a stitch more or less over 100 mm does to the chosen count.
func offGauge(d *design.Design) []Off {
	base := knit.Measure(d)
	if base.Stopped() {
		return nil
	}
	var offs []Off
	for _, by := range []float64{-0.5, 0, 0.5} {
		way := *d
		way.Stitches = &base.Stitches
		way.Gauge.Stitches += by
		s := knit.Measure(&way)
		if s.Stopped() {
			continue
		}
		girth := s.Gauge.Girth(float64(s.Stitches))
		offs = append(offs, Off{way.Gauge.Stitches, girth, 100 * float64(1-girth/d.Foot.BallGirth), heelStretch(s)})
	}
	return offs
}
