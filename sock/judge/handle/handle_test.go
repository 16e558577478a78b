package handle

import (
	"encoding/json"
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/cloth/shape"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
)

// drawn sizes a design; ok is false for one that gives no sock.
func drawn(t require.TestingT, d design.Design) (*knit.Sock, []Slide, bool) {
	p, s, err := knit.MakeSock(d)
	require.NoError(t, err)
	if p.Stopped() != nil {
		return nil, nil, false
	}
	return s, Of(s), true
}

func designOf(t require.TestingT, fields string) design.Design {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + fields + `}`))
	require.NoError(t, err)
	return d
}

// 65 rounds with 9 mm of ease: a round is 2.27 mm, so three rounds more leave 2.2 mm, and none fits after that.
func TestWhereTheHeelCanStart(t *testing.T) {
	_, handles, ok := drawn(t, designOf(t, ""))
	require.True(t, ok)
	require.Len(t, handles, 4)
	heel := handles[1]
	assert.Equal(t, at.Path("fit.length_ease_mm"), heel.Field)
	last, rounds, err := heel.Value(heel.Stops - 1)
	require.NoError(t, err)
	assert.Equal(t, 68, rounds)
	assert.InDelta(t, 9-3*100./44, last, 1e-9)
	_, rounds, err = heel.Value(heel.Now)
	require.NoError(t, err)
	assert.Equal(t, 65, rounds)
	_, _, err = heel.Value(heel.Stops)
	assert.ErrorContains(t, err, "of 0 to")
}

func TestASquareToeHasNoDepthToDrag(t *testing.T) {
	_, handles, ok := drawn(t, designOf(t, `,"toe":{"kind":"garter_square"}`))
	require.True(t, ok)
	for _, h := range handles {
		assert.NotContains(t, h.Field, "toe.")
	}
}

// A handle lies where its part ends on the drawing: the heel at the lowest place of the last round of the foot, the
// cuff in the middle of its first round.
func TestWhereHandlesLie(t *testing.T) {
	d := designOf(t, "")
	line := func(section needle.Section, n int, points ...shape.Point) shape.Line {
		return shape.Line{Row: fmt.Sprintf("%s-%d", section, n), Points: points}
	}
	drawing := &shape.Profile{Lines: []shape.Line{
		line(needle.Toe, 1, shape.Point{2, 30}, shape.Point{2, 10}),
		line(needle.Toe, 2, shape.Point{40, 50}, shape.Point{42, 25}, shape.Point{40, 0}),
		line(needle.Foot, 1, shape.Point{44, 50}, shape.Point{44, 0}),
		line(needle.Foot, 2, shape.Point{190, 70}, shape.Point{192, 0}, shape.Point{191, 4}),
		line(needle.Cuff, 1, shape.Point{150, 200}, shape.Point{190, 202}, shape.Point{230, 200}),
		line(needle.Cuff, 2, shape.Point{150, 240}, shape.Point{191, 241}, shape.Point{230, 240}),
	}}
	found := map[at.Path]shape.Point{}
	for _, g := range Grips(knit.Measure(&d), drawing) {
		found[g.Field] = g.At
	}
	assert.Equal(t, map[at.Path]shape.Point{"toe.fast_rounds": {42, 25}, "fit.length_ease_mm": {192, 0}, "leg.height_mm": {191, 241},
		"cuff.height_mm": {190, 202}}, found)
}

// counted is what a handle promises, as the sized sock has it.
func counted(h Slide, s *knit.Sock) int {
	switch h.Field {
	case "toe.fast_rounds":
		return s.Toe.Rounds
	case "toe.turns_per_side":
		return s.Toe.Turns
	case "fit.length_ease_mm":
		return s.FootRounds
	case "leg.height_mm":
		return s.LegRounds
	default:
		return s.CuffRounds
	}
}

// Every stop of every handle gives exactly the count that it promises, wherever a sock results.
func TestEveryStopGivesItsCount(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		fields := fmt.Sprintf(`,"toe":{"kind":%q},"heel":{"kind":%q},"leg":{"height_mm":%d,"pattern":%q}`,
			rapid.SampledFrom([]string{"wedge", "short_row", "garter_square"}).Draw(t, "toe"),
			rapid.SampledFrom(design.Registered("heel.kind")).Draw(t, "heel"),
			rapid.IntRange(120, 300).Draw(t, "leg"),
			rapid.SampledFrom([]string{"stockinette", "rib_2x2", "seed", "dew_lace"}).Draw(t, "pattern"))
		text := `{"format":"acorn-step.design","version":1,"foot":{"length_mm":` +
			fmt.Sprint(rapid.IntRange(180, 290).Draw(t, "length")) +
			`},"gauge":{"stitches_per_100mm":` + fmt.Sprint(rapid.IntRange(22, 36).Draw(t, "stitches")) + `,"rounds_per_100mm":` +
			fmt.Sprint(rapid.IntRange(30, 50).Draw(t, "rounds")) + `}` + fields + `}`
		d, err := design.Read([]byte(text))
		if err != nil {
			t.Skip(err)
		}
		if knit.Known(&d).Err() != nil {
			t.Skip("a pattern that is not in the book")
		}
		_, handles, ok := drawn(t, d)
		if !ok {
			t.Skip("no sock")
		}
		h := rapid.SampledFrom(handles).Draw(t, "handle")
		value, want, err := h.Value(rapid.IntRange(0, h.Stops-1).Draw(t, "stop"))
		if err != nil {
			t.Fatal(err)
		}
		s := knit.Measure(moved(t, &d, string(h.Field), value))
		if s.Stopped() {
			return
		}
		if got := counted(h, s); got != want {
			// Heel and leg share the foot: a gusset or an ankle change may need more than is left.
			if h.Field == "leg.height_mm" && s.Design.Heel.Kind == "flap_under" {
				return
			}
			t.Fatalf("%s = %v gives %d, promised %d", h.Field, value, got, want)
		}
	})
}

// moved is the design with one field set, read back as the interface would send it.
func moved(t require.TestingT, d *design.Design, field string, value float64) *design.Design {
	text, err := json.Marshal(d)
	require.NoError(t, err)
	tree := map[string]any{}
	require.NoError(t, json.Unmarshal(text, &tree))
	var group, name string
	for i, c := range field {
		if c == '.' {
			group, name = field[:i], field[i+1:]
		}
	}
	if math.Abs(value-math.Round(value)) < 1e-9 {
		value = math.Round(value)
	}
	tree[group].(map[string]any)[name] = value
	text, err = json.Marshal(tree)
	require.NoError(t, err)
	next, err := design.Read(text)
	require.NoError(t, err)
	return &next
}
