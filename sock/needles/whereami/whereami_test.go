package whereami

import (
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
)

var toes = []string{"wedge", "garter_square", "short_row"}
var heels = []string{"short_row", "flap_under", "gusset_turn"}
var turns = design.Registered("heel.turn")

func looksWith(t require.TestingT, fields string) (*plan.Plan, Places) {
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}%s}`, fields))
	require.NoError(t, err)
	p, err := knit.Make(d)
	require.NoError(t, err)
	require.Nil(t, p.Stopped())
	traced, err := knitted.Of(p.Rows)
	require.NoError(t, err)
	return p, Of(p, traced, "marks")
}

func looksOf(t require.TestingT, toe, heel, turn string) (*plan.Plan, Places) {
	return looksWith(t, fmt.Sprintf(`,"toe":{"kind":%q},"heel":{"kind":%q,"turn":%q}`, toe, heel, turn))
}

// before is the look before a row, or in its middle.
func before(t require.TestingT, p *plan.Plan, all Places, id string, half bool) Look {
	for _, l := range all.Looks {
		if l.Row < len(p.Rows) && p.Rows[l.Row].ID == id && l.Half == half {
			return l
		}
	}
	require.Fail(t, "no such place", id)
	return Look{}
}

// perfect is what a sharp eye sees of the looks that a sock can have.
func perfect(all Places, l Look) Seen {
	chains, side, last, tail, yarnAt, colour := l.Chains, string(l.Side), l.Last, l.Tail, l.YarnAt, l.Colour
	seen := Seen{}
	for _, q := range all.asks {
		switch q.Name {
		case "needle1":
			seen.Needle1 = &l.Needles[0]
		case "needle2":
			seen.Needle2 = &l.Needles[1]
		case "needle3":
			seen.Needle3 = &l.Needles[2]
		case "needle4":
			seen.Needle4 = &l.Needles[3]
		case "right":
			seen.Right = &l.Right
		case "left":
			seen.Left = &l.Left
		case "wait_right":
			seen.WaitRight = &l.WaitRight
		case "wait_left":
			seen.WaitLeft = &l.WaitLeft
		case "side":
			seen.Side = &side
		case "yarn_at":
			seen.YarnAt = &yarnAt
		case "tail":
			seen.Tail = &tail
		case "last":
			seen.Last = &last
		case "increases":
			seen.Increases = &l.Increases
		case "ridges":
			seen.Ridges = &l.Ridges
		case "chains":
			seen.Chains = &chains
		case "since_toe":
			seen.SinceToe = &l.SinceToe
		case "since_heel":
			seen.SinceHeel = &l.SinceHeel
		case "since_cuff":
			seen.SinceCuff = &l.SinceCuff
		case "colour":
			seen.Colour = &colour
		case "colour_rounds":
			seen.ColourRounds = &l.ColourRounds
		case "length":
			seen.Length = &l.Along
		case "up":
			seen.Up = &l.Reach.Up
		}
	}
	return seen
}

// In a heel of 34 with double stitches: after the third narrowing row two doubles
// lie at one side and one at the other.
func TestTheNeedleAfterThreeGermanTurns(t *testing.T) {
	p, all := looksOf(t, "wedge", "short_row", "german")
	l := before(t, p, all, "heel-5", false)
	assert.Equal(t, 3, l.Right+l.Left)
	assert.Equal(t, 68, l.Needles[0]+l.Needles[1])
	l = before(t, p, all, "toe-3", false)
	assert.Equal(t, []int{18, 18, 1}, []int{l.Needles[0], l.Needles[1], l.Increases})
	assert.Equal(t, "increase", l.Last)
}

// After row 24 of a heel with wraps, a right-side row, the inside is in front: ten wraps lie at the right hand, where that row
// ended, and eleven at the left. Row 39 of a flap heel begins its turn: the twelve that its right-side row leaves lie at the right hand.
func TestLeftAndRightAreTheHandsThatHoldIt(t *testing.T) {
	p, all := looksOf(t, "wedge", "short_row", "wrap")
	l := before(t, p, all, "heel-25", false)
	assert.Equal(t, []any{"WS", 11, 10, 11, 10}, []any{string(l.Side), l.Left, l.Right, l.WaitLeft, l.WaitRight})
	p, all = looksOf(t, "wedge", "flap_under", "wrap")
	l = before(t, p, all, "heel-40", false)
	assert.Equal(t, []any{"WS", 0, 12, 18}, []any{string(l.Side), l.WaitLeft, l.WaitRight, l.Chains})
	assert.Equal(t, 18, before(t, p, all, "heel-50", false).Chains, "the turn slips a stitch in each row, and makes no chain")
}

// With the round begun at the centre of the back, needle 1 is still the instep, and in the middle of a round half of the back and the
// instep are done. On four needles each has its own count, named as the rows name it.
func TestEachNeedleIsTheOneOfTheRows(t *testing.T) {
	p, all := looksWith(t, `,"heel":{"kind":"flap_under"},"round_start":"centre_back"`)
	l := before(t, p, all, "leg-5", false)
	assert.Equal(t, []any{[4]int{34, 34}, "start"}, []any{l.Needles, l.YarnAt})
	l = before(t, p, all, "gusset-6", true)
	was, is := before(t, p, all, "gusset-6", false), before(t, p, all, "gusset-7", false)
	assert.Equal(t, was.Needles[0], l.Needles[0])
	assert.Equal(t, (was.Needles[1]+is.Needles[1])/2, l.Needles[1], "one of the two decreases is made")

	p, all = looksWith(t, `,"needles":"dpn4"`)
	assert.Equal(t, [4]int{18, 9, 9}, before(t, p, all, "toe-3", false).Needles)
	assert.Equal(t, "Stitches on needle 3 (sole, later the back)", all.asks[2].Label)
	p, all = looksWith(t, `,"needles":"short_circular"`)
	assert.Equal(t, [4]int{68}, before(t, p, all, "foot-3", false).Needles)
	assert.Equal(t, "Stitches on needle 1, or in all on the short circular", all.asks[0].Label)
}

// In the middle of the first increase round needle 1 has its two more and needle 2 has not; the yarn comes from
// between them, and the tail hangs at the left.
func TestTheMiddleOfARoundIsAPlace(t *testing.T) {
	p, all := looksOf(t, "wedge", "short_row", "german")
	l := before(t, p, all, "toe-2", true)
	assert.Equal(t, []any{18, 16, "middle", "left"}, []any{l.Needles[0], l.Needles[1], l.YarnAt, l.Tail})
	answer := all.Ask(Seen{Needle1: &l.Needles[0], Needle2: &l.Needles[1]}, -1)
	assert.Equal(t, []any{l.Row, true}, []any{answer.Matches[0].Row, answer.Matches[0].Half})
	for _, l := range all.Looks {
		if l.Half && p.Rows[l.Row].Kind != "round" {
			t.Fatalf("%s has no half", p.Rows[l.Row].ID)
		}
	}
}

// 20 rounds of the foot are 20 rungs since the toe and 45.5 mm more than it; 20 of the leg reach 45.5 mm up, and no
// further along the sole than the heel.
func TestRoundsSinceALandmarkAndLengthsRoundTheCorner(t *testing.T) {
	p, all := looksOf(t, "wedge", "short_row", "german")
	foot, leg := before(t, p, all, "foot-21", false), before(t, p, all, "leg-21", false)
	assert.Equal(t, []int{20, 0}, []int{foot.SinceToe, foot.SinceHeel})
	assert.InDelta(t, 100*(19+20)/44.0, foot.Along, 0.1)
	assert.Zero(t, foot.Up)
	assert.Equal(t, 20, leg.SinceHeel)
	assert.InDelta(t, 2000/44.0, leg.Up, 0.1)
	assert.InDelta(t, float64(p.Summary.FinishedLength), leg.Along, 0.1)
	cuff := before(t, p, all, "cuff-5", false)
	assert.Equal(t, 4, cuff.SinceCuff)
}

// A square of 17 ridges: the cast-on is the first ridge of one face, and every two rows make one more.
func TestRidgesAreCountedWithTheCastOns(t *testing.T) {
	p, all := looksOf(t, "garter_square", "short_row", "german")
	assert.Equal(t, 1, before(t, p, all, "toe-2", false).Ridges)
	assert.Equal(t, 3, before(t, p, all, "toe-5", false).Ridges)
}

// Two rounds in one colour, three in the other: the second round of the second stripe is the fourth of the foot.
func TestRoundsOfTheColourOnTheNeedle(t *testing.T) {
	p, all := looksWith(t, `,"yarn":{"stripes":[["own",2],["contrast",3]]}`)
	l := before(t, p, all, "foot-5", false)
	assert.Equal(t, []any{"contrast", 2}, []any{l.Colour, l.ColourRounds})
	names := []string{}
	for _, q := range all.asks {
		names = append(names, q.Name)
	}
	assert.Contains(t, names, "colour_rounds")
}

// Only what this sock can show is asked for, in the words of its own turns.
func TestOnlyLooksThatThisSockCanHave(t *testing.T) {
	names := func(toe, heel, turn string) []string {
		_, all := looksOf(t, toe, heel, turn)
		list := []string{}
		for _, q := range all.Ask(Seen{}, 5).Asks {
			list = append(list, q.Name)
			assert.NotContains(t, q.Label+q.Text, "%")
		}
		return list
	}
	german := names("wedge", "short_row", "german")
	assert.Contains(t, german, "increases")
	for _, turn := range turns {
		for _, never := range []string{"ridges", "chains", "colour", "needle3"} {
			assert.NotContains(t, names("wedge", "short_row", turn), never, turn)
		}
	}
	flap := names("short_row", "flap_under", "wrap")
	assert.Contains(t, flap, "chains")
	assert.NotContains(t, flap, "tail", "a chain leaves no tail to tell by")
	assert.Contains(t, names("garter_square", "gusset_turn", "pinned"), "ridges")
}

// A corner stitch that went to the wrong needle is one slip, not two: 31 and 31 where 32 and 30 are meant still lead there.
func TestStitchesOnTheOtherNeedleAreOneSlip(t *testing.T) {
	p, all := looksOf(t, "wedge", "short_row", "german")
	l := before(t, p, all, "leg-3", false)
	one, two := l.Needles[0]+1, l.Needles[1]-1
	seen := perfect(all, l)
	seen.Needle1, seen.Needle2 = &one, &two
	answer := all.Ask(seen, -1)
	assert.Equal(t, l.Row, answer.Matches[0].Row)
}

// A wide heel holds stitches on both sides of the start of the round, and a line after a provisional
// cast-on lies on one needle.
func TestNeedlesAreTheOnesInTheHand(t *testing.T) {
	p, all := looksWith(t, `,"toe":{"kind":"short_row"},"heel":{"share":0.65}`)
	line := before(t, p, all, "toe-3", false)
	assert.Equal(t, []int{34, 0}, []int{line.Needles[0], line.Needles[1]}, "34 in a line")
	l := before(t, p, all, "heel-13", false)
	// The half round in, then eleven rows: five double stitches on each side, the sixth of one made.
	assert.InDelta(t, l.Right, l.Left, 1)
	assert.GreaterOrEqual(t, l.Left, 5)
}

// 34 stitches a round of the leg and so on: after n repeats of 6 m the row lies where the plan has used n × 6 m.
func TestStripesAreEvidence(t *testing.T) {
	p, all := looksOf(t, "wedge", "short_row", "german")
	l := before(t, p, all, "foot-51", false)
	seen := Seen{Repeat: 6000}
	repeats := l.Yarn / seen.Repeat
	seen.Repeats = &repeats
	answer := all.Ask(seen, -1)
	assert.InDelta(t, l.Row, answer.Matches[0].Row, 6, "the stripes lead to the place, a few rounds more or less")
	none := all.Ask(Seen{Repeats: &repeats}, 12)
	assert.Equal(t, 12, none.Matches[0].Row, "without the length of a repeat they say nothing")
	// A round of 68 stitches takes 68 × (2/0.44 + 1/0.32 + 5.94 d) mm; d for 100 g in 420 m of wool is 0.742 mm: 821 mm.
	assert.InDelta(t, 821, before(t, p, all, "foot-21", false).Yarn-before(t, p, all, "foot-20", false).Yarn, 3)
}

// sameLook says whether nothing that can be seen tells two places apart.
func sameLook(a, b Look) bool {
	for _, k := range looks {
		if k.name != "length" && k.name != "up" && k.name != "repeats" && k.value(a) != k.value(b) {
			return false
		}
	}
	return a.Reach == b.Reach
}

// For every row of every kind of sock, and every middle of a round, perfect evidence names that place first where
// nothing else looks the same.
func TestPerfectEvidenceNamesThePlace(t *testing.T) {
	every, first, twins, arranged := 0, 0, 0, 0
	needles := []string{"", `,"needles":"dpn4"`, `,"round_start":"centre_back"`, `,"needles":"dpn5"`, `,"needles":"short_circular"`, `,"needles":"dpn4","round_start":"centre_back"`,
		`,"needles":"two_circulars","round_start":"columns"`}
	for _, toe := range toes {
		for _, heel := range heels {
			for _, turn := range turns {
				// Each kind of sock on one of the kinds of needles, and each start of the round among them.
				kind := needles[arranged%len(needles)]
				arranged++
				_, all := looksWith(t, fmt.Sprintf(`,"toe":{"kind":%q},"heel":{"kind":%q,"turn":%q}%s`, toe, heel, turn, kind))
				for _, l := range all.Looks {
					every++
					answer := all.Ask(perfect(all, l), -1)
					switch m := answer.Matches[0]; {
					case m.Row == l.Row && m.Half == l.Half:
						first++
					case sameLook(m.Look, l):
						twins++
					default:
						t.Fatalf("%s %s %s: place %d %t is taken for %d %t", toe, heel, turn, l.Row, l.Half, m.Row, m.Half)
					}
				}
			}
		}
	}
	t.Logf("%d of %d places named first, %d have a twin that looks the same", first, every, twins)
	if 100*twins > every {
		t.Errorf("%d of %d places cannot be told apart", twins, every)
	}
}

// With one wrong look the place is still among the first three in at least 92 of a hundred cases, in each kind of section.
func TestOneWrongLookStillFindsThePlace(t *testing.T) {
	type rate struct{ all, found int }
	kinds := map[string]*rate{}
	var sum rate
	rapid.Check(t, func(t *rapid.T) {
		p, all := looksOf(t, rapid.SampledFrom(toes).Draw(t, "toe"), rapid.SampledFrom(heels).Draw(t, "heel"),
			rapid.SampledFrom(turns).Draw(t, "turn"))
		for range 20 {
			l := all.Looks[rapid.IntRange(0, len(all.Looks)-1).Draw(t, "place")]
			seen := perfect(all, l)
			if !spoil(t, &seen) {
				continue
			}
			answer := all.Ask(seen, max(0, l.Row+rapid.IntRange(-2, 2).Draw(t, "log")))
			kind := "after the last row"
			if l.Row < len(p.Rows) {
				kind = fmt.Sprintf("%s %s", p.Rows[l.Row].Section, p.Rows[l.Row].Kind)
			}
			if l.Half {
				kind += ", its middle"
			}
			if kinds[kind] == nil {
				kinds[kind] = &rate{}
			}
			sum.all++
			kinds[kind].all++
			if slices.ContainsFunc(answer.Matches[:3], func(m Match) bool { return m.Row == l.Row && m.Half == l.Half }) {
				sum.found++
				kinds[kind].found++
			}
		}
	})
	for kind, r := range kinds {
		t.Logf("%s: %d of %d, %.1f %%", kind, r.found, r.all, 100*float64(r.found)/float64(r.all))
	}
	t.Logf("%d of %d found among the first three: %.1f %%", sum.found, sum.all, 100*float64(sum.found)/float64(sum.all))
	if 100*sum.found < 92*sum.all {
		t.Errorf("found only %d of %d", sum.found, sum.all)
	}
}

// spoil makes one of the looks that were taken wrong, as people get it wrong; false when that one was not taken.
func spoil(t *rapid.T, s *Seen) bool {
	counts := []**int{&s.Needle1, &s.Needle2, &s.Right, &s.Left, &s.Increases, &s.Ridges, &s.Chains, &s.SinceToe, &s.SinceHeel,
		&s.SinceCuff}
	which := rapid.IntRange(0, len(counts)+5).Draw(t, "wrong look")
	if which < len(counts) {
		if *counts[which] == nil {
			return false
		}
		wrong := max(0, **counts[which]+rapid.SampledFrom([]int{-2, -1, 1, 2}).Draw(t, "off"))
		*counts[which] = &wrong
		return true
	}
	swap := func(v **string, other map[string]string) bool {
		if *v == nil {
			return false
		}
		wrong := other[**v]
		*v = &wrong
		return true
	}
	switch which - len(counts) {
	case 0:
		return swap(&s.Side, map[string]string{"RS": "WS", "WS": "RS"})
	case 1:
		return swap(&s.Last, map[string]string{"plain": "increase", "increase": "plain", "decrease": "plain"})
	case 2:
		return swap(&s.Tail, map[string]string{"left": "right", "right": "left"})
	case 3:
		return swap(&s.YarnAt, map[string]string{"start": "middle", "middle": "start", "within": "start"})
	case 4:
		return stretch(t, &s.Length)
	default:
		return stretch(t, &s.Up)
	}
}

func stretch(t *rapid.T, v **float64) bool {
	if *v == nil {
		return false
	}
	wrong := **v + rapid.SampledFrom([]float64{-12, -6, 6, 12}).Draw(t, "tape")
	*v = &wrong
	return true
}

func BenchmarkAsk(b *testing.B) {
	p, all := looksOf(b, "short_row", "gusset_turn", "wrap")
	traced, err := knitted.Of(p.Rows)
	require.NoError(b, err)
	for b.Loop() {
		w := Of(p, traced, "marks")
		w.Ask(perfect(all, all.Looks[len(all.Looks)/2]), 10)
	}
}
