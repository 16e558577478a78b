package hands

import "fmt"

const groupCastOn = "Casting on"

// A magic cast-on is laid on a pair with its tips to the left; half turned, what was the lower needle is on top, and the tips point to the right.
func turnedHalf(p pair) pair { p.half = true; return p }

// CastingOn is a magic cast-on with so many loops on either needle, and both strands, as it is seen without a mirror.
func CastingOn(upper, lower int) Picture {
	p := View{Hold: Right}.picture(magicAt(upper, lower))
	return p
}

// Winding is a turkish cast-on with so many windings; ThroughBars a chain with so many loops drawn through its bars; Unzipping one from which so
// many of so many stitches came on to the needle.
func Winding(n int) Picture {
	return View{Hold: Right}.picture(pairOf().with(knotAt(-100, apart)...).with(windings(min(n, 9))).scene())
}

// ThroughBars is a chain with so many loops drawn through its bars, as far as it is seen.
func ThroughBars(n int) Picture { return View{Hold: Right}.picture(throughBar(min(n, 7))) }

// Unzipping is a chain from which so many stitches came on to the needle.
func Unzipping(freed, all int) Picture {
	shown := freed * 7 / max(1, all)
	return View{Hold: Right}.picture(unzipping(7-shown, shown).scene())
}

// magicAt shows the last loops of a magic cast-on, however many there are.
func magicAt(upper, lower int) scene {
	p := magic(upper, lower, inHand)
	if past := onPair*float64(max(2*upper-1, 2*lower)) - 150; past > 0 {
		for i := range p.bodies {
			b := &p.bodies[i]
			if b.key != "tail" && b.key != "ball" {
				continue
			}
			for k := range b.points {
				if k < len(b.points)-6 {
					b.points[k].x += past
				}
			}
		}
	}
	return p.scene()
}

// looseOver is the yarn laid over the upper needle, before the strands are crossed.
func looseOver() []body {
	x := slot(0)
	return []body{thread(Yarn, "tail", point{x, apart + 10.5, 0}, point{x + 5, apart, -11}, point{x + 4, 0, -12}, point{x - 10, -60, -14}, point{x - 22, -98, -14}),
		thread(Now, "ball", point{x, apart + 10.5, 0}, point{x - 5, apart, 11}, point{x - 10, 0, 12}, point{x - 34, -60, 14}, point{x - 50, -98, 14})}
}

// afterHalf is a magic cast-on after its half turn; both strands hang at the right. Held: the tail lies over the ball's end.
func afterHalf(held bool) pair {
	p := turnedHalf(magic(4, 4, cutOff))
	// What is laid out is turned with the pair: the places of the ends are those before the turn.
	x := slot(7)
	tail := []point{{x + 2, -7, -14}, {x - 14, -12, -6}, {x - 30, 10, 12}, {x - 44, 70, 14}, {x - 46, 98, 14}}
	ball := []point{{x - 10, 6, -16}, {x - 22, 10, -10}, {x - 34, 40, 2}, {x - 30, 98, 4}}
	if held {
		tail = []point{{x + 2, -7, -14}, {x - 16, -10, 2}, {x - 32, 14, 20}, {x - 26, 60, 22}, {x - 12, 98, 22}}
		ball = []point{{x - 10, 6, -16}, {x - 20, 2, -12}, {x - 40, 18, -4}, {x - 60, 60, 4}, {x - 66, 98, 4}}
	}
	p = p.with(thread(Yarn, "tail2", tail...), thread(Now, "ball2", ball...))
	if held {
		p = p.with(body{part: Skin, key: "thumb", points: []point{{-150, 74, 40}, {-112, 48, 40}, {-96, 36, 40}}})
	}
	return p
}

// drawnOut is the half turned pair of which the lower needle was drawn out to its cable.
func drawnOut() scene {
	p := halves(4, 4, false, true)
	for i := range p.bodies {
		if b := &p.bodies[i]; b.part == Yarn {
			b.part = Now
			if b.points[4].y < 0 {
				b.part = Yarn
			}
		}
	}
	return p.with(arrow(point{50, -48, 0}, point{84, -60, 0}, point{116, -52, 0})...).scene()
}

