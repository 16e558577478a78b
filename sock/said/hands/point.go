package hands

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strconv"
)

// point is a place in stitches; z says how near it is to the knitter.
type point struct{ x, y, z float64 }

func (p point) plus(x, y float64) point { return point{p.x + x, p.y + y, p.z} }

// Part says what a stroke is of.
type Part string

// The parts of a picture.
const (
	Yarn   Part = "yarn"   // what was knitted before
	Now    Part = "now"    // the strand that moves
	Other  Part = "other"  // waste yarn, or another colour
	Needle Part = "needle" // its shaft
	Tip    Part = "tip"
	Cable  Part = "cable"
	Pin    Part = "pin"  // a pin or a marker
	Hint   Part = "hint" // an arrow, a ring round what must be seen, a thumb
)

// Parts are all of them.
var Parts = []Part{Yarn, Now, Other, Needle, Tip, Cable, Pin, Hint}

// Stroke is a line of a picture; those that come later lie over those before.
type Stroke struct {
	D    string `json:"d"`
	Part Part   `json:"part" enum:"yarn,now,other,needle,tip,cable,pin,hint"`
}

// strand is a line through points: a curve, or straight from point to point.
type strand struct {
	part     Part
	straight bool
	points   []point
	// ball: it goes on to the ball, behind or in front of the work, from the hand that holds it.
	ball ballAt
	// hangs: it is a loop on a needle. loop numbers those of the left needle from its tip, above zero, and those of the right one below it.
	hangs bool
	loop  int
	// round: it is a loop round one of two needles that lie above each other.
	round bool
	// wraps: it is a wrap that was lifted.
	wraps bool
	// of is the needle that it is a part of; none for yarn and everything else.
	of rodOf
}

// rodOf is one of two needles.
type rodOf int

const (
	noRod rodOf = iota
	leftRod
	rightRod
)

type ballAt int

const (
	noBall ballAt = iota
	ballBehind
	ballInFront
)

// Unit is how wide a stitch is drawn.
const Unit = 40

// piece is a part of a strand that lies in one depth.
type piece struct {
	depth float64
	Stroke
	// strand is the one that it is a part of, by its place among them.
	strand int
}

// painted are the pieces of some strands in the order in which they are drawn: from the deepest to the nearest, around an origin.
func painted(strands []strand, ox, oy float64) []piece {
	var pieces []piece
	for i := range strands {
		own := strands[i].pieces(ox, oy)
		for k := range own {
			own[k].strand = i
		}
		pieces = append(pieces, own...)
	}
	slices.SortStableFunc(pieces, func(a, b piece) int { return cmp.Compare(a.depth, b.depth) })
	return pieces
}

// strokes are the lines of some strands, as they are painted.
func strokes(strands []strand, ox, oy float64) []Stroke {
	pieces := painted(strands, ox, oy)
	list := make([]Stroke, len(pieces))
	for i, p := range pieces {
		list[i] = p.Stroke
	}
	return list
}

// pieces cuts a strand where its depth changes. Between two points it lies as deep as
// the middle of both; stretches alike in depth are one piece, so that no seam shows.
func (s *strand) pieces(ox, oy float64) []piece {
	var list []piece
	var pen pixel
	last := len(s.points) - 1
	for i := 0; i < last; i++ {
		from, to := s.points[i], s.points[i+1]
		depth := (from.z + to.z) / 2
		if len(list) == 0 || list[len(list)-1].depth != depth {
			pen = pixelOf(from, ox, oy)
			list = append(list, piece{depth: depth, Stroke: Stroke{fmt.Sprintf("M%d %d", pen.x, pen.y), s.part}})
		}
		d := &list[len(list)-1].D
		end := pixelOf(to, ox, oy)
		if s.straight {
			*d += "l" + pen.to(end)
		} else {
			// A curve through all points: at each it runs as from the one before to the one after.
			before, after := s.points[max(0, i-1)], s.points[min(last, i+2)]
			const pull = 1.0 / 6
			*d += "c" + pen.to(pixelOf(from.plus((to.x-before.x)*pull, (to.y-before.y)*pull), ox, oy)) +
				pen.to(pixelOf(to.plus((from.x-after.x)*pull, (from.y-after.y)*pull), ox, oy)) + pen.to(end)
		}
		pen = end
	}
	return list
}

// pixel is a place in the picture.
type pixel struct{ x, y int }

func pixelOf(p point, ox, oy float64) pixel {
	return pixel{int(math.Round((p.x + ox) * Unit)), int(math.Round((p.y + oy) * Unit))}
}

// to is the way to another place, as short as a path can say it.
func (p pixel) to(q pixel) string {
	said := strconv.Itoa(q.x - p.x)
	if q.y >= p.y {
		said += " "
	}
	return said + strconv.Itoa(q.y-p.y) + " "
}
