package knit

var bindOffTogether = bindOffWay{
	about: About{Name: "k2tog", Label: "Two together", Said: "two together", Reason: "stretchy, and as quick as a plain one",
		Term: "bind_off", Shows: []string{"bo-together", "bo-together-end"}},
	note: "Work the next stitch in pattern, put the left needle into the front legs of both stitches on the right needle, knit them together; repeat.",
	tail: 4,
}
