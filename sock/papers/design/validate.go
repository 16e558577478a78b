package design

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"acornstep/sock/figures/measure"
	"acornstep/sock/people/feet"
	"acornstep/sock/rows/pattern"
)

// measured are the measurements of a foot that a design has, in the order of its fields.
var measured = slices.DeleteFunc(slices.Clone(feet.Kinds), func(k feet.Kind) bool { return !k.Design })

func (v *validation) show(l Length) string {
	if v.unit == "" {
		return fmt.Sprintf("%g mm", float64(l))
	}
	return v.unit.Show(l)
}

func (f *Foot) values() []*Length {
	return []*Length{&f.Length, &f.BallGirth, &f.ToeDepth, &f.HeelDiagonal, &f.AnkleGirth, f.CalfGirth, f.CalfHeight, f.ToeTipAside,
		f.LittleToeAside}
}

// guessedBelow lets a guess lie a little under the range of measured values: the
// girth guessed for a foot of 80 mm is 84 mm.
const guessedBelow = 0.9

func (v *validation) checkFoot(d *Design) {
	values := d.Foot.values()
	for i, r := range measured {
		field := "foot." + r.Name
		if v.bad(field) {
			continue
		}
		if !v.present[field] {
			if i == 0 && !v.repeated {
				v.faults.Add(field, "is required: a standing foot from heel to longest toe, %s to %s", v.show(r.Min), v.show(r.Max))
			}
			continue
		}
		low := r.Min
		if slices.Contains(d.Foot.Estimated, r.Name) {
			low *= guessedBelow
		}
		if value := *values[i]; value < low || value > r.Max {
			v.faults.Add(field, "read %s; %s is %s to %s%s", v.show(value), r.Noun, v.show(r.Min), v.show(r.Max), v.meant(value, r))
		}
	}
	for i, name := range d.Foot.Estimated {
		if !slices.Contains(measurements, name) {
			v.faults.Add(fmt.Sprintf("foot.estimated[%d]", i), "read %s, expected one of %s", quote(name),
				strings.Join(measurements, ", "))
		}
	}
	for i, name := range d.Foot.Cautions {
		if !feet.KnownCaution(name) {
			v.faults.Add(fmt.Sprintf("foot.cautions[%d]", i), "read %s, expected one of %s", quote(name),
				strings.Join(feet.CautionNames(), ", "))
		}
	}
}

// meant asks about the usual slip: inches or centimetres taken for another unit.
func (v *validation) meant(value Length, r feet.Kind) string {
	typed := value
	if v.unit != "" {
		typed = value / v.unit.Size()
	}
	for _, other := range []struct {
		name string
		size Length
	}{{"inches", measure.Inch}, {"cm", measure.Centimetre}, {"mm", 1}} {
		if l := typed * other.size; l >= r.Min && l <= r.Max {
			return fmt.Sprintf(" — did you mean %g %s?", float64(typed), other.name)
		}
	}
	return ""
}

// Densest and loosest gauge that is read, per 100 mm: from rug yarn to sewing thread.
const (
	minStitches, maxStitches = 5, 100
	minRounds, maxRounds     = 5, 150
)

func (v *validation) checkGauge(d *Design) {
	v.number("gauge.stitches_per_100mm", d.Gauge.Stitches, minStitches, maxStitches, true)
	v.number("gauge.rounds_per_100mm", d.Gauge.Rounds, minRounds, maxRounds, true)
}

func (v *validation) number(field string, value, low, high float64, required bool) {
	switch {
	case v.bad(field):
	case required && !v.present[field] && !v.repeated:
		v.faults.Add(field, "is required: %g to %g", low, high)
	case v.present[field] && (value < low || value > high):
		v.faults.Add(field, "read %g, possible is %g to %g", value, low, high)
	}
}

func (v *validation) length(field string, value *Length, low, high Length) {
	if value != nil && v.present[field] && !v.bad(field) && (*value < low || *value > high) {
		v.faults.Add(field, "read %s, possible is %s to %s", v.show(*value), v.show(low), v.show(high))
	}
}

func (v *validation) count(field string, value *int, low, high int) {
	if value != nil && !v.bad(field) && (*value < low || *value > high) {
		v.faults.Add(field, "read %d, possible is %d to %d", *value, low, high)
	}
}

func (v *validation) evenCount(field string, value *int, low, high int) {
	v.count(field, value, low, high)
	if value != nil && !v.bad(field) && *value%2 != 0 {
		v.faults.Add(field, "read %d; the count is even: %d or %d", *value, *value-1, *value+1)
	}
}

// mostStitches keeps a count far above any sock from being worked.
const (
	mostStitches = 400
	mostRounds   = 400
)

// Longest lengths that a design may have.
const (
	MostLengthEase Length = 40
	TallestLeg     Length = 600
	TallestCuff    Length = 200
)

