package knit

import (
	"acornstep/sock/measure"
	"acornstep/sock/needle"
)

// shortRowHeel narrows over the heel stitches and widens again.
type shortRowHeel struct{}

// fewestCentre is the smallest centre on which a heel still turns.
const fewestCentre = 4

// thirds is the largest number of turns not above a third of the heel that
// leaves a centre of at least four.
func thirds(stitches int) int {
	return min(stitches/3, (stitches-fewestCentre)/2)
}

func (shortRowHeel) Size(s *Sock) {
	ring := s.ringAtHeel()
	stitches := ring / 2
	turns := thirds(stitches)
	if given := s.Design.Heel.TurnsPerSide; given != nil {
		turns = *given
	}
	centre := stitches - 2*turns
	if turns < 1 || centre < fewestCentre {
		s.say(Stop, "heel_centre", "heel.turns_per_side: %d turns a side on %d heel stitches leave %d in the centre, and a heel needs at least %d there. %s",
			turns, stitches, centre, fewestCentre, turnsAdvice(stitches))
		return
	}
	style := turnings[s.Design.Heel.Turn]
	between := style.roundsBetween()
	if s.Design.HeelHasOwnStrand() {
		between = 0
	}
	if given := s.Design.Heel.RoundsBetween; given != nil {
		between = *given
	}
	s.Heel = HeelSize{Ring: ring, Stitches: stitches, Turns: turns, Centre: centre, RoundsBetween: between, RowGauge: s.Gauge.Rounds}
	s.Heel.ownStrand = s.Design.HeelHasOwnStrand()
	s.Heel.Length = measure.Length(2*float64(turns)/s.Heel.RowGauge + float64(between)/(2*s.Gauge.Rounds))
}

func turnsAdvice(stitches int) string {
	if t := thirds(stitches); t >= 1 {
		return "Choose " + count(t, "turn") + " or fewer, or more heel stitches."
	}
	return "There are too few heel stitches for short rows: choose a finer gauge or a larger foot."
}

func (shortRowHeel) Work(h *hands, s *Sock) {
	h.enter(needle.Heel)
	rows := &shortRows{hands: h, style: turnings[s.Design.Heel.Turn], stitches: s.Heel.Stitches, turns: s.Heel.Turns}
	first := rows.style.firstSide()
	if given := s.Design.Heel.FirstRow; given != nil {
		first = needle.Side(*given)
	}
	if first == needle.WS {
		h.begin(needle.FlatRow)
		rows.turnWith(needle.Turn)
	}
	rows.narrowing()
	if s.Heel.RoundsBetween > 0 {
		rows.roundsBetween(s.Heel.RoundsBetween)
	}
	rows.widening()
	rows.home()
}

// roundsBetween runs on over the left held stitches, works full rounds that
// settle the right ones, and comes back to the right edge of the heel.
func (r *shortRows) roundsBetween(rounds int) {
	r.settle(r.held[leftEdge])
	r.end()
	for i := range rounds {
		front, right := r.instep, 0
		if i == 0 {
			right = r.held[rightEdge]
		}
		r.round(func() { r.do(needle.K, front) }, func() {
			r.settleFar(right)
			r.settle(r.stitches - right)
		})
	}
	r.begin(needle.FlatRow)
	r.do(needle.K, r.instep)
	r.end()
	r.begin(needle.FlatRow)
	r.done = -r.held[rightEdge] // the right ones are settled: the row begins at the edge
}

// home knits from the right edge across the whole heel to the start of the round.
func (r *shortRows) home() {
	if r.machine.AfterTurn() {
		r.do(needle.DS, 1)
		r.done++
	}
	r.run(r.free())
	r.end()
}
