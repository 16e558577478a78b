package knit

import "acornstep/sock/measure"

// Heel is a way to turn the corner.
type Heel interface {
	// Size works out s.Heel; it may stop the sock.
	Size(s *Sock)
	// Work knits from the start of a round on the foot to the end of the heel.
	Work(h *hands, s *Sock)
}

var heels = map[string]Heel{
	"short_row": shortRowHeel{},
}

// HeelSize is a heel in stitches, turns and rows. Counts that a heel does not have are zero.
type HeelSize struct {
	// Ring is the count round the sock that the heel meets.
	Ring int
	// Stitches of the heel, Turns on each side, Centre stitches never turned on.
	Stitches, Turns, Centre int
	// RoundsBetween are the full rounds between the halves.
	RoundsBetween int
	// Length is what the heel adds to the foot.
	Length measure.Length
	// RowGauge is the rounds per mm of the heel's fabric.
	RowGauge float64
	// ownStrand: the foot's yarn waits at the right edge while the heel is knitted.
	ownStrand bool
}
