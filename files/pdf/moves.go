package pdf

import (
	"fmt"
	"regexp"
	"strconv"
	"strings"

	"acornstep/sock/said/hands"
)

// moves are the new ones in two columns, each a strip of its drawn steps with the words below.
func (s *sheet) moves(list []hands.Move) {
	const gap, fewest = 8.0, 5 // between the columns; pictures of a strip at least, so that all strips are alike
	if s.print.Large {
		s.strips(list, 1, gap, fewest)
		return
	}
	s.strips(list, 2, gap, fewest)
}

func (s *sheet) strips(list []hands.Move, columns int, gap float64, fewest int) {
	wide := (s.width() - gap*float64(columns-1)) / float64(columns)
	for i := 0; i < len(list); i += columns {
		row := list[i:min(i+columns, len(list))]
		high := 0.0
		for k := range row {
			high = max(high, s.strip(&row[k], margin, 0, wide, fewest, true))
		}
		if i == 0 {
			s.room(high + 14)
			s.heading("What is new in it, step by step", 0)
			s.Ln(1)
		}
		s.room(high)
		top := s.GetY()
		for k := range row {
			s.strip(&row[k], margin+float64(k)*(wide+gap), top, wide, fewest, false)
		}
		s.SetXY(margin, top+high)
	}
}

// strip draws a move in a column, and gives how high it is; on trial nothing is drawn.
func (s *sheet) strip(m *hands.Move, x, y, wide float64, fewest int, trial bool) float64 {
	each := wide / float64(max(fewest, len(m.Steps)))
	var words strings.Builder
	for k, step := range m.Steps {
		fmt.Fprintf(&words, "%d\u00a0%s ", k+1, step.Text)
	}
	fmt.Fprintf(&words, "Look: %s Take care: %s", m.Look, m.Slip)
	s.font(body, true)
	title := s.leading()
	if !trial {
		s.colour(bark)
		s.SetXY(x, y)
		s.put(m.Title)
		s.colour(black)
	}
	pictures := 0.0
	for k, step := range m.Steps {
		scale := (each - 1.2) / float64(step.Picture.Width)
		pictures = max(pictures, float64(step.Picture.Height)*scale)
		if !trial {
			s.picture(step.Picture, x+each*float64(k), y+title+0.5, each-1.2)
		}
	}
	s.font(body-2.5, false)
	lines := s.wrap(words.String(), wide)
	if !trial {
		for k, line := range lines {
			s.SetXY(x, y+title+pictures+1.5+float64(k)*s.leading())
			s.put(line)
		}
	}
	return title + pictures + 1.5 + float64(len(lines))*s.leading() + 1.8
}

// pathPiece is a command of a path, or a number.
var pathPiece = regexp.MustCompile(`[Mcl]|-?\d+`)

// picture strokes the lines of a step, each with a rim of paper.
func (s *sheet) picture(p hands.Picture, x, y, width float64) {
	scale := width / float64(p.Width)
	s.ClipRect(x, y, width, float64(p.Height)*scale, false)
	s.SetLineJoinStyle("round")
	inks := map[hands.Part]ink{hands.Yarn: moss, hands.Now: acorn, hands.Other: bark, hands.Needle: shaft, hands.Tip: shaft,
		hands.Cable: shaft, hands.Pin: black, hands.Hint: rose}
	widths := map[hands.Part]float64{hands.Needle: 11, hands.Tip: 5, hands.Cable: 4, hands.Pin: 3, hands.Hint: 2.6}
	for _, stroke := range p.Strokes {
		wide := widths[stroke.Part]
		if wide == 0 {
			wide = 7
		}
		if stroke.Part != hands.Hint && stroke.Part != hands.Tip {
			s.SetLineCapStyle("butt")
			s.colour(paper)
			s.SetLineWidth((wide + 4) * scale)
			s.path(stroke.D, x, y, scale)
		}
		s.SetLineCapStyle("round")
		s.colour(inks[stroke.Part])
		if s.print.Black {
			grey := map[hands.Part]int{hands.Yarn: 120, hands.Needle: 205, hands.Tip: 205, hands.Cable: 205, hands.Other: 70}[stroke.Part]
			s.SetDrawColor(grey, grey, grey)
		}
		s.SetLineWidth(wide * scale)
		s.path(stroke.D, x, y, scale)
	}
	s.ClipEnd()
	s.colour(black)
}

// path draws one, of the kind that pictures of moves are made of: a beginning, then ways to the next places.
func (s *sheet) path(d string, x, y, scale float64) {
	var px, py float64
	var numbers []float64
	command := ""
	for _, piece := range pathPiece.FindAllString(d, -1) {
		if n, err := strconv.Atoi(piece); err == nil {
			numbers = append(numbers, float64(n))
		} else {
			command, numbers = piece, nil
			continue
		}
		at := func(k int) (float64, float64) { return x + (px+numbers[k])*scale, y + (py+numbers[k+1])*scale }
		switch {
		case command == "M" && len(numbers) == 2:
			px, py = numbers[0], numbers[1]
			s.MoveTo(x+px*scale, y+py*scale)
			numbers = nil
		case command == "l" && len(numbers) == 2:
			px, py = px+numbers[0], py+numbers[1]
			s.LineTo(x+px*scale, y+py*scale)
			numbers = nil
		case command == "c" && len(numbers) == 6:
			// Each of the three points is told from where the curve begins.
			ax, ay := at(0)
			bx, by := at(2)
			cx, cy := at(4)
			px, py = px+numbers[4], py+numbers[5]
			s.CurveBezierCubicTo(ax, ay, bx, by, cx, cy)
			numbers = nil
		}
	}
	s.DrawPath("D")
}
