package tally

import (
	"acornstep/sock/needles/logbook"
	"acornstep/sock/rows/needle"
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
func ProgressOf(pair [2]Knitted, book logbook.Book) Progress {
	finished := func(sock int) bool {
		place := book.Places[sock]
		return place.Finished || place.Row >= len(pair[sock].Plan.Rows)
	}
	sock := 0
	if finished(0) {
		sock = 1
	}
	place, p, t := book.Places[sock], pair[sock].Plan, pair[sock].Knitted
	if finished(sock) {
		return Progress{Done: len(p.Rows)}
	}
	row := &p.Rows[place.Row]
	at := Progress{Sock: sock + 1, Section: string(row.Section), Kind: string(row.Kind), N: needle.NumberOf(p.Rows, place.Row), Done: place.Row}
	all, left := 0, 0
	for i := range p.Rows {
		all += t.Steps[i].Worked
		if i >= place.Row {
			left += t.Steps[i].Worked
		}
		if p.Rows[i].Section == row.Section && !p.Rows[i].TurnsOnly() {
			at.Of++
		}
	}
	at.LeftPct = 100 * left / max(1, all)
	return at
}
