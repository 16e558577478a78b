package worn

import (
	"math"

	"acornstep/sock/cloth/body"
)

// A sock is a little shorter than its foot, its rounds lean forward over the
// instep, and none begins farther back on the sole than where the heel rises.
const (
	reaches  = 1.035
	leans    = 0.88
	lastSole = 0.9
)

// begin lays the coarsest net on the foot. Whole rounds lie where their height
// up the front of the sock puts them; what is between them, a heel, spreads
// evenly, and so does the toe, as a disc whose rim is the first whole round.
func begin(n *net, f *body.Foot) *cloud {
	size := len(n.mass)
	c := &cloud{net: n, foot: f, place: make([]vec, size), skin: make([]contact, size)}
	cos, sin, along := make([]float64, size), make([]float64, size), make([]float64, size)
	round, fixed := make([]bool, size), make([]bool, size)
	for i := range n.known {
		k := &n.known[i]
		if l := math.Hypot(k.cos, k.sin); l > 1e-6 {
			cos[i], sin[i], round[i] = k.cos/l, k.sin/l, true
		}
	}
	n.spread(round, cos, sin)
	shin, calf := wayAt(f, 0), wayAt(f, math.Pi)
	_, level := f.Bend()
	toe := n.depthOfToe()
	foot := toe + n.frontOfFoot()
	behind, heel := n.behindHeel(cos, sin)
	for i := range n.known {
		k := &n.known[i]
		if k.rounds == 0 { // the middle of a heel lies behind the sole, what is beside it spreads
			if d := behind[i]; k.toe == 0 && !math.IsInf(d, 1) {
				along[i], fixed[i] = calf.at(foot*reaches+d), true
			}
			continue
		}
		far := toe + k.up()
		var front, back float64
		if k.foot > 0 { // its sole lies on the floor, and its instep a little before
			back = f.Page(vec{math.Min(far*reaches, lastSole*f.Length), 0, 0})
			front = leans * back
		} else { // a leg rises behind from where the heel ends, before from where the instep does, and soon lies level
			back = calf.at(foot*reaches + heel + far - foot)
			front = math.Min(back, shin.at(shin.to(leans*foot*reaches)+far-foot))
		}
		along[i] = (front*(1+cos[i]) + back*(1-cos[i])) / 2
		fixed[i] = k.foot > 0 || along[i] > level || k.top > 0
	}
	n.spread(fixed, along)
	for i := range c.place {
		if n.known[i].toe > 0 {
			along[i] = math.Min(along[i], toe*math.Hypot(cos[i], sin[i]))
		}
		c.place[i] = f.Skin(along[i], math.Atan2(sin[i], cos[i]))
	}
	return c
}

// spread has values run evenly through the net between the knots where they are
// known: Gauss and Seidel's steps, carried beyond their aim.
func (n *net) spread(known []bool, values ...[]float64) {
	const steps, beyond = 160, 1.6
	weights := n.weights()
	for range steps {
		for i := range known {
			first, last := n.begin[i], n.begin[i+1]
			if known[i] || first == last {
				continue
			}
			for _, v := range values {
				mean := 0.0
				for k := first; k < last; k++ {
					mean += weights[k] * v[n.ends[k].to]
				}
				v[i] += beyond * (mean - v[i])
			}
		}
	}
}

// weights are how much each end of a link counts where what lies between is spread evenly; those of a knot are 1 together.
func (n *net) weights() []float64 {
	list := make([]float64, len(n.ends))
	for i := range n.mass {
		all := 0.0
		for k := n.begin[i]; k < n.begin[i+1]; k++ {
			list[k] = float64(n.ends[k].pull / n.ends[k].rest)
			all += list[k]
		}
		for k := n.begin[i]; k < n.begin[i+1]; k++ {
			list[k] /= all
		}
	}
	return list
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

// way tells how far along the foot a place is that lies so far along its skin from the tip on: over the instep and
// up the shin, or along the sole and up behind the heel.
type way struct {
	step float64
	far  []float64
}

func wayAt(f *body.Foot, angle float64) way {
	w := way{step: 4}
	last, sum := f.Skin(0, angle), 0.0
	for at := 0.0; at <= f.Reach(); at += w.step {
		p := f.Skin(at, angle)
		sum += long(sub(p, last))
		last = p
		w.far = append(w.far, sum)
	}
	return w
}

func (w *way) at(far float64) float64 {
	for i := 1; i < len(w.far); i++ {
		if w.far[i] >= far {
			return w.step * (float64(i) - (w.far[i]-far)/math.Max(w.far[i]-w.far[i-1], 1e-9))
		}
	}
	return w.step * float64(len(w.far)-1)
}

// to is how far it is to a length along the foot.
func (w *way) to(at float64) float64 { return w.far[min(int(at/w.step), len(w.far)-1)] }

// frontOfFoot is how far up the front of the sock its foot goes, from the first whole round on.
func (n *net) frontOfFoot() float64 {
	most := 0.0
	for i := range n.known {
		if k := &n.known[i]; k.foot > 0 {
			most = math.Max(most, k.up())
		}
	}
	return most
}

// depthOfToe is how far it is from the first whole round to the tip of the toe.
func (n *net) depthOfToe() float64 {
	most := 0.0
	down := func(i int32) (float64, bool) {
		k := &n.known[i]
		return -k.up(), k.toe == 0 && k.rounds > 0
	}
	for _, d := range n.farFrom(down, func(int32) bool { return true }) {
		if !math.IsInf(d, 1) {
			most = math.Max(most, d)
		}
	}
	return most
}

// behindHeel is how far each knot is through the middle of the heel, from the
// sole of the last round of the foot on; infinite for those beside it. cos and
// sin are where each knot lies round the foot. Heel is how far it is to the
// first round of the leg, 0 for a sock that has none yet.
func (n *net) behindHeel(cos, sin []float64) (far []float64, heel float64) {
	const middle = -0.95 // of sole and back
	behind := func(i int32) bool { return cos[i] < middle*math.Hypot(cos[i], sin[i]) }
	far = n.farFrom(func(i int32) (float64, bool) { return 0, n.known[i].foot > 0 && behind(i) }, behind)
	heel = math.Inf(1)
	for i, d := range far {
		if k := &n.known[i]; k.rounds > 0 && k.foot == 0 && k.toe == 0 {
			heel = math.Min(heel, d)
		}
	}
	if math.IsInf(heel, 1) {
		heel = 0
	}
	return far, heel
}

// farFrom is how far each knot is through the cloth, over knots that may be gone over, when one begins at some that
// are so far already; infinite where no link leads.
func (n *net) farFrom(begins func(i int32) (far float64, ok bool), over func(i int32) bool) []float64 {
	far := make([]float64, len(n.mass))
	var queue []int32
	for i := range far {
		far[i] = math.Inf(1)
		if d, ok := begins(int32(i)); ok {
			far[i] = d
			queue = append(queue, int32(i))
		}
	}
	for len(queue) > 0 { // Bellman and Ford's way: the net is small
		i := queue[0]
		queue = queue[1:]
		for _, e := range n.ends[n.begin[i]:n.begin[i+1]] {
			if d := far[i] + float64(e.rest); over(e.to) && d < far[e.to]-1e-9 {
				far[e.to] = d
				queue = append(queue, e.to)
			}
		}
	}
	return far
}
