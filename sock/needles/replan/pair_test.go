package replan

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"acornstep/sock/craft/check"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/advise"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/design"
)

// evening is a pair on the needles in a property: what it is knitted by, the editions before that, and how much of each sock is done.
type evening struct {
	*rapid.T
	editions []*knitting.Edition
	done     knitting.Done
}

func (v *evening) newest() *knitting.Edition { return v.editions[len(v.editions)-1] }

func (v *evening) pick(name string, from ...string) string {
	return rapid.SampledFrom(from).Draw(v.T, name)
}

// anyPair is a pair with any toe, heel and turn, its first sock the left one or the right one.
func anyPair(t *rapid.T) *evening {
	v := &evening{T: t}
	fields := fmt.Sprintf(`,"mirror":%t,"toe":{"kind":%q},"heel":{"kind":%q,"turn":%q,"share":%s,"fabric":%q},"corner":{"method":%q},"needles":%q`,
		rapid.Bool().Draw(t, "mirror"), v.pick("toe", design.Registered("toe.kind")...),
		v.pick("heel", design.Registered("heel.kind")...),
		v.pick("turn", design.Registered("heel.turn")...), v.pick("share", "0.5", "0.5", "0.65"),
		v.pick("fabric", "stockinette", "stockinette", "garter"),
		v.pick("corner", design.Registered("corner.method")...), v.pick("needles", "magic_loop", "dpn5"))
	fields += v.pick("second foot", "", "", `,"second_foot":{"length_mm":244}`, `,"second_foot":{"length_mm":256,"ball_girth_mm":228}`)
	v.editions = []*knitting.Edition{begunWith(t, fields)}
	return v
}

// knit goes on with both socks, one not at all now and then, or to its end.
func (v *evening) knit() {
	for i := range v.done {
		last := len(v.newest().PlanOf(i + 1).Rows)
		switch rapid.IntRange(0, 5).Draw(v.T, "evening") {
		case 0:
		case 1:
			v.done[i] = last
		default:
			v.done[i] = rapid.IntRange(v.done[i], last).Draw(v.T, "row")
		}
	}
}

// happens draws what is told of one sock; fact says that it tells of knitted rows themselves.
func (v *evening) happens() (h Happened, fact bool) {
	h = Happened{Sock: rapid.IntRange(1, 2).Draw(v.T, "told of"), Done: v.done, Unit: measure.Centimetres}
	h.Row = v.done[h.Sock-1]
	h.Other = Answer(v.pick("other", "", "planned", "alike", "alike", "later"))
	switch v.pick("what", "decided", "turns", "late", "late", "length", "leg", "place", "feels", "picked up", "cast on", "missed", "by version") {
	case "decided":
		h.Decided = Answer(v.pick("decided", "planned", "alike"))
		if u := v.newest().Undecided; u != nil {
			h.Sock = u.Sock
			h.Row = v.done[u.Sock-1]
			for _, made := range u.Made() {
				h.Open = append(h.Open, Step{v.editions[made-2], v.editions[made-1]})
			}
		}
	case "late":
		h.HeelLate, fact = whole(rapid.IntRange(-30, 12).Draw(v.T, "late")), true
	case "length":
		h.Length = mm(rapid.Float64Range(20, 260).Draw(v.T, "length"))
	case "turns":
		h.HeelTurns, fact = whole(rapid.IntRange(3, 14).Draw(v.T, "turns")), true
	case "leg":
		h.LegRounds = whole(rapid.IntRange(0, 120).Draw(v.T, "leg"))
	case "place":
		h.ToHeel = mm(rapid.Float64Range(-40, 120).Draw(v.T, "to the heel"))
	case "feels":
		h.Feels = v.pick("feels", "tight_foot", "loose_foot", "tight_leg", "loose_leg")
	case "picked up":
		h.PickedUp, fact = &[2]int{rapid.IntRange(12, 26).Draw(v.T, "left"), rapid.IntRange(12, 26).Draw(v.T, "right")}, true
	case "cast on":
		h.CastOn, fact = whole(2*rapid.IntRange(4, 34).Draw(v.T, "loops")), true
	case "missed":
		h.Missed, fact = &Missed{Needle: rapid.IntRange(1, 2).Draw(v.T, "needle"), End: v.pick("end", "start", "end")}, true
	case "by version":
		h.ByVersion, fact = rapid.IntRange(1, len(v.editions)).Draw(v.T, "version"), true
		if h.ByVersion < len(v.editions) {
			h.Before = v.editions[h.ByVersion-1]
			h.Row = rapid.IntRange(0, len(h.Before.PlanOf(h.Sock).Rows)).Draw(v.T, "rows of it")
		}
	}
	return h, fact
}

