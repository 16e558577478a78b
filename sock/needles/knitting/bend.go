package knitting

import (
	"slices"

	"acornstep/sock/figures/document"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Done is how many rows of each sock of a pair are knitted: they never change
// any more. A row that is begun counts as knitted.
type Done [2]int

// DoneIn reads how far both socks are from what the events come to. A sock that
// is off the needles is knitted to its end, wherever it was put last.
func (e *Edition) DoneIn(book *logbook.Book) Done {
	var done Done
	for i, place := range book.Places {
		last := len(e.PlanOf(i + 1).Rows)
		switch {
		case place.Finished:
			done[i] = last
		case place.Half:
			done[i] = min(place.Row+1, last)
		default:
			done[i] = min(place.Row, last)
		}
	}
	return done
}

// Off says whether a sock, 1 or 2, is knitted to its end.
func (e *Edition) Off(sock int, done Done) bool { return done[sock-1] >= len(e.PlanOf(sock).Rows) }

// Bend is what the rows to come of a pair are to be.
type Bend struct {
	// To are the plans that both socks are to follow; nil for a sock of which nothing is asked.
	To [2]*plan.Plan
	// Told is the sock, 1 or 2, of which something is told that happened: the other follows only while it stands before
	// the change. 0 where each sock was looked at by itself.
	Told int
	// From is how many rows of the told sock stay as they are.
	From int
	// Stands is the row before which the knitter of the told sock stands, when the rows up to it became what they really
	// were; 0 when they did not.
	Stands int
	Reason string
}

// Fate is what a bend does to one sock of a pair.
type Fate int

// The fates of a sock.
const (
	// Unasked: it goes on as it was, since nothing was asked of it.
	Unasked Fate = iota
	// Follows: its rows to come are those of the new plan.
	Follows
	// Past: it has knitted past the change, and goes on as it was.
	Past
	// Finished: it is off the needles, and is never told anew.
	Finished
)

// Next is the edition that follows this one, and what it does to each sock. It is the
// only way from one edition to the next: what is done of each sock stays as it
// is, letter for letter, and its rows to come are those of the plan that it is to follow,
// from the first place where the needles look alike. What never meets the needles is document.Faults.
func (e *Edition) Next(b Bend, done Done) (*Edition, [2]Fate, error) {
	w := bending{e: e, b: b, done: done}
	for i := range w.plans {
		w.plans[i], w.places[i] = e.PlanOf(i+1), asTheyWere(e.PlanOf(i+1))
		switch {
		case e.Off(i+1, done):
			w.fates[i] = Finished
		case b.To[i] == nil:
		default:
			w.fates[i] = Follows
		}
	}
	lead := w.lead()
	if lead < 0 {
		return nil, w.fates, document.Faults{{Message: "the sock is off the needles: nothing of it is planned any more"}}
	}
	if err := w.splice(lead); err != nil {
		return nil, w.fates, err
	}
	w.follow(1-lead, lead)
	return w.edition(), w.fates, nil
}

// Settled is the edition in which what was left open is decided, and every row stays as it is.
func (e *Edition) Settled(done Done) *Edition {
	w := bending{e: e, done: done}
	for i := range w.plans {
		w.plans[i], w.places[i] = e.PlanOf(i+1), asTheyWere(e.PlanOf(i+1))
	}
	n := w.edition()
	n.Undecided = nil
	return n
}

// bending is an edition on its way to the next.
type bending struct {
	e      *Edition
	b      Bend
	done   Done
	plans  [2]*plan.Plan
	places [2][]int
	fates  [2]Fate
}

// lead is the sock that goes first: the one that is told of, or the one that has less behind it; -1 where none follows.
func (w *bending) lead() int {
	if t := w.b.Told - 1; t >= 0 {
		if w.fates[t] != Follows {
			return -1
		}
		return t
	}
	lead := -1
	for i, fate := range w.fates {
		if fate == Follows && (lead < 0 || w.done[i] < w.done[lead]) {
			lead = i
		}
	}
	return lead
}

// splice puts the plan that a sock is to follow behind what is done of it.
func (w *bending) splice(i int) error {
	from := w.done[i]
	if w.b.Told == i+1 {
		from = w.b.From
	}
	spliced, places, err := Splice(w.e.PlanOf(i+1), w.b.To[i], from)
	if err != nil {
		return err
	}
	if w.b.Told == i+1 && w.b.Stands > 0 {
		stand(places, w.b.Stands, len(spliced.Rows))
	}
	w.plans[i], w.places[i] = spliced, places
	return nil
}

// follow lets the other sock go the way of the one that went first, as far as what is knitted of it allows.
func (w *bending) follow(i, lead int) {
	if w.fates[i] != Follows {
		return
	}
	change := w.change(lead, SameRow)
	if w.e.Second != nil {
		change = sameRowOf(w.e.PlanOf(lead+1).Rows, w.e.PlanOf(i+1).Rows, change)
	}
	switch {
	case w.e.Second == nil && sameLetters(w.b.To[0].Rows, w.b.To[1].Rows) && w.done[i] <= w.change(lead, sameLetter):
		w.plans[i], w.places[i] = w.plans[lead], w.places[lead]
	case w.b.Told > 0 && w.done[i] > change, w.splice(i) != nil:
		w.fates[i] = Past
	}
}

// change is the first row in which a sock differs from what it was, for somebody who compares rows in a way.
func (w *bending) change(i int, same func(a, b needle.Row) bool) int {
	return firstApart(w.e.PlanOf(i+1).Rows, w.plans[i].Rows, same)
}

func (w *bending) edition() *Edition {
	e := w.e
	n := &Edition{Line: Line{Version: e.Version + 1, Reason: w.b.Reason}, Plan: w.plans[0], Places: w.places[0], HeelPlace: e.HeelPlace,
		Board: e.Board}
	if u := e.Undecided; u != nil && !e.Off(u.Sock, w.done) {
		n.Undecided = u
	}
	n.Holds = &[2]int{}
	for i := range n.Holds {
		n.Holds[i] = max(w.done[i], w.change(i, SameRow))
		if w.b.Told == i+1 {
			n.Holds[i] = max(n.Holds[i], w.b.Stands)
		}
	}
	if !sameLetters(w.plans[0].Rows, w.plans[1].Rows) {
		n.Second = w.plans[1]
	}
	if !slices.Equal(w.places[0], w.places[1]) {
		n.SecondPlaces = w.places[1]
	}
	return n
}

// stand keeps the knitter before the row before which they stand: the rows up to it became what they really were.
func stand(places []int, row, rows int) {
	for i := range places {
		if i <= row && i < rows {
			places[i] = i
		} else {
			places[i] = max(places[i], row)
		}
	}
}

// asTheyWere are the places of a plan that does not change.
func asTheyWere(p *plan.Plan) []int {
	places := make([]int, len(p.Rows)+1)
	for i := range places {
		places[i] = i
	}
	return places
}

// Pair are the plans that both socks follow when a plan is made for one of them, 1 or 2: the
// other has it too, mirrored where the two are knitted otherwise; nil for one that went its own way before.
func (e *Edition) Pair(sock int, made *plan.Plan) ([2]*plan.Plan, error) {
	var to [2]*plan.Plan
	to[sock-1] = made
	if !e.OneDesign() {
		return to, nil
	}
	other, err := secondOf(made)
	if err != nil {
		return to, err
	}
	if other == nil {
		other = made
	}
	to[2-sock] = other
	return to, nil
}

// OneDesign says whether both socks are knitted by the same design, mirrored or not; false
// once something was told of, or decided for, one of them alone.
func (e *Edition) OneDesign() bool {
	if e.Second == nil {
		return true
	}
	d := e.Second.Design
	d.Mirror = e.Plan.Design.Mirror
	return len(design.Differences(e.Plan.Design, d).Fields()) == 0
}
