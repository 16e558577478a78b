package words

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/needle"
	"acornstep/sock/trace"
)

// Part is the part of a row that is worked on one needle, or between two markers.
type Part struct {
	// Needle counts from 1; 0 when no needle is meant.
	Needle int `json:"needle"`
	// On names the needle: instep, sole, or the marker where the part begins.
	On    string `json:"on"`
	Short string `json:"short"`
	Long  string `json:"long"`
}

// Row is a row in words.
type Row struct {
	ID    string `json:"id"`
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

// Rows says all rows of a sock that were worked, for an arrangement of needles.
func Rows(t *trace.Trace, needles string) []Row {
	said := make([]Row, 0, len(t.Rows))
	seen := map[needle.Code]bool{}
	var before []stretchOf
	for i := range t.Rows {
		row, state, step := &t.Rows[i], t.Before(i), t.Steps[i]
		count := len(state.Loops)
		on := arrange(needles, row.Section, row.SoleBegins(count), count)
		if state.Open {
			on = []stretchOf{{0, "needle 1"}} // a line lies on one needle
		}
		at, rs := step.From, state.Side != needle.WS
		if !rs && at == 0 {
			at = count // on the wrong side the start of the round is left over its end
		}
		r := Row{ID: row.ID, New: []string{}}
		if i > 0 && slices.Equal(row.Ops, t.Rows[i-1].Ops) && step.From == t.Steps[i-1].From && slices.Equal(on, before) {
			r.Parts = said[i-1].Parts // most rounds are worked like the one before
		} else {
			edge := -1 // between the halves there is nothing to decide on the wrong side: stitches are picked up on the right one
			if after := t.After(i).Sole; rs && after > 0 {
				edge = after
			}
			r.Parts = partsOf(row.Ops, at, count, on, rs, row.SoleBegins(count), edge)
		}
		before = on
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

// partsOf says the operations needle by needle. What is made between the halves
// is told with the needle on which it lies after the row, on which needle 2 begins with loop soleAfter; -1 for nothing to decide.
func partsOf(ops []needle.Op, at, count int, on []stretchOf, rs bool, sole, soleAfter int) []Part {
	var parts []Part
	for _, part := range split(ops, at, count, on, rs, sole, soleAfter) {
		p := Part{Short: fold(part.ops, Short), Long: fold(part.ops, Long)}
		if part.needle >= 0 {
			p.Needle, p.On = part.needle+1, on[part.needle].name
		}
		parts = append(parts, p)
	}
	return parts
}

// stretchOf is where the loops of one needle begin, or where a marker hangs.
type stretchOf struct {
	begins int
	name   string
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

// arrange lays the loops on needles, or between markers on a short circular.
func arrange(needles string, section needle.Section, sole, count int) []stretchOf {
	front, back := halves(section)
	name := func(what string, n int, half string) string { return fmt.Sprintf("%s %d (%s)", what, n, half) }
	switch needles {
	case "dpn5":
		return []stretchOf{{0, name("needle", 1, front)}, {(sole + 1) / 2, name("needle", 2, front)}, {sole, name("needle", 3, back)}, {sole + (count-sole+1)/2, name("needle", 4, back)}}
	case "dpn4":
		return []stretchOf{{0, name("needle", 1, front)}, {sole, name("needle", 2, back)}, {sole + (count-sole+1)/2, name("needle", 3, back)}}
	case "two_circulars":
		return []stretchOf{{0, name("circular", 1, front)}, {sole, name("circular", 2, back)}}
	case "short_circular":
		return []stretchOf{{0, "from the start marker (" + front + ")"}, {sole, "from the " + back + " marker"}}
	default:
		return []stretchOf{{0, name("needle", 1, front)}, {sole, name("needle", 2, back)}}
	}
}

type needlePart struct {
	needle int // index of the needle, -1 for none
	ops    []needle.Op
}

// split cuts the operations where the row passes from one needle to the other;
// a heel over more than half passes the start of the round, where the last needle meets the first.
func split(ops []needle.Op, from, count int, on []stretchOf, rs bool, sole, soleAfter int) []needlePart {
	var parts []needlePart
	add := func(needleAt int, o needle.Op) {
		last := len(parts) - 1
		works := o.Code.Takes() > 0
		if last < 0 || works && parts[last].needle != needleAt && parts[last].needle >= 0 {
			parts = append(parts, needlePart{needle: -1})
			last++
		}
		if works {
			parts[last].needle = needleAt
		}
		parts[last].ops = append(parts[last].ops, o)
	}
	at, made := from, from
	for _, o := range ops {
		takes := o.Code.Takes()
		if takes == 0 && o.Code.Makes() > 0 && at == sole && soleAfter > 0 && made >= soleAfter {
			parts = append(parts, needlePart{needle: needleAt(at, on, rs)})
		}
		made += o.Code.Makes() * o.N
		if takes != 1 {
			if takes > 0 {
				at = pastStart(at, count, rs)
			}
			add(needleAt(at, on, rs), o)
			at += step(takes*o.N, rs)
			continue
		}
		for left := o.N; left > 0; {
			at = pastStart(at, count, rs)
			n := left
			if until := untilNeedle(at, count, on, rs); until > 0 {
				n = min(left, until)
			}
			add(needleAt(at, on, rs), needle.Op{Code: o.Code, N: n})
			at += step(n, rs)
			left -= n
		}
	}
	return parts
}

// pastStart is where the yarn is for the next loop: past the last one comes the first, and the other way round on the wrong side.
func pastStart(at, count int, rs bool) int {
	switch {
	case rs && at >= count:
		return at - count
	case !rs && at <= 0:
		return at + count
	}
	return at
}

func step(n int, rs bool) int {
	if rs {
		return n
	}
	return -n
}

// needleAt is the needle of the loop that comes next when the yarn is at this place.
func needleAt(at int, on []stretchOf, rs bool) int {
	if !rs {
		at--
	}
	for i := len(on) - 1; i > 0; i-- {
		if at >= on[i].begins {
			return i
		}
	}
	return 0
}

// untilNeedle is the number of loops up to the change of needle; 0 when there is no further one.
func untilNeedle(at, count int, on []stretchOf, rs bool) int {
	i := needleAt(at, on, rs)
	switch {
	case rs && i+1 < len(on):
		return on[i+1].begins - at
	case rs:
		return count - at
	case !rs && at > 0:
		return at - on[i].begins
	default:
		return 0
	}
}

// fold writes a list of operations, with what repeats at least twice said once.
func fold(ops []needle.Op, say func(needle.Op) string) string {
	at, length, times := bestRepeat(ops)
	if times < 2 {
		return join(ops, say)
	}
	var out []string
	if at > 0 {
		out = append(out, join(ops[:at], say))
	}
	repeat := fmt.Sprintf("*%s; rep from * %d times in all", join(ops[at:at+length], say), times)
	rest := ops[at+length*times:]
	if len(rest) == 0 && at == 0 {
		repeat = fmt.Sprintf("*%s; rep from * to the end", join(ops[:length], say))
	}
	out = append(out, repeat)
	if len(rest) > 0 {
		out = append(out, join(rest, say))
	}
	return strings.Join(out, ", ")
}

func join(ops []needle.Op, say func(needle.Op) string) string {
	parts := make([]string, len(ops))
	for i, o := range ops {
		parts[i] = say(o)
	}
	return strings.Join(parts, ", ")
}

// bestRepeat finds the run of at least two operations that repeats and saves the most words.
func bestRepeat(ops []needle.Op) (at, length, times int) {
	const fewest = 2
	best := 0
	for size := fewest; size <= len(ops)/2; size++ {
		for from := 0; from+2*size <= len(ops); from++ {
			n := 1
			for same(ops, from, from+n*size, size) {
				n++
			}
			if saved := (n - 1) * size; n > 1 && saved > best {
				at, length, times, best = from, size, n, saved
			}
		}
	}
	return at, length, times
}

func same(ops []needle.Op, a, b, size int) bool {
	if b+size > len(ops) {
		return false
	}
	for i := range size {
		if ops[a+i] != ops[b+i] {
			return false
		}
	}
	return true
}
