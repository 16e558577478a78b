package design

import (
	"strings"

	"acornstep/sock/figures/document"
	"acornstep/sock/people/feet"
)

// labels are what people call the fields of a design.
var labels = map[string]string{
	"name": "name", "format": "format", "version": "version", "foot": "the foot", "foot.heel_width": "width of the heel",
	"foot.estimated": "what is estimated", "foot.cautions": "cautions",
	"gauge": "the gauge", "gauge.stitches_per_100mm": "stitches of the gauge", "gauge.rounds_per_100mm": "rounds of the gauge",
	"fit": "the fit", "fit.girth_ease_pct": "ease", "fit.length_ease_mm": "length ease", "fit.multiple": "stitches counted in",
	"stitches": "stitches round the foot",
	"toe":      "the toe", "toe.kind": "kind of toe", "toe.cast_on": "cast-on", "toe.start_loop": "first loop",
	"toe.start": "start of the toe", "toe.increase": "increases",
	"toe.start_stitches": "stitches to cast on", "toe.fast_rounds": "increases on every round",
	"toe.turns_per_side": "turns on each side of the toe",
	"toe.odd":            "two stitches more than fours", "toe.colour_extra_mm": "the toe's colour goes on",
	"foot_length": "the foot's length", "foot_length.school": "way to reckon the foot", "foot_length.toe_mm": "what is taken off for the toe",
	"foot_length.heel_mm": "what is taken off for the heel",
	"foot_length.sole":    "sole", "foot_length.rounds": "rounds to the heel",
	"heel": "the heel", "heel.kind": "kind of heel", "heel.turn": "turning style", "heel.share": "share of the heel",
	"heel.stitches": "stitches of the heel", "heel.turns_per_side": "turns on each side of the heel",
	"heel.fabric": "heel fabric", "heel.rounds_between": "rounds between the halves", "heel.first_row": "first row of the heel",
	"heel.own_strand": "a strand of its own",
	"heel.flap_rows":  "rows of the flap", "heel.flap_row_factor": "height of a flap row", "heel.picked_up": "picked up",
	"heel.gusset_increases": "increases of the gusset", "heel.slip_columns": "slip stitches",
	"corner": "the corners", "corner.method": "corners", "corner.pick_up": "extra stitches at each corner",
	"corner.hold_rounds": "rounds of the corner stitches",
	"ankle":              "the ankle", "ankle.change": "change of the count", "ankle.place": "place of the change",
	"leg": "the leg", "leg.height_mm": "height of the leg", "leg.plain_rounds": "plain rounds of the leg",
	"leg.pattern": "pattern of the leg", "leg.instep_pattern": "pattern on the instep",
	"leg.stitches": "stitches of the leg", "leg.panels": "panels of the rib", "leg.rounds": "rounds of the leg",
	"cuff": "the cuff", "cuff.pattern": "pattern of the cuff", "cuff.height_mm": "height of the cuff",
	"cuff.rounds": "rounds of the cuff",
	"bind_off":    "bind-off", "needles": "needles", "needles_by_section": "needles of a section", "round_start": "start of the round",
	"yarn": "the yarn", "yarn.ball_g": "grams of the ball", "yarn.ball_m": "metres of the ball", "yarn.contrast": "sections in contrast",
	"yarn.stripes": "stripes", "yarn.repeat_mm": "colours of the yarn", "yarn.repeat_rounds": "rounds counted of each colour",
	"yarn.repeat_stitches": "stitches on which they were counted",
	"mirror":               "mirrored", "patterns": "patterns of its own",
}

func init() {
	for _, k := range measured {
		labels["foot."+k.Name] = strings.ToLower(k.Label)
	}
}

// Label is what people call a field of a design, by its path. Of anything else it is its name without underscores.
func Label(field string) string {
	name, _, _ := strings.Cut(field, "[")
	if label, known := labels[name]; known {
		return label
	}
	if kind, known := feet.KindOf(name); known {
		return strings.ToLower(kind.Label)
	}
	name = name[strings.LastIndex(name, ".")+1:]
	return strings.ReplaceAll(strings.TrimSuffix(name, "_mm"), "_", " ")
}

// Labelled gives each fault the name that people have for its field.
func Labelled(faults document.Faults) document.Faults {
	said := make(document.Faults, len(faults))
	for i, f := range faults {
		f.Label = Label(f.Field)
		said[i] = f
	}
	return said
}
