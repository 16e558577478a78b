package replan

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Decided is what a sock on the needles would be with another design: whatever
// lies above the needle can still be decided.
type Decided struct {
	Proposal
	// Pending names the fields in which the design is another one than what is knitted by; none when all is taken.
	Pending []Pending `json:"pending"`
	// Locked says that a knitted row stands against it: which field, and which row.
	Locked []Lock `json:"locked"`
	// Needles says, of each sock, what is otherwise on the needles than a sock of that design would be today: what happened to it.
	Needles []string `json:"needles"`
}

// Pending is a field that was decided anew and is not knitted by yet.
type Pending struct {
	Field at.Path `json:"field"`
	Label string  `json:"label"`
}

// Lock is a choice that would change a row which is knitted.
type Lock struct {
	Field at.Path `json:"field"`
	Label string  `json:"label"`
	// Row names the first of them.
	Row string `json:"row"`
	// Sock is the one that it is knitted on, 1 or 2.
	Sock int `json:"sock"`
}

// Bound says which socks of a pair a decision binds.
type Bound struct {
	// Sock is 1 or 2 for one of them alone; 0 for both.
	Sock int
	// Done is what is knitted of both.
	Done knitting.Done
}

// socks are those that are bound and still on the needles.
func (b Bound) socks(e *knitting.Edition) []int {
	var list []int
	for sock := 1; sock <= 2; sock++ {
		if (b.Sock == 0 || b.Sock == sock) && !e.Off(sock, b.Done) {
			list = append(list, sock)
		}
	}
	return list
}

// unknitted are the fields that say nothing of rows.
var unknitted = []at.Path{at.Name, at.Format, at.Version, at.Mirror, at.FootEstimated, at.FootCautions, at.Patterns}

// Decide works out what a design makes of the rows to come. What gives no sock, or never meets the needles, is document.Faults.
func Decide(e *knitting.Edition, d design.Design, b Bound, unit measure.Unit) (Decided, error) {
	first := max(1, b.Sock)
	p := e.PlanOf(first)
	out := Decided{Proposal: Proposal{Row: b.Done[0], OtherRow: &b.Done[1], Changes: []Change{}, Coming: []string{}, Advice: []Advice{}},
		Pending: []Pending{}, Locked: []Lock{}, Needles: []string{}}
	if !p.HasDesign() {
		return out, fault("", "this plan came without a design, so nothing can be decided anew: go on as it says")
	}
	board := p.Design
	if e.Board != nil {
		board = *e.Board
	} else if e.Version > 1 {
		board = d // nobody kept what the board said when it was decided
	}
	changes := differing(board, d)
	for _, field := range changes.Fields() {
		out.Pending = append(out.Pending, Pending{field, design.Label(field)})
	}
	if len(out.Pending) == 0 {
		out.Needles = onTheNeedles(e, d, unit)
		return out, nil
	}
	bend, locked, err := bendBy(e, board, d, b)
	if err != nil {
		return out, err
	}
	if len(locked) > 0 {
		out.Locked = locked
		return out, nil
	}
	edition, fates, err := e.Next(bend, b.Done)
	if err != nil {
		return out, err
	}
	out.Edition, out.Plans = edition, true
	places := edition.From(b.Done)
	out.Row, out.OtherRow = places[0], &places[1]
	told := first
	if fates[told-1] != knitting.Follows {
		told = 3 - told
	}
	out.compare(e.PlanOf(told), edition.PlanOf(told), true, unit)
	out.tellPair(e, edition, told, fates, b.Done, unit)
	edition.Reason, edition.Board = "Decided anew: "+out.Text, &d
	return out, out.tell(edition.PlanOf(told), places[told-1])
}

// onTheNeedles says, of each sock of a pair, what happened to it makes other than a design would have it today; where both tell the same, once.
func onTheNeedles(e *knitting.Edition, d design.Design, unit measure.Unit) []string {
	list := []string{}
	for sock := 1; sock <= 2; sock++ {
		p := e.PlanOf(sock)
		own := ofSock(d, sock)
		own.Mirror = p.Design.Mirror
		fresh, err := knit.Make(own)
		if err != nil || fresh.Stopped() != nil || !p.HasDesign() {
			continue
		}
		var q Proposal
		if q.compare(fresh, p, true, unit); len(q.Changes) > 0 {
			list = append(list, q.Text)
		} else {
			list = append(list, "")
		}
	}
	switch {
	case len(list) == 2 && list[0] == list[1]:
		list = list[:1]
	case len(list) == 2:
		for i, text := range list {
			if text == "" {
				text = "as it stands here."
			}
			list[i] = fmt.Sprintf("The %s sock: %s", ordinal[i+1], text)
		}
	}
	if len(list) == 1 && list[0] == "" {
		return []string{}
	}
	return list
}

