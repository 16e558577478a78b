package needle

import (
	"fmt"
)

// atEdgeBehind says whether nothing lies behind the cursor, at the edge of a line.
func (m *Machine) atEdgeBehind() bool {
	if !m.open || m.nodes[m.below].next != m.zero {
		return false
	}
	return m.atEnd == (m.side == WS)
}

func (m *Machine) turn() {
	if m.side == RS {
		m.side = WS
	} else {
		m.side = RS
	}
}

func (m *Machine) wrapAndTurn(id int32) error {
	l := &m.nodes[id].look
	if l.kind != Plain || l.turned {
		return refuse(WT, *l)
	}
	if l.wraps >= MaxWraps {
		return fmt.Errorf("wt meets a loop that already carries %d wraps", l.wraps)
	}
	l.wraps++
	m.leave()
	m.turn()
	m.afterTurn, m.atTurn, m.closed = false, true, false
	return nil
}

func (m *Machine) start() error {
	if m.side != RS {
		return errText("a new start of the round is set from the right side")
	}
	id := m.ahead()
	if id == none {
		return errEdge
	}
	m.zero = id
	return nil
}
