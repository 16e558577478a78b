package knit

import "acornstep/sock/needle"

// leg knits from the heel to the cuff.
func (s *Sock) leg(h *hands) {
	h.enter(needle.Leg)
	h.colour = ""
	for i := 1; i <= s.LegRounds; i++ {
		stitches := changeIn(s.Ankle.legRounds, i)
		switch {
		case i == 1:
			s.firstRound(h)
		case s.Corner.PickUp > 0 && i >= s.Corner.Gone && i <= s.Corner.lastRound():
			h.loseCorners(s.Corner.PickUp - (i - s.Corner.Gone))
		case stitches != 0:
			h.changeRound(s.Design.Ankle.Place, stitches)
		case changeIn(s.Ankle.calfRounds, i) != 0:
			h.calfRound()
		default:
			s.legRound(h, i)
		}
	}
}

// firstRound settles what the heel's turns left and picks up at its corners.
func (s *Sock) firstRound(h *hands) {
	count := h.machine.Count()
	if s.Heel.FlapRows == 0 {
		count = s.Heel.Ring // a yarn-over of a turn is no stitch
	}
	left, right, extra := h.reachLeft, h.instep-h.reachRight, s.Corner.PickUp
	h.begin(needle.Round)
	h.freshStart()
	// Corners of a heel that laps over lie on needle 1.
	if left > 0 {
		h.settle(left)
		h.do(needle.PU, extra)
		h.instep, h.cornersLeft = h.instep+extra, extra
	}
	h.settle(right - max(left, 0))
	h.do(needle.PU, extra)
	if h.reachRight > 0 {
		h.instep, h.cornersRight = h.instep+extra, extra
	}
	h.settleFar(1)
	rest := count - right - 1
	if left > 0 {
		h.settle(rest)
	} else {
		h.settle(rest + left)
		h.do(needle.PU, extra)
		h.settle(-left)
	}
	h.end()
}

// freshStart sets the start of the round past a yarn-over that the last turn
// left before loop 0: the yarn-over is worked with the first stitch.
func (h *hands) freshStart() {
	if h.machine.Peek(0).Kind == needle.YarnOver {
		h.do(needle.Start, 1)
	}
}

// loseCorners works one extra stitch at each corner together with its neighbour of the heel.
func (h *hands) loseCorners(extra int) {
	all := h.machine.Count()
	left, right := h.reachLeft, h.instep-h.reachRight
	if h.reachRight > 0 {
		right -= extra
	}
	h.begin(needle.Round)
	worked := 0
	to := func(place int) {
		h.settle(place - worked)
		worked = place
	}
	together := func() {
		code := needle.K2tog
		if h.inPattern(h.machine.Cursor()) == &asPurl {
			code = needle.P2tog
		}
		h.do(code, 1)
		worked += 2
	}
	if left > 0 {
		to(left - 1)
		together()
		h.instep, h.cornersLeft = h.instep-1, h.cornersLeft-1
	}
	to(right + extra - 1)
	together()
	if h.reachRight > 0 {
		h.instep, h.cornersRight = h.instep-1, h.cornersRight-1
	}
	if left <= 0 {
		to(all + left - extra - 1)
		together()
	}
	to(all)
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
	case started:
		h.round(func() { s.workInstep(h, front) }, func() { h.patternCentred(leg, i-s.PlainRounds-1, back) })
	default:
		h.round(func() { s.workInstep(h, front) }, func() { h.do(needle.K, back) })
	}
}
