package web

import (
	"cmp"
	"errors"
	"fmt"
	"strings"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/board"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// TriedQuestion asks for a sock on the needles as it looks on the foot.
type TriedQuestion struct {
	// Sock is 1 or 2; 0 for the first.
	Sock int `query:"sock"`
	// Row is how many rows are done.
	Row int `query:"row"`
	// Length is from the tip of the toe to the needle as somebody measured it, as it is typed; empty for the sock as it is planned.
	Length string `query:"length"`
	Unit   string `query:"unit"`
}

// mostOff is how far, as a share, a measured length may be from the planned one: beyond it something else was measured.
const mostOff = 0.4

func (s *server) tried(c call[TriedQuestion]) (board.Tried, error) {
	var none board.Tried
	q := c.Asked
	which, err := ofPair(q.Sock)
	if err != nil {
		return none, err
	}
	o, err := s.shelf.sock(c, c.ID)
	if err != nil {
		return none, err
	}
	p := o.pair()[which].Plan
	if q.Row < 0 || q.Row > len(p.Rows) {
		return none, document.Faults{{Field: "row", Message: fmt.Sprintf("read %d; the sock has %d rows", q.Row, len(p.Rows))}}
	}
	if !p.HasDesign() {
		return none, document.Faults{{Message: "this plan does not say for which foot it is: it cannot be shown on one"}}
	}
	sock := knit.Measure(&p.Design)
	rounds, err := measuredRounds(q, p, sock)
	if err != nil {
		return none, err
	}
	t, err := settled(c, s.drawings, func() (board.Tried, error) { return board.TryOn(c, p, sock, q.Row, rounds) })
	if errors.Is(err, board.ErrTooEarly) {
		return none, document.Faults{{Field: "row", Message: err.Error()}}
	}
	return t, err
}

// measuredRounds are the rounds per mm that a measured length of the foot comes to; 0 where none was measured.
func measuredRounds(q TriedQuestion, p *plan.Plan, sock *knit.Sock) (float64, error) {
	if strings.TrimSpace(q.Length) == "" {
		return 0, nil
	}
	unit, err := unitOf(cmp.Or(q.Unit, string(measure.Centimetres)))
	if err != nil {
		return 0, err
	}
	long, err := measure.ParseLength(q.Length, unit)
	if err != nil {
		return 0, document.Faults{{Field: "length", Message: err.Error()}}
	}
	if q.Row == 0 || p.Rows[q.Row-1].Section != needle.Foot {
		return 0, document.Faults{{Field: "length", Message: "the length to the needle is read while the needle is on the foot"}}
	}
	planned := sock.Toe.Length + sock.Gauge.Height(float64(p.Rows[q.Row-1].N))
	if off := float64(long/planned) - 1; off < -mostOff || off > mostOff {
		return 0, document.Faults{{Field: "length",
			Message: fmt.Sprintf("read %s; after this row it is about %s", unit.Show(long), unit.Show(planned))}}
	}
	return sock.Gauge.Rounds * float64(planned/long), nil
}
