// Package whereami finds the row at which a sock was put down, from what can
// be seen on the needles and in the fabric.
package whereami

import (
	"acornstep/sock/needle"
	"acornstep/sock/plan"
	"acornstep/sock/position"
	"acornstep/sock/trace"
	"acornstep/sock/yarn"
)

// Look is how the needles and the fabric look before a row is knitted.
type Look struct {
	// Row is the next row, counted from 0.
	Row int `json:"row"`
	// Needle1 and Needle2 are the stitches on each; a stitch with a second leg counts once, yarn-overs not at all.
	Needle1 int `json:"needle1"`
	Needle2 int `json:"needle2"`
	// Right and Left count the double stitches, wraps, pins or yarn-overs at either side of the middle, as the right side shows them.
	Right int `json:"right"`
	Left  int `json:"left"`
	// Side faces the knitter.
	Side needle.Side `json:"side" enum:"RS,WS"`
	// Tail is the side at which the tail of a two-needle cast-on hangs.
	Tail string `json:"tail" enum:"left,right"`
	// Last is what the last round shows: plain, increase or decrease.
	Last string `json:"last" enum:"plain,increase,decrease"`
	// Increases are the increase rounds knitted so far: bumps in one column.
	Increases int `json:"increases"`
	// Ridges of garter on one face, chain edge stitches on one side of a flap.
	Ridges int `json:"ridges"`
	Chains int `json:"chains"`
	// Length from the tip of the toe, in mm.
	Length float64 `json:"length_mm"`
	// Yarn of the sock's own colour that is knitted, in mm: what its stripes have run through.
	Yarn float64 `json:"yarn_mm"`
}

// Looks gives the look before each row, and after the last.
func Looks(p *plan.Plan, t *trace.Trace) []Look {
	lengths := Lengths(p)
	looks := make([]Look, 0, len(p.Rows)+1)
	now := Look{Side: needle.RS, Last: "plain", Tail: "right"}
	position.Each(p, t, func(row int, s position.State) {
		now.Row = row
		if row > 0 {
			now.see(&s)
			now.count(&p.Rows[row-1])
			now.Length = lengths[row-1]
			if p.Rows[row-1].Colour == "" {
				now.Yarn += float64(yarn.InRow(&p.Design, &p.Rows[row-1]))
			}
		}
		looks = append(looks, now)
	})
	return looks
}

func (l *Look) see(s *position.State) {
	l.Side, l.Right, l.Left, l.Needle1, l.Needle2 = s.Side, s.MarksRight, s.MarksLeft, 0, 0
	// It hangs where the round begins: at the right of the instep, at the left of the sole, seen from outside.
	l.Tail = "right"
	if s.Cursor >= s.Sole && s.Cursor < s.Count && s.Side == needle.RS {
		l.Tail = "left"
	}
	for i, loop := range s.Loops {
		switch {
		case loop.Kind == needle.YarnOver.String():
		case i < s.Sole || s.Sole == 0:
			l.Needle1++
		default:
			l.Needle2++
		}
	}
}

// count reads what the row leaves in the fabric.
func (l *Look) count(row *needle.Row) {
	up, down := 0, 0
	for _, o := range row.Ops {
		if o.Code.IsIncrease() && o.Code != needle.YO && o.Code != needle.PU {
			up += o.N
		}
		if o.Code.IsDecrease() {
			down += o.N
		}
	}
	switch {
	case up > 0:
		l.Last = "increase"
		l.Increases++
	case down > 0:
		l.Last = "decrease"
	default:
		l.Last = "plain"
	}
	if row.Section != needle.Toe && row.Section != needle.CastOn && row.Section != needle.Foot {
		l.Increases = 0
	}
	if row.Fabric == needle.Garter && row.N%2 == 0 {
		l.Ridges++
	}
	first := row.Ops[0]
	switch {
	case row.Section == needle.Heel && first.Code == needle.Sl && row.Kind == needle.FlatRow && len(row.Ops) > 0:
		l.Chains++
	case row.Section != needle.Heel:
		l.Chains = 0
	}
}
