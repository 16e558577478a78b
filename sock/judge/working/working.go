// Package working shows where each number of a sock comes from: the arithmetic
// in one line, and what would change it.
package working

import (
	"fmt"
	"strings"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/judge/fit"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
)

// writer works on a sheet for one sock.
type writer struct {
	*sheet.Sheet
	sock *knit.Sock
}

// Of shows the working of every number of a plan that can be knitted.
func Of(p *plan.Plan, unit measure.Unit) []sheet.Line {
	w := &writer{&sheet.Sheet{Unit: unit}, knit.Measure(&p.Design)}
	w.round()
	w.sock.ExplainToe(w.Sheet)
	w.foot()
	w.sock.ExplainHeel(w.Sheet)
	w.leg()
	w.yarn(p)
	w.fit()
	return w.Lines
}

func (w *writer) round() {
	s, d := w.sock, w.sock.Design
	target := knit.FootTarget(d)
	share := sheet.Trim(fmt.Sprintf("%.3f", 1-d.Fit.GirthEasePct/100))
	if len(share) < 4 {
		share = fmt.Sprintf("%.2f", 1-d.Fit.GirthEasePct/100)
	}
	change := fmt.Sprintf("A step is %d stitches, %.1f %% of the girth; the ease that is asked for moves the target.", d.Fit.Multiple,
		100*float64(d.Fit.Multiple)/float64(s.Stitches))
	if d.Stitches != nil {
		w.Add("foot_stitches", "Stitches round the foot", fmt.Sprint(s.Stitches), change,
			"chosen by you; %s × %s × %s = %.2f would be the target", w.Long(d.Foot.BallGirth), share, w.Per(s.Gauge.Stitches), target)
		return
	}
	w.Add("foot_stitches", "Stitches round the foot", fmt.Sprint(s.Stitches), change,
		"%s × %s × %s = %.2f → %d", w.Long(d.Foot.BallGirth), share, w.Per(s.Gauge.Stitches), target, s.Stitches)
}

func (w *writer) foot() {
	s, d := w.sock, w.sock.Design
	finished := s.HeelStarts + s.Heel.Length
	w.Add("finished_length_mm", "Length of the sock", w.Long(finished),
		fmt.Sprintf("It is meant to be %s: the foot less the length ease, of which 6 to 13 mm suit grown feet.", w.Long(s.FinishedLength)),
		"%s to the heel + %s of heel = %s", w.Long(s.HeelStarts), w.Long(s.Heel.Length), w.Long(finished))
	toe, heel := s.SchoolTakes()
	free := s.FinishedLength - toe - heel
	w.Add("foot_rounds", "Rounds to the heel", fmt.Sprint(s.FootRounds),
		fmt.Sprintf("A round is %s. Another school of taking off toe and heel, or a deeper heel.", w.Long(s.Gauge.Height(1))),
		"(%s − %s − %s − %s) × %s = %.2f → %d", w.Long(d.Foot.Length), w.Long(d.Fit.LengthEase), w.Long(toe), w.Long(heel), w.Per(s.Gauge.Rounds),
		float64(free)*s.Gauge.Rounds, s.FootRounds)
	w.Add("heel_starts_at_mm", "From the tip to the heel", w.Long(s.HeelStarts), "The rounds of the foot.",
		"%s + %d ÷ %s = %s", w.Long(s.Toe.Length), s.FootRounds, w.Per(s.Gauge.Rounds), w.Long(s.HeelStarts))
}

