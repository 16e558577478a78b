package knit

import (
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

// pattern is the stitch pattern of this name, of the design's own or of the book.
func (s *Sock) pattern(name string) *pattern.Pattern { return pattern.Find(name, s.Design.Patterns) }

func (s *Sock) legPattern() *pattern.Pattern    { return s.pattern(s.Design.Leg.Pattern) }
func (s *Sock) instepPattern() *pattern.Pattern { return s.pattern(s.Design.Leg.InstepPattern) }
func (s *Sock) cuffPattern() *pattern.Pattern   { return s.pattern(s.Design.Cuff.Pattern) }

// PatternRounds are the rounds of one repeat of the leg's pattern.
func (s *Sock) PatternRounds() int { return len(s.legPattern().Rounds) }

// patternRound works round i of a pattern over all stitches, needle by needle.
func (h *hands) patternRound(p *pattern.Pattern, i int) {
	h.begin(needle.Round)
	h.patternOver(p, i, h.machine.Count(), h.instep)
	h.end()
}

// crossLace works the instep in its lace or cables where a row is about to cross all of it, or all but the stitch at
// an edge that has gone together with one of the corner; it gives how many stitches that were. What cannot be crossed so, with a wrap
// to lift or under a heel that laps over, is knitted, and the pattern waits a round.
func (h *hands) crossLace(n int) int {
	if h.machine.Side() != needle.RS || h.section == needle.Heel && (h.reachLeft > 0 || h.reachRight > 0) || h.section == needle.Cuff {
		return 0
	}
	lead, body := 0, h.instep
	for _, c := range h.corners {
		switch {
		case c.at == 0:
			lead = c.n
			body -= c.n
		case c.at+c.n == h.instep:
			body -= c.n
		case c.at < h.instep:
			return 0
		}
	}
	at := h.machine.Cursor()
	extra := max(0, lead-at) // corner stitches before the first of the pattern
	from := max(0, at-lead)
	to := min(body, from+n-extra)
	over := body % h.lace.Repeat
	if from > over/2 || body-to > over-over/2 || h.machine.OrdinaryAhead(extra+to-from) < extra+to-from {
		return 0
	}
	h.do(needle.K, extra)
	h.do(needle.K, over/2-from)
	h.patternOver(h.lace, h.instepRow, body-over, -1)
	h.do(needle.K, to-(body-(over-over/2)))
	h.instepRow++
	return extra + to - from
}

// patternCentred works round i of a pattern over n stitches of one needle,
// with what the repeat leaves over knitted half at each edge.
func (h *hands) patternCentred(p *pattern.Pattern, i, n int) {
	over := n % p.Repeat
	h.do(needle.K, over/2)
	h.patternOver(p, i, n-over, -1)
	h.do(needle.K, over-over/2)
}

// patternOver works whole repeats over n stitches and knits what is left over;
// the operations are kept apart where the needle changes.
func (h *hands) patternOver(p *pattern.Pattern, i, n, needleChanges int) {
	ops := p.Rounds[i%len(p.Rounds)]
	if p.Repeat == 1 && needleChanges > 0 && needleChanges < n {
		h.do(ops[0].Code, needleChanges)
		h.nextNeedle()
		n, needleChanges = n-needleChanges, -1
	}
	if p.Repeat == 1 {
		h.do(ops[0].Code, n)
		return
	}
	worked := 0
	for worked+p.Repeat <= n && h.err == nil {
		for _, o := range ops {
			for range o.N {
				if worked == needleChanges {
					h.nextNeedle()
				}
				h.do(o.Code, 1)
				worked += o.Code.Takes()
			}
		}
	}
	h.do(needle.K, n-worked)
}