var castOns = []Sequence{
	{
		Name: "co-magic", Title: "Magic cast-on", Group: groupCastOn,
		Steps: shown(rs("", ""),
			see("Hold both needles one above the other in the {right} hand, tips to the {left}. Lay the yarn over the upper one: the tail behind, the ball's end in front.",
				held().with(looseOver()...).scene()),
			see("Cross the two strands once under it: that twist is the first loop, on the upper needle.", magic(1, 0, hanging).with(ring(slot(0), -2, 19)).scene()),
			see("Pinch both strands in the palm and part them: the ball's end over the finger, the tail over the thumb.", magic(1, 0, inHand).scene()),
			see("Crosswise: the lower needle fetches the upper strand. Swing both tips up and over it, and let it slide between the needles.",
				magic(1, 1, inHand).with(arrow(point{-30, 8, 0}, point{-38, 42, 0}, point{-10, 58, 0})...).scene()),
			see("The upper needle fetches the lower strand: swing down and under it, and let it slide between.",
				magic(2, 1, inHand).with(arrow(point{-30, -8, 0}, point{-38, -42, 0}, point{-10, -58, 0})...).scene()),
			see("In turn, until both needles hold half of the count. The last loop goes on the lower needle.", magic(4, 4, inHand).scene())),
		Look: "The same number on both needles; a row of small bumps on one face.",
		Care: "A needle fetched the strand beside it: a loop that undoes itself.",
	},
	{
		Name: "co-magic-knot", Title: "Magic cast-on from a slip knot", Group: groupCastOn,
		Steps: shown(rs("", ""),
			see("Instead of the twist: a slip knot on the upper needle, a little bumpier. Its tail lies in front.", knotted(1, 0).with(ring(slot(0), 0, 20)).scene()),
			see("Go on as always: the lower needle fetches the upper strand first.", knotted(1, 1).scene()),
			see("In turn, until both hold half of the count. The knot counts as the first loop.", knotted(4, 4).scene())),
		Look: "The knot sits at the far end of the upper needle.", Care: "The knot is drawn so tight that no needle goes through.",
	},
	{
		Name: "co-magic-round", Title: "Magic cast-on: the first round", Group: groupCastOn,
		Steps: shown(rs("", ""),
			see("Turn the pair half round, like the hand of a clock: the lower needle is on top, the tips point {right}, the bumps are still behind.",
				afterHalf(false).with(arrow(point{44, -54, 0}, point{0, -68, 0}, point{-44, -54, 0})...).scene()),
			see("The last loop is not locked: lay the tail over the ball's end, and hold it down.", afterHalf(true).scene()),
			see("Draw the idle needle out until its loops rest on the cable.", drawnOut()),
			cut("Knit the first half with the ball's end, its first stitch firmly; then pull the tail snug.", rs("nnn", ""), knits(1), mark(1)),
			cut("Turn, and knit the second half. Loops whose leading leg is behind: through the back loop.", rs("TTT", "V"), enter(backLoop, 1), wrap)),
		Look: "A flat strip at first; the idle half lies behind the working one. After seven or eight rounds it is a cup.",
		Care: "Knitted with the tail: it is soon too short. Or a loop twisted, its legs cross.",
	},
	{
		Name: "co-turkish", Title: "Turkish winding", Group: groupCastOn,
		Steps: shown(rs("", ""),
			see("A slip knot on the upper needle: a loop for a while, that is not counted.",
				pairOf().with(knotAt(-96, apart)...).with(thread(Now, "yarn", point{-94, apart - 12, 4}, point{-92, -10, -8}, point{-84, -60, -14}, point{-76, -98, -14})).scene()),
			see("Wind the yarn round both needles from below upward, half as many times as there will be stitches.", pairOf().with(windings(5)).with(knotAt(-100, apart)...).scene()),
			cut("Turn the pair. Draw the lower needle out to its cable, and knit across the windings.", rs("nnn", "V"), enter(knitwise, 1)),
			cut("Turn: the slip knot lies first on the other needle. Slide it off and draw the yarn snug.", rs("cnn", ""), still,
				pointing(point{0, 22, 0}, point{14, 40, 0}, point{44, 30, 0}), yarnTo(behind)),
			cut("Knit these windings; the first is the loosest.", rs("nnn", ""), knits(1), mark(1))),
		Look: "As many windings on each needle; no seam.", Care: "Wound from above: the loops sit turned.",
	},
	{
		Name: "co-figure-eight", Title: "Figure-eight cast-on", Group: groupCastOn,
		Steps: shown(rs("", ""),
			see("The yarn goes between the needles, over the upper one, between them again, and under the lower one.", pairOf().with(eights(1)).scene()),
			see("So on, until each needle has half of the count.", pairOf().with(eights(6)).scene()),
			cut("Knit the upper half.", rs("nnn", "V"), enter(knitwise, 1)),
			cut("The second half sits turned: knit it through the back loop.", rs("TTT", "V"), enter(backLoop, 1), wrap),
			see("Tighten the middle afterwards, from loop to loop with a needle tip.",
				swatch(-84, 22, "vvvvvvv", "VVVVVVV", "vvvvvvv").with(rod(Working, "tip", point{130, -70, 60}, point{2, -16, 60})).scene())),
		Look: "No ladder in the middle.", Care: "The middle stays loose: a row of long stitches over the toes.",
	},
	{
		Name: "co-chain", Title: "A chain in waste yarn", Group: groupCastOn,
		Steps: shown(rs("", ""),
			see("A knot near the tail, that can be felt. A slip knot, and a chain a few longer than needed; break off and pull the last loop through.",
				piece(chain(Other, -92, 0, 7, false)).with(knotEnd(-98, 0)...).with(ring(-104, 0, 17), thread(Other, "end", point{76, 0, 2}, point{96, 16, 4}, point{128, 30, 4})).scene()),
			see("Turn the chain over: small bars run along its back.", piece(chain(Other, -92, 0, 7, true)).with(knotEnd(-98, 0)...).scene()),
			see("From the knotted end put the needle through a bar, never through the strand; wrap with the sock's yarn.", throughBar(0)),
			see("Draw a loop through. One for each stitch; turn, and purl back.", throughBar(4))),
		Look: "A loop in every bar, none missed.", Care: "The waste yarn was split: the chain will not undo.",
	},
	{
		Name: "unzip", Title: "Undoing the chain", Group: groupCastOn,
		Steps: shown(rs("", ""),
			see("The knot at the {left}, the other end at the {right}. Undo that last loop.", unzipping(7, 0).with(arrow(point{66, 46, 0}, point{90, 58, 0}, point{114, 50, 0})...).scene()),
			see("The first stitch has the waste yarn running through it: put the needle in, then draw the yarn out.", unzipping(6, 1).scene()),
			see("Under the chain stands a V: needle through its {right} leg, then pull one link.", unzipping(5, 2).with(ring(30, 2, 16)).scene()),
			see("If it sticks, a strand was split: snip waste yarn only. Count: the last stitch hides at the edge.", unzipping(2, 5).scene())),
		Look: "As many stitches as were picked up.", Care: "A link pulled before the needle was in: a stitch drops.",
	},
	{
		Name: "garter-edge", Title: "Picking up along garter", Group: groupCastOn,
		Steps: shown(rs("vvv", "VVV"),
			see("Every ridge ends in a knot of three bumps.", garterEdge().with(ring(62, -8, 17)).scene()),
			see("Take the bump nearest to the live stitches, one for each ridge: slide a needle through all of them first.",
				garterEdge().with(rod(Working, "through", point{68, -110, 5}, point{62, 78, 5})).scene()),
			see("The ridge beside the live stitch is tight: go through that stitch.", garterEdge().with(ring(42, 48, 16)).scene()),
			do("Then knit them as stitches: a flat join. The first edge on the needle of the live stitches, then the cast-on's other half, then the second edge.", enter(knitwise, 1))),
		Look: "As many as there are ridges, on both edges.", Care: "Now the upper bump, now the lower: the join wanders.",
	},
}

