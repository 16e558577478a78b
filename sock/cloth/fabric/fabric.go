// Package fabric is the sock as a fabric: which stitch hangs on which, what
// each shows to either side, and what a turn, a slip or a wrap left on it. It
// reads the knitted sock; pictures of the fabric are drawn from it alone.
package fabric

import (
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// None stands for a stitch that is not there.
const None int32 = -1

// Face is what a stitch shows.
type Face uint8

// The faces. A stitch that is neither knitted nor purled, such as a yarn-over, shows none.
const (
	NoFace Face = iota
	Smooth
	Bump
)

// Turned is the face that the other side shows.
func (f Face) Turned() Face {
	switch f {
	case Smooth:
		return Bump
	case Bump:
		return Smooth
	}
	return f
}

// Stitch is one loop of the yarn, with what it hangs on.
type Stitch struct {
	// Row and Op made it, counted from 0; Code is that operation, Side what faced the knitter then.
	Row, Op int32
	Code    needle.Code
	Side    needle.Side
	// Below are the stitches that it was drawn through, Above those that were drawn through it, in the order in which they were made.
	Below, Above []int32
	// Before and After are its neighbours along the yarn.
	Before, After int32
	// Slips are the rows in which it was slipped, Wraps those in which the yarn went round its foot, Legs those
	// that pulled it up to two legs, Pins those in which a pin was hung behind it.
	Slips, Wraps, Legs, Pins []int32
	// Colour is its yarn, named as the row that made it names it.
	Colour string
	// Turned: it lay with its leading leg behind when it was cast on.
	Turned bool
}

// Face is what it shows to the right side.
func (s *Stitch) Face() Face { return FaceOf(s.Code, s.Side) }

// FaceOf is what a stitch shows to the right side that an operation made while a side faced the knitter.
func FaceOf(code needle.Code, side needle.Side) Face {
	switch code {
	case needle.YO, needle.CO, needle.COChain, needle.Unzip, needle.BO:
		return NoFace
	}
	if code.IsPurl() != (side == needle.WS) {
		return Bump
	}
	return Smooth
}

// made says whether a stitch was made from the strand between two others: its legs cross.
func (s *Stitch) made() bool {
	switch s.Code {
	case needle.M1, needle.M1L, needle.M1R, needle.M1P:
		return true
	}
	return false
}

// crossed says whether a stitch was worked through the back of a loop that sat well, so that its legs cross. A loop that lay turned is
// set right so.
func (f *Fabric) crossed(s *Stitch) bool {
	return (s.Code == needle.Ktbl || s.Code == needle.Ptbl) && !f.Stitches[s.Below[0]].Turned
}

// ofTurn says whether a stitch is the yarn-over of a turn, and none of a pattern.
func (f *Fabric) ofTurn(s *Stitch) bool {
	if s.Code != needle.YO || s.Op != 0 || s.Row == 0 {
		return false
	}
	section := f.knitted.Rows[s.Row].Section
	before := f.knitted.Rows[s.Row-1].Ops
	return (section == needle.Heel || section == needle.Toe) && before[len(before)-1].Code == needle.Turn
}

// Fabric is every stitch of a sock, by its number in the knitted sock.
type Fabric struct {
	Stitches []Stitch
	knitted  *knitted.Sock
}

// Of makes the fabric of a sock that was traced.
func Of(t *knitted.Sock) *Fabric {
	f := &Fabric{Stitches: make([]Stitch, len(t.Loops)), knitted: t}
	last := map[string]int32{} // the newest stitch of each yarn
	for i := range t.Loops {
		made, s := &t.Loops[i], &f.Stitches[i]
		row := &t.Rows[made.Row]
		*s = Stitch{Row: made.Row, Op: made.Op, Code: made.Code, Side: row.Side, Before: None, After: None, Colour: row.Colour}
		for _, from := range made.From {
			if from > 0 {
				s.Below = append(s.Below, from-1)
				below := &f.Stitches[from-1]
				below.Above = append(below.Above, int32(i))
			}
		}
		if before, some := last[s.Colour]; some {
			s.Before = before
			f.Stitches[before].After = int32(i)
		}
		last[s.Colour] = int32(i)
	}
	for i := range t.Rows {
		f.follow(i)
	}
	return f
}

// follow notes what a row did to stitches that it did not work.
func (f *Fabric) follow(i int) {
	row, now := &f.knitted.Rows[i], f.knitted.Before(i)
	f.castOn(row, i)
	next := walk(now)
	for _, o := range row.Ops {
		switch o.Code {
		case needle.Unzip, needle.Start, needle.Turn:
			if o.Code == needle.Unzip {
				return // what comes out of the waste yarn is worked plain
			}
			continue
		case needle.WT:
			if at := next(); at >= 0 {
				s := f.on(now, at)
				s.Wraps = append(s.Wraps, int32(i))
			}
			continue
		}
		for range o.N * o.Code.Takes() {
			at := next()
			if at < 0 {
				return
			}
			switch s := f.on(now, at); o.Code {
			case needle.Sl:
				s.Slips = append(s.Slips, int32(i))
			case needle.DS:
				s.Legs = append(s.Legs, int32(i))
			case needle.SlPin:
				s.Slips, s.Pins = append(s.Slips, int32(i)), append(s.Pins, int32(i))
			}
		}
	}
}

// castOn notes the loops that a cast-on laid with the leading leg behind.
func (f *Fabric) castOn(row *needle.Row, i int) {
	if len(row.Turned) == 0 || i+1 > len(f.knitted.Rows) {
		return
	}
	after := f.knitted.After(i)
	for _, part := range row.Turned {
		for at := part[0]; at < min(part[1], len(after.Loops)); at++ {
			f.on(after, at).Turned = true
		}
	}
}

func (f *Fabric) on(s *knitted.State, at int) *Stitch { return &f.Stitches[s.Loops[at].Made] }

// walk gives the loops of a needle in the order in which they are worked, from where the yarn is; -1 past the last.
func walk(s *knitted.State) func() int {
	n, gone, at := len(s.Loops), 0, s.Cursor
	return func() int {
		if gone == n {
			return -1
		}
		gone++
		if s.Side == needle.RS {
			at = (at + 1) % n
			return (at + n - 1) % n
		}
		at = (at + n - 1) % n
		return at
	}
}
