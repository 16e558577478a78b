package fingers

import "acornstep/sock/rows/needle"

// way looks at the loops that come in the direction of work.
type way struct {
	needle.Snapshot
	rs bool
	// markers hang before the loops that are so many ahead.
	markers []int
}

// loop is the loop that is so many ahead of the yarn; -1 when there is none.
func (w way) loop(ahead int) int {
	n := len(w.Loops)
	if n == 0 || ahead < 0 || ahead >= n {
		return -1
	}
	at := w.Cursor + ahead
	if !w.rs {
		at = w.Cursor - 1 - ahead
	}
	if w.Open && (at < 0 || at >= n) {
		return -1
	}
	return (at%n + n) % n
}

func (w way) kind(ahead int) needle.Kind {
	if i := w.loop(ahead); i >= 0 {
		return w.Loops[i].Kind
	}
	return needle.Plain
}

func (w way) wraps(ahead int) uint8 {
	if i := w.loop(ahead); i >= 0 {
		return w.Loops[i].Wraps
	}
	return 0
}

// beyond is the loop that keeps what lies at the place beyond a loop: the lower of the two.
func (w way) beyond(ahead int) int {
	if w.rs {
		return w.loop(ahead)
	}
	return w.loop(ahead + 1)
}

func (w way) open(ahead int) bool {
	i := w.beyond(ahead)
	return i >= 0 && w.Loops[i].Open
}
