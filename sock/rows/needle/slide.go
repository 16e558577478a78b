package needle

import (
	"encoding/json"
	"fmt"
	"slices"
)

// Move slides loops to a neighbouring needle before a row: of two needles, counted from 1 as on_needles has them, the last N loops of
// the first go to the second, or, where N is negative, the first ones of the second go back to the first.
type Move struct{ Of, To, N int }

// MarshalJSON writes the move as [1, 2, 3].
func (v Move) MarshalJSON() ([]byte, error) {
	return fmt.Appendf(nil, "[%d,%d,%d]", v.Of, v.To, v.N), nil
}

// UnmarshalJSON reads [1, 2, 3]; the error says what was read.
func (v *Move) UnmarshalJSON(text []byte) error {
	var three []int
	if err := json.Unmarshal(text, &three); err != nil || len(three) != 3 {
		return fmt.Errorf("a move is [needle, needle, loops], read %s", clip(text))
	}
	*v = Move{three[0], three[1], three[2]}
	return nil
}

// Slid is how loops lie once some of them were moved: so many on each needle, in the order of the ring from loop from on. The
// error says which move cannot be made.
func Slid(on []int, from int, moves []Move) ([]int, int, error) {
	on = slices.Clone(on)
	for _, v := range moves {
		of, to, n := v.Of-1, v.To-1, v.N
		if of < 0 || to < 0 || of >= len(on) || to >= len(on) || of == to || n == 0 {
			return nil, 0, fmt.Errorf("moves says %v; there are needles 1 to %d, and a move is of some loops to another one", v, len(on))
		}
		for between := (of + 1) % len(on); between != to; between = (between + 1) % len(on) {
			if on[between] > 0 {
				return nil, 0, fmt.Errorf("moves says %v, but needle %d lies between them", v, between+1)
			}
		}
		giver := of
		if n < 0 {
			giver = to
		}
		if max(n, -n) > on[giver] {
			return nil, 0, fmt.Errorf("moves says %v, and %d loops lie on needle %d", v, on[giver], giver+1)
		}
		on[of], on[to] = on[of]-n, on[to]+n
		if of > to {
			from -= n // they pass the end where the needles begin again
		}
	}
	return on, from, nil
}

// reach notes that an operation takes a loop of another needle than the one where its result lies, above says that the loop
// lies further up the ring. Whoever knits slides it first.
func (m *Machine) reach(loop, result uint8, above bool) {
	v := Move{int(loop) + 1, int(result) + 1, 1}
	if above {
		v = Move{int(result) + 1, int(loop) + 1, -1}
	}
	for i := range m.reached {
		if r := &m.reached[i]; r.Of == v.Of && r.To == v.To && r.N*v.N > 0 {
			r.N += v.N
			return
		}
	}
	m.reached = append(m.reached, v)
}

// Reached are the moves that the newest row would have needed before it, so that each of its operations takes all its loops
// from one needle; empty when it needed none.
func (m *Machine) Reached() []Move { return m.reached }
