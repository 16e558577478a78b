package pdf

import (
	"strings"

	"acornstep/sock/said/instructions"
)

// box is a square to tick, as high as a letter.
func (s *sheet) box(x, y float64) {
	side := s.size * inPoint * 0.72
	s.colour(muted)
	s.SetLineWidth(0.25)
	s.Rect(x, y+(s.leading()-side)/2, side, side, "D")
	s.colour(black)
}

// instructions are the sections, line by line, each with a box.
func (s *sheet) instructions(title string, sections []instructions.Section) {
	s.heading(title, 0)
	for k := range sections {
		s.heading(sections[k].Title, 1)
		for i := range sections[k].Items {
			s.item(&sections[k].Items[i])
		}
	}
}

// span is a piece of text in one style.
type span struct {
	text string
	size float64
	bold bool
	ink  ink
}

// flow writes pieces of text one after the other, wrapped within the page from a left edge on.
func (s *sheet) flow(left float64, spans ...span) {
	x, right := left, margin+s.width()
	for _, piece := range spans {
		s.font(piece.size, piece.bold)
		s.colour(piece.ink)
		space := s.wide(" ")
		for _, word := range strings.Fields(piece.text) {
			w := s.wide(word)
			if x > left && x+w > right {
				s.Ln(s.leading())
				s.room(s.leading())
				x = left
			}
			s.SetX(x)
			s.put(word)
			x += w + space
		}
	}
	s.font(body, false)
	s.colour(black)
	s.Ln(s.leading())
	s.SetX(margin)
}

func (s *sheet) item(i *instructions.Item) {
	s.font(body, false)
	if i.Note != "" {
		s.room(s.leading() * 4)
		s.flow(margin+6, span{i.Before + ":", body - 1, true, muted}, span{i.Note, body - 1, false, muted})
	}
	s.room(s.leading() * 2)
	s.box(margin+0.5, s.GetY())
	spans := []span{{i.Label + ".", body, true, black}}
	if i.Text != "" {
		spans = []span{{i.Label + ":", body, true, black}, {i.Text + ".", body, false, black}}
	}
	if i.Check != "" {
		spans = append(spans, span{"– " + i.Check, body - 1, false, moss})
	}
	s.flow(margin+6, spans...)
}
