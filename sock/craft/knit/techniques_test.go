package knit

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// small is a practice piece: 24 stitches in thick yarn, small enough to knit on paper.
func small(fields string) string {
	text := `{"format":"acorn-step.design","version":1,"foot":{"length_mm":250,"ball_girth_mm":240,"heel_diagonal_mm":300},
		"gauge":{"stitches_per_100mm":11.2,"rounds_per_100mm":16},"stitches":24,"leg":{"height_mm":200}`
	if fields != "" {
		text += "," + fields
	}
	return text + "}"
}

// section prints the rows of a section, one line each.
func section(p *plan.Plan, s needle.Section) []string {
	var lines []string
	for i := range p.Rows {
		if p.Rows[i].Section == s {
			lines = append(lines, strings.ReplaceAll(rowText(p.Rows[i]), "×", " "))
		}
	}
	return lines
}

// Twelve heel stitches, four turns a side, four in the centre, in each style, worked out on paper.
func TestShortRowHeelsByHand(t *testing.T) {
	cases := map[string][]string{
		"wrap": {
			"RS [k 12] 24",
			"RS [k 11 wt 1] 24", "WS [p 10 wt 1] 24", "RS [k 9 wt 1] 24", "WS [p 8 wt 1] 24",
			"RS [k 7 wt 1] 24", "WS [p 6 wt 1] 24", "RS [k 5 wt 1] 24", "WS [p 4 wt 1] 24",
			"RS [k 4 kw 1 wt 1] 24", "WS [p 5 pw 1 wt 1] 24", "RS [k 6 kw 1 wt 1] 24", "WS [p 7 pw 1 wt 1] 24",
			"RS [k 8 kw 1 wt 1] 24", "WS [p 9 pw 1 wt 1] 24", "RS [k 10 kw 1 turn 1] 24", "WS [sl 1 p 10 pw 1 turn 1] 24",
			"RS [sl 1 k 11] 24",
		},
		"yarn_over": {
			"RS [k 12] 24",
			"RS [k 11 turn 1] 24", "WS [yo 1 p 10 turn 1] 25", "RS [yo 1 k 9 turn 1] 26", "WS [yo 1 p 8 turn 1] 27",
			"RS [yo 1 k 7 turn 1] 28", "WS [yo 1 p 6 turn 1] 29", "RS [yo 1 k 5 turn 1] 30", "WS [yo 1 p 4 turn 1] 31",
			"RS [yo 1 k 4 k2tog 1 turn 1] 31", "WS [yo 1 p 5 ssp 1 turn 1] 31", "RS [yo 1 k 6 k3tog 1 turn 1] 30",
			"WS [yo 1 p 7 sssp 1 turn 1] 29",
			"RS [yo 1 k 8 k3tog 1 turn 1] 28", "WS [yo 1 p 9 sssp 1 turn 1] 27", "RS [yo 1 k 10 k3tog 1] 26",
		},
		"pinned": {
			"RS [k 12] 24",
			"RS [k 11 turn 1] 24", "WS [slpin 1 p 9 turn 1] 24", "RS [slpin 1 k 8 turn 1] 24", "WS [slpin 1 p 7 turn 1] 24",
			"RS [slpin 1 k 6 turn 1] 24", "WS [slpin 1 p 5 turn 1] 24", "RS [slpin 1 k 4 turn 1] 24", "WS [slpin 1 p 3 turn 1] 24",
			"RS [slpin 1 k 3 kpin 1 turn 1] 24", "WS [p 5 ppin 1 turn 1] 24", "RS [k 6 kpin 1 turn 1] 24",
			"WS [p 7 ppin 1 turn 1] 24",
			"RS [k 8 kpin 1 turn 1] 24", "WS [p 9 ppin 1 turn 1] 24", "RS [k 10 kpin 1] 24",
		},
		"lift": {
			"RS [k 12] 24",
			"RS [k 11 turn 1] 24", "WS [sl 1 p 9 turn 1] 24", "RS [sl 1 k 8 turn 1] 24", "WS [sl 1 p 7 turn 1] 24",
			"RS [sl 1 k 6 turn 1] 24", "WS [sl 1 p 5 turn 1] 24", "RS [sl 1 k 4 turn 1] 24", "WS [sl 1 p 3 turn 1] 24",
			"RS [sl 1 k 2 k2tog 1 m1 1 turn 1] 24", "WS [sl 1 p 3 p2tog 1 m1p 1 turn 1] 24", "RS [sl 1 k 4 k2tog 1 m1 1 turn 1] 24",
			"WS [sl 1 p 5 p2tog 1 m1p 1 turn 1] 24", "RS [sl 1 k 6 k2tog 1 m1 1 turn 1] 24", "WS [sl 1 p 7 p2tog 1 m1p 1 turn 1] 24",
			"RS [sl 1 k 8 k2tog 1 m1 1 turn 1] 24", "WS [sl 1 p 9 p2tog 1 m1p 1 turn 1] 24", "RS [sl 1 k 11] 24",
		},
	}
	for turn, want := range cases {
		t.Run(turn, func(t *testing.T) {
			assert.Equal(t, want, section(makePlan(t, small(`"heel":{"turn":"`+turn+`"}`)), needle.Heel))
		})
	}
}

