package knitting

import (
	"fmt"
	"slices"

	"acornstep/sock/craft/check"
	"acornstep/sock/figures/document"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Splice puts what is still to come of one plan behind what is knitted of
// another: the first done rows are copied from the old plan, to the letter, and
// the next plan goes on from the first place where the needles look alike in
// both. It gives the plan and, for every place of the old one, where it lies in it.
//
// Where the needles never look alike again, the error is document.Faults.
func Splice(old, next *plan.Plan, done int) (*plan.Plan, []int, error) {
	before, err := knitted.Of(old.Rows)
	if err != nil {
		return nil, nil, fmt.Errorf("splice: %w", err)
	}
	after, err := knitted.Of(next.Rows)
	if err != nil {
		return nil, nil, fmt.Errorf("splice: %w", err)
	}
	for i := done; i <= len(old.Rows); i++ {
		j := i
		if i > len(next.Rows) || !sameRows(old.Rows[:i], next.Rows[:i]) {
			j = sameRowOf(old.Rows, next.Rows, i)
		}
		if !alike(before.Before(i), after.Before(j)) {
			continue
		}
		spliced := *next
		spliced.Rules = min(old.Rules, next.Rules) // what is knitted holds to no more than it did
		spliced.Rows = slices.Concat(old.Rows[:i:i], next.Rows[j:])
		spliced.Summary = check.Summary(&spliced)
		if faults := check.Kept(&spliced); len(faults) > 0 {
			continue // the halves do not make one sock; perhaps they do a row later
		}
		// As far as both go alike a place stays where it is, also that before the first row that is another.
		alike := max(i, firstApart(old.Rows, spliced.Rows, SameRow))
		places := make([]int, len(old.Rows)+1)
		for k := range places {
			places[k] = k
			if k > alike {
				places[k] = sameRowOf(old.Rows, spliced.Rows, k)
			}
		}
		return &spliced, places, nil
	}
	return nil, nil, document.Faults{{Message: "from where the work stands, the needles never look as that plan needs them: leave the plan as it is, or rip back"}}
}

// firstApart is the first row in which two socks differ, for somebody who compares rows in a way; where one is the
// beginning of the other, its end.
func firstApart(a, b []needle.Row, same func(a, b needle.Row) bool) int {
	n := min(len(a), len(b))
	for i := range n {
		if !same(a[i], b[i]) {
			return i
		}
	}
	return n
}

// alike says whether somebody could go on from either state of the needles.
func alike(a, b *knitted.State) bool {
	return a.Cursor == b.Cursor && (a.Side == b.Side || len(a.Loops) == 0) && a.Open == b.Open && a.Waiting == b.Waiting &&
		(a.Sole == b.Sole || a.Sole == 0 || b.Sole == 0) &&
		slices.EqualFunc(a.Loops, b.Loops, func(x, y needle.LoopView) bool {
			x.Made, y.Made = 0, 0
			return x == y
		})
}

// sameRowOf finds the place of row i of one sock in another: the same row of the
// same section, or what comes after the section when that is shorter.
func sameRowOf(rows, next []needle.Row, i int) int {
	if i >= len(rows) {
		return len(next)
	}
	r := &rows[i]
	if j := slices.IndexFunc(next, func(n needle.Row) bool { return n.Section == r.Section && n.N == r.N }); j >= 0 {
		return j
	}
	at := slices.Index(needle.Sections, r.Section)
	if j := slices.IndexFunc(next, func(n needle.Row) bool { return slices.Index(needle.Sections, n.Section) > at }); j >= 0 {
		return j
	}
	return len(next)
}
