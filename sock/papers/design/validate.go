package design

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"acornstep/sock/figures/at"
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
	return []*Length{&f.Length, &f.BallGirth, &f.ToeDepth, f.InstepGirth, &f.HeelDiagonal, &f.AnkleGirth, f.CalfGirth, f.CalfHeight,
		f.KneeGirth, f.KneeHeight, f.ToeTipAside, f.LittleToeAside}
}

// guessedBelow lets a guess lie a little under the range of measured values: the
// girth guessed for a foot of 80 mm is 84 mm.
const guessedBelow = 0.9

func (v *validation) checkFoot(d *Design) {
	values := d.Foot.values()
	for i, r := range measured {
		field := at.Foot(r.Name)
		if v.bad(field) {
			continue
		}
		if !v.present[field] {
			if i == 0 && !v.repeated {
				v.fault(field, "is required: a standing foot from heel to longest toe, %s to %s", v.show(r.Min), v.show(r.Max))
			}
			continue
		}
		low := r.Min
		if slices.Contains(d.Foot.Estimated, r.Name) {
			low *= guessedBelow
		}
		if value := *values[i]; value < low || value > r.Max {
			v.fault(field, "read %s; %s is %s to %s%s", v.show(value), r.Noun, v.show(r.Min), v.show(r.Max), v.meant(value, r))
		}
	}
	v.checkSecondFoot(d)
	for i, name := range d.Foot.Estimated {
		if !slices.Contains(measurements, name) {
			v.fault(at.FootEstimated.Nth(i), "read %s, expected one of %s", quote(name),
				strings.Join(measurements, ", "))
		}
	}
	for i, name := range d.Foot.Cautions {
		if !feet.KnownCaution(name) {
			v.fault(at.FootCautions.Nth(i), "read %s, expected one of %s", quote(name),
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
	v.number(at.GaugeStitches, d.Gauge.Stitches, minStitches, maxStitches, true)
	v.number(at.GaugeRounds, d.Gauge.Rounds, minRounds, maxRounds, true)
}

func (v *validation) number(field at.Path, value, low, high float64, required bool) {
	switch {
	case v.bad(field):
	case required && !v.present[field] && !v.repeated:
		v.fault(field, "is required: %g to %g", low, high)
	case v.present[field] && (value < low || value > high):
		v.fault(field, "read %g, possible is %g to %g", value, low, high)
	}
}

func (v *validation) length(field at.Path, value *Length, low, high Length) {
	if value != nil && v.present[field] && !v.bad(field) && (*value < low || *value > high) {
		v.fault(field, "read %s, possible is %s to %s", v.show(*value), v.show(low), v.show(high))
	}
}

func (v *validation) count(field at.Path, value *int, low, high int) {
	if value != nil && !v.bad(field) && (*value < low || *value > high) {
		v.fault(field, "read %d, possible is %d to %d", *value, low, high)
	}
}

func (v *validation) evenCount(field at.Path, value *int, low, high int) {
	v.count(field, value, low, high)
	if value != nil && !v.bad(field) && *value%2 != 0 {
		v.fault(field, "read %d; the count is even: %d or %d", *value, *value-1, *value+1)
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
	v.number(at.FitGirthEase, d.Fit.GirthEasePct, 0, 25, false)
	v.length(at.FitLengthEase, &d.Fit.LengthEase, 0, MostLengthEase)
	v.evenCount(at.FitMultiple, &d.Fit.Multiple, 2, 24)
	v.evenCount(at.Stitches, d.Stitches, 16, mostStitches)
	v.evenCount(at.ToeStartStitches, d.Toe.StartStitches, 8, mostStitches)
	v.count(at.ToeFastRounds, d.Toe.FastRounds, 0, mostRounds)
	v.count(at.ToeTurnsPerSide, d.Toe.TurnsPerSide, 1, mostRounds)
	v.length(at.ToeColourExtra, &d.Toe.ColourExtra, 0, mostExtraColour)
	v.length(at.FootLengthToe, d.FootLength.Toe, 0, 200)
	v.length(at.FootLengthHeel, d.FootLength.Heel, 0, 200)
	if s := d.Heel.Share; !v.bad(at.HeelShare) && s != 0.5 && (s < 0.6 || s > 0.7) {
		v.fault(at.HeelShare, "read %g, possible is 0.5 or 0.6 to 0.7", s)
	}
	v.count(at.HeelStitches, d.Heel.Stitches, 5, mostStitches)
	v.count(at.HeelTurnsPerSide, d.Heel.TurnsPerSide, 1, mostRounds)
	v.count(at.HeelRoundsBetween, d.Heel.RoundsBetween, 0, 2)
	if r := d.Heel.FirstRow; r != nil && *r != "RS" && *r != "WS" {
		v.fault(at.HeelFirstRow, "read %s, expected RS or WS", quote(*r))
	}
	v.evenCount(at.HeelFlapRows, d.Heel.FlapRows, 0, mostRounds)
	v.number(at.HeelFlapRowFactor, d.Heel.FlapRowFactor, 0.3, 1.5, false)
	if p := d.Heel.PickedUp; p != nil {
		for i := range p {
			v.count(at.HeelPickedUp, &p[i], 0, mostRounds)
		}
	}
	v.count(at.HeelGussetIncreases, d.Heel.GussetIncreases, 0, mostRounds)
	v.count(at.CornerPickUp, &d.Corner.PickUp, 0, 10)
	v.count(at.CornerHoldRounds, &d.Corner.HoldRounds, 0, mostRounds)
	v.length(at.LegHeight, &d.Leg.Height, 0, TallestLeg)
	v.count(at.LegPlainRounds, d.Leg.PlainRounds, 0, mostRounds)
	v.evenCount(at.LegStitches, d.Leg.Stitches, 16, mostStitches)
	v.length(at.CuffHeight, &d.Cuff.Height, 0, TallestCuff)
	v.count(at.FootLengthRounds, d.FootLength.Rounds, 0, mostRounds)
	v.count(at.LegRounds, d.Leg.Rounds, 0, mostRounds)
	v.count(at.CuffRounds, d.Cuff.Rounds, 0, mostRounds)
	v.number(at.YarnBallGrams, d.Yarn.BallGrams, 1, 5000, false)
	v.number(at.YarnBallMetres, d.Yarn.BallMetres, 1, 50000, false)
	for i, section := range d.Yarn.Contrast {
		if !slices.Contains(contrastSections, section) {
			v.fault(at.YarnContrast.Nth(i), "read %s, expected one of %s", quote(section),
				strings.Join(contrastSections, ", "))
		}
	}
}

// checkParts judges what a design says of each section, and of each stripe.
func (v *validation) checkParts(d *Design) {
	for _, section := range slices.Sorted(maps.Keys(d.NeedlesBySection)) {
		field, name := at.NeedlesBySection.Of(section), d.NeedlesBySection[section]
		known := valuesOf(at.Needles)
		switch {
		case !slices.Contains(sections, section):
			v.fault(field, "is no section with needles of its own, expected one of %s", strings.Join(sections, ", "))
		case !slices.Contains(known, name):
			v.fault(field, "read %s, expected one of %s", quote(name), strings.Join(known, ", "))
		case section == "toe" && name == "short_circular":
			v.fault(field, "read %s: a short circular cannot hold a toe, begin on two needles or a long loop", quote(name))
		}
	}
	if n := len(d.Yarn.Stripes); n > mostStripes {
		v.fault(at.YarnStripes, "read %d stripes, possible are up to %d", n, mostStripes)
	}
	for field, n := range map[at.Path]int{at.YarnRepeat: len(d.Yarn.Repeat), at.YarnRepeatRounds: len(d.Yarn.RepeatRounds)} {
		if n == 1 || n > mostColours {
			v.fault(field, "read %d colours, possible are 2 to %d", n, mostColours)
		}
	}
	for i, rounds := range d.Yarn.RepeatRounds {
		if !(rounds >= fewestCounted && rounds <= mostRounds) {
			v.fault(at.YarnRepeatRounds.Nth(i), "read %g rounds, possible are %g to %d", rounds, fewestCounted,
				mostRounds)
		}
	}
	if n := d.Yarn.RepeatStitches; n != nil && (*n < fewestRound || *n > mostRound) {
		v.fault(at.YarnRepeatStitches, "read %d stitches, the rounds were counted on %d to %d", *n, fewestRound, mostRound)
	}
	for i, long := range d.Yarn.Repeat {
		if !(long >= shortestColour && long <= longestRepeat) {
			v.fault(at.YarnRepeat.Nth(i), "read %g mm, possible are %d to %d mm of yarn", float64(long),
				shortestColour, longestRepeat)
		}
	}
	for i, s := range d.Yarn.Stripes {
		field := at.YarnStripes.Nth(i)
		if s.Colour == "" || len(s.Colour) > longestColour || s.Colour != strings.TrimSpace(s.Colour) {
			v.fault(field, "read the colour %s; a colour has a name of 1 to %d characters", quote(s.Colour), longestColour)
		}
		if s.Rounds < 1 || s.Rounds > mostRounds {
			v.fault(field, "read %d rounds, possible is 1 to %d", s.Rounds, mostRounds)
		}
	}
}

// ContrastHeel says whether the heel has a yarn of its own by its colour.
func (d *Design) ContrastHeel() bool { return slices.Contains(d.Yarn.Contrast, "heel") }

// HeelHasOwnStrand says whether the foot's yarn waits while the heel is knitted.
func (d *Design) HeelHasOwnStrand() bool { return d.Heel.OwnStrand || d.ContrastHeel() }

// checkContradictions refuses fields that cannot both hold, naming both.
func (v *validation) checkContradictions(d *Design) {
	strand := string(at.HeelOwnStrand)
	if d.ContrastHeel() {
		strand = "yarn.contrast (heel)"
	}
	if d.HeelHasOwnStrand() && d.Uses(at.HeelFirstRow) {
		if b := d.Heel.RoundsBetween; b != nil && *b > 0 {
			v.fault(at.HeelRoundsBetween, "read %d with %s: a full round between the halves would carry the heel's yarn over the instep; use 0 or no strand of its own", *b, strand)
		}
		if r := d.Heel.FirstRow; r != nil && *r == "WS" {
			v.fault(at.HeelFirstRow, "read WS with %s: a heel with a strand of its own begins with a right-side row", strand)
		}
	}
	if len(d.Yarn.Repeat) > 0 && len(d.Yarn.RepeatRounds) > 0 {
		v.fault(at.YarnRepeatRounds, "read with yarn.repeat_mm: the colours of the yarn are told either in rounds or as lengths of yarn")
	}
	if d.FootLength.School == "from_sock" {
		for _, field := range []at.Path{at.FootLengthToe, at.FootLengthHeel} {
			if !v.present[field] && !v.bad(field) {
				v.fault(field, "is required with foot_length.school from_sock: measure the toe and the heel of a sock that fits")
			}
		}
	}
	for _, c := range Choices() {
		by, values := d.allowed(c.Field)
		value, _ := d.Get(c.Field).(string)
		if v.present[c.Field] && !v.bad(c.Field) && values != nil && !slices.Contains(values, value) {
			v.fault(c.Field, "read %s with %s %s: it begins with %s", quote(value), by.Field, by.Name, strings.Join(values, ", "))
		}
	}
}

// checkPatterns refuses stitch patterns that nobody knows, and those of the design's own that cannot be knitted.
func (v *validation) checkPatterns(d *Design) {
	for i := range d.Patterns {
		for _, f := range d.Patterns[i].Validate() {
			v.fault(at.Patterns.Nth(i).Of(f.Field), "%s", f.Message)
		}
	}
	for _, of := range []struct {
		field at.Path
		name  string
		cuff  bool
	}{{at.LegPattern, d.Leg.Pattern, false}, {at.LegInstepPattern, d.Leg.InstepPattern, false}, {at.CuffPattern, d.Cuff.Pattern, true}} {
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
		v.fault(of.field, "read %s, expected one of %s", quote(of.name), strings.Join(names, ", "))
	}
}
