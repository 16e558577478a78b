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
	o, events, _, err := s.knitted(c, c.ID)
	if err != nil {
		return ProgressView{}, err
	}
	return ProgressView{tally.ProgressOf(o.plan, o.said, logbook.Read(events)), strip(o.plan.Rows, o.said)}, nil
}
