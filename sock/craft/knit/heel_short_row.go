package knit

import (
	"fmt"
	"math"
	"strings"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/lengths"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/note"
)

// shortRowHeel narrows over the heel stitches and widens again.
type shortRowHeel struct{}

var aboutShortRows = About{
	Name: "short_row", Label: "Short rows", Said: "short rows", Reason: "least yarn, nothing interrupts a pattern", Term: "short_rows",
	Rows: "rows", Counts: 1,
	Uses: []at.Path{at.HeelTurn, at.HeelShare, at.HeelFabric, at.HeelRoundsBetween, at.HeelFirstRow, at.HeelOwnStrand,
		at.HeelStitches, at.HeelTurnsPerSide},
	Resets: heelCounts,
	Numbers: []Number{
		{Field: at.HeelTurnsPerSide, Label: "Turns on each side", Suffix: "turns"},
		{Field: at.HeelStitches, Label: "Heel stitches exactly", Suffix: "sts",
			Hint: "two more than half begin on the instep's neighbour on each side: two rows deeper"},
	},
}

func (shortRowHeel) About() *About { return &aboutShortRows }

func (shortRowHeel) Ways() []Way {
	var ways []Way
	for _, fabric := range []struct{ name, said string }{{"stockinette", ""}, {"garter", " in garter"}} {
		for _, share := range []struct {
			share float64
			said  string
		}{{0.5, ""}, {0.6, " over 60 %"}, {0.7, " over 70 %"}} {
			ways = append(ways, Way{share.said + fabric.said, design.Changes{at.HeelFabric: fabric.name, at.HeelShare: share.share}})
		}
	}
	return ways
}

func (shortRowHeel) Summarise(s *Sock, into *plan.Summary) {
	into.HeelTurnsPerSide, into.HeelCentreStitches = &s.Heel.Turns, &s.Heel.Centre
}

func (shortRowHeel) Pin(s *Sock, d *design.Design) {
	stitches, turns := s.Heel.Stitches, s.Heel.Turns
	d.Heel.Stitches, d.Heel.TurnsPerSide = &stitches, &turns
}

func (shortRowHeel) Explain(s *Sock, on *sheet.Sheet) {
	h, share := s.Heel, s.Design.Heel.Share
	switch {
	case s.Design.Heel.Stitches != nil:
		on.Add("heel_stitches", "Heel stitches", fmt.Sprint(h.Stitches), "It was chosen by you.", "chosen by you, of %d", h.Ring)
	case share != 0.5:
		on.Add("heel_stitches", "Heel stitches", fmt.Sprint(h.Stitches), "The share of the sock that the heel takes.",
			"%.2f × %d = %.1f → %d, so that both sides take as many", share, h.Ring, share*float64(h.Ring), h.Stitches)
	default:
		s.explainHalf(on)
	}
	s.explainTurns(on)
}

// explainHalf is the arithmetic of a heel on the sole's stitches.
func (s *Sock) explainHalf(on *sheet.Sheet) {
	on.Add("heel_stitches", "Heel stitches", fmt.Sprint(s.Heel.Stitches), "The count round the foot.", "%d ÷ 2 = %d", s.Heel.Ring,
		s.Heel.Stitches)
}

// explainTurns is the arithmetic of narrowing rows.
func (s *Sock) explainTurns(on *sheet.Sheet) {
	h, between := s.Heel, ""
	if h.RoundsBetween > 0 {
		between = fmt.Sprintf(" + %d ÷ (2 × %s)", h.RoundsBetween, on.Per(s.Gauge.Rounds))
	}
	on.Add("heel_turns_per_side", "Turns on each side", fmt.Sprint(h.Turns),
		"More turns: deeper and more pointed; fewer: rounder and shallower.",
		"%d − 2 × %d = %d in the centre", h.Stitches, h.Turns, h.Centre)
	on.Add("heel_length", "Length of the heel", on.Long(h.Length), "The turns on each side, and the fabric.",
		"2 × %d ÷ %s%s = %s", h.Turns, on.Per(h.RowGauge), between, on.Long(h.Length))
}

