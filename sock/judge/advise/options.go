package advise

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/fit"
	"acornstep/sock/papers/design"
)

// Choice is one decision with all its ways.
type Choice struct {
	Field at.Path `json:"field"`
	Label string  `json:"label"`
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
	// Here is what it does on this sock, as far as the ways differ in it: stitches, rounds, lengths, stretch, grams.
	Here string `json:"here"`
	// Reason is why somebody takes it.
	Reason      string `json:"reason"`
	Recommended bool   `json:"recommended"`
	Chosen      bool   `json:"chosen"`
	// Stop says why it gives no sock here; empty when it does.
	Stop string `json:"stop"`
	// Locked names the knitted row that it would change, on a sock that is on the needles.
	Locked string `json:"locked,omitempty"`
}

// way is a value of a field with its names.
type way struct {
	value         any
	label, reason string
}

// field is one decision of the work.
type field struct {
	name  at.Path
	label string
	// part is the decision of the path to which it belongs, phrase stands before its way in that sentence.
	part, phrase string
	ways         func(*design.Design) []way
	// here are figures of a sock made this way; what all ways have alike is not shown.
	here func(w *words) []string
	// comes is what it comes to where it is left to be worked out; nil where its way says so.
	comes func(*knit.Sock) string
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
	// grams that the rows take; 0 while nobody knitted them.
	grams float64
}

func (w *words) long(l measure.Length) string { return w.unit.Show(l) }

// Options lists every decision for a design, with what each way does here. What
// is recommended is what [Best] says, and the school's own where it does not choose.
func Options(d design.Design, unit measure.Unit) ([]Choice, error) {
	best, err := Best(d)
	if err != nil {
		return nil, err
	}
	list := []Choice{}
	for _, f := range fields {
		if !f.asks(&d) {
			continue
		}
		list = append(list, f.options(d, unit, best))
	}
	return list, nil
}

func (f *field) options(d design.Design, unit measure.Unit, best *Candidate) Choice {
	c := Choice{Field: f.name, Label: f.label}
	now, ways := d.Get(f.name), f.ways(&d)
	here := make([][]string, len(ways))
	for i, way := range ways {
		o := Option{Value: way.value, Label: way.label, Reason: way.reason, Chosen: way.value == now,
			Changes: knit.Choose(f.name, way.value)}
		tried := d
		if !o.Chosen {
			var err error
			if tried, err = d.With(o.Changes); err != nil {
				o.Stop = said(err)
			}
		}
		s := knit.Measure(&tried)
		if !s.Stopped() {
			s.Judge()
		}
		if stop := stopOf(s, unit); stop != "" {
			o.Stop = stop
		} else {
			here[i] = f.here(&words{sock: s, unit: unit})
		}
		c.Options = append(c.Options, o)
	}
	for i, said := range differing(here) {
		c.Options[i].Here = strings.Join(said, " · ")
	}
	f.recommend(&c, best)
	return c
}

// recommend marks what the ranking chooses, or else the school's own way, and puts it first.
func (f *field) recommend(c *Choice, best *Candidate) {
	place := 0
	if best != nil {
		if value := best.Changes[f.name]; value != nil {
			place = max(0, slices.IndexFunc(c.Options, func(o Option) bool { return o.Value == value }))
		}
		if f.name == at.HeelKind {
			c.Options[place].Reason = best.Why
		}
	}
	if c.Options[place].Stop == "" {
		c.Options[place].Recommended = true
		first := c.Options[place]
		copy(c.Options[1:place+1], c.Options[:place])
		c.Options[0] = first
	}
}

// differing leaves out the figures that every way has alike.
func differing(here [][]string) [][]string {
	first := slices.IndexFunc(here, func(said []string) bool { return said != nil })
	if first < 0 || slices.ContainsFunc(here, func(said []string) bool { return said != nil && len(said) != len(here[first]) }) {
		return here
	}
	alike := func(at int) bool {
		return !slices.ContainsFunc(here, func(said []string) bool { return said != nil && said[at] != here[first][at] })
	}
	kept := make([][]string, len(here))
	for at := range here[first] {
		if alike(at) {
			continue
		}
		for i, said := range here {
			if said != nil {
				kept[i] = append(kept[i], said[at])
			}
		}
	}
	return kept
}

// said is an error as a person reads it.
func said(err error) string {
	if faults, are := err.(document.Faults); are {
		return design.Labelled(faults).Said()
	}
	return err.Error()
}

func stopOf(s *knit.Sock, unit measure.Unit) string {
	if stop := s.Checks.Stopped(); stop != nil {
		return stop.In(unit).Text
	}
	return ""
}

// The figures that decide.

func toeHere(w *words) []string {
	t := w.sock.Toe
	return []string{fmt.Sprintf("%d cast on", t.CastOn), fmt.Sprintf("%d %s", t.Rounds, w.sock.ToeRows()), w.long(t.Length)}
}

