package web

import (
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/basket"
	"acornstep/sock/said/hands"
	"acornstep/sock/said/rewrite"
	"acornstep/sock/teach/practice"
)

// PracticeList is what can be practised.
type PracticeList struct {
	Lessons []practice.Lesson `json:"lessons"`
	Moves   []practice.Action `json:"moves"`
	Pieces  []practice.Piece  `json:"pieces"`
	// Asked are the lessons that the rows of a sock ask for, in their order, when one was named; Sock is what it is called.
	Asked []string `json:"asked,omitempty"`
	Sock  string   `json:"sock,omitempty"`
}

// PracticeSock names a sock whose moves are to be practised; empty for none.
type PracticeSock struct {
	Sock string `query:"sock"`
}

// PracticeQuestion is a run: a lesson and all its moves; nothing of it is kept here.
type PracticeQuestion struct {
	Lesson string            `json:"lesson"`
	Moves  []practice.Action `json:"moves"`
	// Yarn and Knits are the hands that hold the yarn and that knit, right or left; empty for right.
	Yarn  string `json:"yarn,omitempty"`
	Knits string `json:"knits,omitempty"`
}

func (s *server) lessons(c call[PracticeSock]) (PracticeList, error) {
	list, err := practice.Lessons()
	answer := PracticeList{Lessons: list, Moves: practice.Actions, Pieces: practice.Pieces()}
	if err != nil || c.Asked.Sock == "" {
		return answer, err
	}
	k, err := s.knittedFrom(c, c.Asked.Sock)
	if err != nil {
		return answer, err
	}
	answer.Asked, answer.Sock = hands.Lessons(k.plan), k.sock.Name
	return answer, nil
}

// NewPiece names a piece to practise on with real needles.
type NewPiece struct {
	Piece string `json:"piece"`
}

// addPiece puts a piece on the list of those that are practised on, beside the basket.
func (s *server) addPiece(c call[NewPiece]) (basket.Sock, error) {
	piece, d, err := practice.Begin(c.Asked.Piece)
	if err != nil {
		return basket.Sock{}, err
	}
	sock, err := s.digested(c, basket.Sock{Name: "Practice piece: " + piece.Title, Draft: d, Practice: true}, measure.Centimetres)
	if err == nil {
		sock, err = s.Basket.Add(c, sock)
	}
	if err != nil {
		return sock, err
	}
	return s.withNews(c, sock.ID)
}

func rewritten(c call[rewrite.Asked]) (rewrite.Answer, error) { return rewrite.Turn(c.Asked) }

func practise(c call[PracticeQuestion]) (practice.State, error) {
	view, err := handsOf(c.Asked.Yarn, c.Asked.Knits)
	if err != nil {
		return practice.State{}, err
	}
	return practice.Run(c.Asked.Lesson, c.Asked.Moves, view)
}
