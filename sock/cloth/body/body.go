package body

import (
	"math"

	"acornstep/sock/papers/design"
)

// Vec is a place or a direction in space, in mm.
type Vec [3]float64

// ring is one slice: where its middle lies and how far its edge is from it.
type ring struct {
	// middle is the distance of its middle from the hinge, within the slice; aside how far that lies to the wearer's left.
	middle, aside float64
	radii         [around + 1]float64
}

// Side is which foot it is: the direction of its outer side along z.
type Side float64

// The two sides.
const (
	Left  Side = 1
	Right Side = -1
)

// String is the word for the side.
func (s Side) String() string {
	if s == Right {
		return "right"
	}
	return "left"
}

// Foot is a foot with its leg.
type Foot struct {
	Side Side
	// Length of the foot, and Top: how high the leg was made.
	Length, Top float64
	// Hinge is where the pages turn, seen from the side.
	Hinge point
	rings []ring
	step  float64 // the distance of two slices, in mm along the foot
	turn  float64 // what a radian of the pages counts as length
	toes  float64 // where they begin
	at    map[string]float64
}

// stepShare is the distance of two slices, as a share of the length.
const stepShare = 0.012

// Of makes the body of a foot, its leg at least as high as asked.
func Of(m *design.Foot, side Side, top float64) *Foot {
	long := float64(m.Length)
	f := &Foot{Side: side, Length: long, Top: math.Max(top, ankleHeight*long) + 0.2*long, step: stepShare * long, turn: fan * long}
	radii := heelSlice.radii()
	deep := 2 * heelSlice.depth * float64(m.HeelDiagonal) / girthOf(&radii)
	point := point{0.978 * long, 0.036 * long} // where the page in the middle meets the heel
	reach := (deep + bend*long) * math.Sqrt2 / 2
	f.Hinge[0], f.Hinge[1] = point[0]-reach, point[1]+reach
	f.lay(m)
	return f
}

// page is the slice on which a place lies, by its length along the foot, and how far the place is from the hinge on it.
func (f *Foot) page(x, y float64) (at, away float64) {
	dx, dy := x-f.Hinge[0], f.Hinge[1]-y
	switch {
	case dy <= 0:
		return f.Hinge[0] + f.turn*math.Pi/2 - dy, dx
	case dx <= 0:
		return x, dy
	default:
		return f.Hinge[0] + f.turn*math.Atan2(dx, dy), math.Sqrt(dx*dx + dy*dy)
	}
}

// Page is the slice on which a place lies, as its length along the foot.
func (f *Foot) Page(p Vec) float64 {
	at, _ := f.page(p[0], p[1])
	return at
}

// Station is where a place that the fit names lies along the foot; ok is false for a name that is none.
func (f *Foot) Station(name string) (at float64, ok bool) {
	at, ok = f.at[name]
	return at, ok
}

// ways are the directions of a slice: along it and away from the hinge, and across it, to the next slice.
func (f *Foot) ways(at float64) (out, on Vec) {
	t := (at - f.Hinge[0]) / f.turn
	switch {
	case t <= 0:
		return Vec{0, -1, 0}, Vec{1, 0, 0}
	case t >= math.Pi/2:
		return Vec{1, 0, 0}, Vec{0, 1, 0}
	}
	sin, cos := math.Sincos(t)
	return Vec{sin, -cos, 0}, Vec{cos, sin, 0}
}

// slide is the slice at a length, between the two that were made.
func (f *Foot) slide(at float64) (a, b *ring, t float64) {
	n := len(f.rings)
	k := math.Min(math.Max(at/f.step, 0), float64(n-1)-1e-9)
	i := int(k)
	return &f.rings[i], &f.rings[min(i+1, n-1)], k - float64(i)
}

// middle is the place in the middle of a slice.
func (f *Foot) middle(at float64) Vec {
	a, b, t := f.slide(at)
	away, aside := a.middle+t*(b.middle-a.middle), a.aside+t*(b.aside-a.aside)
	base := Vec{f.Hinge[0], f.Hinge[1], aside}
	if at < f.Hinge[0] {
		base[0] = at
	} else if over := at - f.Hinge[0] - f.turn*math.Pi/2; over > 0 {
		base[1] += over
	}
	out, _ := f.ways(at)
	return Vec{base[0] + away*out[0], base[1] + away*out[1], base[2]}
}

// Skin is the place on the skin at a length along the foot and an angle round
// its slice: 0 is the front (the instep, the shin), a quarter of a turn the
// wearer's left, half a turn the back (the sole, the heel, the calf).
func (f *Foot) Skin(at, angle float64) Vec {
	m := f.middle(at)
	out, _ := f.ways(at)
	sin, cos := math.Sincos(angle)
	a, b, t := f.slide(at)
	turn := math.Abs(math.Mod(angle, 2*math.Pi))
	if turn > math.Pi {
		turn = 2*math.Pi - turn
	}
	r := (1-t)*radiusAt(a, turn) + t*radiusAt(b, turn)
	return Vec{m[0] - r*cos*out[0], m[1] - r*cos*out[1], m[2] + r*sin}
}

