package needle

import "fmt"

// errText is a refusal that costs nothing unless it is read.
type errText string

func (e errText) Error() string { return string(e) }

const errEdge errText = "there is no loop left on this needle in the direction of work"

// Do works one operation o.N times. It returns what made it impossible, with
// the needles as they were at that moment.
func (m *Machine) Do(o Op) error {
	if o.N < 1 {
		return fmt.Errorf("%s must be done at least once, not %d times", o.Code, o.N)
	}
	if m.count == 0 && o.Code != CO && o.Code != COChain {
		return errText("nothing is on the needles")
	}
	var err error
	switch o.Code {
	case CO, COChain:
		err = m.castOn(o)
	case Unzip:
		err = m.unzip(o.N)
	case K, P:
		err = m.plain(o)
	default:
		for range o.N {
			if err = m.once(o.Code); err != nil {
				break
			}
			m.inRow.first = false
		}
	}
	m.inRow.first = false
	return err
}

// plain works a run of ordinary knit or purl stitches: nine loops of ten.
func (m *Machine) plain(o Op) error {
	if m.open {
		return m.plainOnLine(o)
	}
	below, up := m.below, m.side == RS
	for i := range o.N {
		id := below
		if up {
			id = m.nodes[below].next
		}
		n := &m.nodes[id]
		if n.look != (look{}) {
			if !m.inRow.garter || n.look.kind != Plain || n.look.turned {
				m.below = below
				m.inRow.taken += i
				return refuse(o.Code, n.look)
			}
			n.look = look{}
		}
		n.row = m.row
		if up {
			below = id
		} else {
			below = n.prev
		}
	}
	m.below = below
	m.inRow.taken += o.N
	m.inRow.fresh, m.afterTurn = false, false
	return nil
}

// plainOnLine is plain where the loops have two ends.
func (m *Machine) plainOnLine(o Op) error {
	for range o.N {
		id := m.ahead()
		if id == none {
			return errEdge
		}
		if l := m.nodes[id].look; l != (look{}) {
			if !m.inRow.garter || l.kind != Plain || l.turned {
				return refuse(o.Code, l)
			}
			m.nodes[id].look = look{}
		}
		m.nodes[id].row = m.row
		m.pass(id)
		m.inRow.taken++
		m.inRow.fresh = false
	}
	m.afterTurn = false
	return nil
}

func refuse(c Code, l look) error {
	switch {
	case l.turned:
		return fmt.Errorf("%s meets a loop that sits with its leading leg behind: work it through the back loop", c)
	case l.wraps > 0:
		return fmt.Errorf("%s meets a loop with %d wrap(s): lift the wraps with kw or pw", c, l.wraps)
	case l.kind == Double:
		return fmt.Errorf("%s meets a double stitch: work both legs together with kds or pds", c)
	case l.kind == YarnOver:
		return fmt.Errorf("%s meets the yarn-over of a turn: work it together with the stitch beyond it", c)
	default:
		return fmt.Errorf("%s meets a plain loop", c)
	}
}

// once works a single operation other than a cast-on, unzip, k or p.
func (m *Machine) once(c Code) error {
	if traits[c].takes > 1 {
		return m.decrease(c)
	}
	switch c {
	case M1, M1L, M1R, M1P, PU:
		m.add(look{})
		m.afterTurn = false
		return nil
	case YO:
		if m.afterTurn {
			m.add(look{kind: YarnOver})
		} else {
			m.add(look{})
		}
		m.afterTurn = false
		return nil
	case Turn:
		m.turn()
		m.afterTurn = true
		return nil
	case Start:
		return m.start()
	}
	id := m.ahead()
	if id == none {
		return errEdge
	}
	l := m.nodes[id].look
	if c == WT {
		return m.wrapAndTurn(id)
	}
	if err := m.allowed(c, l); err != nil {
		return err
	}
	if err := m.single(c, id); err != nil {
		return err
	}
	m.inRow.taken++
	m.inRow.fresh = false
	m.afterTurn = false
	return nil
}

// allowed says whether an operation that takes one loop may take this one.
func (m *Machine) allowed(c Code, l look) error {
	switch c {
	case Sl:
		return nil
	case Ktbl, Ptbl:
		if l.kind != Plain || l.wraps > 0 {
			return refuse(c, l)
		}
		return nil
	case Kds, Pds:
		if l.kind != Double {
			return refuseInstead(c, "double stitch", l)
		}
		return nil
	case KW, PW:
		if l.wraps == 0 {
			return refuseInstead(c, "wrapped loop", l)
		}
		return nil
	case BO:
		if m.inRow.section != BindOff {
			return fmt.Errorf("bo belongs to the bind-off, not to the section %s", m.inRow.section)
		}
	case DS, SlPin:
		if !m.inRow.turn || !m.inRow.first {
			return fmt.Errorf("%s is only possible as the first operation after a turn", c)
		}
	}
	if l != (look{}) {
		return refuse(c, l)
	}
	return nil
}

func refuseInstead(c Code, want string, l look) error {
	found := "a plain loop"
	switch {
	case l.wraps > 0:
		found = "a wrapped loop"
	case l.kind != Plain:
		found = "a " + l.kind.String()
	}
	return fmt.Errorf("%s needs a %s, found %s", c, want, found)
}

// single changes the one loop that an allowed operation takes, and moves past it.
func (m *Machine) single(c Code, id int32) error {
	switch c {
	case Sl:
		m.pass(id)
	case Kfb, Pfb:
		m.nodes[id].row = m.row
		m.pass(id)
		m.split(id)
	case DS:
		m.nodes[id].look = look{kind: Double}
		m.pass(id)
	case SlPin:
		if m.atEdgeBehind() {
			return errText("slpin needs a loop left unworked behind it, and this is the edge")
		}
		*m.pinsHere()++
		m.pass(id)
	case KPin, PPin:
		pins := *m.pinsHere()
		*m.pinsHere() = 0
		m.nodes[id].row = m.row
		m.pass(id)
		if m.inRow.kind == Round {
			pins += *m.pinsHere()
			*m.pinsHere() = 0
		}
		if pins == 0 {
			return fmt.Errorf("%s finds no pin beside the loop", c)
		}
	case BO:
		m.pass(id)
		m.drop(id)
	default: // ktbl, ptbl, kds, pds, kw, pw leave one plain loop
		m.nodes[id].look, m.nodes[id].row = look{}, m.row
		m.pass(id)
	}
	return nil
}

// split puts a second plain loop behind the one just worked, as kfb does. Both
// stand in the place of the one taken, so loop 0 stays the lower of them.
func (m *Machine) split(id int32) {
	m.inRow.fresh = false
	atZero := m.side == WS && id == m.zero
	m.add(look{})
	if atZero {
		m.zero = m.nodes[id].prev
	}
}

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
	m.turn()
	m.afterTurn = false
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
	for _, id := range loops[:takes] {
		m.pass(id)
	}
	for _, id := range loops[:takes] {
		if id != keep {
			m.drop(id)
		}
	}
	m.nodes[keep].look, m.nodes[keep].row = look{}, m.row
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
		m.add(look{})
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
		m.add(look{})
	}
	if fromRS {
		m.below = cursor
	}
	m.afterTurn = false
	return nil
}
