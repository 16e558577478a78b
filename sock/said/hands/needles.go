package hands

import (
	"fmt"
	"math"
)

const groupNeedles = "Holding the needles"

// square are four needles that hold a sock, seen from above, with the fifth.
func square(fifth bool) scene {
	var p piece
	const a, b = 62.0, 40.0
	for i, ends := range [][2]point{{{-a, -b, 0}, {a + 8, -b, 0}}, {{b + 12, -b - 14, 8}, {b + 12, b + 16, 8}}, {{a, b, 16}, {-a - 8, b, 16}},
		{{-b - 12, b + 14, 24}, {-b - 12, -b - 16, 24}}} {
		from, to := ends[0], ends[1]
		p = p.with(rod([]Part{Needle, Working}[i%2], fmt.Sprintf("n%d", i), from, to))
		for n := 1; n < 6; n++ {
			c := from.toward(to, 0.16+0.12*float64(n))
			in := point{c.x * 0.74, c.y * 0.7, c.z - 14}
			side := point{math.Copysign(0, 1), 0, 0}
			if from.y == to.y {
				side = point{3, 0, 0}
			} else {
				side = point{0, 3, 0}
			}
			out := point{c.x * 1.12, c.y * 1.2, c.z + 2}
			p = p.with(thread(Yarn, fmt.Sprintf("s%d.%d", i, n), in.plus(side.x, side.y, 0), c.plus(side.x, side.y, 12), out, c.plus(-side.x, -side.y, -12),
				in.plus(-side.x, -side.y, -6)))
		}
	}
	if fifth {
		p = p.with(rod(Working, "fifth", point{128, -4, 60}, point{14, -52, 60}))
	}
	return p.scene()
}

// circulars are two circular needles, each with half of a sock and with both its tips; one half may lie on its cable.
func circulars(onCable bool) pair {
	var p pair
	for i, y := range []float64{apart, -apart} {
		key := fmt.Sprintf("circular%d", i)
		part := []Part{Needle, Working}[i]
		which := math.Copysign(1, y)
		if onCable && i == 0 {
			p = p.with(body{part: Cable, key: key, points: []point{{-112, 66, 0}, {-92, 34, 0}, {-70, y, 0}, {40, y, 0}, {66, 34, 0}, {84, 60, 0}}},
				rod(part, key+"a", point{-126, 92, 0}, point{-112, 62, 0}), rod(part, key+"b", point{92, 92, 0}, point{82, 54, 0}))
		} else {
			p = p.with(rod(part, key+"a", point{-130, y, 0}, point{62, y, 0}),
				body{part: Cable, key: key + "c", points: []point{{-130, y, -2}, {-118, y + which*34, -2}, {-60, y + which*56, -2}, {30, y + which*56, -2}, {58, y + which*52, -2}}},
				rod(part, key+"b", point{44, y + which*54, 0}, point{116, y + which*38, 0}))
		}
		for n := range 6 {
			p = p.with(roundRod(Yarn, key2(key, n), -66+19*float64(n), y))
		}
	}
	return p
}

// strandAt is the working yarn of a pair, where it comes from its last stitch.
func strandAt(points ...point) body { return body{part: Now, key: "yarn", points: points} }

