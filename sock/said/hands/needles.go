package hands

const groupNeedles = "Holding the needles"

// looped are stitches on two halves of one long needle: the back ones on the cable, the front ones on the tip.
func looped(backOnCable bool) scene {
	s := board()
	if backOnCable {
		s = s.with(cable(point{-3.2, -held, 0}, point{2.2, -held, 0}),
			cable(point{2.2, -held, 0}, point{3.5, -1.2, 0}, point{3.6, -1.8, 0}))
	} else {
		s = s.with(rod(point{-3.2, -held, 0}, point{2.9, -held, 0}, 0.5, 0, 0)...)
	}
	s = s.with(rod(point{-3.2, held, 0}, point{2.9, held, 0}, 0.5, 0, 0)...)
	s = s.with(cable(point{-3.2, -held, 0}, point{-3.6, 0, 0}, point{-3.2, held, 0}))
	for i := range 6 {
		s = s.with(pairLoop(Yarn, pairX(i)+0.2, -1), pairLoop(Yarn, pairX(i)+0.5, 1))
	}
	return s
}

// square are four needles that hold a sock, seen from above, with the fifth.
func square(fifth bool) scene {
	s := board()
	for i, ends := range [][2]point{{{-1.9, 1.2, 0}, {1.9, 1.2, 0}}, {{1.5, 1.6, 0}, {1.5, -1.6, 0}}, {{1.9, -1.2, 0}, {-1.9, -1.2, 0}},
		{{-1.5, -1.6, 0}, {-1.5, 1.6, 0}}} {
		z := float64(i)
		from, to := ends[0].at(z), ends[1].at(z)
		s = s.with(rod(from, to, 0.5, z, z)...)
		for n := 1; n < 5; n++ {
			t := float64(n) / 5
			at := point{from.x + (to.x-from.x)*t, from.y + (to.y-from.y)*t, z}
			if from.y == to.y {
				s = s.with(strand{part: Yarn, points: []point{{at.x - 0.1, at.y - 0.3, z + 0.5}, {at.x, at.y, z + 0.5},
					{at.x + 0.1, at.y + 0.3, z + 0.5}}})
			} else {
				s = s.with(strand{part: Yarn, points: []point{{at.x - 0.3, at.y - 0.1, z + 0.5}, {at.x, at.y, z + 0.5},
					{at.x + 0.3, at.y + 0.1, z + 0.5}}})
			}
		}
	}
	if fifth {
		s = s.with(rod(point{3.6, 0.3, 0}, point{0.9, 1.5, 0}, 0.5, 6, 6)...)
	}
	return s
}

