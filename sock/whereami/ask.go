package whereami

import (
	"cmp"
	"fmt"
	"math"
	"slices"
)

// Seen is what somebody sees; nil is what is unclear and skipped.
type Seen struct {
	Needle1   *int     `json:"needle1,omitempty"`
	Needle2   *int     `json:"needle2,omitempty"`
	Right     *int     `json:"right,omitempty"`
	Left      *int     `json:"left,omitempty"`
	Side      *string  `json:"side,omitempty" enum:"RS,WS"`
	Tail      *string  `json:"tail,omitempty" enum:"left,right"`
	Last      *string  `json:"last,omitempty" enum:"plain,increase,decrease"`
	Increases *int     `json:"increases,omitempty"`
	Ridges    *int     `json:"ridges,omitempty"`
	Chains    *int     `json:"chains,omitempty"`
	Length    *float64 `json:"length_mm,omitempty"`
	// Repeats of the stripes from the tip of the toe, whole and parts; Repeat is the yarn in one, in mm.
	Repeats *float64 `json:"repeats,omitempty"`
	Repeat  float64  `json:"repeat_mm,omitempty"`
}

// Match is a row that may be the next one.
type Match struct {
	Row int `json:"row"`
	// Share is how likely it is among all rows, in percent.
	Share float64 `json:"share_pct"`
	// Against lists what was seen that does not fit this row.
	Against []string `json:"against"`
	Look    Look     `json:"look"`
}

// Answer is where the sock may be.
type Answer struct {
	// Matches, the most likely first.
	Matches []Match `json:"matches"`
	// Next is the single look that would decide best; empty when one row stands alone.
	Next string `json:"next"`
	// Text says it in a sentence.
	Text string `json:"text"`
}

// How strongly evidence counts, in units of natural logarithms: a count that
// is off by one happens (a stitch is overlooked), a side is hardly mistaken.
const (
	offByOne    = 3.0
	offByMore   = 5.5
	wrongSide   = 3.5
	wrongLast   = 3.5
	tapeError   = 4.0 // mm: half of what a tape and a hand leave
	mostByTape  = 6.0
	logReach    = 6.0 // rows: how far a log is trusted
	mostByLog   = 2.0 // the log never outweighs one clear look
	mostMatches = 8
	nearlySure  = 0.9
)

// look is one thing that can be seen.
type look struct {
	name, question string
	value          func(Look) string
	// cost is how much a seen value speaks against a look; ok is false while it was skipped.
	cost func(s *Seen, l Look) (cost float64, ok bool)
}

func counted(pick func(*Seen) *int, of func(Look) int) func(*Seen, Look) (float64, bool) {
	return func(s *Seen, l Look) (float64, bool) {
		n := pick(s)
		if n == nil {
			return 0, false
		}
		switch off := math.Abs(float64(*n - of(l))); {
		case off == 0:
			return 0, true
		case off == 1:
			return offByOne, true
		default:
			return math.Min(offByMore+off/4, 9), true
		}
	}
}

func chosen(pick func(*Seen) *string, of func(Look) string, cost float64) func(*Seen, Look) (float64, bool) {
	return func(s *Seen, l Look) (float64, bool) {
		v := pick(s)
		if v == nil {
			return 0, false
		}
		if *v == of(l) {
			return 0, true
		}
		return cost, true
	}
}

func number(of func(Look) int) func(Look) string {
	return func(l Look) string { return fmt.Sprint(of(l)) }
}

var looks = []look{
	{"needle1", "Count the stitches on needle 1, the instep.", number(func(l Look) int { return l.Needle1 }), counted(func(s *Seen) *int { return s.Needle1 }, func(l Look) int { return l.Needle1 })},
	{"needle2", "Count the stitches on needle 2, the sole.", number(func(l Look) int { return l.Needle2 }), counted(func(s *Seen) *int { return s.Needle2 }, func(l Look) int { return l.Needle2 })},
	{"right", "Count the double stitches, wraps or pins at the right.", number(func(l Look) int { return l.Right }), counted(func(s *Seen) *int { return s.Right }, func(l Look) int { return l.Right })},
	{"left", "Count the double stitches, wraps or pins at the left.", number(func(l Look) int { return l.Left }), counted(func(s *Seen) *int { return s.Left }, func(l Look) int { return l.Left })},
	{"side", "Which side faces you when the yarn is ready to go on?", func(l Look) string { return string(l.Side) }, chosen(func(s *Seen) *string { return s.Side }, func(l Look) string { return string(l.Side) }, wrongSide)},
	{"tail", "Where does the tail of the cast-on hang, with the yarn ready?", func(l Look) string { return l.Tail }, chosen(func(s *Seen) *string { return s.Tail }, func(l Look) string { return l.Tail }, wrongSide)},
	{"last", "Does the last round show increases, or a lone slanting stitch of a decrease?", func(l Look) string { return l.Last }, chosen(func(s *Seen) *string { return s.Last }, func(l Look) string { return l.Last }, wrongLast)},
	{"increases", "Count the bumps of increases in one column.", number(func(l Look) int { return l.Increases }), counted(func(s *Seen) *int { return s.Increases }, func(l Look) int { return l.Increases })},
	{"ridges", "Count the ridges of garter on one face.", number(func(l Look) int { return l.Ridges }), counted(func(s *Seen) *int { return s.Ridges }, func(l Look) int { return l.Ridges })},
	{"chains", "Count the chain edge stitches of the flap: one for two rows.", number(func(l Look) int { return l.Chains / 2 }), counted(func(s *Seen) *int { return s.Chains }, func(l Look) int { return l.Chains / 2 })},
	{"length", "Measure from the tip of the toe.", func(l Look) string { return fmt.Sprint(int(l.Length / (2 * tapeError))) }, byTape},
	// Never asked for: most yarn has no stripes.
	{"repeats", "", func(Look) string { return "" }, byStripes},
}

