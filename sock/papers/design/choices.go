package design

import (
	"slices"

	"acornstep/sock/figures/at"
)

// Technique is a value of a field that some package knows how to knit. It is
// registered by name, as a driver is, so that a new one needs no change here.
type Technique struct {
	// Field is the field of the design, such as heel.kind; Name its value.
	Field at.Path
	Name  string
	// Uses lists the fields that mean something to it, besides those that mean something to every sock.
	Uses []at.Path
	// Allows restricts other fields: their possible values, the default first.
	Allows map[at.Path][]string
	// Shows lists the moves of the hands that belong to it.
	Shows []string
	// WidensFoot: a heel for which the foot grows wider before it is turned.
	WidensFoot bool
	// AtEdges: a way of closing a corner that picks nothing up besides the edges.
	AtEdges bool
	// Holds is how many rounds what it picks up in a corner usually stays; 0 for what a blank design says.
	Holds int
}

var techniques []Technique

// Register makes techniques known to the reader of designs, the default of a
// field first. Naming one twice replaces it.
func Register(list ...Technique) {
	for _, t := range list {
		if i := slices.IndexFunc(techniques, func(known Technique) bool {
			return known.Field == t.Field &&
				known.Name == t.Name
		}); i >= 0 {
			techniques[i] = t
			continue
		}
		techniques = append(techniques, t)
	}
}

// Find gives the technique of a field by its name; nothing is known of one that is not registered.
func Find(field at.Path, name string) Technique {
	for _, t := range techniques {
		if t.Field == field && t.Name == name {
			return t
		}
	}
	return Technique{}
}

// Shown are the moves of all techniques, by field and name, such as heel.kind:flap_under.
func Shown() map[string][]string {
	all := map[string][]string{}
	for _, t := range techniques {
		if len(t.Shows) > 0 {
			all[string(t.Field)+":"+t.Name] = t.Shows
		}
	}
	return all
}

// Registered lists the names that are known for a field, the default first.
func Registered(field at.Path) []string {
	var names []string
	for _, t := range techniques {
		if t.Field == field {
			names = append(names, t.Name)
		}
	}
	return names
}

// Uses says whether a field means something in this design.
func (d *Design) Uses(field at.Path) bool {
	owned := false
	for _, t := range techniques {
		if !slices.Contains(t.Uses, field) {
			continue
		}
		owned = true
		if d.Get(t.Field) == t.Name {
			return true
		}
	}
	return !owned
}

// allowed are the values that a technique of the design leaves to a field; nil for no restriction.
func (d *Design) allowed(field at.Path) (by Technique, values []string) {
	for _, t := range techniques {
		if values, restricts := t.Allows[field]; restricts && d.Get(t.Field) == t.Name {
			return t, values
		}
	}
	return Technique{}, nil
}

// Choice is a field with a fixed set of values.
type Choice struct {
	Field at.Path
	// Values lists the names, the default first; nil where techniques are registered for the field.
	Values []string
}

// contrastSections may be knitted in the contrast yarn.
var contrastSections = []string{"toe", "heel", "cuff"}

var choices = []Choice{
	{at.FootHeelWidth, []string{"average", "narrow", "wide"}},
	{at.ToeKind, nil},
	{at.ToeCastOn, nil},
	{at.ToeStartLoop, []string{"twist", "slip_knot", "laid", "plain"}},
	{at.ToeStart, []string{"half", "rounded", "fitted"}},
	{at.ToeIncrease, []string{"kfb", "kfb_mirrored", "m1"}},
	{at.ToeOdd, []string{"ridge", "pair"}},
	{at.FootLengthSchool, []string{"exact", "from_sock", "thumb"}},
	{at.FootLengthSole, []string{"stockinette", "reverse"}},
	{at.HeelKind, nil},
	{at.HeelTurn, nil},
	{at.HeelFabric, []string{"stockinette", "garter"}},
	{at.HeelSlipColumns, []string{"flap", "turn", "back"}},
	{at.CornerMethod, nil},
	{at.AnkleChange, []string{"after_heel", "before_heel", "split", "none"}},
	{at.AnklePlace, []string{"sides", "spread", "back"}},
	{at.LegPanels, []string{"all", "front", "back", "sides"}},
	{at.RoundStart, []string{"instep", "centre_back", "columns"}},
	{at.BindOff, nil},
	{at.Needles, []string{"magic_loop", "two_circulars", "dpn4", "dpn5", "short_circular"}},
}

// Choices lists every field with a fixed set of values. Where no technique is
// registered for a field, its values are empty and any name may stand.
func Choices() []Choice {
	all := slices.Clone(choices)
	for i, c := range all {
		if c.Values == nil {
			all[i].Values = Registered(c.Field)
		}
	}
	return all
}

// valuesOf lists the values of a field with a fixed set of them.
func valuesOf(field at.Path) []string {
	for _, c := range choices {
		if c.Field == field {
			return c.Values
		}
	}
	return nil
}
