package knit

import (
	"math"

	"acornstep/sock/measure"
	"acornstep/sock/needle"
)

// Heel is a way to turn the corner.
type Heel interface {
	// Size works out s.Heel; it may stop the sock.
	Size(s *Sock)
	// Work knits from the start of a round on the foot to the end of the heel.
	Work(h *hands, s *Sock)
	// BeginsAt names the place on the foot where it begins when the sock is tried on.
	BeginsAt() string
	// DiagonalGirth is the relaxed girth round the point of the heel and the bend of the ankle.
	DiagonalGirth(s *Sock) measure.Length
}

// heels lists the ways.
var heels = map[string]Heel{
	"short_row":   shortRowHeel{},
	"flap_under":  flapHeel{},
	"gusset_turn": gussetTurnHeel{},
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
	GussetRounds []gussetRound
	// GussetDecreaseRounds are those of them that decrease.
	GussetDecreaseRounds int
}

// HeelPlace names the place on the foot where the heel begins when the sock is tried on.
func (s *Sock) HeelPlace() string { return heels[s.Design.Heel.Kind].BeginsAt() }

// rowGauge is the rounds per mm of the heel's fabric: garter has two rows to the width of a stitch.
func (s *Sock) rowGauge() float64 {
	if s.Design.Heel.Fabric == needle.Garter {
		return 2 * s.Gauge.Stitches
	}
	return s.Gauge.Rounds
}

// slants is the length of the two slanting edges of narrowing rows, each w
// stitches wide and 2w rows high.
func (s *Sock) slants() measure.Length {
	w := float64(s.Heel.Turns)
	return measure.Length(2 * math.Hypot(w/s.Gauge.Stitches, 2*w/s.Heel.RowGauge))
}

// enterHeel begins the heel's section in its fabric and yarn.
func (s *Sock) enterHeel(h *hands) {
	h.enter(needle.Heel)
	if s.Design.Heel.Fabric == needle.Garter {
		h.fabric = needle.Garter
	}
	if s.Design.ContrastHeel() {
		h.colour = Contrast
	}
}

// Contrast is the colour of rows in the second yarn.
const Contrast = "contrast"

// inMainYarn does something in the sock's own yarn and fabric, and goes back.
func (h *hands) inMainYarn(do func()) {
	fabric, colour := h.fabric, h.colour
	h.fabric, h.colour = "", ""
	do()
	h.fabric, h.colour = fabric, colour
}

// toRoundStart knits on to loop 0 where a heel ended before it.
func (h *hands) toRoundStart() {
	if h.machine.AtRoundStart() || h.machine.Peek(0).Kind == needle.YarnOver {
		return // there, or before the yarn-over of a turn that is worked with the first stitch
	}
	h.begin(needle.FlatRow)
	h.settle(h.machine.Count() - h.machine.Cursor())
	h.end()
}
