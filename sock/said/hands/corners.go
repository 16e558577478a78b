package hands

const groupCorner = "Corners"

// cornerHole is the corner between two needles, before the first stitch of the next one: a hole opens there.
func cornerHole() scene { return tips("vvv", "VV") }

var corners = []Sequence{
	{
		Name: "outer-legs", Title: "Corner: the outer legs", Group: groupCorner,
		Steps: []Step{
			{"Before the first stitch of the next needle. From the stitch on the needle go down: one below, second below.",
				cornerHole().behind().with(outerLeg(1), ring(0.95, 1.9, 0.45))},
			{"Lift the leg of it that lies away from the corner on to the {left} needle.",
				tips("_vv", "VV").behind().with(outerLeg(1), over(Now, point{-0.75, 0, 0}, 1.3, false))},
			{"From the next needle likewise: the leg away from the corner.",
				tips("_vv", "VV").behind().with(over(Now, point{-0.65, 0, 0}, 1.3, false), over(Now, point{-0.95, 0, 0}, 1.4, false))},
			{"Knit both legs together: one stitch more, the first of its half.", tips("vvv", "iVV").behind().mark(1)},
			{"It stays a few rounds, as the rows say, then goes with its neighbour: k2tog at the beginning of the needle.",
				tips("vvv", "VV").into(knitwise, 2).wrapped()},
		},
		Look: "Tug first. If a leg opens a new hole, let it go and take the one above or below, or the other leg: the tightest.",
		Slip: "The leg nearest the corner was taken: the hole only moves.",
	},
	{
		Name: "one-strand", Title: "Corner: one strand", Group: groupCorner,
		Steps: []Step{
			{"After the last stitch of the needle. Find a strand near the corner that does not pull.",
				cornerHole().behind().with(bar()...).with(ring(0, 1.3, 0.4))},
			{"Needle under it: two threads. Wrap, and draw a loop through.",
				cornerHole().draw().with(bar()...).with(yarn(point{0.65, 1.15, 2}, point{0.1, 1.5, -2}, point{-0.02, 1.1, 3},
					point{0.05, 0.2, 3}, point{0.2, -0.3, 1}, point{0.36, 0.1, -2}, point{0.3, 1.1, -2}).behind())},
			{"It hangs as the last stitch of its half.", tips("vvv", "iVV").behind().mark(1)},
			{"In the next round knit it with that last stitch: k2tog, at the end of the needle.",
				tips("vvv", "VV").into(knitwise, 2).wrapped()},
		},
		Look: "The corner is closed when you tug.", Slip: "A strand that pulls: a new hole above it.",
	},
	{
		Name: "wrapped-neighbour", Title: "Corner: the wrapped neighbour", Group: groupCorner,
		Steps: []Step{
			{"At the last two rows of the heel: slip the resting stitch next to the edge, take the yarn round it, slip it back, turn.",
				tips("wvv", "VV").behind().mark(-1)},
			{"The same at the other edge; then once more across the heel.", tips("wbb", "BB").front().mark(-1)},
			{"In the round its wrap is knitted with it.", tips("wvv", "VV").into(knitwise, 1).under().wrapped()},
			{"The far one as in ssk.", tips("Utv", "VV").into(backLoop, 2).wrapped()},
		},
		Look: "No bar, no hole at either corner.", Slip: "The wrap was left: a bar at the corner.",
	},
	{
		Name: "corner-gone", Title: "A corner stitch goes again", Group: groupCorner,
		Steps: []Step{
			{"It was one stitch too many, on purpose. At the beginning of its half: knit it together with its neighbour.",
				tips("vvv", "VV").into(knitwise, 2).behind()},
			{"In rib it is worked like the stitch with which it leaves, and that stitch keeps its column.",
				tips("bbv", "VV").into(purlwise, 2).front()},
		},
		Look: "The count is that of the leg.", Slip: "Forgotten: the leg has two stitches too many.",
	},
}

// outerLeg is the leg of the second stitch below on the right needle that lies away from the corner.
func outerLeg(side float64) strand {
	x, y := side*0.8, foot+0.66
	return strand{part: Now, points: []point{{x + side*0.44, y - 0.05, 1}, {x + side*0.34, y + stitch*0.45, 1},
		{x + side*0.1, y + stitch*0.85, 1}}}
}
