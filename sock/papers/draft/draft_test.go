package draft

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/figures/measure"
)

func TestEntriesBecomePartOfTheDesign(t *testing.T) {
	given := Draft{
		Design: map[string]any{"foot": map[string]any{"length_mm": 240.0}},
		Entries: map[string]string{"foot.length_mm": `9 1/2"`, "gauge.stitches_per_100mm": "8/in", "gauge.rounds_per_100mm": "43; 44; 45",
			"heel.picked_up": "21, 19", "stitches": "64"},
	}
	r := Read(given, measure.Centimetres)
	assert.Empty(t, r.Faults)
	assert.Empty(t, r.Draft.Entries)
	assert.InDelta(t, 241.3, float64(r.Design.Foot.Length), 1e-9)
	assert.Equal(t, [2]int{21, 19}, *r.Design.Heel.PickedUp)
	assert.Equal(t, 64, *r.Design.Stitches)
	assert.InDelta(t, 44, r.Design.Gauge.Rounds, 1e-9, "the mean of three counts")
	assert.InDelta(t, 240, given.Design["foot"].(map[string]any)["length_mm"], 0, "what was given stays as it was")
}

func TestATypedMeasurementIsNoEstimate(t *testing.T) {
	shoe := map[string]any{"foot": map[string]any{"length_mm": 254.0, "estimated": []any{"length_mm", "ankle_girth_mm"}}}
	r := Read(Draft{Design: shoe, Entries: map[string]string{"foot.length_mm": "25.1"}}, measure.Centimetres)
	assert.Equal(t, []any{"ankle_girth_mm"}, r.Draft.Design["foot"].(map[string]any)["estimated"])
	untouched := Read(Draft{Design: shoe, Entries: map[string]string{"gauge.rounds_per_100mm": "44"}}, measure.Centimetres)
	assert.Len(t, untouched.Draft.Design["foot"].(map[string]any)["estimated"], 2)
}

func TestWhatCannotBeReadStays(t *testing.T) {
	r := Read(Draft{Entries: map[string]string{"foot.length_mm": "abc", "gauge.rounds_per_100mm": "900", "heel.picked_up": "many",
		"foot.ball_girth_mm": "  "}}, measure.Inches)
	assert.Equal(t, map[string]string{"foot.length_mm": "abc", "gauge.rounds_per_100mm": "900 per 4 in", "heel.picked_up": "many"},
		r.Draft.Entries)
	assert.GreaterOrEqual(t, len(r.Faults), 4)
}

// A name that no field of a design has is told and left out; what else was typed stays.
func TestEntriesForNoFieldAtAll(t *testing.T) {
	for _, name := range []string{strings.Repeat(".", 900_000), "foot.length_mm.more", strings.Repeat("x", 61)} {
		r := Read(Draft{Entries: map[string]string{name: "1", "foot.length_mm": "25.1", "gauge.stitches_per_100mm": "many"}},
			measure.Centimetres)
		require.NotEmpty(t, r.Faults)
		assert.Contains(t, r.Faults[0].Message, "a design has no such field")
		assert.Less(t, len(r.Faults[0].Message), 200)
		assert.Equal(t, map[string]any{"length_mm": 251.0}, r.Draft.Design["foot"])
		assert.Equal(t, map[string]string{"gauge.stitches_per_100mm": "many"}, r.Draft.Entries)
		r = Read(Draft{Design: map[string]any{name: "1"}, Entries: map[string]string{name: "1"}}, measure.Centimetres)
		assert.LessOrEqual(t, len(r.Draft.Design), 3, "nor when the design names it too: it is no path to anything")
		assert.Equal(t, "1", r.Draft.Design[name])
	}
}

func TestReadingTwiceChangesNothing(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		entries := rapid.MapOf(rapid.SampledFrom([]string{"foot.length_mm", "foot.ball_girth_mm", "gauge.stitches_per_100mm",
			"heel.share", "name", "foot"}),
			rapid.OneOf(rapid.String(), rapid.SampledFrom([]string{"25.1", "9 1/2", "32", "0", "-3", "2510 mm", ""}))).Draw(t, "entries")
		for _, unit := range []measure.Unit{measure.Centimetres, measure.Inches} {
			once := Read(Draft{Entries: entries}, unit)
			twice := Read(once.Draft, unit)
			if !assert.ObjectsAreEqual(once.Draft, twice.Draft) {
				t.Fatalf("%v became %v", once.Draft, twice.Draft)
			}
		}
	})
}

func TestADraftForTheOtherFoot(t *testing.T) {
	d := Draft{
		Design: map[string]any{"foot": map[string]any{"length_mm": 251.0, "heel_width": "narrow"}, "second_foot": map[string]any{"length_mm": 255.0},
			"gauge": map[string]any{"stitches_per_100mm": 32.0, "rounds_per_100mm": 44.0}},
		Entries: map[string]string{"foot.ball_girth_mm": "23.6", "leg.height_mm": "18"},
	}
	first := Read(d, measure.Centimetres)
	require.Empty(t, first.Faults)
	second, err := OfSecond(first.Draft, first.Design)
	require.NoError(t, err)
	read := Read(second, measure.Centimetres)
	require.Empty(t, read.Faults)
	assert.Equal(t, measure.Length(255), read.Design.Foot.Length)
	assert.Equal(t, measure.Length(236), read.Design.Foot.BallGirth)
	assert.Equal(t, "narrow", read.Design.Foot.HeelWidth)
	assert.True(t, read.Design.Mirror)
	assert.False(t, read.Design.SecondFoot.Differs())
	assert.Equal(t, first.Design.OfSecond(), read.Design, "it is the very design by which the second sock is knitted")
	assert.InDelta(t, 251, d.Design["foot"].(map[string]any)["length_mm"], 0, "the draft itself stays")
}
