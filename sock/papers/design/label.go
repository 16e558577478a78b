package design

import (
	"strings"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/document"
	"acornstep/sock/people/feet"
)

// labels are what people call the fields of a design.
var labels = map[at.Path]string{
	at.Name:                "name",
	at.Format:              "format",
	at.Version:             "version",
	at.FootHeelWidth:       "width of the heel",
	at.FootEstimated:       "what is estimated",
	at.FootCautions:        "cautions",
	at.GaugeStitches:       "stitches of the gauge",
	at.GaugeRounds:         "rounds of the gauge",
	at.FitGirthEase:        "ease",
	at.FitLengthEase:       "length ease",
	at.FitMultiple:         "stitches counted in",
	at.Stitches:            "stitches round the foot",
	at.ToeKind:             "kind of toe",
	at.ToeCastOn:           "cast-on",
	at.ToeStartLoop:        "first loop",
	at.ToeStart:            "start of the toe",
	at.ToeIncrease:         "increases",
	at.ToeStartStitches:    "stitches to cast on",
	at.ToeFastRounds:       "increases on every round",
	at.ToeTurnsPerSide:     "turns on each side of the toe",
	at.ToeOdd:              "two stitches more than fours",
	at.ToeColourExtra:      "the toe's colour goes on",
	at.FootLengthSchool:    "way to reckon the foot",
	at.FootLengthToe:       "what is taken off for the toe",
	at.FootLengthHeel:      "what is taken off for the heel",
	at.FootLengthSole:      "sole",
	at.FootLengthRounds:    "rounds to the heel",
	at.HeelKind:            "kind of heel",
	at.HeelTurn:            "turning style",
	at.HeelShare:           "share of the heel",
	at.HeelStitches:        "stitches of the heel",
	at.HeelTurnsPerSide:    "turns on each side of the heel",
	at.HeelFabric:          "heel fabric",
	at.HeelRoundsBetween:   "rounds between the halves",
	at.HeelFirstRow:        "first row of the heel",
	at.HeelOwnStrand:       "a strand of its own",
	at.HeelFlapRows:        "rows of the flap",
	at.HeelFlapRowFactor:   "height of a flap row",
	at.HeelPickedUp:        "picked up",
	at.HeelGussetIncreases: "increases of the gusset",
	at.HeelSlipColumns:     "slip stitches",
	at.CornerMethod:        "corners",
	at.CornerPickUp:        "extra stitches at each corner",
	at.CornerHoldRounds:    "rounds of the corner stitches",
	at.AnkleChange:         "change of the count",
	at.AnklePlace:          "place of the change",
	at.LegHeight:           "height of the leg",
	at.LegPlainRounds:      "plain rounds of the leg",
	at.LegPattern:          "pattern of the leg",
	at.LegInstepPattern:    "pattern on the instep",
	at.LegStitches:         "stitches of the leg",
	at.LegPanels:           "panels of the rib",
	at.LegRounds:           "rounds of the leg",
	at.CuffPattern:         "pattern of the cuff",
	at.CuffElastic:         "elastic in the cuff",
	at.CuffHeight:          "height of the cuff",
	at.CuffRounds:          "rounds of the cuff",
	at.BindOff:             "bind-off",
	at.Needles:             "needles",
	at.NeedlesBySection:    "needles of a section",
	at.RoundStart:          "start of the round",
	at.YarnBallGrams:       "grams of the ball",
	at.YarnBallMetres:      "metres of the ball",
	at.YarnContrast:        "sections in contrast",
	at.YarnStripes:         "stripes",
	at.YarnRepeat:          "colours of the yarn",
	at.YarnRepeatRounds:    "rounds counted of each colour",
	at.YarnRepeatStitches:  "stitches on which they were counted",
	at.Mirror:              "mirrored",
	at.Patterns:            "patterns of its own",
}

// partLabels are what people call the parts of a design, each with fields of its own.
var partLabels = map[string]string{
	"foot":        "the foot",
	"second_foot": "the second foot",
	"gauge":       "the gauge",
	"fit":         "the fit",
	"toe":         "the toe",
	"foot_length": "the foot's length",
	"heel":        "the heel",
	"corner":      "the corners",
	"ankle":       "the ankle",
	"leg":         "the leg",
	"cuff":        "the cuff",
	"yarn":        "the yarn",
}

func init() {
	for _, k := range measured {
		labels[at.Foot(k.Name)] = strings.ToLower(k.Label)
		if _, differs := (&OtherFoot{}).values()[k.Name]; differs {
			labels[at.Second(k.Name)] = "second foot, " + strings.ToLower(k.Label)
		}
	}
	labels[at.SecondFootHeelWidth] = "second foot, " + labels[at.FootHeelWidth]
}

// Label is what people call a field of a design, by its path. Of anything else it is its name without underscores.
func Label(field at.Path) string {
	name, _, _ := strings.Cut(string(field), "[")
	if label, known := labels[at.Path(name)]; known {
		return label
	}
	if label, known := partLabels[name]; known {
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
		f.Label = Label(at.Path(f.Field))
		said[i] = f
	}
	return said
}
