package words

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/papers/design"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// lying is how the loops lie on the needles after a row.
type lying struct {
	// on counts the loops of each needle, or between two markers; the first of them begins with loop from.
	on    []int
	from  int
	names []string
	// had are the loops on the needles before the row, from loop hadFrom on.
	had     []int
	hadFrom int
	// moved: the row changes to other needles.
	moved bool
	// needles is how many of them there are.
	needles int
	// parked: the stitches that rest are on a holder, which comes first.
	parked bool
}

func (l lying) same(other lying) bool {
	return l.from == other.from && slices.Equal(l.on, other.on) && slices.Equal(l.names, other.names)
}

// told says how many loops are on each needle that has any.
func (l lying) told(on []int) string {
	var list []string
	for i, n := range on {
		if n > 0 {
			list = append(list, fmt.Sprintf("%d on %s", n, l.names[i]))
		}
	}
	return strings.Join(list, ", ")
}

// needleOf is the needle of a loop, counted from loop 0, of so many.
func (l lying) needleOf(loop, all int) int {
	if all == 0 {
		return 0
	}
	return needleOf(l.on, ((loop-l.from)%all+all)%all)
}

// needleOf is the needle of a loop, counted from the first one of the first needle.
func needleOf(on []int, loop int) int {
	for i, n := range on {
		if loop < n {
			return i
		}
		loop -= n
	}
	return len(on) - 1
}

// halves are what the two halves of the sock are called in a section: what is
// the sole of the foot is the back of the leg.
func halves(section needle.Section) (front, back string) {
	switch section {
	case needle.Gusset:
		return "instep", "heel"
	case needle.Leg, needle.Cuff, needle.BindOff:
		return "front", "back"
	}
	return "instep", "sole"
}

// lyingAfter is how the loops lie after row i: as the row says, and in a row of
// a time when rows did not say it, each half on its needles.
func lyingAfter(t *knitted.Sock, i int, d *design.Design) lying {
	row, after, before := &t.Rows[i], t.After(i), t.Before(i)
	count := len(after.Loops)
	needles := d.NeedlesIn(string(row.Section))
	arrangement := d.ArrangementIn(string(row.Section))
	front := after.Sole
	if row.From > 0 && row.Section != needle.Heel {
		front -= row.From // the round begins on the back
	}
	back := count - front
	if after.Open || front == 0 {
		front, back = count, 0
	}
	l := lying{on: row.OnNeedles, from: row.From, names: names(needles, arrangement, row.Section)}
	switch {
	case len(l.on) == 0:
		l.on = arrangement.Split(front, back)
	case wasParked(row):
		l.parked, l.names = true, []string{"holder", "heel needle 1", "heel needle 2"}
	case len(l.on) != arrangement.Needles():
		arrangement = design.Arrangement{Fronts: max(1, len(l.on)/2), Backs: len(l.on) - max(1, len(l.on)/2)}
		l.names = names(named[len(l.on)], arrangement, row.Section)
	}
	l.needles = len(l.on)
	if arrangement.Backs == 0 && len(l.on) == 1 {
		l.on = []int{front, back} // between the markers
		if row.From > 0 || row.InstepBegins() > 0 {
			front, back := halves(row.Section)
			l.names = []string{front, back} // the start marker hangs within one of them
		}
	}
	for len(l.names) < len(l.on) {
		l.names = append(l.names, fmt.Sprintf("needle %d", len(l.names)+1))
	}
	if i > 0 {
		l.had, l.hadFrom = t.Rows[i-1].OnNeedles, t.Rows[i-1].From
		if on, from, err := needle.Slid(l.had, l.hadFrom, row.Moves); err == nil {
			l.had, l.hadFrom = on, from
		}
		l.moved = len(l.had) != len(row.OnNeedles) || row.From > 0 && len(row.OnNeedles) == 1
	}
	if i > 0 && !l.parked && wasParked(&t.Rows[i-1]) {
		l.had = nil // they are laid anew before the row
	}
	if l.parked && i > 0 && t.Rows[i-1].From == 0 {
		l.had, l.hadFrom, l.moved = row.OnNeedles, row.From, false // as they are laid before the row
	}
	if len(l.had) != len(l.on) {
		l.had = arrangement.Split(before.Sole, len(before.Loops)-before.Sole)
		if arrangement.Backs == 0 {
			l.had = []int{before.Sole, len(before.Loops) - before.Sole}
		}
		if l.moved && row.Kind == needle.FlatRow && len(l.had) == len(l.on) && arrangement.Backs > 0 {
			l.had = laidFor(split(t, i, l), l.had, false) // they are laid so before the row
		}
	}
	return l
}