func (v *validation) checkCounts(d *Design) {
	v.number("fit.girth_ease_pct", d.Fit.GirthEasePct, 0, 25, false)
	v.length("fit.length_ease_mm", &d.Fit.LengthEase, 0, MostLengthEase)
	v.evenCount("fit.multiple", &d.Fit.Multiple, 2, 24)
	v.evenCount("stitches", d.Stitches, 16, mostStitches)
	v.evenCount("toe.start_stitches", d.Toe.StartStitches, 8, mostStitches)
	v.count("toe.fast_rounds", d.Toe.FastRounds, 0, mostRounds)
	v.count("toe.turns_per_side", d.Toe.TurnsPerSide, 1, mostRounds)
	v.length("toe.colour_extra_mm", &d.Toe.ColourExtra, 0, mostExtraColour)
	v.length("foot_length.toe_mm", d.FootLength.Toe, 0, 200)
	v.length("foot_length.heel_mm", d.FootLength.Heel, 0, 200)
	if s := d.Heel.Share; !v.bad("heel.share") && s != 0.5 && (s < 0.6 || s > 0.7) {
		v.faults.Add("heel.share", "read %g, possible is 0.5 or 0.6 to 0.7", s)
	}
	v.count("heel.stitches", d.Heel.Stitches, 5, mostStitches)
	v.count("heel.turns_per_side", d.Heel.TurnsPerSide, 1, mostRounds)
	v.count("heel.rounds_between", d.Heel.RoundsBetween, 0, 2)
	if r := d.Heel.FirstRow; r != nil && *r != "RS" && *r != "WS" {
		v.faults.Add("heel.first_row", "read %s, expected RS or WS", quote(*r))
	}
	v.evenCount("heel.flap_rows", d.Heel.FlapRows, 0, mostRounds)
	v.number("heel.flap_row_factor", d.Heel.FlapRowFactor, 0.3, 1.5, false)
	if p := d.Heel.PickedUp; p != nil {
		for i := range p {
			v.count("heel.picked_up", &p[i], 0, mostRounds)
		}
	}
	v.count("heel.gusset_increases", d.Heel.GussetIncreases, 0, mostRounds)
	v.count("corner.pick_up", &d.Corner.PickUp, 0, 10)
	v.count("corner.hold_rounds", &d.Corner.HoldRounds, 0, mostRounds)
	v.length("leg.height_mm", &d.Leg.Height, 0, TallestLeg)
	v.count("leg.plain_rounds", d.Leg.PlainRounds, 0, mostRounds)
	v.evenCount("leg.stitches", d.Leg.Stitches, 16, mostStitches)
	v.length("cuff.height_mm", &d.Cuff.Height, 0, TallestCuff)
	v.count("foot_length.rounds", d.FootLength.Rounds, 0, mostRounds)
	v.count("leg.rounds", d.Leg.Rounds, 0, mostRounds)
	v.count("cuff.rounds", d.Cuff.Rounds, 0, mostRounds)
	v.number("yarn.ball_g", d.Yarn.BallGrams, 1, 5000, false)
	v.number("yarn.ball_m", d.Yarn.BallMetres, 1, 50000, false)
	for i, section := range d.Yarn.Contrast {
		if !slices.Contains(contrastSections, section) {
			v.faults.Add(fmt.Sprintf("yarn.contrast[%d]", i), "read %s, expected one of %s", quote(section),
				strings.Join(contrastSections, ", "))
		}
	}
}

