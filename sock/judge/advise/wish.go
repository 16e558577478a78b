package advise

import (
	"cmp"
	"slices"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/document"
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
	slices.SortStableFunc(list, func(a, b Candidate) int { return better(&a, &b) })
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
			return !slices.Contains(known, Known(at.ToeKind, c.Toe)) || !slices.Contains(known, Known(at.HeelKind, c.Heel)) ||
				c.turns && !slices.Contains(known, Known(at.HeelTurn, c.Turn))
		}), nil
	}
	return list, document.Faults{{Field: "by", Message: "read \"" + string(w) + "\", expected fit, yarn, counting or known"}}
}

// learned are the fields whose techniques somebody has to have learned, with the word for them.
var learned = map[at.Path]string{at.ToeKind: "toe", at.HeelKind: "heel", at.HeelTurn: "turn"}

// Known names a technique in a list of what somebody has knitted before; empty for one that needs no learning.
func Known(field at.Path, name string) string {
	if word, counts := learned[field]; counts {
		return word + ":" + name
	}
	return ""
}
