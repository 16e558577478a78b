package knit

import (
	"fmt"
	"math"
	"slices"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// wedgeToe starts with a strip of stitches and grows by four in each increase round.
type wedgeToe struct{}

var aboutWedge = About{
	Name: "wedge", Label: "Wedge toe", Said: "wedge toe", Reason: "smooth, two lines of increases at the sides", Term: "wedge",
	Rows: "rounds", Counts: 1, Sides: true,
	Shows:  []string{"kfb"},
	Uses:   []at.Path{at.ToeStart, at.ToeIncrease, at.ToeStartLoop, at.ToeStartStitches, at.ToeFastRounds},
	Resets: []at.Path{at.ToeCastOn, at.ToeStartStitches, at.ToeFastRounds, at.ToeTurnsPerSide},
	Allows: twoNeedleCastOns,
	Numbers: []Number{
		{Field: at.ToeStartStitches, Label: "Cast on exactly", Suffix: "sts"},
		{Field: at.ToeFastRounds, Label: "Increase rounds at once", Suffix: "rounds"},
	},
}

func (wedgeToe) About() *About { return &aboutWedge }

func (wedgeToe) Ways() []Way {
	return []Way{
		{"", design.Changes{at.ToeStart: "half"}},
		{"rounded", design.Changes{at.ToeStart: "rounded"}},
		{"fitted", design.Changes{at.ToeStart: "fitted"}},
	}
}

func (wedgeToe) Summarise(s *Sock, into *plan.Summary) { into.IncreaseRounds = &s.Toe.IncreaseRounds }

func (wedgeToe) Pin(s *Sock, d *design.Design) {
	castOn, fast := s.Toe.CastOn, s.Toe.FastRounds
	d.Toe.StartStitches, d.Toe.FastRounds = &castOn, &fast
}

func (wedgeToe) Explain(s *Sock, on *sheet.Sheet) {
	t := s.Toe
	on.Add("cast_on_stitches", "Stitches to cast on", fmt.Sprint(t.CastOn),
		"A rounded toe starts with about a third, a fitted one with what the toes ask for.",
		"%d − 4 × %d = %d: each increase round adds four", s.Stitches, t.IncreaseRounds, t.CastOn)
	on.Add("increase_rounds", "Increase rounds", fmt.Sprint(t.IncreaseRounds), "Cast on four more for one increase round fewer.",
		"(%d − %d) ÷ 4 = %d", s.Stitches, t.CastOn, t.IncreaseRounds)
	extra := ""
	if t.FastRounds == t.IncreaseRounds {
		extra = " + 1"
	}
	on.Add("toe_rounds", "Rounds of the toe", fmt.Sprint(t.Rounds),
		"Increase rounds that follow each other at once make the toe shorter and blunter.",
		"1 + %d + 2 × (%d − %d)%s = %d", t.FastRounds, t.IncreaseRounds, t.FastRounds, extra, t.Rounds)
	on.Add("toe_length", "Length of the toe", on.Long(t.Length), "The round gauge, and the rounds of the toe.",
		"%d ÷ %s = %s", t.Rounds, on.Per(s.Gauge.Rounds), on.Long(t.Length))
}

// Drag moves by one increase round more or fewer at once.
func (wedgeToe) Drag(s *Sock) (Drag, bool) {
	// The last increase round would be followed by a plain one all the same.
	stops := s.Toe.IncreaseRounds
	return Drag{
		Field: at.ToeFastRounds, Word: "toe rounds", Step: -float64(s.Gauge.Height(1)), Now: min(s.Toe.FastRounds, stops-1),
		Stops: stops,
		Each:  1, EachCount: -1, FirstCount: 1 + 2*s.Toe.IncreaseRounds,
	}, true
}

func (wedgeToe) Stitches(s *Sock) float64 {
	return float64(s.Toe.Rounds) * float64(s.Toe.CastOn+s.Stitches) / 2
}

func (wedgeToe) FewestFootRounds() int          { return 0 }
func (wedgeToe) Caution(*Sock, *verdict.Checks) {}
func (wedgeToe) Ridged() bool                   { return false }

// fewestToStart is the smallest strip that can be knitted on two needles.
const fewestToStart = 8

// wedgeStart chooses how many loops to cast on. The fast increase rounds, that
// follow each other without a plain round between, belong to the choice.
type wedgeStart struct {
	castOn func(s *Sock) int
	fast   func(s *Sock, increases int) int
}

var wedgeStarts = map[string]wedgeStart{
	"half":    {halfStart, func(*Sock, int) int { return 0 }},
	"rounded": {roundedStart, func(_ *Sock, increases int) int { return min(roundedFast, increases) }},
	"fitted":  {fittedStart, fittedFast},
}

// roundedFast is the number of increase rounds with which a rounded toe begins at once.
const roundedFast = 4

// halfStart is the valid count nearest to half the stitches, roundedStart that nearest to a third.
func halfStart(s *Sock) int    { return nearestStart(s.Stitches, float64(s.Stitches)/2) }
func roundedStart(s *Sock) int { return nearestStart(s.Stitches, float64(s.Stitches)/3) }

// nearestStart is the count nearest to a target that leaves a multiple of four to add, the smaller at a tie.
func nearestStart(stitches int, target float64) int {
	low := largestStart(stitches, int(target))
	if high := low + 4; math.Abs(float64(high)-target) < math.Abs(float64(low)-target) && high <= stitches {
		return high
	}
	return low
}

// fittedStart is the count between a quarter and half the stitches with which
// the toe comes nearest to the depth of the toes; the larger at a tie.
func fittedStart(s *Sock) int {
	n := s.Stitches
	best, bestMiss := largestStart(n, n/2), math.Inf(1)
	for start := best; start >= fewestToStart && 4*start >= n; start -= 4 {
		k := (n - start) / 4
		if miss := s.toeMiss(wedgeRounds(k, fittedFast(s, k))); miss < bestMiss-1e-9 {
			best, bestMiss = start, miss
		}
	}
	return best
}

// fittedFast is the number of fast rounds, of so many increase rounds, with
// which the toe comes nearest to the depth of the toes; the smaller at a tie.
func fittedFast(s *Sock, increases int) int {
	best, bestMiss := 0, math.Inf(1)
	for fast := range increases + 1 {
		if miss := s.toeMiss(wedgeRounds(increases, fast)); miss < bestMiss-1e-9 {
			best, bestMiss = fast, miss
		}
	}
	return best
}

// toeMiss is by how many rounds a toe misses the depth of the toes.
func (s *Sock) toeMiss(rounds int) float64 {
	return math.Abs(float64(rounds) - float64(s.Design.Foot.ToeDepth)*s.Gauge.Rounds)
}

// largestStart is the largest valid count for n stitches that is not above most.
func largestStart(n, most int) int {
	start := most - ((most-n)%4+4)%4
	return max(start, fewestToStart+(n%4))
}

func (wedgeToe) Size(s *Sock) {
	if s.went != nil && s.went.CastOn > 0 {
		s.Toe = ToeSize{CastOn: s.went.CastOn, Rounds: 1}
		for _, r := range s.toeAsItWent() {
			s.Toe.Rounds++
			if r.increases() {
				s.Toe.IncreaseRounds++
			}
		}
		s.Toe.Length = s.Gauge.Height(float64(s.Toe.Rounds))
		return
	}
	toe, n := s.Design.Toe, s.Stitches
	start := wedgeStarts[toe.Start]
	castOn := start.castOn(s)
	if given := toe.StartStitches; given != nil {
		castOn = *given
		if (n-castOn)%4 != 0 || castOn > n {
			low := largestStart(n, min(castOn, n))
			s.Checks.Of(verdict.OnToe, at.ToeStartStitches, verdict.Stop, "toe_start",
				"read %d, but %d stitches round cannot be reached from it by fours. Start with %d or %d.",
				castOn, n, low, min(low+4, n))
			return
		}
	}
	k := (n - castOn) / 4
	fast := start.fast(s, k)
	if given := toe.FastRounds; given != nil {
		fast = *given
		if fast > k {
			s.Checks.Of(verdict.OnToe, at.ToeFastRounds, verdict.Caution, "toe_fast_rounds",
				"the toe has only %s, so all of them follow each other at once instead of %d.", measure.Count(k, "increase round"), fast)
			fast = k
		}
	}
	s.Toe = ToeSize{CastOn: castOn, IncreaseRounds: k, FastRounds: fast, Rounds: wedgeRounds(k, fast)}
	s.Toe.Length = s.Gauge.Height(float64(s.Toe.Rounds))
}

// wedgeRounds counts the set-up round, the fast increase rounds, and two
// rounds for each of the others; a toe always ends with a plain round.
func wedgeRounds(k, fast int) int {
	rounds := 1 + fast + 2*(k-fast)
	if fast == k {
		rounds++
	}
	return rounds
}

func (wedgeToe) Work(w *worker, s *Sock) {
	w.castOnRing(s, s.Toe.CastOn, false)
	w.enter(needle.Toe)
	s.setUpRound(w)
	for _, r := range s.toeRounds() {
		if r.plain() {
			w.plainRound()
			continue
		}
		front, back := w.instep, w.sole()
		w.round(func() {
			w.wedge(s, front, r[0], r[1])
			w.instep += r[0] + r[1]
		}, func() { w.wedge(s, back, r[2], r[3]) })
	}
}

// toeRounds are the rounds after the set-up round: the fast increase rounds, the others each with a plain one.
func (s *Sock) toeRounds() []ToeRound {
	if s.went != nil && s.went.CastOn > 0 {
		return s.toeAsItWent()
	}
	var rounds []ToeRound
	for i := range s.Toe.IncreaseRounds {
		rounds = append(rounds, ToeRound{1, 1, 1, 1})
		if i >= s.Toe.FastRounds {
			rounds = append(rounds, ToeRound{})
		}
	}
	if s.Toe.FastRounds == s.Toe.IncreaseRounds {
		rounds = append(rounds, ToeRound{})
	}
	return rounds
}

// setUpRound knits the cast-on loops, those that lie turned through the back loop.
func (s *Sock) setUpRound(w *worker) {
	front, back := w.instep, w.sole()
	w.begin(needle.Round)
	w.settle(front)
	w.nextNeedle()
	w.settle(back)
	if way := named(castOns, s.Design.Toe.CastOn); way.setUp != nil {
		w.remark(way.setUp(s.Design.Toe.StartLoop))
	}
	w.end()
}

// edge is what is worked at an end of a needle to change its count.
type edge struct {
	ops []needle.Op
	// takes stitches of the needle.
	takes int
}

// wedgeEdges are the increases at the start and at the end of a needle.
var wedgeEdges = map[string][2]edge{
	"kfb": {{[]needle.Op{{Code: needle.K, N: 1}, {Code: needle.Kfb, N: 1}}, 2},
		{[]needle.Op{{Code: needle.Kfb, N: 1}, {Code: needle.K, N: 1}}, 2}},
	// The bump of a kfb lies at its left, so the second one stands a stitch sooner.
	"kfb_mirrored": {{[]needle.Op{{Code: needle.K, N: 1}, {Code: needle.Kfb, N: 1}}, 2},
		{[]needle.Op{{Code: needle.Kfb, N: 1}, {Code: needle.K, N: 2}}, 3}},
	"m1": {{[]needle.Op{{Code: needle.K, N: 1}, {Code: needle.M1R, N: 1}}, 1},
		{[]needle.Op{{Code: needle.M1L, N: 1}, {Code: needle.K, N: 1}}, 1}},
}

// wedgeDecreases take back what was added too much, at the same places.
var wedgeDecreases = [2]edge{
	{[]needle.Op{{Code: needle.K, N: 1}, {Code: needle.SSK, N: 1}}, 3},
	{[]needle.Op{{Code: needle.K2tog, N: 1}, {Code: needle.K, N: 1}}, 3},
}

// asInside are the purls for what a wedge works, where its sole is smooth inside.
var asInside = map[needle.Code]needle.Code{needle.K: needle.P, needle.Kfb: needle.Pfb, needle.M1R: needle.M1P, needle.M1L: needle.M1P,
	needle.SSK: needle.SSP, needle.K2tog: needle.P2tog}

// wedge works a needle of n stitches and changes its count by so many at its start and at its end.
func (w *worker) wedge(s *Sock, n, start, end int) {
	edges := wedgeEdges[s.Design.Toe.Increase]
	if start+end > 0 && n < edges[0].takes+edges[1].takes {
		edges = wedgeEdges["kfb"] // no room to stand sooner on four stitches
	}
	at := func(change, which int) edge {
		switch {
		case change > 0:
			return edges[which]
		case change < 0:
			return wedgeDecreases[which]
		}
		return edge{}
	}
	first, last := at(start, 0), at(end, 1)
	ops := append(slices.Clone(first.ops), needle.Op{Code: needle.K, N: n - first.takes - last.takes})
	inside := w.inside()
	for _, o := range append(ops, last.ops...) {
		if purled, is := asInside[o.Code]; is && inside {
			o.Code = purled
		}
		w.do(o.Code, o.N)
	}
}
