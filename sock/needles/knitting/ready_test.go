package knitting

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/needle"
)

// A pinned heel of 11 turns a side hangs 22 pins at most; a short-row toe of 34 wants a chain of 34; only a contrast is weighed apart.
func TestWhatLiesReady(t *testing.T) {
	ready := func(fields string) string { return strings.Join(Ready(begun(t, fields).Plan), "\n") }
	plain := ready("")
	assert.Contains(t, plain, "one long circular needle")
	for _, never := range []string{"pin", "waste yarn", "contrast", "strand"} {
		assert.NotContains(t, plain, never)
	}
	assert.Contains(t, ready(`,"heel":{"turn":"pinned"}`), "22 removable pins")
	assert.Contains(t, ready(`,"toe":{"kind":"short_row"}`), "a chain of 34 and a few more")
	assert.Contains(t, ready(`,"yarn":{"contrast":["toe"]}`), "of the contrast")
	assert.Contains(t, ready(`,"heel":{"own_strand":true}`), "a strand of its own")
	assert.Contains(t, ready(`,"needles":"short_circular"`), "for the toe")
	assert.Contains(t, ready(`,"needles":"short_circular"`), "2 markers: sole, start")
	assert.NotContains(t, ready(`,"heel":{"turn":"yarn_over"}`), "marker", "needles part the halves")
	assert.Contains(t, ready(`,"heel":{"share":0.6}`), "a holder for 28 stitches, and two needles for the heel")
	assert.Contains(t, ready(`,"needles_by_section":{"leg":"short_circular"}`), "for the leg: a short circular needle")
}

// An elastic thread in the cuff lies ready, and what it may do to a leg is said where the stitches are bound off.
func TestAnElasticInTheCuffLiesReadyWithItsCaution(t *testing.T) {
	p := begun(t, `,"cuff":{"elastic":true}`).Plan
	assert.Contains(t, Ready(p), "a fine elastic thread for the inside of the cuff")
	cautions := p.Cautions(measure.Centimetres)
	require.Len(t, cautions, 1)
	assert.Equal(t, needle.BindOff, cautions[0].Section)
	assert.Contains(t, cautions[0].Text, "ask your clinician")
}
