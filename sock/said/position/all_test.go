package position

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// Walking through once says the same as looking at each row by itself, loop for loop.
func TestAllAgreesWithEachRow(t *testing.T) {
	for _, heel := range []string{`{"turn":"german"}`, `{"turn":"wrap"}`, `{"turn":"pinned"}`, `{"turn":"yarn_over"}`,
		`{"kind":"flap_under"}`} {
		p := planOf(t, heel)
		all := All(p, traceOf(t, p))
		require.Len(t, all, len(p.Rows)+1)
		for i := range p.Rows {
			one, err := Of(p, traceOf(t, p), i)
			require.NoError(t, err)
			n := all[i+1]
			assert.Equal(t, one.After.Cursor, n.Cursor)
			var loops []Loop
			for _, run := range n.Runs {
				for j := range run.N {
					l := Loop{run.Kind, run.Wraps, run.Turned, 0, run.Yarn}
					if j == run.N-1 {
						l.Pins = run.Pins
					}
					loops = append(loops, l)
				}
			}
			if len(loops) > 0 || len(one.After.Loops) > 0 {
				require.Equal(t, one.After.Loops, loops, "%s %s", heel, p.Rows[i].ID)
			}
		}
	}
}

// A heel of 34 in the German style: after its fourth short row, held with the wrong side in front, two doubles wait on the left, and two
// with the stitch just turned on wait on the right.
func TestTheCheckOfTheFingers(t *testing.T) {
	p := planOf(t, `{"turn":"german"}`)
	all := All(p, traceOf(t, p))
	for i, row := range p.Rows {
		switch row.ID {
		case "heel-5":
			assert.Equal(t, "2 wait · 30 between · 2 wait", all[i+1].Check)
		case "foot-9":
			assert.Equal(t, "68 in all", all[i+1].Check)
		}
	}
}

// One chain stitch stands for two rows: after the twentieth row of the heel, of which two set it up, nine of eighteen.
func TestTheChainOfAFlapIsCounted(t *testing.T) {
	p := planOf(t, `{"kind":"flap_under"}`)
	fingers := Fingers(p, traceOf(t, p))
	for i, row := range p.Rows {
		switch row.ID {
		case "heel-2", "heel-3":
			assert.Empty(t, fingers[i])
		case "heel-20", "heel-21":
			assert.Equal(t, "chain 9 of 18 on each edge · 34 on the heel", fingers[i])
		case "heel-38":
			assert.Equal(t, "chain 18 of 18 on each edge · 34 on the heel", fingers[i])
		}
	}
}

// What is picked up is told as links, and with the corner as stitches: a knitter who counted one of them finds it.
func TestLinksAndTheCornerAreTold(t *testing.T) {
	p := planOf(t, `{"kind":"flap_under","picked_up":[19,17]}`)
	fingers := Fingers(p, traceOf(t, p))
	for i, row := range p.Rows {
		switch row.ID {
		case "gusset-1":
			assert.Equal(t, "19 links and the corner: 20", fingers[i])
		case "gusset-2":
			assert.Equal(t, "17 links and the corner: 18", fingers[i])
		}
	}
}

// 92 stitches after picking up: 34 in front, 20 of the heel, 19 on each wing; a round later by two, one of each wing is gone.
func TestWingsAndWhatIsParkedAreCounted(t *testing.T) {
	of := func(heel string) map[string]string {
		p := planOf(t, heel)
		byRow, fingers := map[string]string{}, Fingers(p, traceOf(t, p))
		for i, row := range p.Rows {
			byRow[row.ID] = fingers[i]
		}
		return byRow
	}
	flap := of(`{"kind":"flap_under"}`)
	assert.Equal(t, "wing 19 · heel 20 · wing 19", flap["gusset-2"])
	assert.Equal(t, "wing 18 · heel 20 · wing 18", flap["gusset-4"])
	parked := 0
	for _, text := range of(`{"kind":"gusset_turn","gusset_increases":12}`) {
		if text == "parked 11 · heel 34 · parked 11" || text == "parked 12 · heel 34 · parked 11" {
			parked++
		}
	}
	assert.Equal(t, 2, parked, "a row of the flap takes one of a side, the next one of the other")
}
