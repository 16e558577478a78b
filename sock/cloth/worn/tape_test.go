package worn

import "math"

// rest is the length at rest of a way through the cloth.
func (f *frame) rest(way vec) float64 {
	rr, ra, aa := dot(f.right, f.right), dot(f.right, f.above), dot(f.above, f.above)
	r, a := dot(f.right, way), dot(f.above, way)
	det := rr*aa - ra*ra
	if det < 1e-9 {
		return long(way)
	}
	return math.Hypot((r*aa-a*ra)/det, (a*rr-r*ra)/det)
}

// tape lies round the sock on the foot: what the cloth is measured with, to hold it against the formulas.
type tape struct {
	// worn and rest are the length of the cloth under it, on the foot and as it was knitted, in mm.
	worn, rest float64
}

// stretch is how far the cloth under the tape is stretched, as a share.
func (t tape) stretch() float64 { return t.worn/t.rest - 1 }

// creased is how much longer than the way over it cloth counts: what lies crushed in a crease gives no room.
const creased = 1.2

// farthest is longer than any facet, in mm: a cut that is longer goes through two parts of the foot.
const farthest = 30

// measured lies round the foot at a length along it, over the cloth.
func (w *Worn) measured(at float64) tape {
	page := make([]float64, len(w.Places))
	for i, p := range w.Places {
		page[i] = w.Foot.Page(p) - at
	}
	var t tape
	for _, f := range w.Cloth.Facets {
		var cut []vec
		for k := range 3 {
			a, b := f[k], f[(k+1)%3]
			if (page[a] < 0) != (page[b] < 0) {
				share := page[a] / (page[a] - page[b])
				cut = append(cut, add(times(w.Places[a], 1-share), times(w.Places[b], share)))
			}
		}
		if len(cut) != 2 {
			continue
		}
		way := sub(cut[1], cut[0])
		if far := long(way); far < farthest {
			t.worn += far
			for _, k := range f {
				t.rest += math.Min(w.frames[k].rest(way), creased*far) / 3
			}
		}
	}
	return t
}

// at measures at a place that the fit names, as wide as a tape is.
func (w *Worn) at(place string) (tape, bool) {
	at, ok := w.Foot.Station(place)
	if !ok {
		return tape{}, false
	}
	const wide, lines = 10., 9 // mm, a finger's breadth: a single line runs now beside a turn and now through it
	var t tape
	for i := range lines {
		line := w.measured(at + wide*(float64(i)/(lines-1)-0.5))
		t.worn, t.rest = t.worn+line.worn/lines, t.rest+line.rest/lines
	}
	return t, true
}
