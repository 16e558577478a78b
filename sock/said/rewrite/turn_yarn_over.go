package rewrite

import "acornstep/sock/rows/needle"

var overs = way{
	turn:   "yarn_over",
	begins: map[Place]needle.Code{Out: needle.YO, FirstBack: needle.YO, OtherBack: needle.YO, Back: needle.YO},
	takes:  [2]needle.Code{needle.K3tog, needle.SSSP}, times: 1, single: [2]needle.Code{needle.K2tog, needle.SSP}, move: "over",
	out:  "the row turns where the wrap would be, and the yarn goes over the needle instead of round a stitch",
	back: "two yarn-overs and their stitch are worked together, where two wraps would be",
}
