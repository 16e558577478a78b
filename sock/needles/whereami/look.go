// Package whereami finds the row at which a sock was put down, from what can
// be seen on the needles and in the fabric.
package whereami

import (
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/position"
)

// Look is how the needles and the fabric look before a row is knitted, or in the middle of a round.
type Look struct {
	// Row is the next row, counted from 0; Half: its needle 1 is done.
	Row  int  `json:"row"`
	Half bool `json:"half"`
	// Needle1 and Needle2 are the stitches on each; a stitch with a second leg counts once, yarn-overs not at all.
	Needle1 int `json:"needle1"`
	Needle2 int `json:"needle2"`
	// Right and Left count the double stitches, wraps, pins or yarn-overs at either side of the middle, as the right side shows them.
	Right int `json:"right"`
	Left  int `json:"left"`
	// Side faces the knitter.
	Side needle.Side `json:"side" enum:"RS,WS"`
	// Tail is the side at which the tail of a two-needle cast-on hangs; empty for a sock without one.
	Tail string `json:"tail" enum:"left,right"`
	// Yarn hangs at the start of the round, in its middle, or within a needle.
	YarnAt string `json:"yarn_at" enum:"start,middle,within"`
	// Last is what the last round shows: plain, increase or decrease.
	Last string `json:"last" enum:"plain,increase,decrease"`
	// Increases are the increase rounds knitted so far: bumps in one column.
	Increases int `json:"increases"`
	// Ridges of garter on one face, the cast-on's own among them; chain edge stitches on one side of a flap, two rows each.
	Ridges int `json:"ridges"`
	Chains int `json:"chains"`
	// SinceToe, SinceHeel and SinceCuff are the rounds since a landmark: Vs in a column, or rungs of the ladder between two.
	SinceToe  int `json:"since_toe"`
	SinceHeel int `json:"since_heel"`
	SinceCuff int `json:"since_cuff"`
	// Colour of the last round, and the rounds of it since the colour changed, in a sock of stripes.
	Colour       string `json:"colour"`
	ColourRounds int    `json:"colour_rounds"`
	Reach
	// Yarn of the sock's own colour that is knitted, in mm: what its stripes have run through.
	Yarn float64 `json:"yarn_mm"`
}

// Looks gives the look before each row, in the middle of each round, and after the last row.
func Looks(p *plan.Plan, t *knitted.Sock) []Look {
	lengths := Lengths(p)
	looks := make([]Look, 0, 2*len(p.Rows)+1)
	now := Look{Side: needle.RS, Last: "plain", YarnAt: "start"}
	tailed := len(p.Rows) > 0 && len(p.Rows[0].Ops) > 0 && p.Rows[0].Ops[0].Code == needle.CO
	striped := len(p.Design.Yarn.Stripes) > 0
	var before Look
	position.Each(p, t, func(row int, s position.State) {
		now.Row = row
		if row > 0 {
			now.see(&s, tailed)
			now.count(&p.Rows[row-1], striped)
			now.Reach = lengths[row-1]
			if p.Rows[row-1].Colour == "" {
				now.Yarn += float64(yarn.InRow(&p.Design, &p.Rows[row-1]))
			}
			if half, some := halfOf(&p.Rows[row-1], before, now, t.Before(row-1).Sole); some {
				looks = append(looks, half)
			}
		} else if tailed {
			now.Tail = "right"
		}
		looks = append(looks, now)
		before = now
	})
	return looks
}

// halfOf is the look in the middle of a round: needle 1 as the round leaves it, needle 2 as it was before.
func halfOf(r *needle.Row, before, after Look, sole int) (Look, bool) {
	if r.Kind != needle.Round || sole == 0 || before.YarnAt != "start" {
		return Look{}, false
	}
	half := before
	half.Half, half.Needle1, half.YarnAt = true, after.Needle1, "middle"
	if before.Tail != "" {
		half.Tail = "left"
	}
	half.Yarn += (after.Yarn - before.Yarn) / 2
	return half, true
}

func (l *Look) see(s *position.State, tailed bool) {
	l.Side, l.Right, l.Left, l.Needle1, l.Needle2 = s.Side, s.MarksRight, s.MarksLeft, 0, 0
	// It hangs where the round begins: at the right of the instep, at the left of the sole, seen from outside.
	l.Tail = ""
	if tailed {
		l.Tail = "right"
		if s.Cursor >= s.Sole && s.Cursor < s.Count && s.Side == needle.RS {
			l.Tail = "left"
		}
	}
	switch {
	case s.Cursor == 0 || s.Cursor == s.Count:
		l.YarnAt = "start"
	case s.Cursor == s.Sole:
		l.YarnAt = "middle"
	default:
		l.YarnAt = "within"
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
func (l *Look) count(row *needle.Row, striped bool) {
	up, down := 0, 0
	for _, o := range row.Ops {
		if o.Code.IsIncrease() && o.Code != needle.YO && o.Code != needle.PU && o.Code != needle.PC && o.Code != needle.CO && o.Code != needle.COChain {
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
	l.countRidges(row)
	first := row.Ops[0]
	switch {
	case row.Section == needle.Heel && first.Code == needle.Sl && row.Kind == needle.FlatRow && len(row.Ops) > 0:
		l.Chains++
	case row.Section != needle.Heel:
		l.Chains = 0
	}
	l.countRounds(row)
	if striped && (row.Section == needle.Foot || row.Section == needle.Leg || row.Section == needle.Gusset) && row.Kind == needle.Round {
		if row.Colour != l.Colour {
			l.ColourRounds = 0
		}
		l.Colour = row.Colour
		l.ColourRounds++
	}
}

// countRidges: two rows of garter make one on each face, and the cast-on is the first of one face.
func (l *Look) countRidges(row *needle.Row) {
	if row.Fabric != needle.Garter {
		return
	}
	if row.Section == needle.Toe && row.N == 1 {
		l.Ridges = 1
	}
	if row.N%2 == 0 {
		l.Ridges++
	}
}

// countRounds counts from the landmarks that a finger finds again: the end of the toe, the end of the heel, the first round of the cuff.
func (l *Look) countRounds(row *needle.Row) {
	if row.Kind != needle.Round {
		return
	}
	switch row.Section {
	case needle.Foot:
		l.SinceToe++
	case needle.Gusset, needle.Leg:
		l.SinceHeel++
	case needle.Cuff:
		l.SinceCuff++
	}
}
