package knit

import (
	"encoding/json"
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

const isolde = `{"format":"acorn-step.design","version":1,"name":"Observatory roof socks","foot":{"length_mm":251,"ball_girth_mm":236},
	"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":180}}`

func readDesign(t testing.TB, text string) design.Design {
	t.Helper()
	d, err := design.Read([]byte(text))
	require.NoError(t, err)
	return d
}

func makePlan(t testing.TB, text string) *plan.Plan {
	t.Helper()
	p, err := Make(readDesign(t, text))
	require.NoError(t, err)
	return p
}

// with is a design for Isolde's foot with more fields.
func with(fields string) string { return isolde[:len(isolde)-1] + "," + fields + "}" }

// Worked by hand: 236·0.9·0.32 = 67.97 → 68; start 32; (68−32)/4 = 9; 1 + 2·9 = 19 rounds, 43.2 mm; heel 34: w 11, c 12;
// heel length 22/0.44 + 1/0.88 = 51.1; (242 − 43.2 − 51.1)·0.44 = 64.98 → 65.
func TestNumbersOfIsoldesSock(t *testing.T) {
	s := makePlan(t, isolde).Summary
	assert.Equal(t, 68, s.FootStitches)
	assert.Equal(t, 32, s.CastOnStitches)
	assert.Equal(t, 9, *s.IncreaseRounds)
	assert.Equal(t, 19, s.ToeRounds)
	assert.Equal(t, 65, s.FootRounds)
	assert.InDelta(t, 190.9, float64(s.HeelStartsAt), 1e-9)
	assert.Equal(t, 34, s.HeelStitches)
	assert.Equal(t, 11, *s.HeelTurnsPerSide)
	assert.Equal(t, 12, *s.HeelCentreStitches)
	assert.Equal(t, 68, s.LegStitches)
	assert.Equal(t, 61, s.LegRounds)
	assert.Equal(t, 18, s.CuffRounds)
	assert.InDelta(t, 242.0, float64(s.FinishedLength), 1e-9)
	assert.InDelta(t, 265.1, float64(s.HeelDiagonalGirth), 1e-9)
	assert.Nil(t, s.FlapRows)
}

func TestStartsOfTheHalfToe(t *testing.T) {
	cases := []struct {
		fields               string
		foot, castOn, rounds int
	}{
		{`"stitches":70,"fit":{"multiple":2}`, 70, 34, 9},
		{`"stitches":66`, 66, 34, 8}, // 30 is 3 away from 33, 34 is 1
		{`"stitches":58`, 58, 30, 7},
		{`"stitches":60`, 60, 28, 8},
		{`"stitches":16`, 16, 8, 2},
		{`"stitches":18`, 18, 10, 2},
	}
	for _, c := range cases {
		d := readDesign(t, with(c.fields))
		d.Foot.HeelDiagonal = 200 // small counts would not pass Isolde's heel
		p, err := Make(d)
		require.NoError(t, err)
		assert.Equal(t, c.foot, p.Summary.FootStitches, c.fields)
		assert.Equal(t, c.castOn, p.Summary.CastOnStitches, c.fields)
		assert.Equal(t, c.rounds, *p.Summary.IncreaseRounds, c.fields)
	}
	loose := makePlan(t, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":30,"rounds_per_100mm":42}}`).Summary
	assert.Equal(t, []int{64, 32, 8}, []int{loose.FootStitches, loose.CastOnStitches, *loose.IncreaseRounds})
}

func rowText(r needle.Row) string { return fmt.Sprintf("%s %v %d", r.Side, r.Ops, r.Stitches) }

func rowNamed(t *testing.T, p *plan.Plan, id string) needle.Row {
	t.Helper()
	for _, r := range p.Rows {
		if r.ID == id {
			return r
		}
	}
	require.Fail(t, "no row "+id)
	return needle.Row{}
}

// The first rows of toe and heel as a knitter would write them.
func TestRowsByHand(t *testing.T) {
	p := makePlan(t, isolde)
	for id, want := range map[string]string{
		"toe-1":      "RS [k×16 k×1 ktbl×15] 32",
		"toe-2":      "RS [k×1 kfb×1 k×12 kfb×1 k×1 k×1 kfb×1 k×12 kfb×1 k×1] 36",
		"toe-19":     "RS [k×34 k×34] 68",
		"heel-1":     "RS [turn×1] 68",
		"heel-2":     "WS [ds×1 p×33 turn×1] 68",
		"heel-3":     "RS [ds×1 k×32 turn×1] 68",
		"heel-23":    "RS [ds×1 k×12 kds×11] 68",
		"heel-24":    "RS [k×34 kds×11 k×23] 68",
		"heel-26":    "RS [k×24 turn×1] 68",
		"heel-27":    "WS [ds×1 p×13 turn×1] 68",
		"heel-28":    "RS [ds×1 k×12 kds×1 k×1 turn×1] 68",
		"heel-48":    "RS [ds×1 k×32 kds×1] 68",
		"leg-1":      "RS [pc×1 k×34 pc×1 kds×1 k×33] 70",
		"leg-6":      "RS [k2tog×1 k×33 k2tog×1 k×33] 68",
		"bind_off-1": "RS [bo×34 bo×34] 0",
	} {
		assert.Equal(t, want, rowText(rowNamed(t, p, id)), id)
	}
}

func TestTheLegChangesItsCountAfterTheHeel(t *testing.T) {
	// 280·0.9·0.32 = 80.6 → 80: twelve more than 68, three rounds of four.
	p := makePlan(t, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"ankle_girth_mm":280},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}}`)
	assert.Equal(t, 80, p.Summary.LegStitches)
	assert.Equal(t, "RS [k×1 m1r×1 k×32 m1l×1 k×1 k×1 m1r×1 k×32 m1l×1 k×1] 72", rowText(rowNamed(t, p, "leg-9")))
	assert.Equal(t, 72, rowNamed(t, p, "leg-11").Stitches)
	assert.Equal(t, 76, rowNamed(t, p, "leg-12").Stitches)
}

func TestASockThatIsAllCuffSettlesItsHeelInTheRib(t *testing.T) {
	p := makePlan(t, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},
		"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":20},"cuff":{"height_mm":30}}`)
	assert.Equal(t, 0, p.Summary.LegRounds)
	assert.Equal(t, 9, p.Summary.CuffRounds, "20 mm at 44 rounds: 8.8")
	codes := map[string]bool{}
	for _, c := range p.Checks {
		codes[c.Code] = true
	}
	assert.True(t, codes["cuff_clamped"] && !codes["corner_no_room"], "%v", p.Checks)
	assert.Equal(t, 70, rowNamed(t, p, "cuff-5").Stitches, "the corners stand in the rib")
}

