package basket

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/swatch"
	"acornstep/sock/people/feet"
)

func isolde() *feet.Wearer {
	return &feet.Wearer{ID: "W", Name: "Isolde", Cautions: []string{"allergy"}, Measurements: []feet.Measurement{
		{Side: feet.Left, What: "length_mm", Length: 251, On: "2026-10-04", Source: "tape"},
		{Side: feet.Left, What: "ball_girth_mm", Length: 236, On: "2026-10-04", Source: "guess"},
		{Side: feet.Left, What: "ball_width_mm", Length: 96, On: "2026-10-04", Source: "tracing"},
	}}
}

func TestASockTakesAFootAsItIs(t *testing.T) {
	w := isolde()
	taken := TakeFoot(w, feet.Left)
	assert.Equal(t, map[string]measure.Length{"length_mm": 251, "ball_girth_mm": 236}, taken.Lengths, "no sock is reckoned from a width")
	assert.Equal(t, []string{"ball_girth_mm"}, taken.Estimated)
	assert.Nil(t, taken.FootNews(w))

	w.Measurements = append(w.Measurements, feet.Measurement{Side: feet.Left, What: "length_mm", Length: 255, On: "2026-11-20",
		Source: "tape"})
	news := taken.FootNews(w)
	require.NotNil(t, news)
	assert.Equal(t, []feet.Change{{What: "length_mm", Then: 251, Now: 255}}, news.Feet)
	assert.False(t, news.Cautions)
	assert.Nil(t, news.Foot.FootNews(w), "what is offered is what is there")

	w = isolde()
	w.Cautions = []string{}
	assert.True(t, taken.FootNews(w).Cautions)
	assert.True(t, taken.FootNews(nil).Gone)
}

func TestASockTakesASwatchThatIsCounted(t *testing.T) {
	s := &swatch.Swatch{ID: "S", Readings: []swatch.Noted{{What: "stitches", Count: 32, Width: 100}}}
	_, ready := TakeSwatch(s)
	assert.False(t, ready, "rounds are missing")
	s.Readings = append(s.Readings, swatch.Noted{What: "rounds", Count: 22, Width: 50})
	taken, ready := TakeSwatch(s)
	require.True(t, ready)
	assert.Equal(t, SwatchTaken{"S", 32, 44}, taken)
	assert.Nil(t, taken.SwatchNews(s, "Dusk"))
	s.Readings = append(s.Readings, swatch.Noted{What: "stitches", Count: 34, Width: 100})
	news := taken.SwatchNews(s, "Dusk")
	require.NotNil(t, news)
	assert.Equal(t, SwatchTaken{"S", 33, 44}, *news.Swatch)
	assert.True(t, taken.SwatchNews(nil, "").Gone)
	assert.Nil(t, taken.SwatchNews(&swatch.Swatch{}, ""), "a swatch without counts has nothing to say")
}

func TestTheNextThingToDo(t *testing.T) {
	ready := Digest{FootStitches: 68, Rows: 213, CastOn: 32}
	grown := News{Of: "foot", Name: "Pim"}
	for _, c := range []struct {
		name string
		sock Sock
		news []News
		want Next
	}{
		{"new", Sock{}, nil, Next{"Begin with the foot", "decide"}},
		{"half designed", Sock{Digest: Digest{Missing: "measure: length"}}, nil, Next{"To do: measure: length", "decide"}},
		{"designed", Sock{Digest: ready}, nil, Next{"Cast on 32 stitches", "knit"}},
		{"the foot has grown", Sock{Digest: ready}, []News{grown}, Next{"Pim's foot has changed: look at it", "decide"}},
		{"the foot is gone", Sock{Digest: ready}, []News{{Of: "foot", Gone: true}}, Next{"Cast on 32 stitches", "knit"}},
		{"another swatch", Sock{Digest: ready}, []News{{Of: "swatch"}}, Next{"The swatch has changed: look at it", "decide"}},
		{"on the needles", Sock{Digest: ready, OnNeedles: true}, []News{grown}, Next{"Knit on", "knit"}},
	} {
		assert.Equal(t, c.want, NextStep(&c.sock, c.news), c.name)
	}
}

func TestNamesAndNotesHaveTheirLength(t *testing.T) {
	s := Sock{Name: " Roof ", Wearer: strings.Repeat("w", MaxWearer+1), Notes: strings.Repeat("n", MaxNotes+1)}
	faults := s.Validate()
	assert.Equal(t, "Roof", s.Name)
	assert.ErrorContains(t, faults, "wearer: read 81 characters")
	assert.ErrorContains(t, faults, "notes: read 5001 characters")
	v := Variant{Name: " "}
	assert.ErrorContains(t, v.Validate(), "1 to 120")
}
