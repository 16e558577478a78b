package replan

import (
	"regexp"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
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
			case "toe_turns":
				h.ToeTurns = whole(told.Planned)
			case "flap_rows":
				h.FlapRows = whole(told.Planned + 2)
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
			if told.Kind == "heel_turns" || told.Kind == "toe_turns" {
				assert.Contains(t, q.Text, "as it is", "%s at %s, as planned", told.Kind, p.Rows[row].ID)
				continue
			}
			if faults := check.Kept(q.Edition.Plan); len(faults) > 0 {
				t.Fatalf("%s at %s: %v", told.Kind, p.Rows[row].ID, faults[0])
			}
			isTrue(t, q, p)
			assert.NotContains(t, q.Text, "Nothing changes", "%s at %s", told.Kind, p.Rows[row].ID)
		}
	})
}

// Turns and rows that are others than planned are those of the rows that come, or a sentence says why they cannot be any more.
func TestTurnsOfAToeAndRowsOfAFlapAreThoseThatWereTold(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := anyPlan(t)
		row := rapid.IntRange(1, len(p.Rows)-1).Draw(t, "row")
		off := 2 * rapid.IntRange(-2, 2).Draw(t, "off")
		for _, told := range TellableIn(p) {
			if row < told.From || row > told.To || told.Kind != "toe_turns" && told.Kind != "flap_rows" {
				continue
			}
			n := told.Planned + off
			h := Happened{Row: row, ToeTurns: &n}
			if told.Kind == "flap_rows" {
				h = Happened{Row: row, FlapRows: &n}
			}
			q, err := Ask(edition(p), h)
			if err != nil {
				assert.Regexp(t, "knitted too far|no sock results|: read|never look as that plan", err.Error())
				return
			}
			if off == 0 {
				return
			}
			next := q.Edition.Plan
			assert.Empty(t, check.Kept(next))
			assert.Equal(t, p.Rows[:row], next.Rows[:row])
			if told.Kind == "flap_rows" {
				assert.Equal(t, n, *next.Summary.FlapRows)
			} else {
				assert.Equal(t, n, turnsOf(next, needle.Toe))
			}
		}
	})
}

// rowsOf reads counts out of the rows of a sock, by the words in which their difference is said.
func rowsOf(p *plan.Plan) map[string]int {
	counts := map[string]int{}
	for i := range p.Rows {
		switch r := &p.Rows[i]; r.Section {
		case needle.CastOn:
			counts["stitches cast on"] = r.Stitches
		case needle.Toe:
			if r.Kind == needle.Round {
				counts["rounds of the toe"]++
			}
		case needle.Foot:
			counts["rounds before the heel"]++
		case needle.Leg:
			counts["leg rounds"]++
		case needle.Cuff:
			counts["cuff rounds"]++
		}
	}
	return counts
}

var difference = regexp.MustCompile(`(\d+) (more|fewer) ([a-z ]+?)(?:;|\.)`)

// isTrue holds the sentence of a proposal against the rows of both plans, and what it says of the length against both finished ones.
func isTrue(t *rapid.T, q Proposal, p *plan.Plan) {
	was, is := rowsOf(p), rowsOf(q.Edition.Plan)
	for _, d := range difference.FindAllStringSubmatch(q.Text, -1) {
		for name := range is {
			if d[3] != name && d[3] != one.Replace(name) {
				continue
			}
			n, _ := strconv.Atoi(d[1])
			if d[2] == "fewer" {
				n = -n
			}
			if name == "rounds of the toe" && is[name] == 0 {
				continue
			}
			assert.Equal(t, n, is[name]-was[name], "%s: %s", q.Text, name)
		}
	}
	longer := float64(q.Edition.Plan.Summary.FinishedLength - p.Summary.FinishedLength)
	assert.Equal(t, longer >= noise, strings.Contains(q.Text, "comes out") && strings.Contains(q.Text, "longer"), "%s: %.1f", q.Text, longer)
	assert.Equal(t, longer <= -noise, strings.Contains(q.Text, "comes out") && strings.Contains(q.Text, "shorter"), "%s: %.1f", q.Text, longer)
}