func (shortRowHeel) Stitches(s *Sock) float64 {
	h := float64(s.Heel.Stitches)
	return shortRowStitches(4, s.Heel.Turns, h) + float64(s.Heel.RoundsBetween)*(1.5*float64(s.Stitches)+h)
}

func (shortRowHeel) Stretch(s *Sock) float64 {
	if s.Design.Heel.Fabric == needle.Garter {
		return garterStretch
	}
	return stockinetteStretch
}

func (shortRowHeel) Roomier() string { return "a heel with a gusset gives more room." }

func (shortRowHeel) Eases(s *Sock) []Easing {
	turns := s.Heel.Turns
	list := []Easing{
		{"one more turn on each side", design.Changes{at.HeelTurnsPerSide: turns + 1}},
		{"two more turns on each side", design.Changes{at.HeelTurnsPerSide: turns + 2}},
	}
	for _, percent := range []int{60, 65, 70} {
		if share := float64(percent) / 100; share > s.Design.Heel.Share {
			list = append(list, Easing{fmt.Sprintf("the heel over %d %% of the stitches", percent),
				design.Changes{at.HeelShare: share, at.HeelTurnsPerSide: nil}})
		}
	}
	return list
}

func (shortRowHeel) Suits(d *design.Design) (reason string, misfit float64) {
	switch {
	case d.Foot.HeelWidth == "narrow":
		return "short rows grip a narrow heel", 0
	case d.Heel.Share > 0.5 && d.Heel.Fabric == needle.Garter:
		return "a wide garter heel is padded and wears hard", 0
	}
	return "", 0
}

func (shortRowHeel) LapsOver() bool      { return true }
func (shortRowHeel) Ridged(s *Sock) bool { return s.Design.Heel.Fabric == needle.Garter }

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
			s.Checks.Of(verdict.OnHeel, at.HeelStitches, verdict.Stop, "heel_parity",
				"read %d; a heel about the middle of %d sole stitches has an even difference: %d or %d.", *given, ring/2, *given-1,
				*given+1)
		} else if *given > ring-fewestInstep {
			s.Checks.Of(verdict.OnHeel, at.HeelStitches, verdict.Stop, "heel_wide",
				"read %d; of %d stitches at least %d stay on the instep, so the heel has at most %d.", *given, ring, fewestInstep,
				ring-fewestInstep)
		}
		return *given
	}
	if d.Share == 0.5 {
		return ring / 2
	}
	// The nearest count whose difference to the half is even, so that it reaches equally far round both sides.
	return ring/2 + NearestCount(d.Share*float64(ring)-float64(ring/2), 2)
}

// neighbour is the stitch of the instep on each side on which the first turn may lie: such a heel is two rows deeper.
const neighbour = 1

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
	switch half := s.Heel.Ring / 2; {
	case stitches == half+2*neighbour:
		turns = thirds(half) + neighbour // the usual heel, with one turn more on each side
	case stitches > half:
		turns = s.centreTurns(stitches)
	}
	if given := d.TurnsPerSide; given != nil {
		turns = *given
	}
	if !s.turnsFit(verdict.OnHeel, at.HeelTurnsPerSide, stitches, turns) {
		return
	}
	if d.TurnsPerSide == nil && stitches == s.Heel.Ring/2 {
		s.sayThirds(stitches, turns)
	}
	between := s.turning().roundsBetween()
	if s.Design.HeelHasOwnStrand() {
		between = 0
	}
	if given := d.RoundsBetween; given != nil {
		between = *given
	}
	s.Heel.Stitches, s.Heel.Turns, s.Heel.Centre, s.Heel.RoundsBetween = stitches, turns, stitches-2*turns, between
	s.Heel.Length = lengths.ShortRowHeel(turns, between, s.Heel.RowGauge, s.Gauge)
	if p := s.instepPattern(); stitches > s.Heel.Ring/2 && !p.Plain() && !laysOut(p) {
		s.Checks.Say(verdict.OnHeel, verdict.Caution, "lace_waits",
			"A heel over more than half takes stitches of the instep, so its %s waits while the heel is worked: a few plain rows lie across it. Over half of the stitches it goes on.", p.Label)
	}
}

