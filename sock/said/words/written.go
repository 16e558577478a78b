package words

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/papers/design"
	"acornstep/sock/rows/fingers"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Written says all rows as a knitter writes them down: not how many stitches, but up to where. Rows that
// are worked alike are then written alike, whatever their counts.
func Written(t *knitted.Sock, d *design.Design) [][]Part {
	said := make([][]Part, len(t.Rows))
	var before lying
	for i := range t.Rows {
		after := lyingAfter(t, i, d)
		said[i] = written(t, i, before, after)
		before = after
	}
	return said
}

// Untils says of each short row what to look for where it turns, so that nobody has to count: what its written words say after
// "knit" or "purl". It is empty for other rows, and where only a count says it.
func Untils(t *knitted.Sock, d *design.Design) []string {
	list := make([]string, len(t.Rows))
	for i := 1; i < len(t.Rows); i++ {
		if !turnsBack(&t.Rows[i]) {
			continue
		}
		parts := written(t, i, lyingAfter(t, i-1, d), lyingAfter(t, i, d))
		last := parts[len(parts)-1]
		if k := slices.IndexFunc(last.Said, func(s Step) bool { _, is := s.(UpTo); return is }); k >= 0 {
			until, _ := last.Said[k].(UpTo)
			text := last.Said[k+1:].Words(t.Before(i).Side, false)
			list[i] = "to " + strings.TrimSuffix(strings.TrimSuffix(until.Place+", "+text, ", "), ", turn")
		}
	}
	return list
}

// turnsBack says whether a row is one of short rows, and more than the turn that leads into them.
func turnsBack(row *needle.Row) bool {
	if row.Section != needle.Heel && row.Section != needle.Toe || row.Kind == needle.Round || len(row.Ops) < 2 {
		return false
	}
	last := row.Ops[len(row.Ops)-1].Code
	return last == needle.Turn || last == needle.WT
}

// written says a row up to a place, part by part.
func written(t *knitted.Sock, i int, before, after lying) []Part {
	var parts []Part
	if i > 0 {
		parts = layFirst(t, i, before, after)
	}
	told := before
	if len(parts) > 0 && len(t.Rows[i].Moves) == 0 {
		told.on = []int{1, 1, 1, 1} // laid anew, no needle is new any more
	}
	plain, taken := partsOf(t, i, told, after), 0
	list := split(t, i, after)
	flat := t.Rows[i].Kind == needle.FlatRow && len(after.had) == len(after.on) && !after.moved
	for k, part := range list {
		if flat && part.needle >= 0 && k+1 < len(list) {
			part.wholeNeedle = true // the work goes on to another needle: this one is worked to its end, wherever it began
		}
		if said := reached(t, i, &part, taken, after); said != nil {
			plain[k].Said, plain[k].Short = said, said.Words(t.Before(i).Side, false)
		}
		for _, o := range part.ops {
			taken += o.N * o.Code.Takes()
		}
	}
	return append(parts, plain...)
}

// reached says a part of a row with its longest run of knits or purls worked up to a place; nil where there is
// none, or where a repeat says all of it.
func reached(t *knitted.Sock, i int, part *needlePart, taken int, after lying) Sentence {
	if row := &t.Rows[i]; len(row.OnNeedles) == 1 && (row.From > 0 || i > 0 && t.Rows[i-1].From > 0) {
		return nil // the round begins within a half, so that no marker hangs where that half ends
	}
	longest := -1
	for k, o := range part.ops {
		if (o.Code == needle.K || o.Code == needle.P) && (longest < 0 || o.N > part.ops[longest].N) {
			longest = k
		}
	}
	if longest < 0 {
		return nil
	}
	if at, length, times := bestRepeat(part.ops); times > 1 && (part.ops[longest].N < longRun || longest >= at && longest < at+length*times) {
		return nil
	}
	left := 0
	for _, o := range part.ops[longest+1:] {
		left += o.N * o.Code.Takes()
	}
	for _, o := range part.ops[:longest] {
		taken += o.N * o.Code.Takes()
	}
	state, run := t.Before(i), part.ops[longest]
	// On a single needle markers part the halves, and only in rounds does the work come to them.
	toEnd := part.wholeNeedle && (len(t.Rows[i].OnNeedles) > 1 || state.Side == needle.RS && t.Rows[i].Kind == needle.Round)
	until, beyond := "", 0
	switch {
	case toEnd && left == 0:
		until = "the end"
	case toEnd:
		until = fmt.Sprintf("the last %d", left)
		if left == 1 {
			until = "the last stitch"
		}
	case t.Rows[i].Kind == needle.FlatRow:
		until, beyond = upTo(t, i, part.needle, taken, run, after)
	}
	if until == "" {
		return nil
	}
	do := doing(t, i, after, part.needle)
	said := append(folded(part.ops[:longest], false, do), UpTo{run.Code, until, run.N - beyond})
	if beyond > 0 {
		said = append(said, Do{Op: needle.Op{Code: run.Code, N: beyond}})
	}
	return append(said, folded(part.ops[longest+1:], false, do)...)
}

// longRun is the shortest run that is told by its end where something else in the row repeats.
const longRun = 4

// upTo is the place up to which a run of so many stitches goes in a row, and how many of them are worked beyond that place.
func upTo(t *knitted.Sock, i, hand, taken int, run needle.Op, after lying) (until string, beyond int) {
	n := run.N
	state, rs := t.Before(i), t.Before(i).Side == needle.RS
	var markers []int
	if markersHang(t, i) {
		markers = ahead(t.Steps[i].From, len(state.Loops), rs, 0, state.Sole)
	}
	until = fingers.Landmark(state.Snapshot, rs, taken, n, markers...)
	if (until == "" || strings.HasSuffix(until, "the gap")) && t.Rows[i].Ops[0].Code != needle.Unzip {
		// At the edge of the heel the needle simply ends.
		switch left := leftOn(state, after, hand, taken+n); left {
		case 0:
			return "the end", 0
		case 1:
			return "the last stitch", 0
		}
	}
	if n > 1 && until != "the double stitch" && fingers.Wrapped(state.Snapshot, rs, taken+n-1) &&
		fingers.Landmark(state.Snapshot, rs, taken, n-1) == "the wrapped stitch" {
		// In garter the wrap stays where it is, and its stitch is worked with the others.
		return "the wrapped stitch", 1
	}
	return until, 0
}

// ahead is how many loops lie between the yarn and the places of a ring of so many; one where the yarn is comes again at last.
func ahead(yarn, all int, rs bool, places ...int) []int {
	list := make([]int, len(places))
	for i, place := range places {
		n := place - yarn
		if !rs {
			n = -n
		}
		if list[i] = (n%all + all) % all; list[i] == 0 {
			list[i] = all
		}
	}
	return list
}

// leftOn is how many loops of the needle in the hand come after so many ahead of the yarn; -1 on a single needle, and where a loop of a
// turn is among them.
func leftOn(state *knitted.State, after lying, hand, ahead int) int {
	all := len(state.Loops)
	if hand < 0 || len(after.had) < 2 || len(after.had) != len(after.on) || after.needles < 2 {
		return -1
	}
	for left := 0; ahead+left <= all; left++ {
		at := state.Cursor + ahead + left
		if state.Side == needle.WS {
			at = state.Cursor - 1 - ahead - left
		}
		if state.Open && (at < 0 || at >= all) {
			return left
		}
		at = (at%all + all) % all
		if needleOf(after.had, ((at-after.hadFrom)%all+all)%all) != hand {
			return left
		}
		if state.Loops[at].Kind != needle.Plain {
			return -1
		}
	}
	return -1
}
