package replan

import (
	"fmt"
	"slices"

	"acornstep/sock/craft/check"
	"acornstep/sock/craft/knit"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/rows/needle"
)

// Missed is an increase that was forgotten in the last round that increased: on
// which needle, and at which of its ends.
type Missed struct {
	Needle int    `json:"needle"`
	End    string `json:"end" enum:"start,end"`
}

// valid says what is no end of a needle.
func (m *Missed) valid() error {
	if (m.Needle != 1 && m.Needle != 2) || (m.End != "start" && m.End != "end") {
		return fault("missed", "read needle %d, %q; expected needle 1 or 2, and start or end", m.Needle, m.End)
	}
	return nil
}

// missed answers an increase that was forgotten: the round that comes lifts the strand where the stitch is missing, which
// brings the planned count, and nothing after it is another.
func missed(e *knitting.Edition, h Happened) (Proposal, error) {
	p := e.PlanOf(h.sock())
	if firstIncrease(p) < 0 {
		return Proposal{}, fault("missed", "this sock has no increases at the ends of its needles before the heel")
	}
	if err := h.Missed.valid(); err != nil {
		return Proposal{}, err
	}
	if h.Row >= firstOf(p, needle.Heel) {
		return Proposal{}, fault("missed", "the foot is knitted, and nothing is lifted into it any more: say how many stitches you count now")
	}
	gap := &gap{rows: slices.Clone(p.Rows), toe: knit.GrowsAtSides(&p.Design), Missed: *h.Missed}
	from := gap.open(h.Row)
	if from < 0 {
		return Proposal{}, fault("missed", "no increase at that end of that needle was to be made yet, or the last round of them made none there")
	}
	fits := true
	for i := from + 1; i < h.Row && fits; i++ {
		fits = gap.pass(i)
	}
	if !fits || !gap.lift(h.Row) {
		return Proposal{}, notLifted
	}
	made := *p
	made.Rows = gap.rows
	made.Summary = check.Summary(&made)
	if faults := check.Kept(&made); len(faults) > 0 {
		return Proposal{}, notLifted
	}
	q, err := proposeMade(e, &made, h, from, true)
	if err != nil {
		return q, err
	}
	q.Changes = []Change{}
	q.Text = fmt.Sprintf("%s lifts the strand where the stitch is missing and knits it twisted: %d again. Every row after it is the planned one.",
		capital(nameOf(p.Rows, h.Row)), p.Rows[h.Row].Stitches)
	q.Edition.Reason = q.Text
	return q, nil
}

// notLifted says that the row that comes has no place for the missing stitch.
var notLifted = fault("missed", "the row that comes has no plain stitch there to lift one beside: say how many stitches you count now")

// gap is where a stitch is missing on the needles, followed through the rows that were knitted without it.
type gap struct {
	Missed
	rows []needle.Row
	// toe says that the toe increases at the ends of its needles.
	toe bool
	// at is the loop that is not there, counted as planned, after the row that was reached.
	at int
}

// open takes the last increase at the place out of the rows before a row, those of a gusset on the foot before those of
// the toe. It gives the row that lacks it, or -1.
func (g *gap) open(before int) int {
	var of needle.Section
	for i := before - 1; i > 0; i-- {
		row, taken, made := &g.rows[i], 0, 0
		if row.Kind != needle.Round || row.Section == needle.Toe && !g.toe {
			continue
		}
		loops := g.rows[i-1].Stitches
		for k, o := range row.Ops {
			if o.Code.IsIncrease() && of == "" {
				of = row.Section
			}
			if of == row.Section && o.Code.IsIncrease() && o.N == 1 && g.isAt(row, loops, taken, o.Code.Takes()) {
				row.Ops = slices.Clone(row.Ops)
				g.at = made + o.Code.Takes()
				row.Ops[k] = needle.Op{Code: plainFor(o.Code), N: o.Code.Takes()}
				row.Ops = joined(row.Ops, row.SoleBegins(loops))
				g.close(row)
				return i
			}
			taken += o.Code.Takes() * o.N
			made += o.Code.Makes() * o.N
		}
	}
	return -1
}

// isAt says whether what has so many stitches of a round before it stands at the end of the needle that is meant.
// What takes no stitch at the border of the needles belongs to the needle that it ends.
func (g *gap) isAt(row *needle.Row, loops, taken, takes int) bool {
	sole := row.SoleBegins(loops)
	which, from, n := 1, 0, sole
	if taken > sole || taken == sole && takes > 0 {
		which, from, n = 2, sole, loops-sole
	}
	end := "start"
	if taken-from >= n/2 {
		end = "end"
	}
	return which == g.Needle && end == g.End
}

