package hands

const groupColour = "Another colour"

var colours = []Sequence{
	{
		Name: "link", Title: "Linking a new colour", Group: groupColour,
		Steps: []Step{
			{"Leave the sock's yarn hanging where the heel begins.", tips("vvv", "vvv").behind()},
			{"Lay the new strand round it once: no hole.",
				tips("vvv", "vvv").draw().with(strand{part: Yarn,
					points: []point{{0.6, 1.15, 0.3}, {0.2, 1.5, 3}, {-0.3, 1.9, 3}, {-0.9, 2.4, 3}}},
					yarn(point{1.6, 2.4, 3}, point{0.6, 2.1, 3}, point{-0.1, 1.95, 2}, point{-0.3, 1.6, 2}, point{0, 1.2, 4},
						point{0.3, 0.7, -3}).behind())},
			{"Knit with it, and weave its tail along behind.", tips("vvv", "VVv").behind()},
		},
		Look: "The first stitch on the far side keeps the sock's colour for a while: so it has to be.",
		Slip: "Not linked: a hole beside the first stitch.",
	},
	{
		Name: "take-up", Title: "Taking up the waiting yarn", Group: groupColour,
		Steps: []Step{
			{"Break the heel's yarn off, with a tail to weave in.",
				tips("vvv", "ccc").draw().with(strand{part: Other, points: []point{{0.6, 1.15, 0.3}, {0.2, 1.6, 3}, {0.1, 2.5, 3}}})},
			{"Take up the yarn that waited, lay it round the other once, and knit on.", tips("vvv", "ccc").behind()},
		},
		Look: "Both strands cross once behind the work.", Slip: "The waiting yarn was pulled across slack: a loose float.",
	},
	{
		Name: "step-free", Title: "A stripe without a step", Group: groupColour,
		Steps: []Step{
			{"Knit the first round in the new colour.", tips("vvv", "VVV").behind()},
			{"Before the first stitch of its second round: lift the stitch below it, of the other colour, on to the {left} needle.",
				tips("_vv", "VV").behind().with(over(Yarn, point{-0.7, 0, 0}, 1.15, false),
					over(Other, point{-1.0, 0, -0.2}, 1.4, false))},
			{"Knit both together.", tips("vvv", "VV").into(knitwise, 2).wrapped()},
		},
		Look: "The stripe closes without a step.", Slip: "Done in the first round instead: the step is still there.",
	},
	{
		Name: "join", Title: "Joining a new ball", Group: groupColour,
		Steps: []Step{
			{"Where the sole begins, never in the middle of the instep, lay the new end beside the old one.",
				tips("vvv", "VV").draw().with(yarn(point{0.6, 1.15, 0.3}, point{0.2, 1.6, 3}, point{0, 2.5, 3}),
					strand{part: Other, points: []point{{0.9, 2.5, 3}, {0.5, 1.4, 3}, {0.3, 0.6, -3}, {1.7, -0.8, -3},
						{3.9, -1.15, -3}}})},
			{"Knit three stitches with both strands together, then go on with the new one.", tips("vvv", "ccc").behind()},
			{"In the next round the doubled stitches count as one each.", tips("ccc", "VV").into(knitwise, 1).behind()},
		},
		Look: "Three thick stitches, no knot.", Slip: "A knot: it is felt in the shoe.",
	},
}
