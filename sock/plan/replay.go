package plan

import (
	"fmt"

	"acornstep/sock/knit"
	"acornstep/sock/needle"
)

// Replay knits the rows of a plan on empty needles and says what is wrong with
// them: operations that are not possible, counts that do not come out, what a
// sock must have at the end of each section, and a summary that promises
// something else. Nothing after an impossible operation is judged, since it
// would only follow from it.
func Replay(p *Plan) []*needle.Fault {
	r := replay{plan: p, ids: make(map[string]bool, len(p.Rows)), rounds: make(map[needle.Section]int, len(needle.Sections))}
	for i := range p.Rows {
		row := &p.Rows[i]
		r.order(row)
		r.beforeRow(row)
		if err := r.machine.Work(row); err != nil {
			r.faults = append(r.faults, err.(*needle.Fault))
			return r.faults
		}
		r.afterRow(row)
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
	rounds  map[needle.Section]int
	turns   turnLists
	// beforeHeel is the count that the heel met; settling is set until the first
	// round after a short-row toe or heel.
	beforeHeel int
	settling   needle.Section
	// instep is the number of stitches on needle 1 before the row.
	instep int
	faults []*needle.Fault
}

func (r *replay) fault(row *needle.Row, format string, args ...any) {
	r.faults = append(r.faults, &needle.Fault{Row: row.ID, Op: -1, Text: fmt.Sprintf(format, args...)})
}

// order checks what names a row: its id, its section and its number within it.
func (r *replay) order(row *needle.Row) {
	if r.ids[row.ID] || row.ID == "" {
		r.fault(row, "the id %q is not unique", row.ID)
	}
	r.ids[row.ID] = true
	if row.Section != r.section {
		switch {
		case place(row.Section) == 0:
			r.fault(row, "there is no section %q", row.Section)
		case place(row.Section) < place(r.section):
			r.fault(row, "the section %s comes after %s", row.Section, r.section)
		case r.section == "" && row.Section != needle.CastOn:
			r.fault(row, "the first section is %s, expected %s", row.Section, needle.CastOn)
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

// stitches counts the loops that are stitches: the yarn-over of a turn is none.
func (r *replay) stitches() int {
	_, overs, _, _ := r.machine.Unsettled()
	return r.machine.Count() - overs
}

func (r *replay) beforeRow(row *needle.Row) {
	r.instep = r.machine.StitchesBefore(knit.SoleBegins(row, r.machine.Count()))
	if row.Section == needle.Heel && r.n == 1 {
		r.beforeHeel = r.stitches()
	}
	if r.settling == "" || row.Kind != needle.Round || row.Section == r.settling {
		return
	}
	want := r.plan.Summary.FootStitches
	if r.settling == needle.Heel {
		want = r.beforeHeel
	}
	if got := r.stitches(); got != want {
		r.fault(row, "%d stitches after the short-row %s, expected %d as before it", got, r.settling, want)
	}
}

func (r *replay) afterRow(row *needle.Row) {
	r.rounds[row.Section]++
	last := row.Ops[len(row.Ops)-1].Code
	turned := last == needle.Turn || last == needle.WT
	design := &r.plan.Design
	switch {
	case turned && row.Section == needle.Heel && design.Heel.Kind == "short_row":
		r.turns.add(row, &r.machine, r.instep)
	case turned && row.Section == needle.Toe && design.Toe.Kind == "garter_square":
		if at := r.machine.Cursor(); at != 0 && at != r.machine.Count()/2 {
			r.fault(row, "the row turns after %d stitches of needle 1, expected one of its edges", at)
		}
	}
	if row.Section == needle.Toe && design.Toe.Kind == "short_row" || row.Section == needle.Heel && design.Heel.Kind == "short_row" {
		r.settling = row.Section
	}
	if r.settling != "" && row.Kind == needle.Round && row.Section != r.settling {
		r.settling = ""
		if doubles, overs, wraps, pins := r.machine.Unsettled(); doubles+overs+wraps+pins > 0 {
			r.fault(row, "%d double stitches, %d yarn-overs, %d wraps and %d pins are left after the first round, expected none", doubles, overs, wraps, pins)
		}
	}
}

// endOfSection checks the counts that the summary promises.
func (r *replay) endOfSection(row *needle.Row) {
	s := &r.plan.Summary
	switch row.Section {
	case needle.CastOn:
		r.expect(row, "loops cast on", r.machine.Count(), s.CastOnStitches)
	case needle.Toe:
		if r.plan.Design.Toe.Kind != "short_row" {
			r.expect(row, "stitches at the end of the toe", r.machine.Count(), s.FootStitches)
		}
		if r.plan.Design.Toe.Kind == "wedge" {
			r.expect(row, "toe rounds", r.rounds[needle.Toe], s.ToeRounds)
		}
	case needle.Foot:
		r.expect(row, "foot rounds", r.rounds[needle.Foot], s.FootRounds)
	case needle.Heel:
		r.turns.check(r, row)
	case needle.Leg:
		r.expect(row, "stitches at the end of the leg", r.machine.Count(), s.LegStitches)
		r.expect(row, "leg rounds", r.rounds[needle.Leg], s.LegRounds)
	case needle.Cuff:
		r.expect(row, "cuff rounds", r.rounds[needle.Cuff], s.CuffRounds)
	}
}

func (r *replay) expect(row *needle.Row, what string, got, want int) {
	if got != want {
		r.fault(row, "%d %s, expected %d", got, what, want)
	}
}

func (r *replay) endOfSock() {
	if len(r.plan.Rows) == 0 {
		if r.plan.Stopped() == nil {
			r.faults = append(r.faults, &needle.Fault{Row: "rows", Op: -1, Text: "the plan has no rows and no stop that says why"})
		}
		return
	}
	if n := r.machine.Count(); n > 0 {
		r.fault(&r.plan.Rows[len(r.plan.Rows)-1], "%d stitches are still on the needles after the bind-off", n)
	}
}
