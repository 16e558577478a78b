// Package shape is a sock on its foot as it is seen from the wearer's left, the
// outer side of a left foot and the inner one of a right foot, to scale in
// millimetres: every row is one line, so a change of the plan is a change of
// the picture. The sock lies as its cloth settled; nothing is drawn that was
// not knitted.
//
// x runs from the tip of the toes to the heel, y up from the floor.
package shape

import (
	"math"
	"slices"
	"strconv"

	"acornstep/sock/cloth/body"
	"acornstep/sock/cloth/worn"
	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Point is a place in millimetres.
type Point [2]float64

// Points are the places along a line.
type Points []Point

// MarshalJSON writes hundredths of a millimetre, finer than any yarn.
func (list Points) MarshalJSON() ([]byte, error) {
	text := make([]byte, 0, 20*len(list)+2)
	text = append(text, '[')
	for i, p := range list {
		if i > 0 {
			text = append(text, ',')
		}
		text = append(text, '[')
		text = strconv.AppendFloat(text, p[0], 'g', 7, 64)
		text = append(text, ',')
		text = strconv.AppendFloat(text, p[1], 'g', 7, 64)
		text = append(text, ']')
	}
	return append(text, ']'), nil
}

// Line is what is seen of one row; a row that turns out of sight has several.
// That of a round is seen from the front, where the next has begun, over the side at which its end meets its beginning, to the back.
type Line struct {
	Row    string `json:"row"`
	Colour string `json:"colour"`
	Points Points `json:"points"`
	// Purls are the stretches of it in which purls stand.
	Purls []Points `json:"purls,omitempty"`
}

// Profile is a sock on its foot, seen from the wearer's left.
type Profile struct {
	Lines []Line `json:"lines"`
	// Width and Height of the sock from the tip of the toes and the floor.
	Width  float64 `json:"width_mm"`
	Height float64 `json:"height_mm"`
}

// Of draws a sock that lies on its foot, each loop in its colour.
func Of(w *worn.Worn, t *knitted.Sock, colours []string) Profile {
	var s Profile
	sight := newSight(w, t)
	for _, run := range sight.runs {
		row := sight.from(run)
		for _, part := range parted(run, colours) {
			line := Line{Row: row.ID, Colour: colours[part[0]], Points: thinned(sight.line(part)), Purls: sight.purls(part)}
			for _, p := range line.Points {
				s.Width, s.Height = math.Max(s.Width, p[0]), math.Max(s.Height, p[1])
			}
			s.Lines = append(s.Lines, line)
		}
	}
	s.Width, s.Height = rounded(s.Width), rounded(s.Height)
	return s
}

// In gives the rows of a section of the sock, the first first, a line each: one that changes its colour is one line
// here, and of one that is seen in two places the longer.
func (s *Profile) In(section needle.Section) []Line {
	var list []Line
	for _, line := range s.Lines {
		switch n := len(list); {
		case rowSection(line.Row) != section:
		case n > 0 && list[n-1].Row == line.Row && list[n-1].Points.end() == line.Points[0]:
			list[n-1].Points = append(slices.Clone(list[n-1].Points), line.Points...)
		case n > 0 && list[n-1].Row == line.Row:
			if line.Points.length() > list[n-1].Points.length() {
				list[n-1] = line
			}
		default:
			list = append(list, line)
		}
	}
	return list
}

// Top is the last row of the sock; ok is false for one that has none.
func (s *Profile) Top() (top Line, ok bool) {
	if len(s.Lines) == 0 {
		return Line{}, false
	}
	list := s.In(rowSection(s.Lines[len(s.Lines)-1].Row))
	return list[len(list)-1], true
}

func rowSection(id string) needle.Section {
	for i := len(id) - 1; i > 0; i-- {
		if id[i] == '-' {
			return needle.Section(id[:i])
		}
	}
	return needle.Section(id)
}

func (list Points) end() Point { return list[len(list)-1] }

// length is that of the way along the line, in mm.
func (list Points) length() (sum float64) {
	for i := 1; i < len(list); i++ {
		sum += math.Hypot(list[i][0]-list[i-1][0], list[i][1]-list[i-1][1])
	}
	return sum
}

// Middle is the place halfway along a line.
func (l Line) Middle() Point { return l.Points[len(l.Points)/2] }

// Lowest is the lowest place of a line.
func (l Line) Lowest() Point {
	lowest := l.Points[0]
	for _, p := range l.Points {
		if p[1] < lowest[1] {
			lowest = p
		}
	}
	return lowest
}

// Ghost is the outline of the foot and leg behind the sock, up to a little above it.
func Ghost(w *worn.Worn, s Profile) Points {
	const above = 18
	return outline(w, s.Height+above)
}

// WholeGhost is the outline of the foot with all of its leg that was made.
func WholeGhost(w *worn.Worn) Points { return outline(w, math.Inf(1)) }

// outline is that of the foot, up to a height in mm above the floor.
func outline(w *worn.Worn, height float64) Points {
	var list Points
	for _, p := range w.Foot.Line() {
		if p[1] <= height {
			list = append(list, Point{rounded(p[0]), rounded(p[1])})
		}
	}
	return list
}

// Needle is where the loops on the needles lie, on the side that is seen, from the front to the back.
func Needle(w *worn.Worn, t *knitted.Sock) Points {
	sight, live := newSight(w, t), w.Cloth.Live
	// The needles are a ring that begins at the side which is seen: the line begins where it comes into sight at the back.
	first := 0
	for k, id := range live {
		before := live[(k+len(live)-1)%len(live)]
		if sight.seen[id] && !sight.seen[before] {
			first = k
		}
	}
	line := Points{}
	for k := range live {
		if id := live[(first+k)%len(live)]; sight.seen[id] {
			line = append(line, sight.place(id))
		}
	}
	slices.Reverse(line)
	return line
}

// Across are the two ends of the line along which a place of the fit is measured.
type Across struct {
	Place string   `json:"place"`
	Ends  [2]Point `json:"ends"`
}

// Places are where the fit is measured, on the drawing of a sock.
func Places(w *worn.Worn, s Profile) []Across {
	var list []Across
	flat := func(at, angle float64) Point {
		p := w.Foot.Skin(at, angle)
		return Point{rounded(p[0]), rounded(p[1])}
	}
	for _, name := range append(slices.Clone(body.Places), body.Knee) {
		if at, ok := w.Foot.Station(name); ok {
			across := Across{name, [2]Point{flat(at, 0), flat(at, math.Pi)}}
			if math.Max(across.Ends[0][1], across.Ends[1][1]) <= s.Height+1 {
				list = append(list, across)
			}
		}
	}
	if top, ok := s.Top(); ok {
		list = append(list, Across{"cuff", [2]Point{top.Points[0], top.Points[len(top.Points)-1]}})
	}
	return list
}

func rounded(mm float64) float64 { return float64(measure.HalfUp(mm*100)) / 100 }

// beside is how far a place lies from a straight stretch.
func beside(p, a, b Point) float64 {
	dx, dy := b[0]-a[0], b[1]-a[1]
	along := 0.0
	if square := dx*dx + dy*dy; square > 0 {
		along = math.Min(1, math.Max(0, ((p[0]-a[0])*dx+(p[1]-a[1])*dy)/square))
	}
	return math.Hypot(p[0]-a[0]-along*dx, p[1]-a[1]-along*dy)
}

// thinned leaves out the places that a line passes within a hair of: Ramer, Douglas and Peucker's way.
func thinned(line Points) Points {
	const hair = 0.12
	if len(line) < 3 {
		return line
	}
	far, at := 0.0, 0
	a, b := line[0], line[len(line)-1]
	for i := 1; i < len(line)-1; i++ {
		if d := beside(line[i], a, b); d > far {
			far, at = d, i
		}
	}
	if far <= hair {
		return Points{a, b}
	}
	left, right := thinned(line[:at+1]), thinned(line[at:])
	return append(left[:len(left):len(left)], right[1:]...)
}
