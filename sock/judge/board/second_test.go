package board_test

import (
	"testing"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/board"
	"acornstep/sock/papers/draft"
)

// Whatever the second foot measures, the board answers: with what differs, or with why no sock results for it.
func TestASecondFootOfAnySizeIsAnswered(t *testing.T) {
	stopped := 0
	rapid.Check(t, func(t *rapid.T) {
		pick := func(name string, from ...string) string { return rapid.SampledFrom(from).Draw(t, name) }
		d := draft.Draft{Design: map[string]any{
			"foot":  map[string]any{"length_mm": 251.0, "ball_girth_mm": 236.0},
			"gauge": map[string]any{"stitches_per_100mm": 32.0, "rounds_per_100mm": 44.0},
			"toe":   map[string]any{"kind": pick("toe", "wedge", "short_row", "garter_square")},
			"heel":  map[string]any{"kind": pick("heel", "short_row", "flap_under", "gusset_turn")},
			"second_foot": map[string]any{"length_mm": rapid.Float64Range(80, 350).Draw(t, "length"), "ball_girth_mm": rapid.Float64Range(90, 350).Draw(t, "girth"),
				"heel_width": pick("width", "narrow", "wide")},
		}}
		a, err := board.Of("", draft.Read(d, measure.Centimetres), true)
		require.NoError(t, err)
		require.Empty(t, a.Faults)
		require.NotNil(t, a.Second)
		if a.Second.Stop != "" {
			stopped++
			return
		}
		if a.Second.FinishedLength <= 0 {
			t.Fatalf("%+v", a.Second)
		}
	})
	t.Logf("%d of them give no sock", stopped)
}
