package http

import (
	"acornstep/sock/logbook"
	"acornstep/sock/tally"
)

// ProgressView is how far a sock is, with the strip of the plan that is knitted.
type ProgressView struct {
	tally.Progress
	Strip []StripPart `json:"strip"`
}

func (s *server) progress(c call[nothing]) (ProgressView, error) {
	o, err := s.onNeedles(c, c.ID)
	if err != nil {
		return ProgressView{}, err
	}
	events, _, err := s.Logbook.Events(c, c.ID, 0)
	if err != nil {
		return ProgressView{}, err
	}
	return ProgressView{tally.ProgressOf(o.plan, o.said, logbook.Read(events)), strip(o.plan.Rows, o.said)}, nil
}
