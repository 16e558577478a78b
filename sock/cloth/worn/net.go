package worn

import (
	"cmp"
	"math"
	"slices"

	"acornstep/sock/cloth/cloth"
)

// none stands for a neighbour that is not there.
const none int32 = -1

// How hard a link pulls for each millimetre that it is too long. A stitch is
// higher than wide in what it takes to stretch it; what keeps it square is weaker.
var stiff = [...]float64{cloth.Along: 1, cloth.Up: 1.6, cloth.Slant: 0.2, cloth.Edge: 1.6}

// link holds two knots of a net: where the second lies from the first in flat cloth, and how hard it pulls.
type link struct {
	from, to     int32
	right, above float64
	pull         float64
	// quarters of a turn by which the cloth of the second is turned against that of the first.
	quarters int8
}

// back is the link seen from its other knot.
func (l link) back() link {
	right, above := turned(-l.right, -l.above, -l.quarters)
	return link{l.to, l.from, right, above, l.pull, -l.quarters}
}

// rest is how long a link is that nothing pulls, in mm.
func (l *link) rest() float64 { return math.Sqrt(l.right*l.right + l.above*l.above) }

// turned is a direction after quarters of a turn, from right to above.
func turned(right, above float64, quarters int8) (float64, float64) {
	switch quarters & 3 {
	case 1:
		return -above, right
	case 2:
		return -right, -above
	case 3:
		return above, -right
	}
	return right, above
}

// net is a sock as knots and links: every loop a knot, or several loops together.
type net struct {
	links []link
	mass  []float64 // loops in each knot
	// known is what the rows tell of where each knot begins.
	known []known
	// Each knot's own links: begin[i] to begin[i+1].
	begin []int32
	ends  []end
	// beside are the neighbours to the left, right, below and above in the same piece of cloth.
	beside [][4]int32
	// bends says, for left and right and for below and above, whether the cloth bends at a knot, at the one before
	// it and at the one after it.
	bends [][2]uint8

	// facets are its triangles, clockwise from outside, and cell twice the area at rest of a usual one.
	facets [][3]int32
	cell   float64

	// fine is the net whose knots this one's are made of; into says in which each of them is, aside where it lies there.
	into  []int32
	aside [][2]float64
}

// end is a link seen from one of its knots.
type end struct {
	to         int32
	rest, pull float32
}

// known is what the rows tell of the place of a knot.
type known struct {
	// cos and sin are its direction round the foot, added up over its loops that are of whole rounds; front how far
	// up the front of the sock they lie, rounds how many they are.
	cos, sin, front, rounds float64
	// top, toe and foot are how many of its loops are on the needles, before the first whole round, and of whole rounds of the foot.
	top, toe, foot float64
}

func (k *known) and(l *known) {
	k.cos, k.sin, k.front, k.rounds = k.cos+l.cos, k.sin+l.sin, k.front+l.front, k.rounds+l.rounds
	k.top, k.toe, k.foot = k.top+l.top, k.toe+l.toe, k.foot+l.foot
}

// up is how far up the front of the sock a knot lies that has loops of whole rounds, in mm from the first of them on.
func (k *known) up() float64 { return k.front / math.Max(k.rounds, 1) }

func netOf(c *cloth.Cloth) *net {
	n := &net{links: make([]link, len(c.Links)), mass: make([]float64, len(c.Loops)), known: make([]known, len(c.Loops))}
	for i := range c.Links {
		l := &c.Links[i]
		n.links[i] = link{l.From, l.To, l.Right, l.Above, stiff[l.Kind], l.Quarters}
	}
	for i := range c.Loops {
		n.mass[i] = 1
		if turn := c.Loops[i].Turn; turn >= 0 {
			k := &n.known[i]
			k.sin, k.cos = math.Sincos(2 * math.Pi * (0.25 - turn)) // needle 1 runs over the instep from the wearer's left to the right
			k.front, k.rounds = c.Loops[i].Front, 1
			if c.Loops[i].Foot {
				k.foot = 1
			}
		}
		if i < c.Toe {
			n.known[i].toe = 1
		}
	}
	for _, id := range c.Live {
		n.known[id].top = 1
	}
	n.facets, n.cell = c.Facets, 1/(c.Gauge.Stitches*c.Gauge.Rounds)
	n.tie()
	return n
}

