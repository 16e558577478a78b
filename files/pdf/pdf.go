// Package pdf puts the pattern of a sock on paper.
package pdf

import (
	"bytes"
	"embed"
	"fmt"
	"sync"
	"time"

	"codeberg.org/go-pdf/fpdf"

	"acornstep/sock/teach/leaflet"
)

// Papers are the sizes of paper that a pattern is printed on.
var Papers = []string{"a4", "letter"}

// Print is how a pattern is put on paper.
type Print struct {
	// Paper is one of [Papers]; empty for A4.
	Paper string
	// Large is large print, Black uses black ink only.
	Large, Black bool
}

//go:embed fonts/*.woff
var fontFiles embed.FS

// faces are the fonts by their style, plain and bold; the second ones have the letters of the rest of Europe.
var faces = sync.OnceValues(func() (map[string][]byte, error) {
	all := map[string][]byte{}
	for _, name := range []string{"latin-400", "latin-700", "latin-ext-400", "latin-ext-700"} {
		woff, err := fontFiles.ReadFile("fonts/" + name + ".woff")
		if err != nil {
			return nil, err
		}
		if all[name], err = trueType(woff); err != nil {
			return nil, err
		}
	}
	return all, nil
})

// Measures of a page, in millimetres and points.
const (
	margin  = 16.0
	body    = 10.0
	enlarge = 1.5
	inPoint = 25.4 / 72
)

// ink is a colour.
type ink [3]int

var (
	black = ink{0, 0, 0}
	moss  = ink{85, 114, 58}
	acorn = ink{176, 98, 38}
	bark  = ink{107, 74, 47}
	shaft = ink{176, 154, 124}
	muted = ink{95, 88, 78}
	rose  = ink{163, 47, 54}
	paper = ink{255, 255, 255}
)

// sheet is a document that is being written.
type sheet struct {
	*fpdf.Fpdf
	print Print
	// size is that of the text in points; bold says whether it is.
	size float64
	bold bool
}

// Of prints a pattern. The fonts are embedded, as far as their letters occur; text can be selected and the sections are in the outline.
func Of(l *leaflet.Leaflet, print Print) ([]byte, error) {
	fonts, err := faces()
	if err != nil {
		return nil, fmt.Errorf("pdf: %w", err)
	}
	size := map[string]string{"": "A4", "a4": "A4", "letter": "Letter"}[print.Paper]
	if size == "" {
		return nil, fmt.Errorf("pdf: paper %q is none of %q", print.Paper, Papers)
	}
	s := &sheet{Fpdf: fpdf.New("P", "mm", size, ""), print: print}
	s.SetCreationDate(time.Unix(0, 0).UTC()) // the same pattern is the same file
	s.SetModificationDate(time.Unix(0, 0).UTC())
	s.SetCatalogSort(true)
	s.SetTitle(printed(l.Title), true)
	s.SetCreator("Acorn Step", true)
	for _, family := range []string{latin, latinExt} {
		s.AddUTF8FontFromBytes(family, "", fonts[family+"-400"])
		s.AddUTF8FontFromBytes(family, "B", fonts[family+"-700"])
	}
	s.SetMargins(margin, margin, margin)
	s.SetAutoPageBreak(true, margin)
	s.SetFooterFunc(func() {
		size, bold := s.size, s.bold
		s.SetY(-margin + 4)
		s.font(7.5, false)
		s.colour(muted)
		s.put(fmt.Sprintf("%s · page %d", l.Title, s.PageNo()))
		s.size, s.bold = size, bold
	})
	s.front(l)
	s.instructions("Instructions", l.Sections)
	if len(l.Second) > 0 {
		s.instructions("The second sock, where it differs", l.Second)
	}
	s.heading("To finish", 1)
	for _, left := range l.Finish {
		s.point(left)
	}
	s.charts(l.Charts)
	s.notes(l.Notes)
	s.moves(l.Moves)
	var b bytes.Buffer
	if err := s.Output(&b); err != nil {
		return nil, fmt.Errorf("pdf: %w", err)
	}
	return b.Bytes(), nil
}

// width is that of the text.
func (s *sheet) width() float64 { w, _ := s.GetPageSize(); return w - 2*margin }

func (s *sheet) bottom() float64 { _, h := s.GetPageSize(); return h - margin }

// room begins a new page when so much does not fit any more.
func (s *sheet) room(height float64) {
	if s.GetY()+height > s.bottom() {
		s.AddPage()
	}
}

func (s *sheet) font(points float64, bold bool) {
	if s.print.Large && points >= body-2 {
		points *= enlarge
	}
	s.size, s.bold = points, bold
}

// leading is the height of a line, in millimetres.
func (s *sheet) leading() float64 { return s.size * inPoint * 1.32 }

func (s *sheet) colour(c ink) {
	if s.print.Black && c != paper {
		c = black
	}
	s.SetTextColor(c[0], c[1], c[2])
	s.SetDrawColor(c[0], c[1], c[2])
	s.SetFillColor(c[0], c[1], c[2])
}
