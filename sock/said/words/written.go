package words

import (
	"fmt"
	"strings"

	"acornstep/sock/papers/design"
	"acornstep/sock/rows/fingers"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/trace"
)

// Written says all rows as a knitter writes them down: not how many stitches, but up to where. Rows that
// are worked alike are then written alike, whatever their counts.
func Written(t *trace.Trace, d *design.Design) [][]Part {
	said := make([][]Part, len(t.Rows))
	var before lying
	for i := range t.Rows {
		after := lyingAfter(t, i, d)
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
			if text := reached(t, i, &part, taken, after); text != "" {
				plain[k].Short = text
			}
			for _, o := range part.ops {
				taken += o.N * o.Code.Takes()
			}
		}
		said[i] = append(parts, plain...)
		before = after
	}
	return said
}

// reached writes a part of a row with its longest run of knits or purls worked up to a place; empty where there is
// none, or where a repeat says it shorter.
func reached(t *trace.Trace, i int, part *needlePart, taken int, after lying) string {
	if _, _, times := bestRepeat(part.ops); times > 1 {
		return ""
	}
	if row := &t.Rows[i]; len(row.OnNeedles) == 1 && (row.From > 0 || i > 0 && t.Rows[i-1].From > 0) {
		return "" // the round begins within a half, so that no marker hangs where that half ends
	}
	longest := -1
	for k, o := range part.ops {
		if (o.Code == needle.K || o.Code == needle.P) && (longest < 0 || o.N > part.ops[longest].N) {
			longest = k
		}
	}
	if longest < 0 {
		return ""
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
	until := ""
	switch {
	case toEnd && left == 0:
		until = "the end"
	case toEnd:
		until = fmt.Sprintf("the last %d", left)
		if left == 1 {
			until = "the last stitch"
		}
	case t.Rows[i].Kind == needle.FlatRow:
		until = fingers.Landmark(state.Snapshot, state.Side == needle.RS, taken, run.N)
	}
	if until == "" {
		return ""
	}
	verb := map[needle.Code]string{needle.K: "knit", needle.P: "purl"}[run.Code]
	both, wrapped := bothWraps(t, i), wrappedOn(t, i, after, part.needle)
	said := make([]string, len(part.ops))
	for k, o := range part.ops {
		said[k] = wrapped(o, Short(o, state.Side)) + wraps(o, both, true)
	}
	said[longest] = verb + " to " + until
	return strings.Join(said, ", ")
}
