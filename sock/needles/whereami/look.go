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
	// Needles are the stitches on each, numbered as the rows number them; a stitch with a second leg counts once, yarn-overs not at all.
	Needles [mostNeedles]int `json:"needles"`
	// Right and Left count the double stitches, wraps, pins or yarn-overs at either side of the middle, as the work is held.
	Right int `json:"right"`
	Left  int `json:"left"`
	// WaitRight and WaitLeft are the stitches that wait beyond the gap at either side, as the work is held.
	WaitRight int `json:"wait_right"`
	WaitLeft  int `json:"wait_left"`
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
	// Ridges of garter on one face, the cast-on's own among them; Chains are the edge stitches on one side of a flap.
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

// mostNeedles hold the stitches of a sock.
const mostNeedles = 4

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
			now.see(&s, &p.Rows[row-1], tailed)
			now.count(&p.Rows[row-1], striped)
			now.Chains = position.FlapChains(p, &p.Rows[row-1])
			now.Reach = lengths[row-1]
			if p.Rows[row-1].Colour == "" {
				now.Yarn += float64(yarn.InRow(&p.Design, &p.Rows[row-1]))
			}
			if half, some := halfOf(&p.Rows[row-1], before, now, t.Before(row-1), t.Before(row)); some {
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

// halfOf is the look in the middle of a round: what lies before the sole as the round leaves it, the sole as it was before.
func halfOf(r *needle.Row, before, after Look, was, is *knitted.State) (Look, bool) {
	if r.Kind != needle.Round || was.Sole == 0 || before.YarnAt != "start" || len(was.Loops) == 0 || len(is.Loops) == 0 {
		return Look{}, false
	}
	half := before
	half.Half, half.YarnAt = true, "middle"
	for n, m := 0, after.Needles; n < mostNeedles; n++ {
		switch from := firstOn(r, n, len(is.Loops)); {
		case r.From > 0 && n == len(r.OnNeedles)-1:
			// The last needle holds both ends of a round that begins in its middle: the first of them is worked.
			half.Needles[n] = r.From + len(was.Loops) - was.Sole
		case from < is.Sole:
			half.Needles[n] = m[n]
		}
	}
	if before.Tail != "" {
		half.Tail = "left"
	}
	half.Yarn += (after.Yarn - before.Yarn) / 2
	return half, true
}

// firstOn is the first loop on a needle after a row, in a ring of so many; needles are counted from 0.
func firstOn(r *needle.Row, n, loops int) int {
	from := r.From
	for _, on := range r.OnNeedles[:min(n, len(r.OnNeedles))] {
		from += on
	}
	return from % max(loops, 1)
}

func (l *Look) see(s *position.State, r *needle.Row, tailed bool) {
	l.Side, l.Right, l.Left = s.Side, s.MarksRight, s.MarksLeft
	l.WaitRight, l.WaitLeft = s.Held.Right, s.Held.Left
	if s.Side == needle.WS { // what the ring has at its right lies at the left of who looks at its inside
		l.Right, l.Left, l.WaitRight, l.WaitLeft = l.Left, l.Right, l.WaitLeft, l.WaitRight
	}
	if r.Groups != nil { // told as they are held
		l.WaitLeft, l.WaitRight = r.Groups[0], r.Groups[2]
	}
	l.Needles = stitchesOn(s, r)
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
}

// stitchesOn counts the stitches on each needle after a row; the yarn-overs of turns are none.
func stitchesOn(s *position.State, r *needle.Row) (on [mostNeedles]int) {
	at := r.From
	for n, loops := range r.OnNeedles {
		for range loops {
			if s.Loops[at%s.Count].Kind != needle.YarnOver.String() {
				on[n]++
			}
			at++
		}
	}
	return on
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
