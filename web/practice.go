package web

import (
	"fmt"

	"acornstep/sock/figures/document"
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

// Practised is a lesson and how often it was done without a fault.
type Practised struct {
	Lesson string `json:"lesson"`
	// Knows names what somebody has knitted who did it often enough; empty for nothing that is asked for.
	Knows string `json:"knows"`
	Runs  int    `json:"runs"`
}

// PractisedList is all that was practised.
type PractisedList struct {
	Lessons []Practised `json:"lessons"`
}

// PractisedRun is a run that was made without a fault, and without a hint.
type PractisedRun struct {
	Lesson string            `json:"lesson"`
	Moves  []practice.Action `json:"moves"`
}

func (s *server) practised(c call[nothing]) (PractisedList, error) {
	all, err := practice.Lessons()
	if err != nil {
		return PractisedList{}, err
	}
	runs, err := s.Practice.Practised(c)
	list := PractisedList{Lessons: []Practised{}}
	for _, l := range all {
		if n := runs[l.Name]; n > 0 {
			list.Lessons = append(list.Lessons, Practised{l.Name, l.Knows, n})
		}
	}
	return list, err
}

// addRun notes a run, once its moves were made again and led to the end without a fault.
func (s *server) addRun(c call[PractisedRun]) (PractisedList, error) {
	state, err := practice.Run(c.Asked.Lesson, c.Asked.Moves, hands.View{Hold: hands.Right})
	if err != nil {
		return PractisedList{}, err
	}
	if !state.Done || state.Fault != nil {
		return PractisedList{}, document.Faults{{Field: "moves", Message: fmt.Sprintf("read %d moves that do not lead to the end of the lesson; only a whole run counts", len(c.Asked.Moves))}}
	}
	if err := s.Practice.AddRun(c, c.Asked.Lesson, 1); err != nil {
		return PractisedList{}, err
	}
	return s.practised(call[nothing]{Context: c.Context})
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
