package hands

import "fmt"

const groupCorner = "Corners"

// cornerHole is the corner between two needles, before the first stitch of the next one: a hole opens there.
func cornerHole() work { return rs("vvv", "VV") }

var corners = []Sequence{
	{
		Name: "outer-legs", Title: "Corner: the outer legs", Group: groupCorner,
		Steps: shown(cornerHole(),
			see("Before the first stitch of the next needle. From the stitch on the needle go down: one below, second below.", cornerAt(0, 0).with(ring(40, -26, 15)).scene()),
			see("Lift the leg of it that lies away from the corner on to the {left} needle.", cornerAt(1, 0).scene()),
			see("From the next needle likewise: the leg away from the corner.", cornerAt(1, 1).with(ring(-40, -26, 15)).scene()),
			cut("Both legs are on the {left} needle: needle into both.", rs("ggvv", "VV"), enter(knitwise, 2)),
			do("Knit both legs together: one stitch more, the first of its half.", done, mark(1)),
			cut("It stays a few rounds, as the rows say, then goes with its neighbour: k2tog at the beginning of the needle.", rs("vvv", "VV"), enter(knitwise, 2), wrap)),
		Look: "Tug first. If a leg opens a new hole, let it go and take the one above or below, or the other leg: the tightest.",
		Care: "The leg nearest the corner was taken: the hole only moves.",
	},
	{
		Name: "one-strand", Title: "Corner: one strand", Group: groupCorner,
		Steps: shown(cornerHole(),
			do("After the last stitch of the needle. Find a strand near the corner that does not pull.", lookAtBar, with(func(*work) []body { return []body{ring(20, -74, 16)} })),
			do("Needle under it: two threads.", underStrand),
			do("[Lay the yarn round and|Catch the strand and] draw a loop through: it hangs as the last stitch of its half.", done, mark(1)),
			cut("In the next round knit it with that last stitch: k2tog, at the end of the needle.", rs("vvv", "VV"), enter(knitwise, 2), wrap)),
		Look: "The corner is closed when you tug.", Care: "A strand that pulls: a new hole above it.",
	},
	{
		Name: "wrapped-neighbour", Title: "Corner: the wrapped neighbour", Group: groupCorner,
		Steps: shown(rs("vvv", "VV"),
			do("At the last two rows of the heel: slip the resting stitch next to the edge, take the yarn round it, slip it back, turn.", wrapped, mark(-1)),
			cut("The same at the other edge; then once more across the heel.", ws("wbb", "BB"), mark(-1)),
			cut("In the round its wrap is knitted with it: needle under the wrap, and into the stitch.", rs("wvv", "VV"), enter(knitwise, 1), below),
			do(roundBoth+", and knit both together.", wrap),
			cut("The far one as in ssk.", rs("Utv", "VV"), enter(backLoop, 2), wrap)),
		Look: "No bar, no hole at either corner.", Care: "The wrap was left: a bar at the corner.",
	},
	{
		Name: "corner-gone", Title: "A corner stitch goes again", Group: groupCorner,
		Steps: shown(rs("vvv", "VV"),
			do("It was one stitch too many, on purpose. At the beginning of its half: knit it together with its neighbour.", enter(knitwise, 2)),
			cut("In rib it is worked like the stitch with which it leaves, and that stitch keeps its column.", rs("bbv", "VV"), enter(purlwise, 2), yarnTo(inFront))),
		Look: "The count is that of the leg.", Care: "Forgotten: the leg has two stitches too many.",
	},
}

// cornerAt is a corner between two needles from the right side, the hole in its middle: so many legs of the second stitches below were lifted on to
// the left needle, from the right needle's stitches and from its own.
func cornerAt(fromRight, fromLeft int) piece {
	const top = 22.0
	p := piece{rod(Needle, "left", point{-140, top + 22, 0}, point{4, top + 22, 0}), rod(Working, "right", point{140, top + 16, 0}, point{12, top + 16, 0})}
	for _, half := range []struct {
		side   float64
		lifted int
	}{{1, fromRight}, {-1, fromLeft}} {
		side, lifted := half.side, half.lifted
		for c := range 4 {
			x := side * (32 + wales*float64(c))
			for r := range 5 {
				foot := point{x, top - courses*float64(r), 0}
				key := fmt.Sprintf("s%.0f.%d.%d", side, c, r)
				if r == 0 {
					y := foot.y
					p = p.with(thread(Yarn, key, point{x + 14, y - 7, -7}, point{x + 6, y, 3}, point{x + 11, y + 10, 9}, point{x + 10, y + 20, 11}, point{x + 5, y + 30, 5}, point{x, y + 32, 0},
						point{x - 5, y + 30, -5}, point{x - 10, y + 20, -11}, point{x - 11, y + 10, -6}, point{x - 6, y, 3}, point{x - 14, y - 7, -7}))
					continue
				}
				p = p.with(body{part: Yarn, key: key, points: inFabric(false, foot.plus(14, -7, -7), foot.plus(-14, -7, -7), foot, foot.plus(0, courses, 0))})
			}
		}
		// The leg that lies away from the corner, of the second stitch below.
		x, y := side*32, top-2*courses
		if lifted == 0 {
			p = p.with(thread(About, fmt.Sprintf("leg%.0f", side), point{x + side*5, y, 5}, point{x + side*10.5, y + 0.55*courses, 6}, point{x + side*12.2, y + 0.95*courses, 4}, point{x + side*8, y + 1.25*courses, 1}))
			continue
		}
		over := -6 + 7*side // on the left needle, near its tip
		p = p.with(thread(About, fmt.Sprintf("leg%.0f", side), point{x + side*5, y, 5}, point{x - side*2, y + 24, 14}, point{over + 7, top + 8, 12}, point{over + 6, top + 24, 11}, point{over, top + 33, 0},
			point{over - 6, top + 24, -11}, point{over - 5, top + 6, -10}, point{x + side*4, y + 38, -6}, point{x + side*8, y + 1.25*courses, 1}))
	}
	return p
}

// underStrand has the needle under the strand in the corner.
func underStrand(w *work) {
	w.bar = false
	w.left = append([]loop{w.named(loop{part: About, kind: lifted, purl: w.purls})}, w.left...)
	enter(knitwise, 1)(w)
}