// checkParts judges what a design says of each section, and of each stripe.
func (v *validation) checkParts(d *Design) {
	for _, section := range slices.Sorted(maps.Keys(d.NeedlesBySection)) {
		field, name := "needles_by_section."+section, d.NeedlesBySection[section]
		known := valuesOf("needles")
		switch {
		case !slices.Contains(sections, section):
			v.faults.Add(field, "is no section with needles of its own, expected one of %s", strings.Join(sections, ", "))
		case !slices.Contains(known, name):
			v.faults.Add(field, "read %s, expected one of %s", quote(name), strings.Join(known, ", "))
		case section == "toe" && name == "short_circular":
			v.faults.Add(field, "read %s: a short circular cannot hold a toe, begin on two needles or a long loop", quote(name))
		}
	}
	if n := len(d.Yarn.Stripes); n > mostStripes {
		v.faults.Add("yarn.stripes", "read %d stripes, possible are up to %d", n, mostStripes)
	}
	for field, n := range map[string]int{"yarn.repeat_mm": len(d.Yarn.Repeat), "yarn.repeat_rounds": len(d.Yarn.RepeatRounds)} {
		if n == 1 || n > mostColours {
			v.faults.Add(field, "read %d colours, possible are 2 to %d", n, mostColours)
		}
	}
	for i, rounds := range d.Yarn.RepeatRounds {
		if !(rounds >= fewestCounted && rounds <= mostRounds) {
			v.faults.Add(fmt.Sprintf("yarn.repeat_rounds[%d]", i), "read %g rounds, possible are %g to %d", rounds, fewestCounted,
				mostRounds)
		}
	}
	if n := d.Yarn.RepeatStitches; n != nil && (*n < fewestRound || *n > mostRound) {
		v.faults.Add("yarn.repeat_stitches", "read %d stitches, the rounds were counted on %d to %d", *n, fewestRound, mostRound)
	}
	for i, long := range d.Yarn.Repeat {
		if !(long >= shortestColour && long <= longestRepeat) {
			v.faults.Add(fmt.Sprintf("yarn.repeat_mm[%d]", i), "read %g mm, possible are %d to %d mm of yarn", float64(long),
				shortestColour, longestRepeat)
		}
	}
	for i, s := range d.Yarn.Stripes {
		field := fmt.Sprintf("yarn.stripes[%d]", i)
		if s.Colour == "" || len(s.Colour) > longestColour || s.Colour != strings.TrimSpace(s.Colour) {
			v.faults.Add(field, "read the colour %s; a colour has a name of 1 to %d characters", quote(s.Colour), longestColour)
		}
		if s.Rounds < 1 || s.Rounds > mostRounds {
			v.faults.Add(field, "read %d rounds, possible is 1 to %d", s.Rounds, mostRounds)
		}
	}
}

// ContrastHeel says whether the heel has a yarn of its own by its colour.
func (d *Design) ContrastHeel() bool { return slices.Contains(d.Yarn.Contrast, "heel") }

// HeelHasOwnStrand says whether the foot's yarn waits while the heel is knitted.
func (d *Design) HeelHasOwnStrand() bool { return d.Heel.OwnStrand || d.ContrastHeel() }

// checkContradictions refuses fields that cannot both hold, naming both.
func (v *validation) checkContradictions(d *Design) {
	strand := "heel.own_strand"
	if d.ContrastHeel() {
		strand = "yarn.contrast (heel)"
	}
	if d.HeelHasOwnStrand() && d.Uses("heel.first_row") {
		if b := d.Heel.RoundsBetween; b != nil && *b > 0 {
			v.faults.Add("heel.rounds_between", "read %d with %s: a full round between the halves would carry the heel's yarn over the instep; use 0 or no strand of its own", *b, strand)
		}
		if r := d.Heel.FirstRow; r != nil && *r == "WS" {
			v.faults.Add("heel.first_row", "read WS with %s: a heel with a strand of its own begins with a right-side row", strand)
		}
	}
	if len(d.Yarn.Repeat) > 0 && len(d.Yarn.RepeatRounds) > 0 {
		v.faults.Add("yarn.repeat_rounds", "read with yarn.repeat_mm: the colours of the yarn are told either in rounds or as lengths of yarn")
	}
	if d.FootLength.School == "from_sock" {
		for _, field := range []string{"foot_length.toe_mm", "foot_length.heel_mm"} {
			if !v.present[field] && !v.bad(field) {
				v.faults.Add(field, "is required with foot_length.school from_sock: measure the toe and the heel of a sock that fits")
			}
		}
	}
	for _, c := range Choices() {
		by, values := d.allowed(c.Field)
		value, _ := d.Get(c.Field).(string)
		if v.present[c.Field] && !v.bad(c.Field) && values != nil && !slices.Contains(values, value) {
			v.faults.Add(c.Field, "read %s with %s %s: it begins with %s", quote(value), by.Field, by.Name, strings.Join(values, ", "))
		}
	}
}

// checkPatterns refuses stitch patterns that nobody knows, and those of the design's own that cannot be knitted.
func (v *validation) checkPatterns(d *Design) {
	for i := range d.Patterns {
		for _, f := range d.Patterns[i].Validate() {
			v.faults.Add(fmt.Sprintf("patterns[%d].%s", i, f.Field), "%s", f.Message)
		}
	}
	for _, of := range []struct {
		field, name string
		cuff        bool
	}{{"leg.pattern", d.Leg.Pattern, false}, {"leg.instep_pattern", d.Leg.InstepPattern, false}, {"cuff.pattern", d.Cuff.Pattern, true}} {
		p := pattern.Find(of.name, d.Patterns)
		if v.repeated || v.bad(of.field) || p != nil && !(of.cuff && p.Plain()) {
			continue
		}
		var names []string
		for _, known := range pattern.Book {
			if !of.cuff || !known.Plain() {
				names = append(names, known.Name)
			}
		}
		v.faults.Add(of.field, "read %s, expected one of %s", quote(of.name), strings.Join(names, ", "))
	}
}
