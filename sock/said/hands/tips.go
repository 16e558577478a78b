package hands

import "strings"

// layout is where things are when two needles lie with their tips together.
type layout struct {
	left, right string
	// tilt is how far the right needle falls for each stitch to the right, rise how far the left one does to the left.
	tilt, rise float64
	// firstLeft and firstRight are where the loops next to the tips lie.
	firstLeft, firstRight float64
	// entered is how the right needle went into loops of the left one, taken into how many.
	entered way
	taken   int
	// round: the yarn goes round the tip of the right needle.
	round bool
	// lifts: the right needle has gone under the wraps of the loops that it enters, from below.
	lifts bool
}

// purls says whether the purl side faces the knitter.
func (l *layout) purls() bool { return strings.ContainsAny(l.left+l.right, "bB") }

// way is how the right needle goes into a loop of the left one.
type way int

const (
	out way = iota
	// knitwise goes from the front to the back, in front of the right leg and behind the left one.
	knitwise
	// purlwise stays in front of the needle, under the right leg.
	purlwise
	// backLoop stays behind the needle, in front of the left leg.
	backLoop
	// fromBehind comes round the left leg to the front.
	fromBehind
	// drawnToFront and drawnToBack have the new loop on the right needle, before or behind the old one, which still
	// hangs on the left one.
	drawnToFront
	drawnToBack
)

// The measures of loops on needles, in stitches.
const (
	each   = 1.0  // from loop to loop
	close  = 0.2  // from loop to loop where they are taken together
	foot   = 1.15 // where a loop comes out of the fabric
	stitch = 0.8  // height of a stitch of the fabric
	step   = 0.42 // of a gap: how much lower the waiting stitches lie
)

// tips lays loops on two needles, each list counted from the tips outward.
//
// A letter is a loop with the fabric below it: v a knit stitch, b a purl bump;
// V and B the same of the row at hand; t sits with its leading leg behind; s was slipped over a row;
// d is a double stitch, w wrapped, W wrapped twice, u a wrap that was lifted on to the needle, U the same turned, y a yarn-over, e the chain
// at an edge;
// r and l were worked together and lean right or left, i was made of the bar below, f has the bar of a kfb;
// c is in another yarn. | is a marker, / the gap of a turn, _ a place left empty.
func tips(left, right string) scene {
	return scene{wide: 7.4, high: 4, ox: 3.7, oy: 1.35, lay: layout{left: left, right: right, firstLeft: -0.8, firstRight: 0.8}}
}

// into puts the right needle into the first so many loops of the left one.
func (s scene) into(w way, loops int) scene {
	s.lay.entered, s.lay.taken = w, loops
	s.lay.tilt, s.lay.rise, s.lay.firstRight = 0.3, 0.15, 1.0
	return s
}

// depths are how near the right needle is before and after it enters a loop. Behind the left needle it still lies before a leg that is
// behind it.
var depths = map[way][2]float64{
	knitwise: {1.5, -1.5}, purlwise: {0.5, 0.5}, backLoop: {-0.2, -0.2}, fromBehind: {-1.5, 1.5},
	drawnToFront: {2, 2}, drawnToBack: {-2, -2},
}

// The tip of the right needle ends so far beyond the last loop that it enters, or that it drew a new one through; the loops that it leaves
// lie farther off by the room that it takes.
const (
	reach      = 0.95
	reachDrawn = 0.75
	room       = 0.6
)

// draw draws both needles and all that hangs on them.
func (s scene) draw() scene {
	l := &s.lay
	s = s.with(partOf(leftRod, rod(point{-5.6, s.leftY(-5.6), 0}, point{l.firstLeft + 0.63, s.leftY(l.firstLeft + 0.63), 0}, 0.5, 0, 0))...)
	if l.entered == out {
		s = s.with(partOf(rightRod, rod(point{5.6, 0, 0}, point{0.12, 0, 0}, 0.5, 0, 0))...)
	} else {
		s = s.with(partOf(rightRod, s.entering())...)
	}
	s = s.loops(l.left, -1)
	return s.loops(l.right, 1)
}

// entering is the right needle on its way into loops of the left one: its own loops hang on it, then it goes before or behind the first leg,
// and after the pivot before or behind the last ones.
func (s scene) entering() []strand {
	d := depths[s.lay.entered]
	at := func(x, z float64) point { return point{x, s.rightY(x), z} }
	shaft := func(from, to, z float64) strand {
		return strand{part: Needle, straight: true, points: []point{at(from, z), at(to, z)}}
	}
	const beside = 0.42 // between the first loop on the needle and the first that it enters
	tip, p := s.tip(), s.pivot()
	taper := tip + 0.45
	return []strand{shaft(5.6, beside, 0), shaft(beside, p.x, d[0]), shaft(p.x, taper, d[1]),
		{part: Tip, straight: true, points: []point{at(taper+0.02, d[1]), at(tip, d[1])}}}
}

