package instructions

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/position"
	"acornstep/sock/said/words"
)

// Item is a line of the instructions: rows that are worked so, or lines that are worked again.
type Item struct {
	// First and Last are the rows that it is about, counted from 0 in the plan.
	First int `json:"first"`
	Last  int `json:"last"`
	// Label names the rows: "Round 3", "Rounds 3 to 12", "Row 4 (WS)"; of a repeat, what is worked again.
	Label string `json:"label"`
	// Text is what to do; empty for a repeat, whose label says all.
	Text string `json:"text"`
	// Check is what is seen and counted afterwards, Note what to know before; both may be empty.
	Check string `json:"check"`
	Note  string `json:"note"`
	// Before names the row before which the note is said: "Before round 3"; empty where there is no note.
	Before string `json:"before"`
}

// Section is a part of the sock with its lines.
type Section struct {
	Section needle.Section `json:"section"`
	Title   string         `json:"title"`
	Rows    int            `json:"rows"`
	Items   []Item         `json:"items"`
}

// longestRepeat is how many rows a repeat has at most.
const longestRepeat = 12

// Of writes the rows of a plan, with the sock as it was knitted; each on a line of its own where every row is asked for.
func Of(p *plan.Plan, t *knitted.Sock, every bool) []Section {
	w := writer{p: p, every: every, parts: words.Written(t, &p.Design), fingers: position.Fingers(p, t)}
	var list []Section
	for from := 0; from < len(p.Rows); {
		to := from
		for to < len(p.Rows) && p.Rows[to].Section == p.Rows[from].Section {
			to++
		}
		w.items = nil
		w.said = ""
		w.section(from, to)
		for i := range w.items {
			w.items[i].Before = w.items[i].before()
		}
		section := p.Rows[from].Section
		list = append(list, Section{section, Title(section), to - from, w.items})
		from = to
	}
	return list
}

var titles = map[needle.Section]string{
	needle.CastOn: "Cast on", needle.Toe: "Toe", needle.Foot: "Foot", needle.Heel: "Heel", needle.Gusset: "Gusset", needle.Leg: "Leg",
	needle.Cuff: "Cuff", needle.BindOff: "Bind off",
}

// Title is what a section is called above its rows.
func Title(s needle.Section) string { return titles[s] }

// writer writes one section after the other.
type writer struct {
	p       *plan.Plan
	every   bool
	parts   [][]words.Part
	fingers []string
	items   []Item
	// said is the needle of the last row that was worked on one alone.
	said string
}

// alike says whether two rows are written alike.
func (w *writer) alike(a, b int) bool {
	x, y := &w.p.Rows[a], &w.p.Rows[b]
	return x.Kind == y.Kind && x.Side == y.Side && x.Colour == y.Colour && x.Note == y.Note &&
		slices.EqualFunc(w.parts[a], w.parts[b], func(p, q words.Part) bool { return p.On == q.On && p.Short == q.Short })
}

// section writes the rows of a section, the longest saving first.
func (w *writer) section(from, to int) {
	for at := from; at < to; {
		if w.p.Rows[at].TurnsOnly() && at+1 < to {
			w.turnedFirst(at)
			at += 2
			continue
		}
		rows, times := 1, 1
		best := 0
		for size := 1; !w.every && size <= longestRepeat && at+2*size <= to; size++ {
			n := 1
			for at+(n+1)*size <= to && w.again(at, at+n*size, size) {
				n++
			}
			// A repeat of several rows needs a line of its own.
			if saved := (n-1)*size - min(1, size-1); n > 1 && saved > best {
				rows, times, best = size, n, saved
			}
		}
		w.block(at, rows, times)
		at += rows * times
	}
}

func (w *writer) again(a, b, size int) bool {
	for i := range size {
		if !w.alike(a+i, b+i) {
			return false
		}
	}
	return true
}

// turnedFirst writes a row with the turn that leads into it: a turn alone is no row.
func (w *writer) turnedFirst(at int) {
	w.said = ""
	w.line(at+1, at+1)
	item := &w.items[len(w.items)-1]
	item.First, item.Text, item.Note = at, turnFirst+item.Text, strings.TrimSpace(w.note(at)+" "+item.Note)
}

