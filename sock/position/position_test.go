package position

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/design"
	"acornstep/sock/needle"
	"acornstep/sock/plan"
)

func rows(t *testing.T, heel string) []needle.Row {
	t.Helper()
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"heel":` + heel + `}`))
	require.NoError(t, err)
	p, err := plan.Make(d)
	require.NoError(t, err)
	return p.Rows
}

func at(t *testing.T, rows []needle.Row, id string) Row {
	t.Helper()
	for i := range rows {
		if rows[i].ID == id {
			r, err := Of(rows, i)
			require.NoError(t, err)
			return r
		}
	}
	require.Fail(t, id)
	return Row{}
}

// After four double stitches a side 26 are free: 4 + 26 + 4 = 34.
func TestHeldAndWorkedMakeTheHeel(t *testing.T) {
	german := at(t, rows(t, `{}`), "heel-9") // four rows each way are begun, the ninth row makes the fourth double stitch on the right
	assert.Equal(t, []int{4, 26, 4}, []int{german.Right, german.Between, german.Left})
	assert.Equal(t, needle.RS, german.Before.Side)
	assert.Equal(t, needle.WS, german.After.Side)
	wraps := at(t, rows(t, `{"turn":"wrap"}`), "heel-9") // the way in, then eight rows: four wraps on each side
	assert.Equal(t, []int{4, 26, 4}, []int{wraps.Right, wraps.Between, wraps.Left})
}

func TestPlainRoundsHoldNothing(t *testing.T) {
	r := at(t, rows(t, `{}`), "foot-3")
	assert.Equal(t, 0, r.Right+r.Left+r.Between)
	assert.Equal(t, 68, r.After.Count)
	_, err := Of(rows(t, `{}`), 9999)
	assert.ErrorContains(t, err, "read 9999")
}
