package knit

import "acornstep/sock/rows/note"

// cornerOuterLegs picks up the outer legs of stitches below at each corner and knits them together.
var cornerOuterLegs = corner{
	about: About{Name: "outer_legs", Label: "Pick up outer legs", Said: "pick up outer legs",
		Reason: "closes the hole with fabric that is there", Term: "corner", Resets: cornerCounts,
		Shows: []string{"outer-legs", "corner-gone"}},
	made:       note.LegsInCorners,
	lost:       note.GoesWithNext,
	stands:     note.BeginsHalf,
	standsWide: note.BeforeRest,
}
