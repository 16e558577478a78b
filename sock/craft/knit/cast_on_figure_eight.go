package knit

// figureEightCastOn weaves the yarn in eights; the second half lies with the leading leg behind.
var figureEightCastOn = castOn{
	about: About{Name: "figure_eight", Label: "Figure eight", Said: "figure eight", Reason: "simple; the middle is tightened afterwards",
		Term: "cast_on", Shows: []string{"co-figure-eight"}},
	turned: func(s int, _ string) [][2]int { return [][2]int{{s / 2, s}} },
	note:   "Weave the yarn in eights round two needles. Tighten the middle afterwards.",
}
