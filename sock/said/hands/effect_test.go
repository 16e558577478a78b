package hands

import (
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"

	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// doesWhat carries a plan out on a needle, and holds each move that a row opens against what the row does there.
func doesWhat(p *plan.Plan, shown [][]Shown) error {
	var m needle.Machine
	for i := range p.Rows {
		row := &p.Rows[i]
		before, afterTurn := m.Snapshot(), m.AfterTurn() || i > 0 && last(p.Rows[i-1].Ops) == needle.WT
		if row.Ops[0].Code == needle.Unzip { // the loops of the waste yarn are there before they are worked
			before.Loops = append(slices.Clone(before.Loops), make([]needle.LoopView, row.Ops[0].N)...)
		}
		if err := m.Work(row); err != nil {
			return err
		}
		after := m.Snapshot()
		for _, s := range shown[i] {
			if s.Op == "" {
				continue
			}
			e, does := Find(s.Move).Effect(), row
			first := afterTurn
			if s.Op == "turn" && i+1 < len(p.Rows) && (e.Side != "" && e.Side != row.Side || !e.Bare && !slices.ContainsFunc(row.Ops, func(o needle.Op) bool { return o.Code != needle.Turn && slices.Contains(e.Ops, o.Code) })) {
				does, first = &p.Rows[i+1], true // the move begins with the turn, and is what the next row begins with
			}
			if e.Bare && i+1 < len(p.Rows) && slices.Contains([]needle.Code{needle.DS, needle.YO, needle.SlPin, needle.Sl}, p.Rows[i+1].Ops[0].Code) {
				return fmt.Errorf("%s: %s opens %s, and the next row begins with %s", row.ID, s.Op, s.Move, p.Rows[i+1].Ops[0].Code)
			}
			if err := matches(e, s.Op, does, first, before, after, does == row); err != nil {
				return fmt.Errorf("%s: %s opens %s: %w", row.ID, s.Op, s.Move, err)
			}
		}
	}
	return nil
}

func last(ops []needle.Op) needle.Code { return ops[len(ops)-1].Code }

func matches(e Effect, op string, row *needle.Row, first bool, before, after needle.Snapshot, here bool) error {
	code, _ := needle.ParseCode(op)
	turns := last(row.Ops) == needle.Turn || last(row.Ops) == needle.WT
	switch {
	case len(e.Ops) == 0:
		return fmt.Errorf("it declares nothing")
	case here && !slices.Contains(e.Ops, code):
		return fmt.Errorf("it is %v", e.Ops)
	case here && op == "turn" && len(e.Ops) > 1 && !slices.ContainsFunc(row.Ops, func(o needle.Op) bool { return o.Code != needle.Turn && slices.Contains(e.Ops, o.Code) }):
		return fmt.Errorf("it is %v, and the row only turns", e.Ops)
	case !here && (row.Ops[0].Code == needle.K || row.Ops[0].Code == needle.P):
		return fmt.Errorf("nothing is done at that turn")
	case !here && !slices.Contains(e.Ops, row.Ops[0].Code):
		return fmt.Errorf("it is %v, and the row after the turn begins with %s", e.Ops, row.Ops[0].Code)
	case e.Side != "" && e.Side != row.Side:
		return fmt.Errorf("it is on the %s", e.Side)
	case e.Turn == Turns && !turns || e.Turn == RunsOn && turns:
		return fmt.Errorf("it turns: %v, the row: %v", e.Turn == Turns, turns)
	case e.First && (!first || !slices.Contains(e.Ops, row.Ops[0].Code)):
		return fmt.Errorf("it comes right after a turn")
	}
	if !here || op == "turn" {
		return nil // the loops are those of the operation before it
	}
	if e.Wraps > 0 {
		at := after.Cursor
		if row.Side == needle.WS {
			at--
		}
		if wraps := int(after.Loops[(at+len(after.Loops))%len(after.Loops)].Wraps); wraps != e.Wraps {
			return fmt.Errorf("it leaves %d wraps, the row %d", e.Wraps, wraps)
		}
	}
	return takes(e.Takes, code, row, before)
}

// takes says whether what the move takes lies where the row does it.
func takes(taken Taken, code needle.Code, row *needle.Row, before needle.Snapshot) error {
	if taken == AnyLoop {
		return nil
	}
	at, all, rs := before.Cursor, len(before.Loops), row.Side == needle.RS
	loop := func(ahead int) *needle.LoopView {
		if rs {
			return &before.Loops[((at+ahead)%all+all)%all]
		}
		return &before.Loops[((at-1-ahead)%all+all)%all]
	}
	step := func(ahead int) bool { // before the loop that is so many ahead
		if rs {
			return loop(ahead-1).Open || loop(ahead-1).Pins > 0
		}
		return loop(ahead).Open || loop(ahead).Pins > 0
	}
	ahead := 0
	for _, o := range row.Ops {
		for range o.N {
			n := max(o.Code.Takes(), 1)
			over := false
			for k := range o.Code.Takes() {
				over = over || loop(ahead+k).Kind == needle.YarnOver
			}
			if o.Code == code {
				found := map[Taken]bool{
					DoubleStitch: loop(ahead).Kind == needle.Double, WrappedStitch: loop(ahead).Wraps > 0, OverAndStitch: over,
					PinnedLoop: step(ahead) || step(ahead+1), StrandOfGap: step(ahead) || step(ahead+1) || o.Code.Takes() == 0,
				}
				if found[taken] {
					return nil
				}
			}
			if o.Code.Takes() > 0 {
				ahead += n
			}
		}
	}
	return fmt.Errorf("nothing of that kind lies there")
}

// A move that a word opens does on the needle just what it declares: on that side, with those loops, after a turn or before one. A move that
// is another one is noticed.
func TestEachMoveDoesWhatItDeclares(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		p := anyPlan(t)
		shown := Rows(p)
		if err := doesWhat(p, shown); err != nil {
			t.Fatal(err)
		}
		i := rapid.IntRange(0, len(shown)-1).Draw(t, "row")
		if len(shown[i]) == 0 {
			return
		}
		k := rapid.IntRange(0, len(shown[i])-1).Draw(t, "move")
		was, other := shown[i][k], rapid.SampledFrom(Sequences).Draw(t, "other").Name
		if was.Op == "" || alike(was.Move, other) {
			return
		}
		shown[i] = slices.Clone(shown[i])
		shown[i][k].Move = other
		if doesWhat(p, shown) == nil {
			t.Fatalf("%s: %s opens %s instead of %s, and nobody notices", p.Rows[i].ID, was.Op, other, was.Move)
		}
	})
}

// alike says whether two moves do the same to a needle, so that one for the other is not a false claim about it.
func alike(a, b string) bool {
	x, y := effects[a], effects[b]
	return slices.ContainsFunc(x.Ops, func(code needle.Code) bool { return slices.Contains(y.Ops, code) })
}

// Every move that stands for something worked declares what it does.
func TestWhatIsWorkedIsDeclared(t *testing.T) {
	only := []string{"co-magic-round", "magic-loop", "two-circulars", "dpn", "short-circular", "tug", "link", "take-up", "step-free", "join", "wrap-first"}
	for i := range Sequences {
		if name := Sequences[i].Name; !slices.Contains(only, name) {
			assert.NotEmpty(t, Sequences[i].Effect().Ops, name)
		}
	}
}
