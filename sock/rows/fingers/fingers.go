// Package fingers counts what a knitter's fingers find in short rows: the
// stitches that wait beyond one gap, those between the two gaps, and those that wait beyond the other.
package fingers

import (
	"fmt"

	"acornstep/sock/rows/needle"
)

// Groups are told left to right as the work is held after a row: after its
// turn, or with the right side in front where it did not turn.
type Groups struct{ Left, Between, Right int }

func (g Groups) String() string {
	return fmt.Sprintf("%d wait · %d between · %d wait", g.Left, g.Between, g.Right)
}

// Some says whether any stitch waits.
func (g Groups) Some() bool { return g.Left+g.Right > 0 }

// List is the groups as a row of a plan carries them.
func (g Groups) List() []int { return []int{g.Left, g.Between, g.Right} }

// Counter follows the rows of a sock.
type Counter struct {
	// heel is the number of stitches of a heel of short rows, 0 for any other heel.
	heel    int
	section needle.Section
	// stitches on the needles when the section began.
	stitches int
	// list is where the stitches are laid out, row after row.
	list []stitch
	// began: a row has worked stitches and turned. widening: a row has taken held stitches back and turned before
	// the edge, or a full round has taken them back.
	began, widening bool
}

// New follows a sock whose heel has so many stitches of short rows, 0 for a heel without them.
func New(heel int) *Counter { return &Counter{heel: heel} }

// stitch is one of the heel or toe; its yarn-over belongs to it.
type stitch struct {
	double bool
	// open: a turn left the place between it and the next one up the ring open.
	open bool
}

// Asks says whether a row can be one of short rows, so that the needles have to be looked at after it.
func (c *Counter) Asks(row *needle.Row, open bool) bool {
	return row.Section == needle.Toe && open || row.Section == needle.Heel && c.heel > 0
}

// After says what is found after a row, on the needles as they are then; sole
// is the first loop of needle 2. It is false where no short rows are worked.
func (c *Counter) After(row *needle.Row, s needle.Snapshot, sole int) (Groups, bool) {
	if row.Section != c.section {
		*c = Counter{heel: c.heel, list: c.list, section: row.Section, stitches: stitchesIn(s)}
	}
	inToe := row.Section == needle.Toe && s.Open
	inHeel := row.Section == needle.Heel && c.heel > 0 && stitchesIn(s) == c.stitches
	if len(row.Ops) == 0 || !inToe && !inHeel {
		return Groups{}, false
	}
	turnedBack := false
	last := row.Ops[len(row.Ops)-1].Code
	turned := last == needle.Turn || last == needle.WT
	switch {
	case turned && len(row.Ops) > 1:
		turnedBack, c.began = c.began && closes(row), true
	case row.Kind == needle.Round && c.began:
		c.widening = true
	}
	if !c.began {
		return Groups{}, false
	}
	list, at := c.laid(s, sole)
	if list == nil {
		return Groups{}, false
	}
	at = min(max(at, 0), len(list))
	c.widening = c.widening || turnedBack && at > 0 && at < len(list) // at its edge it only resolves
	return c.groups(row.Side, turned, list, at), true
}

// closes says whether a row took back what an earlier turn left.
func closes(row *needle.Row) bool {
	for _, o := range row.Ops {
		if o.Code.ClosesGap() || o.Code.IsDecrease() {
			return true
		}
	}
	return false
}

func stitchesIn(s needle.Snapshot) int {
	n := 0
	for i := range s.Loops {
		if s.Loops[i].Kind != needle.YarnOver {
			n++
		}
	}
	return n
}

// laid gives the stitches of the heel or toe from the right edge to the left,
// right side in front, and how many of them lie before the yarn. The ring is cut open in the middle of the instep, so
// that a heel lies in one piece, however wide it is.
func (c *Counter) laid(s needle.Snapshot, sole int) (list []stitch, at int) {
	list = c.list[:0]
	n, seam := len(s.Loops), 0
	if !s.Open {
		seam = sole / 2
	}
	cursor := (s.Cursor - seam + n) % n
	if s.Open {
		cursor = s.Cursor
	}
	right := 0 // of the edge between instep and sole
	for j := range n {
		if j == cursor {
			at = len(list)
		}
		if j == sole-seam {
			right = len(list)
		}
		l := &s.Loops[(j+seam)%n]
		if l.Kind == needle.YarnOver {
			if last := len(list) - 1; last >= 0 {
				list[last].open = list[last].open || l.Open
			}
			continue
		}
		list = append(list, stitch{l.Kind == needle.Double, l.Open})
	}
	c.list = list
	if cursor >= n {
		at = len(list)
	}
	if s.Open {
		return list, at
	}
	// A heel laps over both ends of the instep alike, an odd stitch at the left; one between gussets is narrower than the sole.
	over := c.heel - (c.stitches - s.StitchesBefore(sole))
	right -= over >> 1
	if right < 0 || right+c.heel > len(list) {
		return nil, 0 // the plan of somebody whose heel lies elsewhere
	}
	return list[right : right+c.heel], at - right
}

func (c *Counter) groups(side needle.Side, turned bool, list []stitch, at int) Groups {
	right, left := 0, 0 // that wait, as the right side shows them
	doubles := false
	for i := range list {
		doubles = doubles || list[i].double
	}
	switch {
	case doubles && !c.widening:
		// Narrowing, the double stitches wait that are there: the stitch just turned on will be one in the next row, and is none yet.
		for i := range list {
			switch {
			case list[i].double && i < len(list)/2:
				right++
			case list[i].double:
				left++
			}
		}
	case turned && side == needle.RS:
		left, right = len(list)-at, below(list, at)
	case turned:
		right, left = at, above(list, at)
	default:
		right, left = below(list, at), above(list, at)
	}
	between := len(list) - left - right
	if turned && side == needle.RS {
		return Groups{right, between, left} // the wrong side is in front now
	}
	return Groups{left, between, right}
}

// below counts what waits beyond the nearest gap under a place.
func below(list []stitch, at int) int {
	for i := at - 1; i > 0; i-- {
		if list[i-1].open {
			return i
		}
	}
	return 0
}

// above counts what waits beyond the nearest gap over a place.
func above(list []stitch, at int) int {
	for i := max(at, 0); i < len(list)-1; i++ {
		if list[i].open {
			return len(list) - 1 - i
		}
	}
	return 0
}
