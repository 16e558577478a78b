package words

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/papers/design"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Part is the part of a row that is worked on one needle, or between two markers.
type Part struct {
	// Needle counts from 1; 0 when no needle is meant.
	Needle int `json:"needle"`
	// On names the needle: instep, sole, or the marker where the part begins.
	On    string `json:"on"`
	Short string `json:"short"`
	Long  string `json:"long"`
	// Said is the sentence of which both are the words; nil in what was read.
	Said Sentence `json:"-"`
}

// partOf is a part of a row on a side, in words.
func partOf(on string, number int, said Sentence, side needle.Side) Part {
	return Part{Needle: number, On: on, Short: said.Words(side, false), Long: said.Words(side, true), Said: said}
}

// Row is a row in words.
type Row struct {
	ID string `json:"id"`
	// N is the number of the row within its section as people count.
	N     int    `json:"n"`
	Parts []Part `json:"parts"`
	// New lists operations that no row before this one had.
	New []string `json:"new"`
}

// Sentence is the row in one line, with its needles.
func (r *Row) Sentence(long bool) string {
	parts := make([]string, len(r.Parts))
	for i, p := range r.Parts {
		parts[i] = p.Short
		if long {
			parts[i] = p.Long
		}
		if p.On != "" {
			parts[i] = p.On + ": " + parts[i]
		}
	}
	return strings.Join(parts, "; ")
}

// Rows says all rows of a sock that were worked, each stitch on the needle on
// which it lies when the row is done.
func Rows(t *knitted.Sock, d *design.Design) []Row {
	said := make([]Row, 0, len(t.Rows))
	seen := map[needle.Code]bool{}
	var before lying
	for i := range t.Rows {
		row, step := &t.Rows[i], t.Steps[i]
		after := lyingAfter(t, i, d)
		r := Row{ID: row.ID, N: needle.NumberOf(t.Rows, i), New: []string{}}
		if i > 1 && slices.Equal(row.Ops, t.Rows[i-1].Ops) && slices.Equal(row.Moves, t.Rows[i-1].Moves) && step == t.Steps[i-1] && after.same(before) &&
			row.Section == t.Rows[i-1].Section && before.same(lyingAfter(t, i-2, d)) {
			r.Parts = said[i-1].Parts // most rounds are worked like the one before
		} else {
			if i > 0 {
				r.Parts = layFirst(t, i, before, after)
			}
			if len(r.Parts) > 0 && len(row.Moves) == 0 {
				before.on = []int{1, 1, 1, 1} // laid anew, no needle is new any more
			}
			r.Parts = append(r.Parts, partsOf(t, i, before, after)...)
		}
		before = after
		for _, o := range row.Ops {
			if !seen[o.Code] {
				seen[o.Code] = true
				r.New = append(r.New, o.Code.String())
			}
		}
		said = append(said, r)
	}
	return said
}

// partsOf says the operations of a row needle by needle.
func partsOf(t *knitted.Sock, i int, before, after lying) []Part {
	var parts []Part
	taken := 0
	for _, part := range split(t, i, after) {
		said := folded(part.ops, part.wholeNeedle, doing(t, i, after, part.needle))
		on, number := "", 0
		if part.needle >= 0 {
			number, on = part.needle+1, after.names[part.needle]
			if markersHang(t, i) {
				on = fromMarker(t, i, part.needle, taken)
			}
			if !t.Before(i).Open && len(before.on) > 0 && (len(before.on) <= part.needle || before.on[part.needle] == 0) &&
				len(after.on) > 1 && before.needles == after.needles {
				on += ", a new one"
			}
		}
		for _, o := range part.ops {
			taken += o.N * o.Code.Takes()
		}
		if part.ops[0].Code == needle.CO {
			said = append(said, Lay{On: after.on, text: after.told(after.on)})
		}
		parts = append(parts, partOf(on, number, said, t.Before(i).Side))
	}
	return parts
}

