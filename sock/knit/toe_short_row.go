package knit

import "acornstep/sock/needle"

// shortRowToe narrows and widens over half the stitches from a provisional
// cast-on, which is undone for the other half.
type shortRowToe struct{}

func (shortRowToe) Size(s *Sock) {
	stitches := s.Stitches / 2
	turns := thirds(stitches)
	if given := s.Design.Toe.TurnsPerSide; given != nil {
		turns = *given
	}
	if !s.turnsFit("toe", stitches, turns) {
		return
	}
	s.Toe = ToeSize{CastOn: stitches, Turns: turns, Length: s.Gauge.Height(float64(2 * turns))}
	s.Toe.Rounds = s.countToeRows()
}

// countToeRows knits the toe to count its rows: they depend on the turning style.
func (s *Sock) countToeRows() int {
	h := newHands()
	shortRowToe{}.Work(h, s)
	return h.numbers[needle.Toe]
}

func (shortRowToe) Work(h *hands, s *Sock) {
	n := s.Toe.CastOn
	h.castOnChain(s, n)
	h.enter(needle.Toe)
	h.begin(needle.FlatRow)
	h.do(needle.P, n)
	style := turnings[s.Design.Heel.Turn]
	r := &shortRows{
		hands: h, style: style, stitches: n, turns: s.Toe.Turns, ring: n,
		leaveRight: style.leavesRight() && !style.crossesAtJoin(),
	}
	r.turnWith(needle.Turn)
	r.narrowing(false)
	r.widening()
	if free := r.free(); free > 0 {
		r.run(free)
	}
	h.end()
	// Undone, the chain gives the other half; what the turns left at the edges is worked with its first and last stitch.
	h.begin(needle.FlatRow)
	h.do(needle.Unzip, n)
	h.settle(n - 1)
	h.settleFar(1)
	h.end()
}
