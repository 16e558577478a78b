// Package pdf puts the pattern of a sock on paper.
package pdf

import (
	"bytes"
	"embed"
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"sync"
	"time"

	"codeberg.org/go-pdf/fpdf"

	"acornstep/sock/chart"
	"acornstep/sock/hands"
	"acornstep/sock/instructions"
	"acornstep/sock/leaflet"
	"acornstep/sock/shape"
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
	s.SetTitle(l.Title, true)
	s.SetCreator("Acorn Step", true)
	for _, family := range []string{"latin", "latin-ext"} {
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

// front is what it will be, beside its drawing, and what lies ready.
func (s *sheet) front(l *leaflet.Leaflet) {
	s.AddPage()
	s.Bookmark(l.Title, 0, -1)
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
			s.drawing(l.Drawing, margin, under+2, s.width()*0.6, 90)
			under += 94
		} else {
			under = max(under, s.drawing(l.Drawing, margin+column+6, top, s.width()-column-6, 84))
		}
	}
	s.SetY(under + 2)
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
	s.room(s.leading() * 2)
	s.box(margin+0.5, s.GetY())
	spans := []span{{i.Label + ".", body, true, black}}
	if i.Text != "" {
		spans = []span{{i.Label + ":", body, true, black}, {i.Text + ".", body, false, black}}
	}
	if i.Check != "" {
		spans = append(spans, span{"– " + i.Check, body - 1, false, moss})
	}
	if i.Note != "" {
		spans = append(spans, span{i.Note, body - 1, false, muted})
	}
	s.flow(margin+6, spans...)
}

// drawing is the sock lying flat, every row a fine line; it gives where it ends.
func (s *sheet) drawing(d *shape.Shape, x, y, width, height float64) float64 {
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
	s.numbers(d, x, y, scale)
	return y + d.Height*scale + 7
}

