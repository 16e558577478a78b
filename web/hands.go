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

// MovesOfSock are the moves that the rows of a sock ask for, in their order.
type MovesOfSock struct {
	Sock  string   `json:"sock"`
	Moves []string `json:"moves"`
}

func (s *server) movesOf(c call[nothing]) (MovesOfSock, error) {
	k, err := s.knittedFrom(c, c.ID)
	if err != nil {
		return MovesOfSock{}, err
	}
	return MovesOfSock{k.sock.Name, hands.Asked(k.plan)}, nil
}

func handsBook(c call[HandsQuestion]) (HandsBook, error) {
	view, err := handsOf(c.Asked.Yarn, c.Asked.Knits)
	if err != nil {
		return HandsBook{}, err
	}
	var book HandsBook
	for i := range hands.Sequences {
		book.Moves = append(book.Moves, hands.Sequences[i].Seen(view))
	}
	return book, nil
}

// handsOf is how somebody sees the hands who holds yarn and needles so: each right or left, empty for right.
func handsOf(yarn, knits string) (hands.View, error) {
	var faults document.Faults
	for _, given := range []struct{ field, read string }{{"yarn", yarn}, {"knits", knits}} {
		if given.read != "" && given.read != "left" && given.read != "right" {
			faults = append(faults, document.Fault{Field: given.field,
				Message: fmt.Sprintf("read %.20q; it is right or left", given.read)})
		}
	}
	if len(faults) > 0 {
		return hands.View{}, faults
	}
	view := hands.View{Hold: hands.Right, Mirrored: knits == "left"}
	if yarn == "left" {
		view.Hold = hands.Left
	}
	return view, nil
}
