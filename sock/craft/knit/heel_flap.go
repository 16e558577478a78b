package knit

import (
	"fmt"
	"math"
	"slices"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/lengths"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/needle"
)

// flapHeel is a flap under the heel, a turn, and a gusset that is decreased on the leg.
type flapHeel struct{}

var aboutFlap = About{
	Name: "flap_under", Label: "Flap below the heel", Said: "flap below the heel", Reason: "a padded sole of the heel, and a gusset",
	Term: "flap", Rows: "rows", Counts: 3,
	Shows: []string{"flap-set-up", "flap-rs", "flap-ws", "flap-turn-rs", "flap-turn-ws", "pick-up-left", "corner-bar-left",
		"pick-up-right", "corner-bar-right", "gusset"},
	Uses:   []at.Path{at.HeelFlapRows, at.HeelFlapRowFactor, at.HeelPickedUp, at.HeelSlipColumns, at.RoundStart},
	Resets: heelCounts,
	Numbers: []Number{
		{Field: at.HeelFlapRows, Label: "Flap rows", Suffix: "rows"},
		{Field: at.HeelFlapRowFactor, Label: "A flap row counts", Suffix: "of a row"},
		{Field: at.HeelPickedUp, Label: "Really picked up", Hint: "left, Right: 21, 19"},
	},
}

func (flapHeel) About() *About { return &aboutFlap }

func (flapHeel) Ways() []Way {
	return []Way{{"", design.Changes{at.HeelFabric: "stockinette", at.HeelShare: 0.5}}}
}

func (flapHeel) Summarise(s *Sock, into *plan.Summary) {
	into.FlapRows, into.TurnStitches, into.GussetDecreaseRounds = &s.Heel.FlapRows, &s.Heel.TurnStitches, &s.Heel.GussetDecreaseRounds
}

func (flapHeel) Pin(s *Sock, d *design.Design) {
	rows := s.Heel.FlapRows
	d.Heel.FlapRows = &rows
}

func (flapHeel) Explain(s *Sock, on *sheet.Sheet) {
	h, d := s.Heel, s.Design
	if d.Heel.Stitches != nil {
		on.Add("heel_stitches", "Heel stitches", fmt.Sprint(h.Stitches), "It was chosen by you.", "chosen by you, of %d", h.Ring)
	} else {
		s.explainHalf(on)
	}
	on.Add("flap_rows", "Flap rows", fmt.Sprint(h.FlapRows), "Two to four more for a high instep, fewer for a flat foot.",
		"at least %d, and %g × %s × %s ÷ %g = %.1f; more where a measured heel diagonal asks for them: %d", h.Stitches, flapShare,
		on.Long(d.Foot.Length), on.Per(s.Gauge.Rounds), d.Heel.FlapRowFactor, s.flapByLength(), h.FlapRows)
	on.Add("turn_stitches", "Stitches left after the turn", fmt.Sprint(h.TurnStitches), "The heel's stitches.",
		"%d − 2 − %d, one for each decrease = %d", h.Stitches, h.Stitches-2-h.TurnStitches, h.TurnStitches)
	corners := ""
	if h.CornerStitches > 0 {
		corners = fmt.Sprintf(", and %d in each corner", h.CornerStitches)
	}
	first := ""
	if alone := abs(h.PickedUp[0] - h.PickedUp[1]); alone > 0 {
		first = fmt.Sprintf("; the fuller side loses %d by itself", alone)
	}
	on.Add("gusset_decrease_rounds", "Gusset decrease rounds", fmt.Sprint(h.GussetDecreaseRounds),
		"What was really picked up: type the two counts.",
		"%d + %d picked up%s%s, two go at a time", h.PickedUp[0], h.PickedUp[1], corners, first)
}

// Stitches: every other stitch is slipped on the right side, the first on the wrong one.
func (flapHeel) Stitches(s *Sock) float64 {
	n, h := float64(s.Stitches), float64(s.Heel.Stitches)
	slipped := (1 + yarn.SlippedFactor) / 2
	return float64(s.Heel.FlapRows+1)*h*slipped + h*h/4 + float64(len(s.Heel.GussetRounds))*(n+float64(s.Heel.GussetDecreaseRounds)) + n
}

func (flapHeel) Stretch(*Sock) float64 { return stockinetteStretch }
func (flapHeel) Roomier() string {
	return "take more stitches, a longer flap or more gusset increases."
}

