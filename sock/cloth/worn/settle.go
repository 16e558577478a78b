package worn

import (
	"context"
	"math"
	"slices"

	"acornstep/sock/cloth/body"
)

// How the cloth behaves beside its links.
const (
	yields    = 0.25 // how hard a link pushes that is too short, for one that is too long
	crowded   = 0.75 // from what share of its length on a link is crushed
	crush     = 3.0  // how much harder it pushes then, for each whole of its length
	bending   = 0.07 // how hard the cloth stays smooth, for how hard it pulls
	openest   = 0.35 // what share of its area a facet shows the skin at least
	opening   = 0.5  // how much of what it lacks it gets in a step
	donning   = 0.07 // how hard each loop at the top is pulled up while the sock is put on
	resting   = 0.07 // and by what holds it up later
	friction  = 0.4  // how hard the skin holds what slides over it, for how hard that presses
	held      = 6.0  // how much harder a sock is pulled and held that ends on the foot
	drapes    = 0.03 // how much nearer to the skin slack cloth falls in a step
	toeDrapes = 0.25 // and over the toes, where a shoe and the floor press it on
	near      = 25.0 // from how far away the skin is felt, in mm
	renewed   = 5    // after so many steps the skin is looked at anew
)

// contact is the skin beside a knot: a place on it and the way out. Near says whether it is felt.
type contact struct {
	at, out vec
	on      vec // along the foot and up the leg; told for loops at the top
	near    bool
	grips   bool // behind the toes
}

// cloud is a net in space.
type cloud struct {
	*net
	foot  *body.Foot
	place []vec
	skin  []contact
	// hand is how hard each loop at the top is pulled up; worn: the sock is on, and the foot keeps the cloth from sliding along it.
	hand float64
	worn bool
}

// feel looks where the skin is beside every knot.
func (c *cloud) feel() {
	if c.foot == nil {
		return
	}
	toes, _ := c.foot.Station("toes")
	for i := range c.place {
		if c.known[i].top > 0 {
			c.skin[i].on = c.foot.Onward(c.place[i])
		}
		depth, out := c.foot.Hold(c.place[i])
		if depth < -near {
			c.skin[i].near = false
			continue
		}
		t := &c.skin[i]
		t.at, t.out, t.near, t.grips = add(c.place[i], times(out, depth)), out, true, c.place[i][0] > toes
	}
}

// settle lets the net find its rest, in so many steps. Each goes through all
// knots there and back, and then on in the direction of what has moved, as long
// as that helps: Nesterov's way, begun anew when it turns back (O'Donoghue and Candès).
// It stops when the context ends, wherever the cloth is then.
func (c *cloud) settle(ctx context.Context, steps int) {
	size := len(c.place)
	old, from := slices.Clone(c.place), slices.Clone(c.place)
	run := 0.0
	for step := range steps {
		if ctx.Err() != nil {
			return
		}
		if step%renewed == 0 {
			c.feel()
		}
		for i := range size {
			c.move(i)
		}
		for i := size - 1; i >= 0; i-- {
			c.move(i)
		}
		if step%2 == 0 {
			c.open()
		}
		back := 0.0
		for i := range c.place {
			back += dot(sub(c.place[i], from[i]), sub(c.place[i], old[i]))
		}
		if back < 0 {
			run = 0
		}
		on := run / (run + 3)
		run++
		for i, p := range c.place {
			d := sub(p, old[i])
			old[i] = p
			c.place[i] = add(p, times(d, on))
			from[i] = c.place[i]
		}
	}
	copy(c.place, old)
	c.leave()
}

// open turns over what lies upside down on the skin: no part of the cloth lies
// under another. A facet that shows the skin its outside, or hardly anything,
// is pushed open by moving its corners where that helps most.
func (c *cloud) open() {
	least := openest * c.cell
	for _, f := range c.facets {
		skin := &c.skin[f[0]]
		if !skin.near {
			continue
		}
		out := &skin.out
		a, b, d := c.place[f[0]], c.place[f[1]], c.place[f[2]]
		ab, ad := sub(b, a), sub(d, a)
		area := dot(cross(ad, ab), *out)
		if area >= least {
			continue
		}
		byB, byD := cross(*out, ad), cross(ab, *out)
		byA := times(add(byB, byD), -1)
		sum := dot(byA, byA) + dot(byB, byB) + dot(byD, byD)
		if sum < 1e-9 {
			continue
		}
		t := opening * (least - area) / sum
		c.place[f[0]], c.place[f[1]], c.place[f[2]] = add(a, times(byA, t)), add(b, times(byB, t)), add(d, times(byD, t))
	}
}

// leave puts every knot that is still under the skin on it. The way out is told
// for places near the skin, so that who lies deep needs several steps.
func (c *cloud) leave() {
	if c.foot == nil {
		return
	}
	const most, deep = 8, 0.1 // mm
	var under []int
	for i := range c.place {
		if c.lift(i) > deep {
			under = append(under, i)
		}
	}
	for again := 1; again < most && len(under) > 0; again++ {
		still := under[:0]
		for _, i := range under {
			if c.lift(i) > deep {
				still = append(still, i)
			}
		}
		under = still
	}
}

// lift moves a knot that is under the skin out of it, and says how deep it lay.
func (c *cloud) lift(i int) float64 {
	depth, out := c.foot.Hold(c.place[i])
	if depth > 0 {
		c.place[i] = add(c.place[i], times(out, depth))
	}
	return depth
}

