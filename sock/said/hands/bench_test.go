package hands

import "testing"

// One picture painted for paper.
func BenchmarkPainting(b *testing.B) {
	m := Find("double-back-rs").Seen(View{Hold: Right})
	b.ReportAllocs()
	for b.Loop() {
		m.Steps[1].Picture.paint()
	}
}
