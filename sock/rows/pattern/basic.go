package pattern

import "acornstep/sock/rows/needle"

var stockinette = &Pattern{
	Name: "stockinette", Label: "stockinette", Repeat: 1, Width: 1,
	Rounds: []needle.Ops{{op(needle.K, 1)}},
}

// rib is a pattern of knit and purl columns.
func rib(name, label string, knits, purls int, width, stretch float64) *Pattern {
	return &Pattern{
		Name: name, Label: label, Repeat: knits + purls, Width: width, Stretch: stretch,
		Rounds: []needle.Ops{{op(needle.K, knits), op(needle.P, purls)}},
	}
}

// Ribs draw in, the wider their columns the more, and give it back; how far is our estimate.
var (
	rib1x1 = rib("rib_1x1", "k1, p1 rib", 1, 1, 0.85, 0.45)
	rib2x2 = rib("rib_2x2", "k2, p2 rib", 2, 2, 0.75, 0.60)
	rib3x1 = rib("rib_3x1", "k3, p1 rib", 3, 1, 0.9, 0)
)
