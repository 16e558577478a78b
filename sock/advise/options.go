package advise

import (
	"fmt"
	"strings"

	"acornstep/sock/design"
	"acornstep/sock/fit"
	"acornstep/sock/knit"
	"acornstep/sock/measure"
	"acornstep/sock/verdict"
)

// Choice is one decision with all its ways.
type Choice struct {
	Field string `json:"field"`
	Label string `json:"label"`
	// Options, the recommended one first, then in the order of the school.
	Options []Option `json:"options"`
}

// Option is one way, and what it does on this foot.
type Option struct {
	// Value is what the design's field becomes; nil leaves it to be worked out.
	Value any    `json:"value"`
	Label string `json:"label"`
	// Changes make a design into it: the value, and what is worked out anew with it.
	Changes design.Changes `json:"changes"`
	// Here is what it does on this sock: stitches, rounds, lengths, stretch, grams.
	Here string `json:"here"`
	// Reason is why somebody takes it.
	Reason      string `json:"reason"`
	Recommended bool   `json:"recommended"`
	Chosen      bool   `json:"chosen"`
	// Stop says why it gives no sock here; empty when it does.
	Stop string `json:"stop"`
}

// way is a value of a field with its names.
type way struct {
	value         any
	label, reason string
}

// field is one decision of the work.
type field struct {
	name, label string
	ways        func(*design.Design) []way
	here        func(w *words) string
	// best overrules the first way on some feet.
	best func(d *design.Design, worked []*knit.Sock) (index int, reason string)
	// asked says whether the decision is one for this kind of sock, besides its meaning something to it; nil: always.
	asked func(d *design.Design) bool
}

// asks says whether the decision is one for this design.
func (f *field) asks(d *design.Design) bool {
	return d.Uses(f.name) && (f.asked == nil || f.asked(d))
}

// words says what a measured sock comes to, in the unit that is read.
type words struct {
	sock *knit.Sock
	unit measure.Unit
}

func (w *words) long(l measure.Length) string { return w.unit.Show(l) }

// Options lists every decision for a design, with what each way does here.
func Options(d design.Design, unit measure.Unit) []Choice {
	list := []Choice{}
	for _, f := range fields {
		if !f.asks(&d) {
			continue
		}
		list = append(list, f.options(d, unit))
	}
	return list
}

func (f *field) options(d design.Design, unit measure.Unit) Choice {
	c := Choice{Field: f.name, Label: f.label}
	now, ways := d.Get(f.name), f.ways(&d)
	worked := make([]*knit.Sock, len(ways))
	for i, way := range ways {
		o := Option{Value: way.value, Label: way.label, Reason: way.reason, Chosen: way.value == now, Changes: knit.Choose(f.name, way.value)}
		tried := d
		if !o.Chosen {
			var err error
			if tried, err = d.With(o.Changes); err != nil {
				o.Stop = err.Error()
			}
		}
		s := knit.Measure(&tried)
		if !s.Stopped() {
			s.Judge()
		}
		worked[i] = s
		if stop := stopOf(s); stop != "" {
			o.Stop = stop
		} else {
			o.Here = f.here(&words{s, unit})
		}
		c.Options = append(c.Options, o)
	}
	best := 0
	if f.best != nil {
		if i, reason := f.best(&d, worked); i > 0 || reason != "" {
			best = i
			c.Options[i].Reason = reason
		}
	}
	if c.Options[best].Stop == "" {
		c.Options[best].Recommended = true
		first := c.Options[best]
		copy(c.Options[1:best+1], c.Options[:best])
		c.Options[0] = first
	}
	return c
}

func stopOf(s *knit.Sock) string {
	for _, c := range s.Checks {
		if c.Level == verdict.Stop {
			return c.Text
		}
	}
	return ""
}

// The figures that decide.

func toeHere(w *words) string {
	t := w.sock.Toe
	return fmt.Sprintf("%d cast on · %d %s · %s", t.CastOn, t.Rounds, w.sock.ToeRows(), w.long(t.Length))
}

func heelStretch(s *knit.Sock) float64 {
	return fit.Stretch(s.Design.Foot.HeelDiagonal, s.HeelDiagonalGirth())
}

func heelHere(w *words) string {
	s := w.sock
	return fmt.Sprintf("%s · %s deep · %.0f\u00a0g", stretches(heelStretch(s)), w.long(s.Heel.Length), grams(s))
}

