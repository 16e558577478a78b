package board_test

import (
	"context"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/judge/board"
	"acornstep/sock/papers/design"
)

// By hand: after 40 rounds of the foot the needle lies 19/0.44 + 40/0.44 = 134 mm from the tip on the table; on the
// foot some of that bends round the toes, and a hand stretches it a little.
func TestASockIsTriedOn(t *testing.T) {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"heel":{"kind":"flap_under"}}`))
	require.NoError(t, err)
	p, s, err := knit.MakeSock(d)
	require.NoError(t, err)
	on := func(rows int, rounds float64) board.Tried {
		tried, err := board.TryOn(context.Background(), p, s, rows, rounds)
		require.NoError(t, err)
		return tried
	}
	_, err = board.TryOn(context.Background(), p, s, 12, 0)
	assert.ErrorIs(t, err, board.ErrTooEarly)

	foot := on(60, 0)
	assert.InDelta(t, 134, float64(foot.Behind), 9)
	assert.Zero(t, foot.Above)
	assert.Greater(t, len(foot.Needle), 20)
	for i := 1; i < len(foot.Needle); i++ {
		a, b := foot.Needle[i-1], foot.Needle[i]
		assert.Less(t, math.Hypot(a[0]-b[0], a[1]-b[1]), 9., "the needle lies from the instep to the sole without a leap")
	}
	assert.Greater(t, foot.Needle[0][1], foot.Needle[len(foot.Needle)-1][1]+25)
	assert.Greater(t, float64(on(60, 0.40).Behind), float64(foot.Behind)+7, "fewer rounds in 10 cm make a longer sock")

	// In the middle of the flap the needle lies under the heel; on the leg above it.
	flap := 0
	for i := range p.Rows {
		if p.Rows[i].ID == "heel-20" {
			flap = i + 1
		}
	}
	assert.InDelta(t, 205, float64(on(flap, 0).Behind), 25)
	leg := on(len(p.Rows)-20, 0)
	assert.Zero(t, leg.Behind)
	assert.Greater(t, float64(leg.Above), 100.)
}
