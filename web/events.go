package web

import (
	"errors"
	"fmt"
	"net/http"

	"acornstep/sock/figures/document"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/needles/tally"
	"acornstep/sock/papers/basket"
)

// NewEvents are events of a device.
type NewEvents struct {
	Events []logbook.Event `json:"events"`
	// After is the number of the last event that the device knows.
	After int64 `json:"after"`
	// Brief: only say that they are on the disk.
	Brief bool `json:"brief,omitempty"`
}

// EventsSince is what was written down after a number, from all devices.
type EventsSince struct {
	Events []logbook.Event `json:"events"`
	Seq    int64           `json:"seq"`
	Tally  tally.Tally     `json:"tally"`
	// Deleted: the sock is out of the basket; its events are kept all the same.
	Deleted bool `json:"deleted"`
	// Refused are those of the question that were not written down.
	Refused []Refused `json:"refused,omitempty"`
}

// Refused is an event that was not written down; those beside it were.
type Refused struct {
	ID string `json:"id"`
	// Status is 422 for what cannot be, 409 for an id that another event has.
	Status int    `json:"status" enum:"409,422"`
	Detail string `json:"detail"`
}

// mostEvents are taken at once.
const mostEvents = 2000

// addEvents writes down what can be, and says of the rest why not, each by
// itself: one bad event never stands before the next. When none is left it is a problem.
func (s *server) addEvents(c call[NewEvents]) (EventsSince, error) {
	if n := len(c.Asked.Events); n > mostEvents {
		return EventsSince{}, document.Faults{{Field: "events",
			Message: fmt.Sprintf("read %d events, at most %d are taken at once", n, mostEvents)}}
	}
	o, err := s.shelf.sock(c, c.ID)
	if errors.Is(err, basket.ErrNotFound) {
		o, err = s.shelf.inBin(c, c.ID) // its events are kept all the same, and held to its plan
	}
	if err != nil {
		return EventsSince{}, err
	}
	var refused []Refused
	var faults document.Faults
	good := make([]logbook.Event, 0, len(c.Asked.Events))
	for i := range c.Asked.Events {
		e := &c.Asked.Events[i]
		if wrong := admit(o, e); len(wrong) > 0 {
			refused = append(refused, Refused{e.ID, http.StatusUnprocessableEntity, wrong.Error()})
			for _, f := range wrong {
				faults.Add(fmt.Sprintf("events[%d].%s", i, f.Field), "%s", f.Message)
			}
			continue
		}
		good = append(good, *e)
	}
	if len(good) == 0 && len(faults) > 0 {
		return EventsSince{}, faults
	}
	if len(good) > 0 {
		places, err := s.Logbook.AddEvents(c, c.ID, good)
		if err != nil {
			return EventsSince{}, err
		}
		for _, i := range places {
			refused = append(refused, Refused{good[i].ID, http.StatusConflict, clash(&good[i])})
		}
		if len(places) == len(good) {
			return EventsSince{}, clashing{refused}
		}
	}
	if c.Asked.Brief {
		return EventsSince{Events: []logbook.Event{}, Seq: c.Asked.After, Tally: tally.None, Refused: refused}, nil
	}
	return s.since(c, c.Asked.After, refused)
}

// clash says that an id was given twice.
func clash(e *logbook.Event) string {
	return fmt.Sprintf("another event has the id %q already", e.ID)
}

// clashing is the error of events of which none could be written, since their ids are taken.
type clashing struct{ refused []Refused }

func (c clashing) Error() string { return c.refused[len(c.refused)-1].Detail }

// admit says what is wrong with an event.
func admit(o *onNeedles, e *logbook.Event) document.Faults {
	var faults document.Faults
	if err := checkPreview(e.Picture); err != nil {
		faults.Add("picture", "%s", err)
	}
	faults = append(faults, o.Admit(e, o.clock)...)
	if len(faults) == 0 {
		o.clock = max(o.clock, e.Clock)
	}
	return faults
}

// since gives what was written down after a number, and what all of it comes to.
func (s *server) since(c call[NewEvents], after int64, refused []Refused) (EventsSince, error) {
	o, err := s.shelf.sock(c, c.ID)
	if errors.Is(err, basket.ErrNotFound) {
		return EventsSince{Events: []logbook.Event{}, Seq: after, Tally: tally.None, Deleted: true, Refused: refused}, nil
	}
	if err != nil {
		return EventsSince{}, err
	}
	fresh, _, err := s.Logbook.Events(c, c.ID, after)
	return EventsSince{Events: fresh, Seq: o.seq, Tally: o.tally(s.today()), Refused: refused}, err
}
