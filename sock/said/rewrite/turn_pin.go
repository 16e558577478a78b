package rewrite

import "acornstep/sock/rows/needle"

var pins = way{
	turn:   "pinned",
	begins: map[Place]needle.Code{Out: needle.SlPin, Back: needle.Sl}, more: map[Place]int{Out: -1, Back: -1},
	takes: [2]needle.Code{needle.KPin, needle.PPin}, times: 1, move: "pin",
	out:  "the row turns where the wrap would be; the first stitch back is slipped, and the pin keeps the yarn that would have been the wrap",
	back: "the pinned loop is worked with the stitch beyond the gap; the first stitch is slipped, without a pin",
}
