package hands

import (
	"fmt"
	"math"
	"slices"
)

// The measures of loops on needles, in pixels.
const (
	pitch     = 36.0 // from loop to loop of those that wait
	pitchDone = 33.0 // from loop to loop on the right needle
	room      = 22.0 // beside the loops that are worked, for the tip
	row       = 26.0 // from row to row
	hangs     = 50.0 // from a needle to the foot of a loop
	leg       = 12.5 // from the middle of a loop to its legs
	legIn     = 14.0 // the same of one that is worked
	gapDown   = 15.0 // of a gap: how much lower the waiting stitches lie
	gapWide   = 16.0
	near      = 400.0 // in front of everything
)

// wale is a column of the fabric with its loop on a needle.
type wale struct {
	*loop
	n     int // counts the loops of a needle from its tip, from one
	right bool
	taken bool
	c     point   // where its loop lies on the needle
	x     float64 // where its column stands
	foot  float64 // how high its loop comes out of the fabric
	d     float64 // from its middle to its legs
	rise  bool    // its right leg lies before a needle that is before the left one
}

// squeeze is how near to each other loops lie that are taken together.
func (w *work) squeeze() float64 {
	switch {
	case w.taken > 2:
		return 8.6
	case w.taken > 1:
		return 12
	}
	return 0
}

// leftY is how high the left needle lies, rightY the right one, which only slides along its own line.
func leftY(x float64) float64 { return x * math.Tan(6*math.Pi/180) }
func (w *work) rightY(x float64) float64 {
	tilt := 27.0
	if w.flat {
		tilt = 9
	}
	return -13 - (x-3)*math.Tan(tilt*math.Pi/180)
}

// frame is the picture in which the needles lie.
func (w *work) frame() frame {
	if w.flat {
		return onPractice
	}
	return move
}

// pivot is where the needle goes over from the legs before which it lies to those behind which it lies.
func (w *work) pivot() float64 { return -w.squeeze() * float64(max(0, w.taken-1)) / 2 }

// rightZ is how near the right needle lies: at rest, on its way through the loops that it enters, or with a new loop drawn.
func (w *work) rightZ(x float64) float64 {
	steep := func(by float64) float64 { return min(34, max(-34, by*(x-w.pivot()))) }
	if w.wrapOnly {
		return 19 + 0.3*x
	}
	if w.under && w.yarn != drawnThrough {
		return 15 + min(34, max(-49, 4*(x-w.pivot())))
	}
	switch {
	case w.entered == out:
		return 0
	case w.yarn == drawnThrough && w.entered.back():
		return -30
	case w.yarn == drawnThrough:
		return 30
	}
	switch w.entered {
	case knitwise:
		return steep(4)
	case fromBehind:
		return steep(-4)
	case purlwise:
		return 14
	}
	// Behind the left needle, but before a leg that lies behind it; beyond the last one deeper, so that it is in no other.
	last := -w.squeeze()*float64(w.taken-1) - legIn
	if x < last-3 {
		return max(-30, -5+1.6*(x-last+3))
	}
	return -5
}

// tip is where the right needle ends.
func (w *work) tip() float64 {
	last := -w.squeeze() * float64(max(0, w.taken-1))
	switch {
	case w.entered == out && w.moved:
		return 1
	case w.entered == out:
		return 33
	case w.yarn == drawnThrough:
		return -18
	case w.wrapOnly:
		return -26
	case w.yarn == roundTip:
		return last - 54
	case w.entered == purlwise:
		return last - 44
	}
	return last - 50
}

