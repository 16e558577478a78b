package hands

const groupWrap = "Turns: wraps"

var wrapTurns = turnStyle{turn: "wrap", begins: "wrap", moves: append(both(wrapBoth),
	Sequence{
		Name: "wrap-first", Title: "Wrap at the very edge", Group: groupWrap,
		Steps: shown(rs("vvv", "VVV"),
			do("At the edge of a toe no stitch follows on this needle: slip the first stitch of the other one.", slip(1)),
			do("Turn.", turn, roundTheWork),
			do("Slip it back: the yarn goes round it outside.", wrapped, slip(1), mark(1))),
		Look: "A bar round the foot of the outermost stitch.", Care: "The yarn was drawn too tight: the edge puckers.",
	},
	Sequence{
		Name: "wrap-second", Title: "A second wrap round the same stitch", Group: groupWrap,
		Steps: shown(rs("wvv", "VV"),
			do("Widening, the next stitch has a wrap already.", mark(-1)),
			do("Wrap it once more before you turn: two bars lie round its foot.", wrapped, mark(-1)),
			cut("Later the needle goes under both bars, from below, and into the stitch: three loops on the tip.", rs("Wvv", "VV"), enter(knitwise, 1), below),
			do(roundBoth+", and knit all three together.", wrap)),
		Look: "Two bars, one above the other.", Care: "One of two was lifted: a bar shows on the right side.",
	},
	Sequence{
		Name: "wrap-last", Title: "Wraps: the last ones", Group: groupWrap,
		Steps: shown(rs("Wvvv", "VV"),
			do("The last row lifts the wraps of the outermost stitch and knits them with it; no turn any more.", enter(knitwise, 1), below),
			do("Go on round over the instep.", wrap, draw, dropWrapped, knits(1)),
			cut("At the other end one wrapped stitch is left: slip it and its wrap turned, and knit them as in ssk.", rs("Utv", "VV"), enter(backLoop, 2), wrap)),
		Look: "No bar lies round the foot of any stitch.", Care: "The last wrap is forgotten: a bar at the corner.",
	},
	Sequence{
		Name: "wrap-round", Title: "Wrapped stitches in a full round", Group: groupWrap,
		Steps: shown(rs("wwv", "VV"),
			do("At each wrapped stitch, needle under the wrap from below and into the stitch.", enter(knitwise, 1), below),
			do("Knit both together.", wrap),
			cut("On the far side lift the wrap over the stitch and knit both as in ssk, so that the stitch lies in front.", rs("Utv", "VV"), enter(backLoop, 2), wrap)),
		Look: "The wraps lie behind, the Vs in front.", Care: "A wrap was left: a bar shows.",
	},
)}

// dropWrapped lets go a stitch and its wraps: they lie behind the new loop.
func dropWrapped(w *work) { w.left[0].wraps = 0; drop(w) }

func wrapBoth(f facing) []Sequence {
	o := f.other()
	forward, home := "front", "back"
	if !f.knits {
		forward, home = home, forward
	}
	out := Sequence{
		Name: "wrap-out-" + f.id, Title: "Wrap and turn, " + f.said, Group: groupWrap,
		Steps: shown(f.on(f.n(3), f.m(2)),
			do("Slip the next stitch from {right} to {left}.", slip(1)),
			do("Yarn to the "+forward+", round that stitch, not over the needle.", yarnTo(wrapping)),
			do("Slip it back. Yarn to the "+home+": it lies round the foot.", giveBack(1), wrapped, yarnTo(f.homeAt()), mark(-1)),
			do("Turn: the wrapped stitch waits beyond the gap. "+snug, turn, roundTheWork)),
		Look: "A bar round the foot of the stitch that waits.", Care: "It went over the needle: a loop too many.",
	}
	back := Sequence{Name: "wrap-back-" + f.id, Title: "Wrap taken back, " + f.said, Group: groupWrap,
		Look: "The bar is gone from the right side.", Care: "One of two wraps was lifted: a bar shows."}
	widening := f.on("w"+f.n(2), f.m(3))
	if f.knits {
		back.Steps = shown(f.on("w"+f.n(3), f.m(2)),
			do("Knit to the wrapped stitch.", mark(-1)),
			do("Needle under the wrap from below, and lift it.", enter(knitwise, 1), below, onlyWrap),
			do("On into the stitch, from the front: two loops on the tip.", enter(knitwise, 1), below),
			do(roundBoth+", and knit both together. So that the stitch lies in front: slip it and the wrap turned and knit as in ssk.", wrap),
			do("Both slide off: the wrap lies behind.", draw, dropWrapped, mark(1)),
			cut("When the pattern widens: wrap the next stitch, and turn.", widening, wrapped, mark(-1)))
	} else {
		back.Steps = shown(f.on("w"+f.n(3), f.m(2)),
			do("Purl to the wrapped stitch.", mark(-1)),
			cut("Turn the work to look from the right side: the wrap is the bar that does not belong.", o.on(o.n(2), "w"+o.n(1)), still, mark(1)),
			cut("Lift it on to the {left} needle, behind the stitch.", f.on("w"+f.n(3), f.m(2)), liftWrap),
			do("Needle through both, to purl them together.", enter(purlwise, 2)),
			do(roundBoth+", and purl both together.", wrap),
			do("Both slide off.", draw, drop, mark(1)),
			cut("When the pattern widens: wrap the next stitch, and turn.", widening, wrapped, mark(-1)))
	}
	return []Sequence{out, back}
}

// homeAt is where the yarn hangs between two stitches of this side.
func (f facing) homeAt() yarnAt {
	if f.knits {
		return behind
	}
	return inFront
}
