package http

import (
	"acornstep/sock/logbook"
)

// Progress is how far a sock on the needles is, in a line.
type Progress struct {
	// Sock is the one that is knitted next, 1 or 2 of the pair; 0 when both are off the needles.
	Sock    int    `json:"sock"`
	Section string `json:"section"`
	Kind    string `json:"kind"`
	N       int    `json:"n"`
	Of      int    `json:"of"`
	// Strip is that of the plan that is knitted, Done the rows of it that are knitted.
	Strip []StripPart `json:"strip"`
	Done  int         `json:"done"`
	// LeftPct is the share of the sock's stitches that is still to knit.
	LeftPct int `json:"left_pct"`
}

func (s *server) progress(c call[nothing]) (Progress, error) {
	o, err := s.onNeedles(c, c.ID)
	if err != nil {
		return Progress{}, err
	}
	events, _, err := s.Logbook.Events(c, c.ID, 0)
	if err != nil {
		return Progress{}, err
	}
	return o.progress(logbook.Read(events)), nil
}

// progress tells of the first sock until it is finished, then of the second.
func (o *onNeedles) progress(book logbook.Book) Progress {
	p := Progress{Sock: 1, Strip: strip(o.plan.Rows, o.said)}
	place := book.Places[0]
	finished := func(place logbook.Place) bool { return place.Finished || place.Row >= len(o.plan.Rows) }
	if finished(place) {
		p.Sock, place = 2, book.Places[1]
	}
	all, knitted := 0, 0
	of := 0
	for i := range o.plan.Rows {
		worked := o.said[i].Worked
		all += worked
		if i < place.Row {
			knitted += worked
			p.Done++
		}
		if place.Row < len(o.plan.Rows) && o.plan.Rows[i].Section == o.plan.Rows[place.Row].Section {
			of++
		}
	}
	if finished(place) {
		p.Sock = 0
		return p
	}
	row := &o.plan.Rows[place.Row]
	p.Section, p.Kind, p.N, p.Of = string(row.Section), string(row.Kind), row.N, of
	p.LeftPct = 100 * (all - knitted) / max(1, all)
	return p
}
