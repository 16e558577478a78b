package knit

import "fmt"

// Level says how much a check matters.
type Level string

// The levels: something to know, something to look at, and no sock at all.
const (
	Note    Level = "note"
	Caution Level = "caution"
	Stop    Level = "stop"
)

// Check is a judgement on the sock: a sentence that a knowing friend would say.
type Check struct {
	Code  string `json:"code"`
	Level Level  `json:"level"`
	Text  string `json:"text"`
}

func (s *Sock) say(level Level, code, format string, args ...any) {
	s.Checks = append(s.Checks, Check{code, level, fmt.Sprintf(format, args...)})
}

// Stopped says whether a check forbids the sock.
func (s *Sock) Stopped() bool {
	for _, c := range s.Checks {
		if c.Level == Stop {
			return true
		}
	}
	return false
}