// kept holds an edition against the one before it: of every sock that nothing was told of, each knitted row is the
// same to the letter, and it stands where it stood.
func (v *evening) kept(next *knitting.Edition, told int) {
	was := v.newest()
	after := next.From(v.done)
	for i, done := range v.done {
		old, now := was.PlanOf(i+1), next.PlanOf(i+1)
		if was.Off(i+1, v.done) && !assert.ObjectsAreEqual(old.Rows, now.Rows) {
			v.Fatalf("sock %d is off the needles and told anew", i+1)
		}
		if faults := check.Kept(now); len(faults) > 0 {
			v.Fatalf("sock %d: %v", i+1, faults[0])
		}
		if told == i+1 {
			continue
		}
		for n := range done {
			if n >= len(now.Rows) || !assert.ObjectsAreEqual(old.Rows[n], now.Rows[n]) {
				v.Fatalf("sock %d: its row %s changed, of %d that are knitted", i+1, old.Rows[n].ID, done)
			}
		}
		if after[i] != done {
			v.Fatalf("sock %d stood before row %d and is sent to %d", i+1, done, after[i])
		}
		if hold := next.Holds[i]; hold < done || hold > len(old.Rows) {
			v.Fatalf("sock %d: %d rows are knitted, %d hold", i+1, done, hold)
		}
	}
	v.editions, v.done = append(v.editions, next), after
}

// unasked holds an edition against the answer that was given for the other sock: only who said alike changes a row of it.
func (v *evening) unasked(q Proposal, h Happened) {
	sister := 3 - h.Sock
	was, now := v.newest().PlanOf(sister), q.Edition.PlanOf(sister)
	if h.Other != Alike && h.ByVersion == 0 && !assert.ObjectsAreEqual(was.Rows, now.Rows) {
		v.Fatalf("the other sock changes unasked: %+v: %s %s", h, q.Text, q.Pair)
	}
	if open := q.Edition.Undecided; h.Other == Later && q.Other != nil && (open == nil || open.Sock != sister) {
		v.Fatalf("nothing is left open for the other sock: %+v", open)
	}
	if h.Decided != "" && q.Edition.Undecided != nil {
		v.Fatalf("it is decided, and asked still: %+v", q.Edition.Undecided)
	}
}

// Whatever happens to one sock of a pair, at any place of either, knitted rows of both stay as they are, to the
// letter, and both stand where they stood; what is told of knitted rows themselves changes those of that sock
// alone. The rest is sound, and a refusal says why.
func TestNothingThatHappensTouchesAKnittedRowOfEitherSock(t *testing.T) {
	bent, refused := 0, 0
	rapid.Check(t, func(t *rapid.T) {
		v := anyPair(t)
		for range rapid.IntRange(1, 3).Draw(t, "evenings") {
			v.knit()
			var q Proposal
			var err error
			told := 0
			if rapid.IntRange(0, 3).Draw(t, "decided") == 0 {
				q, err = v.decides()
			} else {
				h, fact := v.happens()
				if fact {
					told = h.Sock
				}
				q, err = Ask(v.newest(), h)
				if err == nil && q.Plans {
					v.unasked(q, h)
				}
			}
			if err != nil {
				if len(err.Error()) < 20 {
					t.Fatalf("refused without a sentence: %v", err)
				}
				refused++
				continue
			}
			if !q.Plans {
				continue
			}
			bent++
			if q.Edition.Second != nil && q.Pair == "" {
				t.Fatalf("nothing is said of the other sock: %s", q.Text)
			}
			v.kept(q.Edition, told)
		}
	})
	t.Logf("%d plans bent, %d refused", bent, refused)
}

// decides draws a choice of the board for one sock or both.
func (v *evening) decides() (Proposal, error) {
	e := v.newest()
	choices, err := advise.Options(*e.Board, measure.Centimetres)
	if err != nil {
		v.Fatal(err)
	}
	choice := rapid.SampledFrom(choices).Draw(v.T, "choice")
	d, err := e.Board.With(rapid.SampledFrom(choice.Options).Draw(v.T, "option").Changes)
	if err != nil {
		return Proposal{}, err
	}
	q, err := Decide(e, d, Bound{Sock: rapid.IntRange(0, 2).Draw(v.T, "bound"), Done: v.done}, measure.Inches)
	return q.Proposal, err
}