func TestStackedGermanHeelRemakesItsDoubleStitches(t *testing.T) {
	rows := section(makePlan(t, small(`"heel":{"rounds_between":0,"turns_per_side":2}`)), needle.Heel)
	assert.Equal(t, []string{
		"RS [turn 1] 24", "WS [ds 1 p 11 turn 1] 24", "RS [ds 1 k 10 turn 1] 24", "WS [ds 1 p 9 turn 1] 24",
		"RS [ds 1 k 8 kds 1 turn 1] 24", "WS [ds 1 p 8 pds 1 turn 1] 24", "RS [ds 1 k 8 kds 2 turn 1] 24",
		"WS [ds 1 p 9 pds 2 turn 1] 24",
		"RS [ds 1 k 10 kds 1] 24",
	}, rows)
}

// With its own strand the heel begins at its right edge and ends there; the
// sock's yarn goes on across the sole.
func TestAHeelWithAStrandOfItsOwn(t *testing.T) {
	p := makePlan(t, small(`"heel":{"turns_per_side":1,"turn":"wrap"},"yarn":{"contrast":["heel"]}`))
	assert.Equal(t, []string{
		"RS [k 12] 24", "RS [k 11 wt 1] 24", "WS [p 10 wt 1] 24", "RS [k 10 kw 1 turn 1] 24", "WS [sl 1 p 10 pw 1 turn 1] 24",
		"RS [k 12] 24",
	}, section(p, needle.Heel))
	var colours []string
	for _, r := range p.Rows {
		if r.Section == needle.Heel {
			colours = append(colours, r.Colour)
		}
	}
	assert.Equal(t, []string{"", "contrast", "contrast", "contrast", "contrast", ""}, colours)
}

func TestAWiderHeelLapsOverTheInstep(t *testing.T) {
	p := makePlan(t, with(`"heel":{"share":0.6}`))
	// 0.6·68 = 40.8: 40, three beyond each side; centre 25 mm·0.32 = 8 stitches, 16 turns.
	assert.Equal(t, []int{40, 16, 8}, []int{p.Summary.HeelStitches, *p.Summary.HeelTurnsPerSide, *p.Summary.HeelCentreStitches})
	rows := section(p, needle.Heel)
	assert.Equal(t, "RS [k 3 turn 1] 68", rows[0])
	assert.Equal(t, "WS [ds 1 p 39 turn 1] 68", rows[1])
}