// places says where each loop lies.
func (w *work) places() (left, right []wale) {
	n, x := 0, 0.0
	for i := range w.left {
		l := &w.left[i]
		if l.kind == marker {
			left = append(left, wale{loop: l, c: point{x + pitch/2 + 2, leftY(x), 0}})
			continue
		}
		n++
		switch {
		case n <= max(1, w.taken) && w.entered != out:
			x = -w.squeeze() * float64(n-1)
		case w.moved:
			x = -room - pitch*float64(n)
		case n == 1:
			x = 0
		case w.taken > 1:
			x = -w.squeeze()*float64(w.taken-1) - room - pitch*float64(n-w.taken)
		default:
			x = -room - pitch*float64(n-1)
		}
		if w.entered == out || n > w.taken {
			x -= gapWide * float64(l.low)
		}
		at := wale{loop: l, n: n, c: point{x, leftY(x), 0}, x: x, d: leg, taken: w.entered != out && n <= w.taken}
		if at.taken {
			at.d, at.rise = legIn, w.entered == purlwise && w.yarn != drawnThrough
			at.x += 0.35 * (-pitch*float64(n-1) - x)
		}
		at.foot = at.c.y - hangs - gapDown*float64(l.low)
		left = append(left, at)
	}
	n = 0
	x = 57 - pitchDone
	if w.moved {
		x = 25 - pitchDone
	}
	wider := 0.0
	for i := range w.right {
		l := &w.right[i]
		if l.kind == marker {
			right = append(right, wale{loop: l, right: true, c: point{x + pitchDone*0.55, w.rightY(x + pitchDone*0.55), 0}})
			continue
		}
		n++
		switch {
		case w.yarn == drawnThrough && n == 1:
			x = -2
		case w.yarn == drawnThrough && n == 2:
			x = 57
		default:
			x += pitchDone + wider
		}
		wider = 0
		if l.kind == double {
			wider = 9
		}
		x += gapWide * float64(l.low-lowOf(w.right, i-1))
		at := wale{loop: l, n: n, right: true, c: point{x, w.rightY(x), 0}, x: x, d: leg}
		at.c.z = w.rightZ(x)
		at.foot = at.c.y - hangs + 6 - gapDown*float64(l.low)
		right = append(right, at)
	}
	return left, right
}

func lowOf(list []loop, i int) int {
	if i < 0 {
		return 0
	}
	return list[i].low
}

// draw gives all bodies of a picture.
func (w *work) draw(hold Hold) []body {
	left, right := w.places()
	list := w.needles(left)
	var wales []wale
	for _, l := range slices.Backward(left) {
		wales = append(wales, l)
	}
	wales = append(wales, right...)
	for i := range wales {
		list = append(list, w.wale(wales, i)...)
	}
	strand := w.strand(left, right, hold)
	if w.flat {
		toTheEdge(strand, w.frame())
	}
	list = append(list, strand...)
	if w.bar {
		list = append(list, w.gapBar(left, right))
	}
	for _, more := range w.extra {
		list = append(list, more(w)...)
	}
	return list
}

// needles are both, from their far ends to their tips.
func (w *work) needles(left []wale) []body {
	end := 38.0
	for _, l := range left {
		if l.n == 1 {
			end = l.c.x + 38
		}
	}
	if w.moved {
		end = min(end, -20)
	}
	first := body{part: Needle, key: "left", pointed: true, is: role{kind: leftNeedle}}
	for x := -w.frame().ox - 40; x < end; x += 60 {
		first.points = append(first.points, point{x, leftY(x), 0})
	}
	first.points = append(first.points, point{end, leftY(end), 0})
	if w.sewn {
		return []body{first}
	}
	second := body{part: Working, key: "right", pointed: true, is: role{kind: rightNeedle}}
	tip := w.tip()
	for x := w.frame().wide - w.frame().ox + 16; x > tip+4; x -= 8 {
		second.points = append(second.points, point{x, w.rightY(x), w.rightZ(x)})
	}
	second.points = append(second.points, point{tip, w.rightY(tip), w.rightZ(tip)})
	return []body{first, second}
}

// rowOf is the row of a loop: those of the row at hand come before all others.
func (w *wale) rowOf() int {
	if w.right && w.part == Now || w.right && w.from == leaning {
		return 0
	}
	return 1
}

// grows says whether a wale goes on below its loop.
func (w *wale) grows() bool { return w.kind == stitch || w.kind == double }

