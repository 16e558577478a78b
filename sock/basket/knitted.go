package basket

import (
	"time"

	"acornstep/sock/design"
)

// Knitted is a version of the plan that a sock is knitted from. The board may
// change the design meanwhile; what is on the needles follows its own plan.
type Knitted struct {
	Version int           `json:"version"`
	Design  design.Design `json:"design"`
	// Reason is why the version before it was left; empty for the first.
	Reason  string    `json:"reason"`
	Created time.Time `json:"created"`
}
