package knit

// cornerWrapInstep wraps the first stitches of the instep at the last turns of the heel.
var cornerWrapInstep = corner{
	about: About{Name: "wrap_instep", AtEdges: true, Label: "Wrap the instep", Said: "wrap the instep",
		Reason: "no extra stitches; two wraps to lift", Term: "corner", Resets: cornerCounts, Shows: []string{"wrapped-neighbour"}},
	wrapsInstep: true,
	wrapped: [3]string{"", "The stitch beside the heel carries a wrap: knit it with its wrap.",
		"The stitches beside the heel carry a wrap: knit each with its wrap, the far one through the back, as in ssk."},
}