var needlesHeld = []Sequence{
	{
		Name: "magic-loop", Title: "Magic loop", Group: groupNeedles,
		Steps: shown(rs("vvv", "VV"),
			see("Both tips point {right}; the yarn comes from the back needle.",
				halves(6, 6, false, false).with(strandAt(point{52, 8, -12}, point{70, 34, -20}, point{140, 60, -20})).scene()),
			see("Draw the back tip out until its stitches rest on the cable.",
				halves(6, 6, true, false).with(strandAt(point{52, 8, -12}, point{60, 40, -20}, point{140, 66, -20})).with(arrow(point{70, 52, 0}, point{92, 60, 0}, point{116, 60, 0})...).scene()),
			do("Knit the front ones with that tip.", enter(knitwise, 1)),
			see("Turn the work. Push the stitches that lie on the cable back to the tip, and draw the other tip out.",
				halves(6, 6, false, true).with(strandAt(point{52, 8, -12}, point{70, 34, -20}, point{140, 60, -20})).with(arrow(point{-50, 62, 0}, point{0, 72, 0}, point{50, 62, 0})...).scene()),
			cut("A tug at the first stitch after each change.", rs("vv", "V"), mark(1))),
		Look: "Half of the stitches on each side, a loop of cable at both ends.",
		Care: "No tug: a ladder of long rungs between the halves.",
	},
	{
		Name: "two-circulars", Title: "Two circular needles", Group: groupNeedles,
		Steps: shown(rs("vvv", "VV"),
			see("Each needle holds one half, and has two tips of its own.", circulars(false).scene()),
			see("Push the first half to its tip, let the other half rest on its cable.",
				circulars(true).with(arrow(point{-10, -52, 0}, point{20, -58, 0}, point{56, -52, 0})...).scene()),
			do("Knit with the other tip of the same needle; turn, and take the other needle.", enter(knitwise, 1))),
		Look: "Each half stays on its own needle.", Care: "Knitted on to the wrong needle: all stitches on one, the other empty.",
	},
	{
		Name: "dpn", Title: "Double-pointed needles", Group: groupNeedles,
		Steps: shown(rs("vv", "V"),
			see("Cast on with two. In the first round knit half of the first needle, take a new one for the other half; the same on the second side.", halves(6, 6, false, false).scene()),
			see("Four hold the sock.", square(false)),
			see("The fifth knits. The one that becomes empty is the next fifth.", square(true)),
			do("A tug at the first stitch of each needle.", mark(1))),
		Look: "A quarter of the stitches on each.", Care: "A needle slides out of its stitches: hold the work by two of them.",
	},
	{
		Name: "short-circular", Title: "A short circular needle", Group: groupNeedles,
		Steps: shown(rs("|vv", "VV"),
			see("It cannot hold a toe: begin on two needles or a long loop, and change when the foot's count is reached.", ringOf().scene()),
			see("Hang markers: the start of the round, the start of the sole, both ends of the heel's centre.",
				ringOf().with(pin(-74, 4)...).with(pin(74, 4)...).with(pin(-24, 44)...).with(pin(24, 44)...).scene()),
			do("Knit round and round; the marker goes from the {left} needle to the {right} as it is.")),
		Look: "Each marker hangs on the needle, not in a stitch.", Care: "A marker was knitted in, or fell off: count from the tail.",
	},
	{
		Name: "tug", Title: "No ladders", Group: groupNeedles,
		Steps: shown(rs("vv", "V"),
			see("Where one needle ends and the next begins the strand is easily long.",
				swatch(-76, 40, "vv--vv", "vv--vv", "vv--vv", "vv--vv", "vv--vv").with(rungs()...).scene()),
			do("A tug at the first stitch of each needle, and at the second.", mark(1))),
		Look: "No rungs between the columns.", Care: "The tug came a stitch too late: the rung is there already.",
	},
}

// ringOf is a short circular seen from above.
func ringOf() piece {
	p := piece{{part: Cable, key: "cable", points: []point{{-34, -46, 0}, {-78, -22, 0}, {-78, 22, 0}, {-34, 46, 0}, {34, 46, 0}, {78, 22, 0}, {78, -22, 0}, {34, -46, 0}}},
		rod(Needle, "one", point{-60, -38, 8}, point{-4, -52, 8}), rod(Working, "two", point{60, -38, 8}, point{4, -52, 8})}
	for n := range 13 {
		at := (200 - 220/12*float64(n)) * math.Pi / 180
		x, y := 79*math.Cos(at), 46*math.Sin(at)
		p = p.with(thread(Yarn, fmt.Sprintf("s%d", n), point{x * 0.78, y * 0.74, -8}, point{x * 0.96, y * 0.96, 10}, point{x * 1.1, y * 1.13, 2}, point{x*0.97 + 4, y*0.97 + 2, -10},
			point{x*0.78 + 4, y*0.74 + 2, -9}))
	}
	return p
}

// rungs are long strands between two columns.
func rungs() []body {
	var list []body
	for r := range 5 {
		y := 33 - courses*float64(r)
		list = append(list, thread(Now, fmt.Sprintf("rung%d", r), point{-34, y, -7}, point{-8, y - 4, -3}, point{22, y, -7}))
	}
	return list
}
