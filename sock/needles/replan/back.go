package replan

import (
	"fmt"

	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/plan"
)

// backTo proposes the rows of an earlier edition for what is still to come of both socks. What is knitted stays, so that taken back at once
// the rows are the very ones of before.
func backTo(e *knitting.Edition, h Happened) (Proposal, error) {
	if h.BackTo < 1 || h.BackTo >= e.Version || h.Earlier == nil {
		return Proposal{}, fault("back_to", "read %d; the plans before this one are 1 to %d", h.BackTo, e.Version-1)
	}
	h.Row = h.Done[h.sock()-1]
	q, err := proposeBend(e, knitting.Bend{To: [2]*plan.Plan{h.Earlier.Plan, h.Earlier.SecondPlan()}}, h)
	if err != nil {
		return q, err
	}
	q.Edition.Board, q.Edition.Undecided = h.Earlier.Board, h.Earlier.Undecided
	q.Edition.Reason = fmt.Sprintf("Back to plan %d: %s", h.BackTo, q.Text)
	return q, nil
}
