package hands

// The stitches, increases and decreases. Slipping is shown with the yarn where it leaves its float on the inside.

const (
	groupSts  = "Stitches"
	groupIncs = "Increases"
	groupDecs = "Decreases"
)

// How the yarn comes round the tip, as a thrower and as a picker does it.
const (
	roundForKnit = "[Lay the yarn round the tip: up behind it, over it, down between both needles.|" +
		"Reach with the tip behind the strand and over it, so that it lies round the tip: up behind it, over it, down between both needles.]"
	roundForPurl = "[Lay the yarn round the tip: over it from the front, down behind it, out below.|" +
		"Lay the strand over the tip with your forefinger: over it from the front, down behind it, out below.]"
	roundAsForOne = "[Lay the yarn round the tip, as for one.|Catch the strand with the tip, as for one.]"
	roundShort    = "[Lay the yarn round the tip.|Catch the strand with the tip.]"
)

var (
	fromTheFront = pointing(point{-20, -52, 0}, point{-14, -34, 0}, point{-8, -2, 0})
	fromTheBack  = pointing(point{34, -56, 0}, point{24, -36, 0}, point{4, -4, 0})
)

// pushes is a fingertip at the first loop of the left needle.
var pushes = with(func(*work) []body {
	return []body{{part: Skin, key: "finger", points: []point{{-84, 96, 60}, {-52, 62, 60}, {-24, 33, 60}}}}
})

