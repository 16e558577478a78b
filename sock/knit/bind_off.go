package knit

import (
	"fmt"

	"acornstep/sock/measure"
	"acornstep/sock/needle"
)

// bindOffWay is a way to end that stretches over the heel. On the needle each
// of them takes one loop after the other.
type bindOffWay struct {
	note string
	// tail is the yarn it needs, in girths of the edge.
	tail float64
}

var bindOffs = map[string]bindOffWay{
	"k2tog":     bindOffTogether,
	"yarn_over": bindOffYarnOver,
	"sewn":      bindOffSewn,
}

// BindOffTail is the length of yarn to keep for the bind-off.
func (s *Sock) BindOffTail() measure.Length {
	girth := s.Gauge.Girth(float64(s.LegStitches))
	return girth * measure.Length(bindOffs[s.Design.BindOff].tail)
}

func (s *Sock) bindOff(h *hands) {
	h.enter(needle.BindOff)
	h.colour = s.colourOf("cuff")
	front, back := h.instep, h.sole()
	row := h.round(func() { h.do(needle.BO, front) }, func() { h.do(needle.BO, back) })
	row.Note = fmt.Sprintf("%s Keep about %d cm of yarn.", bindOffs[s.Design.BindOff].note, measure.HalfUp(float64(s.BindOffTail())/10))
}