func TestASockThatCannotBePulledOnStops(t *testing.T) {
	d := readDesign(t, isolde)
	leg := 44 // 137.5 mm relaxed, and 326 mm have to pass
	d.Leg.Stitches = &leg
	p, err := Make(d)
	require.NoError(t, err)
	require.NotNil(t, p.Stopped())
	assert.Equal(t, "leg_over_heel", p.Stopped().Code)
	assert.Empty(t, p.Rows)
}

// designs draws any design that the document allows: every toe, heel, turn, corner, ankle, pattern and count.
func designs(t *rapid.T) design.Design {
	pick := func(name string, values ...string) string { return rapid.SampledFrom(values).Draw(t, name) }
	maybe := func(name string, low, high int) any {
		if n := rapid.IntRange(low-3, high).Draw(t, name); n >= low {
			return n
		}
		return nil
	}
	length := rapid.Float64Range(80, 350).Draw(t, "length")
	girth := min(max(length*rapid.Float64Range(0.8, 1.25).Draw(t, "girth"), 90), 350)
	gs := rapid.Float64Range(8, 50).Draw(t, "stitches per 100 mm")
	toe := pick("toe", design.Registered("toe.kind")...)
	heel := map[string]any{
		"kind": pick("heel", design.Registered("heel.kind")...), "turn": pick("turn", design.Registered("heel.turn")...),
		"share":          rapid.SampledFrom([]float64{0.5, 0.5, 0.6, 0.64, 0.7}).Draw(t, "share"),
		"fabric":         pick("fabric", "stockinette", "garter"),
		"turns_per_side": maybe("turns", 1, 12), "flap_rows": nil, "gusset_increases": maybe("gusset", 0, 14),
		"own_strand": rapid.Bool().Draw(t, "own strand"), "stitches": maybe("heel stitches", 20, 40),
	}
	contrast := []string{}
	for _, section := range []string{"toe", "heel", "cuff"} {
		if rapid.IntRange(0, 4).Draw(t, "contrast "+section) == 0 {
			contrast = append(contrast, section)
		}
	}
	if !heel["own_strand"].(bool) && !slices.Contains(contrast, "heel") {
		heel["rounds_between"] = maybe("rounds between", 0, 2)
		if side := pick("first row", "", "RS", "WS"); side != "" {
			heel["first_row"] = side
		}
	}
	if rapid.Bool().Draw(t, "really picked up") {
		heel["picked_up"] = []int{rapid.IntRange(4, 30).Draw(t, "left"), rapid.IntRange(4, 30).Draw(t, "right")}
	}
	drawn := map[string]any{"kind": toe, "start": pick("start", "half", "rounded", "fitted"),
		"increase":   pick("increase", "kfb", "kfb_mirrored", "m1"),
		"start_loop": pick("start loop", "twist", "slip_knot", "laid", "plain"), "fast_rounds": maybe("fast", 0, 8)}
	allowed := named(toes, toe).About().Allows["toe.cast_on"]
	drawn["cast_on"] = pick("cast on", allowed...)
	if toe == "short_row" {
		drawn["turns_per_side"] = maybe("toe turns", 1, 12)
	}
	object := map[string]any{
		"format": design.Format, "version": design.Version,
		"foot": map[string]any{"length_mm": length, "ball_girth_mm": girth,
			"ankle_girth_mm":   girth * rapid.Float64Range(0.75, 1.3).Draw(t, "ankle"),
			"heel_diagonal_mm": girth * rapid.Float64Range(1.15, 1.7).Draw(t, "diagonal"), "calf_girth_mm": girth * 1.5,
			"calf_height_mm": 300},
		"gauge": map[string]any{"stitches_per_100mm": gs,
			"rounds_per_100mm": gs * rapid.Float64Range(1, 1.6).Draw(t, "rounds to stitches")},
		"fit": map[string]any{"girth_ease_pct": rapid.Float64Range(0, 25).Draw(t, "ease"),
			"multiple": 2 * rapid.IntRange(1, 4).Draw(t, "multiple")},
		"toe": drawn, "heel": heel,
		"foot_length": map[string]any{"school": pick("school", "exact", "thumb"), "sole": pick("sole", "stockinette", "reverse")},
		"leg": map[string]any{"height_mm": rapid.Float64Range(0, 500).Draw(t, "leg"), "pattern": pick("pattern", patternNames...),
			"instep_pattern": pick("instep", patternNames...),
			"plain_rounds":   maybe("plain", 0, 9)},
		"cuff": map[string]any{"height_mm": rapid.Float64Range(0, 100).Draw(t, "cuff"),
			"pattern": pick("cuff pattern", patternNames[1:]...)},
		"corner": map[string]any{"hold_rounds": rapid.IntRange(0, 9).Draw(t, "hold"),
			"pick_up": rapid.IntRange(0, 3).Draw(t, "pick up"), "method": pick("corner", design.Registered("corner.method")...)},
		"ankle": map[string]any{"change": pick("change", "after_heel", "before_heel", "split", "none"),
			"place": pick("place", "sides", "spread", "back")},
		"needles":  pick("needles", needleNames...),
		"bind_off": pick("bind off", design.Registered("bind_off")...), "mirror": rapid.Bool().Draw(t, "mirror"),
		"yarn": map[string]any{"contrast": contrast},
	}
	drawn["odd"], drawn["colour_extra_mm"] = pick("odd", "ridge", "pair"), rapid.IntRange(0, 60).Draw(t, "toe colour")
	object["round_start"] = pick("round start", "instep", "instep", "centre_back", "columns")
	heel["slip_columns"] = pick("slip columns", "flap", "turn", "back")
	object["leg"].(map[string]any)["panels"] = pick("panels", "all", "all", "front", "back", "sides")
	if rapid.IntRange(0, 3).Draw(t, "striped") == 0 {
		object["yarn"].(map[string]any)["stripes"] = []any{[]any{"own", rapid.IntRange(1, 6).Draw(t, "own rounds")},
			[]any{"amber", rapid.IntRange(1, 6).Draw(t, "amber rounds")}}
	}
	if rapid.IntRange(0, 3).Draw(t, "other needles") == 0 {
		object["needles_by_section"] = map[string]any{
			pick("section", "foot", "heel", "gusset", "leg", "cuff"): pick("its needles", needleNames...),
			"toe": pick("needles of the toe", "magic_loop", "two_circulars", "dpn4", "dpn5"),
		}
	}
	text, err := json.Marshal(object)
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(text)
	if err != nil {
		t.Fatal(err)
	}
	return d
}

