package lengths

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"acornstep/sock/figures/measure"
)

// 32 stitches and 44 rounds in 100 mm.
var gauge = measure.GaugePer100(32, 44)

func TestLengthsByHand(t *testing.T) {
	for _, c := range []struct {
		name      string
		got, want measure.Length
	}{
		{"square of 17: 17 ÷ 0.64", SquareToe(17, gauge), 26.5625},
		{"toe of 11 turns: 22 ÷ 0.44", ShortRowToe(11, gauge), 50},
		{"19 rounds of toe and 65 of foot: 84 ÷ 0.44", HeelStarts(gauge.Height(19), 65, gauge), 190.90909090909},
		{"heel: 22 ÷ 0.44 + 1 ÷ 0.88", ShortRowHeel(11, 1, 0.44, gauge), 51.136363636364},
		{"garter heel: 22 ÷ 0.64", ShortRowHeel(11, 0, GarterRows(gauge), gauge), 34.375},
		{"flap of 36 rows at 0.75: 37 × 0.75 ÷ 0.44", Flap(36, FlapRows(gauge, 0.75)), 63.068181818182},
		{"diagonal: 34 ÷ 0.32 + 2 √(34.375² + 50²) + 12 ÷ 0.32", DiagonalOfShortRows(68, 34, 11, 0.44, gauge),
			106.25 + 2*60.6765244 + 37.5},
		{"diagonal of a flap: (34 + 36 + 20) ÷ 0.32", DiagonalOfFlap(68, 34, 36, 20, gauge), 281.25},
		{"diagonal of a gusset: (68 + 26) ÷ 0.32", DiagonalOfGusset(68, 13, gauge), 293.75},
	} {
		assert.InDelta(t, float64(c.want), float64(c.got), 1e-5, c.name)
	}
}
