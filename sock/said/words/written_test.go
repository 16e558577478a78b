package words

import (
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
)

func anyPlan(t *rapid.T) *plan.Plan {
	pick := func(name string, from ...string) string { return rapid.SampledFrom(from).Draw(t, name) }
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":%d,"ball_girth_mm":%d},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},
		"toe":{"kind":%q,"increase":%q},"heel":{"kind":%q,"turn":%q,"share":%s},"corner":{"method":%q},"bind_off":%q,"needles":%q,"leg":{"height_mm":%d,"pattern":%q,"instep_pattern":%q},"cuff":{"pattern":%q}}`,
		rapid.IntRange(180, 290).Draw(t, "length"), rapid.IntRange(190, 260).Draw(t, "girth"),
		pick("toe", design.Registered("toe.kind")...), pick("increase", "kfb", "kfb_mirrored", "m1"),
		pick("heel", design.Registered("heel.kind")...),
		pick("turn", design.Registered("heel.turn")...), pick("share", "0.5", "0.6"),
		pick("corner", design.Registered("corner.method")...), pick("bind-off", design.Registered("bind_off")...),
		pick("needles", "magic_loop", "two_circulars", "dpn4", "dpn5", "short_circular"), rapid.IntRange(90, 150).Draw(t, "leg"),
		pick("pattern", "stockinette", "rib_2x2", "dew_lace", "seed_stitch"), pick("instep", "stockinette", "rib_2x2"),
		pick("cuff", "rib_1x1", "rib_2x2")))
	if err != nil {
		t.Skip(err)
	}
	p, err := knit.Make(d)
	if err != nil {
		t.Fatal(err)
	}
	if p.Stopped() != nil {
		t.Skip("stopped")
	}
	return p
}

// Rows as a knitter writes them, up to a place instead of so many stitches, are knitted from their words alone:
// what comes of it are the rows.
func TestWrittenRowsAreTheRows(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := anyPlan(t)
		traced, err := knitted.Of(p.Rows)
		if err != nil {
			t.Fatal(err)
		}
		said := make([]Row, len(p.Rows))
		for i, parts := range Written(traced, &p.Design) {
			said[i].Parts = parts
		}
		for name, reader := range map[string]Reader{"landmarks": ByLandmarks, "needles": ByNeedles} {
			if err := reader.Knit(p, said); err != nil {
				t.Fatalf("by %s: %v", name, err)
			}
		}
		for name, reader := range map[string]Reader{"counts": ByCounts, "needles": ByNeedles} {
			if err := reader.Knit(p, Rows(traced, &p.Design)); err != nil {
				t.Fatalf("by %s: %v", name, err)
			}
		}
	})
}

// A sentence is a tree: its words, parsed, are the very sentence, without the counts for which a place stands. So they are for the rows with
// their counts, and for those that are written up to a place.
func TestWordsAreParsedBackIntoTheirSentence(t *testing.T) {
	kinds := map[string]int{}
	rapid.Check(t, func(t *rapid.T) {
		p := anyPlan(t)
		traced, err := knitted.Of(p.Rows)
		if err != nil {
			t.Fatal(err)
		}
		written := Written(traced, &p.Design)
		for i, row := range Rows(traced, &p.Design) {
			for _, part := range append(slices.Clone(row.Parts), written[i]...) {
				said, _, err := Parse(part, p.Rows[i].Side)
				if err != nil {
					t.Fatalf("%s, %q: %v", row.ID, part.Short, err)
				}
				if want := part.Said.Heard(); !assert.ObjectsAreEqual(want, said) {
					t.Fatalf("%s: %q is parsed as %#v, and its sentence is %#v", row.ID, part.Short, said, want)
				}
				for _, step := range said {
					kinds[fmt.Sprintf("%T", step)]++
				}
			}
		}
	})
	for _, step := range []Step{Do{}, UpTo{}, Again{}, Lay{}} {
		assert.Positive(t, kinds[fmt.Sprintf("%T", step)], "%T", step)
	}
}

// Where a place is named, the count that was made of it is what lies up to there: so many and no others are walked by who looks.
func TestWhoCountsDoesNotReadPlaces(t *testing.T) {
	p := read(t, "")
	said := make([]Row, len(p.Rows))
	for i, parts := range Written(traceOf(t, p), &p.Design) {
		said[i].Parts = parts
	}
	assert.ErrorContains(t, ByCounts.Knit(p, said), "there is no such place")
}

// By hand: a heel of double stitches over 32, a toe, a flap's turn.
func TestUpToAPlace(t *testing.T) {
	written := func(fields, id string) string {
		d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + fields + `}`))
		require.NoError(t, err)
		p, err := knit.Make(d)
		require.NoError(t, err)
		traced, err := knitted.Of(p.Rows)
		require.NoError(t, err)
		for i, parts := range Written(traced, &p.Design) {
			if p.Rows[i].ID == id {
				return parts[len(parts)-1].Short
			}
		}
		return ""
	}
	assert.Equal(t, "k1, kfb, knit to the last 2, kfb, k1", written("", "toe-2"))
	assert.Equal(t, "knit to the end", written("", "toe-3"))
	assert.Equal(t, "ds, purl to the double stitch, turn", written("", "heel-4"))
	assert.Equal(t, "ds, knit to the double stitch, turn", written("", "heel-5"))
	flap := `,"heel":{"kind":"flap_under"}`
	assert.Equal(t, "sl1 wyib, knit to one before the gap, ssk, k1, turn", written(flap, "heel-41"))
	wraps := `,"heel":{"turn":"wrap"}`
	assert.Equal(t, "knit to one before the wrapped stitch, wrap the next, turn", written(wraps, "heel-6"))
}

// Nobody counts after the first rows: what to look for is said in the words of each style, out and back, in stockinette and in garter,
// where the wraps stay. In the very first rows the needle simply ends.
func TestWhatToLookFor(t *testing.T) {
	for turn, want := range map[string][2][]string{
		"german": {{"to the double stitch"}, {"to the double stitch, kds, k1", "to the double stitch, pds, p1"}},
		"wrap": {{"to one before the wrapped stitch, wrap the next"},
			{"to the wrapped stitch, kw (both wraps), wrap the next", "to the wrapped stitch, pw (both wraps), wrap the next"}},
		"pinned":    {{"to one before the gap"}, {"to the gap, kpin", "to the gap, ppin"}},
		"yarn_over": {{"to the pair"}, {"to the yarn-over, k3tog", "to the yarn-over, sssp"}},
		"lift":      {{"to one before the gap"}, {"to one before the gap, k2tog, m1", "to one before the gap, p2tog, m1p"}},
	} {
		for _, share := range []string{"0.5", "0.6"} {
			p := read(t, `,"heel":{"turn":"`+turn+`","share":`+share+`}`)
			said := map[string]int{}
			for _, until := range Untils(traceOf(t, p), &p.Design) {
				said[until]++
			}
			turns := 2 * *p.Summary.HeelTurnsPerSide
			for _, half := range want {
				n := 0
				for _, until := range half {
					n += said[until]
				}
				assert.InDelta(t, turns, n, 4, "%s %s: %v", turn, share, said)
			}
		}
	}
	garter := read(t, `,"heel":{"turn":"wrap","fabric":"garter"}`)
	untils := Untils(traceOf(t, garter), &garter.Design)
	for i := range garter.Rows {
		switch garter.Rows[i].ID {
		case "heel-2":
			assert.Equal(t, "to the last stitch, wrap the next", untils[i])
		case "heel-10":
			assert.Equal(t, "to one before the wrapped stitch, wrap the next", untils[i])
		case "heel-30":
			assert.Equal(t, "to the wrapped stitch, k1, wrap the next", untils[i])
		}
	}
}

func read(t *testing.T, fields string) *plan.Plan {
	t.Helper()
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + fields + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	return p
}

func traceOf(t *testing.T, p *plan.Plan) *knitted.Sock {
	t.Helper()
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	return traced
}

// Where the round begins in the middle of a needle, and a stitch is made there at once, that needle's end lies beyond it: nobody knits to it.
func TestAStitchThatWasMadeOnANeedleIsNotKnittedTwice(t *testing.T) {
	p := read(t, `,"needles":"dpn4","heel":{"kind":"flap_under","picked_up":[9,8]},"round_start":"centre_back","leg":{"height_mm":40,"stitches":88,"instep_pattern":"rib_1x1"}`)
	said := make([]Row, len(p.Rows))
	for i, parts := range Written(traceOf(t, p), &p.Design) {
		said[i].Parts = parts
	}
	require.NoError(t, ByLandmarks.Knit(p, said))
}
