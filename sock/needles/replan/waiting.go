package replan

import (
	"fmt"
	"slices"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Waiting is what somebody counts in short rows, as they hold the work: the stitches that wait on the left, lie between, and wait on the right.
type Waiting [3]int

// heldSides are what Waiting counts, in its order.
var heldSides = [3]string{"left", "", "right"}

// shortRow is a row of short rows after which other stitches wait than the plan has.
type shortRow struct {
	p *plan.Plan
	t *knitted.Sock
	// after is the row that was worked last.
	after int
}

// WaitingIsWrong says which turn most likely went wrong when other stitches wait before a row than the plan has, and what is to be ripped to
// mend it; none when they agree.
func WaitingIsWrong(p *plan.Plan, t *knitted.Sock, row int, counted Waiting) ([]Cause, error) {
	if row < 1 || row > len(p.Rows) || len(p.Rows[row-1].Groups) != len(counted) {
		return nil, fault("waits", "no stitches wait here: this is asked in the short rows of a heel or a toe")
	}
	s := &shortRow{p, t, row - 1}
	planned := s.groups(s.after)
	if counted == planned {
		return []Cause{}, nil
	}
	all, want := counted[0]+counted[1]+counted[2], planned[0]+planned[1]+planned[2]
	if all != want {
		return nil, fault("waits", "read %d, %d and %d, %d in all; %d lie here, a stitch with its wrap or yarn-over counting as one", counted[0],
			counted[1], counted[2], all, want)
	}
	causes := s.elsewhere(counted)
	for side := 0; side < len(counted); side += 2 {
		if off := counted[side] - planned[side]; off != 0 {
			causes = append(causes, s.turned(side, off))
		}
	}
	return causes, nil
}

func (s *shortRow) groups(i int) Waiting { return Waiting(s.p.Rows[i].Groups) }

// elsewhere: the counts are those after another row of these short rows, with the same side in front: so many were worked more, or fewer.
func (s *shortRow) elsewhere(counted Waiting) []Cause {
	var causes []Cause
	for _, step := range []int{2, -2, 1, -1, 4, -4} {
		i := s.after + step
		if i < 1 || i >= len(s.p.Rows) || s.p.Rows[i].Section != s.p.Rows[s.after].Section || len(s.p.Rows[i].Groups) != len(counted) ||
			s.groups(i) != counted {
			continue
		}
		more := measure.Count(max(step, -step), "row")
		text := fmt.Sprintf("%s more than ticked: these are the counts after %s.", more, nameOf(s.p.Rows, i))
		if step < 0 {
			text = fmt.Sprintf("%s fewer than ticked: these are the counts after %s.", more, nameOf(s.p.Rows, i))
		}
		if step%2 != 0 {
			text += " Then the other side is in front, too."
		}
		next := i + 1
		causes = append(causes, Cause{Text: text, Repair: "Put the sock there: nothing is to be ripped.", Row: i, Place: nameOf(s.p.Rows, i), There: &next})
	}
	return causes
}

// turned: a turn on one side was made at another stitch. What is to be ripped is as little as lies above it.
func (s *shortRow) turned(side, off int) Cause {
	at, narrows := s.turnOf(side)
	name, many := nameOf(s.p.Rows, at), stitchesOf(max(off, -off))
	wait := "wait"
	if off == 1 || off == -1 {
		wait = "waits"
	}
	text, mend := fmt.Sprintf("On the %s %s too many %s: at the end of %s the work turned too soon.", heldSides[side], many, wait, name),
		fmt.Sprintf("work %s more, and turn again", many)
	switch {
	case off < 0 && narrows:
		text = fmt.Sprintf("On the %s %s too few %s: at the end of %s the work turned too late.", heldSides[side], many, wait, name)
		mend = fmt.Sprintf("take back %s, and turn again", many)
	case off > 0 && !narrows:
		text = fmt.Sprintf("On the %s %s too many %s: %s took back too few.", heldSides[side], many, wait, name)
	case off < 0:
		text = fmt.Sprintf("On the %s %s too few %s: %s took back too many.", heldSides[side], many, wait, name)
		mend = fmt.Sprintf("take back %s, and turn again", many)
	}
	if at == s.after {
		return Cause{Text: text, Repair: fmt.Sprintf("No row is to be ripped: take back the turn that was just made, %s.", mend), Row: at, Place: "at the last turn"}
	}
	stitches := 0
	for i := at + 1; i <= s.after; i++ {
		stitches += s.t.Steps[i].Worked
	}
	return Cause{Text: text, Repair: fmt.Sprintf("Rip back %s (%s) to the turn at the end of %s, take that back, %s.", measure.Count(s.after-at, "row"),
		stitchesOf(stitches), name, mend), Row: at, Place: "at the end of " + name}

}

// turnOf is the row that made the newest turn on a side, as the work is held now, and whether more waits there for it.
func (s *shortRow) turnOf(side int) (at int, narrows bool) {
	for i := s.after; i > 0 && len(s.p.Rows[i-1].Groups) > 0; i-- {
		now, before := s.waits(i, side), s.waits(i-1, side)
		if now == before {
			continue
		}
		// A double stitch is made at the start of the row after its turn.
		if now > before && slices.ContainsFunc(s.p.Rows[i].Ops[:1], func(o needle.Op) bool { return o.Code == needle.DS }) {
			return i - 1, true
		}
		return i, now > before
	}
	return s.after, true
}

// waits is what waits after a row on the side that is the left or the right one now.
func (s *shortRow) waits(i, side int) int {
	if s.t.Before(i+1).Side != s.t.Before(s.after+1).Side {
		side = 2 - side
	}
	return s.groups(i)[side]
}
