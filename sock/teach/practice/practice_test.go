package practice

import (
	"math/rand/v2"
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/draft"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/hands"
)

// solve makes the moves that lead on, as many as are asked for, or all of them.
func solve(t require.TestingT, lesson string, most int) []Action {
	moves := []Action{}
	all, err := courses()
	require.NoError(t, err)
	for i := range all {
		if all[i].Name != lesson {
			continue
		}
		h, err := all[i].begin()
		require.NoError(t, err)
		for len(moves) < most {
			move, leads := h.next()
			if !leads {
				break
			}
			require.NoError(t, h.act(move))
			moves = append(moves, move)
		}
	}
	return moves
}

func names(t require.TestingT) []string {
	list, err := Lessons()
	require.NoError(t, err)
	var all []string
	for _, l := range list {
		all = append(all, l.Name)
	}
	return all
}

// Every lesson can be done from its first move to its last, by its own hints alone, and gives the rows of its sock.
func TestEveryLessonIsSolvable(t *testing.T) {
	list, err := Lessons()
	require.NoError(t, err)
	for _, l := range list {
		moves := solve(t, l.Name, mostMoves)
		s, err := run(l.Name, moves)
		require.NoError(t, err, l.Name)
		assert.True(t, s.Done, l.Name)
		assert.Nil(t, s.Fault, l.Name)
		assert.Equal(t, l.Moves, len(moves), l.Name)
		if s.Loops > 0 {
			assert.NotEmpty(t, s.Picture.Strokes, l.Name)
		}
		assert.NotEmpty(t, l.Title+l.About)
	}
	for _, c := range must(t) {
		h, err := c.begin()
		require.NoError(t, err)
		for _, move := range solve(t, c.Name, mostMoves) {
			require.NoError(t, h.act(move))
		}
		for i := range h.worked {
			assert.Equal(t, flat(c.plan.Rows[c.first+i].Ops), flat(h.worked[i].Ops), c.Name)
		}
	}
}

// flat is the operations of a row one by one.
func flat(ops needle.Ops) []needle.Code {
	var list []needle.Code
	for _, o := range ops {
		for range o.N {
			list = append(list, o.Code)
		}
	}
	return list
}

func must(t *testing.T) []course {
	t.Helper()
	all, err := courses()
	require.NoError(t, err)
	return all
}

// machines are words of the machine that works the rows.
var machines = regexp.MustCompile(`\(|\bmeets\b|\bfinds no\b|cursor|section|operation|\b(?:kds|pds|kw|pw|klift|plift|slpin|kpin|ppin|ktbl|ptbl|bo|ds|wt|yo|sl|pu|pc|m1)\b|\d+ loops`)

// Whatever is done, in whatever order: it never crashes, what is refused changes nothing, and every move can be taken back.
func TestAnyMovesCanBeMadeAndTakenBack(t *testing.T) {
	all := names(t)
	rapid.Check(t, func(t *rapid.T) {
		lesson := rapid.SampledFrom(all).Draw(t, "lesson")
		moves := solve(t, lesson, rapid.IntRange(0, 60).Draw(t, "right so far"))
		before, err := run(lesson, moves)
		if err != nil {
			t.Fatal(err)
		}
		wild := rapid.SliceOfN(rapid.SampledFrom(Actions), 1, 40).Draw(t, "moves")
		for i := range wild {
			s, err := run(lesson, append(moves[:len(moves):len(moves)], wild[:i+1]...))
			if err != nil {
				t.Fatalf("%v: %v", wild[:i+1], err)
			}
			// What is refused is said as people say it, in a sentence of its own.
			if s.Refused != "" && (machines.MatchString(s.Refused) || !strings.HasSuffix(s.Refused, ".")) {
				t.Fatalf("%s, %v: %s", lesson, wild[:i+1], s.Refused)
			}
		}
		again, err := run(lesson, moves)
		if err != nil || again.Loops != before.Loops || again.Row != before.Row || (again.Fault == nil) != (before.Fault == nil) {
			t.Fatalf("taken back it stands elsewhere: %v", err)
		}
	})
}

// A walk of ten thousand actions, taking back among them, crashes nowhere, and its list of moves gives the state in which it ended.
func TestALongWalk(t *testing.T) {
	all := must(t)
	for i := range all {
		c := &all[i]
		chance := rand.New(rand.NewPCG(uint64(i), 1))
		moves := []Action{}
		h, err := c.begin()
		if err != nil {
			t.Fatal(err)
		}
		for range 10_000 {
			switch leads, ok := h.next(); {
			case len(moves) > 0 && (h.fault != nil || h.done || chance.IntN(40) == 0):
				moves = moves[:len(moves)-1-chance.IntN(min(8, len(moves)))]
				if h, err = c.begin(); err != nil {
					t.Fatal(err)
				}
				for _, m := range moves {
					_ = h.act(m) // what is refused changes nothing
				}
			case ok && chance.IntN(4) > 0:
				moves = append(moves, leads)
				_ = h.act(leads)
			default:
				wild := Actions[chance.IntN(len(Actions))]
				moves = append(moves, wild)
				_ = h.act(wild)
			}
		}
		s, err := run(c.Name, moves)
		if err != nil || s.Loops != h.m.Count() || s.Done != h.done {
			t.Fatalf("%s: %d loops here, %d there: %v", c.Name, h.m.Count(), s.Loops, err)
		}
	}
}

