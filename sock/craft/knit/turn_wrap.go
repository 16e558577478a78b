package knit

import "acornstep/sock/rows/needle"

// wrapTurn lays the yarn round the base of the stitch beyond the turn.
type wrapTurn struct{}

var aboutWrap = About{
	Name: "wrap", Label: "Wraps", Said: "wraps", Reason: "well hidden, if each wrap is lifted", Term: "turn", Resets: turnResets,
	Leaves: "wrapped stitches", Counts: 1,
	InGarter: "In garter no row lifts the wraps: among the ridges each looks like one bump more, and lifting it would only show.",
}

func (wrapTurn) About() *About { return &aboutWrap }

func (wrapTurn) firstSide() needle.Side { return needle.RS }
func (wrapTurn) roundsBetween() int     { return 0 }
func (wrapTurn) leavesRight() bool      { return false }
func (wrapTurn) crossesAtJoin() bool    { return false }
func (wrapTurn) settlesInRound() bool   { return true }
func (wrapTurn) lifts() bool            { return false }

func (wrapTurn) narrow(r *shortRows, runOn bool) {
	if !runOn {
		r.stopShort(needle.WT)
	}
}

// takeBack lifts the wraps of the next stitch and works them with it.
func (wrapTurn) takeBack(r *shortRows) { r.runPast() }

// turnOut wraps the next stitch a second time; at the edge there is none to wrap.
func (wrapTurn) turnOut(r *shortRows, outermost bool) {
	if outermost {
		r.plainTurn()
		return
	}
	r.turnWith(needle.WT)
}
