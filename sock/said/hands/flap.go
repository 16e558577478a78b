package hands

const groupFlap = "Flap, turn and gusset"

// flapEdge is a flap from the right side with its chain at one edge, right (1) or left (-1).
func flapEdge(side float64) scene {
	s := board()
	for r := range 5 {
		for c := range 4 {
			x, y := side*(0.6-0.9*float64(c)), -1.7+float64(r)*0.75
			s = s.with(legs(Yarn, x, y, 1)...)
		}
	}
	return s.with(edge(Yarn, side*1.4, -1.75, 4)...)
}

var flaps = append(append([]Sequence{
	{
		Name: "flap-set-up", Title: "The set-up row of a heel", Group: groupFlap,
		Steps: []Step{
			{"The round is finished. Turn the sock as if to begin the instep, but do not knit it: the instep lies nearest to you.",
				pair(6, 6).with(arrow(point{-2.4, -1.5, 0}, point{0, -1.85, 0}, point{2.4, -1.5, 0})...)},
			{"On the far needle, whose inside faces you, work back from the stitch that was made last. Yarn in front, slip one.",
				tips("bbb", "b/v").front()},
			{"Purl to the end of the heel's stitches. It feels backwards: so it has to.", tips("bb", "BBb").front()},
		},
		Look: "Bumps face you on the heel, the instep is nearest and waits.",
		Slip: "The instep was knitted first: the heel sits on the wrong half.",
	},
	{
		Name: "flap-rs", Title: "Flap, right side", Group: groupFlap,
		Steps: []Step{
			{"Yarn behind: slip one from {right} to {left}.", tips("vvv", "v").behind()},
			{"Knit one. The float lies behind the slipped stitch: that is the padding.", tips("vv", "Vv").behind()},
			{"Slip one, knit one, to the last.", tips("vvv", "sVs").behind()},
			{"The last stitch through its back loop: it opens the edge.", tips("v", "sVs").into(backLoop, 1).wrapped()},
		},
		Look: "Tall stitches beside short ones; a chain grows along each edge, one link for two rows.",
		Slip: "Slipped with the yarn in front: a bar on the outside.",
	},
	{
		Name: "flap-ws", Title: "Flap, wrong side", Group: groupFlap,
		Steps: []Step{
			{"Yarn in front: slip one from {right} to {left}.", tips("bbb", "b").front()},
			{"Purl all the others.", tips("bb", "BBb").front()},
			{"Count the chain below the needle, not the link on it.", flapEdge(1).with(ring(1.4, -1.2, 0.5))},
		},
		Look: "A chain along each edge; each link is two rows.", Slip: "The first stitch was purled: the chain has a knot.",
	},
}, both(flapTurns)...),
	Sequence{
		Name: "pick-up-left", Title: "Picking up the {left} edge", Group: groupFlap,
		Steps: []Step{
			{"Turn, slip one, knit across the heel. Roll the edge towards you: a chain.", flapEdge(-1)},
			{"Needle under both legs of a link, from the front.",
				flapEdge(-1).with(rod(point{4, 0.9, 0}, point{-1.9, -0.45, 0}, 0.85, 5, 5)...)},
			{"Yarn round, and draw a loop through.",
				flapEdge(-1).with(rod(point{4, 0.9, 0}, point{-1.9, -0.45, 0}, 0.85, 5, -1)...).with(yarn(point{-3.4, -1.4, 4},
					point{-2.2, -0.9, 4}, point{-1.75, -0.75, 6}, point{-1.6, -0.2, 6}, point{-2.1, -0.1, 4}, point{-3.2, 0.6, 4}))},
			{"One in each link. The new stitches belong on the heel's needle.", flapEdge(-1).with(pickedAt(-1.4)...)},
		},
		Look: "One stitch for each link: two rows, one stitch.", Slip: "Under one leg only: the edge opens into holes.",
	},
	Sequence{
		Name: "pick-up-right", Title: "Picking up the {right} edge", Group: groupFlap,
		Steps: []Step{
			{"Work across the instep. Roll the other edge towards you.", flapEdge(1)},
			{"Begin at the instep: needle under both legs of the first link.",
				flapEdge(1).with(rod(point{4, 0.9, 0}, point{0.9, -0.2, 0}, 0.85, 5, 5)...)},
			{"Yarn round, draw a loop through; one in each link.", flapEdge(1).with(pickedAt(1.4)...)},
			{"Then on over the heel: needle of the heel again.", tips("vvv", "VVV").behind()},
		},
		Look: "As many on this edge as on the other.", Slip: "One link was missed: the gusset has uneven sides.",
	},
	Sequence{
		Name: "corner-bar-left", Title: "The corner of a gusset, {left} edge", Group: groupFlap,
		Steps: []Step{
			{"Between flap and instep runs a bar.", tips("vv", "VV").behind().with(bar()...)},
			{"Lift it from the front on to the {left} needle.", tips("_vv", "VV").behind().with(lifted(false))},
			{"Knit its back loop: it twists shut, and no hole is left.",
				tips("_vv", "VV").into(backLoop, 1).behind().with(lifted(false))},
		},
		Look: "The bar is crossed.", Slip: "Knitted through the front: a hole in the corner.",
	},
	Sequence{
		Name: "corner-bar-right", Title: "The corner of a gusset, {right} edge", Group: groupFlap,
		Steps: []Step{
			{"Between instep and flap runs a bar.", tips("vv", "VV").behind().with(bar()...)},
			{"Lift it from the back on to the {left} needle.", tips("_vv", "VV").behind().with(lifted(true))},
			{"Knit its front leg: it twists shut.", tips("_vv", "VV").into(knitwise, 1).behind().with(lifted(true))},
		},
		Look: "The bar is crossed the other way.", Slip: "Knitted through the back: a hole in the corner.",
	},
	Sequence{
		Name: "gusset", Title: "A round of the gusset", Group: groupFlap,
		Steps: []Step{
			{"Knit to the last three before the instep: k2tog, k1.", tips("vvv", "VV").into(knitwise, 2).wrapped()},
			{"Work the instep as it is.", tips("vvv", "Vr|VV").behind()},
			{"After it k1, ssk.", tips("ttv", "V|V").into(backLoop, 2).wrapped()},
			{"A plain round between two such rounds.", tips("vv", "VlV|").behind()},
		},
		Look: "A lone slanting stitch just below the needle: the last round decreased.",
		Slip: "Two decrease rounds one after the other: the line breaks.",
	},
)

