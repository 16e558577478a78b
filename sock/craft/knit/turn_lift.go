package knit

import "acornstep/sock/rows/needle"

// liftTurn leaves nothing at its turns; widening rows close each gap with a
// decrease and lift a new stitch in it.
type liftTurn struct{}

var aboutLift = About{
	Name: "lift", Label: "Slip and lift", Said: "slip and lift", Reason: "least bulk", Term: "turn", Resets: turnResets,
	Leaves: "resting stitches", Counts: 1,
}

func (liftTurn) About() *About { return &aboutLift }

func (liftTurn) firstSide() needle.Side { return needle.RS }
func (liftTurn) roundsBetween() int     { return 0 }
func (liftTurn) leavesRight() bool      { return false }
func (liftTurn) crossesAtJoin() bool    { return false }
func (liftTurn) settlesInRound() bool   { return false }
func (liftTurn) lifts() bool            { return true }

func (liftTurn) narrow(r *shortRows, runOn bool) {
	if runOn {
		return
	}
	r.stopShort(needle.Turn)
	r.do(needle.Sl, 1)
	r.done++
}

// takeBack works the last free stitch and its resting neighbour together and
// lifts one new stitch in the gap, which keeps the count.
func (liftTurn) takeBack(r *shortRows) {
	together, lifted := needle.K2tog, needle.M1
	if r.settling() == &asPurl {
		together, lifted = needle.P2tog, needle.M1P
	}
	r.run(r.free() - 1)
	if !r.machine.Peek(0).GapAfter {
		r.run(2) // a full round has closed what was here
		return
	}
	r.do(together, 1)
	r.do(lifted, 1)
	r.done += 2
}

func (liftTurn) turnOut(r *shortRows, _ bool) { r.plainTurn() }