// tie lists the links of every knot, and its neighbours.
func (n *net) tie() {
	size := len(n.mass)
	n.begin = make([]int32, size+1)
	for i := range n.links {
		n.begin[n.links[i].from+1]++
		n.begin[n.links[i].to+1]++
	}
	for i := range size {
		n.begin[i+1] += n.begin[i]
	}
	n.ends = make([]end, 2*len(n.links))
	at := slices.Clone(n.begin[:size])
	n.beside = make([][4]int32, size)
	best := make([][4]float64, size)
	for i := range n.beside {
		n.beside[i] = [4]int32{none, none, none, none}
	}
	note := func(a, b int32, side int, pull float64) {
		if pull > best[a][side] {
			best[a][side], n.beside[a][side] = pull, b
		}
	}
	for i := range n.links {
		l := &n.links[i]
		rest := l.rest()
		n.ends[at[l.from]] = end{l.to, float32(rest), float32(l.pull)}
		n.ends[at[l.to]] = end{l.from, float32(rest), float32(l.pull)}
		at[l.from]++
		at[l.to]++
		if l.quarters != 0 {
			continue
		}
		switch side, across := math.Abs(l.right), math.Abs(l.above); {
		case across < 0.4*side && l.right > 0:
			note(l.from, l.to, 1, l.pull)
			note(l.to, l.from, 0, l.pull)
		case across < 0.4*side:
			note(l.from, l.to, 0, l.pull)
			note(l.to, l.from, 1, l.pull)
		case side < 0.5*across && l.above > 0:
			note(l.from, l.to, 3, l.pull)
			note(l.to, l.from, 2, l.pull)
		}
	}
	n.bend()
}

// Where the cloth bends that lies through a knot.
const (
	ownBend uint8 = 1 << iota
	beforeBend
	afterBend
)

// bend notes where three knots lie in a line, each of them the neighbour of the next: there the cloth resists being bent.
func (n *net) bend() {
	n.bends = make([][2]uint8, len(n.mass))
	for i := range n.beside {
		for axis := range 2 {
			a, b := n.beside[i][2*axis], n.beside[i][2*axis+1]
			if a == none || b == none || a == b || n.beside[a][2*axis+1] != int32(i) || n.beside[b][2*axis] != int32(i) {
				continue
			}
			n.bends[i][axis] |= ownBend
			n.bends[a][axis] |= afterBend
			n.bends[b][axis] |= beforeBend
		}
	}
}

// halved joins knots in pairs, upward or along the row, and gives the net of the pairs.
func (n *net) halved(up bool) *net {
	size := len(n.mass)
	h := &net{into: make([]int32, size), aside: make([][2]float64, size)}
	for i := range h.into {
		h.into[i] = none
	}
	side := 1
	if up {
		side = 3
	}
	far := n.distances(side)
	for i := range h.into {
		if h.into[i] != none {
			continue
		}
		id := int32(len(h.mass))
		h.into[i] = id
		mass, k := n.mass[i], n.known[i]
		if j := n.beside[i][side]; j != none && j != int32(i) && h.into[j] == none && n.beside[j][side-1] == int32(i) {
			h.into[j] = id
			all := mass + n.mass[j]
			d := far[i]
			h.aside[i] = [2]float64{-d[0] * n.mass[j] / all, -d[1] * n.mass[j] / all}
			h.aside[j] = [2]float64{d[0] * mass / all, d[1] * mass / all}
			mass = all
			k.and(&n.known[j])
		}
		h.mass, h.known = append(h.mass, mass), append(h.known, k)
	}
	h.links = n.joined(h)
	h.facets, h.cell = n.facetsIn(h), 2*n.cell
	h.tie()
	return h
}

