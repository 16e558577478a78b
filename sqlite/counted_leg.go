package sqlite

import (
	"math"
)

func (c *counted) sizeLeg() {
	d := c.d
	cuff := min(float64(d.Cuff.Height), float64(d.Leg.Height))
	c.cuffRounds = halfUpThen(cuff * c.gr)
	if d.Cuff.Rounds != nil {
		c.cuffRounds = *d.Cuff.Rounds
	}
	room := max(0, halfUpThen(float64(d.Leg.Height)*c.gr)-c.cuffRounds)
	c.legRounds = room
	if d.Leg.Rounds != nil {
		c.legRounds = *d.Leg.Rounds
	}
	switch {
	case c.flapRows == 0:
		c.sizeCorner()
	case d.Leg.Rounds != nil && c.legRounds > 0:
		c.planGusset(math.MaxInt)
	default:
		c.planGusset(room)
		c.legRounds = max(0, room-c.gussetRounds)
		if d.Leg.Rounds != nil {
			c.legRounds = *d.Leg.Rounds
		}
	}
	if c.legRounds+c.cuffRounds+c.gussetRounds == 0 {
		c.legRounds = 1
	}
	c.growLeg()
}

func (c *counted) sizeCorner() {
	corner := &c.d.Corner
	if corner.Method == "wrap_instep" || corner.PickUp == 0 {
		return
	}
	picks, gone := corner.PickUp, max(corner.HoldRounds, 1)+1
	if gone+picks-1 > c.legRounds {
		if gone = c.legRounds - picks + 1; gone < 2 {
			return
		}
	}
	c.picks, c.gone = picks, gone
}

// lastCorner is the round of the leg in which the last corner stitch goes.
func (c *counted) lastCorner() int {
	if c.picks == 0 {
		return 0
	}
	return c.gone + c.picks - 1
}

func (c *counted) pickedUp() [2]int {
	sides := [2]int{c.flapRows / 2, c.flapRows / 2}
	if c.d.Heel.PickedUp != nil {
		sides = *c.d.Heel.PickedUp
	}
	return [2]int{sides[0] + c.cornerStitches, sides[1] + c.cornerStitches}
}

// withGusset is the count once both edges are picked up, and the one down to which the gusset goes.
func (c *counted) withGusset() (all, target int) {
	sides := c.pickedUp()
	all = c.ring - c.heel + c.afterTurn + sides[0] + sides[1]
	if instep := c.ring - c.heel; c.ankle-instep >= instep/2 {
		return all, c.ankle
	}
	return all, c.ring
}

func (c *counted) planGusset(room int) {
	c.gussetRounds = 2 // picking up, and one plain round
	all, target := c.withGusset()
	surplus := all - target
	if surplus <= 0 {
		return
	}
	sides := c.pickedUp()
	alone := min(absThen(sides[0]-sides[1]), surplus)
	alone += (surplus - alone) % 2
	decreases := alone + (surplus-alone)/2
	c.gussetRounds += decreases + max(0, min(decreases-1, room-2-decreases))
}

// growLeg adds the rounds that the leg lacked to change its count, where the cuff would not have repeated without them.
func (c *counted) growLeg() {
	after := c.ankle - c.foot - c.before
	if c.flapRows > 0 {
		all, target := c.withGusset()
		after = c.ankle - min(all, target)
	}
	if after == 0 {
		return
	}
	first := max(c.lastCorner()+1+thenRest, 2)
	if c.fits(after, first) {
		return
	}
	first = max(first, 2)
	if c.picks > 0 {
		c.picks = 0
		if c.fits(after, 2) {
			return
		}
	}
	if (c.ankle-after)%c.repeat(c.d.Cuff.Pattern) == 0 {
		return // the leg kept the count that it had
	}
	for steps := stepsThen(after, 4); placedThen(len(steps), first, c.legRounds) < len(steps); {
		c.legRounds++
	}
}

// fits says whether the leg has rounds for a change, in fewer and larger steps if need be.
func (c *counted) fits(after, first int) bool {
	for _, from := range []int{first, max(c.lastCorner()+1, 2)} {
		for most := 4; most < absThen(after)+4 && most <= c.ankle; most += 4 {
			steps := stepsThen(after, most)
			if placedThen(len(steps), from, c.legRounds) == len(steps) {
				return true
			}
		}
	}
	return false
}
