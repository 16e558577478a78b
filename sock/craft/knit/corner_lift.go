package knit

// cornerLift lifts one strand at each corner.
var cornerLift = corner{
	about: About{Name: "lift", Label: "Lift one loop", Said: "lift one loop", Reason: "quick; tug it first", Term: "corner",
		Resets: cornerCounts, Shows: []string{"one-strand", "corner-gone"},
		Holds: 1}, // a strand has no strain to take: it goes in the very next round
	after:      true,
	made:       "At each corner find a strand that does not pull when you tug it, put the needle under it, two threads, and draw a loop through.",
	lost:       "Each corner stitch goes together with the stitch before it.",
	stands:     "It is the last stitch of its half.",
	standsWide: "It stands after the last stitch of the heel, and after the last that rested.",
}
