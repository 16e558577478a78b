package knit

import "acornstep/sock/rows/note"

// cornerLift lifts one strand at each corner.
var cornerLift = corner{
	about: About{Name: "lift", Label: "Lift one loop", Said: "lift one loop", Reason: "quick; tug it first", Term: "corner",
		Resets: cornerCounts, Shows: []string{"one-strand", "corner-gone"},
		Holds: 1}, // a strand has no strain to take: it goes in the very next round
	after:      true,
	made:       note.StrandsInCorners,
	lost:       note.GoesWithLast,
	stands:     note.EndsHalf,
	standsWide: note.AfterHeel,
}
