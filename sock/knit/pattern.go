package knit

import (
	"acornstep/sock/needle"
	"acornstep/sock/pattern"
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
