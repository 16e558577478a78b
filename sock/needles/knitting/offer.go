package knitting

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/plan"
)

// Offer is what this program would knit otherwise than the edition says, which
// an older one made. The knitted rows stay; it is said once.
type Offer struct {
	// Rows is how many of the rows to come would be others.
	Rows int    `json:"rows"`
	Text string `json:"text"`
	// Name tells one offer from another.
	Name string `json:"name"`
	next *Edition
}

// Offer makes the rows to come of both socks anew, behind what is done of each,
// and says what would be others; nil when nothing is, when it was said before, or when
// the plan has no design to make it from.
func (e *Edition) Offer(done Done) *Offer {
	bend := Bend{Reason: "The rows to come are planned anew by a newer version of the program."}
	for i := range bend.To {
		bend.To[i] = e.today(i+1, done)
	}
	if bend.To[0] == nil && bend.To[1] == nil {
		return nil
	}
	next, _, err := e.Next(bend, done)
	if err != nil {
		return nil
	}
	changed, many := 0, ""
	switch first, second := rowsApart(e.Plan, next.Plan), rowsApart(e.SecondPlan(), next.SecondPlan()); {
	case e.Second == nil && next.Second == nil:
		changed, many = first, measure.Count(first, "row")
	default:
		changed = first + second
		many = fmt.Sprintf("%s of the first sock and %s of the second", measure.Count(first, "row"), measure.Count(second, "row"))
	}
	name := nameOf(bend.To)
	if changed == 0 || name == e.SaidOffer {
		return nil
	}
	return &Offer{
		Rows: changed, Name: name, next: next,
		Text: fmt.Sprintf("This plan was made by an older version of the program. Today's would knit %s to come otherwise; what is knitted stays as it is.", many),
	}
}

// today is the plan that today's program makes of the design of a sock, 1 or 2; nil when there is nothing to make.
func (e *Edition) today(sock int, done Done) *plan.Plan {
	p := e.PlanOf(sock)
	if !p.HasDesign() || e.Off(sock, done) {
		return nil
	}
	made, err := knit.Make(p.Design)
	if err != nil || made.Stopped() != nil {
		return nil
	}
	return made
}

// rowsApart counts the rows in which two plans differ.
func rowsApart(a, b *plan.Plan) int {
	n := 0
	for i := range max(len(a.Rows), len(b.Rows)) {
		if i >= len(a.Rows) || i >= len(b.Rows) || !SameRow(a.Rows[i], b.Rows[i]) {
			n++
		}
	}
	return n
}

// nameOf is the same for the same rows of both socks, whoever makes them.
func nameOf(plans [2]*plan.Plan) string {
	hash := sha256.New()
	for _, p := range plans {
		if p == nil {
			continue
		}
		text, err := json.Marshal(p.Rows)
		if err != nil {
			return ""
		}
		hash.Write(text)
	}
	return hex.EncodeToString(hash.Sum(nil)[:8])
}

// Taken is the edition in which an offer is taken.
func (o *Offer) Taken() *Edition { return o.next }
