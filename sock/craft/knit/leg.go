package knit

import (
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/note"
)

// leg knits from the heel to the cuff.
func (s *Sock) leg(h *hands) {
	h.enter(needle.Leg)
	for i := 1; i <= s.LegRounds; i++ {
		h.stripe(s)
		stitches := changeIn(s.Ankle.legRounds, i)
		switch {
		case i == 1:
			s.firstRound(h)
		case s.Corner.cornersGo(i):
			h.loseCorners(s.corner().lost)
		case stitches != 0:
			h.changeRound(s.Design.Ankle.Place, stitches)
		case changeIn(s.Ankle.calfRounds, i) != 0:
			h.calfRound()
		default:
			s.legRound(h, i)
		}
	}
}

// firstRound settles what the heel's turns left and makes the extra stitches at its corners.
func (s *Sock) firstRound(h *hands) {
	count := h.machine.Count()
	if s.Heel.FlapRows == 0 {
		count = s.Heel.Ring // a yarn-over of a turn is no stitch
	}
	corner, extra := s.corner(), s.Corner.PickUp
	h.lay.unpark()
	left, right := h.reachLeft, h.instep-h.reachRight // where the heel ends and where it began
	if left < 0 || left == 0 && corner.after {
		left += count
	}
	h.begin(needle.Round)
	h.freshStart()
	worked, wraps := 0, min(h.wrapped(), 2)
	to := func(place int) {
		if worked <= right && right < place {
			h.settle(right - worked)
			h.settleFar(1)
			worked = right + 1
		}
		h.settle(place - worked)
		worked = place
	}
	for _, place := range []int{min(left, right), max(left, right), count} {
		to(place)
		if !corner.after {
			h.nextNeedle()
		}
		if place < count || place == left {
			h.stand(place+extra*len(h.corners), extra, corner.after)
		}
		if place == count {
			break
		}
	}
	switch {
	case extra > 0:
		h.remark(corner.note(h.reachLeft != 0 || h.reachRight != 0))
	case corner.wrapsInstep:
		h.remark(note.Of(corner.wrapped[wraps]))
	}
	h.end()
}

// wrapped counts the stitches that carry a wrap: after a heel those beside it, and one of its own that is left to this round.
func (h *hands) wrapped() int {
	n := 0
	for _, loop := range h.machine.Snapshot().Loops {
		if loop.Wraps > 0 {
			n++
		}
	}
	return n
}

// freshStart sets the start of the round past a yarn-over that the last turn
// left before loop 0: the yarn-over is worked with the first stitch.
func (h *hands) freshStart() {
	if h.machine.Peek(0).Kind == needle.YarnOver {
		h.do(needle.Start, 1)
	}
}

// stand picks up so many stitches at a corner, where the yarn is.
func (h *hands) stand(at, extra int, after bool) {
	if extra == 0 {
		return
	}
	h.do(needle.PC, extra)
	if at < h.instep || at == h.instep && after {
		h.instep += extra
	}
	h.corners = append(h.corners, standing{at, extra, after})
}

// loseCorners works one extra stitch at each corner together with its neighbour.
func (h *hands) loseCorners(lost note.Code) {
	h.begin(needle.Round)
	worked := 0
	for i := range h.corners {
		c := &h.corners[i]
		c.at -= i // the corners before it have lost one each
		pair := c.at + c.n - 1
		if c.after {
			pair = c.at - 1
		}
		h.settle(pair - worked)
		together := needle.K2tog
		if h.inPattern(pair) == &asPurl {
			together = needle.P2tog
		}
		h.do(together, 1)
		worked = pair + 1
		if c.at < h.instep {
			h.instep--
		}
		c.n--
	}
	h.settle(h.machine.Count() - worked)
	if h.corners[0].n == 0 {
		h.corners = nil
	}
	h.remark(note.Of(lost))
	h.end()
}

// calfRound makes a pair of stitches at the centre back.
func (h *hands) calfRound() {
	front, back := h.instep, h.sole()
	h.round(func() { h.settle(front) }, func() {
		h.settle(back/2 - 1)
		h.do(needle.M1R, 1)
		h.settle(2)
		h.do(needle.M1L, 1)
		h.settle(back - back/2 - 1)
	})
}

// legRound works round i in the patterns of leg and instep.
func (s *Sock) legRound(h *hands, i int) {
	leg, instep := s.legPattern(), s.instepPattern()
	front, back := h.instep, h.sole()
	started := i > s.PlainRounds
	if allRound := instep.Plain() || instep.Name == leg.Name; started && allRound && laysOut(leg) {
		h.layOut(leg, true)
		h.over.panel = s.legPanel()
	}
	switch {
	case started && h.over != nil && h.over.allRound:
		// The back begins where the instep stands, so that the repeat closes.
		h.round(func() { h.settle(front) }, func() { h.settle(back) })
	case started && (instep.Plain() || instep.Name == leg.Name):
		// The back begins where the instep's pattern stands, so that the repeat closes.
		row := i - s.PlainRounds - 1
		if instep.Name == leg.Name && !leg.Plain() {
			row = h.instepRow
			h.instepRow++
		}
		h.patternRound(leg, row)
	case started && (s.legPanel() == nil || s.Design.Leg.Panels == "back"):
		h.round(func() { s.workInstep(h, front) }, func() { h.patternCentred(leg, i-s.PlainRounds-1, back) })
	default:
		h.round(func() { s.workInstep(h, front) }, func() { h.do(needle.K, back) })
	}
}
