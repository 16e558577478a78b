package worn

import (
	"context"
	"fmt"
	"math"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/cloth/cloth"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/fit"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

const usualFoot = `"foot":{"length_mm":251,"ball_girth_mm":236}`

// onFoot is a sock on the usual foot, unless the fields say another one.
func onFoot(t testing.TB, fields string) (*knit.Sock, *knitted.Sock) {
	t.Helper()
	if !strings.Contains(fields, `"foot":`) {
		fields = strings.Trim(usualFoot+","+fields, ",")
	}
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},%s}`, fields))
	require.NoError(t, err)
	p, s, err := knit.MakeSock(d)
	require.NoError(t, err)
	require.Nil(t, p.Stopped())
	by, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	return s, by
}

func wornOf(t testing.TB, fields string, care Care) (*Worn, *knit.Sock) {
	t.Helper()
	s, by := onFoot(t, fields)
	w, err := Of(context.Background(), s, by, care)
	require.NoError(t, err)
	return w, s
}

// A tube that nothing wears finds its gauge again, however it was thrown down: 48 stitches of 3.125 mm round, 40 rounds of 2.27 mm high.
func TestATubeReturnsItsGauge(t *testing.T) {
	rows := []needle.Row{{ID: "cast_on-1", Section: needle.CastOn, Kind: needle.FlatRow, Side: needle.RS,
		Ops: needle.Ops{{Code: needle.CO, N: 48}}, Stitches: 48}}
	for i := range 40 {
		rows = append(rows, needle.Row{ID: fmt.Sprintf("foot-%d", i+1), Section: needle.Foot, N: i + 1, Kind: needle.Round,
			Side: needle.RS, Ops: needle.Ops{{Code: needle.K, N: 48}}, Stitches: 48})
	}
	by, err := knitted.Of(rows)
	require.NoError(t, err)
	c := cloth.Of(by, cloth.Sizes{Gauge: measure.GaugePer100(32, 44), Leg: 1, Cuff: 1, Slipped: 0.75})
	n := netOf(c)
	for i := range n.known { // no hand pulls it
		n.known[i].top = 0
	}
	cl := &cloud{net: n, place: make([]vec, len(n.mass)), skin: make([]contact, len(n.mass))}
	for i := range cl.place {
		row, at := i/48, i%48
		sin, cos := math.Sincos(2 * math.Pi * float64(at) / 48)
		cl.place[i] = vec{19 * cos * (1 + 0.2*sin), 1.9 * float64(row), 30*sin + 0.3*float64(row)}
	}
	cl.settle(context.Background(), 600)
	var sum, count [2]float64
	for _, l := range c.Links {
		if row := c.Loops[l.To].Row; l.Kind <= cloth.Up && row > 8 && row < 32 {
			sum[l.Kind] += long(sub(cl.place[l.To], cl.place[l.From]))
			count[l.Kind]++
		}
	}
	assert.InEpsilon(t, 3.125, sum[cloth.Along]/count[cloth.Along], 0.01)
	assert.InEpsilon(t, 100./44, sum[cloth.Up]/count[cloth.Up], 0.01)
}

// places of a sock with their stretch in percent: as the tape tells it, and as the formulas do.
func places(t testing.TB, fields string, care Care) (tape, formula map[string]float64) {
	t.Helper()
	w, s := wornOf(t, fields, care)
	tape, formula = map[string]float64{}, map[string]float64{}
	for _, p := range fit.Of(s) {
		if measured, ok := w.at(p.Name); ok {
			tape[p.Name], formula[p.Name] = 100*measured.stretch(), p.StretchPct
			assert.InEpsilon(t, float64(p.Foot), measured.worn, 0.04, "%s: the cloth lies on the foot at the %s", fields, p.Name)
		}
	}
	require.GreaterOrEqual(t, len(tape), 5)
	return tape, formula
}

// The stretch of the cloth under a tape is what the formulas say of girths: on socks of every heel, and on feet of several sizes.
func TestTheClothAgreesWithTheFormulas(t *testing.T) {
	for _, fields := range []string{
		``, `"mirror":true`, `"stitches":64`, `"stitches":72`, `"heel":{"kind":"gusset_turn"}`, `"toe":{"kind":"short_row"}`,
		`"heel":{"kind":"short_row","share":0.6}`, `"heel":{"kind":"short_row","share":0.65}`, `"heel":{"kind":"short_row","share":0.7}`,
		`"heel":{"kind":"short_row","turns_per_side":8}`, `"heel":{"kind":"short_row","turns_per_side":13}`,
		`"leg":{"pattern":"rib_2x2","instep_pattern":"rib_2x2"}`, `"leg":{"pattern":"rib_1x1","instep_pattern":"rib_1x1"}`,
		`"foot":{"length_mm":225,"ball_girth_mm":212}`, `"foot":{"length_mm":280,"ball_girth_mm":262,"ankle_girth_mm":248}`,
		`"foot":{"length_mm":310,"ball_girth_mm":285}`,
	} {
		tape, formula := places(t, fields, Fine)
		for name, want := range formula {
			near := 2.1
			if name == "heel" {
				near = 5.5
			}
			assert.InDelta(t, want, tape[name], near, "%s: %s", fields, name)
		}
	}
}

// The formula counts each stitch picked up along a flap as wide as any other. In
// the cloth it lies along two rows of the flap, and those are longer: 2·0.75/0.44 = 3.41 mm for 3.125. With these the two agree.
func TestAFlapIsAsLongAsItsRows(t *testing.T) {
	tape, formula := places(t, `"heel":{"kind":"flap_under"}`, Fine)
	s, _ := onFoot(t, `"heel":{"kind":"flap_under"}`)
	heel := fit.Heel(s)
	rows := float64(heel.Sock) + float64(s.Heel.PickedUp[0]+s.Heel.PickedUp[1])*(2*0.75/0.44-100./32)
	assert.Less(t, tape["heel"], formula["heel"]-5)
	assert.InDelta(t, 100*(float64(heel.Foot)/rows-1), tape["heel"], 2)
}

// A tight heel shares its strain with the leg and the instep beside it, which a formula of one line does not know:
// the tighter the line, the more of it the cloth takes off.
func TestATightHeelSharesItsStrain(t *testing.T) {
	garter, formula := places(t, `"heel":{"kind":"short_row","fabric":"garter"}`, Fine)
	assert.InDelta(t, 35, formula["heel"], 0.5)
	assert.InDelta(t, formula["heel"], garter["heel"], 7)
	assert.Less(t, garter["heel"], formula["heel"])
}

// What is known of heels is true of the cloth as well: more turns are deeper, a
// gusset eases the diagonal, and a heel over more of the stitches spreads the strain.
func TestHeelsDifferAsKnittersKnow(t *testing.T) {
	heel := func(fields string) float64 {
		tape, _ := places(t, fields, Fine)
		return tape["heel"]
	}
	usual := heel(`"heel":{"kind":"short_row"}`)
	assert.Greater(t, heel(`"heel":{"kind":"short_row","turns_per_side":8}`), usual+3, "fewer turns are shallower")
	assert.Less(t, heel(`"heel":{"kind":"gusset_turn"}`), usual-3)
	assert.Less(t, heel(`"heel":{"kind":"flap_under"}`), usual-3)
	assert.Less(t, heel(`"heel":{"kind":"short_row","share":0.7}`), usual-3)
}

// Halving the mesh changes no girth by a point: a sock of which only the net of half the stitches settled measures
// like one of which every loop did.
func TestHalvingTheMeshChangesLittle(t *testing.T) {
	const Half Care = 99
	stepsOf[Half] = steps{on: stepsOf[Fine].on, worn: stepsOf[Fine].worn, between: 60, last: 0}
	defer delete(stepsOf, Half)
	half, _ := places(t, "", Half)
	whole, _ := places(t, "", Fine)
	for _, name := range []string{"toes", "ball", "arch", "heel", "ankle"} {
		assert.InDelta(t, whole[name], half[name], 1, name)
	}
}

// A sock as large as the foot hangs slack everywhere along it: nothing of it is stretched by more than it meanders.
func TestASockOfTheFootsOwnSizeIsSlack(t *testing.T) {
	w, _ := wornOf(t, `"fit":{"girth_ease_pct":0,"length_ease_mm":0},"heel":{"kind":"gusset_turn"},"cuff":{"pattern":"rib_1x1"}`, Fine)
	ankle, _ := w.Foot.Station("ankle")
	var all, tight float64
	for i, s := range w.Stretches() {
		if w.Foot.Page(w.Places[i]) > ankle {
			continue
		}
		all++
		if max(s.Around, s.Along) > 0.10 {
			tight++
		}
	}
	assert.Less(t, tight/all, 0.15, "of the loops below the ankle are stretched by more than a tenth")
	for _, name := range []string{"toes", "ball", "arch"} {
		measured, _ := w.at(name)
		assert.Less(t, measured.stretch(), 0.02, name)
	}
}

// torn is how many times its length at rest no link gets: a plain loop gives about three times, the corner of a
// square toe, where two edges meet, a little more.
const torn = 4.5

// The cloth lies on the foot and not in it, no part of it is torn out, and hardly any lies upside down.
func settled(t testing.TB, fields string, care Care) (upside float64) {
	w, _ := wornOf(t, fields, care)
	for i, p := range w.Places {
		for _, x := range p {
			if math.IsNaN(x) || math.Abs(x) > 900 {
				t.Fatalf("%s: loop %d lies at %v", fields, i, p)
			}
		}
		if depth, _ := w.Foot.Depth(p); depth > 1 {
			t.Fatalf("%s: loop %d lies %.1f mm inside the foot", fields, i, depth)
		}
	}
	for _, l := range w.Cloth.Links {
		if far := long(sub(w.Places[l.To], w.Places[l.From])); care == Fine && far > torn*l.Rest() {
			t.Fatalf("%s: a link of row %d is %.1f mm long, %.1f at rest", fields, w.Cloth.Loops[l.To].Row, far, l.Rest())
		}
	}
	for _, f := range w.Cloth.Facets {
		a, b, c := w.Places[f[0]], w.Places[f[1]], w.Places[f[2]]
		if _, out := w.Foot.Depth(a); dot(cross(sub(c, a), sub(b, a)), out) < 0 {
			upside++
		}
	}
	return upside / float64(len(w.Cloth.Facets))
}

// anySock are fields of any sock that can be made, on any foot.
func anySock(t *rapid.T) string {
	pick := func(name string, from ...string) string { return rapid.SampledFrom(from).Draw(t, name) }
	long := rapid.IntRange(110, 300).Draw(t, "length")
	return fmt.Sprintf(`"foot":{"length_mm":%d,"ball_girth_mm":%.0f,"heel_diagonal_mm":%.0f},"toe":{"kind":%q},"heel":{"kind":%q,"turn":%q,"share":%g},"leg":{"pattern":%q,"height_mm":%d}`,
		long, float64(long)*rapid.Float64Range(0.88, 1.02).Draw(t, "ball"),
		float64(long)*rapid.Float64Range(1.24, 1.36).Draw(t, "diagonal"),
		pick("toe", design.Registered("toe.kind")...), pick("heel", design.Registered("heel.kind")...),
		pick("turn", design.Registered("heel.turn")...),
		rapid.SampledFrom([]float64{0.5, 0.6, 0.7}).Draw(t, "share"), pick("pattern", "stockinette", "rib_2x2", "dew_lace"),
		rapid.IntRange(30, 160).Draw(t, "leg"))
}

// canBe says whether the fields give a sock at all.
func canBe(fields string) bool {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},%s}`, fields))
	return err == nil && !knit.Measure(&d).Stopped()
}