// wasParked says whether stitches rest on a holder after a row.
func wasParked(row *needle.Row) bool {
	return row.Section == needle.Heel && row.From > 0 && len(row.OnNeedles) == 1+design.HeelNeedles
}

// named are the needles that so many of them are likely to be.
var named = map[int]string{1: "short_circular", 2: design.UsualNeedles, 3: "dpn4", 4: "dpn5"}

// names are what the needles are called, or the markers from which on a part is worked.
func names(needles string, on design.Arrangement, section needle.Section) []string {
	front, back := halves(section)
	if needles == "short_circular" {
		return []string{"from the start marker (" + front + ")", "from the " + back + " marker"}
	}
	what := "needle"
	if needles == "two_circulars" {
		what = "circular"
	}
	list := make([]string, 0, on.Needles())
	for i := range on.Needles() {
		half := front
		if i >= on.Fronts {
			half = back
		}
		list = append(list, fmt.Sprintf("%s %d (%s)", what, i+1, half))
	}
	return list
}

// layFirst says how the stitches are laid before a row, where they are not worked on to their new needles.
func layFirst(t *knitted.Sock, i int, before, after lying) []Part {
	row, state := &t.Rows[i], t.Before(i)
	switch {
	case after.parked && !before.parked:
		rest, heel := after.on[0], len(state.Loops)-after.on[0]
		text := fmt.Sprintf("put %d stitches on a holder, all but the first %d and the last %d of the instep; lay the %d of the heel on two needles, %d and %d, from its right edge",
			rest, after.from, state.Sole-rest-after.from, heel, heel-heel/2, heel/2)
		return first(Lay{after.from, []int{rest, heel - heel/2, heel / 2}, text})
	case before.parked && !after.parked, row.Kind == needle.FlatRow && before.needles != after.needles && row.Section != needle.CastOn:
		if len(row.OnNeedles) == 1 {
			text := fmt.Sprintf("lay the stitches on the short circular needle: %d on it; hang a marker at the start and another after %d", len(state.Loops), after.had[0])
			return first(Lay{On: []int{len(state.Loops)}, text: text})
		}
		on := laidFor(split(t, i, after), after.had, row.Kind == needle.Round)
		return first(Lay{On: on, text: "lay the stitches on their needles: " + after.told(on)})
	case len(row.Moves) > 0:
		return first(Slide{row.Moves, slide(row, state, before.names)}) // of the needles as they are before it
	}
	return nil
}

// laidFor is how many loops are laid on each needle so that it holds what is worked on it, from where the yarn is: what the last turn left
// before the start of a round goes with the first stitch. A row that works only a part of some needles finds them as they were.
func laidFor(parts []needlePart, had []int, round bool) []int {
	on, worked, held := slices.Clone(had), 0, 0
	takes := make([]int, len(had))
	for _, part := range parts {
		for _, o := range part.ops {
			takes[max(0, part.needle)] += o.N * o.Code.Takes()
		}
	}
	if round {
		return takes
	}
	for n := range takes {
		if takes[n] > 0 {
			worked, held = worked+takes[n], held+had[n]
		}
	}
	if worked == held {
		for n := range takes {
			if takes[n] > 0 {
				on[n] = takes[n]
			}
		}
	}
	return on
}

// first is a part of a row that comes before anything is worked.
func first(step Step) []Part { return []Part{partOf("first", 0, Sentence{step}, needle.RS)} }

// slide says which loops go to a neighbouring needle before a row.
func slide(row *needle.Row, state *knitted.State, names []string) string {
	what := "stitch"
	if slices.ContainsFunc(state.Loops, func(l needle.LoopView) bool { return l.Kind == needle.YarnOver }) {
		what = "loop"
	}
	name := func(n int) string {
		if n > len(names) {
			return fmt.Sprintf("needle %d", n)
		}
		return plainName(names[n-1])
	}
	list := make([]string, len(row.Moves))
	for i, v := range row.Moves {
		which, of, to, n := "last", v.Of, v.To, v.N
		if n < 0 {
			which, of, to, n = "first", v.To, v.Of, -n
		}
		loops := what
		if n > 1 {
			loops = fmt.Sprintf("%d %ss", n, what)
			if what == "stitch" {
				loops = fmt.Sprintf("%d stitches", n)
			}
		}
		list[i] = fmt.Sprintf("slide the %s %s of %s on to %s", which, loops, name(of), name(to))
	}
	return strings.Join(list, ", then ")
}
