package http

import (
	"cmp"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"strings"

	"acornstep/sock/board"
	"acornstep/sock/document"
	"acornstep/sock/draft"
	"acornstep/sock/knit"
	"acornstep/sock/measure"
	"acornstep/sock/needle"
	"acornstep/sock/plan"
	"acornstep/sock/shape"
	"acornstep/sock/whatif"
	"acornstep/sock/worn"

	lru "github.com/hashicorp/golang-lru/v2"
	"golang.org/x/sync/semaphore"
)

// mostSettling is how many socks are put on feet at once: as many as a small machine has hands.
const mostSettling = 2

// Drawings that are kept at hand: fine ones take a quarter of a megabyte, rough ones a tenth. A basket is looked at again and again.
const (
	fineAtHand  = 96
	roughAtHand = 400
)

// atelier puts socks on feet, two at once; who has gone meanwhile is passed over.
type atelier struct {
	places *semaphore.Weighted
	drawn  map[worn.Care]*lru.Cache[string, board.Drawing]
}

func newAtelier() (*atelier, error) {
	a := &atelier{semaphore.NewWeighted(mostSettling), map[worn.Care]*lru.Cache[string, board.Drawing]{}}
	for care, most := range map[worn.Care]int{worn.Fine: fineAtHand, worn.Rough: roughAtHand} {
		drawn, err := lru.New[string, board.Drawing](most)
		if err != nil {
			return nil, err
		}
		a.drawn[care] = drawn
	}
	return a, nil
}

// of gives the drawing of a name, made when it is not at hand.
func (a *atelier) of(ctx context.Context, care worn.Care, name string, make func() (board.Drawing, error)) (board.Drawing, error) {
	if d, kept := a.drawn[care].Get(name); kept {
		return d, nil
	}
	if err := a.places.Acquire(ctx, 1); err != nil {
		return board.Drawing{}, err
	}
	defer a.places.Release(1)
	if d, kept := a.drawn[care].Get(name); kept { // somebody else asked for the same
		return d, nil
	}
	d, err := make()
	if err == nil {
		a.drawn[care].Add(name, d)
	}
	return d, err
}

func (s *server) drawing(c call[DrawingQuestion]) (board.Drawing, error) {
	unit, err := unitOf(c.Asked.Unit)
	if err != nil {
		return board.Drawing{}, err
	}
	r := draft.Read(c.Asked.Draft, unit)
	if len(r.Faults) > 0 {
		return board.Drawing{}, nil
	}
	care := worn.Fine
	if c.Asked.Rough {
		care = worn.Rough
	}
	name, err := json.Marshal(struct {
		Design any
		Doubt  *whatif.Doubt
	}{r.Design, c.Asked.Doubt})
	if err != nil {
		return board.Drawing{}, err
	}
	return s.atelier.of(c, care, string(name), func() (board.Drawing, error) {
		if c.Asked.Doubt != nil {
			return board.DrawDoubted(c, r, *c.Asked.Doubt, care)
		}
		return board.Draw(c, r, care)
	})
}

// SpaceAnswer is a sock that can be turned; a draft that gives no sock has none.
type SpaceAnswer struct {
	Space *shape.Space `json:"space,omitempty"`
}

func (s *server) space(c call[DraftQuestion]) (SpaceAnswer, error) {
	unit, err := unitOf(c.Asked.Unit)
	if err != nil {
		return SpaceAnswer{}, err
	}
	if err := s.atelier.places.Acquire(c, 1); err != nil {
		return SpaceAnswer{}, err
	}
	defer s.atelier.places.Release(1)
	space, err := board.Turn(c, draft.Read(c.Asked.Draft, unit))
	return SpaceAnswer{space}, err
}

// drawn is a plan on the foot for which it was made.
func (s *server) drawn(ctx context.Context, p *plan.Plan) (board.Drawing, error) {
	if err := s.atelier.places.Acquire(ctx, 1); err != nil {
		return board.Drawing{}, err
	}
	defer s.atelier.places.Release(1)
	return board.DrawPlan(ctx, p, knit.Measure(&p.Design), worn.Fine)
}

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
	if q.Sock < 0 || q.Sock > 2 {
		return none, document.Faults{{Field: "sock", Message: fmt.Sprintf("read %d; a pair has socks 1 and 2", q.Sock)}}
	}
	o, err := s.shelf.sock(c, c.ID)
	if err != nil {
		return none, err
	}
	p := o.pair()[max(0, q.Sock-1)].Plan
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
	if err := s.atelier.places.Acquire(c, 1); err != nil {
		return none, err
	}
	defer s.atelier.places.Release(1)
	t, err := board.TryOn(c, p, sock, q.Row, rounds)
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
		return 0, document.Faults{{Field: "length", Message: fmt.Sprintf("read %s; after this row it is about %s", unit.Show(long), unit.Show(planned))}}
	}
	return sock.Gauge.Rounds * float64(planned/long), nil
}
