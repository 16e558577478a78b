package pattern

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"acornstep/sock/rows/needle"
)

func TestTheBookIsSound(t *testing.T) {
	seen := map[string]bool{}
	for _, p := range Book {
		assert.Empty(t, p.Validate(), p.Name)
		assert.False(t, seen[p.Name], p.Name)
		seen[p.Name] = true
		assert.Equal(t, p == stockinette, p.Plain(), p.Name)
	}
}

func TestAPatternOfOnesOwn(t *testing.T) {
	own := []Pattern{{Name: "orbit_rib", Label: "orbit rib", Repeat: 3, Width: 0.9,
		Rounds: []needle.Ops{{op(needle.K, 2), op(needle.P, 1)}}}}
	assert.Equal(t, "orbit rib", Find("orbit_rib", own).Label)
	assert.Nil(t, Find("orbit_rib", nil))
	assert.Same(t, rib1x1, Find("rib_1x1", own))
	for says, spoil := range map[string]func(*Pattern){
		"name":      func(p *Pattern) { p.Name = "" },
		"repeat":    func(p *Pattern) { p.Repeat = 0 },
		"width":     func(p *Pattern) { p.Width = 9 },
		"rounds":    func(p *Pattern) { p.Rounds = nil },
		"rounds[0]": func(p *Pattern) { p.Rounds = []needle.Ops{{op(needle.K, 2), op(needle.DS, 1)}} },
	} {
		p := own[0]
		spoil(&p)
		faults := p.Validate()
		if assert.NotEmpty(t, faults, says) {
			assert.Equal(t, says, faults[0].Field)
		}
	}
}
