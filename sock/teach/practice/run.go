package practice

import (
	"fmt"
	"slices"

	"acornstep/sock/cloth/fabric"
	"acornstep/sock/figures/document"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
	shown "acornstep/sock/said/hands"
)

// mostMoves of a run are looked at.
const mostMoves = 10_000

// State is where a run stands.
type State struct {
	// Picture is the needle and the fabric under it, as they are held.
	Picture fabric.Picture `json:"picture"`
	// Row says in which row of the lesson it is, Side what faces the knitter, Front where the yarn lies.
	Row   int         `json:"row"`
	Rows  int         `json:"rows"`
	Side  needle.Side `json:"side" enum:"RS,WS"`
	Front bool        `json:"front"`
	// Loops on all needles.
	Loops int `json:"loops"`
	// Hint is the move that leads on; empty where none does.
	Hint Action `json:"hint"`
	// Refused says why the last move was not possible; nothing came of it.
	Refused string `json:"refused"`
	Fault   *Fault `json:"fault,omitempty"`
	// Made is how many moves were made, the refused ones not counted.
	Made int  `json:"made"`
	Done bool `json:"done"`
	// CastOn is the pair of needles while loops are cast on.
	CastOn *shown.Picture `json:"cast_on,omitempty"`
}

// Run makes moves in a lesson from its beginning. A lesson or a move that nobody knows is document.Faults.
func Run(lesson string, moves []Action) (State, error) {
	all, err := courses()
	if err != nil {
		return State{}, err
	}
	at := slices.IndexFunc(all, func(c course) bool { return c.Name == lesson })
	if at < 0 {
		return State{}, document.Faults{{Field: "lesson", Message: fmt.Sprintf("read %.40q; there is no such lesson", lesson)}}
	}
	if len(moves) > mostMoves {
		return State{}, document.Faults{{Field: "moves",
			Message: fmt.Sprintf("read %d moves; a run has at most %d", len(moves), mostMoves)}}
	}
	c := &all[at]
	l, err := c.begin()
	if err != nil {
		return State{}, err
	}
	s := State{Rows: c.last - c.first + 1}
	for i, move := range moves {
		if !slices.Contains(Actions, move) {
			return State{}, document.Faults{{Field: fmt.Sprintf("moves[%d]", i),
				Message: fmt.Sprintf("read %.20q; that is no move", move)}}
		}
		s.Refused = ""
		if err := l.act(move); err != nil {
			s.Refused = err.Error()
			continue
		}
		s.Made++
	}
	s.Row, s.Side, s.Front, s.Loops, s.Fault, s.Done = min(l.row-c.first+1, s.Rows), l.m.Side(), l.front, l.m.Count(), l.fault, l.done
	s.Hint, _ = l.next()
	if l.fetched != nil {
		drawn := castingOn(l.fetched)
		s.CastOn = &drawn
	}
	s.Picture, err = l.picture()
	return s, err
}

// castingOn is the pair of needles with the loops that were fetched.
func castingOn(fetched []Action) shown.Picture {
	upper := 0
	for _, m := range fetched {
		if m == Upper {
			upper++
		}
	}
	return shown.CastingOn(upper, len(fetched)-upper)
}

// picture draws what lies on the needle now.
func (l *learner) picture() (fabric.Picture, error) {
	rows := slices.Concat(l.c.plan.Rows[:l.c.first:l.c.first], l.worked)
	if len(l.now) > 0 {
		rows = append(rows, l.atHand())
	}
	t, err := knitted.Of(rows)
	if err != nil {
		return fabric.Picture{}, fmt.Errorf("practice: %w", err)
	}
	return fabric.Of(t).At(len(rows), l.m.Side())
}
