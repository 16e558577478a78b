package replan

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Cause is what most likely happened when a count disagrees, where to look, and the smallest repair.
type Cause struct {
	Text   string `json:"text"`
	Repair string `json:"repair"`
	// Row is the one that it happened in, counted from 0, and Place where on it to look; -1 and empty where it can be anywhere.
	Row   int    `json:"row"`
	Place string `json:"place"`
	// There is the next row to knit where nothing is wrong but the place at which the sock is put; nil elsewhere.
	There *int `json:"there,omitempty"`
}

// near is how many rows back a slip is looked for: further back it would have been counted before.
const near = 4

// suspect looks at the loops and the last rows for one kind of slip.
type suspect func(c *miscount) []Cause

// miscount is a count that disagrees.
type miscount struct {
	p *plan.Plan
	t *knitted.Sock
	// row is the next one; off is how many loops are too many, less than nothing for too few.
	row, off int
	now      *knitted.State
}

// suspects in the order in which they are likely.
var suspects = []suspect{wholeIncrease, missedIncrease, keptDecrease, forgottenYarnOver, countedLegs, liftedTwice, droppedOrSplit}

// CountIsWrong says what most likely happened when the needles of a sock that was traced hold another
// number of loops before a row than the plan does. It is empty when they agree. The causes come from
// what lies there and from what the last rows did.
func CountIsWrong(p *plan.Plan, t *knitted.Sock, row, counted int) ([]Cause, error) {
	if row < 1 || row > len(p.Rows) {
		return nil, fault("row", "read %d; count after a row has been knitted, 1 to %d", row, len(p.Rows))
	}
	causes := []Cause{}
	c := &miscount{p: p, t: t, row: row, off: counted - p.Rows[row-1].Stitches, now: t.Before(row)}
	if c.off == 0 {
		return causes, nil
	}
	for _, s := range suspects {
		causes = append(causes, s(c)...)
	}
	return causes, nil
}

// last are the rows before the needle, the newest first, as far back as a slip is looked for.
func (c *miscount) last() []int {
	var rows []int
	for i := c.row - 1; i >= max(1, c.row-near) && c.p.Rows[i].Section != needle.CastOn; i-- {
		rows = append(rows, i)
	}
	return rows
}

// each are the operations of a row of some kinds, each with its place on the needles.
func (c *miscount) each(i int, wanted func(o needle.Op, after needle.Code) bool) []string {
	r := &c.p.Rows[i]
	var places []string
	taken, before := 0, needle.Code(0)
	if i > 0 && len(c.p.Rows[i-1].Ops) > 0 {
		before = c.p.Rows[i-1].Ops[len(c.p.Rows[i-1].Ops)-1].Code
	}
	all := 0
	for _, o := range r.Ops {
		all += o.Code.Takes() * o.N
	}
	sole := c.t.Before(i).Sole
	for _, o := range r.Ops {
		if wanted(o, before) {
			for n := range o.N {
				places = append(places, placeIn(r, taken+n*o.Code.Takes(), all, sole))
			}
		}
		taken += o.Code.Takes() * o.N
		before = o.Code
	}
	return places
}

// placeIn says where in a row an operation lies that has so many stitches before it, of all that the row takes.
func placeIn(r *needle.Row, taken, all, sole int) string {
	part := func(of string, at, n int) string {
		switch {
		case n <= 0 || at <= n/4:
			return "at the start of " + of
		case at >= n-1-n/4:
			return "at the end of " + of
		}
		return fmt.Sprintf("in the middle of %s, after %d stitches", of, at)
	}
	switch {
	case r.Kind != needle.Round || sole == 0:
		return part("the row", taken, all)
	case taken < sole:
		return part("needle 1", taken, sole)
	}
	return part("needle 2", taken-sole, all-sole)
}

// wholeIncrease: a round that should have increased was knitted plain, or one was knitted twice.
func wholeIncrease(c *miscount) []Cause {
	for _, i := range c.last() {
		up := c.p.Rows[i].Stitches - c.p.Rows[i-1].Stitches
		if up < 2 || c.p.Rows[i].Section != needle.Toe && c.p.Rows[i].Section != needle.Foot {
			continue
		}
		row := c.name(i)
		switch c.off {
		case -up:
			return []Cause{{Text: "The last increase round was knitted plain.",
				Repair: fmt.Sprintf("Increase in the next round instead: nobody will see it. Or rip back to %s.", row), Row: i, Place: row}}
		case up:
			return []Cause{{Text: "One increase round too many.", Repair: fmt.Sprintf("Leave out the next one. Or rip back to %s.", row), Row: i, Place: row}}
		}
		return nil
	}
	return nil
}

