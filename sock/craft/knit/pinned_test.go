package knit

import (
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/papers/design"
)

// With every count pinned another gauge changes lengths and no row: what is knitted stays as it is.
func TestPinnedSocksKeepTheirRows(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		pick := func(label string, from ...string) string { return rapid.SampledFrom(from).Draw(t, label) }
		d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,
			"foot":{"length_mm":%d,"ball_girth_mm":236,"ankle_girth_mm":%d},"gauge":{"stitches_per_100mm":%d,"rounds_per_100mm":44},
			"toe":{"kind":%q,"start":%q},"heel":{"kind":%q,"turn":%q,"share":%s},"ankle":{"change":%q},
			"leg":{"height_mm":%d,"pattern":%q},"cuff":{"height_mm":%d,"pattern":"rib_1x1"}}`,
			rapid.IntRange(230, 280).Draw(t, "foot"), rapid.IntRange(215, 260).Draw(t, "ankle"), rapid.IntRange(28, 36).Draw(t, "gauge"),
			pick("toe", design.Registered("toe.kind")...), pick("start", "half", "rounded", "fitted"),
			pick("heel", design.Registered("heel.kind")...), pick("turn", design.Registered("heel.turn")...),
			pick("share", "0.5", "0.65"),
			pick("change", "after_heel", "before_heel", "split", "none"), rapid.IntRange(150, 220).Draw(t, "leg"),
			pick("pattern", "stockinette", "rib_1x1", "rib_2x2"),
			rapid.IntRange(25, 50).Draw(t, "cuff")))
		require.NoError(t, err)
		p, err := Make(d)
		require.NoError(t, err)
		if p.Stopped() != nil {
			t.Skip("no such sock")
		}
		pinned := Measure(&p.Design).Pinned()
		pinned.Gauge.Rounds *= rapid.Float64Range(0.87, 1.15).Draw(t, "denser")
		q, err := Make(pinned)
		require.NoError(t, err)
		if stop := q.Stopped(); stop != nil {
			t.Fatal(stop.Text)
		}
		for i := range max(len(p.Rows), len(q.Rows)) {
			if i >= len(p.Rows) || i >= len(q.Rows) || !slices.Equal(p.Rows[i].Ops, q.Rows[i].Ops) {
				t.Fatalf("row %d is knitted otherwise; %d rows became %d", i, len(p.Rows), len(q.Rows))
			}
		}
	})
}
