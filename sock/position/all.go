package position

import (
	"fmt"

	"acornstep/sock/needle"
)

// Run is a number of loops beside each other that look alike.
type Run struct {
	N      int    `json:"n"`
	Kind   string `json:"kind"`
	Wraps  int    `json:"wraps,omitempty"`
	Pins   int    `json:"pins,omitempty"`
	Turned bool   `json:"turned,omitempty"`
}

// Needle is the needles between two rows, briefly.
type Needle struct {
	Runs   []Run       `json:"runs"`
	Cursor int         `json:"cursor"`
	Side   needle.Side `json:"side"`
	Count  int         `json:"count"`
	// Check is what the fingers can count: held, worked, held, and all together.
	Check string `json:"check"`
}

// All gives the needles before each row and after the last.
func All(rows []needle.Row) ([]Needle, error) {
	var m needle.Machine
	list := []Needle{brief(state(&m))}
	for i := range rows {
		if err := m.Work(&rows[i]); err != nil {
			return list, err
		}
		list = append(list, brief(state(&m)))
	}
	return list, nil
}

func brief(s State) Needle {
	n := Needle{Runs: []Run{}, Cursor: s.Cursor, Side: s.Side, Count: s.Count}
	for _, l := range s.Loops {
		run := Run{1, l.Kind, l.Wraps, l.Pins, l.Turned}
		if last := len(n.Runs) - 1; last >= 0 && n.Runs[last].Pins == 0 && alike(n.Runs[last], run) {
			n.Runs[last].N++
			n.Runs[last].Pins = run.Pins
			continue
		}
		n.Runs = append(n.Runs, run)
	}
	r := Row{After: s}
	r.countHeld()
	n.Check = fmt.Sprintf("%d in all", s.Count)
	if r.Right+r.Left > 0 {
		n.Check = fmt.Sprintf("%d held · %d worked · %d held", r.Right, r.Between, r.Left)
	}
	if s.Open {
		n.Check += fmt.Sprintf(", %d in the waste yarn", s.Waiting)
	}
	return n
}

func alike(a, b Run) bool { return a.Kind == b.Kind && a.Wraps == b.Wraps && a.Turned == b.Turned }
