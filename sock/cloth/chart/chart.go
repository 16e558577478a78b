// Package chart draws rows as cells: each row as it lies, seen from the right
// side, the first at the bottom, numbered where it begins.
package chart

import (
	"fmt"
	"slices"

	"acornstep/sock/cloth/fabric"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

// Chart is some rows of a sock, or a repeat of a pattern.
type Chart struct {
	Name  string `json:"name"`
	Title string `json:"title"`
	// Columns is how wide it is, in cells.
	Columns int   `json:"columns"`
	Rows    []Row `json:"rows"`
	// Symbols are those that occur, the legend.
	Symbols []Symbol `json:"symbols"`
	// Repeat, when there is one, is a frame: so many cells and rows that are worked again and again.
	Repeat bool `json:"repeat,omitempty"`
}

// Row is one row of a chart.
type Row struct {
	// Row is its number in the plan, counted from 0; -1 in a pattern. N is what stands beside it.
	Row  int         `json:"row"`
	N    int         `json:"n"`
	Side needle.Side `json:"side" enum:"RS,WS"`
	// From is where its first cell lies, in halves of a cell from the left.
	From int `json:"from"`
	// Cells name their symbols, from the left.
	Cells []string `json:"cells"`
	// Colour of its yarn; empty for the sock's own.
	Colour string `json:"colour,omitempty"`
}

// tallest is how many rows a chart has at most: what repeats on is said in words.
const tallest = 80

// Of are the charts of a plan: the toe's increases, the heel, the gusset, and each pattern that shows.
func Of(p *plan.Plan, t *knitted.Sock, f *fabric.Fabric) []Chart {
	var list []Chart
	for _, c := range []struct {
		section     needle.Section
		name, title string
		half        bool
	}{
		{needle.Toe, "toe", "Toe, one half of the stitches", true},
		{needle.Heel, "heel", "Heel", false},
		{needle.Gusset, "gusset", "Gusset, the stitches of the heel", false},
	} {
		drawn := draw(p, t, f, c.section, c.half)
		if len(drawn.Rows) == 0 || !shows(&drawn) {
			continue
		}
		drawn.Name, drawn.Title = c.name, c.title
		list = append(list, drawn)
	}
	seen := map[string]bool{}
	for _, name := range []string{p.Design.Leg.InstepPattern, p.Design.Leg.Pattern, p.Design.Cuff.Pattern} {
		if found := pattern.Find(name, p.Design.Patterns); found != nil && !found.Plain() && !seen[name] {
			seen[name] = true
			list = append(list, repeatOf(found))
		}
	}
	return list
}

// shows says whether there is anything to see in a chart.
func shows(c *Chart) bool {
	return slices.ContainsFunc(c.Symbols, func(s Symbol) bool { return len(s.Lines) > 0 && s.Name != rests.Name })
}

// draw charts the rows of a section. Half of the stitches is the instep's; otherwise those of the sole, or of a heel that is wider.
func draw(p *plan.Plan, t *knitted.Sock, f *fabric.Fabric, section needle.Section, half bool) Chart {
	b := builder{used: map[string]Symbol{}}
	low, tail := extent(p, t, section)
	for i := range p.Rows {
		row := &p.Rows[i]
		if row.Section != section || len(row.Ops) == 1 && row.Ops[0].Code == needle.Turn {
			continue
		}
		after := t.After(i)
		from, to := 0, after.Sole
		switch {
		case !half && row.Section == needle.Heel:
			from, to = low, len(after.Loops)-tail
		case !half:
			from, to = after.Sole, len(after.Loops)
		}
		if to <= from || len(b.rows) == tallest {
			continue
		}
		r := Row{Row: i, N: needle.NumberOf(p.Rows, i), Side: row.Side, Colour: row.Colour, Cells: make([]string, 0, to-from)}
		for k := to - 1; k >= from; k-- { // loops are numbered as the right side works them: from the right
			r.Cells = append(r.Cells, b.use(symbolOf(f, after.Loops[k].Made, i)))
		}
		if !slices.ContainsFunc(r.Cells, func(cell string) bool { return cell != rests.Name }) {
			continue // it is worked elsewhere
		}
		b.rows = append(b.rows, r)
	}
	return b.chart()
}

// extent is where the short rows of a heel lie: before which loop none is worked, and how many of the last ones none works.
func extent(p *plan.Plan, t *knitted.Sock, section needle.Section) (low, tail int) {
	low, tail = 1<<30, 1<<30
	for i := range p.Rows {
		row, step := &p.Rows[i], t.Steps[i]
		if row.Section != section || row.Kind == needle.Round || step.Worked == 0 || !turns(row) && (i == 0 || !turns(&p.Rows[i-1])) {
			continue // what is worked over the instep belongs to no short row
		}
		before := t.Before(i)
		from, to := step.From, step.From+step.Worked
		if row.Side == needle.WS {
			from, to = step.From-step.Worked, step.From
			if step.From == 0 {
				from, to = len(before.Loops)-step.Worked, len(before.Loops)
			}
		}
		low, tail = min(low, from), min(tail, len(before.Loops)-to)
	}
	if low == 1<<30 {
		return 0, 0
	}
	return max(0, low), max(0, tail)
}

// turns says whether a row ends with a turn.
func turns(r *needle.Row) bool {
	last := r.Ops[len(r.Ops)-1].Code
	return last == needle.Turn || last == needle.WT
}

// symbolOf is what a stitch shows after a row: what the row made of it or did to it, or that it waits.
func symbolOf(f *fabric.Fabric, made int32, row int) Symbol {
	s := &f.Stitches[made]
	did := func(rows []int32) bool { return slices.Contains(rows, int32(row)) }
	switch {
	case did(s.Legs):
		return symbols[needle.DS]
	case did(s.Wraps):
		return symbols[needle.WT]
	case did(s.Pins):
		return symbols[needle.SlPin]
	case did(s.Slips):
		return symbols[needle.Sl]
	case int(s.Row) != row:
		return rests
	}
	switch code := s.Code; {
	case code == needle.K || code == needle.P:
		if s.Face() == fabric.Bump {
			return symbols[needle.P]
		}
		return symbols[needle.K]
	default:
		return symbols[code]
	}
}

// builder puts a chart together.
type builder struct {
	rows []Row
	used map[string]Symbol
	list []Symbol
}

func (b *builder) use(s Symbol) string {
	if _, known := b.used[s.Name]; !known {
		b.used[s.Name] = s
		b.list = append(b.list, s)
	}
	return s.Name
}

// chart centres the rows on the widest one.
func (b *builder) chart() Chart {
	c := Chart{Rows: b.rows, Symbols: b.list}
	for i := range c.Rows {
		c.Columns = max(c.Columns, len(c.Rows[i].Cells))
	}
	for i := range c.Rows {
		c.Rows[i].From = c.Columns - len(c.Rows[i].Cells)
	}
	return c
}

// repeatOf charts one repeat of a pattern, framed.
func repeatOf(p *pattern.Pattern) Chart {
	b := builder{used: map[string]Symbol{}}
	for n, round := range p.Rounds {
		r := Row{Row: -1, N: n + 1, Side: needle.RS}
		for _, o := range round {
			for range o.N * o.Code.Makes() {
				r.Cells = append(r.Cells, b.use(symbols[o.Code]))
			}
		}
		slices.Reverse(r.Cells) // the first stitch lies at the right
		b.rows = append(b.rows, r)
	}
	c := b.chart()
	c.Name, c.Title, c.Repeat = "pattern-"+p.Name, fmt.Sprintf("%s, a repeat of %d stitches", p.Label, p.Repeat), true
	return c
}
