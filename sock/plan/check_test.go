package plan

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"acornstep/sock/needle"
)

// mutate changes one operation of one row: drops it, exchanges it with its
// neighbour, makes it another one, or changes its count. It says whether the fabric changed.
func mutate(p *Plan, random *rand.Rand) bool {
	row := &p.Rows[random.IntN(len(p.Rows))]
	ops := append([]needle.Op(nil), row.Ops...)
	i := random.IntN(len(ops))
	switch random.IntN(4) {
	case 0:
		ops = append(ops[:i], ops[i+1:]...)
	case 1:
		if i+1 == len(ops) {
			return false
		}
		ops[i], ops[i+1] = ops[i+1], ops[i]
	case 2:
		codes := needle.Codes()
		ops[i].Code = codes[random.IntN(len(codes))]
	default:
		ops[i].N += 1 - 2*random.IntN(2)
		if ops[i].N == 0 {
			return false
		}
	}
	changed := *row
	changed.Ops = ops
	same := differs(&changed, row) < 0
	row.Ops = ops
	return !same
}

// Nearly every slip in a row is found: by the needle, or by comparison with the design.
func TestCheckFindsSlips(t *testing.T) {
	found, missed := 0, 0
	rapid.Check(t, func(t *rapid.T) {
		p, err := Make(designs(t))
		if err != nil {
			t.Fatal(err)
		}
		if p.Stopped() != nil {
			return
		}
		random := rand.New(rand.NewPCG(rapid.Uint64().Draw(t, "seed"), 1))
		for range 5 {
			q := *p
			q.Rows = append([]needle.Row(nil), p.Rows...)
			if !mutate(&q, random) {
				continue
			}
			if len(Check(&q)) > 0 {
				found++
			} else {
				missed++
			}
		}
	})
	t.Logf("%d of %d slips found", found, found+missed)
	assert.GreaterOrEqual(t, float64(found), 0.99*float64(found+missed))
}

// Another program may do the same sock in another way: only the needle judges it.
func TestCheckLetsOtherWaysPass(t *testing.T) {
	p := makePlan(t, isolde)
	for i := range p.Rows {
		if r := &p.Rows[i]; r.Section == needle.Foot && i%5 == 0 {
			r.Ops = []needle.Op{{Code: needle.P, N: 68}} // a ridge every five rounds
		}
	}
	assert.Empty(t, Check(p))
}
