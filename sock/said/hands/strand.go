package hands

// foot is where the strand to the hand begins: at the left foot of the loop that was worked last, or at the right one of the first that waits,
// when nothing was worked since a turn.
func (w *work) foot(left, right []wale) point {
	wales := make([]wale, 0, len(left)+len(right))
	for i := len(left) - 1; i >= 0; i-- {
		wales = append(wales, left[i])
	}
	wales = append(wales, right...)
	for i := range wales {
		if at := &wales[i]; w.turnedAt != 0 && at.id == w.turnedAt && at.kind == stitch {
			return w.between(wales, i, 0, 1)
		}
	}
	for i := len(left); i < len(wales); i++ {
		at := &wales[i]
		if at.kind == marker || at.kind == place {
			continue
		}
		if at.low > 0 {
			break // beyond the gap nothing was worked
		}
		if at.part == Now || at.kind == over || at.from == slipped {
			return w.between(wales, i, 0, -1)
		}
		if at.kind == double {
			return at.c.plus(-12, -25, -14)
		}
	}
	for i := len(left) - 1; i >= 0; i-- {
		if left[i].kind != marker && left[i].kind != place {
			return w.between(wales, i, 0, 1)
		}
	}
	if len(right) > 0 && right[0].kind != marker {
		return w.between(wales, len(left), 0, -1)
	}
	return point{40, -70, -7}
}

// strand is the one that goes to the hand, and the part of it that becomes the next loop.
func (w *work) strand(left, right []wale, hold Hold) []body {
	if w.yarn == none {
		return nil
	}
	from := w.foot(left, right)
	to := func(points ...point) body {
		return body{part: Now, key: "yarn", points: points, is: role{kind: toHand}}
	}
	throws := hold == Right
	switch w.yarn {
	case behind, toBack:
		return []body{to(w.restingBehind(from, throws)...)}
	case inFront:
		return []body{to(w.restingInFront(from, throws)...)}
	case toFront:
		return append([]body{to(w.restingInFront(from, throws)...)}, arrow(point{28, 34, 0}, point{22, 12, 0}, point{20, -22, 0})...)
	case roundTip:
		return w.aroundTip(from, throws)
	case drawnThrough:
		end := w.left0(left)
		if w.entered.back() {
			return []body{to(point{end.x - 5, end.y - 42, 14}, point{end.x + 2, -66, 22}, point{38, -86, 24}, side(throws, point{128, -80, 24}))}
		}
		return []body{to(append([]point{{end.x - 8, end.y - 44, -16}, {end.x + 2, -66, -20}}, highBehind(throws, 26)...)...)}
	case overBack:
		x := 24.0
		if w.moved {
			x = -8
		}
		y := w.rightY(x)
		return []body{to(append([]point{from, {x + 6, y - 34, 20}, {x - 4, y - 12, 20}, {x - 1, y + 8, 9}, {x + 8, y + 10, -6}, {x + 14, y + 2, -20}},
			highBehind(throws, x+22)...)...)}
	case overFront:
		x := 24.0
		if w.moved {
			x = -8
		}
		y := w.rightY(x)
		return []body{to(from, point{x - 8, y - 30, -18}, point{x - 8, y - 6, -18}, point{x, y + 9, 2}, point{x + 10, y, 16}, point{x + 8, y - 26, 22},
			point{x + 26, -80, 24}, side(throws, point{128, -84, 24}))}
	case pulled:
		c := right[0].c
		return []body{to(append([]point{c.plus(-12, -25, -14), c.plus(-22, 0, -22), c.plus(-16, 34, -24)}, highBehind(throws, c.x)...)...)}
	case pulledRound:
		c := right[0].c
		return []body{to(c.plus(-12, -25, -14), c.plus(-26, -18, -22), c.plus(-38, 2, -12), c.plus(-40, 14, 2), c.plus(-36, -4, 20), c.plus(-20, -36, 24),
			point{70, -84, 24}, side(throws, point{128, -80, 24}))}
	case wrapping:
		return w.round(from, right[0], throws)
	}
	return nil
}

// side is a place at the edge to which the hand leads the strand.
func side(throws bool, p point) point {
	if !throws {
		p.x = -p.x - 8
	}
	return p
}

// left0 is where the first loop of the left needle lies.
func (w *work) left0(left []wale) point {
	for i := range left {
		if left[i].n == 1 {
			return point{left[i].c.x - w.squeeze()*float64(max(0, w.taken-1))/2, left[i].c.y, 0}
		}
	}
	return point{}
}

// highBehind leads a strand on to the hand that holds it, high behind the work.
func highBehind(throws bool, x float64) []point {
	if throws {
		return []point{{x + 8, 26, -22}, {x + 34, 58, -16}, {128, 78, -16}}
	}
	return []point{{x - 2, 26, -22}, {x - 28, 52, -22}, {-70, 66, -24}, {-136, 74, -24}}
}

func (w *work) restingBehind(from point, throws bool) []point {
	return append([]point{from, from.plus(-9, 20, -11)}, highBehind(throws, min(from.x, 40)-8)...)
}

func (w *work) restingInFront(from point, throws bool) []point {
	x := min(from.x, 40)
	if throws {
		return []point{from, from.plus(-7, 24, 20), {x - 4, 6, 44}, {x + 22, 46, 44}, {128, 70, 44}}
	}
	return []point{from, from.plus(-7, 24, 20), {x - 8, 4, 44}, {x - 22, 38, 44}, {-66, 60, 44}, {-136, 66, 44}}
}

