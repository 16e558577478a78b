package http

import (
	"acornstep/sock/basket"
	"acornstep/sock/design"
	"acornstep/sock/document"
	"acornstep/sock/draft"
	"acornstep/sock/fit"
	"acornstep/sock/knit"
	"acornstep/sock/measure"
	"acornstep/sock/plan"
	"acornstep/sock/shape"
	"acornstep/sock/words"
	"acornstep/sock/yarn"
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
	Fit    []fit.Place      `json:"fit,omitempty"`
	Yarn   []yarn.Need      `json:"yarn,omitempty"`
	// FootRoundsBy is the foot by each school of taking off toe and heel.
	FootRoundsBy map[string]int `json:"foot_rounds_by,omitempty"`
}

// PositionQuestion asks how the needles look at row number Row, counted from 0, of a draft's plan.
type PositionQuestion struct {
	Unit  string      `json:"unit" enum:"cm,in"`
	Draft draft.Draft `json:"draft"`
	Row   int         `json:"row"`
}

// ShoeQuestion asks for the foot in a shoe.
type ShoeQuestion struct {
	System string  `json:"system" enum:"mondopoint,eu,uk,us_women,us_men,children"`
	Size   float64 `json:"size"`
}

// ShoeAnswer is an estimated foot.
type ShoeAnswer struct {
	Length      measure.Length `json:"length_mm"`
	Uncertainty measure.Length `json:"uncertainty_mm"`
	Source      string         `json:"source"`
}

// Reference is what the interface explains and offers.
type Reference struct {
	Glossary []words.Entry `json:"glossary"`
	Patterns []PatternName `json:"patterns"`
}

// PatternName is a stitch pattern to choose.
type PatternName struct {
	Name   string `json:"name"`
	Label  string `json:"label"`
	Repeat int    `json:"repeat"`
	Shoe   string `json:"shoe"`
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
	if a.Words, err = words.Rows(p.Rows, p.Design.Needles); err != nil {
		return a, err
	}
	drawn := shape.Of(p, a.Words)
	a.Shape = &drawn
	sock := knit.Measure(&p.Design)
	a.Fit, a.Yarn, a.FootRoundsBy = fit.Of(sock), yarn.Needs(&p.Design, p.Rows), sock.FootRoundsBy()
	return a, nil
}
