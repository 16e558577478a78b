package pattern

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"
)

// faces of a front in one round, - for a knit and · for a purl.
func faces(c *Columns, round, from, n int) string {
	var b strings.Builder
	for at := range n {
		if c.Purl(round, from+at) {
			b.WriteRune('·')
		} else {
			b.WriteRune('-')
		}
	}
	return b.String()
}

func TestRibsAreCentredOnTheInstep(t *testing.T) {
	// 68 and 60 stitches: whole columns of knits at both edges, and the back begins and ends with its purls.
	for _, front := range []int{30, 34} {
		c := rib2x2.LayOut(front)
		assert.Equal(t, "--··--", faces(c, 0, 0, 6), front)
		assert.Equal(t, "--··--", faces(c, 0, front-6, 6), front)
		assert.Equal(t, "··--··", faces(c, 0, front, 6), front)
		assert.Equal(t, "··", faces(c, 0, -2, 2), front)
	}
	// 64 and 72: half a column at each edge, the other half behind.
	for _, front := range []int{32, 36} {
		c := rib2x2.LayOut(front)
		assert.Equal(t, "-··--", faces(c, 0, 0, 5), front)
		assert.Equal(t, "--··-", faces(c, 0, front-5, 5), front)
		assert.Equal(t, "-··--", faces(c, 0, front, 5), front)
	}
	assert.Equal(t, "-·-·", faces(rib1x1.LayOut(34), 0, 0, 4))
	assert.Equal(t, "-·-", faces(rib1x1.LayOut(35), 0, 32, 3))
	assert.Equal(t, "--·---·", faces(rib3x1.LayOut(33), 0, 0, 7), "3 + 1 over 33: two knits at each edge")
	c := seedStitch.LayOut(34)
	assert.Equal(t, "-·-·", faces(c, 0, 0, 4))
	assert.Equal(t, "·-·-", faces(c, 1, 0, 4))
}

// Round a leg in which the repeat goes, the end meets the beginning.
func TestColumnsCloseRoundTheLeg(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := rapid.SampledFrom(Book).Draw(t, "pattern")
		if !p.Flat() {
			return
		}
		front := rapid.IntRange(8, 60).Draw(t, "front")
		leg := p.Repeat * rapid.IntRange(4, 20).Draw(t, "repeats")
		c := p.LayOut(front)
		for round := range p.Rounds {
			if faces(c, round, 0, 2*p.Repeat) != faces(c, round, leg, 2*p.Repeat) {
				t.Fatalf("%s over %d does not close", p.Name, leg)
			}
		}
	})
}