// A flap on 12: 24 stitches, worked out on paper. Outer groups 12 − 8 − 3 = 1: the turn ends after two more rows.
func TestFlapAndGussetByHand(t *testing.T) {
	p := makePlan(t, small(`"heel":{"kind":"flap_under","flap_rows":12}`))
	assert.Equal(t, 8, *p.Summary.TurnStitches, "12 − 2 − 2·⌈1/2⌉")
	rows := section(p, needle.Heel)
	assert.Equal(t, []string{"RS [turn 1] 24", "WS [sl 1 p 11 turn 1] 24",
		"RS [sl 1 k 1 sl 1 k 1 sl 1 k 1 sl 1 k 1 sl 1 k 1 sl 1 ktbl 1 turn 1] 24"}, rows[:3])
	assert.Equal(t, []string{
		"RS [sl 1 k 7 ssk 1 k 1 turn 1] 23", "WS [sl 1 p 5 p2tog 1 p 1 turn 1] 22",
		"RS [sl 1 k 6 ssk 1 turn 1] 21", "WS [sl 1 p 6 p2tog 1 turn 1] 20",
	}, rows[len(rows)-4:])
	gusset := section(p, needle.Gusset)
	assert.Equal(t, []string{"RS [k 8 pu 6 pc 1] 27", "RS [k 12 pc 1 pu 6 k 15] 34", "RS [k 12 k 22] 34",
		"RS [k 12 k 1 ssk 1 k 16 k2tog 1 k 1] 32"}, gusset[:4])
	assert.Equal(t, 5, *p.Summary.GussetDecreaseRounds, "34 down to 24, two at a time")
	assert.Len(t, gusset, 1+2+5+4, "picking up, two plain rounds, five decreases with four rounds between")
}

func TestFlapOnAnOddHeelAndUnevenPickUp(t *testing.T) {
	p := makePlan(t, with(`"stitches":70,"heel":{"kind":"flap_under","picked_up":[21,19]},"fit":{"multiple":2}`))
	assert.Equal(t, 35, p.Summary.HeelStitches)
	rows := section(p, needle.Heel)
	assert.True(t, strings.HasSuffix(rows[2], "sl 1 k 1 ktbl 1 turn 1] 70"), rows[2])
	assert.Contains(t, rows, "WS [sl 1 p 4 p2tog 1 p 1 turn 1] 68")
	assert.Equal(t, 35-2-2*7, *p.Summary.TurnStitches, "outer groups of 13")
	gusset := section(p, needle.Gusset)
	assert.Equal(t, "RS [k 19 pu 21 pc 1] 76", gusset[0])
	assert.Equal(t, "RS [k 35 pc 1 pu 19 k 41] 96", gusset[1])
}

// 68 stitches, a flap of 36 rows, 17 and 20 picked up and both corners: 93. Three rounds lose one at the fuller side, then eleven lose a
// pair: 14 decrease rounds, 28 rounds after picking up. The heel stands in the middle then.
func TestTheFullerSideLosesItsSurplusFirst(t *testing.T) {
	p := makePlan(t, with(`"heel":{"kind":"flap_under","picked_up":[17,20],"flap_rows":36}`))
	gusset := section(p, needle.Gusset)
	assert.Equal(t, "RS [k 34 pc 1 pu 20 k 38] 93", gusset[1])
	assert.Equal(t, 14, *p.Summary.GussetDecreaseRounds)
	assert.Len(t, gusset, 2+28)
	for i := range 14 {
		row := gusset[3+2*i]
		want := "k2tog 1 k 1]"
		assert.Contains(t, row, "k 34 k 1 ssk 1", "the right side, which has more")
		if i < 3 {
			assert.NotContains(t, row, want, "alone")
		} else {
			assert.Contains(t, row, want, "in pairs")
		}
	}
	assert.True(t, strings.HasSuffix(gusset[29], " 68"), gusset[29])
}

// Isolde's gusset: 325.7·0.9·0.32 = 93.8; (93.8 − 68)/2 = 12.9, so 13 on each side, between 12 and 17.
func TestGussetTurnByHand(t *testing.T) {
	p := makePlan(t, with(`"heel":{"kind":"gusset_turn"}`))
	assert.Equal(t, 13, *p.Summary.GussetIncreases)
	foot, heel := section(p, needle.Foot), section(p, needle.Heel)
	n := len(foot)
	assert.Equal(t, "RS [k 34 k 1 m1r 1 k 32 m1l 1 k 1] 70", foot[n-26])
	assert.Equal(t, "RS [k 34 k 60] 94", foot[n-1])
	assert.Equal(t, "RS [k 81 turn 1] 94", heel[0], "to the far end of the heel between the gussets")
	assert.Contains(t, heel, "RS [sl 1 k 32 ssk 1 turn 1] 93")
	assert.Equal(t, "RS [k 34] 68", heel[len(heel)-1])
	assert.Equal(t, 68, p.Rows[find(p, "leg-7")].Stitches)
}

