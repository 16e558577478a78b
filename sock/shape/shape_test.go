package shape

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/design"
	"acornstep/sock/knit"
	"acornstep/sock/plan"
	"acornstep/sock/trace"
)

func draw(t *testing.T, fields string) (*plan.Plan, Shape) {
	t.Helper()
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + withLeg(fields) + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	traced, err := trace.Of(p.Rows)
	require.NoError(t, err)
	return p, Of(p, traced)
}

// 68 stitches lie 106.25 mm wide; the heel starts at 190.9 and ends at 242.0 mm; the leg is 79 rounds, 179.5 mm.
func TestTheSockIsToScale(t *testing.T) {
	_, s := draw(t, "")
	lines := map[string][]Point{}
	for _, l := range s.Lines {
		lines[l.Row] = l.Points
	}
	foot := lines["foot-1"]
	assert.InDelta(t, 106.25, foot[1][1]-foot[0][1], 0.01)
	assert.InDelta(t, 20/0.44, foot[0][0], 0.01)
	assert.InDelta(t, 242.05, lines["heel-23"][0][0], 0.1, "the last narrowing row")
	assert.InDelta(t, 53.125+79/0.44, s.Height, 0.01)
	cuff := lines["cuff-18"]
	assert.InDelta(t, 106.25, cuff[1][0]-cuff[0][0], 0.01)
}

func TestEveryShapeHasALineForItsRows(t *testing.T) {
	for _, toe := range []string{"wedge", "garter_square", "short_row"} {
		for _, heel := range []string{"short_row", "flap_under", "gusset_turn"} {
			for _, turn := range design.Registered("heel.turn") {
				p, s := draw(t, `,"toe":{"kind":"`+toe+`"},"heel":{"kind":"`+heel+`","turn":"`+turn+`"}`)
				assert.Greater(t, len(s.Lines), len(p.Rows)*9/10, "%s %s %s", toe, heel, turn)
				for _, l := range s.Lines {
					for _, pt := range l.Points {
						assert.True(t, pt[0] >= -0.01 && pt[1] >= -0.01 && pt[0] < 400 && pt[1] < 400, "%s %s: %s %v", toe, heel, l.Row, pt)
					}
				}
			}
		}
	}
}

// A rib on the instep shows on the upper half of the foot and the front of the leg; panels where they are.
func TestThePatternIsDrawnWhereItIs(t *testing.T) {
	shown := func(fields, row string) [][2]float64 {
		_, s := draw(t, fields)
		for _, l := range s.Lines {
			if l.Row == row {
				return l.Purls
			}
		}
		require.Fail(t, "no line", row)
		return nil
	}
	assert.Empty(t, shown("", "leg-20"))
	// 17 of the front show, and 17 of the back: the instep is half of the line. One knit stands
	// in its middle and two at its side: purls from the 2nd to the 15th, 1/34 to 15/34.
	assert.Equal(t, [][2]float64{{0.56, 0.97}}, shown(`,"leg":{"instep_pattern":"rib_2x2"}`, "foot-20"))
	assert.Equal(t, [][2]float64{{0.03, 0.44}}, shown(`,"leg":{"instep_pattern":"rib_2x2"}`, "leg-20"))
	assert.Equal(t, [][2]float64{{0.03, 1}}, shown(`,"leg":{"pattern":"rib_2x2"}`, "leg-20"))
	assert.Equal(t, [][2]float64{{0.5, 1}}, shown(`,"leg":{"pattern":"rib_2x2","panels":"back"}`, "leg-20"))
	assert.Equal(t, [][2]float64{{0.5, 1}}, shown(`,"leg":{"pattern":"rib_2x2","panels":"back"},"heel":{"kind":"flap_under"},"round_start":"centre_back"`, "leg-20"))
	assert.Equal(t, [][2]float64{{0.38, 0.68}}, shown(`,"leg":{"pattern":"rib_2x2","panels":"sides"}`, "leg-20"))
}

// withLeg gives a design the leg of these drawings, 180 mm tall.
func withLeg(fields string) string {
	if strings.Contains(fields, `"leg":{`) {
		return strings.Replace(fields, `"leg":{`, `"leg":{"height_mm":180,`, 1)
	}
	return fields + `,"leg":{"height_mm":180}`
}
