package knit

import "acornstep/sock/needle"

// pinnedTurn hangs a removable pin round the yarn at each turn of the
// narrowing rows, and puts the pinned loop back on the needle later.
type pinnedTurn struct{}

func (pinnedTurn) firstSide() needle.Side { return needle.RS }
func (pinnedTurn) roundsBetween() int     { return 0 }
func (pinnedTurn) leavesRight() bool      { return true }
func (pinnedTurn) crossesAtJoin() bool    { return false }
func (pinnedTurn) settlesInRound() bool   { return true }

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

// turnOut hangs no new pin.
func (pinnedTurn) turnOut(r *shortRows, _ bool) { r.plainTurn() }
