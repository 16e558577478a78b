package pattern

import "acornstep/sock/rows/needle"

// seedStitch sets knits over purls: it spreads a little.
var seedStitch = &Pattern{
	Name: "seed_stitch", Label: "seed stitch", Repeat: 2, Width: 1.05,
	Rounds: []needle.Ops{{op(needle.K, 1), op(needle.P, 1)}, {op(needle.P, 1), op(needle.K, 1)}},
	Shoe:   "Its bumps can press inside a narrow shoe.",
}
