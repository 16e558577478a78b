package plan

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/design"
)

const isolde = `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},
	"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":180}}`

func makePlan(t testing.TB, text string) *Plan {
	t.Helper()
	d, err := design.Read([]byte(text))
	require.NoError(t, err)
	p, err := Make(d)
	require.NoError(t, err)
	return p
}

func TestIsolde(t *testing.T) {
	p := makePlan(t, isolde)
	assert.Equal(t, 68, p.Summary.FootStitches)
	for _, r := range p.Rows {
		fmt.Println(r.ID, r.Kind, r.Side, r.Ops, r.Stitches)
	}
	fmt.Printf("%+v\n", p.Summary)
}
