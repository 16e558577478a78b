package design

// UsualNeedles is one long circular needle in two halves.
const UsualNeedles = "magic_loop"

// Arrangement is how many needles hold the front of the sock and how many its back; without any
// for the back, front and back lie on one, with a marker between them.
type Arrangement struct{ Fronts, Backs int }

// HeelNeedles hold a heel over more than half of the stitches while it is worked; what rests waits on a holder.
const HeelNeedles = 2

// arrangements by the name of the needles.
var arrangements = map[string]Arrangement{
	UsualNeedles: {1, 1}, "two_circulars": {1, 1}, "dpn4": {1, 2}, "dpn5": {2, 2}, "short_circular": {1, 0},
}

// Needles are all needles of the arrangement that hold stitches.
func (a Arrangement) Needles() int { return a.Fronts + a.Backs }

// Split divides the loops of front and back among the needles; the first of a pair has the odd one.
func (a Arrangement) Split(front, back int) []int {
	if a.Backs == 0 {
		return []int{front + back}
	}
	on := make([]int, 0, a.Needles())
	for _, half := range [...]struct{ loops, needles int }{{front, a.Fronts}, {back, a.Backs}} {
		for left := half.needles; left > 0; left-- {
			n := (half.loops + left - 1) / left
			on = append(on, n)
			half.loops -= n
		}
	}
	return on
}

// sections name the parts of a sock for which needles can be chosen.
var sections = []string{"toe", "foot", "heel", "gusset", "leg", "cuff"}

// NeedlesIn are the needles of a section. A short circular holds no toe: it is begun on a long loop.
func (d *Design) NeedlesIn(section string) string {
	switch section {
	case "cast_on":
		section = "toe"
	case "bind_off":
		section = "cuff"
	}
	needles := d.Needles
	if own, given := d.NeedlesBySection[section]; given {
		needles = own
	}
	if section == "toe" && needles == "short_circular" {
		return UsualNeedles
	}
	return needles
}

// ArrangementIn is how the loops lie in a section; as usual on needles that nobody knows, in a plan by others.
func (d *Design) ArrangementIn(section string) Arrangement {
	if a, known := arrangements[d.NeedlesIn(section)]; known {
		return a
	}
	return arrangements[UsualNeedles]
}
