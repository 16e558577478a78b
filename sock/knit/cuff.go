package knit

import "acornstep/sock/needle"

// bindOffs are the ways to end that stretch over the heel; on the needle each
// of them takes one loop after the other.
var bindOffs = map[string]bool{"k2tog": true}

// cuff knits the ribbed end. On a sock without a leg its first round also
// settles what the heel's turns left.
func (s *Sock) cuff(h *hands) {
	h.enter(needle.Cuff)
	for i := range s.CuffRounds {
		if i == 0 && s.LegRounds == 0 {
			h.settleInPattern(patterns[s.Design.Cuff.Pattern])
			continue
		}
		h.patternRound(patterns[s.Design.Cuff.Pattern], i)
	}
}

// settleInPattern works the first round of a pattern of knits and purls right after a heel.
func (h *hands) settleInPattern(p *Pattern) {
	var stitches []*settling
	for _, o := range p.Rounds[0] {
		as := &asKnit
		if o.Code.IsPurl() {
			as = &asPurl
		}
		for range o.N {
			stitches = append(stitches, as)
		}
	}
	front, back := h.instep, h.sole()
	h.begin(needle.Round)
	for i := range front + back {
		if i == front {
			h.nextNeedle()
		}
		h.settleAs(stitches[i%len(stitches)], 1, i == front)
	}
	h.end()
}

func (s *Sock) bindOff(h *hands) {
	h.enter(needle.BindOff)
	front, back := h.instep, h.sole()
	h.round(func() { h.do(needle.BO, front) }, func() { h.do(needle.BO, back) })
}
