package replan

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/papers/plan"
)

// After row 9 of the German heel 4 wait on the left, 26 lie between, 4 wait on the right; the right side was worked, so the back is in front.
// What waits on the left is the double of the turn that ended row 8, on the right that of row 7, whose double row 8 made.
func TestATurnAtTheWrongStitchIsFound(t *testing.T) {
	p := planOf(t, "")
	traced := tracedOf(t, p)
	after := rowAt(t, p, "heel-9") + 1
	require.Equal(t, []int{4, 26, 4}, p.Rows[after-1].Groups)
	at := func(w Waiting) []Cause {
		causes, err := WaitingIsWrong(p, traced, after, w)
		require.NoError(t, err)
		return causes
	}
	assert.Empty(t, at(Waiting{4, 26, 4}))
	row := func(i int) string { return nameOf(p.Rows, rowAt(t, p, fmt.Sprintf("heel-%d", i))) }
	soon := at(Waiting{5, 25, 4})
	require.Len(t, soon, 2)
	assert.Equal(t, "1 row more than ticked: these are the counts after "+row(10)+". Then the other side is in front, too.", soon[0].Text)
	soon = soon[1:]
	assert.Equal(t, "On the left 1 stitch too many waits: at the end of "+row(8)+" the work turned too soon.", soon[0].Text)
	assert.Equal(t, "Rip back 1 row (27 stitches) to the turn at the end of "+row(8)+", take that back, work 1 stitch more, and turn again.", soon[0].Repair)
	late := at(Waiting{4, 27, 3})
	assert.Contains(t, late[0].Text, "1 row fewer than ticked")
	late = late[1:]
	assert.Equal(t, "On the right 1 stitch too few waits: at the end of "+row(7)+" the work turned too late.", late[0].Text)
	assert.Contains(t, late[0].Repair, "Rip back 2 rows (55 stitches)")
	two := at(Waiting{5, 24, 5})
	assert.Equal(t, "2 rows more than ticked: these are the counts after "+row(11)+".", two[0].Text)
	assert.Equal(t, "Put the sock there: nothing is to be ripped.", two[0].Repair)
	require.NotNil(t, two[0].There)
	assert.Equal(t, "heel-12", p.Rows[*two[0].There].ID)

	_, err := WaitingIsWrong(p, traced, after, Waiting{4, 26, 5})
	assert.ErrorContains(t, err, "35 in all; 34 lie here")
	_, err = WaitingIsWrong(p, traced, rowAt(t, p, "foot-9"), Waiting{4, 26, 4})
	assert.ErrorContains(t, err, "short rows")
}

// A wrap is made with the turn: what was just turned is mended without ripping a row.
func TestTheTurnThatWasJustMadeIsMendedAtOnce(t *testing.T) {
	p := planOf(t, `,"heel":{"turn":"wrap"}`)
	traced := tracedOf(t, p)
	for _, id := range []string{"heel-8", "heel-9"} {
		after := rowAt(t, p, id) + 1
		g := p.Rows[after-1].Groups
		found := 0
		for side := 0; side < 3; side += 2 {
			w := Waiting{g[0], g[1] - 1, g[2]}
			w[side]++
			causes, err := WaitingIsWrong(p, traced, after, w)
			require.NoError(t, err)
			if last := causes[len(causes)-1]; strings.HasPrefix(last.Repair, "No row is to be ripped: take back the turn that was just made") {
				found++
			} else {
				assert.Contains(t, last.Repair, "Rip back 1 row")
			}
		}
		assert.Equal(t, 1, found, id)
	}
}

// Twelve turns on each side instead of eleven, told where the twelfth of the plan would go back: the heel gets ten in the centre, and two rows more
// a side; told too late it is refused.
func TestATurnMoreOnEachSideIsGoneOnWith(t *testing.T) {
	p := planOf(t, "")
	require.Equal(t, 11, *p.Summary.HeelTurnsPerSide)
	row := rowAt(t, p, "heel-21")
	q, err := Ask(edition(p), Happened{Row: row, HeelTurns: whole(12)})
	require.NoError(t, err)
	now := q.Edition.Plan
	assert.Equal(t, []int{12, 10}, []int{*now.Summary.HeelTurnsPerSide, *now.Summary.HeelCentreStitches})
	assert.Equal(t, p.Rows[:row], now.Rows[:row])
	assert.Contains(t, q.Text, "1 more turn a side")
	_, err = Ask(edition(p), Happened{Row: rowAt(t, p, "leg-9"), HeelTurns: whole(12)})
	assert.Error(t, err)
	flap := planOf(t, `,"heel":{"kind":"flap_under"}`)
	_, err = Ask(edition(flap), Happened{Row: rowAt(t, flap, "foot-9"), HeelTurns: whole(12)})
	assert.ErrorContains(t, err, "short rows")
}

// Whatever waits, in every style, row and section of short rows: there is a cause in whole sentences, and the row it names is one of these short
// rows, not above the needle.
func TestEveryWrongWaitingHasACause(t *testing.T) {
	plans := []*plan.Plan{}
	for _, turn := range []string{"german", "wrap", "yarn_over", "pinned", "lift"} {
		plans = append(plans, planOf(t, fmt.Sprintf(`,"toe":{"kind":"short_row"},"heel":{"turn":%q}`, turn)),
			planOf(t, fmt.Sprintf(`,"heel":{"turn":%q,"kind":"gusset_turn"}`, turn)))
	}
	rapid.Check(t, func(t *rapid.T) {
		p := rapid.SampledFrom(plans).Draw(t, "sock")
		row := rapid.IntRange(1, len(p.Rows)).Draw(t, "row")
		g := p.Rows[row-1].Groups
		if len(g) == 0 {
			return
		}
		w := Waiting{g[0] + rapid.IntRange(-2, 2).Draw(t, "left"), 0, g[2] + rapid.IntRange(-2, 2).Draw(t, "right")}
		w[1] = g[0] + g[1] + g[2] - w[0] - w[2]
		causes, err := WaitingIsWrong(p, tracedOf(t, p), row, w)
		require.NoError(t, err)
		if (len(causes) == 0) != (w == Waiting{g[0], g[1], g[2]}) {
			t.Fatalf("%d causes for %v after %s, which has %v", len(causes), w, p.Rows[row-1].ID, g)
		}
		for _, c := range causes {
			if !strings.HasSuffix(c.Text, ".") || !strings.HasSuffix(c.Repair, ".") || p.Rows[c.Row].Section != p.Rows[row-1].Section ||
				strings.HasPrefix(c.Repair, "Rip") && c.Row >= row-1 {
				t.Fatalf("%+v", c)
			}
		}
	})
}
