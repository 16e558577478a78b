package knit

// turkishCastOn winds the yarn round two needles; all loops sit well.
var turkishCastOn = castOn{
	about: About{Name: "turkish", Label: "Turkish, wound", Said: "turkish, wound", Reason: "fewest movements; the side stitch is loose",
		Term: "cast_on", Shows: []string{"co-turkish"}},
	turned: func(int, string) [][2]int { return nil },
	note:   "Begin with a slip knot on the upper needle, which is not counted. Wind the yarn from the lower needle up, once for each stitch of a needle. Let the slip knot go before the second half and draw the yarn snug.",
}
