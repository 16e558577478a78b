package hands

import (
	"fmt"
	"slices"
)

// fabric is what lies below the loop of a wale: its rows, and what the loop was made of.
func (w *work) fabric(wales []wale, i int) []body {
	at := &wales[i]
	var list []body
	if at.from == laid {
		return []body{otherHalf(at)}
	}
	rows := 2
	if at.part == Now && at.right {
		rows = 3
	}
	for n := 1; n <= rows; n++ {
		if at.from == slipped && n == 1 {
			continue // it reaches over a row
		}
		key := fmt.Sprintf("f%d.%d", at.id, n)
		switch {
		case n == 1 && len(at.below) > 0:
			key = fmt.Sprintf("l%d", at.below[0].id)
		case n > 1 && len(at.below) > 0:
			key = fmt.Sprintf("f%d.%d", at.below[0].id, n-1)
		}
		part := Yarn
		if n == 1 && len(at.below) > 0 {
			part = at.below[0].part
			if part == Now || part == About {
				part = Yarn
			}
		}
		if at.part == Other {
			part = Other
		}
		from, to := w.between(wales, i, n, 1), w.between(wales, i, n, -1)
		foot, head := at.level(n), at.level(n-1)
		b := body{part: part, key: key}
		switch {
		case n == 1 && (at.from == leaning || at.from == leaningL):
			list = append(list, togetherBelow(at, from, to, foot, head, key, part)...)
			continue
		case n == 1 && (at.from == crossed || at.from == crossedR):
			lean := 1.0
			if at.from == crossedR {
				lean = -1
			}
			b.points = crossedBelow(from, to, foot, head, lean)
			list = append(list, b)
			return list
		case n == 1 && at.from == twisted:
			b.points = crossedBelow(from, to, foot, head, 1)
		case n == 1 && at.from == oneLeg:
			b.points = inFabric(at.purl, from, to, foot, head)
			list = append(list, body{part: About, key: fmt.Sprintf("loose%d", at.id), points: []point{{foot.x + 17, foot.y + 4, 3}, {foot.x + 9, head.y - 2, 16}, {foot.x, head.y + 4, 18},
				{foot.x - 9, head.y - 4, 16}, {foot.x - 18, foot.y + 2, 3}}})
		case n == 1 && at.from == barred:
			b.part = at.part
			b.points = []point{{foot.x - 15, head.y + 1, 7}, {foot.x - 6, head.y + 5, 8}, {foot.x + 6, head.y + 5, 8}, {foot.x + 15, head.y + 1, 7}}
			list = append(list, b)
			return list
		case at.from == chained:
			b.points = chainLink(foot, head)
		default:
			b.points = inFabric(at.purl, from, to, foot, head)
		}
		list = append(list, b)
	}
	return list
}

// otherHalf is a loop of the other half of a cast-on: it hangs below, on the needle that was drawn out.
func otherHalf(at *wale) body {
	x, y := at.x+pitch/2, at.foot
	return body{part: Yarn, key: fmt.Sprintf("o%d", at.id), points: []point{{x + 8, y - 4, -4}, {x + 11, y - 16, 5}, {x + 9, y - 30, 9}, {x, y - 38, 0}, {x - 9, y - 30, -9},
		{x - 11, y - 16, -5}, {x - 8, y - 4, -6}}}
}

// inFabric is a loop of the fabric, from its foot to the foot of the loop above it, round which its head lies.
func inFabric(purl bool, from, to, foot, head point) []point {
	sign := 1.0
	if purl {
		sign = -1
	}
	half := []point{{5, 0, 3}, {10.5, 0.55, 4}, {12.2, 0.95, 1.5}, {7.6, 1.3, -5}}
	at := func(dx, t, z float64) point {
		p := foot.toward(head, t)
		return point{p.x + dx, p.y, sign * z}
	}
	points := []point{from}
	for _, p := range half {
		points = append(points, at(p.x, p.y, p.z))
	}
	points = append(points, at(0, 1.42, -5.5))
	for _, p := range slices.Backward(half) {
		points = append(points, at(-p.x, p.y, p.z))
	}
	return append(points, to)
}

// togetherBelow are the loops through which one was drawn: the one that lies before the others comes from the side away from which they lean.
func togetherBelow(at *wale, from, to, foot, head point, key string, part Part) []body {
	lean := 1.0
	if at.from == leaningL {
		lean = -1
	}
	n := max(2, len(at.below))
	apart := 22.0 / float64(n-1)
	var list []body
	for i := range n {
		// The first of them stood nearest to the tip, at the right.
		x := 11 - apart*float64(i)
		first, last := foot.plus(x+5, -0.3*row, -7), foot.plus(x-5, -0.3*row, -7)
		if i == 0 {
			first = from
		}
		if i == n-1 {
			last = to
		}
		// Leaning to the right the farthest lies before, to the left the nearest.
		before := float64(i)
		if lean < 0 {
			before = float64(n - 1 - i)
		}
		b := body{part: part, key: fmt.Sprintf("%s.%d", key, i), points: inFabric(at.purl, first, last, foot.plus(x, 0, 0), head.plus(-x*0.2, 2*before/float64(n-1)-1, 0))}
		if i < len(at.below) {
			b.key = fmt.Sprintf("l%d", at.below[i].id)
		}
		for k := range b.points {
			b.points[k].z += 6 * before * map[bool]float64{true: -1, false: 1}[at.purl]
		}
		list = append(list, b)
	}
	return list
}

// crossedBelow is a strand that was knitted twisted: its legs cross below the new loop, and the one that comes from the right lies before, or
// behind (-1).
func crossedBelow(from, to, foot, head point, lean float64) []point {
	low, high := foot.y+2, head.y
	return []point{from, {foot.x + 12, low, 2 * lean}, {foot.x - 5, (low + high) / 2, 3 + 3*lean}, {foot.x - 9, high + 2, 1}, {foot.x, high + 9, -5},
		{foot.x + 9, high + 2, 1}, {foot.x + 5, (low + high) / 2, 3 - 3*lean}, {foot.x - 12, low, 2}, to}
}

// chainLink is one stitch of the chain along an edge: two rows high, both its legs seen.
func chainLink(foot, head point) []point {
	high := head.y - foot.y
	return []point{{foot.x, foot.y - 4, 2}, {foot.x + 10, foot.y + 0.4*high, 6}, {foot.x + 9, foot.y + high, 5}, {foot.x, head.y + 7, -4},
		{foot.x - 9, foot.y + high, 5}, {foot.x - 10, foot.y + 0.4*high, 6}, {foot.x, foot.y - 4, 2}}
}
