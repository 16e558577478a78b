package whereami

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/design"
	"acornstep/sock/knit"
	"acornstep/sock/plan"
	"acornstep/sock/trace"
)

var toes = []string{"wedge", "garter_square", "short_row"}
var heels = []string{"short_row", "flap_under", "gusset_turn"}
var turns = design.Registered("heel.turn")

func looksOf(t require.TestingT, toe, heel, turn string) (*plan.Plan, []Look) {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"toe":{"kind":%q},"heel":{"kind":%q,"turn":%q}}`, toe, heel, turn))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	require.Nil(t, p.Stopped())
	traced, err := trace.Of(p.Rows)
	require.NoError(t, err)
	looks := Looks(p, traced)
	require.Len(t, looks, len(p.Rows)+1)
	return p, looks
}

// perfect is what a sharp eye sees.
func perfect(l Look) Seen {
	chains, side, last, tail := l.Chains/2, string(l.Side), l.Last, l.Tail
	return Seen{&l.Needle1, &l.Needle2, &l.Right, &l.Left, &side, &tail, &last, &l.Increases, &l.Ridges, &chains, &l.Length, nil, 0}
}

// In a heel of 34 with double stitches: after the third narrowing row two doubles
// lie at one side and one at the other.
func TestTheNeedleAfterThreeGermanTurns(t *testing.T) {
	p, looks := looksOf(t, "wedge", "short_row", "german")
	for i, row := range p.Rows {
		if row.ID == "heel-4" {
			l := looks[i+1]
			require.Equal(t, 3, l.Right+l.Left)
			require.Equal(t, 68, l.Needle1+l.Needle2)
		}
		if row.ID == "toe-2" {
			require.Equal(t, []int{18, 18, 1}, []int{looks[i+1].Needle1, looks[i+1].Needle2, looks[i+1].Increases})
			require.Equal(t, "increase", looks[i+1].Last)
		}
	}
}

// A wide heel holds stitches on both sides of the start of the round, and a line after a provisional
// cast-on lies on one needle.
func TestNeedlesAreTheOnesInTheHand(t *testing.T) {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"toe":{"kind":"short_row"},"heel":{"share":0.65}}`))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	traced, err := trace.Of(p.Rows)
	require.NoError(t, err)
	looks := Looks(p, traced)
	require.Equal(t, []int{34, 0}, []int{looks[3].Needle1, looks[3].Needle2}, "34 in a line")
	for i, row := range p.Rows {
		if row.ID == "heel-12" {
			// The half round in, then eleven rows: five double stitches on each side, the sixth of one made.
			require.InDelta(t, looks[i+1].Right, looks[i+1].Left, 1)
			require.GreaterOrEqual(t, looks[i+1].Left, 5)
		}
	}
}

// 34 stitches a round of the leg and so on: after n repeats of 6 m the row lies where the plan has used n × 6 m.
func TestStripesAreEvidence(t *testing.T) {
	_, looks := looksOf(t, "wedge", "short_row", "german")
	row := 70
	seen := Seen{Repeat: 6000}
	repeats := looks[row].Yarn / seen.Repeat
	seen.Repeats = &repeats
	answer := Ask(looks, seen, -1)
	require.InDelta(t, row, answer.Matches[0].Row, 6, "the stripes lead to the place, a few rounds more or less")
	none := Ask(looks, Seen{Repeats: &repeats}, 12)
	require.Equal(t, 12, none.Matches[0].Row, "without the length of a repeat they say nothing")
	// A round of 68 stitches takes 68 × (2/0.44 + 1/0.32 + 5.94 d) mm; d for 100 g in 420 m of wool is 0.742 mm: 821 mm.
	require.InDelta(t, 821, looks[41].Yarn-looks[40].Yarn, 3)
}

// For every row of every kind of sock, perfect evidence and the log name that row.
func TestPerfectEvidenceNamesTheRow(t *testing.T) {
	all, first := 0, 0
	for _, toe := range toes {
		for _, heel := range heels {
			for _, turn := range turns {
				_, looks := looksOf(t, toe, heel, turn)
				for i, l := range looks {
					answer := Ask(looks, perfect(l), i)
					all++
					if answer.Matches[0].Row == l.Row {
						first++
					} else {
						t.Errorf("%s %s %s: row %d is taken for %d", toe, heel, turn, l.Row, answer.Matches[0].Row)
						return
					}
				}
			}
		}
	}
	t.Logf("%d of %d rows named first", first, all)
}

// With one wrong look the row is still among the first three in nine of ten cases.
func TestOneWrongLookStillFindsTheRow(t *testing.T) {
	all, found := 0, 0
	rapid.Check(t, func(t *rapid.T) {
		_, looks := looksOf(t, rapid.SampledFrom(toes).Draw(t, "toe"), rapid.SampledFrom(heels).Draw(t, "heel"), rapid.SampledFrom(turns).Draw(t, "turn"))
		for range 20 {
			l := looks[rapid.IntRange(0, len(looks)-1).Draw(t, "row")]
			seen := perfect(l)
			spoil(t, &seen)
			answer := Ask(looks, seen, max(0, l.Row+rapid.IntRange(-2, 2).Draw(t, "log")))
			all++
			for _, m := range answer.Matches[:3] {
				if m.Row == l.Row {
					found++
				}
			}
		}
	})
	t.Logf("%d of %d found among the first three: %.1f %%", found, all, 100*float64(found)/float64(all))
	if 10*found < 9*all {
		t.Errorf("found only %d of %d", found, all)
	}
}

// spoil makes one look wrong, as people get it wrong.
func spoil(t *rapid.T, s *Seen) {
	off := func(n *int) *int {
		wrong := max(0, *n+rapid.SampledFrom([]int{-2, -1, 1, 2}).Draw(t, "off"))
		return &wrong
	}
	switch rapid.IntRange(0, 10).Draw(t, "wrong look") {
	case 0:
		s.Needle1 = off(s.Needle1)
	case 1:
		s.Needle2 = off(s.Needle2)
	case 2:
		s.Right = off(s.Right)
	case 3:
		s.Left = off(s.Left)
	case 4:
		other := map[string]string{"RS": "WS", "WS": "RS"}[*s.Side]
		s.Side = &other
	case 5:
		other := map[string]string{"plain": "increase", "increase": "plain", "decrease": "plain"}[*s.Last]
		s.Last = &other
	case 6:
		s.Increases = off(s.Increases)
	case 7:
		s.Ridges = off(s.Ridges)
	case 8:
		s.Chains = off(s.Chains)
	case 10:
		other := map[string]string{"left": "right", "right": "left"}[*s.Tail]
		s.Tail = &other
	case 9:
		wrong := *s.Length + rapid.SampledFrom([]float64{-12, -6, 6, 12}).Draw(t, "tape")
		s.Length = &wrong
	}
}

func BenchmarkAsk(b *testing.B) {
	p, looks := looksOf(b, "short_row", "gusset_turn", "wrap")
	traced, err := trace.Of(p.Rows)
	require.NoError(b, err)
	for b.Loop() {
		Ask(Looks(p, traced), perfect(looks[len(looks)/2]), 10)
	}
}
