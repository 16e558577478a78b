package svg

import (
	"encoding/xml"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/cloth/shape"
)

// A drawing is well-formed whatever the sock is called, has a line for each row, and stands upright: what is high
// in the sock is high on the page.
func TestADrawingIsAFileOfItsOwn(t *testing.T) {
	d := shape.Profile{Width: 100, Height: 80, Lines: []shape.Line{{Row: "foot-1", Points: shape.Points{{0, 0}, {0, 20}}},
		{Row: "heel-1", Colour: "contrast", Points: shape.Points{{90, 80}, {100, 80}}}}}
	var read struct {
		Title string `xml:"title"`
		Paths []struct {
			D      string `xml:"d,attr"`
			Stroke string `xml:"stroke,attr"`
		} `xml:"path"`
	}
	require.NoError(t, xml.Unmarshal(Of(&d, `Łucja's <"roof"> & socks`), &read))
	assert.Equal(t, `Łucja's <"roof"> & socks`, read.Title)
	require.Len(t, read.Paths, 2)
	assert.Equal(t, "M0.00 80.00L0.00 60.00", read.Paths[0].D)
	assert.Equal(t, "M90.00 0.00L100.00 0.00", read.Paths[1].D)
	require.NoError(t, xml.Unmarshal(Of(&d, "bell\x07, form\x0c, \ufffe and \U0001F319"), &read), "whatever letters a name of before has")
	assert.NotEqual(t, read.Paths[0].Stroke, read.Paths[1].Stroke)
}
