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
func (w *worker) patternRound(p *pattern.Pattern, i int) {
	w.begin(needle.Round)
	w.patternOver(p, i, w.machine.Count(), w.instep)
	w.end()
}

// crossLace works the instep in its lace or cables where a row is about to cross all of it, or all but the stitch at
// an edge that has gone together with one of the corner; it gives how many stitches that were. What cannot be crossed so, with a wrap
// to lift or under a heel that laps over, is knitted, and the pattern waits a round.
func (w *worker) crossLace(n int) int {
	if w.machine.Side() != needle.RS || w.section == needle.Heel && (w.reachLeft > 0 || w.reachRight > 0) || w.section == needle.Cuff {
		return 0
	}
	lead, body := 0, w.instep
	for _, c := range w.corners {
		switch {
		case c.at == 0:
			lead = c.n
			body -= c.n
		case c.at+c.n == w.instep:
			body -= c.n
		case c.at < w.instep:
			return 0
		}
	}
	at := w.machine.Cursor()
	extra := max(0, lead-at) // corner stitches before the first of the pattern
	from := max(0, at-lead)
	to := min(body, from+n-extra)
	over := body % w.lace.Repeat
	if from > over/2 || body-to > over-over/2 || w.machine.OrdinaryAhead(extra+to-from) < extra+to-from {
		return 0
	}
	w.do(needle.K, extra)
	w.do(needle.K, over/2-from)
	w.patternOver(w.lace, w.instepRow, body-over, -1)
	w.do(needle.K, to-(body-(over-over/2)))
	w.instepRow++
	return extra + to - from
}

// patternCentred works round i of a pattern over n stitches of one needle,
// with what the repeat leaves over knitted half at each edge.
func (w *worker) patternCentred(p *pattern.Pattern, i, n int) {
	over := n % p.Repeat
	w.do(needle.K, over/2)
	w.patternOver(p, i, n-over, -1)
	w.do(needle.K, over-over/2)
}

// patternOver works whole repeats over n stitches and knits what is left over;
// the operations are kept apart where the needle changes.
func (w *worker) patternOver(p *pattern.Pattern, i, n, needleChanges int) {
	ops := p.Rounds[i%len(p.Rounds)]
	if p.Repeat == 1 && needleChanges > 0 && needleChanges < n {
		w.do(ops[0].Code, needleChanges)
		w.nextNeedle()
		n, needleChanges = n-needleChanges, -1
	}
	if p.Repeat == 1 {
		w.do(ops[0].Code, n)
		return
	}
	worked := 0
	for worked+p.Repeat <= n && w.err == nil {
		for _, o := range ops {
			for range o.N {
				if worked == needleChanges {
					w.nextNeedle()
				}
				w.do(o.Code, 1)
				worked += o.Code.Takes()
			}
		}
	}
	w.do(needle.K, n-worked)
}
