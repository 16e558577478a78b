package knit

import (
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/note"
)

// leg knits from the heel to the cuff.
func (s *Sock) leg(w *worker) {
	w.enter(needle.Leg)
	for i := 1; i <= s.LegRounds; i++ {
		w.stripe(s)
		stitches := changeIn(s.Ankle.legRounds, i)
		switch {
		case i == 1:
			s.firstRound(w)
		case s.Corner.cornersGo(i):
			w.loseCorners(s.corner().lost)
		case stitches != 0:
			w.changeRound(s.Design.Ankle.Place, stitches)
		case changeIn(s.Ankle.calfRounds, i) > 0:
			w.calfGrows()
		case changeIn(s.Ankle.calfRounds, i) < 0:
			w.calfNarrows()
		default:
			s.legRound(w, i)
		}
	}
}

// firstRound settles what the heel's turns left and makes the extra stitches at its corners.
func (s *Sock) firstRound(w *worker) {
	count := w.machine.Count()
	if s.Heel.FlapRows == 0 {
		count = s.Heel.Ring // a yarn-over of a turn is no stitch
	}
	corner, extra := s.corner(), s.Corner.PickUp
	w.lay.unpark()
	left, right := w.reachLeft, w.instep-w.reachRight // where the heel ends and where it began
	if left < 0 || left == 0 && corner.after {
		left += count
	}
	w.begin(needle.Round)
	w.freshStart()
	worked, wraps := 0, min(w.wrapped(), 2)
	to := func(place int) {
		if worked <= right && right < place {
			w.settle(right - worked)
			w.settleFar(1)
			worked = right + 1
		}
		w.settle(place - worked)
		worked = place
	}
	for _, place := range []int{min(left, right), max(left, right), count} {
		to(place)
		if !corner.after {
			w.nextNeedle()
		}
		if place < count || place == left {
			w.stand(place+extra*len(w.corners), extra, corner.after)
		}
		if place == count {
			break
		}
	}
	switch {
	case extra > 0:
		w.remark(corner.note(w.reachLeft != 0 || w.reachRight != 0))
	case corner.wrapsInstep:
		w.remark(note.Of(corner.wrapped[wraps]))
	}
	w.end()
}

// wrapped counts the stitches that carry a wrap: after a heel those beside it, and one of its own that is left to this round.
func (w *worker) wrapped() int {
	n := 0
	for _, loop := range w.machine.Snapshot().Loops {
		if loop.Wraps > 0 {
			n++
		}
	}
	return n
}

// freshStart sets the start of the round past a yarn-over that the last turn
// left before loop 0: the yarn-over is worked with the first stitch.
func (w *worker) freshStart() {
	if w.machine.Peek(0).Kind == needle.YarnOver {
		w.do(needle.Start, 1)
	}
}

// stand picks up so many stitches at a corner, where the yarn is.
func (w *worker) stand(at, extra int, after bool) {
	if extra == 0 {
		return
	}
	w.do(needle.PC, extra)
	if at < w.instep || at == w.instep && after {
		w.instep += extra
	}
	w.corners = append(w.corners, standing{at, extra, after})
}

// loseCorners works one extra stitch at each corner together with its neighbour.
func (w *worker) loseCorners(lost note.Code) {
	w.begin(needle.Round)
	worked := 0
	for i := range w.corners {
		c := &w.corners[i]
		c.at -= i // the corners before it have lost one each
		pair := c.at + c.n - 1
		if c.after {
			pair = c.at - 1
		}
		w.settle(pair - worked)
		together := needle.K2tog
		if w.inPattern(pair) == &asPurl {
			together = needle.P2tog
		}
		w.do(together, 1)
		worked = pair + 1
		if c.at < w.instep {
			w.instep--
		}
		c.n--
	}
	w.settle(w.machine.Count() - worked)
	if w.corners[0].n == 0 {
		w.corners = nil
	}
	w.remark(note.Of(lost))
	w.end()
}

// calfGrows makes a pair of stitches at the centre back, two plain columns between them.
func (w *worker) calfGrows() {
	front, back := w.instep, w.sole()
	w.round(func() { w.settle(front) }, func() {
		w.settle(back/2 - 1)
		w.do(needle.M1R, 1)
		w.do(needle.K, centreBack)
		w.do(needle.M1L, 1)
		w.settle(back - back/2 - 1)
	})
}

// calfNarrows takes a pair away on the same line: on either side the stitch beside the two plain columns goes behind its neighbour, whose
// column stays.
func (w *worker) calfNarrows() {
	front, back := w.instep, w.sole()
	together := func(stays int, knit needle.Code) needle.Code {
		if w.over != nil && w.inPattern(stays) == &asPurl {
			return needle.P2tog
		}
		return knit
	}
	w.round(func() { w.settle(front) }, func() {
		before := back/2 - 1
		w.settle(before - 2)
		w.do(together(front+before-2, needle.SSK), 1)
		w.do(needle.K, centreBack)
		w.do(together(w.machine.StitchesBefore(w.machine.Cursor())+1, needle.K2tog), 1)
		w.settle(back - before - centreBack - 2)
	})
}

// centreBack are the plain columns at the centre back between the stitches of a pair.
const centreBack = 2

// legRound works round i in the patterns of leg and instep.
func (s *Sock) legRound(w *worker, i int) {
	leg, instep := s.legPattern(), s.instepPattern()
	front, back := w.instep, w.sole()
	started := i > s.PlainRounds
	if allRound := instep.Plain() || instep.Name == leg.Name; started && allRound && laysOut(leg) {
		w.layOut(leg, true)
		w.over.panel, w.over.seam = s.legPanel(), len(s.Ankle.calfRounds) > 0
	}
	switch {
	case started && w.over != nil && w.over.allRound:
		// The back begins where the instep stands, so that the repeat closes.
		w.round(func() { w.settle(front) }, func() { w.settle(back) })
	case started && (instep.Plain() || instep.Name == leg.Name):
		// The back begins where the instep's pattern stands, so that the repeat closes.
		row := i - s.PlainRounds - 1
		if instep.Name == leg.Name && !leg.Plain() {
			row = w.instepRow
			w.instepRow++
		}
		w.patternRound(leg, row)
	case started && (s.legPanel() == nil || s.Design.Leg.Panels == "back"):
		w.round(func() { s.workInstep(w, front) }, func() { w.patternCentred(leg, i-s.PlainRounds-1, back) })
	default:
		w.round(func() { s.workInstep(w, front) }, func() { w.do(needle.K, back) })
	}
}
