package body

import "math"

// Shares of the ball's girth at places that nobody measures.
const (
	ToesShare = 0.92
	ArchShare = 0.97
)

// Where the parts of a foot lie, as shares of its length: anatomy at large, none of it measured.
const (
	ballBehindToes = 0.075 // from the root of the little toe to the ball
	archBehindTip  = 0.47  // the middle of the arch
	tipAside       = 0.085 // the tip of the longest toe, to the inner side of the middle
	ankleHeight    = 0.46  // the thinnest place above the ankle bones
	calfHeight     = 1.25  // the thickest place of the calf
	calfGirth      = 1.10  // its girth for that of the ankle, where nobody measured it: less than most legs have, so that no cuff is called tight for a guess
	bend           = 0.095 // from the hinge to the bend of the ankle
	clear          = 0.03  // from the hinge to the front, at least
	fan            = 0.35  // what one turn of the pages counts as length, for each radian
	tipHeight      = 0.045 // the middle of the big toe's tip above the floor
	toeSpring      = 0.12  // how far back the toes rise from the floor
)

// point is a place of the foot seen from the side.
type point [2]float64

// sole is the back of the slices from the arch, under the heel and up the leg to the ankle, as shares of the length.
var sole = []point{
	{0.40, 0}, {0.60, 0}, {0.76, 0}, {0.86, 0}, {0.925, 0.006}, {0.972, 0.030}, {0.995, 0.072}, {1, 0.115}, {0.992, 0.175},
	{0.972, 0.245}, {0.951, 0.325}, {0.940, 0.40}, {0.936, ankleHeight},
}

// calfBehind is how far the calf stands behind the ankle, as a share of the length.
const calfBehind = 0.045

// kneeBehind is that of the place below the knee.
const kneeBehind = 0.02

// slice says how slices look along the foot: how deep they are for their width, and how square their two halves.
type slice struct{ depth, top, bottom float64 }

// heelSlice is the page in the middle: from the point of the heel to the bend of the ankle.
var heelSlice = slice{depth: 1.72, top: 2.1, bottom: 2.3}

// fitting is how deep a slice is for its width when half of its depth is given, and its girth.
func (s slice) fitting(depth, girth float64) float64 {
	width := girth/math.Pi - depth // that of a flat ellipse, to begin with
	for range 3 {
		s.depth = depth / width
		radii := s.radii()
		round := width * girthOf(&radii)
		width *= 1 + (girth-round)/(4*width) // a wider slice is longer by about four times as much
	}
	return depth / width
}

// curve runs through values at places, smoothly and never past them: Fritsch
// and Carlson's monotone cubic. Beyond both ends it is level.
type curve struct{ at, value, slope []float64 }

func newCurve(at, value []float64) curve {
	n := len(at)
	secant := make([]float64, n-1)
	for i := range secant {
		secant[i] = (value[i+1] - value[i]) / (at[i+1] - at[i])
	}
	slope := make([]float64, n)
	for i := 1; i < n-1; i++ {
		if a, b := secant[i-1], secant[i]; a*b > 0 {
			h0, h1 := at[i]-at[i-1], at[i+1]-at[i]
			slope[i] = 3 * (h0 + h1) / ((2*h1+h0)/a + (h1+2*h0)/b)
		}
	}
	return curve{at, value, slope}
}

func (c *curve) of(x float64) float64 {
	n := len(c.at)
	if x <= c.at[0] {
		return c.value[0]
	}
	if x >= c.at[n-1] {
		return c.value[n-1]
	}
	i := 0
	for x > c.at[i+1] {
		i++
	}
	h := c.at[i+1] - c.at[i]
	t := (x - c.at[i]) / h
	u := 1 - t
	return u*u*(1+2*t)*c.value[i] + t*t*(3-2*t)*c.value[i+1] + h*t*u*(u*c.slope[i]-t*c.slope[i+1])
}

// around are as many directions as half a slice is told in: its two sides are alike.
const around = 32

// direction is one of half a turn, from the front of a slice to its back, with the logarithms of how far it goes along and across.
type direction struct{ cos, sin, logCos, logSin float64 }

var directions = func() (list [around + 1]direction) {
	for i := range list {
		d := &list[i]
		d.sin, d.cos = math.Sincos(math.Pi * float64(i) / around)
		d.logCos, d.logSin = math.Log(math.Abs(d.cos)), math.Log(d.sin)
	}
	list[around].sin, list[around].logSin = 0, math.Inf(-1)
	return list
}()

// radii are those of a slice one wide to each side, from its front (0) to its
// back: of a superellipse, (along/depth)ⁿ + acrossⁿ = 1, by logarithms.
func (s *slice) radii() (list [around + 1]float64) {
	depth := math.Log(s.depth)
	for i := range directions {
		d := &directions[i]
		square := s.top
		if d.cos < 0 {
			square = s.bottom
		}
		list[i] = math.Exp(-math.Log(math.Exp(square*(d.logCos-depth))+math.Exp(square*d.logSin)) / square)
	}
	return list
}

// girthOf is the length of a closed line told by its radii.
func girthOf(radii *[around + 1]float64) float64 {
	sum := 0.0
	for i := range around {
		a, b := radii[i], radii[i+1]
		x := a*directions[i].cos - b*directions[i+1].cos
		y := a*directions[i].sin - b*directions[i+1].sin
		sum += math.Sqrt(x*x + y*y)
	}
	return 2 * sum
}
