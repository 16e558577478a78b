package pdf

import (
	"fmt"
	"math"

	"acornstep/sock/said/hands"
)

// How the pictures of the moves stand on paper, in millimetres: at least so wide, with so much between them.
const (
	fewestWide  = 28.0
	besideMoves = 2.0
)

// moves are those of the sock, each a strip of its drawn steps, one numbered sentence under each.
func (s *sheet) moves(list []hands.Move) {
	for i := range list {
		m := &list[i]
		high := s.strip(m, 0, true)
		if i == 0 {
			s.room(high + 14)
			s.heading("Step by step", 0)
			s.Ln(1)
		}
		s.room(high)
		top := s.GetY()
		s.strip(m, top, false)
		s.SetXY(margin, top+high)
	}
}

// columns is how many pictures stand beside each other, and how wide each is.
func (s *sheet) columns() (int, float64) {
	n := int((s.width() + besideMoves) / (fewestWide + besideMoves))
	if s.print.Large {
		n = 3
	}
	return n, (s.width() - besideMoves*float64(n-1)) / float64(n)
}

// strip draws a move from a height down, and gives how high it is; on trial nothing is drawn. What to look at stands beside its last pictures,
// where there is room, else below.
func (s *sheet) strip(m *hands.Move, y float64, trial bool) float64 {
	from := y
	n, each := s.columns()
	s.font(body, true)
	if !trial {
		s.colour(bark)
		s.SetXY(margin, y)
		s.put(m.Title)
		s.colour(black)
	}
	y += s.leading() + 0.5
	s.font(body-2.5, false)
	if s.print.Large {
		s.font(body, false)
	}
	say := func(text string, x, y, wide float64) float64 {
		lines := s.wrap(text, wide)
		for k, line := range lines {
			if !trial {
				s.SetXY(x, y+float64(k)*s.leading())
				s.put(line)
			}
		}
		return float64(len(lines)) * s.leading()
	}
	at := func(column int) float64 { return margin + (each+besideMoves)*float64(column) }
	look := fmt.Sprintf("Look: %s Take care: %s", m.Look, m.Care)
	for k := 0; k < len(m.Steps); k += n {
		high := 0.0
		row := m.Steps[k:min(k+n, len(m.Steps))]
		for c, step := range row {
			picture := each * float64(step.Picture.Height) / float64(step.Picture.Width)
			if !trial {
				s.picture(step.Picture, at(c), y, each)
			}
			high = max(high, picture+1.2+say(fmt.Sprintf("%d\u00a0%s", k+c+1, step.Text), at(c), y+picture+1.2, each))
		}
		if free := n - len(row); free > 0 && k+n >= len(m.Steps) {
			high, look = max(high, 1+say(look, at(len(row)), y+1, (each+besideMoves)*float64(min(free, 2))-besideMoves)), ""
		}
		y += high + 1.5
	}
	if look != "" {
		y += say(look, margin, y, s.width())
	}
	return y + 2.5 - from
}

// handInks are the colours of the parts of a picture: of its middle and of its edge.
var handInks = map[hands.Part][2]ink{
	hands.Yarn: {{63, 92, 43}, {40, 58, 28}}, hands.Now: {{214, 156, 86}, {140, 96, 48}}, hands.About: {{140, 59, 35}, {88, 36, 22}},
	hands.Other: {{95, 118, 144}, {60, 76, 94}}, hands.Needle: {{168, 143, 111}, {108, 92, 72}}, hands.Working: {{130, 101, 74}, {84, 66, 48}},
	hands.Cable: {shaft, shaft}, hands.Pin: {black, black}, hands.Skin: {{243, 214, 194}, {170, 140, 120}}, hands.Hint: {rose, rose},
}

// greys are the same where only black ink prints.
var greys = map[hands.Part][2]int{hands.Yarn: {95, 40}, hands.Now: {215, 60}, hands.About: {30, 0}, hands.Other: {150, 80}, hands.Needle: {225, 130},
	hands.Working: {200, 110}, hands.Cable: {170, 170}, hands.Pin: {0, 0}, hands.Skin: {240, 150}, hands.Hint: {0, 0}}

// picture paints a step: each stroke with its edge, and with a rim of paper where it passes over another.
func (s *sheet) picture(p hands.Picture, x, y, width float64) {
	scale := width * hands.Fine / float64(p.Width)
	s.ClipRect(x, y, width, float64(p.Height)/hands.Fine*scale, false)
	s.SetLineJoinStyle("round")
	// A pixel of the picture is a point of the paper, and all is made smaller: so the figures of the lines stay short.
	s.TransformBegin()
	s.TransformScale(100*scale/inPoint, 100*scale/inPoint, x, y)
	for _, stroke := range p.Painted() {
		s.SetLineCapStyle("butt")
		if stroke.Part == hands.Skin {
			s.SetLineCapStyle("round")
		}
		if stroke.Rim > 0 {
			s.colour(paper)
			s.along(stroke.Points, x, y, stroke.Wide+2*stroke.Rim)
		}
		inks, wide := handInks[stroke.Part], 0.74
		if stroke.Part == hands.Hint || stroke.Part == hands.Pin || stroke.Part == hands.Cable {
			wide = 0
		}
		for k, of := range []float64{1, wide} {
			if of == 0 {
				continue
			}
			s.colour(inks[1-k])
			if s.print.Black {
				grey := greys[stroke.Part][1-k]
				s.SetDrawColor(grey, grey, grey)
			}
			s.along(stroke.Points, x, y, stroke.Wide*of)
		}
	}
	s.TransformEnd()
	s.ClipEnd()
	s.colour(black)
}

// along strokes a way from point to point, so many points wide.
func (s *sheet) along(points []float64, x, y, wide float64) {
	at := func(i int) (float64, float64) {
		return x + math.Round(points[i])*inPoint, y + math.Round(points[i+1])*inPoint
	}
	s.SetLineWidth(wide * inPoint)
	s.MoveTo(at(0))
	for i := 2; i+1 < len(points); i += 2 {
		s.LineTo(at(i))
	}
	s.DrawPath("D")
}
