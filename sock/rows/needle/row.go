package needle

import "fmt"

// Side is the side of the fabric that faces the knitter.
type Side string

// The two sides. RS rows run up the ring, WS rows down.
const (
	RS Side = "RS"
	WS Side = "WS"
)

// RowKind tells a full joined round from a row that starts where the yarn is.
type RowKind string

// The two kinds of row.
const (
	Round   RowKind = "round"
	FlatRow RowKind = "row"
)

// Section is a part of the sock, in the order of the work.
type Section string

// The sections.
const (
	CastOn  Section = "cast_on"
	Toe     Section = "toe"
	Foot    Section = "foot"
	Heel    Section = "heel"
	Gusset  Section = "gusset"
	Leg     Section = "leg"
	Cuff    Section = "cuff"
	BindOff Section = "bind_off"
)

// Sections lists all sections in the order of the work.
var Sections = []Section{CastOn, Toe, Foot, Heel, Gusset, Leg, Cuff, BindOff}

// Garter is the fabric in which a wrap may stay where it is.
const Garter = "garter"

// Row is one row or round: operations to be worked in order from where the yarn is.
type Row struct {
	ID      string  `json:"id"`
	Section Section `json:"section"`
	// N counts from 1 within the section.
	N    int     `json:"n"`
	Kind RowKind `json:"kind"`
	Side Side    `json:"side"`
	Ops  Ops     `json:"ops"`
	// Stitches is the number of live loops on all needles after the row.
	Stitches int    `json:"stitches"`
	Fabric   string `json:"fabric,omitempty"`
	Colour   string `json:"colour,omitempty"`
	Note     string `json:"note,omitempty"`
	Needle   string `json:"needle,omitempty"`
	// Markers names loops, counted from loop 0 before the row is worked.
	Markers []Marker `json:"markers,omitempty"`
	// OnNeedles are the loops on each needle after the row, in ring order from loop From on; they add up to Stitches.
	OnNeedles []int `json:"on_needles,omitempty"`
	From      int   `json:"from,omitempty"`
	// Moves slide loops to neighbouring needles before the row.
	Moves []Move `json:"moves,omitempty"`
	// Groups, in short rows, are the stitches that wait on the left, lie between and wait on the right,
	// left to right as they are held after the row; they add up to the stitches of the heel or toe.
	Groups []int `json:"groups,omitempty"`
	// Turned lists, on the cast-on row, the loops [from, to) that sit with the leading leg behind.
	Turned [][2]int `json:"turned,omitempty"`
}

// TurnsOnly says whether a row is a turn and nothing else: people turn before the first stitch of the next row, and call that the row.
func (r *Row) TurnsOnly() bool { return len(r.Ops) == 1 && r.Ops[0].Code == Turn }

// NumberOf is the number of a row within its section as people count: a turn alone is no row, and has the number of the one after it.
func NumberOf(rows []Row, i int) int {
	n := rows[i].N
	for k := i - 1; k >= 0 && rows[k].Section == rows[i].Section; k-- {
		if rows[k].TurnsOnly() {
			n--
		}
	}
	return n
}

// SoleMarker is the marker before the first loop of needle 2, hung where that is not the half.
const SoleMarker = "sole"

// SoleBegins is the first loop of needle 2 before the row, with so many loops on the needles: at its marker, else at the half.
func (r *Row) SoleBegins(loops int) int {
	for _, marker := range r.Markers {
		if marker.Name == SoleMarker {
			return marker.Loop
		}
	}
	return loops / 2
}

// InstepMarker is the marker before the first loop of needle 1, hung where the round begins elsewhere.
const InstepMarker = "instep"

// InstepBegins is the first loop of needle 1 before the row: at its marker, else where the round begins.
func (r *Row) InstepBegins() int {
	for _, marker := range r.Markers {
		if marker.Name == InstepMarker {
			return marker.Loop
		}
	}
	return 0
}

// Contrast is the colour of rows in the second yarn; the sock's own has no name.
const Contrast = "contrast"

// Fault is an operation that cannot be worked, or a row that does not come out as it says.
type Fault struct {
	// Row is the row's ID.
	Row string
	// Op is the index of the operation in the row, -1 for the row as a whole.
	Op int
	// Text says what was expected and what was found.
	Text string
}

func (f *Fault) Error() string {
	if f.Op < 0 {
		return fmt.Sprintf("%s: %s", f.Row, f.Text)
	}
	return fmt.Sprintf("%s, op %d: %s", f.Row, f.Op+1, f.Text)
}