// numbers stand beside the parts of a drawing: how many rows each has. Toe, foot and heel have theirs below, leg and cuff at the left.
func (s *sheet) numbers(d *shape.Shape, x, y, scale float64) {
	type part struct {
		rows                     int
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
		p.rows++
		for _, at := range d.Lines[i].Points {
			p.left, p.right = min(p.left, at[0]), max(p.right, at[0])
			p.bottom, p.top = min(p.bottom, at[1]), max(p.top, at[1])
		}
	}
	s.font(8, true)
	for _, name := range order {
		p, text := parts[name], fmt.Sprintf("%s %d", strings.ReplaceAll(name, "_", " "), parts[name].rows)
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

// Cells are so large at most, and so small that two charts stand beside each other where they can.
const (
	largestCell = 4.2
	smallCell   = 2.4
	besideChart = 9.0
)

// cellOf is how large the cells of a chart are: half a page wide where they can be, and never more than a page.
func (s *sheet) cellOf(c *chart.Chart) float64 {
	half := (s.width() - 4*besideChart) / 2
	cell := max(min(largestCell, half/float64(c.Columns)), smallCell)
	return min(cell, (s.width()-2*besideChart)/float64(c.Columns), (s.bottom()-margin-30)/float64(len(c.Rows)))
}

// charts are drawn beside each other as far as they fit, with one legend.
func (s *sheet) charts(list []chart.Chart) {
	if len(list) == 0 {
		return
	}
	// The heading goes with the first chart.
	s.room(24 + s.cellOf(&list[0])*float64(len(list[0].Rows)))
	s.heading("Charts", 0)
	s.font(body-1, false)
	s.line("As the right side shows it, the first row at the bottom; each number stands where its row begins.", s.width())
	x, top, deep := margin, s.GetY(), 0.0
	var symbols []chart.Symbol
	for i := range list {
		c := &list[i]
		cell := s.cellOf(c)
		wide, high := cell*float64(c.Columns)+2*besideChart, cell*float64(len(c.Rows))+8
		s.font(body, true)
		title := min(s.wide(c.Title), s.width())
		if x > margin && x+max(wide, title) > margin+s.width() {
			x, top, deep = margin, top+deep, 0
		}
		if top+max(deep, high) > s.bottom() {
			s.AddPage()
			x, top, deep = margin, s.GetY(), 0
		}
		s.SetXY(x, top)
		s.Bookmark(c.Title, 1, -1)
		s.colour(bark)
		s.font(body, true)
		s.put(c.Title)
		s.colour(black)
		s.chart(c, cell, x+besideChart-3, top+6.5)
		x, deep = x+max(wide, title+4), max(deep, high+2)
		for _, symbol := range c.Symbols {
			if !slices.ContainsFunc(symbols, func(known chart.Symbol) bool { return known.Name == symbol.Name }) {
				symbols = append(symbols, symbol)
			}
		}
	}
	s.SetXY(margin, top+deep)
	s.room(float64(len(symbols)+2) / 3 * 6)
	s.legend(symbols)
}

func (s *sheet) chart(c *chart.Chart, cell, left, top float64) {
	symbols := map[string]chart.Symbol{}
	for _, symbol := range c.Symbols {
		symbols[symbol.Name] = symbol
	}
	for i := range c.Rows {
		r := &c.Rows[i]
		y := top + cell*float64(len(c.Rows)-1-i)
		x := left + cell*float64(r.From)/2
		for k, name := range r.Cells {
			s.cell(symbols[name], x+cell*float64(k), y, cell, r.Colour != "")
		}
		s.font(max(5, min(7.5, cell*2.2)), false)
		number := strconv.Itoa(r.N)
		at := x + cell*float64(len(r.Cells)) + 1 // a row on the right side begins at the right
		if r.Side != "RS" {
			at = x - 1.5 - s.wide(number)
		}
		s.SetXY(at-1, y+(cell-s.leading())/2)
		s.put(number)
	}
	if c.Repeat {
		s.colour(rose)
		s.SetLineWidth(0.7)
		s.Rect(left, top, cell*float64(c.Columns), cell*float64(len(c.Rows)), "D")
		s.colour(black)
	}
}

// cell draws one, with its symbol; that of another yarn is shaded lightly.
func (s *sheet) cell(symbol chart.Symbol, x, y, side float64, other bool) {
	s.SetLineWidth(0.12)
	s.SetDrawColor(150, 145, 135)
	style := "D"
	if other && symbol.Name != "rests" {
		s.SetFillColor(244, 232, 214)
		if s.print.Black {
			s.SetFillColor(235, 235, 235)
		}
		style = "FD"
	}
	s.Rect(x, y, side, side, style)
	s.SetDrawColor(0, 0, 0)
	s.SetFillColor(0, 0, 0)
	s.SetLineWidth(max(0.18, side*0.09))
	for _, line := range symbol.Lines {
		for k, p := range line {
			if k == 0 {
				s.MoveTo(x+p[0]*side, y+p[1]*side)
			} else {
				s.LineTo(x+p[0]*side, y+p[1]*side)
			}
		}
		if symbol.Filled {
			s.DrawPath("F")
		} else {
			s.DrawPath("D")
		}
	}
}

// legend says what the symbols are, in three columns.
func (s *sheet) legend(symbols []chart.Symbol) {
	const side = 4
	s.font(body-1, false)
	const columns = 3
	top, column := s.GetY(), s.width()/columns
	rows := (len(symbols) + columns - 1) / columns
	for i, symbol := range symbols {
		x, y := margin+column*float64(i/rows), top+float64(i%rows)*(side+1.4)
		s.cell(symbol, x, y, side, false)
		s.SetXY(x+side+2, y+(side-s.leading())/2)
		s.put(symbol.Text)
	}
	s.SetXY(margin, top+float64(rows)*(side+1.4)+3)
}

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
	fmt.Fprintf(&words, "Look: %s Slip: %s", m.Look, m.Slip)
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
	inks := map[hands.Part]ink{hands.Yarn: moss, hands.Now: acorn, hands.Other: bark, hands.Needle: shaft, hands.Tip: shaft, hands.Cable: shaft, hands.Pin: black, hands.Hint: rose}
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
