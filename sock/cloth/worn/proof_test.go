//go:build proof

package worn

import (
	"testing"

	"pgregory.net/rapid"
)

// Three hundred socks of any kind on any foot settle without a hole, outside the foot, and hardly any of the cloth
// upside down; the worst is told.
func TestThreeHundredSocksSettle(t *testing.T) {
	worst, which, n := 0.0, "", 0
	for seed := 0; n < 300; seed++ {
		fields := rapid.Custom(anySock).Example(seed)
		if !canBe(fields) {
			continue
		}
		n++
		if upside := settled(t, fields, Fine); upside > worst {
			worst, which = upside, fields
		}
	}
	t.Logf("of %d socks the worst lies upside down in %.2f %% of its cloth: %s", n, 100*worst, which)
	if worst > 0.10 {
		t.Errorf("%.1f %% of %s", 100*worst, which)
	}
}
