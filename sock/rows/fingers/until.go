package fingers

import "acornstep/sock/rows/needle"

// Until says what to look for where a short row turns, so that nobody has to
// count: the double stitch, the wrapped one, the pin, the pair, the gap. It is empty for other rows, and for the
// first turns, which have nothing to meet yet. The needles are those before the row.
func Until(row *needle.Row, before needle.Snapshot) string {
	if row.Section != needle.Heel && row.Section != needle.Toe || len(row.Ops) < 2 || row.Kind == needle.Round {
		return ""
	}
	last := row.Ops[len(row.Ops)-1].Code
	if last != needle.Turn && last != needle.WT {
		return ""
	}
	w := way{before, row.Side == needle.RS}
	taken := 0
	for _, o := range row.Ops {
		taken += o.Code.Takes() * o.N
	}
	at := w.loop(taken) // the first loop that is not worked
	switch beforeTurn := row.Ops[len(row.Ops)-2]; {
	case w.kind(taken) == needle.Double:
		return "to the double stitch"
	case w.kind(taken-2) == needle.Double && beforeTurn.N == 1 && beforeTurn.Code.Takes() == 1:
		return "to the double stitch, and one past it"
	case beforeTurn.Code == needle.KW || beforeTurn.Code == needle.PW:
		return "to the wrapped stitch, and that one with its wrap"
	case beforeTurn.Code == needle.KPin || beforeTurn.Code == needle.PPin:
		return "to the pin, and the stitch beyond with the pinned loop"
	case beforeTurn.Code.IsDecrease() && w.kind(taken-beforeTurn.Code.Takes()) == needle.YarnOver:
		return "to the pair, and the yarn-over with the stitch beyond"
	case beforeTurn.Code.Takes() == 0 && beforeTurn.Code.Makes() > 0:
		return "to the gap: the last stitch before it with the one beyond, and one lifted in it"
	case at < 0:
		return ""
	case w.wraps(taken+1) > 0:
		return "to one before the wrapped stitch"
	case w.pinned(taken):
		return "to one before the pin"
	case w.kind(taken+1) == needle.YarnOver:
		return "to one before the pair"
	case w.open(taken):
		return "to one before the gap"
	}
	return ""
}

// way looks at the loops that come in the direction of work.
type way struct {
	needle.Snapshot
	rs bool
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

func (w way) pinned(ahead int) bool {
	i := w.beyond(ahead)
	return i >= 0 && w.Loops[i].Pins > 0
}

func (w way) open(ahead int) bool {
	i := w.beyond(ahead)
	return i >= 0 && w.Loops[i].Open
}
