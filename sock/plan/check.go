package plan

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/needle"
)

// Check says what is wrong with a plan of any origin. It knits the rows again
// (see Replay). A plan that replays and is the one that this program makes of
// the design, but for a row or two, has a slip in those rows even when the
// needle allows it: a purl among knits, two operations exchanged. Plans that
// go about it in another way are judged by the needle alone.
func Check(p *Plan) []*needle.Fault {
	if faults := Replay(p); len(faults) > 0 {
		return faults
	}
	ours, err := Make(p.Design)
	if err != nil || len(ours.Rows) != len(p.Rows) {
		return nil
	}
	var faults []*needle.Fault
	for i := range p.Rows {
		if at := differs(&p.Rows[i], &ours.Rows[i]); at >= 0 {
			faults = append(faults, &needle.Fault{Row: p.Rows[i].ID, Op: at, Text: fmt.Sprintf(
				"the design asks for another row here, expected %s", opsText(ours.Rows[i].Ops))})
		}
		if len(faults) > mostSlips {
			return nil
		}
	}
	return faults
}

// mostSlips is the number of rows up to which a difference is a slip and not another way of knitting.
const mostSlips = 2

// differs is the first operation in which a row is worked otherwise, -1 for none. How runs are split does not matter.
func differs(a, b *needle.Row) int {
	if a.Kind != b.Kind || a.Side != b.Side || a.Section != b.Section || (a.Fabric == needle.Garter) != (b.Fabric == needle.Garter) || !slices.Equal(a.Turned, b.Turned) {
		return 0
	}
	left, right := stream{ops: a.Ops}, stream{ops: b.Ops}
	for {
		x, okX := left.next()
		y, okY := right.next()
		if x != y || okX != okY {
			return min(left.at, len(a.Ops)-1)
		}
		if !okX {
			return -1
		}
	}
}

// stream gives the operations of a row one by one.
type stream struct {
	ops      []needle.Op
	at, done int
}

func (s *stream) next() (needle.Code, bool) {
	for s.at < len(s.ops) && s.done == s.ops[s.at].N {
		s.at, s.done = s.at+1, 0
	}
	if s.at == len(s.ops) {
		return needle.NoOp, false
	}
	s.done++
	return s.ops[s.at].Code, true
}

func opsText(ops []needle.Op) string {
	parts := make([]string, len(ops))
	for i, o := range ops {
		parts[i] = fmt.Sprintf("%s %d", o.Code, o.N)
	}
	const most = 12
	if len(parts) > most {
		parts = append(parts[:most:most], "…")
	}
	return strings.Join(parts, ", ")
}
