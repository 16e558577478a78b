package needle

import (
	"fmt"
	"strings"
	"testing"

	"pgregory.net/rapid"
)

// model is the needle machine written a second time, as plainly as possible: a
// slice of loops from loop 0 up, and a number for the cursor. It knows rings
// only. The real machine must agree with it loop by loop.
type model struct {
	loops     []modelLoop
	cursor    int // loops below the yarn
	side      Side
	afterTurn bool
	// halved: loops from both sides of the start were worked together just now.
	halved bool
}

type modelLoop struct {
	kind  byte // k plain, d double, o yarn-over
	wraps int
	pins  int // between this loop and the next one up the ring
}

func (m *model) String() string {
	var b strings.Builder
	for i, l := range m.loops {
		if i == m.cursor {
			b.WriteByte('|')
		}
		b.WriteByte(l.kind)
		fmt.Fprintf(&b, "%d%s", l.wraps, strings.Repeat("'", l.pins))
	}
	return b.String()
}

// at is the index of the loop that is i ahead.
func (m *model) at(i int) int {
	n := len(m.loops)
	if m.side == RS {
		return (m.cursor + i) % n
	}
	return ((m.cursor-1-i)%n + n) % n
}

// gap is the index of the loop below the cursor, which keeps the pins of the gap.
func (m *model) gap() int { return (m.cursor - 1 + len(m.loops)) % len(m.loops) }

func (m *model) advance() {
	n := len(m.loops)
	if m.side == RS {
		m.cursor = (m.cursor + 1) % n
	} else {
		m.cursor = (m.cursor - 1 + n) % n
	}
}

// insert adds a loop at the cursor, behind the gap's pins.
func (m *model) insert(l modelLoop, first bool) {
	below, n := m.gap(), len(m.loops)
	at := m.cursor
	if at == 0 && !first {
		at = n // the last loop
	}
	if m.side == RS {
		l.pins, m.loops[below].pins = m.loops[below].pins, 0
	}
	m.loops = append(m.loops[:at:at], append([]modelLoop{l}, m.loops[at:]...)...)
	if m.side == RS {
		m.cursor = (at + 1) % len(m.loops)
	} else {
		m.cursor = at
	}
}

func (m *model) remove(i int) {
	n := len(m.loops)
	m.loops[(i-1+n)%n].pins += m.loops[i].pins
	m.loops = append(m.loops[:i:i], m.loops[i+1:]...)
	if i < m.cursor {
		m.cursor--
	}
	m.cursor %= len(m.loops)
}

// do works one operation; false means that it is not possible and nothing was done.
func (m *model) do(c Code, first, startsRow bool) bool {
	next := m.at(0)
	l := m.loops[next]
	bare := l.kind == 'k' && l.wraps == 0
	turned := m.afterTurn
	m.afterTurn = false
	ok := true
	first = first || m.halved && m.side == RS && m.cursor == 0
	m.halved = false
	switch c {
	case K, P, Ktbl, Ptbl:
		if ok = bare; ok {
			m.advance()
		}
	case Sl:
		m.advance()
	case DS:
		if ok = bare && turned && startsRow; ok {
			m.loops[next].kind = 'd'
			m.advance()
		}
	case SlPin:
		if ok = bare && turned && startsRow; ok {
			m.loops[m.gap()].pins++
			m.advance()
		}
	case KPin, PPin:
		if ok = bare && m.loops[m.gap()].pins > 0; ok {
			m.loops[m.gap()].pins = 0
			m.advance()
		}
	case Kds, Pds:
		if ok = l.kind == 'd'; ok {
			m.loops[next].kind = 'k'
			m.advance()
		}
	case KW, PW:
		if ok = l.wraps > 0; ok {
			m.loops[next].wraps = 0
			m.advance()
		}
	case M1, PU, PC:
		m.insert(modelLoop{kind: 'k'}, first)
	case YO:
		kind := byte('k')
		if turned {
			kind = 'o'
		}
		m.insert(modelLoop{kind: kind}, first)
	case Kfb:
		if ok = bare; ok {
			m.advance()
			switch {
			case m.side == RS:
				m.insert(modelLoop{kind: 'k'}, false)
			case next == 0:
				// Both loops stand in the place of loop 0: the new, lower one is loop 0.
				m.cursor = 0
				m.loops = append([]modelLoop{{kind: 'k'}}, m.loops...)
			default:
				m.insert(modelLoop{kind: 'k'}, false)
			}
		}
	case K2tog, SSK, P2tog:
		second := m.at(1)
		other := m.loops[second]
		between := l.pins
		if m.side == WS {
			between = other.pins
		}
		fits := func(x modelLoop) bool { return x.wraps == 0 && x.kind != 'd' }
		if ok = len(m.loops) > 1 && fits(l) && fits(other) && (l.kind == 'k' || other.kind == 'k') && between == 0; ok {
			keep, drop := next, second
			if l.kind != 'k' {
				keep, drop = second, next
			}
			m.advance()
			m.advance()
			m.loops[keep].kind = 'k'
			m.remove(drop)
			// Of two loops on either side of the start, what is made next stands in the place of the second.
			m.halved = m.side == RS && keep == next && second == 0
		}
	case Turn:
		m.side = other(m.side)
		m.afterTurn = true
	case WT:
		if ok = l.kind == 'k' && l.wraps < 2; ok {
			m.loops[next].wraps++
			m.side = other(m.side)
		}
	}
	if !ok {
		m.afterTurn = turned
	}
	return ok
}

