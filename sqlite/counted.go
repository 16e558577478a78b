package sqlite

import (
	"math"
	"slices"

	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
)

// counted is a design counted as the program did when schema 5 was new. Files of schemas before it keep the
// design of a plan and no rows, and their events name rows by their number: only so
// is it known which rows those were. Nothing here follows the program of today, and nothing here may ever change.
type counted struct {
	d *design.Design
	// stitches and rounds per mm.
	gs, gr float64
	// foot, ankle and leg are stitches; before is what changes before the heel.
	foot, ankle, before int
	toeRows             int
	toeLength           float64
	footRounds          int
	// ring is the count that the heel meets; heel its stitches, turns on each side.
	ring, heel, turns, between int
	increases                  int
	flapRows, afterTurn        int
	cornerStitches             int
	heelLength                 float64
	// picks is how many corner stitches a round loses, gone the round in which the first goes.
	picks, gone  int
	gussetRounds int
	legRounds    int
	cuffRounds   int
}

// countedThen is how many rows each section of a design had; false for a design that gave no sock then.
func countedThen(d *design.Design) (map[needle.Section]int, bool) {
	c := &counted{d: d, gs: d.Gauge.Stitches / 100, gr: d.Gauge.Rounds / 100}
	c.countStitches()
	if !c.sizeToe() || !c.sizeHeelAndFoot() {
		return nil, false
	}
	c.sizeLeg()
	rows := map[needle.Section]int{
		needle.CastOn: 1, needle.Toe: c.toeRows, needle.Foot: c.footRounds, needle.Heel: c.heelRows(),
		needle.Leg: c.legRounds, needle.Cuff: c.cuffRounds, needle.BindOff: 1,
	}
	if c.flapRows > 0 {
		rows[needle.Gusset] = 1 + c.gussetRounds
	}
	return rows, true
}

// Small numbers that were rules then.
const (
	thenFewestStitches = 16
	thenFewestCentre   = 4
	thenFewestToStart  = 8
	thenFewestFlap     = 12
	thenFewestInstep   = 4
	thenWorthChanging  = 4
	thenRest           = 2
	thenWideCentre     = 25.0
	thenFlapShare      = 0.24
	thenThumb          = 25.0
	thenRoundedFast    = 4
)

// thenRepeats are the repeats of the patterns that were there; a design brings its own along.
var thenRepeats = map[string]int{
	"stockinette": 1, "rib_1x1": 2, "rib_2x2": 4, "rib_3x1": 4, "broken_rib": 2, "seed_stitch": 2, "garter_rib": 4, "dew_lace": 6,
	"eyelet_cable": 5, "basket_rib": 6,
}

func (c *counted) repeat(name string) int {
	for i := range c.d.Patterns {
		if c.d.Patterns[i].Name == name {
			return c.d.Patterns[i].Repeat
		}
	}
	return max(1, thenRepeats[name])
}

func nearestThen(target float64, m int) int {
	low := int(math.Floor(target/float64(m))) * m
	if target-float64(low) > float64(m)/2+1e-9 {
		low += m
	}
	return max(low, 0)
}

func halfUpThen(x float64) int { return int(math.Floor(x + 0.5 + 1e-9)) }

func lcmThen(a, b int) int {
	x, y := a, b
	for y != 0 {
		x, y = y, x%y
	}
	return a / x * b
}

func absThen(n int) int { return max(n, -n) }

func (c *counted) target(girth float64) float64 {
	return girth * (1 - c.d.Fit.GirthEasePct/100) * c.gs
}

func (c *counted) countStitches() {
	d := c.d
	if d.Stitches != nil {
		c.foot = *d.Stitches
	} else {
		c.foot = max(nearestThen(c.target(float64(d.Foot.BallGirth)), d.Fit.Multiple), d.Fit.Multiple, thenFewestStitches)
	}
	if d.Leg.Stitches != nil {
		c.ankle = *d.Leg.Stitches
		return
	}
	n := c.foot
	if d.Ankle.Change != "none" {
		ankle := max(nearestThen(c.target(float64(d.Foot.AnkleGirth)), d.Fit.Multiple), d.Fit.Multiple, thenFewestStitches)
		if absThen(ankle-c.foot) >= thenWorthChanging {
			n = ankle
		}
	}
	repeat := lcmThen(lcmThen(c.repeat(d.Leg.Pattern), c.repeat(d.Cuff.Pattern)), 2)
	c.ankle = max(nearestThen(float64(n), repeat), repeat, (thenFewestStitches+repeat-1)/repeat*repeat)
}

