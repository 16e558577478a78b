package knit

import (
	"slices"

	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/note"
)

// laid is how the loops lie on the needles. A stitch stays on the needle on
// which it is made; a round that works every loop may lay them anew, and round
// a heel over more than half of the stitches the rest waits on a holder.
type laid struct {
	// in is the arrangement of each section.
	in func(needle.Section) design.Arrangement
	// now is the arrangement in which the loops lie, parked whether the rest waits on a holder.
	now    design.Arrangement
	parked bool
	// unparks: the present round takes the needles up again.
	unparks bool
	// hold: the present round is to be a row that runs on, and lays nothing anew.
	hold bool
	// counts has room for what is said of the rows.
	counts []int
}

// needlesIn is the arrangement of a section.
func (s *Sock) needlesIn(section needle.Section) design.Arrangement {
	return s.Design.ArrangementIn(string(section))
}

// begin lays the first loops: each half on one needle, further needles come in the first round.
func (l *laid) begin(w *worker, front, back int) {
	if l.in != nil {
		l.now = l.in(w.section)
		l.twoHalves(w, front, back)
	}
}

// unzipped lays the other half of a toe, which the waste yarn held, on a needle of the back.
func (l *laid) unzipped(w *worker, front int) {
	if l.in != nil {
		l.twoHalves(w, front, w.machine.Count()-front)
	}
}

// twoHalves lays each half of a toe on the first of its needles: there are two at least, since no short circular holds a toe.
func (l *laid) twoHalves(w *worker, front, back int) {
	on := make([]int, l.now.Needles())
	on[0], on[l.now.Fronts] = front, back
	w.machine.Lay(0, on...)
}

// slide moves loops to a neighbouring needle before the row that was just begun.
func (w *worker) slide(v needle.Move) {
	if w.lay.in == nil || w.err != nil {
		return
	}
	on := make([]int, w.lay.nowNeedles())
	from := w.machine.Lying(on)
	on, from, err := needle.Slid(on, from, []needle.Move{v})
	if err != nil {
		w.fail(err)
		return
	}
	w.machine.Lay(from, on...)
	w.row.Moves = append(w.row.Moves, v)
}

// atHeel lays the loops on the needles of the heel's section.
func (l *laid) atHeel(w *worker) {
	if l.in == nil {
		return
	}
	if want := l.in(w.section); want != l.now {
		l.now = want
		w.machine.Lay(0, w.halves(want)...)
	}
}

// park puts what a heel over more than the half leaves in peace on a holder, and the heel on two needles: once the yarn is at its edge, so
// that nobody has to knit off the holder.
func (l *laid) park(w *worker) {
	if l.in == nil || w.reachLeft <= 0 || l.now.Backs == 0 {
		return
	}
	rest := w.instep - w.reachLeft - w.reachRight
	heel := w.machine.Count() - rest
	w.machine.Lay(w.reachLeft, append([]int{rest}, design.Arrangement{Backs: design.HeelNeedles}.Split(0, heel)...)...)
	l.parked = true
}

// unpark takes the needles up again as before: the next round works off those of the heel, and lays all loops anew.
func (l *laid) unpark() { l.unparks = l.parked }

// halves are front and back of the sock on the needles of an arrangement.
func (w *worker) halves(on design.Arrangement) []int {
	front := w.machine.LoopsBefore(w.instep)
	return on.Split(front, w.machine.Count()-front)
}

// laid writes down how the loops lie after a row. A round that worked all of
// them has laid them as the section has it, where they lay otherwise or a needle was empty.
func (w *worker) laid() {
	l := &w.lay
	if l.in == nil || w.err != nil {
		return
	}
	want := l.in(w.section)
	needles := max(l.now.Needles(), want.Needles())
	if l.parked {
		needles = max(1+design.HeelNeedles, needles)
	}
	if len(l.counts) < needles {
		l.counts = make([]int, 512)
	}
	on := l.counts[:needles:needles]
	from := w.machine.Lying(on)
	unparks := l.unparks
	if unparks {
		l.parked, l.unparks = false, false
	}
	if !l.parked && !l.hold && w.row.Kind == needle.Round && w.section != needle.BindOff {
		front := w.machine.LoopsBefore(w.instep)
		if want != l.now {
			w.remark(changedNeedles(want))
		}
		if want != l.now || unparks || l.uneven(on, front) {
			from = 0
			lie := w.halves(want)
			if before := w.rows[len(w.rows)-1].OnNeedles; want == l.now && !unparks && l.holds(before, front, w.machine.Count()) {
				lie = before // as they lay: no stitch goes to another needle
			}
			l.now = want
			on = on[:copy(on, lie)]
			w.machine.Lay(0, on...)
		}
	}
	on = on[:max(l.nowNeedles(), 1):max(l.nowNeedles(), 1)]
	l.counts = l.counts[len(on):]
	w.row.OnNeedles, w.row.From = on, from
}

// changedNeedles says what a round does that goes over to other needles.
func changedNeedles(to design.Arrangement) string {
	if to.Backs == 0 {
		return note.Of(note.OnToShort)
	}
	return note.Of(note.OnToOthers)
}

func (l *laid) nowNeedles() int {
	if l.parked {
		return 1 + design.HeelNeedles
	}
	return l.now.Needles()
}

// holds says whether needles on which the loops lay before hold them still, so many in front and so many in all.
func (l *laid) holds(on []int, front, all int) bool {
	if len(on) != l.now.Needles() || slices.Contains(on, 0) {
		return false
	}
	for i, n := range on {
		all -= n
		if i < l.now.Fronts {
			front -= n
		}
	}
	return all == 0 && (front == 0 || l.now.Backs == 0)
}

// uneven says whether a needle is empty, or the front lies on needles of the back.
func (l *laid) uneven(on []int, front int) bool {
	for i, n := range on[:l.now.Needles()] {
		if n == 0 {
			return true
		}
		if i < l.now.Fronts {
			front -= n
		}
	}
	return front != 0 && l.now.Backs > 0
}
