package fingers

import (
	"strings"

	"acornstep/sock/rows/needle"
)

// landmarks are what a row can be worked up to, the surest first, and how each is seen: with so many loops
// taken since the yarn, the next one lies at that place.
var landmarks = []struct {
	name string
	here func(w way, at int) bool
}{
	{"the double stitch", func(w way, at int) bool { return w.kind(at) == needle.Double }},
	{"the yarn-over", func(w way, at int) bool { return w.kind(at) == needle.YarnOver }},
	{"the wrapped stitch", func(w way, at int) bool { return w.wraps(at) > 0 }},
	{"the pin", func(w way, at int) bool { return w.pinned(at - 1) }},
	{"the gap", func(w way, at int) bool { return w.open(at - 1) }},
}

// before is what stands before the name of a landmark that is one stitch further.
const before = "one before "

// Landmark names what is met after n stitches, of which so many ahead of them were
// taken already: the place up to which they are worked. It is empty where nothing is met, or where something of the same
// name comes sooner.
func Landmark(s needle.Snapshot, rs bool, taken, n int) string {
	w := way{s, rs}
	for _, further := range []int{0, 1} {
		for _, l := range landmarks {
			if !l.here(w, taken+n+further) {
				continue
			}
			name := strings.Repeat(before, further) + l.name
			if found, ok := Find(s, rs, taken, name); ok && found == n {
				return name
			}
		}
	}
	return ""
}

// Find counts the stitches up to a landmark; false when there is none of that name.
func Find(s needle.Snapshot, rs bool, taken int, name string) (n int, ok bool) {
	w := way{s, rs}
	plain, further := strings.CutPrefix(name, before)
	for _, l := range landmarks {
		if l.name != plain {
			continue
		}
		for n := 1; n+taken <= len(s.Loops); n++ {
			at := taken + n
			if further {
				at++
			}
			if l.here(w, at) {
				return n, true
			}
		}
	}
	return 0, false
}