func stretches(pct float64) string {
	if pct < 0 {
		return fmt.Sprintf("%.0f %% roomy", -pct)
	}
	return fmt.Sprintf("stretches %.0f %%", pct)
}

func turnsHere(w *words) string {
	s := w.sock
	if s.Heel.Turns == 0 {
		return fmt.Sprintf("%d turns a side in the toe", s.Toe.Turns)
	}
	return fmt.Sprintf("%d sts · %d turns a side · %s", s.Heel.Stitches, s.Heel.Turns, stretches(heelStretch(s)))
}

func deepHere(w *words) string {
	s := w.sock
	return fmt.Sprintf("%s deep · heel at %s", w.long(s.Heel.Length), w.long(s.HeelStarts))
}

func footHere(w *words) string {
	s := w.sock
	return fmt.Sprintf("%d rounds to the heel, at %s", s.FootRounds, w.long(s.HeelStarts))
}

func roundHere(w *words) string {
	s := w.sock
	return fmt.Sprintf("%d stitches · %s", s.Stitches, easeOf(s))
}

func easeOf(s *knit.Sock) string {
	ease := 100 * float64(1-s.Gauge.Girth(float64(s.Stitches))/s.Design.Foot.BallGirth)
	if ease < 0 {
		return fmt.Sprintf("%.0f %% too wide", -ease)
	}
	return fmt.Sprintf("%.0f %% smaller than the foot", ease)
}

func cornerHere(w *words) string {
	c := w.sock.Corner
	if c.PickUp == 0 {
		return "no extra stitches"
	}
	return fmt.Sprintf("%d extra at each corner for %d rounds", c.PickUp, w.sock.Design.Corner.HoldRounds)
}

func ankleHere(w *words) string {
	s := w.sock
	if s.AnkleStitches == s.Stitches {
		return fmt.Sprintf("%d all the way up", s.Stitches)
	}
	return fmt.Sprintf("%d → %d · heel on %d", s.Stitches, s.AnkleStitches, s.Heel.Stitches)
}

func legHere(w *words) string {
	s := w.sock
	girth := s.Gauge.Girth(float64(s.AnkleStitches)) * measure.Length(s.LegWidth())
	return fmt.Sprintf("%d sts · %s at the ankle", s.LegStitches, stretches(fit.Stretch(s.Design.Foot.AnkleGirth, girth)))
}

func cuffHere(w *words) string {
	s := w.sock
	return fmt.Sprintf("%d sts · %d rounds", s.LegStitches, s.CuffRounds)
}

func bindOffHere(w *words) string {
	s := w.sock
	girth := s.Gauge.Girth(float64(s.LegStitches))
	over := fit.Stretch(s.Design.Foot.HeelDiagonal, girth)
	if tail := s.CutTail(); tail > 0 {
		return fmt.Sprintf("tail %s · passes the heel at %.0f %%", w.long(tail), over)
	}
	return fmt.Sprintf("passes the heel at %.0f %%", over)
}

func needlesHere(w *words) string {
	half := w.sock.Stitches / 2
	switch w.sock.Design.Needles {
	case "dpn4":
		return fmt.Sprintf("%d on one, the sole's %d on two", half, half)
	case "dpn5":
		return fmt.Sprintf("about %d on each of four", half/2)
	case "short_circular":
		return fmt.Sprintf("markers at %d and %d", half, 2*half)
	default:
		return fmt.Sprintf("%d and %d", half, w.sock.Stitches-half)
	}
}

// bestHeel is the kind with the least misfit, with the reason in a number.
func bestHeel(d *design.Design, worked []*knit.Sock) (int, string) {
	best, least, reason := 0, 0.0, ""
	for i, s := range worked {
		if s.Stopped() {
			continue
		}
		c, ok := try(s.Design)
		if !ok || reason != "" && c.Misfit >= least-1e-9 {
			continue
		}
		best, least = i, c.Misfit
		reason = "fits best: " + strings.Join(c.Reasons, "; ")
	}
	return best, reason
}

// bestToe keeps ridges away from feet that do not feel them.
func bestToe(d *design.Design, _ []*knit.Sock) (int, string) {
	if d.Foot.Careful("numb_feet") || d.Foot.Careful("circulation") {
		return 0, "smooth under the toes: this foot may not feel a ridge"
	}
	return 0, ""
}
