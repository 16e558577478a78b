package hands

import (
	"fmt"
	"regexp"
	"strings"
)

// Step is one thing that the hands do.
type Step struct {
	Text string
	draw scene
	// at is what lies on the needles then; nil where no two tips are shown. goesOn: it is what the step before left, and what was done to it.
	at     *work
	goesOn bool
	// from is what lay there before the first step, in that one.
	from *work
}

// Sequence is a move, step by step.
type Sequence struct {
	// Name is its key, such as k2tog or double-out-ws.
	Name  string
	Title string
	// Group is the heading under which it stands.
	Group string
	Steps []Step
	// Look is what must be seen before going on, Care the usual mistake and how it shows.
	Look, Care string
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
	Care   string `json:"care"`
	Lesson string `json:"lesson,omitempty"`
	// Face is the step by whose picture the move is known among others, from zero.
	Face int `json:"face"`
}

// Seen is one step as somebody sees it.
type Seen struct {
	Text    string  `json:"text"`
	Picture Picture `json:"picture"`
	// GoesOn says that what lies on the needles is what the step before left there.
	GoesOn bool `json:"goes_on,omitempty"`
	// Side is the same seen down the needle, from the tips, where the front hides the point.
	Side *Picture `json:"side,omitempty"`
}

// Seen gives the words and pictures of a sequence in a view.
func (q *Sequence) Seen(v View) Move {
	m := Move{q.Name, v.said(q.Title), v.said(q.Group), make([]Seen, len(q.Steps)), v.said(q.Look), v.said(q.Care), q.Lesson, q.face()}
	for i, step := range q.Steps {
		picture := v.picture(step.draw)
		picture.id = fmt.Sprintf("%s %d %s %t", q.Name, i, v.Hold, v.Mirrored)
		m.Steps[i] = Seen{v.said(step.Text), picture, step.goesOn, v.side(&step)}
	}
	return m
}

// side is a step seen down the needle; nil where the front shows all.
func (v View) side(step *Step) *Picture {
	if step.at == nil {
		return nil
	}
	list, is := step.at.downTheNeedle()
	if !is {
		return nil
	}
	p := fromTheTips.of(v.seenIn(fromTheTips, func(Hold) []body { return list }))
	return &p
}

// face is the step that tells the move from others: the first in which most is done at once.
func (q *Sequence) face() int {
	best, most := 0, -1
	for i, step := range q.Steps {
		much := 0
		switch w := step.at; {
		case w == nil && q.Group == groupNeedles:
			much = 7
		case w == nil:
			much = 1
			if i == len(q.Steps)-1 || i == (len(q.Steps)-1)/2 {
				much = 2
			}
		case w.under, w.yarn == pulled, w.yarn == overBack, w.yarn == overFront, w.yarn == wrapping, w.bar:
			much = 6
		case w.taken > 0 && (w.left[0].kind != stitch || w.left[0].turned || w.taken > 1 || w.entered == backLoop || w.entered == fromBehind):
			much = 5
		case w.yarn == roundTip, w.yarn == toFront:
			much = 4
		case w.taken > 0, len(w.extra) > 0:
			much = 3
		}
		if much > most {
			best, most = i, much
		}
	}
	return best
}

// Sides of the knitter are written {left} and {right}: whoever knits the other way reads the other one. A right side of the fabric, or what
// is left over, is none.
var (
	asWritten = strings.NewReplacer("{left}", "left", "{right}", "right", "{Left}", "Left", "{Right}", "Right")
	inMirror  = strings.NewReplacer("{left}", "right", "{right}", "left", "{Left}", "Right", "{Right}", "Left")
)

// ways are the words of a thrower and those of a picker, where they differ.
var ways = regexp.MustCompile(`\[([^|\]]*)\|([^\]]*)\]`)

// said is a text in the words of a view.
func (v View) said(text string) string {
	own := "$1"
	if v.Hold == Left != v.Mirrored { // in the mirror the left hand throws
		own = "$2"
	}
	text = ways.ReplaceAllString(text, own)
	if v.Mirrored {
		return inMirror.Replace(text)
	}
	return asWritten.Replace(text)
}