// aroundTip is the strand laid round the tip of the right needle: the part that becomes a loop, and the way on to the hand. For a knit it goes
// up behind the tip, over it, and down between both needles; for a purl before the tip, over it, down between both needles and out below.
func (w *work) aroundTip(from point, throws bool) []body {
	t := point{w.tip(), w.rightY(w.tip()), 0}
	z := w.rightZ(t.x)
	loop := body{part: Now, key: "l-next", is: role{kind: drawnLoop}}
	next := body{part: Now, key: "yarn", is: role{kind: toHand}}
	if w.entered.back() {
		low := max(2, z/2)
		loop.points = []point{from, {20, -58, 22}, {-6, -34, z + 20}, t.plus(20, -14, z+18), t.plus(11, 6, z+14), t.plus(4, 13, z+7), t.plus(-1, 9, z)}
		next.points = []point{t.plus(-1, 9, z), t.plus(3, -6, low), t.plus(8, -26, max(12, low)), t.plus(20, -62, 20), {t.x + 50, -88, 24}, {128, -78, 26}}
		if !throws {
			next.points = []point{t.plus(-1, 9, z), t.plus(2, -8, low), t.plus(0, -26, max(16, low)), t.plus(-22, -52, 24), {-136, -62, 26}}
		}
		return []body{loop, next}
	}
	deep := min(z-11, -16)
	between := min(z/2, -2.2)
	loop.points = []point{from, {22, -52, deep}, {-2, -26, deep}, t.plus(22, -13, deep), t.plus(16, 4, deep), t.plus(11, 12, z), t.plus(3, 12, between-1)}
	next.points = []point{t.plus(3, 12, between-1), t.plus(1, 3, between), t.plus(8, -7, between), t.plus(22, 1, between), {-6, 24, -20}, {40, 44, -20},
		{128, 80, -20}}
	if !throws {
		next.points = []point{t.plus(3, 12, between-1), t.plus(0, 3, between), t.plus(2, -8, between), t.plus(-14, -8, between), {-96, 26, -22}, {-136, 62, -24}}
	}
	if throws && !w.flat {
		// The forefinger carries the strand.
		return []body{loop, next, {part: Skin, key: "finger", points: []point{{146, 108, -44}, {116, 84, -44}, {90, 61, -44}}}}
	}
	return []body{loop, next}
}

// through is a new loop on the right needle, drawn through those that hang on the left one still: its feet come out of them on the other side.
func (w *work) through(at *wale, from point) []point {
	c := at.c
	mid := w.pivot()
	f := 1.0 // drawn to the front
	if w.entered.back() {
		f = -1
	}
	z := at.c.z
	return []point{from, {mid + 15, -62, -f * 16}, {mid + 5, -40, -f * 16}, {mid + 4, -26, f * 12}, {c.x + 11, c.y - 8, z + 9}, {c.x + 10, c.y + 4, z + 10},
		{c.x + 5, c.y + 9.6, z + 5}, {c.x, c.y + 11, z}, {c.x - 5, c.y + 9.6, z - 5}, {c.x - 10, c.y + 3, z - 10}, {c.x - 11, c.y - 8, z - 9},
		{mid - 4, -26, f * 12}, {mid - 5, -42, -f * 16}}
}

// round takes the yarn round the first loop on the right needle, which was slipped: to the front of it when the right side faces, to its back
// on the wrong side.
func (w *work) round(from point, first wale, throws bool) []body {
	x, y := first.level(0).x, first.foot+14
	b := body{part: Now, key: "yarn", is: role{kind: toHand}}
	if w.purls {
		b.points = append([]point{from, {x + 22, y - 8, 14}, {x + 17, y, -4}, {x + 6, y + 4, -16}, {x - 8, y + 6, -18}}, highBehind(throws, x-26)...)
	} else {
		b.points = []point{from, {x + 22, y - 8, -14}, {x + 17, y, 6}, {x + 6, y + 4, 20}, {x - 8, y + 3, 22}, {x - 24, y - 4, 26}, side(throws, point{-30, -116, 26})}
	}
	return []body{b}
}

// arrow points along a curve from one place to another by way of a third.
func arrow(from, by, to point) []body {
	from.z, by.z, to.z = near, near, near
	d := max(1, by.flat(to))
	dx, dy := (to.x-by.x)/d*11, (to.y-by.y)/d*11
	barb := func(turn float64) body {
		return body{part: Hint, key: "arrow", points: []point{to.plus(-dx-turn*dy*0.7, -dy+turn*dx*0.7, 0), to}}
	}
	return []body{{part: Hint, key: "arrow", points: []point{from, by, to}}, barb(1), barb(-1)}
}

// ring goes round what must be seen.
func ring(x, y, r float64) body {
	k := r * 0.71
	return body{part: Hint, key: "ring", points: []point{{x, y - r, near}, {x + k, y - k, near}, {x + r, y, near}, {x + k, y + k, near},
		{x, y + r, near}, {x - k, y + k, near}, {x - r, y, near}, {x - k, y - k, near}, {x, y - r, near}}}
}

// mark rings a loop: the first, second … on the left (below zero) or right needle.
func mark(n int) verb {
	return with(func(w *work) []body {
		list, right := w.places()
		if n > 0 {
			list = right
		}
		for i := range list {
			if list[i].n == max(n, -n) {
				return []body{ring(list[i].c.x, list[i].c.y-10, 25)}
			}
		}
		return nil
	})
}

// pointing draws an arrow.
func pointing(from, by, to point) verb {
	return with(func(*work) []body { return arrow(from, by, to) })
}

// turning is the arrow round work that was just turned.
var roundTheWork = pointing(point{-52, 56, 0}, point{0, 78, 0}, point{52, 56, 0})