// ofSock is a design as it is knitted for a sock of the pair, 1 or 2, whose feet may differ.
func ofSock(d design.Design, sock int) design.Design {
	if sock == 2 && d.SecondFoot.Differs() {
		return d.OfSecond()
	}
	return d
}

// differing are the fields that are knitted in which a design is another than before.
func differing(was, d design.Design) design.Changes {
	changes := design.Differences(was, d)
	for _, field := range unknitted {
		delete(changes, field)
	}
	return changes
}

// bendBy holds the design against each sock that is bound: what it makes of it, or what of it stands against knitted rows.
func bendBy(e *knitting.Edition, was, d design.Design, b Bound) (bend knitting.Bend, locked []Lock, err error) {
	socks, changes := b.socks(e), differing(was, d)
	if len(socks) == 0 {
		for _, field := range changes.Fields() {
			locked = append(locked, Lock{Field: field, Label: design.Label(field), Row: "the last row: it is off the needles",
				Sock: max(1, b.Sock)})
		}
		return bend, locked, nil
	}
	for _, sock := range socks {
		k := knittedBy{p: e.PlanOf(sock), board: ofSock(d, sock), done: b.Done[sock-1]}
		if !k.p.HasDesign() {
			continue
		}
		changes = differing(ofSock(was, sock), k.board)
		if err := k.begin(); err != nil {
			return bend, nil, err
		}
		made, err := k.with(changes)
		if err != nil {
			return bend, nil, err
		}
		if row := k.lock(made, changes); row != "" {
			return bend, k.locks(changes, row, sock), nil
		}
		bend.To[sock-1] = made
	}
	return bend, locked, nil
}

// LockOf names the knitted row that a choice on the board would change, on a pair that is
// knitted by an edition; empty for none, and for a choice that gives no sock.
func LockOf(e *knitting.Edition, d design.Design, b Bound) func(design.Changes) string {
	var list []*knittedBy
	for _, sock := range b.socks(e) {
		if b.Done[sock-1] == 0 {
			continue // nothing of it is knitted, so nothing stands against it
		}
		k := &knittedBy{p: e.PlanOf(sock), board: ofSock(d, sock), done: b.Done[sock-1]}
		if !k.p.HasDesign() || k.begin() != nil {
			return func(design.Changes) string { return "" }
		}
		list = append(list, k)
	}
	return func(changes design.Changes) string {
		for _, k := range list {
			made, err := k.with(changes)
			if err != nil {
				return ""
			}
			if row := k.lock(made, changes); row != "" {
				return row
			}
		}
		return ""
	}
}

// knittedBy is a plan of which so many rows are done.
type knittedBy struct {
	p    *plan.Plan
	done int
	// board is the design as it is decided now.
	board design.Design
	// fresh is what its design gives today, against which a choice is held: the plan itself may be older or bent.
	fresh *plan.Plan
}

func (k *knittedBy) begin() (err error) {
	k.fresh, err = k.with(design.Changes{})
	return err
}

// with makes the plan with other choices. Rounds of the foot that were counted
// on the needles stay so many more or fewer than reckoned.
func (k *knittedBy) with(changes design.Changes) (*plan.Plan, error) {
	d, err := k.p.Design.With(k.following(changes))
	if err != nil {
		return nil, err
	}
	if !changes.Has(at.FootLengthRounds) {
		d = k.withFoot(d)
	}
	if n := sectionDone(k.p, needle.Leg, k.done); n > 0 && fromHereOn(changes) && (changes.Has(at.LegPattern) || changes.Has(at.LegPanels)) {
		d.Leg.PlainRounds = &n // it begins with its first round above what is knitted
	}
	went := asItWent(k.p, k.done)
	if fromHereOn(changes) && changes.Has(at.YarnStripes) {
		went.StripesFrom = k.done
	}
	made, err := knit.MakeWent(d, went)
	if err != nil {
		return nil, err
	}
	if stop := made.Stopped(); stop != nil {
		return nil, fault("", "planned like that no sock results: %s", stop.Text)
	}
	return made, nil
}

