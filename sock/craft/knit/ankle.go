package knit

import (
	"math"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/rows/needle"
)

// AnklePlan says in which rounds the foot's count becomes the leg's.
type AnklePlan struct {
	// Before and After are the stitches that come (positive) or go before and after the heel.
	Before, After int
	// footRounds and legRounds are the rounds, counted from 1, that change the count.
	footRounds, legRounds []change
	// calfRounds add a pair of stitches at the centre back of a knee sock, or take one away.
	calfRounds []change
}

// change is a round that adds or takes away stitches: four, or two at the last.
type change struct {
	round    int
	stitches int
}

// restAfterChange are the plain rounds between two rounds that change the count.
const restAfterChange = 2

// ringAtHeel is the count that the heel meets: the heel takes whichever is in force.
func (s *Sock) ringAtHeel() int {
	return s.Stitches + s.Ankle.Before
}

func (s *Sock) changeBeforeHeel() int {
	difference := s.AnkleStitches - s.Stitches
	if change := s.Design.Ankle.Change; !s.instepPattern().Plain() && difference != 0 && (change == "before_heel" || change == "split") {
		// Only the back may change, and only a heel that laps over finds its middle then.
		if !s.heel().LapsOver() {
			s.Checks.Say(verdict.OnAnkle, verdict.Note, "ankle_pattern",
				"The pattern on the instep keeps its stitches, and this heel takes as many: the count changes after the heel.")
			return 0
		}
		if change == "split" {
			difference /= 2
		}
		return difference / 4 * 4
	}
	switch s.Design.Ankle.Change {
	case "before_heel":
		return difference
	case "split":
		return difference / 4 * 2 // an even part, so that the halves stay whole
	default:
		return 0
	}
}

// changes splits a difference into rounds of four, the last of two if need be.
func changes(difference int) []change { return changesOf(difference, 4) }

func changesOf(difference, most int) []change {
	var list []change
	for difference != 0 {
		step := min(max(difference, -most), most)
		list = append(list, change{stitches: step})
		difference -= step
	}
	return list
}

// spread gives each change a round between first and last, with rests between
// them; from the end backward on the foot. What does not fit is left out.
func (s *Sock) spread(list []change, first, last int, fromEnd bool) []change {
	rest := restAfterChange
	for rest > 0 && first+(len(list)-1)*(rest+1) > last {
		rest--
	}
	room := 0
	if last >= first {
		room = (last-first)/(rest+1) + 1
	}
	list = list[:min(len(list), room)]
	for i := range list {
		list[i].round = first + i*(rest+1)
		if fromEnd {
			list[i].round = last - (len(list)-1-i)*(rest+1)
		}
	}
	return list
}

func changeIn(list []change, round int) (stitches int) {
	for _, c := range list {
		if c.round == round {
			return c.stitches
		}
	}
	return 0
}

// changeRound works a round that changes the count.
func (w *worker) changeRound(place string, stitches int) {
	instep, sole := w.instep, w.sole()
	if place == "back" && sole+stitches < instep/2 {
		place = "sides" // the back has lost what it can: nearly all would be instep
	}
	front, back := changePlaces[place](stitches)
	if (w.over != nil || w.lace != nil) && backTakes(sole, stitches) {
		// A pattern on the instep keeps its columns: the back has the whole change.
		w.round(func() { w.settle(instep) }, func() { w.evenly(sole, stitches) })
		return
	}
	if instep < fewestAtSides || sole < fewestAtSides || -2*front.between > instep || -2*back.between > sole {
		// Each needle has its share: a few stitches cannot lose as many as the many beside them.
		share := int(math.Round(float64(stitches*instep) / float64(instep+sole)))
		front, back = spots{between: share}, spots{between: stitches - share}
	}
	w.round(func() {
		front.work(w, instep)
		w.instep += front.gain()
	}, func() { back.work(w, sole) })
}

// backTakes says whether the back alone can have a change: each stitch that goes takes another with it.
func backTakes(back, stitches int) bool { return back >= -2*stitches }

