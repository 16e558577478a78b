package cloth

import "acornstep/sock/rows/needle"

// castOn lays the first loops. On two needles they are two lines that face each other, and the yarn between them closes the toe.
func (e *edge) castOn(row *needle.Row) {
	var ids []int32
	e.flip = false
	e.lower, e.upper = append(e.lower[:0], none), append(e.upper[:0], none)
	chain := false
	for _, o := range row.Ops {
		chain = chain || o.Code == needle.COChain
		for range o.N {
			id := e.make(0, 1, 0)
			e.place(id)
			ids = append(ids, id)
		}
	}
	if len(ids) == 0 {
		return
	}
	if chain {
		e.ends = [2]int32{ids[0], ids[len(ids)-1]}
		return
	}
	n := len(ids)
	e.place(ids[0]) // the ring closes
	half := n / 2
	if len(row.OnNeedles) == 2 {
		half = row.OnNeedles[0]
	}
	// The strip between both needles: the last of needle 1 faces the first of needle 2.
	e.lower, e.upper = e.lower[:0], e.upper[:0]
	for k := half - 1; k >= 0; k-- {
		e.lower = append(e.lower, ids[k])
	}
	e.upper = append(e.upper, ids[half:]...)
	for k, id := range e.lower {
		if k < len(e.upper) {
			e.cloth.Links = append(e.cloth.Links, Link{id, e.upper[k], Edge, 0, -e.sizes[e.now].high, 2})
		}
	}
	e.strip()
}

// unzip frees the loops of a chain: the other side of the first row, seen from the last loop on.
func (e *edge) unzip(n, cursor int) {
	wasDown := e.flip
	e.flip = false
	last, first := e.ring[len(e.ring)-1], e.ring[0]
	right, left := e.side[last], e.side[none]
	delete(e.side, none)
	e.lower, e.upper = e.lower[:0], e.upper[:0]
	for k := range n {
		on := e.ends[1] - int32(k)
		e.lower = append(e.lower, on)
		id := e.make(0, 1, 0)
		if k == 0 {
			e.upper = append(e.upper, id)
		} else {
			e.place(id)
		}
		e.ring = append(e.ring, id)
		e.cloth.Links = append(e.cloth.Links, Link{on, id, Edge, 0, -0.5 * e.sizes[e.now].high, 2})
	}
	ends := e.upper[n-1]
	e.strip()
	// The chain's own ends are the sides between both halves.
	e.side[last] = withEnd(right, e.ends[1], last)
	e.side[ends] = withStart(left, e.ends[0], first)
	e.open, e.at, e.gone, e.begun = false, cursor, 0, none
	if wasDown {
		e.at = len(e.ring)
	}
	e.begin()
}

func withEnd(list []int32, end, live int32) []int32 {
	if end == live || len(list) > 0 && list[len(list)-1] == end {
		return list
	}
	return append(append([]int32{}, list...), end)
}

func withStart(list []int32, start, live int32) []int32 {
	if start == live || len(list) > 0 && list[0] == start {
		return list
	}
	return append([]int32{start}, list...)
}

// turns notes where round the sock each loop of a whole round stands.
func (e *edge) turns(i int) {
	row := &e.knitted.Rows[i]
	if row.Kind != needle.Round || row.Section == needle.Toe || row.Section == needle.CastOn {
		return
	}
	if e.front == 0 {
		e.cloth.Toe = int(e.next) - len(e.knitted.After(i).Loops)
	}
	e.front += e.sizes[i].high
	if row.Section == needle.Heel {
		return
	}
	after := e.knitted.After(i)
	n := len(after.Loops)
	begins, sole := 0, n/2
	if i+1 < len(e.knitted.Rows) {
		next := &e.knitted.Rows[i+1]
		begins, sole = next.InstepBegins(), after.Sole
		if sole == 0 {
			sole = n / 2
		}
	}
	front := sole - begins
	for k := range after.Loops {
		at := (k - begins + n) % n
		turn := 0.5 * (float64(at) + 0.5) / float64(max(1, front))
		if at >= front {
			turn = 0.5 + 0.5*(float64(at-front)+0.5)/float64(max(1, n-front))
		}
		l := &e.cloth.Loops[after.Loops[k].Made]
		l.Turn, l.Front, l.Foot = turn, e.front, row.Section == needle.Foot
	}
}
