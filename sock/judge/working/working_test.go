package working

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/sheet"
	"acornstep/sock/papers/design"
)

func linesOf(t *testing.T, fields string, unit measure.Unit) map[string]sheet.Line {
	t.Helper()
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":180}` + fields + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	require.Nil(t, p.Stopped())
	lines := map[string]sheet.Line{}
	for _, l := range Of(p, unit) {
		assert.NotEmpty(t, l.Label)
		assert.NotEmpty(t, l.Working)
		assert.NotEmpty(t, l.Change)
		lines[l.Name] = l
	}
	return lines
}

func TestTheArithmeticInOneLine(t *testing.T) {
	lines := linesOf(t, "", measure.Centimetres)
	for name, want := range map[string]string{
		"foot_stitches":       "23.6 cm × 0.90 × 3.2 = 67.97 → 68",
		"cast_on_stitches":    "68 − 4 × 9 = 32: each increase round adds four",
		"toe_rounds":          "1 + 0 + 2 × (9 − 0) = 19",
		"foot_rounds":         "(25.1 cm − 0.9 cm − 4.32 cm − 5.11 cm) × 4.4 = 64.98 → 65",
		"finished_length_mm":  "19.09 cm to the heel + 5.11 cm of heel = 24.2 cm",
		"heel_turns_per_side": "34 − 2 × 11 = 12 in the centre",
		"leg_rounds":          "18 cm × 4.4 = 79.20 → 79, − 18 of the cuff = 61",
		"fit.ball":            "23.6 cm ÷ 21.25 cm = 1.11: stretches 11 %; 5 to 18 % is sensible",
	} {
		assert.Equal(t, want, lines[name].Working, name)
	}
	assert.Equal(t, "With 72 stitches it would stretch 5 %.", lines["fit.ball"].Change)
	assert.Equal(t, "With a flap below the heel 16 %, with a gusset first 11 %.", lines["fit.heel"].Change)
	assert.Equal(t, "9.29 in × 0.90 × 8.13 = 67.97 → 68", linesOf(t, "", measure.Inches)["foot_stitches"].Working)
}

// Every number that the plan's summary gives for a kind of sock has its working.
func TestEveryNumberHasItsWorking(t *testing.T) {
	for _, toe := range []string{"wedge", "garter_square", "short_row"} {
		for heel, own := range map[string][]string{
			"short_row":   {"heel_turns_per_side", "heel_length"},
			"flap_under":  {"flap_rows", "turn_stitches", "gusset_decrease_rounds"},
			"gusset_turn": {"gusset_increases", "heel_turns_per_side"},
		} {
			lines := linesOf(t, fmt.Sprintf(`,"toe":{"kind":%q},"heel":{"kind":%q}`, toe, heel), measure.Centimetres)
			for _, name := range append(own, "foot_stitches", "cast_on_stitches", "toe_rounds", "toe_length", "finished_length_mm",
				"foot_rounds",
				"heel_starts_at_mm", "heel_stitches", "leg_stitches", "leg_rounds", "cuff_rounds", "grams", "fit.toes", "fit.cuff") {
				assert.Contains(t, lines, name, "%s and %s", toe, heel)
			}
		}
	}
}
