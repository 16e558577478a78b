package needle

import (
	"encoding/json"
	"fmt"
)

// Marker is a ring hung before a loop, counted from loop 0.
type Marker struct {
	Loop int
	Name string
}

// MarshalJSON writes the marker as [17, "heel centre"].
func (m Marker) MarshalJSON() ([]byte, error) { return json.Marshal([]any{m.Loop, m.Name}) }

// UnmarshalJSON reads [17, "heel centre"].
func (m *Marker) UnmarshalJSON(text []byte) error {
	pair := []any{&m.Loop, &m.Name}
	if err := json.Unmarshal(text, &pair); err != nil || len(pair) != 2 {
		return fmt.Errorf("a marker is [loop, name], read %s", clip(text))
	}
	return nil
}
