package knit

import (
	"fmt"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/lengths"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// shortRowToe narrows and widens over half the stitches from a provisional
// cast-on, which is undone for the other half.
type shortRowToe struct{}

var aboutCup = About{
	Name: "short_row", Label: "Short-row toe", Said: "short-row toe", Reason: "a cup like the heel's, from a provisional cast-on",
	Term: "short_rows", Rows: "rows", Counts: 2,
	Shows:   []string{"co-chain", "unzip"},
	Uses:    []at.Path{at.HeelTurn, at.ToeTurnsPerSide},
	Resets:  []at.Path{at.ToeCastOn, at.ToeStartStitches, at.ToeFastRounds, at.ToeTurnsPerSide},
	Allows:  map[at.Path][]string{at.ToeCastOn: {"provisional"}},
	Numbers: []Number{{Field: at.ToeTurnsPerSide, Label: "Turns on each side", Suffix: "turns"}},
}

func (shortRowToe) About() *About                  { return &aboutCup }
func (shortRowToe) Ways() []Way                    { return usualWay }
func (shortRowToe) Summarise(*Sock, *plan.Summary) {}
func (shortRowToe) Caution(*Sock, *verdict.Checks) {}
func (shortRowToe) Ridged() bool                   { return false }

func (shortRowToe) Pin(s *Sock, d *design.Design) {
	turns := s.Toe.Turns
	d.Toe.TurnsPerSide = &turns
}

// FewestFootRounds: the last turn is settled in the round after the toe.
func (shortRowToe) FewestFootRounds() int { return 1 }

func (shortRowToe) Explain(s *Sock, on *sheet.Sheet) {
	t := s.Toe
	on.Add("cast_on_stitches", "Stitches to cast on", fmt.Sprint(t.CastOn), "It is always half the stitches.", "%d ÷ 2 = %d", s.Stitches,
		t.CastOn)
	on.Add("toe_rounds", "Rows of the toe", fmt.Sprint(t.Rounds), "More turns make the toe deeper and more pointed.",
		"%d turns on each side, out and back, and the purl row", t.Turns)
	on.Add("toe_length", "Length of the toe", on.Long(t.Length), "The turns on each side.", "2 × %d ÷ %s = %s", t.Turns,
		on.Per(s.Gauge.Rounds), on.Long(t.Length))
}

// Drag moves by one turn a side.
func (shortRowToe) Drag(s *Sock) (Drag, bool) {
	return Drag{
		Field: at.ToeTurnsPerSide, Word: "turns a side in the toe", Step: float64(s.Gauge.Height(2)), Now: s.Toe.Turns - 1,
		Stops: s.Stitches/4 - fewestCentre/2, First: 1, Each: 1, FirstCount: 1, EachCount: 1,
	}, true
}

// Stitches are those of the rows, with the purl row before and the round that joins.
func (shortRowToe) Stitches(s *Sock) float64 {
	n := float64(s.Stitches)
	return shortRowStitches(4, s.Toe.Turns, n/2) + 1.5*n
}

func (shortRowToe) Size(s *Sock) {
	stitches := s.Stitches / 2
	turns := thirds(stitches)
	if given := s.Design.Toe.TurnsPerSide; given != nil {
		turns = *given
	}
	if !s.turnsFit(verdict.OnToe, at.ToeTurnsPerSide, stitches, turns) {
		return
	}
	s.Toe = ToeSize{CastOn: stitches, Turns: turns, Length: lengths.ShortRowToe(turns, s.Gauge)}
	s.Toe.Rounds = s.countToeRows()
}

// countToeRows knits the toe to count its rows: they depend on the turning style.
func (s *Sock) countToeRows() int {
	h := newWorker(64)
	shortRowToe{}.Work(h, s)
	return h.numbers[needle.Toe]
}

func (shortRowToe) Work(w *worker, s *Sock) {
	n := s.Toe.CastOn
	w.castOnChain(s, n)
	w.enter(needle.Toe)
	w.begin(needle.FlatRow)
	w.do(needle.P, n)
	style := s.turning()
	r := &shortRows{
		worker: w, style: style, stitches: n, turns: s.Toe.Turns, ring: n,
		leaveRight: style.leavesRight() && !style.crossesAtJoin(),
	}
	r.turnWith(needle.Turn)
	r.narrowing(false)
	r.widening()
	if free := r.free(); free > 0 {
		r.run(free)
	}
	w.end()
	// Undone, the chain gives the other half; what the turns left at the edges is worked with its first and last stitch.
	w.begin(needle.FlatRow)
	front := w.machine.Count()
	w.do(needle.Unzip, n)
	w.lay.unzipped(w, front)
	w.settle(n - 1)
	w.settleFar(1)
	w.end()
}
