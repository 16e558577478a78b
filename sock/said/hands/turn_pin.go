package hands

const groupPin = "Turns: pins"

// laidOut are pins before they are used.
func laidOut() scene {
	var p piece
	for i, x := range []float64{-84, -56, -28, 28, 56, 84} {
		part := Pin
		if i > 2 {
			part = About // of the other colour
		}
		for _, b := range pin(x, 14) {
			b.part = Pin
			p = p.with(b, body{part: part, key: "bead", points: []point{{x - 4, -3, 40}, {x + 4, -3, 40}}})
		}
	}
	return p.scene()
}

var pinTurns = turnStyle{turn: "pinned", begins: "pin", moves: append(both(pinBoth),
	Sequence{
		Name: "pin-first", Title: "Pins: before you begin", Group: groupPin,
		Steps: shown(rightSide.on("v", "VVV"),
			see("Lay out as many pins as there are turns, half of each colour: a paper clip or a hair grip does.", laidOut()),
			do("The first turn: work to the place, turn, slip one.", turn, slip(1)),
			do("Hang the first pin round the yarn, and go on.", purls(1), hangPin)),
		Look: "The pin hangs on the wrong side, close under the needle.", Care: "The pin is through the yarn: a split strand.",
	},
	Sequence{
		Name: "pin-last", Title: "Pins: the last ones", Group: groupPin,
		Steps: shown(rs("gvvv", "VV"),
			do("The last pin on the {left} is lifted in the last row of the heel: its loop and the next stitch together, firmly.", enter(knitwise, 2)),
			do("Go on round over the instep.", done, knits(1)),
			cut("The last one on the {right} in this round: slip the stitch before the gap, lift the loop, give the stitch back, knit both together.", rs("vgvv", "VV"), enter(knitwise, 2), wrap)),
		Look: "No pin hangs any more.", Care: "A pin is left hanging: its loop becomes a hole.",
	},
	Sequence{
		Name: "pin-round", Title: "Pins in a full round", Group: groupPin,
		Steps: shown(rs("vvv", "VV"),
			do("At each gap of the near side lift the pinned loop on to the {left} needle, {right} leg in front; the pin out.", lift(false), hang(6, -44)),
			do("Knit it with the stitch beyond: k2tog.", enter(knitwise, 2), wrap),
			cut("At the far side slip the stitch before the gap, lift the loop, give the stitch back, k2tog.", rs("vgvv", "VV"), enter(knitwise, 2))),
		Look: "The count is what it was; no pin hangs any more.", Care: "A loop was left on its pin: a hole.",
	},
)}

// hangPin hangs a pin round the strand beside the stitch that was slipped: round the one to the hand while nothing was worked since, close under
// the needle once it was.
var hangPin = with(func(w *work) []body {
	left, right := w.places()
	for i := range right {
		if at := &right[i]; i > 0 && at.kind == stitch && at.part != Now && at.low == 0 {
			return pin(at.level(0).x-pitchDone/2, right[i-1].foot-2)
		}
	}
	for _, b := range w.strand(left, right, Right) {
		if b.is.kind != toHand {
			continue
		}
		for _, p := range line(b.points, 2) {
			if p.y > b.points[0].y+22 {
				return pin(p.x+1, p.y)
			}
		}
	}
	return nil
})

func pinBoth(f facing) []Sequence {
	out := Sequence{
		Name: "pin-out-" + f.id, Title: "Slip and hang a pin, " + f.said, Group: groupPin,
		Steps: shown(f.before(),
			do("Work to the place, turn: the "+f.said+" faces you. "+snug, turn, roundTheWork),
			do("Slip one from {right} to {left}.", slip(1)),
			do("Hang a pin round the yarn, not through it.", hangPin),
			do("Go on. The pin stays close under the needle, on the wrong side.", f.plain(1), hangPin)),
		Look: "Pins come in pairs: one at each turn, two colours for two sides.", Care: "The pin went through the yarn and split it.",
	}
	back := Sequence{Name: "pin-back-" + f.id, Title: "Pinned loop taken back, " + f.said, Group: groupPin,
		Look: "The gap is closed; the pin is out.", Care: "The loop was lifted the wrong way round: it twists, and a bar shows."}
	if f.knits {
		back.Steps = shown(f.on(f.n(3), f.m(2)),
			do("Knit to the gap.", hang(20, -52)),
			do("Lift the pinned loop on to the {left} needle, {right} leg in front.", lift(false), hang(6, -44)),
			do("The pin out. Needle into the loop and the next stitch, from the front.", enter(knitwise, 2)),
			do(roundBoth+", and knit both together: k2tog.", wrap),
			do("Turn: no slip, no pin.", draw, drop, turn, roundTheWork))
	} else {
		back.Steps = shown(f.on(f.n(3), f.m(2)),
			do("Purl to the gap. Slip the next stitch to the {right} needle.", slip(1), hang(-14, -52)),
			do("Lift the pinned loop on to the {left} needle.", lift(false), hang(6, -44)),
			do("Give the stitch back: they have changed places, and so it has to be.", giveBack(1), mark(-1)),
			do("The pin out. Needle into both, as to purl.", enter(purlwise, 2)),
			do(roundBoth+", and purl both together: p2tog. Turn: no slip, no pin.", wrap))
	}
	return []Sequence{out, back}
}
