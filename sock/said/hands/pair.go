package hands

// The needles of a pair lie so far above and below the middle.
const held = 0.7

// pair lays two needles one above the other, both tips to the right, with as many loops on each.
func pair(upper, lower int) scene {
	s := scene{wide: 7.4, high: 4, ox: 3.7, oy: 2}
	s = s.with(rod(point{-4, -held, 0}, point{2.9, -held, 0}, 0.5, 0, 0)...)
	s = s.with(rod(point{-4, held, 0}, point{2.9, held, 0}, 0.5, 0, 0)...)
	for i := range upper {
		s = s.with(pairLoop(Yarn, pairX(i), -1))
	}
	for i := range lower {
		s = s.with(pairLoop(Yarn, pairX(i)+0.3, 1))
	}
	return s
}

// pairX is where the loops of a pair lie, the first one at the far end.
func pairX(i int) float64 { return -2.9 + 0.72*float64(i) }

// pairLoop is a loop round the upper (-1) or lower (1) needle of a pair, its feet between both.
func pairLoop(part Part, x, which float64) strand {
	y := which * held
	return strand{part: part, round: true, points: []point{
		{x + 0.14, -which * 0.12, 0.3}, {x + 0.24, y * 0.6, 1}, {x + 0.2, y + which*0.22, 1}, {x, y + which*0.36, -1},
		{x - 0.2, y + which*0.22, -1}, {x - 0.24, y * 0.6, -1}, {x - 0.14, -which * 0.12, -0.3},
	}}
}

// windings wrap both needles of a pair, so many times, from below upward in front; the yarn goes on behind.
func windings(n int) strand {
	st := yarn(point{pairX(0) - 0.2, 1.5, 2})
	for i := range n {
		x := pairX(i)
		st.points = append(st.points,
			point{x, held + 0.1, 1}, point{x + 0.06, -held - 0.1, 1}, point{x + 0.2, -held - 0.34, -1},
			point{x + 0.34, -held, -1}, point{x + 0.5, held, -1}, point{x + 0.6, held + 0.34, 1})
	}
	return st
}

// eights go between the needles of a pair, over one, between, under the other.
func eights(n int) strand {
	st := yarn(point{pairX(0) - 0.5, 1.6, -2}, point{pairX(0) - 0.3, 0, 0})
	for i := range n {
		x := pairX(i)
		st.points = append(st.points,
			point{x, -held, 1}, point{x + 0.14, -held - 0.36, -1}, point{x + 0.28, -held, -1}, point{x + 0.36, 0, 0},
			point{x + 0.44, held, 1}, point{x + 0.56, held + 0.36, -1}, point{x + 0.66, held, -1}, point{x + 0.7, 0, 0})
	}
	return st
}

// thumb is where a finger holds something: no more than a hint of a hand.
func thumb(x, y float64) strand {
	return strand{part: Hint, points: []point{{x - 0.45, y + 0.75, near}, {x - 0.32, y, near}, {x, y - 0.3, near}, {x + 0.32, y, near},
		{x + 0.45, y + 0.75, near}}}
}

// cable is a flexible cable through points.
func cable(points ...point) strand { return strand{part: Cable, points: points} }

// board is an empty picture for pieces of fabric and other things.
func board() scene { return scene{wide: 7.4, high: 4, ox: 3.7, oy: 2} }

// fabric is a piece of it: rows of letters, v for knits and b for purls, s for a slipped stitch over two rows, - for none.
func (s scene) fabric(x, y float64, rows ...string) scene {
	for r, row := range rows {
		for c, letter := range row {
			at := point{x + float64(c)*0.9, y + float64(r)*0.66, 0}
			switch letter {
			case 'v', 'V', 'c', 'n':
				part := map[rune]Part{'v': Yarn, 'V': Now, 'c': Other, 'n': Now}[letter]
				s = s.with(legs(part, at.x, at.y, 1)...)
			case 's':
				s = s.with(legs(Now, at.x, at.y, 2)...)
			case 'b', 'B':
				s = s.with(bumpAt(map[rune]Part{'b': Yarn, 'B': Now}[letter], at.x, at.y))
			}
		}
	}
	return s
}

// legs are both legs of a knit stitch, so many rows high.
func legs(part Part, x, y, rows float64) []strand {
	var list []strand
	for _, side := range []float64{-1, 1} {
		list = append(list, strand{part: part, points: []point{{x + side*0.4, y - 0.05, 0.3}, {x + side*0.31, y + rows*0.36, 0.3},
			{x + side*0.09, y + rows*0.62, 0.3}, {x + side*0.05, y + rows*0.72 + 0.1, 0.3}}})
	}
	return list
}

func bumpAt(part Part, x, y float64) strand {
	return strand{part: part, points: []point{{x - 0.46, y + 0.5, 0.2}, {x - 0.32, y + 0.22, 0.6}, {x, y + 0.1, 0.6},
		{x + 0.32, y + 0.22, 0.6}, {x + 0.46, y + 0.5, 0.2}}}
}

// chain is a crocheted chain lying on its side, from the left, so many links; from the back it shows bars.
func chain(part Part, x, y float64, links int, back bool) []strand {
	var list []strand
	for i := range links {
		at := point{x + float64(i)*0.8, y, 0}
		list = append(list, strand{part: part, points: []point{{at.x - 0.1, y, 1}, {at.x + 0.3, y - 0.26, 1}, {at.x + 0.75, y - 0.22, 1},
			{at.x + 0.95, y, 0.4}, {at.x + 0.75, y + 0.22, 1}, {at.x + 0.3, y + 0.26, 1}, {at.x - 0.1, y, 0.4}}})
		if back {
			list = append(list, strand{part: part,
				points: []point{{at.x + 0.42, y - 0.3, 2}, {at.x + 0.48, y, 2}, {at.x + 0.42, y + 0.3, 2}}})
		}
	}
	return list
}

// edge is the chain along the side of a flap, standing up: links from the top, each two rows high.
func edge(part Part, x, y float64, links int) []strand {
	var list []strand
	for i := range links {
		list = append(list, chainStitch(part, x, y+float64(i)*0.85, 0.95))
	}
	return list
}
