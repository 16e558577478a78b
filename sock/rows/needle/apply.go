package needle

import (
	"fmt"
)

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
	m.inRow.fills, m.inRow.halved = m.inRow.halved && o.Code.Takes() == 0, false
	m.inRow.fillsOn, m.inRow.across = m.inRow.across, 0
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
			m.inRow.halved = false
			if err = m.once(o.Code); err != nil {
				break
			}
			m.inRow.first, m.inRow.fills, m.inRow.fillsOn = false, false, 0
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
	nodes, history := m.nodes, m.history
	below, up, closed := m.below, m.side == RS, m.closed
	b := &nodes[below]
	for i := range o.N {
		id, n, wrapped := below, b, false
		if up {
			id = b.next
			n = &nodes[id]
		}
		if n.look != (look{}) {
			if !m.inRow.garter || n.look.kind != Plain || n.look.turned {
				m.below = below
				m.inRow.taken += i
				return refuse(o.Code, n.look)
			}
			wrapped = true // in garter it may stay where it is, and closes the place beside it
			n.look = look{}
		}
		if b.open > 0 {
			m.below, m.closed = below, closed
			m.cross(wrapped)
		}
		m.atTurn = false
		m.made++
		if history != nil {
			history.add(Made{Row: m.row - 1, Op: m.op, Code: o.Code}, []int32{n.made})
		}
		n.made, closed = m.made, wrapped
		if m.hand > 0 {
			n.on = m.hand - 1
		}
		if !up {
			id = n.prev
			n = &nodes[id]
		}
		below, b = id, n
	}
	m.below, m.closed = below, closed
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
		l := m.nodes[id].look
		if l != (look{}) {
			if !m.inRow.garter || l.kind != Plain || l.turned {
				return refuse(o.Code, l)
			}
			m.nodes[id].look = look{}
		}
		m.cross(l.wraps > 0)
		m.nodes[id].made = m.newLoop(o.Code, m.nodes[id].made)
		m.pass(id)
		m.closed = l.wraps > 0
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
	case M1, M1L, M1R, M1P, PU, PC:
		if (c == PU || c == PC) && m.count > 0 {
			m.nodes[m.below].open = 0 // picked up there, it closes the place
		}
		m.add(look{}, c)
		m.afterTurn = false
		return nil
	case YO:
		if m.afterTurn {
			m.add(look{kind: YarnOver}, c)
		} else {
			m.add(look{}, c)
		}
		m.afterTurn = false
		return nil
	case Turn:
		m.leave()
		m.turn()
		m.afterTurn, m.atTurn, m.closed = true, true, false
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
	if err := m.lifts(c, id); err != nil {
		return err
	}
	m.cross(c.ClosesGap())
	if err := m.single(c, id); err != nil {
		return err
	}
	m.closed = c.ClosesGap()
	m.inRow.taken++
	m.inRow.fresh = false
	m.afterTurn = false
	return nil
}

// lifts says whether the strand is there that klift and plift take up: in the
// open place just before the loop, or in a round, on the far side, just after it.
func (m *Machine) lifts(c Code, id int32) error {
	if c != KLift && c != PLift {
		return nil
	}
	if m.nodes[m.below].open > 0 || m.inRow.kind == Round && m.nodes[id].open > 0 {
		return nil
	}
	return fmt.Errorf("%s finds no gap of a turn beside the loop", c)
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
		m.nodes[id].made = m.newLoop(c, m.nodes[id].made)
		m.pass(id)
		m.split(id, c)
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
		m.nodes[id].made = m.newLoop(c, m.nodes[id].made)
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
	default: // ktbl, ptbl, kds, pds, kw, pw, klift, plift leave one plain loop
		m.nodes[id].look, m.nodes[id].made = look{}, m.newLoop(c, m.nodes[id].made)
		m.pass(id)
	}
	return nil
}

// split puts a second plain loop behind the one just worked, as kfb does. Both
// stand in the place of the one taken, so loop 0 stays the lower of them.
func (m *Machine) split(id int32, c Code) {
	m.inRow.fresh = false
	atZero := m.side == WS && id == m.zero
	from := int32(0)
	if m.history != nil {
		from = m.history.made[m.nodes[id].made-1].From[0] // both are drawn through the same loop
	}
	m.add(look{}, c, from)
	if atZero {
		m.zero = m.nodes[id].prev
	}
}
