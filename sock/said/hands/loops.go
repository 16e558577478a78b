package hands

import (
	"fmt"
	"slices"
)

// wale gives the loop of a wale on its needle, and the fabric below it.
func (w *work) wale(wales []wale, i int) []body {
	at := &wales[i]
	switch at.kind {
	case place:
		return nil
	case marker:
		return []body{ringOnNeedle(at)}
	}
	is := role{onLeft, at.n}
	if at.right {
		is.kind = onRight
		if w.yarn == drawnThrough && at.n == 1 {
			is.kind = drawnLoop
		}
	}
	key := fmt.Sprintf("l%d", at.id)
	b := body{part: at.part, key: key, is: is}
	from, to := w.between(wales, i, 0, 1), w.between(wales, i, 0, -1)
	switch {
	case is.kind == drawnLoop:
		b.points = w.through(at, from)
		return []body{b}
	case at.kind == over:
		// Nothing holds it below: it comes from one neighbour and goes to the other.
		points := onNeedle(at, from, to, 30)
		b.points = slices.Concat(points[:1], points[2:len(points)-2], points[len(points)-1:])
	case at.kind == lifted && at.right:
		b.points = onNeedle(at, from, to, hangs-10)
	case at.kind == lifted:
		b.points = w.strandUp(at)
	case at.kind == wrapOver:
		b.points = onNeedle(at, from, to, hangs-16)
		b.points = b.points[1 : len(b.points)-1]
	case at.kind == double:
		b.points = twoLegs(at, from, to)
	default:
		b.points = onNeedle(at, from, to, at.c.y-at.foot)
	}
	list := []body{b}
	if at.wraps > 0 {
		list = append(list, w.belts(at)...)
	}
	if at.grows() {
		list = append(list, w.fabric(wales, i)...)
	}
	return list
}

// onNeedle is a loop over a needle, from the strand on its right to the one on its left, its foot so far below. The right leg is in front, unless it
// sits turned.
func onNeedle(at *wale, from, to point, down float64) []point {
	c, d := at.c, at.d
	f := 1.0
	if at.turned {
		f = -1
	}
	raised := 0.0
	if at.rise {
		raised = 15.5 // its right leg lies before a needle that is before the left one
	}
	low := 3.0
	if at.purl {
		low = -3
	}
	foot := at.level(0)
	wide := 0.8
	if at.taken {
		wide = 1
	}
	right := []point{{foot.x + 5, c.y - down, low}, {c.x + wide*d, c.y - 0.65*down, f*7 + raised*0.8}, {c.x + d, c.y - 0.3*down, f*11.5 + raised},
		{c.x + 0.92*d, c.y + 3, f*11.5 + raised*0.6}, {c.x + 0.5*d, c.y + 9.6, f * 5.7}, {c.x, c.y + 11.6, 0}}
	left := []point{{c.x - 0.5*d, c.y + 9.6, -f * 5.7}, {c.x - 0.92*d, c.y + 3, -f * 11.5}, {c.x - d, c.y - 0.3*down, -f * 11.5},
		{c.x - wide*d, c.y - 0.65*down, -f * 7}, {foot.x - 5, c.y - down, low}}
	return hung(at, from, to, append(right, left...))
}

// hung adds the depth of the needle to what hangs on it, and the strands on both sides.
func hung(at *wale, from, to point, points []point) []point {
	for i := range points {
		if points[i].y > at.foot+12 {
			points[i].z += at.c.z
		}
	}
	return append(append([]point{from}, points...), to)
}

