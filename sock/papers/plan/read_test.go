package plan_test

import (
	"encoding/json"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/check"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
)

// Documents that were ever released stay readable, and sound.
func TestDocumentsOfEveryReleaseOpen(t *testing.T) {
	plans, err := filepath.Glob("testdata/v*/*.plan.json")
	require.NoError(t, err)
	require.Len(t, plans, 4)
	for _, file := range plans {
		t.Run(filepath.Base(file), func(t *testing.T) {
			text, err := os.ReadFile(file)
			require.NoError(t, err)
			p, err := plan.Read(text)
			require.NoError(t, err)
			assert.Empty(t, check.Plan(p))
			_, err = knitted.Of(p.Rows)
			assert.NoError(t, err)
			again, err := json.Marshal(p)
			require.NoError(t, err)
			back, err := plan.Read(again)
			require.NoError(t, err)
			assert.Equal(t, p, back)
		})
	}
	designs, err := filepath.Glob("testdata/v*/*.design.json")
	require.NoError(t, err)
	require.Len(t, designs, 4)
	for _, file := range designs {
		text, err := os.ReadFile(file)
		require.NoError(t, err)
		_, err = design.Read(text)
		assert.NoError(t, err, file)
	}
}

// A document from before a field existed gets the field's default.
func TestADocumentFromBeforeAField(t *testing.T) {
	text, err := os.ReadFile("testdata/v1/flap.plan.json")
	require.NoError(t, err)
	var tree map[string]any
	require.NoError(t, json.Unmarshal(text, &tree))
	for _, field := range []string{"corner", "ankle", "needles", "yarn"} {
		delete(tree["design"].(map[string]any), field)
	}
	delete(tree, "checks")
	older, err := json.Marshal(tree)
	require.NoError(t, err)
	p, err := plan.Read(older)
	require.NoError(t, err)
	assert.Equal(t, "magic_loop", p.Design.Needles)
	assert.Equal(t, "outer_legs", p.Design.Corner.Method)
	assert.Empty(t, check.Plan(p))
}

func TestAPlanMayLackItsDesign(t *testing.T) {
	text, err := os.ReadFile("testdata/v1/short-rows.plan.json")
	require.NoError(t, err)
	var tree map[string]any
	require.NoError(t, json.Unmarshal(text, &tree))
	for says, d := range map[string]any{"": map[string]any{"gauge": tree["design"].(map[string]any)["gauge"]}, "no gauge is given": nil} {
		tree["design"] = d
		bare, err := json.Marshal(tree)
		require.NoError(t, err)
		p, err := plan.Read(bare)
		require.NoError(t, err)
		assert.False(t, p.HasDesign())
		again, err := json.Marshal(p)
		require.NoError(t, err)
		back, err := plan.Read(again)
		require.NoError(t, err)
		assert.Equal(t, p, back)
		faults := check.Plan(p)
		if says == "" {
			assert.Empty(t, faults)
		} else if assert.Len(t, faults, 1) {
			assert.Contains(t, faults[0].Text, says)
		}
	}
}
