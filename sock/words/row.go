package words

import (
	"fmt"
	"strings"

	"acornstep/sock/knit"
	"acornstep/sock/needle"
)

// Part is the part of a row that is worked on one needle.
type Part struct {
	// Needle is 1 for the instep, 2 for the sole; 0 when no needle is meant.
	Needle int    `json:"needle"`
	Short  string `json:"short"`
	Long   string `json:"long"`
}

// Row is a row in words.
type Row struct {
	ID    string `json:"id"`
	Parts []Part `json:"parts"`
	// Worked is the number of loops that the row takes from the needles, or casts on.
	Worked int `json:"worked"`
	// From and To are the places of the yarn before and after the row, in loops from loop 0.
	From int `json:"from"`
	To   int `json:"to"`
}

// Rows says all rows of a sock. They must replay: rows after one that does
// not are left out, and the fault is returned.
func Rows(rows []needle.Row) ([]Row, error) {
	said := make([]Row, 0, len(rows))
	var m needle.Machine
	for i := range rows {
		row := &rows[i]
		sole := soleBegins(&m, row)
		from := m.Cursor()
		rs := m.Side() != needle.WS
		if err := m.Work(row); err != nil {
			return said, err
		}
		r := Row{ID: row.ID, From: from, To: m.Cursor()}
		for _, part := range split(row.Ops, from, sole, rs) {
			r.Parts = append(r.Parts, Part{part.needle, fold(part.ops, Short), fold(part.ops, Long)})
		}
		for _, o := range row.Ops {
			r.Worked += o.N * o.Code.Takes()
			if o.Code == needle.CO || o.Code == needle.COChain {
				r.Worked += o.N
			}
		}
		said = append(said, r)
	}
	return said, nil
}

// soleBegins is the first loop of needle 2 before the row: at its marker, else at the half.
func soleBegins(m *needle.Machine, row *needle.Row) int {
	for _, marker := range row.Markers {
		if marker.Name == knit.SoleMarker {
			return marker.Loop
		}
	}
	return m.Count() / 2
}

type needlePart struct {
	needle int
	ops    []needle.Op
}

// split cuts the operations where the row passes from one needle to the other.
func split(ops []needle.Op, from, sole int, rs bool) []needlePart {
	var parts []needlePart
	add := func(on int, o needle.Op) {
		last := len(parts) - 1
		if last < 0 || parts[last].needle != on && o.Code.Takes() > 0 && parts[last].needle != 0 {
			parts = append(parts, needlePart{needle: on})
			last++
		}
		if o.Code.Takes() > 0 {
			parts[last].needle = on
		}
		parts[last].ops = append(parts[last].ops, o)
	}
	at := from
	for _, o := range ops {
		takes := o.Code.Takes()
		if takes != 1 {
			add(needleAt(at, sole, rs), o)
			at += step(takes*o.N, rs)
			continue
		}
		for left := o.N; left > 0; {
			on := needleAt(at, sole, rs)
			n := min(left, untilNeedle(at, sole, rs))
			if n <= 0 {
				n = left
			}
			add(on, needle.Op{Code: o.Code, N: n})
			at += step(n, rs)
			left -= n
		}
	}
	if len(parts) == 1 && !worksLoops(parts[0].ops) {
		parts[0].needle = 0
	}
	return parts
}

func worksLoops(ops []needle.Op) bool {
	for _, o := range ops {
		if o.Code.Takes() > 0 {
			return true
		}
	}
	return false
}

func step(n int, rs bool) int {
	if rs {
		return n
	}
	return -n
}

// needleAt is the needle of the loop that comes next when the yarn is at this place.
func needleAt(at, sole int, rs bool) int {
	if rs && at < sole || !rs && at > 0 && at <= sole {
		return 1
	}
	return 2
}

// untilNeedle is the number of loops up to the change of needle; 0 when there is no further one.
func untilNeedle(at, sole int, rs bool) int {
	switch {
	case rs && at < sole:
		return sole - at
	case !rs && at > sole:
		return at - sole
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
