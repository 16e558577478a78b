package feet

import "acornstep/sock/figures/measure"

// girths are shared by a pair: both socks get the same count of stitches, so
// the larger foot decides.
var girths = []string{"ball_girth_mm", "heel_diagonal_mm", "ankle_girth_mm", "calf_girth_mm"}

// ForPair is the foot of one side as a pair is knitted for it: its own
// lengths, and of each girth the larger one of both feet.
func (w *Wearer) ForPair(side Side) Foot {
	foot, other := w.Foot(side, ""), w.Foot(side.Other(), "")
	for _, name := range girths {
		theirs, has := other[name]
		if own, mine := foot[name]; has && (!mine || theirs.Length > own.Length) {
			foot[name] = theirs
		}
	}
	return foot
}

// Change is a measurement that is no longer what a sock was designed for.
type Change struct {
	What string         `json:"what"`
	Then measure.Length `json:"then_mm"`
	Now  measure.Length `json:"now_mm"`
}

// noticeable is the least difference in mm that is worth a word.
const noticeable = 0.5

// ChangesSince lists where a foot differs from the lengths that a design took.
// A measurement that is new, or gone, changes from or to 0.
func (f Foot) ChangesSince(taken map[string]measure.Length) []Change {
	var changes []Change
	for _, k := range Kinds {
		if !k.Design {
			continue
		}
		then, now := taken[k.Name], measure.Length(0)
		if m, has := f[k.Name]; has {
			now = m.Length
		}
		if now-then > noticeable || then-now > noticeable {
			changes = append(changes, Change{k.Name, then, now})
		}
	}
	return changes
}
