package replan

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
)

// Answer is what one sock of a pair is to do about something that happened to the other.
type Answer string

// The answers. A sock of which nobody asked goes on as it was planned.
const (
	AsPlanned Answer = "planned"
	Alike     Answer = "alike"
	Later     Answer = "later"
)

// Way is an answer that can be given, and what comes of it.
type Way struct {
	Answer Answer `json:"answer" enum:"planned,alike,later"`
	Label  string `json:"label"`
	Text   string `json:"text"`
}

// Other asks for the other sock of the pair, which could still be knitted as this one will be.
type Other struct {
	// Sock is 1 or 2.
	Sock     int    `json:"sock"`
	Question string `json:"question"`
	// Ways has the likeliest first.
	Ways []Way `json:"ways"`
}

// otherOf asks what becomes of the other sock: alike is the edition in which it follows.
func otherOf(e, alike *knitting.Edition, h Happened) *Other {
	sister := 3 - h.sock()
	name := ordinal[sister]
	own := Proposal{}
	own.compare(e.PlanOf(sister), alike.PlanOf(sister), h.Length == nil, h.Unit)
	ways := []Way{
		{AsPlanned, "As planned", fmt.Sprintf("The %s sock stays as it is planned.", name)},
		{Alike, "Alike", fmt.Sprintf("The %s sock: %s", name, own.Text)},
		{Later, "Decide later", fmt.Sprintf("The %s sock stays as it is planned for now, and you are asked again while it is knitted.", name)},
	}
	if h.measured() {
		ways[0], ways[1] = ways[1], ways[0]
	}
	return &Other{Sock: sister, Question: fmt.Sprintf("And the %s sock?", name), Ways: ways}
}

// measured says that what happened is no slip, but what this yarn and these hands do, and will do again.
func (h *Happened) measured() bool {
	return h.Length != nil || h.Height != nil || h.ToHeel != nil || h.HeelOff != nil || h.LegRounds != nil || h.CuffRounds != nil || h.Feels != "" || len(h.Sits) > 0
}

// bendPair bends the sock that is told of, and the other as it was answered. Whether anything is to be asked shows when the other
// follows: one that has knitted past the change, is off the needles or would have the same rows is not asked.
func bendPair(e *knitting.Edition, bend knitting.Bend, h Happened) (Proposal, error) {
	sister := 2 - h.sock() // counted from 0
	if bend.To[sister] == nil {
		return proposeBend(e, bend, h)
	}
	alike, fates, err := e.Next(bend, h.Done)
	if err != nil {
		return Proposal{}, err
	}
	if fates[sister] != knitting.Follows || slices.EqualFunc(e.PlanOf(sister+1).Rows, alike.PlanOf(sister+1).Rows, knitting.SameRow) {
		return proposeBend(e, bend, h)
	}
	if open := e.Undecided; h.Other == Later && open != nil && open.Sock != sister+1 {
		return Proposal{}, fault("other", "for the %s sock something is still open: decide that first, or say now what the %s is to do", ordinal[open.Sock], ordinal[sister+1])
	}
	if h.Other != Alike {
		bend.To[sister] = nil
	}
	q, err := proposeBend(e, bend, h)
	if err != nil {
		return q, err
	}
	q.Other = otherOf(e, alike, h)
	if h.Other == Later {
		q.Pair = fmt.Sprintf("For the %s sock it is decided later.", ordinal[sister+1])
		u := &logbook.Undecided{Sock: sister + 1, Before: e.Version,
			Text: fmt.Sprintf("What happened to the %s sock is not decided for the %s: %s", ordinal[h.sock()], ordinal[sister+1], q.Text)}
		if open := e.Undecided; open != nil {
			u.Before, u.Text, u.Versions = open.Before, open.Text+" "+q.Text, append(slices.Clone(open.Made()), e.Version+1)
		}
		q.Edition.Undecided = u
	}
	return q, nil
}

// decidedNow answers what was left open for a sock: it is knitted as the other one is from here on, or stays as it is planned.
func decidedNow(e *knitting.Edition, h Happened) (Proposal, error) {
	if e.Off(h.sock(), h.Done) {
		return Proposal{}, fault("sock", "read %d; that sock is off the needles", h.sock())
	}
	h.Row = h.Done[h.sock()-1]
	if open := e.Undecided; h.Decided == AsPlanned && (open == nil || open.Sock != h.sock()) {
		return Proposal{}, fault("decided", "nothing is left open for the %s sock: it goes on as it is planned", ordinal[h.sock()])
	}
	if h.Decided == AsPlanned {
		q := unchanged(h, "")
		q.Plans, q.Edition = true, e.Settled(h.Done)
		q.Edition.Reason = fmt.Sprintf("The %s sock stays as it is planned.", ordinal[h.sock()])
		q.Pair = fmt.Sprintf("The %s sock stays as it is, too.", ordinal[3-h.sock()])
		return q, nil
	}
	if h.Decided != Alike {
		return Proposal{}, fault("decided", "read %q; it is %s or %s", h.Decided, AsPlanned, Alike)
	}
	to, err := asOther(e, h)
	if err != nil {
		return Proposal{}, err
	}
	bend := knitting.Bend{Told: h.sock(), From: h.Row}
	bend.To[h.sock()-1] = to
	q, err := proposeBend(e, bend, h)
	if err != nil {
		return q, err
	}
	q.Edition.Undecided = nil
	q.Edition.Reason = fmt.Sprintf("The %s sock is knitted as the %s: %s", ordinal[h.sock()], ordinal[3-h.sock()], q.Text)
	return q, nil
}

