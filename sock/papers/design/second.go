package design

import (
	"reflect"
	"slices"
	"strings"

	"acornstep/sock/figures/at"
)

// OtherFoot is the second foot of a pair where it differs from the first; nil where it does not. One that is measured otherwise has counts
// and rounds of its own; leg height, cuff and repeat are the pair's.
type OtherFoot struct {
	Length       *Length `json:"length_mm,omitempty"`
	BallGirth    *Length `json:"ball_girth_mm,omitempty"`
	ToeDepth     *Length `json:"toe_depth_mm,omitempty"`
	HeelDiagonal *Length `json:"heel_diagonal_mm,omitempty"`
	AnkleGirth   *Length `json:"ankle_girth_mm,omitempty"`
	InstepGirth  *Length `json:"instep_girth_mm,omitempty"`
	HeelWidth    *string `json:"heel_width,omitempty"`
	CalfGirth    *Length `json:"calf_girth_mm,omitempty"`
	CalfHeight   *Length `json:"calf_height_mm,omitempty"`
	KneeGirth    *Length `json:"knee_girth_mm,omitempty"`
	KneeHeight   *Length `json:"knee_height_mm,omitempty"`
}

// Differs says whether the two feet of the pair differ.
func (o *OtherFoot) Differs() bool { return !reflect.ValueOf(*o).IsZero() }

// values are its lengths by name; nil where it does not differ.
func (o *OtherFoot) values() map[string]*Length {
	return map[string]*Length{
		"length_mm": o.Length, "ball_girth_mm": o.BallGirth, "toe_depth_mm": o.ToeDepth, "heel_diagonal_mm": o.HeelDiagonal,
		"ankle_girth_mm": o.AnkleGirth, "instep_girth_mm": o.InstepGirth, "calf_girth_mm": o.CalfGirth, "calf_height_mm": o.CalfHeight,
		"knee_girth_mm": o.KneeGirth, "knee_height_mm": o.KneeHeight,
	}
}

// checkSecondFoot judges the second foot as the first is judged.
func (v *validation) checkSecondFoot(d *Design) {
	values := d.SecondFoot.values()
	for _, r := range measured {
		field := at.Second(r.Name)
		value := values[r.Name]
		if value == nil || v.bad(field) || *value >= r.Min && *value <= r.Max {
			continue
		}
		v.fault(field, "read %s; %s is %s to %s%s", v.show(*value), r.Noun, v.show(r.Min), v.show(r.Max), v.meant(*value, r))
	}
	widths := valuesOf(at.FootHeelWidth)
	if w := d.SecondFoot.HeelWidth; w != nil && !v.bad(at.SecondFootHeelWidth) && !slices.Contains(widths, *w) {
		v.fault(at.SecondFootHeelWidth, "read %s, expected one of %s", quote(*w), strings.Join(widths, ", "))
	}
}

// OfSecond is the design of the second sock of the pair: mirrored, and for its own foot where that differs. What was guessed of the first foot
// and not measured of the second is guessed anew.
func (d Design) OfSecond() Design {
	d.Mirror = !d.Mirror
	other := d.SecondFoot
	if !other.Differs() {
		return d
	}
	d.SecondFoot = OtherFoot{}
	foot := d.Foot
	foot.Estimated = slices.Clone(foot.Estimated)
	for _, name := range measurements {
		value := other.values()[name]
		if value == nil {
			continue
		}
		foot.take(name, *value)
		foot.Estimated = slices.DeleteFunc(foot.Estimated, func(guess string) bool { return guess == name })
	}
	for _, g := range guesses {
		if slices.Contains(foot.Estimated, g.field) {
			g.fill(&foot)
		}
	}
	if other.HeelWidth != nil {
		foot.HeelWidth = *other.HeelWidth
	}
	d.Foot = foot
	if other.Length != nil {
		d.FootLength.Rounds = nil // those that were counted are the first foot's
	}
	return d
}

// take gives the foot a length by its name.
func (f *Foot) take(name string, length Length) {
	if into, always := f.byName()[name]; always {
		*into = length
		return
	}
	for other, into := range map[string]**Length{
		"instep_girth_mm": &f.InstepGirth, "calf_girth_mm": &f.CalfGirth, "calf_height_mm": &f.CalfHeight,
		"knee_girth_mm": &f.KneeGirth, "knee_height_mm": &f.KneeHeight,
	} {
		if other == name {
			*into = &length
		}
	}
}
