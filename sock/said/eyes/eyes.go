// Package eyes sees what lies ahead on the needles, as somebody does who was told only what to look for: it is how
// a reader of words finds "the double stitch", and knows nothing of how the words were chosen.
package eyes

import (
	"slices"
	"strings"

	"acornstep/sock/rows/needle"
)

// Sight is what comes in the direction of work, the nearest first.
type Sight []Thing

// Thing is one loop that is met, with what lies just before it.
type Thing struct {
	Loop needle.LoopView
	// Step: a turn left the place before the loop open, so that it stands higher or lower than the one before it.
	Step bool
	// Marker: a marker hangs before it.
	Marker bool
}

// Ahead looks along the needles from where the yarn is; on a line only to its end. Markers hang before the loops that
// are so many ahead.
func Ahead(s needle.Snapshot, rs bool, markers ...int) Sight {
	all := len(s.Loops)
	sight := make(Sight, 0, all)
	for i := range all {
		at := s.Cursor + i
		if !rs {
			at = s.Cursor - 1 - i
		}
		if s.Open && (at < 0 || at >= all) {
			break
		}
		at = (at + all) % all
		below := at // whose place up the ring is the one that is stepped over
		if rs {
			below = (at - 1 + all) % all
		}
		sight = append(sight, Thing{s.Loops[at], s.Loops[below].Open && !(s.Open && rs && at == 0), slices.Contains(markers, i)})
	}
	return sight
}

// onePast begins what is said of the stitch before something.
const onePast = "one before "

// To counts the loops that are worked, after so many were taken, before something is reached that can be seen; false when it
// does not come, or lies there already.
func (v Sight) To(what string, taken int) (int, bool) {
	what, short := strings.CutPrefix(what, onePast)
	is := seen[what]
	if is == nil {
		return 0, false
	}
	for at := taken; at < len(v); at++ {
		if !is(v, at) || at == taken && (what == "the gap" || what == "the marker") { // the place where the yarn is lies behind
			continue
		}
		n := at - taken
		if short {
			n--
		}
		return n, n > 0
	}
	return 0, false
}

// seen says how each thing looks to whoever is about to work the loop at a place.
var seen = map[string]func(v Sight, at int) bool{
	"the double stitch":  func(v Sight, at int) bool { return v[at].Loop.Kind == needle.Double },
	"the wrapped stitch": func(v Sight, at int) bool { return v[at].Loop.Wraps > 0 },
	"the yarn-over":      func(v Sight, at int) bool { return v[at].Loop.Kind == needle.YarnOver },
	"the pair": func(v Sight, at int) bool {
		return v[at].Loop.Kind != needle.YarnOver && at+1 < len(v) && v[at+1].Loop.Kind == needle.YarnOver
	},
	"the marker": func(v Sight, at int) bool { return v[at].Marker },
	"the gap":    func(v Sight, at int) bool { return v[at].Step },
}
