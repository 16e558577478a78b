package pdf

import (
	"fmt"
	"strings"

	"acornstep/sock/said/instructions"
	"acornstep/sock/teach/leaflet"
)

// front is what it will be, beside its drawing, and what lies ready.
func (s *sheet) front(l *leaflet.Leaflet) {
	s.AddPage()
	s.Bookmark(printed(l.Title), 0, -1)
	s.font(22, true)
	s.colour(bark)
	s.line(l.Title, s.width())
	s.font(body+2, false)
	s.colour(muted)
	if l.For != "" {
		s.line("for "+l.For, s.width())
	}
	s.Ln(3)
	top := s.GetY()
	column := s.width()
	if l.Drawing != nil && !s.print.Large {
		column = s.width() * 0.54
	}
	for _, f := range l.Facts {
		s.fact(f.Label, f.Text+".", column)
	}
	under := s.GetY()
	if l.Drawing != nil {
		if s.print.Large {
			s.drawing(l, margin, under+2, s.width()*0.6, 90)
			under += 94
		} else {
			under = max(under, s.drawing(l, margin+column+6, top, s.width()-column-6, 84))
		}
	}
	s.SetY(under + 2)
	if len(l.Cautions) > 0 {
		s.heading("Take care", 1)
		for _, c := range l.Cautions {
			s.fact(instructions.Title(c.Section), c.Text, s.width())
		}
	}
	s.heading("What lies ready", 1)
	for _, thing := range l.Ready {
		s.point(thing)
	}
	s.heading("Abbreviations", 1)
	for _, a := range l.Abbreviations {
		s.fact(a.Short, a.Text, s.width())
	}
}

// fact is a bold label with its text, wrapped beside it.
func (s *sheet) fact(label, text string, width float64) {
	s.font(body, true)
	s.room(s.leading())
	s.SetX(margin)
	s.put(label)
	beside := max(s.wide(label)+2.5, 30*s.size/body)
	s.font(body, false)
	s.SetX(margin + beside)
	s.line(text, width-beside)
	s.SetX(margin)
}

// point is a thing of a list, with a box before it.
func (s *sheet) point(text string) {
	s.font(body, false)
	s.room(s.leading())
	s.box(margin+0.5, s.GetY())
	s.SetX(margin + 6)
	s.line(text, s.width()-6)
	s.SetX(margin)
}

// drawing is the sock on its foot, every row a fine line; it gives where it ends.
func (s *sheet) drawing(l *leaflet.Leaflet, x, y, width, height float64) float64 {
	d := l.Drawing
	if d.Width <= 0 || d.Height <= 0 {
		return y
	}
	scale := min(width/d.Width, height/d.Height)
	s.SetLineWidth(0.22)
	s.SetLineCapStyle("round")
	for i := range d.Lines {
		line := &d.Lines[i]
		switch {
		case line.Colour != "":
			s.colour(acorn)
		default:
			s.colour(moss)
		}
		if s.print.Black && line.Colour != "" {
			s.SetLineWidth(0.42)
		} else {
			s.SetLineWidth(0.22)
		}
		for k, p := range line.Points {
			px, py := x+p[0]*scale, y+(d.Height-p[1])*scale
			if k == 0 {
				s.MoveTo(px, py)
			} else {
				s.LineTo(px, py)
			}
		}
		s.DrawPath("D")
	}
	s.colour(black)
	s.numbers(l, x, y, scale)
	return y + d.Height*scale + 7
}

// numbers stand beside the parts of a drawing: how many rows each has. Toe, foot and heel have theirs below, leg and cuff at the left.
func (s *sheet) numbers(l *leaflet.Leaflet, x, y, scale float64) {
	d, rows := l.Drawing, map[string]int{}
	for i := range l.Plan.Rows {
		rows[string(l.Plan.Rows[i].Section)]++
	}
	type part struct {
		left, right, top, bottom float64
	}
	parts, order := map[string]*part{}, []string{}
	for i := range d.Lines {
		name, _, _ := strings.Cut(d.Lines[i].Row, "-")
		p := parts[name]
		if p == nil {
			p = &part{left: d.Width, bottom: d.Height}
			parts[name], order = p, append(order, name)
		}
		for _, at := range d.Lines[i].Points {
			p.left, p.right = min(p.left, at[0]), max(p.right, at[0])
			p.bottom, p.top = min(p.bottom, at[1]), max(p.top, at[1])
		}
	}
	s.font(8, true)
	for _, name := range order {
		p, text := parts[name], fmt.Sprintf("%s %d", strings.ReplaceAll(name, "_", " "), rows[name])
		switch name {
		case "toe", "foot", "heel":
			s.SetXY(x+(p.left+p.right)/2*scale-s.wide(text)/2, y+d.Height*scale+1.5)
		case "leg", "cuff":
			s.SetXY(x+p.left*scale-s.wide(text)-3, y+(d.Height-(p.top+p.bottom)/2)*scale-s.leading()/2)
		default:
			continue
		}
		s.put(text)
	}
}

// notes are lines to write on.
func (s *sheet) notes(list []string) {
	s.heading("Notes", 0)
	for _, n := range list {
		s.font(body, false)
		s.room(s.leading() + 4)
		s.Ln(1.5)
		s.put(n)
		y := s.GetY() + s.leading()
		s.SetLineWidth(0.2)
		s.Line(margin+s.wide(n)+3, y, margin+s.width(), y)
		s.SetXY(margin, y)
	}
	s.Ln(4)
}
