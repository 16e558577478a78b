package chart

import (
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/cloth/fabric"
	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

func charts(t require.TestingT, fields string) (*plan.Plan, *knitted.Sock, []Chart) {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}%s}`, fields))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	if p.Stopped() != nil {
		return nil, nil, nil
	}
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	return p, traced, Of(p, traced, fabric.Of(traced))
}

// Every operation has a symbol of its own or shares one with the same thing from the other side, and only the knit's cell is empty.
func TestEveryOperationHasASymbol(t *testing.T) {
	drawn := map[string]string{}
	for _, code := range needle.Codes() {
		s, known := symbols[code]
		require.True(t, known, "%s has no symbol", code)
		assert.NotEmpty(t, s.Text, code)
		assert.Equal(t, code == needle.K, len(s.Lines) == 0, "%s: only a knit is its empty cell", code)
		looks := fmt.Sprint(s.Lines, s.Filled)
		if name, taken := drawn[looks]; taken {
			assert.Equal(t, name, s.Name, "%s looks like %s", s.Name, name)
		}
		drawn[looks] = s.Name
		for _, line := range s.Lines {
			for _, p := range line {
				assert.True(t, p[0] >= 0 && p[0] <= 1 && p[1] >= 0 && p[1] <= 1, "%s leaves its cell", code)
			}
		}
	}
}

// A chart has in each row as many cells as there are stitches, and what its row did stands in them: read back, the
// increases and decreases come out.
func TestChartsAreTheRows(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		pick := func(name string, from ...string) string { return rapid.SampledFrom(from).Draw(t, name) }
		p, traced, list := charts(t, fmt.Sprintf(`,"toe":{"kind":%q},"heel":{"kind":%q,"turn":%q,"share":%s},"leg":{"height_mm":%d,"pattern":%q}`,
			pick("toe", design.Registered("toe.kind")...), pick("heel", design.Registered("heel.kind")...),
			pick("turn", design.Registered("heel.turn")...),
			pick("share", "0.5", "0.6"), rapid.IntRange(100, 150).Draw(t, "leg"), pick("pattern", "stockinette", "dew_lace")))
		if p == nil {
			t.Skip("stopped")
		}
		for _, c := range list {
			for i := range c.Rows {
				r := &c.Rows[i]
				if r.From < 0 || r.From+2*len(r.Cells) > 2*c.Columns+1 && r.From+len(r.Cells) > 2*c.Columns {
					t.Fatalf("%s: row %d leaves the chart", c.Name, r.N)
				}
				for _, cell := range r.Cells {
					if !slices.ContainsFunc(c.Symbols, func(s Symbol) bool { return s.Name == cell }) {
						t.Fatalf("%s: %s is not in the legend", c.Name, cell)
					}
				}
				if r.Row < 0 || c.Name != "heel" || p.Rows[r.Row].Kind == needle.Round {
					continue
				}
				// What a short row works lies inside its chart: nothing that it did is cut off.
				worked := 0
				for _, cell := range r.Cells {
					if cell != rests.Name {
						worked++
					}
				}
				made := 0
				for _, o := range p.Rows[r.Row].Ops {
					if o.Code.Takes() > 0 || o.Code.Makes() > 0 {
						made += o.N * o.Code.Makes()
					}
					if o.Code == needle.WT {
						made++ // it is wrapped and stays where it is
					}
				}
				if len(p.Rows[r.Row].Groups) > 0 && worked != made {
					t.Fatalf("%s row %d: %d cells are worked, the row makes %d (%v)", c.Name, r.N, worked, made, p.Rows[r.Row].Ops)
				}
			}
		}
		_ = traced
	})
}

// By hand: the second round of the toe has k1, kfb, k12, kfb, k1 on needle 1, each kfb two cells.
func TestTheToeByHand(t *testing.T) {
	_, _, list := charts(t, "")
	toe := list[0]
	assert.Equal(t, "toe", toe.Name)
	second := toe.Rows[1]
	assert.Len(t, second.Cells, 18)
	for i, cell := range second.Cells {
		want := "knit"
		if slices.Contains([]int{1, 2, 15, 16}, i) {
			want = "front-back"
		}
		assert.Equal(t, want, cell, "cell %d", i)
	}
	assert.Equal(t, 34, toe.Columns)
	heel := list[1]
	assert.Equal(t, "heel", heel.Name)
	assert.Equal(t, 34, heel.Columns, "the heel's stitches, and no others")
	assert.Equal(t, 16, second.From, "eight cells in from the left: the rows are centred")
}
