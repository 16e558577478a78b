package http

import (
	"errors"
	"fmt"

	"acornstep/sock/basket"
	"acornstep/sock/document"
	"acornstep/sock/logbook"
	"acornstep/sock/tally"
)

// NewEvents are events of a device.
type NewEvents struct {
	Events []logbook.Event `json:"events"`
	// After is the number of the last event that the device has heard.
	After int64 `json:"after"`
	// Brief: only say that they are on the disk.
	Brief bool `json:"brief,omitempty"`
}

// Heard is what was heard since a number, from all devices.
type Heard struct {
	Events []logbook.Event `json:"events"`
	Seq    int64           `json:"seq"`
	Tally  tally.Tally     `json:"tally"`
	// Deleted: the sock is out of the basket; its events are kept all the same.
	Deleted bool `json:"deleted"`
}

func (s *server) addEvents(c call[NewEvents]) (Heard, error) {
	const most = 2000
	var faults document.Faults
	if n := len(c.Asked.Events); n > most {
		faults.Add("events", "read %d events, at most %d are taken at once", n, most)
	}
	versions, err := s.Logbook.Plans(c, c.ID)
	if err != nil {
		return Heard{}, err
	}
	for i := range c.Asked.Events {
		e := &c.Asked.Events[i]
		if err := checkPreview(e.Picture); err != nil {
			faults.Add(fmt.Sprintf("events[%d].picture", i), "%s", err)
		}
		for _, f := range e.Validate() {
			faults.Add(fmt.Sprintf("events[%d].%s", i, f.Field), "%s", f.Message)
		}
		if e.Version > len(versions) {
			faults.Add(fmt.Sprintf("events[%d].version", i), "read %d; this sock has %d versions of its plan", e.Version, len(versions))
		}
	}
	if err := faults.Err(); err != nil {
		return Heard{}, err
	}
	if len(c.Asked.Events) > 0 {
		if err := s.Logbook.AddEvents(c, c.ID, c.Asked.Events); err != nil {
			return Heard{}, err
		}
	}
	if c.Asked.Brief {
		return Heard{Events: []logbook.Event{}, Seq: c.Asked.After, Tally: tally.None}, nil
	}
	return s.heard(c, c.Asked.After)
}

// heard gives what was heard after a number, and what all of it comes to.
func (s *server) heard(c call[NewEvents], after int64) (Heard, error) {
	o, events, seq, err := s.knitted(c, c.ID)
	if errors.Is(err, basket.ErrNotFound) {
		return Heard{Events: []logbook.Event{}, Seq: after, Tally: tally.None, Deleted: true}, nil
	}
	if err != nil {
		return Heard{}, err
	}
	h := Heard{Events: []logbook.Event{}, Seq: seq, Tally: s.tally(&o, events)}
	fresh, _, err := s.Logbook.Events(c, c.ID, after)
	if err == nil {
		h.Events = fresh
	}
	return h, err
}
