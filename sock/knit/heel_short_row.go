package knit

import (
	"math"

	"acornstep/sock/measure"
	"acornstep/sock/needle"
)

// shortRowHeel narrows over the heel stitches and widens again.
type shortRowHeel struct{}

func (shortRowHeel) BeginsAt() string { return "at the bend in front of the ankle" }

// fewestCentre is the smallest centre on which a heel still turns.
const fewestCentre = 4

// wideCentre is the width of the centre of a heel over more than half the sock.
const wideCentre measure.Length = 25

// thirds is the largest number of turns not above a third of the heel that
// leaves a centre of at least four.
func thirds(stitches int) int {
	return min(stitches/3, (stitches-fewestCentre)/2)
}

// centreTurns is the number of turns that leaves a centre of about 25 mm.
func (s *Sock) centreTurns(stitches int) int {
	want := float64(wideCentre) * s.Gauge.Stitches
	centre := stitches%2 + NearestCount(want-float64(stitches%2), 2)
	return (stitches - max(centre, fewestCentre+stitches%2)) / 2
}

// NearestCount is the multiple of m nearest to the target, the smaller at a tie; it may be zero.
func NearestCount(target float64, m int) int {
	low := int(math.Floor(target/float64(m))) * m
	if target-float64(low) > float64(m)/2+1e-9 {
		low += m
	}
	return max(low, 0)
}

// heelStitches is the number of stitches the short-row heel is worked on.
func (s *Sock) heelStitches() int {
	d, ring := s.Design.Heel, s.Heel.Ring
	if given := d.Stitches; given != nil {
		if (*given-ring/2)%2 != 0 {
			s.say(Stop, "heel_parity", "heel.stitches: read %d; a heel about the middle of %d sole stitches has an even difference: %d or %d.", *given, ring/2, *given-1, *given+1)
		} else if *given > ring-fewestInstep {
			s.say(Stop, "heel_wide", "heel.stitches: read %d; of %d stitches at least %d stay on the instep, so the heel has at most %d.", *given, ring, fewestInstep, ring-fewestInstep)
		}
		return *given
	}
	if d.Share == 0.5 {
		return ring / 2
	}
	// The nearest count whose difference to the half is even, so that it reaches equally far round both sides.
	return ring/2 + NearestCount(d.Share*float64(ring)-float64(ring/2), 2)
}

// fewestInstep is what a wide heel leaves in front.
const fewestInstep = 4

func (shortRowHeel) Size(s *Sock) {
	d := s.Design.Heel
	s.Heel = HeelSize{Ring: s.ringAtHeel(), RowGauge: s.rowGauge()}
	stitches := s.heelStitches()
	if s.Stopped() {
		return
	}
	turns := thirds(stitches)
	if stitches > s.Heel.Ring/2 {
		turns = s.centreTurns(stitches)
	}
	if given := d.TurnsPerSide; given != nil {
		turns = *given
	}
	if !s.turnsFit("heel", stitches, turns) {
		return
	}
	if d.TurnsPerSide == nil && stitches == s.Heel.Ring/2 {
		s.sayThirds(stitches, turns)
	}
	between := turnings[d.Turn].roundsBetween()
	if s.Design.HeelHasOwnStrand() {
		between = 0
	}
	if given := d.RoundsBetween; given != nil {
		between = *given
	}
	s.Heel.Stitches, s.Heel.Turns, s.Heel.Centre, s.Heel.RoundsBetween = stitches, turns, stitches-2*turns, between
	s.Heel.Length = measure.Length(2*float64(turns)/s.Heel.RowGauge + float64(between)/(2*s.Gauge.Rounds))
}

// turnsFit stops a heel or toe whose turns leave no centre.
func (s *Sock) turnsFit(where string, stitches, turns int) bool {
	centre := stitches - 2*turns
	if turns >= 1 && centre >= fewestCentre {
		return true
	}
	advice := "There are too few stitches for short rows: choose a finer gauge or a larger foot."
	if t := thirds(stitches); t >= 1 {
		advice = "Choose " + count(t, "turn") + " or fewer, or more stitches."
	}
	s.say(Stop, where+"_centre", "%s.turns_per_side: %d turns a side on %d stitches leave %d in the centre, and at least %d have to stay there. %s",
		where, turns, stitches, centre, fewestCentre, advice)
	return false
}