// anySock is the plan of any design that gives a sock.
func anySock(t *rapid.T) *plan.Plan {
	p, err := Make(designs(t))
	if err != nil {
		t.Fatal(err)
	}
	if p.Stopped() != nil {
		t.Skip()
	}
	return p
}

var needleNames = []string{"magic_loop", "two_circulars", "dpn4", "dpn5", "short_circular"}

var patternNames = func() []string {
	var names []string
	for _, p := range pattern.Book {
		names = append(names, p.Name)
	}
	return names
}()

func TestEveryDesignGivesASoundPlanOrAStop(t *testing.T) {
	stops := 0
	rapid.Check(t, func(t *rapid.T) {
		d := designs(t)
		p, err := Make(d)
		if err != nil {
			t.Fatal(err)
		}
		if p.Stopped() != nil {
			if len(p.Rows) > 0 || p.Stopped().Text == "" {
				t.Fatalf("a stop with rows or without a reason: %+v", p.Stopped())
			}
			stops++
			return
		}
		if faults := check.Plan(p); len(faults) > 0 {
			t.Fatal(faults[0])
		}
	})
	t.Logf("%d designs stopped", stops)
}

// A longer foot has a longer sock, to within the round to which both are rounded; and no fewer rounds before
// the heel, unless the heel takes them, as a flap does that is two rows longer.
func TestALongerFootHasALongerSock(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := designs(t)
		longer := d
		longer.Foot.Length = min(d.Foot.Length+measure.Length(rapid.Float64Range(0, 40).Draw(t, "longer")), 350)
		short, err := Make(d)
		if err != nil {
			t.Fatal(err)
		}
		long, err := Make(longer)
		if err != nil {
			t.Fatal(err)
		}
		if short.Stopped() != nil {
			return
		}
		if stop := long.Stopped(); stop != nil {
			t.Fatalf("%v mm give a sock, %v mm do not: %s", d.Foot.Length, longer.Foot.Length, stop.Text)
		}
		a, b := &short.Summary, &long.Summary
		if round := short.Design.Gauge.PerMM().Height(1); b.FinishedLength < a.FinishedLength-round-0.1 {
			t.Fatalf("a foot of %v has a sock of %v, one of %v a sock of %v", d.Foot.Length, a.FinishedLength, longer.Foot.Length,
				b.FinishedLength)
		}
		heel := func(s *plan.Summary) measure.Length { return s.FinishedLength - s.HeelStartsAt }
		sameHeel := heel(a) > heel(b)-0.11 && heel(a) < heel(b)+0.11 // tenths are kept
		if sameHeel && b.FootRounds < a.FootRounds {
			t.Fatalf("%v mm: %d rounds, %v mm: %d", d.Foot.Length, a.FootRounds, longer.Foot.Length, b.FootRounds)
		}
	})
}

