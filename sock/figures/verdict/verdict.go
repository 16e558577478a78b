// Package verdict is what a knowing friend would say of a sock: a sentence,
// a code to know it by, and how much it matters.
package verdict

import (
	"fmt"
	"slices"
	"unicode"
	"unicode/utf8"

	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
)

// Level says how much a check matters.
type Level string

// The levels: something to know, something to look at, and no sock at all.
const (
	Note    Level = "note"
	Caution Level = "caution"
	Stop    Level = "stop"
)

// On is the decision on a sock to which a judgement belongs.
type On string

// The decisions on which something can be said, in the order of the work.
const (
	OnFoot    On = "foot"
	OnSwatch  On = "swatch"
	OnRound   On = "round"
	OnToe     On = "toe"
	OnLength  On = "length"
	OnHeel    On = "heel"
	OnCorners On = "corners"
	OnAnkle   On = "ankle"
	OnLeg     On = "leg"
	OnCuff    On = "cuff"
)

// Check is one judgement on a sock.
type Check struct {
	Code  string `json:"code"`
	Level Level  `json:"level"`
	// Text as documents have it: lengths in millimetres, and the path of the field in front of what is about one.
	Text string `json:"text"`
	// field is that path; on is the decision; format and args are how the text was made. They are not kept in documents.
	on     On
	field  at.Path
	format string
	args   []any
}

// On is the decision to which the check belongs; none for one out of a document, which does not say it.
func (c Check) On() On { return c.on }

// In is the check as a person reads it: lengths in their unit and no paths.
func (c Check) In(unit measure.Unit) Check {
	if c.format == "" {
		return c
	}
	args := slices.Clone(c.args)
	for i, arg := range args {
		if length, is := arg.(measure.Length); is {
			args[i] = unit.Show(length)
		}
	}
	text := fmt.Sprintf(c.format, args...)
	first, size := utf8.DecodeRuneInString(text)
	c.Text = string(unicode.ToUpper(first)) + text[size:]
	return c
}

// Checks are the judgements on one sock, in the order in which they were made.
type Checks []Check

// Say adds a judgement on a decision, whose text is formatted. Lengths are given as they are, for [Check.In] to spell.
func (list *Checks) Say(on On, level Level, code, format string, args ...any) {
	list.Of(on, "", level, code, format, args...)
}

// Of adds a judgement on a field of the design.
func (list *Checks) Of(on On, field at.Path, level Level, code, format string, args ...any) {
	text := fmt.Sprintf(format, args...)
	if field != "" {
		text = string(field) + ": " + text
	}
	*list = append(*list, Check{code, level, text, on, field, format, args})
}

// In are the checks as a person reads them.
func (list Checks) In(unit measure.Unit) Checks {
	said := make(Checks, len(list))
	for i, c := range list {
		said[i] = c.In(unit)
	}
	return said
}

// Stopped is the first check that forbids the sock, nil for one that can be knitted.
func (list Checks) Stopped() *Check {
	if i := slices.IndexFunc(list, func(c Check) bool { return c.Level == Stop }); i >= 0 {
		return &list[i]
	}
	return nil
}
