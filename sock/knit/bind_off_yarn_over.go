package knit

var bindOffYarnOver = bindOffWay{
	note: "Bind off two stitches as usual, then bind off a yarn-over; repeat.",
	tail: 5,
}