// Casting on: the same needle twice is a fault, and is drawn.
func TestCastingOn(t *testing.T) {
	s, err := run("cast-on", []Action{Lower, Upper, Upper})
	require.NoError(t, err)
	require.NotNil(t, s.Fault)
	assert.Contains(t, s.Fault.Text, "fetched twice")
	assert.Equal(t, Lower, s.Fault.Wanted)
	require.NotNil(t, s.CastOn)
	again, err := run("cast-on", []Action{Lower, Upper})
	require.NoError(t, err)
	points := func(s State) int {
		n := 0
		for _, b := range s.CastOn.Bodies {
			n += len(b.At)
		}
		return n
	}
	assert.Less(t, points(again), points(s))
	// Half of the count on either needle; the first loop was there, and the last one is on the lower needle.
	moves := solve(t, "cast-on", mostMoves)
	assert.Len(t, moves, 11)
	assert.Equal(t, Lower, moves[len(moves)-1])
	_, err = run("flap", []Action{Upper})
	require.NoError(t, err)
}

// The usual slips are reached and named: the yarn not pulled over, one leg alone, a turn past its place, the yarn on the wrong side.
func TestTheUsualSlipsAreNamed(t *testing.T) {
	for _, c := range []struct {
		lesson string
		until  Action
		did    Action
		says   string
	}{
		{"out-german", Over, Purl, "The yarn was not pulled over"},
		{"out-yarn_over", Over, Purl, "The yarn was not pulled over"},
		{"out-pinned", Pin, Purl, "No pin hangs at this turn"},
		{"out-wrap", Wrap, Turn, "Turned without a wrap"},
		{"out-german", Turn, Purl, "You went past the turn"},
		{"flap", Slip, Purl, "The first stitch after a turn is slipped"},
		{"increase", Increase, Knit, "No increase was made"},
		{"flap-turn", Together, Knit, "Two belonged together"},
		{"pick-up", Pick, Knit, "Nothing was picked up"},
		{"bind-off", Together, Knit, "That one was not bound off"},
		{"corner-gone", Together, Knit, "Two belonged together"},
		{"chain", Pick, Turn, "cast on first"},
		{"unzip", Unzip, Knit, "still in the waste yarn"},
		{"rib", Knit, Slip, "A stitch was slipped that is worked here"},
	} {
		moves := solve(t, c.lesson, mostMoves)
		at := -1
		for i, m := range moves {
			if m == c.until {
				at = i
				break
			}
		}
		require.GreaterOrEqual(t, at, 0, "%s has no %s", c.lesson, c.until)
		s, err := run(c.lesson, append(moves[:at:at], c.did))
		require.NoError(t, err)
		if s.Fault == nil {
			assert.Contains(t, s.Refused, c.says, "%s: %s for %s", c.lesson, c.did, c.until)
			continue
		}
		assert.Contains(t, s.Fault.Text, c.says, "%s: %s for %s", c.lesson, c.did, c.until)
		assert.Equal(t, c.until, s.Fault.Wanted)
	}
	// Whoever goes on without joining has the stitch, and the hole.
	joins := solve(t, "join", mostMoves)
	at := slices.Index(joins, Join)
	s, err := run("join", append(joins[:at:at], joins[at+1]))
	require.NoError(t, err)
	require.NotNil(t, s.Fault)
	assert.Contains(t, s.Fault.Text, "a hole stays beside the first stitch")
	assert.Equal(t, 1, s.Made-at)
	// A purl with the yarn behind lays a loop over the needle: one too many.
	moves := solve(t, "out-german", 1)
	right, err := run("out-german", moves)
	require.NoError(t, err)
	wrong, err := run("out-german", append(moves, Back, Purl))
	require.NoError(t, err)
	require.NotNil(t, wrong.Fault)
	assert.GreaterOrEqual(t, wrong.Loops, right.Loops)
}

func TestWhatIsNoMoveIsSaid(t *testing.T) {
	_, err := run("nobody", nil)
	assert.ErrorContains(t, err, "no such lesson")
	_, err = run("flap", []Action{"jump"})
	assert.ErrorContains(t, err, "that is no move")
	_, err = run("flap", make([]Action, mostMoves+1))
	assert.ErrorContains(t, err, "at most")
}

// Every piece is a small sock that can be knitted, in 12 to 24 stitches, with the part to be learned in a contrast.
func TestEveryPieceCanBeKnitted(t *testing.T) {
	pieces := Pieces()
	require.Greater(t, len(pieces), 10)
	for _, p := range pieces {
		_, d, err := Begin(p.Name)
		require.NoError(t, err)
		r := draft.Read(d, measure.Centimetres)
		require.Empty(t, r.Faults, p.Name)
		made, err := knit.Make(r.Design)
		require.NoError(t, err, p.Name)
		require.Nil(t, made.Stopped(), p.Name)
		assert.LessOrEqual(t, made.Summary.FootStitches, 24, p.Name)
		contrast := 0
		for i := range made.Rows {
			if made.Rows[i].Colour != "" {
				contrast++
			}
		}
		assert.Positive(t, contrast, "%s has something in a contrast", p.Name)
	}
	_, _, err := Begin("heel.turn:knot")
	assert.ErrorContains(t, err, "no such piece")
}