// force is how far everything beside a knot pulls it, and how hard: together, where it would rest if nothing else moved.
type force struct{ x, y, z, all float64 }

// move puts a knot where what is beside it wants it, and not under the skin.
func (c *cloud) move(i int) {
	f := c.pull(i)
	c.smooth(i, &f)
	if f.all == 0 {
		return
	}
	if top := c.known[i].top; top > 0 {
		on := &c.skin[i].on
		f.x += top * c.hand * on[0]
		f.y += top * c.hand * on[1]
	}
	p, t := &c.place[i], 1/f.all
	to := vec{p[0] + t*f.x, p[1] + t*f.y, p[2] + t*f.z}
	if c.known[i].top > 0 && !c.worn { // the hand that pulls it up does not let it twist
		round := cross(c.skin[i].on, c.skin[i].out)
		to = sub(to, times(round, dot(sub(to, *p), round)))
	}
	if c.skin[i].near {
		c.touch(i, &to)
	}
	*p = to
}

// pull is that of the links of a knot. One that is too short gives way, and pushes the harder the more it is crowded.
func (c *cloud) pull(i int) (f force) {
	p := c.place[i]
	for k := c.begin[i]; k < c.begin[i+1]; k++ {
		e := &c.ends[k]
		q := &c.place[e.to]
		dx, dy, dz := q[0]-p[0], q[1]-p[1], q[2]-p[2]
		far := math.Sqrt(dx*dx+dy*dy+dz*dz) + 1e-9
		share, pull := float64(e.rest)/far, float64(e.pull)
		if share > 1 {
			crowd := yields * pull
			if share*crowded > 1 {
				crowd += crush * pull * (crowded - 1/share)
			}
			pull = crowd
		}
		f.all += pull
		pull *= 1 - share
		f.x += pull * dx
		f.y += pull * dy
		f.z += pull * dz
	}
	return f
}

// smooth adds what keeps the cloth smooth: the pull of ½·|a − 2p + b|², for each line of three neighbours that the knot is in.
func (c *cloud) smooth(i int, f *force) {
	p := &c.place[i]
	for axis := range 2 {
		bends := c.bends[i][axis]
		if bends == 0 {
			continue
		}
		a, b := c.beside[i][2*axis], c.beside[i][2*axis+1]
		if bends&ownBend != 0 {
			pa, pb := &c.place[a], &c.place[b]
			f.x += 2 * bending * (pa[0] + pb[0] - 2*p[0])
			f.y += 2 * bending * (pa[1] + pb[1] - 2*p[1])
			f.z += 2 * bending * (pa[2] + pb[2] - 2*p[2])
			f.all += 4 * bending
		}
		if bends&beforeBend != 0 {
			c.endOfBend(p, a, c.beside[a][2*axis], f)
		}
		if bends&afterBend != 0 {
			c.endOfBend(p, b, c.beside[b][2*axis+1], f)
		}
	}
}

// endOfBend is the pull on the end of three neighbours in a line.
func (c *cloud) endOfBend(p *vec, middle, end int32, f *force) {
	m, e := &c.place[middle], &c.place[end]
	f.x += bending * (2*m[0] - e[0] - p[0])
	f.y += bending * (2*m[1] - e[1] - p[1])
	f.z += bending * (2*m[2] - e[2] - p[2])
	f.all += bending
}

// touch keeps the place to which a knot goes out of the skin. A sock that is worn
// slides there only as far as it is pulled harder than the skin holds it; what hangs free falls a little nearer.
func (c *cloud) touch(i int, to *vec) {
	t, p := &c.skin[i], &c.place[i]
	d := (to[0]-t.at[0])*t.out[0] + (to[1]-t.at[1])*t.out[1] + (to[2]-t.at[2])*t.out[2]
	if d >= 0 {
		if t.grips {
			d *= drapes
		} else {
			d *= toeDrapes
		}
		*to = vec{to[0] - d*t.out[0], to[1] - d*t.out[1], to[2] - d*t.out[2]}
		return
	}
	*to = vec{to[0] - d*t.out[0], to[1] - d*t.out[1], to[2] - d*t.out[2]}
	if !c.worn || !t.grips {
		return
	}
	moved := vec{to[0] - p[0], to[1] - p[1], to[2] - p[2]}
	keep := 0.0
	if far, holds := math.Sqrt(moved[0]*moved[0]+moved[1]*moved[1]+moved[2]*moved[2]), -friction*d; far > holds {
		keep = 1 - holds/far
	}
	*to = vec{p[0] + keep*moved[0], p[1] + keep*moved[1], p[2] + keep*moved[2]}
}

// refined is the finer net in space: each knot where its pair is, moved as the cloth lies there.
func (c *cloud) refined(fine *net) *cloud {
	f := &cloud{net: fine, foot: c.foot, hand: c.hand, worn: c.worn, place: make([]vec, len(fine.mass)),
		skin: make([]contact, len(fine.mass))}
	frames := framesOf(c.net, c.place)
	for i := range f.place {
		k := c.into[i]
		t, aside := &frames[k], c.aside[i]
		f.place[i] = add(c.place[k], add(times(t.right, aside[0]), times(t.above, aside[1])))
	}
	return f
}
