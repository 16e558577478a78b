package advise

import (
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
)

func read(t testing.TB, foot string) design.Design {
	t.Helper()
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236` + foot +
		`},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}}`))
	require.NoError(t, err)
	return d
}

func TestAHighInstepGetsAGusset(t *testing.T) {
	r := ranked(t, read(t, `,"heel_diagonal_mm":385`))
	assert.GreaterOrEqual(t, r.Tried, 500)
	assert.NotEqual(t, "short_row", r.Candidates[0].Heel)
	assert.Less(t, r.Candidates[0].HeelStretchPct, 40.0)
	var flap, short float64
	for _, c := range r.Candidates {
		if c.Stitches != 68 || c.Turn != "german" || strings.Contains(c.Title, "%") || strings.Contains(c.Title, "in garter") {
			continue
		}
		switch c.Heel {
		case "gusset_turn":
			flap = c.HeelStretchPct
		case "short_row":
			short = c.HeelStretchPct
		}
	}
	assert.InDelta(t, 45.2, short, 0.1, "385/265.1")
	assert.Less(t, flap, short-15)
}

func TestSlippingHeelsGetShortRows(t *testing.T) {
	r := ranked(t, read(t, `,"heel_width":"narrow"`))
	assert.Equal(t, "short_row", r.Candidates[0].Heel)
}

func TestEveryCandidateIsASock(t *testing.T) {
	d := read(t, "")
	r := ranked(t, d)
	for i := 0; i < len(r.Candidates); i += 7 {
		c := r.Candidates[i]
		way, err := d.With(c.Changes)
		require.NoError(t, err)
		p, err := knit.Make(way)
		require.NoError(t, err)
		assert.Nil(t, p.Stopped())
		assert.Equal(t, c.FootRounds, p.Summary.FootRounds)
		if i > 0 {
			assert.GreaterOrEqual(t, math.Round(c.Misfit/felt), math.Round(r.Candidates[i-1].Misfit/felt))
		}
	}
}

func TestHalfAStitchOff(t *testing.T) {
	offs := ranked(t, read(t, "")).Gauges
	require.Len(t, offs, 3)
	assert.InDelta(t, 68/0.315, float64(offs[0].Girth), 1e-6)
	assert.InDelta(t, 68/0.325, float64(offs[2].Girth), 1e-6)
}

func BenchmarkRank(b *testing.B) {
	d := read(b, "")
	b.ReportAllocs()
	for b.Loop() {
		if r := ranked(b, d); r.Tried < 500 {
			b.Fatal(r.Tried)
		}
	}
}

func ranked(t testing.TB, d design.Design) Report {
	t.Helper()
	r, err := Rank(d, BestFit, nil)
	require.NoError(t, err)
	return r
}
