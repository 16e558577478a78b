package advise

import (
	"fmt"
	"math"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
)

// anyFoot is a foot of a child or a grown person, with what is known of it, on any gauge.
func anyFoot(t *rapid.T) design.Design {
	length := rapid.IntRange(120, 310).Draw(t, "length")
	more := ""
	if rapid.Bool().Draw(t, "measured") {
		girth := float64(length) * rapid.Float64Range(0.85, 1.1).Draw(t, "girth")
		more = fmt.Sprintf(`,"ball_girth_mm":%.0f,"heel_diagonal_mm":%.0f,"ankle_girth_mm":%.0f,"toe_depth_mm":%.0f`, girth,
			girth*rapid.Float64Range(1.2, 1.65).Draw(t, "diagonal"), girth*rapid.Float64Range(0.85, 1.15).Draw(t, "ankle"),
			float64(length)*rapid.Float64Range(0.15, 0.25).Draw(t, "depth"))
	}
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":%d,"heel_width":%q%s},"gauge":{"stitches_per_100mm":%d,"rounds_per_100mm":%d}}`,
		length, rapid.SampledFrom([]string{"average", "narrow", "wide"}).Draw(t, "width"), more,
		rapid.IntRange(22, 38).Draw(t, "stitches"), rapid.IntRange(30, 52).Draw(t, "rounds")))
	if err != nil {
		t.Fatal(err)
	}
	return d
}

// The three ways feel different, none is better only by its yarn, and the cards of the board recommend what the ranking puts first.
func TestOneJudgement(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := anyFoot(t)
		r, err := Rank(d, BestFit, nil)
		if err != nil {
			t.Fatal(err)
		}
		three := Different(r.Candidates, 3)
		if len(three) == 0 {
			return // too small for any sock
		}
		for i := range three {
			if three[i].Why == "" {
				t.Fatalf("%s has no reason", three[i].Title)
			}
			for j := range three[:i] {
				if three[i].feelsLike(&three[j]) {
					t.Fatalf("%s feels like %s", three[i].Title, three[j].Title)
				}
			}
		}
		best := three[0]
		if best.Toe != "wedge" {
			for _, c := range r.Candidates {
				if c.Toe == "wedge" && c.Heel == best.Heel && math.Round(c.Misfit/felt) == math.Round(best.Misfit/felt) &&
					c.Stitches == best.Stitches && c.fabric == best.fabric {
					t.Fatalf("%s stands before %s and fits no better", best.Title, c.Title)
				}
			}
		}
		list, err := Options(d, measure.Centimetres)
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range list {
			value := best.Changes[c.Field]
			if value == nil || c.Options[0].Stop != "" {
				continue
			}
			if at := slices.IndexFunc(c.Options, func(o Option) bool { return o.Value == value }); at >= 0 && c.Options[at].Stop != "" {
				// The ranking puts it first on another count; on this one it gives no sock, and then nothing is recommended here.
				if slices.ContainsFunc(c.Options, func(o Option) bool { return o.Recommended }) {
					t.Fatalf("%s: the board recommends another way than the ranking, %v, which this count does not allow", c.Field, value)
				}
				continue
			}
			if c.Options[0].Value != value {
				t.Fatalf("%s: the board recommends %v, the ranking %v", c.Field, c.Options[0].Value, value)
			}
		}
	})
}

// 385 mm over 265.1 mm stretch stockinette by 45 %: outside of what is easy no yarn counts.
func TestTheFootComesBeforeTheYarn(t *testing.T) {
	r := ranked(t, read(t, `,"heel_diagonal_mm":385`))
	three := Different(r.Candidates, 3)
	require.Len(t, three, 3)
	for _, c := range three {
		t.Log(c.Title, "—", c.Why, c.Stitches, c.Misfit, c.HeelStretchPct)
	}
	assert.Equal(t, "gusset_turn", three[0].Heel)
	assert.Contains(t, three[0].Why, "a gusset suits a high instep")
}

// A diagonal of 300 mm stretches the usual heel by 13 %: it sits, and so the usual way comes first, whatever else is lighter.
func TestWithinWhatIsEasyTheUsualWayComesFirst(t *testing.T) {
	best, err := Best(read(t, `,"heel_diagonal_mm":300`))
	require.NoError(t, err)
	require.NotNil(t, best)
	assert.Equal(t, []any{"wedge", "half", "short_row", 0.5, 68},
		[]any{best.Toe, best.Changes["toe.start"], best.Heel, best.Changes["heel.share"], best.Stitches})
	assert.Equal(t, "sits over the instep; the usual way", best.Why)
	assert.True(t, best.Chosen, "a sock about which nothing was chosen is knitted the usual way")
}

// Flap and gusset increases both sit on an instep of 360 mm; the gusset increases are the roomier. What is only guessed gets the usual heel.
func TestAHighInstepGetsTheRoomierOfTwoHeelsThatSit(t *testing.T) {
	for _, diagonal := range []int{352, 360, 370} {
		best, err := Best(read(t, fmt.Sprintf(`,"heel_diagonal_mm":%d`, diagonal)))
		require.NoError(t, err)
		assert.Equal(t, []any{"gusset_turn", 68}, []any{best.Heel, best.Stitches}, "%d mm: %s", diagonal, best.Why)
	}
	best, err := Best(read(t, ""))
	require.NoError(t, err)
	assert.Equal(t, "short_row", best.Heel)
}
