// Package rewrite says a short row that a pattern writes for one way of turning in the words of another.
package rewrite

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/figures/document"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/words"
)

// Place is where in a heel a row stands.
type Place string

// The places: the first row of all, whose beginning no turn has touched; the rows
// that stop sooner each time; the first row back, and the first one on the other side, which meet what one turn left; and
// the rows that take one stitch back each after them, which meet what two left.
const (
	First     Place = "first"
	Out       Place = "out"
	FirstBack Place = "first_back"
	OtherBack Place = "other_back"
	Back      Place = "back"
)

// Places are all of them.
var Places = []Place{First, Out, FirstBack, OtherBack, Back}

// back says whether something is taken back at a place.
func (p Place) back() bool { return p == FirstBack || p == OtherBack || p == Back }

// Asked is a row as a pattern writes it.
type Asked struct {
	// From and To are ways of turning, such as wrap and german.
	From  string `json:"from"`
	To    string `json:"to"`
	Place Place  `json:"place" enum:"first,out,first_back,other_back,back"`
	// Side is what faces the knitter.
	Side needle.Side `json:"side" enum:"RS,WS"`
	// Stitches are those that the pattern has plainly worked, before anything is taken back or turned.
	Stitches int `json:"stitches"`
}

// Answer is the row in both ways.
type Answer struct {
	Written Said   `json:"written"`
	Instead Said   `json:"instead"`
	Reason  string `json:"reason"`
}

// Said is a row in words.
type Said struct {
	Short string `json:"short"`
	Long  string `json:"long"`
	// Move is the sequence that shows what is done at its turn.
	Move string `json:"move"`
}

// way is how a style writes its rows, against those with wraps: what it does at the
// beginning of a row that follows a turn, how many plain stitches more it works, and what it takes back and how.
// A wrapped stitch is not worked, a double stitch is: so that style goes one stitch further.
// A style that slips the first stitch of a row has one less to work.
type way struct {
	// turn is what a design calls it.
	turn string
	// begins is the first operation of a row out and of a row back.
	begins map[Place]needle.Code
	// more are plain stitches besides those of a row with wraps.
	more map[Place]int
	// takes is what takes a stitch back on the right side and on the wrong side, so many times; then what follows it.
	takes [2]needle.Code
	times int
	// single is what takes back what one turn left, where that is another operation.
	single [2]needle.Code
	then   [2]needle.Code
	wraps  bool
	move   string
	// out and back are the reasons.
	out, back string
}

// ways are all of them; each stands in a file of its own.
var ways = []way{wraps, doubles, overs, pins, lifts}

// find gives a way by its name.
func find(turn string) (way, bool) {
	i := slices.IndexFunc(ways, func(w way) bool { return w.turn == turn })
	if i < 0 {
		return way{}, false
	}
	return ways[i], true
}

// known names the ways in a sentence.
func known() string {
	names := make([]string, len(ways))
	for i, w := range ways {
		names[i] = w.turn
	}
	return strings.Join(names[:len(names)-1], ", ") + " or " + names[len(names)-1]
}

// most stitches of a row that are written.
const most = 200

// Turn says a row another way. What cannot be is document.Faults by the field.
func Turn(a Asked) (Answer, error) {
	var faults document.Faults
	from, knownFrom := find(a.From)
	to, knownTo := find(a.To)
	for _, f := range []struct {
		field, read string
		known       bool
	}{{"from", a.From, knownFrom}, {"to", a.To, knownTo}} {
		if !f.known {
			faults.Add(f.field, "read %.30q; it is %s", f.read, known())
		}
	}
	if !slices.Contains(Places, a.Place) {
		faults.Add("place", "read %.20q; it is first, out, first_back, other_back or back", string(a.Place))
	}
	if a.Side != needle.RS && a.Side != needle.WS {
		faults.Add("side", "read %.20q; it is RS or WS", string(a.Side))
	}
	plain := a.Stitches - from.more[a.Place]
	if least := 1 + max(0, -to.more[a.Place]); len(faults) == 0 && (plain < least || a.Stitches > most) {
		faults.Add("stitches", "read %d; here it is %d to %d", a.Stitches, least+from.more[a.Place], most)
	}
	if len(faults) > 0 {
		return Answer{}, faults
	}
	return Answer{from.said(a, plain), to.said(a, plain),
		fmt.Sprintf("In the pattern %s. Here %s.", from.reason(a.Place), to.reason(a.Place))}, nil
}

func (w way) reason(p Place) string {
	if p.back() {
		return w.back
	}
	return w.out
}

// said is the row of a way with so many plain stitches as with wraps.
func (w way) said(a Asked, plain int) Said {
	side := 0
	if a.Side == needle.WS {
		side = 1
	}
	work := [2]needle.Code{needle.K, needle.P}[side]
	var ops needle.Ops
	add := func(code needle.Code, n int) {
		if code != needle.NoOp && n > 0 {
			ops = append(ops, needle.Op{Code: code, N: n})
		}
	}
	add(w.begins[a.Place], 1)
	add(work, plain+w.more[a.Place])
	switch {
	case a.Place == Back:
		add(w.takes[side], w.times)
	case a.Place.back() && w.single[side] != needle.NoOp:
		add(w.single[side], 1)
	case a.Place.back():
		add(w.takes[side], 1)
	}
	if a.Place.back() {
		add(w.then[side], 1)
	}
	if w.wraps {
		add(needle.WT, 1)
	} else {
		add(needle.Turn, 1)
	}
	step, end := "out", map[needle.Side]string{needle.RS: "rs", needle.WS: "ws"}
	if a.Place.back() {
		step = "back"
	}
	shown := w.move + "-" + step + "-" + end[a.Side]
	if !a.Place.back() && !w.wraps {
		// What is done at the turn is done on the side that faces the knitter then.
		shown = w.move + "-out-" + end[map[needle.Side]needle.Side{needle.RS: needle.WS, needle.WS: needle.RS}[a.Side]]
	}
	s := Said{Move: shown}
	for i, o := range ops {
		if i > 0 {
			s.Short, s.Long = s.Short+", ", s.Long+", "
		}
		s.Short, s.Long = s.Short+words.Short(o, a.Side), s.Long+words.Long(o, a.Side)
	}
	return s
}
