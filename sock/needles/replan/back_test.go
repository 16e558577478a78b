package replan

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/rows/needle"
)

// Whatever happened: taken back at once the rows are those of before, to the letter; later what is knitted stays, and every sock is sound.
func TestAStepIsTakenBack(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := anyPlan(t)
		e := edition(p)
		e.Board = &p.Design
		second := rapid.IntRange(0, len(p.Rows)-2).Draw(t, "second")
		h := Happened{Row: rapid.IntRange(rowAt(t, p, "foot-2"), len(p.Rows)-2).Draw(t, "row")}
		h.Done = knitting.Done{h.Row, second}
		switch rapid.SampledFrom([]string{"late", "leg", "ankle"}).Draw(t, "what") {
		case "late":
			h.HeelLate = whole(rapid.IntRange(-4, 8).Draw(t, "late"))
		case "leg":
			h.LegRounds = whole(rapid.IntRange(40, 90).Draw(t, "rounds"))
		default:
			h.Sits = []Sit{{"ankle", "tight"}}
		}
		q, err := Ask(e, h)
		if err != nil || !q.Plans {
			return
		}
		next := q.Edition
		done := knitting.Done(next.From(h.Done))
		if section(p, h.Row) != needle.Foot && h.HeelLate != nil {
			return // what was told of knitted rows made them others
		}
		back, err := Ask(next, Happened{BackTo: 1, Earlier: e, Done: done})
		require.NoError(t, err)
		for sock := 1; sock <= 2; sock++ {
			require.Equal(t, e.PlanOf(sock).Rows, back.Edition.PlanOf(sock).Rows, "taken back at once")
			require.Equal(t, h.Done[sock-1], back.Edition.From(done)[sock-1], "and each stands where it stood")
		}
		assert.Equal(t, e.Board, back.Edition.Board)

		later := done
		for sock := range later {
			rows := len(next.PlanOf(sock + 1).Rows)
			later[sock] = rapid.IntRange(done[sock], rows-1).Draw(t, "knitted on")
		}
		back, err = Ask(next, Happened{BackTo: 1, Earlier: e, Done: later})
		if err != nil {
			return // the needles never look as the earlier plan has them
		}
		for sock := 1; sock <= 2; sock++ {
			now := back.Edition.PlanOf(sock)
			require.Equal(t, next.PlanOf(sock).Rows[:later[sock-1]], now.Rows[:later[sock-1]], "what is knitted stays")
			require.Empty(t, check.Kept(now))
		}
	})
}

func TestThereIsNoPlanToGoBackTo(t *testing.T) {
	p := planOf(t, "")
	_, err := Ask(edition(p), Happened{BackTo: 1, Earlier: edition(p)})
	assert.ErrorContains(t, err, "back_to: read 1")
}
