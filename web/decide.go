package web

import (
	"fmt"

	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/needles/replan"
	"acornstep/sock/needles/tally"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/draft"
)

// DecideQuestion holds the board against a sock on the needles. It is only looked at until Accept is set.
type DecideQuestion struct {
	// Version of the plan that was looked at; 0 for the newest.
	Version int         `json:"version"`
	Unit    string      `json:"unit" enum:"cm,in"`
	Draft   draft.Draft `json:"draft"`
	// Sock binds one sock of the pair alone, 1 or 2; 0 binds both.
	Sock   int  `json:"sock"`
	Accept bool `json:"accept"`
}

// DecideAnswer is what the board would change on the needles.
type DecideAnswer struct {
	replan.Decided
	Version int `json:"version"`
	// Rows are the next rows of both socks.
	Rows [2]int `json:"rows"`
}

// decide works out what the board makes of the rows to come, and takes it as the next version of the plan when it is accepted.
func (s *server) decide(c call[DecideQuestion]) (DecideAnswer, error) {
	var none DecideAnswer
	o, err := s.shelf.sock(c, c.ID)
	if err != nil {
		return none, err
	}
	if c.Asked.Version != 0 && c.Asked.Version != o.Version {
		return none, basket.ErrChanged
	}
	d, unit, err := complete(c.Asked.Unit, c.Asked.Draft)
	if err != nil {
		return none, err
	}
	if c.Asked.Sock < 0 || c.Asked.Sock > 2 {
		return none, document.Faults{{Field: "sock", Message: fmt.Sprintf("read %d; it is 1 or 2, or 0 for both", c.Asked.Sock)}}
	}
	rows := o.places(s.today())
	decided, err := replan.Decide(o.Edition, d, replan.Bound{Sock: c.Asked.Sock, Done: o.done(s.today())}, unit)
	answer := DecideAnswer{decided, o.Version, rows}
	if err != nil || !c.Asked.Accept || !decided.Plans {
		return answer, err
	}
	if err := s.Logbook.AddEdition(c, c.ID, decided.Edition, decided.Edition.From(rows)); err != nil {
		return none, err
	}
	answer.Version = decided.Edition.Version
	return answer, nil
}

// follow lets a plan of which no row is knitted follow the board.
func (s *server) follow(c call[nothing], sock *basket.Sock, o *onNeedles) (*onNeedles, error) {
	if book := o.tally(s.today()).Book; o.Board == nil || len(book.Standing) > 0 &&
		(book.Places[0] != logbook.Place{} || book.Places[1] != logbook.Place{}) {
		return o, nil
	}
	r := draft.Read(sock.Draft, measure.Centimetres)
	if len(r.Faults) > 0 {
		return o, nil // half a design is no plan: what was cast on for stays
	}
	decided, err := replan.Decide(o.Edition, r.Design, replan.Bound{}, measure.Centimetres)
	if err != nil || !decided.Plans {
		return o, nil
	}
	decided.Edition.Reason = "The board was changed before the first row."
	if err := s.Logbook.AddEdition(c, c.ID, decided.Edition, [2]int{}); err != nil {
		return o, err
	}
	return s.shelf.sock(c, c.ID)
}

// preview is what would be knitted of a sock that is not cast on: its rows can be read, and nothing is kept.
func (s *server) preview(sock *basket.Sock) (KnitView, error) {
	r := draft.Read(sock.Draft, measure.Centimetres)
	if err := r.Faults.Err(); err != nil {
		return KnitView{}, err
	}
	e, err := knitting.Begin(r.Design)
	if err != nil {
		return KnitView{}, err
	}
	w, err := e.Work()
	if err != nil {
		return KnitView{}, err
	}
	o := &onNeedles{id: sock.ID, Work: w, versions: []knitting.Line{}, events: []logbook.Event{}}
	v := viewOfNeedles(sock, o, o.tally(s.today()))
	v.Version = 0
	return v, nil
}

// viewOfNeedles is what knitting mode needs of a sock.
func viewOfNeedles(sock *basket.Sock, o *onNeedles, t tally.Tally) KnitView {
	v := KnitView{
		ID: sock.ID, Name: sock.Name, Wearer: sock.Wearer, Version: o.Version, Versions: o.versions,
		Rows: o.First.Rows, Needles: o.First.Needles, Strip: o.Strip,
		HeelStartsAt: o.Plan.Summary.HeelStartsAt, HeelPlace: o.HeelPlace, Course: o.Courses, Events: o.events, Seq: o.seq, Tally: t,
		Asked: []Strayed{}, Ready: knitting.Ready(o.Plan), Cautions: o.Plan.Cautions(measure.Centimetres),
		Tellable: [2][]replan.Tellable{replan.TellableIn(o.PlanOf(1)), replan.TellableIn(o.PlanOf(2))},
	}
	if o.Other != nil {
		v.Second, v.SecondNeedles = o.Other.Rows, o.Other.Needles
	}
	return v
}
