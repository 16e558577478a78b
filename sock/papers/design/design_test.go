package design

import (
	"encoding/json"
	"errors"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
)

const smallest = `{"format":"acorn-step.design","version":1,"foot":{"length_mm":250},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}}`

func TestDefaultsOfTheSmallestDesign(t *testing.T) {
	d, err := Read([]byte(smallest))
	require.NoError(t, err)
	// B = 0.94·250 from 220 mm up, T = 0.2·250, D = 1.38·B, A = B.
	assert.InDelta(t, 235, float64(d.Foot.BallGirth), 1e-9)
	assert.InDelta(t, 50, float64(d.Foot.ToeDepth), 1e-9)
	assert.InDelta(t, 324.3, float64(d.Foot.HeelDiagonal), 1e-9)
	assert.InDelta(t, 235, float64(d.Foot.AnkleGirth), 1e-9)
	assert.Equal(t, []string{"ball_girth_mm", "toe_depth_mm", "heel_diagonal_mm", "ankle_girth_mm"}, d.Foot.Estimated)
	assert.Equal(t, Length(9), d.Fit.LengthEase, "0.035·250 = 8.75, half up")
	assert.InDelta(t, 180, float64(d.Leg.Height), 1e-9)
	assert.Equal(t, Length(40), d.Cuff.Height)
	assert.Equal(t, "magic", d.Toe.CastOn)
	assert.Nil(t, d.Stitches)
}

func TestGuessedGirthOfSmallFeet(t *testing.T) {
	for length, want := range map[Length]Length{80: 84, 120: 126, 170: 170 * 0.995, 220: 206.8, 300: 282} {
		assert.InDelta(t, float64(want), float64(guessBallGirth(length)), 1e-9, "%v", length)
	}
}

func TestEstimatedKeepsWhatTheKnitterMarked(t *testing.T) {
	d, err := Read([]byte(strings.Replace(smallest, `"length_mm":250`,
		`"length_mm":250,"ball_girth_mm":230,"estimated":["length_mm","length_mm"]`, 1)))
	require.NoError(t, err)
	assert.Equal(t, []string{"length_mm", "toe_depth_mm", "heel_diagonal_mm", "ankle_girth_mm"}, d.Foot.Estimated)
}

func faultsOf(t *testing.T, text string) document.Faults {
	t.Helper()
	_, err := Read([]byte(text))
	var faults document.Faults
	require.True(t, errors.As(err, &faults), "%s gives %v", text, err)
	return faults
}

func TestRefusals(t *testing.T) {
	with := func(old, new string) string { return strings.Replace(smallest, old, new, 1) }
	cases := []struct{ name, text, field, says string }{
		{"length 0", with("250", "0"), "foot.length_mm", "80 mm to 350 mm"},
		{"negative length", with("250", "-5"), "foot.length_mm", "read -5 mm"},
		{"2510 mm", with("250", "2510"), "foot.length_mm", "read 2510 mm"},
		{"text for a length", with("250", `"abc"`), "foot.length_mm", `read "abc", expected a number`},
		{"inches for a girth", with(`250`, `250,"ball_girth_mm":9`), "foot.ball_girth_mm", "did you mean 9 inches?"},
		{"centimetres for a length", with("250", "25"), "foot.length_mm", "did you mean 25 cm?"},
		{"gauge 3", with("32", "3"), "gauge.stitches_per_100mm", "possible is 5 to 100"},
		{"gauge 300", with("44", "300"), "gauge.rounds_per_100mm", "read 300"},
		{"no gauge", with(`,"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}`, ""), "gauge.stitches_per_100mm", "is required"},
		{"ease 60", with(`"gauge"`, `"fit":{"girth_ease_pct":60},"gauge"`), "fit.girth_ease_pct", "possible is 0 to 25"},
		{"empty name", with(`"gauge"`, `"name":" ","gauge"`), "name", "1 to 120"},
		{"unknown field", with(`"gauge"`, `"colour":"red","gauge"`), "colour", "unknown field"},
		{"case", with(`"gauge"`, `"Gauge"`), "Gauge", "unknown field"},
		{"unknown choice", with(`"gauge"`, `"heel":{"fabric":"felt"},"gauge"`), "heel.fabric", "stockinette, garter"},
		{"odd count", with(`"gauge"`, `"stitches":67,"gauge"`), "stitches", "66 or 68"},
		{"half a stitch", with(`"gauge"`, `"stitches":67.5,"gauge"`), "stitches", "whole number"},
		{"share", with(`"gauge"`, `"heel":{"share":0.55},"gauge"`), "heel.share", "0.5 or 0.6 to 0.7"},
		{"wrong format", with("acorn-step.design", "sock"), "format", "expected"},
		{"newer version", with(`"version":1`, `"version":2,"new_thing":true`), "version", "newer program"},
		{"twice", with(`"gauge"`, `"name":"a","name":"b","gauge"`), "name", "twice"},
		{"trailing", smallest + "x", "", "more text"},
		{"broken", smallest[:40], "", "ends too early"},
		{"not UTF-8", with(`"gauge"`, "\"name\":\"\xff\",\"gauge\""), "", "UTF-8"},
		{"a list", "[]", "", "expected an object"},
		{"strand and rounds between", with(`"gauge"`, `"heel":{"own_strand":true,"rounds_between":1},"gauge"`), "heel.rounds_between",
			"heel.own_strand"},
		{"unknown pattern", with(`"gauge"`, `"leg":{"pattern":"moss_cable"},"gauge"`), "leg.pattern", "stockinette, rib_1x1"},
		{"a cuff that rolls", with(`"gauge"`, `"cuff":{"pattern":"stockinette"},"gauge"`), "cuff.pattern", "rib_1x1"},
		{"a pattern of the design's own", with(`"gauge"`,
			`"patterns":[{"name":"x","label":"X","repeat":3,"width":1,"rounds":[[["k",2]]]}],"gauge"`), "patterns[0].rounds[0]",
			"takes 2 stitches"},
		{"contrast and first row", with(`"gauge"`, `"heel":{"first_row":"WS"},"yarn":{"contrast":["heel"]},"gauge"`), "heel.first_row",
			"yarn.contrast"},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			faults := faultsOf(t, c.text)
			assert.Equal(t, c.field, faults[0].Field)
			assert.Contains(t, faults[0].Message, c.says)
		})
	}
}

