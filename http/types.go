package http

import (
	"acornstep/sock/basket"
	"acornstep/sock/design"
	"acornstep/sock/document"
	"acornstep/sock/draft"
	"acornstep/sock/knit"
	"acornstep/sock/plan"
	"acornstep/sock/shape"
	"acornstep/sock/words"
)

// Problem is an error as RFC 9457 describes it, with the faults of single fields.
type Problem struct {
	Type   string           `json:"type"`
	Title  string           `json:"title"`
	Status int              `json:"status"`
	Detail string           `json:"detail,omitempty"`
	Errors []document.Fault `json:"errors,omitempty"`
	// Current is the sock as it is kept, when a save was stale.
	Current *basket.Sock `json:"current,omitempty"`
}

// SockList is the basket.
type SockList struct {
	Socks []basket.Sock `json:"socks"`
}

// NewSock asks for a sock in the basket. Unit is cm or in, for entries not read yet.
type NewSock struct {
	Name   string      `json:"name"`
	Wearer string      `json:"wearer"`
	Unit   string      `json:"unit" enum:"cm,in"`
	Draft  draft.Draft `json:"draft"`
}

// SaveSock replaces a sock; Revision is the one that the change was made on.
type SaveSock struct {
	Revision int         `json:"revision"`
	Name     string      `json:"name"`
	Wearer   string      `json:"wearer"`
	Unit     string      `json:"unit" enum:"cm,in"`
	Draft    draft.Draft `json:"draft"`
}

// PlanQuestion asks what a draft comes to.
type PlanQuestion struct {
	Name  string      `json:"name"`
	Unit  string      `json:"unit" enum:"cm,in"`
	Draft draft.Draft `json:"draft"`
}

// PlanAnswer is a draft worked out. Design and all that follows it are left
// out while the draft has faults; rows, words and shape when a check stops the sock.
type PlanAnswer struct {
	// Draft has the entries that could be read folded into the design.
	Draft  draft.Draft      `json:"draft"`
	Faults []document.Fault `json:"faults"`
	Plan   *plan.Plan       `json:"plan,omitempty"`
	Counts []CountChoice    `json:"counts,omitempty"`
	Words  []words.Row      `json:"words,omitempty"`
	Shape  *shape.Shape     `json:"shape,omitempty"`
}

// CountChoice is a stitch count round the foot with the ease it gives, in percent.
type CountChoice struct {
	Stitches int     `json:"stitches"`
	EasePct  float64 `json:"ease_pct"`
	Chosen   bool    `json:"chosen"`
	Nearest  bool    `json:"nearest"`
}

// Health says that the program answers.
type Health struct {
	Status  string `json:"status"`
	Version string `json:"version"`
}

// Session says whether a passphrase is asked for and whether it was given.
type Session struct {
	Required bool `json:"required"`
	Open     bool `json:"open"`
}

// Login opens a session.
type Login struct {
	Passphrase string `json:"passphrase"`
}

// answer works a draft out, as far as it goes.
func answer(name string, r draft.Reading) (PlanAnswer, error) {
	a := PlanAnswer{Draft: r.Draft, Faults: r.Faults}
	if a.Faults == nil {
		a.Faults = []document.Fault{}
	}
	if len(a.Faults) > 0 {
		return a, nil
	}
	if name != "" {
		r.Design.Name = name
	}
	return work(a, r.Design)
}

func work(a PlanAnswer, d design.Design) (PlanAnswer, error) {
	p, err := plan.Make(d)
	if faults, ok := err.(document.Faults); ok {
		a.Faults = faults
		return a, nil
	}
	if err != nil {
		return a, err
	}
	a.Plan = p
	for _, c := range knit.CountChoices(&p.Design, p.Summary.FootStitches) {
		a.Counts = append(a.Counts, CountChoice(c))
	}
	if p.Stopped() != nil {
		return a, nil
	}
	if a.Words, err = words.Rows(p.Rows); err != nil {
		return a, err
	}
	drawn := shape.Of(p, a.Words)
	a.Shape = &drawn
	return a, nil
}