func (c *counted) sizeToe() bool {
	n := c.foot
	switch c.d.Toe.Kind {
	case "wedge":
		return c.sizeWedge()
	case "garter_square":
		edge := n/4 + n%4/2
		c.toeRows, c.toeLength = 2*edge, float64(n/4)/(2*c.gs)
		if c.d.Mirror {
			c.toeRows++
		}
		return true
	case "short_row":
		turns := thirdsThen(n / 2)
		if c.d.Toe.TurnsPerSide != nil {
			turns = *c.d.Toe.TurnsPerSide
		}
		c.toeRows, c.toeLength = 4*turns+3, float64(2*turns)/c.gr
		if c.d.Heel.Turn == "pinned" {
			c.toeRows -= 2
		}
		return turns >= 1 && n/2-2*turns >= thenFewestCentre
	default:
		return false
	}
}

func thirdsThen(stitches int) int { return min(stitches/3, (stitches-thenFewestCentre)/2) }

func largestStartThen(n, most int) int {
	return max(most-((most-n)%4+4)%4, thenFewestToStart+n%4)
}

func wedgeRoundsThen(k, fast int) int {
	rounds := 1 + fast + 2*(k-fast)
	if fast == k {
		rounds++
	}
	return rounds
}

// fastFitted is the number of fast rounds with which a toe comes nearest to the depth of the toes, and by how much it misses it.
func (c *counted) fastFitted(k int) (fast int, miss float64) {
	miss = math.Inf(1)
	for f := range k + 1 {
		if m := math.Abs(float64(wedgeRoundsThen(k, f)) - float64(c.d.Foot.ToeDepth)*c.gr); m < miss-1e-9 {
			fast, miss = f, m
		}
	}
	return fast, miss
}

func (c *counted) sizeWedge() bool {
	n, toe := c.foot, &c.d.Toe
	start := largestStartThen(n, n/2)
	switch toe.Start {
	case "rounded":
		start = largestStartThen(n, n/3)
		if high := start + 4; math.Abs(float64(high)-float64(n)/3) < math.Abs(float64(start)-float64(n)/3) && high <= n {
			start = high
		}
	case "fitted":
		best := math.Inf(1)
		for s := start; s >= thenFewestToStart && 4*s >= n; s -= 4 {
			if _, miss := c.fastFitted((n - s) / 4); miss < best-1e-9 {
				start, best = s, miss
			}
		}
	}
	if toe.StartStitches != nil {
		if start = *toe.StartStitches; (n-start)%4 != 0 || start > n {
			return false
		}
	}
	k := (n - start) / 4
	fast := 0
	switch {
	case toe.FastRounds != nil:
		fast = min(*toe.FastRounds, k)
	case toe.Start == "rounded":
		fast = min(thenRoundedFast, k)
	case toe.Start == "fitted":
		fast, _ = c.fastFitted(k)
	}
	c.toeRows = wedgeRoundsThen(k, fast)
	c.toeLength = float64(c.toeRows) / c.gr
	return true
}

// changesBefore is what the count changes by before the heel.
func (c *counted) changesBefore() int {
	difference, change := c.ankle-c.foot, c.d.Ankle.Change
	if c.d.Leg.InstepPattern != "stockinette" && difference != 0 && (change == "before_heel" || change == "split") {
		if c.d.Heel.Kind != "short_row" {
			return 0
		}
		if change == "split" {
			difference /= 2
		}
		return difference / 4 * 4
	}
	switch change {
	case "before_heel":
		return difference
	case "split":
		return difference / 4 * 2
	}
	return 0
}

// placedThen is how many of so many changes have a round between first and last.
func placedThen(n, first, last int) int {
	rest := thenRest
	for rest > 0 && first+(n-1)*(rest+1) > last {
		rest--
	}
	room := 0
	if last >= first {
		room = (last-first)/(rest+1) + 1
	}
	return min(n, room)
}

// stepsThen are the changes of so many stitches at most that make a difference.
func stepsThen(difference, most int) []int {
	var steps []int
	for difference != 0 {
		step := min(max(difference, -most), most)
		steps, difference = append(steps, step), difference-step
	}
	return steps
}

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
