package knit

import (
	"acornstep/sock/needle"
)

// sizeLeg finds the rounds of leg and cuff, and what happens in them.
func (s *Sock) sizeLeg() {
	d := s.Design
	cuff := d.Cuff.Height
	if cuff > d.Leg.Height {
		cuff = d.Leg.Height
		s.say(Note, "cuff_clamped", "cuff.height_mm: a cuff of %.0f mm is taller than the leg, so the whole leg of %.0f mm is cuff.", float64(d.Cuff.Height), float64(cuff))
	}
	s.CuffRounds = s.Gauge.RoundsIn(cuff)
	s.LegRounds = max(0, s.Gauge.RoundsIn(d.Leg.Height)-s.CuffRounds)
	if s.LegRounds+s.CuffRounds == 0 {
		s.LegRounds = 1 // the heel's last turns must be settled before the bind-off
		s.say(Caution, "no_leg", "leg.height_mm: with no leg at all one round is knitted after the heel, so that it can be bound off.")
	}
	s.sizeCorner(s.LegRounds)
	s.placeAnkle()
	s.PlainRounds = s.plainRounds()
}

// defaultPlainRounds come before a pattern when no corner stitches are held, so
// that nothing rubs at the back of the shoe.
const defaultPlainRounds = 3

func (s *Sock) plainRounds() int {
	if given := s.Design.Leg.PlainRounds; given != nil {
		return *given
	}
	return max(defaultPlainRounds, s.Corner.lastRound())
}

// placeAnkle finds the rounds of the leg that change the count.
func (s *Sock) placeAnkle() {
	s.Ankle.After = s.LegStitches - s.Stitches - s.Ankle.Before
	first := max(s.Corner.lastRound()+1+restAfterChange, 2)
	s.Ankle.legRounds = s.spread(changes(s.Ankle.After), first, s.LegRounds, false)
	lost := s.Ankle.After
	for _, c := range s.Ankle.legRounds {
		lost -= c.stitches
	}
	if lost != 0 {
		s.say(Caution, "ankle_no_room", "There are too few rounds to change to %d stitches: the leg keeps %d.", s.LegStitches, s.LegStitches-lost)
		s.LegStitches -= lost
	}
}

// spread gives each change a round between first and last, with rests between
// them; from the end backward on the foot. What does not fit is left out.
func (s *Sock) spread(list []change, first, last int, fromEnd bool) []change {
	rest := restAfterChange
	for rest > 0 && first+(len(list)-1)*(rest+1) > last {
		rest--
	}
	room := max(0, (last-first)/(rest+1)+1)
	if last < first {
		room = 0
	}
	if len(list) > room {
		list = list[:room]
	}
	for i := range list {
		list[i].round = first + i*(rest+1)
		if fromEnd {
			list[i].round = last - (len(list)-1-i)*(rest+1)
		}
	}
	return list
}

func changeIn(list []change, round int) (stitches int) {
	for _, c := range list {
		if c.round == round {
			return c.stitches
		}
	}
	return 0
}

// foot knits straight from the toe to the heel.
func (s *Sock) foot(h *hands) {
	h.enter(needle.Foot)
	for i := 1; i <= s.FootRounds; i++ {
		if stitches := changeIn(s.Ankle.footRounds, i); stitches != 0 {
			h.changeRound(s.Design.Ankle.Place, stitches)
			continue
		}
		h.plainRound()
	}
}

// leg knits from the heel to the cuff.
func (s *Sock) leg(h *hands) {
	h.enter(needle.Leg)
	for i := 1; i <= s.LegRounds; i++ {
		stitches := changeIn(s.Ankle.legRounds, i)
		switch {
		case i == 1:
			s.firstRound(h)
		case s.Corner.PickUp > 0 && i >= s.Corner.Gone && i <= s.Corner.lastRound():
			h.loseCorners()
		case stitches != 0:
			h.changeRound(s.Design.Ankle.Place, stitches)
		case i > s.PlainRounds:
			h.patternRound(patterns[s.Design.Leg.Pattern], i-s.PlainRounds-1)
		default:
			h.plainRound()
		}
	}
}

// firstRound settles what the heel's turns left and picks up at its corners.
func (s *Sock) firstRound(h *hands) {
	front, back := h.instep, h.sole()
	h.round(func() { h.settle(front) }, func() {
		h.do(needle.PU, s.Corner.PickUp)
		h.settleFar(1)
		h.settle(back - 1)
		h.do(needle.PU, s.Corner.PickUp)
	})
}

// loseCorners works one extra stitch at each corner together with its neighbour of the heel.
func (h *hands) loseCorners() {
	front, back := h.instep, h.sole()
	h.round(func() { h.do(needle.K, front) }, func() {
		h.do(needle.K2tog, 1)
		h.do(needle.K, back-4)
		h.do(needle.K2tog, 1)
	})
}
