package web

import (
	"acornstep/sock/needles/logbook"
	"acornstep/sock/needles/tally"
	"acornstep/sock/rows/strip"
)

// ProgressView is how far a sock is, with the strip of the plan that is knitted.
type ProgressView struct {
	tally.Progress
	Strip []strip.Part `json:"strip"`
}

func (s *server) progress(c call[nothing]) (ProgressView, error) {
	o, err := s.shelf.sock(c, c.ID)
	if err != nil {
		return ProgressView{}, err
	}
	return ProgressView{tally.ProgressOf(o.pair(), logbook.Read(o.Courses.Today(o.events))), o.Strip}, nil
}
