package shape

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/design"
	"acornstep/sock/knit"
	"acornstep/sock/needle"
	"acornstep/sock/plan"
	"acornstep/sock/trace"
)

// anySock is a sock of some foot and shape, with its drawing.
func anySock(t *rapid.T) (*plan.Plan, Shape) {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":%d},"gauge":{"stitches_per_100mm":%d,"rounds_per_100mm":%d},"toe":{"kind":%q,"start":%q},"heel":{"kind":%q,"turn":%q,"fabric":%q},"leg":{"height_mm":%d}}`,
		rapid.IntRange(150, 300).Draw(t, "foot"), rapid.IntRange(22, 38).Draw(t, "stitches"), rapid.IntRange(30, 52).Draw(t, "rounds"),
		rapid.SampledFrom(design.Registered("toe.kind")).Draw(t, "toe"), rapid.SampledFrom([]string{"half", "rounded", "fitted"}).Draw(t, "start"),
		rapid.SampledFrom(design.Registered("heel.kind")).Draw(t, "heel"), rapid.SampledFrom([]string{"german", "pinned", "lift"}).Draw(t, "turn"),
		rapid.SampledFrom([]string{"stockinette", "garter"}).Draw(t, "fabric"), rapid.IntRange(100, 240).Draw(t, "leg")))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	if p.Stopped() != nil {
		t.Skip("no such sock")
	}
	traced, err := trace.Of(p.Rows)
	require.NoError(t, err)
	return p, Of(p, traced)
}

// Every line is a row of the plan, in the plan's order and its yarn, and lies within the box of the drawing.
func TestTheDrawingIsThePlan(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p, drawn := anySock(t)
		at := 0
		for _, line := range drawn.Lines {
			for at < len(p.Rows) && p.Rows[at].ID != line.Row {
				at++
			}
			if at == len(p.Rows) {
				t.Fatalf("%s is no row after the one before it", line.Row)
			}
			if line.Colour != p.Rows[at].Colour {
				t.Fatalf("%s is drawn in %q, knitted in %q", line.Row, line.Colour, p.Rows[at].Colour)
			}
			for _, point := range line.Points {
				for i, most := range []float64{drawn.Width, drawn.Height} {
					if math.IsNaN(point[i]) || point[i] < -0.01 || point[i] > most+0.01 {
						t.Fatalf("%s reaches %v, the sock is %.1f × %.1f mm", line.Row, point, drawn.Width, drawn.Height)
					}
				}
			}
		}
	})
}

// The rounds of the straight foot lie a round's height apart, each as long as half the sock is round; so do those of the cuff.
func TestRoundsLieARoundApart(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p, drawn := anySock(t)
		lines := map[string]Points{}
		for _, line := range drawn.Lines {
			lines[line.Row] = line.Points
		}
		gauge := p.Design.Gauge.PerMM()
		height := float64(gauge.Height(1))
		for i := 1; i < len(p.Rows); i++ {
			row, before := &p.Rows[i], &p.Rows[i-1]
			along := map[needle.Section]int{needle.Foot: 0, needle.Cuff: 1}
			axis, straight := along[row.Section]
			if !straight || before.Section != row.Section || row.Stitches != before.Stitches || row.Stitches != p.Summary.FootStitches {
				continue
			}
			a, b := lines[before.ID], lines[row.ID]
			if apart := b[0][axis] - a[0][axis]; math.Abs(apart-height) > 0.03 {
				t.Fatalf("%s lies %.2f mm after the round before it, expected %.2f", row.ID, apart, height)
			}
			last := b[len(b)-1]
			half := float64(gauge.Girth(float64(row.Stitches))) / 2
			// A cuff on a short leg may begin under the ankle, where the mitre cuts off its front.
			half = min(half, last[0]-(drawn.Ankle[0]+drawn.Ankle[1]-b[0][1]))
			if reach := math.Abs(last[1-axis] - b[0][1-axis]); row.Section == needle.Cuff && math.Abs(reach-half) > 0.05 {
				t.Fatalf("%s is %.1f mm wide, expected %.1f", row.ID, reach, half)
			}
		}
	})
}

// The sock is drawn as long as it is, or as far as the leg stands out behind a shallow heel; and as high as its last round.
func TestTheDrawingHasTheSocksMeasures(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p, drawn := anySock(t)
		sum := p.Summary
		if p.Design.Heel.Kind == "short_row" && sum.LegStitches == sum.FootStitches {
			behind := sum.HeelStartsAt + p.Design.Gauge.PerMM().Girth(float64(sum.HeelStitches))/2
			if want := float64(max(sum.FinishedLength, behind)); math.Abs(drawn.Width-want) > 6 {
				t.Fatalf("drawn %.1f mm long, expected %.1f", drawn.Width, want)
			}
		}
		last := drawn.Lines[len(drawn.Lines)-1]
		top := 0.0
		for _, point := range last.Points {
			top = math.Max(top, point[1])
		}
		if math.Abs(top-drawn.Height) > 0.01 {
			t.Fatalf("%s ends at %.1f mm, the drawing at %.1f", last.Row, top, drawn.Height)
		}
	})
}
