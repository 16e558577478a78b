package advise

import (
	"encoding/json"
	"fmt"
	"regexp"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/design"
)

func pathOf(d design.Design, unit measure.Unit) []Decision {
	s := knit.Measure(&d)
	if !s.Stopped() {
		s.Judge()
	}
	return Path(s, s.Checks.In(unit), 31, unit)
}

// never reaches a person who reads inches.
var never = regexp.MustCompile(`\d [cm]m\b|\b1 (rounds|turns|rows|stitches)\b|[a-z]_[a-z]+: `)

func decision(t *testing.T, list []Decision, name string) Decision {
	t.Helper()
	i := slices.IndexFunc(list, func(d Decision) bool { return d.Name == name })
	require.GreaterOrEqual(t, i, 0, name)
	return list[i]
}

// 68 stitches, 34 of them the heel's, as thirds 11 · 12 · 11; 326 mm over 265.1 mm are 23 %.
func TestASentenceForEachDecision(t *testing.T) {
	path := pathOf(read(t, `,"heel_diagonal_mm":326`), measure.Centimetres)
	for name, said := range map[string]string{
		"foot":    "25.1 cm long, 23.6 cm round",
		"swatch":  "32 stitches × 44 rounds in 10 cm",
		"round":   "68 stitches, 10 % smaller than the foot",
		"toe":     "wedge toe from 32, 9 increase rounds, 4.3 cm",
		"length":  "65 rounds to the heel, at 19.1 cm",
		"heel":    "short rows, double stitches, 34 over 11 · 12 · 11, stretches 23 %, snug",
		"corners": "pick up outer legs, 1 extra at each corner for 5 rounds",
		"ankle":   "68 all the way up",
		"leg":     "18.1 cm with its cuff, stockinette, 62 rounds below the cuff",
		"cuff":    "k1, p1 rib, 4.0 cm, 18 rounds; bound off two together",
		"needles": "magic loop, 34 and 34",
		"yarn":    "about 31 g a sock, 62 g the pair, of a ball of 100 g (± 15 %)",
	} {
		assert.Equal(t, said, decision(t, path, name).Said)
	}
	assert.Len(t, path, len(parts))
	heel := decision(t, path, "heel")
	assert.Equal(t, at.Path("heel.kind"), heel.Lead)
	assert.Equal(t, Piece{Field: "heel.turn", Label: "turned with", Kind: "ways", Said: "double stitches"}, heel.Pieces[0])
	stitches := slices.IndexFunc(heel.Pieces, func(p Piece) bool { return p.Field == "heel.stitches" })
	require.GreaterOrEqual(t, stitches, 0)
	assert.InDelta(t, 34, *heel.Pieces[stitches].Value, 0)
	assert.Equal(t, "9 7/8 in long, 9 1/4 in round", decision(t, pathOf(read(t, ""), measure.Inches), "foot").Said)

	flap := decision(t, pathOf(readWhole(t, `"heel":{"kind":"flap_under"}`), measure.Centimetres), "heel")
	assert.Equal(t, "flap below the heel, 36 rows on 34, 20 left after the turn, stretches 16 %, sits", flap.Said)
}

func readWhole(t require.TestingT, fields string) design.Design {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},%s}`, fields))
	require.NoError(t, err)
	return d
}

// Whatever was chosen: each field of the design can be changed in one place, each judgement stands with one
// decision, and nobody reads a path or, in inches, a metre.
func TestThePathLeavesNothingOut(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := anySock(t)
		s := knit.Measure(&d)
		if !s.Stopped() {
			s.Judge()
		}
		path := Path(s, s.Checks.In(measure.Inches), 31, measure.Inches)
		fields := map[at.Path]bool{}
		checks := 0
		for _, step := range path {
			if step.Said == "" && !s.Stopped() {
				t.Fatalf("%s says nothing", step.Name)
			}
			checks += len(step.Checks)
			for _, p := range step.Pieces {
				if fields[p.Field] || p.Field == step.Lead {
					t.Fatalf("%s can be changed in two places", p.Field)
				}
				fields[p.Field] = true
			}
			text, err := json.Marshal(step)
			if err != nil {
				t.Fatal(err)
			}
			if never.Match(text) {
				t.Fatalf("%q stands in %s", never.Find(text), text)
			}
		}
		if checks != len(s.Checks) {
			t.Fatalf("%d judgements, %d of them on the path", len(s.Checks), checks)
		}
		list, err := Options(d, measure.Inches)
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range list {
			if !fields[c.Field] && !slices.ContainsFunc(path, func(step Decision) bool { return step.Lead == c.Field }) {
				t.Fatalf("%s is nowhere on the path", c.Field)
			}
		}
	})
}
