package knit

// thirdsUp is a short-row heel by another rule: a third that does not divide is rounded up.
type thirdsUp struct{ shortRowHeel }

func (h thirdsUp) Size(s *Sock) {
	h.shortRowHeel.Size(s)
	if s.Stopped() || s.Design.Heel.TurnsPerSide != nil || s.Heel.Stitches%3 == 0 {
		return
	}
	d := *s.Design
	turns := s.Heel.Turns + 1
	d.Heel.TurnsPerSide = &turns
	mine := s.Design
	s.Design = &d
	h.shortRowHeel.Size(s)
	s.Design = mine
}

// RoundThirdsUp makes this program a newer one, with another rule for the turns of a heel, until it is put back.
func RoundThirdsUp() (back func()) {
	heels[0] = thirdsUp{}
	return func() { heels[0] = shortRowHeel{} }
}
