package tracing

import (
	"encoding/json"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"
)

// A scan of 4 points to the mm: 20 cm of ruler are 800 points, a foot of 251 mm 1004.
func TestAScanByHand(t *testing.T) {
	foot, err := Measure(Marks{
		Scale: []Point{{100, 50}, {900, 50}}, Known: 200, Heel: Point{100, 400}, Toe: Point{1104, 400},
		Ball: []Point{{800, 208}, {760, 592}}, LittleToe: []Point{{904, 560}},
	})
	require.NoError(t, err)
	assert.InDelta(t, 251, float64(foot.Length.Length), 1e-9)
	assert.InDelta(t, 96, float64(foot.Width.Length), 1e-9, "across the foot, whatever the marks' place along it")
	assert.InDelta(t, 50, float64(foot.ToeDepth.Length), 1e-9)
	// The middle of the ball lies at 780, 400, so that the tip lies on the line from the heel, and the little toe 160 points beside it.
	assert.InDelta(t, 0, float64(foot.ToeTipAside.Length), 1e-9)
	assert.InDelta(t, 40, float64(foot.LittleToeAside.Length), 1e-9)
	// Two marks of 1.5 points are 0.375 mm each, the scale's 0.188 % each of 251 mm, and the pen 1 mm.
	want := math.Sqrt(1 + 2*0.375*0.375 + 2*math.Pow(251*1.5/800, 2))
	assert.InDelta(t, want, float64(foot.Length.Uncertainty), 0.02)
}

// camera is a random view of the sheet from above and aside.
func camera(t *rapid.T) func(Point) Point {
	f := func(name string, low, high float64) float64 { return rapid.Float64Range(low, high).Draw(t, name) }
	turn, zoom := f("turn", -math.Pi, math.Pi), f("zoom", 3, 6)
	g, h := f("g", -8e-4, 8e-4), f("h", -8e-4, 8e-4)
	return func(p Point) Point {
		x, y := p[0]-148, p[1]-105
		w := 1 + g*x + h*y
		return Point{
			2000 + zoom*(math.Cos(turn)*x-math.Sin(turn)*y)/w,
			2000 + zoom*(math.Sin(turn)*x+math.Cos(turn)*y)/w,
		}
	}
}

func TestASlantIsTakenOut(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		see := camera(t)
		length := rapid.Float64Range(120, 280).Draw(t, "length")
		heel, toe := Point{8, 100}, Point{8 + length, 100}
		marks := Marks{
			Sheet: "a4", Corners: []Point{see(Point{0, 0}), see(Point{297, 0}), see(Point{297, 210}), see(Point{0, 210})},
			Heel: see(heel), Toe: see(toe), Ball: []Point{see(Point{0.7 * length, 55}), see(Point{0.66 * length, 150})},
			LittleToe: []Point{see(Point{0.8*length + 8, 140})},
		}
		foot, err := Measure(marks)
		if err != nil {
			t.Fatal(err)
		}
		near := func(name string, got Found, want float64) {
			if math.Abs(float64(got.Length)-want) > 1e-6 {
				t.Fatalf("%s: %v, not %v", name, got.Length, want)
			}
			if !(got.Uncertainty >= penError) || got.Uncertainty > 12 {
				t.Fatalf("%s: ± %v", name, got.Uncertainty)
			}
		}
		if foot.Doubt != "" {
			t.Fatalf("an A4 sheet is doubted: %s", foot.Doubt)
		}
		near("length", foot.Length, length)
		near("width", *foot.Width, 95)
		near("toes", *foot.ToeDepth, 0.2*length)
		// The middle of the ball lies 0.68 of the length along and 2.5 mm to the side of the little toe: from the
		// line through it the tip lies inward.
		turn := math.Atan2(2.5, 0.68*length-8)
		near("tip", *foot.ToeTipAside, length*math.Sin(turn))
		near("little toe", *foot.LittleToeAside, 40*math.Cos(turn)-0.8*length*math.Sin(turn))
	})
}

func TestMarksThatGiveNoFoot(t *testing.T) {
	good := Marks{Scale: []Point{{0, 0}, {800, 0}}, Known: 200, Heel: Point{0, 100}, Toe: Point{1000, 100}}
	sheet := Marks{Sheet: "a4", Corners: []Point{{0, 0}, {1188, 0}, {1188, 840}, {0, 840}}, Heel: Point{50, 400}, Toe: Point{1050, 400}}
	_, err := Measure(sheet)
	require.NoError(t, err)
	cases := []struct {
		name, says string
		spoil      func(m *Marks)
		of         Marks
	}{
		{"one scale mark", "two marks of known distance", func(m *Marks) { m.Scale = m.Scale[:1] }, good},
		{"scale marks at one place", "on top of each other", func(m *Marks) { m.Scale = []Point{{5, 5}, {6, 5}} }, good},
		{"known distance", "10 to 1000 mm", func(m *Marks) { m.Known = 0 }, good},
		{"no foot", "heel and toe lie on top", func(m *Marks) { m.Toe = m.Heel }, good},
		{"a giant", "a foot's length is 80 to 350 mm", func(m *Marks) { m.Toe[0] = 5000 }, good},
		{"off the picture", "on no picture", func(m *Marks) { m.Toe[0] = math.NaN() }, good},
		{"one side of the ball", "two sides", func(m *Marks) { m.Ball = []Point{{1, 1}} }, good},
		{"paper", "a4 or letter", func(m *Marks) { m.Sheet = "napkin" }, sheet},
		{"three corners", "four corners", func(m *Marks) { m.Corners = m.Corners[:3] }, sheet},
		{"crossed corners", "do not go round", func(m *Marks) { m.Corners[1], m.Corners[2] = m.Corners[2], m.Corners[1] }, sheet},
		{"corners at one place", "do not go round", func(m *Marks) { m.Corners = []Point{{36, 0}, {1188, 16}, {49.5, 840}, {48, 840}} },
			sheet},
		{"corners in a line", "do not go round", func(m *Marks) { m.Corners = []Point{{0, 0}, {100, 0}, {200, 0}, {300, 0}} }, sheet},
	}
	for _, c := range cases {
		marks := c.of
		marks.Corners = append([]Point{}, marks.Corners...)
		c.spoil(&marks)
		_, err := Measure(marks)
		assert.ErrorContains(t, err, c.says, c.name)
	}
}

