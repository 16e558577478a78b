package shape

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/knit"
)

func TestTheGhostIsAFootRoundTheSock(t *testing.T) {
	p, drawn := draw(t, "")
	s := knit.Measure(&p.Design)
	ghost := Ghost(s)
	require.NotEmpty(t, ghost)
	left, right, low, high := ghost[0][0], ghost[0][0], ghost[0][1], ghost[0][1]
	for _, point := range ghost {
		left, right = min(left, point[0]), max(right, point[0])
		low, high = min(low, point[1]), max(high, point[1])
	}
	// As long as the foot, a little of the curve's swing allowed.
	assert.InDelta(t, float64(p.Design.Foot.Length), right-left, 12)
	assert.Less(t, left, 0.0, "the toes reach beyond the sock's tip: it stretches")
	assert.GreaterOrEqual(t, high, drawn.Height-15)
	assert.Greater(t, low, -20.0)
}

func TestThePlacesOfTheFitLieOnTheSock(t *testing.T) {
	for _, fields := range []string{"", `,"heel":{"kind":"flap_under"}`, `,"toe":{"kind":"garter_square"},"heel":{"kind":"gusset_turn"}`} {
		p, drawn := draw(t, fields)
		seen := map[string]bool{}
		for _, place := range Places(knit.Measure(&p.Design), drawn) {
			seen[place.Place] = true
			for _, end := range place.Ends {
				assert.True(t, end[0] >= -0.1 && end[0] <= drawn.Width+0.1 && end[1] >= -0.1 && end[1] <= drawn.Height+0.1, "%s at %v", place.Place, end)
			}
		}
		for _, name := range []string{"toes", "ball", "arch", "heel", "ankle", "cuff"} {
			assert.True(t, seen[name], name)
		}
	}
}
