// Package position shows the needles between the rows: what hangs there,
// where the yarn is, and how many stitches a turn holds on each side.
package position

import (
	"fmt"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/fingers"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// State is the needles between two rows.
type State struct {
	// Loops from loop 0 up the ring, each as "plain", "double" or "yarn-over".
	Loops  []Loop      `json:"loops"`
	Cursor int         `json:"cursor"`
	Side   needle.Side `json:"side"`
	Count  int         `json:"count"`
	// Sole is the first loop of needle 2; 0 while all loops lie on one needle.
	Sole int `json:"sole"`
	// Open is a line after a provisional cast-on, with Waiting loops in the waste yarn.
	Open    bool `json:"open"`
	Waiting int  `json:"waiting"`
	// Markers that hang on the needles, each before its loop.
	Markers []needle.Marker `json:"markers"`
	// MarksRight and MarksLeft are the second legs, wraps, pins and yarn-overs that lie on either side of the middle of the heel.
	MarksRight int `json:"marks_right"`
	MarksLeft  int `json:"marks_left"`
	Held
	// fingers is what they find after the row before; empty where nothing waits.
	fingers string
}

// Loop is one loop as it looks.
type Loop struct {
	Kind   string `json:"kind"`
	Wraps  int    `json:"wraps"`
	Turned bool   `json:"turned"`
	Pins   int    `json:"pins"`
	// Yarn that the loop is of, named as the row that made it names it; empty for the sock's own.
	Yarn string `json:"yarn,omitempty"`
}

// Row is one row with the needles before and after it.
type Row struct {
	Before State `json:"before"`
	After  State `json:"after"`
}

// Of shows row i of a plan. The error names the rows that there are.
func Of(p *plan.Plan, t *knitted.Sock, i int) (Row, error) {
	if i < 0 || i >= len(t.Rows) {
		return Row{}, fmt.Errorf("row: read %d; the sock has rows 0 to %d", i, len(t.Rows)-1)
	}
	var row Row
	Each(p, t, func(at int, s State) {
		switch at {
		case i:
			row.Before = s
		case i + 1:
			row.After = s
		}
	})
	return row, nil
}

// Each shows the needles before each row of a plan that was traced, and after the last.
func Each(p *plan.Plan, traced *knitted.Sock, show func(row int, s State)) {
	t := turns{plan: p}
	counter := fingers.New(p.Summary.ShortRowStitches())
	for i := 0; i <= len(traced.Rows); i++ {
		s := state(traced, i)
		if i > 0 {
			t.after(&p.Rows[i-1], &s)
			s.Held = t.held(&p.Rows[i-1], &s)
			now := traced.Before(i)
			if found, some := counter.After(&p.Rows[i-1], now.Snapshot, now.Sole); some && found.Some() {
				s.fingers = found.String()
			} else if !some && s.Some() {
				s.fingers = s.Held.String() // outside a flap's turn
			} else if !some {
				s.fingers = besideHeel(p, &p.Rows[i-1], &s)
			}
			s.MarksRight, s.MarksLeft = t.view(&s).marks(&s)
		}
		if i < len(traced.Rows) {
			s.Markers = t.markers(&p.Rows[i], &s)
		}
		show(i, s)
	}
}

// FlapChains are the chain stitches along each edge of a flap after a row of the heel, one for two of its rows; the rows of its turn
// slip a stitch, too, and add none. 0 where no flap is knitted.
func FlapChains(p *plan.Plan, row *needle.Row) int {
	if p.Summary.FlapRows == nil || row.Section != needle.Heel {
		return 0
	}
	return max(0, min(row.N-beforeFlap, *p.Summary.FlapRows)) / 2
}

// beforeFlap are the rows of a heel before those of its flap: the turn, and the row that sets it up.
const beforeFlap = 2

// onFlap says whether a row of the heel is one of its flap, or comes before it.
func onFlap(p *plan.Plan, row *needle.Row) bool {
	return p.Summary.FlapRows != nil && row.N <= beforeFlap+*p.Summary.FlapRows
}

// besideHeel is what the fingers count beside a heel on which no stitch waits: the chain along a
// flap, the wings of a gusset, and what is parked beside a flap at the back; empty elsewhere.
func besideHeel(p *plan.Plan, row *needle.Row, s *State) string {
	sum := &p.Summary
	back := s.Count - s.Sole
	switch {
	case FlapChains(p, row) > 0 && onFlap(p, row):
		return fmt.Sprintf("chain %d of %d on each edge · %d on the heel", FlapChains(p, row), *sum.FlapRows/2, sum.HeelStitches)
	case s.Sole == 0 || row.InstepBegins() > 0 || row.From > 0:
		return links(row)
	case row.Section == needle.Gusset && row.Kind == needle.Round && sum.TurnStitches != nil && p.Design.Heel.PickedUp == nil:
		if wings := back - *sum.TurnStitches; wings > 0 && wings%2 == 0 {
			return fmt.Sprintf("wing %d · heel %d · wing %d", wings/2, *sum.TurnStitches, wings/2)
		}
	case row.Section == needle.Heel && row.Kind == needle.FlatRow && sum.GussetIncreases != nil && s.Count < sum.FootStitches+
		2**sum.GussetIncreases:
		if parked := back - sum.HeelStitches; parked > 0 {
			return fmt.Sprintf("parked %d · heel %d · parked %d", (parked+1)/2, sum.HeelStitches, parked/2)
		}
	}
	return links(row)
}

// links says what a row picks up along the edge of a flap, one stitch for each link of the chain, and in the corner; empty for any other row.
func links(row *needle.Row) string {
	if row.Section != needle.Gusset {
		return ""
	}
	edge, corner := 0, 0
	for _, o := range row.Ops {
		switch o.Code {
		case needle.PU:
			edge += o.N
		case needle.PC:
			corner += o.N
		}
	}
	switch {
	case edge == 0:
		return ""
	case corner == 0:
		return measure.Count(edge, "link") + " picked up"
	}
	return fmt.Sprintf("%s and the corner: %d", measure.Count(edge, "link"), edge+corner)
}

func state(t *knitted.Sock, i int) State {
	s := t.Before(i)
	out := State{Cursor: s.Cursor, Side: s.Side, Count: len(s.Loops), Sole: s.Sole, Open: s.Open, Waiting: s.Waiting,
		Loops: make([]Loop, len(s.Loops))}
	for j, l := range s.Loops {
		out.Loops[j] = Loop{l.Kind.String(), int(l.Wraps), l.Turned, int(l.Pins), t.Colour(l.Made)}
	}
	return out
}
