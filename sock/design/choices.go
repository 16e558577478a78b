package design

import "slices"

// Choice is a field whose value is one of a few names.
type Choice struct {
	Field string
	// Values lists the names, the default first.
	Values []string
	get    func(*Design) string
}

// Sections that can be knitted in a contrast yarn.
var contrastSections = []string{"toe", "heel", "cuff"}

// Choices lists every field that takes one of a few names, in the order of the work.
// The values of leg and cuff patterns are the business of the pattern book.
func Choices() []Choice { return slices.Clone(choices) }

var choices = []Choice{
	{"foot.heel_width", []string{"average", "narrow", "wide"}, func(d *Design) string { return d.Foot.HeelWidth }},
	{"toe.kind", []string{"wedge", "garter_square", "short_row"}, func(d *Design) string { return d.Toe.Kind }},
	{"toe.cast_on", []string{"magic", "turkish", "figure_eight", "provisional"}, func(d *Design) string { return d.Toe.CastOn }},
	{"toe.start_loop", []string{"twist", "slip_knot", "plain"}, func(d *Design) string { return d.Toe.StartLoop }},
	{"toe.start", []string{"half", "rounded", "fitted"}, func(d *Design) string { return d.Toe.Start }},
	{"toe.increase", []string{"kfb", "kfb_mirrored", "m1"}, func(d *Design) string { return d.Toe.Increase }},
	{"foot_length.school", []string{"exact", "from_sock", "thumb"}, func(d *Design) string { return d.FootLength.School }},
	{"foot_length.sole", []string{"stockinette", "reverse"}, func(d *Design) string { return d.FootLength.Sole }},
	{"heel.kind", []string{"short_row", "flap_under", "gusset_turn"}, func(d *Design) string { return d.Heel.Kind }},
	{"heel.turn", []string{"german", "wrap", "yarn_over", "pinned", "lift"}, func(d *Design) string { return d.Heel.Turn }},
	{"heel.fabric", []string{"stockinette", "garter"}, func(d *Design) string { return d.Heel.Fabric }},
	{"corner.method", []string{"outer_legs", "lift", "wrap_instep"}, func(d *Design) string { return d.Corner.Method }},
	{"ankle.change", []string{"after_heel", "before_heel", "split", "none"}, func(d *Design) string { return d.Ankle.Change }},
	{"ankle.place", []string{"sides", "spread", "back"}, func(d *Design) string { return d.Ankle.Place }},
	{"bind_off", []string{"k2tog", "yarn_over", "sewn"}, func(d *Design) string { return d.BindOff }},
	{"needles", []string{"magic_loop", "two_circulars", "dpn4", "dpn5", "short_circular"}, func(d *Design) string { return d.Needles }},
}
