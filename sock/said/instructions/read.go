package instructions

import (
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"acornstep/sock/rows/needle"
	"acornstep/sock/said/words"
)

// Read turns instructions back into rows, one after the other, each with the parts that its words name; how the
// stitches lie says how many needles "on each needle" is, and that is asked by the row's number. The error names
// the line.
func Read(text string, needles func(row int) int) ([]words.Row, error) {
	r := reader{needles: needles}
	for n, line := range strings.Split(text, "\n") {
		if err := r.line(line); err != nil {
			return nil, fmt.Errorf("line %d, %.60q: %w", n+1, line, err)
		}
	}
	return r.rows, nil
}

// reader reads line by line.
type reader struct {
	needles func(row int) int
	rows    []words.Row
	// numbered are the parts of the rows of this section, by their number.
	numbered map[int][]words.Part
	// said is the needle of the last row that was worked on one alone.
	said string
}

var (
	heading = regexp.MustCompile(`^[A-Z ]+$`)
	working = regexp.MustCompile(`^(?:Row|Round)s? (\d+)(?: (?:to|and) (\d+))?(?: \((?:RS|WS)\))?: (.*)\.$`)
	again   = regexp.MustCompile(`^(?:Row|Round)s (\d+) (?:and|to) (\d+), (once|\d+ times) more \(to (?:row|round) (\d+)\)\.$`)
)

// mostRows are read in all: a slip of the pen makes no endless sock.
const mostRows = 5000

func (r *reader) line(line string) error {
	line, _, _ = strings.Cut(line, forEyes)
	switch {
	case strings.TrimSpace(line) == "", strings.HasPrefix(line, beforehand):
		return nil
	case heading.MatchString(line):
		r.numbered, r.said = map[int][]words.Part{}, ""
		return nil
	case r.numbered == nil:
		return fmt.Errorf("no section was begun")
	}
	whole := func(text string) int { n, _ := strconv.Atoi(text); return n }
	if at := again.FindStringSubmatch(line); at != nil {
		first, last, times, end := whole(at[1]), whole(at[2]), 1, whole(at[4])
		if at[3] != "once" {
			times = whole(strings.TrimSuffix(at[3], " times"))
		}
		if size := last - first + 1; size < 2 || times > mostRows || size > mostRows || end != last+size*times {
			return fmt.Errorf("%d times %d rows after row %d do not lead to row %d", times, last-first+1, last, end)
		}
		if len(r.rows)+end-last > mostRows {
			return fmt.Errorf("no sock has more than %d rows", mostRows)
		}
		for n := last + 1; n <= end; n++ {
			parts, known := r.numbered[n-(last-first+1)]
			if !known {
				return fmt.Errorf("row %d was not said before", n-(last-first+1))
			}
			r.add(n, parts)
		}
		return nil
	}
	at := working.FindStringSubmatch(line)
	if at == nil {
		return fmt.Errorf("it says nothing")
	}
	first := whole(at[1])
	last := first
	if at[2] != "" {
		last = whole(at[2])
	}
	if last < first {
		return fmt.Errorf("rows %d to %d are none", first, last)
	}
	if len(r.rows)+last-first >= mostRows {
		return fmt.Errorf("no sock has more than %d rows", mostRows)
	}
	text, turned := strings.CutPrefix(at[3], turnFirst)
	if turned {
		r.rows = append(r.rows, words.Row{Parts: []words.Part{{Short: "turn"}}})
		r.said = ""
	}
	parts := r.parts(text, r.needles(len(r.rows)))
	for n := first; n <= last; n++ {
		r.add(n, parts)
	}
	return nil
}

func (r *reader) add(n int, parts []words.Part) {
	r.numbered[n] = parts
	r.rows = append(r.rows, words.Row{Parts: parts})
}

// parts are what the sentences of a line do.
func (r *reader) parts(text string, needles int) []words.Part {
	var parts []words.Part
	for _, sentence := range strings.Split(text, ". ") {
		on, what, isNamed := strings.Cut(sentence, ": ")
		switch {
		case sentence == allRound:
			on, what, isNamed = eachNeedle, toTheEnd, true
		case strings.HasPrefix(sentence, "cast on"), strings.HasPrefix(sentence, "provisionally cast on"):
			isNamed = false
		}
		switch {
		case isNamed && on == eachNeedle:
			for n := range needles {
				parts = append(parts, words.Part{Needle: n + 1, On: fmt.Sprintf("needle %d", n+1), Short: what})
			}
		case isNamed:
			parts = append(parts, words.Part{Needle: -1, On: on, Short: what})
		default:
			parts = append(parts, words.Part{On: r.said, Short: sentence})
		}
	}
	worked := slices.DeleteFunc(slices.Clone(parts), func(p words.Part) bool { return p.On == layFirst })
	r.said = ""
	if len(worked) == 1 {
		r.said = worked[0].On
	}
	return parts
}

// Needles gives how many needles hold the stitches after a row, for Read.
func Needles(rows []needle.Row) func(row int) int {
	return func(row int) int {
		if row < len(rows) {
			return len(rows[row].OnNeedles)
		}
		return 0
	}
}
