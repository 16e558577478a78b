package http

import "acornstep/sock/practice"

// PracticeList is what can be practised.
type PracticeList struct {
	Lessons []practice.Lesson `json:"lessons"`
	Moves   []practice.Move   `json:"moves"`
}

// PracticeQuestion is a run: a lesson and all its moves; nothing of it is kept here.
type PracticeQuestion struct {
	Lesson string          `json:"lesson"`
	Moves  []practice.Move `json:"moves"`
}

func lessons(call[nothing]) (PracticeList, error) {
	list, err := practice.Lessons()
	return PracticeList{list, practice.Moves}, err
}

func practise(c call[PracticeQuestion]) (practice.State, error) {
	return practice.Run(c.Asked.Lesson, c.Asked.Moves)
}
