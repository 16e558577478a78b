package knit

import (
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

// crossing is a pattern of knits and purls that every row works which crosses
// it: on the instep, or all round the sock. It is laid out once, and no column of it ever moves.
type crossing struct {
	*pattern.Columns
	name string
	// round counts the rows that have crossed it.
	round int
	// allRound: it goes round the back too, where panel, if any, has it.
	allRound bool
	panel    panel
	// seam: the two columns at the centre back are plain, since the leg is shaped beside them.
	seam bool
	// onInstep: it was there before the leg, and goes on whatever the panels are.
	onInstep bool
}

// panel says whether a column of a leg is ribbed; front of all its columns are the front, and those of the far half
// of the back are negative.
type panel func(column, front, all int) bool

// panels are where the rib of a leg can run, by name; all round is nil.
var panels = map[string]panel{
	"front": func(column, front, _ int) bool { return column >= 0 && column < front },
	"back":  func(column, front, _ int) bool { return column < 0 || column >= front },
	"sides": func(column, front, all int) bool {
		// A third of the leg, half of it on each side: as many in front of the side as behind it.
		each := (all + 6) / 12
		return column >= -each && column < each || column >= front-each && column < front+each
	},
}

// legPanel is where the leg's rib runs; nil for all round, and where it has no rib.
func (s *Sock) legPanel() panel {
	if !s.legPattern().Rib() {
		return nil
	}
	return panels[s.Design.Leg.Panels]
}

// layOut begins a pattern, centred on the stitches that now lie on needle 1; one
// that is there already goes on in its columns.
func (w *worker) layOut(p *pattern.Pattern, allRound bool) {
	if w.over == nil || w.over.name != p.Name {
		w.over = &crossing{Columns: p.LayOut(w.instep), name: p.Name}
	}
	w.over.allRound, w.over.panel = allRound, nil
	w.over.onInstep = w.over.onInstep || !allRound
}

// laysOut says whether a pattern is worked by its columns: one of knits and purls, of which purls show.
func laysOut(p *pattern.Pattern) bool { return p.Flat() && !p.Plain() }

// reach gives the stitches, from the start of the round, that belong to the
// pattern in the present row. A heel that laps over takes its own from the instep while it is worked.
func (w *worker) reach() (from, to int) {
	switch {
	case w.over.allRound:
		return 0, w.machine.Stitches()
	case w.section == needle.Heel:
		return max(w.reachLeft, 0), w.instep - max(w.reachRight, 0)
	}
	return 0, w.instep
}

// inPattern says how the stitch at a place of the round is settled, and marks
// that the row crosses the pattern. Corner stitches are worked like the stitch with which they will leave.
func (w *worker) inPattern(at int) *settling {
	if w.over == nil || w.machine.Side() != needle.RS {
		return w.settling()
	}
	if from, to := w.reach(); at < from || at >= to {
		return w.settling()
	}
	w.crosses = true
	if w.over.seam && w.atCentreBack(at) {
		return &asKnit
	}
	column := w.columnAt(at)
	if w.over.panel != nil && !w.inPanel(column) {
		return w.settling()
	}
	if w.over.Purl(w.over.round, column) {
		return &asPurl
	}
	return &asKnit
}

// atCentreBack says whether a stitch is of the two columns beside which a leg is shaped.
func (w *worker) atCentreBack(at int) bool {
	first := w.instep + (w.machine.Stitches()-w.instep)/2 - centreBack/2
	return at >= first && at < first+centreBack
}

// inPanel says whether a column is ribbed where the rib of a leg runs in panels.
func (w *worker) inPanel(column int) bool {
	front, all := w.instep, w.machine.Stitches()
	for _, c := range w.corners {
		all -= c.n
		if c.at < w.instep {
			front -= c.n
		}
	}
	return w.over.onInstep && column >= 0 && column < front || w.over.panel(column, front, all)
}

// columnAt is where the stitch at a place of the round stands among those of
// the pattern: a corner stitch stands where the stitch does with which it will leave, and
// the far half of the back is counted from the end of the round, so that stitches made at the centre back move nothing.
func (w *worker) columnAt(at int) int {
	column, front, all := at, w.instep, w.machine.Stitches()
	for _, c := range w.corners {
		all -= c.n
		if c.at < w.instep {
			front -= c.n
		}
		switch {
		case at >= c.at+c.n:
			column -= c.n
		case at >= c.at:
			column -= at - c.at
			if c.after {
				column--
			}
		}
	}
	if column >= front+(all-front)/2 {
		return column - all
	}
	return column
}