// doing makes steps of the operations of a row: where stitches carry two wraps both are said to be lifted, and a stitch that is wrapped is
// said to lie on another needle than the one in the hand.
func doing(t *knitted.Sock, i int, after lying, inHand int) func(needle.Op) Do {
	both, on := bothWraps(t, i), wrappedOn(t, i, after, inHand)
	return func(o needle.Op) Do {
		d := Do{Op: o, Both: both && (o.Code == needle.KW || o.Code == needle.PW)}
		if o.Code == needle.WT {
			d.On = on
		}
		return d
	}
}

// markersHang says whether two markers part the halves of the sock: on a single needle, where the round begins between them.
func markersHang(t *knitted.Sock, i int) bool {
	return len(t.Rows[i].OnNeedles) == 1 && t.Rows[i].From == 0 && t.Rows[i].InstepBegins() == 0 && (i == 0 || t.Rows[i-1].From == 0) && t.Before(i).Sole > 0
}

// fromMarker names the half in which a part of a row is worked, and the marker from which it is, if one hangs there.
func fromMarker(t *knitted.Sock, i, half, taken int) string {
	row, state := &t.Rows[i], t.Before(i)
	front, back := halves(row.Section)
	all, at, name := len(state.Loops), t.Steps[i].From+taken, []string{front, back}[half]
	if state.Side == needle.WS {
		at -= 2 * taken
	}
	at = (at + all) % all
	if row.Ops[0].Code == needle.Start && taken == 0 {
		at = 0
	}
	way := "from"
	if state.Side == needle.WS {
		way = "back from"
	}
	switch {
	case at == 0 && (half == 0) == (state.Side == needle.RS):
		return fmt.Sprintf("%s the start marker (%s)", way, name)
	case at == state.Sole && state.Side == needle.WS:
		return fmt.Sprintf("%s the %s marker (%s)", way, back, name)
	case at == state.Sole:
		return fmt.Sprintf("%s the %s marker", way, back)
	}
	return "on the " + name
}

// wrappedOn names the needle of the stitch that a row wraps, where that is another one than the needle in the hand.
func wrappedOn(t *knitted.Sock, i int, after lying, inHand int) string {
	state, at := t.After(i), t.Steps[i].To
	all := len(state.Loops)
	if all == 0 || len(t.Rows[i].OnNeedles) < 2 || inHand < 0 {
		return ""
	}
	if t.Before(i).Side == needle.WS {
		at = (at - 1 + all) % all
	}
	on := after.needleOf(at, all)
	if on == inHand {
		return ""
	}
	return plainName(after.names[on])
}

// plainName is a needle without the half that it holds.
func plainName(name string) string {
	plain, _, _ := strings.Cut(name, " (")
	if plain == "holder" {
		return "the holder"
	}
	return plain
}

// bothWraps says whether every stitch that a row works with its wrap carries two.
func bothWraps(t *knitted.Sock, i int) bool {
	state, at, some := t.Before(i), t.Steps[i].From, false
	all, rs := len(state.Loops), state.Side != needle.WS
	for _, o := range t.Rows[i].Ops {
		for range o.N * o.Code.Takes() {
			if !rs {
				at = (at - 1 + all) % all
			}
			if o.Code == needle.KW || o.Code == needle.PW {
				if some = true; state.Loops[at].Wraps < needle.MaxWraps {
					return false
				}
			}
			if rs {
				at = (at + 1) % all
			}
		}
	}
	return some
}

// needlePart is what is worked on to one needle.
type needlePart struct {
	needle int // index of the needle, -1 for none
	ops    []needle.Op
	// wholeNeedle: the stitches of this needle, all of them and no others, are worked.
	wholeNeedle bool
}

