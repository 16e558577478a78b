package worn

import (
	"math"

	"acornstep/sock/foot"
)

// A sock is a little shorter than its foot, and no round of the foot begins farther back on the sole than where the heel rises.
const (
	reaches  = 1.035
	lastSole = 0.9
)

// begin lays the coarsest net on the foot. Whole rounds lie where their height
// up the front of the sock puts them; what is between them, a heel, spreads
// evenly, and so does the toe, as a disc whose rim is the first whole round.
func begin(n *net, f *foot.Foot) *cloud {
	size := len(n.mass)
	c := &cloud{net: n, foot: f, place: make([]vec, size), skin: make([]contact, size)}
	toe := n.depthOfToe()
	shin := newShin(f)
	bend, level := f.Bend()
	along, cos, sin := make([]float64, size), make([]float64, size), make([]float64, size)
	fixed, round := make([]bool, size), make([]bool, size)
	for i := range n.known {
		k := &n.known[i]
		if l := math.Hypot(k.cos, k.sin); l > 1e-6 {
			cos[i], sin[i], round[i] = k.cos/l, k.sin/l, true
		}
		if k.rounds > 0 {
			far := toe + k.front/k.rounds
			along[i] = shin.at(far)
			fixed[i] = along[i] < 0.9*bend || along[i] > level || k.top > 0
			if k.foot > 0 { // its sole lies on the floor, its instep on that of the foot
				far *= reaches
				sole := f.Page(vec{math.Min(far, lastSole*f.Length), 0, 0})
				along[i] = (shin.at(far)*(1+cos[i]) + sole*(1-cos[i])) / 2
				fixed[i] = true
			}
		}
	}
	for range 160 {
		for i := range size {
			var a, x, y, all float64
			for _, e := range n.ends[n.begin[i]:n.begin[i+1]] {
				w := float64(e.pull / e.rest)
				a, x, y, all = a+w*along[e.to], x+w*cos[e.to], y+w*sin[e.to], all+w
			}
			if all == 0 {
				continue
			}
			const beyond = 1.6
			if !fixed[i] {
				along[i] += beyond * (a/all - along[i])
			}
			if !round[i] {
				cos[i] += beyond * (x/all - cos[i])
				sin[i] += beyond * (y/all - sin[i])
			}
		}
	}
	for i := range c.place {
		if n.known[i].toe > 0 {
			along[i] = math.Min(along[i], toe*math.Hypot(cos[i], sin[i]))
		}
		c.place[i] = f.Skin(along[i], math.Atan2(sin[i], cos[i]))
	}
	return c
}

// onLeg is the share of the loops on the needles that lie on the leg.
func (c *cloud) onLeg() float64 {
	_, level := c.foot.Bend()
	var leg, all float64
	for i := range c.place {
		if top := c.known[i].top; top > 0 {
			all += top
			if c.foot.Page(c.place[i]) > level {
				leg += top
			}
		}
	}
	return leg / math.Max(all, 1)
}

// shin tells how far along the foot a place is that lies so far along its front: over the instep and up the shin.
type shin struct {
	step float64
	far  []float64
}

func newShin(f *foot.Foot) shin {
	s := shin{step: 4}
	last, sum := f.Skin(0, 0), 0.0
	for at := 0.0; at <= f.Reach(); at += s.step {
		p := f.Skin(at, 0)
		sum += long(sub(p, last))
		last = p
		s.far = append(s.far, sum)
	}
	return s
}

func (s *shin) at(far float64) float64 {
	for i := 1; i < len(s.far); i++ {
		if s.far[i] >= far {
			return s.step * (float64(i) - (s.far[i]-far)/math.Max(s.far[i]-s.far[i-1], 1e-9))
		}
	}
	return s.step * float64(len(s.far)-1)
}

// depthOfToe is how far it is from the first whole round to the tip of the toe.
func (n *net) depthOfToe() float64 {
	far := make([]float64, len(n.mass))
	var queue []int32
	for i := range far {
		far[i] = math.Inf(1)
		if n.known[i].toe == 0 {
			far[i] = 0
			queue = append(queue, int32(i))
		}
	}
	most := 0.0
	for len(queue) > 0 { // Bellman and Ford's way: the net is small
		i := queue[0]
		queue = queue[1:]
		for _, e := range n.ends[n.begin[i]:n.begin[i+1]] {
			if d := far[i] + float64(e.rest); d < far[e.to]-1e-9 {
				far[e.to] = d
				queue = append(queue, e.to)
			}
		}
	}
	for _, d := range far {
		if !math.IsInf(d, 1) {
			most = math.Max(most, d)
		}
	}
	return most
}
