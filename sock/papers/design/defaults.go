package design

import (
	"cmp"
	"math"
	"slices"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/pattern"
)

// Blank is a design with every default that depends on nothing else. It has
// no foot and no gauge yet, so it is not valid.
func Blank() Design {
	return Design{
		Format: Format, Version: Version, Name: "Sock",
		Foot:       Foot{HeelWidth: "average", Estimated: []string{}},
		Fit:        Fit{GirthEasePct: 10, Multiple: 4},
		Toe:        Toe{Kind: "wedge", CastOn: "magic", StartLoop: "twist", Start: "half", Increase: "kfb", Odd: "ridge"},
		FootLength: FootLength{School: "exact", Sole: "stockinette"},
		Heel:       Heel{Kind: "short_row", Turn: "german", Share: 0.5, Fabric: "stockinette", FlapRowFactor: 0.75, SlipColumns: "flap"},
		Corner:     Corner{Method: "outer_legs", PickUp: 1, HoldRounds: 5},
		Ankle:      Ankle{Change: "after_heel", Place: "sides"},
		Leg:        Leg{Pattern: "stockinette", InstepPattern: "stockinette", Panels: "all"},
		Cuff:       Cuff{Pattern: "rib_1x1", Height: 40},
		BindOff:    "k2tog", Needles: UsualNeedles, RoundStart: "instep",
		Yarn: Yarn{BallGrams: 100, BallMetres: 420, Contrast: []string{}},
	}
}

// EaseShare is the share of the foot's length by which a sock is shorter: it
// stretches, and a sock as long as the foot wrinkles at the heel.
const EaseShare = 0.035

// Girth of the ball by length, for a foot not measured round: 0.94 of the length
// for grown feet, rising evenly to 1.05 for the short, plump feet of children.
func guessBallGirth(length Length) Length {
	const grown, child = 220, 120
	const grownShare, childShare = 0.94, 1.05
	part := (grown - float64(length)) / (grown - child)
	part = math.Max(0, math.Min(1, part))
	return length * Length(grownShare+part*(childShare-grownShare))
}

// KneeHeight and KneeGirth are guesses for legs at large where the place below the knee was not measured: how high above the floor it lies, as
// a share of the length of the foot, and its girth as a share of the calf's.
const KneeHeight, KneeGirth = 1.7, 0.92

// guesses fills what was not measured, in the order in which one guess rests on another.
var guesses = []struct {
	field string
	fill  func(*Foot)
}{
	{"ball_girth_mm", func(f *Foot) { f.BallGirth = guessBallGirth(f.Length) }},
	{"toe_depth_mm", func(f *Foot) { f.ToeDepth = 0.20 * f.Length }},
	{"heel_diagonal_mm", func(f *Foot) { f.HeelDiagonal = 1.38 * f.BallGirth }},
	{"ankle_girth_mm", func(f *Foot) { f.AnkleGirth = f.BallGirth }},
}

// measurements are the names that foot.estimated may list, in their order.
var measurements = []string{
	"length_mm", "ball_girth_mm", "toe_depth_mm", "heel_diagonal_mm", "ankle_girth_mm", "calf_girth_mm", "calf_height_mm",
	"knee_girth_mm", "knee_height_mm", "instep_girth_mm", "toe_tip_aside_mm", "little_toe_aside_mm",
}

// fill works out the defaults that rest on other fields.
func (d *Design) fill(present given) {
	for _, g := range guesses {
		if !present[at.Foot(g.field)] {
			g.fill(&d.Foot)
			d.Foot.Estimated = append(d.Foot.Estimated, g.field)
		}
	}
	slices.SortStableFunc(d.Foot.Estimated, func(a, b string) int {
		return slices.Index(measurements, a) - slices.Index(measurements, b)
	})
	d.Foot.Estimated = slices.Compact(d.Foot.Estimated)
	if !present[at.FitLengthEase] {
		d.Fit.LengthEase = Length(measure.HalfUp(EaseShare * float64(d.Foot.Length)))
	}
	if !present[at.LegHeight] {
		d.Leg.Height = d.Foot.Length * 180 / 250
	}
	for _, c := range Choices() {
		if _, values := d.allowed(c.Field); !present[c.Field] && len(values) > 0 {
			_ = d.Set(c.Field, values[0]) // the field of a choice always holds a name
		}
	}
	if !present[at.CornerHoldRounds] {
		d.Corner.HoldRounds = d.usualHold()
	}
	if leg := pattern.Find(d.Leg.Pattern, d.Patterns); !present[at.CuffPattern] && leg != nil && leg.Rib() {
		d.Cuff.Pattern = leg.Name // its columns go on
	}
}

// usualHold is how many rounds the extra stitches at the corners stay.
func (d *Design) usualHold() int {
	return cmp.Or(Find(at.CornerMethod, d.Corner.Method).Holds, Blank().Corner.HoldRounds)
}

// FootOf is a foot with these lengths, by field, and guesses for the others;
// its length has to be among them.
func FootOf(lengths map[string]Length) Foot {
	d := Blank()
	present := given{}
	values := d.Foot.byName()
	for name, length := range lengths {
		if into, known := values[name]; known {
			*into = length
			present[at.Foot(name)] = true
		}
	}
	d.fill(present)
	return d.Foot
}

// Measured is the length of a field by its name, 0 for none.
func (f *Foot) Measured(name string) Length {
	if into, known := f.byName()[name]; known {
		return *into
	}
	return 0
}

// byName are the lengths that can be guessed, and the one they are guessed from.
func (f *Foot) byName() map[string]*Length {
	return map[string]*Length{
		"length_mm": &f.Length, "ball_girth_mm": &f.BallGirth, "toe_depth_mm": &f.ToeDepth,
		"heel_diagonal_mm": &f.HeelDiagonal, "ankle_girth_mm": &f.AnkleGirth,
	}
}
