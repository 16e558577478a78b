package hands

import "acornstep/sock/rows/needle"

// Held is a loop on the needle to practise on, as it lies.
type Held struct {
	Kind needle.Kind
	// ID tells it from all others; the same loop has the same one after the next move.
	ID int
	// Purl: it shows its bump to whoever knits.
	Purl   bool
	Turned bool
	Wraps  int
	// Now: it was made in the row at hand.
	Now bool
	// Beyond: it waits beyond so many gaps.
	Beyond int
	// Pinned: a pin hangs round the strand between it and the next one towards the tip.
	Pinned bool
	// Made is the operation that made it; none for one that was slipped in this row.
	Made needle.Code
	// Wrong says what went wrong when it was made.
	Wrong Wrong
}

// Wrong is a mistake that is seen in a stitch.
type Wrong uint8

// The mistakes that are seen.
const (
	_       Wrong = iota // nothing
	Twisted              // a turned loop was worked through its front: its legs cross
	OneLeg               // of a double stitch one leg alone: a strand lies loose before it
)

// Yarned is where the yarn is on the needle to practise on.
type Yarned struct {
	// Front: in front of the work. Round: it lies round the first loop of the right needle, which was slipped for that.
	Front, Round bool
	// After: nothing was worked since the work was turned.
	After bool
	// Lifted: the right needle lifts what lies at the next loop: its wrap, or the strand before it.
	Lifted bool
}

// OnNeedles draws what lies on two needles, each list counted from the tips outward, in a view.
func OnNeedles(v View, purls bool, left, right []Held, y Yarned) Picture {
	return onPractice.of(v.seenIn(onPractice, onNeedles(purls, left, right, y).draw))
}

// onNeedles is what lies on two needles, and where the yarn is.
func onNeedles(purls bool, left, right []Held, y Yarned) *work {
	w := work{purls: purls, yarn: behind, flat: true, moved: !y.After && len(right) > 0}
	if y.Front {
		w.yarn = inFront
	}
	for _, l := range left {
		w.left = append(w.left, l.loop())
	}
	for _, l := range right {
		w.right = append(w.right, l.loop())
	}
	if len(w.left) > 0 && y.After {
		w.turnedAt = w.left[0].id
	}
	if len(w.right) > 0 && y.After && right[0].Made == needle.NoOp && !right[0].Now && right[0].Beyond == 0 {
		w.turnedAt = w.right[0].id
	}
	if y.Round && len(w.right) > 0 {
		w.yarn = wrapping
	}
	if y.Lifted && len(w.left) > 0 {
		if w.left[0].wraps > 0 {
			enter(knitwise, 1)(&w)
			below(&w)
			onlyWrap(&w)
		} else {
			w.last = 1 << 20
			lift(false)(&w)
		}
	}
	for i, l := range right {
		if l.Pinned {
			w.extra = append(w.extra, pinAt(i))
		}
	}
	return &w
}

// pinAt hangs a pin beside a loop of the right needle, towards the tip.
func pinAt(i int) func(*work) []body {
	return func(w *work) []body {
		_, right := w.places()
		return pin(right[i].level(0).x-pitchDone/2, right[i].foot-2)
	}
}

// loop is a held loop as it is drawn.
func (h *Held) loop() loop {
	l := loop{id: h.ID, part: Yarn, purl: h.Purl, turned: h.Turned, wraps: h.Wraps, low: h.Beyond}
	if h.Now {
		l.part = Now
	}
	switch h.Kind {
	case needle.Double:
		l.kind, l.part = double, About
	case needle.YarnOver:
		l.kind, l.part = over, About
	}
	switch {
	case h.Wrong == Twisted:
		l.from = twisted
	case h.Wrong == OneLeg:
		l.from = oneLeg
	case !h.Now:
	case h.Made == needle.K2tog, h.Made == needle.P2tog, h.Made == needle.K3tog, h.Made == needle.P3tog:
		l.from = leaning
	case h.Made == needle.SSK, h.Made == needle.SSP, h.Made == needle.SSSK, h.Made == needle.SSSP:
		l.from = leaningL
	case h.Made == needle.M1, h.Made == needle.M1L, h.Made == needle.M1P, h.Made == needle.PC:
		l.from = crossed
	case h.Made == needle.M1R:
		l.from = crossedR
	}
	return l
}
