package tally

import (
	"fmt"

	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/needle"
)

// Ball is the sock's own yarn and what it is still good for.
type Ball struct {
	logbook.Ball
	// Each is how far it reaches on the first and on the second sock, when that one alone is knitted from it.
	Each [2]Reach `json:"each"`
	// SharedLeg is how tall both legs become, in rounds, when both socks are knitted from it.
	SharedLeg int `json:"shared_leg_rounds"`
	// Calibrated: weighed grams a stitch, not the first guess.
	Calibrated bool `json:"calibrated"`
}

// Reach is the leg that a ball gives one sock.
type Reach struct {
	// LegRounds that are left in it, with the rest of the sock and a reserve kept back.
	LegRounds int `json:"leg_rounds"`
	// FollowLeg is how tall the leg becomes, in rounds, when it is knitted until the yarn runs out.
	FollowLeg int `json:"follow_leg_rounds"`
	// Enough says whether the leg as planned is among them.
	Enough bool `json:"enough"`
	// Working is the arithmetic in a line.
	Working string `json:"working"`
}

func (o *socks) ball(book logbook.Book) *Ball {
	weighed, ok := logbook.BallOf(book.Standing, "", func(_, row int) int { return o.workedIn("", row) })
	if !ok {
		return nil
	}
	b := Ball{Ball: weighed, Calibrated: weighed.PerStitch > 0}
	per := weighed.PerStitch
	if per == 0 {
		per = yarn.GramsPerStitch(&o.plan.Design)
	}
	leg := o.leg()
	rounds := o.plan.Summary.LegRounds
	perRound, kept := per*float64(leg.Stitches), yarn.KeptBack(per, leg)
	free := b.Left * (1 - yarn.Reserve)
	both := free
	legs, open := 0, 0 // rounds that are done on the socks that still take yarn
	for i, place := range book.Places {
		if place.Finished {
			b.Each[i] = Reach{FollowLeg: rounds, Enough: true, Working: "off the needles"}
			continue
		}
		below, done := o.beforeLeg(place.Row)
		rest := per*float64(below) + kept
		r := &b.Each[i]
		r.LegRounds = max(0, int((free-rest)/perRound))
		r.FollowLeg = done + r.LegRounds
		r.Enough = r.FollowLeg >= rounds
		r.Working = fmt.Sprintf("(%.1f g × %.2f − %.1f g below the leg − %.1f g for cuff and bind-off) / %.2f g a round → %d",
			b.Left, 1-yarn.Reserve, per*float64(below), kept, perRound, r.LegRounds)
		both -= rest
		legs, open = legs+done, open+1
	}
	if open > 0 {
		b.SharedLeg = max(0, (legs+int(both/perRound))/open)
	}
	return &b
}

// beforeLeg is what a sock still takes of its own yarn before its leg, in stitches, and the leg rounds that are done.
func (o *socks) beforeLeg(row int) (stitches, done int) {
	for i := range o.plan.Rows {
		r := &o.plan.Rows[i]
		switch r.Section {
		case needle.Leg:
			if i < row {
				done++
			}
		case needle.Cuff, needle.BindOff:
		default:
			if i >= row && r.Colour == "" {
				stitches += o.knitted.Steps[i].Worked
			}
		}
	}
	return stitches, done
}

// leg is what the reckoning needs to know of the leg, from the rows.
func (o *socks) leg() yarn.Leg {
	leg := yarn.Leg{Stitches: o.plan.Summary.LegStitches, CuffRounds: o.plan.Summary.CuffRounds}
	for i := range o.plan.Rows {
		if r := &o.plan.Rows[i]; r.Section == needle.Cuff && r.Colour == needle.Contrast {
			leg.OtherCuff = true
		}
	}
	return leg
}
