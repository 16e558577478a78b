package tables

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/papers/swatch"
	"acornstep/sock/people/feet"
)

// What is written is read again as it was.
func TestMeasurementsOutAndIn(t *testing.T) {
	w := feet.Wearer{Measurements: []feet.Measurement{
		{Side: feet.Left, What: "length_mm", Length: 251.5, On: "2026-10-03", Source: "tape"},
		{Side: feet.Right, What: "ball_girth_mm", Length: 236, On: "2026-11-03", Source: "tracing", Uncertainty: 4},
	}}
	text, err := Measurements(&w)
	require.NoError(t, err)
	list, err := ReadMeasurements(string(text))
	require.NoError(t, err)
	assert.Equal(t, w.Measurements, list)
	// As a spreadsheet of another country writes it, with its columns in another order.
	list, err = ReadMeasurements("\ufeffside;what;length_mm;measured_on\r\nleft;length_mm;251,5;2026-10-03\r\n")
	require.NoError(t, err)
	assert.Equal(t, w.Measurements[:1], list)
}

func TestTablesThatCannotBeRead(t *testing.T) {
	for text, says := range map[string]string{
		"":                                  "it is empty",
		"side,what\nleft,x":                 "no column measured_on",
		"measured_on,side,what,length_mm\n": "no measurement below",
		"measured_on,side,what,length_mm\n2026-10-03,up,length_mm,250":       "line 2: side",
		"measured_on,side,what,length_mm\n2026-10-03,left,nose_mm,250":       "line 2: what",
		"measured_on,side,what,length_mm\n2026-10-03,left,length_mm,long":    "line 2: length_mm: read \"long\"",
		"measured_on,side,what,length_mm\n2026-10-03,left,length_mm,2500":    "line 2: length",
		"measured_on,side,what,length_mm\nyesterday,left,length_mm,250":      "line 2: measured_on",
		"measured_on,side,what,length_mm\n2026-10-03,left,length_mm,\"25\n0": "line 2",
		"measured_on,side,what,length_mm\n2026-10-03,left,length_mm,NaN":     "line 2: length",
	} {
		_, err := ReadMeasurements(text)
		assert.ErrorContains(t, err, says, text)
	}
}

func TestReadingsOfASwatch(t *testing.T) {
	text, err := Readings(&swatch.Swatch{Readings: []swatch.Noted{{What: "stitches", Count: 32.5, Width: 100},
		{What: "rounds", Count: 22, Width: 50}}})
	require.NoError(t, err)
	assert.Equal(t, "what,count,width_mm,per_100mm\nstitches,32.5,100,32.50\nrounds,22,50,44.00\n", string(text))
}

func FuzzReadMeasurements(f *testing.F) {
	f.Add("measured_on,side,what,length_mm\n2026-10-03,left,length_mm,250")
	f.Add("side;what;length_mm;measured_on\nleft;length_mm;251,5;2026-10-03")
	f.Fuzz(func(t *testing.T, text string) {
		list, err := ReadMeasurements(text)
		if err != nil {
			return
		}
		for i := range list {
			require.Empty(t, list[i].Validate("cm"))
		}
		again, err := Measurements(&feet.Wearer{Measurements: list})
		require.NoError(t, err)
		same, err := ReadMeasurements(string(again))
		require.NoError(t, err)
		require.Equal(t, list, same)
	})
}