func TestToesByHand(t *testing.T) {
	rounded := makePlan(t, with(`"toe":{"start":"rounded"}`)).Summary
	// 68/3 = 22.7: 24 is nearest of 20, 24; 11 increase rounds, 4 at once: 1 + 4 + 14 = 19.
	assert.Equal(t, []int{24, 11, 19}, []int{rounded.CastOnStitches, *rounded.IncreaseRounds, rounded.ToeRounds})
	// T = 50.2 mm at 0.44: 22.09 rounds. From 32: 1 + r + 2(9 − r) is at most 19. From 28 with 10: 21 − r. From 24 with 11:
	// 23 − r, r = 1 gives 22. From 20 with 12: 25 − r, r = 3 gives 22 too; the larger start wins.
	fitted := makePlan(t, with(`"toe":{"start":"fitted"}`)).Summary
	assert.Equal(t, []int{24, 22}, []int{fitted.CastOnStitches, fitted.ToeRounds})

	square := makePlan(t, small(`"toe":{"kind":"garter_square"}`))
	assert.Equal(t, 11, square.Summary.ToeRounds, "2·6 − 1")
	rows := section(square, needle.Toe)
	assert.Equal(t, []string{"RS [k 6 turn 1] 12", "WS [k 6 turn 1] 12"}, rows[:2])
	assert.Equal(t, []string{"RS [k 6] 12", "RS [pu 6 k 1 ktbl 5 pu 6] 24"}, rows[10:])
	mirrored := section(makePlan(t, small(`"toe":{"kind":"garter_square"},"mirror":true`)), needle.Toe)
	assert.Equal(t, []string{"RS [pu 6 k 1 ktbl 5] 18", "RS [pu 6 k 18] 24"}, mirrored[11:])
	two := makePlan(t, with(`"stitches":70,"fit":{"multiple":2},"toe":{"kind":"garter_square"}`))
	assert.Equal(t, []int{34, 35}, []int{two.Summary.CastOnStitches, two.Summary.ToeRounds}, "q 17, one ridge more")

	short := section(makePlan(t, small(`"toe":{"kind":"short_row","turns_per_side":1},"heel":{"turn":"yarn_over"}`)), needle.Toe)
	assert.Equal(t, []string{
		"WS [p 12 turn 1] 12", "RS [k 11 turn 1] 12", "WS [yo 1 p 10 turn 1] 13", "RS [yo 1 k 10 k2tog 1 turn 1] 13",
		"WS [yo 1 p 11 ssp 1 turn 1] 13",
		"RS [yo 1 k 12] 14", "RS [unzip 12 k2tog 1 k 10 ssk 1] 24",
	}, short)
}

func TestIncreasesAndCastOns(t *testing.T) {
	row := func(fields, id string) string { return rowText(rowNamed(t, makePlan(t, with(fields)), id)) }
	assert.Equal(t, "RS [k×1 kfb×1 k×11 kfb×1 k×2 k×1 kfb×1 k×11 kfb×1 k×2] 36", row(`"toe":{"increase":"kfb_mirrored"}`, "toe-2"))
	assert.Equal(t, "RS [k×1 m1r×1 k×14 m1l×1 k×1 k×1 m1r×1 k×14 m1l×1 k×1] 36", row(`"toe":{"increase":"m1"}`, "toe-2"))
	assert.Equal(t, "RS [k×16 ktbl×16] 32", row(`"toe":{"start_loop":"slip_knot"}`, "toe-1"))
	assert.Equal(t, "RS [k×16 ktbl×16] 32", row(`"toe":{"start_loop":"laid"}`, "toe-1"))
	assert.Equal(t, "RS [k×16 k×16] 32", row(`"toe":{"cast_on":"turkish"}`, "toe-1"))
	assert.Equal(t, "RS [k×16 ktbl×16] 32", row(`"toe":{"cast_on":"figure_eight"}`, "toe-1"))
}