// turnsFit stops a heel or toe whose turns leave no centre.
func (s *Sock) turnsFit(on verdict.On, field at.Path, stitches, turns int) bool {
	centre := stitches - 2*turns
	if turns >= 1 && centre >= fewestCentre {
		return true
	}
	advice := "There are too few stitches for short rows: choose a finer gauge or a larger foot."
	if t := thirds(stitches); t >= 1 {
		advice = "Choose " + measure.Count(t, "turn") + " or fewer, or more stitches."
	}
	s.Checks.Of(on, field, verdict.Stop, string(on)+"_centre",
		"%d turns a side on %d stitches leave %d in the centre, and at least %d have to stay there. %s",
		turns, stitches, centre, fewestCentre, advice)
	return false
}

// sayThirds offers both answers where thirds do not divide.
func (s *Sock) sayThirds(stitches, turns int) {
	more := turns + 1
	if stitches%3 == 0 || stitches-2*more < fewestCentre {
		return
	}
	s.Checks.Say(verdict.OnHeel, verdict.Note, "heel_thirds",
		"%d does not divide by three: %d/%d/%d is rounder and shallower, %d/%d/%d deeper and more pointed by two rows.",
		stitches, turns, stitches-2*turns, turns, more, stitches-2*more, more)
}

func (shortRowHeel) DiagonalGirth(s *Sock) measure.Length {
	return lengths.DiagonalOfShortRows(s.Heel.Ring, s.Heel.Stitches, s.Heel.Turns, s.Heel.RowGauge, s.Gauge)
}

func (shortRowHeel) Work(w *worker, s *Sock) {
	s.enterHeel(w)
	r := s.shortRowsAtHeel(w)
	r.beginHeel(s)
	between := s.Heel.RoundsBetween
	r.narrowing(between > 0)
	if between > 0 {
		r.roundsBetween(between)
	}
	r.widening()
	r.home()
	w.toRoundStart()
}

// shortRowsAtHeel sets the short rows out over the middle of the sole.
func (s *Sock) shortRowsAtHeel(w *worker) *shortRows {
	style := s.turning()
	ownStrand := s.Design.HeelHasOwnStrand()
	wrapNeighbour := s.corner().wrapsInstep
	w.reachLeft, w.reachRight = reaches(s.Heel.Stitches, w.sole())
	w.lifts = style.lifts()
	w.lay.atHeel(w)
	return &shortRows{
		worker: w, style: style, stitches: s.Heel.Stitches, turns: s.Heel.Turns, ownStrand: ownStrand,
		wrapNeighbour: wrapNeighbour, between: s.Heel.RoundsBetween, leaveRight: style.leavesRight() && !ownStrand && !wrapNeighbour,
		ring: w.machine.Count(), beyond: w.reachLeft,
	}
}

// reaches is how far a heel laps over on the instep at its left and right end; negative where it is narrower than the sole.
func reaches(stitches, sole int) (left, right int) {
	over := stitches - sole
	right = over >> 1 // floor: an odd one lies at the left
	return over - right, right
}

// HeelBegins is the side of the first row of short rows.
func (s *Sock) HeelBegins() needle.Side {
	switch given := s.Design.Heel.FirstRow; {
	case s.Design.HeelHasOwnStrand():
		return needle.RS
	case given != nil:
		return needle.Side(*given)
	}
	return s.turning().firstSide()
}

// beginHeel brings the yarn to the edge where the first row begins.
func (r *shortRows) beginHeel(s *Sock) {
	first := s.HeelBegins()
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
	r.lay.park(r.worker)
	if r.ownStrand && !s.Design.ContrastHeel() {
		r.joins = r.strandBegins()
	}
	if r.oneNeedle() {
		centre := note.Fact{Code: note.CentreMarked, First: r.turns + 1, Last: r.stitches - r.turns}
		r.joins = strings.TrimSpace(r.joins + " " + centre.String())
	}
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
			if r.colour == r.row.Colour {
				r.joins = r.strandEnds()
			}
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
