package hands

import "fmt"

// piece is a picture of a piece of fabric and what lies on it, its middle at the origin.
type piece []body

func (p piece) with(more ...body) piece { return append(p[:len(p):len(p)], more...) }

func (p piece) scene() scene { return func(Hold) []body { return middle(p) } }

// The columns and rows of a piece.
const (
	wales   = 28.0
	courses = 22.0
)

// swatch knits rows of letters from the top, with the feet of its upper left stitch at a place: v knits and b purls, V and B of the row at hand, c in
// another yarn, - none.
func swatch(x, y float64, rows ...string) piece {
	var p piece
	for r, letters := range rows {
		for c, letter := range letters {
			if letter == '-' {
				continue
			}
			part := map[rune]Part{'v': Yarn, 'b': Yarn, 'V': Now, 'B': Now, 'c': Other}[letter]
			foot := point{x + wales*float64(c), y - courses*float64(r), 0}
			purl := letter == 'b' || letter == 'B'
			z := -7.0
			if purl {
				z = 7
			}
			p = p.with(body{part: part, key: fmt.Sprintf("s%d.%d", r, c), points: inFabric(purl, foot.plus(wales/2, -7, z), foot.plus(-wales/2, -7, z), foot,
				foot.plus(0, courses, 0))})
		}
	}
	return p
}

// chain is a crocheted chain lying on its side, from the left, so many links; from the back it shows bars.
func chain(part Part, x, y float64, links int, back bool) []body {
	const step = 24.0
	points := []point{{x - 4, y, 0}}
	var list []body
	for i := range links {
		at := x + step*float64(i)
		points = append(points, point{at + 2, y - 4, 2}, point{at + 12, y - 9, 6}, point{at + 27, y - 6, 6}, point{at + 32, y, 2}, point{at + 27, y + 6, -2},
			point{at + 12, y + 9, 2}, point{at + 6, y + 5, 4}, point{at + 10, y, -4}, point{at + 20, y - 1, -8})
		if back {
			list = append(list, body{part: part, key: fmt.Sprintf("bar%d", i), points: []point{{at + 15, y - 11, 10}, {at + 17, y, 14}, {at + 15, y + 11, 10}}})
		}
	}
	return append([]body{{part: part, key: "chain", points: points}}, list...)
}

// edge is the chain along the side of a flap, standing up: links from the top, each two rows high.
func edge(part Part, x, y float64, links int) []body {
	var list []body
	for i := range links {
		foot := point{x, y - 2*courses*float64(i+1), 8}
		b := body{part: part, key: fmt.Sprintf("link%d", i), points: chainLink(foot, foot.plus(0, 2*courses, 0))}
		for k := range b.points {
			b.points[k].z += 6
		}
		list = append(list, b)
	}
	return list
}

// thread is a strand of yarn by itself.
func thread(part Part, key string, points ...point) body {
	return body{part: part, key: key, points: points}
}

// pin is a removable pin round a strand that runs across at a place, closed below it.
func pin(x, y float64) []body {
	return []body{{part: Pin, key: "pin", points: []point{{x, y + 8, -24}, {x - 6, y + 3, -22}, {x - 7, y - 9, -20}, {x - 3, y - 19, 14}, {x + 3, y - 19, 26}, {x + 7, y - 8, 30},
		{x + 6, y + 4, 30}, {x, y + 9, 20}}}}
}

// hang draws a pin round a strand, at a place between the needles.
func hang(x, y float64) verb { return with(func(*work) []body { return pin(x, y) }) }