func TestPatternsRepeatOrSaySo(t *testing.T) {
	p := makePlan(t, with(`"cuff":{"pattern":"rib_2x2"},"stitches":66,"fit":{"multiple":2}`))
	assert.Equal(t, 64, p.Summary.LegStitches, "66 lies between 64 and 68: the smaller")
	d := readDesign(t, strings.Replace(isolde, `"height_mm":180`, `"height_mm":180,"stitches":66`, 1))
	d.Cuff.Pattern = "rib_2x2"
	p, err := Make(d)
	require.NoError(t, err)
	require.NotNil(t, p.Stopped())
	assert.Contains(t, p.Stopped().Text, "64 and 68")
	lace := makePlan(t, strings.Replace(isolde, `"height_mm":180`, `"height_mm":180,"pattern":"dew_lace"`, 1))
	assert.Equal(t, 66, lace.Summary.LegStitches, "the multiple of 6 nearest to 68")
	assert.Equal(t, needle.Op{Code: needle.K, N: 1}, rowNamed(t, lace, "leg-10").Ops[0])
}

// The widest place is at (310 − 50.2)·0.44 = 114 rounds, the ankle at (100.4 − 50.2)·0.44 = 22: eighteen pairs lie between them. The leg ends
// at 50.2 + 340 − 40 = 350.2, on the way to below the knee, which is guessed at 1.7·251 = 426.7 and 0.92·360 = 331.2: there it is
// 360 − (350.2 − 310)/(426.7 − 310)·28.8 = 350.1 round, 100.8 stitches, and two pairs go.
func TestKneeSocksFollowTheLeg(t *testing.T) {
	p := makePlan(t, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"calf_girth_mm":360,"calf_height_mm":310},
		"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":340}}`)
	assert.Equal(t, 68, *p.Summary.AnkleStitches)
	assert.Equal(t, 100, p.Summary.LegStitches)
	assert.Equal(t, 104, rowNamed(t, p, "leg-114").Stitches, "360·0.9·0.32 = 103.7")
	assert.Contains(t, checkNamed(p, "knee_guessed"), "Measure both")
	assert.Contains(t, checkNamed(p, "knee_band"), "clinician", "and a caution about tight bands")
	grown, gone := 0, 0
	has := func(row *needle.Row, code needle.Code) bool {
		return slices.ContainsFunc(row.Ops, func(o needle.Op) bool { return o.Code == code })
	}
	for i := range p.Rows {
		row := &p.Rows[i]
		switch {
		case row.Section != needle.Leg:
		case has(row, needle.M1R):
			grown++
			assert.True(t, row.N >= 22 && row.N <= 114, row.ID)
		case has(row, needle.SSK) && has(row, needle.K2tog) && row.N > 20:
			gone++
			assert.Greater(t, row.N, 114, row.ID)
		}
	}
	assert.Equal(t, []int{18, 2}, []int{grown, gone})
}

// A second leg: 330 round at 300, 290 below the knee at 380, 2×2 rib, to 50.2 + 400 − 40 = 410 above the floor: 96 at the calf (95.04),
// 84 below the knee (83.5, the nearest multiple of four). The two columns at the centre back stay plain, and every other column stays where it is.
func TestARibbedLegKeepsItsColumns(t *testing.T) {
	p := makePlan(t, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"calf_girth_mm":330,"calf_height_mm":300,"knee_girth_mm":290,
		"knee_height_mm":380},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":400,"pattern":"rib_2x2"}}`)
	assert.Equal(t, []int{68, 96, 84}, []int{*p.Summary.AnkleStitches, rowNamed(t, p, "leg-109").Stitches, p.Summary.LegStitches})
	assert.Equal(t, 84, rowNamed(t, p, "leg-145").Stitches, "(380 − 50.2)·0.44 = 145.1")
	purls := func(row needle.Row) []bool {
		var list []bool
		for _, o := range row.Ops {
			for range o.N {
				list = append(list, o.Code == needle.P || o.Code == needle.P2tog)
			}
		}
		return list
	}
	const front = 34
	before := purls(rowNamed(t, p, "leg-20"))
	for n := 23; n <= p.Summary.LegRounds; n++ {
		row := purls(rowNamed(t, p, fmt.Sprintf("leg-%d", n)))
		centre := front + (len(row)-front)/2
		assert.Equal(t, []bool{false, false}, row[centre-1:centre+1], "leg-%d", n)
		kept := min(centre-2, len(before)/2) // columns beside a pair come and go
		assert.Equal(t, before[:kept-2], row[:kept-2], "leg-%d", n)
		back := 14
		assert.Equal(t, before[len(before)-back:], row[len(row)-back:], "leg-%d, from the end", n)
	}
}

