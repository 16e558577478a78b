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
	// on is the needle on which the loop lies, counted from 0.
	on uint8
	// pins hang at the gap between this loop and the next one up the ring.
	pins uint8
	// open is the row, counted from 1, whose turn left that place open; 0 for none.
	open int32
	// made is the number of the loop, counted from 1 in the order in which they were made. Slipping makes none.
	made int32
}

// Machine is a set of needles with the work on them. The zero value is empty
// needles, ready for a cast-on.
type Machine struct {
	nodes []node
	free  int32 // head of the list of dropped nodes, linked by next; 0 means none, nodes[0] is never used
	zero  int32 // loop 0
	below int32 // the loop just below the cursor, up the ring; none when nothing is on the needles
	count int   // live loops on all needles
	overs int   // yarn-overs of turns among them

	side Side
	// open is a line after a provisional cast-on; waiting loops are still in the waste yarn.
	open    bool
	waiting int
	// atEnd tells the two ends of an open line apart while the cursor is at its gap.
	atEnd bool

	// made is the number of loops that were ever made; history, when kept, says from what.
	made    int32
	history *History
	// row is the number of rows that were begun, op the operation of the row that is being worked.
	row, op int32
	// atTurn is set while the yarn is still where the work turned.
	atTurn bool
	// onto is one more than the needle on which the next loop is made, where that was said; 0 where it was not.
	onto uint8
	// unzipped is one more than the needle that takes up the loops of the waste yarn; 0 where that was not said.
	unzipped uint8
	// hand is one more than the needle on which every loop lies once it is worked; 0 where loops stay on theirs.
	hand uint8
	// closed is set while the last operation was one that closes a gap.
	closed bool
	// reached are operations of the present row that take loops of two needles.
	reached []reach
	// unclosed are the rows whose turns left places open that the present row passed without closing them.
	unclosed []int
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
	// halved: the last operation took loops from both sides of the start of the round together, loop 0 last.
	// The loop that is made next stands in its place, so that both halves keep their counts.
	halved bool
	// fills: the operation at hand is that next one.
	fills bool
	// across and fillsOn are the same for needles: one more than the needle of the second
	// loop that was taken, on which the loop that is made next lies; 0 for none.
	across, fillsOn uint8
}

// Count is the number of live loops on all needles.
func (m *Machine) Count() int { return m.count }

// Stitches is the number of live loops that are stitches: the yarn-over of a turn is none.
func (m *Machine) Stitches() int { return m.count - m.overs }

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

// newLoop numbers a loop and notes the loops that it was drawn through.
func (m *Machine) newLoop(c Code, from ...int32) int32 {
	m.made++
	if m.history != nil {
		m.history.add(Made{Row: m.row - 1, Op: m.op, Code: c}, from)
	}
	return m.made
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
	if m.hand > 0 {
		m.nodes[id].on = m.hand - 1
	}
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

// leave marks the place at the cursor as open: a turn was made there.
func (m *Machine) leave() {
	if s := m.inRow.section; (s == Heel || s == Toe) && m.count > 0 && !m.atEdgeAhead() {
		m.nodes[m.below].open = m.row
	}
}

// atEdgeAhead says whether nothing lies ahead of the cursor, at the edge of a line.
func (m *Machine) atEdgeAhead() bool { return m.open && m.ahead() == none }

// cross passes the place at the cursor. One that a turn left open is closed
// when the operation, or the one before it, is of a kind that closes it.
func (m *Machine) cross(closes bool) {
	if m.atTurn {
		m.atTurn = false // going back from where the work turned passes nothing
		return
	}
	if n := &m.nodes[m.below]; n.open > 0 {
		if !closes && !m.closed {
			m.unclosed = append(m.unclosed, int(n.open)-1)
		}
		n.open = 0
	}
}

// Unclosed are the places that the newest row passed although a turn had left
// them open, each as the number of the row that turned there, in the order in which rows were begun.
func (m *Machine) Unclosed() []int { return m.unclosed }

// pinsHere is where the pins of the gap at the cursor are kept.
func (m *Machine) pinsHere() *uint8 { return &m.nodes[m.below].pins }

// add puts a new loop at the cursor and moves past it. Pins of that gap stay
// ahead in the direction of work.
func (m *Machine) add(l look, c Code, from ...int32) {
	id, made := m.newNode(), m.newLoop(c, from...)
	m.count++
	m.atTurn = false
	if l.kind == YarnOver {
		m.overs++
	}
	if m.count == 1 {
		m.nodes[id] = node{next: id, prev: id, look: l, made: made}
		m.zero, m.below = id, id
		return
	}
	low := m.below
	high := m.nodes[low].next
	becomesFirst := high == m.zero && (m.open && !m.atEnd || !m.open &&
		(m.inRow.kind == Round && m.inRow.fresh || m.inRow.fills && m.side == RS))
	m.nodes[id] = node{next: high, prev: low, look: l, made: made, on: m.needleFor(low, high, becomesFirst || m.afterTurn)}
	m.nodes[low].next = id
	m.nodes[high].prev = id
	if becomesFirst {
		m.zero = id
	}
	n, l0 := &m.nodes[id], &m.nodes[low]
	if m.side == RS {
		n.pins, l0.pins = l0.pins, 0
		m.below = id
	}
	// An open place stays ahead, but behind the yarn-over of the turn that left it.
	if ahead := m.side == RS; ahead != (l.kind == YarnOver) {
		n.open, l0.open = l0.open, 0
	}
	m.inRow.fresh = false
}

// drop removes a loop; the pins of the two gaps beside it come together.
func (m *Machine) drop(id int32) {
	n := m.nodes[id]
	m.count--
	if n.look.kind == YarnOver {
		m.overs--
	}
	if m.count == 0 {
		m.below, m.zero = none, none
		return
	}
	m.nodes[n.prev].next = n.next
	m.nodes[n.next].prev = n.prev
	m.nodes[n.prev].pins += n.pins
	m.nodes[n.prev].open = max(m.nodes[n.prev].open, n.open)
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
