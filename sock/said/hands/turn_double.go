package hands

const groupDouble = "Turns: double stitches"

var doubleTurns = turnStyle{turn: "german", begins: "double", moves: append(both(doubleBoth),
	Sequence{
		Name: "double-first", Title: "Double stitch: the first row", Group: groupDouble,
		Steps: []Step{
			{"The round is finished. Turn the sock as if to begin the instep: the instep lies nearest to you, but you do not knit it.",
				pair(6, 6).with(arrow(point{-2.4, -1.5, 0}, point{0, -1.85, 0}, point{2.4, -1.5, 0})...)},
			{"Work back on the far needle, whose inside faces you. The yarn hangs in front.", tips("bbb", "/vv").front()},
			{"Slip the first stitch to the {right} needle, yarn in front.", tips("bb", "b/vv").front()},
			{"Pull the yarn up and over the needle until two legs show.", tips("bb", "b/vv").pulledUp()},
			{"Bring the yarn round to the front, and purl on. It feels backwards: so it has to.", tips("b", "Bd/vv").front().mark(2)},
		},
		Look: "The purl bumps of the heel face you, the instep is nearest.",
		Slip: "The instep was knitted: the heel begins half a round late.",
	},
	Sequence{
		Name: "double-last", Title: "Double stitch: the last ones", Group: groupDouble,
		Steps: []Step{
			{"The last row knits to the double stitch at the edge and works both its legs as one.",
				tips("dvv", "VV").into(knitwise, 1).behind()},
			{"Go on round over the instep: no turn any more.", tips("vvv", "VVV").behind()},
			{"At the other end of the heel one double stitch is left: knit both its legs as one as you pass.",
				tips("dvv", "VV").into(knitwise, 1).wrapped()},
		},
		Look: "No stitch with two legs is left on either side.",
		Slip: "The last one is knitted through one leg: a loose strand at the corner.",
	},
	Sequence{
		Name: "double-round", Title: "Double stitches in a full round", Group: groupDouble,
		Steps: []Step{
			{"Knit the instep, and go on over the heel.", tips("vvd", "VVV").behind()},
			{"Each double stitch: the needle through the middle of both legs, from the front.",
				tips("ddd", "VV").into(knitwise, 1).behind()},
			{"Knit both legs as one, with a tug.", tips("ddd", "VV").into(knitwise, 1).wrapped()},
			{"Then to one past the far end of the centre, and turn.",
				tips("vvv", "VVV").behind().with(arrow(point{0.9, -0.75, 0}, point{0, -1.2, 0}, point{-0.9, -0.75, 0})...)},
		},
		Look: "The count is what it was; no stitch has two legs.", Slip: "The two legs were knitted as two stitches: the count grew.",
	},
)}

func doubleBoth(f facing) []Sequence {
	out := Sequence{Name: "double-out-" + f.id, Title: "Double stitch, " + f.said, Group: groupDouble}
	out.Steps = append(out.Steps, Step{"Work to the place, or to the gap, and turn: the " + f.said + " faces you.", f.turned()})
	if f.knits {
		out.Steps = append(out.Steps, Step{"Bring the yarn to the front between the tips.", tips("vvv", "/vv").broughtFront()})
	}
	out.Steps = append(out.Steps,
		Step{"Yarn in front, slip the first stitch from {right} to {left}; nothing is worked.", tips(f.n(2), f.loop+"/"+f.n(1)).front()},
		Step{"Pull the yarn up and over the needle to the back, firmly, until the stitch shows two legs.",
			tips(f.n(2), f.loop+"/"+f.n(1)).pulledUp()},
	)
	if f.knits {
		out.Steps = append(out.Steps, Step{"The yarn is behind: hold it tight while you knit the next stitch.",
			tips("v", "Vd/v").behind().mark(2)})
	} else {
		out.Steps = append(out.Steps,
			Step{"Bring it round under the tip to the front again.", tips("bb", "d/b").pulledRound()},
			Step{"Hold it tight while you purl the next stitch.", tips("b", "Bd/b").front().mark(2)})
	}
	out.Look, out.Slip = "Two legs, one stitch. It counts as one.",
		"Pulled too little: one leg, and a hole at the turn. Counted as two: one too many later."

	back := Sequence{
		Name: "double-back-" + f.id, Title: "Double stitch taken back, " + f.said, Group: groupDouble,
		Steps: []Step{
			{"Go to the stitch with two legs.", f.yarnAt(tips("d"+f.n(2), f.m(2))).mark(-1)},
			{"Needle through the middle of both legs, as through one stitch.", f.yarnAt(tips("d"+f.n(2), f.m(2)).into(f.way, 1))},
			{"Yarn round, and " + f.work + " both as one, with a tug.", tips("d"+f.n(2), f.m(2)).into(f.way, 1).wrapped()},
			{"When the pattern widens, one stitch more; then turn.", f.yarnAt(tips(f.n(2), f.m(3)))},
		},
		Look: "No strand lies loose below the stitch.",
		Slip: "Only one leg was caught: a strand lies loose on the right side. Take it back, and go through both.",
	}
	return []Sequence{out, back}
}