func TestPlansReadBackAsTheyWere(t *testing.T) {
	p := makePlan(t, isolde)
	text, err := json.Marshal(p)
	require.NoError(t, err)
	back, err := plan.Read(text)
	require.NoError(t, err)
	assert.Equal(t, p.Rows, back.Rows)
	assert.Equal(t, p.Design, back.Design)
	again, err := json.Marshal(back)
	require.NoError(t, err)
	assert.Equal(t, string(text), string(again))
}

func TestReplayFindsWhatIsWrong(t *testing.T) {
	cases := []struct {
		name  string
		spoil func(p *plan.Plan)
		row   string
		says  string
	}{
		{"a forgotten increase", func(p *plan.Plan) { p.Rows[2].Ops[1] = needle.Op{Code: needle.K, N: 1} }, "toe-2",
			"says 36 stitches, 35 are"},
		{"a double stitch left", func(p *plan.Plan) { p.Rows[find(p, "heel-48")].Ops[2].Code = needle.K }, "heel-48", "double stitch"},
		{"a lost row", func(p *plan.Plan) { p.Rows = append(p.Rows[:30:30], p.Rows[31:]...) }, "foot-12", "n is 12, expected 11"},
		{"the same id twice", func(p *plan.Plan) { p.Rows[40].ID = p.Rows[39].ID }, "foot-20", "not unique"},
		{"a wrong promise", func(p *plan.Plan) { p.Summary.FootStitches = 70 }, "summary", "foot_stitches says 70, the rows give 68"},
		{"no rows", func(p *plan.Plan) { p.Rows = nil }, "rows", "no rows"},
		{"no bind-off", func(p *plan.Plan) { p.Rows = p.Rows[:len(p.Rows)-1] }, "cuff-18", "still on the needles"},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			p := makePlan(t, isolde)
			c.spoil(p)
			faults := check.Plan(p)
			require.NotEmpty(t, faults)
			assert.Equal(t, c.row, faults[0].Row)
			assert.Contains(t, faults[0].Text, c.says)
		})
	}
}

