package pattern

import "acornstep/sock/rows/needle"

// basketRib changes places of short rib columns.
var basketRib = &Pattern{
	Name: "basket_rib", Label: "basket rib", Repeat: 6, Width: 0.95,
	Rounds: []needle.Ops{{op(needle.K, 3), op(needle.P, 3)}, {op(needle.K, 3), op(needle.P, 3)}, {op(needle.K, 6)},
		{op(needle.P, 3), op(needle.K, 3)}, {op(needle.P, 3), op(needle.K, 3)}, {op(needle.K, 6)}},
	Shoe: "",
}
