package knit

import "acornstep/sock/needle"

// cuff knits the end that holds the sock up. On a sock without a leg its first
// round also settles what the heel's turns left.
func (s *Sock) cuff(h *hands) {
	h.enter(needle.Cuff)
	h.colour = s.colourOf("cuff")
	p := patterns[s.Design.Cuff.Pattern]
	for i := range s.CuffRounds {
		if i == 0 && s.LegRounds == 0 && s.Heel.FlapRows == 0 {
			s.settleInPattern(h, p)
			continue
		}
		h.patternRound(p, i)
	}
}

// settleInPattern works the first round of a cuff right after a heel: in the
// pattern where that is of knits and purls, else knitted.
func (s *Sock) settleInPattern(h *hands, p *Pattern) {
	var stitches []*settling
	for _, o := range p.Rounds[0] {
		as := &asKnit
		if o.Code == needle.P {
			as = &asPurl
		}
		for range o.N * o.Code.Takes() {
			stitches = append(stitches, as)
		}
	}
	far := h.instep - h.reachRight
	h.begin(needle.Round)
	h.freshStart()
	for i := range s.Heel.Ring {
		if i == h.instep {
			h.nextNeedle()
		}
		h.settleAs(stitches[i%len(stitches)], 1, i == far)
	}
	h.end()
}
