package knit

import "acornstep/sock/verdict"

// corner is a remedy for the holes beside the heel.
type corner struct {
	about About
	// wrapsInstep: the stitches beside the heel are wrapped in it, and none is picked up.
	wrapsInstep bool
}

func (c corner) About() *About { return &c.about }

// corners lists the remedies, the usual one first.
var corners = []corner{cornerOuterLegs, cornerLift, cornerWrapInstep}

// CornerPlan is the remedy for the holes beside the heel.
type CornerPlan struct {
	// PickUp stitches at each corner, in the first round; they go one by one from round Gone.
	PickUp, Gone int
}

// lastRound is the leg round in which the last extra stitch goes; 0 when there are none.
func (c CornerPlan) lastRound() int {
	if c.PickUp == 0 {
		return 0
	}
	return c.Gone + c.PickUp - 1
}

// sizeCorner fits the corner's extra stitches into the leg. They stay some
// rounds to take the strain, and go with one decrease each.
func (s *Sock) sizeCorner(rounds int) {
	corner := s.Design.Corner
	if s.corner().wrapsInstep || corner.PickUp == 0 {
		return
	}
	plan := CornerPlan{PickUp: corner.PickUp, Gone: max(corner.HoldRounds, 1) + 1}
	if plan.lastRound() > rounds {
		plan.Gone = rounds - plan.PickUp + 1
		if plan.Gone < 2 {
			s.Checks.Say(verdict.Caution, "corner_no_room", "The leg is too short to pick up stitches at the corners of the heel and lose them again: close the holes with the tail instead.")
			return
		}
		s.Checks.Say(verdict.Caution, "corner_hold", "The leg has only %s, so the corner stitches go after %s instead of %d.",
			count(rounds, "round"), count(plan.Gone-1, "round"), corner.HoldRounds)
	}
	s.Corner = plan
}
