package check_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/check"
	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/note"
)

func planOf(t *testing.T, more string) *plan.Plan {
	t.Helper()
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + more + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	require.Nil(t, p.Stopped())
	return p
}

func row(t *testing.T, p *plan.Plan, id string) *needle.Row {
	t.Helper()
	for i := range p.Rows {
		if p.Rows[i].ID == id {
			return &p.Rows[i]
		}
	}
	require.Fail(t, "no row", id)
	return nil
}

func first(faults []*needle.Fault) string {
	if len(faults) == 0 {
		return ""
	}
	return faults[0].Error()
}

// Whoever passes a gap closes it: with the double stitch, the wrap, the pin, the yarn-over, two stitches together, or the lifted strand.
func TestAGapThatIsPassedIsFound(t *testing.T) {
	for _, turn := range design.Registered("heel.turn") {
		for _, between := range []string{"0", "1", "2"} {
			p := planOf(t, `,"heel":{"turn":"`+turn+`","rounds_between":`+between+`}`)
			require.Empty(t, first(check.Plan(p)), turn)
		}
	}
	p := planOf(t, `,"heel":{"turn":"lift","rounds_between":1}`)
	passes := row(t, p, "heel-25")
	require.Equal(t, needle.KLift, passes.Ops[len(passes.Ops)-2].Code, "the full round lifts the strands of the far side")
	ops := slices.Clone(passes.Ops)
	ops[len(ops)-2].Code = needle.K
	passes.Ops = ops
	assert.Contains(t, first(check.Plan(p)), "is passed and not closed")
	assert.Empty(t, check.Kept(p))
}

// A column of the rib that moves one stitch aside is found wherever it does: in a round, inside the heel, at a corner.
func TestAColumnThatJumpsIsFound(t *testing.T) {
	const rib = `,"leg":{"pattern":"rib_2x2","instep_pattern":"rib_2x2"}`
	require.Empty(t, check.Plan(planOf(t, rib)))
	for _, id := range []string{"foot-9", "heel-24", "heel-25", "leg-1", "leg-6", "leg-7"} {
		p := planOf(t, rib)
		jumps := row(t, p, id)
		ops := slices.Clone(jumps.Ops) // … p2, k2 …: the first knit after a purl comes a stitch early
		purls := slices.IndexFunc(ops, func(o needle.Op) bool { return o.Code == needle.P })
		ops[purls].N, ops[purls+1].N = 1, 3
		jumps.Ops = ops
		assert.Regexp(t, "^"+id+": stitch [45] of the instep shows another face than in the rounds below: its column does not go straight up$", first(check.Plan(p)))
		assert.Empty(t, check.Kept(p), "a kept plan may be older than the rule")
	}
}

func TestNeedlesAndGroupsAddUp(t *testing.T) {
	p := planOf(t, "")
	foot := row(t, p, "foot-9")
	foot.OnNeedles, foot.Groups = []int{34, 34}, nil
	assert.Empty(t, check.Plan(p))
	foot.OnNeedles = []int{34, 33}
	assert.Contains(t, first(check.Plan(p)), "on_needles adds up to 67, 68 loops")
	foot.OnNeedles = []int{70, -2}
	assert.Contains(t, first(check.Plan(p)), "-2 on a needle")
	foot.OnNeedles = []int{34, 34}
	foot.From = 1 << 40
	assert.Contains(t, first(check.Plan(p)), "a loop that is there")
	foot.From = 0
	heel := row(t, p, "heel-5")
	heel.OnNeedles = []int{33, 35}
	assert.Equal(t, "heel-5: on_needles says [33 35], but the stitches lie [34 34]: a row moves none to another needle",
		first(check.Plan(p)))
	assert.Empty(t, check.Kept(p))
	heel.OnNeedles = []int{34, 34}
	row(t, p, "heel-5").Groups = []int{2, 32}
	assert.Contains(t, first(check.Plan(p)), "expected 3")
	row(t, p, "heel-5").Groups = []int{3, 29, 2}
	assert.Equal(t, "heel-5: groups says [3 29 2], there are [2 30 2]", first(check.Plan(p)), "left to right as held")
}

// What the rows say of themselves is the summary, whoever writes it.
func TestTheSummaryFollowsFromTheRows(t *testing.T) {
	for _, more := range []string{"", `,"heel":{"kind":"flap_under"}`, `,"heel":{"kind":"gusset_turn"},"toe":{"kind":"garter_square"}`,
		`,"toe":{"kind":"short_row"},"heel":{"share":0.6,"turn":"pinned"}`} {
		p := planOf(t, more)
		said := p.Summary
		p.Summary = plan.Summary{GussetIncreases: said.GussetIncreases}
		assert.Equal(t, said, check.Summary(p), more)
	}
}

// Whatever a plan of any origin says in its notes, and however few stitches it has, is looked up without a crash.
func TestNotesOfAnyPlanAreLookedUp(t *testing.T) {
	for stitches := 2; stitches <= 6; stitches += 2 {
		for _, code := range note.Codes() {
			text := note.Fact{Code: code, Yarn: "amber", Long: 4000, First: 2, Last: 3}.String()
			half := stitches / 2
			row := func(id string, section needle.Section, kind needle.RowKind, left int, ops ...needle.Op) needle.Row {
				return needle.Row{ID: id, Section: section, N: 1, Kind: kind, Side: needle.RS, Ops: ops, Stitches: left, Note: text,
					OnNeedles: []int{left / 2, left - left/2}}
			}
			p := &plan.Plan{Rules: 2, Rows: []needle.Row{
				row("cast_on-1", needle.CastOn, needle.FlatRow, stitches, needle.Op{Code: needle.CO, N: stitches}),
				row("heel-1", needle.Heel, needle.FlatRow, stitches, needle.Op{Code: needle.K, N: half}),
				row("leg-1", needle.Leg, needle.Round, stitches+2, needle.Op{Code: needle.PC, N: 1}, needle.Op{Code: needle.K, N: stitches}, needle.Op{Code: needle.PC, N: 1}),
				row("bind_off-1", needle.BindOff, needle.Round, 0, needle.Op{Code: needle.BO, N: stitches + 2}),
			}}
			assert.NotPanics(t, func() { assert.NotEmpty(t, check.Plan(p), text) }, "%d: %s", stitches, text)
		}
	}
}
