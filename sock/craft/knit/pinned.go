package knit

import (
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
)

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
	s.toe().Pin(s, &d)
	s.heel().Pin(s, &d)
	return d
}

// PinnedTo is the design of a plan with every count as its summary has it,
// whoever made the rows and by whatever rules.
func PinnedTo(p *plan.Plan) design.Design {
	d, s := Measure(&p.Design).Pinned(), p.Summary
	d.Stitches = &s.FootStitches
	d.FootLength.Rounds, d.Leg.Rounds, d.Cuff.Rounds = &s.FootRounds, &s.LegRounds, &s.CuffRounds
	replace := func(pinned **int, count *int) {
		if *pinned != nil && count != nil {
			*pinned = count
		}
	}
	replace(&d.Leg.Stitches, &s.LegStitches)
	replace(&d.Toe.StartStitches, &s.CastOnStitches)
	if (s.FootStitches-s.CastOnStitches)%4 != 0 {
		d.Toe.StartStitches = nil // no design begins with what was cast on by mistake
	}
	replace(&d.Heel.Stitches, &s.HeelStitches)
	replace(&d.Heel.TurnsPerSide, s.HeelTurnsPerSide)
	replace(&d.Heel.FlapRows, s.FlapRows)
	replace(&d.Heel.GussetIncreases, s.GussetIncreases)
	return d
}
