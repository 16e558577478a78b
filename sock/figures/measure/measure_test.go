package measure

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"
)

func TestParseLengthByHand(t *testing.T) {
	cases := []struct {
		text string
		unit Unit
		want Length
	}{
		{"25.1", Centimetres, 251}, {"25,1", Centimetres, 251}, {" 25.1 cm ", Inches, 251}, {"251mm", Inches, 251},
		{`9 1/2"`, Centimetres, 241.3}, {"9 1/2", Inches, 241.3}, {"9½ in", Centimetres, 241.3}, {"9½", Inches, 241.3},
		{"9-1/2 inches", Centimetres, 241.3}, {"1/2”", Centimetres, 12.7}, {"½", Inches, 12.7}, {"9.5in.", Centimetres, 241.3},
		{"-3", Centimetres, -30}, {"0", Centimetres, 0}, {"⅜″", Centimetres, 9.525},
	}
	for _, c := range cases {
		got, err := ParseLength(c.text, c.unit)
		require.NoError(t, err, c.text)
		assert.InDelta(t, float64(c.want), float64(got), 1e-9, c.text)
	}
	for _, bad := range []string{"", "abc", "9 3/2", "1/0", "1.2.3", "9.5 1/2", "1e3", "24 feet", "\"", "٣", "--3", "9//2",
		"999999999999999"} {
		_, err := ParseLength(bad, Centimetres)
		assert.ErrorContains(t, err, "a length looks like", bad)
	}
}

func TestParseGaugeByHand(t *testing.T) {
	cases := []struct {
		text string
		unit Unit
		want float64
	}{
		{"32", Centimetres, 32}, {"32.5", Inches, 32.5 * 100 / 101.6}, {"8/in", Centimetres, 31.496062992},
		{"8 1/2 per inch", Centimetres, 33.464566929}, {"33 per 4 in", Centimetres, 32.480314961}, {"16 over 5 cm", Inches, 32},
		{"32/10cm", Inches, 32},
	}
	for _, c := range cases {
		got, err := ParseGauge(c.text, c.unit)
		require.NoError(t, err, c.text)
		assert.InDelta(t, c.want, got, 1e-6, c.text)
	}
}

func TestShow(t *testing.T) {
	assert.Equal(t, "25.1 cm", Centimetres.Show(251))
	assert.Equal(t, "9 7/8 in", Inches.Show(251))
	assert.Equal(t, "1/8 in", Inches.Show(3))
	assert.Equal(t, "-1 1/2 in", Inches.Show(-38.1))
}

// What is shown reads back as the same length, to the precision shown.
func TestShownLengthsReadBack(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		length := Length(rapid.Float64Range(0, 900).Draw(t, "mm"))
		for unit, precision := range map[Unit]float64{Centimetres: 0.5, Inches: 25.4 / 16} {
			back, err := ParseLength(unit.Show(length), Centimetres)
			if err != nil {
				t.Fatalf("%s: %v", unit.Show(length), err)
			}
			if math.Abs(float64(back-length)) > precision+1e-6 {
				t.Fatalf("%v shown as %s reads %v", length, unit.Show(length), back)
			}
		}
	})
}

func TestHalfUp(t *testing.T) {
	for x, want := range map[float64]int{17.6: 18, 17.5: 18, 17.4: 17, 0.5: 1, 2.5: 3, 25 * 0.58: 15} {
		assert.Equal(t, want, HalfUp(x), "%v", x)
	}
}

func FuzzParseLength(f *testing.F) {
	for _, seed := range []string{`9 1/2"`, "24.1 cm", "9½", "1/2", "-3", "", "９"} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, text string) {
		length, err := ParseLength(text, Inches)
		if err == nil && (math.IsNaN(float64(length)) || math.IsInf(float64(length), 0)) {
			t.Fatalf("%q read as %v", text, length)
		}
		_, _ = ParseGauge(text, Centimetres)
	})
}
