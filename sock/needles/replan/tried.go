package replan

import (
	"fmt"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// triedOn replaces the swatch's rounds by what was really knitted, and counts
// the rounds still to come by it.
func triedOn(p *plan.Plan, d *design.Design, h Happened) error {
	swatch := p.Design.Gauge.PerMM()
	toe := p.Summary.HeelStartsAt - swatch.Height(float64(p.Summary.FootRounds))
	foot := sectionDone(p, needle.Foot, h.Row)
	if section(p, h.Row) == needle.CastOn || section(p, h.Row) == needle.Toe || foot < 1 {
		return fault("length_mm", "measure when some rounds of the foot are knitted: the toe alone is too short to tell a gauge")
	}
	foot = min(foot, p.Summary.FootRounds)
	planned := toe + swatch.Height(float64(foot))
	if section(p, h.Row) != needle.Foot {
		planned = p.Summary.HeelStartsAt
	}
	measured := *h.Length
	if measured <= 0 {
		return fault("length_mm", "read %.0f mm; a sock on the needles is longer", float64(measured))
	}
	factor := float64(planned / measured)
	if factor > believable || factor < 1/believable {
		return fault("length_mm", "read %.0f mm after %d rounds of the foot; by the swatch it is %.0f mm, and no gauge explains so much. Was the tape at the tip of the toe, and is this the row?",
			float64(measured), foot, float64(planned))
	}
	d.Gauge.Rounds *= factor
	gauge := d.Gauge.PerMM()
	heel := p.Summary.FinishedLength - p.Summary.HeelStartsAt
	if d.Heel.Fabric != needle.Garter { // whose height comes from the stitches
		heel *= measure.Length(1 / factor)
	}
	if section(p, h.Row) == needle.Foot {
		more := gauge.RoundsIn(d.Foot.Length - d.Fit.LengthEase - measured - heel)
		rounds := foot + max(0, more)
		d.FootLength.Rounds = &rounds
	}
	leg := p.Design.Leg.Height
	cuff := min(p.Design.Cuff.Height, leg)
	cuffRounds := gauge.RoundsIn(cuff)
	legRounds := max(0, gauge.RoundsIn(leg)-cuffRounds-gussetRounds(p))
	switch section(p, h.Row) {
	case needle.Cuff, needle.BindOff:
		return nil
	case needle.Leg:
		legRounds = max(legRounds, sectionDone(p, needle.Leg, h.Row))
	}
	d.Leg.Rounds, d.Cuff.Rounds = &legRounds, &cuffRounds
	return nil
}

// heelPlace counts the rounds to where the heel lies on the foot, as it was seen
// when the sock was tried on. A needle that is past it goes back.
func heelPlace(p *plan.Plan, d *design.Design, h Happened) (repair string, err error) {
	if section(p, h.Row) != needle.Foot {
		return "", fault("to_heel", "this is asked on the foot, between the toe and the heel")
	}
	if *h.ToHeel < -farthest || *h.ToHeel > farthest {
		return "", fault("to_heel", "read %.0f mm; on a foot it is at most %d mm", float64(*h.ToHeel), farthest)
	}
	done := sectionDone(p, needle.Foot, h.Row)
	rounds := done + d.Gauge.PerMM().RoundsIn(*h.ToHeel)
	if rounds < done {
		back := min(done-rounds, done)
		return fmt.Sprintf("The heel should have begun %d rounds ago: rip back to the end of round %d of the foot, put the count there, and begin the heel.", back, done-back), nil
	}
	d.FootLength.Rounds = &rounds
	return "", nil
}

// feels answers a sock that is too tight or too loose where it was tried on. A
// leg still to come gets another count; a foot that is knitted gets advice.
func feels(p *plan.Plan, d *design.Design, h Happened) (repair string, err error) {
	switch h.Feels {
	case "tight_foot":
		return "What is knitted stays tight. Go on with a needle a quarter of a millimetre thicker, or rip back to the toe and take the next count up: a sock that is too tight wears through, and is no good for poor circulation.", nil
	case "loose_foot":
		return "What is knitted stays loose. Go on with a needle a quarter of a millimetre thinner, or rib the instep from here: it grips.", nil
	case "tight_leg", "loose_leg":
	default:
		return "", fault("feels", "read %.20q, expected tight_foot, loose_foot, tight_leg or loose_leg", h.Feels)
	}
	if at := section(p, h.Row); at == needle.Leg || at == needle.Cuff || at == needle.BindOff {
		if h.Feels == "tight_leg" {
			return "The leg is begun: go on with a thicker needle, and bind off more loosely than you think.", nil
		}
		return "The leg is begun: go on with a thinner needle, or rib it from here.", nil
	}
	step := legStep
	if h.Feels == "loose_leg" {
		step = -legStep
	}
	count := *d.Leg.Stitches + step
	d.Leg.Stitches = &count
	d.Ankle.Change = "after_heel"
	return "", nil
}

// gussetRounds are the full rounds of a gusset above the heel.
func gussetRounds(p *plan.Plan) int {
	n := 0
	for i := range p.Rows {
		if p.Rows[i].Section == needle.Gusset && p.Rows[i].Kind == needle.Round {
			n++
		}
	}
	return n
}
