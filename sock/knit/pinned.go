package knit

import "acornstep/sock/design"

// Pinned is the design of a sock with every count as it came out, so that
// another gauge or foot changes its lengths and none of its rows. The leg of a
// knee sock, whose count grows with the calf, stays free.
func (s *Sock) Pinned() design.Design {
	d := *s.Design
	whole := func(n int) *int { return &n }
	d.Stitches = whole(s.Stitches)
	d.FootLength.Rounds, d.Leg.Rounds, d.Cuff.Rounds = whole(s.FootRounds), whole(s.LegRounds), whole(s.CuffRounds)
	if d.Leg.Stitches != nil || d.Foot.CalfGirth == nil {
		d.Leg.Stitches = whole(s.LegStitches)
	}
	switch d.Toe.Kind {
	case "wedge":
		d.Toe.StartStitches, d.Toe.FastRounds = whole(s.Toe.CastOn), whole(s.Toe.FastRounds)
	case "short_row":
		d.Toe.TurnsPerSide = whole(s.Toe.Turns)
	}
	switch d.Heel.Kind {
	case "short_row":
		d.Heel.Stitches, d.Heel.TurnsPerSide = whole(s.Heel.Stitches), whole(s.Heel.Turns)
	case "flap_under":
		d.Heel.FlapRows = whole(s.Heel.FlapRows)
	case "gusset_turn":
		d.Heel.TurnsPerSide, d.Heel.GussetIncreases = whole(s.Heel.Turns), whole(s.Heel.GussetIncreases)
	}
	return d
}