// pairOf is a pair of empty needles, both tips to the right.
func pairOf() pair { return halves(0, 0, false, false) }

// knotted is a magic cast-on that begins with a slip knot.
func knotted(upper, lower int) pair {
	return magic(upper, lower, inHand).with(knotAt(slot(0), apart)...)
}

// knotAt is a slip knot on a needle of a pair: a loop, and the knot at its foot.
func knotAt(x, y float64) []body {
	return []body{roundRod(Other, "knot", x, y), thread(Other, "knot2", point{x - 8, y - 16, 14}, point{x + 7, y - 13, 16}, point{x + 9, y - 22, 17}, point{x - 7, y - 24, 18}, point{x - 8, y - 14, 15})}
}

// knotEnd is a knot in the tail of a chain.
func knotEnd(x, y float64) []body {
	return []body{thread(Other, "tail", point{x + 6, y, 0}, point{x - 6, y + 6, 6}, point{x - 14, y + 2, 8}, point{x - 10, y - 8, 4}, point{x - 2, y - 2, -4}, point{x - 8, y + 8, -6},
		point{x - 20, y - 8, 2}, point{x - 28, y - 22, 4})}
}

// throughBar is a chain from its back, with so many loops of the sock's yarn drawn through its bars; with none the needle is in the first.
func throughBar(n int) scene {
	p := piece(chain(Other, -92, -30, 7, true)).with(knotEnd(-98, -30)...)
	if n == 0 {
		p = p.with(rod(Working, "needle", point{130, 50, 30}, point{-92, -38, 8}), thread(Now, "yarn", point{-130, 64, -20}, point{-104, 0, -20}, point{-86, -46, -10}, point{-74, -48, 2},
			point{-66, -26, 20}, point{-50, 20, 36}, point{20, 66, 40}, point{130, 84, 40}))
		return p.scene()
	}
	p = p.with(rod(Working, "needle", point{140, 30, 0}, point{-104, 30, 0}))
	var points []point
	for i := range n {
		x := -76 + 24*float64(i)
		points = append(points, point{x - 4, -44, -10}, point{x - 3, -34, 4}, point{x - 3, -16, 20}, point{x - 8, 8, -6}, point{x - 10, 30, -12}, point{x, 41, 0}, point{x + 10, 30, 12},
			point{x + 8, 8, 10}, point{x + 3, -16, 20}, point{x + 4, -34, 4}, point{x + 6, -46, -10})
	}
	end := points[len(points)-1]
	return p.with(thread(Now, "yarn", append(points, end.plus(14, -10, -14), point{60, -70, -14}, point{130, -84, -14})...)).scene()
}

