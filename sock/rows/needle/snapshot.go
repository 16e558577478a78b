package needle

// LoopView is one loop as it looks on the needle.
type LoopView struct {
	Kind   Kind
	Turned bool
	Wraps  uint8
	// Pins hang between this loop and the next one up the ring.
	Pins uint8
	// Open: a turn of a heel or toe left the place between this loop and the next one up the ring open.
	Open bool
	// Made is the number of the loop in the [History] of the machine, counted from 0.
	Made int32
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
func (m *Machine) Snapshot() Snapshot { return m.SnapshotIn(nil) }

// SnapshotIn does as Snapshot, with its loops in memory that is given and long enough; otherwise in new memory.
func (m *Machine) SnapshotIn(loops []LoopView) Snapshot {
	s := Snapshot{Side: m.side, Open: m.open, Waiting: m.waiting}
	if m.count == 0 {
		return s
	}
	if len(loops) < m.count {
		loops = make([]LoopView, m.count)
	}
	s.Loops = loops[:m.count:m.count]
	id := m.zero
	for i := range s.Loops {
		n := &m.nodes[id]
		s.Loops[i] = LoopView{n.look.kind, n.look.turned, n.look.wraps, n.pins, n.open > 0, n.made - 1}
		if id == m.below && !m.AtRoundStart() {
			s.Cursor = i + 1
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
	// GapBefore and GapAfter say whether a turn left those places open.
	GapBefore, GapAfter bool
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
	up, down := n, &m.nodes[n.prev]
	if m.side == RS {
		up, down = down, up
	}
	a.PinsBefore, a.PinsAfter = up.pins, down.pins
	a.GapBefore, a.GapAfter = up.open > 0, down.open > 0
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
	if m.overs == 0 {
		return min(k, m.count)
	}
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
	if m.overs == 0 {
		return min(loops, m.count)
	}
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

// StitchesBefore is the number of stitches among the first so many loops; the yarn-overs of turns are none.
func (s Snapshot) StitchesBefore(loops int) int {
	n := 0
	for i := range s.Loops[:min(loops, len(s.Loops))] {
		if s.Loops[i].Kind != YarnOver {
			n++
		}
	}
	return n
}
