package fit

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
)

func sockOf(t require.TestingT, fields string) *knit.Sock {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"heel_diagonal_mm":345},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}%s}`, fields))
	require.NoError(t, err)
	return knit.Measure(&d)
}

// By hand: a short-row heel of 34 stitches and 11 turns is 265 mm round the diagonal, and 345 mm stretch that by 30
// %; another heel gives more than any turn.
func TestWhatEasesAHighInstep(t *testing.T) {
	eases := Eases(sockOf(t, `,"heel":{"kind":"short_row"}`))
	require.NotEmpty(t, eases)
	assert.Equal(t, "heel", eases[0].Place)
	assert.Regexp(t, `: 30 → \d+ %$`, eases[0].Text)
	assert.Less(t, eases[0].ToPct, 22.)
}

// Whatever is said to ease a place does so by the figures that are said, and makes no other place worse that sat well.
func TestAnEaseKeepsItsPromise(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		s := sockOf(t, fmt.Sprintf(`,"stitches":%d,"heel":{"kind":%q},"leg":{"height_mm":130}`,
			4*rapid.IntRange(13, 18).Draw(t, "quarter"), rapid.SampledFrom(design.Registered("heel.kind")).Draw(t, "heel")))
		if s.Stopped() {
			t.Skip()
		}
		for _, e := range Eases(s) {
			d, err := s.Design.With(e.Changes)
			require.NoError(t, err)
			for _, p := range Of(knit.Measure(&d)) {
				if p.Name == e.Place && (p.StretchPct != e.ToPct || e.ToPct >= e.FromPct) {
					t.Fatalf("%s: it comes to %.1f %%", e.Text, p.StretchPct)
				}
			}
		}
	})
}
