package worn

import (
	"context"
	"math"
	"slices"

	"acornstep/sock/foot"
)

type vec = foot.Vec

// How the cloth behaves beside its links.
const (
	yields    = 0.25 // how hard a link pushes that is too short, for one that is too long
	crowded   = 0.75 // from what share of its length on a link is crushed
	crush     = 3.0  // how much harder it pushes then, for each whole of its length
	bending   = 0.07 // how hard the cloth stays smooth, for how hard it pulls
	openest   = 0.35 // what share of its area a facet shows the skin at least
	opening   = 0.5  // how much of what it lacks it gets in a step
	donning   = 0.10 // how hard each loop at the top is pulled up while the sock is put on
	resting   = 0.10 // and by what holds it up later
	friction  = 0.4  // how hard the skin holds what slides over it, for how hard that presses
	held      = 4.0  // how much harder a sock is pulled and held that ends on the foot
	drapes    = 0.03 // how much nearer to the skin slack cloth falls in a step
	toeDrapes = 0.25 // and over the toes, where a shoe and the floor press it on
	near      = 25.0 // from how far away the skin is felt, in mm
	renewed   = 5    // after so many steps the skin is looked at anew
)

// touch is the skin beside a knot: a place on it and the way out. Near says whether it is felt.
type touch struct {
	at, out vec
	on      vec // along the foot and up the leg; told for loops at the top
	near    bool
	grips   bool // behind the toes
}

// cloud is a net in space.
type cloud struct {
	*net
	ctx   context.Context
	foot  *foot.Foot
	place []vec
	skin  []touch
	// hand is how hard each loop at the top is pulled up; worn: the sock is on, and the foot keeps the cloth from sliding along it.
	hand float64
	worn bool
}

