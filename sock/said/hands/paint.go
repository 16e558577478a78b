package hands

import (
	"cmp"
	"math"
	"slices"
)

// Stroke is a part of a painted picture: a line without depth. Those that come later lie over those before.
type Stroke struct {
	Part Part
	// Points are x and y in turn, in pixels of the picture from its upper left corner.
	Points []float64
	// Wide is how thick it is.
	Wide float64
	// Rim is how far the paper shows on either side of it, where it passes over something; 0 where it does not.
	Rim float64

	// body is the one that it is a part of, by its place.
	body int
}

// How a picture is cut for painting: a piece of a line lies in one depth.
const (
	pieceYarn, pieceRod = 5.0, 3.0
	pieceSkin           = 1000.0 // a finger is one piece
	// A line covers itself only where it comes round again: so many pieces on.
	again = 6
	// Each piece is painted with so many on either side, so that no rim bites into its own line.
	beside  = 1
	rimWide = 2.0
)

// bit is a piece of a body.
type bit struct {
	body, at int
	from, to point
	r        float64
}

// painted are some bodies as a painter lays them down, the deepest first. Where one passes over another it gets a rim of paper.
func painted(bodies []body) []Stroke {
	lines := make([][]point, len(bodies))
	var bits []bit
	near := map[[2]int][]int{}
	const cell = 16.0
	for i := range bodies {
		piece := pieceYarn
		if bodies[i].part == Skin {
			piece = pieceSkin
		}
		if bodies[i].part == Needle || bodies[i].part == Working {
			piece = pieceRod
		}
		lines[i] = line(bodies[i].points, piece)
		rest := 0.0
		for k := len(lines[i]) - 1; k > 0; k-- {
			p, q := lines[i][k-1], lines[i][k]
			bits = append(bits, bit{i, k - 1, p, q, bodies[i].radius(rest + p.flat(q)/2)})
			rest += p.flat(q)
		}
	}
	slices.SortStableFunc(bits, func(a, b bit) int {
		return cmp.Or(cmp.Compare(a.from.z+a.to.z, b.from.z+b.to.z), cmp.Compare(a.body, b.body), cmp.Compare(a.at, b.at))
	})
	spot := func(p point) [2]int { return [2]int{int(math.Floor(p.x / cell)), int(math.Floor(p.y / cell))} }
	for i := range bits {
		near[spot(bits[i].from)] = append(near[spot(bits[i].from)], i)
	}
	// A piece that lies below all that it meets is painted with the first, one above all with the last, each as one stroke with those beside it;
	// only what lies between others has its place in the order.
	of := make([][]layer, len(bodies))
	for i := range bodies {
		of[i] = make([]layer, max(0, len(lines[i])-1))
	}
	for i := range bits {
		b := &bits[i]
		over, under := false, false
		at := spot(b.from)
		for dx := -2; dx <= 2; dx++ {
			for dy := -2; dy <= 2; dy++ {
				for _, k := range near[[2]int{at[0] + dx, at[1] + dy}] {
					o := &bits[k]
					if o.body == b.body && max(o.at-b.at, b.at-o.at) < again || b.from.flat(o.from) >= b.r+o.r+rimWide+1 {
						continue
					}
					over, under = over || k < i, under || k > i
				}
			}
		}
		switch {
		case over && under:
			of[b.body][b.at] = inBetween
		case over:
			of[b.body][b.at] = onTop
		}
	}
	list := runs(bodies, lines, of, atBottom)
	for i := range bits {
		if b := &bits[i]; of[b.body][b.at] == inBetween {
			list = append(list, strokeOf(&bodies[b.body], lines[b.body], b.body, b.at, b.at+1, b.r, true))
		}
	}
	return append(list, runs(bodies, lines, of, onTop)...)
}

// layer is where a piece lies among those that it meets.
type layer uint8

const (
	atBottom layer = iota
	inBetween
	onTop
)

// runs are the stretches of bodies that lie in a layer. Where a needle grows thinner they are short.
func runs(bodies []body, lines [][]point, of [][]layer, in layer) []Stroke {
	var list []Stroke
	for i := range bodies {
		left := make([]float64, len(lines[i]))
		for k := len(lines[i]) - 2; k >= 0; k-- {
			left[k] = left[k+1] + lines[i][k].flat(lines[i][k+1])
		}
		for k := 0; k < len(of[i]); {
			if of[i][k] != in {
				k++
				continue
			}
			from := k
			for k++; k < len(of[i]) && of[i][k] == in && (!bodies[i].pointed || left[k] > taper); k++ {
			}
			list = append(list, strokeOf(&bodies[i], lines[i], i, from, k, bodies[i].radius((left[from]+left[k])/2), in == onTop))
		}
	}
	return list
}

// strokeOf is a stretch of a body, a little beyond both its ends, and its rim where it lies over something.
func strokeOf(b *body, along []point, of, from, to int, r float64, rim bool) Stroke {
	s := Stroke{Part: b.part, Wide: 2 * r, body: of}
	if rim && b.part != Hint {
		s.Rim = rimWide
	}
	for k := max(0, from-beside); k <= min(to+beside, len(along)-1); k++ {
		s.Points = append(s.Points, along[k].x, along[k].y)
	}
	return s
}
