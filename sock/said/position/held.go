package position

import (
	"fmt"

	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Held is what the fingers count at a turn: held on the right, free between,
// held on the left. All are 0 where nothing is held.
type Held struct {
	Right   int `json:"held_right"`
	Between int `json:"between"`
	Left    int `json:"held_left"`
}

// Some says whether any stitch is held.
func (h Held) Some() bool { return h.Right+h.Left > 0 }

func (h Held) String() string {
	return fmt.Sprintf("%d held · %d worked · %d held", h.Right, h.Between, h.Left)
}

// Fingers is what the fingers count after each row of a plan where a turn holds stitches, and an empty text elsewhere.
func Fingers(p *plan.Plan, t *knitted.Sock) []string {
	list := make([]string, len(p.Rows))
	Each(p, t, func(at int, s State) {
		if at > 0 {
			list[at-1] = s.fingers
		}
	})
	return list
}

// turns remembers where the rows turned: slip and lift, and the turn of a flap, leave no other mark.
type turns struct {
	plan        *plan.Plan
	right, left int // loops of the ring outside the last turn on each side, -1 before there was one
	stitches    int // on the needles when the short rows began
}

// after notes the turn at the end of a row.
func (t *turns) after(row *needle.Row, s *State) {
	last := row.Ops[len(row.Ops)-1].Code
	if row.N == 1 || row.Kind == needle.Round || last != needle.Turn {
		t.right, t.left, t.stitches = -1, -1, s.Count
		if last != needle.Turn {
			return
		}
	}
	v := t.view(s)
	if row.Side == needle.RS {
		t.left = v.hi - v.at(s.Cursor)
	} else {
		t.right = v.at(s.Cursor) - v.lo
	}
}

// view is the ring, cut open in the middle of the instep so that a heel lies in
// one piece, however wide it is; the heel is loops lo to hi of it.
type view struct {
	seam, count, middle, lo, hi int
}

func (t *turns) view(s *State) view {
	n := s.Count
	if s.Open || s.Sole == 0 {
		return view{0, n, n / 2, 0, n}
	}
	v := view{seam: s.Sole / 2, count: n}
	v.lo, v.hi = s.Sole-v.seam, n-v.seam
	v.middle = (v.lo + v.hi) / 2
	if t.plan.Summary.FlapRows != nil {
		return v
	}
	// A heel over more than half takes as many stitches from either end of the instep; one
	// between gussets leaves as many at either end of the sole.
	stitches := n - s.Sole
	for _, l := range s.Loops[s.Sole:] {
		if l.Kind == yarnOver {
			stitches--
		}
	}
	wider := (t.plan.Summary.HeelStitches - stitches) / 2
	v.lo, v.hi = v.outward(s, v.lo, -wider), v.outward(s, v.hi, wider)
	return v
}

const yarnOver = "yarn-over"

// outward moves an edge of the heel over so many stitches; the yarn-overs of turns are none.
func (v view) outward(s *State, edge, stitches int) int {
	step := 1
	if stitches < 0 {
		step = -1
	}
	for stitches != 0 && edge > 0 && edge < v.count {
		passed := edge
		if step < 0 {
			passed--
		}
		if v.loop(s, passed).Kind != yarnOver {
			stitches -= step
		}
		edge += step
	}
	return edge
}

func (v view) at(loop int) int { return (loop - v.seam + v.count) % max(v.count, 1) }

func (v view) loop(s *State, j int) *Loop { return &s.Loops[(j+v.seam)%v.count] }

// held counts by what hangs on the needles; where turns leave nothing there, by the turns.
func (t *turns) held(row *needle.Row, s *State) Held {
	if s.Count == 0 || row.Section != needle.Heel && row.Section != needle.Toe {
		return Held{}
	}
	v := t.view(s)
	if h := v.marked(s); h.Some() {
		return h
	}
	// Nothing hangs there: the style leaves only gaps, or it is the turn of a flap.
	lifted := s.Count == t.stitches && (row.Section == needle.Heel || s.Open)
	flapTurn := t.plan.Summary.FlapRows != nil && row.Section == needle.Heel
	if !lifted && !flapTurn || t.right < 0 || t.left < 0 || t.right+t.left == 0 {
		return Held{}
	}
	return Held{t.right, v.hi - v.lo - t.right - t.left, t.left}
}

// marked counts the stitches with a second leg, a wrap, a pin or a yarn-over. A pin
// hangs between a held stitch and the last that was worked, a yarn-over lies
// there: the held stitch is the one away from the middle.
func (v view) marked(s *State) Held {
	held := make([]bool, v.count+1)
	for j := range v.count {
		l := v.loop(s, j)
		held[j] = held[j] || l.Kind == "double" || l.Wraps > 0
		switch {
		case l.Kind == yarnOver && j < v.middle:
			held[v.outward(s, j, -1)] = true
		case l.Kind == yarnOver:
			held[v.outward(s, j+1, 1)-1] = true
		case l.Pins > 0 && j < v.middle:
			held[j] = true
		case l.Pins > 0:
			held[j+1] = true
		}
	}
	// What lies outside a held stitch is held as well, also where a full round has made its legs single again.
	var h Held
	for j := v.lo; j < v.hi; j++ {
		if v.loop(s, j).Kind == yarnOver {
			continue
		}
		switch {
		case h.Left > 0 || held[j] && j >= v.middle:
			h.Left++
		case held[j]:
			h.Right, h.Between = h.Right+h.Between+1, 0
		default:
			h.Between++
		}
	}
	return h
}

// marks counts what turns left on the needles, at the right and at the left of the middle.
func (v view) marks(s *State) (right, left int) {
	for j := range v.count {
		l := v.loop(s, j)
		if l.Kind == "plain" && l.Wraps == 0 && l.Pins == 0 {
			continue
		}
		if j < v.middle {
			right++
		} else {
			left++
		}
	}
	return right, left
}
