package feet

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

func TestShoeSizesByHand(t *testing.T) {
	cases := []struct {
		system string
		size   float64
		want   float64
	}{
		{"mondopoint", 255, 255}, {"eu", 38, 232.333}, {"eu", 39, 239}, // 39·20/3 − 21
		{"uk", 6, 241.467}, {"us_men", 7, 241.467}, {"us_women", 8.5, 241.467}, // 31/3 in = 262.467 mm
		{"us_women", 7, 228.767}, {"us_women", 8, 237.233},
		{"children", 9, 156.8},
	}
	for _, c := range cases {
		length, uncertainty, source, err := FootOfShoe(c.system, c.size)
		require.NoError(t, err)
		assert.InDelta(t, c.want, float64(length), 0.01, c.system)
		assert.InDelta(t, 6, float64(uncertainty), 0)
		assert.NotEmpty(t, source)
	}
	_, _, _, err := FootOfShoe("eu", 390)
	assert.ErrorContains(t, err, "15 to 54")
	_, _, _, err = FootOfShoe("clogs", 39)
	assert.ErrorContains(t, err, `"clogs"`)
}
