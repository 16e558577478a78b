package check

import (
	"fmt"
	"slices"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/note"
)

// notedRules are the first by which a note may state nothing that the fabric does not have.
const notedRules = 2

// looker looks facts up in the fabric, row after row.
type looker struct {
	plan    *plan.Plan
	history *needle.History
	// row is the place of the present row in the plan; before and after are the needles then, sole the first loop of the second half after it.
	row           int
	before, after needle.Snapshot
	sole          int
	// strand is the row with which a strand of the heel's own begins, -1 while there is none. The sock's yarn hangs there between the loops
	// of hangs, or is broken off.
	strand int
	hangs  []int32
	// centre is what was said of the middle of the heel, by the row of marked; -1 while nothing was.
	centre [2]int
	marked int
}

// newLooker looks nothing up in a plan whose rules do not ask for it.
func newLooker(p *plan.Plan, m *needle.Machine) *looker {
	if p.Rules < notedRules {
		return nil
	}
	made := 0
	for i := range p.Rows {
		made += max(0, takes(&p.Rows[i]))
	}
	const room = 1 << 20
	return &looker{plan: p, history: m.Remember(min(made+made/8, room)), strand: -1, marked: -1}
}

// stated are the facts of a row's note; the needles are kept as they are before it.
func (l *looker) stated(i int, m *needle.Machine) []note.Fact {
	if l == nil {
		return nil
	}
	facts := note.Read(l.plan.Rows[i].Note)
	if len(facts) > 0 {
		l.row, l.before = i, m.Snapshot()
	}
	return facts
}

// notes looks up what was stated of a row that was just worked.
func (r *replay) notes(facts []note.Fact) {
	if len(facts) == 0 {
		return
	}
	l := r.looker
	if l.after = r.machine.Snapshot(); l.row+1 < len(l.plan.Rows) {
		l.sole = l.plan.Rows[l.row+1].SoleBegins(len(l.after.Loops))
	}
	for _, f := range facts {
		if err := looked[f.Code](l, f); err != nil {
			r.fault(&l.plan.Rows[l.row], "the note says %q: %v", f.String(), err)
		}
	}
}

// endOfNotes says what the last note left open, and holds what was said of the heel's centre against its turns.
func (r *replay) endOfNotes() {
	l := r.looker
	if l != nil && l.strand >= 0 {
		r.fault(&r.plan.Rows[l.strand], "a strand of the heel's own begins, and nothing says where it ends")
	}
	if l != nil && l.marked >= 0 {
		if stitches, turns := r.facts.heel.span(); l.centre != [2]int{turns + 1, stitches - turns} {
			r.fault(&r.plan.Rows[l.marked], "the note marks stitches %d to %d as the centre, and the rows turn outside %d to %d", l.centre[0],
				l.centre[1], turns+1, stitches-turns)
		}
	}
}

// looked says how each fact is looked up before a row; the error is what is there instead.
var looked = map[note.Code]func(l *looker, f note.Fact) error{
	note.FirstIsRight: func(l *looker, _ note.Fact) error {
		on := &l.plan.Rows[0]
		if l.row != 1 || len(on.Turned) != 1 || on.Turned[0] != [2]int{on.Stitches/2 + 1, on.Stitches} {
			return fmt.Errorf("turned are %v of %d loops", on.Turned, on.Stitches)
		}
		return nil
	},
	note.LegsInCorners:    (*looker).cornersMade,
	note.StrandsInCorners: (*looker).cornersMade,
	note.BeginsHalf: func(l *looker, _ note.Fact) error {
		return l.cornersStand(func(at, _ int) bool { return at == 0 || at == l.sole })
	},
	note.EndsHalf: func(l *looker, _ note.Fact) error {
		return l.cornersStand(func(at, run int) bool { return at+run == l.sole || at+run == len(l.after.Loops) })
	},
	note.BeforeRest:   (*looker).cornersAtEdges,
	note.AfterHeel:    (*looker).cornersAtEdges,
	note.GoesWithNext: func(l *looker, _ note.Fact) error { return l.cornersLeave(0) },
	note.GoesWithLast: func(l *looker, _ note.Fact) error { return l.cornersLeave(1) },
	note.WrapBeside:   func(l *looker, _ note.Fact) error { return l.wraps(1) },
	note.WrapsBeside:  func(l *looker, _ note.Fact) error { return l.wraps(2) },
	note.YarnWaits:    func(l *looker, _ note.Fact) error { return l.strandBegins(beside(&l.before)) },
	note.YarnBroken:   func(l *looker, _ note.Fact) error { return l.strandBegins(nil) },
	note.YarnTaken:    func(l *looker, _ note.Fact) error { return l.strandEnds(true) },
	note.YarnJoined:   func(l *looker, _ note.Fact) error { return l.strandEnds(false) },
	note.StrandTakes:  (*looker).strandTakes,
	note.CentreMarked: func(l *looker, f note.Fact) error {
		if l.now().Section != needle.Heel || f.First < 2 || f.Last < f.First {
			return fmt.Errorf("the row is one of the %s, and stitches %d to %d are no centre", l.now().Section, f.First, f.Last)
		}
		l.centre, l.marked = [2]int{f.First, f.Last}, l.row
		return nil
	},
	note.TakesUp:    (*looker).otherYarn,
	note.ChangesTo:  (*looker).otherYarn,
	note.NoStep:     (*looker).noStep,
	note.OnToShort:  func(l *looker, _ note.Fact) error { return l.otherNeedles(len(l.now().OnNeedles) == 1) },
	note.OnToOthers: func(l *looker, _ note.Fact) error { return l.otherNeedles(len(l.now().OnNeedles) > 1) },
}

