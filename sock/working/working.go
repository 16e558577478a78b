// Package working shows where each number of a sock comes from: the arithmetic
// in one line, and what would change it.
package working

import (
	"fmt"
	"strings"

	"acornstep/sock/fit"
	"acornstep/sock/knit"
	"acornstep/sock/measure"
	"acornstep/sock/plan"
	"acornstep/sock/yarn"
)

// Line is one number and its arithmetic.
type Line struct {
	// Name is that of the plan's summary, or fit. and the name of a place.
	Name  string `json:"name"`
	Label string `json:"label"`
	// Result is the number as it is shown, Working how it comes about.
	Result  string `json:"result"`
	Working string `json:"working"`
	// Change is what would change it.
	Change string `json:"change"`
}

// writer collects lines in the unit that the person reads.
type writer struct {
	unit  measure.Unit
	sock  *knit.Sock
	lines []Line
}

// Of shows the working of every number of a plan that can be knitted.
func Of(p *plan.Plan, unit measure.Unit) []Line {
	w := &writer{unit: unit, sock: knit.Measure(&p.Design)}
	w.round()
	w.toe()
	w.foot()
	w.heel()
	w.leg()
	w.yarn(p)
	w.fit()
	return w.lines
}

func (w *writer) add(name, label, result, change, working string, args ...any) {
	w.lines = append(w.lines, Line{name, label, result, fmt.Sprintf(working, args...), change})
}

// long is a length with the digits that a sum needs: 23.6 cm, 9.29 in.
func (w *writer) long(l measure.Length) string {
	if w.unit == measure.Inches {
		return trim(fmt.Sprintf("%.2f", float64(l/measure.Inch))) + " in"
	}
	return trim(fmt.Sprintf("%.2f", float64(l/measure.Centimetre))) + " cm"
}

// per is a gauge by cm or by inch.
func (w *writer) per(perMM float64) string {
	return trim(fmt.Sprintf("%.2f", perMM*float64(w.unit.Size())))
}

func trim(number string) string {
	if !strings.Contains(number, ".") {
		return number
	}
	return strings.TrimRight(strings.TrimRight(number, "0"), ".")
}

func (w *writer) round() {
	s, d := w.sock, w.sock.Design
	target := knit.FootTarget(d)
	share := trim(fmt.Sprintf("%.3f", 1-d.Fit.GirthEasePct/100))
	if len(share) < 4 {
		share = fmt.Sprintf("%.2f", 1-d.Fit.GirthEasePct/100)
	}
	change := fmt.Sprintf("A step is %d stitches, %.1f %% of the girth; the ease that is asked for moves the target.", d.Fit.Multiple, 100*float64(d.Fit.Multiple)/float64(s.Stitches))
	if d.Stitches != nil {
		w.add("foot_stitches", "Stitches round the foot", fmt.Sprint(s.Stitches), change,
			"chosen by you; %s × %s × %s = %.2f would be the target", w.long(d.Foot.BallGirth), share, w.per(s.Gauge.Stitches), target)
		return
	}
	w.add("foot_stitches", "Stitches round the foot", fmt.Sprint(s.Stitches), change,
		"%s × %s × %s = %.2f → %d", w.long(d.Foot.BallGirth), share, w.per(s.Gauge.Stitches), target, s.Stitches)
}

func (w *writer) toe() {
	s, t := w.sock, w.sock.Toe
	switch s.Design.Toe.Kind {
	case "wedge":
		w.add("cast_on_stitches", "Stitches to cast on", fmt.Sprint(t.CastOn), "A rounded toe starts with about a third, a fitted one with what the toes ask for.",
			"%d − 4 × %d = %d: each increase round adds four", s.Stitches, t.IncreaseRounds, t.CastOn)
		w.add("increase_rounds", "Increase rounds", fmt.Sprint(t.IncreaseRounds), "Cast on four more for one increase round fewer.",
			"(%d − %d) ÷ 4 = %d", s.Stitches, t.CastOn, t.IncreaseRounds)
		extra := ""
		if t.FastRounds == t.IncreaseRounds {
			extra = " + 1"
		}
		w.add("toe_rounds", "Rounds of the toe", fmt.Sprint(t.Rounds), "Increase rounds that follow each other at once make the toe shorter and blunter.",
			"1 + %d + 2 × (%d − %d)%s = %d", t.FastRounds, t.IncreaseRounds, t.FastRounds, extra, t.Rounds)
		w.add("toe_length", "Length of the toe", w.long(t.Length), "The round gauge, and the rounds of the toe.",
			"%d ÷ %s = %s", t.Rounds, w.per(s.Gauge.Rounds), w.long(t.Length))
	case "short_row":
		w.add("cast_on_stitches", "Stitches to cast on", fmt.Sprint(t.CastOn), "It is always half the stitches.", "%d ÷ 2 = %d", s.Stitches, t.CastOn)
		w.add("toe_rounds", "Rows of the toe", fmt.Sprint(t.Rounds), "More turns make the toe deeper and more pointed.", "%d turns on each side, out and back, and the purl row", t.Turns)
		w.add("toe_length", "Length of the toe", w.long(t.Length), "The turns on each side.", "2 × %d ÷ %s = %s", t.Turns, w.per(s.Gauge.Rounds), w.long(t.Length))
	default:
		q := t.CastOn / 2
		w.add("cast_on_stitches", "Stitches to cast on", fmt.Sprint(t.CastOn), "The stitches round the foot.", "2 × ⌊%d ÷ 4⌋ = %d", s.Stitches, t.CastOn)
		w.add("toe_rounds", "Rows of the square", fmt.Sprint(t.Rounds), "A ridge takes two rows and is as tall as a stitch is wide.", "%d ridges on each face", q)
		w.add("toe_length", "Length of the toe", w.long(t.Length), "An estimate: nothing at the sides, more in the middle.", "%d ÷ (2 × %s) = %s", q, w.per(s.Gauge.Stitches), w.long(t.Length))
	}
}

