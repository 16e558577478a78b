package knit

import (
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// A slip is one way in which somebody writes a row down wrong.
var slips = []struct {
	name string
	make func(ops []needle.Op, i int, random *rand.Rand) []needle.Op
}{
	{"an operation left out", func(ops []needle.Op, i int, _ *rand.Rand) []needle.Op { return append(ops[:i], ops[i+1:]...) }},
	{"two operations exchanged", func(ops []needle.Op, i int, _ *rand.Rand) []needle.Op {
		if i+1 < len(ops) {
			ops[i], ops[i+1] = ops[i+1], ops[i]
		}
		return ops
	}},
	{"another operation", func(ops []needle.Op, i int, random *rand.Rand) []needle.Op {
		codes := needle.Codes()
		ops[i].Code = codes[random.IntN(len(codes))]
		return ops
	}},
	{"a count off by one", func(ops []needle.Op, i int, random *rand.Rand) []needle.Op {
		ops[i].N += 1 - 2*random.IntN(2)
		return slices.DeleteFunc(ops, func(o needle.Op) bool { return o.N == 0 })
	}},
}

// stitchesOf writes operations out one by one: how runs are split does not matter.
func stitchesOf(ops []needle.Op) []needle.Code {
	var list []needle.Code
	for _, o := range ops {
		list = append(list, slices.Repeat([]needle.Code{o.Code}, o.N)...)
	}
	return list
}

// sameLoops says whether two rows do the same to the number and place of the
// loops, so that only the look of the fabric differs: a purl for a knit, a
// slant to the other side.
func sameLoops(a, b []needle.Code) bool {
	return slices.EqualFunc(a, b, func(x, y needle.Code) bool {
		return x == y || x.Takes() == y.Takes() && x.Makes() == y.Makes()
	})
}

// Single slips, by kind: those that change the loops are nearly all found by knitting the rows again; those that
// change the look alone are counted apart.
func TestCheckFindsSlips(t *testing.T) {
	type tally struct{ found, made int }
	loops, looks := map[string]*tally{}, map[string]*tally{}
	for _, s := range slips {
		loops[s.name], looks[s.name] = &tally{}, &tally{}
	}
	rapid.Check(t, func(t *rapid.T) {
		p, err := Make(designs(t))
		if err != nil {
			t.Fatal(err)
		}
		if p.Stopped() != nil {
			return
		}
		random := rand.New(rand.NewPCG(rapid.Uint64().Draw(t, "seed"), 1))
		for range 8 {
			q := *p
			q.Rows = slices.Clone(p.Rows)
			row := &q.Rows[random.IntN(len(q.Rows))]
			s := slips[random.IntN(len(slips))]
			was := stitchesOf(row.Ops)
			row.Ops = s.make(slices.Clone(row.Ops), random.IntN(len(row.Ops)), random)
			is := stitchesOf(row.Ops)
			if slices.Equal(was, is) {
				continue
			}
			count := loops[s.name]
			if sameLoops(was, is) {
				count = looks[s.name]
			}
			count.made++
			if len(check.Plan(&q)) > 0 {
				count.found++
			}
		}
	})
	found, made := 0, 0
	for _, s := range slips {
		a, b := loops[s.name], looks[s.name]
		t.Logf("%s: %d of %d found where the loops change, %d of %d where only the look does", s.name, a.found, a.made, b.found, b.made)
		found, made = found+a.found, made+a.made
	}
	t.Logf("%d of %d slips that change the loops are found", found, made)
	assert.GreaterOrEqual(t, float64(found), 0.9*float64(made))
}

// Another program may do the same sock in another way: a ridge on the sole every five rounds is no fault.
func TestCheckLetsOtherWaysPass(t *testing.T) {
	p := makePlan(t, isolde)
	for i := range p.Rows {
		if r := &p.Rows[i]; r.Section == needle.Foot && i%5 == 0 {
			r.Ops = []needle.Op{{Code: needle.K, N: 34}, {Code: needle.P, N: 34}}
		}
	}
	assert.Empty(t, check.Plan(p))
}

// Every number of the summary follows from the rows and the gauge: none can be another one.
func TestAFalseSummaryIsFound(t *testing.T) {
	for name, fields := range map[string]string{
		"short rows": `"mirror":false`, "flap": `"heel":{"kind":"flap_under"}`, "gusset": `"heel":{"kind":"gusset_turn","turn":"lift"}`,
		"square": `"toe":{"kind":"garter_square"},"heel":{"turn":"wrap","fabric":"garter"}`,
		"cup":    `"toe":{"kind":"short_row"},"heel":{"turn":"yarn_over","share":0.6}`,
	} {
		t.Run(name, func(t *testing.T) {
			lies := 0
			for _, lie := range summaryLies(&makePlan(t, with(fields)).Summary) {
				p := makePlan(t, with(fields))
				lie.tell(&p.Summary)
				faults := check.Plan(p)
				if assert.NotEmpty(t, faults, lie.name) {
					assert.Contains(t, faults[0].Text, lie.name)
				}
				lies++
			}
			assert.GreaterOrEqual(t, lies, 36)
		})
	}
}

type lie struct {
	name string
	tell func(*plan.Summary)
}

// summaryLies are two for each field: a count or length that is a little off, and one where there is none or none where there is one.
func summaryLies(real *plan.Summary) []lie {
	var lies []lie
	for name, at := range map[string]func(*plan.Summary) *int{
		"foot_stitches":    func(s *plan.Summary) *int { return &s.FootStitches },
		"cast_on_stitches": func(s *plan.Summary) *int { return &s.CastOnStitches },
		"toe_rounds":       func(s *plan.Summary) *int { return &s.ToeRounds },
		"foot_rounds":      func(s *plan.Summary) *int { return &s.FootRounds },
		"heel_stitches":    func(s *plan.Summary) *int { return &s.HeelStitches },
		"leg_stitches":     func(s *plan.Summary) *int { return &s.LegStitches },
		"leg_rounds":       func(s *plan.Summary) *int { return &s.LegRounds },
		"cuff_rounds":      func(s *plan.Summary) *int { return &s.CuffRounds },
	} {
		for _, by := range []int{-1, 2} {
			lies = append(lies, lie{name, func(s *plan.Summary) { *at(s) += by }})
		}
	}
	for name, at := range map[string]func(*plan.Summary) **int{
		"increase_rounds":        func(s *plan.Summary) **int { return &s.IncreaseRounds },
		"gusset_increases":       func(s *plan.Summary) **int { return &s.GussetIncreases },
		"heel_turns_per_side":    func(s *plan.Summary) **int { return &s.HeelTurnsPerSide },
		"heel_centre_stitches":   func(s *plan.Summary) **int { return &s.HeelCentreStitches },
		"flap_rows":              func(s *plan.Summary) **int { return &s.FlapRows },
		"turn_stitches":          func(s *plan.Summary) **int { return &s.TurnStitches },
		"gusset_decrease_rounds": func(s *plan.Summary) **int { return &s.GussetDecreaseRounds },
	} {
		for _, by := range []int{-1, 2} {
			lies = append(lies, lie{name, func(s *plan.Summary) {
				n := by
				if is := *at(real); is != nil {
					n += *is
				}
				*at(s) = &n
			}})
		}
		if *at(real) != nil {
			lies = append(lies, lie{name, func(s *plan.Summary) { *at(s) = nil }})
		}
	}
	for name, tell := range map[string]func(s *plan.Summary, by float64){
		"heel_starts_at_mm":      func(s *plan.Summary, by float64) { s.HeelStartsAt += measure.Length(by) },
		"finished_length_mm":     func(s *plan.Summary, by float64) { s.FinishedLength += measure.Length(by) },
		"heel_diagonal_girth_mm": func(s *plan.Summary, by float64) { s.HeelDiagonalGirth += measure.Length(by) },
	} {
		for _, by := range []float64{-0.2, 757} {
			lies = append(lies, lie{name, func(s *plan.Summary) { tell(s, by) }})
		}
	}
	return lies
}

func TestAStopHasNoRows(t *testing.T) {
	p := makePlan(t, isolde)
	p.Checks.Say("heel", "stop", "made_up", "There is no such sock.")
	faults := check.Plan(p)
	if assert.NotEmpty(t, faults) {
		assert.Contains(t, faults[0].Text, "a stop that says there is no sock")
	}
}
