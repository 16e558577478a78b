package board

import (
	"context"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/cloth/shape"
	"acornstep/sock/cloth/worn"
	"acornstep/sock/craft/knit"
	"acornstep/sock/judge/fit"
	"acornstep/sock/papers/design"
)

// What bars and sentences call snug is nowhere tight on the map: there is one scale, and the peak of a place is told beside it.
func TestTheMapGoesNoFurtherThanTheBars(t *testing.T) {
	words := map[string]bool{}
	for _, foot := range []string{`"heel_diagonal_mm":326`, `"heel_diagonal_mm":340`, `"heel_diagonal_mm":310,"ankle_girth_mm":260`, `"heel_diagonal_mm":385`} {
		d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,` + foot +
			`},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":90}}`))
		require.NoError(t, err)
		p, sock, err := knit.MakeSock(d)
		require.NoError(t, err)
		drawing, err := DrawPlan(context.Background(), p, sock, worn.Fine)
		require.NoError(t, err)
		whole := map[string]fit.Place{}
		for _, place := range fit.Of(sock) {
			whole[place.Name] = place
		}
		words[whole["heel"].Word] = true
		for _, spot := range drawing.Pull.Spots {
			place, judged := whole[spot.Place]
			if !judged || place.Word == "tight" || spot.Place != "heel" && spot.AlongPct > spot.AroundPct {
				continue
			}
			most := max(slices.Index(shape.Words, place.Word), slices.Index(shape.Words, "sits"))
			assert.LessOrEqual(t, slices.Index(shape.Words, spot.Word), most, "%s, %s: %+v", foot, place.Word, spot)
		}
		for _, peak := range drawing.Pull.Peaks {
			for _, spot := range drawing.Pull.Spots {
				if spot.Place == peak.Place {
					assert.LessOrEqual(t, max(spot.AroundPct, spot.AlongPct), peak.Pct+0.05)
				}
			}
		}
	}
	assert.Equal(t, map[string]bool{"sits": true, "snug": true, "tight": true}, words)
}