// tip is where the tip of the right needle lies that has entered loops of the left one.
func (s scene) tip() float64 {
	if s.lay.entered == drawnToFront || s.lay.entered == drawnToBack {
		return s.pivot().x - reachDrawn
	}
	return s.lay.firstLeft - close*float64(max(0, s.lay.taken-1)) - reach
}

// partOf says of which needle some strands are.
func partOf(of rodOf, list []strand) []strand {
	for i := range list {
		list[i].of = of
	}
	return list
}

// pivot is where the right needle goes through the first loop of the left one.
func (s scene) pivot() point {
	return point{s.lay.firstLeft - close/2*float64(max(0, s.lay.taken-1)), 0.24, 0}
}

// rightY is how low the right needle lies at a place, leftY the left one.
func (s scene) rightY(x float64) float64 {
	if s.lay.entered == out {
		return 0
	}
	return s.pivot().y + s.lay.tilt*(x-s.pivot().x)
}

func (s scene) leftY(x float64) float64 { return -s.lay.rise * (x - s.lay.firstLeft) }

// loops hangs a list of loops on the left needle (side -1) or the right one (1).
func (s scene) loops(list string, side float64) scene {
	x, low, n, at := s.lay.firstLeft, 0.0, 0, 0
	if side > 0 {
		x = s.lay.firstRight
	}
	for _, letter := range list {
		ny := s.leftY(x)
		if side > 0 {
			ny = s.rightY(x)
		}
		switch letter {
		case '|':
			s = s.with(strand{part: Pin, points: []point{{x - side*0.43, ny - 0.26, 1.2}, {x - side*0.43 + 0.14, ny, 1.2},
				{x - side*0.43, ny + 0.3, 0}, {x - side*0.43 - 0.14, ny, -1.2}, {x - side*0.43, ny - 0.26, -1.2}}})
			continue
		case '/':
			s = s.with(gapMark(x+side*0.05, ny))
			x, low = x+side*0.5, low+step
			continue
		case '_':
			x += side * each
			at++
			continue
		}
		at++
		before := len(s.strands)
		s = s.loop(letter, point{x, ny, 0}, ny*0.45+low)
		for i := range s.strands[before:] {
			if st := &s.strands[before+i]; st.hangs {
				st.loop = -int(side) * at
			}
		}
		n++
		switch {
		case side < 0 && n < s.lay.taken:
			x -= close
		case side < 0 && n == s.lay.taken && s.lay.entered != drawnToFront && s.lay.entered != drawnToBack:
			x -= each + room
		default:
			x += side * each
		}
	}
	return s
}

// gapMark shows where a row was turned.
func gapMark(x, y float64) strand {
	return strand{part: Hint, straight: true, points: []point{{x, y + 0.7, near}, {x, y + 2.3, near}}}
}

// over is a loop over a needle that lies at a point, with its feet so far below. The right leg is in front, unless it sits turned.
func over(part Part, at point, down float64, turned bool) strand {
	f := 1.0
	if turned {
		f = -1
	}
	return strand{part: part, hangs: true, points: []point{
		{at.x + f*0.1, at.y + down + 0.2, 0.2}, {at.x + f*0.26, at.y + down*0.6, 1}, {at.x + f*0.28, at.y + 0.1, 1},
		{at.x + f*0.16, at.y - 0.3, 1},
		{at.x - f*0.06, at.y - 0.36, -1}, {at.x - f*0.25, at.y - 0.16, -1}, {at.x - f*0.31, at.y + 0.25, -1},
		{at.x - f*0.26, at.y + down*0.6, 0.2}, {at.x - f*0.1, at.y + down + 0.2, 0.2},
	}}
}

// loop hangs one loop and draws the fabric below it.
func (s scene) loop(letter rune, at point, low float64) scene {
	part := Yarn
	if letter == 'V' || letter == 'B' {
		part = Now
	}
	down := foot + low - at.y
	ground := at.y + down
	below := scene.vee
	if s.lay.purls() {
		below = scene.bump
	}
	hang := func(turned bool) scene { return s.with(over(part, at, down, turned)) }
	switch letter {
	case 'v', 'V':
		return hang(false).vee(Yarn, at.x, ground)
	case 'b', 'B':
		return hang(false).bump(Yarn, at.x, ground)
	case 't':
		return below(hang(true), Yarn, at.x, ground)
	case 's':
		return below(hang(false), Yarn, at.x, ground+0.55)
	case 'd':
		// Both strands go over the needle, their fronts beside each other, and their backs.
		return below(s.with(over(Now, at.plus(-0.15, 0), down, false), over(Now, at.plus(0.15, 0), down, false)), Yarn, at.x, ground)
	case 'w', 'W':
		s = below(hang(false), Yarn, at.x, ground)
		for n, high := range []float64{0.15, 0.4}[:map[rune]int{'w': 1, 'W': 2}[letter]] {
			if s.lay.lifts && at.x > s.tip() && at.x < 0 {
				s = s.with(s.liftedCollar(at.x, ground-high, n))
			} else {
				s = s.with(collar(at.x, ground-high))
			}
		}
		return s
	case 'u', 'U':
		return s.with(over(Now, at, down-0.2, letter == 'U'))
	case 'y':
		return s.with(over(Now, at, 0.6, false))
	case 'e':
		return hang(false).with(chainStitch(Yarn, at.x, ground, 1.5))
	case 'r', 'l':
		return s.with(over(Now, at, down, false)).lean(at.x, ground, map[rune]float64{'r': 1, 'l': -1}[letter])
	case 'i':
		return s.with(over(Now, at, down, false), strand{part: Yarn,
			points: []point{{at.x - 0.5, ground + 0.3, 0.2}, {at.x - 0.1, ground, 0.8}, {at.x + 0.12, ground + 0.1, 0.9},
				{at.x - 0.12, ground + 0.1, 0.2}, {at.x + 0.1, ground, 0.2}, {at.x + 0.5, ground + 0.3, 0.2}}})
	case 'f':
		return s.with(over(Now, at, down, false), strand{part: Now,
			points: []point{{at.x - 0.36, ground + 0.02, 1.4}, {at.x, ground - 0.1, 1.4}, {at.x + 0.36, ground + 0.02, 1.4}}})
	case 'c':
		part = Other
		return hang(false).vee(Other, at.x, ground)
	}
	return s
}

