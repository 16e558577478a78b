package hands

const groupDouble = "Turns: double stitches"

var doubleTurns = turnStyle{turn: "german", begins: "double", moves: append(both(doubleBoth),
	Sequence{
		Name: "double-first", Title: "Double stitch: the first row", Group: groupDouble,
		Steps: shown(rs("vv", "VVV"),
			see("The round is finished. Turn the sock as if to begin the instep: the instep lies nearest to you, but you do not knit it.",
				halves(6, 6, false, false).with(arrow(point{-76, 52, 0}, point{0, 66, 0}, point{76, 52, 0})...).scene()),
			do("Work back on the far needle, whose inside faces you. The yarn hangs in front.", turn),
			do("Slip the first stitch to the {right} needle, yarn in front.", slip(1)),
			do("Pull the yarn up and over the needle until two legs show.", pullUp),
			do("Bring the yarn round to the front, and purl on. It feels backwards: so it has to.", purls(1), mark(2))),
		Look: "The purl bumps of the heel face you, the instep is nearest.",
		Care: "The instep was knitted: the heel begins half a round late.",
	},
	Sequence{
		Name: "double-last", Title: "Double stitch: the last ones", Group: groupDouble,
		Steps: shown(rs("dvvv", "VV"),
			do("The last row knits to the double stitch at the edge and works both its legs as one.", enter(knitwise, 1)),
			do("Go on round over the instep: no turn any more.", done, knits(1)),
			cut("At the other end of the heel one double stitch is left: knit both its legs as one as you pass.", rs("dvv", "VV"), enter(knitwise, 1), wrap)),
		Look: "No stitch with two legs is left on either side.",
		Care: "The last one is knitted through one leg: a loose strand at the corner.",
	},
	Sequence{
		Name: "double-round", Title: "Double stitches in a full round", Group: groupDouble,
		Steps: shown(rs("vddd", "VV"),
			do("Knit the instep, and go on over the heel.", knits(1)),
			do("Each double stitch: the needle through the middle of both legs, from the front.", enter(knitwise, 1)),
			do("Knit both legs as one, with a tug.", wrap),
			cut("Then to one past the far end of the centre, and turn.", rs("vvv", "VVV"), pointing(point{40, 50, 0}, point{0, 70, 0}, point{-40, 50, 0}))),
		Look: "The count is what it was; no stitch has two legs.", Care: "The two legs were knitted as two stitches: the count grew.",
	},
)}

func doubleBoth(f facing) []Sequence {
	steps := []told{do("Work to the place, or to the gap, and turn: the "+f.said+" faces you.", turn, roundTheWork)}
	if f.knits {
		steps = append(steps, do("Bring the yarn to the front between the tips.", yarnTo(toFront)))
	}
	steps = append(steps,
		do("Yarn in front, slip the first stitch from {right} to {left}; nothing is worked.", yarnTo(inFront), slip(1)),
		do("Pull the yarn up and over the needle to the back, firmly, until the stitch shows two legs.", pullUp))
	if f.knits {
		steps = append(steps, do("The yarn is behind: hold it tight while you knit the next stitch.", knits(1), mark(2)))
	} else {
		steps = append(steps, do("Bring it round under the tip to the front again.", yarnTo(pulledRound)),
			do("Hold it tight while you purl the next stitch.", purls(1), mark(2)))
	}
	out := Sequence{Name: "double-out-" + f.id, Title: "Double stitch, " + f.said, Group: groupDouble, Steps: shown(f.before(), steps...),
		Look: "Two legs, one stitch. It counts as one.",
		Care: "Pulled too little: one leg, and a hole at the turn. Counted as two: one too many later."}
	back := Sequence{
		Name: "double-back-" + f.id, Title: "Double stitch taken back, " + f.said, Group: groupDouble,
		Steps: shown(f.on("d"+f.n(3), f.m(2)),
			do("Go to the stitch with two legs.", mark(-1)),
			do("Needle through the middle of both legs, as through one stitch.", enter(f.way, 1)),
			do(roundBoth+", and "+f.work+" both as one, with a tug.", wrap),
			do("Both legs slide off together.", draw, drop, mark(1)),
			do("When the pattern widens, one stitch more; then turn.", f.plain(1))),
		Look: "No strand lies loose below the stitch.",
		Care: "Only one leg was caught: a strand lies loose on the right side. Take it back, and go through both.",
	}
	return []Sequence{out, back}
}