// level is where a loop of a wale stands in the fabric: its foot, so many rows below its needle.
func (w *wale) level(n int) point {
	share := []float64{0, 0.6, 0.9, 1, 1}[min(n, 4)]
	return point{w.c.x + (w.x-w.c.x)*share, w.foot - row*float64(n), 0}
}

// between is where a row passes from a wale to the one beside it: half way, a little lower, on the purl side. Beside a yarn-over or a strand, which
// have nothing below, it goes on to the next.
func (w *work) between(wales []wale, i, level, step int) point {
	at := &wales[i]
	here := at.level(level)
	sign := -1.0
	if at.purl {
		sign = 1
	}
	// The edge of what is shown, and of a gap: a row ends here or goes on as it is.
	beyond := point{here.x + float64(step)*pitch/2, here.y - 0.3*row, sign * 7}
	for k := i + step; k >= 0 && k < len(wales); k += step {
		other := &wales[k]
		if other.kind == marker || other.kind == place || !other.grows() && at.grows() {
			continue
		}
		n := level + at.rowOf() - other.rowOf()
		if n < 0 {
			// The row was not worked there yet: the strand to the hand begins here.
			return beyond
		}
		there := other.level(n)
		return point{(here.x + there.x) / 2, (here.y+there.y)/2 - 0.3*row, sign * 7}
	}
	return beyond
}

// wale gives the loop of a wale on its needle, and the fabric below it.
func (w *work) wale(wales []wale, i int) []body {
	at := &wales[i]
	switch at.kind {
	case place:
		return nil
	case marker:
		return []body{ringOnNeedle(at)}
	}
	is := role{onLeft, at.n}
	if at.right {
		is.kind = onRight
		if w.yarn == drawnThrough && at.n == 1 {
			is.kind = drawnLoop
		}
	}
	key := fmt.Sprintf("l%d", at.id)
	b := body{part: at.part, key: key, is: is}
	from, to := w.between(wales, i, 0, 1), w.between(wales, i, 0, -1)
	switch {
	case is.kind == drawnLoop:
		b.points = w.through(at, from)
		return []body{b}
	case at.kind == over:
		// Nothing holds it below: it comes from one neighbour and goes to the other.
		points := onNeedle(at, from, to, 30)
		b.points = slices.Concat(points[:1], points[2:len(points)-2], points[len(points)-1:])
	case at.kind == lifted && at.right:
		b.points = onNeedle(at, from, to, hangs-10)
	case at.kind == lifted:
		b.points = w.strandUp(at)
	case at.kind == wrapOver:
		b.points = onNeedle(at, from, to, hangs-16)
		b.points = b.points[1 : len(b.points)-1]
	case at.kind == double:
		b.points = twoLegs(at, from, to)
	default:
		b.points = onNeedle(at, from, to, at.c.y-at.foot)
	}
	list := []body{b}
	if at.wraps > 0 {
		list = append(list, w.belts(at)...)
	}
	if at.grows() {
		list = append(list, w.fabric(wales, i)...)
	}
	return list
}

// onNeedle is a loop over a needle, from the strand on its right to the one on its left, its foot so far below. The right leg is in front, unless it
// sits turned.
func onNeedle(at *wale, from, to point, down float64) []point {
	c, d := at.c, at.d
	f := 1.0
	if at.turned {
		f = -1
	}
	raised := 0.0
	if at.rise {
		raised = 15.5 // its right leg lies before a needle that is before the left one
	}
	low := 3.0
	if at.purl {
		low = -3
	}
	foot := at.level(0)
	wide := 0.8
	if at.taken {
		wide = 1
	}
	right := []point{{foot.x + 5, c.y - down, low}, {c.x + wide*d, c.y - 0.65*down, f*7 + raised*0.8}, {c.x + d, c.y - 0.3*down, f*11.5 + raised},
		{c.x + 0.92*d, c.y + 3, f*11.5 + raised*0.6}, {c.x + 0.5*d, c.y + 9.6, f * 5.7}, {c.x, c.y + 11.6, 0}}
	left := []point{{c.x - 0.5*d, c.y + 9.6, -f * 5.7}, {c.x - 0.92*d, c.y + 3, -f * 11.5}, {c.x - d, c.y - 0.3*down, -f * 11.5},
		{c.x - wide*d, c.y - 0.65*down, -f * 7}, {foot.x - 5, c.y - down, low}}
	return hung(at, from, to, append(right, left...))
}

