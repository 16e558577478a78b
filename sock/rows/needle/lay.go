package needle

// The ring knows which needle each loop lies on, so that whoever works it can
// say so. It changes nothing about what can be worked.

// needleFor is the needle of a loop that is made between low and high: the one
// that was named; else that of the stitch worked last, or of the one ahead where
// a round begins and after a turn.
func (m *Machine) needleFor(low, high int32, ahead bool) uint8 {
	onto := m.onto
	m.onto = 0 // it was said of this loop alone
	switch {
	case m.hand > 0:
		return m.hand - 1
	case onto > 0:
		return onto - 1
	case m.inRow.fillsOn > 0:
		return m.inRow.fillsOn - 1
	case ahead == (m.side == RS):
		return m.nodes[high].on
	}
	return m.nodes[low].on
}

// Onto says that the loop that is made next lies on the needle of the loop ahead.
func (m *Machine) Onto() {
	if id := m.ahead(); id != none {
		m.onto = m.nodes[id].on + 1
	}
}

// Unzips says which needle, counted from 0, takes up the loops of the waste yarn.
func (m *Machine) Unzips(needle int) { m.unzipped = uint8(needle + 1) }

// Hand says on which needle, counted from 0, every loop comes to lie that is worked from now on.
func (m *Machine) Hand(needle int) { m.hand = uint8(needle + 1) }

// NextOn is the needle, counted from 0, of the loop that comes next; -1 at the edge of a line.
func (m *Machine) NextOn() int {
	if id := m.ahead(); id != none {
		return int(m.nodes[id].on)
	}
	return -1
}

// AheadOn is the number of loops that come next and lie on this needle, counted from 0.
func (m *Machine) AheadOn(needle int) int {
	n := 0
	for id := m.ahead(); id != none && n < m.count && int(m.nodes[id].on) == needle; id = m.step(id) {
		n++
	}
	return n
}

// Lay puts the loops on needles: so many on each, in the order of the ring, from
// loop from on; a negative one lies before loop 0.
func (m *Machine) Lay(from int, on ...int) {
	id := m.zero
	for range from {
		id = m.nodes[id].next
	}
	for range -from {
		id = m.nodes[id].prev
	}
	for i, n := range on {
		for range n {
			m.nodes[id].on = uint8(i)
			id = m.nodes[id].next
		}
	}
}

// Lying counts the loops on each needle into on, and gives the loop with which
// the first of them begins, counted from loop 0 and negative before it.
func (m *Machine) Lying(on []int) (from int) {
	clear(on)
	if m.count == 0 {
		return 0
	}
	id, begins := m.zero, -1
	before := m.nodes[m.nodes[id].prev].on
	for i := range m.count {
		n := &m.nodes[id]
		if n.on < before && begins < 0 {
			begins = i // the needles begin again
		}
		on[n.on]++
		before, id = n.on, n.next
	}
	switch {
	case begins < 0:
		return 0 // all on one needle
	case begins > m.count/2:
		return begins - m.count
	}
	return begins
}
