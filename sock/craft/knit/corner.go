package knit

import (
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/rows/note"
)

// corner is a remedy for the holes beside the heel.
type corner struct {
	about About
	// wrapsInstep: the stitches beside the heel are wrapped in it, and none is picked up.
	wrapsInstep bool
	// after: the extra stitch is the last of its needle and leaves with the stitch before it;
	// else it is the first, and leaves with the stitch that follows.
	after bool
	// made and lost say how, in the round that makes the extra stitches and in the one that takes them away.
	made, lost note.Code
	// wrapped says it of so many stitches beside the heel that carry a wrap.
	wrapped [3]note.Code
	// stands says where that is on its needle, standsWide beside a heel that laps over the instep.
	stands, standsWide note.Code
}

// standing are extra stitches at one corner.
type standing struct {
	// at is the first of them, counted from the start of the round; n are left.
	at, n int
	// after: they leave with the stitch before them.
	after bool
}

func (c corner) About() *About { return &c.about }

// cornerCounts are worked out anew when another remedy is chosen: each holds its stitches as long as it needs.
var cornerCounts = []at.Path{at.CornerHoldRounds}

// note is what is said of the round that makes the extra stitches.
func (c corner) note(wide bool) string {
	if wide {
		return note.Of(c.made) + " " + note.Of(c.standsWide)
	}
	return note.Of(c.made) + " " + note.Of(c.stands)
}

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

// roundsAtCorner are the rounds in which extra stitches at the corners may stand: those of the leg,
// and without a leg those of a cuff whose columns can be told.
func (s *Sock) roundsAtCorner() int {
	if s.LegRounds == 0 && laysOut(s.cuffPattern()) {
		return s.CuffRounds
	}
	return s.LegRounds
}

// cornersGo says whether extra stitches leave in a round, counted from the end of the heel.
func (c CornerPlan) cornersGo(round int) bool {
	return c.PickUp > 0 && round >= c.Gone && round <= c.lastRound()
}

// sizeCorner fits the corner's extra stitches into the leg. They stay some
// rounds to take the strain, and go with one decrease each.
func (s *Sock) sizeCorner(rounds int) {
	corner := s.Design.Corner
	if s.corner().wrapsInstep && !s.heel().LapsOver() {
		s.Checks.Say(verdict.OnCorners, verdict.Note, "corner_no_wrap",
			"This heel has no turn beside the instep, so no stitch is wrapped there: close the holes with the tail, or choose another remedy.")
	}
	if s.corner().wrapsInstep || corner.PickUp == 0 {
		return
	}
	plan := CornerPlan{PickUp: corner.PickUp, Gone: max(corner.HoldRounds, 1) + 1}
	if plan.lastRound() > rounds {
		plan.Gone = rounds - plan.PickUp + 1
		if plan.Gone < 2 {
			s.Checks.Say(verdict.OnCorners, verdict.Caution, "corner_no_room",
				"The leg is too short to pick up stitches at the corners of the heel and lose them again: close the holes with the tail instead.")
			return
		}
		s.Checks.Say(verdict.OnCorners, verdict.Caution, "corner_hold",
			"The leg has only %s, so the corner stitches go after %s instead of %d.",
			measure.Count(rounds, "round"), measure.Count(plan.Gone-1, "round"), corner.HoldRounds)
	}
	s.Corner = plan
}
