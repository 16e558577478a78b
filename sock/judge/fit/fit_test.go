package fit

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
)

func sock(t *testing.T, fields string) *knit.Sock {
	t.Helper()
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"heel_diagonal_mm":326},
		"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + fields + `}`))
	require.NoError(t, err)
	s := knit.Measure(&d)
	require.False(t, s.Stopped(), "%v", s.Checks)
	return s
}

func place(t *testing.T, places []Place, name string) Place {
	t.Helper()
	for _, p := range places {
		if p.Name == name {
			return p
		}
	}
	require.Fail(t, "no place "+name)
	return Place{}
}

// 68 stitches are 212.5 mm: 236/212.5 = 1.1106. The short-row heel is 265.1 mm round: 326/265.1 = 1.2297.
func TestIsoldesFit(t *testing.T) {
	places := Of(sock(t, ""))
	assert.InDelta(t, 11.06, place(t, places, "ball").StretchPct, 0.01)
	heel := place(t, places, "heel")
	assert.InDelta(t, 22.97, heel.StretchPct, 0.05)
	assert.Equal(t, "Snug over the instep.", heel.Text, "between 20.1 and 30 %")
	assert.InDelta(t, 53.4, place(t, places, "cuff").StretchPct, 0.05)
	assert.False(t, place(t, places, "ball").Estimated)
	assert.True(t, place(t, places, "ankle").Estimated)
}

// Route (b): instep 34, two edges of 18, 20 after the turn: 90 stitches, 281.25 mm.
// Route (c): 68 + 26 stitches: 293.75 mm.
func TestRoomGrowsFromShortRowsToGussets(t *testing.T) {
	short := place(t, Of(sock(t, "")), "heel").Sock
	flap := place(t, Of(sock(t, `,"heel":{"kind":"flap_under"}`)), "heel").Sock
	gusset := place(t, Of(sock(t, `,"heel":{"kind":"gusset_turn"}`)), "heel").Sock
	assert.InDelta(t, 281.25, float64(flap), 1e-6)
	assert.InDelta(t, 293.75, float64(gusset), 1e-6)
	assert.Less(t, short, flap)
}

func TestGarterGivesMore(t *testing.T) {
	tight := place(t, Of(sock(t, `,"heel":{"turns_per_side":6}`)), "heel")
	garter := place(t, Of(sock(t, `,"heel":{"turns_per_side":6,"fabric":"garter"}`)), "heel")
	assert.Equal(t, verdict.Caution, tight.Level)
	assert.Greater(t, garter.HighPct, tight.HighPct)
	assert.Greater(t, Misfit(Of(sock(t, `,"heel":{"turns_per_side":6}`))), Misfit(Of(sock(t, ""))))
}

// A 2×2 rib draws the leg in to three quarters: 159.4 mm for an ankle of 236 mm are 48 %, and up to 60 % it sits. A
// plain leg of as much stretch would be tight.
func TestRibIsJudgedByItsOwnStretch(t *testing.T) {
	ribbed := place(t, Of(sock(t, `,"leg":{"pattern":"rib_2x2"}`)), "ankle")
	assert.InDelta(t, 48.1, ribbed.StretchPct, 0.1)
	assert.InDelta(t, 60, ribbed.HighPct, 1e-9)
	assert.Equal(t, "sits", ribbed.Word)
	assert.InDelta(t, 45, place(t, Of(sock(t, `,"leg":{"pattern":"rib_1x1"}`)), "ankle").HighPct, 1e-9)
	assert.InDelta(t, 25, place(t, Of(sock(t, "")), "ankle").HighPct, 1e-9)
	// In front alone half of the leg is ribbed: 0.875 of the girth, of which 0.5·0.75·1.6 + 0.5·1.25 can be reached.
	assert.InDelta(t, 100*(1.225/0.875-1), place(t, Of(sock(t, `,"leg":{"pattern":"rib_2x2","panels":"front"}`)), "ankle").HighPct, 1e-9)
}

// A 2×2 rib on the instep draws 34 of 68 stitches in to three quarters: 212.5 · 0.875 = 185.9 mm for 236. Round the heel
// 265.1 − 106.25/4 = 238.5 mm for 326; of these 106.25 · 0.75 · 1.6 + 158.8 · 1.3 = 334 mm can be reached.
func TestARibbedInstepDrawsIn(t *testing.T) {
	places := Of(sock(t, `,"leg":{"pattern":"rib_2x2","instep_pattern":"rib_2x2"}`))
	ball, heel := place(t, places, "ball"), place(t, places, "heel")
	assert.InDelta(t, 26.9, ball.StretchPct, 0.05)
	assert.InDelta(t, 100*(1/0.825/0.875-1), ball.HighPct, 1e-9, "halfway to the 20 % of ease of a foot ribbed all round")
	assert.Equal(t, "sits", ball.Word)
	assert.InDelta(t, 36.7, heel.StretchPct, 0.1)
	assert.InDelta(t, 0.67*40, heel.HighPct, 0.2)
	assert.Equal(t, "snug", heel.Word)
	toes := place(t, places, "toes")
	assert.InDelta(t, 100*(0.92*236/185.94-1), toes.StretchPct, 0.05, "a toe of 43 mm ends before toes of 50 mm do")
}
