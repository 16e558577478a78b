package hands

const groupLift = "Turns: slip and lift"

var liftTurns = turnStyle{turn: "lift", begins: "lift", lifts: true, moves: append(both(liftBoth),
	Sequence{
		Name: "lift-first", Title: "Slip and lift: the first turn", Group: groupLift,
		Steps: []Step{
			{"One stitch short of the end, turn.", tips("bbb", "/b").front().turning()},
			{"Slip one, and go on. Nothing is hung and nothing is wrapped.", tips("bb", "b/b").front()},
		},
		Look: "A step between the stitch that waits and its neighbour.",
		Slip: "The slipped stitch was worked: the gap is wider than it has to be.",
	},
	Sequence{
		Name: "lift-last", Title: "Slip and lift: the last ones", Group: groupLift,
		Steps: []Step{
			{"The last row works the stitch before the gap with the one beyond it, and picks the strand up as a new stitch.",
				tips("yvv", "VV").into(knitwise, 2).wrapped()},
			{"Go on round over the instep: no turn any more.", tips("vvv", "VVV").behind()},
			{"At the other end the same, in the round.", tips("yvv", "VV").into(knitwise, 2).behind()},
		},
		Look: "No step is left.", Slip: "The strand was forgotten: the count is one short.",
	},
	Sequence{
		Name: "lift-round", Title: "Lifted strands in a full round", Group: groupLift,
		Steps: liftFar,
		Look:  "The count is what it was; no step is left.", Slip: "The strand was lifted twisted: a tight spot, and a hole beside it.",
	},
	Sequence{
		Name: "klift-rs", Title: "A strand lifted in passing, right side", Group: groupLift,
		Steps: []Step{
			{"Knit to the gap: a strand runs across it, below.",
				tips("/vv", "VV").behind().with(yarn(point{-0.7, 1.5, 2}, point{-0.1, 1.25, 2}, point{0.5, 1.1, 2}))},
			{"Lift the strand on to the {left} needle.", tips("_vv", "VV").behind().with(lifted(false))},
			{"Knit it with the stitch beyond: one stitch, and the gap is closed.", tips("yvv", "VV").into(knitwise, 2).wrapped()},
		},
		Look: "The step is gone, the count is what it was.", Slip: "Knitted alone: one stitch too many.",
	},
	Sequence{
		Name: "klift-ws", Title: "A strand lifted in passing, wrong side", Group: groupLift,
		Steps: []Step{
			{"Purl to the gap: a strand runs across it, below.",
				tips("/bb", "BB").front().with(yarn(point{-0.7, 1.5, 2}, point{-0.1, 1.25, 2}, point{0.5, 1.1, 2}))},
			{"Lift the strand on to the {left} needle.", tips("_bb", "BB").front().with(lifted(false))},
			{"Purl it with the stitch beyond.", tips("ybb", "BB").into(purlwise, 2).wrapped()},
		},
		Look: "The step is gone, the count is what it was.", Slip: "Purled alone: one stitch too many.",
	},
)}

// liftFar is how a strand at the far side of a round is taken up: with the stitch that waits before the gap.
var liftFar = []Step{
	{"Near side: lift the strand in the gap on to the {left} needle and knit it with the stitch beyond.",
		tips("yvv", "VV").into(knitwise, 2).behind()},
	{"Far side: slip the stitch that waits before the gap.", tips("/vv", "vVV").behind()},
	{"Lift the strand on to the {left} needle.", tips("_vv", "vVV").behind().with(lifted(false))},
	{"Give the stitch back, and knit both together.", tips("yvv", "VV").into(knitwise, 2).wrapped()},
}

func liftBoth(f facing) []Sequence {
	out := Sequence{
		Name: "lift-out-" + f.id, Title: "Turn and slip, " + f.said, Group: groupLift,
		Steps: []Step{
			{"One stitch short of the gap, turn: the " + f.said + " faces you.", f.turned()},
			{snug + " Slip one from {right} to {left}.", f.yarnAt(tips(f.n(2), f.loop+"/"+f.n(1)))},
			{"Go on.", f.yarnAt(tips(f.n(1), f.fresh+f.loop+"/"+f.n(1)))},
		},
		Look: "A step; the stitch beside it was slipped.", Slip: "The slipped stitch was worked: a wide gap.",
	}
	back := Sequence{
		Name: "lift-back-" + f.id, Title: "Strand lifted back, " + f.said, Group: groupLift,
		Steps: []Step{
			{"Go to the last worked stitch before the gap.", f.yarnAt(tips(f.n(1)+"/"+f.n(2), f.m(2)))},
			{map[bool]string{true: "Knit", false: "Purl"}[f.knits] + " it together with its neighbour beyond the gap.",
				tips(f.n(3), f.m(2)).into(f.way, 2).wrapped()},
			{"Pick up the strand in the gap as a new stitch: the count stays.",
				f.yarnAt(tips(f.n(2), f.m(3))).with(yarn(point{0.7, 1.3, 2}, point{0.1, 1.5, 2}, point{-0.6, 1.2, 2}))},
			{"Turn, and slip it.", f.yarnAt(tips(f.n(2), "i"+f.m(2))).mark(1)},
		},
		Look: "As many stitches as before.", Slip: "The strand was forgotten: the count is one short.",
	}
	return []Sequence{out, back}
}
