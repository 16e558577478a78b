package practice

import "acornstep/sock/rows/needle"

// Binding off: stitches are worked, lie ready on the right needle, and go two together.

// binds is the move that leads on while two are worked together: the next stitch in pattern, both together, and at the very end the end of the
// yarn through the last one.
func (l *learner) binds() Action {
	switch {
	case len(l.pending) > 1:
		return l.yarnThen(Together, false)
	case len(l.pending) == l.m.Count():
		return Bind
	case l.purlNext():
		return l.yarnThen(Purl, true)
	}
	return l.yarnThen(Knit, false)
}

// purlNext says whether the next stitch to be bound off is a purl in its pattern.
func (l *learner) purlNext() bool {
	now := l.m.Snapshot()
	i := now.Cursor + len(l.pending)
	if i >= len(now.Loops) {
		return false
	}
	return l.loop(now.Loops[i], false, 0).Purl
}

// bind makes one move of binding off.
func (l *learner) bind(move Action) error {
	switch move {
	case Knit, Purl:
		l.pending = append(l.pending, map[bool]needle.Code{true: needle.P, false: needle.K}[move == Purl])
		return nil
	case Together:
		l.pending = l.pending[:1]
	case Bind:
		l.pending = nil
	}
	return l.lead(Bind)
}

// strayBinding makes a move that does not lead on while stitches lie ready to be bound off.
func (l *learner) strayBinding(move Action) (string, error) {
	if move != Knit && move != Purl || len(l.pending) >= l.m.Count() {
		return "", refused("Stitches lie ready on the needle: they are bound off first.")
	}
	l.pending = append(l.pending, map[bool]needle.Code{true: needle.P, false: needle.K}[move == Purl])
	if len(l.pending) > 2 {
		return "That one was not bound off: two lay ready on the needle, and go together first.", nil
	}
	return slipText(move, map[Action]Action{Knit: Purl, Purl: Knit}[move], false), nil
}
