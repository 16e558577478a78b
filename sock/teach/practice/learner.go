package practice

import (
	"fmt"

	"acornstep/sock/rows/needle"
	"acornstep/sock/said/hands"
)

// Action is one thing that a learner does at the needle.
type Action string

// The actions. One hand is enough: each is a key or a touch.
const (
	Knit     Action = "knit"
	Purl     Action = "purl"
	Slip     Action = "slip"
	Front    Action = "front"
	Back     Action = "back"
	Over     Action = "over"
	Turn     Action = "turn"
	Together Action = "together"
	Lift     Action = "lift"
	Wrap     Action = "wrap"
	Pin      Action = "pin"
	Twist    Action = "twist"
	Increase Action = "increase"
	Pick     Action = "pick"
	Bind     Action = "bind"
	// Upper and Lower are the needles that fetch a strand while casting on.
	Upper Action = "upper"
	Lower Action = "lower"
	// Wind lays the yarn once round both needles; Unzip takes a stitch out of waste yarn; Join lays a new strand round the one that waits.
	Wind  Action = "wind"
	Unzip Action = "unzip"
	Join  Action = "join"
)

// Actions are all of them.
var Actions = []Action{Knit, Purl, Slip, Front, Back, Over, Turn, Together, Lift, Wrap, Pin, Twist, Increase, Pick, Bind, Upper, Lower, Wind, Unzip, Join}

// Fault is a move that was not the one to make, and what came of it.
type Fault struct {
	// Did and Wanted are the moves.
	Did    Action `json:"did"`
	Wanted Action `json:"wanted"`
	Text   string `json:"text"`
}

// refused says in a sentence why a move cannot be made.
type refused string

func (r refused) Error() string { return string(r) }

// learner works the rows of a course on a machine.
type learner struct {
	c *course
	m needle.Machine
	// row is the one that is worked, op the operation of it that comes next and done so many of it, as the rows say.
	row, op, times int
	// worked are the rows that were finished here, now the operations of the one at hand.
	worked []needle.Row
	now    needle.Ops
	// front: the yarn lies in front of the work. lifted, wrapped: a strand or wrap lies on the needle, the yarn
	// lies round the next stitch.
	front, lifted, wrapped bool
	// slipped: the last move slipped a stitch, which it can still be pulled over, or pinned.
	slipped bool
	// fetched are the needles that made the loops of a cast-on, in turn; the first loop lies on the upper one.
	fetched []Action
	// laid are the loops of a cast-on that is laid one by one, or taken out of waste yarn so.
	laid int
	// joined: the new strand of the row lies round the one that waits.
	joined bool
	// pending are the stitches that were worked and are still to be bound off, as they were worked.
	pending []needle.Code
	// history are all loops, sides those of the rows in which they were made; wrong is what went wrong with some, by their numbers.
	history *needle.History
	sides   []needle.Side
	wrong   map[int32]hands.Wrong
	fault   *Fault
	done    bool
}

func (c *course) begin() (*learner, error) {
	h := &learner{c: c, row: c.first, wrong: map[int32]hands.Wrong{}}
	h.history = h.m.Remember(mostMoves)
	for i := range c.first {
		if err := h.m.Work(&c.plan.Rows[i]); err != nil {
			return nil, err
		}
		h.sides = append(h.sides, c.plan.Rows[i].Side)
	}
	h.front = h.m.Side() == needle.WS
	if c.fetches {
		h.fetched = []Action{Upper}
	}
	return h, h.beginRow()
}

func (l *learner) beginRow() error {
	meta := l.c.plan.Rows[l.row]
	meta.Side = l.m.Side()
	if l.fault != nil {
		meta.Kind = needle.FlatRow
	}
	l.sides, l.joined = append(l.sides, meta.Side), false
	return l.m.Begin(&meta)
}

// joins says whether the row at hand begins with another yarn, that is still to be joined.
func (l *learner) joins() bool {
	return !l.joined && l.op == 0 && l.times == 0 && l.row > 0 && l.row <= l.c.last && l.c.plan.Rows[l.row].Colour != l.c.plan.Rows[l.row-1].Colour
}

// wanted is the operation that the rows have next.
func (l *learner) wanted() needle.Op { return l.c.plan.Rows[l.row].Ops[l.op] }

