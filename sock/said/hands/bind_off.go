package hands

const groupBindOff = "Binding off"

// bound is an edge bound off at the right, so many stitches, before what is still on the needles.
func bound(n int) []strand {
	list := chain(Now, 1.3, 0.75, n, false)
	for i := range n {
		list = append(list, scene{}.vee(Yarn, 1.8+0.85*float64(i), foot).strands...)
	}
	return list
}

// closed is the whole edge when the round is bound off, with the end of the yarn.
func closed(end ...strand) scene {
	return board().fabric(-0.6, 0.35, "vvvvv", "vvvvv").with(chain(Now, -1, 0, 5, false)...).with(end...)
}

var bindOffs = []Sequence{
	{
		Name: "bo-together", Title: "Bind off two together: the beginning", Group: groupBindOff,
		Steps: []Step{
			{"Work one stitch in pattern, and one more.", tips("vvv", "VV").behind()},
			{"{Left} needle into the front legs of both on the {right} needle.", tips("ttv", "V").into(backLoop, 2).behind()},
			{"Knit them together: one is bound off.", tips("vvv", "V").behind().with(bound(1)...)},
			{"Work the next stitch in pattern, and again both together.",
				tips("vv", "VV").behind().with(chain(Now, 2.3, 0.75, 1, false)...)},
		},
		Look: "The edge stretches as far as the heel is round.",
		Slip: "Drawn tight: the cuff does not pass the heel. Use a larger needle.",
	},
	{
		Name: "bo-together-end", Title: "Bind off two together: the end", Group: groupBindOff,
		Steps: []Step{
			{"One loop is left. Cut the yarn, a hand long.",
				tips("", "V").draw().with(bound(3)...).with(yarn(point{0.6, 1.1, 2}, point{0, 1.3, 2}, point{-1.5, 1.5, 2}))},
			{"Draw the end through the loop, and close the gap to the first stitch with it.",
				closed(yarn(point{-1.1, 0, 2}, point{-1.8, -0.3, 2}, point{-2.6, 0.4, 2}, point{-3.4, 0.2, 2}))},
		},
		Look: "No step where the round closes.", Slip: "Cut too short to weave in.",
	},
	{
		Name: "bo-yarn-over", Title: "Yarn-over bind-off: the beginning", Group: groupBindOff,
		Steps: []Step{
			{"Knit one, and one more; lift the first over the second.",
				tips("vvv", "VV").behind().with(arrow(point{1.8, -0.5, 0}, point{1.2, -1.1, 0}, point{0.3, -0.7, 0})...)},
			{"Once more so: two are bound off.", tips("vvv", "V").behind().with(bound(2)...)},
			{"Then a yarn-over: it lies over the needle.", tips("vvv", "yV").behind().mark(1)},
			{"Lift the stitch behind it over the yarn-over: the edge can give.", tips("vvv", "y").behind().with(bound(3)...)},
		},
		Look: "A small ruffle that lies flat when stretched.", Slip: "The yarn-over was forgotten: the edge is as tight as any.",
	},
	{
		Name: "bo-yarn-over-end", Title: "Yarn-over bind-off: the end", Group: groupBindOff,
		Steps: []Step{
			{"The last loop: cut the yarn and draw it through.",
				tips("", "V").draw().with(bound(3)...).with(yarn(point{0.6, 1.1, 2}, point{0, 1.3, 2}, point{-1.5, 1.5, 2}))},
			{"Close the gap to the first stitch with the end.",
				closed(yarn(point{-1.1, 0, 2}, point{-1.8, -0.3, 2}, point{-2.6, 0.4, 2}, point{-3.4, 0.2, 2}))},
		},
		Look: "The edge passes over the heel without force.", Slip: "Drawn tight at the last: one tight place in the cuff.",
	},
	{
		Name: "bo-sewn", Title: "Sewn bind-off: the beginning", Group: groupBindOff,
		Steps: []Step{
			{"Cut the yarn: three times the girth. Thread it on a blunt needle.",
				tips("vvv", "").draw().with(sewn(point{-0.6, 1.15, 2}, point{0.6, 1.4, 2}, point{1.6, 0.9, 2})...)},
			{"Needle through two stitches as if to purl, from {right} to {left}; draw the yarn through.",
				tips("vvv", "").draw().with(sewn(point{0.9, 0.6, 0.5}, point{-0.8, 0.3, 0.5}, point{-2.1, 0.15, 0.5})...)},
			{"Back through the first one as if to knit.",
				tips("vvv", "").draw().with(sewn(point{-1.6, 0.6, -1.5}, point{-0.8, 0.4, -1.5}, point{0.6, 0.7, 2})...)},
			{"Slip that one off. Two again, one back, one off.",
				tips("vv", "").draw().with(chain(Yarn, 0.4, 0.9, 3, false)...).with(sewn(point{-0.4, 1, 2}, point{0.3, 0.3, 2},
					point{1.6, -0.3, 2})...)},
		},
		Look: "A soft edge that looks like the cast-on.", Slip: "Drawn tight: it does not give any more.",
	},
	{
		Name: "bo-sewn-end", Title: "Sewn bind-off: the end", Group: groupBindOff,
		Steps: []Step{
			{"One stitch is left: through it as if to purl, and off.",
				tips("v", "").draw().with(chain(Yarn, 0.4, 0.9, 4, false)...).with(sewn(point{0.9, 0.6, 0.5}, point{-0.6, 0.3, 0.5},
					point{-2.1, 0.15, 0.5})...)},
			{"Down through the first stitch of the round, and weave in inside.",
				closed(sewn(point{-1.1, 0, 2}, point{-1.8, 0.5, 2}, point{-0.6, 0.9, 2})...)},
		},
		Look: "The round closes without a step.", Slip: "The yarn was too short: join it at the inside, not at the edge.",
	},
}

// sewn is the yarn with a blunt sewing needle at its end.
func sewn(points ...point) []strand {
	last, before := points[len(points)-1], points[len(points)-2]
	dx, dy := last.x-before.x, last.y-before.y
	length := max(0.3, abs(dx)+abs(dy))
	end := last.plus(dx/length*0.9, dy/length*0.9)
	return []strand{yarn(points...), {part: Tip, straight: true, points: []point{last, end}}}
}
