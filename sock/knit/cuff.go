package knit

import "acornstep/sock/needle"

// cuff knits the end that holds the sock up. On a sock without a leg its first
// round also settles what the heel's turns left.
func (s *Sock) cuff(h *hands) {
	h.enter(needle.Cuff)
	h.colour = s.colourOf("cuff")
	p := s.cuffPattern()
	if laysOut(p) {
		h.layOut(p, true)
	} else {
		h.over = nil
	}
	for i := range s.CuffRounds {
		if i == 0 && s.LegRounds == 0 && s.Heel.FlapRows == 0 {
			s.settleCuff(h)
			continue
		}
		if h.over != nil {
			front, back := h.instep, h.sole()
			h.round(func() { h.settle(front) }, func() { h.settle(back) })
			continue
		}
		h.patternRound(p, i)
	}
}

// settleCuff works the first round of a cuff right after a heel: in the pattern
// where that is of knits and purls, else knitted.
func (s *Sock) settleCuff(h *hands) {
	far := h.instep - h.reachRight
	h.begin(needle.Round)
	h.freshStart()
	h.settle(min(far, h.instep))
	if far >= h.instep {
		h.nextNeedle()
		h.settle(far - h.instep)
	}
	h.settleFar(1)
	if far < h.instep {
		h.settle(h.instep - far - 1)
		h.nextNeedle()
	}
	h.settle(s.Heel.Ring - max(far+1, h.instep))
	h.end()
}
