// Package replan bends a plan to what really happened. Rows that are knitted
// never change; what is still to come is solved anew, and its cost is said.
package replan

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/words"
)

// Proposal is a plan for what is still to come.
type Proposal struct {
	// Edition is the plan from here on; nil when only a repair is proposed.
	Edition *knitting.Edition `json:"-"`
	// Plans says whether the plan changes: a row of it is another, or is known to be knitted by it.
	Plans bool `json:"plans"`
	// Row is the next row in the new plan, OtherRow that of the other sock.
	Row      int      `json:"row"`
	OtherRow *int     `json:"other_row,omitempty"`
	Changes  []Change `json:"changes"`
	// CostMM is by how much the sock comes out longer than planned; negative for shorter.
	CostMM measure.Length `json:"cost_mm"`
	// Repair is what to do on the needles instead; empty for nothing.
	Repair string `json:"repair"`
	// Advice is what can still be done where it sits tight or loose, place by place.
	Advice []Advice `json:"advice"`
	Text   string   `json:"text"`
	// Pair says what it means for the other sock of the pair; empty when the plan stays.
	Pair string `json:"pair"`
	// Other asks for the other sock; nil where there is nothing to ask.
	Other *Other `json:"other,omitempty"`
	// Coming are the next rows of the new plan in words, from where the knitter stands.
	Coming []string `json:"coming"`
}

// comingRows are so many as are told beforehand.
const comingRows = 3

// tell says the next rows of a plan from a row on.
func (q *Proposal) tell(p *plan.Plan, row int) error {
	traced, err := knitted.Of(p.Rows)
	if err != nil {
		return err
	}
	q.Coming = []string{}
	said := words.Rows(traced, &p.Design)
	for i := row; i < min(row+comingRows, len(said)); i++ {
		q.Coming = append(q.Coming, nameOf(p.Rows, i)+": "+said[i].Sentence(false))
	}
	return nil
}

// Change is a count that becomes another one.
type Change struct {
	Label string `json:"label"`
	Was   int    `json:"was"`
	Now   int    `json:"now"`
}

// believable is how far the real round gauge may lie from the swatch's, as a factor.
const believable = 1.35

// Ask solves what is still to come. What cannot be, or would change knitted
// rows, is document.Faults.
func Ask(e *knitting.Edition, h Happened) (Proposal, error) {
	if h.Sock < 0 || h.Sock > 2 {
		return Proposal{}, fault("sock", "read %d; a pair has socks 1 and 2", h.Sock)
	}
	if h.ByVersion != 0 {
		return byVersion(e, h)
	}
	if h.BackTo != 0 {
		return backTo(e, h)
	}
	switch h.Other {
	case "", AsPlanned, Alike, Later:
	default:
		return Proposal{}, fault("other", "read %q; it is %s, %s or %s", h.Other, AsPlanned, Alike, Later)
	}
	if h.Decided != "" {
		return decidedNow(e, h)
	}
	if err := cmp.Or(answerable(e, h), h.alone(e.PlanOf(h.sock()))); err != nil {
		return Proposal{}, err
	}
	p := e.PlanOf(h.sock())
	// Whoever tells it may have ticked less than they knitted, never the other way round.
	h.Done[h.sock()-1] = max(h.Done[h.sock()-1], h.Row)
	if done := h.Done[h.sock()-1]; done > h.Row+1 && (h.CastOn != nil || h.Missed != nil || h.PickedUp != nil) {
		h.Row = done // another device knows of more rows: what really happened lies among them
	}
	if h.CastOn != nil && *h.CastOn != p.Summary.CastOnStitches {
		return castOn(e, h)
	}
	if h.Missed != nil {
		return missed(e, h)
	}
	if h.PickedUp != nil {
		return pickedUp(e, h)
	}
	return replanned(e, h)
}

