package whereami

import (
	"cmp"
	"math"
	"slices"

	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
)

// Seen is what somebody sees; nil is what is unclear and skipped.
type Seen struct {
	Needle1      *int     `json:"needle1,omitempty"`
	Needle2      *int     `json:"needle2,omitempty"`
	Needle3      *int     `json:"needle3,omitempty"`
	Needle4      *int     `json:"needle4,omitempty"`
	Right        *int     `json:"right,omitempty"`
	Left         *int     `json:"left,omitempty"`
	WaitRight    *int     `json:"wait_right,omitempty"`
	WaitLeft     *int     `json:"wait_left,omitempty"`
	Side         *string  `json:"side,omitempty" enum:"RS,WS"`
	Tail         *string  `json:"tail,omitempty" enum:"left,right"`
	YarnAt       *string  `json:"yarn_at,omitempty" enum:"start,middle,within"`
	Last         *string  `json:"last,omitempty" enum:"plain,increase,decrease"`
	Increases    *int     `json:"increases,omitempty"`
	Ridges       *int     `json:"ridges,omitempty"`
	Chains       *int     `json:"chains,omitempty"`
	SinceToe     *int     `json:"since_toe,omitempty"`
	SinceHeel    *int     `json:"since_heel,omitempty"`
	SinceCuff    *int     `json:"since_cuff,omitempty"`
	Colour       *string  `json:"colour,omitempty"`
	ColourRounds *int     `json:"colour_rounds,omitempty"`
	Length       *float64 `json:"length_mm,omitempty"`
	// Up is how far the leg reaches above the end of the heel.
	Up *float64 `json:"up_mm,omitempty"`
	// Repeats of the stripes from the tip of the toe, whole and parts; Repeat is the yarn in one, in mm.
	Repeats *float64 `json:"repeats,omitempty"`
	Repeat  float64  `json:"repeat_mm,omitempty"`
}

// Match is a place that may be where the sock was put down.
type Match struct {
	Row  int  `json:"row"`
	Half bool `json:"half"`
	// Share is how likely it is among all places, in percent.
	Share float64 `json:"share_pct"`
	// Against lists what was seen that does not fit this place.
	Against []string `json:"against"`
	Look    Look     `json:"look"`
}

// Answer is where the sock may be.
type Answer struct {
	// Matches, the most likely first.
	Matches []Match `json:"matches"`
	// Asks are the looks that this sock can have, in the order in which they are taken.
	Asks []Question `json:"asks"`
	// Next is the single look that would decide best; empty when one place stands alone.
	Next string `json:"next"`
	// Text says it in a sentence.
	Text string `json:"text"`
}

// How strongly evidence counts, in units of natural logarithms: a count that
// is off by one happens (a stitch is overlooked), a side is hardly mistaken.
const (
	offByOne    = 3.0
	offByMore   = 5.5
	mostOff     = 9.0
	wrongSide   = 3.5
	wrongLast   = 3.5
	midRound    = 1.0 // people stop at the end of a round rather than in its middle
	shifted     = 3.0 // stitches that lie on the other needle, and none is missing
	tapeError   = 4.0 // mm: half of what a tape and a hand leave
	mostByTape  = 6.0
	longCount   = 0.04 // of a long count of rounds is miscounted
	logReach    = 6.0  // rows: how far a log is trusted
	mostByLog   = 2.0  // the log never outweighs one clear look
	mostMatches = 8
	nearlySure  = 0.9
)

// Places are all places of a sock at which it can be put down, with the looks that tell them apart.
type Places struct {
	Looks []Look
	asks  []Question
}

// Of finds the places of a sock that was traced. marks is what its turns leave on the needle.
func Of(p *plan.Plan, t *knitted.Sock, marks string) Places {
	all := Looks(p, t)
	return Places{all, asks(all, marks, needleNames(p))}
}

// Ask ranks the places by what is seen. logged is the row that was counted last, or -1; evidence beats it.
func (w *Places) Ask(seen Seen, logged int) Answer {
	all := w.Looks
	matches := make([]Match, len(all))
	best := math.Inf(1)
	costs := make([]float64, len(all))
	for i, l := range all {
		m := Match{Row: l.Row, Half: l.Half, Look: l, Against: []string{}}
		for _, k := range looks {
			if cost, ok := k.cost(&seen, l); ok {
				costs[i] += cost
				if cost >= offByOne {
					m.Against = append(m.Against, k.name)
				}
			}
		}
		costs[i] -= m.sharedOff(&seen)
		if l.Half {
			costs[i] += midRound
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
		return cmp.Or(cmp.Compare(nearness(a.Row, logged), nearness(b.Row, logged)), cmp.Compare(a.Row, b.Row), halfLast(a.Half, b.Half))
	})
	a := Answer{Matches: matches[:min(len(matches), mostMatches)], Asks: w.asks}
	a.Next = nextLook(matches, &seen, w.asks)
	a.say()
	return a
}

func halfLast(a, b bool) int {
	switch {
	case a == b:
		return 0
	case b:
		return -1
	}
	return 1
}

// sharedOff is what counts twice where stitches only lie on the other needle: as many
// as one has too many the other has too few, such as after a corner stitch that went to the wrong one.
func (m *Match) sharedOff(seen *Seen) float64 {
	const few = 2
	sum, apart, cost := 0, 0, 0.0
	for n, counted := range seen.needles() {
		if counted == nil && m.Look.Needles[n] > 0 {
			return 0
		}
		if counted == nil {
			continue
		}
		off := *counted - m.Look.Needles[n]
		if max(off, -off) > few {
			return 0
		}
		sum += off
		if off != 0 {
			apart++
		}
		c, _ := looks[n].cost(seen, m.Look)
		cost += c
	}
	const pair = 2
	if sum != 0 || apart != pair {
		return 0
	}
	return cost - shifted
}

// needles are the stitches that were counted on each.
func (s *Seen) needles() [mostNeedles]*int {
	return [mostNeedles]*int{s.Needle1, s.Needle2, s.Needle3, s.Needle4}
}

func nearness(row, logged int) int {
	if logged < 0 {
		return row
	}
	return max(row-logged, logged-row)
}

// nextLook is the look that has not been taken yet and splits the likely places
// into the most even parts: the largest entropy.
func nextLook(matches []Match, seen *Seen, asked []Question) string {
	if matches[0].Share > 100*nearlySure {
		return ""
	}
	best, question := 0.05, ""
	for _, k := range looks {
		at := slices.IndexFunc(asked, func(q Question) bool { return q.Name == k.name })
		if at < 0 {
			continue
		}
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
			best, question = entropy, asked[at].Text
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
		a.Text = "Nearly: everything but one look fits (" + nameOf(first.Against[0], a.Asks) + "). Look at it again."
	case first.Share > 100*nearlySure:
		a.Text = "This is the place."
	default:
		a.Text = "Several places look like this."
	}
}

func nameOf(look string, asked []Question) string {
	for _, q := range asked {
		if q.Name == look {
			return q.Label
		}
	}
	return look
}