func (l *looker) now() *needle.Row { return &l.plan.Rows[l.row] }

// made is how a loop came to be; loops are counted from 1.
func (l *looker) made(loop int32) *needle.Made { return &l.history.Loops()[loop-1] }

// below is the loop under another in its column, 0 where the column begins.
func (l *looker) below(loop int32) int32 {
	if from := l.made(loop).From[0]; from < loop {
		return from
	}
	return 0
}

// done counts the operations of some kinds in the row.
func (l *looker) done(codes ...needle.Code) int {
	n := 0
	for _, o := range l.now().Ops {
		if slices.Contains(codes, o.Code) {
			n += o.N
		}
	}
	return n
}

func (l *looker) cornersMade(note.Fact) error {
	if n := l.done(needle.PC); n == 0 || n%2 != 0 {
		return fmt.Errorf("%d stitches are made in corners", n)
	}
	return nil
}

// cornersStand asks of each run of stitches that the row made in a corner whether it stands where it should.
func (l *looker) cornersStand(stands func(at, run int) bool) error {
	loops, some := l.after.Loops, false
	inCorner := func(at int) bool {
		m := l.made(loops[at].Made + 1)
		return int(m.Row) == l.row && m.Code == needle.PC
	}
	for at := 0; at < len(loops); at++ {
		run := 0
		for at+run < len(loops) && inCorner(at+run) {
			run++
		}
		if run == 0 {
			continue
		}
		if some = true; !stands(at, run) {
			return fmt.Errorf("one stands at %d of %d, and the second half begins at %d", at, len(loops), l.sole)
		}
		at += run
	}
	if !some {
		return fmt.Errorf("none is made")
	}
	return nil
}

// cornersAtEdges says whether the corner's stitches stand between stitches of the heel and stitches that rested: a column of the heel,
// a little way in from its edge, has more of its rows.
func (l *looker) cornersAtEdges(note.Fact) error {
	const in = 2
	return l.cornersStand(func(at, run int) bool { return l.heelRows(at-1-in) != l.heelRows(at+run+in) })
}

// heelRows counts the rows of the heel in the column of a loop.
func (l *looker) heelRows(at int) int {
	n, all := 0, len(l.after.Loops)
	for loop := l.after.Loops[(at%all+all)%all].Made + 1; loop > 0; loop = l.below(loop) {
		switch l.plan.Rows[l.made(loop).Row].Section {
		case needle.Heel:
			n++
		case needle.Leg, needle.Cuff: // above it
		default:
			return n
		}
	}
	return n
}

// cornersLeave says whether stitches that were made in corners go together as the first or the second loop of their decreases.
func (l *looker) cornersLeave(which int) error {
	found := 0
	for k := range l.after.Loops {
		m := l.made(l.after.Loops[k].Made + 1)
		if int(m.Row) != l.row || !m.Code.IsDecrease() {
			continue
		}
		corner := [2]bool{l.fromCorner(m.From[0]), l.fromCorner(m.From[1])}
		if corner[1-which] && !corner[which] {
			return fmt.Errorf("one goes together with the stitch on its other side")
		}
		if corner[which] {
			found++
		}
	}
	if found == 0 || found%2 != 0 {
		return fmt.Errorf("%d stitches of corners go together with another", found)
	}
	return nil
}