// following adds to choices what is worked out anew with them, as the board has it: what was counted on the needles gives way.
func (k *knittedBy) following(changes design.Changes) design.Changes {
	all := design.Changes{}
	for field, value := range changes {
		for follows := range knit.Choose(field, value) {
			all[follows] = k.board.Get(follows)
		}
		for _, follows := range counted[field] {
			all[follows] = k.board.Get(follows)
		}
	}
	maps.Copy(all, changes)
	return all
}

// counted are the figures that give way to a choice, though they were counted on the needles.
var counted = map[at.Path][]at.Path{
	at.LegHeight: {at.LegRounds, at.CuffRounds}, at.CuffHeight: {at.LegRounds, at.CuffRounds},
	at.LegPattern: {at.LegStitches, at.LegRounds}, at.CuffPattern: {at.LegStitches}, at.AnkleChange: {at.LegStitches},
	at.HeelKind:     {at.LegRounds, at.HeelPickedUp},
	at.HeelFlapRows: {at.HeelPickedUp, at.LegRounds}, at.FootLengthRounds: {},
}

// withFoot counts the rounds of the foot: those that are knitted stay, and what was
// counted on the needles stays as much longer or shorter than reckoned as it was.
func (k *knittedBy) withFoot(d design.Design) design.Design {
	at, counted := section(k.p, k.done), k.p.Design.FootLength.Rounds
	rounds := k.p.Summary.FootRounds
	if at == needle.CastOn || at == needle.Toe || at == needle.Foot {
		before, after := k.p.Design, d
		before.FootLength.Rounds, after.FootLength.Rounds = nil, nil
		a, b := knit.Measure(&before), knit.Measure(&after)
		if a.Stopped() || b.Stopped() {
			return d
		}
		rounds = b.FootRounds
		if counted != nil {
			rounds += *counted - a.FootRounds
		}
		// A heel that should have begun already begins now.
		knitted := sectionDone(k.p, needle.Foot, k.done)
		if rounds >= knitted && counted == nil {
			return d
		}
		rounds = max(rounds, knitted)
	}
	d.FootLength.Rounds = &rounds
	return d
}

// patterns are the choices that can begin at any round to come: whatever pattern is knitted below, the same stitches lie on the needles.
var patterns = []at.Path{at.LegPattern, at.LegPanels, at.LegInstepPattern, at.CuffPattern, at.YarnStripes}

// fromHereOn says whether nothing but patterns is chosen.
func fromHereOn(changes design.Changes) bool {
	for field := range changes {
		if !slices.Contains(patterns, field) {
			return false
		}
	}
	return len(changes) > 0
}

// sameStitches says whether two rows leave the same stitches, whatever pattern they are worked in.
func sameStitches(a, b *needle.Row) bool {
	return a.ID == b.ID && a.Kind == b.Kind && a.Side == b.Side && a.Stitches == b.Stitches && slices.Equal(a.OnNeedles, b.OnNeedles) &&
		slices.Equal(a.Markers, b.Markers)
}

// lock names the first knitted row that a plan has otherwise; empty for none.
func (k *knittedBy) lock(made *plan.Plan, changes design.Changes) string {
	pattern := fromHereOn(changes)
	for i := range min(len(k.fresh.Rows), len(made.Rows)) {
		if knitting.SameRow(k.fresh.Rows[i], made.Rows[i]) || pattern && sameStitches(&k.fresh.Rows[i], &made.Rows[i]) {
			continue
		}
		row := &k.fresh.Rows[i]
		at := slices.IndexFunc(k.p.Rows, func(r needle.Row) bool { return r.Section == row.Section && r.N == row.N })
		if at >= 0 && at < k.done {
			return nameOf(k.fresh.Rows, i)
		}
		return ""
	}
	return ""
}

// locks are the choices that stand against knitted rows; all of them where none does so alone.
func (k *knittedBy) locks(changes design.Changes, row string, sock int) []Lock {
	var list []Lock
	for _, field := range changes.Fields() {
		made, err := k.with(design.Changes{field: changes[field]})
		if err != nil {
			continue
		}
		if own := k.lock(made, design.Changes{field: changes[field]}); own != "" {
			list = append(list, Lock{field, design.Label(field), own, sock})
		}
	}
	if list == nil {
		for _, field := range changes.Fields() {
			list = append(list, Lock{field, design.Label(field), row, sock})
		}
	}
	return list
}

// nameOf is a row as people say it.
func nameOf(rows []needle.Row, i int) string {
	return fmt.Sprintf("%s, %s %d", strings.ReplaceAll(string(rows[i].Section), "_", " "), rows[i].Kind, needle.NumberOf(rows, i))
}