// twoLegs is a double stitch: both its strands go over the needle beside each other, and are joined behind it.
func twoLegs(at *wale, from, to point) []point {
	c, down := at.c, at.c.y-at.foot
	foot := at.level(0)
	raised := 0.0
	if at.rise {
		raised = 15.5
	}
	strand := func(front, back float64) []point {
		return []point{{c.x + front, c.y - 0.3*down, 11.5 + raised}, {c.x + front - 1, c.y + 3, 11.5 + raised*0.6}, {c.x + (front+back)/2 + 3, c.y + 10.6, 4},
			{c.x + (front+back)/2 - 3, c.y + 10.6, -4}, {c.x + back, c.y + 3, -12}, {c.x + back, c.y - 14, -12}}
	}
	one, two := strand(17, -8), strand(5, -16)
	slices.Reverse(two)
	points := append([]point{{foot.x + 5, at.foot, 3}, {foot.x + 10, c.y - 0.65*down, 7}}, one...)
	points = append(points, point{c.x - 12, c.y - 25, -12})
	points = append(append(points, two...), point{foot.x + 1, c.y - 0.65*down, 7}, point{foot.x - 5, at.foot, 3})
	return hung(at, from, to, points)
}

// ringOnNeedle is a marker that hangs on a needle.
func ringOnNeedle(at *wale) body {
	c := at.c
	return body{part: Pin, key: fmt.Sprintf("l%d", at.id), points: []point{{c.x, c.y + 9, -3}, {c.x + 6, c.y + 7, 8}, {c.x + 8, c.y - 6, 9}, {c.x + 2, c.y - 18, 4},
		{c.x - 6, c.y - 12, -6}, {c.x - 6, c.y + 3, -9}, {c.x, c.y + 9, -3}}}
}

// belts are the wraps round the foot of a loop: before both its legs on the right side, behind them on the wrong one. Where they were lifted they lie
// over the right needle.
func (w *work) belts(at *wale) []body {
	var list []body
	for n := range at.wraps {
		key := fmt.Sprintf("w%d.%d", at.id, n)
		x, y := at.level(0).x, at.foot+9+9*float64(n)
		if at.taken && w.under {
			right := 17 + 9*float64(n)
			top, z := w.rightY(right), w.rightZ(right)
			list = append(list, body{part: About, key: key, is: role{kind: liftedWrap}, points: []point{{right + 4, y - 9, -8},
				{right + 6, top - 4, z - 12}, {right + 1, top + 10, z - 6}, {right - 5, top + 12, z + 6}, {right - 9, top - 3, z + 12},
				{x - 4, y + 2, 20}, {x - 15, y, 12}, {x - 20, y - 7, -6}}})
			continue
		}
		z := 14.0
		if at.purl {
			z = -14
		}
		list = append(list, body{part: About, key: key, points: []point{{x + 21, y - 8, -z / 2}, {x + 16, y - 1, z / 2}, {x + 8, y + 3, z}, {x, y + 4, z},
			{x - 8, y + 3, z}, {x - 16, y - 1, z / 2}, {x - 21, y - 8, -z / 2}}})
	}
	return list
}

// strandUp is a strand that was lifted from below the needles on to the left one.
func (w *work) strandUp(at *wale) []point {
	const reach = 46.0
	down := at.c.y - (at.c.y - hangs)
	from, to := point{at.c.x + reach, at.c.y - hangs - 18, -9}, point{at.c.x - reach + 6, at.c.y - hangs - 6, -9}
	points := onNeedle(at, from, to, down*0.8)
	// It has no foot: both its ends run off to the stitches beside it.
	points[1], points[len(points)-2] = point{at.c.x + 20, at.c.y - hangs*0.86, -4}, point{at.c.x - 20, at.c.y - hangs*0.86, -4}
	return points
}

// gapBar is the strand that runs between the stitches beside both tips.
func (w *work) gapBar(left, right []wale) body {
	from, to := point{57, -90, 0}, point{0, -50, 0}
	for _, l := range left {
		if l.n == 1 {
			to = point{l.x, l.foot, 0}
		}
	}
	for _, r := range right {
		if r.n == 1 {
			from = point{r.x, r.foot - row, 0}
			if r.part != Now {
				from.y += row
			}
		}
	}
	return body{part: About, key: "bar", points: []point{{from.x - 4, from.y, 4}, {from.x - 10, from.y - 6, 9}, {(from.x + to.x) / 2, (from.y+to.y)/2 - 9, 10}, {to.x + 10, to.y - 6, 9}, {to.x + 4, to.y, 4}}}
}
