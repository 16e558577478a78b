package knit

import (
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
)

// ownYarn names the sock's own yarn among stripes; the contrast goes by its own name.
const ownYarn = "own"

// stripe takes up the yarn of the next round of foot and leg. Rounds in
// between that are of the heel or in the toe's colour count for nothing.
func (h *hands) stripe(s *Sock) {
	h.colour = ""
	stripes := s.Design.Yarn.Stripes
	if len(stripes) == 0 {
		return
	}
	now, into := stripeAt(stripes, h.striped)
	h.striped++
	if now.Colour != ownYarn {
		h.colour = now.Colour
	}
	if into == 1 && len(stripes) > 1 {
		h.joins = stepFree
	}
}

// stepFree is the second round of a stripe that follows another colour.
const stepFree = "For a stripe without a step: before the first stitch of this round lift the stitch below it on to the needle and knit both."

// stripeAt is the stripe of a round, counted from 0, and how far that is into it.
func stripeAt(stripes []design.Stripe, round int) (s design.Stripe, into int) {
	all := 0
	for _, s := range stripes {
		all += s.Rounds
	}
	for round %= all; round >= stripes[0].Rounds; stripes = stripes[1:] {
		round -= stripes[0].Rounds
	}
	return stripes[0], round
}

// yarnNote says what the hands do where the yarn of a row is another than that of the row before. Stripes carry their yarns along; only
// a heel in the other yarn has a strand that begins and ends.
func (h *hands) yarnNote(before, now *needle.Row) string {
	if before.Colour == now.Colour || before.Section == needle.CastOn {
		return ""
	}
	switch {
	case now.Section == needle.Heel && now.Colour == needle.Contrast:
		return h.strandBegins()
	case before.Section == needle.Heel && before.Colour == needle.Contrast:
		return h.strandEnds()
	case h.striped > 1:
		return "Take up the " + yarnName(now.Colour) + " yarn, laid once round the other before the first stitch."
	}
	return "Change to the " + yarnName(now.Colour) +
		" yarn: lay it once round the yarn so far before the first stitch, so that no hole stays, and weave its end along behind."
}

// strandBegins says how a strand of the heel's own begins with the present row, whatever its colour. Where it ends away from where it
// began, as on a flap, the sock's yarn cannot wait for it.
func (h *hands) strandBegins() string {
	h.strandFrom = len(h.rows)
	if h.endsAway {
		return strandAway
	}
	return newStrand
}

// strandEnds says how the sock's yarn goes on with the present row; where the strand began it says now how long it has to be, since
// that is known.
func (h *hands) strandEnds() string {
	var long measure.Length = 2 * strandEnd
	for i := h.strandFrom; i < len(h.rows); i++ {
		long += h.takes(&h.rows[i])
	}
	if h.err != nil {
		return ""
	}
	h.rows[h.strandFrom].Note += " The heel takes " + long.AboutYarn() + " of it."
	if h.endsAway {
		return yarnAnew
	}
	return oldStrand
}

// strandEnd is what is left hanging at either end of a strand, to be woven in.
const strandEnd measure.Length = 200

const (
	newStrand  = "Leave the sock's yarn hanging. Lay the heel's strand once round it before the first stitch, so that no hole stays, and weave its end along behind. The first stitch on the far side keeps the sock's yarn for a while: right so."
	strandAway = "Break the sock's yarn off: the heel ends away from here. Lay the heel's strand once round it before the first stitch, so that no hole stays, and weave both ends along behind."
	yarnAnew   = "Break the heel's strand off. Join the sock's yarn anew, laid once round the strand before the first stitch, and weave its end along behind."
	oldStrand  = "Break the heel's strand off. Take up the waiting yarn and lay it once round the strand before the first stitch."
)

func yarnName(colour string) string {
	if colour == "" {
		return "sock's own"
	}
	return colour
}
