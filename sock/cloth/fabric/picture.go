package fabric

import (
	"cmp"
	"fmt"
	"slices"

	"acornstep/sock/rows/needle"
)

// Size of the part that is drawn: rows below the needle, and stitches to each side of the yarn.
const (
	rowsShown   = 12
	besideShown = 11
)

// Unit is how wide and how high a stitch is drawn.
const Unit = 24

// Cell is one stitch of a picture as it is seen: its place and its shape.
type Cell struct {
	// Stitch is its number in the fabric, Row the one that made it, counted from 0.
	Stitch int32 `json:"stitch"`
	Row    int32 `json:"row"`
	// X is its middle and Y its upper edge, in units of [Unit] stitches; High is 1 for a stitch that no row slipped.
	X    float64 `json:"x"`
	Y    float64 `json:"y"`
	High float64 `json:"high"`
	// Shape names how it is drawn; Face is what it shows to whoever looks.
	Shape string `json:"shape"`
	Face  Face   `json:"face"`
}

// Feature is something that can be read in the fabric, at a place of the picture.
type Feature struct {
	Name string  `json:"name"`
	X    float64 `json:"x"`
	Y    float64 `json:"y"`
	// Text names it and says how it is counted.
	Text string `json:"text"`
}

// Stroke is a line of the picture; those that come later lie over those before.
type Stroke struct {
	// D is its path, in whole units.
	D string `json:"d"`
	// Part says what it is of: yarn, pin, needle or gap.
	Part string `json:"part" enum:"yarn,strand,pin,needle,gap"`
	// Colour of the yarn; empty for the sock's own.
	Colour string `json:"colour,omitempty"`
}

// Picture is the fabric under the yarn, as one side shows it.
type Picture struct {
	// Row is the next row to be worked, counted from 0.
	Row int `json:"row"`
	// Side is what faces whoever looks.
	Side     needle.Side `json:"side" enum:"RS,WS"`
	Width    int         `json:"width"`
	Height   int         `json:"height"`
	Cells    []Cell      `json:"-"`
	Strokes  []Stroke    `json:"strokes"`
	Features []Feature   `json:"features"`
	// yarn is where the yarn comes out, in stitches from the left.
	yarn float64
}

// At pictures the fabric before a row, as a side shows it. The error names the rows that there are.
func (f *Fabric) At(row int, side needle.Side) (Picture, error) {
	if row < 0 || row > len(f.knitted.Rows) {
		return Picture{}, fmt.Errorf("read %d; the sock has rows 0 to %d", row, len(f.knitted.Rows))
	}
	p := Picture{Row: row, Side: side, Strokes: []Stroke{}, Features: []Feature{}}
	now := f.knitted.Before(row)
	if len(now.Loops) == 0 {
		return p, nil
	}
	b := builder{f: f, p: &p, row: row, held: now.Side, at: map[int32]int{}}
	b.needle(now.Loops, now.Cursor, now.Side != needle.WS, now.Open)
	b.hang()
	if side != now.Side {
		b.turn()
	}
	b.frame()
	b.draw()
	return p, nil
}

// builder puts a picture together.
type builder struct {
	f   *Fabric
	p   *Picture
	row int
	// held is the side that faces the knitter.
	held needle.Side
	// at is the cell of a stitch.
	at map[int32]int
	// frontier are the cells whose stitches below were not hung yet.
	frontier []int
	gaps     []float64
	pins     []float64
}

// needle lays the loops beside the yarn on the needle, as they are held: what is worked next at the left.
func (b *builder) needle(loops []needle.LoopView, cursor int, rs, open bool) {
	n := len(loops)
	from, to := cursor-besideShown, cursor+besideShown
	if open || n <= 2*besideShown {
		from, to = max(0, from), min(n, to)
		if n <= 2*besideShown && !open {
			from, to = cursor-n/2, cursor-n/2+n
		}
	}
	for i := from; i < to; i++ {
		loop := &loops[((i%n)+n)%n]
		x := float64(cursor-i) - 0.5
		if !rs {
			x = -x
		}
		b.place(loop.Made, x, 0)
		edge := x - 0.5 // between this loop and the next one up the ring
		if !rs {
			edge = x + 0.5
		}
		if loop.Open && i+1 < to {
			b.gaps = append(b.gaps, edge)
		}
		if loop.Pins > 0 {
			b.pins = append(b.pins, edge)
		}
	}
}

