package knit

import (
	"fmt"
	"strconv"

	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/fingers"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

// worker knits: every operation is done on the needles first and then written down.
type worker struct {
	machine needle.Machine
	rows    []needle.Row
	ops     []needle.Op // one arena for the operations of all rows
	rowOps  int         // where the current row's operations begin
	row     needle.Row
	inRow   bool
	merge   bool // the next operation may join the one before it
	changed bool // the needle changes here: what is made next lies on the one ahead
	numbers map[needle.Section]int
	section needle.Section
	fabric  string
	colour  string
	// striped counts the rounds of stripes; joins is said of the next row.
	striped int
	// endsAway: the heel ends away from where it began, so that no yarn can wait for it there.
	endsAway bool
	joins    string
	// strandFrom is the row with which a strand of the heel's own begins, 0 before there is one; takes is the yarn in a row.
	strandFrom int
	takes      func(row *needle.Row) measure.Length
	// lay is how the loops lie on the needles.
	lay laid
	// instep is the number of loops on needle 1; all others are on needle 2.
	instep int
	// lifts: nothing hangs at the turns, so whoever passes a gap takes up the strand in it.
	lifts bool
	// liftedFar: the stitch worked last took up the strand in the gap beyond it.
	liftedFar bool
	// reachLeft and reachRight are how far the heel laps over on the instep.
	reachLeft, reachRight int
	// corners are the extra stitches that stand at the corners of the heel, in the order of the round.
	corners []standing
	// over is the pattern that rows cross; nil for none. crosses says that the present row does.
	over    *crossing
	crosses bool
	// reverse are the sections in which the sole, and a heel on it, is smooth inside.
	reverse map[needle.Section]bool
	// lace is a pattern on the instep that is more than knits and purls, and instepRow counts its rounds.
	lace      *pattern.Pattern
	instepRow int
	// fingers counts what waits in short rows; nil where nobody asks.
	fingers *fingers.Counter
	loops   []needle.LoopView // what they look at, row after row
	err     error
}

// newWorker have room for so many rows.
func newWorker(rows int) *worker {
	return &worker{
		rows: make([]needle.Row, 0, rows), ops: make([]needle.Op, 0, 8*rows),
		numbers: make(map[needle.Section]int, len(needle.Sections)),
	}
}

// sole is the number of loops on needle 2.
func (w *worker) sole() int { return w.machine.Count() - w.instep }

func (w *worker) enter(section needle.Section) { w.section, w.fabric, w.lifts = section, "", false }

// begin starts a row where the yarn is.
func (w *worker) begin(kind needle.RowKind) {
	w.numbers[w.section]++
	n := w.numbers[w.section]
	w.row = needle.Row{
		ID: string(w.section) + "-" + strconv.Itoa(n), Section: w.section, N: n,
		Kind: kind, Side: w.machine.Side(), Fabric: w.fabric, Colour: w.colour,
	}
	if w.row.Side == "" {
		w.row.Side = needle.RS
	}
	if w.instep > 0 && !w.machine.Open() {
		if sole := w.machine.LoopsBefore(w.instep); sole*2 != w.machine.Count() {
			w.row.Markers = []needle.Marker{{Loop: sole, Name: needle.SoleMarker}}
		}
	}
	w.rowOps = len(w.ops)
	w.inRow, w.merge, w.changed = true, false, false
	if err := w.machine.Begin(&w.row); err != nil {
		w.fail(err)
	}
}

// end writes the row down.
func (w *worker) end() *needle.Row {
	w.row.Ops = w.ops[w.rowOps:len(w.ops):len(w.ops)]
	w.row.Stitches = w.machine.Count()
	w.inRow = false
	w.laid()
	reached := w.machine.Reached()
	if n := len(w.rows); n == 0 || w.row.Kind == needle.Round || len(w.rows[n-1].OnNeedles) == len(w.row.OnNeedles) {
		w.row.Moves = append(w.row.Moves, reached...)
	} // else the loops of the row are laid on other needles first, so that none reaches over
	if w.fingers != nil && w.fingers.Asks(&w.row, w.machine.Open()) {
		now := w.machine.SnapshotIn(w.loops)
		w.loops = now.Loops[:cap(now.Loops)]
		if found, some := w.fingers.After(&w.row, now, w.machine.LoopsBefore(w.instep)); some {
			w.row.Groups = found.List()
		}
	}
	if w.crosses {
		w.over.round++
		w.crosses = false
	}
	if n := len(w.rows); n > 0 {
		w.remark(w.yarnNote(&w.rows[n-1], &w.row))
	}
	w.remark(w.joins)
	w.joins = ""
	w.rows = append(w.rows, w.row)
	return &w.rows[len(w.rows)-1]
}

// remark says something of the present row, after what is said of it already.
func (w *worker) remark(text string) {
	if text == "" {
		return
	}
	if w.row.Note != "" {
		w.row.Note += " "
	}
	w.row.Note += text
}

// do works one kind of operation n times; n may be zero.
func (w *worker) do(code needle.Code, n int) {
	if n == 0 || w.err != nil {
		return
	}
	op := needle.Op{Code: code, N: n}
	if w.changed && code.Takes() == 0 {
		w.machine.Onto()
	}
	w.changed = false
	if err := w.machine.Do(op); err != nil {
		w.fail(err)
		return
	}
	if last := len(w.ops) - 1; w.merge && last >= w.rowOps && w.ops[last].Code == code {
		w.ops[last].N += n
	} else {
		w.ops = append(w.ops, op)
	}
	w.merge = code.Takes() == 1 && code != needle.Kfb && code != needle.Pfb
}

// nextNeedle keeps what comes apart from what was worked: the needle changes here.
func (w *worker) nextNeedle() { w.merge, w.changed = false, true }

func (w *worker) fail(err error) {
	if w.err == nil {
		w.err = fmt.Errorf("%s-%d: %w", w.section, w.numbers[w.section], err)
	}
}

// plain is the operation of a smooth stitch on the side that shows; garter is knit on both.
func (w *worker) plain() needle.Code {
	if w.machine.Side() == needle.WS && w.fabric != needle.Garter {
		return needle.P
	}
	return needle.K
}

// round works one whole round, needle 1 by the first function, needle 2 by the second.
func (w *worker) round(instep, sole func()) *needle.Row {
	w.begin(needle.Round)
	instep()
	w.nextNeedle()
	sole()
	return w.end()
}

// plainRound knits every stitch, needle by needle.
func (w *worker) plainRound() {
	front, back := w.instep, w.sole()
	w.round(func() { w.settle(front) }, func() { w.settle(back) })
}