func find(p *plan.Plan, id string) int {
	for i := range p.Rows {
		if p.Rows[i].ID == id {
			return i
		}
	}
	return -1
}

func FuzzRead(f *testing.F) {
	text, err := json.Marshal(makePlan(f, isolde))
	if err != nil {
		f.Fatal(err)
	}
	f.Add(text)
	f.Add([]byte(`{"format":"acorn-step.plan","version":1,"design":{},"summary":{},"rows":[{"ops":[["k",1]]}]}`))
	f.Fuzz(func(t *testing.T, text []byte) {
		if p, err := plan.Read(text); err == nil {
			_ = check.Plan(p) // must end without a panic, whatever the rows say
		}
	})
}

func BenchmarkPlan(b *testing.B) {
	d := readDesign(b, isolde)
	b.ReportAllocs()
	for b.Loop() {
		if _, err := Make(d); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkReplay(b *testing.B) {
	p := makePlan(b, isolde)
	b.ReportAllocs()
	for b.Loop() {
		if faults := check.Plan(p); len(faults) > 0 {
			b.Fatal(faults[0])
		}
	}
}

// typed sets some of the figures that an expert types, wherever in their range.
func typed(t *rapid.T, d design.Design) design.Design {
	count := func(name string, into **int, low, high, step int) {
		if rapid.IntRange(0, 5).Draw(t, "type "+name) == 0 {
			n := low + step*rapid.IntRange(0, (high-low)/step).Draw(t, name)
			*into = &n
		}
	}
	count("stitches", &d.Stitches, 16, 140, 2)
	count("start stitches", &d.Toe.StartStitches, 8, 60, 2)
	count("fast rounds", &d.Toe.FastRounds, 0, 60, 1)
	count("toe turns", &d.Toe.TurnsPerSide, 1, 60, 1)
	count("foot rounds", &d.FootLength.Rounds, 0, 120, 1)
	count("heel stitches", &d.Heel.Stitches, 5, 90, 1)
	count("heel turns", &d.Heel.TurnsPerSide, 1, 60, 1)
	count("flap rows", &d.Heel.FlapRows, 0, 80, 2)
	count("gusset", &d.Heel.GussetIncreases, 0, 60, 1)
	count("plain rounds", &d.Leg.PlainRounds, 0, 120, 1)
	count("leg stitches", &d.Leg.Stitches, 16, 140, 2)
	count("leg rounds", &d.Leg.Rounds, 0, 90, 1)
	count("cuff rounds", &d.Cuff.Rounds, 0, 40, 1)
	return d
}

// Whatever is typed, the answer is a sound plan or a stop with its reason: never an error of the program.
func TestFiguresTypedAtWillGiveASockOrAStop(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := typed(t, designs(t))
		if d.Validate() != nil {
			return
		}
		p, err := Make(d)
		if err != nil {
			text, _ := json.Marshal(d)
			t.Fatalf("%s: %s", err, text)
		}
		if p.Stopped() != nil {
			return
		}
		if faults := check.Plan(p); len(faults) > 0 {
			t.Fatal(faults[0])
		}
	})
}

// The gusset has no more increases than the foot has rounds for, also when these are typed.
func TestAGussetOnAFootOfAnyLength(t *testing.T) {
	for rounds := range 30 {
		p, err := Make(readDesign(t, with(fmt.Sprintf(`"heel":{"kind":"gusset_turn"},"foot_length":{"rounds":%d}`, rounds))))
		require.NoError(t, err, rounds)
		require.Nil(t, p.Stopped())
		assert.Equal(t, rounds, p.Summary.FootRounds)
		assert.Empty(t, check.Plan(p), rounds)
	}
}