func (w *writer) foot() {
	s, d := w.sock, w.sock.Design
	w.add("finished_length_mm", "Length of the sock", w.long(s.FinishedLength), "The length ease; 6 to 13 mm suit grown feet.",
		"%s − %s = %s", w.long(d.Foot.Length), w.long(d.Fit.LengthEase), w.long(s.FinishedLength))
	toe, heel := s.SchoolTakes()
	free := s.FinishedLength - toe - heel
	w.add("foot_rounds", "Rounds to the heel", fmt.Sprint(s.FootRounds), fmt.Sprintf("A round is %s. Another school of taking off toe and heel, or a deeper heel.", w.long(s.Gauge.Height(1))),
		"(%s − %s − %s) × %s = %.2f → %d", w.long(s.FinishedLength), w.long(toe), w.long(heel), w.per(s.Gauge.Rounds), float64(free)*s.Gauge.Rounds, s.FootRounds)
	w.add("heel_starts_at_mm", "From the tip to the heel", w.long(s.HeelStarts), "The rounds of the foot.",
		"%s + %d ÷ %s = %s", w.long(s.Toe.Length), s.FootRounds, w.per(s.Gauge.Rounds), w.long(s.HeelStarts))
}

func (w *writer) heel() {
	s, h := w.sock, w.sock.Heel
	share := s.Design.Heel.Share
	switch {
	case s.Design.Heel.Stitches != nil:
		w.add("heel_stitches", "Heel stitches", fmt.Sprint(h.Stitches), "It was chosen by you.", "chosen by you, of %d", h.Ring)
	case s.Design.Heel.Kind == "short_row" && share != 0.5:
		w.add("heel_stitches", "Heel stitches", fmt.Sprint(h.Stitches), "The share of the sock that the heel takes.", "%.2f × %d = %.1f → %d, so that both sides take as many", share, h.Ring, share*float64(h.Ring), h.Stitches)
	default:
		w.add("heel_stitches", "Heel stitches", fmt.Sprint(h.Stitches), "The count round the foot.", "%d ÷ 2 = %d", h.Ring, h.Stitches)
	}
	if s.Design.Heel.Kind == "flap_under" {
		w.add("flap_rows", "Flap rows", fmt.Sprint(h.FlapRows), "Two to four more for a high instep, fewer for a flat foot.",
			"at least %d, and 0.24 × %s × %s ÷ %g = %.1f: %d", h.Stitches, w.long(s.Design.Foot.Length), w.per(s.Gauge.Rounds), s.Design.Heel.FlapRowFactor,
			0.24*float64(s.Design.Foot.Length)*s.Gauge.Rounds/s.Design.Heel.FlapRowFactor, h.FlapRows)
		w.add("turn_stitches", "Stitches left after the turn", fmt.Sprint(h.TurnStitches), "The heel's stitches.", "%d, less 2 and one for each decrease = %d", h.Stitches, h.TurnStitches)
		w.add("gusset_decrease_rounds", "Gusset decrease rounds", fmt.Sprint(h.GussetDecreaseRounds), "What was really picked up: type the two counts.",
			"%d + %d picked up%s, two go at a time", h.PickedUp[0], h.PickedUp[1], corners(h.CornerStitches))
	} else {
		w.add("heel_turns_per_side", "Turns on each side", fmt.Sprint(h.Turns), "More turns: deeper and more pointed; fewer: rounder and shallower.",
			"%d − 2 × %d = %d in the centre", h.Stitches, h.Turns, h.Centre)
		w.add("heel_length", "Length of the heel", w.long(h.Length), "The turns on each side, and the fabric.",
			"2 × %d ÷ %s%s = %s", h.Turns, w.per(h.RowGauge), between(h.RoundsBetween, w.per(s.Gauge.Rounds)), w.long(h.Length))
	}
	if s.Design.Heel.Kind == "gusset_turn" {
		w.add("gusset_increases", "Gusset increases on each side", fmt.Sprint(h.GussetIncreases), "A higher instep asks for more.",
			"(%s × %.2f × %s − %d) ÷ 2, within a sixth and a quarter of %d: %d", w.long(s.Design.Foot.HeelDiagonal), 1-s.Design.Fit.GirthEasePct/100, w.per(s.Gauge.Stitches), s.Stitches, s.Stitches, h.GussetIncreases)
	}
}

