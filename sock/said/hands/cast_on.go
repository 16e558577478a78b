package hands

import "slices"

const groupCastOn = "Casting on"

// A magic cast-on is worked with the tips to the left, and the strands lie to the left of the last loops: the ball's above, the tail's below.
// It is laid out with the tips to the right, and looked at in a mirror.
func magic(loops int, more ...strand) scene {
	s := pair(0, 0)
	for i := range loops {
		s = s.with(pairLoop(Other, pairX(i), -1), pairLoop(Now, pairX(i)+0.3, 1))
	}
	return s.with(more...)
}

// tipsLeft is a scene with its left and right exchanged, depths as they are.
func tipsLeft(s scene) scene {
	list := make([]strand, len(s.strands))
	for i, st := range s.strands {
		st.points = slices.Clone(st.points)
		for k := range st.points {
			st.points[k].x = -st.points[k].x
		}
		list[i] = st
	}
	s.strands, s.ox = list, s.wide-s.ox
	return s
}

// turnedHalf is the pair of a magic cast-on turned half round, like the hand of a clock: what was the lower needle, with the ball's end, is on
// top, and the tips point to the right.
func turnedHalf(loops int, more ...strand) scene {
	s := pair(0, 0)
	for i := range loops {
		s = s.with(pairLoop(Now, pairX(i)+0.3, -1), pairLoop(Other, pairX(i), 1))
	}
	return s.with(more...)
}

// CastingOn is a magic cast-on with so many loops on either needle, and both strands.
func CastingOn(upper, lower int) Picture {
	s := pair(0, 0)
	s.wide = max(s.wide, s.ox+pairX(max(upper, lower))+2)
	for i := range upper {
		s = s.with(pairLoop(Other, pairX(i), -1))
	}
	for i := range lower {
		s = s.with(pairLoop(Now, pairX(i)+0.3, 1))
	}
	last := pairX(max(upper, lower, 1) - 1)
	return tipsLeft(s.with(ballAbove(last+0.5), tailAt(last+0.4))).picture(Right)
}

func tailAt(x float64) strand {
	return strand{part: Other, points: []point{{x, 0.1, 0.2}, {x + 0.5, 0.5, 2}, {3.6, 1.5, 2}}}
}

func ballAbove(x float64) strand {
	return yarn(point{x, -0.1, 0.2}, point{x + 0.5, -0.5, 2}, point{3.6, -1.5, 2})
}

var turkishWound = pair(0, 0).with(windings(5))

