package hands

import "testing"

// All moves as they are sent, and one picture painted for paper.
func BenchmarkAllMoves(b *testing.B) {
	b.ReportAllocs()
	for b.Loop() {
		for i := range Sequences {
			Sequences[i].Seen(View{Hold: Right})
		}
	}
}

func BenchmarkPainting(b *testing.B) {
	m := Find("double-back-rs").Seen(View{Hold: Right})
	b.ReportAllocs()
	for b.Loop() {
		m.Steps[1].Picture.paint()
	}
}
