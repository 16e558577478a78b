package practice

import "acornstep/sock/rows/needle"

// Casting on: loops are fetched in turn, wound, drawn through a chain, or taken out of waste yarn, one by one.

// fetches is the needle that casts on next. Each fetches the strand of the other one: never the same twice.
func (l *learner) fetches() Action {
	if l.fetched[len(l.fetched)-1] == Upper {
		return Lower
	}
	return Upper
}

// fetch makes one more loop of a cast-on.
func (l *learner) fetch(move, want Action) error {
	switch {
	case l.fetched == nil:
		return refused("Nothing is cast on here: all loops are on the needles.")
	case l.fault != nil:
		return refused("A loop lies wrong: take a move back.")
	case move != want:
		l.fetched = append(l.fetched, move)
		l.fault = &Fault{move, want, "The same needle fetched twice: the strands do not cross between both loops, and the second one undoes itself."}
		return nil
	}
	l.fetched = append(l.fetched, move)
	if len(l.fetched) < l.wanted().N {
		return nil
	}
	if err := l.m.Do(l.wanted()); err != nil {
		return err
	}
	l.now = needle.Ops{l.wanted()}
	return l.endRow()
}

// lay makes one loop of a cast-on that is laid loop by loop, or takes one out of waste yarn; the needle has them when all are there.
func (l *learner) lay() error {
	o := l.wanted()
	l.laid++
	each := 1
	if o.Code == needle.CO { // one winding is a loop on each needle
		each = 2
	}
	if l.laid*each < o.N {
		return nil
	}
	l.laid = 0
	if err := l.m.Do(o); err != nil {
		return err
	}
	l.now = append(l.now, o)
	l.times, l.op = 0, l.op+1
	if l.op < len(l.c.plan.Rows[l.row].Ops) {
		return nil
	}
	return l.endRow()
}