var castOns = []Sequence{
	{
		Name: "co-magic", Title: "Magic cast-on", Group: groupCastOn,
		Steps: []Step{
			{"Hold both needles one above the other in the {right} hand, tips to the {left}. Lay the yarn over the upper one: the tail behind, the ball's end in front.", tipsLeft(pair(0, 0).with(
				strand{part: Other, points: []point{{-2.9, -1.1, 0}, {-2.7, -0.7, -2}, {-2.5, 0.3, -2}, {-2.0, 1.7, -2}}},
				yarn(point{-2.9, -1.1, 0}, point{-3.05, -0.7, 2}, point{-2.8, 0.3, 2}, point{-2.2, 1.7, 2})))},
			{"Cross the two strands once under it: that twist is the first loop, on the upper needle.", tipsLeft(pair(0, 0).with(
				strand{part: Other, points: []point{{-2.9, -1.08, 0}, {-2.65, -0.7, -1}, {-2.8, -0.15, 1.5}, {-2.2, 0.1, 2}, {-1, 0.8, 2},
					{1, 1.6, 2}}},
				yarn(point{-2.9, -1.08, 0}, point{-3.15, -0.7, 1}, point{-2.95, -0.1, 1}, point{-2.2, -0.1, 1}, point{-1, -0.5, 2},
					point{1, -1.6, 2})).with(ring(-2.85, -0.2, 0.45)))},
			{"Pinch both strands in the palm and part them: the ball's end over the finger, the tail over the thumb.",
				tipsLeft(magic(0, pairLoop(Other, pairX(0), -1), ballAbove(-2.6), tailAt(-2.6), thumb(2.7, -1.2), thumb(2.7, 1.1)))},
			{"Crosswise: the lower needle fetches the upper strand. Swing both tips up and over it, and let it slide between the needles.", tipsLeft(magic(0, pairLoop(Other, pairX(0), -1), pairLoop(Now, pairX(0)+0.3, 1), ballAbove(-2.2), tailAt(-2.4)).with(arrow(point{1.2, -0.9, 0}, point{0.4, -0.2, 0}, point{0.9, 0.9, 0})...))},
			{"The upper needle fetches the lower strand: swing down and under it, and let it slide between.",
				tipsLeft(magic(1, pairLoop(Other, pairX(1), -1), ballAbove(-2.2),
					tailAt(-1.9)).with(arrow(point{1.2, 0.9, 0}, point{0.4, 0.2, 0}, point{0.9, -0.9, 0})...))},
			{"In turn, until both needles hold half of the count. The last loop goes on the lower needle.",
				tipsLeft(magic(7, ballAbove(1.9), tailAt(1.8)))},
		},
		Look: "The same number on both needles; a row of small bumps on one face.",
		Slip: "A needle fetched the strand beside it: a loop that undoes itself.",
	},
	{
		Name: "co-magic-knot", Title: "Magic cast-on from a slip knot", Group: groupCastOn,
		Steps: []Step{
			{"Instead of the twist: a slip knot on the upper needle, a little bumpier. Its tail lies in front.",
				tipsLeft(magic(0, pairLoop(Other, pairX(0), -1), ballAbove(-2.6), tailAt(-2.6)).with(ring(-2.9, -0.1, 0.4)))},
			{"Go on as always: the lower needle fetches the upper strand first.", tipsLeft(magic(1, ballAbove(-2.2), tailAt(-2.2)))},
			{"In turn, until both hold half of the count. The knot counts as the first loop.", tipsLeft(magic(7, ballAbove(1.9), tailAt(1.8)))},
		},
		Look: "The knot sits at the far end of the upper needle.", Slip: "The knot is drawn so tight that no needle goes through.",
	},
	{
		Name: "co-magic-round", Title: "Magic cast-on: the first round", Group: groupCastOn,
		Steps: []Step{
			{"Turn the pair half round, like the hand of a clock: the lower needle is on top, the tips point {right}, the bumps are still behind.", turnedHalf(6).with(arrow(point{2.9, -1.2, 0}, point{3.4, 0, 0}, point{2.7, 1.3, 0})...)},
			{"The last loop is not locked: lay the tail over the ball's end, and hold it down.",
				turnedHalf(6, strand{part: Other, points: []point{{1.2, 0.1, 2}, {2.2, 0.4, 3}, {3.5, 1, 3}}},
					yarn(point{1.2, -0.1, 1}, point{2.2, 0.5, 1}, point{2.6, 1.7, 1}), thumb(2.3, 0.7))},
			{"Draw the idle needle out until its loops rest on the cable.", idleOut()},
			{"Knit the first half with the ball's end, its first stitch firmly; then pull the tail snug.",
				tips("vvv", "V").behind().mark(1)},
			{"Turn, and knit the second half. Loops whose leading leg is behind: through the back loop.",
				tips("ttt", "V").into(backLoop, 1).wrapped()},
		},
		Look: "A flat strip at first; the idle half lies behind the working one. After seven or eight rounds it is a cup.",
		Slip: "Knitted with the tail: it is soon too short. Or a loop twisted, its legs cross.",
	},
	{
		Name: "co-turkish", Title: "Turkish winding", Group: groupCastOn,
		Steps: []Step{
			{"A slip knot on the upper needle: a loop for a while, that is not counted.",
				pair(0, 0).with(pairLoop(Other, pairX(0)-0.3, -1),
					yarn(point{-3.1, 0, 0.3}, point{-2.9, 0.9, -2}, point{-2.5, 1.7, -2}))},
			{"Wind the yarn round both needles from below upward, half as many times as there will be stitches.", turkishWound},
			{"Turn the pair. Draw the lower needle out to its cable, and knit across the windings.", tips("vvv", "VV").behind()},
			{"Turn: the slip knot lies first on the other needle. Slide it off and draw the yarn snug.",
				tips("cvv", "").behind().with(arrow(point{-0.8, -0.6, 0}, point{-0.2, -1, 0}, point{0.6, -0.7, 0})...)},
			{"Knit these windings; the first is the loosest.", tips("vvv", "V").behind()},
		},
		Look: "As many windings on each needle; no seam.", Slip: "Wound from above: the loops sit turned.",
	},
	{
		Name: "co-figure-eight", Title: "Figure-eight cast-on", Group: groupCastOn,
		Steps: []Step{
			{"The yarn goes between the needles, over the upper one, between them again, and under the lower one.",
				pair(0, 0).with(eights(1))},
			{"So on, until each needle has half of the count.", pair(0, 0).with(eights(6))},
			{"Knit the upper half.", tips("vvv", "VV").behind()},
			{"The second half sits turned: knit it through the back loop.", tips("ttt", "VV").into(backLoop, 1).wrapped()},
			{"Tighten the middle afterwards, from loop to loop with a needle tip.",
				board().fabric(-2.7, -1.4, "vvvvvvv", "nnnnnnn",
					"vvvvvvv").with(rod(point{4, 1.6, 0}, point{0.2, -0.2, 0}, 0.5, 5, 5)...)},
		},
		Look: "No ladder in the middle.", Slip: "The middle stays loose: a row of long stitches over the toes.",
	},
	{
		Name: "co-chain", Title: "A chain in waste yarn", Group: groupCastOn,
		Steps: []Step{
			{"A knot near the tail, that can be felt. A slip knot, and a chain a few longer than needed; break off and pull the last loop through.", board().with(chain(Other, -2.9, 0, 7, false)...).with(strand{part: Other, points: []point{{-3, 0, 1}, {-3.4, 0.3, 1}, {-3.6, 0.9, 1}}}, ring(-3.5, 0.6, 0.25))},
			{"Turn the chain over: small bars run along its back.", board().with(chain(Other, -2.9, 0, 7, true)...)},
			{"From the knotted end put the needle through a bar, never through the strand; wrap with the sock's yarn.",
				board().with(chain(Other, -2.9, 0, 7, true)...).with(rod(point{4, -1.6, 0}, point{-2.5, 0.35, 0}, 0.9, 5,
					1.5)...).with(yarn(point{-3.4, -1.6, 0}, point{-2.9, -0.5, 0}, point{-2.5, 0.1, 6}, point{-1.7, -0.9, 6},
					point{0, -1.75, 6}))},
			{"Draw a loop through. One for each stitch; turn, and purl back.",
				board().with(chain(Other, -2.9, 0.7, 7, true)...).with(rod(point{4, -0.5, 0}, point{-3.2, -0.5, 0}, 0.5, 0,
					0)...).with(over(Now, point{-2.4, -0.5, 0}, 1.1, false), over(Now, point{-1.6, -0.5, 0}, 1.1, false),
					over(Now, point{-0.8, -0.5, 0}, 1.1, false), over(Now, point{0, -0.5, 0}, 1.1, false))},
		},
		Look: "A loop in every bar, none missed.", Slip: "The waste yarn was split: the chain will not undo.",
	},
	{
		Name: "unzip", Title: "Undoing the chain", Group: groupCastOn,
		Steps: []Step{
			{"The knot at the {left}, the other end at the {right}. Undo that last loop.",
				unzipping(7).with(arrow(point{2.7, 0.7, 0}, point{3.3, 0.9, 0}, point{3.4, 0.2, 0})...)},
			{"The first stitch has the waste yarn running through it: put the needle in, then draw the yarn out.",
				unzipping(6).with(rod(point{4, -1.4, 0}, point{1.9, 0, 0}, 0.9, 5, 5)...)},
			{"Under the chain stands a V: needle through its {right} leg, then pull one link.", unzipping(5).with(ring(1.1, 0.25, 0.45))},
			{"If it sticks, a strand was split: snip waste yarn only. Count: the last stitch hides at the edge.", unzipping(2)},
		},
		Look: "As many stitches as were picked up.", Slip: "A link pulled before the needle was in: a stitch drops.",
	},
	{
		Name: "garter-edge", Title: "Picking up along garter", Group: groupCastOn,
		Steps: []Step{
			{"Every ridge ends in a knot of three bumps.", garterEdge().with(ring(2.0, -0.9, 0.4))},
			{"Take the bump nearest to the live stitches, one for each ridge: slide a needle through all of them first.",
				garterEdge().with(rod(point{2.04, 1.9, 0}, point{2.08, -1.8, 0}, 0.5, 1, 1)...)},
			{"The ridge beside the live stitch is tight: go through that stitch.", garterEdge().with(ring(1.7, -1.5, 0.35))},
			{"Then knit them as stitches: a flat join. The first edge on the needle of the live stitches, then the cast-on's other half, then the second edge.", tips("vvv", "VVV").behind()},
		},
		Look: "As many as there are ridges, on both edges.", Slip: "Now the upper bump, now the lower: the join wanders.",
	},
}

