package knit

// cornerLift lifts one strand at each corner.
var cornerLift = corner{
	about: About{Name: "lift", Label: "Lift one loop", Said: "lift one loop", Reason: "quick; tug it first", Term: "corner"},
}
