package knit

import "acornstep/sock/rows/note"

// magicCastOn lays loops in turn on two needles held together. The loops of
// needle 2 lie with the leading leg behind; begun from a twist, its first one
// is already right.
var magicCastOn = castOn{
	about: About{Name: "magic", Label: "Magic, loops in turn", Said: "magic, loops in turn",
		Reason: "no seam, and nothing to tighten later", Term: "cast_on", Shows: []string{"co-magic", "co-magic-round", "co-magic-knot"}},
	turned: func(s int, startLoop string) [][2]int {
		switch startLoop {
		case "twist":
			return [][2]int{{s/2 + 1, s}}
		case "slip_knot", "laid":
			return [][2]int{{s / 2, s}}
		default:
			return nil
		}
	},
	setUp: func(startLoop string) string {
		if startLoop != "twist" {
			return ""
		}
		return note.Of(note.FirstIsRight)
	},
	begin: map[string]string{
		"twist":     "Lay the yarn over the needle and cross the two strands once under it: that twist is the first loop.",
		"slip_knot": "Begin with a slip knot: it is the first loop.",
		"laid":      "Lay the first loop on like the others, without a knot or a twist; its leading leg is behind too.",
		"plain":     "Look that every loop sits with its leading leg in front.",
	},
	note:   "Lay the loops in turn on two needles held together; the last one goes on the lower needle. It is not locked: cross the tail over the working yarn and hold it.",
	square: "Lay the loops in turn on two needles held together, the first one on the lower needle, so that the last lies on the upper; then turn the pair like a page, so that the bumps face you. Look at both halves for loops that lie turned. The last loop is not locked: cross the tail over the working yarn and hold it.",
}
