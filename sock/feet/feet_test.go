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
		{"mondopoint", 255, 255}, {"eu", 39, 254}, // 39·20/3 − 6
		{"uk", 6, 256.467}, {"us_men", 7, 256.467}, {"us_women", 8.5, 256.467}, // 31/3 in = 262.467 mm
		{"children", 9, 171.8},
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

// 16 over 50, 33 over 100 and 31.5 over 100 mm: 32, 33 and 31.5 per 100 mm.
func TestReadings(t *testing.T) {
	c, err := Count([]Reading{{16, 50}, {33, 100}, {31.5, 100}})
	require.NoError(t, err)
	assert.InDelta(t, 32.167, c.Mean, 0.001)
	assert.InDelta(t, 31.5, c.Low, 1e-9, "half a stitch is 0.667 here, the spread 0.667 too")
	assert.InDelta(t, 33, c.High, 1e-9)
	low, high := c.Between(66)
	assert.InDelta(t, 200, float64(low), 0.01)
	assert.InDelta(t, 209.52, float64(high), 0.01)
	one, err := Count([]Reading{{10, 30}})
	require.NoError(t, err)
	assert.True(t, one.Short)
	assert.Greater(t, one.High-one.Low, 3.0, "half a stitch over 30 mm is a lot")
	_, err = Count(nil)
	assert.Error(t, err)
	_, err = Count([]Reading{{0, 50}})
	assert.ErrorContains(t, err, "readings[0]")
}
