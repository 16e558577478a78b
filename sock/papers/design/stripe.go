package design

import (
	"encoding/json"
	"fmt"
)

// Stripe is a colour and the number of rounds knitted in it.
type Stripe struct {
	Colour string
	Rounds int
}

// MarshalJSON writes the stripe as ["A", 2].
func (s Stripe) MarshalJSON() ([]byte, error) { return json.Marshal([]any{s.Colour, s.Rounds}) }

// UnmarshalJSON reads ["A", 2].
func (s *Stripe) UnmarshalJSON(text []byte) error {
	pair := []any{&s.Colour, &s.Rounds}
	if err := json.Unmarshal(text, &pair); err != nil || len(pair) != 2 {
		return fmt.Errorf("a stripe is [colour, rounds], such as [\"A\", 2], read %s", quote(string(text)))
	}
	return nil
}

// Most that a sequence of stripes may have.
const (
	mostStripes     = 60
	longestColour   = 40
	mostExtraColour = 60 // mm

	mostColours    = 8
	shortestColour = 20      // mm of yarn
	longestRepeat  = 100_000 // mm of yarn

	fewestCounted = 0.1 // rounds of a colour
	fewestRound   = 8   // stitches on which they were counted
	mostRound     = 400
)