// collar is a wrap round the foot of a loop.
func collar(x, y float64) strand {
	return strand{part: Now, points: []point{{x - 0.42, y + 0.18, 0.2}, {x - 0.3, y + 0.02, 1.6}, {x, y - 0.06, 1.6},
		{x + 0.3, y + 0.02, 1.6}, {x + 0.42, y + 0.18, 0.2}}}
}

// liftedCollar is a wrap under which the right needle went from below: its right end comes up behind that needle, over it, and down before
// it to the other side of the stitch. The second one lies beside the first.
func (s scene) liftedCollar(x, y float64, n int) strand {
	right := x + 0.42 + 0.2*float64(n)
	top, z := s.rightY(right), depths[s.lay.entered][0]
	return strand{part: Now, wraps: true, points: []point{{right + 0.04, y + 0.18, 0.2}, {right + 0.1, top + 0.2, z - 0.3}, {right + 0.04, top - 0.24, z - 0.3},
		{right - 0.08, top - 0.28, z + 0.4}, {right - 0.14, top + 0.2, z + 0.4}, {x, y - 0.1, z + 0.4}, {x - 0.42, y + 0.18, 0.2}}}
}

// under takes the right needle under the wraps of the loops that it enters.
func (s scene) under() scene { s.lay.lifts = true; return s }

// vee is a knit stitch seen from its smooth side, its upper edge at y, and the one below it.
func (s scene) vee(part Part, x, y float64) scene {
	for _, low := range []float64{0.66, 0} {
		for _, side := range []float64{-1, 1} {
			s = s.with(strand{part: part, points: []point{{x + side*0.44, y + low - 0.05, 0.3},
				{x + side*0.34, y + low + stitch*0.45, 0.3}, {x + side*0.1, y + low + stitch*0.85, 0.3},
				{x + side*0.05, y + low + stitch*1.05, 0.3}}})
		}
	}
	return s
}

// bump is a stitch seen from its purl side, and the one below it.
func (s scene) bump(part Part, x, y float64) scene {
	for _, low := range []float64{0.1, 0.5, 0.9} {
		s = s.with(strand{part: part, points: []point{{x - 0.52, y + low + 0.24, 0.2}, {x - 0.36, y + low + 0.02, 0.6},
			{x, y + low - 0.1, 0.6}, {x + 0.36, y + low + 0.02, 0.6}, {x + 0.52, y + low + 0.24, 0.2}}})
	}
	return s
}

// lean is two stitches below one loop, the upper one slanting.
func (s scene) lean(x, y, way float64) scene {
	return s.with(
		strand{part: Yarn, points: []point{{x + way*0.12, y - 0.05, 0.9}, {x, y + 0.3, 0.9}, {x - way*0.34, y + 0.85, 0.9}}},
		strand{part: Yarn, points: []point{{x + way*0.3, y, 0.9}, {x + way*0.2, y + 0.4, 0.9}, {x - way*0.12, y + 0.9, 0.9}}},
		strand{part: Yarn, points: []point{{x - way*0.12, y + 0.05, 0.3}, {x + way*0.1, y + 0.4, 0.3}, {x + way*0.4, y + 0.85, 0.3}}},
	)
}

// chainStitch is one stitch of the chain at an edge: two legs that meet below.
func chainStitch(part Part, x, y, high float64) strand {
	return strand{part: part, points: []point{{x, y + high, 0.5}, {x - 0.28, y + high*0.6, 0.5}, {x - 0.24, y + high*0.2, 0.5},
		{x, y, 0.5}, {x + 0.24, y + high*0.2, 0.5}, {x + 0.28, y + high*0.6, 0.5}, {x, y + high, 0.5}}}
}