// replanned takes what was measured, counted or felt into the design, and knits the rest by it.
func replanned(e *knitting.Edition, h Happened) (Proposal, error) {
	p := e.PlanOf(h.sock())
	d := knit.PinnedTo(p)
	from := h.Done[h.sock()-1]
	said := ""
	for _, told := range []struct {
		is   bool
		take func() (string, error)
	}{
		{h.Length != nil, func() (string, error) { return onFoot(p, &d, h) }},
		{h.Height != nil, func() (string, error) { return onLeg(p, &d, h) }},
		{h.ToHeel != nil, func() (string, error) { return heelPlace(p, &d, h) }},
		{h.HeelOff != nil, func() (string, error) { return heelOff(p, h) }},
	} {
		if !told.is {
			continue
		}
		more, err := told.take()
		if err != nil {
			return Proposal{}, err
		}
		said = strings.TrimSpace(said + " " + more)
	}
	if h.HeelLate != nil {
		rounds := p.Summary.FootRounds + *h.HeelLate
		if done := sectionDone(p, needle.Foot, h.Row); rounds < done && section(p, h.Row) == needle.Foot {
			return Proposal{}, fault("heel_late", "read %d; %d rounds of the foot are knitted already", *h.HeelLate, done)
		}
		d.FootLength.Rounds = &rounds
		from = min(from, firstOf(p, needle.Heel), firstOf(p, needle.Foot)+max(0, min(rounds, p.Summary.FootRounds)))
	}
	if h.HeelTurns != nil {
		if p.Summary.HeelTurnsPerSide == nil {
			return Proposal{}, fault("heel_turns", "this heel has no turns on its sides: it is told of a heel of short rows")
		}
		d.Heel.TurnsPerSide = h.HeelTurns
	}
	if err := h.ofShortRows(p, &d); err != nil {
		return Proposal{}, err
	}
	if h.LegRounds != nil {
		d.Leg.Rounds = h.LegRounds
	}
	if h.CuffRounds != nil {
		d.Cuff.Rounds = h.CuffRounds
	}
	advice, err := h.advise(p, &d)
	if err != nil {
		return Proposal{}, err
	}
	if len(design.Differences(knit.PinnedTo(p), d)) == 0 {
		q := unchanged(h, said)
		q.Advice = advice
		return q, nil
	}
	q, err := propose(e, d, h, from)
	if err != nil {
		return q, err
	}
	if next := q.Edition.PlanOf(h.sock()).Rows; h.HeelLate != nil && h.Row > firstOf(p, needle.Heel) && h.Row < len(p.Rows) &&
		(q.Row >= len(next) || next[q.Row].ID != p.Rows[h.Row].ID) {
		return Proposal{}, fault("heel_late", "read %d; a heel that began there would have no %s, and you stand before it: say how many stitches you count now",
			*h.HeelLate, nameOf(p.Rows, h.Row))
	}
	if really := q.Edition.PlanOf(h.sock()).Summary.HeelTurnsPerSide; h.HeelTurns != nil && (really == nil || *really != *h.HeelTurns) {
		return Proposal{}, fault("heel_turns", "read %d; the heel is knitted too far for that, and has %d on each side: rip back to its last turn, or go on",
			*h.HeelTurns, value(p.Summary.HeelTurnsPerSide))
	}
	if h.ToeTurns != nil && turnsOf(q.Edition.PlanOf(h.sock()), needle.Toe) != *h.ToeTurns {
		return Proposal{}, fault("toe_turns", "read %d; the toe is knitted too far for that, and has %d on each side: rip back to its last turn, or go on", *h.ToeTurns,
			turnsOf(p, needle.Toe))
	}
	if next := q.Edition.PlanOf(h.sock()).Summary.FlapRows; h.FlapRows != nil && (next == nil || *next != *h.FlapRows) {
		return Proposal{}, fault("flap_rows", "read %d; the flap is knitted too far for that, and has %d: rip back to its last row, or go on", *h.FlapRows, value(p.Summary.FlapRows))
	}
	q.Repair, q.Advice = said, advice
	return q, nil
}

