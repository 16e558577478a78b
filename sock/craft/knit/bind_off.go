package knit

import (
	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/needle"
)

// bindOffWay is a way to end that stretches over the heel. On the needle each
// of them takes one loop after the other.
type bindOffWay struct {
	about About
	note  string
	// tail is the yarn it needs, in girths of the edge, and sewn whether it is cut off before.
	tail float64
	sewn bool
}

func (b bindOffWay) About() *About { return &b.about }

// bindOffs lists the ways, the usual one first.
var bindOffs = []bindOffWay{bindOffTogether, bindOffYarnOver, bindOffSewn}

// CutTail is the tail to cut for a bind-off that is sewn; 0 for one that is knitted from the ball.
func (s *Sock) CutTail() measure.Length {
	if !named(bindOffs, s.Design.BindOff).sewn {
		return 0
	}
	return s.BindOffTail()
}

// BindOffTail is the length of yarn to keep for the bind-off.
func (s *Sock) BindOffTail() measure.Length {
	girth := s.Gauge.Girth(float64(s.LegStitches))
	return girth * measure.Length(named(bindOffs, s.Design.BindOff).tail)
}

func (s *Sock) bindOff(w *worker) {
	w.enter(needle.BindOff)
	w.colour = s.colourOf("cuff")
	front, back := w.instep, w.sole()
	row := w.round(func() { w.do(needle.BO, front) }, func() { w.do(needle.BO, back) })
	row.Note = named(bindOffs, s.Design.BindOff).note + " Keep " + s.BindOffTail().About() + " of yarn."
}
