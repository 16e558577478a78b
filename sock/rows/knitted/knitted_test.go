package knitted_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

func traced(t require.TestingT, more string) *knitted.Sock {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}` + more + `}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	found, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	return found
}

// In the second round of the toe k1, kfb, k12 …: the second and third loop are both drawn through the second of the round below.
func TestALoopKnowsWhatItWasDrawnThrough(t *testing.T) {
	found := traced(t, "")
	before, after := found.Before(2), found.After(2)
	require.Len(t, after.Loops, 36)
	second, third := found.Loops[after.Loops[1].Made], found.Loops[after.Loops[2].Made]
	assert.Equal(t, needle.Kfb, second.Code)
	assert.Equal(t, needle.Kfb, third.Code)
	assert.Equal(t, before.Loops[1].Made+1, second.From[0], "loops are numbered from 1 in their parents")
	assert.Equal(t, second.From, third.From)
	first := found.Loops[after.Loops[0].Made]
	assert.Equal(t, before.Loops[0].Made+1, first.From[0])
	assert.Equal(t, int32(2), first.Row)
}

// Every loop but those that were cast on, picked up or made from a strand is drawn through loops that lay on the needles
// before its row; a decrease through as many as it takes, and whatever lies on the needles was made.
func TestEveryLoopHasItsParents(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		pick := func(field at.Path) string { return rapid.SampledFrom(design.Registered(field)).Draw(t, string(field)) }
		found := traced(t, `,"toe":{"kind":"`+pick("toe.kind")+`"},"heel":{"kind":"`+pick("heel.kind")+`","turn":"`+pick("heel.turn")+
			`"},"leg":{"height_mm":120,"pattern":"dew_lace"}`)
		for number, loop := range found.Loops {
			parents := 0
			for _, from := range loop.From {
				if from == 0 {
					continue
				}
				parents++
				if int(from) > number {
					t.Fatalf("loop %d of row %d is drawn through loop %d, which is younger", number, loop.Row, from-1)
				}
			}
			want := loop.Code.Takes()
			if parents != want {
				t.Fatalf("loop %d, made by %s, is drawn through %d loops, expected %d", number, loop.Code, parents, want)
			}
		}
		for row := range found.Rows {
			state := found.After(row)
			if len(state.Loops) != found.Rows[row].Stitches {
				t.Fatalf("%d loops after %s, expected %d", len(state.Loops), found.Rows[row].ID, found.Rows[row].Stitches)
			}
			for _, loop := range state.Loops {
				if int(loop.Made) >= len(found.Loops) || int(found.Loops[loop.Made].Row) > row {
					t.Fatalf("a loop after %s was made later", found.Rows[row].ID)
				}
			}
		}
	})
}

func TestAFaultEndsTheTrace(t *testing.T) {
	rows := traced(t, "").Rows
	spoiled := append([]needle.Row(nil), rows[:9]...)
	spoiled[8].Ops = needle.Ops{{Code: needle.DS, N: 1}}
	found, err := knitted.Of(spoiled)
	var fault *needle.Fault
	require.ErrorAs(t, err, &fault)
	assert.Equal(t, rows[8].ID, fault.Row)
	assert.Len(t, found.Rows, 8)
	assert.Len(t, found.Before(8).Loops, rows[7].Stitches, "the needles before the fault are there")
}

func BenchmarkTrace(b *testing.B) {
	rows := traced(b, "").Rows
	b.ReportAllocs()
	for b.Loop() {
		if _, err := knitted.Of(rows); err != nil {
			b.Fatal(err)
		}
	}
}
