package whereami

import (
	"acornstep/sock/figures/lengths"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Reach is how far the fabric reaches after a row, in mm. Round the corner of
// the heel nobody lays a tape: from there on it goes up the leg.
type Reach struct {
	// Along the sole, from the tip of the toe to the end of the heel.
	Along float64 `json:"length_mm"`
	// Up the leg, from the end of the heel.
	Up float64 `json:"up_mm"`
}

// Lengths is how far the fabric reaches after each row.
func Lengths(p *plan.Plan) []Reach {
	g, s := p.Design.Gauge.PerMM(), &p.Summary
	toe := float64(s.HeelStartsAt - g.Height(float64(s.FootRounds)))
	starts, ends := float64(s.HeelStartsAt), float64(s.FinishedLength)
	toeRows, heelRows := 0, heelRowsAlong(p)
	var reach Reach
	list := make([]Reach, len(p.Rows))
	rows := map[needle.Section]int{}
	for i := range p.Rows {
		row := &p.Rows[i]
		rows[row.Section]++
		n := float64(rows[row.Section])
		switch row.Section {
		case needle.Toe:
			toeRows++
			reach.Along = toe * share(toeRows, s.ToeRounds)
		case needle.Foot:
			reach.Along = toe + float64(g.Height(n))
		case needle.Heel:
			reach.Along = starts + (ends-starts)*share(rows[needle.Heel], heelRows)
		case needle.Gusset, needle.Leg, needle.Cuff:
			reach.Along = ends
			if row.Kind == needle.Round {
				reach.Up += float64(lengths.Round(g))
			}
		}
		list[i] = reach
	}
	return list
}

// heelRowsAlong is the number of rows in which the heel grows along the sole: up
// to the end of the flap, or of the narrowing half.
func heelRowsAlong(p *plan.Plan) int {
	s := &p.Summary
	switch {
	case s.FlapRows != nil:
		return *s.FlapRows + 2 // with the set-up row and the turn before it
	case s.HeelTurnsPerSide != nil:
		return 2**s.HeelTurnsPerSide + 1 // with the way to its edge
	default:
		return 1
	}
}

// share is n of all, at most the whole.
func share(n, all int) float64 {
	if n >= all {
		return 1
	}
	return float64(n) / float64(all)
}
