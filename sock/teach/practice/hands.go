package practice

import (
	"fmt"

	"acornstep/sock/rows/needle"
)

// Move is one thing that hands do.
type Move string

// The moves. One hand is enough: each is a key or a touch.
const (
	Knit     Move = "knit"
	Purl     Move = "purl"
	Slip     Move = "slip"
	Front    Move = "front"
	Back     Move = "back"
	Over     Move = "over"
	Turn     Move = "turn"
	Together Move = "together"
	Lift     Move = "lift"
	Wrap     Move = "wrap"
	Pin      Move = "pin"
	Twist    Move = "twist"
	Increase Move = "increase"
	Pick     Move = "pick"
	Bind     Move = "bind"
	// Upper and Lower are the needles that fetch a strand while casting on.
	Upper Move = "upper"
	Lower Move = "lower"
)

// Moves are all of them.
var Moves = []Move{Knit, Purl, Slip, Front, Back, Over, Turn, Together, Lift, Wrap, Pin, Twist, Increase, Pick, Bind, Upper, Lower}

// Fault is a move that was not the one to make, and what came of it.
type Fault struct {
	// Did and Wanted are the moves.
	Did    Move   `json:"did"`
	Wanted Move   `json:"wanted"`
	Text   string `json:"text"`
}

// hands work the rows of a course on a machine.
type hands struct {
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
	fetched []Move
	fault   *Fault
	done    bool
}

func (c *course) begin() (*hands, error) {
	h := &hands{c: c, row: c.first}
	for i := range c.first {
		if err := h.m.Work(&c.plan.Rows[i]); err != nil {
			return nil, err
		}
	}
	h.front = h.m.Side() == needle.WS
	if c.first == 0 {
		h.fetched = []Move{Upper}
	}
	return h, h.beginRow()
}

func (h *hands) beginRow() error {
	meta := h.c.plan.Rows[h.row]
	meta.Side = h.m.Side()
	if h.fault != nil {
		meta.Kind = needle.FlatRow
	}
	return h.m.Begin(&meta)
}

// wanted is the operation that the rows have next.
func (h *hands) wanted() needle.Op { return h.c.plan.Rows[h.row].Ops[h.op] }

// next is the move that leads on; false when there is none any more.
func (h *hands) next() (Move, bool) {
	if h.done || h.fault != nil {
		return "", false
	}
	o := h.wanted()
	yarn := func(then Move, purls bool) (Move, bool) {
		switch {
		case purls && !h.front:
			return Front, true
		case !purls && h.front:
			return Back, true
		}
		return then, true
	}
	switch o.Code {
	case needle.K, needle.P:
		return yarn(map[bool]Move{true: Purl, false: Knit}[o.Code.IsPurl()], o.Code.IsPurl())
	case needle.Ktbl, needle.Ptbl:
		return yarn(Twist, o.Code.IsPurl())
	case needle.Kfb:
		return yarn(Increase, false)
	case needle.K2tog, needle.SSK, needle.P2tog, needle.SSP, needle.K3tog, needle.SSSK, needle.P3tog, needle.SSSP, needle.Kds, needle.Pds:
		return yarn(Together, o.Code.IsPurl())
	case needle.KW, needle.PW, needle.KPin, needle.PPin, needle.KLift, needle.PLift:
		if !h.lifted {
			return Lift, true
		}
		return yarn(map[bool]Move{true: Purl, false: Knit}[o.Code.IsPurl()], o.Code.IsPurl())
	case needle.M1, needle.M1L, needle.M1R, needle.M1P:
		return Lift, true
	case needle.DS:
		if h.slipped {
			return Over, true
		}
		return yarn(Slip, true)
	case needle.SlPin:
		if h.slipped {
			return Pin, true
		}
		return Slip, true
	case needle.Sl:
		return yarn(Slip, h.m.Side() == needle.WS)
	case needle.YO:
		return Over, true
	case needle.WT:
		if h.wrapped {
			return Turn, true
		}
		return Wrap, true
	case needle.Turn:
		return Turn, true
	case needle.PU, needle.PC:
		return yarn(Pick, false)
	case needle.BO:
		return Bind, true
	case needle.CO:
		// Each needle fetches the strand of the other one: never the same twice.
		if h.fetched[len(h.fetched)-1] == Upper {
			return Lower, true
		}
		return Upper, true
	}
	return "", false
}