func corners(n int) string {
	if n == 0 {
		return ""
	}
	return fmt.Sprintf(", and %d in each corner", n)
}

func between(rounds int, per string) string {
	if rounds == 0 {
		return ""
	}
	return fmt.Sprintf(" + %d ÷ (2 × %s)", rounds, per)
}

func (w *writer) leg() {
	s, d := w.sock, w.sock.Design
	w.add("leg_stitches", "Stitches of the leg", fmt.Sprint(s.LegStitches), "A difference under four keeps the foot's count; patterns have to repeat.",
		"%s × %.2f × %s = %.2f; the leg takes %d", w.long(d.Foot.AnkleGirth), 1-d.Fit.GirthEasePct/100, w.per(s.Gauge.Stitches), knit.LegTarget(d), s.LegStitches)
	cuff := min(d.Cuff.Height, d.Leg.Height)
	w.add("cuff_rounds", "Cuff rounds", fmt.Sprint(s.CuffRounds), "The height of the cuff.", "%s × %s = %.2f → %d", w.long(cuff), w.per(s.Gauge.Rounds), float64(cuff)*s.Gauge.Rounds, s.CuffRounds)
	gusset := ""
	if n := len(s.Heel.GussetRounds); n > 0 {
		gusset = fmt.Sprintf(" − %d of the gusset", n)
	}
	all := s.Gauge.RoundsIn(d.Leg.Height)
	w.add("leg_rounds", "Leg rounds", fmt.Sprint(s.LegRounds), "The height of the leg; drag its edge.",
		"%s × %s = %.2f → %d, − %d of the cuff%s = %d", w.long(d.Leg.Height), w.per(s.Gauge.Rounds), float64(d.Leg.Height)*s.Gauge.Rounds, all, s.CuffRounds, gusset, s.LegRounds)
}

func (w *writer) yarn(p *plan.Plan) {
	y := p.Design.Yarn
	thickness := yarn.Thickness(y)
	perStitch := yarn.PerStitch(w.sock.Gauge, thickness)
	grams, metres := 0.0, 0.0
	for _, n := range yarn.Needs(&p.Design, p.Rows) {
		grams, metres = grams+n.Grams, metres+n.Metres
	}
	w.add("grams", "Yarn for one sock", fmt.Sprintf("%.0f g", grams), "Weighing the ball replaces the reckoning, which is good to ± 15 %.",
		"%.1f mm in a stitch (2 ÷ rounds + 1 ÷ stitches + 5.94 × %.2f mm of yarn), %.0f m in all, × %g g ÷ %g m = %.0f g", float64(perStitch), float64(thickness), metres, y.BallGrams, y.BallMetres, grams)
}

// placeNames are the places of the fit as they are said.
var placeNames = map[string]string{
	"toes": "the toes", "ball": "the ball", "arch": "the arch", "heel": "the instep", "ankle": "the ankle", "cuff": "the heel, at the cuff", "calf": "the calf",
}

func (w *writer) fit() {
	s := w.sock
	for _, p := range fit.Of(s) {
		change := "More stitches round, or less ease, stretch it less."
		switch p.Name {
		case "ball":
			more := s.Gauge.Girth(float64(s.Stitches + s.Design.Fit.Multiple))
			change = fmt.Sprintf("With %d stitches it would stretch %.0f %%.", s.Stitches+s.Design.Fit.Multiple, fit.Stretch(p.Foot, more))
		case "heel":
			change = w.otherHeels()
		case "cuff", "ankle", "calf":
			change = "More leg stitches, or a stretchier pattern."
		}
		w.add("fit."+p.Name, "Stretch at "+placeNames[p.Name], fmt.Sprintf("%.0f %%", p.StretchPct), change,
			"%s ÷ %s = %.2f: stretches %.0f %%; %.0f to %.0f %% is sensible", w.long(p.Foot), w.long(p.Sock), float64(p.Foot/p.Sock), p.StretchPct, p.LowPct, p.HighPct)
	}
}

// otherHeels says what the other kinds of heel would stretch.
func (w *writer) otherHeels() string {
	names := map[string]string{"short_row": "short rows", "flap_under": "a flap below", "gusset_turn": "a gusset first"}
	var said []string
	for _, kind := range []string{"short_row", "flap_under", "gusset_turn"} {
		d := *w.sock.Design
		if kind == d.Heel.Kind {
			continue
		}
		d.Heel.Kind, d.Heel.Stitches, d.Heel.TurnsPerSide, d.Heel.FlapRows, d.Heel.PickedUp, d.Heel.GussetIncreases = kind, nil, nil, nil, nil, nil
		if s := knit.Measure(&d); !s.Stopped() {
			said = append(said, fmt.Sprintf("%s %.0f %%", names[kind], fit.Stretch(d.Foot.HeelDiagonal, s.HeelDiagonalGirth())))
		}
	}
	if len(said) == 0 {
		return "No other heel is possible on this count."
	}
	return "With " + strings.Join(said, ", with ") + "."
}