// fromCorner follows a column down to where it was made.
func (l *looker) fromCorner(loop int32) bool {
	for ; loop > 0; loop = l.below(loop) {
		if m := l.made(loop); m.Code == needle.PC || m.Code.IsDecrease() {
			return m.Code == needle.PC
		}
	}
	return false
}

func (l *looker) wraps(want int) error {
	if n := l.done(needle.KW, needle.PW); n != want {
		return fmt.Errorf("%d stitches are worked with a wrap", n)
	}
	return nil
}

// strandBegins notes where the sock's yarn hangs, nil where it is broken off.
func (l *looker) strandBegins(hangs []int32) error {
	if l.strand >= 0 {
		return fmt.Errorf("one began with row %s and has not ended", l.plan.Rows[l.strand].ID)
	}
	if l.now().Section != needle.Heel {
		return fmt.Errorf("the row is one of the %s", l.now().Section)
	}
	l.strand, l.hangs = l.row, hangs
	return nil
}

// strandEnds says whether the sock's yarn can go on: it hangs from the loop that was worked last before the heel's strand began, and is
// taken up only where the work stands beside that loop, or beside the top of its column.
func (l *looker) strandEnds(waits bool) error {
	from, hangs := l.strand, l.hangs
	if from < 0 || (hangs != nil) != waits {
		return fmt.Errorf("no strand began that ends so")
	}
	l.strand = -1
	if !waits {
		return nil
	}
	for _, loop := range beside(&l.before) {
		for loop > 0 && int(l.made(loop).Row) >= from {
			loop = l.below(loop)
		}
		if slices.Contains(hangs, loop) {
			return nil
		}
	}
	return fmt.Errorf("the waiting yarn hangs elsewhere than where the work stands, %d loops from the start", l.before.Cursor)
}

// beside are the loops on either side of the yarn, counted from 1.
func beside(s *needle.Snapshot) []int32 {
	all := len(s.Loops)
	if all == 0 {
		return nil
	}
	return []int32{s.Loops[(s.Cursor-1+all)%all].Made + 1, s.Loops[s.Cursor%all].Made + 1}
}

// strandTakes says whether a strand is as long as the rows take until it ends, with two ends to weave in.
func (l *looker) strandTakes(f note.Fact) error {
	if l.strand != l.row {
		return fmt.Errorf("no strand begins here")
	}
	var long measure.Length
	for k := l.row; k < len(l.plan.Rows) && (k == l.row || !endsStrand(&l.plan.Rows[k])); k++ {
		long += yarn.InRow(&l.plan.Design, &l.plan.Rows[k])
	}
	const metre, ends measure.Length = 1000, 500
	if f.Long < long || f.Long > long+ends+metre {
		return fmt.Errorf("the rows up to its end take %.1f m", float64(long/metre))
	}
	return nil
}

// endsStrand says whether a strand of the heel's own ends before a row.
func endsStrand(row *needle.Row) bool {
	return slices.ContainsFunc(note.Read(row.Note), func(f note.Fact) bool { return f.Code == note.YarnTaken || f.Code == note.YarnJoined })
}

func (l *looker) otherYarn(f note.Fact) error {
	if now := l.now().Colour; l.row == 0 || now != f.Yarn || now == l.plan.Rows[l.row-1].Colour {
		return fmt.Errorf("the row is worked in %q, and the one before in %q", now, l.plan.Rows[max(l.row, 1)-1].Colour)
	}
	return nil
}

// noStep says whether a round lies on one of its own colour, and that on another.
func (l *looker) noStep(note.Fact) error {
	colour := func(loop int32) string { return l.plan.Rows[l.made(loop).Row].Colour }
	if len(l.before.Loops) == 0 {
		return fmt.Errorf("nothing is on the needles")
	}
	first := l.before.Loops[l.before.Cursor%len(l.before.Loops)].Made + 1
	if under := l.below(first); colour(first) != l.now().Colour || under == 0 || colour(under) == l.now().Colour {
		return fmt.Errorf("the round does not lie on the first of its stripe")
	}
	return nil
}

// otherNeedles says whether the stitches lie on other needles after the row than before, where it may so be said. A wide heel lies on a
// holder and two needles, which may be as many as there are afterwards.
func (l *looker) otherNeedles(as bool) error {
	if row := l.now(); l.row > 0 && as && row.Kind == needle.Round {
		before := &l.plan.Rows[l.row-1]
		if len(row.OnNeedles) != len(before.OnNeedles) || before.Section == needle.Heel && before.From != 0 && row.From == 0 {
			return nil
		}
	}
	return fmt.Errorf("the stitches lie on %d needles after it", len(l.now().OnNeedles))
}
