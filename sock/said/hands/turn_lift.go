package hands

const groupLift = "Turns: slip and lift"

var liftTurns = turnStyle{turn: "lift", begins: "lift", lifts: true, moves: append(both(liftBoth),
	Sequence{
		Name: "lift-first", Title: "Slip and lift: the first turn", Group: groupLift,
		Steps: shown(rightSide.on("v", "VVV"),
			do("One stitch short of the end, turn.", turn, roundTheWork),
			do("Slip one, and go on. Nothing is hung and nothing is wrapped.", slip(1))),
		Look: "A step between the stitch that waits and its neighbour.",
		Care: "The slipped stitch was worked: the gap is wider than it has to be.",
	},
	Sequence{
		Name: "lift-last", Title: "Slip and lift: the last ones", Group: groupLift,
		Steps: shown(rs("v/vvv", "VV"),
			do("The last row works the stitch before the gap with the one beyond it.", enter(knitwise, 2), wrap),
			do("It picks the strand in the gap up as a new stitch.", draw, drop, lookAtBar),
			do("Go on round over the instep: no turn any more.", lift(false), together(backLoop, 1), knits(1)),
			cut("At the other end the same, in the round.", rs("v/vv", "VV"), enter(knitwise, 2))),
		Look: "No step is left.", Care: "The strand was forgotten: the count is one short.",
	},
	Sequence{
		Name: "lift-round", Title: "Lifted strands in a full round", Group: groupLift,
		Steps: shown(rs("gvv", "VV"),
			do("Near side: lift the strand in the gap on to the {left} needle and knit it with the stitch beyond.", enter(knitwise, 2)),
			cut("Far side: slip the stitch that waits before the gap.", rs("v/vv", "VV"), slip(1)),
			do("Lift the strand on to the {left} needle.", lift(false)),
			do("Give the stitch back, and knit both together.", giveBack(1), enter(knitwise, 2), wrap)),
		Look: "The count is what it was; no step is left.", Care: "The strand was lifted twisted: a tight spot, and a hole beside it.",
	},
	klift("klift-rs", "right side", rightSide), klift("klift-ws", "wrong side", wrongSide),
)}

// klift lifts a strand on the way over a gap.
func klift(name, said string, f facing) Sequence {
	return Sequence{
		Name: name, Title: "A strand lifted in passing, " + said, Group: groupLift,
		Steps: shown(f.on("/"+f.n(3), f.m(2)),
			do(f.works()+" to the gap: a strand runs across it, below.", lookAtBar),
			do("Lift the strand on to the {left} needle.", lift(false)),
			do("Needle into it and the stitch beyond.", enter(f.way, 2)),
			do(roundBoth+", and "+f.work+" both together: one stitch, and the gap is closed.", wrap)),
		Look: "The step is gone, the count is what it was.", Care: f.works() + "ed alone: one stitch too many.",
	}
}

func liftBoth(f facing) []Sequence {
	out := Sequence{
		Name: "lift-out-" + f.id, Title: "Turn and slip, " + f.said, Group: groupLift,
		Steps: shown(f.before(),
			do("One stitch short of the gap, turn: the "+f.said+" faces you.", turn, roundTheWork),
			do(snug+" Slip one from {right} to {left}.", slip(1)),
			do("Go on.", f.plain(1))),
		Look: "A step; the stitch beside it was slipped.", Care: "The slipped stitch was worked: a wide gap.",
	}
	back := Sequence{
		Name: "lift-back-" + f.id, Title: "Strand lifted back, " + f.said, Group: groupLift,
		Steps: shown(f.on(f.n(1)+"/"+f.n(3), f.m(2)),
			do("Go to the last worked stitch before the gap.", mark(-1)),
			do(f.works()+" it together with its neighbour beyond the gap.", enter(f.way, 2), wrap),
			do("Pick up the strand in the gap as a new stitch: the count stays.", draw, drop, lookAtBar),
			do("Turn, and slip it.", lift(false), together(backLoopOf(f), 1), turn, slip(1), mark(1))),
		Look: "As many stitches as before.", Care: "The strand was forgotten: the count is one short.",
	}
	return []Sequence{out, back}
}

// backLoopOf is how a lifted strand is worked twisted on a side.
func backLoopOf(f facing) way {
	if f.knits {
		return backLoop
	}
	return fromBehind
}