func (w *writer) leg() {
	s, d := w.sock, w.sock.Design
	girth, stitches, rests := d.Foot.AnkleGirth, knit.LegTarget(d), "A difference under four keeps the foot's count; patterns have to repeat."
	if s.LegStitches != s.AnkleStitches {
		// The leg follows the leg: its count is that of the girth where its cuff begins.
		girth, rests = s.GirthAt(s.CuffBegins()), "The girth of the leg where the cuff begins; patterns have to repeat."
		stitches = float64(girth) * (1 - d.Fit.GirthEasePct/100) * s.Gauge.Stitches
	}
	w.Add("leg_stitches", "Stitches of the leg", fmt.Sprint(s.LegStitches), rests,
		"%s × %.2f × %s = %.2f; the leg takes %d", w.Long(girth), 1-d.Fit.GirthEasePct/100, w.Per(s.Gauge.Stitches), stitches, s.LegStitches)
	cuff := min(d.Cuff.Height, d.Leg.Height)
	w.Add("cuff_rounds", "Cuff rounds", fmt.Sprint(s.CuffRounds), "The height of the cuff.", "%s × %s = %.2f → %d", w.Long(cuff),
		w.Per(s.Gauge.Rounds), float64(cuff)*s.Gauge.Rounds, s.CuffRounds)
	gusset := ""
	if n := len(s.Heel.GussetRounds); n > 0 {
		gusset = fmt.Sprintf(" − %d of the gusset", n)
	}
	all := s.Gauge.RoundsIn(d.Leg.Height)
	w.Add("leg_rounds", "Leg rounds", fmt.Sprint(s.LegRounds), "The height of the leg; drag its edge.",
		"%s × %s = %.2f → %d, − %d of the cuff%s = %d", w.Long(d.Leg.Height), w.Per(s.Gauge.Rounds), float64(d.Leg.Height)*s.Gauge.Rounds,
		all, s.CuffRounds, gusset, s.LegRounds)
}

func (w *writer) yarn(p *plan.Plan) {
	y := p.Design.Yarn
	thickness := yarn.Thickness(y)
	perStitch := yarn.PerStitch(w.sock.Gauge, thickness)
	grams, metres := 0.0, 0.0
	for _, n := range yarn.Needs(&p.Design, p.Rows) {
		grams, metres = grams+n.Grams, metres+n.Metres
	}
	w.Add("grams", "Yarn for one sock", fmt.Sprintf("%.0f g", grams),
		"Weighing the ball replaces the reckoning, which is good to ± "+fmt.Sprintf("%.0f", 100*yarn.Uncertainty)+" %.",
		"%.1f mm in a stitch (2 ÷ rounds + 1 ÷ stitches + %g × %.2f mm of yarn), %s in all, × %g g ÷ %s = %.0f g", float64(perStitch),
		yarn.PerThickness, float64(thickness), w.Unit.Yarn(metres), y.BallGrams, w.Unit.Yarn(y.BallMetres), grams)
}

func (w *writer) fit() {
	s := w.sock
	for _, p := range fit.Of(s) {
		change := "More stitches round, or less ease, stretch it less."
		switch p.Name {
		case "ball":
			more := s.Gauge.Girth(float64(s.Stitches + s.Design.Fit.Multiple))
			change = fmt.Sprintf("With %d stitches it would stretch %.0f %%.", s.Stitches+s.Design.Fit.Multiple,
				fit.Stretch(p.Foot, more))
		case "heel":
			change = w.otherHeels()
		case "cuff", "ankle", "calf":
			change = "More leg stitches, or a stretchier pattern."
		}
		w.Add("fit."+p.Name, "Stretch at "+p.Said, fmt.Sprintf("%.0f %%", p.StretchPct), change,
			"%s ÷ %s = %.2f: stretches %.0f %%; %.0f to %.0f %% is sensible", w.Long(p.Foot), w.Long(p.Sock), float64(p.Foot/p.Sock),
			p.StretchPct, p.LowPct, p.HighPct)
	}
}

// otherHeels says what the other kinds of heel would stretch.
func (w *writer) otherHeels() string {
	var said []string
	for _, heel := range knit.Heels() {
		about := heel.About()
		if about.Name == w.sock.Design.Heel.Kind {
			continue
		}
		d, err := w.sock.Design.With(knit.Choose(at.HeelKind, about.Name))
		if s := knit.Measure(&d); err == nil && !s.Stopped() {
			said = append(said, fmt.Sprintf("a %s %.0f %%", about.Said, fit.Stretch(d.Foot.HeelDiagonal, s.HeelGirth())))
		}
	}
	if len(said) == 0 {
		return "No other heel is possible on this count."
	}
	return "With " + strings.Join(said, ", with ") + "."
}
