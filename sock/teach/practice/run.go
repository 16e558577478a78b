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
	// Needles are the loops next to both tips, the yarn and its way to the hand, as they are held; Words the row at hand.
	Needles *shown.Picture `json:"needles,omitempty"`
	Words   []Word         `json:"words"`
	// Laid are the loops of a cast-on that were laid, or taken out of waste yarn, so far.
	Laid int `json:"laid"`
	// CastOn is the pair of needles while loops are cast on.
	CastOn *shown.Picture `json:"cast_on,omitempty"`
}

// Run makes moves in a lesson from its beginning. The view is that of whoever practises. A lesson or a move that nobody knows is document.Faults.
func Run(lesson string, moves []Action, view shown.View) (State, error) {
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
	s.CastOn = l.castingOn()
	s.Words, s.Laid = l.words(), l.laid
	if l.m.Count() > 0 {
		drawn := l.held(view)
		s.Needles = &drawn
	}
	s.Picture, err = l.picture()
	return s, err
}

// castingOn is what is seen while loops are cast on, or come out of waste yarn; nil at any other time.
func (l *learner) castingOn() *shown.Picture {
	var drawn shown.Picture
	switch o := l.wantedNow(); {
	case l.fetched != nil && (o.Code == needle.CO || l.m.Count() == 0 || len(l.worked) == 1 && l.row > l.c.last):
		upper := 0
		for _, m := range l.fetched {
			if m == Upper {
				upper++
			}
		}
		drawn = shown.CastingOn(upper, len(l.fetched)-upper)
	case o.Code == needle.CO:
		drawn = shown.Winding(l.laid)
	case o.Code == needle.COChain:
		drawn = shown.ThroughBars(l.laid)
	case o.Code == needle.Unzip:
		drawn = shown.Unzipping(l.laid, o.N)
	default:
		return nil
	}
	return &drawn
}

// wantedNow is the operation that comes next; none when all is done.
func (l *learner) wantedNow() needle.Op {
	if l.done || l.row > l.c.last {
		return needle.Op{}
	}
	return l.wanted()
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
