// Package advise tries every sensible way to knit a sock for one foot and
// gauge, and ranks them by how they fit.
package advise

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/fit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/yarn"
)

// Candidate is one way to knit the sock.
type Candidate struct {
	// Title says the way in a line; Changes make a design into it.
	Title   string         `json:"title"`
	Changes design.Changes `json:"changes"`
	// Toe, Heel and Turn name its techniques.
	Toe      string `json:"toe"`
	Heel     string `json:"heel"`
	Turn     string `json:"turn"`
	Stitches int    `json:"stitches"`
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
	Counting int `json:"counting"`
	// Word is how it sits over the instep, as the fit says it.
	Word string `json:"word"`
	// Why is what speaks for it; said of the ways that are kept as different ones.
	Why string `json:"why"`
	// Chosen says that the design is made this way already.
	Chosen bool `json:"chosen"`
	// turns says whether short rows are knitted somewhere.
	turns bool
	// unusual weighs how far it leaves the usual way, 0 for not at all.
	unusual int
	// unusualHeel is what of that its heel weighs; high says that the foot's instep was measured, and is high.
	unusualHeel    int
	high           bool
	fabric, reason string
}

// Report is the ranking, with what half a stitch of gauge would change.
type Report struct {
	Candidates []Candidate `json:"candidates"`
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

// Rank tries toes, heels, shares, turning styles and counts for the foot and
// gauge of a design; everything else stays as the design has it. The wish says
// what the ranking follows; a wish that nobody knows is an error.
func Rank(d design.Design, by Wish, known []string) (Report, error) {
	r, err := tryAll(&d, turnsOf(&d))
	if err != nil {
		return r, err
	}
	if r.Candidates, err = by.sort(r.Candidates, known); err != nil {
		return r, err
	}
	r.Gauges = offGauge(&d)
	r.Note = fmt.Sprintf("Grams are a first guess of ± %.0f %%. Turning styles give the same shape: choose the one your hands like.",
		100*yarn.Uncertainty)
	return r, nil
}

// Best is the way that the judgement puts first, turned as the design turns, with why; nil where none gives a sock.
func Best(d design.Design) (*Candidate, error) {
	r, err := tryAll(&d, turnsOf(&d)[:1])
	if err != nil || len(r.Candidates) == 0 {
		return nil, err
	}
	best := slices.MinFunc(r.Candidates, func(a, b Candidate) int { return better(&a, &b) })
	best.Why = best.whyFirst()
	return &best, nil
}

// tryAll tries every toe, heel and count with each of the turning styles.
func tryAll(d *design.Design, turns []*knit.About) (Report, error) {
	var r Report
	now := chosen(d)
	for _, count := range knit.CountChoices(d, now) {
		for _, way := range waysOf(count.Stitches) {
			tried, err := d.With(way.changes)
			if err != nil {
				return r, err
			}
			styles := turns
			if !tried.Uses(at.HeelTurn) {
				styles = turns[:1] // nothing in this sock turns
			}
			for _, style := range styles {
				tried.Heel.Turn = style.Name
				r.Tried++
				if c, ok := try(&tried); ok {
					c.Title, c.Changes = way.title(style, len(styles) > 1), joined(way.changes, design.Changes{at.HeelTurn: style.Name})
					c.unusualHeel, c.high = way.unusualHeel, knit.HighInstep(&tried.Foot)
					if c.unusual = way.unusual; !count.Nearest {
						c.unusual += unusualCount
					}
					c.Chosen = c.Stitches == now && style.Name == d.Heel.Turn && made(d, way.changes)
					r.Candidates = append(r.Candidates, c)
				}
			}
		}
	}
	return r, nil
}

// made says whether a design has these choices already, whatever its count.
func made(d *design.Design, changes design.Changes) bool {
	for field, value := range changes {
		if field != at.Stitches && value != nil && d.Get(field) != value {
			return false
		}
	}
	return true
}

// turnsOf are the turning styles, that of the design first.
func turnsOf(d *design.Design) []*knit.About {
	var list []*knit.About
	for _, turn := range knit.Turnings() {
		if a := turn.About(); a.Name == d.Heel.Turn {
			list = append([]*knit.About{a}, list...)
		} else {
			list = append(list, a)
		}
	}
	return list
}

// wayOf is a toe and a heel on a count, each in one of its ways.
type wayOf struct {
	stitches        int
	toe, heel       *knit.About
	toeWay, heelWay knit.Way
	changes         design.Changes
	// unusual weighs how far toe and heel leave the usual ones, which stand first among their kind; unusualHeel is the heel's share.
	unusual, unusualHeel int
}

// waysOf lists all toes with all heels.
func waysOf(stitches int) []wayOf {
	var list []wayOf
	for t, toe := range knit.Toes() {
		for tw, toeWay := range toe.Ways() {
			for h, heel := range knit.Heels() {
				for hw, heelWay := range heel.Ways() {
					ofHeel := unusualHeel*h + unusualHeelWay*hw
					changes := joined(knit.Choose(at.ToeKind, toe.About().Name), toeWay.Changes,
						knit.Choose(at.HeelKind, heel.About().Name), heelWay.Changes, design.Changes{at.Stitches: stitches})
					list = append(list, wayOf{stitches, toe.About(), heel.About(), toeWay, heelWay, changes,
						unusualToe*t + unusualToeWay*tw + ofHeel, ofHeel})
				}
			}
		}
	}
	return list
}

func (w *wayOf) title(style *knit.About, turns bool) string {
	text := strings.ToUpper(w.heel.Said[:1]) + w.heel.Said[1:] + w.heelWay.Said
	if turns {
		text += ", " + style.Said
	}
	text += "; " + w.toe.Said
	if w.toeWay.Said != "" {
		text += ", " + w.toeWay.Said
	}
	return text
}

// joined puts changes together; the later ones win.
func joined(all ...design.Changes) design.Changes {
	sum := design.Changes{}
	for _, changes := range all {
		maps.Copy(sum, changes)
	}
	return sum
}

func chosen(d *design.Design) int {
	s := knit.Measure(d)
	return s.Stitches
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
		Toe: d.Toe.Kind, Heel: d.Heel.Kind, Turn: d.Heel.Turn, turns: d.Uses(at.HeelTurn), fabric: string(d.Heel.Fabric),
		Stitches: s.Stitches, HeelStartsAt: s.HeelStarts, FootRounds: s.FootRounds, Grams: grams(s), Counting: s.Counting(),
		EasePct: 100 * float64(1-s.Gauge.Girth(float64(s.Stitches))/d.Foot.BallGirth), HeelStretchPct: heelStretch(s),
	}
	for _, p := range places {
		if p.Name == "heel" {
			c.Word = p.Word
		}
	}
	c.Misfit, c.reason = suits(s, places)
	return c, true
}

// grams reckons the whole sock from its counts, without knitting it.
func grams(s *knit.Sock) float64 {
	leg := float64(s.LegRounds+s.CuffRounds+2) * float64(s.LegStitches)
	toe, foot, heel := s.StitchesBelowLeg()
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
