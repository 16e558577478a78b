package board

import (
	"context"

	"acornstep/sock/cloth/shape"
	"acornstep/sock/cloth/worn"
	"acornstep/sock/craft/knit"
	"acornstep/sock/judge/fit"
	"acornstep/sock/judge/handle"
	"acornstep/sock/judge/whatif"
	"acornstep/sock/papers/draft"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Drawing is a sock on its foot as it is seen, and where it pulls.
type Drawing struct {
	Shape *shape.Profile `json:"shape,omitempty"`
	// Ghost is the outline of the foot behind the sock.
	Ghost  shape.Points   `json:"ghost,omitempty"`
	Places []shape.Across `json:"places,omitempty"`
	Grips  []handle.Grip  `json:"grips,omitempty"`
	// Pull is left out of a rough drawing: its figures are not to be told.
	Pull *shape.Pull `json:"pull,omitempty"`
	// Eases are the choices that ease it most, for each place of the fit where it is not easy.
	Eases []fit.Ease `json:"eases,omitempty"`
}

// Draw draws the sock of a draft on its foot; a draft that gives none has no drawing. Its error is that of the
// context, or of the program.
func Draw(ctx context.Context, r draft.Reading, care worn.Care) (Drawing, error) {
	p, sock, err := made(r)
	if p == nil {
		return Drawing{}, err
	}
	return DrawPlan(ctx, p, sock, care)
}

// DrawDoubted draws the rows of a draft as they come out under a doubt: on another foot, in another gauge. Its
// errors are those of [Draw] and [whatif.Ask].
func DrawDoubted(ctx context.Context, r draft.Reading, doubt whatif.Doubt, care worn.Care) (Drawing, error) {
	p, _, err := made(r)
	if p == nil {
		return Drawing{}, err
	}
	same, err := whatif.Same(r.Design, doubt)
	if err != nil {
		return Drawing{}, err
	}
	return DrawPlan(ctx, p, same, care)
}

// made are the rows of a draft and its sock; without a plan where it gives none.
func made(r draft.Reading) (*plan.Plan, *knit.Sock, error) {
	if len(r.Faults) > 0 {
		return nil, nil, nil
	}
	p, sock, err := knit.MakeSock(r.Design)
	if err != nil || p.Stopped() != nil {
		return nil, nil, err
	}
	return p, sock, nil
}

// Turn gives the sock of a draft as a surface in space; nil for a draft that gives none.
func Turn(ctx context.Context, r draft.Reading) (*shape.Space, error) {
	p, sock, err := made(r)
	if p == nil {
		return nil, err
	}
	t, w, err := putOn(ctx, sock, p.Rows, worn.Fine)
	if err != nil {
		return nil, err
	}
	space := shape.SpaceOf(w, t, shape.WordsOf(w, t, w.Stretches(), scale(sock)), coloursOf(sock, t))
	return &space, nil
}

// coloursOf are the colours of the loops of a sock, in its yarn as it repeats.
func coloursOf(s *knit.Sock, t *knitted.Sock) []string {
	return shape.Colours(t, yarn.Repeat(s.Design, s.Stitches), yarn.PerStitch(s.Gauge, yarn.Thickness(s.Design.Yarn)))
}

// DrawPlan draws a plan on the foot for which its sock was sized.
func DrawPlan(ctx context.Context, p *plan.Plan, sock *knit.Sock, care worn.Care) (Drawing, error) {
	t, w, err := putOn(ctx, sock, p.Rows, care)
	if err != nil {
		return Drawing{}, err
	}
	drawn := shape.Of(w, t, coloursOf(sock, t))
	d := Drawing{Shape: &drawn, Ghost: shape.Ghost(w, drawn), Places: shape.Places(w, drawn), Grips: handle.Grips(sock, &drawn)}
	if care == worn.Fine {
		pull := shape.PullOf(w, t, scale(sock))
		d.Pull, d.Eases = &pull, fit.Eases(sock)
	}
	return d, nil
}

// scale is the one by which bars and sentences judge a sock, for its map.
func scale(s *knit.Sock) shape.Scale {
	whole := map[string]string{}
	for _, p := range fit.Of(s) {
		whole[p.Name] = p.Word
	}
	return shape.Scale{Limit: s.Gives, Easy: knit.EasyShare, Whole: whole}
}

// putOn puts rows on the foot for which their sock was sized, loop by loop.
func putOn(ctx context.Context, sock *knit.Sock, rows []needle.Row, care worn.Care) (*knitted.Sock, *worn.Worn, error) {
	t, err := knitted.Of(rows)
	if err != nil {
		return nil, nil, err
	}
	w, err := worn.Of(ctx, sock, t, care)
	return t, w, err
}