var stitches = []Sequence{
	{
		Name: "k", Title: "Knit", Group: groupSts,
		Steps: shown(rs("vvv", "VV"),
			do("The yarn is behind. The first stitch waits near the tip."),
			do("Put the {right} needle into it from the front, under its front leg from {left} to {right}: the tip comes out behind.", enter(knitwise, 1)),
			do(roundForKnit, wrap),
			do("Draw that loop through the stitch to the front.", draw),
			do("Let the old stitch slide off the {left} needle. The new loop hangs on the {right} one.", drop, mark(1))),
		Look: "A smooth V below the new loop.", Care: "The old stitch is still on the {left} needle: the count grows by one.",
	},
	{
		Name: "p", Title: "Purl", Group: groupSts,
		Steps: shown(ws("bbb", "BB"),
			do("The yarn is in front. The first stitch waits near the tip."),
			do("Put the {right} needle into it from {right} to {left}, in front of the {left} needle.", enter(purlwise, 1)),
			do(roundForPurl, wrap),
			do("Push that loop back through the stitch.", draw),
			do("Let the old stitch slide off the {left} needle.", drop, mark(1))),
		Look: "A bump below the new loop, towards you.", Care: "The yarn was behind: it lies over the needle now, a loop too many.",
	},
	{
		Name: "sl-rs", Title: "Slip, yarn behind", Group: groupSts,
		Steps: shown(rs("vvv", "VV"),
			do("The yarn stays behind."),
			do("Needle into the next stitch from {right} to {left}, as if to purl; nothing is worked.", enter(purlwise, 1)),
			do("It goes over as it is. The yarn passes behind it when the next stitch is worked.", slip(1), mark(1))),
		Look: "The stitch is taller than its neighbours; its float lies on the inside.",
		Care: "The yarn was in front: a bar lies before the stitch.",
	},
	{
		Name: "sl-ws", Title: "Slip, yarn in front", Group: groupSts,
		Steps: shown(ws("bbb", "BB"),
			do("The wrong side faces you; the yarn stays in front."),
			do("Needle into the next stitch from {right} to {left}, as if to purl; nothing is worked.", enter(purlwise, 1)),
			do("It goes over as it is. The yarn passes before it, on the inside of the sock.", slip(1), mark(1))),
		Look: "A float before the slipped stitch, on the wrong side.", Care: "The yarn was behind: the float shows outside.",
	},
	{
		Name: "ktbl", Title: "Knit through the back loop", Group: groupSts,
		Steps: shown(rs("ttv", "VV"),
			do("Look at the loop: its leading leg is behind the needle.", mark(-1)),
			do("Needle from {right} to {left} behind the {left} needle, through the back of the loop.", enter(backLoop, 1)),
			do(roundShort, wrap),
			do("Draw it through and let the old loop off: it stands straight.", draw, drop, mark(1))),
		Look: "The legs below do not cross.", Care: "Knitted through its front: the loop twists shut, its legs cross.",
	},
	{
		Name: "ptbl", Title: "Purl through the back loop", Group: groupSts,
		Steps: shown(ws("ttb", "BB"),
			do("The yarn is in front; the loop's leading leg is behind the needle.", mark(-1)),
			do("Bring the needle round from behind: into the back leg from {left} to {right}, its tip to the front.", enter(fromBehind, 1)),
			do(roundShort, wrap),
			do("Push it back through and let the old loop off.", draw, drop, mark(1))),
		Look: "The legs below do not cross.", Care: "Purled through its front: the loop twists shut.",
	},
	{
		Name: "yo", Title: "Yarn over", Group: groupIncs,
		Steps: shown(rs("vvv", "VV"),
			do("Bring the yarn to the front between the tips.", yarnTo(toFront)),
			do("Knit on: the yarn goes over the needle by itself.", layOver),
			do("It lies over the needle like a stitch, with nothing below it.", overMade, knits(1), mark(2))),
		Look: "One loop more; in the next round a hole on purpose.", Care: "It slides off unnoticed: the count is one short.",
	},
	{
		Name: "kfb", Title: "Knit front and back", Group: groupIncs,
		Steps: shown(rs("vvv", "VV"),
			do("Knit the stitch, but do not slide it off.", enter(knitwise, 1), wrap, draw),
			do("Push it over with a finger: needle into the back leg of the same stitch.", enter(backLoop, 1), yarnTo(behind), pushes),
			do("[Lay the yarn round and|Catch the strand and] draw it through.", wrap),
			do("Slide the old stitch off: one became two.", draw, drop, mark(1))),
		Look: "A small bar at the foot of the new stitch: one bar, one increase round.",
		Care: "Slid off too soon: only one stitch, and no bar.",
	},
	{
		Name: "pfb", Title: "Purl front and back", Group: groupIncs,
		Steps: shown(ws("bbb", "BB"),
			do("Purl the stitch, but do not slide it off.", enter(purlwise, 1), wrap, draw),
			do("Needle round from behind into the back leg of the same stitch.", enter(fromBehind, 1), yarnTo(inFront)),
			do("[Lay the yarn round and|Catch the strand and] push it through.", wrap),
			do("Slide the old stitch off: one became two.", draw, drop, mark(1))),
		Look: "Two loops out of one stitch.", Care: "Slid off too soon: only one stitch.",
	},
	{
		Name: "m1l", Title: "Make one, leaning {left}", Group: groupIncs,
		Steps: shown(rs("vvv", "VV"),
			do("Between the needles runs a bar. Lift it with the {left} needle from the front.", lookAtBar, fromTheFront),
			do("It lies over the {left} needle like a loop, its leading leg in front.", lift(false)),
			do("Knit its back leg: so it is twisted and closes.", enter(backLoop, 1)),
			do("One stitch more, that leans to the {left}.", done, mark(1))),
		Look: "The legs of the new stitch cross.", Care: "Its front leg was knitted: the bar is not twisted and leaves a hole.",
	},
	{
		Name: "m1r", Title: "Make one, leaning {right}", Group: groupIncs,
		Steps: shown(rs("vvv", "VV"),
			do("Between the needles runs a bar. Lift it with the {left} needle from the back.", lookAtBar, fromTheBack),
			do("It lies the other way round over the {left} needle, its leading leg behind.", lift(true)),
			do("Knit its front leg: so it is twisted and closes.", enter(knitwise, 1)),
			do("One stitch more, that leans to the {right}.", done, mark(1))),
		Look: "The legs of the new stitch cross.", Care: "Its back leg was knitted: the bar is not twisted and leaves a hole.",
	},
	{
		Name: "m1", Title: "Lift the strand and knit it twisted", Group: groupIncs,
		Steps: shown(rs("vvv", "VV"),
			do("Between the needles runs a strand. Lift it with the {left} needle from the front.", lookAtBar, fromTheFront),
			do("Needle into its back leg, and knit.", lift(false), enter(backLoop, 1)),
			do("One stitch more; the strand is twisted and no hole is left.", done, mark(1))),
		Look: "The legs of the new stitch cross.", Care: "Knitted untwisted: a hole.",
	},
	{
		Name: "m1p", Title: "Lift the strand and purl it twisted", Group: groupIncs,
		Steps: shown(ws("bbb", "BB"),
			do("Lift the strand between the needles with the {left} needle from the front.", lookAtBar, fromTheFront),
			do("Needle round from behind into its back leg, and purl.", lift(false), enter(fromBehind, 1)),
			do("One stitch more; no hole is left.", done, mark(1))),
		Look: "The count is one more, and the strand closed.", Care: "Purled untwisted: a hole.",
	},
	{
		Name: "k2tog", Title: "Knit two together", Group: groupDecs,
		Steps: shown(rs("vvv", "VV"),
			do("Needle into the next two stitches at once, from the front, the second one first.", enter(knitwise, 2)),
			do(roundAsForOne, wrap),
			do("Draw it through both.", draw),
			do("Let both off.", drop, mark(1))),
		Look: "The upper one of the two leans to the {right}.", Care: "Only one was caught: the other drops.",
	},
	{
		Name: "ssk", Title: "Slip, slip, knit", Group: groupDecs,
		Steps: shown(rs("vvv", "VV"),
			do("Slip the next stitch as if to knit.", enter(knitwise, 1)),
			do("And one more, as if to knit: both hang turned on the {right} needle.", slipKnitwise(2)),
			do("{Left} needle into the fronts of both, from {left} to {right}: the {right} needle lies behind.", giveBack(2), enter(backLoop, 2)),
			do("[Lay the yarn round and|Catch the strand and] draw it through both.", wrap),
			do("Let both off.", draw, drop, mark(1))),
		Look: "The upper one of the two leans to the {left}.", Care: "Slipped as if to purl: the stitch below stands twisted.",
	},
	{
		Name: "p2tog", Title: "Purl two together", Group: groupDecs,
		Steps: shown(ws("bbb", "BB"),
			do("Yarn in front. Needle into the next two stitches from {right} to {left}, in front.", enter(purlwise, 2)),
			do(roundAsForOne, wrap),
			do("Push it back through both.", draw),
			do("Let both off.", drop, mark(1))),
		Look: "On the right side it leans to the {right}.", Care: "Only one was caught: the other drops.",
	},
	{
		Name: "ssp", Title: "Slip, slip, purl", Group: groupDecs,
		Steps: shown(ws("bbb", "BB"),
			do("Slip two, one by one, as if to knit.", slipKnitwise(2)),
			do("Give them back to the {left} needle as they are: turned.", giveBack(2), mark(-1)),
			do("Turn the work to look: the needle comes round from behind, through the back legs of both.", enter(fromBehind, 2)),
			do("[Lay the yarn round and|Catch the strand and] push it through both.", wrap),
			do("Let both off.", draw, drop, mark(1))),
		Look: "On the right side it leans to the {left}.", Care: "Purled through the fronts: it leans the wrong way and twists.",
	},
	{
		Name: "k3tog", Title: "Knit three together", Group: groupDecs,
		Steps: shown(rs("vvvv", "VV"),
			do("Needle into the next three loops at once, from the front, the third one first.", enter(knitwise, 3)),
			do("[Lay the yarn round the tip and|Catch the strand and] draw it through all three.", wrap),
			do("Let all three off.", draw, drop, mark(1))),
		Look: "One loop where three were, leaning to the {right}.", Care: "One of three was missed: a loose loop on the wrong side.",
	},
	{
		Name: "sssk", Title: "Slip three, knit together", Group: groupDecs,
		Steps: shown(rs("vvvv", "V"),
			do("Slip three, one by one, as if to knit.", slipKnitwise(3)),
			do("{Left} needle into the fronts of all three.", giveBack(3), enter(backLoop, 3)),
			do("[Lay the yarn round and|Catch the strand and] draw it through all three.", wrap),
			do("Let all three off.", draw, drop, mark(1))),
		Look: "One loop where three were, leaning to the {left}.", Care: "One of three was missed.",
	},
	{
		Name: "p3tog", Title: "Purl three together", Group: groupDecs,
		Steps: shown(ws("bbbb", "BB"),
			do("Needle into the next three loops from {right} to {left}, in front.", enter(purlwise, 3)),
			do("[Lay the yarn round the tip and|Catch the strand and] push it back through all three.", wrap),
			do("Let all three off.", draw, drop, mark(1))),
		Look: "One loop where three were.", Care: "One of three was missed: a loose loop.",
	},
	{
		Name: "sssp", Title: "Slip three, purl together", Group: groupDecs,
		Steps: shown(ws("bbbb", "B"),
			do("Slip three, one by one, as if to knit.", slipKnitwise(3)),
			do("Give them back to the {left} needle as they are: turned.", giveBack(3), mark(-1)),
			do("The needle comes round from behind, through the back legs of all three.", enter(fromBehind, 3)),
			do("[Lay the yarn round and|Catch the strand and] push it through all three.", wrap),
			do("Let all three off.", draw, drop, mark(1))),
		Look: "One loop where three were; on the right side it leans to the {left}.", Care: "One of three was missed.",
	},
	{
		Name: "rib", Title: "Rib", Group: groupSts,
		Steps: shown(rs("vbbv", "BVV"),
			do("Read the stitch: a smooth V is knitted, yarn behind.", mark(-1)),
			do("Before a purl the yarn comes to the front between the tips, never over the needle.", knits(1), yarnTo(toFront)),
			do("A bump is purled.", enter(purlwise, 1), yarnTo(inFront)),
			do("Before a knit it goes to the back between the tips.", done, purls(1), yarnTo(toBack), pointing(point{14, -30, 0}, point{18, 8, 0}, point{22, 40, 0}))),
		Look: "Columns: V over V, bump over bump.", Care: "The yarn went over the needle: a loop too many, and later a hole.",
	},
}
