package knit

import (
	"slices"
	"strings"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/note"
)

// ownYarn names the sock's own yarn among stripes; the contrast goes by its own name.
const ownYarn = "own"

// stripe takes up the yarn of the next round of foot and leg. Rounds in
// between that are of the heel or in the toe's colour count for nothing.
func (w *worker) stripe(s *Sock) {
	w.colour = ""
	stripes := s.Design.Yarn.Stripes
	if len(stripes) == 0 || s.went != nil && len(w.rows) < s.went.StripesFrom {
		return
	}
	now := stripeAt(stripes, w.striped)
	w.striped++
	if now.Colour != ownYarn {
		w.colour = now.Colour
	}
}

// hideSteps says of each second round of a stripe how its step is hidden, where the first stitch lies on the first round of the stripe
// and that on the stripe before: no heel lies between, and nothing was slipped there.
func (s *Sock) hideSteps(rows []needle.Row) {
	if len(s.Design.Yarn.Stripes) < 2 {
		return
	}
	for i := 2; i < len(rows); i++ {
		row, first, before := &rows[i], &rows[i-1], &rows[i-2]
		if row.Section != needle.Foot && row.Section != needle.Gusset && row.Section != needle.Leg ||
			first.Colour != row.Colour || before.Colour == row.Colour {
			continue
		}
		if goesRound(row) && goesRound(first) && before.Kind == needle.Round && before.Ops[0].Code != needle.Sl && before.Ops[0].Code != needle.Start {
			row.Note = strings.TrimSpace(row.Note + " " + note.Of(note.NoStep))
		}
	}
}

// goesRound says whether a row is worked round and round, its first stitch out of one that is there.
func goesRound(row *needle.Row) bool {
	first := row.Ops[0].Code
	return row.Kind == needle.Round && first != needle.Sl && first.Takes() > 0 && first.Makes() == 1
}

// stripeAt is the stripe of a round, counted from 0.
func stripeAt(stripes []design.Stripe, round int) design.Stripe {
	all := 0
	for _, s := range stripes {
		all += s.Rounds
	}
	for round %= all; round >= stripes[0].Rounds; stripes = stripes[1:] {
		round -= stripes[0].Rounds
	}
	return stripes[0]
}

// yarnNote says what the hands do where the yarn of a row is another than that of the row before. Stripes carry their yarns along; only
// a heel in the other yarn has a strand that begins and ends.
func (w *worker) yarnNote(before, now *needle.Row) string {
	if before.Colour == now.Colour || before.Section == needle.CastOn {
		return ""
	}
	switch {
	case now.Section == needle.Heel && now.Colour == needle.Contrast:
		return w.strandBegins()
	case before.Section == needle.Heel && before.Colour == needle.Contrast && w.strandFrom > 0: // else the toe's yarn went on through it
		return w.strandEnds()
	case w.striped > 1 && w.hangs(now.Colour):
		return note.Fact{Code: note.TakesUp, Yarn: now.Colour}.String()
	}
	return note.Fact{Code: note.ChangesTo, Yarn: now.Colour}.String()
}

// hangs says whether a yarn was worked before, so that it hangs there; else it is begun.
func (w *worker) hangs(colour string) bool {
	return slices.ContainsFunc(w.rows, func(r needle.Row) bool { return r.Colour == colour })
}

// strandBegins says how a strand of the heel's own begins with the present row, whatever its colour. Where it ends away from where it
// began, as on a flap, the sock's yarn cannot wait for it.
func (w *worker) strandBegins() string {
	w.strandFrom = len(w.rows)
	if w.endsAway {
		return note.Of(note.YarnBroken)
	}
	return note.Of(note.YarnWaits)
}

// strandEnds says how the sock's yarn goes on with the present row; where the strand began it says now how long it has to be, since
// that is known.
func (w *worker) strandEnds() string {
	var long measure.Length = 2 * strandEnd
	for i := w.strandFrom; i < len(w.rows); i++ {
		long += w.takes(&w.rows[i])
	}
	if w.err != nil {
		return ""
	}
	w.rows[w.strandFrom].Note += " " + note.Fact{Code: note.StrandTakes, Long: long}.String()
	if w.endsAway {
		return note.Of(note.YarnJoined)
	}
	return note.Of(note.YarnTaken)
}

// strandEnd is what is left hanging at either end of a strand, to be woven in.
const strandEnd measure.Length = 200