// keepColumns stops a sock whose back cannot lose what the leg asks for while
// the pattern on the instep keeps all its stitches.
func (s *Sock) keepColumns() {
	if s.instepPattern().Plain() {
		return
	}
	front := s.Stitches / 2
	back := s.Stitches - front
	take := func(list []change) {
		for _, c := range list {
			if !backTakes(back, c.stitches) {
				s.Checks.Of(verdict.OnLength, at.LegInstepPattern, verdict.Stop, "instep_columns",
					"the pattern on the instep keeps its %d stitches, and the back cannot lose so many that %d are left for the leg. Choose a wider leg, or a plain instep.",
					front, s.AnkleStitches)
				return
			}
			back += c.stitches
		}
	}
	take(s.Ankle.footRounds)
	if s.Heel.FlapRows > 0 {
		back = s.afterGusset() - front
	}
	take(s.Ankle.legRounds)
}

// fewestAtSides is the smallest needle that can lose a stitch near each end and keep some between.
const fewestAtSides = 8

// spots say how many stitches come or go on one needle: at its start, at its
// end, and evenly over what lies between.
type spots struct {
	start, between, end int // negative for decreases; start and end −1, 0 or +1
}

func (p spots) gain() int { return p.start + p.between + p.end }

func (p spots) work(w *worker, n int) {
	rest := n
	switch {
	case p.start < 0:
		w.do(needle.K, 1)
		w.do(needle.SSK, 1)
		rest -= 3
	case p.start > 0:
		w.do(needle.K, 1)
		w.do(needle.M1R, 1)
		rest--
	}
	switch {
	case p.end < 0:
		rest -= 3
	case p.end > 0:
		rest--
	}
	w.evenly(rest, p.between)
	switch {
	case p.end < 0:
		w.do(needle.K2tog, 1)
		w.do(needle.K, 1)
	case p.end > 0:
		w.do(needle.M1L, 1)
		w.do(needle.K, 1)
	}
}

// evenly knits n stitches and makes or loses some, spaced evenly.
func (w *worker) evenly(n, gain int) {
	lost, made := needle.K2tog, needle.M1L
	if w.inside() {
		lost, made = needle.P2tog, needle.M1P
	}
	times, takes := abs(gain), 0
	if gain < 0 {
		takes = 2
	}
	plain := n - takes*times
	for i := range times {
		w.settle(plain*(2*i+1)/(2*times) - plain*max(0, 2*i-1)/(2*times))
		if gain < 0 {
			w.do(lost, 1)
		} else {
			w.do(made, 1)
		}
	}
	if times == 0 {
		w.settle(plain)
		return
	}
	w.settle(plain - plain*(2*times-1)/(2*times))
}

// changePlaces say where stitches come or go on each needle. More than four
// at a time, where the leg is too short for several rounds, lie evenly all round.
var changePlaces = map[string]func(stitches int) (instep, sole spots){
	"sides": func(stitches int) (spots, spots) {
		switch sign := sign(stitches); abs(stitches) {
		case 2:
			return spots{start: sign}, spots{start: sign}
		case 4:
			return spots{start: sign, end: sign}, spots{start: sign, end: sign}
		}
		return allRound(stitches)
	},
	"spread": func(stitches int) (spots, spots) {
		switch sign := sign(stitches); abs(stitches) {
		case 2:
			return spots{between: sign}, spots{between: sign}
		case 4:
			return spots{start: sign, between: sign}, spots{start: sign, between: sign}
		}
		return allRound(stitches)
	},
	"back": func(stitches int) (spots, spots) {
		if abs(stitches) <= 4 {
			return spots{}, spots{between: stitches}
		}
		return allRound(stitches)
	},
}

func allRound(stitches int) (instep, sole spots) {
	return spots{between: stitches / 2}, spots{between: stitches - stitches/2}
}

func sign(n int) int {
	if n < 0 {
		return -1
	}
	return 1
}
