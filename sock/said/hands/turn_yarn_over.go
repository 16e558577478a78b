package hands

const groupOver = "Turns: yarn-overs"

var overTurns = turnStyle{turn: "yarn_over", begins: "over", overs: true, moves: append(both(overBoth),
	Sequence{
		Name: "over-first", Title: "Yarn-over: the first turn", Group: groupOver,
		Steps: shown(rightSide.on("v", "VVV"),
			do("Stop one stitch before the end, and turn.", turn, roundTheWork),
			do("Right after turning, the yarn goes over the needle.", layOver),
			do("Purl on. The yarn-over and its stitch sit close: a pair.", overMade, purls(1), mark(2))),
		Look: "One pair on this side.", Care: "The yarn-over was forgotten: the count is one short at the end.",
	},
	Sequence{
		Name: "over-last", Title: "Yarn-overs: the last ones", Group: groupOver,
		Steps: shown(rs("yvvv", "VV"),
			do("The last loop on each side waits for the round: move it to the other half, with a hook when it is tight.", mark(-1)),
			do("At the beginning of the other half knit it with the first stitch: k2tog.", enter(knitwise, 2), wrap),
			cut("At the end of that half the other loop goes with the last stitch: ssk.", rs("ytv", "VV"), enter(backLoop, 2), wrap)),
		Look: "The count is even again; no loop without a stitch below.", Care: "A yarn-over is left by itself: a hole at the corner.",
	},
	Sequence{
		Name: "over-round", Title: "Yarn-overs in a full round", Group: groupOver,
		Steps: shown(rs("vyvv", "V"),
			do("On the near side: knit the stitch of the pair, turn the yarn-over so that its leading leg is in front, knit it with the next stitch.", knits(1), mark(-1)),
			do("So with each of them: k2tog.", enter(knitwise, 2), wrap),
			cut("On the far side each yarn-over goes with the stitch before it: ssk.", rs("tyv", "VV"), enter(backLoop, 2), wrap)),
		Look: "The count is what it was.", Care: "A yarn-over was knitted alone: the count is one too many.",
	},
)}

func overBoth(f facing) []Sequence {
	out := Sequence{
		Name: "over-out-" + f.id, Title: "Yarn-over after a turn, " + f.said, Group: groupOver,
		Steps: shown(f.before(),
			do("Work to the place, turn: the "+f.said+" faces you.", turn, roundTheWork),
			do(map[bool]string{
				true:  "Yarn to the front between the tips, then over the needle to the back.",
				false: "Yarn to the back between the tips, then over the needle to the front.",
			}[f.knits], layOver),
			do(f.works()+" on. The yarn-over and its stitch sit close: a pair.", overMade, f.plain(1), mark(2))),
		Look: "A pair. Count the pairs.", Care: "The yarn-over right after turning was forgotten: the count is one short.",
	}
	back := Sequence{Name: "over-back-" + f.id, Title: "Yarn-over taken back, " + f.said, Group: groupOver,
		Look: "The pair is closed, no hole beside it.", Care: "The yarn-over was left alone: a hole, and one loop too many."}
	if f.knits {
		back.Steps = shown(f.on("v"+"y"+f.n(2), f.m(2)),
			do("Knit to the pair, and knit its stitch. The yarn-over beside it may sit crooked.", knits(1), crooked, mark(-1)),
			do("Turn the yarn-over so that its front leg leads.", straightened, mark(-1)),
			do("Needle into it and the next stitch, from the front: k2tog. Later two yarn-overs and a stitch: k3tog.", enter(knitwise, 2)),
			do(roundBoth+", and knit both together.", wrap),
			do("Turn, and yarn over again.", draw, drop, turn, layOver))
	} else {
		back.Steps = shown(f.on("b"+"y"+f.n(2), f.m(2)),
			do("Purl to the pair, and purl its stitch.", purls(1), mark(-1)),
			do("Slip the yarn-over and the next stitch, one by one, as if to knit.", slipKnitwise(2)),
			do("Give them back turned, and bring the needle round from behind, through the back legs of both: ssp. Later two yarn-overs and a stitch: sssp.",
				giveBack(2), enter(fromBehind, 2)),
			do(roundBoth+", and purl both together.", wrap),
			do("Turn, and yarn over again.", draw, drop, turn, layOver))
	}
	return []Sequence{out, back}
}

// crooked has the next loop with its leading leg behind; straightened turns it.
func crooked(w *work)      { w.left[0].turned = true }
func straightened(w *work) { w.left[0].turned, w.moved = false, false }