// radiusAt is how far the edge of a slice lies from its middle in a direction, from 0 to π.
func radiusAt(r *ring, angle float64) float64 {
	k := math.Min(angle*(around/math.Pi), around-1e-9)
	i := int(k)
	return r.radii[i] + (k-float64(i))*(r.radii[i+1]-r.radii[i])
}

// Hold is how deep a place lies under the skin, negative outside, and the way
// along which the skin holds cloth. At the toes and round the heel that is straight out of it.
// Along foot and leg it lies within the slice: cloth that the slope of the skin would push
// along, down a calf or off the ball of the foot, is kept by its friction.
func (f *Foot) Hold(p Vec) (depth float64, out Vec) { return f.depth(p, true) }

// Depth is how deep a place lies under the skin, negative outside, and the way out; both along the slope of the skin, near it.
func (f *Foot) Depth(p Vec) (depth float64, out Vec) { return f.depth(p, false) }

func (f *Foot) depth(p Vec, held bool) (depth float64, out Vec) {
	at, away := f.page(p[0], p[1])
	dx, dy := p[0]-f.Hinge[0], f.Hinge[1]-p[1]
	if at < 0 { // before the tip of the toes
		tip := f.middle(0)
		v := Vec{p[0] - tip[0], p[1] - tip[1], p[2] - tip[2]}
		if far := math.Sqrt(v[0]*v[0] + v[1]*v[1] + v[2]*v[2]); far > 1e-9 {
			return -far, Vec{v[0] / far, v[1] / far, v[2] / far}
		}
	}
	a, b, t := f.slide(at)
	down, side := away-(a.middle+t*(b.middle-a.middle)), p[2]-(a.aside+t*(b.aside-a.aside))
	far := math.Sqrt(down*down + side*side)
	if far < 1e-9 {
		far = 1e-9
	}
	angle := math.Atan2(math.Abs(side), -down)
	k := math.Min(angle*(around/math.Pi), around-1e-9)
	i := int(k)
	u := k - float64(i)
	ra := a.radii[i] + u*(a.radii[i+1]-a.radii[i])
	rb := b.radii[i] + u*(b.radii[i+1]-b.radii[i])
	r := ra + t*(rb-ra)
	perAngle := ((1-t)*(a.radii[i+1]-a.radii[i]) + t*(b.radii[i+1]-b.radii[i])) * (around / math.Pi)
	// far − r, and how it changes along the slice, across it and from slice to slice.
	turnsDown, turnsSide := math.Abs(side)/(far*far), -down/(far*far)
	if side < 0 {
		turnsSide = -turnsSide
	}
	// The middle moves from slice to slice, and the edge with it.
	moves, shifts := (b.middle-a.middle)/f.step, (b.aside-a.aside)/f.step
	byDown, bySide := down/far-perAngle*turnsDown, side/far-perAngle*turnsSide
	byAt := -(rb-ra)/f.step - byDown*moves - bySide*shifts
	if at <= 0 || at >= float64(len(f.rings)-1)*f.step || held && at > f.toes && (dx <= 0 || dy <= 0) {
		byAt = 0
	}
	outDir, on := f.ways(at)
	perMM := 1.0
	if f.Hinge[0] < at && at < f.Hinge[0]+f.turn*math.Pi/2 {
		perMM = f.turn / math.Max(away, 1)
	}
	g := Vec{byDown*outDir[0] + byAt*perMM*on[0], byDown*outDir[1] + byAt*perMM*on[1], bySide}
	size := math.Sqrt(g[0]*g[0] + g[1]*g[1] + g[2]*g[2])
	if size < 1e-9 {
		return r - far, Vec{0, 0, 1}
	}
	return (r - far) / size, Vec{g[0] / size, g[1] / size, g[2] / size}
}

// Girth is the length of a tape round the slice at a length.
func (f *Foot) Girth(at float64) float64 {
	a, b, t := f.slide(at)
	var radii [around + 1]float64
	for i := range radii {
		radii[i] = a.radii[i] + t*(b.radii[i]-a.radii[i])
	}
	return girthOf(&radii)
}

// Line is the foot seen from the side: from the tip over instep and shin to the top of the leg, and back behind it and along the sole.
func (f *Foot) Line() [][2]float64 {
	n := len(f.rings)
	line := make([][2]float64, 0, 2*n)
	for i := range n {
		p := f.Skin(float64(i)*f.step, 0)
		line = append(line, [2]float64{p[0], p[1]})
	}
	for i := n - 1; i > 0; i-- {
		p := f.Skin(float64(i)*f.step, math.Pi)
		line = append(line, [2]float64{p[0], p[1]})
	}
	return line
}

// Onward is the direction from slice to slice at a place: along the foot, round the ankle, up the leg.
func (f *Foot) Onward(p Vec) Vec {
	_, on := f.ways(f.Page(p))
	return on
}

// Bend is from where to where, along the foot, the slices turn from the foot to the leg.
func (f *Foot) Bend() (from, to float64) { return f.Hinge[0], f.Hinge[0] + f.turn*math.Pi/2 }

// Reach is the length along the foot up to which it was made.
func (f *Foot) Reach() float64 { return float64(len(f.rings)-1) * f.step }

// Aside is how far the middle of the slice at a length lies to the wearer's left.
func (f *Foot) Aside(at float64) float64 { return f.middle(at)[2] }
