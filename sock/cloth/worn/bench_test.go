package worn

import (
	"context"
	"testing"
)

// The usual sock has 12,000 loops.
func BenchmarkRough(b *testing.B) { benchmark(b, Rough) }
func BenchmarkFine(b *testing.B)  { benchmark(b, Fine) }

func benchmark(b *testing.B, care Care) {
	s, by := onFoot(b, "")
	b.ReportAllocs()
	for b.Loop() {
		if _, err := Of(context.Background(), s, by, care); err != nil {
			b.Fatal(err)
		}
	}
}
