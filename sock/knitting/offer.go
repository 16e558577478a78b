package knitting

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"

	"acornstep/sock/knit"
	"acornstep/sock/measure"
	"acornstep/sock/plan"
)

// Offer is what this program would knit otherwise than the edition says, which
// an older one made. The knitted rows stay; it is said once.
type Offer struct {
	// Rows is how many of the rows to come would be others.
	Rows int    `json:"rows"`
	Text string `json:"text"`
	// Name tells one offer from another.
	Name string `json:"name"`
	next *plan.Plan
}

// Offered makes the rows to come anew, behind so many that are done, and says
// what would be others; nil when nothing is, when it was said before, or when
// the plan has no design to make it from.
func (e *Edition) Offer(done int) *Offer {
	if !e.Plan.HasDesign() {
		return nil
	}
	next, err := knit.Make(e.Plan.Design)
	if err != nil || next.Stopped() != nil || sameRows(e.Plan.Rows, next.Rows) {
		return nil
	}
	spliced, _, err := Splice(e.Plan, next, done)
	if err != nil || sameRows(e.Plan.Rows, spliced.Rows) {
		return nil
	}
	changed := 0
	for i := range max(len(e.Plan.Rows), len(spliced.Rows)) {
		if i >= len(e.Plan.Rows) || i >= len(spliced.Rows) || !SameRow(e.Plan.Rows[i], spliced.Rows[i]) {
			changed++
		}
	}
	name := nameOf(next)
	if name == e.SaidOffer {
		return nil
	}
	return &Offer{
		Rows: changed, Name: name, next: next,
		Text: fmt.Sprintf("This plan was made by an older version of the program. Today's would knit %s to come otherwise; what is knitted stays as it is.", measure.Count(changed, "row")),
	}
}

// nameOf is the same for the same rows, whoever makes them.
func nameOf(p *plan.Plan) string {
	text, err := json.Marshal(p.Rows)
	if err != nil {
		return ""
	}
	sum := sha256.Sum256(text)
	return hex.EncodeToString(sum[:8])
}

// Take makes the next edition of what is offered behind so many rows that are done.
func (e *Edition) Take(o *Offer, done int) (*Edition, error) {
	return e.Next(o.next, done, "The rows to come are planned anew by a newer version of the program.")
}
