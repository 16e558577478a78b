package position

import (
	"fmt"

	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Run is a number of loops beside each other that look alike.
type Run struct {
	N      int    `json:"n"`
	Kind   string `json:"kind"`
	Wraps  int    `json:"wraps,omitempty"`
	Pins   int    `json:"pins,omitempty"`
	Turned bool   `json:"turned,omitempty"`
	Yarn   string `json:"yarn,omitempty"`
}

// Needles are the needles between two rows, briefly.
type Needles struct {
	Runs   []Run       `json:"runs"`
	Cursor int         `json:"cursor"`
	Side   needle.Side `json:"side"`
	Count  int         `json:"count"`
	// Sole is the first loop of needle 2; 0 while all loops lie on one needle.
	Sole int `json:"sole"`
	// Markers that hang on the needle, each before its loop.
	Markers []needle.Marker `json:"markers"`
	// Check is what the fingers can count: what waits and what lies between, left to right as held, or all together.
	Check string `json:"check"`
}

// All gives the needles before each row of a plan and after the last.
func All(p *plan.Plan, t *knitted.Sock) []Needles {
	list := make([]Needles, 0, len(p.Rows)+1)
	Each(p, t, func(_ int, s State) { list = append(list, brief(s)) })
	return list
}

func brief(s State) Needles {
	n := Needles{Runs: []Run{}, Cursor: s.Cursor, Side: s.Side, Count: s.Count, Sole: s.Sole, Markers: s.Markers}
	if n.Markers == nil {
		n.Markers = []needle.Marker{}
	}
	for _, l := range s.Loops {
		run := Run{1, l.Kind, l.Wraps, l.Pins, l.Turned, l.Yarn}
		if last := len(n.Runs) - 1; last >= 0 && n.Runs[last].Pins == 0 && alike(n.Runs[last], run) {
			n.Runs[last].N++
			n.Runs[last].Pins = run.Pins
			continue
		}
		n.Runs = append(n.Runs, run)
	}
	n.Check = fmt.Sprintf("%d in all", s.Count)
	if s.fingers != "" {
		n.Check = s.fingers
	}
	if s.Open {
		n.Check += fmt.Sprintf(", %d in the waste yarn", s.Waiting)
	}
	return n
}

func alike(a, b Run) bool {
	return a.Kind == b.Kind && a.Wraps == b.Wraps && a.Turned == b.Turned && a.Yarn == b.Yarn
}
