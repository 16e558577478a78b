package hands

// The stitches, increases and decreases. Slipping is shown with the yarn where it leaves its float on the inside.

const (
	sideKnit  = "v"
	sidePurl  = "b"
	groupSts  = "Stitches"
	groupIncs = "Increases"
	groupDecs = "Decreases"
)

var stitches = []Sequence{
	{
		Name: "k", Title: "Knit", Group: groupSts,
		Steps: []Step{
			{"The yarn is behind. Put the {right} needle into the first stitch from the front, under its front leg from {left} to {right}.",
				tips("vvv", "VV").into(knitwise, 1).behind()},
			{"Lay the yarn round the tip: behind it, over it, down between both needles.", tips("vvv", "VV").into(knitwise, 1).wrapped()},
			{"Draw that loop through the stitch to the front.", tips("vvv", "VV").into(knitwise, 1).through()},
			{"Let the old stitch slide off the {left} needle. The new loop hangs on the {right} one.", tips("vv", "VVV").behind().mark(1)},
		},
		Look: "A smooth V below the new loop.", Slip: "The old stitch is still on the {left} needle: the count grows by one.",
	},
	{
		Name: "p", Title: "Purl", Group: groupSts,
		Steps: []Step{
			{"The yarn is in front. Put the {right} needle into the first stitch from {right} to {left}, in front of the {left} needle.",
				tips("bbb", "BB").into(purlwise, 1).front()},
			{"Lay the yarn round the tip: over it from the front, down behind it, out below.",
				tips("bbb", "BB").into(purlwise, 1).wrapped()},
			{"Push that loop back through the stitch.", tips("bbb", "BB").into(purlwise, 1).through()},
			{"Let the old stitch slide off the {left} needle.", tips("bb", "BBB").front().mark(1)},
		},
		Look: "A bump below the new loop, towards you.", Slip: "The yarn was behind: it lies over the needle now, a loop too many.",
	},
	{
		Name: "sl-rs", Title: "Slip, yarn behind", Group: groupSts,
		Steps: []Step{
			{"The yarn stays behind.", tips("vvv", "VV").behind()},
			{"Needle into the next stitch from {right} to {left}, as if to purl; nothing is worked.",
				tips("vvv", "VV").into(purlwise, 1).behind()},
			{"It goes over as it is. The yarn passes behind it when the next stitch is worked.", tips("vv", "vVV").behind().mark(1)},
		},
		Look: "The stitch is taller than its neighbours; its float lies on the inside.",
		Slip: "The yarn was in front: a bar lies before the stitch.",
	},
	{
		Name: "sl-ws", Title: "Slip, yarn in front", Group: groupSts,
		Steps: []Step{
			{"The wrong side faces you; the yarn stays in front.", tips("bbb", "BB").front()},
			{"Needle into the next stitch from {right} to {left}, as if to purl; nothing is worked.",
				tips("bbb", "BB").into(purlwise, 1).front()},
			{"It goes over as it is. The yarn passes before it, on the inside of the sock.", tips("bb", "bBB").front().mark(1)},
		},
		Look: "A float before the slipped stitch, on the wrong side.", Slip: "The yarn was behind: the float shows outside.",
	},
	{
		Name: "ktbl", Title: "Knit through the back loop", Group: groupSts,
		Steps: []Step{
			{"Look at the loop: its leading leg is behind the needle.", tips("ttv", "VV").behind().mark(-1)},
			{"Needle from {right} to {left} behind the {left} needle, through the back of the loop.",
				tips("ttv", "VV").into(backLoop, 1).behind()},
			{"Lay the yarn round the tip.", tips("ttv", "VV").into(backLoop, 1).wrapped()},
			{"Draw it through and let the old loop off: it stands straight.", tips("tv", "VVV").behind().mark(1)},
		},
		Look: "The legs below do not cross.", Slip: "Knitted through its front: the loop twists shut, its legs cross.",
	},
	{
		Name: "ptbl", Title: "Purl through the back loop", Group: groupSts,
		Steps: []Step{
			{"The yarn is in front; the loop's leading leg is behind the needle.", tips("ttb", "BB").front().mark(-1)},
			{"Bring the needle round from behind: into the back leg from {left} to {right}, its tip to the front.",
				tips("ttb", "BB").into(fromBehind, 1).front()},
			{"Lay the yarn round the tip.", tips("ttb", "BB").into(fromBehind, 1).wrapped()},
			{"Push it back through and let the old loop off.", tips("tb", "BBB").front().mark(1)},
		},
		Look: "The legs below do not cross.", Slip: "Purled through its front: the loop twists shut.",
	},
	{
		Name: "yo", Title: "Yarn over", Group: groupIncs,
		Steps: []Step{
			{"Bring the yarn to the front between the tips.", tips("vvv", "VV").broughtFront()},
			{"Knit on: the yarn goes over the needle by itself.", tips("vvv", "VV").overToBack()},
			{"It lies over the needle like a stitch, with nothing below it.", tips("vv", "Vy_VV").behind().mark(2)},
		},
		Look: "One loop more; in the next round a hole on purpose.", Slip: "It slides off unnoticed: the count is one short.",
	},
	{
		Name: "kfb", Title: "Knit front and back", Group: groupIncs,
		Steps: []Step{
			{"Knit the stitch, but do not slide it off.", tips("vvv", "VV").into(knitwise, 1).through()},
			{"Push it over with a finger: needle into the back leg of the same stitch.", tips("vvv", "VVV").into(backLoop, 1).behind()},
			{"Lay the yarn round and draw it through.", tips("vvv", "VVV").into(backLoop, 1).wrapped()},
			{"Slide the old stitch off: one became two.", tips("vv", "fVVV").behind().mark(1)},
		},
		Look: "A small bar at the foot of the new stitch: one bar, one increase round.",
		Slip: "Slid off too soon: only one stitch, and no bar.",
	},
	{
		Name: "pfb", Title: "Purl front and back", Group: groupIncs,
		Steps: []Step{
			{"Purl the stitch, but do not slide it off.", tips("bbb", "BB").into(purlwise, 1).through()},
			{"Needle round from behind into the back leg of the same stitch.", tips("bbb", "BBB").into(fromBehind, 1).front()},
			{"Lay the yarn round and push it through.", tips("bbb", "BBB").into(fromBehind, 1).wrapped()},
			{"Slide the old stitch off: one became two.", tips("bb", "BBBB").front().mark(1)},
		},
		Look: "Two loops out of one stitch.", Slip: "Slid off too soon: only one stitch.",
	},
	{
		Name: "m1l", Title: "Make one, leaning {left}", Group: groupIncs,
		Steps: []Step{
			{"Between the needles runs a bar. Lift it with the {left} needle from the front.",
				tips("vvv", "VV").behind().with(bar()...).with(arrow(point{-0.5, 1.3, 0}, point{-0.2, 0.9, 0}, point{-0.35, 0.2, 0})...)},
			{"It lies over the {left} needle like a loop.", tips("_vv", "VV").behind().with(lifted(false))},
			{"Knit its back leg: so it is twisted and closes.", tips("_vv", "VV").into(backLoop, 1).behind().with(lifted(false))},
			{"One stitch more, that leans to the {left}.", tips("vv", "iVV").behind().mark(1)},
		},
		Look: "The legs of the new stitch cross.", Slip: "Its front leg was knitted: the bar is not twisted and leaves a hole.",
	},
	{
		Name: "m1r", Title: "Make one, leaning {right}", Group: groupIncs,
		Steps: []Step{
			{"Between the needles runs a bar. Lift it with the {left} needle from the back.",
				tips("vvv", "VV").behind().with(bar()...).with(arrow(point{0.35, 1.3, 0}, point{0.1, 0.9, 0}, point{-0.2, 0.2, 0})...)},
			{"It lies the other way round over the {left} needle, its leading leg behind.", tips("_vv", "VV").behind().with(lifted(true))},
			{"Knit its front leg: so it is twisted and closes.", tips("_vv", "VV").into(knitwise, 1).behind().with(lifted(true))},
			{"One stitch more, that leans to the {right}.", tips("vv", "iVV").behind().mark(1)},
		},
		Look: "The legs of the new stitch cross.", Slip: "Its back leg was knitted: the bar is not twisted and leaves a hole.",
	},
	{
		Name: "m1", Title: "Lift the strand and knit it twisted", Group: groupIncs,
		Steps: []Step{
			{"Between the needles runs a strand. Lift it with the {left} needle from the front.",
				tips("vvv", "VV").behind().with(bar()...).with(arrow(point{-0.5, 1.3, 0}, point{-0.2, 0.9, 0}, point{-0.35, 0.2, 0})...)},
			{"Needle into its back leg, and knit.", tips("_vv", "VV").into(backLoop, 1).behind().with(lifted(false))},
			{"One stitch more; the strand is twisted and no hole is left.", tips("vv", "iVV").behind().mark(1)},
		},
		Look: "The legs of the new stitch cross.", Slip: "Knitted untwisted: a hole.",
	},
	{
		Name: "m1p", Title: "Lift the strand and purl it twisted", Group: groupIncs,
		Steps: []Step{
			{"Lift the strand between the needles with the {left} needle from the front.",
				tips("bbb", "BB").front().with(bar()...).with(arrow(point{-0.5, 1.3, 0}, point{-0.2, 0.9, 0}, point{-0.35, 0.2, 0})...)},
			{"Needle round from behind into its back leg, and purl.", tips("_bb", "BB").into(fromBehind, 1).front().with(lifted(false))},
			{"One stitch more; no hole is left.", tips("bb", "BBB").front().mark(1)},
		},
		Look: "The count is one more, and the strand closed.", Slip: "Purled untwisted: a hole.",
	},
	{
		Name: "k2tog", Title: "Knit two together", Group: groupDecs,
		Steps: []Step{
			{"Needle into the next two stitches at once, from the front, the second one first.",
				tips("vvv", "VV").into(knitwise, 2).behind()},
			{"Lay the yarn round the tip, as for one.", tips("vvv", "VV").into(knitwise, 2).wrapped()},
			{"Draw it through both, and let both off.", tips("v", "rVV").behind().mark(1)},
		},
		Look: "The upper one of the two leans to the {right}.", Slip: "Only one was caught: the other drops.",
	},
	{
		Name: "ssk", Title: "Slip, slip, knit", Group: groupDecs,
		Steps: []Step{
			{"Slip the next stitch as if to knit.", tips("vvv", "VV").into(knitwise, 1).behind()},
			{"And one more, as if to knit: both hang turned on the {right} needle.", tips("v", "ttVV").behind()},
			{"{Left} needle into the fronts of both, from {left} to {right}: the {right} needle lies behind.",
				tips("ttv", "VV").into(backLoop, 2).behind()},
			{"Knit both together there, and let both off.", tips("v", "lVV").behind().mark(1)},
		},
		Look: "The upper one of the two leans to the {left}.", Slip: "Slipped as if to purl: the stitch below stands twisted.",
	},
	{
		Name: "p2tog", Title: "Purl two together", Group: groupDecs,
		Steps: []Step{
			{"Yarn in front. Needle into the next two stitches from {right} to {left}, in front.",
				tips("bbb", "BB").into(purlwise, 2).front()},
			{"Lay the yarn round the tip, as for one.", tips("bbb", "BB").into(purlwise, 2).wrapped()},
			{"Push it back through both, and let both off.", tips("b", "BBB").front().mark(1)},
		},
		Look: "On the right side it leans to the {right}.", Slip: "Only one was caught: the other drops.",
	},
	{
		Name: "ssp", Title: "Slip, slip, purl", Group: groupDecs,
		Steps: []Step{
			{"Slip two, one by one, as if to knit.", tips("b", "ttBB").front()},
			{"Give them back to the {left} needle as they are: turned.", tips("ttb", "BB").front().mark(-1)},
			{"Turn the work to look: the needle comes round from behind, through the back legs of both.",
				tips("ttb", "BB").into(fromBehind, 2).front()},
			{"Lay the yarn round, push it through both, and let both off.", tips("b", "BBB").front().mark(1)},
		},
		Look: "On the right side it leans to the {left}.", Slip: "Purled through the fronts: it leans the wrong way and twists.",
	},
	{
		Name: "k3tog", Title: "Knit three together", Group: groupDecs,
		Steps: []Step{
			{"Needle into the next three loops at once, from the front, the third one first.",
				tips("vvv", "VV").into(knitwise, 3).behind()},
			{"Lay the yarn round the tip and draw it through all three.", tips("vvv", "VV").into(knitwise, 3).wrapped()},
			{"Let all three off.", tips("v", "rVV").behind().mark(1)},
		},
		Look: "One loop where three were.", Slip: "One of three was missed: a loose loop on the wrong side.",
	},
	{
		Name: "sssk", Title: "Slip three, knit together", Group: groupDecs,
		Steps: []Step{
			{"Slip three, one by one, as if to knit.", tips("v", "tttV").behind()},
			{"{Left} needle into the fronts of all three.", tips("ttt", "VV").into(backLoop, 3).behind()},
			{"Knit them together there.", tips("v", "lVV").behind().mark(1)},
		},
		Look: "One loop where three were, leaning to the {left}.", Slip: "One of three was missed.",
	},
	{
		Name: "p3tog", Title: "Purl three together", Group: groupDecs,
		Steps: []Step{
			{"Needle into the next three loops from {right} to {left}, in front.", tips("bbb", "BB").into(purlwise, 3).front()},
			{"Lay the yarn round the tip and push it back through all three.", tips("bbb", "BB").into(purlwise, 3).wrapped()},
			{"Let all three off.", tips("b", "BBB").front().mark(1)},
		},
		Look: "One loop where three were.", Slip: "One of three was missed: a loose loop.",
	},
	{
		Name: "sssp", Title: "Slip three, purl together", Group: groupDecs,
		Steps: []Step{
			{"Slip three, one by one, as if to knit, and give them back turned.", tips("tttb", "BB").front()},
			{"The needle comes round from behind, through the back legs of all three.", tips("tttb", "BB").into(fromBehind, 3).front()},
			{"Purl them together.", tips("b", "BBB").front().mark(1)},
		},
		Look: "One loop where three were; on the right side it leans to the {left}.", Slip: "One of three was missed.",
	},
	{
		Name: "rib", Title: "Rib", Group: groupSts,
		Steps: []Step{
			{"Read the stitch: a smooth V is knitted, yarn behind.", tips("vbb", "BVV").behind().mark(-1)},
			{"Before a purl the yarn comes to the front between the tips, never over the needle.", tips("bbv", "VVB").broughtFront()},
			{"A bump is purled.", tips("bbv", "VVB").into(purlwise, 1).front()},
			{"Before a knit it goes to the back between the tips.", tips("vvb", "BBV").broughtBack()},
		},
		Look: "Columns: V over V, bump over bump.", Slip: "The yarn went over the needle: a loop too many, and later a hole.",
	},
}

// bar is the strand between the stitches beside both tips; lifted is it over the left needle.
func bar() []strand {
	return []strand{yarn(point{-0.6, 1.1, 1}, point{-0.3, 1.35, 1}, point{0.3, 1.35, 1}, point{0.6, 1.1, 1})}
}

func lifted(turned bool) strand {
	s := over(Now, point{-0.8, 0, 0}, 0.8, turned)
	s.loop = 1
	from, to := point{0.6, 1.15, 1}, point{-1.6, 1.2, 1}
	if turned {
		from, to = to, from
	}
	s.points = append(append([]point{from}, s.points[1:len(s.points)-1]...), to)
	return s
}