// act makes one move. The error says what the needle does not allow; then nothing happened.
func (h *hands) act(move Move) error {
	want, leads := h.next()
	if move == Upper || move == Lower {
		return h.fetch(move, want)
	}
	// Moving the yarn is never wrong by itself: what is worked with it may be.
	if move == Front || move == Back {
		h.front = move == Front
		return nil
	}
	if leads && move == want {
		return h.lead(move)
	}
	if h.done {
		return fmt.Errorf("the lesson is done: take a move back, or begin anew")
	}
	text, err := h.stray(move, want)
	if err == nil && h.fault == nil {
		h.fault = &Fault{move, want, text}
	}
	return err
}

// fetch makes one more loop of a cast-on.
func (h *hands) fetch(move, want Move) error {
	switch {
	case h.fetched == nil:
		return fmt.Errorf("nothing is cast on here: all loops are on the needles")
	case h.done || h.fault != nil:
		return fmt.Errorf("the lesson is done, or a loop lies wrong: take a move back")
	case move != want:
		h.fetched = append(h.fetched, move)
		h.fault = &Fault{move, want, "The same needle fetched twice: the strands do not cross between both loops, and the second one undoes itself."}
		return nil
	}
	h.fetched = append(h.fetched, move)
	if len(h.fetched) < h.wanted().N {
		return nil
	}
	if err := h.m.Do(h.wanted()); err != nil {
		return err
	}
	h.now = needle.Ops{h.wanted()}
	return h.endRow()
}

// lead makes the move that leads on.
func (h *hands) lead(move Move) error {
	o := h.wanted()
	switch move {
	case Slip:
		h.slipped = true
		if o.Code != needle.Sl {
			return nil // it becomes a double stitch or a pinned one with the next move
		}
	case Wrap:
		h.wrapped = true
		return nil
	case Lift:
		if !o.Code.IsIncrease() {
			h.lifted = true
			return nil
		}
	}
	code := o.Code
	if err := h.do(code); err != nil {
		return err
	}
	switch code {
	case needle.DS:
		h.front = false // it was pulled over the needle to the back
	case needle.YO, needle.WT:
		h.front = h.m.Side() == needle.WS
	case needle.Turn:
		h.front = !h.front
	}
	h.times++
	if h.times < o.N {
		return nil
	}
	h.times, h.op = 0, h.op+1
	if h.op < len(h.c.plan.Rows[h.row].Ops) {
		return nil
	}
	return h.endRow()
}

// do works one operation on the machine and notes it.
func (h *hands) do(code needle.Code) error {
	if err := h.m.Do(needle.Op{Code: code, N: 1}); err != nil {
		return err
	}
	h.slipped, h.lifted, h.wrapped = false, false, false
	if n := len(h.now); n > 0 && h.now[n-1].Code == code {
		h.now[n-1].N++
		return nil
	}
	h.now = append(h.now, needle.Op{Code: code, N: 1})
	return nil
}

// endRow puts the row at hand with those that are worked, and begins the next.
func (h *hands) endRow() error {
	h.worked = append(h.worked, h.atHand())
	h.now, h.op, h.times = nil, 0, 0
	if h.row++; h.row > h.c.last {
		h.done = true
		return nil
	}
	return h.beginRow()
}

// atHand is the row that is worked, as far as it is.
func (h *hands) atHand() needle.Row {
	meta := h.c.plan.Rows[min(h.row, len(h.c.plan.Rows)-1)]
	side := h.m.Side()
	if n := len(h.now); n > 0 && (h.now[n-1].Code == needle.Turn || h.now[n-1].Code == needle.WT) {
		side = map[needle.Side]needle.Side{needle.RS: needle.WS, needle.WS: needle.RS}[side]
	}
	return needle.Row{ID: fmt.Sprintf("practice-%d", len(h.worked)+1), Section: meta.Section, N: len(h.worked) + 1, Kind: needle.FlatRow,
		Side: side, Ops: h.now, Stitches: h.m.Count(), Fabric: meta.Fabric, Colour: meta.Colour}
}

