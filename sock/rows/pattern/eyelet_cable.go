package pattern

import "acornstep/sock/rows/needle"

// eyeletCable winds like a small cable without a cable needle.
var eyeletCable = &Pattern{
	Name: "eyelet_cable", Label: "eyelet cable", Repeat: 5, Width: 0.9,
	Rounds: []needle.Ops{{op(needle.SSK, 1), op(needle.YO, 1), op(needle.K, 1), op(needle.P, 2)}, {op(needle.K, 3), op(needle.P, 2)},
		{op(needle.K, 1), op(needle.YO, 1), op(needle.K2tog, 1), op(needle.P, 2)}, {op(needle.K, 3), op(needle.P, 2)}},
	Shoe: "Its ridges can press on the instep inside a shoe.",
}
