package tally

import (
	"acornstep/sock/logbook"
	"acornstep/sock/plan"
	"acornstep/sock/trace"
)

// Progress is how far a sock on the needles is, in a line.
type Progress struct {
	// Sock is the one that is knitted next, 1 or 2 of the pair; 0 when both are off the needles.
	Sock    int    `json:"sock"`
	Section string `json:"section"`
	Kind    string `json:"kind"`
	N       int    `json:"n"`
	Of      int    `json:"of"`
	// Done are the rows that are knitted.
	Done int `json:"done"`
	// LeftPct is the share of the sock's stitches that is still to knit.
	LeftPct int `json:"left_pct"`
}

// ProgressOf tells of the first sock until it is finished, then of the second.
func ProgressOf(p *plan.Plan, t *trace.Trace, book logbook.Book) Progress {
	finished := func(place logbook.Place) bool { return place.Finished || place.Row >= len(p.Rows) }
	sock := 0
	if finished(book.Places[0]) {
		sock = 1
	}
	place := book.Places[sock]
	if finished(place) {
		return Progress{Done: len(p.Rows)}
	}
	row := &p.Rows[place.Row]
	at := Progress{Sock: sock + 1, Section: string(row.Section), Kind: string(row.Kind), N: row.N, Done: place.Row}
	all, left := 0, 0
	for i := range p.Rows {
		all += t.Steps[i].Worked
		if i >= place.Row {
			left += t.Steps[i].Worked
		}
		if p.Rows[i].Section == row.Section {
			at.Of++
		}
	}
	at.LeftPct = 100 * left / max(1, all)
	return at
}