// hung adds the depth of the needle to what hangs on it, and the strands on both sides.
func hung(at *wale, from, to point, points []point) []point {
	for i := range points {
		if points[i].y > at.foot+12 {
			points[i].z += at.c.z
		}
	}
	return append(append([]point{from}, points...), to)
}

// twoLegs is a double stitch: both its strands go over the needle beside each other, and are joined behind it.
func twoLegs(at *wale, from, to point) []point {
	c, down := at.c, at.c.y-at.foot
	foot := at.level(0)
	raised := 0.0
	if at.rise {
		raised = 15.5
	}
	strand := func(front, back float64) []point {
		return []point{{c.x + front, c.y - 0.3*down, 11.5 + raised}, {c.x + front - 1, c.y + 3, 11.5 + raised*0.6}, {c.x + (front+back)/2 + 3, c.y + 10.6, 4},
			{c.x + (front+back)/2 - 3, c.y + 10.6, -4}, {c.x + back, c.y + 3, -12}, {c.x + back, c.y - 14, -12}}
	}
	one, two := strand(17, -8), strand(5, -16)
	slices.Reverse(two)
	points := append([]point{{foot.x + 5, at.foot, 3}, {foot.x + 10, c.y - 0.65*down, 7}}, one...)
	points = append(points, point{c.x - 12, c.y - 25, -12})
	points = append(append(points, two...), point{foot.x + 1, c.y - 0.65*down, 7}, point{foot.x - 5, at.foot, 3})
	return hung(at, from, to, points)
}

// fabric is what lies below the loop of a wale: its rows, and what the loop was made of.
func (w *work) fabric(wales []wale, i int) []body {
	at := &wales[i]
	var list []body
	if at.from == laid {
		return []body{otherHalf(at)}
	}
	rows := 2
	if at.part == Now && at.right {
		rows = 3
	}
	for n := 1; n <= rows; n++ {
		if at.from == slipped && n == 1 {
			continue // it reaches over a row
		}
		key := fmt.Sprintf("f%d.%d", at.id, n)
		switch {
		case n == 1 && len(at.below) > 0:
			key = fmt.Sprintf("l%d", at.below[0].id)
		case n > 1 && len(at.below) > 0:
			key = fmt.Sprintf("f%d.%d", at.below[0].id, n-1)
		}
		part := Yarn
		if n == 1 && len(at.below) > 0 {
			part = at.below[0].part
			if part == Now || part == About {
				part = Yarn
			}
		}
		if at.part == Other {
			part = Other
		}
		from, to := w.between(wales, i, n, 1), w.between(wales, i, n, -1)
		foot, head := at.level(n), at.level(n-1)
		b := body{part: part, key: key}
		switch {
		case n == 1 && (at.from == leaning || at.from == leaningL):
			list = append(list, twoBelow(at, from, to, foot, head, key, part)...)
			continue
		case n == 1 && (at.from == crossed || at.from == crossedR):
			lean := 1.0
			if at.from == crossedR {
				lean = -1
			}
			b.points = crossedBelow(from, to, foot, head, lean)
			list = append(list, b)
			return list
		case n == 1 && at.from == twisted:
			b.points = crossedBelow(from, to, foot, head, 1)
		case n == 1 && at.from == oneLeg:
			b.points = inFabric(at.purl, from, to, foot, head)
			list = append(list, body{part: About, key: fmt.Sprintf("loose%d", at.id), points: []point{{foot.x + 17, foot.y + 4, 3}, {foot.x + 9, head.y - 2, 16}, {foot.x, head.y + 4, 18},
				{foot.x - 9, head.y - 4, 16}, {foot.x - 18, foot.y + 2, 3}}})
		case n == 1 && at.from == barred:
			b.part = at.part
			b.points = []point{{foot.x - 15, head.y + 1, 7}, {foot.x - 6, head.y + 5, 8}, {foot.x + 6, head.y + 5, 8}, {foot.x + 15, head.y + 1, 7}}
			list = append(list, b)
			return list
		case at.from == chained:
			b.points = chainLink(foot, head)
		default:
			b.points = inFabric(at.purl, from, to, foot, head)
		}
		list = append(list, b)
	}
	return list
}

