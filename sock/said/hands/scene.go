package hands

// Hold is the hand in which the yarn lies.
type Hold string

// The ways of holding the yarn: it is thrown with the right hand, or picked with the left.
const (
	Right Hold = "right"
	Left  Hold = "left"
)

// scene is one picture.
type scene struct {
	strands []strand
	// wide and high is what is shown, ox and oy where the origin lies in it.
	wide, high, ox, oy float64
	// lay is where things are on the needles, when there are two with their tips together.
	lay layout
}

// Picture is a scene as lines.
type Picture struct {
	Width   int      `json:"width"`
	Height  int      `json:"height"`
	Strokes []Stroke `json:"strokes"`
}

// picture draws a scene with the yarn in a hand.
func (s scene) picture(hold Hold) Picture { return s.of(s.inHand(hold)) }

// of draws strands where the scene has them.
func (s scene) of(list []strand) Picture {
	return Picture{int(s.wide * Unit), int(s.high * Unit), strokes(list, s.ox, s.oy)}
}

// inHand are the strands of a scene with the yarn in a hand.
func (s scene) inHand(hold Hold) []strand {
	list := make([]strand, len(s.strands))
	for i, st := range s.strands {
		if st.ball != noBall {
			st.points = append(st.points[:len(st.points):len(st.points)], toBall(st, hold)...)
		}
		list[i] = st
	}
	return list
}

// toBall is the way of a strand to the hand that holds it: behind the work it
// rises over the needles, in front of it it hangs before the fabric.
func toBall(s strand, hold Hold) []point {
	side := 1.0
	if hold == Left {
		side = -1
	}
	if s.ball == ballBehind {
		return []point{{side * 1.7, -0.8, -3}, {side * 3.9, -1.15, -3}}
	}
	return []point{{side * 1.6, 0.95, 3}, {side * 4.1, 0.7, 3}}
}

// with adds strands.
func (s scene) with(more ...strand) scene {
	s.strands = append(s.strands[:len(s.strands):len(s.strands)], more...)
	return s
}

// yarn is a curve of the strand that moves.
func yarn(points ...point) strand { return strand{part: Now, points: points} }

// behind leads a strand on to its ball behind the work.
func (s strand) behind() strand { s.ball = ballBehind; return s }

// inFront leads it on before the work.
func (s strand) inFront() strand { s.ball = ballInFront; return s }

// near is in front of everything.
const near = 9

// arrow points along a curve from one place to another by way of a third.
func arrow(from, by, to point) []strand {
	from.z, by.z, to.z = near, near, near
	dx, dy := to.x-by.x, to.y-by.y
	length := max(0.01, abs(dx)+abs(dy))
	dx, dy = dx/length*0.34, dy/length*0.34
	return []strand{
		{part: Hint, points: []point{from, by, to}},
		{part: Hint, straight: true, points: []point{to.plus(-dx-dy*0.7, -dy+dx*0.7), to, to.plus(-dx+dy*0.7, -dy-dx*0.7)}},
	}
}

// ring goes round what must be seen.
func ring(x, y, r float64) strand {
	k := r * 0.71
	return strand{part: Hint, points: []point{{x, y - r, near}, {x + k, y - k, near}, {x + r, y, near}, {x + k, y + k, near},
		{x, y + r, near}, {x - k, y + k, near}, {x - r, y, near}, {x - k, y - k, near}, {x, y - r, near}}}
}

// pin is a removable pin round a strand that runs across at this place, closed below it.
func pin(x, y float64) strand {
	return strand{part: Pin, points: []point{{x, y - 0.1, -2.5}, {x - 0.22, y + 0.1, -2.5}, {x - 0.16, y + 0.75, 2.5},
		{x + 0.14, y + 0.8, 2.5}, {x + 0.2, y + 0.1, 2.5}, {x, y - 0.1, 2.5}}}
}

// rod is a needle from its far end to its tip; cut is where it dives from one depth into another.
func rod(from, to point, cut float64, before, after float64) []strand {
	dx, dy := to.x-from.x, to.y-from.y
	at := func(t, z float64) point { return point{from.x + dx*t, from.y + dy*t, z} }
	length := max(0.5, abs(dx))
	tip := 1 - 0.45/length
	cut = min(max(cut, 0), tip)
	end := strand{part: Tip, straight: true, points: []point{at(tip-0.02, after), at(1, after)}}
	if before == after {
		return []strand{{part: Needle, straight: true, points: []point{at(0, before), at(tip, before)}}, end}
	}
	return []strand{
		{part: Needle, straight: true, points: []point{at(0, before), at(cut, before)}},
		{part: Needle, straight: true, points: []point{at(cut, after), at(tip, after)}},
		end,
	}
}

func abs(x float64) float64 {
	if x < 0 {
		return -x
	}
	return x
}
