package knit

import "acornstep/sock/needle"

// Pattern is a stitch pattern that repeats round the leg.
type Pattern struct {
	// Name is what the design calls it, Label what people read.
	Name, Label string
	// Repeat is the number of stitches of one repeat.
	Repeat int
	// Rounds are the operations of one repeat, a list for each round.
	Rounds [][]needle.Op
	// Width is the girth it gives, compared with stockinette of as many stitches.
	Width float64
	// Shoe is what to know before wearing it in a shoe; empty for nothing.
	Shoe string
}

// Patterns lists the stitch patterns; the first is the default of the leg.
var Patterns = []*Pattern{
	stockinette, rib1x1, rib2x2, rib3x1, brokenRib, seedStitch, garterRib, dewLace, eyeletCable, basketRib,
}

var patterns = func() map[string]*Pattern {
	m := map[string]*Pattern{}
	for _, p := range Patterns {
		m[p.Name] = p
	}
	return m
}()

// cuffPattern says whether a pattern may end a sock: anything but stockinette, which rolls.
func cuffPattern(name string) bool { return patterns[name] != nil && patterns[name] != stockinette }

func op(code needle.Code, n int) needle.Op { return needle.Op{Code: code, N: n} }

// patternRound works round i of a pattern over all stitches, needle by needle.
func (h *hands) patternRound(p *Pattern, i int) {
	h.begin(needle.Round)
	h.patternOver(p, i, h.machine.Count(), h.instep)
	h.end()
}

// patternCentred works round i of a pattern over n stitches of one needle,
// with what the repeat leaves over knitted half at each edge.
func (h *hands) patternCentred(p *Pattern, i, n int) {
	over := n % p.Repeat
	h.do(needle.K, over/2)
	h.patternOver(p, i, n-over, -1)
	h.do(needle.K, over-over/2)
}

// patternOver works whole repeats over n stitches and knits what is left over;
// the operations are kept apart where the needle changes.
func (h *hands) patternOver(p *Pattern, i, n, needleChanges int) {
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
