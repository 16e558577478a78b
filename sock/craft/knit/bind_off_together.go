package knit

var bindOffTogether = bindOffWay{
	about: About{Name: "k2tog", Label: "Two together", Said: "two together", Reason: "stretchy, and as quick as a plain one",
		Term: "bind_off", Shows: []string{"bo-together", "bo-together-end"}},
	note: "Work one stitch first. Then work the next stitch in pattern, put the left needle into the front legs of both stitches on the right needle, knit them together; repeat. Cut the yarn and draw it through the last loop.",
	tail: 4,
}