// sayThirds offers both answers where thirds do not divide.
func (s *Sock) sayThirds(stitches, turns int) {
	more := turns + 1
	if stitches%3 == 0 || stitches-2*more < fewestCentre {
		return
	}
	s.say(Note, "heel_thirds", "%d does not divide by three: %d/%d/%d is rounder and shallower, %d/%d/%d deeper and more pointed by two rows.",
		stitches, turns, stitches-2*turns, turns, more, stitches-2*more, more)
}

func (shortRowHeel) DiagonalGirth(s *Sock) measure.Length {
	return s.Gauge.Girth(float64(s.Heel.Ring-s.Heel.Stitches)) + s.slants() + s.Gauge.Girth(float64(s.Heel.Centre))
}

func (shortRowHeel) Work(h *hands, s *Sock) {
	s.enterHeel(h)
	r := s.shortRowsAtHeel(h)
	r.beginHeel(s)
	between := s.Heel.RoundsBetween
	r.narrowing(between > 0)
	if between > 0 {
		r.roundsBetween(between)
	}
	r.widening()
	r.home()
	h.toRoundStart()
}

// shortRowsAtHeel sets the short rows out over the middle of the sole.
func (s *Sock) shortRowsAtHeel(h *hands) *shortRows {
	style := turnings[s.Design.Heel.Turn]
	ownStrand := s.Design.HeelHasOwnStrand()
	wrapNeighbour := s.Design.Corner.Method == "wrap_instep"
	h.reachLeft, h.reachRight = reaches(s.Heel.Stitches, h.sole())
	return &shortRows{
		hands: h, style: style, stitches: s.Heel.Stitches, turns: s.Heel.Turns, ownStrand: ownStrand,
		wrapNeighbour: wrapNeighbour, leaveRight: style.leavesRight() && !ownStrand && !wrapNeighbour, ring: h.machine.Count(), beyond: h.reachLeft,
	}
}

// reaches is how far a heel laps over on the instep at its left and right end; negative where it is narrower than the sole.
func reaches(stitches, sole int) (left, right int) {
	over := stitches - sole
	right = over >> 1 // floor: an odd one lies at the left
	return over - right, right
}

// beginHeel brings the yarn to the edge where the first row begins.
func (r *shortRows) beginHeel(s *Sock) {
	first := r.style.firstSide()
	if s.Design.HeelHasOwnStrand() {
		first = needle.RS
	} else if given := s.Design.Heel.FirstRow; given != nil {
		first = needle.Side(*given)
	}
	toEdge := r.instep - r.reachRight
	if first == needle.WS {
		if toEdge = r.reachLeft; toEdge < 0 {
			toEdge += r.machine.Count()
		}
	}
	r.inMainYarn(func() {
		if first == needle.WS || toEdge > 0 {
			r.begin(needle.FlatRow)
			r.settle(toEdge)
			if first == needle.WS {
				r.do(needle.Turn, 1)
			}
			r.end()
		}
	})
	r.begin(needle.FlatRow)
}

// roundsBetween runs on over the left held stitches, works full rounds that
// settle the right ones, and comes back to the right edge of the heel.
func (r *shortRows) roundsBetween(rounds int) {
	r.run(r.free())
	r.settle(r.held[leftEdge])
	r.end()
	front := r.ring - r.stitches
	right := r.held[rightEdge]
	for range rounds {
		r.begin(needle.Round)
		r.settle(front)
		r.settleFar(right)
		r.settle(r.stitches - right)
		r.end()
		right = 0
	}
	r.begin(needle.FlatRow)
	r.settle(front)
	r.end()
	r.begin(needle.FlatRow)
	r.held = [2]int{r.turns, r.turns}
	r.done = -r.held[rightEdge] // the right ones are settled: the row begins at the edge
}

// home knits the last right-side row to the end of the heel, or to the start
// of the round where the heel laps over it.
func (r *shortRows) home() {
	if !r.inRow {
		// The heel's own strand ended at the right edge; the sock's yarn goes on.
		r.inMainYarn(func() {
			r.begin(needle.FlatRow)
			r.settle(r.stitches - r.beyond)
			r.end()
		})
		return
	}
	free := r.free()
	if toStart := free - (r.beyond - r.held[leftEdge]); r.beyond > 0 && toStart > 0 {
		free = toStart
	}
	r.run(free)
	r.settle(-r.beyond) // what lies between a narrow heel and the start of the round
	r.end()
}
