package knit

import (
	"acornstep/sock/measure"
	"acornstep/sock/needle"
)

// garterSquareToe knits a square on needle 1 in garter stitch and picks up
// along both its edges: the full count from the start.
type garterSquareToe struct{}

// edges is what is picked up along each edge of a square of q: one ridge more
// where the count leaves two of a multiple of four.
func squareEdge(n int) (q, edge int) {
	return n / 4, n/4 + n%4/2
}

func (garterSquareToe) Size(s *Sock) {
	q, edge := squareEdge(s.Stitches)
	s.Toe = ToeSize{
		CastOn: 2 * q, Rounds: 2*edge - 1,
		// An estimate: nothing at the sides, about 0.7·q/gs in the middle.
		Length: measure.Length(float64(q) / (2 * s.Gauge.Stitches)),
	}
	s.say(Note, "toe_square", "A garter square feels bumpy under sensitive toes, and it slants over them: with stripes let the second sock mirror the first.")
	if s.colourOf("toe") != "" {
		s.say(Note, "toe_square_colour", "A contrast toe in a garter square wants another 25 mm of foot in the toe colour.")
	}
}

func (garterSquareToe) Work(h *hands, s *Sock) {
	q, edge := squareEdge(s.Stitches)
	h.castOnRing(s, 2*q)
	h.enter(needle.Toe)
	h.fabric = needle.Garter
	for i := range s.Toe.Rounds {
		h.begin(needle.FlatRow)
		h.settle(q)
		if i < s.Toe.Rounds-1 {
			h.do(needle.Turn, 1)
		}
		h.end()
	}
	h.fabric = ""
	h.begin(needle.FlatRow)
	h.do(needle.PU, edge)
	h.instep = q + edge
	h.nextNeedle()
	h.settle(q)
	if !s.Design.Mirror {
		h.do(needle.PU, edge)
		h.end()
		return
	}
	// Mirrored, the instep is the second edge and the live stitches: the round begins q stitches earlier.
	h.end()
	h.begin(needle.Round)
	h.do(needle.PU, edge)
	h.do(needle.K, 2*q+edge)
	h.end()
}
