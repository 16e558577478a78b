package check

import (
	"fmt"

	"acornstep/sock/rows/needle"
)

// turnLists are the stitches of needle 2 outside each turn of a short-row
// heel, on either side. Both lists are the same within one stitch, so that the
// turns lie about the middle of the sole.
type turnLists struct {
	right, wrong []outside
}

type outside struct {
	row      string
	stitches int
}

// add notes the turn at the end of a row; instep is the number of stitches on
// needle 1. The yarn-overs of turns are no stitches.
func (t *turnLists) add(row *needle.Row, m *needle.Machine, instep int) {
	s := m.Snapshot()
	at, all := 0, 0
	for i, l := range s.Loops {
		if l.Kind == needle.YarnOver {
			continue
		}
		if i < s.Cursor {
			at++
		}
		all++
	}
	if row.Side == needle.RS {
		beyond := 0
		if at > instep {
			beyond = all - at
		}
		t.right = append(t.right, outside{row.ID, beyond})
		return
	}
	if s.Cursor == 0 {
		at = all
	}
	t.wrong = append(t.wrong, outside{row.ID, max(0, at-instep)})
}

func (t *turnLists) check(r *replay, row *needle.Row) {
	if len(t.right) != len(t.wrong) {
		r.fault(row, "the heel turns %d times on the right side and %d times on the wrong side, expected as many", len(t.right),
			len(t.wrong))
		return
	}
	for i := range t.right {
		if d := t.right[i].stitches - t.wrong[i].stitches; d < -1 || d > 1 {
			r.faults = append(r.faults, &needle.Fault{Row: t.wrong[i].row, Op: -1, Text: fmt.Sprintf(
				"the row turns with %d stitches of the sole outside, and %s on the other side with %d: the turns do not lie about the middle", t.wrong[i].stitches, t.right[i].row, t.right[i].stitches)})
			return
		}
	}
}
