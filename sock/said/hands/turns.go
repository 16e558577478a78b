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

// other is the side that is seen once the work is turned.
func (f facing) other() facing {
	if f.knits {
		return wrongSide
	}
	return rightSide
}

// on lays loops with this side in front.
func (f facing) on(left, right string) work { return on(!f.knits, left, right) }

// n are so many loops of the row before, m of the row at hand.
func (f facing) n(n int) string { return strings.Repeat(f.loop, n) }
func (f facing) m(n int) string { return strings.Repeat(f.fresh, n) }

// plain works so many stitches as they come.
func (f facing) plain(n int) verb { return plain(f.way, n) }

// works is knit or purl at the beginning of a sentence.
func (f facing) works() string { return strings.ToUpper(f.work[:1]) + f.work[1:] }

// before is the end of a row of the other side, one stitch before its turn: turned, this side faces the knitter.
func (f facing) before() work {
	o := f.other()
	return o.on(o.n(2), o.m(3))
}

// roundBoth is what is said when the yarn goes round the tip.
const roundBoth = "[Yarn round|Catch the strand]"

// snug is said before the first stitch after every turn.
const snug = "Draw the yarn snug before the first stitch."

// turning is a turn at which nothing is left: of a garter square, of a row that is purled back, and at the edge of a heel.
var turning = []Sequence{{
	Name: "turn", Title: "Turn the work", Group: groupSts,
	Steps: shown(rightSide.on("", "VVV"),
		do("The row is done. Turn the work, so that its other side faces you: the needle with the stitches goes to the other hand."),
		do(snug+" Nothing is slipped, wrapped or hung.", turn, roundTheWork)),
	Look: "The yarn hangs from the first stitch, on the side away from the gap.", Care: "The yarn lies over the needle: a loop too many.",
}}
