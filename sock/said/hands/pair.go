package hands

import "slices"

// Two needles held one above the other lie so far above and below the middle; loops of a cast-on stand so far apart.
const (
	apart  = 21.0
	onPair = 18.0
)

// pair is a picture of two needles one above the other.
type pair struct {
	bodies []body
	// left: the tips point to the left.
	left bool
	// half: it was turned half round, like the hand of a clock.
	half bool
}

// middle moves the middle of a picture to where its bodies are laid out round.
func middle(of []body) []body {
	list := slices.Clone(of)
	for i := range list {
		list[i].points = slices.Clone(list[i].points)
		for k := range list[i].points {
			p := &list[i].points[k]
			p.x, p.y = p.x+wide/2-ox, p.y+oy-high/2
		}
	}
	return list
}

// scene is the pair as it is seen.
func (p pair) scene() scene {
	return func(Hold) []body {
		list := slices.Clone(p.bodies)
		if p.half {
			for i := range list {
				list[i].points = slices.Clone(list[i].points)
				for k := range list[i].points {
					q := &list[i].points[k]
					q.x, q.y = -q.x, -q.y
				}
			}
		}
		return middle(list)
	}
}

func (p pair) with(more ...body) pair {
	p.bodies = append(slices.Clone(p.bodies), more...)
	return p
}

// rod is a needle from its far end to its tip.
func rod(part Part, key string, from, to point) body {
	b := body{part: part, key: key, pointed: true, is: role{kind: leftNeedle}}
	if part == Working {
		b.is.kind = rightNeedle
	}
	n := int(from.flat(to)/24) + 1
	for i := range n + 1 {
		b.points = append(b.points, from.toward(to, float64(i)/float64(n)))
	}
	return b
}

// held is a pair with its tips to the left, as a magic cast-on is worked.
func held() pair {
	return pair{left: true, bodies: []body{rod(Needle, "upper", point{140, apart, 0}, point{-84, apart, 0}),
		rod(Working, "lower", point{140, -apart, 0}, point{-58, -apart, 0})}}
}

// slot is where the loops of a magic cast-on lie, in the order in which they are laid: in turn on the upper and the lower needle.
func slot(i int) float64 { return 78 - onPair*float64(i) }

// ends is where both strands of a cast-on go.
type ends uint8

const (
	cutOff ends = iota
	inHand
	hanging
)

// magic is a magic cast-on with so many loops on either needle: the tail's on the upper one, the ball's on the lower one. The first loop is
// the twist of both.
func magic(upper, lower int, ends ends) pair {
	x := slot(0)
	tail := []point{{x, apart + 10.5, 0}, {x + 4, apart, -11}, {x + 4, 6, -10}, {x - 1, -3, -2}, {x - 6, -6, 5}, {x - 12, -6, -12}}
	ball := []point{{x, apart + 10.5, 0}, {x - 4, apart, 11}, {x - 3, 6, 10}, {x + 3, -3, 4}, {x + 1, -8, -6}, {x - 8, 2, -12}}
	for i := 2; i < 2*upper; i += 2 {
		tail = append(tail, fetched(slot(i), 1)...)
	}
	for i := 1; i < 2*lower; i += 2 {
		ball = append(ball, fetched(slot(i), -1)...)
	}
	over, under := ball[len(ball)-1], tail[len(tail)-1]
	switch ends {
	case inHand:
		ball = append(ball, point{min(over.x-12, -26), 7, 6}, point{-52, 11, 12}, point{-72, 30, 26}, point{-88, 45, 27}, point{-97, 37, 22}, point{-95, 26, -20})
		tail = append(tail, point{min(under.x-12, -26), -7, 6}, point{-52, -11, 12}, point{-72, -30, 26}, point{-88, -45, 27}, point{-97, -37, 22}, point{-95, -26, -20})
	case hanging:
		ball = append(ball, over.plus(-8, -20, 24), over.plus(-14, -60, 24), over.plus(-20, -110, 24))
		tail = append(tail, under.plus(-2, -22, -14), under.plus(6, -60, -14), under.plus(12, -110, -14))
	}
	p := held()
	p.bodies = append(p.bodies, body{part: Yarn, key: "tail", points: tail}, body{part: Now, key: "ball", points: ball})
	if ends == inHand {
		p.bodies = append(p.bodies, fingers()...)
	}
	return p
}