func (flapHeel) Eases(s *Sock) []Easing {
	return []Easing{
		{"two more flap rows", design.Changes{at.HeelFlapRows: s.Heel.FlapRows + 2}},
		{"four more flap rows", design.Changes{at.HeelFlapRows: s.Heel.FlapRows + 4}},
	}
}
func (flapHeel) Suits(d *design.Design) (reason string, misfit float64) { return gussetSuits(d) }
func (flapHeel) LapsOver() bool                                         { return false }
func (flapHeel) Ridged(*Sock) bool                                      { return false }

// highInstep is the heel diagonal over the girth of the ball from which on an instep is high: our estimate.
const highInstep = 1.48

// HighInstep says that a foot is measured round heel and instep, and high there; what is guessed is not.
func HighInstep(foot *design.Foot) bool {
	return !foot.Guessed("heel_diagonal_mm") && float64(foot.HeelDiagonal/foot.BallGirth) > highInstep
}

// narrowMisfit is how much a flap that may slip suits a narrow heel less, in percent points of stretch: our estimate.
const narrowMisfit = 4

// gussetSuits is what speaks for a gusset, and against it.
func gussetSuits(d *design.Design) (reason string, misfit float64) {
	switch {
	case HighInstep(&d.Foot):
		return "a gusset suits a high instep", 0
	case d.Foot.HeelWidth == "narrow":
		return "a flap may slip on a narrow heel: carry the slip stitch through the turn", narrowMisfit
	}
	return "", 0
}

func (flapHeel) BeginsAt() string {
	return "where the hollow of the sole gives way to the cushion of the heel"
}

// fewestFlap is the smallest heel on which the flap can be turned.
const fewestFlap = 12

// flapShare is the length of a flap as a share of the foot.
const flapShare = 0.24

func (flapHeel) Size(s *Sock) {
	d := s.Design.Heel
	s.Heel = HeelSize{Ring: s.ringAtHeel(), RowGauge: lengths.FlapRows(s.Gauge, d.FlapRowFactor)}
	stitches := s.Heel.Ring / 2
	if stitches < fewestFlap {
		s.Checks.Of(verdict.OnHeel, at.HeelKind, verdict.Stop, "flap_small",
			"a flap needs at least %d heel stitches to turn on, and this sock has %d. Choose a short-row heel.", fewestFlap, stitches)
		return
	}
	rows := s.flapRows(stitches)
	s.Heel.Stitches, s.Heel.FlapRows = stitches, rows
	s.Heel.TurnStitches = flapTurn(stitches)
	s.Heel.Length = lengths.Flap(rows, s.Heel.RowGauge)
	s.Heel.PickedUp = [2]int{rows / 2, rows / 2}
	if d.PickedUp != nil {
		s.Heel.PickedUp = *d.PickedUp
	}
	if !s.corner().wrapsInstep {
		s.Heel.CornerStitches = s.Design.Corner.PickUp
	}
}

// flapRows is even, at least the heel's stitches, and long enough for the
// foot: slip stitches draw rows together, so a row counts only a part of a plain one.
func (s *Sock) flapRows(stitches int) int {
	if given := s.Design.Heel.FlapRows; given != nil {
		return max(*given, 2)
	}
	rows := max(stitches, int(math.Ceil(s.flapByLength()-1e-9)))
	rows += rows % 2
	if slices.Contains(s.Design.Foot.Estimated, "heel_diagonal_mm") {
		return rows
	}
	// As many more as make a diagonal that was measured easy, within what a flap can have.
	for most := stitches + mostMoreRows; rows+2 <= most && !s.easyOverFlap(stitches, rows); {
		rows += 2
	}
	return rows
}

// mostMoreRows is how many rows a flap may have beyond its stitches for a high instep.
const mostMoreRows = 12

// easyOverFlap says whether the heel diagonal is easy with so many rows.
func (s *Sock) easyOverFlap(stitches, rows int) bool {
	girth := lengths.DiagonalOfFlap(s.Heel.Ring, stitches, rows, flapTurn(stitches), s.Gauge)
	return float64(s.Design.Foot.HeelDiagonal) <= float64(girth)*(1+EasyShare*stockinetteStretch)
}

// flapTurn is what the turn leaves of so many stitches.
func flapTurn(stitches int) int { return stitches - 2 - 2*((flapOuter(stitches)+1)/2) }

// flapByLength is the number of rows that the length of the foot asks for.
func (s *Sock) flapByLength() float64 {
	return flapShare * float64(s.Design.Foot.Length) * s.Heel.RowGauge
}

// flapOuter is the number of stitches outside each gap after the first two rows of the turn.
func flapOuter(stitches int) int { return stitches - (stitches/2 + 2) - 3 }

