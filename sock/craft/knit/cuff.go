package knit

import "acornstep/sock/rows/needle"

// cuff knits the end that holds the sock up. On a sock without a leg its first
// round also settles what the heel's turns left.
func (s *Sock) cuff(w *worker) {
	w.enter(needle.Cuff)
	w.colour = s.colourOf("cuff")
	p := s.cuffPattern()
	if laysOut(p) {
		w.layOut(p, true)
	} else {
		w.over = nil
	}
	w.lace = nil
	for i := range s.CuffRounds {
		if i == 0 && s.LegRounds == 0 && s.Heel.FlapRows == 0 {
			s.firstRound(w)
			continue
		}
		if s.LegRounds == 0 && s.Corner.cornersGo(i+1) {
			w.loseCorners(s.corner().lost)
			continue
		}
		if w.over != nil {
			front, back := w.instep, w.sole()
			w.round(func() { w.settle(front) }, func() { w.settle(back) })
			continue
		}
		w.patternRound(p, i)
	}
}
