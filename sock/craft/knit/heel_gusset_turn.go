package knit

import (
	"fmt"
	"math"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/lengths"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// gussetTurnHeel increases a gusset on the foot, turns with narrowing rows
// only, and uses the gusset up in a flap at the back.
type gussetTurnHeel struct{}

var aboutGusset = About{
	Name: "gusset_turn", WidensFoot: true, Label: "Gusset first", Said: "gusset first", Reason: "most room for a high instep", Term: "gusset", Rows: "rows",
	Counts: 3,
	Shows:  []string{"m1l", "m1r", "flap-turn-rs", "flap-turn-ws"},
	Uses:   []at.Path{at.HeelTurn, at.HeelFirstRow, at.HeelOwnStrand, at.HeelTurnsPerSide, at.HeelGussetIncreases},
	Resets: heelCounts,
	Numbers: []Number{
		{Field: at.HeelTurnsPerSide, Label: "Turns on each side", Suffix: "turns"},
		{Field: at.HeelGussetIncreases, Label: "Increases on each side", Suffix: "sts"},
	},
}

func (gussetTurnHeel) About() *About { return &aboutGusset }

func (gussetTurnHeel) Ways() []Way {
	return []Way{{"", design.Changes{at.HeelFabric: "stockinette", at.HeelShare: 0.5}}}
}

func (gussetTurnHeel) Summarise(s *Sock, into *plan.Summary) {
	into.HeelTurnsPerSide, into.HeelCentreStitches, into.GussetIncreases = &s.Heel.Turns, &s.Heel.Centre, &s.Heel.GussetIncreases
}

func (gussetTurnHeel) Pin(s *Sock, d *design.Design) {
	turns, increases := s.Heel.Turns, s.Heel.GussetIncreases
	d.Heel.TurnsPerSide, d.Heel.GussetIncreases = &turns, &increases
}

func (gussetTurnHeel) Explain(s *Sock, on *sheet.Sheet) {
	h, d := s.Heel, s.Design
	if d.Heel.Stitches != nil {
		on.Add("heel_stitches", "Heel stitches", fmt.Sprint(h.Stitches), "It was chosen by you.", "chosen by you, of %d", h.Ring)
	} else {
		s.explainHalf(on)
	}
	s.explainTurns(on)
	on.Add("gusset_increases", "Gusset increases on each side", fmt.Sprint(h.GussetIncreases), "A higher instep asks for more.",
		"(%s × %.2f × %s − %d) ÷ 2, within a sixth and a quarter of %d: %d", on.Long(d.Foot.HeelDiagonal), 1-d.Fit.GirthEasePct/100,
		on.Per(s.Gauge.Stitches), s.Stitches, s.Stitches, h.GussetIncreases)
}

// Stitches are the narrowing rows, the way in, a row each way that resolves, and the flap.
func (gussetTurnHeel) Stitches(s *Sock) float64 {
	h := float64(s.Heel.Stitches)
	return shortRowStitches(2, s.Heel.Turns, h) + (2*float64(s.Heel.GussetIncreases)+3.5)*h
}

func (gussetTurnHeel) Stretch(*Sock) float64 { return stockinetteStretch }
func (gussetTurnHeel) Roomier() string       { return flapHeel{}.Roomier() }

func (gussetTurnHeel) Eases(s *Sock) []Easing {
	return []Easing{
		{"one more increase on each side", design.Changes{at.HeelGussetIncreases: s.Heel.GussetIncreases + 1}},
		{"two more increases on each side", design.Changes{at.HeelGussetIncreases: s.Heel.GussetIncreases + 2}},
	}
}

func (gussetTurnHeel) Suits(d *design.Design) (reason string, misfit float64) { return gussetSuits(d) }
func (gussetTurnHeel) LapsOver() bool                                         { return false }
func (gussetTurnHeel) Ridged(*Sock) bool                                      { return false }

func (gussetTurnHeel) BeginsAt() string { return "at the bend in front of the ankle" }

func (gussetTurnHeel) Size(s *Sock) {
	d := s.Design.Heel
	s.Heel = HeelSize{Ring: s.ringAtHeel(), RowGauge: s.rowGauge()}
	stitches := s.Heel.Ring / 2
	turns := thirds(stitches)
	if given := d.TurnsPerSide; given != nil {
		turns = *given
	}
	if !s.turnsFit(verdict.OnHeel, at.HeelTurnsPerSide, stitches, turns) {
		return
	}
	s.Heel.Stitches, s.Heel.Turns, s.Heel.Centre = stitches, turns, stitches-2*turns
	s.Heel.Length = lengths.ShortRowHeel(turns, 0, s.Heel.RowGauge, s.Gauge)
	s.Heel.GussetIncreases = s.gussetIncreases()
}

// gussetIncreases is the number on each side with which the sock meets the heel
// diagonal, between a sixth and a quarter of the stitches, and never more than the foot has rounds for.
func (s *Sock) gussetIncreases() int {
	n := s.Heel.Ring
	target := (target(s.Design, s.Design.Foot.HeelDiagonal) - float64(n)) / 2
	increases := NearestCount(target, 1)
	increases = min(max(increases, int(math.Ceil(float64(n)/6-1e-9))), n/4)
	if given := s.Design.Heel.GussetIncreases; given != nil {
		increases = *given
	}
	rounds := s.roundsBeforeHeel()
	room := max(0, rounds-s.fewestFootRounds()) / 2
	if soonest := s.went.gussetAtSoonest(); soonest > 0 {
		// Before a heel that comes sooner it makes fewer, the last one perhaps right before the heel.
		return min(increases, max(0, rounds-soonest+2)/2)
	}
	if increases > room {
		s.Checks.Of(verdict.OnHeel, at.HeelGussetIncreases, verdict.Caution, "gusset_no_room",
			"%d increases on each side need %d rounds, and between toe and heel there is room for %d of them.", increases, 2*increases,
			room)
		increases = room
	}
	return increases
}

func (gussetTurnHeel) DiagonalGirth(s *Sock) measure.Length {
	return lengths.DiagonalOfGusset(s.Heel.Ring, s.Heel.GussetIncreases, s.Gauge)
}

// gussetIncreaseRound adds a stitch beside the instep on each side, on the sole.
func (s *Sock) gussetIncreaseRound(w *worker) {
	front, back := w.instep, w.sole()
	w.round(func() { s.workInstep(w, front) }, func() {
		s.workSole(w, 1)
		w.do(needle.M1R, 1)
		s.workSole(w, back-2)
		w.do(needle.M1L, 1)
		s.workSole(w, 1)
	})
}

func (gussetTurnHeel) Work(w *worker, s *Sock) {
	s.enterHeel(w)
	w.endsAway = true
	r := s.shortRowsAtHeel(w)
	r.wrapNeighbour = false // beside it stand the gusset's stitches, and they are decreased away
	r.beginHeel(s)
	r.narrowing(false)
	r.resolveNarrowing()
	for i := range 2 * s.Heel.GussetIncreases {
		r.flapRow(i == 2*s.Heel.GussetIncreases-1)
	}
	w.reachLeft, w.reachRight = reaches(s.Heel.Stitches, w.sole())
	if w.machine.Side() == needle.WS {
		w.flapWrongSide(s.Heel.Stitches)
	}
	w.colour, w.fabric = "", ""
	if r.ownStrand && !s.Design.ContrastHeel() {
		w.joins = w.strandEnds()
	}
	if !w.machine.AtRoundStart() {
		w.begin(needle.FlatRow)
		w.settle(s.Heel.Stitches - w.reachLeft)
		w.end()
	}
}

// resolveNarrowing works one row each way that settles what the narrowing rows
// hold and turns at the edges of the heel.
func (r *shortRows) resolveNarrowing() {
	for i := range r.held {
		edge := r.edge()
		r.run(r.free())
		r.settle(r.held[edge])
		r.held[edge] = 0
		r.do(needle.Turn, 1)
		r.end()
		if i == 0 {
			r.begin(needle.FlatRow)
			r.do(needle.Sl, 1)
			r.done = 1
		}
	}
}

// flapRow works across the heel and closes its last stitch with one of the
// gusset. The last row does not turn when it ends where the round begins.
func (r *shortRows) flapRow(last bool) {
	together := needle.SSK
	if r.machine.Side() == needle.WS {
		together = needle.P2tog
	}
	r.begin(needle.FlatRow)
	r.do(needle.Sl, 1)
	r.do(r.plain(), r.stitches-2)
	r.do(together, 1)
	if !last || r.machine.Side() == needle.WS {
		r.do(needle.Turn, 1)
	}
	r.end()
}
