package hands

import "fmt"

const groupBindOff = "Binding off"

// bound are so many stitches that were bound off, at the right: a chain that lies on the fabric. The last of them hangs on the needle.
func bound(n int) verb {
	return with(func(w *work) []body {
		_, right := w.places()
		x, y := 26.0, -62.0
		for i := range right {
			if right[i].kind == stitch || right[i].kind == over {
				x, y = right[i].c.x, right[i].foot
			}
		}
		points := []point{{x + 5, y + 2, 4}}
		var list []body
		for i := range n {
			at := point{x + 33*float64(i), y - 17*float64(i), 0}
			points = append(points, at.plus(12, 6, 9), at.plus(28, 0, 9), at.plus(38, -12, 5), at.plus(30, -16, 9), at.plus(16, -10, 9), at.plus(14, -4, 3))
			foot := at.plus(24, -28, 0)
			for r := range 3 {
				f := foot.plus(0, -row*float64(r), 0)
				list = append(list, body{part: Yarn, key: fmt.Sprintf("bound%d.%d", i, r), points: inFabric(false, f.plus(17, -16, -7), f.plus(-17, 0, -7), f, f.plus(0, row, 0))})
			}
		}
		return append(list, body{part: Now, key: "bound", points: points})
	})
}

// closed is the whole edge when the round is bound off, with the end of the yarn.
func closed(end ...body) scene {
	p := swatch(-24, 10, "vvvvv", "vvvvv", "vvvvv", "vvvvv")
	return p.with(chain(Now, -34, 34, 6, false)...).with(end...).scene()
}

