package design

import (
	"encoding/json"
	"regexp"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// Every field of a document has a name that people use, so that no path reaches them.
func TestEveryFieldHasAName(t *testing.T) {
	text, err := json.Marshal(Blank())
	require.NoError(t, err)
	var tree map[string]any
	require.NoError(t, json.Unmarshal(text, &tree))
	var walk func(path string, part map[string]any)
	walk = func(path string, part map[string]any) {
		for name, value := range part {
			assert.Contains(t, labels, path+name)
			if inner, is := value.(map[string]any); is {
				walk(path+name+".", inner)
			}
		}
	}
	walk("", tree)
	for field := range labels {
		assert.NotRegexp(t, regexp.MustCompile(`[._]`), Label(field))
	}
	assert.Equal(t, "readings", Label("readings[3]"))
	assert.Equal(t, "old pass", Label("old_pass"))
}