func TestAnySockSettles(t *testing.T) {
	rapid.Check(t, func(r *rapid.T) {
		fields := anySock(r)
		if !canBe(fields) {
			r.Skip()
		}
		if upside := settled(t, fields, Rough); upside > 0.15 {
			r.Fatalf("%.1f %% of %s lies upside down", 100*upside, fields)
		}
	})
}

// Every heel on every toe settles without a hole, however closely one looks.
func TestEveryHeelAndToeSettles(t *testing.T) {
	for _, toe := range design.Registered("toe.kind") {
		for _, heel := range design.Registered("heel.kind") {
			upside := settled(t, fmt.Sprintf(`"toe":{"kind":%q},"heel":{"kind":%q}`, toe, heel), Fine)
			assert.Less(t, upside, 0.01, "%s, %s", toe, heel)
		}
	}
}

// Seen from outside a round runs to the left: from the wearer's left over the front of the leg. So on the left
// side, seen with the toes at the left, each loop lies before the last one.
func TestARoundRunsToTheLeft(t *testing.T) {
	for _, fields := range []string{``, `"mirror":true`} {
		w, _ := wornOf(t, fields, Rough)
		ankle, _ := w.Foot.Station("ankle")
		var left, right int
		for i := 1; i < len(w.Places); i++ {
			p, q := w.Places[i-1], w.Places[i]
			if w.Cloth.Loops[i-1].Row == w.Cloth.Loops[i].Row && w.Foot.Page(p) > ankle && p[2] > 25 {
				if q[0] < p[0] {
					left++
				} else {
					right++
				}
			}
		}
		assert.Greater(t, left, 300, fields)
		assert.Zero(t, right, fields)
	}
}

