package design

import (
	"regexp"
	"testing"

	"github.com/stretchr/testify/assert"

	"acornstep/sock/figures/at"
)

// Every field of a design has a name that the compiler knows and one that people use, so that no path reaches them; no name stands for nothing.
func TestEveryFieldHasItsNames(t *testing.T) {
	assert.Equal(t, Paths(), at.All)
	for _, field := range at.All {
		assert.Contains(t, labels, field)
		assert.NotRegexp(t, regexp.MustCompile(`[._]`), Label(field))
	}
	assert.Equal(t, "readings", Label("readings[3]"))
	assert.Equal(t, "old pass", Label("old_pass"))
}
