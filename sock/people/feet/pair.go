package feet

import "acornstep/sock/figures/measure"

// apart is by how much, in mm, two feet differ so that it is knitted: a tape that is laid again reads as much.
const apart = 2

// Other are the lengths in which the other foot of the wearer differs; none where it was not measured.
func (f Foot) Other(other Foot) map[string]measure.Length {
	lengths := map[string]measure.Length{}
	for _, k := range Kinds {
		theirs, has := other[k.Name]
		if !has || !k.Design || shapesToes(k.Name) || theirs.Guessed() {
			continue
		}
		if own := f[k.Name].Length; theirs.Length-own >= apart || own-theirs.Length >= apart {
			lengths[k.Name] = theirs.Length
		}
	}
	return lengths
}

// shapesToes says of a length that it shapes the toes of the picture and no row.
func shapesToes(name string) bool { return name == "toe_tip_aside_mm" || name == "little_toe_aside_mm" }

// SecondChanges lists where the second foot of a pair is another than when a sock took it.
func SecondChanges(then, now map[string]measure.Length) []Change {
	var changes []Change
	for _, k := range Kinds {
		if a, b := then[k.Name], now[k.Name]; a-b > noticeable || b-a > noticeable {
			changes = append(changes, Change{k.Name, a, b})
		}
	}
	return changes
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
