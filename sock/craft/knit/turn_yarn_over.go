package knit

import "acornstep/sock/rows/needle"

// yarnOverTurn lays a yarn-over on the needle after each turn.
type yarnOverTurn struct{}

var aboutYarnOver = About{
	Name: "yarn_over", Label: "Yarn-overs", Said: "yarn-overs", Reason: "nothing to lift; never forget the yarn-over", Term: "turn",
	Resets: turnResets, Leaves: "yarn-overs", Counts: 1,
}

func (yarnOverTurn) About() *About { return &aboutYarnOver }

func (yarnOverTurn) firstSide() needle.Side { return needle.RS }
func (yarnOverTurn) roundsBetween() int     { return 0 }
func (yarnOverTurn) leavesRight() bool      { return true }
func (yarnOverTurn) crossesAtJoin() bool    { return true }
func (yarnOverTurn) settlesInRound() bool   { return true }
func (yarnOverTurn) lifts() bool            { return false }

func (yarnOverTurn) narrow(r *shortRows, runOn bool) {
	if runOn {
		return
	}
	r.stopShort(needle.Turn)
	r.do(needle.YO, 1)
}

// takeBack works the next stitch together with the yarn-overs before it.
func (yarnOverTurn) takeBack(r *shortRows) { r.runPast() }

// turnOut lays another yarn-over, except where the strand ends: nobody would come back to it.
func (yarnOverTurn) turnOut(r *shortRows, outermost bool) {
	if outermost && r.ownStrand {
		r.plainTurn()
		return
	}
	r.turnWith(needle.Turn)
	r.do(needle.YO, 1)
}
