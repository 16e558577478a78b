package knit

import (
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/lengths"
	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/needle"
)

// heels lists the ways to turn the corner, the usual one first.
var heels = []Heel{shortRowHeel{}, flapHeel{}, gussetTurnHeel{}}

// heelCounts are worked out anew when another kind of heel is chosen.
var heelCounts = []at.Path{
	at.HeelStitches, at.HeelTurnsPerSide, at.HeelRoundsBetween, at.HeelFirstRow, at.HeelFlapRows, at.HeelPickedUp,
	at.HeelGussetIncreases,
}

// HeelSize is a heel in stitches, turns and rows. Counts that a heel does not have are zero.
type HeelSize struct {
	// Ring is the count round the sock that the heel meets, gusset stitches not counted.
	Ring int
	// Stitches of the heel, Turns on each side, Centre stitches never turned on.
	Stitches, Turns, Centre int
	// RoundsBetween are the full rounds between the halves.
	RoundsBetween int
	// Length is what the heel adds to the foot.
	Length measure.Length
	// RowGauge is the rounds per mm of the heel's fabric.
	RowGauge float64
	// GussetIncreases are made on each side of the foot.
	GussetIncreases int
	// FlapRows do not count the set-up row; PickedUp counts left and right without the corners.
	FlapRows int
	PickedUp [2]int
	// CornerStitches are picked up at each corner of a flap.
	CornerStitches int
	// TurnStitches are left after the turn of a flap.
	TurnStitches int
	// GussetRounds are the rounds from picking up to the last decrease.
	GussetRounds []GussetRound
	// GussetDecreaseRounds are those of them that decrease.
	GussetDecreaseRounds int
}

// HeelPlace names the place on the foot where the heel begins when the sock is tried on.
func (s *Sock) HeelPlace() string { return s.heel().BeginsAt() }

// rowGauge is the rounds per mm of the heel's fabric: garter has two rows to the width of a stitch.
func (s *Sock) rowGauge() float64 {
	if s.Design.Heel.Fabric == needle.Garter {
		return lengths.GarterRows(s.Gauge)
	}
	return s.Gauge.Rounds
}

// enterHeel begins the heel's section in its fabric and yarn.
func (s *Sock) enterHeel(w *worker) {
	w.enter(needle.Heel)
	if s.Design.Heel.Fabric == needle.Garter {
		w.fabric = needle.Garter
	}
	w.colour = s.colourOf("heel")
}

// inMainYarn does something in the sock's own yarn and fabric, and goes back.
func (w *worker) inMainYarn(do func()) {
	fabric, colour := w.fabric, w.colour
	w.fabric, w.colour = "", ""
	do()
	w.fabric, w.colour = fabric, colour
}

// toRoundStart knits on to loop 0 where a heel ended before it.
func (w *worker) toRoundStart() {
	if w.machine.AtRoundStart() || w.machine.Peek(0).Kind == needle.YarnOver {
		return // there, or before the yarn-over of a turn that is worked with the first stitch
	}
	w.begin(needle.FlatRow)
	w.settle(w.machine.Count() - w.machine.Cursor())
	w.end()
}
