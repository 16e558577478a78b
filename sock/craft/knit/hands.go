package knit

import (
	"fmt"
	"strconv"

	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/fingers"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

// hands knit: every operation is done on the needles first and then written down.
type hands struct {
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

// newHands have room for so many rows.
func newHands(rows int) *hands {
	return &hands{
		rows: make([]needle.Row, 0, rows), ops: make([]needle.Op, 0, 8*rows),
		numbers: make(map[needle.Section]int, len(needle.Sections)),
	}
}

// sole is the number of loops on needle 2.
func (h *hands) sole() int { return h.machine.Count() - h.instep }

func (h *hands) enter(section needle.Section) { h.section, h.fabric, h.lifts = section, "", false }

// begin starts a row where the yarn is.
func (h *hands) begin(kind needle.RowKind) {
	h.numbers[h.section]++
	n := h.numbers[h.section]
	h.row = needle.Row{
		ID: string(h.section) + "-" + strconv.Itoa(n), Section: h.section, N: n,
		Kind: kind, Side: h.machine.Side(), Fabric: h.fabric, Colour: h.colour,
	}
	if h.row.Side == "" {
		h.row.Side = needle.RS
	}
	if h.instep > 0 && !h.machine.Open() {
		if sole := h.machine.LoopsBefore(h.instep); sole*2 != h.machine.Count() {
			h.row.Markers = []needle.Marker{{Loop: sole, Name: needle.SoleMarker}}
		}
	}
	h.rowOps = len(h.ops)
	h.inRow, h.merge, h.changed = true, false, false
	if err := h.machine.Begin(&h.row); err != nil {
		h.fail(err)
	}
}

// end writes the row down.
func (h *hands) end() *needle.Row {
	h.row.Ops = h.ops[h.rowOps:len(h.ops):len(h.ops)]
	h.row.Stitches = h.machine.Count()
	h.inRow = false
	h.laid()
	reached := h.machine.Reached()
	if n := len(h.rows); n == 0 || h.row.Kind == needle.Round || len(h.rows[n-1].OnNeedles) == len(h.row.OnNeedles) {
		h.row.Moves = append(h.row.Moves, reached...)
	} // else the loops of the row are laid on other needles first, so that none reaches over
	if h.fingers != nil && h.fingers.Asks(&h.row, h.machine.Open()) {
		now := h.machine.SnapshotIn(h.loops)
		h.loops = now.Loops[:cap(now.Loops)]
		if found, some := h.fingers.After(&h.row, now, h.machine.LoopsBefore(h.instep)); some {
			h.row.Groups = found.List()
		}
	}
	if h.crosses {
		h.over.round++
		h.crosses = false
	}
	if n := len(h.rows); n > 0 {
		h.remark(h.yarnNote(&h.rows[n-1], &h.row))
	}
	h.remark(h.joins)
	h.joins = ""
	h.rows = append(h.rows, h.row)
	return &h.rows[len(h.rows)-1]
}

// remark says something of the present row, after what is said of it already.
func (h *hands) remark(text string) {
	if text == "" {
		return
	}
	if h.row.Note != "" {
		h.row.Note += " "
	}
	h.row.Note += text
}

// do works one kind of operation n times; n may be zero.
func (h *hands) do(code needle.Code, n int) {
	if n == 0 || h.err != nil {
		return
	}
	op := needle.Op{Code: code, N: n}
	if h.changed && code.Takes() == 0 {
		h.machine.Onto()
	}
	h.changed = false
	if err := h.machine.Do(op); err != nil {
		h.fail(err)
		return
	}
	if last := len(h.ops) - 1; h.merge && last >= h.rowOps && h.ops[last].Code == code {
		h.ops[last].N += n
	} else {
		h.ops = append(h.ops, op)
	}
	h.merge = code.Takes() == 1 && code != needle.Kfb && code != needle.Pfb
}

// nextNeedle keeps what comes apart from what was worked: the needle changes here.
func (h *hands) nextNeedle() { h.merge, h.changed = false, true }

func (h *hands) fail(err error) {
	if h.err == nil {
		h.err = fmt.Errorf("%s-%d: %w", h.section, h.numbers[h.section], err)
	}
}

// plain is the operation of a smooth stitch on the side that shows; garter is knit on both.
func (h *hands) plain() needle.Code {
	if h.machine.Side() == needle.WS && h.fabric != needle.Garter {
		return needle.P
	}
	return needle.K
}

// round works one whole round, needle 1 by the first function, needle 2 by the second.
func (h *hands) round(instep, sole func()) *needle.Row {
	h.begin(needle.Round)
	instep()
	h.nextNeedle()
	sole()
	return h.end()
}

// plainRound knits every stitch, needle by needle.
func (h *hands) plainRound() {
	front, back := h.instep, h.sole()
	h.round(func() { h.settle(front) }, func() { h.settle(back) })
}