// ofShortRows takes turns of a toe and rows of a flap that became others than planned.
func (h *Happened) ofShortRows(p *plan.Plan, d *design.Design) error {
	if h.ToeTurns != nil {
		if !p.Design.Uses(at.ToeTurnsPerSide) {
			return fault("toe_turns", "this toe has no turns on its sides: it is told of a toe of short rows")
		}
		d.Toe.TurnsPerSide = h.ToeTurns
	}
	if h.FlapRows != nil {
		if p.Summary.FlapRows == nil {
			return fault("flap_rows", "this heel has no flap")
		}
		d.Heel.FlapRows = h.FlapRows
	}
	return nil
}

// unchanged keeps the plan, with something to do on the needles.
func unchanged(h Happened, repair string) Proposal {
	return Proposal{Row: h.Row, Changes: []Change{}, Coming: []string{}, Advice: []Advice{}, Repair: repair, Text: "The plan stays as it is."}
}

func fault(field, format string, args ...any) error {
	return document.Faults{{Field: field, Message: fmt.Sprintf(format, args...)}}
}

// farthest is how far a needle on the foot can be from the heel's place.
const farthest = 250

// legStep is what a leg gains or loses when it is too tight or too loose: four stitches repeat in most ribs.
const legStep = 4

// propose plans what comes behind the first rows, which stay as they are.
func propose(e *knitting.Edition, d design.Design, h Happened, from int) (Proposal, error) {
	if err := d.Validate(); err != nil {
		return Proposal{}, err
	}
	made, err := knit.MakeWent(d, asItWent(e.PlanOf(h.sock()), h.Row))
	if err != nil {
		return Proposal{}, err
	}
	return proposeMade(e, made, h, from, false)
}

// proposeMade proposes a plan that was made for what is to come behind the first
// rows of the sock that is told of. Where the knitted rows became what they really were, the knitter stands at the same
// one; that is no fact of the other sock once it is begun.
func proposeMade(e *knitting.Edition, made *plan.Plan, h Happened, from int, stands bool) (Proposal, error) {
	if stop := made.Stopped(); stop != nil {
		return Proposal{}, fault("", "planned like that no sock results: %s", stop.Text)
	}
	p := e.PlanOf(h.sock())
	bend := knitting.Bend{Told: h.sock(), From: from}
	var err error
	if bend.To, err = e.Pair(h.sock(), made); err != nil {
		return Proposal{}, err
	}
	if !stands && !e.OneDesign() {
		bend.To[2-h.sock()] = alikeTo(p, made, e.PlanOf(3-h.sock()))
	}
	if stands {
		bend.Stands = h.Row
		if h.Done[2-h.sock()] > 0 || h.Missed != nil { // nobody forgets an increase on purpose
			bend.To[2-h.sock()] = nil
		}
	}
	return bendPair(e, bend, h)
}

// proposeBend proposes what a bend makes of a pair.
func proposeBend(e *knitting.Edition, bend knitting.Bend, h Happened) (Proposal, error) {
	edition, fates, err := e.Next(bend, h.Done)
	if err != nil {
		return Proposal{}, err
	}
	at := h.Done
	at[h.sock()-1] = h.Row
	after := edition.From(at)
	proposal := Proposal{Edition: edition, Plans: h.ByVersion != 0 || h.BackTo != 0 || h.Decided != "" || altersRows(e, edition), Row: after[h.sock()-1], OtherRow: &after[2-h.sock()], Changes: []Change{},
		Coming: []string{}, Advice: []Advice{}}
	proposal.compare(e.PlanOf(h.sock()), edition.PlanOf(h.sock()), h.Length == nil, h.Unit)
	proposal.tellPair(e, edition, h.sock(), fates, h.Done, h.Unit)
	edition.Reason = proposal.Text
	return proposal, proposal.tell(edition.PlanOf(h.sock()), proposal.Row)
}

