package knit

var bindOffSewn = bindOffWay{
	about: About{Name: "sewn", Label: "Sewn", Said: "sewn", Reason: "as elastic as the cast-on; needs a long tail", Term: "bind_off",
		Shows: []string{"bo-sewn", "bo-sewn-end"}},
	sewn: true,
	note: "With the tail on a blunt needle: purlwise through two stitches, back knitwise through the first, drop it; repeat. Draw the tail through the last one.",
	tail: 3,
}
