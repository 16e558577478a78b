package practice

import (
	"acornstep/sock/cloth/fabric"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/hands"
	"acornstep/sock/said/words"
)

// So many loops on either side of the tips are shown.
const (
	showsLeft  = 6
	showsRight = 5
)

// held draws the needles as they are held: the loops next to both tips, the yarn, and what went wrong.
func (l *learner) held(view hands.View) hands.Picture {
	now := l.m.Snapshot()
	ws, all := now.Side == needle.WS, len(now.Loops)
	// at is the loop so many ahead of the tips, or behind them where it is negative; false past the end of a line, and all the way round.
	at := func(ahead int) (needle.LoopView, bool) {
		i := now.Cursor + ahead
		if ws {
			i = now.Cursor - 1 - ahead
		}
		if all == 0 || now.Open && (i < 0 || i >= all) || ahead >= all || -ahead > all {
			return needle.LoopView{}, false
		}
		return now.Loops[((i%all)+all)%all], true
	}
	// step says whether a gap lies between a loop and the one ahead of it.
	step := func(ahead int) bool {
		k := ahead
		if ws {
			k++ // it belongs to the loop below it
		}
		loop, is := at(k)
		return is && loop.Open
	}
	worked := len(l.pending)
	var left, right []hands.Held
	beyond := 0
	for k := worked; k < worked+showsLeft && k < all; k++ {
		loop, is := at(k)
		if !is || k-worked >= all-worked {
			break
		}
		if k > 0 && step(k-1) {
			beyond++
		}
		left = append(left, l.loop(loop, ws, beyond))
	}
	beyond = 0
	for k := worked - 1; k >= worked-showsRight && len(left)+len(right) < all; k-- {
		loop, is := at(k)
		if !is {
			break
		}
		if step(k) && k < worked-1 {
			beyond++
		}
		shown := l.loop(loop, ws, beyond)
		if k >= 0 { // worked, and to be bound off yet
			shown.Now, shown.Made = true, l.pending[k]
		}
		right = append(right, shown)
	}
	after := len(right) == 0 || !right[0].Now
	// A stitch that was slipped, and waits for its second half, lies on the right needle already.
	if l.slipped && len(left) > 0 {
		right, left = append([]hands.Held{left[0]}, right...), left[1:]
	}
	if l.wrapped && len(left) > 0 {
		right, left = append([]hands.Held{left[0]}, right...), left[1:]
	}
	return hands.OnNeedles(view, ws, left, right, hands.Yarned{Front: l.front, Round: l.wrapped, After: after, Lifted: l.lifted})
}

// loop is a loop as it lies.
func (l *learner) loop(loop needle.LoopView, ws bool, beyond int) hands.Held {
	h := hands.Held{Kind: loop.Kind, ID: int(loop.Made) + 1, Turned: loop.Turned, Wraps: int(loop.Wraps), Beyond: beyond, Pinned: loop.Pins > 0, Purl: ws}
	if loop.Made < 0 || int(loop.Made) >= len(l.history.Loops()) {
		return h
	}
	made := l.history.Loops()[loop.Made]
	h.Wrong = l.wrong[loop.Made]
	if made.Code.Takes() > 0 {
		h.Purl = (fabric.FaceOf(made.Code, l.sides[made.Row]) == fabric.Bump) != ws
	}
	if int(made.Row) == len(l.sides)-1 && !l.done {
		h.Now, h.Made = true, made.Code
	}
	return h
}

// Word is a part of a row, and how far it is done.
type Word struct {
	Text string `json:"text"`
	// Of says how often it is worked, Done how often it was.
	Of   int `json:"of"`
	Done int `json:"done"`
}

// words are those of the row at hand.
func (l *learner) words() []Word {
	row := &l.c.plan.Rows[min(l.row, l.c.last)]
	list := make([]Word, len(row.Ops))
	for i, o := range row.Ops {
		list[i] = Word{Text: words.Sentence{words.Do{Op: o}}.Words(row.Side, false), Of: o.N}
		switch {
		case l.done || i < l.op:
			list[i].Done = o.N
		case i == l.op:
			list[i].Done = l.times + l.laidOf(o)
		}
	}
	return list
}

// laidOf is how many loops of an operation that is laid loop by loop are there already.
func (l *learner) laidOf(o needle.Op) int {
	switch {
	case o.Code == needle.CO && l.fetched != nil:
		return len(l.fetched)
	case o.Code == needle.CO:
		return 2 * l.laid
	}
	return l.laid
}
