package check

import (
	"fmt"

	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Plan says what is wrong with a plan of any origin: operations that are not
// possible, counts that do not come out, what a sock must have at the end of
// each section, and a summary that promises something else. It is empty for a
// sound plan. Nothing after an impossible operation is judged, since it would
// only follow from it.
func Plan(p *plan.Plan) []*needle.Fault { return prove(p, true) }

// Kept says what is wrong with a plan that an older program may have made, or
// that was put together of two: all that [Plan] says but of columns, which did not
// always go straight up, and of gaps, which were not always closed.
func Kept(p *plan.Plan) []*needle.Fault { return prove(p, false) }

func prove(p *plan.Plan, strict bool) []*needle.Fault {
	r := newReplay(p)
	r.strict = strict
	if r.begin() && r.knit() {
		before := len(r.faults)
		r.proveSummary()
		if len(r.faults) == before {
			r.faults = append(r.faults, r.miscounted...)
		}
	}
	return r.faults
}

func newReplay(p *plan.Plan) *replay {
	return &replay{plan: p, ids: make(map[string]bool, len(p.Rows)),
		facts: facts{rows: make(map[needle.Section]int, len(needle.Sections))}, places: map[int]turnPlace{},
		groups: groups{heel: p.Summary.ShortRowStitches()}}
}

// knit works all rows; it says whether every one of them can be worked.
func (r *replay) knit() bool {
	p := r.plan
	if r.strict {
		r.looker = newLooker(p, &r.machine)
	}
	for i := range p.Rows {
		row := &p.Rows[i]
		r.order(row)
		r.beforeRow(row)
		if r.strict {
			r.columns.see(r, i)
		}
		r.laid(i)
		r.loops = r.machine.Count()
		stated := r.looker.stated(i, &r.machine)
		if err := r.machine.Work(row); err != nil {
			r.faults = append(r.faults, err.(*needle.Fault))
			return false
		}
		r.afterRow(i)
		if r.strict {
			r.gaps(i)
			r.oneNeedle(i)
			r.moves(i)
			r.notes(stated)
		}
		if i+1 == len(p.Rows) || p.Rows[i+1].Section != row.Section {
			r.endOfSection(i)
		}
	}
	r.endOfNotes()
	r.endOfSock()
	return true
}

type replay struct {
	plan    *plan.Plan
	machine needle.Machine
	ids     map[string]bool
	section needle.Section
	n       int
	facts   facts
	turns   turnLists
	// settling is set until the first round after a short-row toe or heel.
	settling needle.Section
	// places are where the rows of short rows turned, by the number of the row.
	places map[int]turnPlace
	// loops were on the needles before the row.
	loops  int
	groups groups
	// miscounted are rows whose groups are not what the fingers find, if the summary has the heel's stitches right.
	miscounted []*needle.Fault
	// looker looks up what notes state; nil where nobody asks.
	looker *looker
	// strict: columns have to go straight up, and gaps to be closed.
	strict bool
	// begins is the first loop of the instep before the row.
	begins  int
	columns columns
	// instep is the number of stitches on needle 1 before the row, live that of all.
	instep, live int
	faults       []*needle.Fault
}

// begin judges a plan without rows; it says whether there is anything to knit.
func (r *replay) begin() bool {
	stop := r.plan.Stopped()
	switch {
	case len(r.plan.Rows) == 0 && stop == nil:
		r.faultAt("rows", "the plan has no rows and no stop that says why")
	case len(r.plan.Rows) > 0 && stop != nil:
		r.faultAt("rows", "the plan has %d rows and a stop that says there is no sock: %s", len(r.plan.Rows), stop.Text)
	}
	return len(r.plan.Rows) > 0
}

func (r *replay) faultAt(row, format string, args ...any) {
	r.faults = append(r.faults, &needle.Fault{Row: row, Op: -1, Text: fmt.Sprintf(format, args...)})
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

func (r *replay) beforeRow(row *needle.Row) {
	r.begins = row.InstepBegins()
	r.instep, r.live = r.machine.StitchesBefore(row.SoleBegins(r.machine.Count()))-r.begins, r.machine.Stitches()
	if row.Section == needle.Heel && r.n == 1 {
		r.facts.ring = r.live
	}
	afterHeel := r.settling == needle.Heel && row.Kind == needle.Round && row.Section != needle.Heel && row.Section != needle.Gusset
	if afterHeel && r.heelKind() == shortRows && r.live != r.facts.ring {
		r.fault(row, "%d stitches after the short-row heel, expected %d as before it", r.live, r.facts.ring)
	}
}

func (r *replay) afterRow(i int) {
	row := &r.plan.Rows[i]
	r.onNeedles(row)
	r.facts.see(row, r.live, r.machine.Stitches())
	turned := endsInTurn(row)
	switch {
	case turned && row.Section == needle.Heel:
		r.turns.add(row, &r.machine, r.instep)
		r.turn(i, &r.facts.heel)
	case turned && row.Section == needle.Toe && r.facts.chain && row.N > 1:
		r.turn(i, &r.facts.toe)
	case turned && row.Section == needle.Toe && row.Fabric == needle.Garter && !r.facts.chain:
		if at := r.machine.Cursor(); at != 0 && at != r.machine.Count()/2 {
			r.fault(row, "the row turns after %d stitches of needle 1, expected one of its edges", at)
		}
	}
	if row.Section == needle.Toe && r.facts.chain || row.Section == needle.Heel {
		r.settling = row.Section
	}
	if r.settling != "" && row.Kind == needle.Round && row.Section != r.settling {
		r.settling = ""
		if doubles, overs, wraps, pins := r.machine.Unsettled(); doubles+overs+wraps+pins > 0 {
			r.fault(row, "%d double stitches, %d yarn-overs, %d wraps and %d pins are left after the first round, expected none", doubles,
				overs, wraps, pins)
		}
	}
}

// turn notes how far from the middle of needle 2, or of a line, row i turned. A
// double stitch, pulled up on the way back, waits with those beyond its turn.
func (r *replay) turn(i int, h *halves) {
	row := &r.plan.Rows[i]
	at, all, sole := r.machine.StitchesBefore(r.machine.Cursor()), r.machine.Stitches(), r.instep
	middle := all / 2
	if !r.machine.Open() {
		seam := sole / 2 // cut open in the middle of the instep the heel lies in one piece
		at = (at - seam + all) % all
		middle = sole - seam + (all-sole)/2
		h.odd = (all - sole) % 2
	}
	inside := at - middle
	if r.strict {
		r.places[i] = turnPlace{h, row.Side, inside}
	}
	s := &h.left
	if row.Side == needle.WS {
		inside, s = -inside, &h.right
	}
	if row.Ops[len(row.Ops)-1].Code == needle.Turn && i+1 < len(r.plan.Rows) && len(r.plan.Rows[i+1].Ops) > 0 {
		switch r.plan.Rows[i+1].Ops[0].Code {
		case needle.DS:
			inside--
		case needle.YO, needle.SlPin, needle.Sl:
		default:
			return // it leads into the first row and leaves nothing waiting
		}
	}
	s.turn(inside)
}

// endOfSection checks what a section must have come to.
func (r *replay) endOfSection(i int) {
	row := &r.plan.Rows[i]
	gusset := i+1 < len(r.plan.Rows) && r.plan.Rows[i+1].Section == needle.Gusset
	if row.Section == needle.Heel && !gusset && r.heelKind() == shortRows {
		r.turns.check(r, row)
	}
}

func (r *replay) endOfSock() {
	if n := r.machine.Count(); n > 0 {
		r.fault(&r.plan.Rows[len(r.plan.Rows)-1], "%d stitches are still on the needles after the bind-off", n)
	}
}
