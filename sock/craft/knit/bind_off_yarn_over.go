package knit

var bindOffYarnOver = bindOffWay{
	about: About{Name: "yarn_over", Label: "With yarn-overs", Said: "with yarn-overs", Reason: "stretchier; ruffles when loose",
		Term: "bind_off", Shows: []string{"bo-yarn-over", "bo-yarn-over-end"}},
	note: "Work one stitch first. Bind off over it two stitches as usual, then a yarn-over, bound off like a stitch; repeat. Cut the yarn and draw it through the last loop.",
	tail: 5,
}
