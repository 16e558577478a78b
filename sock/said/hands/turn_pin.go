package hands

const groupPin = "Turns: pins"

var pinTurns = turnStyle{turn: "pinned", begins: "pin", moves: append(both(pinBoth),
	Sequence{
		Name: "pin-first", Title: "Pins: before you begin", Group: groupPin,
		Steps: []Step{
			{"Lay out as many pins as there are turns, half of each colour: a paper clip or a hair grip does.",
				board().with(pin(-2.4, -0.3), pin(-1.6, -0.3), pin(-0.8, -0.3), pin(0.8, -0.3), pin(1.6, -0.3), pin(2.4, -0.3))},
			{"The first turn: work to the place, turn, slip one.", tips("bb", "b/bb").front()},
			{"Hang the first pin round the yarn, and go on.", tips("b", "Bb/b").front().with(pin(1.35, 1.1))},
		},
		Look: "The pin hangs on the wrong side, close under the needle.", Slip: "The pin is through the yarn: a split strand.",
	},
	Sequence{
		Name: "pin-last", Title: "Pins: the last ones", Group: groupPin,
		Steps: []Step{
			{"The last pin on the {left} is lifted in the last row of the heel: its loop and the next stitch together, firmly.",
				tips("yvv", "VV").into(knitwise, 2).behind().with(pin(-0.9, 0.9))},
			{"Go on round over the instep.", tips("vvv", "VVV").behind()},
			{"The last one on the {right} in this round: slip the stitch before the gap, lift the loop, give the stitch back, knit both together.", tips("yvv", "VV").into(knitwise, 2).wrapped()},
		},
		Look: "No pin hangs any more.", Slip: "A pin is left hanging: its loop becomes a hole.",
	},
	Sequence{
		Name: "pin-round", Title: "Pins in a full round", Group: groupPin,
		Steps: []Step{
			{"At each gap of the near side lift the pinned loop on to the {left} needle, {right} leg in front; the pin out.",
				tips("_vv", "VV").behind().with(lifted(false), pin(-0.75, 0.6))},
			{"Knit it with the stitch beyond: k2tog.", tips("yvv", "VV").into(knitwise, 2).wrapped()},
			{"At the far side slip the stitch before the gap, lift the loop, give the stitch back, k2tog.",
				tips("yvv", "VV").into(knitwise, 2).behind().with(pin(-0.75, 0.8))},
		},
		Look: "The count is what it was; no pin hangs any more.", Slip: "A loop was left on its pin: a hole.",
	},
)}

func pinBoth(f facing) []Sequence {
	out := Sequence{
		Name: "pin-out-" + f.id, Title: "Slip and hang a pin, " + f.said, Group: groupPin,
		Steps: []Step{
			{"Work to the place, turn: the " + f.said + " faces you. " + snug, f.turned()},
			{"Slip one from {right} to {left}.", f.yarnAt(tips(f.n(2), f.loop+"/"+f.n(1)))},
			{"Hang a pin round the yarn, not through it.",
				f.yarnAt(tips(f.n(2), f.loop+"/"+f.n(1))).with(pin(0.35, map[bool]float64{true: 0.55, false: 0.9}[f.knits]))},
			{"Go on. The pin stays close under the needle, on the wrong side.",
				f.yarnAt(tips(f.n(1), f.fresh+f.loop+"/"+f.n(1))).with(pin(1.35, 1.05))},
		},
		Look: "Pins come in pairs: one at each turn, two colours for two sides.", Slip: "The pin went through the yarn and split it.",
	}
	back := Sequence{Name: "pin-back-" + f.id, Title: "Pinned loop taken back, " + f.said, Group: groupPin,
		Look: "The gap is closed; the pin is out.", Slip: "The loop was lifted the wrong way round: it twists, and a bar shows."}
	if f.knits {
		back.Steps = []Step{
			{"Knit to the gap.", tips("/vv", "VV").behind().with(pin(-0.3, 1.1))},
			{"Lift the pinned loop on to the {left} needle, {right} leg in front.",
				tips("_vv", "VV").behind().with(lifted(false), pin(-0.75, 0.6))},
			{"The pin out. Knit the loop with the next stitch: k2tog.", tips("yvv", "VV").into(knitwise, 2).wrapped()},
			{"Turn: no slip, no pin.", tips("bbb", "/bb").front().turning()},
		}
	} else {
		back.Steps = []Step{
			{"Purl to the gap. Slip the next stitch to the {right} needle.", tips("bb", "bBB").front().with(pin(-0.1, 1.1))},
			{"Lift the pinned loop on to the {left} needle.", tips("_bb", "bBB").front().with(lifted(false), pin(-0.75, 0.6))},
			{"Give the stitch back: they have changed places, and so it has to be.", tips("bbb", "BB").front().mark(-1)},
			{"The pin out. Purl both together: p2tog. Turn: no slip, no pin.", tips("ybb", "BB").into(purlwise, 2).wrapped()},
		}
	}
	return []Sequence{out, back}
}
