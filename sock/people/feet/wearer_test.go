package feet

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/figures/day"
	"acornstep/sock/figures/measure"
)

func pim() *Wearer {
	return &Wearer{Name: "Pim", Measurements: []Measurement{
		{Side: Left, What: "length_mm", Length: 152, On: "2026-01-17", Source: "tape"},
		{Side: Left, What: "length_mm", Length: 157, On: "2026-06-13", Source: "tape"},
		{Side: Left, What: "length_mm", Length: 162, On: "2026-11-14", Source: "tape"},
		{Side: Left, What: "ball_girth_mm", Length: 164, On: "2026-11-14", Source: "guess"},
		{Side: Right, What: "ball_girth_mm", Length: 168, On: "2026-11-14", Source: "tape"},
	}}
}

func TestTheFootOfADayIsTheNewestOfEachKind(t *testing.T) {
	w := pim()
	assert.Equal(t, measure.Length(157), w.Foot(Left, "2026-10-01")["length_mm"].Length)
	assert.Equal(t, measure.Length(162), w.Foot(Left, "")["length_mm"].Length)
	assert.Empty(t, w.Foot(Left, "2025-01-01"))
	assert.Equal(t, []string{"ball_girth_mm"}, w.Foot(Left, "").Estimated())
	assert.Equal(t, map[string]measure.Length{"length_mm": 162, "ball_girth_mm": 164}, w.Foot(Left, "").Lengths())
}

func TestEachSockOfAPairIsForItsOwnFoot(t *testing.T) {
	w := pim()
	assert.Equal(t, map[string]measure.Length{"ball_girth_mm": 168}, w.Foot(Left, "").Other(w.Foot(Right, "")))
	assert.Empty(t, w.Foot(Right, "").Other(w.Foot(Left, ""))["ball_girth_mm"], "a guess is no other foot")
	assert.Equal(t, []Change{{"ball_girth_mm", 168, 172}}, SecondChanges(map[string]measure.Length{"ball_girth_mm": 168},
		map[string]measure.Length{"ball_girth_mm": 172}))
}

func TestChangesSinceASockTookTheFoot(t *testing.T) {
	taken := map[string]measure.Length{"length_mm": 157, "ball_girth_mm": 164.3, "toe_depth_mm": 30}
	assert.Equal(t, []Change{{"length_mm", 157, 162}, {"toe_depth_mm", 30, 0}}, pim().Foot(Left, "").ChangesSince(taken))
}

// 152, 157, 162 mm on days 0, 147 and 301. Means: day 149.33, 157 mm. Slope
// (149.33·5 + 151.67·5) / (149.33² + 2.33² + 151.67²) = 1505 / 45308.7 = 0.033217 mm a day,
// 1.0111 mm in a month of 30.4375 days. 93 days on: 162 + 93 · 0.033217 = 165.09.
func TestGrowthByHand(t *testing.T) {
	g, err := pim().GrowthUntil(Left, "2027-02-15", measure.Centimetres)
	require.NoError(t, err)
	assert.InDelta(t, 1.0111, g.PerMonth, 0.0005)
	assert.InDelta(t, 165.09, float64(g.Length), 0.01)
	assert.Contains(t, g.Working, "3.1 months × 1.01 mm = 16.5 cm")
	assert.Greater(t, float64(g.Uncertainty), 3.0)

	_, err = pim().GrowthUntil(Right, "2027-02-15", measure.Centimetres)
	assert.ErrorContains(t, err, "has not been measured")
	_, err = pim().GrowthUntil(Left, "2026-01-01", measure.Centimetres)
	assert.ErrorContains(t, err, "measured after that, on Nov 14, 2026")

	once := &Wearer{Measurements: pim().Measurements[2:3]}
	g, err = once.GrowthUntil(Left, "2027-02-15", measure.Centimetres)
	require.NoError(t, err)
	assert.Equal(t, measure.Length(162), g.Length)
	assert.Contains(t, g.Text, "two months")

	jump := pim()
	jump.Measurements[2].Length = 190
	g, err = jump.GrowthUntil(Left, "2027-02-15", measure.Centimetres)
	require.NoError(t, err)
	assert.InDelta(t, 2, g.PerMonth, 1e-9)
	assert.Contains(t, g.Text, "more than feet do")
}

func TestAFootNeverShrinks(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		w := &Wearer{}
		days := []day.Date{"2025-02-01", "2025-09-09", "2026-03-03", "2026-11-11"}
		newest := measure.Length(0)
		for _, day := range days {
			newest = measure.Length(rapid.Float64Range(120, 200).Draw(t, string(day)))
			w.Measurements = append(w.Measurements, Measurement{Side: Left, What: "length_mm", Length: newest, On: day, Source: "tape"})
		}
		g, err := w.GrowthUntil(Left, "2027-06-06", measure.Inches)
		if err != nil {
			t.Fatal(err)
		}
		if g.Length < newest || g.Length > newest+2*24 {
			t.Fatalf("%v grows to %v", newest, g.Length)
		}
	})
}

func TestWhatAWearerCannotBe(t *testing.T) {
	w := Wearer{Name: "  ", Cautions: []string{"allergy", "height", "circulation", "allergy"}, Note: strings.Repeat("x", maxNote+1)}
	faults := w.Validate()
	assert.ErrorContains(t, faults, "name: read 0 characters; a name has 1 to 80")
	assert.ErrorContains(t, faults, `"height", expected one of circulation, numb_feet`)
	assert.ErrorContains(t, faults, "at most 2000")
	w = Wearer{Name: "Marit", Cautions: []string{"allergy", "circulation", "allergy"}}
	assert.Empty(t, w.Validate())
	assert.Equal(t, []string{"circulation", "allergy"}, w.Cautions)

	m := Measurement{Side: "middle", What: "length_mm", Length: 25.1, On: "yesterday", Source: "ruler"}
	faults = m.Validate(measure.Centimetres)
	assert.ErrorContains(t, faults, "length: read 2.5 cm; length is 8.0 cm to 35.0 cm")
	assert.ErrorContains(t, faults, `side: read "middle"`)
	assert.ErrorContains(t, faults, "measured_on")
	assert.ErrorContains(t, faults, "source")
	m.What = "hat"
	assert.ErrorContains(t, m.Validate(measure.Inches), "nothing that is measured on a foot")
}