// split cuts the operations of a row where the stitches come to lie on another needle.
func split(t *knitted.Sock, i int, after lying) []needlePart {
	row, state, step := &t.Rows[i], t.Before(i), t.Steps[i]
	if code := row.Ops[0].Code; code == needle.CO || code == needle.COChain {
		return []needlePart{{needle: -1, ops: row.Ops}}
	}
	made, all := leaves(row), len(t.After(i).Loops)
	// The loops that the row leaves lie in a stretch that ends, in the direction of work, where the yarn is.
	at, each, rs := step.To-made, 1, state.Side != needle.WS
	if !rs {
		at, each = step.To+made-1, -1
	} else if step.To == 0 && made > 0 {
		at += all
	}
	var c cutter
	from, bound := step.From-after.hadFrom, max(1, len(state.Loops))
	for _, o := range row.Ops {
		makes := o.Code.Makes()
		switch {
		case o.Code == needle.BO:
			from = c.run(o, from, 1, func(at int) int { return needleOf(after.had, (at%bound+bound)%bound) })
		case o.Code.Takes() == 0 && makes != 1 || o.Code == needle.Unzip:
			c.hold(o)
		default:
			at = c.run(o, at, each*makes, func(at int) int { return after.needleOf(at, all) })
		}
	}
	if len(c.held) > 0 {
		c.parts = append(c.parts, needlePart{needle: -1, ops: c.held})
	}
	if !after.moved {
		markWhole(c.parts, step.From-after.hadFrom, len(state.Loops), after.had, rs)
	}
	return c.parts
}

// leaves is how many loops the operations of a row leave.
func leaves(row *needle.Row) int {
	made := 0
	for _, o := range row.Ops {
		if o.Code.Takes() > 0 || o.Code.Makes() == 1 {
			made += o.Code.Makes() * o.N
		}
	}
	return made
}

// cutter puts the parts of a row together.
type cutter struct {
	parts []needlePart
	// held is what is done before it is known on which needle.
	held []needle.Op
}

// run cuts a run of one operation where its loops lie on another needle, and gives the place after it; each of them is so far from the one before.
func (c *cutter) run(o needle.Op, at, each int, needleOf func(at int) int) int {
	for left := o.N; left > 0; {
		on, n := needleOf(at), 0
		for n < left && needleOf(at) == on {
			n, at = n+1, at+each
		}
		c.add(on, needle.Op{Code: o.Code, N: n})
		left -= n
	}
	return at
}

// add puts an operation on a needle; what is the same as before is said once: "k2tog 10 times".
func (c *cutter) add(on int, o needle.Op) {
	last := len(c.parts) - 1
	if last < 0 || c.parts[last].needle != on {
		c.parts = append(c.parts, needlePart{needle: on, ops: c.held})
		c.held = nil
		last++
	}
	ops := c.parts[last].ops
	if n := len(ops) - 1; n >= 0 && ops[n].Code == o.Code {
		ops[n].N += o.N
		return
	}
	c.parts[last].ops = append(ops, o)
}

// hold keeps what leaves no loop with the part so far, or for the one that comes.
func (c *cutter) hold(o needle.Op) {
	if last := len(c.parts) - 1; last >= 0 {
		c.parts[last].ops = append(c.parts[last].ops, o)
	} else {
		c.held = append(c.held, o)
	}
}

// markWhole finds the parts that take all the stitches of a needle and no others; the yarn is at a place
// counted from the first needle's first loop.
func markWhole(parts []needlePart, at, all int, had []int, rs bool) {
	for p := range parts {
		part := &parts[p]
		takes := 0
		for _, o := range part.ops {
			takes += o.N * o.Code.Takes()
		}
		if part.needle >= 0 && part.needle < len(had) && all > 0 {
			begins := 0
			for _, n := range had[:part.needle] {
				begins += n
			}
			if !rs {
				begins += had[part.needle]
			}
			// What an earlier part of the row made on the same needle lies there too, where the round begins in the middle of it.
			earlier := slices.ContainsFunc(parts[:p], func(other needlePart) bool { return other.needle == part.needle })
			part.wholeNeedle = takes == had[part.needle] && ((at-begins)%all+all)%all == 0 && !earlier
		}
		if at += takes; !rs {
			at -= 2 * takes
		}
	}
}