var bindOffs = []Sequence{
	{
		Name: "bo-together", Title: "Bind off two together: the beginning", Group: groupBindOff,
		Steps: shown(rs("vvvv", ""),
			do("Work one stitch in pattern, and one more.", knits(2)),
			do("{Left} needle into the front legs of both on the {right} needle.", givenBackTurned(2), enter(backLoop, 2), yarnTo(behind)),
			do(roundBoth+", and knit them together: one is bound off.", wrap),
			do("The next one in pattern: again there are two.", draw, drop, bound(1), knits(1)),
			do("And again both together.", givenBackTurned(2), enter(backLoop, 2), yarnTo(behind), bound(1))),
		Look: "The edge stretches as far as the heel is round.",
		Care: "Drawn tight: the cuff does not pass the heel. Use a larger needle.",
	},
	{
		Name: "bo-together-end", Title: "Bind off two together: the end", Group: groupBindOff,
		Steps: shown(rs("", "V"),
			do("One loop is left. Cut the yarn, a hand long.", still, bound(2), with(cutEnd)),
			see("Draw the end through the loop, and close the gap to the first stitch with it.",
				closed(thread(Now, "end", point{-36, 34, 6}, point{-58, 46, 10}, point{-84, 26, 10}, point{-128, 34, 10})))),
		Look: "No step where the round closes.", Care: "Cut too short to weave in.",
	},
	{
		Name: "bo-yarn-over", Title: "Yarn-over bind-off: the beginning", Group: groupBindOff,
		Steps: shown(rs("vvvv", ""),
			do("Knit one, and one more; lift the first over the second.", knits(2), pointing(point{62, -12, 0}, point{40, 22, 0}, point{8, 0, 0})),
			do("Once more so: two are bound off.", takenOver, knits(1), takenOver, bound(2)),
			do("Then a yarn-over: it lies over the needle.", layOver, bound(2)),
			do("Lift the stitch behind it over the yarn-over: the edge can give.", overMade, takenOver, bound(3))),
		Look: "A small ruffle that lies flat when stretched.", Care: "The yarn-over was forgotten: the edge is as tight as any.",
	},
	{
		Name: "bo-yarn-over-end", Title: "Yarn-over bind-off: the end", Group: groupBindOff,
		Steps: shown(rs("", "V"),
			do("The last loop: cut the yarn and draw it through.", still, bound(2), with(cutEnd)),
			see("Close the gap to the first stitch with the end.",
				closed(thread(Now, "end", point{-36, 34, 6}, point{-58, 46, 10}, point{-84, 26, 10}, point{-128, 34, 10})))),
		Look: "The edge passes over the heel without force.", Care: "Drawn tight at the last: one tight place in the cuff.",
	},
	{
		Name: "bo-sewn", Title: "Sewn bind-off: the beginning", Group: groupBindOff,
		Steps: shown(rs("vvvv", ""),
			do("Cut the yarn: three times the girth. Thread it on a blunt needle.", sews(point{58, -70, -7}, point{66, -40, 14}, point{40, 20, 40}, point{72, 50, 40}, point{92, 40, 40})),
			do("Needle through two stitches as if to purl, from {right} to {left}; draw the yarn through.",
				sews(point{50, -70, -7}, point{60, -40, 10}, point{40, -26, 10}, point{14, -20, 6}, point{0, -18, 3}, point{-58, -18, 3}, point{-92, -20, 30})),
			do("Back through the first one as if to knit.",
				sews(point{-96, -50, 20}, point{-58, -30, 3}, point{0, -22, 3}, point{30, -12, 3}, point{24, 16, 30}, point{-26, 12, 30}, point{-22, -16, 20}, point{4, -26, -1}, point{40, -40, -30})),
			do("Slip that one off. Two again, one back, one off.", sewnOff, bound(1), sews(point{24, -60, -7}, point{34, -34, 14}, point{20, 20, 40}, point{60, 46, 40}))),
		Look: "A soft edge that looks like the cast-on.", Care: "Drawn tight: it does not give any more.",
	},
	{
		Name: "bo-sewn-end", Title: "Sewn bind-off: the end", Group: groupBindOff,
		Steps: shown(rs("v", ""),
			do("One stitch is left: through it as if to purl, and off.", bound(2),
				sews(point{40, -66, 6}, point{46, -40, 10}, point{30, -24, 8}, point{0, -18, 3}, point{-30, -16, 3}, point{-70, -14, 30})),
			see("Down through the first stitch of the round, and weave in inside.",
				closed(thread(Now, "end", point{-36, 34, 6}, point{-56, 30, 12}, point{-44, 0, 12}, point{-30, -16, 10}, point{-20, -30, -12}, point{10, -44, -12})))),
		Look: "The round closes without a step.", Care: "The yarn was too short: join it at the inside, not at the edge.",
	},
}

// givenBackTurned has the loops of the right needle on the left one too, for knitting them together through their fronts with the right needle behind.
func givenBackTurned(n int) verb {
	return func(w *work) {
		giveBack(n)(w)
		for i := range n {
			w.left[i].turned, w.left[i].part = true, Now
		}
	}
}

// takenOver lifts the second loop of the right needle over the first and off.
func takenOver(w *work) {
	if len(w.right) > 1 {
		w.right = append(w.right[:1:1], w.right[2:]...)
	}
	w.yarn = behind
}

// sewnOff lets the first loop of the left needle go.
func sewnOff(w *work) { w.left = w.left[1:] }

// cutEnd is the end of the yarn once it was cut.
func cutEnd(w *work) []body {
	left, right := w.places()
	from := w.foot(left, right)
	return []body{thread(Now, "yarn", from, from.plus(-14, -6, 8), point{-20, -50, 12}, point{-60, -66, 12}, point{-84, -52, 12})}
}

// sews is the yarn along a way through stitches, with a blunt sewing needle at its end; no other needle works.
func sews(way ...point) verb {
	return func(w *work) {
		w.yarn, w.sewn = none, true
		with(func(*work) []body {
			last, before := way[len(way)-1], way[len(way)-2]
			d := max(1, before.flat(last))
			end := last.plus((last.x-before.x)/d*34, (last.y-before.y)/d*34, 2)
			return []body{thread(Now, "yarn", way...), {part: Pin, key: "blunt", points: []point{last, end}}}
		})(w)
	}
}
