package knit

import "acornstep/sock/figures/at"

import "acornstep/sock/rows/needle"

// turning is a style of short rows: how a row stops and turns while the work
// narrows, and how a held stitch is taken back while it widens.
type turning interface {
	Technique
	// firstSide is the side of the first row when nothing else is asked for.
	firstSide() needle.Side
	// roundsBetween are the full rounds between the halves that belong to the style.
	roundsBetween() int
	// narrow works one row to its stop, and turns. With runOn the row is the last
	// one and a full round follows: it is left open where it would turn, or before it.
	narrow(r *shortRows, runOn bool)
	// takeBack works up to the frontier and takes the next held stitch back, with whatever its turn left.
	takeBack(r *shortRows)
	// turnOut turns while the work widens; at the outermost turn none is held any more.
	turnOut(r *shortRows, outermost bool)
	// leavesRight says whether the last stitch of the right edge is taken back in the round after the heel.
	leavesRight() bool
	// settlesInRound says whether a later round can take a held stitch back as
	// well as a row of the heel.
	settlesInRound() bool
	// lifts says that nothing hangs at its turns: whoever passes a gap takes up the strand in it.
	lifts() bool
	// crossesAtJoin says whether a toe turns at its very edges, so that what the
	// turns leave is worked with the first and last stitch of the other half.
	crossesAtJoin() bool
}

// turnings lists the styles, the usual one first.
var turnings = []turning{germanTurn{}, wrapTurn{}, yarnOverTurn{}, pinnedTurn{}, liftTurn{}}

// turnResets are worked out anew when another style is chosen: each has its own.
var turnResets = []at.Path{at.HeelRoundsBetween, at.HeelFirstRow}

// Edges of the short rows, as seen from the right side.
const (
	leftEdge  = 0 // where right-side rows turn
	rightEdge = 1 // where wrong-side rows turn
)

// shortRows are rows worked back and forth over some of the stitches.
type shortRows struct {
	*worker
	style turning
	// stitches of the span, turns wanted on each side.
	stitches, turns int
	// held stitches at each edge.
	held [2]int
	// done stitches of the row so far, of those that are not held.
	done int
	// leaveRight: the last stitch of the right edge is left to the round after.
	leaveRight bool
	// wrapNeighbour lays the outermost wraps round the stitches next to the span.
	wrapNeighbour bool
	// ownStrand: a strand of the heel's own ends where it began, so nothing may hang on its last turns.
	ownStrand bool
	// between are the full rounds between the halves: they close what the narrowing rows left.
	between int
	// ring is the count of stitches all round.
	ring int
	// beyond is how many stitches of the span lie past loop 0, where the round begins.
	beyond int
}

// oneNeedle says whether the heel is worked on a single needle, where nothing but markers tells its middle.
func (r *shortRows) oneNeedle() bool {
	return r.lay.in != nil && r.lay.in(needle.Heel).Backs == 0
}

// edge is where the present row will turn.
func (r *shortRows) edge() int {
	if r.machine.Side() == needle.RS {
		return leftEdge
	}
	return rightEdge
}

// free are the stitches of the present row that are neither held nor worked yet.
func (r *shortRows) free() int {
	return r.stitches - r.held[leftEdge] - r.held[rightEdge] - r.done
}

// run works n free stitches.
func (r *shortRows) run(n int) {
	r.settle(n)
	r.done += n
}

// runPast works all free stitches and the one beyond the frontier.
func (r *shortRows) runPast() { r.run(r.free() + 1) }

// turnWith ends the row with this operation and begins the next one.
func (r *shortRows) turnWith(code needle.Code) {
	r.do(code, 1)
	r.end()
	r.begin(needle.FlatRow)
	r.done = 0
}

// stopShort is the narrowing row of every style that stops one stitch short of its frontier.
func (r *shortRows) stopShort(turn needle.Code) {
	r.run(r.free() - 1)
	r.held[r.edge()]++
	r.turnWith(turn)
}

// plainTurn turns and slips the first stitch: at an edge nothing lies beyond it to wrap or to pin to.
func (r *shortRows) plainTurn() {
	r.turnWith(needle.Turn)
	r.do(needle.Sl, 1)
	r.done++
}

// narrowing works turns on both sides. With full rounds to follow, a last
// row on the right side runs on instead of turning.
func (r *shortRows) narrowing(roundFollows bool) {
	for held := 0; held < 2*r.turns && r.err == nil; held++ {
		r.style.narrow(r, roundFollows && held == 2*r.turns-1 && r.edge() == leftEdge)
	}
}

// widening takes one stitch back in each row until none is held, and ends in
// a right-side row that is still open.
func (r *shortRows) widening() {
	for r.held[leftEdge]+r.held[rightEdge] > 0 && r.err == nil {
		edge := r.edge()
		lastRow := edge == leftEdge && r.held[leftEdge] == 1 && (r.held[rightEdge] == 0 || r.held[rightEdge] == 1 && r.leaveRight)
		if lastRow && r.beyond > 0 && r.style.settlesInRound() {
			return // the round begins before the left edge is reached: it takes back what is held there
		}
		r.style.takeBack(r)
		r.held[edge]--
		if lastRow {
			return
		}
		outermost := r.held[edge] == 0
		outward := needle.Turn
		if outermost && r.wrapNeighbour {
			outward = needle.WT
		}
		switch {
		case outermost && r.ownStrand && edge == rightEdge:
			r.do(outward, 1)
			r.end()
			return
		case outward == needle.WT:
			r.turnWith(needle.WT)
			r.do(needle.Sl, 1)
			r.done++
		default:
			r.style.turnOut(r, outermost)
		}
	}
}
