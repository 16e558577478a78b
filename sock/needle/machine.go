package needle

// Kind is what a loop looks like on the needle.
type Kind uint8

// The kinds of loop.
const (
	Plain Kind = iota
	Double
	YarnOver
)

var kindNames = [...]string{"plain", "double", "yarn-over"}

func (k Kind) String() string { return kindNames[k] }

// MaxWraps is the number of wraps that a loop can carry: one from each half of a short-row heel.
const MaxWraps = 2

// none stands for "no loop" where a node is named.
const none = -1

// look is everything that makes a loop more than an ordinary plain one. The
// zero look is by far the most common and is tested in one comparison.
type look struct {
	kind   Kind
	wraps  uint8
	turned bool
}

type node struct {
	next, prev int32
	look       look
	// pins hang at the gap between this loop and the next one up the ring.
	pins uint8
	// row made the loop: the last that worked it, counted from 1. Slipping makes none.
	row int32
}

// Machine is a set of needles with the work on them. The zero value is empty
// needles, ready for a cast-on.
type Machine struct {
	nodes []node
	free  int32 // head of the list of dropped nodes, linked by next; 0 means none, nodes[0] is never used
	zero  int32 // loop 0
	below int32 // the loop just below the cursor, up the ring; none when nothing is on the needles
	count int   // live loops on all needles

	side Side
	// open is a line after a provisional cast-on; waiting loops are still in the waste yarn.
	open    bool
	waiting int
	// atEnd tells the two ends of an open line apart while the cursor is at its gap.
	atEnd bool

	// row is the number of rows that were begun.
	row int32
	// afterTurn is set while the last thing done was a turn.
	afterTurn bool
	inRow     rowState
}

// rowState is what the machine remembers while one row is worked.
type rowState struct {
	kind    RowKind
	section Section
	garter  bool
	first   bool // no operation has been worked yet
	fresh   bool // no loop has been taken or made yet
	taken   int
	turn    bool // the row began right after a turn
}

// Count is the number of live loops on all needles.
func (m *Machine) Count() int { return m.count }

// Waiting is the number of loops in the waste yarn of a provisional cast-on.
func (m *Machine) Waiting() int { return m.waiting }

// Open says whether the loops lie on a line that is not joined yet.
func (m *Machine) Open() bool { return m.open }

// Side is the side of the fabric that faces the knitter.
func (m *Machine) Side() Side { return m.side }

// AtRoundStart says whether the cursor stands before loop 0.
func (m *Machine) AtRoundStart() bool {
	return m.count == 0 || m.nodes[m.below].next == m.zero && !(m.open && m.atEnd)
}

// Reset empties the needles and keeps the memory for the next sock.
func (m *Machine) Reset() {
	*m = Machine{nodes: m.nodes[:0]}
}

func (m *Machine) newNode() int32 {
	if len(m.nodes) == 0 {
		if cap(m.nodes) == 0 {
			m.nodes = make([]node, 0, 128) // room for an ordinary sock
		}
		m.nodes = append(m.nodes, node{})
	}
	if id := m.free; id != 0 {
		m.free = m.nodes[id].next
		m.nodes[id] = node{}
		return id
	}
	m.nodes = append(m.nodes, node{})
	return int32(len(m.nodes) - 1)
}

// ahead is the next loop in the direction of work, or none at the edge of a line.
func (m *Machine) ahead() int32 {
	if m.count == 0 {
		return none
	}
	next := m.nodes[m.below].next
	atGap := next == m.zero
	if m.side == RS {
		if m.open && atGap && m.atEnd {
			return none
		}
		return next
	}
	if m.open && atGap && !m.atEnd {
		return none
	}
	return m.below
}

// step is the loop after id in the direction of work, or none past the edge of a line.
func (m *Machine) step(id int32) int32 {
	if m.side == RS {
		next := m.nodes[id].next
		if m.open && next == m.zero {
			return none
		}
		return next
	}
	if m.open && id == m.zero {
		return none
	}
	return m.nodes[id].prev
}

// pass moves the cursor past the loop just ahead.
func (m *Machine) pass(id int32) {
	if m.side == RS {
		m.below = id
		if m.nodes[id].next == m.zero {
			m.atEnd = true
		}
		return
	}
	m.below = m.nodes[id].prev
	if id == m.zero {
		m.atEnd = false
	}
}

// pinsHere is where the pins of the gap at the cursor are kept.
func (m *Machine) pinsHere() *uint8 { return &m.nodes[m.below].pins }

// add puts a new loop at the cursor and moves past it. Pins of that gap stay
// ahead in the direction of work.
func (m *Machine) add(l look) {
	id := m.newNode()
	m.count++
	if m.count == 1 {
		m.nodes[id] = node{next: id, prev: id, look: l, row: m.row}
		m.zero, m.below = id, id
		return
	}
	low := m.below
	high := m.nodes[low].next
	becomesFirst := high == m.zero && (m.open && !m.atEnd || !m.open && m.inRow.kind == Round && m.inRow.fresh)
	m.nodes[id] = node{next: high, prev: low, look: l, row: m.row}
	m.nodes[low].next = id
	m.nodes[high].prev = id
	if becomesFirst {
		m.zero = id
	}
	if m.side == RS {
		m.nodes[id].pins, m.nodes[low].pins = m.nodes[low].pins, 0
		m.below = id
	}
	m.inRow.fresh = false
}

// drop removes a loop; the pins of the two gaps beside it come together.
func (m *Machine) drop(id int32) {
	n := m.nodes[id]
	m.count--
	if m.count == 0 {
		m.below, m.zero = none, none
		return
	}
	m.nodes[n.prev].next = n.next
	m.nodes[n.next].prev = n.prev
	m.nodes[n.prev].pins += n.pins
	if m.zero == id {
		m.zero = n.next
	}
	if m.below == id {
		m.below = n.prev
	}
	m.nodes[id].next = m.free
	m.free = id
}

// AfterTurn says whether the last thing done was a turn.
func (m *Machine) AfterTurn() bool { return m.afterTurn }
