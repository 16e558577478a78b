package rewrite

import "acornstep/sock/rows/needle"

var lifts = way{
	turn:   "lift",
	begins: map[Place]needle.Code{Out: needle.Sl, FirstBack: needle.Sl, OtherBack: needle.Sl, Back: needle.Sl},
	more:   map[Place]int{Out: -1, FirstBack: -2, OtherBack: -2, Back: -2},
	takes:  [2]needle.Code{needle.K2tog, needle.P2tog}, times: 1, then: [2]needle.Code{needle.M1, needle.M1P}, move: "lift",
	out:  "the row turns where the wrap would be, and the first stitch back is slipped",
	back: "the last stitch goes with its neighbour beyond the gap, and the strand in the gap is picked up in its place",
}
