package hands

const groupColour = "Another colour"

var colours = []Sequence{
	{
		Name: "link", Title: "Linking a new colour", Group: groupColour,
		Steps: shown(rs("vvv", "vvv"),
			do("Leave the sock's yarn hanging where the heel begins.", still, with(waiting)),
			do("Lay the new strand round it once: no hole.", still, with(waiting), with(linked)),
			do("Knit with it, and weave its tail along behind.", knits(1), with(waiting))),
		Look: "The first stitch on the far side keeps the sock's colour for a while: so it has to be.",
		Care: "Not linked: a hole beside the first stitch.",
	},
	{
		Name: "take-up", Title: "Taking up the waiting yarn", Group: groupColour,
		Steps: shown(rs("vvv", "ccc"),
			do("Break the heel's yarn off, with a tail to weave in.", still, with(func(*work) []body {
				return []body{thread(Other, "heel", point{40, -76, -7}, point{30, -84, 14}, point{26, -104, 14})}
			})),
			do("Take up the yarn that waited, lay it round the other once, and knit on.", knits(1))),
		Look: "Both strands cross once behind the work.", Care: "The waiting yarn was pulled across slack: a loose float.",
	},
	{
		Name: "step-free", Title: "A stripe without a step", Group: groupColour,
		Steps: shown(rs("vvv", "VVV"),
			do("Knit the first round in the new colour."),
			do("Before the first stitch of its second round: lift the stitch below it, of the other colour, on to the {left} needle.", lift(false), inOther),
			do("Needle into both, from the front.", enter(knitwise, 2)),
			do(roundBoth+", and knit both together.", wrap)),
		Look: "The stripe closes without a step.", Care: "Done in the first round instead: the step is still there.",
	},
	{
		Name: "join", Title: "Joining a new ball", Group: groupColour,
		Steps: shown(rs("vvv", "VV"),
			do("Where the sole begins, never in the middle of the instep, lay the new end beside the old one.", with(newEnd)),
			cut("Knit three stitches with both strands together, then go on with the new one.", rs("vv", "ccc")),
			cut("In the next round the doubled stitches count as one each.", rs("ccc", "VV"), enter(knitwise, 1))),
		Look: "Three thick stitches, no knot.", Care: "A knot: it is felt in the shoe.",
	},
}

// inOther is the lifted strand in the yarn of the round below.
func inOther(w *work) { w.left[0].part = Other }

// waiting is the sock's yarn that hangs before the work.
func waiting(w *work) []body {
	return []body{thread(Yarn, "waits", point{40, -78, -7}, point{24, -78, 18}, point{-20, -84, 20}, point{-64, -98, 20}, point{-90, -116, 20})}
}

// linked is the new strand laid round the one that waits, and on to the hand.
func linked(*work) []body {
	return []body{thread(Now, "new", point{-50, -60, 26}, point{-20, -70, 28}, point{-6, -82, 22}, point{-10, -94, 10}, point{2, -90, 10}, point{10, -76, 28}, point{14, -30, 30}, point{24, 20, 30},
		point{60, 60, 30}, point{130, 78, 30})}
}

// newEnd is the end of the new ball beside the old strand.
func newEnd(w *work) []body {
	left, right := w.places()
	from := w.foot(left, right)
	return []body{thread(Other, "new", from.plus(10, -34, 10), from.plus(6, -10, 0), from.plus(2, 20, -14), point{50, 44, -26}, point{130, 60, -26})}
}
