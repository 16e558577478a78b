package words

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/knit"
	"acornstep/sock/needle"
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
	// Worked is the number of loops that the row takes from the needles, or casts on.
	Worked int `json:"worked"`
	// From and To are the places of the yarn before and after the row, in loops from loop 0.
	From int `json:"-"`
	To   int `json:"-"`
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

// Rows says all rows of a sock for an arrangement of needles. They must
// replay: rows after one that does not are left out, and the fault is returned.
func Rows(rows []needle.Row, needles string) ([]Row, error) {
	said := make([]Row, 0, len(rows))
	seen := map[needle.Code]bool{}
	var m needle.Machine
	var before []stretchOf
	for i := range rows {
		row := &rows[i]
		on := arrange(needles, knit.SoleBegins(row, m.Count()), m.Count())
		if m.Open() {
			on = []stretchOf{{0, "needle 1"}} // a line lies on one needle
		}
		from := m.Cursor()
		at, rs := from, m.Side() != needle.WS
		if !rs && at == 0 {
			at = m.Count() // on the wrong side the start of the round is left over its end
		}
		if err := m.Work(row); err != nil {
			return said, err
		}
		r := Row{ID: row.ID, From: from, To: m.Cursor(), New: []string{}}
		if i > 0 && slices.Equal(row.Ops, rows[i-1].Ops) && from == said[i-1].From && slices.Equal(on, before) {
			r.Parts = said[i-1].Parts // most rounds are worked like the one before
		} else {
			r.Parts = partsOf(row.Ops, at, on, rs)
		}
		before = on
		for _, o := range row.Ops {
			r.Worked += o.N * o.Code.Takes()
			if o.Code == needle.CO || o.Code == needle.COChain {
				r.Worked += o.N
			}
			if !seen[o.Code] {
				seen[o.Code] = true
				r.New = append(r.New, o.Code.String())
			}
		}
		said = append(said, r)
	}
	return said, nil
}

// partsOf says the operations needle by needle.
func partsOf(ops []needle.Op, at int, on []stretchOf, rs bool) []Part {
	var parts []Part
	for _, part := range split(ops, at, on, rs) {
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

// arrange lays the loops on needles, or between markers on a short circular.
func arrange(needles string, sole, count int) []stretchOf {
	switch needles {
	case "dpn5":
		return []stretchOf{{0, "needle 1 (instep)"}, {(sole + 1) / 2, "needle 2 (instep)"}, {sole, "needle 3 (sole)"}, {sole + (count-sole+1)/2, "needle 4 (sole)"}}
	case "dpn4":
		return []stretchOf{{0, "needle 1 (instep)"}, {sole, "needle 2 (sole)"}, {sole + (count-sole+1)/2, "needle 3 (sole)"}}
	case "two_circulars":
		return []stretchOf{{0, "circular 1 (instep)"}, {sole, "circular 2 (sole)"}}
	case "short_circular":
		return []stretchOf{{0, "from the start marker (instep)"}, {sole, "from the sole marker"}}
	default:
		return []stretchOf{{0, "needle 1 (instep)"}, {sole, "needle 2 (sole)"}}
	}
}

type needlePart struct {
	needle int // index of the needle, -1 for none
	ops    []needle.Op
}

// split cuts the operations where the row passes from one needle to the other.
func split(ops []needle.Op, from int, on []stretchOf, rs bool) []needlePart {
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
	at := from
	for _, o := range ops {
		takes := o.Code.Takes()
		if takes != 1 {
			add(needleAt(at, on, rs), o)
			at += step(takes*o.N, rs)
			continue
		}
		for left := o.N; left > 0; {
			n := left
			if until := untilNeedle(at, on, rs); until > 0 {
				n = min(left, until)
			}
			add(needleAt(at, on, rs), needle.Op{Code: o.Code, N: n})
			at += step(n, rs)
			left -= n
		}
	}
	return parts
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
func untilNeedle(at int, on []stretchOf, rs bool) int {
	i := needleAt(at, on, rs)
	switch {
	case rs && i+1 < len(on):
		return on[i+1].begins - at
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
