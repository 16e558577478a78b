package fabric

import (
	"fmt"
	"strings"

	"acornstep/sock/rows/needle"
)

// A curve is points in stitches from the middle of a cell and its upper edge:
// a start, and three points for each bend.
type curve [][2]float64

// The shapes of which all stitches are drawn.
var (
	leftLeg   = curve{{-0.4, 0.02}, {-0.42, 0.5}, {-0.12, 0.72}, {-0.03, 1.06}}
	rightLeg  = curve{{0.4, 0.02}, {0.42, 0.5}, {0.12, 0.72}, {0.03, 1.06}}
	crossLeft = curve{{-0.4, 0.02}, {-0.42, 0.5}, {0.1, 0.62}, {0.16, 1.06}}
	crossRite = curve{{0.4, 0.02}, {0.42, 0.5}, {-0.1, 0.62}, {-0.16, 1.06}}
	bump      = curve{{-0.46, 0.66}, {-0.34, 0.2}, {0.34, 0.2}, {0.46, 0.66}}
	leanLeft  = curve{{-0.4, 0.02}, {-0.2, 0.4}, {0.2, 0.7}, {0.5, 1.06}}
	leanRight = curve{{0.4, 0.02}, {0.2, 0.4}, {-0.2, 0.7}, {-0.5, 1.06}}
	bar       = curve{{-0.44, 0.86}, {-0.2, 0.74}, {0.1, 0.74}, {0.3, 0.86}}
	wrapping  = curve{{-0.52, 0.94}, {-0.2, 1.12}, {0.2, 1.12}, {0.52, 0.94}}
	float     = curve{{-0.7, 0.52}, {-0.3, 0.62}, {0.3, 0.62}, {0.7, 0.52}}
	overTop   = curve{{-0.4, 0.1}, {-0.5, 0.9}, {0.5, 0.9}, {0.4, 0.1}}
	nipped    = curve{{-0.3, 0.7}, {-0.3, 1.05}, {0.3, 1.05}, {0.3, 0.7}}
	gapMark   = curve{{0, 0}, {-0.06, 0.4}, {-0.06, 0.7}, {0, 1.2}}
	pinMark   = curve{{-0.16, 0.1}, {-0.3, 0.9}, {0.3, 0.9}, {0.16, 0.1}}
)

// draw strokes the picture from below to above: the fabric, what lies over it, the needle, and the loops that hang on it.
func (b *builder) draw() {
	for i := len(b.p.Cells) - 1; i >= 0; i-- {
		b.stitch(&b.p.Cells[i])
	}
	for _, x := range b.gaps {
		b.stroke(x, 0, 1, "gap", "", gapMark)
		b.feature("gap", x, 0.4)
	}
	b.needleBar()
	for i := range b.p.Cells {
		if c := &b.p.Cells[i]; c.Y == 0 {
			b.loop(c)
		}
	}
	for _, x := range b.pins {
		b.stroke(x, 0, 1, "pin", "", pinMark)
		b.feature("pin", x, 0.4)
	}
}

// stitch strokes one stitch with what a turn or a slip left on it.
func (b *builder) stitch(c *Cell) {
	s := &b.f.Stitches[c.Stitch]
	put := func(shapes ...curve) { b.stroke(c.X, c.Y, c.High, "yarn", s.Colour, shapes...) }
	switch {
	case c.Shape == "cast-on":
		put(nipped)
	case c.Shape == "turn" && b.worked(c.Stitch): // it lies behind the stitch with which it was worked
	case c.Shape == "yarn-over", c.Shape == "turn":
		put(overTop)
	case c.Face == Bump:
		put(bump)
	case c.Shape == "twisted", c.Shape == "crossed", c.Shape == "lifted":
		put(crossRite)
		put(crossLeft)
	case c.Shape == "right" && b.p.Side == needle.RS, c.Shape == "left" && b.p.Side == needle.WS:
		put(leftLeg)
		put(leanRight)
	case c.Shape == "left" || c.Shape == "right":
		put(rightLeg)
		put(leanLeft)
	default:
		put(leftLeg, rightLeg)
	}
	if c.Shape == "bar" && c.Face == Smooth && len(s.Above) >= 0 && b.secondOfBar(c.Stitch) {
		put(bar)
	}
	b.left(c, s)
	b.named(c, s)
}

// secondOfBar says whether a stitch is the one of a pair out of one stitch that has the bar below it.
func (b *builder) secondOfBar(stitch int32) bool {
	s := &b.f.Stitches[stitch]
	return stitch > 0 && len(s.Below) == 1 && b.f.Stitches[stitch-1].Code == s.Code && len(b.f.Stitches[stitch-1].Below) == 1 &&
		b.f.Stitches[stitch-1].Below[0] == s.Below[0]
}

// left strokes what rows left on a stitch without working it.
func (b *builder) left(c *Cell, s *Stitch) {
	for range b.wraps(c.Stitch) {
		b.stroke(c.X, c.Y+c.High-1, 1, "strand", s.Colour, wrapping)
	}
	for _, row := range s.Slips {
		if int(row) >= b.row {
			continue
		}
		// The float lies where the yarn was carried: behind on the right side, in front on the wrong side, so on the inside of the sock.
		if b.p.Side == needle.WS && c.High > 1 {
			b.stroke(c.X, c.Y, 1, "strand", b.f.knitted.Rows[row].Colour, float)
		}
	}
}

