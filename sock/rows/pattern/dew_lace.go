package pattern

import "acornstep/sock/rows/needle"

// dewLace sets single eyelets alternately left and right.
var dewLace = &Pattern{
	Name: "dew_lace", Label: "dew lace", Repeat: 6, Width: 1.1,
	Rounds: []needle.Ops{{op(needle.K, 1), op(needle.YO, 1), op(needle.SSK, 1), op(needle.K, 3)}, {op(needle.K, 6)},
		{op(needle.K, 4), op(needle.K2tog, 1), op(needle.YO, 1)}, {op(needle.K, 6)}},
	Shoe: "Holes let the shoe rub: better for a house sock.",
}
