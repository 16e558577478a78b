package knit

import "acornstep/sock/needle"

// germanTurn pulls the first stitch after a turn over the needle until it shows
// two legs: a double stitch.
type germanTurn struct{}

func (germanTurn) firstSide() needle.Side { return needle.WS }
func (germanTurn) roundsBetween() int     { return 1 }
func (germanTurn) takesAllBack() bool     { return true }

// narrow makes the double stitch of the turn just made, and works to the next
// double stitch or the edge.
func (germanTurn) narrow(r *shortRows) {
	r.do(needle.DS, 1)
	r.hold(1 - r.edge())
	r.run(r.free())
	if r.held[leftEdge] < r.turns || r.held[rightEdge] < r.turns {
		r.turnWith(needle.Turn)
	}
}

// widen works both legs of the frontier's double stitch as one, and one stitch more.
func (germanTurn) widen(r *shortRows) {
	if r.machine.AfterTurn() {
		r.do(needle.DS, 1)
		r.done++
	}
	r.run(r.free())
	r.held[r.edge()]--
	r.run(1)
	r.turnWith(needle.Turn)
}
