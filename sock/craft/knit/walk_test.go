package knit

import "testing"

// BenchmarkWalk is a bare walk over the stitches of a sock: the yardstick for planning it.
func BenchmarkWalk(b *testing.B) {
	p := makePlan(b, isolde)
	type link struct{ next, kind int32 }
	ring := make([]link, 68)
	for i := range ring {
		ring[i].next = int32((i + 1) % len(ring))
	}
	stitches := 0
	for _, r := range p.Rows {
		for _, o := range r.Ops {
			stitches += o.N * o.Code.Takes()
		}
	}
	at := int32(0)
	for b.Loop() {
		for range stitches {
			if ring[at].kind != 0 {
				b.Fatal("no plain loop")
			}
			at = ring[at].next
		}
	}
	b.ReportMetric(float64(stitches), "stitches")
}