// otherHalf is a loop of the other half of a cast-on: it hangs below, on the needle that was drawn out.
func otherHalf(at *wale) body {
	x, y := at.x+pitch/2, at.foot
	return body{part: Yarn, key: fmt.Sprintf("o%d", at.id), points: []point{{x + 8, y - 4, -4}, {x + 11, y - 16, 5}, {x + 9, y - 30, 9}, {x, y - 38, 0}, {x - 9, y - 30, -9},
		{x - 11, y - 16, -5}, {x - 8, y - 4, -6}}}
}

// inFabric is a loop of the fabric, from its foot to the foot of the loop above it, round which its head lies.
func inFabric(purl bool, from, to, foot, head point) []point {
	sign := 1.0
	if purl {
		sign = -1
	}
	half := []point{{5, 0, 3}, {10.5, 0.55, 4}, {12.2, 0.95, 1.5}, {7.6, 1.3, -5}}
	at := func(dx, t, z float64) point {
		p := foot.toward(head, t)
		return point{p.x + dx, p.y, sign * z}
	}
	points := []point{from}
	for _, p := range half {
		points = append(points, at(p.x, p.y, p.z))
	}
	points = append(points, at(0, 1.42, -5.5))
	for _, p := range slices.Backward(half) {
		points = append(points, at(-p.x, p.y, p.z))
	}
	return append(points, to)
}

// twoBelow are two loops through which one was drawn: one of them lies before the other, and they lean to its side.
func twoBelow(at *wale, from, to, foot, head point, key string, part Part) []body {
	lean := 1.0
	if at.from == leaningL {
		lean = -1
	}
	front := inFabric(at.purl, foot.plus(-lean*2, -0.3*row, -7), to, foot.plus(-lean*11, 0, 0), head.plus(lean*3, 1, 0))
	back := inFabric(at.purl, from, foot.plus(lean*2, -0.3*row, -7), foot.plus(lean*11, 0, 0), head.plus(-lean*2, -1, 0))
	if lean < 0 {
		front[0], front[len(front)-1] = from, foot.plus(2, -0.3*row, -7)
		back[0], back[len(back)-1] = foot.plus(-2, -0.3*row, -7), to
	}
	near := 6.0
	if at.purl {
		near = -6
	}
	for i := range front {
		front[i].z += near
	}
	second := key + "b"
	if len(at.below) > 1 {
		second = fmt.Sprintf("l%d", at.below[1].id)
	}
	if lean > 0 {
		key, second = second, key // the farther one lies before
	}
	return []body{{part: part, key: key, points: front}, {part: part, key: second, points: back}}
}

// crossedBelow is a strand that was knitted twisted: its legs cross below the new loop, and the one that comes from the right lies before, or
// behind (-1).
func crossedBelow(from, to, foot, head point, lean float64) []point {
	low, high := foot.y+2, head.y
	return []point{from, {foot.x + 12, low, 2 * lean}, {foot.x - 5, (low + high) / 2, 3 + 3*lean}, {foot.x - 9, high + 2, 1}, {foot.x, high + 9, -5},
		{foot.x + 9, high + 2, 1}, {foot.x + 5, (low + high) / 2, 3 - 3*lean}, {foot.x - 12, low, 2}, to}
}

// chainLink is one stitch of the chain along an edge: two rows high, both its legs seen.
func chainLink(foot, head point) []point {
	high := head.y - foot.y
	return []point{{foot.x, foot.y - 4, 2}, {foot.x + 10, foot.y + 0.4*high, 6}, {foot.x + 9, foot.y + high, 5}, {foot.x, head.y + 7, -4},
		{foot.x - 9, foot.y + high, 5}, {foot.x - 10, foot.y + 0.4*high, 6}, {foot.x, foot.y - 4, 2}}
}

