package position

import (
	"slices"

	"acornstep/sock/rows/needle"
)

// markers are the rings worth hanging before a row: where the round and the sole
// begin, and the ends of a heel's centre where a full round takes every other
// mark of the turns away.
func (t *turns) markers(row *needle.Row, s *State) []needle.Marker {
	if s.Sole == 0 || row.Section == needle.CastOn {
		return nil
	}
	list := []needle.Marker{{Loop: 0, Name: "round start"}, {Loop: s.Sole, Name: "sole"}}
	if row.Section != needle.Heel || !t.roundInHeel() {
		return list
	}
	v, w := t.view(s), *t.plan.Summary.HeelTurnsPerSide
	for _, end := range []int{v.lo + w, v.hi - w} {
		list = append(list, needle.Marker{Loop: (end + v.seam) % v.count, Name: "heel centre"})
	}
	return list
}

// roundInHeel says whether a full round lies between the halves of a short-row heel.
func (t *turns) roundInHeel() bool {
	return t.plan.Summary.HeelTurnsPerSide != nil && slices.ContainsFunc(t.plan.Rows, func(r needle.Row) bool {
		return r.Section == needle.Heel && r.Kind == needle.Round
	})
}
