package replan

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/advise"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

func begunWith(t require.TestingT, fields string) *knitting.Edition {
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},"leg":{"height_mm":180}` + fields + `}`))
	require.NoError(t, err)
	e, err := knitting.Begin(d)
	require.NoError(t, err)
	return e
}

func decided(t require.TestingT, e *knitting.Edition, changes design.Changes, b Bound) (Decided, error) {
	d, err := e.Board.With(changes)
	require.NoError(t, err)
	return Decide(e, d, b, measure.Centimetres)
}

// On the foot the heel is still open: a flap of 36 rows takes 63 mm instead of 51, so that the foot has 5 rounds
// fewer. In the heel it is locked.
func TestWhatLiesAboveTheNeedleIsStillDecided(t *testing.T) {
	e := begunWith(t, "")
	flap := design.Changes{"heel.kind": "flap_under"}
	foot := rowAt(t, e.Plan, "foot-40")
	q, err := decided(t, e, flap, Bound{Done: knitting.Done{foot, 0}})
	require.NoError(t, err)
	require.True(t, q.Plans)
	assert.Equal(t, []Pending{{"heel.kind", "kind of heel"}}, q.Pending)
	assert.Contains(t, q.Changes, Change{"rounds before the heel", 65, 60})
	assert.NotContains(t, q.Text, "comes out", "the heel is longer by as much: the sock stays 242 mm")
	assert.Equal(t, foot, q.Row)

	q, err = decided(t, e, flap, Bound{Done: knitting.Done{rowAt(t, e.Plan, "heel-9"), 0}})
	require.NoError(t, err)
	assert.False(t, q.Plans)
	require.Len(t, q.Locked, 1)
	assert.Equal(t, at.Path("heel.kind"), q.Locked[0].Field)

	// Another way to turn changes no count, and every row of the heel.
	q, err = decided(t, e, design.Changes{"heel.turn": "yarn_over"}, Bound{Done: knitting.Done{foot, 0}})
	require.NoError(t, err)
	assert.Empty(t, q.Changes)
	assert.Contains(t, q.Text, "No count changes, and the rows to come are worked another way")

	// A taller cuff is decided in the leg; a wider toe is not, and says which row stands against it.
	leg := rowAt(t, e.Plan, "leg-20")
	q, err = decided(t, e, design.Changes{"cuff.height_mm": measure.Length(60)}, Bound{Done: knitting.Done{leg, 0}})
	require.NoError(t, err)
	assert.Equal(t, []Change{{"leg rounds", 61, 53}, {"cuff rounds", 18, 26}}, q.Changes)
	q, err = decided(t, e, design.Changes{"toe.start": "rounded"}, Bound{Done: knitting.Done{leg, 0}})
	require.NoError(t, err)
	assert.Equal(t, []Lock{{"toe.start", "start of the toe", "cast on, row 1", 1}}, q.Locked)

	q, err = decided(t, e, design.Changes{"name": "Another"}, Bound{Done: knitting.Done{leg, 0}})
	require.NoError(t, err)
	assert.Empty(t, q.Pending, "a name is no row")
}

// Two rows more are decided while the flap is on the needle: the foot is knitted and stays, the turn comes two rows
// later. After the turn it is locked.
func TestAFlapIsStillLongerWhileItIsKnitted(t *testing.T) {
	e := begunWith(t, `,"heel":{"kind":"flap_under"}`)
	row := rowAt(t, e.Plan, "heel-20")
	more := design.Changes{"heel.flap_rows": 38}
	q, err := decided(t, e, more, Bound{Done: knitting.Done{row, 0}})
	require.NoError(t, err)
	require.Empty(t, q.Locked)
	assert.Contains(t, q.Changes, Change{"flap rows", 36, 38})
	assert.Equal(t, e.Plan.Summary.FootRounds, q.Edition.Plan.Summary.FootRounds)
	q, err = decided(t, e, more, Bound{Done: knitting.Done{rowAt(t, e.Plan, "gusset-3"), 0}})
	require.NoError(t, err)
	require.Len(t, q.Locked, 1)
	assert.Contains(t, q.Locked[0].Row, "heel, row")
}

// A flap would begin 5 rounds sooner than short rows; who has knitted 63 of 65 rounds begins it now.
func TestAHeelThatShouldHaveBegunBeginsNow(t *testing.T) {
	e := begunWith(t, "")
	row := rowAt(t, e.Plan, "foot-64")
	q, err := decided(t, e, design.Changes{"heel.kind": "flap_under"}, Bound{Done: knitting.Done{row, 0}})
	require.NoError(t, err)
	require.True(t, q.Plans)
	assert.Equal(t, 63, q.Edition.Plan.Summary.FootRounds)
	assert.Equal(t, "heel-1", q.Edition.Plan.Rows[q.Row].ID)
}

// What is decided for one sock leaves the other as it was, wherever it stands.
func TestADecisionForOneSockAlone(t *testing.T) {
	e := begunWith(t, "")
	first, second := rowAt(t, e.Plan, "leg-40"), rowAt(t, e.Plan, "foot-10")
	q, err := decided(t, e, design.Changes{"heel.turn": "wrap"}, Bound{Sock: 2, Done: knitting.Done{first, second}})
	require.NoError(t, err)
	require.True(t, q.Plans)
	assert.Same(t, e.Plan, q.Edition.Plan)
	assert.Contains(t, said(&q.Edition.Second.Rows[rowAt(t, q.Edition.Second, "heel-2")]), "wt")
	assert.Equal(t, [2]int{first, second}, [2]int{q.Row, *q.OtherRow})
	q, err = decided(t, e, design.Changes{"heel.turn": "wrap"}, Bound{Done: knitting.Done{first, second}})
	require.NoError(t, err)
	assert.NotEmpty(t, q.Locked, "for both it would change the first sock's heel")
}

// Random socks, rows and choices: a knitted row never changes, and the rest is sound.
func TestADecisionNeverChangesAKnittedRow(t *testing.T) {
	taken, locked := 0, 0
	rapid.Check(t, func(t *rapid.T) {
		e := begunWith(t, `,"toe":{"kind":"`+rapid.SampledFrom(design.Registered("toe.kind")).Draw(t, "toe")+
			`"},"heel":{"kind":"`+rapid.SampledFrom(design.Registered("heel.kind")).Draw(t, "heel")+`","turn":"`+
			rapid.SampledFrom(design.Registered("heel.turn")).Draw(t, "turn")+`"}`)
		choices, err := advise.Options(*e.Board, measure.Centimetres)
		if err != nil {
			t.Fatal(err)
		}
		b := Bound{Sock: rapid.IntRange(0, 2).Draw(t, "sock"),
			Done: knitting.Done{rapid.IntRange(1, len(e.Plan.Rows)).Draw(t, "row"), rapid.IntRange(1, len(e.Plan.Rows)).Draw(t, "other")}}
		choice := rapid.SampledFrom(choices).Draw(t, "choice")
		option := rapid.SampledFrom(choice.Options).Draw(t, "option")
		d, err := e.Board.With(option.Changes)
		if err != nil {
			return
		}
		q, err := Decide(e, d, b, measure.Inches)
		if err != nil {
			return
		}
		locked += min(1, len(q.Locked))
		if !q.Plans {
			return
		}
		taken++
		for i, was := range []int{1, 2} {
			old, now := e.PlanOf(was), q.Edition.PlanOf(was)
			done := min(b.Done[i], len(old.Rows))
			if !slices.EqualFunc(old.Rows[:done], now.Rows[:done], knitting.SameRow) {
				t.Fatalf("%v: a knitted row of sock %d changed", option.Changes, was)
			}
			if faults := check.Kept(now); len(faults) > 0 {
				t.Fatal(faults[0])
			}
		}
		if lock := LockOf(e, d, b)(option.Changes); lock != "" {
			t.Fatalf("%v is taken and locked by %s", option.Changes, lock)
		}
	})
	t.Logf("%d decisions taken, %d locked", taken, locked)
}