// place puts a stitch into the picture; one that is there already, because two are drawn through it, keeps the middle of both places.
func (b *builder) place(stitch int32, x, y float64) {
	if at, there := b.at[stitch]; there {
		c := &b.p.Cells[at]
		c.X, c.Y = (c.X+x)/2, max(c.Y, y)
		return
	}
	s := &b.f.Stitches[stitch]
	high := 1.0
	for _, slip := range s.Slips {
		if int(slip) < b.row {
			high = 2 // it reaches over the row that slipped it
		}
	}
	b.at[stitch] = len(b.p.Cells)
	b.frontier = append(b.frontier, len(b.p.Cells))
	b.p.Cells = append(b.p.Cells, Cell{Stitch: stitch, Row: s.Row, X: x, Y: y, High: high, Shape: b.f.shapeOf(s), Face: s.Face()})
}

// hang goes down the fabric: under each stitch lie those that it was drawn through.
func (b *builder) hang() {
	for level := 1.0; level < rowsShown; level++ {
		waiting := b.frontier
		b.frontier = nil
		for _, at := range waiting {
			c := b.p.Cells[at]
			if c.Y+c.High != level {
				b.frontier = append(b.frontier, at)
				continue
			}
			below := b.f.Stitches[c.Stitch].Below
			for i, stitch := range below {
				lean := (float64(i) - float64(len(below)-1)/2) * 0.8
				if b.f.Stitches[c.Stitch].Side != b.held {
					lean = -lean // as the work is held, the first one taken lies at the right
				}
				b.place(stitch, c.X-lean, level)
			}
		}
		b.lay(level)
	}
}

// lay puts the stitches of a level side by side: where fewer hang than above,
// the fabric is narrower. Those that began above the level stay where they are.
func (b *builder) lay(level float64) {
	var row []*Cell
	for i := range b.p.Cells {
		if c := &b.p.Cells[i]; c.Y <= level && level < c.Y+c.High {
			row = append(row, c)
		}
	}
	slices.SortStableFunc(row, func(a, c *Cell) int { return cmp.Compare(a.X, c.X) })
	shift, all, fixed, firm := 0.0, 0.0, 0.0, 0.0
	for i, c := range row {
		shift, all = shift+c.X-float64(i), all+1
		if c.Y < level {
			fixed, firm = fixed+c.X-float64(i), firm+1
		}
	}
	if firm > 0 {
		shift, all = fixed, firm
	}
	for i, c := range row {
		if c.Y == level {
			c.X = float64(i) + shift/all
		}
	}
}

// turn looks at the other side: left is right, and every knit shows its purl.
func (b *builder) turn() {
	for i := range b.p.Cells {
		b.p.Cells[i].X = -b.p.Cells[i].X
	}
	for _, edges := range [][]float64{b.gaps, b.pins} {
		for i := range edges {
			edges[i] = -edges[i]
		}
	}
}

// frame moves the picture to where its numbers begin at nothing, and has each face as it is seen.
func (b *builder) frame() {
	left, right, deep := 0.0, 0.0, 1.0
	for i := range b.p.Cells {
		c := &b.p.Cells[i]
		left, right, deep = min(left, c.X-0.5), max(right, c.X+0.5), max(deep, c.Y+c.High)
		if b.p.Side == needle.WS {
			c.Face = c.Face.Turned()
		}
	}
	for i := range b.p.Cells {
		b.p.Cells[i].X -= left
	}
	b.p.yarn = -left
	for _, edges := range [][]float64{b.gaps, b.pins} {
		for i := range edges {
			edges[i] -= left
		}
	}
	b.p.Width, b.p.Height = int((right-left)*Unit+0.5), int((min(deep, rowsShown)+above)*Unit+0.5)
}

// above is the room for the needle over the fabric, in stitches.
const above = 0.9

// shapeOf names how a stitch is drawn.
func (f *Fabric) shapeOf(s *Stitch) string {
	switch s.Code {
	case needle.CO, needle.COChain, needle.Unzip:
		return "cast-on"
	case needle.YO:
		if f.ofTurn(s) {
			return "turn"
		}
		return "yarn-over"
	case needle.PU, needle.PC:
		return "picked up"
	case needle.K2tog, needle.P2tog, needle.K3tog, needle.P3tog:
		return "right"
	case needle.SSK, needle.SSP, needle.SSSK, needle.SSSP:
		return "left"
	case needle.Kfb, needle.Pfb:
		return "bar"
	}
	switch {
	case s.made() && f.knitted.Rows[s.Row].Section == needle.Heel:
		return "lifted"
	case s.made():
		return "twisted"
	case f.crossed(s):
		return "crossed"
	}
	return "plain"
}
