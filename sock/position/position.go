// Package position shows the needles before and after a row: what hangs
// there, where the yarn is, and how many stitches a turn holds on each side.
package position

import (
	"fmt"

	"acornstep/sock/needle"
)

// State is the needles between two rows.
type State struct {
	// Loops from loop 0 up the ring, each as "k", "d" (double) or "o" (yarn-over).
	Loops  []Loop      `json:"loops"`
	Cursor int         `json:"cursor"`
	Side   needle.Side `json:"side"`
	Count  int         `json:"count"`
	// Open is a line after a provisional cast-on, with Waiting loops in the waste yarn.
	Open    bool `json:"open"`
	Waiting int  `json:"waiting"`
}

// Loop is one loop as it looks.
type Loop struct {
	Kind   string `json:"kind"`
	Wraps  int    `json:"wraps"`
	Turned bool   `json:"turned"`
	Pins   int    `json:"pins"`
}

// Row is one row with the needles before and after it.
type Row struct {
	Before State `json:"before"`
	After  State `json:"after"`
	// Right and Left are the stitches held at either side by turns after the row, Between those free to be worked.
	Right   int `json:"held_right"`
	Between int `json:"between"`
	Left    int `json:"held_left"`
}

// Of replays rows up to index i and shows that row. The error names the row that cannot be worked.
func Of(rows []needle.Row, i int) (Row, error) {
	if i < 0 || i >= len(rows) {
		return Row{}, fmt.Errorf("row: read %d; the sock has rows 0 to %d", i, len(rows)-1)
	}
	var m needle.Machine
	for j := range i {
		if err := m.Work(&rows[j]); err != nil {
			return Row{}, err
		}
	}
	r := Row{Before: state(&m)}
	if err := m.Work(&rows[i]); err != nil {
		return Row{}, err
	}
	r.After = state(&m)
	r.countHeld()
	return r, nil
}

func state(m *needle.Machine) State {
	s := m.Snapshot()
	out := State{Cursor: s.Cursor, Side: s.Side, Count: len(s.Loops), Open: s.Open, Waiting: s.Waiting, Loops: make([]Loop, len(s.Loops))}
	for i, l := range s.Loops {
		out.Loops[i] = Loop{l.Kind.String(), l.Wraps, l.Turned, l.Pins}
	}
	return out
}

// countHeld counts the stitches with a second leg, a wrap, a pin or a yarn-over on each side of the free ones.
func (r *Row) countHeld() {
	loops := r.After.Loops
	marked := func(i int) bool {
		l := loops[i]
		return l.Kind == "double" || l.Wraps > 0 || l.Pins > 0 || l.Kind == "yarn-over"
	}
	first, last := -1, -1
	for i := range loops {
		if marked(i) {
			if first < 0 {
				first = i
			}
			last = i
		}
	}
	if first < 0 {
		return
	}
	// The widest free run between marks is what is worked.
	start, best, bestStart := first, 0, first
	for i := first; i <= last+1; i++ {
		if i > last || marked(i) {
			if run := i - start; run > best {
				best, bestStart = run, start
			}
			start = i + 1
		}
	}
	r.Between = best
	for i := range loops {
		if loops[i].Kind == "yarn-over" || !marked(i) {
			continue
		}
		if i < bestStart {
			r.Right++
		} else if i >= bestStart+best {
			r.Left++
		}
	}
}