// alikeTo is the plan of the other sock where it is not of the same design: what became of this one, from one plan to the next, becomes of
// that one too, and rounds of the foot are as many more or fewer. Nil where no sock comes of it.
func alikeTo(was, made, other *plan.Plan) *plan.Plan {
	if !was.HasDesign() || !other.HasDesign() {
		return nil
	}
	own := knit.PinnedTo(other)
	d, err := own.With(design.Differences(knit.PinnedTo(was), knit.PinnedTo(made)))
	if err != nil {
		return nil
	}
	d.Mirror, d.FootLength.Rounds = own.Mirror, own.FootLength.Rounds
	if more := made.Summary.FootRounds - was.Summary.FootRounds; more != 0 {
		rounds := max(0, other.Summary.FootRounds+more)
		d.FootLength.Rounds = &rounds
	}
	went := asItWent(other, 0)
	if toe := asItWent(made, 0); toe.CastOn > 0 && was.Summary.CastOnStitches != made.Summary.CastOnStitches {
		went.CastOn, went.Toe = toe.CastOn, toe.Toe
	}
	alike, err := knit.MakeWent(d, went)
	if err != nil || alike.Stopped() != nil {
		return nil
	}
	return alike
}

// asOther is the plan of this sock of a pair with what was left open of the other, and nothing else that happened there. Where nothing
// was, it is the plan of the other: mirrored where the two mirror each other; two feet that differ have none in common.
func asOther(e *knitting.Edition, h Happened) (*plan.Plan, error) {
	own, other := e.PlanOf(h.sock()), e.PlanOf(3-h.sock())
	if open := e.Undecided; open != nil && open.Sock == h.sock() && len(h.Open) > 0 {
		for _, step := range h.Open {
			if own = alikeTo(step.Was.PlanOf(3-h.sock()), step.Made.PlanOf(3-h.sock()), own); own == nil {
				return nil, fault("decided", "knitted like the other no sock results for this foot")
			}
		}
		return own, nil
	}
	if e.Plan.Design.SecondFoot.Differs() {
		return nil, fault("decided", "nothing is left open for this sock")
	}
	if !own.HasDesign() || !other.HasDesign() || own.Design.Mirror == other.Design.Mirror {
		return other, nil
	}
	d := other.Design
	d.Mirror = own.Design.Mirror
	made, err := knit.Make(d)
	if err != nil {
		return nil, err
	}
	if stop := made.Stopped(); stop != nil {
		return nil, fault("decided", "knitted like the other no sock results: %s", stop.Text)
	}
	return made, nil
}

// Apart is where the two socks of a pair differ, beyond being mirrored.
type Apart struct {
	// Text says it of the second sock.
	Text string `json:"text"`
	// Counts have that of the first sock and that of the second.
	Counts []Change `json:"counts"`
	// Long is the finished length of each, in mm.
	Long [2]measure.Length `json:"long_mm"`
}

// ApartOf compares the two socks of a pair; nil where they are alike.
func ApartOf(e *knitting.Edition) *Apart {
	if e.Second == nil {
		return nil
	}
	q := Proposal{Changes: []Change{}}
	q.compare(e.Plan, e.Second, false, "")
	apart := &Apart{Text: "The second sock: " + q.Text, Counts: q.Changes,
		Long: [2]measure.Length{e.Plan.Summary.FinishedLength, e.Second.Summary.FinishedLength}}
	if len(q.Changes) > 0 {
		return apart
	}
	choices := choicesApart(e)
	if choices == "" {
		return nil
	}
	apart.Text = "No count differs; the second sock is knitted its own way in: " + choices + "."
	return apart
}

// choicesApart names the choices in which the second sock is another than the first; empty for none that are knitted.
func choicesApart(e *knitting.Edition) string {
	if !e.Plan.HasDesign() || !e.Second.HasDesign() {
		return ""
	}
	var labels []string
	for _, field := range differing(e.Plan.Design, e.Second.Design).Fields() {
		labels = append(labels, design.Label(field))
	}
	return strings.Join(labels, ", ")
}
