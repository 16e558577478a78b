// Package verdict is what a knowing friend would say of a sock: a sentence,
// a code to know it by, and how much it matters.
package verdict

import (
	"fmt"
	"slices"
)

// Level says how much a check matters.
type Level string

// The levels: something to know, something to look at, and no sock at all.
const (
	Note    Level = "note"
	Caution Level = "caution"
	Stop    Level = "stop"
)

// Check is one judgement on a sock.
type Check struct {
	Code  string `json:"code"`
	Level Level  `json:"level"`
	Text  string `json:"text"`
}

// Checks are the judgements on one sock, in the order in which they were made.
type Checks []Check

// Say adds a judgement whose text is formatted.
func (list *Checks) Say(level Level, code, format string, args ...any) {
	*list = append(*list, Check{code, level, fmt.Sprintf(format, args...)})
}

// Stopped is the first check that forbids the sock, nil for one that can be knitted.
func (list Checks) Stopped() *Check {
	if i := slices.IndexFunc(list, func(c Check) bool { return c.Level == Stop }); i >= 0 {
		return &list[i]
	}
	return nil
}
