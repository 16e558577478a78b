package knit

import (
	"fmt"
	"strings"

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

// Known lists, as faults, the stitch patterns of a design that nobody knows.
func Known(d *design.Design) document.Faults {
	var faults document.Faults
	expect := func(field, value string, known func(string) bool) {
		if known(value) {
			return
		}
		var names []string
		for _, p := range Patterns {
			if known(p.Name) {
				names = append(names, p.Name)
			}
		}
		faults.Add(field, "read %q, expected one of %s", value, strings.Join(names, ", "))
	}
	any := func(name string) bool { return patterns[name] != nil }
	expect("leg.pattern", d.Leg.Pattern, any)
	expect("leg.instep_pattern", d.Leg.InstepPattern, any)
	expect("cuff.pattern", d.Cuff.Pattern, cuffPattern)
	return faults
}