func other(s Side) Side {
	if s == RS {
		return WS
	}
	return RS
}

// look draws the real machine in the model's letters.
func (m *Machine) asModel() string {
	s := m.Snapshot()
	out := model{cursor: s.Cursor, side: s.Side}
	for _, l := range s.Loops {
		out.loops = append(out.loops, modelLoop{"kdo"[l.Kind], int(l.Wraps), int(l.Pins)})
	}
	return out.String()
}

// Random operations, possible or not, on both machines: they agree on what is
// possible and on every loop, wrap, pin, the cursor and loop 0.
func TestTheMachineAgreesWithItsModel(t *testing.T) {
	tried := []Code{K, P, Sl, DS, SlPin, KPin, Kds, KW, M1, PU, PC, YO, Kfb, K2tog, SSK, P2tog, Turn, WT, K, P, K}
	rapid.Check(t, func(t *rapid.T) {
		n := rapid.IntRange(3, 9).Draw(t, "loops")
		machine, plain := &Machine{}, &model{side: RS}
		if err := machine.Work(&Row{ID: "c", Section: CastOn, Kind: FlatRow, Side: RS, Ops: Ops{{CO, n}}, Stitches: n}); err != nil {
			t.Fatal(err)
		}
		for range n {
			plain.loops = append(plain.loops, modelLoop{kind: 'k'})
		}
		begin := func() {
			if err := machine.Begin(&Row{Section: Heel, Kind: FlatRow, Side: plain.side}); err != nil {
				t.Fatal(err)
			}
		}
		begin()
		startsRow := true
		for range rapid.IntRange(1, 40).Draw(t, "operations") {
			c := rapid.SampledFrom(tried).Draw(t, "operation")
			before := plain.String()
			possible := plain.do(c, false, startsRow)
			err := machine.Do(Op{c, 1})
			if possible != (err == nil) {
				t.Fatalf("%s on %s %s: the model says %v, the machine %v", c, plain.side, before, possible, err)
			}
			if !possible {
				return // a machine that refused is not worked on
			}
			if got, want := machine.asModel(), plain.String(); got != want || machine.Side() != plain.side {
				t.Fatalf("%s on %s: the machine has %s, the model %s", c, before, got, want)
			}
			if startsRow = c == Turn || c == WT; startsRow {
				begin()
			}
		}
	})
}

// A refused operation says why, and in a row it names the place.
func TestFaultsPointAtTheOperation(t *testing.T) {
	m := castOn(t, "co 8")
	err := m.Work(&Row{ID: "foot-1", Section: Foot, Kind: Round, Side: RS, Ops: ops(t, "k 3, kds, k 4"), Stitches: 8})
	if got := err.Error(); got != "foot-1, op 2: kds needs a double stitch, found a plain loop" {
		t.Fatal(got)
	}
}
