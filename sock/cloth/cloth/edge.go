package cloth

import (
	"slices"

	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// none stands for the end of the needle, where the loops are a line and not a ring.
const none int32 = -1

// edge is the cloth as it grows, with its edge on the needles.
type edge struct {
	cloth   *Cloth
	knitted *knitted.Sock
	sizes   []size
	// side are the loops down the side of the cloth, from a loop on the needles to the next one up the ring: where rows turned.
	// The place before the first loop of a line is that after none.
	side map[int32][]int32
	next int32 // the number of the next loop that is made
	now  int   // the row
	// first is the number of the first loop that the row makes.
	first int32
	flip  bool // the row is worked down the ring
	// lower and upper are the old and the new edge of what is being worked, from the last loop of both on.
	lower, upper []int32
	// begun is where this row's first loop stands; none before it.
	begun int32
	front float64 // how far up the front the last round lies
	// turned: the work was turned, so that the next row begins a side. tail is the loop behind its first one, start
	// the side between both.
	turned bool
	tail   int32
	start  []int32
	ends   [2]int32 // the ends of the chain of a provisional cast-on
	// ring are the loops on the needles before the row, a line when open; at is how many lie below the yarn, gone how many were taken.
	ring     []int32
	open     bool
	at, gone int
}

func newEdge(t *knitted.Sock, sizes Sizes) *edge {
	n := len(t.Loops)
	return &edge{
		cloth:   &Cloth{Loops: make([]Loop, n), Links: make([]Link, 0, 4*n), Facets: make([][3]int32, 0, 2*n), Lies: make([]Lie, 0, 2*n)},
		knitted: t, sizes: sizesOf(t.Rows, sizes), side: map[int32][]int32{}, ends: [2]int32{none, none},
	}
}

// row works one row.
func (e *edge) row(i int) {
	row, before := &e.knitted.Rows[i], e.knitted.Before(i)
	e.now, e.flip, e.begun, e.start, e.first = i, row.Side == needle.WS, none, nil, e.next
	if len(before.Loops) == 0 {
		e.castOn(row)
		e.turns(i)
		return
	}
	n := len(before.Loops)
	ring := make([]int32, n, 2*n)
	for k := range ring {
		ring[k] = before.Loops[k].Made
	}
	e.ring, e.open, e.at, e.gone = ring, before.Open, before.Cursor, 0
	e.begin()
	coming := e.ahead()
	picked := 0
	for at, o := range row.Ops {
		switch o.Code {
		case needle.Turn, needle.WT:
			e.turned = true
		case needle.Start:
		case needle.Unzip:
			e.unzip(o.N, before.Cursor)
			coming = e.ahead()
		case needle.PU, needle.PC:
			// What is picked up along an edge and in its corner shares the one side of the cloth.
			picked += o.N
			if at+1 == len(row.Ops) || row.Ops[at+1].Code != needle.PU && row.Ops[at+1].Code != needle.PC {
				e.pickUp(picked, coming)
				picked = 0
			}
		default:
			for range o.N {
				e.work(o.Code, &coming)
			}
		}
	}
	e.close(coming)
	e.turns(i)
}

// begin sets both edges to the loop from which the yarn comes; none at the end of a line.
func (e *edge) begin() {
	n, behind := len(e.ring), none
	switch {
	case e.flip && !(e.open && e.at == n):
		behind = e.ring[e.at%n]
	case !e.flip && !(e.open && e.at == 0):
		behind = e.ring[(e.at+n-1)%n]
	}
	e.tail = behind
	if e.turned { // the yarn comes from the loop ahead
		behind = none
	}
	e.turned = false
	e.lower, e.upper = append(e.lower[:0], behind), append(e.upper[:0], behind)
}

// ahead gives the loops of the needles in the order of the work; none at the end of a line, and after the last of a
// ring the first that was made.
func (e *edge) ahead() int32 {
	n := len(e.ring)
	if e.open && (e.flip && e.at == 0 || !e.flip && e.at == n) {
		return none
	}
	if e.gone == n {
		return e.begun
	}
	e.gone++
	if e.flip {
		e.at = (e.at + n - 1) % n
		return e.ring[e.at]
	}
	e.at = e.at%n + 1
	return e.ring[e.at-1]
}

// takeSide is the side of the cloth from one loop to the next in the order of the work; it is a side no more.
func (e *edge) takeSide(from, to int32) []int32 {
	if !e.flip {
		list := e.side[from]
		delete(e.side, from)
		return list
	}
	list := e.side[to]
	delete(e.side, to)
	slices.Reverse(list)
	return list
}

// setSide keeps the side of the cloth between two neighbours, told in the order of the work.
func (e *edge) setSide(from, to int32, list []int32) {
	if e.flip {
		from = to
		slices.Reverse(list)
	}
	if len(list) == 0 {
		delete(e.side, from)
		return
	}
	e.side[from] = list
}

// work does one operation on the loops that come.
func (e *edge) work(code needle.Code, coming *int32) {
	takes, makes := code.Takes(), code.Makes()
	for range takes {
		if *coming == none {
			return
		}
		if last := e.lower[len(e.lower)-1]; last == none {
			e.start = append(e.takeSide(e.tail, *coming), *coming)
			e.lower = append(e.lower, *coming)
		} else {
			e.lower = append(append(e.lower, e.takeSide(last, *coming)...), *coming)
		}
		switch code {
		case needle.Sl:
			e.cloth.Loops[*coming].slips++
			fallthrough
		case needle.DS, needle.SlPin:
			e.place(*coming)
			makes = 0
		}
		*coming = e.ahead()
	}
	for k := range makes {
		e.place(e.make(takes, makes, k))
	}
	if takes > 0 {
		e.strip()
	}
}

// make makes the next loop of the row: the k-th of so many on the loops that were taken last.
func (e *edge) make(takes, makes, k int) int32 {
	id := e.next
	e.next++
	s := &e.sizes[e.now]
	wide := s.of(int(id - e.first))
	l := Loop{Row: int32(e.now), Wide: wide, High: s.high, Turn: -1}
	if takes == 0 {
		if last := len(e.upper) - 1; last >= 0 && e.upper[last] != none {
			l.level = e.cloth.Loops[e.upper[last]].level
		}
		e.cloth.Loops[id] = l
		return id
	}
	aside := func(k, of int) float64 { // from the middle, in the order of the needles
		right := (float64(k) - float64(of-1)/2) * wide
		if e.flip {
			return -right
		}
		return right
	}
	for at, from := range e.knitted.Loops[id].From {
		if from == 0 {
			continue
		}
		below := &e.cloth.Loops[from-1]
		l.level = max(l.level, below.level+1+below.slips)
		e.cloth.Links = append(e.cloth.Links, Link{from - 1, id, Up, aside(k, makes) - aside(at, takes), float64(1+below.slips) * s.high,
			0})
	}
	e.cloth.Loops[id] = l
	return id
}

// place puts a loop on the new edge, beside the one before it.
func (e *edge) place(id int32) {
	last := e.upper[len(e.upper)-1]
	e.upper = append(e.upper, id)
	if e.begun == none {
		e.begun = id
	}
	if last == none || last == id {
		return
	}
	a, b := &e.cloth.Loops[last], &e.cloth.Loops[id]
	right, above := (a.Wide+b.Wide)/2, 0.0
	if d := b.level - a.level; d == 1 || d == -1 {
		if int(a.Row) != e.now && a.slips > 0 || int(b.Row) != e.now && b.slips > 0 {
			above = float64(d) * b.High / 2
		}
	}
	if e.flip {
		right = -right
	}
	e.cloth.Links = append(e.cloth.Links, Link{last, id, Along, right, above, 0})
}

// strip makes the cloth between the old edge and the new one, and begins again at their ends.
func (e *edge) strip() {
	lower, upper := e.lower, e.upper
	i, j := 0, 0
	for i < len(lower)-1 || j < len(upper)-1 {
		// The one that is behind goes on.
		if j == len(upper)-1 || i < len(lower)-1 && (i+1)*max(1, len(upper)-1) <= (j+1)*max(1, len(lower)-1) {
			e.facet(lower[i], lower[i+1], upper[j], TwoBelow)
			i++
		} else {
			e.facet(lower[i], upper[j+1], upper[j], TwoAbove)
			j++
		}
	}
	if len(lower) == 2 && len(upper) == 2 {
		e.slants(lower[0], lower[1], upper[0], upper[1])
	}
	e.lower = append(e.lower[:0], lower[len(lower)-1])
	e.upper = append(e.upper[:0], upper[len(upper)-1])
}

// facet adds a triangle, unless it is none.
func (e *edge) facet(a, b, c int32, lie Lie) {
	if a == none || b == none || c == none || a == b || b == c || a == c {
		return
	}
	if e.flip {
		b, c = c, b
		lie += TwoBelowBack
	}
	e.cloth.Lies = append(e.cloth.Lies, lie)
	e.cloth.Facets = append(e.cloth.Facets, [3]int32{a, b, c})
}

// slants keep a whole stitch square.
func (e *edge) slants(a, b, c, d int32) {
	if a == none || c == none || a == c || b == d {
		return
	}
	right := e.cloth.Loops[d].Wide
	high := e.cloth.Loops[d].High
	if e.flip {
		right = -right
	}
	e.cloth.Links = append(e.cloth.Links, Link{a, d, Slant, right, high, 0}, Link{b, c, Slant, -right, high, 0})
}

// pickUp draws loops along the side of the cloth between the last loop and the next one.
func (e *edge) pickUp(n int, coming int32) {
	last := e.lower[len(e.lower)-1]
	e.lower = append(e.lower, e.takeSide(last, coming)...)
	for range n {
		e.place(e.make(0, 1, 0))
	}
	down, up := e.lower, e.upper[1:]
	for k, id := range up {
		if len(down) == 1 {
			break // they hang between two neighbours, like an increase
		}
		at := min(1+(2*k+1)*(len(down)-1)/(2*len(up)), len(down)-1)
		e.hang(down, at, id)
	}
	if len(e.lower) > 1 {
		e.strip()
	}
}

// hang links a loop that was picked up to the loop of the side behind it. A
// side that goes down is the one after its cloth in the order of the work, one that goes up the one before.
func (e *edge) hang(side []int32, at int, id int32) {
	on := side[at]
	if on == none {
		return
	}
	before, after := side[max(0, at-1)], side[min(at+1, len(side)-1)]
	out, quarters := 0.7*e.sizes[e.now].high, int8(-1)
	rises := before != none && e.cloth.Loops[after].level > e.cloth.Loops[before].level
	if rises != e.flip {
		out, quarters = -out, 1
	}
	e.cloth.Links = append(e.cloth.Links, Link{on, id, Edge, out, 0, quarters})
}

// close ends a row: what is left between the old edge and the new one is the side of the cloth until somebody passes.
func (e *edge) close(coming int32) {
	last, new := e.lower[len(e.lower)-1], e.upper[len(e.upper)-1]
	list := append([]int32{}, e.takeSide(last, coming)...)
	if len(e.upper) > 1 { // increases at the very end
		e.strip()
		new = e.upper[len(e.upper)-1]
	}
	if last != new && last != none {
		list = append([]int32{last}, list...)
	}
	e.setSide(new, coming, list)
	if n := len(e.start); n > 0 {
		if e.start[n-1] == e.begun {
			n--
		}
		e.setSide(e.tail, e.begun, e.start[:n])
	}
}