// Three hundred legs: wherever a leg passes a station, its rows have that station's count, within two stitches.
func TestALegHasTheCountOfEachStation(t *testing.T) {
	passed := 0
	draw := func(t *rapid.T, name string, low, high int) int { return rapid.IntRange(low, high).Draw(t, name) }
	property := func(t *rapid.T) {
		ankle, calf := draw(t, "ankle", 190, 270), draw(t, "calf", 290, 430)
		high := draw(t, "calf height", 260, 350)
		knee, kneeHigh := calf*draw(t, "knee, per cent of the calf", 82, 100)/100, high+draw(t, "above", 50, 110)
		leg := draw(t, "leg", 200, 430)
		d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"ankle_girth_mm":%d,
			"calf_girth_mm":%d,"calf_height_mm":%d,"knee_girth_mm":%d,"knee_height_mm":%d},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},
			"heel":{"kind":%q},"leg":{"height_mm":%d,"pattern":%q}}`, ankle, calf, high, knee, kneeHigh,
			rapid.SampledFrom([]string{"short_row", "flap_under", "gusset_turn"}).Draw(t, "heel"), leg,
			rapid.SampledFrom([]string{"stockinette", "rib_1x1", "rib_2x2"}).Draw(t, "pattern")))
		require.NoError(t, err)
		p, err := Make(d)
		require.NoError(t, err)
		if p.Stopped() != nil || checkNamed(p, "calf_no_room") != "" {
			return // so steep that no rounds are left for it, which is said
		}
		// A height above the floor is so many rounds from the end of the heel, those of the gusset among them.
		countAt := func(height float64) (count int, reached bool) {
			rounds := int(math.Round((height - 0.2*251) * 0.44)) // the nearest whole round
			for i := range p.Rows {
				if s := p.Rows[i].Section; s == needle.Leg || s == needle.Gusset && p.Rows[i].Kind == needle.Round {
					count = p.Rows[i].Stitches
					if rounds--; rounds == 0 {
						return count, s == needle.Leg
					}
				}
			}
			return count, false
		}
		for height, girth := range map[float64]int{float64(high): calf, float64(kneeHigh): knee} {
			want := max(0.9*0.32*float64(girth), float64(*cmp.Or(p.Summary.AnkleStitches, &p.Summary.LegStitches)))
			if girth == knee {
				want = 0.9 * 0.32 * float64(girth)
			}
			count, reached := countAt(height)
			if !reached || count == 0 {
				continue
			}
			passed++
			if off := float64(count) - want; off < -2.001 || off > 2.001 {
				t.Fatalf("at %.0f mm the leg is %d round, %.1f stitches, and has %d", height, girth, want, count)
			}
		}
	}
	rapid.Check(t, func(t *rapid.T) {
		for range 3 {
			property(t)
		}
	})
	t.Logf("%d stations passed", passed)
}

// A millimetre of leg more or less changes the count by one repeat at most: the leg grows as the calf does, and no height is a threshold.
func TestALegHasNoCliff(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		girth := rapid.IntRange(250, 420).Draw(t, "calf")
		high := rapid.IntRange(240, 380).Draw(t, "its height")
		leg := rapid.IntRange(60, 420).Draw(t, "leg")
		count := func(leg, high int) int {
			d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,
				"calf_girth_mm":%d,"calf_height_mm":%d},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":%d}}`, girth, high, leg))
			require.NoError(t, err)
			return Measure(&d).LegStitches
		}
		here := count(leg, high)
		for _, there := range []int{count(leg+1, high), count(leg, high+1)} {
			if off := there - here; off < -4 || off > 4 {
				t.Fatalf("a leg of %d mm has %d stitches, and a millimetre more makes it %d", leg, here, there)
			}
		}
	})
}

