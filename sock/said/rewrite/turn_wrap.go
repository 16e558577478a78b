package rewrite

import "acornstep/sock/rows/needle"

var wraps = way{
	turn:  "wrap",
	takes: [2]needle.Code{needle.KW, needle.PW}, times: 1, wraps: true, move: "wrap",
	out:  "the stitch beyond the last one is wrapped and not worked",
	back: "the wrapped stitch is worked with both its wraps, and the next one is wrapped",
}
