package knit

import "acornstep/sock/needle"

// turning is a style of short rows: how a row stops and turns while the work
// narrows, and how a held stitch is taken back while it widens.
type turning interface {
	// firstSide is the side of the first row when nothing else is asked for.
	firstSide() needle.Side
	// roundsBetween are the full rounds between the halves that belong to the style.
	roundsBetween() int
	// narrow works one row to its stop, and turns.
	narrow(r *shortRows)
	// widen works one row up to the frontier, takes one held stitch back, and turns.
	widen(r *shortRows)
	// takesAllBack says whether the last stitch of the right edge is taken
	// back by a row of the heel and not by the round after it.
	takesAllBack() bool
}

var turnings = map[string]turning{
	"german": germanTurn{},
}

// Edges of the short rows, as seen from the right side.
const (
	leftEdge  = 0 // where right-side rows turn
	rightEdge = 1 // where wrong-side rows turn
)

// shortRows are rows worked back and forth over some of the stitches.
type shortRows struct {
	*hands
	style turning
	// stitches of the span, turns wanted on each side.
	stitches, turns int
	// held stitches at each edge.
	held [2]int
	// done stitches of the row so far, of those that are not held.
	done int
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

// hold adds a stitch to those held at an edge.
func (r *shortRows) hold(edge int) { r.held[edge]++ }

// turnWith ends the row with this operation and begins the next one.
func (r *shortRows) turnWith(code needle.Code) {
	r.do(code, 1)
	r.end()
	r.begin(needle.FlatRow)
	r.done = 0
}

// narrowing works turns on both sides; the last row is left open at its stop.
func (r *shortRows) narrowing() {
	for range 2 * r.turns {
		r.style.narrow(r)
	}
}

// widening takes one stitch back in each row until none is held; sides says
// how many of the last stitches, one on each side, are left to the round after.
func (r *shortRows) widening() {
	for r.held[leftEdge]+r.held[rightEdge] > 0 && r.err == nil {
		last := r.held[leftEdge]+r.held[rightEdge] == 1
		if last && r.edge() == rightEdge && !r.style.takesAllBack() {
			return
		}
		r.style.widen(r)
	}
}
