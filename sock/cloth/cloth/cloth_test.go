package cloth_test

import (
	"fmt"
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/cloth/cloth"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// gauge of most examples: 32 stitches and 44 rounds in 100 mm.
var gauge = measure.GaugePer100(32, 44)

func clothOf(t require.TestingT, fields string) (*cloth.Cloth, *knitted.Sock, bool) {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + fields + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	if p.Stopped() != nil {
		return nil, nil, false
	}
	by, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	return cloth.Of(by, cloth.Sizes{Gauge: gauge, Leg: 0.8, Cuff: 0.75, Slipped: 0.75}), by, true
}

// Whatever is knitted is one piece without a hole, open only where it hangs on
// the needles: loops, edges and facets come to 1, as Euler found, every facet
// shows the same side, and all loops are in it.
func TestASockIsOnePieceWithOneOpening(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		pick := func(name string, from ...string) string { return rapid.SampledFrom(from).Draw(t, name) }
		c, _, ok := clothOf(t, fmt.Sprintf(`,"stitches":%d,"toe":{"kind":%q,"increase":%q},"heel":{"kind":%q,"turn":%q,"share":%g},"corner":{"method":%q,"pick_up":%d},"leg":{"pattern":%q,"height_mm":%d}`,
			4*rapid.IntRange(13, 20).Draw(t, "quarter"), pick("toe", design.Registered("toe.kind")...),
			pick("increase", "kfb", "kfb_mirrored", "m1"),
			pick("heel", design.Registered("heel.kind")...), pick("turn", design.Registered("heel.turn")...),
			rapid.SampledFrom([]float64{0.5, 0.6, 0.7}).Draw(t, "share"),
			pick("corner", design.Registered("corner.method")...), rapid.IntRange(0, 1).Draw(t, "pick up"),
			pick("leg", "stockinette", "rib_2x2", "dew_lace", "eyelet_cable"), rapid.IntRange(100, 140).Draw(t, "height")))
		if !ok {
			t.Skip()
		}
		edges, seen := map[[2]int32]int{}, map[int32]bool{}
		for _, f := range c.Facets {
			for k := range 3 {
				seen[f[k]] = true
				edges[[2]int32{f[k], f[(k+1)%3]}]++
			}
		}
		apart, open := 0, 0
		for e, n := range edges {
			if n > 1 {
				t.Fatalf("two facets show their other side along %v, in row %d", e, c.Loops[e[0]].Row)
			}
			if edges[[2]int32{e[1], e[0]}] == 0 {
				open++
				if row := int(c.Loops[e[0]].Row); row < c.Rows-3 {
					t.Fatalf("there is a hole at row %d of %d", row, c.Rows)
				}
			} else if e[0] > e[1] {
				continue
			}
			apart++
		}
		if len(seen) != len(c.Loops) {
			t.Fatalf("%d of %d loops are in the cloth", len(seen), len(c.Loops))
		}
		if euler := len(seen) - apart + len(c.Facets); euler != 1 {
			t.Fatalf("loops − edges + facets = %d", euler)
		}
		if open < len(c.Live) || open > len(c.Live)+2 {
			t.Fatalf("the opening has %d edges, %d loops are on the needles", open, len(c.Live))
		}
	})
}

// What is still on the needles is cloth as well, after any row.
func TestASockHalfDone(t *testing.T) {
	_, by, _ := clothOf(t, `,"heel":{"kind":"flap_under"}`)
	rapid.Check(t, func(t *rapid.T) {
		n := rapid.IntRange(2, len(by.Rows)).Draw(t, "rows")
		part, err := knitted.Of(by.Rows[:n])
		require.NoError(t, err)
		c := cloth.Of(part, cloth.Sizes{Gauge: gauge, Leg: 1, Cuff: 1, Slipped: 0.75})
		for _, l := range c.Links {
			if rest := l.Rest(); math.IsNaN(rest) || rest <= 0 || rest > 12 {
				t.Fatalf("a link of %.1f mm in row %d", rest, c.Loops[l.To].Row)
			}
		}
		for _, f := range c.Facets {
			for _, id := range f {
				if id < 0 || int(id) >= len(c.Loops) {
					t.Fatalf("a facet of loop %d of %d", id, len(c.Loops))
				}
			}
		}
	})
}

// By hand: a plain stitch is 3.125 mm wide and 2.27 mm high; a decrease leans half a stitch to each side; a loop
// picked up hangs beside the edge.
func TestLinksByHand(t *testing.T) {
	rows := []needle.Row{
		{ID: "cast_on-1", Section: needle.CastOn, Kind: needle.FlatRow, Side: needle.RS, Ops: needle.Ops{{Code: needle.CO, N: 8}},
			Stitches: 8},
		{ID: "toe-1", Section: needle.Toe, Kind: needle.Round, Side: needle.RS, Ops: needle.Ops{{Code: needle.K, N: 8}}, Stitches: 8},
		{ID: "foot-1", Section: needle.Foot, Kind: needle.Round, Side: needle.RS,
			Ops: needle.Ops{{Code: needle.K, N: 2}, {Code: needle.K2tog, N: 1}, {Code: needle.K, N: 4}}, Stitches: 7},
	}
	by, err := knitted.Of(rows)
	require.NoError(t, err)
	c := cloth.Of(by, cloth.Sizes{Gauge: gauge, Leg: 1, Cuff: 1, Slipped: 0.75})
	var leaning []float64
	facing := 0
	for _, l := range c.Links {
		switch {
		case l.Kind == cloth.Along:
			assert.InDelta(t, 3.125, l.Rest(), 1e-9)
		case l.Kind == cloth.Up && l.To == 18:
			leaning = append(leaning, l.Right)
		case l.Kind == cloth.Up:
			assert.InDelta(t, 2.2727, l.Rest(), 1e-3)
		case l.Kind == cloth.Edge:
			facing++
			assert.EqualValues(t, 2, l.Quarters, "the two halves of the toe face each other")
			assert.EqualValues(t, 7, l.From+l.To)
		}
	}
	assert.Equal(t, []float64{1.5625, -1.5625}, leaning)
	assert.Equal(t, 4, facing)
}

// A row that slips every other stitch is three quarters as high, also the one back over it; garter is as high as half a stitch is wide.
func TestSizesOfRows(t *testing.T) {
	c, by, _ := clothOf(t, `,"heel":{"kind":"flap_under"},"toe":{"kind":"garter_square"}`)
	high := map[string]float64{}
	for _, l := range c.Loops {
		row := &by.Rows[l.Row]
		high[row.ID] = l.High
	}
	assert.InDelta(t, 100./64, high["toe-4"], 1e-6)
	assert.InDelta(t, 100./44, high["foot-9"], 1e-6)
	assert.InDelta(t, 75./44, high["heel-9"], 1e-6)
	assert.InDelta(t, 75./44, high["heel-10"], 1e-6)
	assert.InDelta(t, 100./44, high["gusset-9"], 1e-6)
}