// name is a row as people say it.
func (c *miscount) name(i int) string { return nameOf(c.p.Rows, i) }

// missedIncrease: a stitch that should have been made was not.
func missedIncrease(c *miscount) []Cause {
	return c.slips(-1, func(o needle.Op, before needle.Code) bool {
		return o.Code.IsIncrease() && o.Code != needle.CO && o.Code != needle.COChain && !(o.Code == needle.YO && before == needle.Turn)
	}, func(code needle.Code, n int) (text, repair string) {
		switch code {
		case needle.PU:
			return were(n, "a stitch was not picked up", "stitches were not picked up"),
				"Pick up what is missing now, in the next gap of the same edge, and put it on the needle where it belongs"
		case needle.PC:
			return were(n, "the stitch of a corner was not made", "stitches of the corners were not made"),
				"Make it now, in the gap beside the stitch that stands at that corner, and put it on the needle where it belongs"
		case needle.YO:
			return were(n, "a yarn-over of the pattern was forgotten", "yarn-overs of the pattern were forgotten"),
				"Lift the strand between the two stitches at that place on to the needle: it is the yarn-over"
		}
		return were(n, "an increase was forgotten", "increases were forgotten"), "In the next round lift the strand between the two stitches at that place and knit it twisted"
	})
}

// keptDecrease: two stitches that should have been worked together were not.
func keptDecrease(c *miscount) []Cause {
	return c.slips(1, func(o needle.Op, _ needle.Code) bool { return o.Code.IsDecrease() }, func(_ needle.Code, n int) (text, repair string) {
		return were(n, "two stitches were not worked together", "decreases were not worked"), "Work them together in the next row, at that place"
	})
}

// slips are operations of the last row that did such a thing, each of which changes the count by one when it is left out.
func (c *miscount) slips(sign int, wanted func(o needle.Op, before needle.Code) bool,
	say func(code needle.Code, n int) (text, repair string)) []Cause {
	if c.off*sign < 0 {
		return nil
	}
	for _, i := range c.last() {
		var code needle.Code
		places := c.each(i, func(o needle.Op, before needle.Code) bool {
			is := wanted(o, before)
			if is {
				code = o.Code
			}
			return is
		})
		if len(places) == 0 {
			continue
		}
		if c.off*sign > len(places) {
			return nil // more than the row could have lost
		}
		text, repair := say(code, c.off*sign)
		places = slices.Compact(places)
		where := joinOr(places)
		return []Cause{{Text: capital(text) + ": " + c.name(i) + ".", Repair: fmt.Sprintf("Look %s. %s.", where, repair), Row: i, Place: where}}
	}
	return nil
}

func joinOr(places []string) string {
	text := places[0]
	for i, p := range places[1:] {
		if i == len(places)-2 {
			text += " or " + p
		} else {
			text += ", " + p
		}
	}
	return text
}

// forgottenYarnOver: after a turn of the yarn-over style the yarn has to lie over the needle.
func forgottenYarnOver(c *miscount) []Cause {
	if c.off >= 0 {
		return nil
	}
	lie, newest := 0, -1
	for _, loop := range c.now.Loops {
		if loop.Kind == needle.YarnOver {
			lie++
		}
	}
	for _, i := range c.last() {
		ops := c.p.Rows[i].Ops
		if ops[0].Code == needle.YO && c.p.Rows[i-1].Ops[len(c.p.Rows[i-1].Ops)-1].Code == needle.Turn {
			newest = i
			break
		}
	}
	if lie == 0 {
		return nil
	}
	var causes []Cause
	if newest >= 0 && -c.off <= lie {
		causes = append(causes, Cause{Text: "A yarn-over after a turn was forgotten.",
			Repair: fmt.Sprintf("%d have to lie on the needle. Look at the start of %s: lift the strand at the turn on to the needle, and go on.",
				lie, c.name(newest)), Row: newest, Place: "at the start of " + c.name(newest)})
	}
	if c.off == -lie {
		causes = append(causes, Cause{Text: "The yarn-overs were not counted.",
			Repair: fmt.Sprintf("The plan counts all loops, the %d yarn-overs among them.", lie), Row: -1, Place: ""})
	}
	return causes
}