// Twenty rounds of the leg are knitted. A rib begins with the next one; what is knitted stays, plain or ribbed, and is no lock. A rib on the
// instep begins in the middle of the foot.
func TestAPatternBeginsAtAnyRoundToCome(t *testing.T) {
	purls := func(p *plan.Plan, id string) bool {
		return slices.ContainsFunc(p.Rows[rowAt(t, p, id)].Ops, func(o needle.Op) bool { return o.Code == needle.P })
	}
	e := begunWith(t, "")
	done := knitting.Done{rowAt(t, e.Plan, "leg-21"), 0}
	out, err := decided(t, e, design.Changes{at.LegPattern: "rib_2x2"}, Bound{Sock: 1, Done: done})
	require.NoError(t, err)
	require.Empty(t, out.Locked)
	e = out.Edition
	assert.Equal(t, []bool{false, false, true, true}, []bool{purls(e.Plan, "leg-1"), purls(e.Plan, "leg-20"), purls(e.Plan, "leg-21"), purls(e.Plan, "leg-61")})
	assert.Equal(t, out.Row, done[0])

	done[0] = rowAt(t, e.Plan, "leg-41")
	out, err = decided(t, e, design.Changes{at.LegPattern: "seed_stitch"}, Bound{Sock: 1, Done: done})
	require.NoError(t, err)
	require.Empty(t, out.Locked)
	e = out.Edition
	assert.True(t, purls(e.Plan, "leg-40"))
	assert.NotEqual(t, e.Plan.Rows[rowAt(t, e.Plan, "leg-41")].Ops, e.Plan.Rows[rowAt(t, e.Plan, "leg-42")].Ops, "seed stitch, from its first round")

	e = begunWith(t, "")
	out, err = decided(t, e, design.Changes{at.LegInstepPattern: "rib_2x2"}, Bound{Sock: 1, Done: knitting.Done{rowAt(t, e.Plan, "foot-31"), 0}})
	require.NoError(t, err)
	require.Empty(t, out.Locked)
	e = out.Edition
	assert.Equal(t, []bool{false, true}, []bool{purls(e.Plan, "foot-30"), purls(e.Plan, "foot-31")})
}

