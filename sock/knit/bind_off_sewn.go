package knit

var bindOffSewn = bindOffWay{
	note: "With the tail on a blunt needle: purlwise through two stitches, back knitwise through the first, drop it; repeat.",
	tail: 3,
}
