package pdf

import (
	"fmt"
	"strings"
	"sync"
	"unicode"
	"unicode/utf8"

	"golang.org/x/image/font/sfnt"
)

// Fonts by the letters that they have; a letter that neither has is drawn as a box.
const (
	latin    = "latin"
	latinExt = "latin-ext"
	boxes    = ""
)

// cuts are which letters each font has, looked up in the fonts themselves.
var cuts = sync.OnceValues(func() (map[string]*sfnt.Font, error) {
	fonts, err := faces()
	if err != nil {
		return nil, err
	}
	all := map[string]*sfnt.Font{}
	for _, name := range []string{latin, latinExt} {
		if all[name], err = sfnt.Parse(fonts[name+"-400"]); err != nil {
			return nil, fmt.Errorf("font %s: %w", name, err)
		}
	}
	return all, nil
})

// family is the font that has a letter; boxes when none has it.
func family(r rune) string {
	if r < 0x100 || r >= 0x2000 && r <= 0x206f || strings.ContainsRune("ıŒœˆ˚˜€™−", r) {
		if hasLetter(latin, r) {
			return latin
		}
		return boxes
	}
	if hasLetter(latinExt, r) {
		return latinExt
	}
	return boxes
}

func hasLetter(font string, r rune) bool {
	if r == ' ' || r == '\u00a0' {
		return true
	}
	all, err := cuts()
	if err != nil || r > 0xffff { // the letters beyond are in none of them
		return false
	}
	var buffer sfnt.Buffer
	at, err := all[font].GlyphIndex(&buffer, r)
	return err == nil && at != 0
}

// noWidth says whether a letter only changes the one before it: where that is a box, it is nothing more.
func noWidth(r rune) bool {
	return unicode.Is(unicode.Mn, r) || unicode.Is(unicode.Me, r) || unicode.Is(unicode.Cf, r) || unicode.IsControl(r) || r >= 0xfe00 &&
		r <= 0xfe0f
}

// run is a part of a text in one font.
type run struct{ font, text string }

// runs cut a text where the font changes.
func runs(text string) []run {
	var list []run
	for _, r := range text {
		f := family(r)
		if f == boxes && noWidth(r) {
			continue
		}
		if n := len(list); n == 0 || list[n-1].font != f {
			list = append(list, run{font: f})
		}
		list[len(list)-1].text += string(r)
	}
	return list
}

// printed is a text with a box for each letter that the fonts lack, for places where only text can stand.
func printed(text string) string {
	var b strings.Builder
	for _, part := range runs(text) {
		if part.font == boxes {
			b.WriteString(strings.Repeat("?", utf8.RuneCountInString(part.text)))
			continue
		}
		b.WriteString(part.text)
	}
	return b.String()
}

// use sets the font for a run.
func (s *sheet) use(part run) {
	style := ""
	if s.bold {
		style = "B"
	}
	font := part.font
	if font == boxes {
		font = latin
	}
	s.SetFont(font, style, s.size)
}

// boxWide is how wide a box is, and boxHigh how high, as shares of the size of the letters beside it.
const boxWide, boxHigh = 0.62, 0.7

// widthOf is how wide a run is in the font that is in use.
func (s *sheet) widthOf(part run) float64 {
	if part.font == boxes {
		return float64(utf8.RuneCountInString(part.text)) * boxWide * s.size * inPoint
	}
	return s.GetStringWidth(part.text)
}

// wide is how wide a text is.
func (s *sheet) wide(text string) float64 {
	w := 0.0
	for _, part := range runs(text) {
		s.use(part)
		w += s.widthOf(part)
	}
	return w
}

// put writes a text at the pen, on one line.
func (s *sheet) put(text string) {
	for _, part := range runs(text) {
		s.use(part)
		if part.font == boxes {
			s.boxed(utf8.RuneCountInString(part.text))
			continue
		}
		s.CellFormat(s.widthOf(part), s.leading(), part.text, "", 0, "L", false, 0, "")
	}
}

// boxed draws boxes for so many letters.
func (s *sheet) boxed(n int) {
	s.SetLineWidth(0.18)
	s.SetDrawColor(0, 0, 0)
	em := s.size * inPoint
	x, y := s.GetXY()
	for i := range n {
		s.Rect(x+(float64(i)+0.08)*boxWide*em, y+(s.leading()-boxHigh*em)/2, (boxWide*0.84)*em, boxHigh*em, "D")
	}
	s.SetX(x + float64(n)*boxWide*em)
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
	s.Bookmark(printed(text), level, -1)
	s.colour(bark)
	s.SetX(margin)
	s.line(text, s.width())
	s.colour(black)
}
