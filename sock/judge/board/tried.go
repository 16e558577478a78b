package board

import (
	"context"
	"errors"
	"math"

	"acornstep/sock/cloth/body"
	"acornstep/sock/cloth/shape"
	"acornstep/sock/cloth/worn"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Tried is a sock that is on the needles, as it looks when it is tried on.
type Tried struct {
	Shape shape.Profile `json:"shape"`
	// Ghost is the outline of the foot behind the sock, with all of its leg.
	Ghost shape.Points `json:"ghost"`
	// Needle is where the needle lies on it, on the side that is seen.
	Needle shape.Points `json:"needle"`
	// Behind is how far the needle lies behind the tip of the toes, under the sole, in mm; Above how high it lies
	// above the floor, at the back. A sock whose needle lies on the leg has Above, else Behind.
	Behind measure.Length `json:"behind_mm,omitempty"`
	Above  measure.Length `json:"above_mm,omitempty"`
	// Bone is what lies nearest to hand there, and FromBone how far behind or above it the needle lies, in mm; negative before or below it.
	Bone     string         `json:"bone"`
	FromBone measure.Length `json:"from_bone_mm"`
}

// Where the bones lie by which a needle is found, as shares of the length of a foot: the joint of the big toe behind the tip of the toes, and
// the outer ankle bone above the floor. Feet at large; ours is an estimate.
const (
	toeJoint  = 0.27
	ankleBone = 0.27
)

// ErrTooEarly says that there is nothing to put on a foot yet.
var ErrTooEarly = errors.New("the toe is not closed yet: there is nothing to try on before the first round of the foot")

// TryOn puts the first rows of a plan on the foot for which its sock was sized.
// Rounds are the rounds per mm that were really knitted; 0 for those of the swatch.
func TryOn(ctx context.Context, p *plan.Plan, sock *knit.Sock, rows int, rounds float64) (Tried, error) {
	var none Tried
	if !started(p.Rows[:rows]) {
		return none, ErrTooEarly
	}
	if rounds > 0 {
		really := *sock
		really.Gauge.Rounds = rounds
		sock = &really
	}
	t, w, err := putOn(ctx, sock, p.Rows[:rows], worn.Fine)
	if err != nil {
		return none, err
	}
	drawn := shape.Of(w, t, coloursOf(sock, t))
	tried := Tried{Shape: drawn, Ghost: shape.WholeGhost(w), Needle: shape.Needle(w, t)}
	back := backOf(w)
	if bend, _ := w.Foot.Bend(); w.Foot.Page(back) > bend && back[1] > onLeg*w.Foot.Length {
		tried.Above = measure.Length(math.Max(0, back[1])).Tenth()
		tried.Bone, tried.FromBone = "the outer ankle bone", (tried.Above - measure.Length(ankleBone*w.Foot.Length)).Tenth()
	} else {
		tried.Behind = measure.Length(math.Max(0, back[0])).Tenth()
		tried.Bone, tried.FromBone = "the joint of the big toe", (tried.Behind - measure.Length(toeJoint*w.Foot.Length)).Tenth()
	}
	return tried, nil
}

// onLeg is how high above the floor the needle lies at least to be on the leg, as a share of the length of the
// foot; lower, it lies round the heel.
const onLeg = 0.15

// started says whether a round of the foot was worked.
func started(rows []needle.Row) bool {
	for i := range rows {
		if rows[i].Section == needle.Foot && rows[i].Kind == needle.Round {
			return true
		}
	}
	return false
}

// backOf is the loop on the needles that lies farthest round the back: under the sole, or behind the heel or leg.
func backOf(w *worn.Worn) body.Vec {
	var back body.Vec
	far := math.Inf(-1)
	for _, id := range w.Cloth.Live {
		p := w.Places[id]
		front := w.Foot.Skin(w.Foot.Page(p), 0)
		if d := math.Hypot(p[0]-front[0], p[1]-front[1]); d > far {
			back, far = p, d
		}
	}
	return back
}