// next is the move that leads on; false when there is none any more.
func (l *learner) next() (Action, bool) {
	if l.done || l.fault != nil {
		return "", false
	}
	if l.joins() {
		return Join, true
	}
	o := l.wanted()
	switch o.Code {
	case needle.K, needle.P:
		return l.stitch(o), true
	case needle.Ktbl, needle.Ptbl:
		return l.yarnThen(Twist, o.Code.IsPurl()), true
	case needle.Kfb:
		return l.yarnThen(Increase, false), true
	case needle.K2tog, needle.SSK, needle.P2tog, needle.SSP, needle.K3tog, needle.SSSK, needle.P3tog, needle.SSSP, needle.Kds, needle.Pds:
		return l.yarnThen(Together, o.Code.IsPurl()), true
	case needle.KW, needle.PW, needle.KPin, needle.PPin, needle.KLift, needle.PLift:
		if !l.lifted {
			return Lift, true
		}
		return l.stitch(o), true
	case needle.M1, needle.M1L, needle.M1R, needle.M1P:
		return Lift, true
	case needle.Sl:
		return l.yarnThen(Slip, l.m.Side() == needle.WS), true
	case needle.PU, needle.PC:
		return l.yarnThen(Pick, false), true
	case needle.BO:
		return l.binds(), true
	case needle.CO:
		if l.fetched == nil {
			return Wind, true
		}
		return l.fetches(), true
	case needle.COChain:
		return Pick, true
	case needle.Unzip:
		return Unzip, true
	}
	return l.turns(o)
}

// turns is the move that leads on in an operation of a turn; false for any other.
func (l *learner) turns(o needle.Op) (Action, bool) {
	switch o.Code {
	case needle.DS:
		if l.slipped {
			return Over, true
		}
		return l.yarnThen(Slip, true), true
	case needle.SlPin:
		if l.slipped {
			return Pin, true
		}
		return Slip, true
	case needle.YO:
		return Over, true
	case needle.WT:
		if !l.wrapped {
			return Wrap, true
		}
		return Turn, true
	case needle.Turn:
		return Turn, true
	}
	return "", false
}

// stitch is a knit or a purl, after the yarn was brought to where it belongs.
func (l *learner) stitch(o needle.Op) Action {
	if o.Code.IsPurl() {
		return l.yarnThen(Purl, true)
	}
	return l.yarnThen(Knit, false)
}

// yarnThen is the move itself, or first what brings the yarn to the side from which it is made.
func (l *learner) yarnThen(then Action, front bool) Action {
	switch {
	case front && !l.front:
		return Front
	case !front && l.front:
		return Back
	}
	return then
}

// act makes one move. The error says what the needle does not allow; then nothing happened.
func (l *learner) act(move Action) error {
	want, leads := l.next()
	if l.done {
		return nil // what is done stays done: one key too many is nothing
	}
	if move == Upper || move == Lower {
		return l.fetch(move, want)
	}
	// Moving the yarn is never wrong by itself: what is worked with it may be.
	if move == Front || move == Back {
		l.front = move == Front
		return nil
	}
	if leads && move == want {
		switch {
		case l.wanted().Code == needle.BO:
			return l.bind(move)
		case move == Join:
			l.joined = true
			return nil
		case move == Wind || move == Unzip || l.wanted().Code == needle.COChain:
			return l.lay()
		}
		return l.lead(move)
	}
	text, err := l.stray(move, want)
	if err == nil && l.fault == nil {
		l.fault = &Fault{move, want, text}
	}
	return err
}

// lead makes the move that leads on.
func (l *learner) lead(move Action) error {
	o := l.wanted()
	switch move {
	case Slip:
		l.slipped = true
		if o.Code != needle.Sl {
			return nil // it becomes a double stitch or a pinned one with the next move
		}
	case Wrap:
		l.wrapped = true
		return nil
	case Lift:
		if !o.Code.IsIncrease() {
			l.lifted = true
			return nil
		}
	}
	code := o.Code
	if err := l.do(code); err != nil {
		return err
	}
	switch code {
	case needle.DS:
		l.front = false // it was pulled over the needle to the back
	case needle.YO, needle.WT:
		l.front = l.m.Side() == needle.WS
	case needle.Turn:
		l.front = !l.front
	}
	l.times++
	if l.times < o.N {
		return nil
	}
	l.times, l.op = 0, l.op+1
	if l.op < len(l.c.plan.Rows[l.row].Ops) {
		return nil
	}
	return l.endRow()
}

