package hands

import "slices"

// verb is one thing that the hands do.
type verb func(*work)

// enter puts the right needle into the next loops of the left one.
func enter(how way, n int) verb {
	return func(w *work) { w.entered, w.taken, w.moved, w.wrapOnly = how, n, false, false }
}

// wrap lays the yarn round the tip.
func wrap(w *work) { w.yarn = roundTip }

// draw draws a new loop through those that were entered; they hang on the left needle still.
func draw(w *work) {
	w.yarn = drawnThrough
	l := loop{part: Now, purl: w.entered.back(), below: slices.Clone(w.left[:w.taken])}
	w.right, w.turnedAt = append([]loop{w.named(l)}, w.right...), 0
}

// drop lets go what the new loop was drawn through.
func drop(w *work) {
	l := &w.right[0]
	switch {
	case w.taken == 1 && w.left[0].kind == lifted:
		l.from = crossed
		if w.left[0].turned {
			l.from = crossedR
		}
	case w.taken > 1 && w.entered == knitwise, w.taken > 1 && w.entered == purlwise:
		l.from = leaning
	case w.taken > 1:
		l.from = leaningL
	case len(w.right) > 1 && len(w.right[1].below) > 0 && w.right[1].below[0].id == w.left[0].id:
		l.from = barred
	}
	w.left = w.left[w.taken:]
	w.rest()
}

// rest is the yarn where it was, and nothing entered.
func (w *work) rest() {
	back := w.entered.back() || w.entered == out && w.purls
	w.yarn, w.entered, w.taken, w.under, w.moved = behind, out, 0, false, true
	if back {
		w.yarn = inFront
	}
}

// done works what was entered to its end.
func done(w *work) { wrap(w); draw(w); drop(w) }

// knits and purls work so many loops as they come.
func knits(n int) verb { return plain(knitwise, n) }
func purls(n int) verb { return plain(purlwise, n) }

func plain(how way, n int) verb {
	return func(w *work) {
		for range n {
			enter(how, 1)(w)
			done(w)
		}
	}
}

// together works so many loops as one.
func together(how way, n int) verb {
	return func(w *work) { enter(how, n)(w); done(w) }
}

// slip takes so many loops over as they are; slipKnitwise turns them.
func slip(n int) verb { return slipping(n, false) }

func slipKnitwise(n int) verb { return slipping(n, true) }

func slipping(n int, turns bool) verb {
	return func(w *work) {
		for range n {
			l := w.left[0]
			l.turned = l.turned != turns
			w.left, w.right = w.left[1:], append([]loop{l}, w.right...)
		}
		at := w.yarn
		w.entered = out
		w.rest()
		w.yarn = at
	}
}

// giveBack takes so many loops back to the left needle as they are.
func giveBack(n int) verb {
	return func(w *work) {
		for range n {
			w.left, w.right = append([]loop{w.right[0]}, w.left...), w.right[1:]
		}
		w.moved = false
	}
}

// turn shows the other side: what was worked waits on the left needle, what waits beyond the gap lies on the right one.
func turn(w *work) {
	left, right := w.right, w.left
	w.left, w.right, w.purls, w.entered, w.taken, w.moved = nil, nil, !w.purls, out, 0, false
	for _, l := range left {
		w.left = append(w.left, l.reversed())
	}
	for _, l := range right {
		l = l.reversed()
		l.low++
		w.right = append(w.right, l)
	}
	w.turnedAt = 0
	if len(w.left) > 0 {
		w.turnedAt = w.left[0].id
	}
	w.yarn = behind
	if w.purls {
		w.yarn = inFront
	}
}

// reversed is a loop seen from its other side. Round a needle it lies as it did: the leg that leads is in front still.
func (l loop) reversed() loop {
	l.purl = !l.purl
	if l.part == Now {
		l.part = Yarn
	}
	return l
}

// yarnTo puts the strand somewhere.
func yarnTo(at yarnAt) verb { return func(w *work) { w.yarn = at } }

// pullUp pulls the yarn of the first loop on the right needle up and over it, until two legs show.
func pullUp(w *work) { w.right[0].kind, w.right[0].part, w.yarn = double, About, pulled }

// layOver lays the yarn over the right needle; the next stitch makes it a loop.
func layOver(w *work) {
	if w.purls {
		w.yarn = overFront
	} else {
		w.yarn = overBack
	}
}

// overMade is the yarn-over that was laid, once the next stitch holds it.
func overMade(w *work) {
	w.right, w.turnedAt = append([]loop{w.named(loop{part: About, kind: over, purl: w.purls})}, w.right...), 0
	w.yarn = behind
	if w.purls {
		w.yarn = inFront
	}
}

// lift puts a strand on the left needle as its next loop; turned: its leading leg is behind.
func lift(turned bool) verb {
	return func(w *work) {
		l := w.named(loop{part: About, kind: lifted, purl: w.purls, turned: turned})
		w.left, w.bar, w.moved = append([]loop{l}, w.left...), false, false
	}
}

// liftWrap puts the wrap of the next loop on the left needle behind it.
func liftWrap(w *work) {
	w.left[0].wraps = 0
	l := w.named(loop{part: About, kind: wrapOver, purl: w.purls})
	w.left = slices.Insert(w.left, 1, l)
}

// below takes the right needle under the wraps of the loops that it enters.
func below(w *work) { w.under = true }

// onlyWrap has it under the wrap, and before the loop still.
func onlyWrap(w *work) { w.wrapOnly = true }

// wrapped leaves the strand round the foot of the next loop of the left needle.
func wrapped(w *work) { w.left[0].wraps++ }

// lookAtBar looks at the bar between both needles.
func lookAtBar(w *work) { w.bar = true }

// still is only what waits: no strand to a hand.
func still(w *work) { w.yarn = none }

// with draws something beside the loops in this step.
func with(more func(*work) []body) verb { return func(w *work) { w.extra = append(w.extra, more) } }
