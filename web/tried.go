package web

import (
	"cmp"
	"context"
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
	rounds, err := s.measuredRounds(c, o, which, q)
	if err != nil {
		return none, err
	}
	return s.triedOn(c, p, q.Row, rounds)
}

// triedOn puts the first rows of a plan on its foot, as many rounds to the mm as were measured; 0 for those of the swatch.
func (s *server) triedOn(c context.Context, p *plan.Plan, row int, rounds float64) (board.Tried, error) {
	t, err := settled(c, s.drawings, func() (board.Tried, error) { return board.TryOn(c, p, knit.Measure(&p.Design), row, rounds) })
	if errors.Is(err, board.ErrTooEarly) {
		return t, document.Faults{{Field: "row", Message: err.Error()}}
	}
	return t, err
}

// tapeAt is what a tape should read of a sock of the pair that is tried on after a row: the very figures that are shown.
func (s *server) tapeAt(c context.Context, o *onNeedles, which, row int) (tape, error) {
	at := needleAt{edition{o.id, o.Version}, which, row}
	if known, there := s.shelf.tapes.Get(at); there {
		return known, nil
	}
	shown, err := s.triedOn(c, o.pair()[which].Plan, row, 0)
	if err != nil {
		return tape{}, err
	}
	should := tape{shown.Behind, shown.Above}
	s.shelf.tapes.Add(at, should)
	return should, nil
}

// measuredRounds are the rounds per mm that a measured length of the foot comes to; 0 where none was measured.
func (s *server) measuredRounds(c context.Context, o *onNeedles, which int, q TriedQuestion) (float64, error) {
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
	p := o.pair()[which].Plan
	if q.Row == 0 || p.Rows[q.Row-1].Section != needle.Foot {
		return 0, document.Faults{{Field: "length", Message: "the length to the needle is read while the needle is on the foot"}}
	}
	should, err := s.tapeAt(c, o, which, q.Row)
	if err != nil {
		return 0, err
	}
	if off := float64(long/should.behind) - 1; off < -mostOff || off > mostOff {
		return 0, document.Faults{{Field: "length",
			Message: fmt.Sprintf("read %s; after this row it should be about %s", unit.Show(long), unit.Show(should.behind))}}
	}
	return p.Design.Gauge.PerMM().Rounds * float64(should.behind/long), nil
}
