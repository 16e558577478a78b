package body

import (
	"math"

	"acornstep/sock/papers/design"
)

// Places of a foot along it, as the names of the fit.
const (
	toes, ball, arch, heel, ankle, calf, knee = "toes", "ball", "arch", "heel", "ankle", "calf", "knee"
)

// Places are where the fit is judged on a foot, from the toes up; where each lies, [Foot.Station] says.
var Places = []string{toes, ball, arch, heel, ankle, calf}

// Knee is the place below the knee, of a leg whose calf was measured.
const Knee = knee

// lay makes the slices.
func (f *Foot) lay(m *design.Foot) {
	up := f.placed(m)
	girth := f.girths(m)
	seen := f.profile(&girth, up)
	_, level := f.Bend()
	f.rings = make([]ring, int(math.Ceil((level+f.Top-f.Hinge[1])/f.step))+1)
	for i := range f.rings {
		at := float64(i) * f.step
		f.rings[i] = f.slice(at, girth.of(at)*f.tapers(at), &seen)
	}
	f.bendToes(m)
}

// bendToes moves the slices of the toes to the inner side, most at the tip: the
// big toe is the longest. Where a tracing told it, they go through the tip of
// the longest toe and the root of the little one.
func (f *Foot) bendToes(m *design.Foot) {
	tip, power := tipAside*f.Length, 1.6
	if m.ToeTipAside != nil {
		tip = float64(*m.ToeTipAside)
	}
	if m.LittleToeAside != nil && tip > 0 {
		a, b, t := f.slide(f.toes)
		half := radiusAt(a, math.Pi/2) + t*(radiusAt(b, math.Pi/2)-radiusAt(a, math.Pi/2))
		const least, most = 0.7, 6
		in := math.Max(half-float64(*m.LittleToeAside), 1e-6) // how far the middle lies inward at the root of the little toe
		power = math.Min(math.Max(math.Log(in/tip)/math.Log(1-f.toes/f.at[ball]), least), most)
	}
	for i := range f.rings {
		f.rings[i].aside = -float64(f.Side) * tip * math.Pow(math.Max(0, 1-float64(i)*f.step/f.at[ball]), power)
	}
}

// heights are how high above the floor places of the leg lie; the knee's is 0 where nobody measured the calf, and the leg goes on as it is there.
type heights struct{ ankle, calf, knee float64 }

// placed works out where the places of the foot lie along it, and gives how high those of the leg are.
func (f *Foot) placed(m *design.Foot) (up heights) {
	long := f.Length
	_, level := f.Bend()
	up.ankle = math.Max(ankleHeight*long, f.Hinge[1]+0.03*long)
	up.calf = math.Max(calfHeight*long, up.ankle+0.3*long)
	if m.CalfGirth != nil && m.CalfHeight != nil {
		up.calf = math.Max(float64(*m.CalfHeight), up.ankle+0.2*long)
		up.knee = design.KneeHeight * long
		if m.KneeHeight != nil {
			up.knee = float64(*m.KneeHeight)
		}
		up.knee = math.Max(up.knee, up.calf+0.1*long)
	}
	f.Top = math.Max(f.Top, up.ankle+0.1*long)
	f.toes = math.Min(float64(m.ToeDepth), 0.6*f.Hinge[0])
	f.at = map[string]float64{
		toes: f.toes, ball: f.toes + ballBehindToes*long, heel: f.Hinge[0] + f.turn*math.Pi/4,
		ankle: level + up.ankle - f.Hinge[1], calf: level + up.calf - f.Hinge[1],
	}
	if up.knee > 0 {
		f.at[knee] = level + up.knee - f.Hinge[1]
	}
	f.at[arch] = math.Max(archBehindTip*long, f.at[ball]+0.06*long)
	if f.at[arch] > f.Hinge[0] {
		f.at[arch] = (f.at[ball] + f.Hinge[0]) / 2
	}
	return up
}

// girths run from the toes to the calf through all that are known or guessed.
func (f *Foot) girths(m *design.Foot) curve {
	ball, calfRound := float64(m.BallGirth), calfGirth*float64(m.AnkleGirth)
	if m.CalfGirth != nil && m.CalfHeight != nil {
		calfRound = float64(*m.CalfGirth)
	}
	round := []float64{ToesShare * ball, ball, ArchShare * ball, float64(m.HeelDiagonal), float64(m.AnkleGirth), calfRound}
	if _, there := f.at[knee]; there && m.KneeGirth != nil {
		round = append(round, float64(*m.KneeGirth))
	} else if there {
		round = append(round, design.KneeGirth*calfRound)
	}
	return newCurve(f.along(), round)
}

