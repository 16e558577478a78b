package replan

import (
	"cmp"
	"fmt"
	"math"
	"time"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// TapeNoise is by how much, in mm, a tape reads otherwise on the same sock: how hard it was pulled on, where the tape lay. An estimate.
const TapeNoise = 5

// reads says whether a tape read what it should, give or take its noise. What it should read is shown, and typed again, rounded: half of
// the last figure, a millimetre or an eighth of an inch, is nothing.
func (h *Happened) reads(read, should measure.Length) bool {
	rounding := 0.5001
	if h.unit() == measure.Inches {
		rounding = float64(measure.Inch)/16 + 0.0001
	}
	return math.Abs(float64(read-should)) <= TapeNoise+rounding
}

// onFoot takes the length to the needle, as the tape read it on the foot, for the gauge that was really knitted, and counts what is still
// to come by it. It gives what to say where nothing changes, or what there is to do besides.
func onFoot(p *plan.Plan, d *design.Design, h Happened) (said string, err error) {
	swatch := p.Design.Gauge.PerMM()
	toe := p.Summary.HeelStartsAt - swatch.Height(float64(p.Summary.FootRounds))
	foot := sectionDone(p, needle.Foot, h.Row)
	switch at := section(p, h.Row); {
	case at == needle.CastOn || at == needle.Toe || at == needle.Foot && foot < 1:
		return "", fault("length_mm", "measure when some rounds of the foot are knitted: the toe alone is too short to tell a gauge")
	case at != needle.Foot:
		return "", fault("length_mm", "the tape to the needle is read while the needle is on the foot: from the heel on measure where the heel sits, and on the leg how high the needle is above the floor")
	}
	flat := toe + swatch.Height(float64(foot))
	should := cmp.Or(h.Should, flat)
	factor, near, err := h.gauge("length_mm", h.Length, should)
	if err != nil || near != "" {
		return near, err
	}
	if half := p.Summary.HeelStartsAt / 2; flat < half {
		return fmt.Sprintf("It reads %s where about %s is expected. So short a piece tells little, half a centimetre is much of it: measure again from round %d of the foot on.",
			h.unit().Show(*h.Length), h.unit().Show(should), swatch.RoundsIn(half-toe)+1), nil
	}
	d.Gauge.Rounds *= factor
	gauge := d.Gauge.PerMM()
	really := flat / measure.Length(factor) // what the tape would read beside the sock as it lies
	heel := p.Summary.FinishedLength - p.Summary.HeelStartsAt
	if d.Heel.Fabric != needle.Garter { // whose height comes from the stitches
		heel /= measure.Length(factor)
	}
	left := d.Foot.Length - d.Fit.LengthEase - really - heel
	rounds := foot + max(0, gauge.RoundsIn(left))
	d.FootLength.Rounds = &rounds
	legByGauge(p, d, h)
	if left < -TapeNoise {
		said = h.ripOr(p, min(gauge.RoundsIn(-left), foot), -left)
	}
	return said, nil
}

// onLeg takes the height of the needle above the floor for the gauge that was really knitted, and counts the leg that is still to come by it.
func onLeg(p *plan.Plan, d *design.Design, h Happened) (said string, err error) {
	if section(p, h.Row) != needle.Leg || sectionDone(p, needle.Leg, h.Row) < 1 {
		return "", fault("height_mm", "how high the needle is above the floor is read while it is on the leg")
	}
	if h.HeightShould <= 0 {
		return "", fault("height_mm", "nobody knows how high this needle should be: this plan does not say for which foot it is")
	}
	factor, near, err := h.gauge("height_mm", h.Height, h.HeightShould)
	if err != nil || near != "" {
		return near, err
	}
	d.Gauge.Rounds *= factor
	legByGauge(p, d, h)
	return "", nil
}

// gauge is by how much more rounds there are in a length than the swatch has. Where the tape reads what it should, give or take its noise,
// near says so and nothing is to change.
func (h *Happened) gauge(field string, read *measure.Length, should measure.Length) (factor float64, near string, err error) {
	if *read <= 0 {
		return 0, "", fault(field, "read %.0f mm; a sock on the needles is longer", float64(*read))
	}
	if h.reads(*read, should) {
		return 1, fmt.Sprintf("It reads as it should, about %s: half a centimetre more or less is how hard it was pulled on and where the tape lay.",
			h.unit().Show(should)), nil
	}
	factor = float64(should / *read)
	if factor > believable || factor < 1/believable {
		return 0, "", fault(field, "read %s; after this row it should be about %s, and no gauge explains so much. Where did the tape begin, and is this the row?",
			h.unit().Show(*read), h.unit().Show(should))
	}
	return factor, "", nil
}

// legByGauge counts the rounds of leg and cuff by the gauge of a design; what is knitted of them stays.
func legByGauge(p *plan.Plan, d *design.Design, h Happened) {
	gauge := d.Gauge.PerMM()
	leg := p.Design.Leg.Height
	cuff := gauge.RoundsIn(min(p.Design.Cuff.Height, leg))
	rounds := max(0, gauge.RoundsIn(leg)-cuff-gussetRounds(p))
	if section(p, h.Row) == needle.Leg {
		rounds = max(rounds, sectionDone(p, needle.Leg, h.Row))
	}
	d.Leg.Rounds, d.Cuff.Rounds = &rounds, &cuff
}

// heelOff answers a heel that is knitted and sits too far back or too far forward: no row to come can move it.
func heelOff(p *plan.Plan, h Happened) (string, error) {
	switch at := section(p, h.Row); {
	case at == needle.CastOn || at == needle.Toe || at == needle.Foot:
		return "", fault("heel_off_mm", "where the heel sits is seen when it is turned; on the foot tell how far the needle is from its place")
	case *h.HeelOff < -farthest || *h.HeelOff > farthest:
		return "", fault("heel_off_mm", "read %.0f mm; on a foot it is at most %d mm", float64(*h.HeelOff), farthest)
	}
	off := *h.HeelOff
	if off >= -TapeNoise && off <= TapeNoise {
		return "It sits where it should: half a centimetre more or less is how hard it was pulled on.", nil
	}
	rounds := p.Design.Gauge.PerMM().RoundsIn(max(off, -off))
	heel := firstOf(p, needle.Heel)
	foot := p.Summary.FootRounds
	if off > 0 {
		back := max(0, foot-rounds)
		return fmt.Sprintf("The foot is %s too long. No row to come can mend it. Rip back to %s (%s) and begin the heel there; or go on, and it lies in folds under the arch.",
			h.unit().Show(off), endOf(back), h.price(p, heel-(foot-back), h.Row)), nil
	}
	return fmt.Sprintf("The foot is %s too short. No row to come can mend it. Rip back to the end of the foot (%s), knit %s more, and begin the heel; or go on, and it pulls at the toes and slips off the heel.",
		h.unit().Show(-off), h.price(p, heel, h.Row), measure.Count(rounds, "round")), nil
}

// ripOr says the two ways of a foot that is too long by a length in mm: to rip so many rounds, or to live with it.
func (h *Happened) ripOr(p *plan.Plan, rounds int, over measure.Length) string {
	foot := sectionDone(p, needle.Foot, h.Row)
	return fmt.Sprintf("The foot is already %s too long: rip back to %s (%s) and begin the heel there; or begin the heel now, and have it that much too long.",
		h.unit().Show(over), endOf(foot-rounds), h.price(p, h.Row-rounds, h.Row))
}

// endOf names the end of a round of the foot; before its first one that of the toe.
func endOf(round int) string {
	if round < 1 {
		return "the end of the toe"
	}
	return fmt.Sprintf("the end of round %d of the foot", round)
}

// price is what it takes to knit the rows of a plan from one to another again: stitches, grams, and the time at the knitter's own pace.
func (h *Happened) price(p *plan.Plan, from, to int) string {
	made, err := knitted.Of(p.Rows)
	if err != nil {
		return measure.Count(to-from, "row")
	}
	rows, stitches := 0, 0
	for i := max(0, from); i < min(to, len(made.Steps)); i++ {
		if n := made.Steps[i].Worked; n > 0 { // a lone turn is no row
			rows, stitches = rows+1, stitches+n
		}
	}
	text := fmt.Sprintf("%s, %s to knit again, about %.0f g of yarn", measure.Count(rows, "row"), stitchesOf(stitches),
		math.Ceil(float64(stitches)*yarn.GramsPerStitch(&p.Design)))
	if took := h.Pace.TimeFor(stitches); took > 0 {
		text += fmt.Sprintf(", %s at your pace", inWords(took))
	}
	return text
}

// inWords is a time as one says it: 40 minutes, 2 1/2 hours.
func inWords(t time.Duration) string {
	if t < 90*time.Minute {
		return measure.Count(max(1, int(math.Round(t.Minutes()/5)))*5, "minute")
	}
	halves := int(math.Round(t.Hours() * 2))
	if halves%2 == 0 {
		return fmt.Sprintf("%d hours", halves/2)
	}
	return fmt.Sprintf("%d 1/2 hours", halves/2)
}

func (h *Happened) unit() measure.Unit { return cmp.Or(h.Unit, measure.Centimetres) }

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
		return fmt.Sprintf("The heel should have begun %s ago: rip back to %s (%s), put the count there, and begin the heel.",
			measure.Count(back, "round"), endOf(done-back), h.price(p, h.Row-back, h.Row)), nil
	}
	d.FootLength.Rounds = &rounds
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