// unzipping is a row of stitches that hang on a chain with so many links left, and so many on the needle already.
func unzipping(links, freed int) piece {
	p := swatch(-76, -22, "vvvvvvv", "vvvvvvv", "vvvvvvv").with(chain(Other, -98, 8, links, false)...).with(knotEnd(-104, 8)...)
	end := -98 + 24*float64(links)
	if freed > 0 {
		first := -76 + wales*float64(7-freed)
		p = p.with(rod(Working, "needle", point{140, 8, 3}, point{first - 26, 8, 3}))
	}
	for i := range freed {
		x := -76 + wales*float64(6-i)
		p = p.with(thread(Yarn, fmt.Sprintf("free%d", i), point{x + 6, -8, 3}, point{x + 11, 4, 11}, point{x + 7, 16, 6}, point{x, 19, 2}, point{x - 7, 16, -5}, point{x - 11, 4, -11}, point{x - 6, -8, -3}))
	}
	return p.with(thread(Other, "end", point{end, 8, 4}, point{end + 12, 28, 6}, point{130, 62, 6}))
}

// garterEdge is a square of garter with its ridges and the knots at its right edge; the live stitches are above.
func garterEdge() piece {
	p := swatch(-84, 48, "bbbbb")
	for r := range 5 {
		y := 40 - 24*float64(r)
		for c := range 5 {
			x := -84 + wales*float64(c)
			p = p.with(body{part: Yarn, key: fmt.Sprintf("s%d.%d", r, c), points: inFabric(true, point{x + 14, y - 7, 7}, point{x - 14, y - 7, 7}, point{x, y, 0}, point{x, y + 20, 0})})
		}
		p = p.with(thread(Now, fmt.Sprintf("knot%d", r), point{44, y - 2, 4}, point{58, y - 4, 10}, point{68, y + 1, 10}, point{60, y + 8, 4}, point{50, y + 5, -4}, point{58, y + 12, 2},
			point{68, y + 13, 6}, point{60, y + 19, -2}, point{46, y + 18, -6}))
	}
	return p
}
