package fingers

import (
	"slices"
	"strings"

	"acornstep/sock/rows/needle"
)

// landmarks are what a row can be worked up to, the surest first, and how each lies on the needles: with so many loops
// taken since the yarn, the next one is at that place. A pin is none: it hangs under the slipped stitch, on the near side of its gap.
var landmarks = []struct {
	name string
	here func(w way, at int) bool
}{
	{"the double stitch", func(w way, at int) bool { return w.kind(at) == needle.Double }},
	{"the yarn-over", func(w way, at int) bool { return w.kind(at) == needle.YarnOver }},
	{"the pair", func(w way, at int) bool { return w.kind(at) != needle.YarnOver && w.kind(at+1) == needle.YarnOver }},
	{"the wrapped stitch", func(w way, at int) bool { return w.wraps(at) > 0 }},
	{"the marker", func(w way, at int) bool { return slices.Contains(w.markers, at) }},
	{"the gap", func(w way, at int) bool { return w.open(at - 1) }},
}

// before is what stands before the name of a landmark that is one stitch further.
const before = "one before "

// behind are places, which lie behind the yarn where it is at one of them.
var behind = map[string]bool{"the marker": true, "the gap": true}

// Landmark names what is met after n stitches, of which so many ahead of them were
// taken already: the place up to which they are worked. It is empty where nothing is met, or where something of the same
// name comes sooner. Markers hang before the loops that are so many ahead of the yarn.
func Landmark(s needle.Snapshot, rs bool, taken, n int, markers ...int) string {
	w := way{s, rs, markers}
	for _, further := range []int{0, 1} {
		for _, l := range landmarks {
			at := taken + n + further
			if !l.here(w, at) {
				continue
			}
			sooner := false
			for earlier := taken; earlier < at; earlier++ {
				sooner = sooner || l.here(w, earlier) && !(earlier == taken && behind[l.name])
			}
			if !sooner {
				return strings.Repeat(before, further) + l.name
			}
		}
	}
	return ""
}

// Wrapped says whether the stitch carries a wrap that lies so many loops ahead of the yarn.
func Wrapped(s needle.Snapshot, rs bool, ahead int) bool { return way{s, rs, nil}.wraps(ahead) > 0 }
