package advise

import (
	"cmp"
	"slices"

	"acornstep/sock/design"
	"acornstep/sock/document"
)

// Wish is what matters most to the knitter.
type Wish string

// The wishes; nothing asked for means fit.
const (
	BestFit       Wish = "fit"
	LeastYarn     Wish = "yarn"
	LeastCounting Wish = "counting"
	OnlyKnown     Wish = "known"
)

// goodEnough is how much worse than the best fit a way may be when something
// else matters more, in percent points of stretch: nobody saves yarn on a sock that hurts.
const goodEnough = 5

// sort ranks the candidates by the wish, and leaves out what it rules out.
func (w Wish) sort(list []Candidate, known []string) ([]Candidate, error) {
	byFit := func(a, b Candidate) int {
		if d := a.Misfit - b.Misfit; d > 1e-9 || d < -1e-9 {
			return cmp.Compare(a.Misfit, b.Misfit)
		}
		return cmp.Compare(a.Grams, b.Grams)
	}
	slices.SortStableFunc(list, byFit)
	fitting := func() []Candidate {
		end := slices.IndexFunc(list, func(c Candidate) bool { return c.Misfit > list[0].Misfit+goodEnough })
		if end < 0 {
			end = len(list)
		}
		return list[:end]
	}
	switch w {
	case "", BestFit:
		return list, nil
	case LeastYarn:
		list = fitting()
		slices.SortStableFunc(list, func(a, b Candidate) int { return cmp.Compare(a.Grams, b.Grams) })
		return list, nil
	case LeastCounting:
		list = fitting()
		slices.SortStableFunc(list, func(a, b Candidate) int { return cmp.Compare(a.Counting, b.Counting) })
		return list, nil
	case OnlyKnown:
		return slices.DeleteFunc(list, func(c Candidate) bool {
			return !slices.Contains(known, "toe:"+c.Toe) || !slices.Contains(known, "heel:"+c.Heel) ||
				(c.Heel != "flap_under" || c.Toe == "short_row") && !slices.Contains(known, "turn:"+c.Turn)
		}), nil
	}
	return list, document.Faults{{Field: "by", Message: "read \"" + string(w) + "\", expected fit, yarn, counting or known"}}
}

// counting is how many things a sock has the knitter count: our estimate. Turns
// that show on the needle count themselves; wraps and pins have to be looked for.
func counting(d *design.Design) int {
	n := map[string]int{"wedge": 1, "garter_square": 2, "short_row": 2}[d.Toe.Kind]
	if d.Toe.Kind == "wedge" && d.Toe.Start != "half" {
		n++ // two rhythms of increasing
	}
	n += map[string]int{"short_row": 1, "flap_under": 3, "gusset_turn": 3}[d.Heel.Kind]
	if d.Heel.Turn != "german" && d.Heel.Kind != "flap_under" {
		n++
	}
	return n
}