func TestACalfWithoutItsHeightIsAskedAbout(t *testing.T) {
	p := makePlan(t, strings.Replace(strings.Replace(isolde, `"ball_girth_mm":236`, `"ball_girth_mm":236,"calf_girth_mm":360`, 1), `"height_mm":180`, `"height_mm":340`, 1))
	assert.Contains(t, checkNamed(p, "calf_height_asked"), "how high above the floor")
	short := makePlan(t, strings.Replace(strings.Replace(isolde, `"ball_girth_mm":236`, `"ball_girth_mm":236,"calf_girth_mm":360`, 1), `"height_mm":180`, `"height_mm":60`, 1))
	assert.Empty(t, checkNamed(short, "calf_height_asked"))
}

func TestContradictionsHaveAWayOut(t *testing.T) {
	cases := map[string]struct{ text, code, says string }{
		"turns":   {small(`"heel":{"turns_per_side":5}`), "heel_centre", "leave 2 in the centre"},
		"parity":  {small(`"heel":{"stitches":13}`), "heel_parity", "12 or 14"},
		"no foot": {`{"format":"acorn-step.design","version":1,"foot":{"length_mm":90,"ball_girth_mm":95},"gauge":{"stitches_per_100mm":20,"rounds_per_100mm":16},"stitches":24}`, "no_foot_left", "longer than the sock"},
		"flap":    {with(`"heel":{"kind":"flap_under","flap_rows":200}`), "no_foot_left", "flap rows"},
		"start":   {with(`"toe":{"start_stitches":34}`), "toe_start", "Start with 32 or 36"},
		"tiny": {strings.Replace(small(`"heel":{"kind":"flap_under"}`), `"stitches":24`, `"stitches":20`, 1), "flap_small",
			"short-row heel"},
	}
	for name, c := range cases {
		t.Run(name, func(t *testing.T) {
			p := makePlan(t, c.text)
			require.NotNil(t, p.Stopped())
			assert.Equal(t, c.code, p.Stopped().Code)
			assert.Contains(t, p.Stopped().Text, c.says)
		})
	}
}

// 94.5·0.9·0.12 = 10.2 stitches are no sock: it gets 16, and the knitter is told.
func TestACoarseGaugeOnASmallFootIsSaid(t *testing.T) {
	p := makePlan(t, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":90},"gauge":{"stitches_per_100mm":12,"rounds_per_100mm":14}}`)
	assert.Equal(t, 16, p.Summary.FootStitches)
	assert.Equal(t, "few_stitches", p.Checks[0].Code)
	assert.Contains(t, p.Checks[0].Text, "finer yarn")
}

// The same foot and gauge in another turning style has the same counts and the same length.
func TestTurningStylesGiveTheSameShape(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := designs(t)
		d.Heel.RoundsBetween, d.Heel.FirstRow = new(int), nil
		if d.HeelHasOwnStrand() {
			d.Heel.RoundsBetween = nil
		}
		var first *plan.Plan
		for _, turn := range design.Registered("heel.turn") {
			d.Heel.Turn = turn
			p, err := Make(d)
			if err != nil {
				t.Fatal(err)
			}
			if first == nil {
				first = p
			}
			a, b := first.Summary, p.Summary
			a.ToeRounds, b.ToeRounds = 0, 0 // a short-row toe turns once more at its edges in some styles
			if (p.Stopped() == nil) != (first.Stopped() == nil) || p.Stopped() == nil && !assert.ObjectsAreEqual(a, b) {
				t.Fatalf("%s: %+v, expected %+v", turn, b, a)
			}
		}
	})
}

