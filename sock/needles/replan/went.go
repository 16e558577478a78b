package replan

import (
	"slices"

	"acornstep/sock/craft/knit"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// fewestToShape is the smallest strip on which a toe can be shaped: four loops on each needle.
const fewestToShape = 8

// castOn answers loops that were cast on otherwise than planned: the toe is
// worked out anew from where the knitter stands, so many of its rounds as are knitted among it.
func castOn(e *knitting.Edition, h Happened) (Proposal, error) {
	p, loops := e.PlanOf(h.sock()), *h.CastOn
	round := p.Summary.FootStitches
	if !knit.GrowsAtSides(&p.Design) {
		return otherToe(e, h)
	}
	switch {
	case loops < fewestToShape:
		return Proposal{}, fault("cast_on", "read %d; on fewer than %d there is no room to shape a toe: cast on once more", loops,
			fewestToShape)
	case loops > round:
		return Proposal{}, fault("cast_on", "read %d; the sock is %d round, so that no room is left to shape a toe: cast on once more, or choose %d stitches round on the board", loops, round, loops)
	}
	went, rest := wentBefore(p, h.Row)
	if rest > 0 {
		return Proposal{}, fault("cast_on", "read %d; the toe is knitted and its count came out: say how many stitches you count now",
			loops)
	}
	went.CastOn = loops
	d := p.Design
	d.Toe.StartStitches, d.Toe.FastRounds, d.FootLength.Rounds = nil, nil, nil
	if (round-loops)%4 == 0 {
		d.Toe.StartStitches = &loops
	}
	made, err := knit.MakeWent(d, went)
	if err != nil {
		return Proposal{}, err
	}
	return proposeMade(e, made, h, 0, true)
}

// otherToe answers another count for a toe whose cast-on decides the stitches round the foot.
func otherToe(e *knitting.Edition, h Happened) (Proposal, error) {
	p := e.PlanOf(h.sock())
	loops, d := *h.CastOn, p.Design
	round := 2 * loops
	if loops%2 != 0 || round < knit.FewestStitches {
		return Proposal{}, fault("cast_on", "read %d; this toe is begun on an even count, %d at least: cast on once more", loops,
			knit.FewestStitches/2)
	}
	if section(p, h.Row) != needle.Toe && section(p, h.Row) != needle.CastOn {
		return Proposal{}, fault("cast_on", "read %d; the toe is knitted and its count came out: say how many stitches you count now",
			loops)
	}
	d.Stitches, d.FootLength.Rounds, d.Leg.Rounds = &round, nil, nil
	made, err := knit.Make(d)
	if err != nil {
		return Proposal{}, err
	}
	if stop := made.Stopped(); stop != nil {
		return Proposal{}, fault("cast_on", "read %d; that makes %d stitches round, and no sock results: %s", loops, round, stop.Text)
	}
	return proposeMade(e, made, h, 0, true)
}

// pickedUp answers what was really picked up along a flap: the gusset is worked
// out anew from where the knitter stands.
func pickedUp(e *knitting.Edition, h Happened) (Proposal, error) {
	p := e.PlanOf(h.sock())
	if p.Summary.FlapRows == nil {
		return Proposal{}, fault("picked_up", "this heel has no flap to pick up along")
	}
	first := firstOf(p, needle.Gusset)
	d := knit.PinnedTo(p)
	d.Heel.PickedUp = h.PickedUp
	if err := d.Validate(); err != nil {
		return Proposal{}, err
	}
	// The first two rows of the gusset pick up, one edge each.
	const picking = 2
	var went knit.Went
	for i := first + picking; i < min(h.Row, len(p.Rows)) && p.Rows[i].Section == needle.Gusset; i++ {
		went.Gusset = append(went.Gusset, gussetRound(&p.Rows[i], p.Summary.FootStitches/2))
	}
	if section(p, h.Row) != needle.Gusset && h.Row > first {
		return Proposal{}, fault("picked_up", "the gusset is done, and its count came out: say how many stitches you count now")
	}
	made, err := knit.MakeWent(d, went)
	if err != nil {
		return Proposal{}, err
	}
	return proposeMade(e, made, h, min(h.Row, first), h.Row >= first)
}

// asItWent is what of a plan no design makes again: a toe that comes to its count from one that was cast on otherwise, and how far
// a gusset that comes before its heel has grown before a row.
func asItWent(p *plan.Plan, row int) (went knit.Went) {
	if knit.GrowsAtSides(&p.Design) && (p.Summary.FootStitches-p.Summary.CastOnStitches)%4 != 0 {
		went, _ = wentBefore(p, firstOf(p, needle.Foot))
		went.CastOn = p.Summary.CastOnStitches
	}
	went.StripesFrom = stripesFrom(p)
	if p.Summary.GussetIncreases == nil {
		return went
	}
	for i := firstOf(p, needle.Foot); i < min(row, len(p.Rows)) && p.Rows[i].Section == needle.Foot; i++ {
		if p.Rows[i].Stitches == p.Rows[i-1].Stitches+2 {
			went.GussetFrom = p.Rows[i].N
			return went
		}
		went.FootPlain = p.Rows[i].N
	}
	return went
}

// stripesFrom is the row with which the stripes of a plan begin: as many rounds before the first of another yarn as its first stripe has.
func stripesFrom(p *plan.Plan) int {
	stripes := p.Design.Yarn.Stripes
	if len(stripes) == 0 {
		return 0
	}
	var rounds []int // that can be striped, up to the first in another yarn
	for i := range p.Rows {
		switch r := &p.Rows[i]; {
		case r.Kind != needle.Round || r.Section != needle.Foot && r.Section != needle.Gusset && r.Section != needle.Leg:
			continue
		case r.Colour == "":
			rounds = append(rounds, i)
			continue
		case r.Section == needle.Foot && len(rounds) == 0 && slices.Contains(p.Design.Yarn.Contrast, "toe"):
			continue // still in the toe's yarn
		}
		before := 0
		if stripes[0].Colour == "own" {
			before = stripes[0].Rounds
		}
		if len(rounds) <= before {
			return 0
		}
		return append(rounds, i)[len(rounds)-before]
	}
	return 0
}

// gussetRound reads on which sides a round of the gusset decreases: before the middle of the back, or after it.
func gussetRound(r *needle.Row, instep int) knit.GussetRound {
	var round knit.GussetRound
	taken, back := 0, 0
	for _, o := range r.Ops {
		back += o.Code.Takes() * o.N
	}
	middle := instep + (back-instep)/2
	for _, o := range r.Ops {
		if o.Code.IsDecrease() {
			if taken < middle {
				round.Right = true
			} else {
				round.Left = true
			}
		}
		taken += o.Code.Takes() * o.N
	}
	return round
}

// wentBefore reads the rounds of a wedge toe that are knitted before a row, and how many rows are knitted after the toe.
func wentBefore(p *plan.Plan, row int) (went knit.Went, rest int) {
	instep := p.Rows[0].Stitches / 2
	for i := 1; i < min(row, len(p.Rows)); i++ {
		r := &p.Rows[i]
		if r.Section != needle.Toe {
			rest++
			continue
		}
		if r.N == 1 {
			continue // the set-up round
		}
		round := toeRound(r, instep)
		instep += round[0] + round[1]
		went.Toe = append(went.Toe, round)
	}
	return went, rest
}

// toeRound reads what a round of a toe adds at each end of its needles; needle 1 has so many stitches before it.
func toeRound(r *needle.Row, instep int) knit.ToeRound {
	all := 0
	for _, o := range r.Ops {
		all += o.Code.Takes() * o.N
	}
	var round knit.ToeRound
	taken := 0
	for _, o := range r.Ops {
		at, n, from := 0, instep, 0
		// What takes no stitch at the border of the needles belongs to the needle that it ends.
		if taken > instep || taken == instep && o.Code.Takes() > 0 {
			at, n, from = 2, all-instep, instep
		}
		if taken-from >= n/2 {
			at++
		}
		switch {
		case o.Code.IsIncrease():
			round[at] += o.N
		case o.Code.IsDecrease():
			round[at] -= o.N
		}
		taken += o.Code.Takes() * o.N
	}
	return round
}
