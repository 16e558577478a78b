package measure

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// By hand: 420 m are 420 ÷ 0.9144 = 459.3 yd.
func TestYarnInMetresAndYards(t *testing.T) {
	assert.Equal(t, "420 m", Centimetres.Yarn(420))
	assert.Equal(t, "459 yd", Inches.Yarn(420))
	for text, want := range map[string]float64{"420": 420, "420 m": 420, "420,5 metres": 420.5, " 459 yd": 419.7096,
		"459 YARDS": 419.7096, "100yds": 91.44} {
		got, err := ParseYarn(text, Centimetres)
		require.NoError(t, err, text)
		assert.InDelta(t, want, got, 1e-9, text)
	}
	bare, err := ParseYarn("459", Inches)
	require.NoError(t, err)
	assert.InDelta(t, 419.7096, bare, 1e-9, "who thinks in inches types yards")
	for _, text := range []string{"", "m", "a lot", "420 km", "1e9"} {
		_, err := ParseYarn(text, Centimetres)
		assert.ErrorContains(t, err, "looks like 420 m or 459 yd", text)
	}
}