func add(a, b vec) vec           { return vec{a[0] + b[0], a[1] + b[1], a[2] + b[2]} }
func sub(a, b vec) vec           { return vec{a[0] - b[0], a[1] - b[1], a[2] - b[2]} }
func times(a vec, t float64) vec { return vec{a[0] * t, a[1] * t, a[2] * t} }
func dot(a, b vec) float64       { return a[0]*b[0] + a[1]*b[1] + a[2]*b[2] }
func long(a vec) float64         { return math.Sqrt(dot(a, a)) }
func cross(a, b vec) vec {
	return vec{a[1]*b[2] - a[2]*b[1], a[2]*b[0] - a[0]*b[2], a[0]*b[1] - a[1]*b[0]}
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
func (c *cloud) settle(steps int) {
	size := len(c.place)
	old, from := slices.Clone(c.place), slices.Clone(c.place)
	run := 0.0
	for step := range steps {
		if c.ctx.Err() != nil {
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
	c.leave(1 + min(steps, 2))
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
		area := dot(cross(ab, ad), *out)
		if area >= least {
			continue
		}
		byB, byD := cross(ad, *out), cross(*out, ab)
		byA := times(add(byB, byD), -1)
		sum := dot(byA, byA) + dot(byB, byB) + dot(byD, byD)
		if sum < 1e-9 {
			continue
		}
		t := opening * (least - area) / sum
		c.place[f[0]], c.place[f[1]], c.place[f[2]] = add(a, times(byA, t)), add(b, times(byB, t)), add(d, times(byD, t))
	}
}

// leave puts every knot that is still under the skin on it.
func (c *cloud) leave(often int) {
	if c.foot == nil {
		return
	}
	for range often {
		for i := range c.place {
			if depth, out := c.foot.Hold(c.place[i]); depth > 0 {
				c.place[i] = add(c.place[i], times(out, depth))
			}
		}
	}
}

// move puts a knot where its links want it, and not under the skin.
func (c *cloud) move(i int) {
	p := c.place[i]
	var sx, sy, sz, all float64 // how far all of them pull it, and how hard
	for k := c.begin[i]; k < c.begin[i+1]; k++ {
		e := &c.ends[k]
		q := &c.place[e.to]
		dx, dy, dz := q[0]-p[0], q[1]-p[1], q[2]-p[2]
		far := math.Sqrt(dx*dx+dy*dy+dz*dz) + 1e-9
		rest, pull := float64(e.rest), float64(e.pull)
		all += pull
		share := rest / far
		if share > 1 {
			crowd := yields * pull
			if share*crowded > 1 {
				crowd += crush * pull * (crowded - 1/share)
			}
			all += crowd - pull
			pull = crowd
		}
		pull *= 1 - share
		sx += pull * dx
		sy += pull * dy
		sz += pull * dz
	}
	for axis := range 2 {
		bends := c.bends[i][axis]
		if bends == 0 {
			continue
		}
		a, b := c.beside[i][2*axis], c.beside[i][2*axis+1]
		if bends&ownBend != 0 {
			pa, pb := &c.place[a], &c.place[b]
			sx += 2 * bending * (pa[0] + pb[0] - 2*p[0])
			sy += 2 * bending * (pa[1] + pb[1] - 2*p[1])
			sz += 2 * bending * (pa[2] + pb[2] - 2*p[2])
			all += 4 * bending
		}
		if bends&beforeBend != 0 {
			pa, paa := &c.place[a], &c.place[c.beside[a][2*axis]]
			sx += bending * (2*pa[0] - paa[0] - p[0])
			sy += bending * (2*pa[1] - paa[1] - p[1])
			sz += bending * (2*pa[2] - paa[2] - p[2])
			all += bending
		}
		if bends&afterBend != 0 {
			pb, pbb := &c.place[b], &c.place[c.beside[b][2*axis+1]]
			sx += bending * (2*pb[0] - pbb[0] - p[0])
			sy += bending * (2*pb[1] - pbb[1] - p[1])
			sz += bending * (2*pb[2] - pbb[2] - p[2])
			all += bending
		}
	}
	if all == 0 {
		return
	}
	if top := c.known[i].top; top > 0 {
		on := &c.skin[i].on
		sx += top * c.hand * on[0]
		sy += top * c.hand * on[1]
	}
	t := 1 / all
	x, y, z := p[0]+t*sx, p[1]+t*sy, p[2]+t*sz
	if t := &c.skin[i]; t.near {
		if d := (x-t.at[0])*t.out[0] + (y-t.at[1])*t.out[1] + (z-t.at[2])*t.out[2]; d < 0 {
			x, y, z = x-d*t.out[0], y-d*t.out[1], z-d*t.out[2]
			if c.worn && t.grips { // what pulls less than the skin holds does not slide
				mx, my, mz := x-p[0], y-p[1], z-p[2]
				far := math.Sqrt(mx*mx + my*my + mz*mz)
				if held := -friction * d; far > held {
					keep := 1 - held/far
					x, y, z = p[0]+keep*mx, p[1]+keep*my, p[2]+keep*mz
				} else {
					x, y, z = p[0], p[1], p[2]
				}
			}
		} else {
			if t.grips {
				d *= drapes
			} else {
				d *= toeDrapes
			}
			x, y, z = x-d*t.out[0], y-d*t.out[1], z-d*t.out[2]
		}
	}
	c.place[i] = vec{x, y, z}
}

// refined is the finer net in space: each knot where its pair is, moved as the cloth lies there.
func (c *cloud) refined(fine *net) *cloud {
	f := &cloud{net: fine, ctx: c.ctx, foot: c.foot, hand: c.hand, worn: c.worn, place: make([]vec, len(fine.mass)), skin: make([]touch, len(fine.mass))}
	frames := framesOf(c.net, c.place)
	for i := range f.place {
		k := c.into[i]
		p, t, aside := c.place[k], &frames[k], c.aside[i]
		p = add(p, add(times(t.right, aside[0]), times(t.above, aside[1])))
		f.place[i] = p
	}
	return f
}
