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

// reach is an operation that takes loops of two needles: so many of them lie on the lower needle and on the upper one, in the order
// of the ring, and its result is a node.
type reach struct {
	lower, upper uint8
	of           [2]int
	result       int32
}

// reaches notes an operation that takes these loops, in the order of the work, if they lie on two needles, and lays them on that of its result.
func (m *Machine) reaches(loops []int32, result int32) {
	on := m.nodes[result].on
	first, last := m.nodes[loops[0]].on, m.nodes[loops[len(loops)-1]].on
	if first == last {
		return
	}
	r := reach{lower: first, upper: last, result: result}
	if m.side == WS {
		r.lower, r.upper = last, first
	}
	for _, id := range loops {
		n := &m.nodes[id]
		if n.on == r.lower {
			r.of[0]++
		} else {
			r.of[1]++
		}
		n.on = on
	}
	m.reached = append(m.reached, r)
}

// Reached are the moves that the newest row would have needed before it, so that each of its operations takes all its loops from
// one needle, the one on which its result lies now; empty when it needed none.
func (m *Machine) Reached() []Move {
	var list []Move
	for _, r := range m.reached {
		v := Move{int(r.lower) + 1, int(r.upper) + 1, r.of[0]}
		if m.nodes[r.result].on == r.lower {
			v.N = -r.of[1]
		}
		list = append(list, v)
	}
	return list
}
