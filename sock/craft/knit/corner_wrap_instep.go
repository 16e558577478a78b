package knit

import "acornstep/sock/rows/note"

// cornerWrapInstep wraps the first stitches of the instep at the last turns of the heel.
var cornerWrapInstep = corner{
	about: About{Name: "wrap_instep", AtEdges: true, Label: "Wrap the instep", Said: "wrap the instep",
		Reason: "no extra stitches; two wraps to lift", Term: "corner", Resets: cornerCounts, Shows: []string{"wrapped-neighbour"}},
	wrapsInstep: true,
	wrapped:     [3]note.Code{1: note.WrapBeside, 2: note.WrapsBeside},
}
