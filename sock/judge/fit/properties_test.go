package fit

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
)

// measured is a sock of so many stitches on a foot with this heel diagonal.
func measured(t *rapid.T, stitches int, diagonal float64, heel string) []Place {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"heel_diagonal_mm":%.1f,"ankle_girth_mm":228},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"stitches":%d,"heel":%s}`, diagonal, stitches, heel))
	require.NoError(t, err)
	return Of(knit.Measure(&d))
}

func stretches(places []Place) map[string]float64 {
	list := map[string]float64{}
	for _, p := range places {
		list[p.Name] = p.StretchPct
	}
	return list
}

// Four stitches more stretch less everywhere, and a higher instep stretches the heel and the cuff more and nothing else.
func TestRoomGrowsWithTheStitches(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		n := 4 * rapid.IntRange(14, 19).Draw(t, "quarter")
		diagonal := rapid.Float64Range(290, 370).Draw(t, "diagonal")
		heel := rapid.SampledFrom([]string{`{"kind":"short_row"}`, `{"kind":"flap_under"}`, `{"kind":"gusset_turn"}`,
			`{"kind":"short_row","share":0.65}`}).Draw(t, "heel")
		now, more := stretches(measured(t, n, diagonal, heel)), stretches(measured(t, n+4, diagonal, heel))
		for _, name := range []string{"toes", "ball", "arch", "heel"} {
			if more[name] >= now[name]+1e-9 {
				t.Fatalf("%s: %.2f %% on %d stitches, %.2f %% on %d", name, now[name], n, more[name], n+4)
			}
		}
		higher := stretches(measured(t, n, diagonal+15, heel))
		for name, was := range now {
			switch name {
			case "heel", "cuff":
				// The gusset of increases follows the heel diagonal, so that its heel may stay as it is.
				if higher[name] < was-6 {
					t.Fatalf("%s: %.2f %% becomes %.2f %% on a higher instep", name, was, higher[name])
				}
			default:
				if higher[name] != was {
					t.Fatalf("%s: %.2f %% becomes %.2f %% on a higher instep", name, was, higher[name])
				}
			}
		}
	})
}

// A place that is outside its sensible range says so, one within it does not, and a caution has a reason.
func TestEveryVerdictHasItsSentence(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		places := measured(t, 4*rapid.IntRange(12, 22).Draw(t, "quarter"), rapid.Float64Range(275, 400).Draw(t, "diagonal"),
			`{"kind":"short_row"}`)
		for _, p := range places {
			if p.Text == "" {
				t.Fatalf("%s at %.1f %% says nothing", p.Name, p.StretchPct)
			}
		}
	})
}
