package check

import (
	"fmt"
	"slices"

	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

// turnPlace is where a row of short rows turned: so many stitches from the middle.
type turnPlace struct {
	of     *halves
	side   needle.Side
	inside int
}

// outermost says whether the turn was at the edge between heel and resting stitches, where no gap has to be closed.
func (t turnPlace) outermost() bool {
	edge := &t.of.left
	if t.side == needle.WS {
		edge = &t.of.right
	}
	distance := t.inside
	if t.side == needle.WS {
		distance = -distance
	}
	return distance >= edge.inside+edge.turns
}

// gaps judges those that row i passed: whoever passes a gap first closes it.
func (r *replay) gaps(i int) {
	row := &r.plan.Rows[i]
	for _, from := range r.machine.Unclosed() {
		if place, known := r.places[from]; known && !place.outermost() {
			r.fault(row, "the gap that %s left is passed and not closed", r.plan.Rows[from].ID)
		}
	}
}

// face is what a stitch shows to the right side.
type face uint8

const (
	unknown face = iota // nothing of the pattern stands in this place, or it was not seen yet
	smooth
	bump
)

// columns are the faces of a pattern on the instep that is the same in every round, by the place of the stitch.
type columns struct {
	faces []face
	begun bool
}

// see holds a row against the columns before it is worked. A stitch that is
// picked up stands in no column, and leaves with one that does.
func (c *columns) see(r *replay, i int) {
	row := &r.plan.Rows[i]
	if !c.rise(r, row) {
		return
	}
	if len(c.faces) != r.instep {
		c.faces, c.begun = make([]face, r.instep), false // the count changed: the columns are laid out anew
	}
	v := climb{columns: c, count: r.machine.Count(), rs: r.machine.Side() == needle.RS, above: make([]face, 0, r.instep+2)}
	// Places are counted from the first stitch of the instep, wherever the round begins.
	v.at = r.machine.Cursor() - r.begins
	if v.at < 0 {
		v.at += v.count
	}
	v.at %= max(v.count, 1)
	v.from, v.to = r.resting(row)
	for _, o := range row.Ops {
		for range o.N {
			made := o.Code.Takes() == 0 && o.Code.Makes() > 0
			if made && (v.at < r.instep || v.at == r.instep && len(v.above) < r.insteps(i+1)) {
				v.above = append(v.above, unknown)
			}
			if place := v.work(o.Code); place > 0 {
				r.fault(row, "stitch %d of the instep shows another face than in the rounds below: its column does not go straight up", place)
				return
			}
		}
	}
	switch {
	case row.Kind != needle.Round || v.to-v.from != r.instep:
		return
	case !c.begun && (v.seen != r.instep || !slices.Contains(v.above, bump)):
		return
	case len(v.above) == r.insteps(i+1):
		c.faces, c.begun = v.above, true
	}
}

// rise says whether the columns of the instep go through the row: a rib of one round, on loops that wait for nothing.
func (c *columns) rise(r *replay, row *needle.Row) bool {
	design := &r.plan.Design
	p := pattern.Find(design.Leg.InstepPattern, design.Patterns)
	if p == nil || p.Plain() || len(p.Rounds) > 1 || r.machine.Stitches() != r.machine.Count() {
		return false
	}
	switch row.Section {
	case needle.Foot, needle.Heel, needle.Gusset:
		return true
	case needle.Leg:
		return design.Leg.Pattern == p.Name
	}
	return false
}

// climb follows the columns of the instep through one row.
type climb struct {
	*columns
	// at is the place of the next loop, of count; seen are the stitches of the instep that were worked, from and to its ends here.
	at, count, seen, from, to int
	rs                        bool
	above                     []face
}

// work follows one stitch. It gives the place, from 1, of one that shows another face than its column; 0 where all is well.
func (v *climb) work(code needle.Code) int {
	had := unknown
	for range code.Takes() {
		if !v.rs {
			v.at = (v.at - 1 + v.count) % v.count
		}
		if v.at >= v.from && v.at < v.to {
			had = max(had, v.faces[v.at])
			v.seen++
		}
		if v.rs {
			v.at++
		}
	}
	last := v.at
	if v.rs {
		last--
	}
	v.at %= v.count
	if code.Takes() == 0 || last < v.from || last >= v.to || code == needle.Sl {
		return 0
	}
	shown := smooth
	if code.IsPurl() == v.rs {
		shown = bump
	}
	if v.begun {
		if had != unknown && shown != had {
			return last + 1
		}
		shown = had
	}
	v.above = append(v.above, shown)
	return 0
}

// insteps is the number of loops of the instep before a row.
func (r *replay) insteps(i int) int {
	if i >= len(r.plan.Rows) {
		return 0
	}
	return r.plan.Rows[i].SoleBegins(r.plan.Rows[i-1].Stitches) - r.plan.Rows[i].InstepBegins()
}

// resting are the stitches of the instep that a row of a heel over more than half leaves in peace; elsewhere all of them.
func (r *replay) resting(row *needle.Row) (from, to int) {
	to = r.instep
	if stitches := r.plan.Summary.HeelStitches; row.Section == needle.Heel {
		if over := stitches - (r.machine.Count() - r.instep); over > 0 {
			from, to = over-over/2, to-over/2
		}
	}
	return from, to
}

// laid lays the loops as the row before says, and slides those that this row moves first, so that it can be told from which needle
// an operation takes, and which loops a row puts on another one.
func (r *replay) laid(i int) {
	if i == 0 || !r.strict {
		return
	}
	row, before := &r.plan.Rows[i], &r.plan.Rows[i-1]
	if !addsUp(before, r.machine.Count()) {
		return
	}
	on, from, err := needle.Slid(before.OnNeedles, before.From, row.Moves)
	if err != nil {
		r.fault(row, "%s", err)
		return
	}
	r.machine.Lay(from, on...)
	// The other half of a toe is taken up on a needle of its own: the first one that holds it afterwards.
	if len(row.OnNeedles) > 1 && len(row.Ops) > 0 && row.Ops[0].Code == needle.Unzip {
		if other := slices.IndexFunc(row.OnNeedles[1:], func(n int) bool { return n > 0 }); other >= 0 {
			r.machine.Unzips(1 + other)
		}
	}
}

// oneNeedle finds an operation that takes loops of two needles.
func (r *replay) oneNeedle(i int) {
	if i == 0 || !r.strict || r.plan.Rules < lyingRules || !addsUp(&r.plan.Rows[i-1], r.loops) {
		return
	}
	if reached := r.machine.Reached(); len(reached) > 0 {
		r.fault(&r.plan.Rows[i], "an operation takes loops of two needles; moves %v before the row would lay them on one", reached)
	}
}

// mostNeedles hold a sock and what is parked of it.
const mostNeedles = 8

// addsUp says whether a row lays so many loops on needles, each on one.
func addsUp(row *needle.Row, loops int) bool {
	all := loops
	for _, n := range row.OnNeedles {
		if n < 0 {
			return false
		}
		all -= n
	}
	return len(row.OnNeedles) > 0 && len(row.OnNeedles) <= mostNeedles && all == 0 && row.From >= -loops && row.From <= loops
}

// moves finds a row that puts stitches on another needle than the one they lie on. A round works all of them, on
// to whichever needle it likes; a row that goes on to other needles has them laid first; and what is made
// between two needles may lie on either.
func (r *replay) moves(i int) {
	row := &r.plan.Rows[i]
	if i == 0 || row.Kind == needle.Round || !r.strict || !addsUp(row, r.machine.Count()) {
		return
	}
	before := &r.plan.Rows[i-1]
	if len(before.OnNeedles) != len(row.OnNeedles) || (before.From > 0) != (row.From > 0) || r.machine.Count() == 0 ||
		before.Section == needle.CastOn {
		return
	}
	made, moved := 0, 0
	for _, o := range row.Ops {
		if o.Code.Takes() == 0 && o.Code.Makes() > 0 || o.Code == needle.Unzip {
			made += o.N
		}
	}
	var lie [mostNeedles]int
	r.machine.Lying(lie[:])
	for n, on := range row.OnNeedles {
		moved += max(on-lie[n], lie[n]-on)
	}
	if moved > 2*made {
		r.fault(row, "on_needles says %v, but the stitches lie %v: a row moves none to another needle", row.OnNeedles,
			lie[:len(row.OnNeedles)])
	}
}

// onNeedles holds what a row says of its needles and groups against the loops; a row need not say anything.
func (r *replay) onNeedles(row *needle.Row) {
	if len(row.OnNeedles) > 0 {
		sum := 0
		for _, n := range row.OnNeedles {
			if n < 0 {
				r.fault(row, "on_needles has %d on a needle", n)
			}
			sum += n
		}
		if sum != r.machine.Count() {
			r.fault(row, "on_needles adds up to %d, %d loops are on the needles", sum, r.machine.Count())
		}
		if n, loops := len(row.OnNeedles), r.machine.Count(); n > mostNeedles || row.From > loops || row.From < -loops {
			r.fault(row, "on_needles has %d needles from loop %d on; possible are up to %d, and a loop that is there", n, row.From,
				mostNeedles)
		}
	}
	if n := len(row.Groups); n != 0 && n != 3 {
		r.fault(row, "groups has %d numbers, expected 3: those that wait on the left, lie between, wait on the right", n)
	}
	for _, n := range row.Groups {
		if n < 0 {
			r.fault(row, "groups has %d in a group", n)
		}
	}
	if found := r.groups.see(row, &r.machine, r.instep+r.begins); len(row.Groups) == 3 && found != nil && !r.grouped(row, found) {
		r.miscounted = append(r.miscounted, &needle.Fault{Row: row.ID, Op: -1,
			Text: fmt.Sprintf("groups says %v, there are %v", row.Groups, found)})
	}
}

// grouped says whether a row counts what is there. By the rules of 1 the stitch on which a row had just turned counted as the double
// stitch that it was going to be.
func (r *replay) grouped(row *needle.Row, found []int) bool {
	if slices.Equal(row.Groups, found) {
		return true
	}
	anticipated := []int{found[0], found[1] - 1, found[2] + 1}
	return r.plan.Rules < lyingRules && endsInTurn(row) && slices.Equal(row.Groups, anticipated)
}

// lyingRules are the first ones that ask of every count beside a row that it is of what lies there.
const lyingRules = 2