// run makes moves as somebody sees them who throws with the right hand.
func run(lesson string, moves []Action) (State, error) {
	return Run(lesson, moves, hands.View{Hold: hands.Right})
}

// Whoever presses one key too many after the last move has done the lesson still: nothing of it becomes a fault.
func TestOneKeyTooManyIsNoFault(t *testing.T) {
	for _, lesson := range names(t) {
		moves := solve(t, lesson, mostMoves)
		for _, extra := range Actions {
			s, err := run(lesson, append(moves[:len(moves):len(moves)], extra, extra))
			require.NoError(t, err)
			assert.True(t, s.Done && s.Fault == nil && s.Refused == "", "%s, then %s: %+v %s", lesson, extra, s.Fault, s.Refused)
		}
	}
}

// The two commonest mistakes are carried out wherever they can be made: the stitch is there, the count is what it was, and it shows what went wrong. Taken
// back it is gone.
func TestTheCommonestMistakesAreCarriedOut(t *testing.T) {
	twisted, legs := 0, 0
	for _, c := range must(t) {
		h, err := c.begin()
		require.NoError(t, err)
		moves := solve(t, c.Name, mostMoves)
		for i, move := range moves {
			next, want := h.m.Peek(0), move
			wrong := map[Action]Action{Twist: Knit, Together: Knit}[want]
			if h.front {
				wrong = map[Action]Action{Twist: Purl, Together: Purl}[want]
			}
			if wrong != "" && (next.Turned || next.Kind == needle.Double) && len(h.pending) == 0 {
				s, err := run(c.Name, append(moves[:i:i], wrong))
				require.NoError(t, err)
				require.NotNil(t, s.Fault, "%s %d: %s", c.Name, i, s.Refused)
				if next.Kind == needle.Double {
					legs++
					assert.Contains(t, s.Fault.Text, "Only one leg")
				} else {
					twisted++
					assert.Contains(t, s.Fault.Text, "legs cross")
				}
				right, err := run(c.Name, moves[:i+1])
				require.NoError(t, err)
				assert.Equal(t, right.Loops, s.Loops)
				assert.NotEqual(t, right.Needles, s.Needles, "the needle shows what came of it")
			}
			require.NoError(t, h.act(move))
		}
	}
	assert.GreaterOrEqual(t, twisted, 10)
	assert.Greater(t, legs, 10)
}

// What lies beside the tips is drawn: no loop twice, those of the row at hand as such, and as many as there are up to the edge of the picture.
func TestTheNeedlesAreDrawnAsTheyAreHeld(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		lesson := rapid.SampledFrom(names(t)).Draw(t, "lesson")
		moves := solve(t, lesson, rapid.IntRange(0, 80).Draw(t, "moves"))
		s, err := run(lesson, moves)
		if err != nil {
			t.Fatal(err)
		}
		if s.Needles == nil {
			return
		}
		seen := map[string]bool{}
		for _, b := range s.Needles.Bodies {
			if b.Key[0] == 'l' && b.Key != "left" {
				if seen[b.Key] {
					t.Fatalf("%s after %v: loop %s is drawn twice", lesson, moves, b.Key)
				}
				seen[b.Key] = true
			}
		}
		if len(seen) == 0 || len(seen) > s.Loops {
			t.Fatalf("%s after %v: %d loops drawn of %d", lesson, moves, len(seen), s.Loops)
		}
	})
}

// The words of the row say where the next move belongs: all before are done, none after it is.
func TestTheWordsSayWhereItIs(t *testing.T) {
	for _, c := range must(t) {
		h, err := c.begin()
		require.NoError(t, err)
		for i, move := range solve(t, c.Name, mostMoves) {
			now := 0
			for _, w := range h.words() {
				assert.NotEmpty(t, w.Text)
				assert.LessOrEqual(t, w.Done, w.Of)
				if w.Done < w.Of {
					now++
					continue
				}
				assert.Zero(t, now, "%s %d: %+v", c.Name, i, h.words())
			}
			assert.Positive(t, now, "%s %d: %+v", c.Name, i, h.words())
			require.NoError(t, h.act(move))
		}
	}
}

// Every lesson is led to by a move that it practises, and every move leads to a lesson that there is.
func TestMovesAndLessonsKnowEachOther(t *testing.T) {
	led := map[string]bool{}
	for i := range hands.Sequences {
		if lesson := hands.Sequences[i].Lesson; lesson != "" {
			assert.Contains(t, names(t), lesson, hands.Sequences[i].Name)
			led[lesson] = true
		}
	}
	for _, lesson := range names(t) {
		assert.True(t, led[lesson], "no move leads to the lesson %s", lesson)
	}
}
