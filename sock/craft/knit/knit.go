package knit

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/fingers"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

// Work knits the whole sock. An error means that the program asked the hands
// for something the needle cannot do: a bug, never the knitter's fault.
func (s *Sock) Work() ([]needle.Row, error) {
	h := newWorker(256)
	h.fingers = fingers.New(s.shortRowStitches())
	h.lay.in = s.needlesIn
	h.reverse = s.smoothInside()
	h.takes = func(row *needle.Row) measure.Length { return yarn.InRow(s.Design, row) }
	s.toe().Work(h, s)
	s.foot(h)
	s.heel().Work(h, s)
	s.leg(h)
	s.cuff(h)
	s.bindOff(h)
	if h.err != nil {
		return nil, fmt.Errorf("knit: %w", h.err)
	}
	rows := s.turnRounds(h.rows)
	s.hideSteps(rows)
	return rows, nil
}

// smoothInside are the sections whose sole is smooth inside, for skin that dislikes purl bumps: the foot, a toe whose rounds have a sole, and
// a heel of short rows. A flap keeps its slip stitches.
func (s *Sock) smoothInside() map[needle.Section]bool {
	if s.Design.FootLength.Sole != "reverse" {
		return nil
	}
	return map[needle.Section]bool{needle.Foot: true, needle.Toe: s.toe().About().Sides, needle.Heel: s.heel().LapsOver()}
}

// Known lists, as faults, the techniques of a design that nobody knows: a design
// may come from a plan by others.
func Known(d *design.Design) document.Faults {
	var faults document.Faults
	for _, kind := range Kinds {
		name, _ := d.Get(kind.Field).(string)
		if names := design.Registered(kind.Field); !slices.Contains(names, name) {
			faults.Add(string(kind.Field), "read %q, expected one of %s", name, strings.Join(names, ", "))
		}
	}
	for field, name := range map[at.Path]string{at.LegPattern: d.Leg.Pattern, at.LegInstepPattern: d.Leg.InstepPattern,
		at.CuffPattern: d.Cuff.Pattern} {
		if pattern.Find(name, d.Patterns) == nil {
			faults.Add(string(field), "read %q, which nobody knows and the design does not bring along", name)
		}
	}
	return faults
}

// shortRowStitches is the number of heel stitches on which short rows are worked; 0 for a heel without them.
func (s *Sock) shortRowStitches() int {
	if s.Heel.Turns == 0 {
		return 0
	}
	return s.Heel.Stitches
}