// countedLegs: a stitch with a second leg, a wrap or a pin looks like two.
func countedLegs(c *miscount) []Cause {
	if c.off <= 0 {
		return nil
	}
	doubles, wraps, pins := 0, 0, 0
	for _, loop := range c.now.Loops {
		if loop.Kind == needle.Double {
			doubles++
		}
		wraps += min(1, int(loop.Wraps))
		pins += int(loop.Pins)
	}
	var causes []Cause
	if doubles >= c.off {
		causes = append(causes, Cause{Text: "Both legs of a double stitch were counted.",
			Repair: fmt.Sprintf("%s on the needle: each counts as one.", are(doubles, "double stitch", "double stitches")), Row: -1, Place: "beside the gaps"})
	}
	if wraps >= c.off {
		causes = append(causes, Cause{Text: "A wrap was counted as a stitch.",
			Repair: fmt.Sprintf("%s wrapped: a wrap lies round the foot of its stitch and counts for nothing.", are(wraps, "stitch", "stitches")), Row: -1, Place: "beside the gaps"})
	}
	if pins >= c.off {
		causes = append(causes, Cause{Text: "The loop in a pin was put on the needle too early.",
			Repair: fmt.Sprintf("%s: let its loop hang inside until it is worked with the next stitch.", are(pins, "pin", "pins")), Row: -1, Place: "beside the gaps"})
	}
	return causes
}

// were says what happened once or so often.
func were(n int, once, more string) string {
	if n == 1 {
		return once
	}
	return fmt.Sprintf("%d %s", n, more)
}

// are says how many there are of something.
func are(n int, one, more string) string {
	if n == 1 {
		return "There is 1 " + one
	}
	return fmt.Sprintf("There are %d %s", n, more)
}

// liftedTwice: a turn that was taken back left its loop, or took a stitch along.
func liftedTwice(c *miscount) []Cause {
	for _, i := range c.last() {
		var resolved needle.Code
		for _, o := range c.p.Rows[i].Ops {
			switch o.Code {
			case needle.Kds, needle.Pds, needle.KW, needle.PW, needle.KPin, needle.PPin, needle.KLift, needle.PLift:
				resolved = o.Code
			}
		}
		if resolved == 0 {
			continue
		}
		row := c.name(i)
		what := map[needle.Code]string{needle.Kds: "double stitch", needle.Pds: "double stitch", needle.KW: "wrapped stitch",
			needle.PW: "wrapped stitch", needle.KPin: "pinned stitch", needle.PPin: "pinned stitch", needle.KLift: "lifted strand",
			needle.PLift: "lifted strand"}[resolved]
		switch {
		case c.off == 1 && (resolved == needle.Kds || resolved == needle.Pds):
			return []Cause{{Text: "The two legs of a double stitch were worked one by one.",
				Repair: fmt.Sprintf("Look in %s, at the gap. Drop one of the two, and draw the slack into its neighbour.", row), Row: i, Place: "at the gap"}}
		case c.off == 1:
			return []Cause{{Text: fmt.Sprintf("A %s was worked as two.", what),
				Repair: fmt.Sprintf("Look in %s, at the gap. Work the two together in the next row.", row), Row: i, Place: "at the gap"}}
		case c.off == -1:
			return []Cause{{Text: fmt.Sprintf("A %s was worked together with its neighbour.", what),
				Repair: fmt.Sprintf("Look in %s, at the gap. Lift the strand there in the next row, and work it twisted.", row), Row: i, Place: "at the gap"}}
		}
		return nil
	}
	return nil
}

// droppedOrSplit are the slips that can happen anywhere.
func droppedOrSplit(c *miscount) []Cause {
	if c.off < 0 {
		return []Cause{
			{Text: "A stitch was dropped: look for a ladder.", Repair: "Catch it with a crochet hook, bar by bar, and put it back on the needle.", Row: -1, Place: ""},

			{Text: "Two stitches were worked together by mistake.", Repair: "In the next row lift the strand beside the place and work it twisted.", Row: -1, Place: ""},
		}
	}
	return []Cause{
		{Text: "A stitch was split: one of two neighbours has half the yarn.", Repair: "Let the half one go and pull its neighbour straight.", Row: -1, Place: ""},
		{Text: "The yarn lay over the needle: an extra loop with nothing below it.", Repair: "Drop it and ease the slack into its neighbours.", Row: -1, Place: ""},
	}
}

func capital(text string) string { return strings.ToUpper(text[:1]) + text[1:] }
