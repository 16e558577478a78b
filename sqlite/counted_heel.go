package sqlite

import (
	"math"
	"slices"
)

func (c *counted) sizeHeelAndFoot() bool {
	for c.before = c.changesBefore(); ; {
		if !c.sizeHeel() {
			return false
		}
		if c.footRounds = c.roundsBeforeHeel(); c.footRounds < c.fewestFootRounds() {
			return false
		}
		steps := stepsThen(c.before, 4)
		fits := 0
		for _, step := range steps[:placedThen(len(steps), 2, c.footRounds-2*c.increases+1-2)] {
			fits += step
		}
		if fits == c.before {
			return true
		}
		c.before = fits
	}
}

func (c *counted) fewestFootRounds() int {
	if c.d.Toe.Kind == "short_row" {
		return 1
	}
	return 0
}

func (c *counted) roundsBeforeHeel() int {
	f := &c.d.FootLength
	if f.Rounds != nil {
		return *f.Rounds
	}
	toe, heel := c.toeLength, c.heelLength
	if f.School != "exact" {
		toe, heel = thenThumb, thenThumb
		if f.Toe != nil {
			toe = float64(*f.Toe)
		}
		if f.Heel != nil {
			heel = float64(*f.Heel)
		}
	}
	return halfUpThen((float64(c.d.Foot.Length-c.d.Fit.LengthEase) - toe - heel) * c.gr)
}

func (c *counted) heelRowGauge() float64 {
	if c.d.Heel.Fabric == "garter" {
		return 2 * c.gs
	}
	return c.gr
}

func (c *counted) sizeHeel() bool {
	h := &c.d.Heel
	c.ring = c.foot + c.before
	c.heel = c.ring / 2
	switch h.Kind {
	case "flap_under":
		return c.sizeFlap()
	case "short_row":
		if h.Stitches != nil {
			if c.heel = *h.Stitches; (c.heel-c.ring/2)%2 != 0 || c.heel > c.ring-thenFewestInstep {
				return false
			}
		} else if h.Share != 0.5 {
			c.heel = c.ring/2 + nearestThen(h.Share*float64(c.ring)-float64(c.ring/2), 2)
		}
	case "gusset_turn":
	default:
		return false
	}
	c.turns = thirdsThen(c.heel)
	if c.heel > c.ring/2 {
		want := thenWideCentre * c.gs
		centre := c.heel%2 + nearestThen(want-float64(c.heel%2), 2)
		c.turns = (c.heel - max(centre, thenFewestCentre+c.heel%2)) / 2
	}
	if h.TurnsPerSide != nil {
		c.turns = *h.TurnsPerSide
	}
	if c.turns < 1 || c.heel-2*c.turns < thenFewestCentre {
		return false
	}
	c.heelLength = 2 * float64(c.turns) / c.heelRowGauge()
	if h.Kind == "short_row" {
		c.between = c.roundsBetween()
		c.heelLength += float64(c.between) / (2 * c.gr)
		return true
	}
	c.increases = min(max(nearestThen((c.target(float64(c.d.Foot.HeelDiagonal))-float64(c.ring))/2, 1),
		int(math.Ceil(float64(c.ring)/6-1e-9))), c.ring/4)
	if h.GussetIncreases != nil {
		c.increases = *h.GussetIncreases
	}
	c.increases = min(c.increases, max(0, c.roundsBeforeHeel()-c.fewestFootRounds())/2)
	return true
}

// ownStrand says whether the foot's yarn waits while the heel is knitted.
func (c *counted) ownStrand() bool {
	return c.d.Heel.OwnStrand || slices.Contains(c.d.Yarn.Contrast, "heel")
}

func (c *counted) roundsBetween() int {
	switch {
	case c.d.Heel.RoundsBetween != nil:
		return *c.d.Heel.RoundsBetween
	case c.d.Heel.Turn == "german" && !c.ownStrand():
		return 1
	}
	return 0
}

func (c *counted) sizeFlap() bool {
	if c.heel < thenFewestFlap {
		return false
	}
	h := &c.d.Heel
	perMM := c.gr / h.FlapRowFactor
	c.flapRows = max(c.heel, int(math.Ceil(thenFlapShare*float64(c.d.Foot.Length)*perMM-1e-9)))
	c.flapRows += c.flapRows % 2
	if h.FlapRows != nil {
		c.flapRows = max(*h.FlapRows, 2)
	}
	c.afterTurn = c.heel - 2 - 2*((c.flapOuter()+1)/2)
	c.heelLength = float64(c.flapRows+1) / perMM
	if c.d.Corner.Method != "wrap_instep" {
		c.cornerStitches = c.d.Corner.PickUp
	}
	return true
}

// flapOuter is the number of stitches outside each gap after the first two rows of a flap's turn.
func (c *counted) flapOuter() int { return c.heel - (c.heel/2 + 2) - 3 }

// begins says whether the first row of short rows is a wrong-side one.
func (c *counted) beginsOnWrongSide() bool {
	switch {
	case c.ownStrand():
		return false
	case c.d.Heel.FirstRow != nil:
		return *c.d.Heel.FirstRow == "WS"
	}
	return c.d.Heel.Turn == "german"
}

func (c *counted) heelRows() int {
	h := &c.d.Heel
	wrongSide := 0
	if c.beginsOnWrongSide() {
		wrongSide = 1
	}
	switch h.Kind {
	case "flap_under":
		outer := c.flapOuter()
		return 2 + c.flapRows + 2 + 2*((outer+1)/2)
	case "gusset_turn":
		return 2*c.turns + 2*c.increases + 4 - wrongSide
	}
	rows := 4*c.turns + 2 - wrongSide
	if c.between > 0 {
		rows += 2 + c.between
	}
	// What is left to the round after the heel spares its last two rows.
	left := (h.Turn == "yarn_over" || h.Turn == "pinned") && !c.ownStrand() && c.d.Corner.Method != "wrap_instep"
	switch {
	case left && (wrongSide == 0 || c.between > 0):
		rows -= 2
	case h.Turn == "lift" && wrongSide == 1 && c.between == 0 && c.heel > c.ring/2:
		rows++ // the way back to the start of the round is a row of its own
	}
	return rows
}
