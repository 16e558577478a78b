package pdf

import (
	"strings"
)

// family is the font that has a letter.
func family(r rune) string {
	if r < 0x100 || r >= 0x2000 && r <= 0x206f || strings.ContainsRune("ıŒœˆ˚˜€™−", r) {
		return "latin"
	}
	return "latin-ext"
}

// runs cut a text where the font changes.
func runs(text string) []string {
	var list []string
	last := ""
	for _, r := range text {
		if f := family(r); f != last {
			list, last = append(list, ""), f
		}
		list[len(list)-1] += string(r)
	}
	return list
}

// use sets the font for a run.
func (s *sheet) use(run string) {
	style := ""
	if s.bold {
		style = "B"
	}
	for _, r := range run {
		s.SetFont(family(r), style, s.size)
		return
	}
}

// wide is how wide a text is.
func (s *sheet) wide(text string) float64 {
	w := 0.0
	for _, run := range runs(text) {
		s.use(run)
		w += s.GetStringWidth(run)
	}
	return w
}

// put writes a text at the pen, on one line.
func (s *sheet) put(text string) {
	for _, run := range runs(text) {
		s.use(run)
		s.CellFormat(s.GetStringWidth(run), s.leading(), run, "", 0, "L", false, 0, "")
	}
}

// line writes a text and wraps it within a width, from where the pen is; the lines after the first begin there too.
func (s *sheet) line(text string, width float64) {
	left := s.GetX()
	for _, part := range s.wrap(text, width) {
		s.room(s.leading())
		s.SetX(left)
		s.put(part)
		s.Ln(s.leading())
	}
	s.SetX(left)
}

// wrap cuts a text into lines of a width.
func (s *sheet) wrap(text string, width float64) []string {
	var lines []string
	now := ""
	for _, word := range strings.Fields(text) {
		if with := strings.TrimSpace(now + " " + word); now == "" || s.wide(with) <= width {
			now = with
			continue
		}
		lines, now = append(lines, now), word
	}
	return append(lines, now)
}

// heading begins a part, with its place in the outline.
func (s *sheet) heading(text string, level int) {
	s.font(15-3*float64(level), true)
	s.room(s.leading() * 3)
	s.Ln(2)
	s.Bookmark(text, level, -1)
	s.colour(bark)
	s.SetX(margin)
	s.line(text, s.width())
	s.colour(black)
}
