package knit

import (
	"fmt"
	"maps"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/check"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

// Every way to begin, separate and turn a short-row heel, over half the
// stitches, less and more, replays; and the heel leaves the count as it was.
func TestEveryShortRowHeelReplays(t *testing.T) {
	tried := 0
	for _, turn := range design.Registered("heel.turn") {
		for _, first := range []string{`"RS"`, `"WS"`, "null"} {
			for between := -1; between <= 2; between++ {
				for _, stitches := range []string{"30", "34", "36", "42", "null"} {
					for _, fabric := range []string{"stockinette", "garter"} {
						for _, corner := range []string{"outer_legs", "wrap_instep"} {
							rounds := "null"
							if between >= 0 {
								rounds = fmt.Sprint(between)
							}
							p := makePlan(t, with(fmt.Sprintf(`"heel":{"turn":"%s","first_row":%s,"rounds_between":%s,"stitches":%s,"fabric":"%s"},"corner":{"method":"%s"}`,
								turn, first, rounds, stitches, fabric, corner)))
							require.Nil(t, p.Stopped())
							require.Empty(t, check.Plan(p))
							assert.Equal(t, 68, p.Rows[find(p, "leg-10")].Stitches)
							tried++
						}
					}
				}
			}
		}
	}
	assert.Equal(t, len(turnings)*3*4*5*2*2, tried)
}

func TestCornersByHand(t *testing.T) {
	two := makePlan(t, with(`"corner":{"pick_up":2,"hold_rounds":3}`))
	assert.Equal(t, "RS [pc×2 k×34 pc×2 kds×1 k×33] 72", rowText(rowNamed(t, two, "leg-1")))
	assert.Equal(t, 72, rowNamed(t, two, "leg-3").Stitches)
	assert.Equal(t, "RS [k×1 k2tog×1 k×34 k2tog×1 k×33] 70", rowText(rowNamed(t, two, "leg-4")))
	assert.Equal(t, "RS [k2tog×1 k×33 k2tog×1 k×33] 68", rowText(rowNamed(t, two, "leg-5")))

	// A heel of 38 laps over two on each side: its corners lie on the instep's needle.
	wide := makePlan(t, with(`"heel":{"stitches":38,"turn":"wrap"}`))
	assert.Equal(t, "RS [k×2 pc×1 k×30 pc×1 k×36] 70", rowText(rowNamed(t, wide, "leg-1")))
	assert.Equal(t, "RS [k×2 k2tog×1 k×29 k2tog×1 k×35] 68", rowText(rowNamed(t, wide, "leg-6")))

	// Lifted strands stand after the last stitch of instep and heel, and are gone in the next round.
	lifted := makePlan(t, with(`"corner":{"method":"lift"}`))
	assert.Equal(t, "RS [k×34 pc×1 kds×1 k×33 pc×1] 70", rowText(rowNamed(t, lifted, "leg-1")))
	assert.Equal(t, "RS [k×33 k2tog×1 k×33 k2tog×1] 68", rowText(rowNamed(t, lifted, "leg-2")))
	wideLift := makePlan(t, with(`"corner":{"method":"lift"},"heel":{"stitches":38,"turn":"wrap"}`))
	assert.Equal(t, "RS [k×2 pc×1 k×30 pc×1 k×36] 70", rowText(rowNamed(t, wideLift, "leg-1")),
		"after the heel's last and after the last that rests")
	assert.Equal(t, "RS [k×1 k2tog×1 k×29 k2tog×1 k×36] 68", rowText(rowNamed(t, wideLift, "leg-2")))

	wrapped := makePlan(t, with(`"corner":{"method":"wrap_instep"},"heel":{"turn":"wrap"}`))
	assert.Equal(t, "RS [kw×1 k×32 kw×1 k×34] 68", rowText(rowNamed(t, wrapped, "leg-1")), "the wraps of the instep are knitted with it")
}

// Without a leg the corner stitches stand in the rib of the cuff, each worked like the stitch with which it leaves.
func TestCornersOfASockWithoutALeg(t *testing.T) {
	for _, method := range []string{"outer_legs", "lift"} {
		for _, heel := range []string{"34", "38"} {
			p := makePlan(t, strings.Replace(with(`"corner":{"method":"`+method+`"},"heel":{"stitches":`+heel+`}`), `"height_mm":180`,
				`"height_mm":30`, 1))
			require.Zero(t, p.Summary.LegRounds)
			assert.Equal(t, 70, rowNamed(t, p, "cuff-1").Stitches, "%s on %s", method, heel)
			assert.Equal(t, 68, rowNamed(t, p, "cuff-6").Stitches)
		}
	}
	lifted := makePlan(t, strings.Replace(with(`"corner":{"method":"lift"}`), `"height_mm":180`, `"height_mm":30`, 1))
	rib := strings.Repeat("k×1 p×1 ", 16)
	assert.Equal(t, "RS ["+rib+"k×1 p×1 pc×1 kds×1 p×1 "+rib+"pc×1] 70", rowText(rowNamed(t, lifted, "cuff-1")))
	assert.Equal(t, "RS ["+rib+"k×1 p2tog×1 "+rib+"k×1 p2tog×1] 68", rowText(rowNamed(t, lifted, "cuff-2")),
		"a purl's corner goes as a purl")
	outer := makePlan(t, strings.Replace(isolde, `"height_mm":180`, `"height_mm":30`, 1))
	assert.Equal(t, "RS [k2tog×1 p×1 "+rib+"k2tog×1 p×1 "+strings.TrimSpace(rib)+"] 68", rowText(rowNamed(t, outer, "cuff-6")))
}

func TestAnkleChangesInEveryPlace(t *testing.T) {
	foot := `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"ankle_girth_mm":208},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}`
	for _, place := range []string{"sides", "spread", "back"} {
		for _, change := range []string{"after_heel", "before_heel", "split"} {
			for _, heel := range []string{"short_row", "flap_under", "gusset_turn"} {
				p := makePlan(t, foot+fmt.Sprintf(`,"heel":{"kind":"%s"},"ankle":{"place":"%s","change":"%s"}}`, heel, place, change))
				// 208·0.9·0.32 = 59.9: 60. Eight fewer: before, after, or four on either side of the heel.
				assert.Equal(t, 60, p.Summary.LegStitches)
				met := map[string]int{"after_heel": 34, "before_heel": 30, "split": 32}[change]
				assert.Equal(t, met, p.Summary.HeelStitches, "%s %s: the heel takes the count in force", heel, change)
			}
		}
	}
}

func TestTheInstepKeepsItsPatternThroughTheAnkle(t *testing.T) {
	p := makePlan(t, strings.Replace(isolde, `"height_mm":180`, `"height_mm":180,"instep_pattern":"rib_2x2","pattern":"rib_2x2"`, 1))
	instep := "k×2 " + strings.Repeat("p×2 k×2 ", 8)
	assert.Equal(t, "RS ["+instep+"k×34] 68", rowText(rowNamed(t, p, "foot-9")),
		"34 is 8·4 + 2: whole columns of knits at both edges; the sole is plain")
	assert.Equal(t, "RS ["+instep+"kds×11 k×23] 68", rowText(rowNamed(t, p, "heel-24")), "the full round inside the heel")
	assert.Equal(t, "RS ["+strings.TrimSpace(instep)+"] 68", rowText(rowNamed(t, p, "heel-25")), "the way back into it")
	assert.Equal(t, "RS [pc×1 "+instep+"pc×1 kds×1 k×33] 70", rowText(rowNamed(t, p, "leg-1")), "the corners")
	assert.Equal(t, "RS [k2tog×1 k×1 "+strings.TrimPrefix(instep, "k×2 ")+"k2tog×1 k×33] 68", rowText(rowNamed(t, p, "leg-6")), "they go")
	back := strings.Repeat("p×2 k×2 ", 8) + "p×2"
	assert.Equal(t, "RS ["+instep+back+"] 68", rowText(rowNamed(t, p, "leg-7")),
		"then it goes on round the back with the columns that close the round")
	assert.Equal(t, "RS ["+instep+back+"] 68", rowText(rowNamed(t, p, "cuff-3")), "and into the cuff of its own kind")
}

// Rib in panels: in front, behind, or a third of the leg on each side, in the columns that it would have all round.
func TestRibInPanels(t *testing.T) {
	leg := func(panels, more string) string {
		p := makePlan(t, strings.Replace(isolde, `"height_mm":180`, `"height_mm":180,"pattern":"rib_2x2","panels":"`+panels+`"`+more, 1))
		assert.Equal(t, "RS [k×2 p×2", rowText(rowNamed(t, p, "cuff-3"))[:len("RS [k×2 p×2")], "the cuff goes all round")
		return rowText(rowNamed(t, p, "leg-20"))
	}
	front := "k×2 " + strings.Repeat("p×2 k×2 ", 8)
	back := strings.Repeat("p×2 k×2 ", 8) + "p×2"
	assert.Equal(t, "RS ["+front+"k×34] 68", leg("front", ""))
	assert.Equal(t, "RS [k×34 "+back+"] 68", leg("back", ""))
	// 68 ÷ 12 = 5⅔: six stitches on either side of each side of the leg.
	assert.Equal(t, "RS [k×2 p×2 k×26 p×2 k×2 p×2 k×2 p×2 k×22 p×2 k×2 p×2] 68", leg("sides", ""))
	assert.Equal(t, "RS ["+front+back+"] 68", leg("back", `,"instep_pattern":"rib_2x2"`), "an instep goes on")

	width := func(panels string) float64 {
		d := readDesign(t, strings.Replace(isolde, `"height_mm":180`, `"height_mm":180,"pattern":"rib_2x2","panels":"`+panels+`"`, 1))
		return Measure(&d).LegWidth()
	}
	assert.InDelta(t, 1-(1-width("all"))/3, width("sides"), 1e-9, "two thirds of it are plain")
}

func TestReverseSoleShowsItsSmoothFaceInside(t *testing.T) {
	p := makePlan(t, with(`"foot_length":{"sole":"reverse"}`))
	assert.Equal(t, "RS [k×34 p×34] 68", rowText(rowNamed(t, p, "foot-5")))
	assert.Equal(t, "RS [k×34 k×34] 68", rowText(rowNamed(t, p, "leg-8")))
}

// The smooth face lies inside under the toes and in a heel of short rows too, in every style; whatever a row does is what it does elsewhere,
// with knits and purls exchanged. A flap keeps its slip stitches.
func TestToeAndHeelAreSmoothInsideToo(t *testing.T) {
	exchanged := map[needle.Code]needle.Code{needle.K: needle.P, needle.Kds: needle.Pds, needle.KW: needle.PW, needle.KPin: needle.PPin, needle.KLift: needle.PLift,
		needle.K2tog: needle.SSP, needle.SSK: needle.P2tog, needle.K3tog: needle.SSSP, needle.SSSK: needle.P3tog, needle.M1: needle.M1P, needle.Ktbl: needle.Ptbl}
	for a, b := range maps.Clone(exchanged) {
		exchanged[b] = a
	}
	for _, turn := range design.Registered("heel.turn") {
		outside, inside := makePlan(t, with(`"heel":{"turn":"`+turn+`"}`)), makePlan(t, with(`"heel":{"turn":"`+turn+`"},"foot_length":{"sole":"reverse"}`))
		require.Len(t, inside.Rows, len(outside.Rows))
		for i := range inside.Rows {
			row, was := &inside.Rows[i], &outside.Rows[i]
			if row.Section != needle.Heel || row.Kind == needle.Round || strings.Contains(rowText(*was), "k×34]") {
				continue
			}
			for k, code := range flat(row.Ops) {
				other := flat(was.Ops)[k]
				if swapped, is := exchanged[other]; is && turn != "lift" {
					other = swapped
				} else if is && code == other {
					t.Fatalf("%s, %s: %s is not exchanged", turn, row.ID, code)
				} else if is {
					continue // its decreases lean as knits and purls do
				}
				require.Equal(t, other, code, "%s, %s: %s for %s", turn, row.ID, rowText(*row), rowText(*was))
			}
		}
		assert.Equal(t, "RS [k×1 kfb×1 k×12 kfb×1 k×1 p×1 pfb×1 p×12 pfb×1 p×1] 36", rowText(rowNamed(t, inside, "toe-2")))
		assert.Equal(t, "RS [k×18 p×18] 36", rowText(rowNamed(t, inside, "toe-3")))
	}
	assert.Equal(t, rowText(rowNamed(t, makePlan(t, with(`"heel":{"kind":"flap_under"}`)), "heel-5")),
		rowText(rowNamed(t, makePlan(t, with(`"heel":{"kind":"flap_under"},"foot_length":{"sole":"reverse"}`)), "heel-5")))
}

func TestSchoolsOfFootLength(t *testing.T) {
	// 242 − 90 = 152 mm, 66.9 rounds; with an inch each 242 − 50 = 192 mm, 84.5; 242 − 45 − 60 = 137 mm, 60.3.
	assert.Equal(t, 67, makePlan(t, with(`"foot_length":{"school":"thumb"}`)).Summary.FootRounds)
	assert.Equal(t, 84, makePlan(t, with(`"foot_length":{"school":"thumb","toe_mm":25,"heel_mm":25}`)).Summary.FootRounds)
	assert.Equal(t, 60, makePlan(t, with(`"foot_length":{"school":"from_sock","toe_mm":45,"heel_mm":60}`)).Summary.FootRounds)
}

// checkNamed is what a check of a plan says; empty where there is none.
func checkNamed(p *plan.Plan, code string) string {
	for _, c := range p.Checks {
		if c.Code == code {
			return c.Text
		}
	}
	return ""
}

// A school that does not count rows is held against those that there are: 19 of the toe and 22 of the heel are 93 mm, and an inch for
// each leaves 84 rounds, 191 mm: 284 for a foot of 251.
func TestASchoolThatMissesTheFootIsSaid(t *testing.T) {
	inch := makePlan(t, with(`"foot_length":{"school":"thumb","toe_mm":25,"heel_mm":25}`))
	assert.Contains(t, checkNamed(inch, "foot_long"), "285 mm")
	short := makePlan(t, with(`"foot_length":{"school":"thumb","toe_mm":60,"heel_mm":60}`))
	assert.Contains(t, checkNamed(short, "foot_short"), "less than the foot")
	assert.Empty(t, checkNamed(makePlan(t, with(`"foot_length":{"school":"thumb"}`)), "foot_long"))
}

func TestBindOffsAndTheirYarn(t *testing.T) {
	for way, says := range map[string]string{"k2tog": "knit them together", "yarn_over": "yarn-over", "sewn": "blunt needle"} {
		row := rowNamed(t, makePlan(t, with(`"bind_off":"`+way+`"`)), "bind_off-1")
		assert.Contains(t, row.Note, says)
		assert.Equal(t, 0, row.Stitches)
	}
	sewn := rowNamed(t, makePlan(t, with(`"bind_off":"sewn"`)), "bind_off-1")
	assert.Contains(t, sewn.Note, "about 64 cm", "three times 212.5 mm")
}

// The rounds of a lace on the instep go on counting through the heel: half rounds, the full round inside it, the
// round of the corners, and the leg.
func TestLaceGoesOnThroughTheHeel(t *testing.T) {
	const lace = "dew_lace"
	p := makePlan(t, strings.Replace(isolde, `"height_mm":180`, `"height_mm":180,"instep_pattern":"`+lace+`"`, 1))
	rounds := pattern.Find(lace, nil).Rounds
	repeat := pattern.Find(lace, nil).Repeat
	over := 34 % repeat
	expected := func(k int) []needle.Code {
		list := slices.Repeat([]needle.Code{needle.K}, over/2)
		for range 34 / repeat {
			list = append(list, flat(rounds[k%len(rounds)])...)
		}
		return append(list, slices.Repeat([]needle.Code{needle.K}, over-over/2)...)
	}
	k := 0
	for i := range p.Rows {
		row := &p.Rows[i]
		crosses := row.Section == needle.Foot && row.N > 1 || row.Section == needle.Leg ||
			row.Section == needle.Heel && row.Side == needle.RS && (row.Kind == needle.Round || row.ID == "heel-25")
		if !crosses {
			continue
		}
		ops := flat(row.Ops)
		switch row.ID {
		case "leg-1", "leg-2", "leg-3", "leg-4", "leg-5":
			ops = ops[1:] // the corner stitch stands before the lace
		case "leg-6":
			require.Equal(t, needle.K2tog, ops[0])
			ops[0] = needle.K // the corner goes with the knit stitch at the edge
		}
		want := expected(k)
		require.Equal(t, want, ops[:len(want)], "%s is round %d of the lace", row.ID, k)
		k++
	}
	assert.Equal(t, 64+2+p.Summary.LegRounds, k)
}

// Who typed 64 stitches for a foot of 236 mm, 68 by its ease, wants 64 for an ankle of 236 mm too.
func TestAnAnkleMeasuredLikeTheBallKeepsTheTypedCount(t *testing.T) {
	const measured = `{"format":"acorn-step.design","version":1,"stitches":64,"foot":{"length_mm":251,"ball_girth_mm":236,"ankle_girth_mm":%d},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}}`
	assert.Equal(t, 64, makePlan(t, fmt.Sprintf(measured, 236)).Summary.LegStitches)
	assert.Equal(t, 68, makePlan(t, fmt.Sprintf(measured, 237)).Summary.LegStitches)
}
