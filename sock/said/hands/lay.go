package hands

import (
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
			// The row was not worked there: to the left the strand to the hand begins, at the right it comes from a stitch that was slipped.
			if step > 0 {
				beyond.x = here.x + 0.8*pitch
			}
			return beyond
		}
		there := other.level(n)
		return point{(here.x + there.x) / 2, (here.y+there.y)/2 - 0.3*row, sign * 7}
	}
	return beyond
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