func (flapHeel) DiagonalGirth(s *Sock) measure.Length {
	return lengths.DiagonalOfFlap(s.Heel.Ring, s.Heel.Stitches, s.Heel.PickedUp[0]+s.Heel.PickedUp[1], s.Heel.TurnStitches, s.Gauge)
}

func (flapHeel) Work(w *worker, s *Sock) {
	w.enter(needle.Heel)
	w.colour, w.endsAway = s.colourOf("heel"), true
	w.reachLeft, w.reachRight = 0, 0
	w.lay.atHeel(w)
	w.begin(needle.FlatRow)
	w.do(needle.Turn, 1)
	w.end()
	n := s.Heel.Stitches
	w.flapWrongSide(n)
	for range s.Heel.FlapRows / 2 {
		w.flapRightSide(n)
		w.flapWrongSide(n)
	}
	s.gusset(w, w.turnFlap(n, s.Design.Heel.SlipColumns != "flap"))
}

// flapWrongSide slips the first stitch, so that the edge makes a chain to pick up from.
func (w *worker) flapWrongSide(n int) {
	w.begin(needle.FlatRow)
	w.do(needle.Sl, 1)
	w.do(needle.P, n-1)
	w.do(needle.Turn, 1)
	w.end()
}

// flapRightSide slips every other stitch; the last is worked through the back loop, which opens the edge.
func (w *worker) flapRightSide(n int) {
	w.begin(needle.FlatRow)
	for range (n - 1) / 2 {
		w.do(needle.Sl, 1)
		w.do(needle.K, 1)
	}
	if n%2 == 0 {
		w.do(needle.Sl, 1)
	}
	w.do(needle.Ktbl, 1)
	w.do(needle.Turn, 1)
	w.end()
}

// turnFlap works back and forth over the middle, with a decrease over the gap
// at the end of each row, until nothing is left outside. Slip columns go on in its
// right-side rows when they are asked for; what is left of them comes back.
func (w *worker) turnFlap(n int, slips bool) slipColumns {
	columns := columnsOfFlap(n)
	knitAlong := columns
	if !slips {
		knitAlong = nil
	}
	outer := [2]int{flapOuter(n) + 3, flapOuter(n) + 3} // beyond the gap, before its decrease
	w.begin(needle.FlatRow)
	w.do(needle.Sl, 1)
	w.along(knitAlong, 1, n/2+1)
	columns = columns.together(n/2+2, n/2+1)
	w.do(needle.SSK, 1)
	w.do(needle.K, 1)
	w.do(needle.Turn, 1)
	w.end()
	outer[leftEdge] -= 3
	w.begin(needle.FlatRow)
	w.do(needle.Sl, 1)
	w.do(needle.P, 5-n%2)
	columns = columns.together(outer[rightEdge]-2, outer[rightEdge]-1)
	w.do(needle.P2tog, 1)
	w.do(needle.P, 1)
	w.do(needle.Turn, 1)
	w.end()
	outer[rightEdge] -= 3
	middle := 8 - n%2 // between the gaps
	for edge := leftEdge; outer[edge] > 0 && w.err == nil; edge = 1 - edge {
		together, plain := needle.SSK, needle.K
		if edge == rightEdge {
			together, plain = needle.P2tog, needle.P
		}
		w.begin(needle.FlatRow)
		w.do(needle.Sl, 1)
		right := outer[rightEdge]
		if edge == leftEdge {
			if slips {
				w.along(columns, right+1, middle-2)
			} else {
				w.do(plain, middle-2)
			}
			columns = columns.together(right+middle-1, right+middle-2)
		} else {
			w.do(plain, middle-2)
			columns = columns.together(right-1, right)
		}
		w.do(together, 1)
		outer[edge]--
		if outer[edge] > 0 { // at the end there may be none left for the one more: right so
			w.do(plain, 1)
			outer[edge]--
			middle++
		}
		w.do(needle.Turn, 1)
		w.end()
	}
	return columns
}

// gussetTarget is the count down to which the gusset decreases: the ankle's,
// unless that would take nearly all of the sole.
func (s *Sock) gussetTarget() int {
	instep := s.Heel.Ring - s.Heel.Stitches
	if s.AnkleStitches-instep >= instep/2 {
		return s.AnkleStitches
	}
	return s.Heel.Ring
}

