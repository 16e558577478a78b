package hands

import "strings"

// facing is the side that faces the knitter, with what is seen and done on it.
type facing struct {
	// id ends the names of sequences, said their titles.
	id, said string
	// work is what is done to a stitch: knit or purl.
	work string
	// loop is a loop of the row before, fresh one of the row at hand.
	loop, fresh string
	way         way
	knits       bool
}

var (
	rightSide = facing{"rs", "right side", "knit", "v", "V", knitwise, true}
	wrongSide = facing{"ws", "wrong side", "purl", "b", "B", purlwise, false}
)

// both gives what a function makes for either side.
func both(of func(facing) []Sequence) []Sequence { return append(of(rightSide), of(wrongSide)...) }

// yarnAt leaves the yarn where the next stitch of this side needs it.
func (f facing) yarnAt(s scene) scene {
	if f.knits {
		return s.behind()
	}
	return s.front()
}

// n are so many loops of the row before, m of the row at hand.
func (f facing) n(n int) string { return strings.Repeat(f.loop, n) }
func (f facing) m(n int) string { return strings.Repeat(f.fresh, n) }

// turned is the work right after a turn: what was just worked lies on the left needle, what waits beyond the gap on the right one.
func (f facing) turned() scene {
	// The yarn hangs on the wrong side: behind when the right side faces the knitter.
	return f.yarnAt(tips(f.n(3), "/"+f.n(2))).turning()
}

// snug is said before the first stitch after every turn.
const snug = "Draw the yarn snug before the first stitch."

// turning is a turn at which nothing is left: of a garter square, of a row that is purled back, and at the edge of a heel.
var turning = []Sequence{{
	Name: "turn", Title: "Turn the work", Group: groupSts,
	Steps: []Step{
		{"The row is done. Turn the work, so that its other side faces you: the needle with the stitches goes to the other hand.", rightSide.yarnAt(tips("", "VVV"))},
		{snug + " Nothing is slipped, wrapped or hung.", wrongSide.turned()},
	},
	Look: "The yarn hangs from the first stitch, on the side away from the gap.", Slip: "The yarn lies over the needle: a loop too many.",
}}
