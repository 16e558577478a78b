package web

import (
	"fmt"

	"acornstep/sock/figures/document"
	"acornstep/sock/said/hands"
)

// HandsQuestion is how somebody holds yarn and needles; empty for the usual way.
type HandsQuestion struct {
	// Yarn is the hand that holds the yarn, right or left.
	Yarn string `query:"yarn"`
	// Knits is the hand that knits, right or left: for the left one all is mirrored.
	Knits string `query:"knits"`
}

// HandsBook is every move of the hands.
type HandsBook struct {
	Moves []hands.Move `json:"moves"`
}

func handsBook(c call[HandsQuestion]) (HandsBook, error) {
	var faults document.Faults
	view := hands.View{Hold: hands.Right}
	for _, given := range []struct{ field, read string }{{"yarn", c.Asked.Yarn}, {"knits", c.Asked.Knits}} {
		if given.read != "" && given.read != "left" && given.read != "right" {
			faults = append(faults, document.Fault{Field: given.field,
				Message: fmt.Sprintf("read %.20q; it is right or left", given.read)})
		}
	}
	if len(faults) > 0 {
		return HandsBook{}, faults
	}
	if c.Asked.Yarn == "left" {
		view.Hold = hands.Left
	}
	view.Mirrored = c.Asked.Knits == "left"
	var book HandsBook
	for i := range hands.Sequences {
		book.Moves = append(book.Moves, hands.Sequences[i].Seen(view))
	}
	return book, nil
}