// Stripes are told apart to a third of a repeat, and what a stitch takes is known to a twelfth.
const (
	stripeError = 1.0 / 3
	yarnError   = 1.0 / 12
)

func byStripes(s *Seen, l Look) (float64, bool) {
	if s.Repeats == nil || s.Repeat <= 0 {
		return 0, false
	}
	off := (*s.Repeats*s.Repeat - l.Yarn) / (stripeError*s.Repeat + yarnError*l.Yarn)
	return math.Min(off*off/2, mostByTape), true
}

func byTape(s *Seen, l Look) (float64, bool) {
	if s.Length == nil {
		return 0, false
	}
	off := (*s.Length - l.Length) / tapeError
	return math.Min(off*off/2, mostByTape), true
}

// Ask ranks the rows of a sock by what is seen. logged is the row that was
// counted last, or -1; evidence beats it.
func Ask(all []Look, seen Seen, logged int) Answer {
	matches := make([]Match, len(all))
	best := math.Inf(1)
	costs := make([]float64, len(all))
	for i, l := range all {
		m := Match{Row: l.Row, Look: l, Against: []string{}}
		for _, k := range looks {
			if cost, ok := k.cost(&seen, l); ok {
				costs[i] += cost
				if cost >= offByOne {
					m.Against = append(m.Against, k.name)
				}
			}
		}
		if logged >= 0 {
			off := float64(l.Row-logged) / logReach
			costs[i] += math.Min(off*off/2, mostByLog)
		}
		best = math.Min(best, costs[i])
		matches[i] = m
	}
	sum := 0.0
	for i := range matches {
		matches[i].Share = math.Exp(best - costs[i])
		sum += matches[i].Share
	}
	for i := range matches {
		matches[i].Share *= 100 / sum
	}
	slices.SortStableFunc(matches, func(a, b Match) int {
		if d := b.Share - a.Share; math.Abs(d) > 1e-9 {
			return cmp.Compare(b.Share, a.Share)
		}
		return cmp.Compare(nearness(a.Row, logged), nearness(b.Row, logged))
	})
	a := Answer{Matches: matches[:min(len(matches), mostMatches)]}
	a.Next = nextLook(matches, &seen)
	a.say()
	return a
}

func nearness(row, logged int) int {
	if logged < 0 {
		return row
	}
	return max(row-logged, logged-row)
}

// nextLook is the look that has not been taken yet and splits the likely rows
// into the most even parts: the largest entropy.
func nextLook(matches []Match, seen *Seen) string {
	if matches[0].Share > 100*nearlySure {
		return ""
	}
	best, question := 0.05, ""
	for _, k := range looks {
		if _, taken := k.cost(seen, Look{}); taken {
			continue
		}
		parts := map[string]float64{}
		for _, m := range matches {
			parts[k.value(m.Look)] += m.Share / 100
		}
		entropy := 0.0
		for _, share := range parts {
			if share > 0 {
				entropy -= share * math.Log(share)
			}
		}
		if entropy > best {
			best, question = entropy, k.question
		}
	}
	return question
}

func (a *Answer) say() {
	first := a.Matches[0]
	switch {
	case len(first.Against) > 1:
		a.Text = "No row fits all of that: something was miscounted, or knitted otherwise than planned. These come nearest."
	case len(first.Against) == 1:
		a.Text = fmt.Sprintf("Nearly: everything but one look fits (%s). Look at it again.", first.Against[0])
	case first.Share > 100*nearlySure:
		a.Text = "This is the row."
	default:
		a.Text = "Several rows look like this."
	}
}
