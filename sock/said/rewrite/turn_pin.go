package rewrite

import "acornstep/sock/rows/needle"

var pins = way{
	turn:   "pinned",
	begins: map[Place]needle.Code{Out: needle.SlPin, FirstBack: needle.SlPin}, more: map[Place]int{Out: -1, FirstBack: -1},
	takes: [2]needle.Code{needle.KPin, needle.PPin}, times: 1, move: "pin",
	out:  "the row turns where the wrap would be; the first stitch back is slipped, and the pin keeps the yarn that would have been the wrap",
	back: "the pinned loop is worked with the stitch beyond the gap; at the turn nothing is slipped and nothing hung",
}
