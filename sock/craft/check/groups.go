package check

import (
	"slices"

	"acornstep/sock/rows/needle"
)

// groups counts what waits in short rows for a plan of any origin. It knows nothing of how the plan was counted: it remembers where
// the rows turned, as places between stitches, and forgets a place when a later row works over it.
type groups struct {
	// heel is the number of stitches of a heel of short rows, 0 for any other heel.
	heel    int
	section needle.Section
	// live stitches when the section began.
	live int
	// gaps are places where a row turned and none has passed since, in stitches from the right edge of the heel or toe.
	gaps []int
	// at is where the row before ended, counted likewise; turned says that it turned there.
	at     int
	turned bool
	// began: a row has worked stitches and turned. widening: a row has taken back what an earlier turn left and turned before the edge, or
	// a round has gone over all of it.
	began, widening bool
}

// see follows a row that was just worked; sole is the first stitch of needle 2. It gives what waits on the left, lies between, and
// waits on the right, as the work is held then, and nil where no short rows are worked.
func (g *groups) see(row *needle.Row, m *needle.Machine, sole int) []int {
	all := m.Stitches()
	if row.Section != g.section {
		*g = groups{heel: g.heel, section: row.Section, live: all}
		g.at, _ = g.place(m, sole)
		g.turned = true // whatever was there before the section is not passed by its first row
	}
	if row.Section != needle.Heel && !(row.Section == needle.Toe && m.Open()) {
		return nil
	}
	if row.Section == needle.Heel && (g.heel == 0 || all != g.live) {
		return nil
	}
	at, stitches := g.place(m, sole)
	turns := endsInTurn(row)
	g.pass(row, at, all)
	if turns && at > 0 && at < stitches && !slices.Contains(g.gaps, at) {
		g.gaps = append(g.gaps, at)
	}
	widens := turns && takesBack(row) && at > 0 && at < stitches
	g.widening = g.widening || g.began && (widens || row.Kind == needle.Round)
	g.began = g.began || turns && len(row.Ops) > 1
	g.at, g.turned = at, turns
	if !g.began {
		return nil
	}
	right, left := g.beyond(row, at, stitches)
	if doubled := g.doubles(m, sole, stitches); !g.widening && doubled != [2]int{} {
		right, left = doubled[0], doubled[1]
	}
	if turns && row.Side == needle.RS {
		return []int{right, stitches - right - left, left} // the wrong side is in front
	}
	return []int{left, stitches - right - left, right}
}

// place is where the yarn is, in stitches from the right edge of the heel or toe, and how many stitches those have. Beyond the left
// edge lies the instep.
func (g *groups) place(m *needle.Machine, sole int) (at, stitches int) {
	all := m.Stitches()
	at = m.StitchesBefore(m.Cursor())
	if m.Open() {
		return at, all
	}
	return (at - g.edge(all, sole) + all) % max(all, 1), g.heel
}

// edge is the first stitch of the heel: it laps over both ends of the instep alike, an odd one at the left.
func (g *groups) edge(all, sole int) int { return sole - (g.heel-(all-sole))>>1 }

// takesBack says whether a row works something that a turn left.
func takesBack(row *needle.Row) bool {
	return slices.ContainsFunc(row.Ops, func(o needle.Op) bool { return o.Code.ClosesGap() || o.Code.IsDecrease() })
}

// pass forgets the gaps that a row worked over.
func (g *groups) pass(row *needle.Row, at, all int) {
	from, to := g.at, at
	switch {
	case row.Kind == needle.Round:
		g.gaps = g.gaps[:0]
		return
	case len(row.Ops) == 1 && row.Ops[0].Code == needle.Turn:
		return
	case row.Side == needle.RS && to <= from:
		to += all
	case row.Side == needle.WS && to >= from:
		from += all
	}
	low, high := min(from, to), max(from, to)
	g.gaps = slices.DeleteFunc(g.gaps, func(gap int) bool {
		inside := gap > low && gap < high || gap+all > low && gap+all < high
		return inside || !g.turned && gap == g.at
	})
}

// beyond counts the stitches that wait beyond the gaps on either side of the yarn.
func (g *groups) beyond(row *needle.Row, at, stitches int) (right, left int) {
	turns := endsInTurn(row)
	at = min(at, stitches)
	switch {
	case turns && row.Side == needle.RS:
		left, right = stitches-at, g.last(at)
	case turns:
		right, left = at, stitches-g.first(at, stitches)
	default:
		right, left = g.last(at), stitches-g.first(at, stitches)
	}
	return right, left
}

// last is the nearest gap below a place, 0 for none; first the nearest one above it, the left edge for none.
func (g *groups) last(at int) int {
	found := 0
	for _, gap := range g.gaps {
		if gap < at {
			found = max(found, gap)
		}
	}
	return found
}

func (g *groups) first(at, stitches int) int {
	found := stitches
	for _, gap := range g.gaps {
		if gap > at {
			found = min(found, gap)
		}
	}
	return found
}

// doubles are the double stitches of the right half and of the left one.
func (g *groups) doubles(m *needle.Machine, sole, stitches int) (of [2]int) {
	now := m.Snapshot()
	all, edge, at := m.Stitches(), 0, 0
	if !m.Open() {
		edge = g.edge(all, sole)
	}
	for i := range now.Loops {
		switch now.Loops[i].Kind {
		case needle.YarnOver:
			continue
		case needle.Double:
			if place := (at - edge + all) % all; place < stitches/2 {
				of[0]++
			} else {
				of[1]++
			}
		}
		at++
	}
	return of
}
