package pattern

import "acornstep/sock/rows/needle"

// brokenRib alternates plain rounds with k1, p1 rounds: firm, and hardly draws in.
var brokenRib = &Pattern{
	Name: "broken_rib", Label: "broken rib", Repeat: 2, Width: 0.95,
	Rounds: []needle.Ops{{op(needle.K, 2)}, {op(needle.K, 1), op(needle.P, 1)}},
	Shoe:   "",
}