// block writes so many rows and how often they are worked.
func (w *writer) block(at, rows, times int) {
	if rows == 1 {
		w.line(at, at+times-1)
		return
	}
	for i := at; i < at+rows; {
		last := i
		for last+1 < at+rows && w.alike(i, last+1) {
			last++
		}
		w.line(i, last)
		i = last + 1
	}
	end := at + rows*times - 1
	which := w.several(at, at+rows-1)
	w.items = append(w.items, Item{
		First: at + rows, Last: end, Check: w.check(end, true),
		Label: fmt.Sprintf("%s, %s more (to %s %d)", which, often(times-1), strings.ToLower(kinds(w.p.Rows[end:end+1])), needle.NumberOf(w.p.Rows, end)),
	})
}

// several names rows that come one after the other: the first and the last.
func (w *writer) several(first, last int) string {
	between := "to"
	if last == first+1 {
		between = "and"
	}
	return fmt.Sprintf("%ss %d %s %d", kinds(w.p.Rows[first:last+1]), needle.NumberOf(w.p.Rows, first), between,
		needle.NumberOf(w.p.Rows, last))
}

func often(n int) string {
	if n == 1 {
		return "once"
	}
	return fmt.Sprintf("%d times", n)
}

// kinds is what some rows are called together.
func kinds(rows []needle.Row) string {
	for i := range rows {
		if rows[i].Kind != needle.Round {
			return "Row"
		}
	}
	return "Round"
}

// line writes rows that are worked alike.
func (w *writer) line(first, last int) {
	row := &w.p.Rows[first]
	label := fmt.Sprintf("%s %d", kinds(w.p.Rows[first:first+1]), needle.NumberOf(w.p.Rows, first))
	if last > first {
		label = w.several(first, last)
	}
	if row.Kind != needle.Round && row.Section != needle.CastOn { // what is cast on has no side before it is worked
		label += " (" + string(row.Side) + ")"
	}
	w.items = append(w.items, Item{First: first, Last: last, Label: label, Text: w.text(first), Check: w.check(last, last > first),
		Note: w.note(first)})
}

// note is what a row says beside its words, and its yarn where that is another than before.
func (w *writer) note(i int) string {
	row := &w.p.Rows[i]
	if row.Note == "" && i > 0 && row.Colour != w.p.Rows[i-1].Colour {
		if row.Colour == "" {
			return "In the sock's own yarn again."
		}
		return fmt.Sprintf("In the %s yarn.", row.Colour)
	}
	return row.Note
}

// check is what is counted after a row: the stitches where they changed, the groups beside the gaps.
func (w *writer) check(i int, repeat bool) string {
	row := &w.p.Rows[i]
	if w.fingers[i] != "" && (repeat || w.every || i+1 == len(w.p.Rows) || w.fingers[i+1] == "") {
		return w.fingers[i]
	}
	if changed := i == 0 || w.p.Rows[i-1].Stitches != row.Stitches; (changed || repeat && row.Section == needle.Toe) &&
		row.Stitches > 0 && w.fingers[i] == "" {
		return fmt.Sprintf("%d stitches", row.Stitches)
	}
	return ""
}

// text says the parts of a row; one needle that the row before was worked on alone is not named again, and what is
// alike on all is said once.
func (w *writer) text(i int) string {
	parts := w.parts[i]
	var laid []string
	for len(parts) > 0 && parts[0].On == layFirst {
		laid, parts = append(laid, parts[0].On+": "+parts[0].Short), parts[1:]
	}
	row := &w.p.Rows[i]
	switch {
	case len(parts) == 0:
	case len(parts) == 1:
		if on := parts[0].On; on != "" && on == w.said && len(laid) == 0 {
			laid = append(laid, parts[0].Short)
		} else {
			laid = append(laid, named(parts[0]))
		}
	case len(parts) == len(row.OnNeedles) && allAlike(parts):
		if parts[0].Short == toTheEnd && row.Kind == needle.Round {
			laid = append(laid, allRound)
		} else {
			laid = append(laid, eachNeedle+": "+parts[0].Short)
		}
	default:
		for _, p := range parts {
			laid = append(laid, named(p))
		}
	}
	w.said = ""
	if len(parts) == 1 {
		w.said = parts[0].On
	}
	return strings.Join(laid, ". ")
}

// Words of the grammar.
const (
	layFirst   = "first"
	turnFirst  = "turn. "
	eachNeedle = "on each needle"
	allRound   = "knit all round"
	toTheEnd   = "knit to the end"
)

func named(p words.Part) string {
	if p.On == "" {
		return p.Short
	}
	return p.On + ": " + p.Short
}

func allAlike(parts []words.Part) bool {
	for _, p := range parts {
		if p.Short != parts[0].Short || p.Needle == 0 || strings.Contains(p.On, "new one") {
			return false
		}
	}
	return true
}