// altersRows says whether any row of either sock is another.
func altersRows(was, now *knitting.Edition) bool {
	for sock := 1; sock <= 2; sock++ {
		if !slices.EqualFunc(was.PlanOf(sock).Rows, now.PlanOf(sock).Rows, knitting.SameRow) {
			return true
		}
	}
	return false
}

// compare says what becomes of the counts of a plan, and what that costs in finished length where the gauge stays.
func (q *Proposal) compare(p, next *plan.Plan, cost bool, unit measure.Unit) {
	a, b := p.Summary, next.Summary
	for _, c := range []Change{
		{"stitches cast on", a.CastOnStitches, b.CastOnStitches}, {"increase rounds", value(a.IncreaseRounds), value(b.IncreaseRounds)},
		{"rounds of the toe", a.ToeRounds, b.ToeRounds},
		{"stitches round the foot", a.FootStitches, b.FootStitches}, {"rounds before the heel", a.FootRounds, b.FootRounds},
		{"heel stitches", a.HeelStitches, b.HeelStitches}, {"flap rows", value(a.FlapRows), value(b.FlapRows)},
		{"turns a side", value(a.HeelTurnsPerSide), value(b.HeelTurnsPerSide)},
		{"gusset increases", value(a.GussetIncreases), value(b.GussetIncreases)},
		{"gusset decrease rounds", value(a.GussetDecreaseRounds), value(b.GussetDecreaseRounds)},
		{"leg rounds", a.LegRounds, b.LegRounds}, {"cuff rounds", a.CuffRounds, b.CuffRounds},
		{"stitches of the leg", a.LegStitches, b.LegStitches},
	} {
		if c.Was != c.Now {
			q.Changes = append(q.Changes, c)
		}
	}
	if longer := b.FinishedLength - a.FinishedLength; cost && math.Abs(float64(longer)) >= noise {
		q.CostMM = longer
	}
	q.say(slices.EqualFunc(p.Rows, next.Rows, knitting.SameRow), unit)
}

// noise is by how much, in mm, two finished lengths may differ that nobody would tell apart.
const noise = 1

func value(n *int) int {
	if n == nil {
		return 0
	}
	return *n
}

// one says the label of a count for one of them.
var one = strings.NewReplacer("stitches", "stitch", "rounds", "round", "rows", "row", "turns", "turn", "increases", "increase")

func (q *Proposal) say(alike bool, unit measure.Unit) {
	switch {
	case len(q.Changes) > 0:
	case alike:
		q.Text = "Nothing changes: go on as planned."
		return
	default:
		q.Text = "No count changes, and the rows to come are worked another way"
	}
	for i, c := range q.Changes {
		if i > 0 {
			q.Text += "; "
		}
		more := c.Now - c.Was
		word := "more"
		if more < 0 {
			word = "fewer"
		}
		label := c.Label
		if more == 1 || more == -1 {
			label = one.Replace(label)
		}
		q.Text += fmt.Sprintf("%d %s %s", int(math.Abs(float64(more))), word, label)
	}
	switch {
	case q.CostMM > 0:
		q.Text += fmt.Sprintf(". The foot comes out %s longer.", unit.Show(q.CostMM))
	case q.CostMM < 0:
		q.Text += fmt.Sprintf(". The foot comes out %s shorter.", unit.Show(-q.CostMM))
	default:
		q.Text += "."
	}
}

// section is that of the next row.
func section(p *plan.Plan, row int) needle.Section {
	if row >= len(p.Rows) {
		return needle.BindOff
	}
	return p.Rows[row].Section
}

// sectionDone counts the rows of a section before a row.
func sectionDone(p *plan.Plan, s needle.Section, row int) int {
	n := 0
	for i := range p.Rows[:row] {
		if p.Rows[i].Section == s {
			n++
		}
	}
	return n
}

func firstOf(p *plan.Plan, s needle.Section) int {
	i := slices.IndexFunc(p.Rows, func(r needle.Row) bool { return r.Section == s })
	if i < 0 {
		return len(p.Rows)
	}
	return i
}
