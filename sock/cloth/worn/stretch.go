package worn

import (
	"math"

	"acornstep/sock/cloth/body"
)

// frame is how the cloth lies at a loop: what a millimetre along the row, and one up, have become.
type frame struct{ right, above vec }

// sums are those of the least squares by which a frame is fitted to the links of a knot.
type sums struct {
	rr, ra, aa float64
	r, a       vec
}

// add takes a link in, the way of which in space is told.
func (t *sums) add(l *link, way *vec) {
	right, above := l.pull*l.right, l.pull*l.above
	t.rr += right * l.right
	t.ra += right * l.above
	t.aa += above * l.above
	for axis, d := range way {
		t.r[axis] += right * d
		t.a[axis] += above * d
	}
}

// framesOf fits the frames of a net in space to the links of each knot.
func framesOf(n *net, place []vec) []frame {
	all := make([]sums, len(place))
	for i := range n.links {
		l := &n.links[i]
		if l.quarters != 0 {
			continue
		}
		p, q := &place[l.from], &place[l.to]
		way := vec{q[0] - p[0], q[1] - p[1], q[2] - p[2]}
		all[l.from].add(l, &way)
		all[l.to].add(l, &way)
	}
	frames := make([]frame, len(place))
	for i := range all {
		t := &all[i]
		if det := t.rr*t.aa - t.ra*t.ra; det > 1e-6 {
			frames[i].right = times(sub(times(t.r, t.aa), times(t.a, t.ra)), 1/det)
			frames[i].above = times(sub(times(t.a, t.rr), times(t.r, t.ra)), 1/det)
		}
	}
	return frames
}

// Stretch is how far the cloth is stretched at a loop, as shares: 0 as it was knitted, 0.1 a tenth longer.
type Stretch struct {
	// Around the foot, along the row; Along the foot, up from row to row.
	Around, Along float64
}

func (f *frame) stretch() Stretch {
	return Stretch{math.Sqrt(dot(f.right, f.right)) - 1, math.Sqrt(dot(f.above, f.above)) - 1}
}

// Stretches are those of every loop, each evened out with its neighbours: one
// loop that a turn left long says nothing of the cloth.
func (w *Worn) Stretches() []Stretch {
	now := make([]Stretch, len(w.frames))
	for i := range now {
		now[i] = w.frames[i].stretch()
	}
	for range evened {
		next, weight := make([]Stretch, len(now)), make([]float64, len(now))
		for i, s := range now {
			next[i], weight[i] = Stretch{2 * s.Around, 2 * s.Along}, 2
		}
		for i := range w.Cloth.Links {
			l := &w.Cloth.Links[i]
			for _, k := range [2][2]int32{{l.From, l.To}, {l.To, l.From}} {
				s, t := &next[k[0]], &now[k[1]]
				s.Around, s.Along = s.Around+t.Around, s.Along+t.Along
				weight[k[0]]++
			}
		}
		for i := range next {
			next[i] = Stretch{next[i].Around / weight[i], next[i].Along / weight[i]}
		}
		now = next
	}
	return now
}

// evened is how often the stretch of a loop is evened out with that of its neighbours.
const evened = 3

// Outside is the direction in which a loop shows its outer side. Seen from there a row runs to the left.
func (w *Worn) Outside(i int) body.Vec { return cross(w.frames[i].above, w.frames[i].right) }
