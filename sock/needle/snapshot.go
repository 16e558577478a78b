package needle

// LoopView is one loop as it looks on the needle.
type LoopView struct {
	Kind   Kind
	Turned bool
	Wraps  int
	// Pins hang between this loop and the next one up the ring.
	Pins int
	// Row made the loop, counted from 0 in the order in which rows were begun: the last that worked it.
	Row int
}

// Snapshot is the state of the needles between two operations.
type Snapshot struct {
	// Loops from loop 0 up the ring.
	Loops []LoopView
	// Cursor is the number of loops below the yarn, 0 to len(Loops).
	Cursor int
	Side   Side
	// Open is a line; Waiting loops are in the waste yarn.
	Open    bool
	Waiting int
}

// Snapshot describes the needles as they are now.
func (m *Machine) Snapshot() Snapshot {
	s := Snapshot{Side: m.side, Open: m.open, Waiting: m.waiting}
	if m.count == 0 {
		return s
	}
	s.Loops = make([]LoopView, 0, m.count)
	id := m.zero
	for range m.count {
		n := &m.nodes[id]
		s.Loops = append(s.Loops, LoopView{n.look.kind, n.look.turned, int(n.look.wraps), int(n.pins), max(0, int(n.row)-1)})
		if id == m.below && !m.AtRoundStart() {
			s.Cursor = len(s.Loops)
		}
		id = n.next
	}
	return s
}

// Unsettled counts what a turn leaves on the needles: double stitches,
// yarn-overs, wraps and pins that are still to be worked.
func (m *Machine) Unsettled() (doubles, yarnOvers, wraps, pins int) {
	if m.count == 0 {
		return
	}
	id := m.zero
	for range m.count {
		n := &m.nodes[id]
		if n.look.kind == Double {
			doubles++
		} else if n.look.kind == YarnOver {
			yarnOvers++
		}
		wraps += int(n.look.wraps)
		pins += int(n.pins)
		id = n.next
	}
	return
}

// Ahead is a loop ahead of the cursor, as the knitter sees it coming.
type Ahead struct {
	Kind   Kind
	Wraps  uint8
	Turned bool
	// PinsBefore hang at the gap on the cursor's side of the loop, PinsAfter at the gap beyond it.
	PinsBefore, PinsAfter uint8
}

// Peek looks at the loop that is i loops ahead of the cursor in the direction
// of work; past the edge of a line it sees a plain loop.
func (m *Machine) Peek(i int) Ahead {
	id := m.ahead()
	for ; i > 0 && id != none; i-- {
		id = m.step(id)
	}
	if id == none {
		return Ahead{}
	}
	n := &m.nodes[id]
	a := Ahead{Kind: n.look.kind, Wraps: n.look.wraps, Turned: n.look.turned}
	up, down := n.pins, m.nodes[n.prev].pins
	if m.side == RS {
		a.PinsBefore, a.PinsAfter = down, up
	} else {
		a.PinsBefore, a.PinsAfter = up, down
	}
	return a
}

// Cursor is the number of loops below the yarn, counted from loop 0.
func (m *Machine) Cursor() int {
	if m.AtRoundStart() {
		return 0
	}
	below := 1
	for id := m.zero; id != m.below; id = m.nodes[id].next {
		below++
	}
	return below
}

// LoopsBefore is the number of loops below stitch k, counted from loop 0; the
// yarn-overs of turns are loops and no stitches.
func (m *Machine) LoopsBefore(k int) int {
	loops := 0
	for id := m.zero; loops < m.count; id = m.nodes[id].next {
		if m.nodes[id].look.kind != YarnOver {
			if k == 0 {
				break
			}
			k--
		}
		loops++
	}
	return loops
}

// StitchesBefore is the number of stitches among the first loops, counted from loop 0.
func (m *Machine) StitchesBefore(loops int) int {
	stitches := 0
	id := m.zero
	for range min(loops, m.count) {
		if m.nodes[id].look.kind != YarnOver {
			stitches++
		}
		id = m.nodes[id].next
	}
	return stitches
}

// OrdinaryAhead is the number of loops ahead, at most n, that are plain, carry
// nothing and have no pin before them: those a knitter works without a thought.
func (m *Machine) OrdinaryAhead(n int) int {
	id := m.ahead()
	for i := range n {
		if id == none {
			return i
		}
		l := &m.nodes[id]
		pins := l.pins
		if m.side == RS {
			pins = m.nodes[l.prev].pins
		}
		if l.look != (look{}) || pins > 0 {
			return i
		}
		id = m.step(id)
	}
	return n
}