func heelStretch(s *knit.Sock) float64 {
	return fit.Stretch(s.Design.Foot.HeelDiagonal, s.HeelGirth())
}

func heelHere(w *words) []string {
	s := w.sock
	return []string{overInstep(s), w.long(s.Heel.Length) + " deep", fmt.Sprintf("%.0f\u00a0g", grams(s))}
}

// overInstep says how the heel sits, with the figure that decides it.
func overInstep(s *knit.Sock) string {
	return stretches(heelStretch(s)) + ", " + fit.Heel(s).Word
}

func stretches(pct float64) string {
	if pct < 0 {
		return fmt.Sprintf("%.0f %% roomy", -pct)
	}
	return fmt.Sprintf("stretches %.0f %%", pct)
}

func turnsHere(w *words) []string {
	s := w.sock
	if s.Heel.Turns == 0 {
		return []string{fmt.Sprintf("%d turns a side in the toe", s.Toe.Turns)}
	}
	return []string{fmt.Sprintf("%d sts", s.Heel.Stitches), fmt.Sprintf("%d turns a side", s.Heel.Turns), overInstep(s)}
}

func deepHere(w *words) []string {
	s := w.sock
	return []string{w.long(s.Heel.Length) + " deep", "heel at " + w.long(s.HeelStarts)}
}

func footHere(w *words) []string {
	s := w.sock
	return []string{measure.Count(s.FootRounds, "round") + " to the heel", "at " + w.long(s.HeelStarts)}
}

func roundHere(w *words) []string {
	s := w.sock
	return []string{fmt.Sprintf("%d stitches", s.Stitches), easeOf(s)}
}

func easeOf(s *knit.Sock) string {
	ease := 100 * float64(1-s.Gauge.Girth(float64(s.Stitches))/s.Design.Foot.BallGirth)
	if ease < 0 {
		return fmt.Sprintf("%.0f %% too wide", -ease)
	}
	return fmt.Sprintf("%.0f %% smaller than the foot", ease)
}

func cornerHere(w *words) []string {
	c := w.sock.Corner
	if c.PickUp == 0 {
		return []string{"no extra stitches"}
	}
	return []string{fmt.Sprintf("%d extra at each corner for %s", c.PickUp, measure.Count(w.sock.Design.Corner.HoldRounds, "round"))}
}

func ankleHere(w *words) []string {
	s := w.sock
	leg := ""
	switch {
	case s.CalfStitches > max(s.AnkleStitches, s.LegStitches):
		leg = fmt.Sprintf(" · %d at the calf, %d under the cuff", s.CalfStitches, s.LegStitches)
	case s.LegStitches != s.AnkleStitches:
		leg = fmt.Sprintf(" · %d under the cuff", s.LegStitches)
	}
	switch {
	case s.AnkleStitches != s.Stitches:
		return []string{fmt.Sprintf("%d → %d%s · heel on %d", s.Stitches, s.AnkleStitches, leg, s.Heel.Stitches)}
	case leg != "":
		return []string{fmt.Sprintf("%d round the ankle%s", s.AnkleStitches, leg)}
	}
	return []string{fmt.Sprintf("%d all the way up", s.Stitches)}
}

func legHere(w *words) []string {
	s := w.sock
	girth := s.Gauge.Girth(float64(s.AnkleStitches)) * measure.Length(s.LegWidth())
	return []string{fmt.Sprintf("%d sts", s.LegStitches),
		stretches(fit.Stretch(s.Design.Foot.AnkleGirth, girth)) + " at the ankle, " + fit.Ankle(s).Word}
}

func cuffHere(w *words) []string {
	s := w.sock
	return []string{fmt.Sprintf("%d sts", s.LegStitches), measure.Count(s.CuffRounds, "round")}
}

func bindOffHere(w *words) []string {
	s := w.sock
	over := fmt.Sprintf("passes the heel at %.0f %%", fit.Stretch(s.Design.Foot.HeelDiagonal, s.Gauge.Girth(float64(s.LegStitches))))
	if tail := s.CutTail(); tail > 0 {
		return []string{"tail " + w.long(tail), over}
	}
	return []string{"no tail to cut first", over}
}

func needlesHere(w *words) []string {
	half := w.sock.Stitches / 2
	switch w.sock.Design.Needles {
	case "dpn4":
		return []string{fmt.Sprintf("%d on one, the sole's %d on two", half, half)}
	case "dpn5":
		return []string{fmt.Sprintf("about %d on each of four", half/2)}
	case "short_circular":
		return []string{fmt.Sprintf("markers at %d and %d", half, 2*half)}
	default:
		return []string{fmt.Sprintf("%d and %d", half, w.sock.Stitches-half)}
	}
}
