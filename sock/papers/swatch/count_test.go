package swatch

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

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