// planGusset finds the gusset's rounds: one plain, then a decrease round every
// second round until the leg's count remains, the fuller side alone until both
// are alike; in every round for a while where the leg is too short for that.
// Rounds that are knitted already stay as they were.
func (s *Sock) planGusset(rounds int) {
	sides := [2]int{s.Heel.PickedUp[0] + s.Heel.CornerStitches, s.Heel.PickedUp[1] + s.Heel.CornerStitches}
	s.Heel.GussetRounds = []GussetRound{{}} // picking up
	s.Heel.GussetDecreaseRounds = 0
	pause := true
	if s.went != nil {
		for _, r := range s.went.Gusset {
			pause = r.decreases()
			if r.Left {
				sides[0]--
			}
			if r.Right {
				sides[1]--
			}
			if pause {
				s.Heel.GussetDecreaseRounds++
			}
			s.Heel.GussetRounds = append(s.Heel.GussetRounds, r)
		}
	}
	surplus := s.Heel.Ring - s.Heel.Stitches + s.Heel.TurnStitches + sides[0] + sides[1] - s.gussetTarget()
	if pause {
		s.Heel.GussetRounds = append(s.Heel.GussetRounds, GussetRound{})
	}
	if surplus <= 0 {
		return
	}
	// The fuller side loses its surplus first, so that the heel stands in the middle; then both lose alike.
	alone := min(abs(sides[0]-sides[1]), surplus)
	alone += (surplus - alone) % 2
	decreases := make([]GussetRound, 0, surplus/2+alone)
	for range alone {
		decreases = append(decreases, GussetRound{Left: sides[0] >= sides[1], Right: sides[1] > sides[0]})
	}
	for range (surplus - alone) / 2 {
		decreases = append(decreases, GussetRound{Left: true, Right: true})
	}
	s.Heel.GussetDecreaseRounds += len(decreases)
	plain := max(0, min(len(decreases)-1, rounds-len(s.Heel.GussetRounds)-len(decreases)))
	hurried := len(decreases) - 1 - plain // of the pauses between decreases, those left out, the first ones
	for i, d := range decreases {
		if i > hurried {
			s.Heel.GussetRounds = append(s.Heel.GussetRounds, GussetRound{})
		}
		s.Heel.GussetRounds = append(s.Heel.GussetRounds, d)
	}
	if hurried > 0 {
		s.Checks.Say(verdict.OnHeel, verdict.Caution, "gusset_hurried",
			"The leg has no room for a plain round between all decreases of the gusset: the first %s follow each other at once. To keep the pauses, start the heel about %s sooner.", measure.Count(hurried+1, "decrease round"), measure.Length(25))
	}
}

// gusset picks up along both edges of the flap and decreases to the leg's count.
// Slip columns go up the back of the heel when they are asked for, in every second round, best in
// those that decrease.
func (s *Sock) gusset(w *worker, columns slipColumns) {
	w.enter(needle.Gusset)
	left, right := s.Heel.PickedUp[0], s.Heel.PickedUp[1]
	slipsUp := s.Design.Heel.SlipColumns == "back"
	rightOf := s.Heel.CornerStitches + right // stitches before the heel's own
	slipped := false
	w.colour = ""
	w.begin(needle.FlatRow)
	if slipsUp {
		w.along(columns, 0, s.Heel.TurnStitches)
		slipped = true
	} else {
		w.do(needle.K, s.Heel.TurnStitches)
	}
	w.do(needle.PU, left)
	w.do(needle.PC, s.Heel.CornerStitches)
	w.end()
	for i, r := range s.Heel.GussetRounds {
		front, back := w.instep, w.sole()
		w.lay.hold = i == 0 && s.Design.RoundStart != "instep"
		slips := slipsUp && !slipped && (r.Left || r.Right) && rightOf >= 3 // before the decreases reach the heel itself
		slipped = slips
		w.stripe(s)
		w.round(func() { s.workInstep(w, front) }, func() {
			if i == 0 {
				w.do(needle.PC, s.Heel.CornerStitches)
				w.do(needle.PU, right)
			}
			if r.Right {
				w.do(needle.K, 1)
				w.do(needle.SSK, 1)
				back -= 3
			}
			if r.Left {
				back -= 3
			}
			if slips {
				before := rightOf
				if r.Right {
					before = max(rightOf-3, 0)
				}
				before = min(before, back)
				heel := min(len(columns), back-before)
				w.do(needle.K, before)
				w.along(columns, 0, heel)
				back -= before + heel
			}
			w.do(needle.K, back)
			if r.Right {
				rightOf--
			}
			if r.Left {
				w.do(needle.K2tog, 1)
				w.do(needle.K, 1)
			}
		})
	}
}