// plainFor is what is worked by whoever forgets an increase.
func plainFor(increase needle.Code) needle.Code {
	if increase.IsPurl() {
		return needle.P
	}
	return needle.K
}

// joined puts plain stitches that follow each other into one, on each of the two needles by itself.
func joined(ops needle.Ops, sole int) needle.Ops {
	var all needle.Ops
	taken := 0
	for _, o := range ops {
		last := len(all) - 1
		switch {
		case o.N == 0:
		case last >= 0 && all[last].Code == o.Code && taken != sole && (o.Code == needle.K || o.Code == needle.P):
			all[last].N += o.N
		default:
			all = append(all, o)
		}
		taken += o.Code.Takes() * o.N
	}
	return all
}

// pass has a row that was knitted go by without the loop; false where no plain stitch stands there.
func (g *gap) pass(i int) bool {
	row := &g.rows[i]
	markers := g.unmarked(row)
	k, within, made, ok := g.plainIn(row)
	if !ok {
		return false
	}
	g.at = made + within
	row.Ops = slices.Clone(row.Ops)
	row.Ops[k].N--
	row.Ops = slices.DeleteFunc(row.Ops, func(o needle.Op) bool { return o.N == 0 })
	row.Markers = markers
	g.close(row)
	return true
}

// lift has the row that comes make the loop.
func (g *gap) lift(i int) bool {
	row := &g.rows[i]
	markers := g.unmarked(row)
	k, within, _, ok := g.plainIn(row)
	if !ok {
		return false
	}
	o := row.Ops[k]
	// A strand is lifted once: beside an increase that lifts its own, the next gap towards the middle is taken.
	lifts := func(n int) bool { return n >= 0 && n < len(row.Ops) && row.Ops[n].Code.Takes() == 0 }
	switch {
	case g.End == "start" && within == 0 && lifts(k-1):
		within++
	case g.End == "end" && within == o.N-1 && lifts(k+1):
		within--
	}
	if within < 0 || within >= o.N {
		return false
	}
	made := needle.M1R
	switch {
	case o.Code == needle.P:
		made = needle.M1P
	case g.End == "end":
		made = needle.M1L
	}
	parts := slices.DeleteFunc([]needle.Op{{Code: o.Code, N: within}, {Code: made, N: 1}, {Code: o.Code, N: o.N - within - 1}},
		func(o needle.Op) bool { return o.N == 0 })
	row.Ops = slices.Replace(slices.Clone(row.Ops), k, k+1, parts...)
	row.Markers = markers
	return true
}

// plainIn finds the plain stitch of a round that would work the missing loop: the operation, which of its stitches, and
// how many loops are made before it. Where that loop is increased in, it is the next one towards the middle of the needle.
func (g *gap) plainIn(row *needle.Row) (k, within, made int, ok bool) {
	if row.Kind != needle.Round || len(row.Moves) > 0 {
		return 0, 0, 0, false
	}
	isPlain := func(k int) bool { return row.Ops[k].Code == needle.K || row.Ops[k].Code == needle.P }
	taken, before := 0, make([]int, len(row.Ops))
	k = -1
	for n, o := range row.Ops {
		before[n] = made
		if takes := o.Code.Takes() * o.N; k < 0 && g.at < taken+takes {
			k, within = n, g.at-taken
		}
		taken += o.Code.Takes() * o.N
		made += o.Code.Makes() * o.N
	}
	if k < 0 {
		return 0, 0, 0, false
	}
	for beside := 0; !isPlain(k); beside++ {
		step := 1
		if g.End == "end" {
			step = -1
		}
		if k += step; k < 0 || k >= len(row.Ops) || beside > 1 {
			return 0, 0, 0, false
		}
		if within = 0; step < 0 {
			within = row.Ops[k].N - 1
		}
	}
	return k, within, before[k], true
}

// unmarked are the markers of a row, with the loop before it gone.
func (g *gap) unmarked(row *needle.Row) []needle.Marker {
	markers := slices.Clone(row.Markers)
	for i := range markers {
		if markers[i].Loop > g.at {
			markers[i].Loop--
		}
	}
	return markers
}

// close counts the loops of a row, and of the needle that lacks one, without it.
func (g *gap) close(row *needle.Row) {
	loops := row.Stitches
	row.Stitches--
	row.OnNeedles = slices.Clone(row.OnNeedles)
	behind := 0
	for i, n := range row.OnNeedles {
		if lies := ((g.at-row.From)%loops + loops) % loops; lies < behind+n {
			row.OnNeedles[i]--
			break
		}
		behind += n
	}
	if row.From > g.at {
		row.From--
	}
}