// The square of a garter toe slants over the toes: its live stitches lie on the outer half of the instep, on the
// left foot and, mirrored, on the right one.
func TestASquareToeIsMirrored(t *testing.T) {
	outward := func(fields string) float64 {
		s, by := onFoot(t, fields)
		w, err := Of(context.Background(), s, by, Fine)
		require.NoError(t, err)
		var aside, loops float64
		for i := range w.Places {
			if by.Rows[w.Cloth.Loops[i].Row].ID == "toe-33" { // 17 stitches have a square of 33 rows
				aside, loops = aside+w.Places[i][2]-w.Foot.Aside(w.Places[i][0]), loops+1
			}
		}
		return aside / loops * float64(w.Foot.Side)
	}
	assert.Greater(t, outward(`"toe":{"kind":"garter_square"}`), 10.)
	assert.Greater(t, outward(`"toe":{"kind":"garter_square"},"mirror":true`), 10.)
}

// The same sock settles the same way, to the last digit.
func TestTheSameSockSettlesTheSame(t *testing.T) {
	a, _ := wornOf(t, "", Rough)
	b, _ := wornOf(t, "", Rough)
	assert.Equal(t, a.Places, b.Places)
}

// Whoever has gone is not waited for.
func TestASockIsDroppedWithItsClient(t *testing.T) {
	s, by := onFoot(t, "")
	ctx, cancel := context.WithCancel(context.Background())
	cancel()
	_, err := Of(ctx, s, by, Fine)
	assert.ErrorIs(t, err, context.Canceled)
}
