package knit

var bindOffTogether = bindOffWay{
	note: "Work the next stitch in pattern, put the left needle into the front legs of both stitches on the right needle, knit them together; repeat.",
	tail: 4,
}
