package cloth

import (
	"math"

	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Sizes are what the cloth needs to know beside its rows.
type Sizes struct {
	Gauge measure.Gauge
	// Leg and Cuff are the girth that their patterns give, compared with stockinette.
	Leg, Cuff float64
	// Instep is that of the pattern on the instep below the leg: on InstepStitches of each round.
	Instep         float64
	InstepStitches int
	// Slipped is the share of its height that a row has where every other stitch is slipped.
	Slipped float64
}

// Kind is what a link is.
type Kind uint8

// The kinds of links.
const (
	Along Kind = iota // along the yarn, from stitch to stitch
	Up                // from a loop to the one that was drawn through it
	Slant             // across a stitch: what keeps it from leaning
	Edge              // from an edge to a loop picked up there
)

// Link holds two loops at a distance.
type Link struct {
	From, To int32
	Kind     Kind
	// Right and Above are where To lies from From in flat cloth seen from inside, in mm: along the row, in the
	// order of the needles, and up.
	Right, Above float64
	// Quarters of a turn, from right to above, by which the cloth of To is turned against that of From; 0 except for an Edge.
	Quarters int8
}

// Rest is the length of a link that nothing pulls, in mm.
func (l *Link) Rest() float64 { return math.Hypot(l.Right, l.Above) }

// Lie is how a facet, half of a stitch, lies in it: which corners of the stitch are its own, in its order.
type Lie uint8

// The lies: with two corners below or two above, in a row that was worked up the needles or down them.
const (
	TwoBelow     Lie = iota // left below, right below, left above
	TwoAbove                // right below, right above, left above
	TwoBelowBack            // right below, right above, left below
	TwoAboveBack            // left below, right above, left above
)

// Loop is one loop of the cloth.
type Loop struct {
	// Row made it.
	Row int32
	// Wide and High are its size at rest, in mm.
	Wide, High float64
	// Turn is its place round the sock as a share, from the first loop of needle 1 on; negative where the sock is no whole round.
	Turn float64
	// Front is how far up the front of the sock its round lies, in mm from the first whole round on; told where Turn is.
	Front float64
	// Foot says whether its round is of the foot, before the heel.
	Foot bool
	// level is how high it stands above the cast-on, in rows.
	level int32
	slips int32
}

// Cloth is a sock as cloth.
type Cloth struct {
	// Loops by their number in the knitted sock; those of a bind-off are left out.
	Loops []Loop
	Links []Link
	// Facets are triangles of loops, from right to above; seen from outside, where rows run to the left, clockwise.
	Facets [][3]int32
	// Lies says of each facet how it lies in its stitch.
	Lies []Lie
	// Live are the loops on the needles at the end, in their order.
	Live []int32
	// Gauge of its plain parts.
	Gauge measure.Gauge
	// Rows is how many rows were read.
	Rows int
	// Toe are the loops before the first whole round: the first so many.
	Toe int
}

// Of makes the cloth of the rows that were traced, up to the bind-off.
func Of(t *knitted.Sock, sizes Sizes) *Cloth {
	e := newEdge(t, sizes)
	rows := len(t.Steps)
	for i := range rows {
		if t.Rows[i].Section == needle.BindOff {
			rows = i
			break
		}
		e.row(i)
	}
	c := e.cloth
	c.Rows, c.Gauge = rows, sizes.Gauge
	if rows > 0 {
		after := t.After(rows - 1)
		for k := range after.Loops {
			c.Live = append(c.Live, after.Loops[k].Made)
		}
		// Loops that a bind-off makes are none of these.
		last := int32(0)
		for i := range t.Loops {
			if int(t.Loops[i].Row) < rows {
				last = int32(i + 1)
			}
		}
		c.Loops = c.Loops[:last]
	}
	return c
}
