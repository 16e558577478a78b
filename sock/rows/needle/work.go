package needle

import "fmt"

// Begin prepares the machine for a row. A row of a plan must face the side
// that the work shows; the cast-on row decides it.
func (m *Machine) Begin(r *Row) error {
	m.inRow = rowState{
		kind: r.Kind, section: r.Section, garter: r.Fabric == Garter,
		first: true, fresh: true, turn: m.afterTurn,
	}
	m.row++
	m.op, m.unclosed, m.reached = 0, m.unclosed[:0], m.reached[:0]
	if m.count == 0 {
		return nil
	}
	if r.Side != m.side {
		return fmt.Errorf("the row says %s, but the work shows %s", r.Side, m.side)
	}
	if r.Kind == Round {
		if m.side != RS {
			return errText("a round is worked from the right side")
		}
		if m.open {
			return errText("a round needs a joined ring, and the loops lie on a line")
		}
	}
	return nil
}

// Work works a whole row and checks it: each operation possible, a round
// working every loop exactly once, the count as the row says. The error is a *Fault.
func (m *Machine) Work(r *Row) error {
	if r.Kind != Round && r.Kind != FlatRow {
		return &Fault{r.ID, -1, fmt.Sprintf("kind is %q, expected %q or %q", r.Kind, Round, FlatRow)}
	}
	if len(r.Ops) == 0 {
		return &Fault{r.ID, -1, "the row has no operations"}
	}
	empty := m.count == 0
	if err := m.Begin(r); err != nil {
		return &Fault{r.ID, -1, err.Error()}
	}
	if r.Kind == Round && r.Section != Heel && !empty && !m.AtRoundStart() && r.Ops[0].Code != Start {
		return &Fault{r.ID, -1, "a round outside the heel begins at loop 0"}
	}
	atStart := m.count
	for i, o := range r.Ops {
		if (o.Code == Turn || o.Code == WT) && (i != len(r.Ops)-1 || o.N != 1) {
			return &Fault{r.ID, i, fmt.Sprintf("%s ends a row, once", o.Code)}
		}
		m.op = int32(i)
		if err := m.Do(o); err != nil {
			return &Fault{r.ID, i, err.Error()}
		}
		if r.Kind == Round && m.inRow.taken > atStart {
			return &Fault{r.ID, i, fmt.Sprintf("the round works past its end: it has %d loops and %d are taken", atStart, m.inRow.taken)}
		}
	}
	if empty {
		if err := m.LayTurned(r.Turned); err != nil {
			return &Fault{r.ID, -1, err.Error()}
		}
		if r.Side != m.side {
			return &Fault{r.ID, -1, fmt.Sprintf("the cast-on row says %s, expected %s", r.Side, m.side)}
		}
	} else if len(r.Turned) > 0 {
		return &Fault{r.ID, -1, "turned loops are named on the cast-on row only"}
	}
	if r.Kind == Round && m.inRow.taken != atStart {
		return &Fault{r.ID, -1, fmt.Sprintf("the round works %d of %d loops", m.inRow.taken, atStart)}
	}
	if r.Stitches != m.count {
		return &Fault{r.ID, -1, fmt.Sprintf("the row says %d stitches, %d are on the needles", r.Stitches, m.count)}
	}
	return nil
}

// LayTurned marks the loops of a cast-on that sit with the leading leg behind.
func (m *Machine) LayTurned(ranges [][2]int) error {
	for _, span := range ranges {
		if span[0] < 0 || span[0] >= span[1] || span[1] > m.count {
			return fmt.Errorf("turned loops are a range within 0 to %d, read %d to %d", m.count, span[0], span[1])
		}
		id := m.zero
		for i := range span[1] {
			if i >= span[0] {
				m.nodes[id].look.turned = true
			}
			id = m.nodes[id].next
		}
	}
	return nil
}
