package web

import (
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/judge/advise"
	"acornstep/sock/judge/board"
	"acornstep/sock/judge/whatif"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/draft"
	"acornstep/sock/people/feet"
	"acornstep/sock/people/tracing"
	"acornstep/sock/said/words"
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
	// Refused are the events of a question of which none could be written down, when their ids are taken.
	Refused []Refused `json:"refused,omitempty"`
}

// SocksQuestion asks for a part of the basket.
type SocksQuestion struct {
	// From counts the socks before it, Limit those that it has at most; Find is looked for in names.
	From  int    `query:"from"`
	Limit int    `query:"limit"`
	Find  string `query:"find"`
	// Practice is 1 for the pieces to practise on, which are none of the basket.
	Practice int `query:"practice"`
}

// SockList is a part of the basket.
type SockList struct {
	Socks []basket.Sock `json:"socks"`
	// All is how many socks there are that were asked for.
	All int `json:"all"`
}

// VariantList is what was put aside of a sock, the newest first.
type VariantList struct {
	Variants []basket.Variant `json:"variants"`
}

// NewVariant puts a draft aside under a name.
type NewVariant struct {
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

// DrawingQuestion asks for a sock on its foot: rough for the eye while hands rest for a moment, else as exactly as it can be told.
type DrawingQuestion struct {
	Unit  string      `json:"unit" enum:"cm,in"`
	Draft draft.Draft `json:"draft"`
	Rough bool        `json:"rough,omitempty"`
	// Doubt, when given, draws the same rows as they come out when something was not quite right.
	Doubt *whatif.Doubt `json:"doubt,omitempty"`
}

// DraftQuestion asks something about a draft.
type DraftQuestion struct {
	Unit  string      `json:"unit" enum:"cm,in"`
	Draft draft.Draft `json:"draft"`
}

// OptionsQuestion asks for every decision. SockID names a sock on the needles, whose knitted rows lock some.
type OptionsQuestion struct {
	Unit   string      `json:"unit" enum:"cm,in"`
	Draft  draft.Draft `json:"draft"`
	SockID string      `json:"sock_id,omitempty"`
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

// PairQuestion asks for both socks of a pair.
type PairQuestion struct {
	Unit  string      `json:"unit" enum:"cm,in"`
	Draft draft.Draft `json:"draft"`
}

// PairAnswer is both socks, briefly, and where they differ.
type PairAnswer struct {
	Left        board.Answer       `json:"left"`
	Right       board.Answer       `json:"right"`
	Differences []board.Difference `json:"differences"`
}

// OptionList is every decision with what each way does.
type OptionList struct {
	Choices []advise.Choice `json:"choices"`
}

// WorkingList is the arithmetic of every number.
type WorkingList struct {
	Lines []sheet.Line `json:"lines"`
}

// FigureList is what a doubt changes.
type FigureList struct {
	Figures []whatif.Figure `json:"figures"`
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
	// Moves are the names of the moves that show what can be chosen, such as heel.turn:german, or a word of the craft, such as term:rib.
	Moves    map[string][]string `json:"moves"`
	Glossary []words.Entry       `json:"glossary"`
	Patterns []PatternName       `json:"patterns"`
	// Techniques that can be chosen, by the field that names them; the usual one of a field first.
	Techniques []Technique `json:"techniques"`
	// Usual figures stand in for what is left empty in a design, by the field and in its unit; a field not listed is worked out.
	Usual map[at.Path]float64 `json:"usual"`
	// Terms of the craft with their explanations.
	Terms    []words.Term    `json:"terms"`
	Kinds    []feet.Kind     `json:"kinds"`
	Cautions []feet.Caution  `json:"cautions"`
	Sheets   []tracing.Sheet `json:"sheets"`
}

// Technique is what is read of a way to knit, and what choosing it changes in a design.
type Technique struct {
	Field at.Path `json:"field"`
	knit.About
	Changes design.Changes `json:"changes"`
	// Known names it in a list of what somebody has knitted before; empty for what needs no learning.
	Known string `json:"known"`
}

// PatternName is a stitch pattern to choose.
type PatternName struct {
	Name   string `json:"name"`
	Label  string `json:"label"`
	Repeat int    `json:"repeat"`
	Shoe   string `json:"shoe"`
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
