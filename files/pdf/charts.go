package pdf

import (
	"slices"
	"strconv"

	"acornstep/sock/cloth/chart"
)

// Cells are so large at most, in millimetres, and so small that two charts stand beside each other where they can;
// the numbers of the rows have room beside them.
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
		s.Bookmark(printed(c.Title), 1, -1)
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