// pickedAt are loops drawn through each link of an edge, on a needle beside it.
func pickedAt(x float64) []strand {
	side := 1.0
	if x < 0 {
		side = -1
	}
	list := rod(point{x + side*0.75, 1.9, 0}, point{x + side*0.75, -1.8, 0}, 0.5, 0, 0)
	for i := range 4 {
		y := -1.3 + float64(i)*0.85
		list = append(list, yarn(point{x - side*0.1, y + 0.12, 2}, point{x + side*0.5, y + 0.16, 2}, point{x + side*0.98, y, 1},
			point{x + side*0.5, y - 0.16, -1}, point{x - side*0.1, y - 0.1, -1}))
	}
	return list
}

func flapTurns(f facing) []Sequence {
	together := map[bool]string{true: "ssk", false: "p2tog"}[f.knits]
	pass := tips(f.n(3), f.m(2)).into(f.way, 2).wrapped()
	if f.knits {
		pass = tips("ttv", "VV").into(backLoop, 2).wrapped()
	}
	other := map[bool]facing{true: wrongSide, false: rightSide}[f.knits]
	return []Sequence{{
		Name: "flap-turn-" + f.id, Title: "The turn of a flap, " + f.said, Group: groupFlap,
		Steps: []Step{
			{"Slip the first stitch. " + map[bool]string{true: "Knit", false: "Purl"}[f.knits] + " to one before the gap.",
				f.yarnAt(tips(f.n(1)+"/"+f.n(2), f.m(2)))},
			{"The two beside the gap together: " + together + ".", pass},
			{"One more. None left for it at the very end: so it has to be.",
				f.yarnAt(tips(f.n(2), f.fresh+map[bool]string{true: "l", false: "B"}[f.knits]+f.m(1)))},
			{"Turn.", other.turned()},
		},
		Look: "A gap; as many stitches outside one gap as outside the other. If not, stop here.",
		Slip: "Turned before the one more: the gaps do not move outward.",
	}}
}
