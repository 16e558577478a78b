package worn

import (
	"math"

	"acornstep/sock/foot"
)

// frame is how the cloth lies at a loop: what a millimetre along the row, and one up, have become.
type frame struct{ right, above vec }

// framesOf fits the frames of a net in space to the links of each knot.
func framesOf(n *net, place []vec) []frame {
	type sums struct {
		rr, ra, aa float64
		r, a       vec
	}
	all := make([]sums, len(place))
	for i := range n.links {
		l := &n.links[i]
		if l.quarters != 0 {
			continue
		}
		d := sub(place[l.to], place[l.from])
		for _, k := range [2]int32{l.from, l.to} {
			t := &all[k]
			t.rr += l.pull * l.right * l.right
			t.ra += l.pull * l.right * l.above
			t.aa += l.pull * l.above * l.above
			t.r = add(t.r, times(d, l.pull*l.right))
			t.a = add(t.a, times(d, l.pull*l.above))
		}
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

// Outside is the direction in which a loop shows its outer side.
func (w *Worn) Outside(i int) foot.Vec { return cross(w.frames[i].right, w.frames[i].above) }
