package hands

const groupOver = "Turns: yarn-overs"

var overTurns = turnStyle{turn: "yarn_over", begins: "over", overs: true, moves: append(both(overBoth),
	Sequence{
		Name: "over-first", Title: "Yarn-over: the first turn", Group: groupOver,
		Steps: []Step{
			{"Stop one stitch before the end, and turn.", tips("bbb", "/b").front().turning()},
			{"Right after turning, the yarn goes over the needle.", tips("bbb", "").overToFront()},
			{"Purl on. The yarn-over and its stitch sit close: a pair.", tips("bb", "By/b").front().mark(2)},
		},
		Look: "One pair on this side.", Slip: "The yarn-over was forgotten: the count is one short at the end.",
	},
	Sequence{
		Name: "over-last", Title: "Yarn-overs: the last ones", Group: groupOver,
		Steps: []Step{
			{"The last loop on each side waits for the round: move it to the other half, with a hook when it is tight.",
				tips("yvv", "VV").behind().mark(-1)},
			{"At the beginning of the other half knit it with the first stitch: k2tog.", tips("yvv", "VV").into(knitwise, 2).wrapped()},
			{"At the end of that half the other loop goes with the last stitch: ssk.", tips("ytv", "VV").into(backLoop, 2).wrapped()},
		},
		Look: "The count is even again; no loop without a stitch below.", Slip: "A yarn-over is left by itself: a hole at the corner.",
	},
	Sequence{
		Name: "over-round", Title: "Yarn-overs in a full round", Group: groupOver,
		Steps: []Step{
			{"On the near side: knit the stitch of the pair, turn the yarn-over so that its leading leg is in front, knit it with the next stitch.", tips("yvv", "VV").behind().mark(-1)},
			{"So with each of them: k2tog.", tips("yvv", "VV").into(knitwise, 2).wrapped()},
			{"On the far side each yarn-over goes with the stitch before it: ssk.", tips("ytv", "VV").into(backLoop, 2).wrapped()},
		},
		Look: "The count is what it was.", Slip: "A yarn-over was knitted alone: the count is one too many.",
	},
)}

func overBoth(f facing) []Sequence {
	over := func(s scene) scene {
		if f.knits {
			return s.overToBack()
		}
		return s.overToFront()
	}
	out := Sequence{
		Name: "over-out-" + f.id, Title: "Yarn-over after a turn, " + f.said, Group: groupOver,
		Steps: []Step{
			{"Work to the place, turn: the " + f.said + " faces you.", f.turned()},
			{map[bool]string{
				true:  "Yarn to the front between the tips, then over the needle to the back.",
				false: "Yarn to the back between the tips, then over the needle to the front.",
			}[f.knits], over(tips(f.n(3), ""))},
			{map[bool]string{true: "Knit", false: "Purl"}[f.knits] + " on. The yarn-over and its stitch sit close: a pair.",
				f.yarnAt(tips(f.n(2), f.fresh+"y/"+f.n(1))).mark(2)},
		},
		Look: "A pair. Count the pairs.", Slip: "The yarn-over right after turning was forgotten: the count is one short.",
	}
	back := Sequence{Name: "over-back-" + f.id, Title: "Yarn-over taken back, " + f.said, Group: groupOver,
		Look: "The pair is closed, no hole beside it.", Slip: "The yarn-over was left alone: a hole, and one loop too many."}
	if f.knits {
		back.Steps = []Step{
			{"Knit to the pair, and knit its stitch. The yarn-over beside it may sit crooked.", tips("yvv", "VV").behind().mark(-1)},
			{"Turn the yarn-over so that its front leg leads.", tips("vvv", "VV").behind().mark(-1)},
			{"Knit it together with the next stitch: k2tog. Later two yarn-overs and a stitch: k3tog.",
				tips("yvv", "VV").into(knitwise, 2).wrapped()},
			{"Turn, and yarn over again.", tips("bbb", "").overToFront()},
		}
	} else {
		back.Steps = []Step{
			{"Purl to the pair, and purl its stitch.", tips("ybb", "BB").front().mark(-1)},
			{"Slip the yarn-over and the next stitch, one by one, as if to knit, and give them back turned.",
				tips("ttb", "BB").front().mark(-1)},
			{"Purl both through their back legs: ssp. Later two yarn-overs and a stitch: sssp.",
				tips("ttb", "BB").into(fromBehind, 2).wrapped()},
			{"Turn, and yarn over again.", tips("vvv", "").overToBack()},
		}
	}
	return []Sequence{out, back}
}
