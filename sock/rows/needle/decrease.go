package needle

import (
	"fmt"
)

// decrease works two or three loops together; the result stands in the place
// of the first that is not a yarn-over.
func (m *Machine) decrease(c Code) error {
	var loops [3]int32
	takes := traits[c].takes
	if takes > m.count {
		return fmt.Errorf("%s needs %d loops, only %d are on the needles", c, takes, m.count)
	}
	keep := int32(none)
	id := m.ahead()
	for i := range takes {
		if id == none {
			return errEdge
		}
		l := m.nodes[id].look
		if l.wraps > 0 || l.turned || l.kind == Double {
			return refuse(c, l)
		}
		if l.kind == Plain && keep == none {
			keep = id
		}
		loops[i] = id
		if i > 0 && m.pinsBetween(loops[i-1], id) > 0 {
			return fmt.Errorf("%s would close over a pin", c)
		}
		id = m.step(id)
	}
	if keep == none {
		return fmt.Errorf("%s would work only yarn-overs together", c)
	}
	m.cross(false)
	m.inRow.halved = m.side == RS && takes == 2 && keep == loops[0] && loops[1] == m.zero
	m.reaches(loops[:takes], keep)
	if takes == 2 {
		m.inRow.across = m.nodes[loops[1]].on + 1
	}
	var from [3]int32
	for i, id := range loops[:takes] {
		from[i] = m.nodes[id].made
		if i > 0 {
			m.nodes[m.below].open = 0 // it takes a loop from each side
		}
		m.pass(id)
	}
	for _, id := range loops[:takes] {
		if id != keep {
			m.drop(id)
		}
	}
	m.nodes[keep].look, m.nodes[keep].made = look{}, m.newLoop(c, from[:takes]...)
	m.closed = false
	m.inRow.taken += takes
	m.inRow.fresh = false
	m.afterTurn = false
	return nil
}

// pinsBetween counts the pins at the gap between two neighbours, the first met first.
func (m *Machine) pinsBetween(first, second int32) uint8 {
	if m.side == RS {
		return m.nodes[first].pins
	}
	return m.nodes[second].pins
}
