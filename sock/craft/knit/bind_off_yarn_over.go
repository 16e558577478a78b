package knit

var bindOffYarnOver = bindOffWay{
	about: About{Name: "yarn_over", Label: "With yarn-overs", Said: "with yarn-overs", Reason: "stretchier; ruffles when loose",
		Term: "bind_off", Shows: []string{"bo-yarn-over", "bo-yarn-over-end"}},
	note: "Bind off two stitches as usual, then bind off a yarn-over; repeat.",
	tail: 5,
}
