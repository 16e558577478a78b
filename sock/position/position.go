// Package position shows the needles between the rows: what hangs there,
// where the yarn is, and how many stitches a turn holds on each side.
package position

import (
	"fmt"

	"acornstep/sock/knit"
	"acornstep/sock/needle"
	"acornstep/sock/plan"
)

// State is the needles between two rows.
type State struct {
	// Loops from loop 0 up the ring, each as "plain", "double" or "yarn-over".
	Loops  []Loop      `json:"loops"`
	Cursor int         `json:"cursor"`
	Side   needle.Side `json:"side"`
	Count  int         `json:"count"`
	// Sole is the first loop of needle 2; 0 while all loops lie on one needle.
	Sole int `json:"sole"`
	// Open is a line after a provisional cast-on, with Waiting loops in the waste yarn.
	Open    bool `json:"open"`
	Waiting int  `json:"waiting"`
	// Markers that hang on the needles, each before its loop.
	Markers []needle.Marker `json:"markers"`
	// MarksRight and MarksLeft are the second legs, wraps, pins and yarn-overs that lie on either side of the middle of the heel.
	MarksRight int `json:"marks_right"`
	MarksLeft  int `json:"marks_left"`
	Held
}

// Loop is one loop as it looks.
type Loop struct {
	Kind   string `json:"kind"`
	Wraps  int    `json:"wraps"`
	Turned bool   `json:"turned"`
	Pins   int    `json:"pins"`
	// Yarn that the loop is of, named as the row that made it names it; empty for the sock's own.
	Yarn string `json:"yarn,omitempty"`
}

// Row is one row with the needles before and after it.
type Row struct {
	Before State `json:"before"`
	After  State `json:"after"`
}

// Of shows row i of a plan. The error names the rows that there are, or the row that cannot be worked.
func Of(p *plan.Plan, i int) (Row, error) {
	if i < 0 || i >= len(p.Rows) {
		return Row{}, fmt.Errorf("row: read %d; the sock has rows 0 to %d", i, len(p.Rows)-1)
	}
	var row Row
	err := Each(p, func(at int, s State) {
		switch at {
		case i:
			row.Before = s
		case i + 1:
			row.After = s
		}
	})
	return row, err
}

// Each knits a plan and shows the needles before each row and after the last.
func Each(p *plan.Plan, show func(row int, s State)) error {
	var m needle.Machine
	t := turns{plan: p}
	for i := 0; ; i++ {
		s := state(&m, p)
		if i < len(p.Rows) && !s.Open && s.Count > 0 {
			s.Sole = knit.SoleBegins(&p.Rows[i], s.Count)
		}
		if i > 0 {
			t.after(&p.Rows[i-1], &s)
			s.Held = t.held(&p.Rows[i-1], &s)
			s.MarksRight, s.MarksLeft = t.view(&s).marks(&s)
		}
		if i < len(p.Rows) {
			s.Markers = t.markers(&p.Rows[i], &s)
		}
		show(i, s)
		if i == len(p.Rows) {
			return nil
		}
		if err := m.Work(&p.Rows[i]); err != nil {
			return err
		}
	}
}

func state(m *needle.Machine, p *plan.Plan) State {
	s := m.Snapshot()
	out := State{Cursor: s.Cursor, Side: s.Side, Count: len(s.Loops), Open: s.Open, Waiting: s.Waiting, Loops: make([]Loop, len(s.Loops))}
	for i, l := range s.Loops {
		out.Loops[i] = Loop{l.Kind.String(), l.Wraps, l.Turned, l.Pins, p.Rows[l.Row].Colour}
	}
	return out
}
