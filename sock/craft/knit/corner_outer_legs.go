package knit

// cornerOuterLegs picks up the outer legs of stitches below at each corner and knits them together.
var cornerOuterLegs = corner{
	about: About{Name: "outer_legs", Label: "Pick up outer legs", Said: "pick up outer legs",
		Reason: "closes the hole with fabric that is there", Term: "corner", Resets: cornerCounts,
		Shows: []string{"outer-legs", "corner-gone"}},
	made:       "At each corner lift the leg away from the corner of the second stitch below on either side, and knit the two legs together. Tug first; where a hole opens take the one above or below.",
	lost:       "Each corner stitch goes together with the stitch after it.",
	stands:     "It is the first stitch of its half.",
	standsWide: "It stands before the first stitch that rested, and before the first of the heel.",
}
