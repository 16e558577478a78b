package pattern

import "acornstep/sock/rows/needle"

// garterRib has columns of garter stitch between columns of knit.
var garterRib = &Pattern{
	Name: "garter_rib", Label: "garter rib", Repeat: 4, Width: 0.95,
	Rounds: []needle.Ops{{op(needle.K, 4)}, {op(needle.K, 2), op(needle.P, 2)}},
	Shoe:   "",
}
