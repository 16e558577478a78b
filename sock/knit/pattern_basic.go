package knit

import "acornstep/sock/needle"

var stockinette = &Pattern{
	Name: "stockinette", Repeat: 1,
	Rounds: [][]needle.Op{{op(needle.K, 1)}},
}

var rib1x1 = &Pattern{
	Name: "rib_1x1", Repeat: 2, Cuff: true,
	Rounds: [][]needle.Op{{op(needle.K, 1), op(needle.P, 1)}},
}