// do works one operation on the machine and notes it.
func (l *learner) do(code needle.Code) error {
	if l.laid > 0 {
		return refused("Loops are half laid: lay them all first.")
	}
	if err := l.m.Do(needle.Op{Code: code, N: 1}); err != nil {
		return err
	}
	l.slipped, l.lifted, l.wrapped = false, false, false
	if n := len(l.now); n > 0 && l.now[n-1].Code == code {
		l.now[n-1].N++
		return nil
	}
	l.now = append(l.now, needle.Op{Code: code, N: 1})
	return nil
}

// endRow puts the row at hand with those that are worked, and begins the next.
func (l *learner) endRow() error {
	l.worked = append(l.worked, l.atHand())
	l.now, l.op, l.times = nil, 0, 0
	if l.row++; l.row > l.c.last {
		l.done = true
		return nil
	}
	return l.beginRow()
}

// atHand is the row that is worked, as far as it is.
func (l *learner) atHand() needle.Row {
	meta := l.c.plan.Rows[min(l.row, len(l.c.plan.Rows)-1)]
	side := l.m.Side()
	if n := len(l.now); n > 0 && (l.now[n-1].Code == needle.Turn || l.now[n-1].Code == needle.WT) {
		side = map[needle.Side]needle.Side{needle.RS: needle.WS, needle.WS: needle.RS}[side]
	}
	return needle.Row{ID: fmt.Sprintf("practice-%d", len(l.worked)+1), Section: meta.Section, N: len(l.worked) + 1, Kind: needle.FlatRow,
		Side: side, Ops: l.now, Stitches: l.m.Count(), Fabric: meta.Fabric, Colour: meta.Colour}
}

const notJoined = "The new strand was not laid round the one that waits: a hole stays beside the first stitch."

// stray makes a move that does not lead on, as the needle takes it, and says what came of it.
func (l *learner) stray(move, want Action) (string, error) {
	code := needle.NoOp
	extra := false
	switch move {
	case Knit, Purl:
		purls := move == Purl
		extra = l.front != purls
		code = map[bool]needle.Code{true: needle.P, false: needle.K}[purls]
	case Slip:
		code = needle.Sl
	case Over:
		code = needle.YO
	case Turn:
		code = needle.Turn
	case Together:
		code = map[bool]needle.Code{true: needle.P2tog, false: needle.K2tog}[l.front]
	case Lift:
		code = needle.M1
	case Twist:
		code = map[bool]needle.Code{true: needle.Ptbl, false: needle.Ktbl}[l.front]
	case Increase:
		code = needle.Kfb
	case Pick:
		if code = needle.PU; !l.done && l.wanted().Code == needle.PC {
			code = needle.PC
		}
	case Bind:
		code = needle.BO
	case Wrap:
		l.wrapped = true
		return "The yarn lies round the next stitch, which is not wrapped here. Take it back.", nil
	case Pin:
		return "", refused("A pin is hung round the yarn of a turn: slip the first stitch after it, then hang the pin.")
	case Join:
		return "", refused("No other yarn begins here.")
	case Wind, Unzip:
		return "", refused("Nothing is wound here, and nothing lies in waste yarn.")
	default:
		return "", fmt.Errorf("read %.20q; that is no move", move)
	}
	if want == Join {
		l.joined = true
		if next, leads := l.next(); leads && next == move {
			return notJoined, l.lead(move)
		}
	}
	if len(l.pending) > 0 {
		return l.strayBinding(move)
	}
	if extra {
		if l.do(needle.YO) != nil {
			return "", refused(l.refusal(move, want))
		}
	}
	if l.slipped && code != needle.YO {
		// A slip that waited for its second half stays a slip.
		if l.do(needle.Sl) != nil {
			return "", refused(l.refusal(move, want))
		}
	}
	if text, is := l.worksWrong(code); is {
		return text, nil
	}
	if l.do(code) != nil {
		return "", refused(l.refusal(move, want))
	}
	if code == needle.Turn {
		l.front = !l.front
		l.worked = append(l.worked, l.atHand())
		l.now = nil
		l.fault = &Fault{move, want, slipText(move, want, false)}
		return "", l.beginRow()
	}
	return slipText(move, want, extra), nil
}
