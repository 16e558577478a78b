package hands

const groupFlap = "Flap, turn and gusset"

// flapEdge is a flap from the right side with its chain at one edge, right (1) or left (-1).
func flapEdge(side float64) piece {
	x := -84.0
	if side < 0 {
		x = -28
	}
	p := swatch(x, 46, "vvvvv", "vvvvv", "vvvvv", "vvvvv", "vvvvv", "vvvvv", "vvvvv")
	return p.with(edge(About, side*50, 72, 4)...)
}

var flaps = append(append([]Sequence{
	{
		Name: "flap-set-up", Title: "The set-up row of a heel", Group: groupFlap,
		Steps: shown(rs("vv", "VVV"),
			see("The round is finished. Turn the sock as if to begin the instep, but do not knit it: the instep lies nearest to you.",
				halves(6, 6, false, false).with(arrow(point{-76, 52, 0}, point{0, 66, 0}, point{76, 52, 0})...).scene()),
			do("On the far needle, whose inside faces you, work back from the stitch that was made last. Yarn in front, slip one.", turn, slip(1)),
			do("Purl to the end of the heel's stitches. It feels backwards: so it has to.", purls(1))),
		Look: "Bumps face you on the heel, the instep is nearest and waits.",
		Care: "The instep was knitted first: the heel sits on the wrong half.",
	},
	{
		Name: "flap-rs", Title: "Flap, right side", Group: groupFlap,
		Steps: shown(rs("vvvvvv", ""),
			do("Yarn behind: slip one from {right} to {left}.", slip(1)),
			do("Knit one. The float lies behind the slipped stitch: that is the padding.", knits(1)),
			do("Slip one, knit one, to the last.", slip(1), knits(1)),
			cut("The last stitch through its back loop: it opens the edge.", rs("v", "sVs"), enter(backLoop, 1), wrap)),
		Look: "Tall stitches beside short ones; a chain grows along each edge, one link for two rows.",
		Care: "Slipped with the yarn in front: a bar on the outside.",
	},
	{
		Name: "flap-ws", Title: "Flap, wrong side", Group: groupFlap,
		Steps: shown(ws("bbbb", ""),
			do("Yarn in front: slip one from {right} to {left}.", slip(1)),
			do("Purl all the others.", purls(1)),
			see("Count the chain below the needle, not the link on it.", flapEdge(1).with(ring(50, 10, 20)).scene())),
		Look: "A chain along each edge; each link is two rows.", Care: "The first stitch was purled: the chain has a knot.",
	},
}, both(flapTurns)...),
	Sequence{
		Name: "pick-up-left", Title: "Picking up the {left} edge", Group: groupFlap,
		Steps: shown(rs("vvv", "VVV"),
			see("Turn, slip one, knit across the heel. Roll the edge towards you: a chain.", flapEdge(-1).scene()),
			see("Needle under both legs of a link, from the front.", flapEdge(-1).with(underLink(-1, false)...).scene()),
			see("Yarn round, and draw a loop through.", flapEdge(-1).with(underLink(-1, true)...).scene()),
			see("One in each link. The new stitches belong on the heel's needle.", flapEdge(-1).with(pickedAt(-1)...).scene())),
		Look: "One stitch for each link: two rows, one stitch.", Care: "Under one leg only: the edge opens into holes.",
	},
	Sequence{
		Name: "pick-up-right", Title: "Picking up the {right} edge", Group: groupFlap,
		Steps: shown(rs("vvv", "VVV"),
			see("Work across the instep. Roll the other edge towards you.", flapEdge(1).scene()),
			see("Begin at the instep: needle under both legs of the first link.", flapEdge(1).with(underLink(1, false)...).scene()),
			see("Yarn round, draw a loop through; one in each link.", flapEdge(1).with(pickedAt(1)...).scene()),
			do("Then on over the heel: needle of the heel again.")),
		Look: "As many on this edge as on the other.", Care: "One link was missed: the gusset has uneven sides.",
	},
	Sequence{
		Name: "corner-bar-left", Title: "The corner of a gusset, {left} edge", Group: groupFlap,
		Steps: shown(rs("vvv", "VV"),
			do("Between flap and instep runs a bar.", lookAtBar, fromTheFront),
			do("Lift it from the front on to the {left} needle.", lift(false)),
			do("Needle through its back loop.", enter(backLoop, 1)),
			do("Knit it there: it twists shut, and no hole is left.", done, mark(1))),
		Look: "The bar is crossed.", Care: "Knitted through the front: a hole in the corner.",
	},
	Sequence{
		Name: "corner-bar-right", Title: "The corner of a gusset, {right} edge", Group: groupFlap,
		Steps: shown(rs("vvv", "VV"),
			do("Between instep and flap runs a bar.", lookAtBar, fromTheBack),
			do("Lift it from the back on to the {left} needle.", lift(true)),
			do("Needle into its front leg.", enter(knitwise, 1)),
			do("Knit it there: it twists shut.", done, mark(1))),
		Look: "The bar is crossed the other way.", Care: "Knitted through the back: a hole in the corner.",
	},
	Sequence{
		Name: "gusset", Title: "A round of the gusset", Group: groupFlap,
		Steps: shown(rs("vvv|vv", "V"),
			do("Knit to the last three before the instep: a marker, or the end of the needle, stands there.", mark(-3)),
			do("k2tog: needle into the next two at once.", enter(knitwise, 2)),
			do("k1: one plain stitch lies between the decrease and the instep.", done, knits(1), mark(2)),
			do("Over the marker, and work the instep as it is.", passMarker, knits(1)),
			cut("After the instep k1, and then ssk: the next two, slipped as if to knit and given back.", rs("ttv", "V|V"), enter(backLoop, 2)),
			do("Knit both together. A plain round between two such rounds.", done, mark(1))),
		Look: "A lone slanting stitch just below the needle: the last round decreased.",
		Care: "Two decrease rounds one after the other: the line breaks.",
	},
)

