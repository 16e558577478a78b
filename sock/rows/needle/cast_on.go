package needle

import (
	"fmt"
)

func (m *Machine) castOn(o Op) error {
	if m.inRow.section != CastOn {
		return fmt.Errorf("%s belongs to the cast-on, not to the section %s", o.Code, m.inRow.section)
	}
	if m.count > 0 {
		return fmt.Errorf("%s needs empty needles, %d loops are on them", o.Code, m.count)
	}
	if m.inRow.kind != FlatRow {
		return fmt.Errorf("the cast-on is a %q, not a %q", FlatRow, m.inRow.kind)
	}
	m.side = RS
	m.atEnd = true
	for range o.N {
		m.add(look{}, o.Code)
	}
	if o.Code == COChain {
		m.open, m.waiting = true, o.N
		m.side = WS
	}
	m.below = m.nodes[m.zero].prev
	return nil
}

func (m *Machine) unzip(n int) error {
	if !m.open {
		return errText("there is no waste yarn to unzip")
	}
	if n != m.waiting {
		return fmt.Errorf("unzip frees the %d loops of the waste yarn, not %d", m.waiting, n)
	}
	for id := m.ahead(); id != none; id = m.step(id) {
		if m.nodes[id].look.kind != YarnOver {
			return errText("unzip is only possible at the end of the needle")
		}
	}
	fromRS := m.side == RS
	cursor := m.below
	m.side = RS
	m.open = false
	m.waiting = 0
	last := m.nodes[m.zero].prev
	m.below = last
	m.inRow.fresh = false
	for range n {
		m.onto = m.unzipped
		m.add(look{}, Unzip)
	}
	if fromRS {
		m.below = cursor
	}
	m.afterTurn = false
	return nil
}
