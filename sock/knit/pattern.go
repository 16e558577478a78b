package knit

import (
	"acornstep/sock/needle"
)

// Pattern is a stitch pattern that repeats round the leg.
type Pattern struct {
	// Name is what the design calls it.
	Name string
	// Rounds are the operations of one repeat, a list for each round.
	Rounds [][]needle.Op
	// Repeat is the number of stitches of one repeat.
	Repeat int
	// Cuff says whether it holds well enough for a cuff.
	Cuff bool
}

var patterns = func() map[string]*Pattern {
	m := map[string]*Pattern{}
	for _, p := range []*Pattern{stockinette, rib1x1} {
		m[p.Name] = p
	}
	return m
}()

func op(code needle.Code, n int) needle.Op { return needle.Op{Code: code, N: n} }

// patternRound works round i of a pattern over all stitches, needle by needle.
func (h *hands) patternRound(p *Pattern, i int) {
	ops := p.Rounds[i%len(p.Rounds)]
	front, back := h.instep, h.sole()
	h.begin(needle.Round)
	for worked := 0; worked < front+back && h.err == nil; {
		for _, o := range ops {
			for range o.N {
				if worked == front {
					h.nextNeedle()
				}
				h.do(o.Code, 1)
				worked += o.Code.Takes()
			}
		}
	}
	h.end()
}
