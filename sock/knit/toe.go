package knit

import (
	"fmt"
	"slices"

	"acornstep/sock/measure"
)

// Toe is a way to begin the sock.
type Toe interface {
	// Size works out s.Toe; it may stop the sock.
	Size(s *Sock)
	// Work casts on and knits up to the full count.
	Work(h *hands, s *Sock)
}

// toes lists the ways.
var toes = map[string]Toe{
	"wedge":         wedgeToe{},
	"garter_square": garterSquareToe{},
	"short_row":     shortRowToe{},
}

// Tail is the length of the tail to leave at the cast-on of s stitches: 200 mm
// to hold and darn, and 6 mm for each stitch, more on thick needles.
func (s *Sock) Tail() measure.Length {
	const fineGauge = 0.32 // stitches per mm of fine sock yarn
	thick := max(1, fineGauge/s.Gauge.Stitches)
	return measure.Length(200 + 6*float64(s.Toe.CastOn)*thick)
}

func (s *Sock) tailNote() string {
	return fmt.Sprintf("Leave a tail of about %d cm.", measure.HalfUp(float64(s.Tail())/10))
}

// colourOf is the colour of rows in a section: empty for the main yarn.
func (s *Sock) colourOf(section string) string {
	if slices.Contains(s.Design.Yarn.Contrast, section) {
		return Contrast
	}
	return ""
}
