package knit

import "acornstep/sock/rows/needle"

// germanTurn pulls the first stitch after a turn over the needle until it shows
// two legs: a double stitch.
type germanTurn struct{}

var aboutGerman = About{
	Name: "german", Label: "Double stitches", Said: "double stitches", Reason: "quick (German), and the doubles count themselves",
	Term: "turn", Resets: turnResets, Leaves: "double stitches",
}

func (germanTurn) About() *About { return &aboutGerman }

func (germanTurn) firstSide() needle.Side { return needle.WS }
func (germanTurn) roundsBetween() int     { return 1 }
func (germanTurn) leavesRight() bool      { return false }
func (germanTurn) crossesAtJoin() bool    { return false }
func (germanTurn) settlesInRound() bool   { return true }
func (germanTurn) lifts() bool            { return false }

// narrow makes the double stitch of the turn just made, and works to the next
// double stitch or the edge. Begun on the right side, the first row only turns.
func (germanTurn) narrow(r *shortRows, _ bool) {
	if !r.machine.AfterTurn() || r.held == [2]int{} && r.machine.Side() == needle.RS {
		r.run(r.free())
		r.turnWith(needle.Turn)
	}
	r.do(needle.DS, 1)
	r.held[1-r.edge()]++
	r.run(r.free())
	if r.held[leftEdge] < r.turns || r.held[rightEdge] < r.turns {
		r.turnWith(needle.Turn)
	}
}

// takeBack works one stitch more, past the double stitch that was just worked.
func (germanTurn) takeBack(r *shortRows) { r.runPast() }

func (germanTurn) turnOut(r *shortRows, _ bool) {
	r.turnWith(needle.Turn)
	r.do(needle.DS, 1)
	r.done++
}
