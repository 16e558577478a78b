package knit

// provisionalCastOn picks up the bumps of a waste-yarn chain: a line that is unzipped later.
var provisionalCastOn = castOn{
	about: About{Name: "provisional", Label: "Provisional chain", Said: "provisional chain", Reason: "undone later for the other half",
		Term: "cast_on", Shows: []string{"co-chain", "unzip"}},
	turned: func(int, string) [][2]int { return nil },
	note:   "Chain a few more than needed in waste yarn and knot its tail; pick up one back bump for each stitch without splitting it. Turn: the first row is purled back.",
}
