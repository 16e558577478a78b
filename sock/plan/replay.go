package plan

import (
	"fmt"

	"acornstep/sock/needle"
)

// Replay knits the rows of a plan on empty needles and says what is wrong with
// them: operations that are not possible, counts that do not come out, and
// what a sock must have at the end of each section. Nothing after an
// impossible operation is judged, since it would only follow from it.
func Replay(p *Plan) []*needle.Fault {
	r := replay{plan: p, ids: make(map[string]bool, len(p.Rows))}
	for i := range p.Rows {
		row := &p.Rows[i]
		r.order(row)
		if err := r.machine.Work(row); err != nil {
			r.faults = append(r.faults, err.(*needle.Fault))
			return r.faults
		}
		if i+1 == len(p.Rows) || p.Rows[i+1].Section != row.Section {
			r.endOfSection(row)
		}
	}
	r.endOfSock()
	return r.faults
}

type replay struct {
	plan    *Plan
	machine needle.Machine
	ids     map[string]bool
	section needle.Section
	n       int
	faults  []*needle.Fault
}

func (r *replay) fault(row *needle.Row, format string, args ...any) {
	r.faults = append(r.faults, &needle.Fault{Row: row.ID, Op: -1, Text: fmt.Sprintf(format, args...)})
}

// order checks what names a row: its id and its number within the section.
func (r *replay) order(row *needle.Row) {
	if r.ids[row.ID] || row.ID == "" {
		r.fault(row, "the id %q is not unique", row.ID)
	}
	r.ids[row.ID] = true
	if row.Section != r.section {
		if place(row.Section) < place(r.section) {
			r.fault(row, "the section %s comes after %s", row.Section, r.section)
		}
		r.section, r.n = row.Section, 0
	}
	r.n++
	if row.N != r.n {
		r.fault(row, "n is %d, expected %d", row.N, r.n)
	}
}

func place(section needle.Section) int {
	for i, s := range needle.Sections {
		if s == section {
			return i + 1
		}
	}
	return 0
}

// endOfSection checks the counts that the summary promises.
func (r *replay) endOfSection(row *needle.Row) {
	switch row.Section {
	case needle.CastOn:
		r.expect(row, "cast on", r.plan.Summary.CastOnStitches)
	case needle.Toe:
		r.expect(row, "at the end of the toe", r.plan.Summary.FootStitches)
	case needle.Leg:
		r.expect(row, "at the end of the leg", r.plan.Summary.LegStitches)
	}
}

func (r *replay) expect(row *needle.Row, when string, want int) {
	if got := r.machine.Count(); got != want {
		r.fault(row, "%d stitches %s, expected %d", got, when, want)
	}
}

func (r *replay) endOfSock() {
	if len(r.plan.Rows) == 0 {
		r.faults = append(r.faults, &needle.Fault{Row: "rows", Op: -1, Text: "the plan has no rows"})
		return
	}
	if n := r.machine.Count(); n > 0 {
		r.fault(&r.plan.Rows[len(r.plan.Rows)-1], "%d stitches are still on the needles after the bind-off", n)
	}
}
