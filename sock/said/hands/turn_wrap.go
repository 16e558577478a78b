package hands

const groupWrap = "Turns: wraps"

var wrapTurns = turnStyle{turn: "wrap", begins: "wrap", moves: append(both(wrapBoth),
	Sequence{
		Name: "wrap-first", Title: "Wrap at the very edge", Group: groupWrap,
		Steps: []Step{
			{"At the edge of a toe no stitch follows on this needle: slip the first stitch of the other one.",
				tips("vvv", "vVV").behind()},
			{"Turn.", tips("bbv", "/bb").front().turning()},
			{"Slip it back: the yarn goes round it outside.", tips("bbb", "/wbb").front().mark(1)},
		},
		Look: "A bar round the foot of the outermost stitch.", Slip: "The yarn was drawn too tight: the edge puckers.",
	},
	Sequence{
		Name: "wrap-second", Title: "A second wrap round the same stitch", Group: groupWrap,
		Steps: []Step{
			{"Widening, the next stitch has a wrap already.", tips("wvv", "VV").behind().mark(-1)},
			{"Wrap it once more before you turn: two bars lie round its foot.", tips("Wvv", "VV").behind().mark(-1)},
			{"Later the needle goes under both and into the stitch: three together.", tips("Wvv", "VV").into(knitwise, 1).under().wrapped()},
		},
		Look: "Two bars, one above the other.", Slip: "One of two was lifted: a bar shows on the right side.",
	},
	Sequence{
		Name: "wrap-last", Title: "Wraps: the last ones", Group: groupWrap,
		Steps: []Step{
			{"The last row lifts the wraps of the outermost stitch and knits them with it; no turn any more.",
				tips("Wvv", "VV").into(knitwise, 1).under().behind()},
			{"Go on round over the instep.", tips("vvv", "VVV").behind()},
			{"At the other end one wrapped stitch is left: slip it and its wrap turned, and knit them as in ssk.",
				tips("Utv", "VV").into(backLoop, 2).wrapped()},
		},
		Look: "No bar lies round the foot of any stitch.", Slip: "The last wrap is forgotten: a bar at the corner.",
	},
	Sequence{
		Name: "wrap-round", Title: "Wrapped stitches in a full round", Group: groupWrap,
		Steps: []Step{
			{"At each wrapped stitch, needle under the wrap from below and into the stitch.",
				tips("wwv", "VV").into(knitwise, 1).under().behind()},
			{"Knit both together.", tips("wwv", "VV").into(knitwise, 1).under().wrapped()},
			{"On the far side lift the wrap over the stitch and knit both as in ssk, so that the stitch lies in front.",
				tips("Utv", "VV").into(backLoop, 2).wrapped()},
		},
		Look: "The wraps lie behind, the Vs in front.", Slip: "A wrap was left: a bar shows.",
	},
)}

func wrapBoth(f facing) []Sequence {
	l, m := f.n(2), f.m(2)
	lay := wrapping(tips(l, f.loop+m), f.knits)
	other := map[bool]facing{true: wrongSide, false: rightSide}[f.knits]
	out := Sequence{
		Name: "wrap-out-" + f.id, Title: "Wrap and turn, " + f.said, Group: groupWrap,
		Steps: []Step{
			{"Slip the next stitch from {right} to {left}.", f.yarnAt(tips(l, f.loop+m))},
			{map[bool]string{true: "Yarn to the front, round that stitch, not over the needle.",
				false: "Yarn to the back, round that stitch, not over the needle."}[f.knits], lay},
			{"Slip it back. " + map[bool]string{true: "Yarn to the back", false: "Yarn to the front"}[f.knits] +
				": it lies round the foot.", f.yarnAt(tips("w"+l, m)).mark(-1)},
			{"Turn: the wrapped stitch waits beyond the gap. " + snug,
				other.yarnAt(tips(other.n(3), "/w"+other.n(1))).turning().with(ring(1.3, 1.1, 0.6))},
		},
		Look: "A bar round the foot of the stitch that waits.", Slip: "It went over the needle: a loop too many.",
	}
	back := Sequence{Name: "wrap-back-" + f.id, Title: "Wrap taken back, " + f.said, Group: groupWrap,
		Look: "The bar is gone from the right side.", Slip: "One of two wraps was lifted: a bar shows."}
	if f.knits {
		back.Steps = []Step{
			{"Knit to the wrapped stitch.", tips("wvv", "VV").behind().mark(-1)},
			{"Needle under the wrap from below, and into the stitch.", tips("wvv", "VV").into(knitwise, 1).under().behind()},
			{"Knit both together. So that the stitch lies in front: slip it and the wrap turned and knit as in ssk.",
				tips("wvv", "VV").into(knitwise, 1).under().wrapped()},
			{"When the pattern widens: wrap the next stitch, and turn.", tips("Wv", "VVV").behind()},
		}
	} else {
		back.Steps = []Step{
			{"Purl to the wrapped stitch, and turn the work to see the wrap from the right side: the bar that does not belong.",
				tips("wbb", "BB").front().mark(-1)},
			{"Lift it on to the {left} needle, behind the stitch.",
				tips("_bb", "BB").front().with(over(Yarn, point{-0.7, 0, 0}, 1.15, false),
					over(Now, point{-1.05, 0, -0.2}, 0.95, false))},
			{"Purl both together.", tips("bub", "BB").into(purlwise, 2).wrapped()},
			{"When the pattern widens: wrap the next stitch, and turn.", tips("Wb", "BBB").front()},
		}
	}
	return []Sequence{out, back}
}

// wrapping takes the yarn round the stitch that was just slipped to the right needle.
func wrapping(s scene, knits bool) scene {
	x := s.lay.firstRight
	from := point{x + each - 0.2, foot, 0.2}
	if knits {
		return s.draw().with(yarn(from, point{x + 0.5, 0.8, -3}, point{x + 0.42, 0.85, 3}, point{x, 0.95, 3},
			point{x - 0.5, 0.8, 3}).inFront())
	}
	return s.draw().with(yarn(from, point{x + 0.5, 0.9, 3}, point{x + 0.42, 0.8, 3}, point{x, 0.75, -3},
		point{x - 0.5, 0.55, -3}).behind())
}
