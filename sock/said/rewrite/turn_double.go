package rewrite

import "acornstep/sock/rows/needle"

var doubles = way{
	turn:   "german",
	begins: map[Place]needle.Code{Out: needle.DS, FirstBack: needle.DS, OtherBack: needle.DS, Back: needle.DS},
	more:   map[Place]int{First: 1, Out: 1, OtherBack: -1, Back: -2},
	takes:  [2]needle.Code{needle.Kds, needle.Pds}, times: 2, move: "double",
	out:  "the double stitch is the very one that would be wrapped: the row goes one stitch further, works it, turns, and pulls it up",
	back: "the stitch that was taken back becomes the double stitch; the next row meets it, and one more",
}