func TestEveryFaultIsListed(t *testing.T) {
	faults := faultsOf(t, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":3},"gauge":{"stitches_per_100mm":1,"rounds_per_100mm":true},"x":1}`)
	assert.Len(t, faults, 4, "%v", faults)
}

func TestAByteOrderMarkIsSkipped(t *testing.T) {
	_, err := Read([]byte("\ufeff" + smallest))
	assert.NoError(t, err)
}

func TestSentencesSpeakTheReadersUnit(t *testing.T) {
	_, err := ReadIn([]byte(strings.Replace(smallest, "250", "2510", 1)), measure.Inches)
	assert.ErrorContains(t, err, "3 1/8 in to 13 3/4 in")
}

// A filled design written and read again is the same design.
func TestFilledDesignsAreStable(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		text, err := json.Marshal(map[string]any{
			"format": Format, "version": Version,
			"foot":  map[string]any{"length_mm": rapid.Float64Range(80, 350).Draw(t, "length")},
			"gauge": map[string]any{"stitches_per_100mm": rapid.Float64Range(8, 60).Draw(t, "gs"), "rounds_per_100mm": 44},
			"toe":   map[string]any{"kind": rapid.SampledFrom([]string{"wedge", "garter_square", "short_row"}).Draw(t, "toe")},
		})
		if err != nil {
			t.Fatal(err)
		}
		first, err := Read(text)
		if err != nil {
			t.Fatal(err)
		}
		again, err := json.Marshal(first)
		if err != nil {
			t.Fatal(err)
		}
		second, err := Read(again)
		if err != nil {
			t.Fatal(err)
		}
		third, _ := json.Marshal(second)
		if string(again) != string(third) {
			t.Fatalf("%s\nbecame\n%s", again, third)
		}
	})
}

func FuzzRead(f *testing.F) {
	f.Add([]byte(smallest))
	f.Add([]byte(`{"format":"acorn-step.design","version":1,"heel":{"picked_up":[20,null]},"yarn":{"contrast":[1]}}`))
	f.Add([]byte(`[[[[`))
	f.Fuzz(func(t *testing.T, text []byte) {
		d, err := Read(text)
		if err != nil {
			var faults document.Faults
			if !errors.As(err, &faults) || len(faults) == 0 {
				t.Fatalf("%T is no list of faults", err)
			}
			return
		}
		if d.Foot.Length < 80 || d.Foot.Length > 350 {
			t.Fatalf("a foot of %v mm was let through", d.Foot.Length)
		}
	})
}
