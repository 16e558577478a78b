package replan

import (
	"fmt"

	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
)

// ordinal names the socks of a pair, which are counted from 1.
var ordinal = [3]string{"", "first", "second"}

// tellPair says once what a bend, told of or looked at for one sock, means for the other.
func (q *Proposal) tellPair(was, now *knitting.Edition, told int, fates [2]knitting.Fate, done knitting.Done, unit measure.Unit) {
	sister := 3 - told
	name := ordinal[sister]
	switch fates[sister-1] {
	case knitting.Finished:
		q.Pair = fmt.Sprintf("The %s sock is off the needles, and stays as it is.", name)
	case knitting.Past:
		rows := was.PlanOf(sister).Rows
		next := min(done[sister-1], len(rows)-1)
		q.Pair = fmt.Sprintf("The %s sock has knitted past it (%s comes next) and stays as it was planned: from here on each sock of the pair has a plan of its own.", name, nameOf(rows, next))
	case knitting.Unasked:
		switch {
		case now.Second == nil: // both go on alike
		case was.OneDesign():
			q.Pair = fmt.Sprintf("This is for the %s sock alone: the %s stays as it was planned.", ordinal[told], name)
		default:
			q.Pair = fmt.Sprintf("The %s sock has a plan of its own, and stays as it is.", name)
		}
	case knitting.Follows:
		own := Proposal{}
		own.compare(was.PlanOf(sister), now.PlanOf(sister), q.CostMM != 0, unit)
		if own.Text == q.Text {
			q.Pair = fmt.Sprintf("The %s sock is planned alike.", name)
		} else {
			q.Pair = fmt.Sprintf("The %s sock: %s", name, own.Text)
		}
	}
}

// byVersion answers rows that were knitted by an older version of the plan, on a device that did not know of the
// newest: they are what they are, and the newest goes on behind them.
func byVersion(e *knitting.Edition, h Happened) (Proposal, error) {
	if h.Before == nil || h.ByVersion >= e.Version {
		return Proposal{}, fault("by_version", "read %d; the versions before this one are 1 to %d", h.ByVersion, e.Version-1)
	}
	old, now := h.Before.PlanOf(h.sock()), e.PlanOf(h.sock())
	if h.Row < 1 || h.Row > len(old.Rows) {
		return Proposal{}, fault("row", "read %d; that version has rows 1 to %d", h.Row, len(old.Rows))
	}
	if e.Off(h.sock(), h.Done) {
		return Proposal{}, fault("sock", "read %d; that sock is off the needles", h.sock())
	}
	knitted, _, err := knitting.Splice(old, now, h.Row)
	if err != nil {
		return Proposal{}, err
	}
	bend := knitting.Bend{Told: h.sock(), Stands: h.Row}
	bend.To[h.sock()-1] = knitted
	return proposeBend(e, bend, h)
}