// 65 rounds are drawn on the board; the first sock has 68 of them. The second is as it is drawn.
func TestTheBoardSaysWhatHappenedOnTheNeedles(t *testing.T) {
	e := begunWith(t, "")
	held := func(e *knitting.Edition) []string {
		out, err := Decide(e, e.Plan.Design, Bound{}, measure.Centimetres)
		require.NoError(t, err)
		require.Empty(t, out.Pending)
		return out.Needles
	}
	d := e.Plan.Design
	assert.Empty(t, held(e))
	row := rowAt(t, e.Plan, "foot-60")
	q, err := Ask(e, Happened{Row: row, Done: knitting.Done{row, 0}, HeelLate: whole(3), Unit: measure.Centimetres})
	require.NoError(t, err)
	out, err := Decide(q.Edition, d, Bound{}, measure.Centimetres)
	require.NoError(t, err)
	assert.Equal(t, []string{"The first sock: 3 more rounds before the heel. The foot comes out 0.7 cm longer.", "The second sock: as it stands here."}, out.Needles)
	q, err = Ask(e, Happened{Row: row, Done: knitting.Done{row, 0}, HeelLate: whole(3), Other: Alike, Unit: measure.Centimetres})
	require.NoError(t, err)
	out, err = Decide(q.Edition, d, Bound{}, measure.Centimetres)
	require.NoError(t, err)
	assert.Equal(t, []string{"3 more rounds before the heel. The foot comes out 0.7 cm longer."}, out.Needles)
}

// Nine rounds of the leg are knitted: two rounds and three in turn begin with the tenth, and a leg that is made taller later keeps them there.
func TestStripesBeginAtTheRoundThatComes(t *testing.T) {
	for _, at := range []string{"foot-30", "leg-10"} {
		e := begunWith(t, "")
		row := rowAt(t, e.Plan, at)
		done := knitting.Done{row, row}
		d := e.Plan.Design
		d.Yarn.Stripes = []design.Stripe{{Colour: "own", Rounds: 2}, {Colour: "contrast", Rounds: 3}}
		out, err := Decide(e, d, Bound{Done: done}, measure.Centimetres)
		require.NoError(t, err)
		require.Empty(t, out.Locked)
		next := out.Edition.Plan
		assert.Equal(t, e.Plan.Rows[:row], next.Rows[:row])
		colours := func(p *plan.Plan, from int) (list []string) {
			for _, r := range p.Rows[from : from+7] {
				list = append(list, r.Colour)
			}
			return list
		}
		assert.Equal(t, []string{"", "", "contrast", "contrast", "contrast", "", ""}, colours(next, row), at)
		assert.Empty(t, check.Kept(next))
		d.Leg.Height += 30
		taller, err := Decide(out.Edition, d, Bound{Done: knitting.Done{row + 3, row + 3}}, measure.Centimetres)
		require.NoError(t, err)
		require.Empty(t, taller.Locked)
		assert.Equal(t, colours(next, row+3), colours(taller.Edition.Plan, row+3), at)
	}
}