// along are the places in their order.
func (f *Foot) along() []float64 {
	places := []float64{f.at[toes], f.at[ball], f.at[arch], f.at[heel], f.at[ankle], f.at[calf]}
	if at, there := f.at[knee]; there {
		places = append(places, at)
	}
	return places
}

// looks of the slices at the places along the foot, in their order.
var looks = [...]slice{{0.40, 2, 2.7}, {0.48, 2, 2.7}, {0.86, 2, 2.7}, heelSlice, {1.28, 2.05, 2}, {1.06, 2, 2}, {1.06, 2, 2}}

// profile is how slices look along the foot: where their front and their back lie from the hinge, and how square their halves are.
type profile struct{ front, behind, square, flat curve }

func (f *Foot) profile(girth *curve, up heights) profile {
	var infront, before, above, below []float64
	behind, at := f.behind(up), f.along()
	for i := range at {
		s := &looks[i]
		radii := s.radii()
		infront, before = append(infront, f.inFront(at[i])), append(before, behind.of(at[i])-2*s.depth*girth.of(at[i])/girthOf(&radii))
		above, below = append(above, s.top), append(below, s.bottom)
	}
	return profile{newCurve(infront, before), behind, newCurve(at, above), newCurve(at, below)}
}

// slice is the one at a length, of a girth. Before the toes begin it looks like theirs; behind, its depth is given,
// and its width follows from its girth.
func (f *Foot) slice(at, girth float64, seen *profile) ring {
	s := slice{looks[0].depth, seen.square.of(at), seen.flat.of(at)}
	back := seen.behind.of(at)
	if at >= f.toes {
		front := math.Max(seen.front.of(f.inFront(at)), clear*f.Length) // no slice reaches through the hinge
		s.depth = s.fitting((back-front)/2, girth)
	}
	r := ring{radii: s.radii()}
	size := girth / girthOf(&r.radii)
	for k := range r.radii {
		r.radii[k] *= size
	}
	r.middle = back - size*s.depth
	return r
}

// inFront is a length along the foot as the instep sees it: round the bend, which is close to the hinge, it is short.
func (f *Foot) inFront(at float64) float64 {
	const round = 0.125 // how far the instep lies from the hinge there, as a share of the length
	turned := math.Min(math.Max((at-f.Hinge[0])/f.turn, 0), math.Pi/2)
	return at - turned*(f.turn-round*f.Length)
}

// tapers is how much of its girth a slice of the toes has: they end round, not in a point.
func (f *Foot) tapers(at float64) float64 {
	const round = 2.4
	t := at / f.at[toes]
	if t >= 1 {
		return 1
	}
	return math.Pow(1-math.Pow(1-t, round), 1/round)
}

// behind is how far the back of a slice lies from the hinge.
func (f *Foot) behind(up heights) curve {
	var at, away []float64
	add := func(p point) {
		s, r := f.page(p[0], p[1])
		at, away = append(at, s), append(away, r)
	}
	long := f.Length
	for i := range 7 { // the toes rise a little
		x := float64(i) / 6 * toeSpring * long
		rise := 1 - float64(i)/6
		add(point{x, tipHeight * long * rise * rise * rise})
	}
	for i := 0; i+1 < len(sole); i++ {
		for _, p := range between(sole, i) {
			if q := (point{p[0] * long, p[1] * long}); q[1] < up.ankle-0.02*long {
				add(q)
			}
		}
	}
	back := sole[len(sole)-1][0] * long
	add(point{back, up.ankle})
	add(point{back + calfBehind*long, up.calf})
	if up.knee > 0 {
		add(point{back + kneeBehind*long, up.knee})
	}
	return newCurve(at, away)
}

// between are places on a smooth line through points, from one to the next: Catmull and Rom's spline.
func between(through []point, i int) (list [6]point) {
	at := func(k int) point { return through[min(max(k, 0), len(through)-1)] }
	p0, p1, p2, p3 := at(i-1), at(i), at(i+1), at(i+2)
	for k := range list {
		t := float64(k) / float64(len(list))
		for axis := range list[k] {
			list[k][axis] = 0.5 * (2*p1[axis] + (p2[axis]-p0[axis])*t +
				(2*p0[axis]-5*p1[axis]+4*p2[axis]-p3[axis])*t*t +
				(3*p1[axis]-p0[axis]-3*p2[axis]+p3[axis])*t*t*t)
		}
	}
	return list
}