// facetsIn are the triangles that are left when knots are joined.
func (n *net) facetsIn(h *net) [][3]int32 {
	list := make([][3]int32, 0, len(n.facets)/2)
	for _, f := range n.facets {
		a, b, c := h.into[f[0]], h.into[f[1]], h.into[f[2]]
		if a == b || b == c || a == c {
			continue
		}
		for a > b || a > c { // the lowest first
			a, b, c = b, c, a
		}
		list = append(list, [3]int32{a, b, c})
	}
	list = byFirst(list, len(h.mass), func(f *[3]int32) int32 { return f[0] })
	out := list[:0]
	for i := 0; i < len(list); {
		begin := len(out)
		for first := list[i][0]; i < len(list) && list[i][0] == first; i++ {
			if !slices.Contains(out[begin:], list[i]) {
				out = append(out, list[i])
			}
		}
	}
	return out
}

// byFirst sorts by a knot, and leaves the order otherwise.
func byFirst[T any](list []T, size int, knot func(*T) int32) []T {
	begin := make([]int32, size+1)
	for i := range list {
		begin[knot(&list[i])+1]++
	}
	for i := range size {
		begin[i+1] += begin[i]
	}
	sorted := make([]T, len(list))
	for i := range list {
		k := knot(&list[i])
		sorted[begin[k]] = list[i]
		begin[k]++
	}
	return sorted
}

// distances are where the neighbour on a side lies from each knot.
func (n *net) distances(side int) [][2]float64 {
	far := make([][2]float64, len(n.mass))
	for i := range n.links {
		l := &n.links[i]
		if l.quarters != 0 {
			continue
		}
		if n.beside[l.from][side] == l.to {
			far[l.from] = [2]float64{l.right, l.above}
		}
		if n.beside[l.to][side] == l.from {
			far[l.to] = [2]float64{-l.right, -l.above}
		}
	}
	return far
}

// joined are the links between the knots of a coarser net: those of the finer one that go from one of them to another, taken together.
// Links side by side pull together, links behind each other share the way.
func (n *net) joined(h *net) []link {
	list := make([]link, 0, len(n.links))
	for i := range n.links {
		if l, ok := n.links[i].between(h); ok {
			list = append(list, l)
		}
	}
	list = byFirst(list, len(h.mass), func(l *link) int32 { return l.from })
	for i := 0; i < len(list); {
		j := i
		for ; j < len(list) && list[j].from == list[i].from; j++ {
		}
		slices.SortStableFunc(list[i:j], func(a, b link) int {
			return cmp.Or(cmp.Compare(a.to, b.to),
				cmp.Compare(a.quarters&3, b.quarters&3))
		})
		i = j
	}
	return alike(list)
}

// between is a link as the knots of a coarser net have it, from the lower number to the higher one; ok is false for
// one within a knot, and for what is too short to tell a direction.
func (l link) between(h *net) (_ link, ok bool) {
	a, b := h.into[l.from], h.into[l.to]
	if a == b {
		return l, false
	}
	short := l.rest()
	p := h.aside[l.from]
	right, above := turned(h.aside[l.to][0], h.aside[l.to][1], l.quarters)
	l.right, l.above = p[0]+l.right-right, p[1]+l.above-above
	l.from, l.to = a, b
	if a > b {
		l = l.back()
	}
	long := l.rest()
	l.pull *= short / long
	return l, long >= 0.2*short
}

// alike takes those links of a sorted list together that join the same knots the same way round.
func alike(list []link) []link {
	const least = 0.1 // mm
	out := list[:0]
	for i := 0; i < len(list); {
		sum := link{from: list[i].from, to: list[i].to, quarters: list[i].quarters}
		for ; i < len(list) && list[i].from == sum.from && list[i].to == sum.to && (list[i].quarters-sum.quarters)&3 == 0; i++ {
			l := &list[i]
			sum.right += l.right * l.pull
			sum.above += l.above * l.pull
			sum.pull += l.pull
		}
		sum.right, sum.above = sum.right/sum.pull, sum.above/sum.pull
		if sum.rest() > least {
			out = append(out, sum)
		}
	}
	return out
}
