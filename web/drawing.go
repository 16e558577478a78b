package web

import (
	"context"
	"encoding/json"

	"acornstep/sock/cloth/shape"
	"acornstep/sock/cloth/worn"
	"acornstep/sock/craft/knit"
	"acornstep/sock/judge/board"
	"acornstep/sock/judge/whatif"
	"acornstep/sock/papers/draft"
	"acornstep/sock/papers/plan"

	lru "github.com/hashicorp/golang-lru/v2"
)

// Drawings that are kept at hand: fine ones take a quarter of a megabyte, rough ones a tenth. A basket is looked at again and again.
const (
	fineAtHand  = 96
	roughAtHand = 400
)

// drawings are made when there is room, and kept at hand; who has gone meanwhile is passed over.
type drawings struct {
	room  *heavy
	drawn map[worn.Care]*lru.Cache[string, board.Drawing]
}

func newDrawings(room *heavy) (*drawings, error) {
	a := &drawings{room, map[worn.Care]*lru.Cache[string, board.Drawing]{}}
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
func (a *drawings) of(ctx context.Context, care worn.Care, name string, make func() (board.Drawing, error)) (board.Drawing, error) {
	if d, kept := a.drawn[care].Get(name); kept {
		return d, nil
	}
	return settled(ctx, a, func() (board.Drawing, error) {
		if d, kept := a.drawn[care].Get(name); kept { // somebody else asked for the same
			return d, nil
		}
		d, err := make()
		if err == nil {
			a.drawn[care].Add(name, d)
		}
		return d, err
	})
}

// settled waits for its turn to put a sock on a foot.
func settled[T any](ctx context.Context, a *drawings, make func() (T, error)) (T, error) {
	return shared(ctx, a.room, ofDrawing, make)
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
	return s.drawings.of(c, care, string(name), func() (board.Drawing, error) {
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
	return settled(c, s.drawings, func() (SpaceAnswer, error) {
		space, err := board.Turn(c, draft.Read(c.Asked.Draft, unit))
		return SpaceAnswer{space}, err
	})
}

// drawn is a plan on the foot for which it was made.
func (s *server) drawn(ctx context.Context, p *plan.Plan) (board.Drawing, error) {
	return settled(ctx, s.drawings, func() (board.Drawing, error) {
		return board.DrawPlan(ctx, p, knit.Measure(&p.Design), worn.Fine)
	})
}
