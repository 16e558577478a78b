package design

import (
	"slices"
)

// Technique is a value of a field that some package knows how to knit. It is
// registered by name, as a driver is, so that a new one needs no change here.
type Technique struct {
	// Field is the field of the design, such as heel.kind; Name its value.
	Field, Name string
	// Uses lists the fields that mean something to it, besides those that mean something to every sock.
	Uses []string
	// Allows restricts other fields: their possible values, the default first.
	Allows map[string][]string
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
func Find(field, name string) Technique {
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
			all[t.Field+":"+t.Name] = t.Shows
		}
	}
	return all
}

// Registered lists the names that are known for a field, the default first.
func Registered(field string) []string {
	var names []string
	for _, t := range techniques {
		if t.Field == field {
			names = append(names, t.Name)
		}
	}
	return names
}

// Uses says whether a field means something in this design.
func (d *Design) Uses(field string) bool {
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
func (d *Design) allowed(field string) (by Technique, values []string) {
	for _, t := range techniques {
		if values, restricts := t.Allows[field]; restricts && d.Get(t.Field) == t.Name {
			return t, values
		}
	}
	return Technique{}, nil
}

// Choice is a field with a fixed set of values.
type Choice struct {
	Field string
	// Values lists the names, the default first; nil where techniques are registered for the field.
	Values []string
}

// contrastSections may be knitted in the contrast yarn.
var contrastSections = []string{"toe", "heel", "cuff"}

var choices = []Choice{
	{"foot.heel_width", []string{"average", "narrow", "wide"}},
	{"toe.kind", nil},
	{"toe.cast_on", nil},
	{"toe.start_loop", []string{"twist", "slip_knot", "laid", "plain"}},
	{"toe.start", []string{"half", "rounded", "fitted"}},
	{"toe.increase", []string{"kfb", "kfb_mirrored", "m1"}},
	{"toe.odd", []string{"ridge", "pair"}},
	{"foot_length.school", []string{"exact", "from_sock", "thumb"}},
	{"foot_length.sole", []string{"stockinette", "reverse"}},
	{"heel.kind", nil},
	{"heel.turn", nil},
	{"heel.fabric", []string{"stockinette", "garter"}},
	{"heel.slip_columns", []string{"flap", "turn", "back"}},
	{"corner.method", nil},
	{"ankle.change", []string{"after_heel", "before_heel", "split", "none"}},
	{"ankle.place", []string{"sides", "spread", "back"}},
	{"leg.panels", []string{"all", "front", "back", "sides"}},
	{"round_start", []string{"instep", "centre_back", "columns"}},
	{"bind_off", nil},
	{"needles", []string{"magic_loop", "two_circulars", "dpn4", "dpn5", "short_circular"}},
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
func valuesOf(field string) []string {
	for _, c := range choices {
		if c.Field == field {
			return c.Values
		}
	}
	return nil
}
