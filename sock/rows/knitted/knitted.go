// Package knitted knits the rows of a sock once and keeps what happened: the
// needles between the rows, where the yarn stood, and for every loop the row
// and operation that made it and the loops it was drawn through. Words,
// pictures, reckonings and searches read it; nobody knits again.
package knitted

import (
	"acornstep/sock/rows/needle"
)

// Sock is what happened to the loops of a sock, row by row.
type Sock struct {
	// Rows that were worked.
	Rows []needle.Row
	// Steps say what each row did.
	Steps []Step
	// Loops are all that were ever made, by their number.
	Loops  []needle.Made
	states []State
}

// Step is what one row did.
type Step struct {
	// From and To are the places of the yarn before and after the row, as numbers of loops below it from loop 0.
	From, To int
	// Worked is the number of loops that the row takes from the needles, or casts on.
	Worked int
}

// State is the needles between two rows.
type State struct {
	needle.Snapshot
	// Sole is the first loop of needle 2; 0 while all loops lie on one needle.
	Sole int
}

// Of knits rows on empty needles. When one cannot be worked, the sock ends
// before it and the error is its *needle.Fault.
func Of(rows []needle.Row) (*Sock, error) {
	var m needle.Machine
	made, lie := 0, 0
	for i := range rows {
		made, lie = made+worked(&rows[i]), lie+max(0, rows[i].Stitches)
	}
	const room = 1 << 20 // no sock has as many loops: a plan that says so does not get the memory
	history := m.Remember(min(made+made/16, room))
	arena := make([]needle.LoopView, min(lie, room))
	t := &Sock{Steps: make([]Step, 0, len(rows)), states: make([]State, 0, len(rows)+1)}
	var err error
	for i := range rows {
		row := &rows[i]
		arena = t.note(&m, row, arena)
		step := Step{From: m.Cursor(), Worked: worked(row)}
		if err = m.Work(row); err != nil {
			break
		}
		step.To = m.Cursor()
		t.Steps = append(t.Steps, step)
	}
	t.Rows = rows[:len(t.Steps)]
	if err == nil {
		t.note(&m, nil, arena)
	}
	t.Loops = history.Loops()
	return t, err
}

// note keeps the needles as they are before a row, or after the last, in the
// arena, and gives what is left of it.
func (t *Sock) note(m *needle.Machine, next *needle.Row, arena []needle.LoopView) []needle.LoopView {
	s := State{Snapshot: m.SnapshotIn(arena)}
	if next != nil && !s.Open && len(s.Loops) > 0 {
		s.Sole = next.SoleBegins(len(s.Loops))
	}
	t.states = append(t.states, s)
	return arena[min(len(s.Loops), len(arena)):]
}

// Before is the needles before a row, counted from 0; before the row after the last one they are as the last one left them.
func (t *Sock) Before(row int) *State { return &t.states[row] }

// After is the needles after a row, counted from 0.
func (t *Sock) After(row int) *State { return &t.states[row+1] }

// Colour is the yarn of a loop, named as the row that made it names it.
func (t *Sock) Colour(loop int32) string { return t.Rows[t.Loops[loop].Row].Colour }

// Stitches is the number of loops worked from one row to another, the latter not counted.
func (t *Sock) Stitches(from, to int) int {
	n := 0
	for i := max(0, from); i < min(to, len(t.Steps)); i++ {
		n += t.Steps[i].Worked
	}
	return n
}

func worked(row *needle.Row) int {
	n := 0
	for _, o := range row.Ops {
		n += o.N * o.Code.Takes()
		if o.Code == needle.CO || o.Code == needle.COChain {
			n += o.N
		}
	}
	return n
}