// A table on which the sheet is seen from its edge: what lies beyond its horizon is on no table.
func TestAPlaceBeyondTheHorizonIsNowhere(t *testing.T) {
	m := Marks{Sheet: "a4", Corners: []Point{{400, 100}, {600, 100}, {1000, 500}, {0, 500}}, Heel: Point{500, 450}, Toe: Point{500, 40}}
	// The long sides meet at (500, 0): marks above that line are in the air.
	_, err := Measure(m)
	require.ErrorContains(t, err, "a foot's length is", "still on the table, but far away")
	m.Toe = Point{500, -20}
	_, err = Measure(m)
	assert.ErrorContains(t, err, "the sheet ends before the foot does")
}

// The picture's own corner may lie on the horizon of the sheet; where it begins to count changes nothing.
func TestWhereThePictureBeginsChangesNothing(t *testing.T) {
	m := Marks{Sheet: "a4", Corners: []Point{{400, 100}, {600, 100}, {1000, 500}, {0, 500}}, Heel: Point{350, 480}, Toe: Point{560, 130}}
	want, err := Measure(m)
	require.NoError(t, err)
	for _, p := range m.all() {
		p[0], p[1] = p[0]-500, p[1]-0.001
	}
	got, err := Measure(m)
	require.NoError(t, err)
	assert.InDelta(t, float64(want.Length.Length), float64(got.Length.Length), 1e-6)
	assert.InDelta(t, float64(want.Length.Uncertainty), float64(got.Length.Uncertainty), 1e-6)
}

func FuzzMeasure(f *testing.F) {
	f.Add(0.0, 0.0, 1188.0, 0.0, 1188.0, 840.0, 0.0, 840.0, 50.0, 400.0, 1050.0, 400.0)
	f.Add(36.0, 0.0, 1188.0, 16.0, 49.5, 840.0, 48.0, 840.0, 60.0, 400.0, 9592.0, 400.0)
	f.Add(400.0, 100.0, 600.0, 100.0, 1000.0, 500.0, 0.0, 500.0, 350.0, 480.0, 560.0, 130.0)
	f.Fuzz(func(t *testing.T, ax, ay, bx, by, cx, cy, dx, dy, hx, hy, tx, ty float64) {
		foot, err := Measure(Marks{
			Sheet: "letter", Corners: []Point{{ax, ay}, {bx, by}, {cx, cy}, {dx, dy}}, Heel: Point{hx, hy}, Toe: Point{tx, ty},
			Ball: []Point{{cx, hy}, {tx, dy}}, LittleToe: []Point{{bx, ty}},
		})
		if err != nil {
			return
		}
		if !(foot.Length.Length >= 80 && foot.Length.Length <= 350) {
			t.Fatalf("%v", foot)
		}
		if _, err := json.Marshal(foot); err != nil {
			t.Fatalf("%v cannot be said: %s", foot, err)
		}
	})
}

// A Letter sheet of 279.4 by 215.9 mm that is read as A4 makes every foot six per cent longer and three narrower: its sides are doubted. In a
// slanted picture they may be anything.
func TestAnotherPaperIsDoubted(t *testing.T) {
	at := func(long, short, slant float64) Marks {
		return Marks{Sheet: "a4", Corners: []Point{{0, 0}, {4 * long, 0}, {4*long - slant, 4 * short}, {slant, 4 * short}},
			Heel: Point{40, 400}, Toe: Point{1000, 400}}
	}
	letter, err := Measure(at(279.4, 215.9, 0))
	require.NoError(t, err)
	assert.Equal(t, "The sides of this sheet are as 1.29 to 1, like those of Letter; those of A4 are as 1.41. Which paper is it?", letter.Doubt)
	for name, m := range map[string]Marks{"a4": at(297, 210, 0), "slanted": at(279.4, 215.9, 60), "neither": at(250, 185, 0)} {
		foot, err := Measure(m)
		require.NoError(t, err)
		assert.Empty(t, foot.Doubt, name)
	}
}

func TestHeelAndToeExchangedAreNoticed(t *testing.T) {
	m := Marks{Scale: []Point{{100, 50}, {900, 50}}, Known: 200, Heel: Point{1104, 400}, Toe: Point{100, 400}, Ball: []Point{{800, 208}, {760, 592}}}
	_, err := Measure(m)
	assert.ErrorContains(t, err, "are the two exchanged?")
	m.Ball, m.LittleToe = nil, []Point{{904, 560}}
	_, err = Measure(m)
	assert.ErrorContains(t, err, "are the two exchanged?")
}
