package knit

import (
	"fmt"
	"slices"

	"acornstep/sock/design"
	"acornstep/sock/document"
	"acornstep/sock/needle"
)

// Work knits the whole sock. An error means that the program asked the hands
// for something the needle cannot do: a bug, never the knitter's fault.
func (s *Sock) Work() ([]needle.Row, error) {
	h := newHands()
	toes[s.Design.Toe.Kind].Work(h, s)
	s.foot(h)
	heels[s.Design.Heel.Kind].Work(h, s)
	s.leg(h)
	s.cuff(h)
	s.bindOff(h)
	if h.err != nil {
		return nil, fmt.Errorf("knit: %w", h.err)
	}
	return h.rows, nil
}

// Available lists, as faults, every choice of the design that is known to the
// format but cannot be knitted yet. Patterns that nobody knows are faults too.
func Available(d *design.Design) document.Faults {
	var faults document.Faults
	missing := func(field, value string, has bool) {
		if !has {
			faults.Add(field, "not available yet: %s %s", field, value)
		}
	}
	missing("toe.kind", d.Toe.Kind, toes[d.Toe.Kind] != nil)
	missing("toe.cast_on", d.Toe.CastOn, castOns[d.Toe.CastOn].turned != nil)
	missing("toe.start", d.Toe.Start, wedgeStarts[d.Toe.Start] != nil)
	missing("toe.increase", d.Toe.Increase, wedgeIncreases[d.Toe.Increase] != nil)
	missing("foot_length.school", d.FootLength.School, lengthSchools[d.FootLength.School] != nil)
	missing("foot_length.sole", d.FootLength.Sole, d.FootLength.Sole == "stockinette")
	missing("heel.kind", d.Heel.Kind, heels[d.Heel.Kind] != nil)
	missing("heel.turn", d.Heel.Turn, turnings[d.Heel.Turn] != nil)
	missing("heel.share", fmt.Sprint(d.Heel.Share), d.Heel.Share == 0.5)
	missing("heel.stitches", "other than half the sock", d.Heel.Stitches == nil)
	missing("heel.fabric", d.Heel.Fabric, d.Heel.Fabric == "stockinette")
	missing("heel.first_row", "other than the style's own", d.Heel.FirstRow == nil)
	missing("heel.own_strand", "true", !d.HeelHasOwnStrand())
	missing("corner.method", d.Corner.Method, d.Corner.Method == "outer_legs")
	missing("ankle.place", d.Ankle.Place, changePlaces[d.Ankle.Place] != nil)
	missing("bind_off", d.BindOff, bindOffs[d.BindOff])
	missing("leg.instep_pattern", d.Leg.InstepPattern, d.Leg.InstepPattern == "stockinette")
	missing("yarn.contrast", fmt.Sprint(d.Yarn.Contrast), len(d.Yarn.Contrast) == 0)
	missing("mirror", "true", !d.Mirror)
	missing("needles", d.Needles, slices.Contains([]string{"magic_loop", "two_circulars"}, d.Needles))
	missing("leg.pattern", d.Leg.Pattern, patterns[d.Leg.Pattern] != nil)
	missing("cuff.pattern", d.Cuff.Pattern, patterns[d.Cuff.Pattern] != nil && patterns[d.Cuff.Pattern].Cuff)
	return faults
}
