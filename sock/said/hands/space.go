package hands

import "math"

// point is a place in a picture, in its pixels: x grows to the right, y upwards, z towards the knitter.
type point struct{ x, y, z float64 }

func (p point) plus(x, y, z float64) point { return point{p.x + x, p.y + y, p.z + z} }

// toward is the place that lies a share of the way to another one.
func (p point) toward(q point, share float64) point {
	return point{p.x + (q.x-p.x)*share, p.y + (q.y-p.y)*share, p.z + (q.z-p.z)*share}
}

func (p point) flat(q point) float64 { return math.Hypot(q.x-p.x, q.y-p.y) }

// Part says what a body is of.
type Part string

// The parts of a picture.
const (
	Yarn    Part = "yarn"    // stitches of rows before
	Now     Part = "now"     // the strand that moves, and the row at hand
	About   Part = "about"   // what the move is about: a double stitch, a wrap, a yarn-over, a lifted strand
	Other   Part = "other"   // waste yarn, another colour, the tail of a cast-on
	Needle  Part = "needle"  // the needle that holds the stitches that wait
	Working Part = "working" // the one that works them
	Cable   Part = "cable"
	Pin     Part = "pin"  // a pin or a marker
	Skin    Part = "skin" // a finger
	Hint    Part = "hint" // an arrow, a ring round what must be seen
)

// Parts are all of them.
var Parts = []Part{Yarn, Now, About, Other, Needle, Working, Cable, Pin, Skin, Hint}

// widths are how thick the parts are drawn, in pixels of a picture.
var widths = map[Part]float64{Yarn: yarnWide, Now: yarnWide, About: yarnWide, Other: yarnWide, Needle: 2 * rodRadius, Working: 2 * rodRadius,
	Cable: 4, Pin: 3, Skin: 26, Hint: 2.6}

const (
	yarnWide  = 8.4
	rodRadius = 6.0
	// A needle grows thinner over so long a way to its tip, and is so thick there.
	taper, point0 = 30.0, 1.1
)

// body is a thing in a picture: a line with depth through its middle.
type body struct {
	part Part
	// key is the same where the next picture shows the same thing.
	key    string
	points []point
	// pointed: its last point is the tip of a needle.
	pointed bool
	// is says what it is to whoever reads the picture.
	is role
}

// role is what a body stands for on the needles.
type role struct {
	kind roleKind
	// n counts the loops of a needle from its tip, from one.
	n int
}

type roleKind uint8

const (
	fabricOf    roleKind = iota // of no needle
	leftNeedle                  // the needle that holds what waits
	rightNeedle                 // the one that works
	onLeft                      // a loop on the left needle
	onRight                     // a loop on the right needle
	drawnLoop                   // the new loop, on its way round the tip or through the old one
	liftedWrap                  // a wrap that was lifted on to the right needle
	toHand                      // the strand to the hand
)

// radius is how thick half of a body is so far from its end.
func (b *body) radius(fromEnd float64) float64 {
	if b.pointed && fromEnd < taper {
		return point0 + (rodRadius-point0)*math.Pow(fromEnd/taper, 0.75)
	}
	return widths[b.part] / 2
}

// line is the curve through the points of a body, cut into pieces that are at most so long. Between two points it is a cubic that runs at each of
// them as from the point before to the one after, the nearer one counting for more.
func line(points []point, piece float64) []point {
	last := len(points) - 1
	if last < 1 {
		return points
	}
	list := []point{points[0]}
	for i := range last {
		p, q := points[i], points[i+1]
		span := max(1e-6, math.Hypot(p.flat(q), q.z-p.z))
		from, to := tangent(points, i), tangent(points, i+1)
		n := max(1, int(math.Ceil(p.flat(q)/piece)))
		for k := 1; k <= n; k++ {
			t := float64(k) / float64(n)
			list = append(list, hermite(p, q, from, to, span, t))
		}
	}
	return list
}

// hermite is a place on the way from p to q.
func hermite(p, q, from, to point, span, t float64) point {
	a, b := 2*t*t*t-3*t*t+1, 3*t*t-2*t*t*t
	c, d := (t*t*t-2*t*t+t)*span, (t*t*t-t*t)*span
	return point{a*p.x + b*q.x + c*from.x + d*to.x, a*p.y + b*q.y + c*from.y + d*to.y, a*p.z + b*q.z + c*from.z + d*to.z}
}

// tangent is the direction in which a line runs at one of its points, for each pixel of its way.
func tangent(points []point, i int) point {
	last := len(points) - 1
	slope := func(p, q point) (point, float64) {
		d := max(1e-6, math.Hypot(p.flat(q), q.z-p.z))
		return point{(q.x - p.x) / d, (q.y - p.y) / d, (q.z - p.z) / d}, d
	}
	switch i {
	case 0:
		s, _ := slope(points[0], points[1])
		return s
	case last:
		s, _ := slope(points[last-1], points[last])
		return s
	}
	in, a := slope(points[i-1], points[i])
	out, b := slope(points[i], points[i+1])
	return point{(in.x*b + out.x*a) / (a + b), (in.y*b + out.y*a) / (a + b), (in.z*b + out.z*a) / (a + b)}
}