var needlesHeld = []Sequence{
	{
		Name: "magic-loop", Title: "Magic loop", Group: groupNeedles,
		Steps: []Step{
			{"Both tips point {right}; the yarn comes from the back needle.",
				looped(false).with(yarn(point{1, -0.3, -2}, point{2.4, -1.2, -2}, point{3.6, -1.6, -2}))},
			{"Draw the back tip out until its stitches rest on the cable.",
				looped(true).with(arrow(point{2.2, -1.4, 0}, point{2.9, -1.6, 0}, point{3.4, -1.4, 0})...)},
			{"Knit the front ones with that tip.", tips("vvv", "VV").into(knitwise, 1).behind()},
			{"Turn the work. Push the stitches that lie on the cable back to the tip, and draw the other tip out.",
				looped(false).with(arrow(point{-1.5, -1.6, 0}, point{0, -1.9, 0}, point{1.5, -1.6, 0})...)},
			{"A tug at the first stitch after each change.", tips("vv", "V").behind().mark(1)},
		},
		Look: "Half of the stitches on each side, a loop of cable at both ends.",
		Slip: "No tug: a ladder of long rungs between the halves.",
	},
	{
		Name: "two-circulars", Title: "Two circular needles", Group: groupNeedles,
		Steps: []Step{
			{"Each needle holds one half, and is knitted with its own other tip.", looped(true)},
			{"Push the first half to its tip, let the other half rest on its cable.",
				looped(true).with(arrow(point{0.2, 1.5, 0}, point{1.2, 1.6, 0}, point{2.4, 1.5, 0})...)},
			{"Knit with the other tip of the same needle; turn, and take the other needle.",
				tips("vvv", "VV").into(knitwise, 1).behind()},
		},
		Look: "Each half stays on its own needle.", Slip: "Knitted on to the wrong needle: all stitches on one, the other empty.",
	},
	{
		Name: "dpn", Title: "Double-pointed needles", Group: groupNeedles,
		Steps: []Step{
			{"Cast on with two. In the first round knit half of the first needle, take a new one for the other half; the same on the second side.", pair(6, 6)},
			{"Four hold the sock.", square(false)},
			{"The fifth knits. The one that becomes empty is the next fifth.", square(true)},
			{"A tug at the first stitch of each needle.", tips("vv", "V").behind().mark(1)},
		},
		Look: "A quarter of the stitches on each.", Slip: "A needle slides out of its stitches: hold the work by two of them.",
	},
	{
		Name: "short-circular", Title: "A short circular needle", Group: groupNeedles,
		Steps: []Step{
			{"It cannot hold a toe: begin on two needles or a long loop, and change when the foot's count is reached.", ringOf()},
			{"Hang markers: the start of the round, the start of the sole, both ends of the heel's centre.",
				ringOf().with(pin(-2.3, 0), pin(2.3, 0), pin(-0.7, 1.1), pin(0.7, 1.1))},
			{"Knit round and round; the marker goes from the {left} needle to the {right} as it is.", tips("|vv", "VV").behind()},
		},
		Look: "Each marker hangs on the needle, not in a stitch.", Slip: "A marker was knitted in, or fell off: count from the tail.",
	},
	{
		Name: "tug", Title: "No ladders", Group: groupNeedles,
		Steps: []Step{
			{"Where one needle ends and the next begins the strand is easily long.",
				board().fabric(-2.6, -1.5, "vv-vv", "vv-vv", "vv-vv", "vv-vv").with(rungs()...)},
			{"A tug at the first stitch of each needle, and at the second.", tips("vv", "V").behind().mark(1)},
		},
		Look: "No rungs between the columns.", Slip: "The tug came a stitch too late: the rung is there already.",
	},
}

// ringOf is a short circular seen from above.
func ringOf() scene {
	s := board().with(cable(point{-1, 1.5, 0}, point{-2.6, 0.6, 0}, point{-2.3, -0.9, 0}, point{0, -1.5, 0}, point{2.3, -0.9, 0},
		point{2.6, 0.6, 0}, point{1, 1.5, 0}))
	s = s.with(rod(point{-1.5, 1.4, 0}, point{-0.1, 1.6, 0}, 0.5, 1, 1)...).with(rod(point{1.5, 1.4, 0}, point{0.1, 1.6, 0}, 0.5, 1,
		1)...)
	for _, at := range [][2]float64{{-2.5, 0.4}, {-2.55, -0.2}, {-2.2, -0.95}, {-1.5, -1.25}, {-0.7, -1.45}, {0.1, -1.5}, {0.9, -1.4},
		{1.6, -1.2}, {2.25, -0.9}, {2.55, -0.2}, {2.55, 0.4}} {
		x, y := at[0], at[1]
		s = s.with(strand{part: Yarn, points: []point{{x * 0.86, y * 0.86, 2}, {x, y, 2}, {x * 1.12, y * 1.12, 2}}})
	}
	return s
}

// rungs are long strands between two columns.
func rungs() []strand {
	var list []strand
	for r := range 4 {
		y := -1.3 + float64(r)*0.66
		list = append(list, yarn(point{-1.3, y, 1}, point{-0.8, y + 0.1, 1}, point{-0.3, y, 1}))
	}
	return list
}