// stray makes a move that does not lead on, as the needle takes it, and says what came of it.
func (h *hands) stray(move, want Move) (string, error) {
	code := needle.NoOp
	extra := false
	switch move {
	case Knit, Purl:
		purls := move == Purl
		extra = h.front != purls
		code = map[bool]needle.Code{true: needle.P, false: needle.K}[purls]
	case Slip:
		code = needle.Sl
	case Over:
		code = needle.YO
	case Turn:
		code = needle.Turn
	case Together:
		code = map[bool]needle.Code{true: needle.P2tog, false: needle.K2tog}[h.front]
	case Lift:
		code = needle.M1
	case Twist:
		code = map[bool]needle.Code{true: needle.Ptbl, false: needle.Ktbl}[h.front]
	case Increase:
		code = needle.Kfb
	case Pick:
		if code = needle.PU; !h.done && h.wanted().Code == needle.PC {
			code = needle.PC
		}
	case Bind:
		code = needle.BO
	case Wrap:
		h.wrapped = true
		return "The yarn lies round the next stitch, which is not wrapped here. Take it back.", nil
	case Pin:
		return "", fmt.Errorf("a pin is hung round the yarn of a turn: slip the first stitch after it, then hang the pin")
	default:
		return "", fmt.Errorf("read %.20q; that is no move", move)
	}
	if extra {
		if err := h.do(needle.YO); err != nil {
			return "", err
		}
	}
	if h.slipped && code != needle.YO {
		// A slip that waited for its second half stays a slip.
		if err := h.do(needle.Sl); err != nil {
			return "", err
		}
	}
	if err := h.do(code); err != nil {
		return "", fmt.Errorf("%s", refusal(err.Error(), want))
	}
	if code == needle.Turn {
		h.front = !h.front
		h.worked = append(h.worked, h.atHand())
		h.now = nil
		h.fault = &Fault{move, want, slipText(move, want, false)}
		return "", h.beginRow()
	}
	return slipText(move, want, extra), nil
}

// refusal says what the needle does not allow, and why that is so.
func refusal(said string, want Move) string {
	switch want {
	case Together:
		return "Only one leg would be caught, and a strand would lie loose: put the needle through both. (" + said + ")"
	case Lift:
		return "What the turn left would stay in front: lift it on to the needle first. (" + said + ")"
	case Twist:
		return "This loop lies with its leading leg behind: it would twist shut. Work it through the back loop. (" + said + ")"
	}
	return "The needle does not take that here: " + said + "."
}

// slipText names a slip and what it looks like.
func slipText(did, want Move, extra bool) string {
	if extra {
		if did == Purl {
			return "The yarn was behind: it went over the needle to the front, and a loop too many lies there. Bring it to the front between the tips first."
		}
		return "The yarn was in front: it went over the needle to the back, and a loop too many lies there. Bring it to the back between the tips first."
	}
	switch want {
	case Over:
		if did == Knit || did == Purl {
			return "The yarn was not pulled over: the turn leaves a hole. After slipping, pull the yarn up and over the needle; in the yarn-over style lay it over right after turning."
		}
	case Pin:
		return "No pin hangs at this turn: its loop will be hard to find again. Hang the pin right after slipping."
	case Slip:
		return "The first stitch after a turn is slipped here. Worked, it leaves a hole at the turn."
	case Wrap:
		return "Turned without a wrap: a hole will show at the turn."
	case Turn:
		return "You went past the turn: one stitch too many is worked on this side."
	case Lift:
		return "What lies at the gap was left: it will show as a loose strand."
	case Together:
		return "Two belonged together here: the gap stays open, and the count is one too many."
	case Increase:
		return "No increase was made: the round will be a stitch short."
	case Pick:
		return "Nothing was picked up: the edge stays open here, and the count is short."
	case Bind:
		return "That one was not bound off: it stays on the needle."
	case Knit, Purl:
		switch did {
		case Turn:
			return "You turned too soon: the stitches up to the gap are still to be worked."
		case Knit, Purl:
			return "Knit and purl were taken for each other: a bump lies among the Vs, or a V among the bumps."
		case Together:
			return "Two were worked together: the count is one short."
		case Bind:
			return "A stitch was bound off that is still needed: the count is one short."
		case Increase, Lift, Over, Pick:
			return "A stitch was made that nobody asked for: the count is one too many."
		case Slip:
			return "A stitch was slipped that is worked here: a float lies behind it."
		}
	}
	return "That was not the move that comes here."
}