// fetched is one loop of a magic cast-on: the strand is carried behind, goes round the upper (1) or lower (-1) needle from behind, and into the gap.
func fetched(x, which float64) []point {
	y := which * apart
	return []point{{x + 11, -which * 6, -18}, {x + 5, which * 4, -15}, {x + 4, y, -12}, {x, y + which*10.5, -1}, {x - 4, y, 11}, {x - 3, which * 7, 9},
		{x - 6, -which * 1, 0}, {x - 10, -which * 6, -16}}
}

// fingers hold the strands of a cast-on apart: the forefinger above, the thumb below.
func fingers() []body {
	return []body{{part: Skin, key: "finger", points: []point{{-150, 84, 2}, {-118, 56, 2}, {-84, 33, 2}}},
		{part: Skin, key: "thumb", points: []point{{-150, -80, 2}, {-118, -54, 2}, {-84, -33, 2}}}}
}

// halves are two needles with so many stitches on each, both tips to the right; a needle that was drawn out is a cable there.
func halves(upper, lower int, upperOut, lowerOut bool) pair {
	var p pair
	for _, side := range []struct {
		y    float64
		n    int
		out  bool
		part Part
		key  string
	}{{apart, upper, upperOut, Needle, "upper"}, {-apart, lower, lowerOut, Working, "lower"}} {
		if side.out {
			p = p.with(body{part: Cable, key: side.key, points: []point{{-140, side.y, 0}, {0, side.y, 0}, {60, side.y, 0}, {96, side.y * 1.5, 0}, {140, side.y * 1.9, 0}}})
		} else {
			p = p.with(rod(side.part, side.key, point{-140, side.y, 0}, point{84, side.y, 0}))
		}
		for i := range side.n {
			p = p.with(roundRod(Yarn, key2(side.key, i), -76+onPair*1.35*float64(i), side.y))
		}
	}
	return p
}

func key2(of string, i int) string { return of + string(rune('a'+i)) }

// roundRod is a loop round a needle of a pair, with its feet between both.
func roundRod(part Part, key string, x, y float64) body {
	which := 1.0
	if y < 0 {
		which = -1
	}
	is := role{kind: onLeft}
	return body{part: part, key: key, is: is, points: []point{{x + 3, -which * 2, 4}, {x + 7, y * 0.5, 9}, {x + 8, y, 11}, {x + 4, y + which*9, 6}, {x, y + which*11, 0},
		{x - 4, y + which*9, -6}, {x - 8, y, -11}, {x - 7, y * 0.5, -9}, {x - 3, -which * 2, -4}}}
}

// windings wrap both needles of a pair, so many times, from below upward in front; the yarn goes on behind.
func windings(n int) body {
	points := []point{{-96, -60, 12}, {-88, -apart, 12}}
	for i := range n {
		x := -84 + 20*float64(i)
		points = append(points, point{x, 0, 12}, point{x + 2, apart, 11}, point{x + 5, apart + 11, 0}, point{x + 9, apart, -11}, point{x + 12, 0, -12},
			point{x + 15, -apart, -11}, point{x + 18, -apart - 11, 0})
	}
	last := points[len(points)-1].x
	return body{part: Now, key: "yarn", points: append(points, point{last + 4, -apart, 12}, point{last + 30, -50, 14}, point{130, -70, 14})}
}

// eights go between the needles of a pair, over one, between, under the other.
func eights(n int) body {
	points := []point{{-110, -58, -12}, {-96, -8, -8}}
	for i := range n {
		x := -86 + 24*float64(i)
		points = append(points, point{x - 2, 4, 6}, point{x + 1, apart, 11}, point{x + 4, apart + 11, 0}, point{x + 8, apart, -11}, point{x + 10, 4, -6},
			point{x + 12, -4, 6}, point{x + 14, -apart, 11}, point{x + 17, -apart - 11, 0}, point{x + 20, -apart, -11}, point{x + 22, -4, -6})
	}
	last := points[len(points)-1].x
	return body{part: Now, key: "yarn", points: append(points, point{last + 16, 14, 8}, point{last + 40, 50, 14})}
}
