package check

import (
	"acornstep/sock/figures/at"
	"acornstep/sock/papers/design"
	"math"

	"acornstep/sock/figures/lengths"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Summary works out the summary of a plan from its rows and gauge. The rows must be sound; what the document says of them is not read.
func Summary(p *plan.Plan) plan.Summary {
	r := newReplay(p)
	r.knit()
	return r.summary()
}

// heelKind is how a heel is worked, as far as the rows tell.
type heelKind int

const (
	shortRows heelKind = iota
	flap
	gussetFirst
)

// heelKind reads the kind from the rows; where a gusset of no stitches leaves no trace, the document says it.
func (r *replay) heelKind() heelKind {
	widens := design.Find(at.HeelKind, r.plan.Design.Heel.Kind).WidensFoot
	switch {
	case r.facts.rows[needle.Gusset] > 0:
		return flap
	case r.facts.heelEnd < r.facts.ring || widens || r.plan.Summary.GussetIncreases != nil:
		return gussetFirst
	default:
		return shortRows
	}
}

// summary is what the rows, the gauge and the formulas of length give.
func (r *replay) summary() plan.Summary {
	f, g := &r.facts, r.plan.Design.Gauge.PerMM()
	s := plan.Summary{
		CastOnStitches: f.castOn, FootStitches: f.foot, FootRounds: f.rows[needle.Foot],
		LegStitches: f.leg, LegRounds: f.rows[needle.Leg], CuffRounds: f.rows[needle.Cuff],
	}
	if f.ankle > 0 {
		s.AnkleStitches = &f.ankle
	}
	starts := lengths.HeelStarts(r.toe(&s, g), s.FootRounds, g)
	heel, diagonal := r.heel(&s, g)
	s.HeelStartsAt, s.FinishedLength, s.HeelDiagonalGirth = starts.Tenth(), (starts + heel).Tenth(), diagonal.Tenth()
	return s
}

// toe fills what the summary says of the toe, and gives its length.
func (r *replay) toe(s *plan.Summary, g measure.Gauge) measure.Length {
	f := &r.facts
	s.ToeRounds = f.rows[needle.Toe]
	switch {
	case f.chain:
		_, turns := f.toe.span()
		return lengths.ShortRowToe(turns, g)
	case f.garterRows > 0:
		s.ToeRounds = f.garterRows
		return lengths.SquareToe(f.castOn/2, g)
	default:
		s.IncreaseRounds = &f.toeIncreases
		return g.Height(float64(s.ToeRounds))
	}
}

// heel fills what the summary says of the heel, and gives what it adds to the foot and its diagonal girth.
func (r *replay) heel(s *plan.Summary, g measure.Gauge) (length, diagonal measure.Length) {
	f := &r.facts
	if r.heelKind() == flap {
		return r.flap(s, g)
	}
	rows := g.Rounds
	if f.heelGarter {
		rows = lengths.GarterRows(g)
	}
	stitches, turns := f.heel.span()
	centre := stitches - 2*turns
	s.HeelStitches, s.HeelTurnsPerSide, s.HeelCentreStitches = stitches, &turns, &centre
	if r.heelKind() == gussetFirst {
		increases := (f.ring - f.heelEnd) / 2
		s.GussetIncreases = &increases
		return lengths.ShortRowHeel(turns, 0, rows, g), lengths.DiagonalOfGusset(f.heelEnd, increases, g)
	}
	return lengths.ShortRowHeel(turns, f.heelRounds, rows, g), lengths.DiagonalOfShortRows(f.ring, stitches, turns, rows, g)
}

func (r *replay) flap(s *plan.Summary, g measure.Gauge) (length, diagonal measure.Length) {
	f, d := &r.facts, &r.plan.Design
	left := f.heelEnd - (f.ring - f.setUp)
	s.HeelStitches, s.FlapRows, s.TurnStitches, s.GussetDecreaseRounds = f.setUp, &f.flapRows, &left, &f.gussetDecreases
	along := f.pickedUp
	if !design.Find(at.CornerMethod, d.Corner.Method).AtEdges {
		along -= 2 * d.Corner.PickUp
	}
	rows := lengths.FlapRows(g, d.Heel.FlapRowFactor)
	return lengths.Flap(f.flapRows, rows), lengths.DiagonalOfFlap(f.ring, f.setUp, along, left, g)
}

// proveSummary compares every number of the document's summary with what the rows give.
func (r *replay) proveSummary() {
	said, is := &r.plan.Summary, r.summary()
	for _, c := range []struct {
		field    string
		said, is int
	}{
		{"cast_on_stitches", said.CastOnStitches, is.CastOnStitches}, {"foot_stitches", said.FootStitches, is.FootStitches},
		{"toe_rounds", said.ToeRounds, is.ToeRounds}, {"foot_rounds", said.FootRounds, is.FootRounds},
		{"heel_stitches", said.HeelStitches, is.HeelStitches},
		{"leg_stitches", said.LegStitches, is.LegStitches}, {"leg_rounds", said.LegRounds, is.LegRounds},
		{"cuff_rounds", said.CuffRounds, is.CuffRounds},
	} {
		r.count(c.field, c.said, c.is)
	}
	for _, c := range []struct {
		field    string
		said, is *int
	}{
		{"increase_rounds", said.IncreaseRounds, is.IncreaseRounds}, {"gusset_increases", said.GussetIncreases, is.GussetIncreases},
		{"heel_turns_per_side", said.HeelTurnsPerSide, is.HeelTurnsPerSide},
		{"heel_centre_stitches", said.HeelCentreStitches, is.HeelCentreStitches},
		{"flap_rows", said.FlapRows, is.FlapRows}, {"turn_stitches", said.TurnStitches, is.TurnStitches},
		{"gusset_decrease_rounds", said.GussetDecreaseRounds, is.GussetDecreaseRounds},
	} {
		r.maybe(c.field, c.said, c.is)
	}
	if said.AnkleStitches != nil { // it came later, and may be left out
		r.maybe("ankle_stitches", said.AnkleStitches, is.AnkleStitches)
	}
	if g := r.plan.Design.Gauge; g.Stitches <= 0 || g.Rounds <= 0 {
		r.faultAt("summary", "no gauge is given, so its lengths cannot be proved")
		return
	}
	r.length("heel_starts_at_mm", said.HeelStartsAt, is.HeelStartsAt)
	r.length("finished_length_mm", said.FinishedLength, is.FinishedLength)
	r.length("heel_diagonal_girth_mm", said.HeelDiagonalGirth, is.HeelDiagonalGirth)
}

func (r *replay) count(field string, said, is int) {
	if said != is {
		r.faultAt("summary", "%s says %d, the rows give %d", field, said, is)
	}
}

// maybe is a count that only some kinds of sock have.
func (r *replay) maybe(field string, said, is *int) {
	switch {
	case said == nil && is == nil:
	case said == nil:
		r.faultAt("summary", "%s says nothing, the rows give %d", field, *is)
	case is == nil:
		r.faultAt("summary", "%s says %d, and a sock knitted like this has none", field, *said)
	default:
		r.count(field, *said, *is)
	}
}

// lengthError is how far a length may be off: documents carry tenths of a millimetre, rounded by whoever wrote them.
const lengthError = 0.101

func (r *replay) length(field string, said, is measure.Length) {
	if off := math.Abs(float64(said - is)); !(off <= lengthError) {
		r.faultAt("summary", "%s says %.1f mm, rows and gauge give %.1f mm", field, float64(said), float64(is))
	}
}