// idleOut is a pair of which the lower needle was drawn out to its cable.
func idleOut() scene {
	s := board().with(rod(point{-4, -held, 0}, point{2.9, -held, 0}, 0.5, 0, 0)...)
	s = s.with(cable(point{-4, held, 0}, point{2.2, held, 0}, point{2.8, held, 0}), cable(point{2.8, held, 0}, point{4, held + 0.1, 0}))
	for i := range 6 {
		s = s.with(pairLoop(Yarn, pairX(i), -1), pairLoop(Yarn, pairX(i)+0.3, 1))
	}
	return s.with(arrow(point{1.6, 1.4, 0}, point{2.4, 1.5, 0}, point{3.3, 1.4, 0})...)
}

// unzipping is a row of stitches that hang on a chain with so many links left.
func unzipping(links int) scene {
	s := board().fabric(-2.5, 0.35, "vvvvvvv", "vvvvvvv")
	s = s.with(chain(Other, -2.9, -0.3, links, false)...)
	end := -2.9 + 0.8*float64(links)
	if links < 6 {
		s = s.with(rod(point{4, -0.5, 0}, point{end - 0.1, -0.5, 0}, 0.5, 0, 0)...)
		for x := -2.5 + 0.9*float64(links); x < 3.2; x += 0.9 {
			s = s.with(over(Yarn, point{x, -0.5, 0}, 0.75, false))
		}
	}
	return s.with(strand{part: Other, points: []point{{end, -0.3, 1}, {end + 0.5, -0.9, 1}, {3.5, -1.6, 1}}}, ring(-3.2, -0.3, 0.2))
}

// garterEdge is a square of garter with its ridges and the knots at its right edge.
func garterEdge() scene {
	s := board()
	for r := range 5 {
		y := -1.5 + float64(r)*0.75
		for c := range 5 {
			s = s.with(bumpAt(Yarn, -2.2+float64(c)*0.9, y))
		}
		s = s.with(strand{part: Now, points: []point{{1.8, y + 0.08, 3}, {2.3, y + 0.14, 3}, {1.85, y + 0.28, 0}, {2.3, y + 0.38, 0},
			{1.85, y + 0.48, 0}, {2.25, y + 0.6, 0}}})
	}
	return s
}
