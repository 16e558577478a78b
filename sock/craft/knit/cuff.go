package knit

import "acornstep/sock/rows/needle"

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
	h.lace = nil
	for i := range s.CuffRounds {
		if i == 0 && s.LegRounds == 0 && s.Heel.FlapRows == 0 {
			s.firstRound(h)
			continue
		}
		if s.LegRounds == 0 && s.Corner.cornersGo(i+1) {
			h.loseCorners(s.corner().lost)
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