func TestADoubledGaugeHalvesTheLengths(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		d := designs(t)
		d.Gauge.Stitches, d.Gauge.Rounds = min(d.Gauge.Stitches, 50), min(d.Gauge.Rounds, 75)
		n := 2 * rapid.IntRange(12, 50).Draw(t, "stitches")
		d.Stitches, d.Toe.Start, d.Toe.FastRounds = &n, "half", nil
		d.Heel.GussetIncreases, d.Heel.Stitches = new(int), nil // a heel wider than half has a centre in mm
		coarse := Measure(&d)
		fine := d
		fine.Gauge = design.Gauge{Stitches: 2 * d.Gauge.Stitches, Rounds: 2 * d.Gauge.Rounds}
		if d.Heel.Kind == "flap_under" || d.Heel.Share > 0.5 || d.Ankle.Change != "none" {
			return // these count by the length of the foot or the centre, not by stitches alone
		}
		half := Measure(&fine)
		if coarse.Stopped() || half.Stopped() {
			return
		}
		for _, pair := range [][2]float64{{float64(coarse.Toe.Length), float64(half.Toe.Length)},
			{float64(coarse.Heel.Length), float64(half.Heel.Length)},
			{float64(coarse.HeelDiagonalGirth()), float64(half.HeelDiagonalGirth())}} {
			if d := pair[0] - 2*pair[1]; d > 1e-6 || d < -1e-6 {
				t.Fatalf("%v is not twice %v", pair[0], pair[1])
			}
		}
	})
}

// On every right-side row of the narrowing heel both sides hold the same number, and held and worked make the heel.
func TestBothSidesHoldTheSame(t *testing.T) {
	for _, turn := range []string{"german", "wrap", "pinned"} {
		p := makePlan(t, with(`"heel":{"turn":"`+turn+`","rounds_between":0,"first_row":"RS"}`))
		var m needle.Machine
		seen := 0
		for i := range p.Rows {
			require.NoError(t, m.Work(&p.Rows[i]))
			r := p.Rows[i]
			if r.Section != needle.Heel || r.Side != needle.WS || r.N > 23 {
				continue
			}
			// After a wrong-side row and its turn the marks on both sides are equally many, but for the double
			// stitch that is still to come.
			var left, right int
			s := m.Snapshot()
			for j, l := range s.Loops {
				if l.Kind == needle.Double || l.Wraps > 0 || l.Pins > 0 {
					if j < 34+17 {
						right++
					} else {
						left++
					}
				}
			}
			pending := 0
			if turn != "wrap" {
				pending = 1
			}
			assert.Equal(t, left, right+pending, "%s %s", turn, r.ID)
			seen++
		}
		assert.Equal(t, 11, seen)
	}
}

// With a neighbour of the instep on each side the usual heel has one turn more on each: two rows deeper, its centre as wide.
func TestANeighbourOnEachSideIsTwoRowsDeeper(t *testing.T) {
	usual, wider := makePlan(t, isolde), makePlan(t, with(`"heel":{"stitches":36}`))
	require.Nil(t, wider.Stopped())
	assert.Equal(t, []int{34, 11, 12}, []int{usual.Summary.HeelStitches, *usual.Summary.HeelTurnsPerSide, *usual.Summary.HeelCentreStitches})
	assert.Equal(t, []int{36, 12, 12}, []int{wider.Summary.HeelStitches, *wider.Summary.HeelTurnsPerSide, *wider.Summary.HeelCentreStitches})
}

// A place below the knee that lies no higher than the calf was measured wrongly: that is said, and the leg keeps the calf's count.
func TestAKneeBelowTheCalfIsAskedAbout(t *testing.T) {
	for _, knee := range []string{`"knee_height_mm":250`, `"knee_height_mm":250,"knee_girth_mm":300`} {
		p := makePlan(t, fmt.Sprintf(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"calf_girth_mm":360,"calf_height_mm":310,%s},
			"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":400}}`, knee))
		assert.Contains(t, checkNamed(p, "knee_below_calf"), "Measure both again")
		assert.Equal(t, 104, p.Summary.LegStitches)
	}
	low := makePlan(t, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236,"calf_girth_mm":360,"calf_height_mm":60},
		"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":400}}`)
	assert.Contains(t, checkNamed(low, "calf_below_ankle"), "Measure its height again")
	assert.Equal(t, 68, low.Summary.LegStitches)
}