// passMarker takes the marker over as it is.
func passMarker(w *work) {
	if len(w.left) > 0 && w.left[0].kind == marker {
		w.left, w.right = w.left[1:], append([]loop{w.left[0]}, w.right...)
	}
}

// underLink is a needle under both legs of the second link of an edge, and the yarn round it.
func underLink(side float64, drawn bool) []body {
	x := side * 50
	y := -8.0
	p := []body{{part: Working, key: "needle", pointed: true, points: []point{{x + side*90, y - 46, 40}, {x + side*40, y - 18, 34}, {x + side*14, y - 3, 6}, {x + side*6, y, 2}, {x - side*10, y + 8, 6},
		{x - side*22, y + 15, 30}}}}
	if drawn {
		p = append(p, thread(Now, "yarn", point{x + side*16, -60, -20}, point{x - side*4, -24, -20}, point{x - side*14, y + 2, 22}, point{x - side*18, y + 26, 34}, point{x - side*10, y + 22, 44},
			point{x - side*4, y + 2, 46}, point{x + side*24, 30, 46}, point{x + side*88, 62, 46}))
	}
	return p
}

// pickedAt are loops drawn through each link of an edge, on a needle beside it: one strand.
func pickedAt(side float64) []body {
	x := side * 50
	list := []body{rod(Working, "needle", point{x + side*26, -120, 0}, point{x + side*26, 86, 0})}
	points := []point{{x - side*8, -98, -20}}
	for i := range 4 {
		y := -88 + 2*courses*float64(i) - 4
		points = append(points, point{x - side*4, y - 6, -16}, point{x, y, 6}, point{x + side*10, y + 3, 22}, point{x + side*26, y + 7, 12}, point{x + side*37, y + 1, 0}, point{x + side*26, y - 6, -12},
			point{x + side*10, y - 2, -14}, point{x - side*2, y + 4, -18})
	}
	return append(list, thread(Now, "yarn", append(points, point{x - side*4, 78, -18}, point{x + side*20, 98, -18})...))
}

func flapTurns(f facing) []Sequence {
	together := map[bool]string{true: "ssk", false: "p2tog"}[f.knits]
	how := map[bool]way{true: backLoop, false: purlwise}[f.knits]
	return []Sequence{{
		Name: "flap-turn-" + f.id, Title: "The turn of a flap, " + f.said, Group: groupFlap,
		Steps: shown(f.on(f.n(2)+"/"+f.n(4), f.m(2)),
			do("Slip the first stitch. "+f.works()+" to one before the gap.", f.plain(1)),
			do("The two beside the gap together: "+together+".", turnedFor(f), enter(how, 2)),
			do(roundBoth+", and "+f.work+" both together.", wrap),
			do("One more. None left for it at the very end: so it has to be.", draw, drop, f.plain(1)),
			do("Turn.", turn, roundTheWork)),
		Look: "A gap; as many stitches outside one gap as outside the other. If not, stop here.",
		Care: "Turned before the one more: the gaps do not move outward.",
	}}
}

// turnedFor slips the next two as if to knit and gives them back, for an ssk; a p2tog takes them as they are.
func turnedFor(f facing) verb {
	return func(w *work) {
		if f.knits {
			w.left[0].turned, w.left[1].turned = true, true
		}
	}
}
