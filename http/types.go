package http

import (
	"acornstep/sock/advise"
	"acornstep/sock/basket"
	"acornstep/sock/design"
	"acornstep/sock/document"
	"acornstep/sock/draft"
	"acornstep/sock/feet"
	"acornstep/sock/fit"
	"acornstep/sock/handle"
	"acornstep/sock/knit"
	"acornstep/sock/measure"
	"acornstep/sock/needle"
	"acornstep/sock/plan"
	"acornstep/sock/position"
	"acornstep/sock/shape"
	"acornstep/sock/tracing"
	"acornstep/sock/whatif"
	"acornstep/sock/words"
	"acornstep/sock/working"
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

// VersionList is what was put aside of a sock, the newest first.
type VersionList struct {
	Versions []basket.Version `json:"versions"`
}

// NewVersion puts a draft aside under a name.
type NewVersion struct {
	Name  string      `json:"name"`
	Draft draft.Draft `json:"draft"`
}

// NewSock asks for a sock in the basket. Unit is cm or in, for entries not read yet.
type NewSock struct {
	Name   string      `json:"name"`
	Wearer string      `json:"wearer"`
	Unit   string      `json:"unit" enum:"cm,in"`
	Draft  draft.Draft `json:"draft"`
	Notes  string      `json:"notes,omitempty"`
	// Foot and Swatch are what the draft was made for, if it was not typed.
	Foot   *basket.FootTaken   `json:"foot,omitempty"`
	Swatch *basket.SwatchTaken `json:"swatch,omitempty"`
}

// SaveSock replaces a sock; Revision is the one that the change was made on.
type SaveSock struct {
	Revision int         `json:"revision"`
	Name     string      `json:"name"`
	Wearer   string      `json:"wearer"`
	Unit     string      `json:"unit" enum:"cm,in"`
	Draft    draft.Draft `json:"draft"`
	Notes    string      `json:"notes,omitempty"`
	// Foot and Swatch are what the draft was made for, if it was not typed.
	Foot   *basket.FootTaken   `json:"foot,omitempty"`
	Swatch *basket.SwatchTaken `json:"swatch,omitempty"`
}

// PlanQuestion asks what a draft comes to. A brief answer leaves out rows and words.
type PlanQuestion struct {
	Name  string      `json:"name"`
	Unit  string      `json:"unit" enum:"cm,in"`
	Draft draft.Draft `json:"draft"`
	Brief bool        `json:"brief,omitempty"`
}

// DraftQuestion asks something about a draft.
type DraftQuestion struct {
	Unit  string      `json:"unit" enum:"cm,in"`
	Draft draft.Draft `json:"draft"`
}

// CompareQuestion asks for a ranking by what matters. Known lists techniques, such as
// heel:flap_under and turn:wrap, for the wish known.
type CompareQuestion struct {
	Unit  string      `json:"unit" enum:"cm,in"`
	Draft draft.Draft `json:"draft"`
	By    string      `json:"by,omitempty" enum:"fit,yarn,counting,known"`
	Known []string    `json:"known,omitempty"`
}

// WhatIfQuestion asks what a draft comes to when something was not quite right.
type WhatIfQuestion struct {
	Unit  string       `json:"unit" enum:"cm,in"`
	Draft draft.Draft  `json:"draft"`
	Doubt whatif.Doubt `json:"doubt"`
}

// PairQuestion asks for the socks of both feet of a wearer.
type PairQuestion struct {
	Unit     string      `json:"unit" enum:"cm,in"`
	Draft    draft.Draft `json:"draft"`
	WearerID string      `json:"wearer_id"`
}

// PairAnswer is both socks, briefly, and where they differ.
type PairAnswer struct {
	Left        PlanAnswer   `json:"left"`
	Right       PlanAnswer   `json:"right"`
	Differences []Difference `json:"differences"`
}

// Difference is a count that is not the same in both socks of a pair.
type Difference struct {
	Label string `json:"label"`
	Left  int    `json:"left"`
	Right int    `json:"right"`
}

// OptionList is every decision with what each way does.
type OptionList struct {
	Choices []advise.Choice `json:"choices"`
}

// WorkingList is the arithmetic of every number.
type WorkingList struct {
	Lines []working.Line `json:"lines"`
}

// FigureList is what a doubt changes.
type FigureList struct {
	Figures []whatif.Figure `json:"figures"`
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
	// Fingers is what can be counted after each row where a turn holds stitches; otherwise empty.
	Fingers []string     `json:"fingers,omitempty"`
	Shape   *shape.Shape `json:"shape,omitempty"`
	Fit     []fit.Place  `json:"fit,omitempty"`
	Yarn    []yarn.Need  `json:"yarn,omitempty"`
	// FootRoundsBy is the foot by each school of taking off toe and heel.
	FootRoundsBy map[string]int `json:"foot_rounds_by,omitempty"`
	// Strip is the stitches worked in each row, by section.
	Strip   []StripPart     `json:"strip,omitempty"`
	Handles []handle.Handle `json:"handles,omitempty"`
	// Ghost is the outline of the foot beside the sock.
	Ghost  shape.Points   `json:"ghost,omitempty"`
	Places []shape.Across `json:"places,omitempty"`
	Effort *plan.Effort   `json:"effort,omitempty"`
	// HeelPlace names where the heel begins on the foot when the sock is tried on.
	HeelPlace string `json:"heel_place,omitempty"`
}

// StripPart is a section of the strip of the whole sock.
type StripPart struct {
	Section string `json:"section"`
	Worked  []int  `json:"worked"`
	// Contrast: it is knitted in the other yarn, but for the stitches on the way there.
	Contrast bool `json:"contrast,omitempty"`
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
	// Terms of the craft with their explanations.
	Terms    []words.Term    `json:"terms"`
	Kinds    []feet.Kind     `json:"kinds"`
	Cautions []feet.Caution  `json:"cautions"`
	Sheets   []tracing.Sheet `json:"sheets"`
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
func answer(name string, r draft.Reading, brief bool) (PlanAnswer, error) {
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
	return work(a, r.Design, brief)
}

func work(a PlanAnswer, d design.Design, brief bool) (PlanAnswer, error) {
	p, sock, err := plan.MakeSock(d)
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
	a.Shape, a.Ghost, a.Handles = &drawn, shape.Ghost(sock), handle.Of(sock, drawn)
	a.Fit, a.Yarn, a.FootRoundsBy = fit.Of(sock), yarn.Needs(&p.Design, p.Rows), sock.FootRoundsBy()
	a.Places, a.HeelPlace = shape.Places(sock, drawn), sock.HeelPlace()
	effort := plan.EffortOf(p.Rows)
	a.Effort, a.Strip = &effort, strip(p.Rows, a.Words)
	if brief {
		short := *p
		short.Rows = []needle.Row{}
		a.Plan, a.Words = &short, nil
		return a, nil
	}
	a.Fingers, err = position.Fingers(p)
	return a, err
}

// strip counts what each row works; a row that only turns is as high as nothing.
func strip(rows []needle.Row, said []words.Row) []StripPart {
	var parts []StripPart
	for i := range rows {
		if n := len(parts); n == 0 || parts[n-1].Section != string(rows[i].Section) {
			parts = append(parts, StripPart{Section: string(rows[i].Section)})
		}
		last := &parts[len(parts)-1]
		last.Worked = append(last.Worked, said[i].Worked)
		last.Contrast = last.Contrast || rows[i].Colour == knit.Contrast
	}
	return parts
}
