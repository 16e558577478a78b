package replan

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
)

// Whatever the sock: what is offered can be told in each of the rows for which it is, and gives a sock that can be knitted.
func TestWhatIsOfferedCanBeTold(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := anyPlan(t)
		row := rapid.IntRange(0, len(p.Rows)-1).Draw(t, "row")
		for _, told := range TellableIn(p) {
			if row < told.From || row > told.To {
				continue
			}
			h := Happened{Row: row}
			switch told.Kind {
			case "cast_on":
				h.CastOn = whole(told.Planned + 2)
			case "missed":
				h.Missed = &Missed{2, "end"}
			case "heel_late":
				h.HeelLate = whole(1)
			case "heel_turns":
				h.HeelTurns = whole(told.Planned)
			case "picked_up":
				h.PickedUp = &[2]int{18, 19}
			case "leg_rounds":
				h.LegRounds = whole(told.Planned + 2)
			case "cuff_rounds":
				h.CuffRounds = whole(told.Planned + 2)
			}
			q, err := Ask(edition(p), h)
			if err != nil {
				t.Fatalf("%s at %s: %v", told.Kind, p.Rows[row].ID, err)
			}
			if told.Kind == "heel_turns" {
				continue // as planned
			}
			if faults := check.Kept(q.Edition.Plan); len(faults) > 0 {
				t.Fatalf("%s at %s: %v", told.Kind, p.Rows[row].ID, faults[0])
			}
			assert.NotContains(t, q.Text, "Nothing changes", "%s at %s", told.Kind, p.Rows[row].ID)
		}
	})
}
