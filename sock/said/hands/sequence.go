package hands

import (
	"slices"
	"strings"
)

// Step is one thing that the hands do.
type Step struct {
	Text string
	draw scene
}

// Sequence is a move, step by step.
type Sequence struct {
	// Name is its key, such as k2tog or double-out-ws.
	Name  string
	Title string
	// Group is the heading under which it stands.
	Group string
	Steps []Step
	// Look is what must be seen before going on, Slip the usual mistake and how it shows.
	Look, Slip string
	// Lesson is where it can be practised; empty when nowhere.
	Lesson string
}

// View is how somebody wants to see the hands.
type View struct {
	Hold Hold
	// Mirrored is the view of those who knit from the right needle to the left one.
	Mirrored bool
}

// Move is a sequence as somebody sees it.
type Move struct {
	Name   string `json:"name"`
	Title  string `json:"title"`
	Group  string `json:"group"`
	Steps  []Seen `json:"steps"`
	Look   string `json:"look"`
	Slip   string `json:"slip"`
	Lesson string `json:"lesson,omitempty"`
}

// Seen is one step as somebody sees it.
type Seen struct {
	Text    string  `json:"text"`
	Picture Picture `json:"picture"`
}

// Seen gives the words and pictures of a sequence in a view.
func (q *Sequence) Seen(v View) Move {
	m := Move{q.Name, v.said(q.Title), v.said(q.Group), make([]Seen, len(q.Steps)), v.said(q.Look), v.said(q.Slip), q.Lesson}
	for i, step := range q.Steps {
		m.Steps[i] = Seen{v.said(step.Text), v.drawn(step.draw)}
	}
	return m
}

func (v View) drawn(s scene) Picture {
	list, s := v.placed(s)
	return s.of(list)
}

// placed are the strands of a scene as they are seen, with the yarn in its hand.
func (v View) placed(s scene) ([]strand, scene) {
	if v.Mirrored {
		for i := range s.strands {
			points := slices.Clone(s.strands[i].points)
			for k := range points {
				points[k].x = -points[k].x
			}
			if i == 0 {
				s.strands = slices.Clone(s.strands)
			}
			s.strands[i].points = points
		}
		s.ox = s.wide - s.ox
		// The hand that throws is the left one in the mirror.
		v.Hold = map[Hold]Hold{Right: Left, Left: Right}[v.Hold]
	}
	return s.inHand(v.Hold), s
}

// Sides of the knitter are written {left} and {right}: whoever knits the other way reads the other one. A right side of the fabric, or what
// is left over, is none.
var (
	asWritten = strings.NewReplacer("{left}", "left", "{right}", "right", "{Left}", "Left", "{Right}", "Right")
	inMirror  = strings.NewReplacer("{left}", "right", "{right}", "left", "{Left}", "Right", "{Right}", "Left")
)

// said is a text in the words of a view.
func (v View) said(text string) string {
	if v.Mirrored {
		return inMirror.Replace(text)
	}
	return asWritten.Replace(text)
}