// wraps counts the wraps that lie round the foot of a stitch: none where they were lifted and worked with it. In garter they stay.
func (b *builder) wraps(stitch int32) int {
	s := &b.f.Stitches[stitch]
	for _, above := range s.Above {
		if a := &b.f.Stitches[above]; int(a.Row) < b.row && b.f.knitted.Rows[a.Row].Fabric != needle.Garter {
			return 0
		}
	}
	return b.done(s.Wraps)
}

// done counts the rows of a list that are knitted.
func (b *builder) done(rows []int32) int {
	n := 0
	for _, row := range rows {
		if int(row) < b.row {
			n++
		}
	}
	return n
}

// loop strokes a loop over the needle; a double stitch shows two legs more.
func (b *builder) loop(c *Cell) {
	s := &b.f.Stitches[c.Stitch]
	over := curve{{-0.36, 0.12}, {-0.5, -0.75}, {0.5, -0.75}, {0.36, 0.12}}
	if b.done(s.Legs) > 0 && !b.worked(c.Stitch) {
		for _, x := range []float64{-0.2, 0.2} {
			b.stroke(c.X+x, 0, 1, "strand", s.Colour, curve{{-0.16, 0.5}, {-0.24, -0.75}, {0.24, -0.75}, {0.16, 0.5}})
		}
		return
	}
	b.stroke(c.X, 0, 1, "yarn", s.Colour, over)
}

// worked says whether a stitch was drawn through already.
func (b *builder) worked(stitch int32) bool {
	for _, above := range b.f.Stitches[stitch].Above {
		if int(b.f.Stitches[above].Row) < b.row {
			return true
		}
	}
	return false
}

func (b *builder) needleBar() {
	const over = 0.38
	b.p.Strokes = append(b.p.Strokes, Stroke{D: fmt.Sprintf("M0 %.0fH%d", (above-over)*Unit, b.p.Width), Part: "needle"})
}

// stroke puts curves, drawn in one go, at a place of the picture, stretched to the height of their stitch.
func (b *builder) stroke(x, y, high float64, part, colour string, curves ...curve) {
	var d strings.Builder
	for _, c := range curves {
		for i, point := range c {
			px, py := (x+point[0])*Unit, (above+y+point[1]*high)*Unit
			switch {
			case i == 0:
				fmt.Fprintf(&d, "M%.0f %.0f", px, py)
			case i%3 == 1:
				fmt.Fprintf(&d, "C%.0f %.0f", px, py)
			default:
				fmt.Fprintf(&d, " %.0f %.0f", px, py)
			}
		}
	}
	b.p.Strokes = append(b.p.Strokes, Stroke{d.String(), part, colour})
}

// texts name the features and say how they are counted.
var texts = map[string]string{
	"double":    "A double stitch: two legs, one stitch. Each counts as one; those on a side are the turns that were made there.",
	"wrap":      "A wrap round the foot of a stitch: it counts for nothing. Wrapped stitches on a side are the turns that were made there.",
	"yarn-over": "A yarn-over: it lies over the needle beside its stitch. Count the pairs.",
	"pin":       "A pin round the yarn of a turn: it hangs on the wrong side. Pins come in pairs, one on each side.",
	"gap":       "The gap of a turn: a step in height. Work to here; what lies beyond it waits.",
	"bar":       "The bar of an increase: one bar, one increase round. Count the bars in a column.",
	"twisted":   "A made stitch: its legs cross. Count them in a column: one for each increase round.",
	"lifted":    "A strand that was lifted at a turn, so that the count stays. It is no increase.",
	"crossed":   "A stitch that was worked through the back loop: its legs cross. It is no increase.",
	"right":     "Two worked together, leaning to the right. A lone one just below the needle: the last round decreased.",
	"left":      "Two worked together, leaning to the left. A lone one just below the needle: the last round decreased.",
	"slipped":   "A slipped stitch: it is two rows high. At the edge it is the chain: one for two rows, not counting the one on the needle.",
	"picked up": "A stitch that was picked up along an edge or in a corner.",
	"cast-on":   "The cast-on.",
	"hole":      "A yarn-over of the pattern: a hole on purpose.",
	"turned":    "This loop sits with its leading leg behind: work it through the back loop.",
}

func (b *builder) feature(name string, x, y float64) {
	b.p.Features = append(b.p.Features, Feature{name, (x) * Unit, (above + y) * Unit, texts[name]})
}

// named adds what can be read of a stitch.
func (b *builder) named(c *Cell, s *Stitch) {
	y := c.Y + c.High/2
	switch {
	case b.done(s.Legs) > 0 && !b.worked(c.Stitch):
		b.feature("double", c.X, y)
	case b.wraps(c.Stitch) > 0 && !b.worked(c.Stitch):
		b.feature("wrap", c.X, c.Y+c.High)
	case c.Shape == "turn" && b.worked(c.Stitch):
	case c.Shape == "turn":
		b.feature("yarn-over", c.X, y)
	case c.Shape == "yarn-over":
		b.feature("hole", c.X, y)
	case c.Shape == "bar" && c.Face == Smooth && b.secondOfBar(c.Stitch):
		b.feature("bar", c.X, y)
	case c.High > 1:
		b.feature("slipped", c.X, y)
	case c.Shape == "twisted", c.Shape == "crossed", c.Shape == "lifted", c.Shape == "picked up":
		b.feature(c.Shape, c.X, y)
	case c.Shape == "right", c.Shape == "left":
		name := c.Shape
		if b.p.Side == needle.WS {
			name = map[string]string{"right": "left", "left": "right"}[name]
		}
		b.feature(name, c.X, y)
	case c.Shape == "cast-on" && s.Turned && c.Y == 0:
		b.feature("turned", c.X, y)
	}
}