// ringOnNeedle is a marker that hangs on a needle.
func ringOnNeedle(at *wale) body {
	c := at.c
	return body{part: Pin, key: fmt.Sprintf("l%d", at.id), points: []point{{c.x, c.y + 9, -3}, {c.x + 6, c.y + 7, 8}, {c.x + 8, c.y - 6, 9}, {c.x + 2, c.y - 18, 4},
		{c.x - 6, c.y - 12, -6}, {c.x - 6, c.y + 3, -9}, {c.x, c.y + 9, -3}}}
}

// belts are the wraps round the foot of a loop: before both its legs on the right side, behind them on the wrong one. Where they were lifted they lie
// over the right needle.
func (w *work) belts(at *wale) []body {
	var list []body
	for n := range at.wraps {
		key := fmt.Sprintf("w%d.%d", at.id, n)
		x, y := at.level(0).x, at.foot+9+9*float64(n)
		if at.taken && w.under {
			right := 17 + 9*float64(n)
			top, z := w.rightY(right), w.rightZ(right)
			list = append(list, body{part: About, key: key, is: role{kind: liftedWrap}, points: []point{{right + 4, y - 9, -8},
				{right + 6, top - 4, z - 12}, {right + 1, top + 10, z - 6}, {right - 5, top + 12, z + 6}, {right - 9, top - 3, z + 12},
				{x - 4, y + 2, 20}, {x - 15, y, 12}, {x - 20, y - 7, -6}}})
			continue
		}
		z := 14.0
		if at.purl {
			z = -14
		}
		list = append(list, body{part: About, key: key, points: []point{{x + 21, y - 8, -z / 2}, {x + 16, y - 1, z / 2}, {x + 8, y + 3, z}, {x, y + 4, z},
			{x - 8, y + 3, z}, {x - 16, y - 1, z / 2}, {x - 21, y - 8, -z / 2}}})
	}
	return list
}

// strandUp is a strand that was lifted from below the needles on to the left one.
func (w *work) strandUp(at *wale) []point {
	const reach = 46.0
	down := at.c.y - (at.c.y - hangs)
	from, to := point{at.c.x + reach, at.c.y - hangs - 18, -9}, point{at.c.x - reach + 6, at.c.y - hangs - 6, -9}
	points := onNeedle(at, from, to, down*0.8)
	// It has no foot: both its ends run off to the stitches beside it.
	points[1], points[len(points)-2] = point{at.c.x + 20, at.c.y - hangs*0.86, -4}, point{at.c.x - 20, at.c.y - hangs*0.86, -4}
	return points
}

// gapBar is the strand that runs between the stitches beside both tips.
func (w *work) gapBar(left, right []wale) body {
	from, to := point{57, -90, 0}, point{0, -50, 0}
	for _, l := range left {
		if l.n == 1 {
			to = point{l.x, l.foot, 0}
		}
	}
	for _, r := range right {
		if r.n == 1 {
			from = point{r.x, r.foot - row, 0}
			if r.part != Now {
				from.y += row
			}
		}
	}
	return body{part: About, key: "bar", points: []point{{from.x - 4, from.y, 4}, {from.x - 10, from.y - 6, 9}, {(from.x + to.x) / 2, (from.y+to.y)/2 - 9, 10}, {to.x + 10, to.y - 6, 9}, {to.x + 4, to.y, 4}}}
}

// toTheEdge leads a strand on to the edge of a picture that is wider than those of the moves.
func toTheEdge(strand []body, f frame) {
	for i := range strand {
		last := &strand[i].points[len(strand[i].points)-1]
		switch {
		case strand[i].is.kind != toHand:
		case last.x > ox-20:
			last.x = f.wide - f.ox + 12
		case last.x < -ox-4:
			last.x = -f.ox - 12
		}
	}
}
