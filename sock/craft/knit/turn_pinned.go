package knit

import "acornstep/sock/rows/needle"

// pinnedTurn hangs a removable pin round the yarn at each turn of the
// narrowing rows, and puts the pinned loop back on the needle later.
type pinnedTurn struct{}

var aboutPinned = About{
	Name: "pinned", Label: "Pins", Said: "pins", Reason: "the neatest gap; needs pins", Term: "turn", Resets: turnResets, Leaves: "pins",
	Counts: 1,
}

func (pinnedTurn) About() *About { return &aboutPinned }

func (pinnedTurn) firstSide() needle.Side { return needle.RS }
func (pinnedTurn) roundsBetween() int     { return 0 }
func (pinnedTurn) leavesRight() bool      { return true }
func (pinnedTurn) crossesAtJoin() bool    { return false }
func (pinnedTurn) settlesInRound() bool   { return true }
func (pinnedTurn) lifts() bool            { return false }

func (pinnedTurn) narrow(r *shortRows, runOn bool) {
	if runOn {
		return
	}
	r.stopShort(needle.Turn)
	r.do(needle.SlPin, 1)
	r.done++
}

// takeBack works the next stitch together with its pinned loop.
func (pinnedTurn) takeBack(r *shortRows) { r.runPast() }

// turnOut hangs a new pin only where full rounds have taken those of the
// narrowing rows out, and the gap will be passed once more; else nothing is slipped and nothing hung.
func (pinnedTurn) turnOut(r *shortRows, outermost bool) {
	if r.between == 0 || outermost {
		r.turnWith(needle.Turn)
		return
	}
	r.turnWith(needle.Turn)
	r.do(needle.SlPin, 1)
	r.done++
}
