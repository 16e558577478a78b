// Package tracing measures a foot on a picture of its outline: marks on the
// picture become millimetres on the sheet.
//
// The scale comes from two marks of known distance, which is right for a scan;
// or from the four corners of the sheet of paper, which also takes out the
// slant of a photograph.
package tracing

import (
	"fmt"
	"math"

	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
)

// Point is a place on the picture, in pixels, or on the sheet, in millimetres.
type Point [2]float64

// Sheet is a size of paper.
type Sheet struct {
	Name  string         `json:"name"`
	Label string         `json:"label"`
	Short measure.Length `json:"short_mm"`
	Long  measure.Length `json:"long_mm"`
}

// Sheets lists the papers that are known.
var Sheets = []Sheet{{"a4", "A4", 210, 297}, {"letter", "Letter", 215.9, 279.4}}

// Marks are what was set on the picture.
type Marks struct {
	// Sheet names the paper whose Corners were marked, going round; empty when Scale is used.
	Sheet   string  `json:"sheet"`
	Corners []Point `json:"corners"`
	// Scale are two points at the distance Known.
	Scale []Point        `json:"scale"`
	Known measure.Length `json:"known_mm,omitempty"`
	// Heel is the backmost point, Toe the tip of the longest toe.
	Heel Point `json:"heel"`
	Toe  Point `json:"toe"`
	// Ball are the widest places inside and outside; LittleToe is where it begins. Both may be left out.
	Ball      []Point `json:"ball"`
	LittleToe []Point `json:"little_toe"`
}

// Foot is what the marks come to, each with the error to be expected.
type Foot struct {
	Length   Found  `json:"length"`
	Width    *Found `json:"width,omitempty"`
	ToeDepth *Found `json:"toe_depth,omitempty"`
	// ToeTipAside is how far the tip of the longest toe lies to the inner side of the line from the heel to the middle of the
	// ball, LittleToeAside how far the little toe begins to its outer side; told where ball and little toe are marked.
	ToeTipAside    *Found `json:"toe_tip_aside,omitempty"`
	LittleToeAside *Found `json:"little_toe_aside,omitempty"`
	// Text says what was assumed.
	Text string `json:"text"`
	// Doubt asks about a sheet that looks like another paper; empty for none.
	Doubt string `json:"doubt"`
}

// Found is a measured length.
type Found struct {
	Length      measure.Length `json:"length_mm"`
	Uncertainty measure.Length `json:"uncertainty_mm"`
}

// markError is how far a mark may be off, in pixels: a finger and a pen line.
const markError = 1.5

// penError is what the width of the pen and the slope of its hold add, in mm.
const penError = 1.0

// finite says whether both figures are numbers.
func (f *Found) finite() bool {
	sum := float64(f.Length + f.Uncertainty)
	return !math.IsNaN(sum) && !math.IsInf(sum, 0)
}

// Measure turns marks into lengths. Marks that are missing, that do not make a
// sheet, or that give no foot are document.Faults.
func Measure(m Marks) (Foot, error) {
	if faults := m.check(); len(faults) > 0 {
		return Foot{}, faults
	}
	foot := Foot{Length: m.withError(length)}
	if len(m.Ball) == 2 {
		found := m.withError(width)
		foot.Width = &found
	}
	if len(m.LittleToe) == 1 {
		found := m.withError(toeDepth)
		foot.ToeDepth = &found
	}
	if len(m.Ball) == 2 && len(m.LittleToe) == 1 {
		tip, little := m.withError(toeTipAside), m.withError(littleToeAside)
		// Marks that are set roughly give toes that no foot has; the lengths are right all the same.
		const mostTip, leastLittle, mostLittle = 60, 10, 90
		if tip.Length >= 0 && tip.Length <= mostTip && little.Length >= leastLittle && little.Length <= mostLittle {
			foot.ToeTipAside, foot.LittleToeAside = &tip, &little
		}
	}
	for _, found := range []*Found{&foot.Length, foot.Width, foot.ToeDepth, foot.ToeTipAside, foot.LittleToeAside} {
		if found != nil && !found.finite() {
			return Foot{}, document.Faults{{Field: "corners",
				Message: "seen like this the sheet ends before the foot does: look at its corners, or take the picture from higher up"}}
		}
	}
	const shortest, longest = 80, 350
	if l := foot.Length.Length; l < shortest || l > longest {
		var faults document.Faults
		faults.Add("toe", "heel and toe lie %.0f mm apart; a foot's length is %d to %d mm: look at the marks that give the scale",
			float64(l), shortest, longest)
		return Foot{}, faults
	}
	foot.Text = "Scaled by two marks: right for a scan, or a picture taken from straight above."
	if m.Sheet != "" {
		foot.Text = "Scaled by the four corners of the sheet: the slant of the picture is taken out."
		foot.Doubt = m.otherPaper()
	}
	return foot, nil
}

func length(m Marks, on func(Point) Point) float64 {
	heel, toe := on(m.Heel), on(m.Toe)
	return math.Hypot(toe[0]-heel[0], toe[1]-heel[1])
}

// width is the distance of the ball's sides across the line from heel to toe.
func width(m Marks, on func(Point) Point) float64 {
	a, b := on(m.Ball[0]), on(m.Ball[1])
	along := axis(m, on)
	return math.Abs((b[0]-a[0])*along[1] - (b[1]-a[1])*along[0])
}

// toeDepth is measured along the line from the toe back to the heel.
func toeDepth(m Marks, on func(Point) Point) float64 {
	toe, little := on(m.Toe), on(m.LittleToe[0])
	along := axis(m, on)
	return (toe[0]-little[0])*along[0] + (toe[1]-little[1])*along[1]
}

// aside is how far a place lies from the line from the heel to the middle of the ball, to the side on which the little toe is marked.
func aside(m Marks, on func(Point) Point, place Point) float64 {
	heel, a, b := on(m.Heel), on(m.Ball[0]), on(m.Ball[1])
	along := Point{(a[0]+b[0])/2 - heel[0], (a[1]+b[1])/2 - heel[1]}
	far := math.Hypot(along[0], along[1])
	to := func(p Point) float64 {
		q := on(p)
		return ((q[1]-heel[1])*along[0] - (q[0]-heel[0])*along[1]) / far
	}
	return math.Copysign(to(place), to(place)*to(m.LittleToe[0]))
}

func littleToeAside(m Marks, on func(Point) Point) float64 { return aside(m, on, m.LittleToe[0]) }

// toeTipAside is told to the inner side.
func toeTipAside(m Marks, on func(Point) Point) float64 { return -aside(m, on, m.Toe) }

// axis is the direction from heel to toe.
func axis(m Marks, on func(Point) Point) Point {
	heel, toe := on(m.Heel), on(m.Toe)
	long := math.Hypot(toe[0]-heel[0], toe[1]-heel[1])
	if long == 0 {
		return Point{}
	}
	return Point{(toe[0] - heel[0]) / long, (toe[1] - heel[1]) / long}
}

// withError measures, and again with each mark moved, to see what a mark set wrongly would change.
func (m Marks) withError(find func(Marks, func(Point) Point) float64) Found {
	base := find(m, m.plane())
	sum := penError * penError
	for _, mark := range m.all() {
		for axis := range 2 {
			kept := mark[axis]
			mark[axis] += markError
			moved := find(m, m.plane()) - base
			mark[axis] = kept
			sum += moved * moved
		}
	}
	return Found{measure.Length(base), measure.Length(math.Sqrt(sum))}
}

// all gives every mark, to be moved.
func (m *Marks) all() []*Point {
	marks := []*Point{&m.Heel, &m.Toe}
	for _, list := range [][]Point{m.Corners, m.Scale, m.Ball, m.LittleToe} {
		for i := range list {
			marks = append(marks, &list[i])
		}
	}
	return marks
}

// plane takes a place on the picture to its place on the sheet, in mm.
func (m Marks) plane() func(Point) Point {
	if m.Sheet == "" {
		a, b := m.Scale[0], m.Scale[1]
		perPixel := float64(m.Known) / math.Hypot(b[0]-a[0], b[1]-a[1])
		return func(p Point) Point { return Point{p[0] * perPixel, p[1] * perPixel} }
	}
	sheet, _ := sheetOf(m.Sheet)
	return homography([4]Point(m.Corners), m.onSheet(sheet))
}

// onSheet lays the corners on the sheet: the side that looks longer is the long one.
func (m Marks) onSheet(sheet Sheet) [4]Point {
	side := func(i, j int) float64 {
		return math.Hypot(m.Corners[j][0]-m.Corners[i][0], m.Corners[j][1]-m.Corners[i][1])
	}
	first, second := float64(sheet.Long), float64(sheet.Short)
	if side(0, 1)+side(2, 3) < side(1, 2)+side(3, 0) {
		first, second = second, first
	}
	return [4]Point{{0, 0}, {first, 0}, {first, second}, {0, second}}
}

// straight is by how much, as a share, opposite sides of a sheet differ at most in a picture from so straight above that the slant
// shortens neither of them noticeably.
const straight = 0.04

// otherPaper doubts a sheet whose sides, seen from straight above, are those of another paper than it is said to be. A slant shortens a
// side, so that a picture with one tells nothing.
func (m Marks) otherPaper() string {
	side := func(i, j int) float64 {
		return math.Hypot(m.Corners[j][0]-m.Corners[i][0], m.Corners[j][1]-m.Corners[i][1])
	}
	a, b, c, d := side(0, 1), side(1, 2), side(2, 3), side(3, 0)
	if math.Abs(a-c) > straight*(a+c)/2 || math.Abs(b-d) > straight*(b+d)/2 {
		return ""
	}
	seen := math.Max(a+c, b+d) / math.Min(a+c, b+d)
	off := func(s Sheet) float64 { return math.Abs(seen/float64(s.Long/s.Short) - 1) }
	said, _ := sheetOf(m.Sheet)
	for _, other := range Sheets {
		if other.Name != said.Name && 2*off(other) < off(said) {
			return fmt.Sprintf("The sides of this sheet are as %.2f to 1, like those of %s; those of %s are as %.2f. Which paper is it?", seen, other.Label,
				said.Label, float64(said.Long/said.Short))
		}
	}
	return ""
}

// exchanged says whether ball or little toe lie nearer to the mark of the heel than to that of the toe.
func (m *Marks) exchanged() bool {
	nearer := func(p Point) bool {
		return math.Hypot(p[0]-m.Heel[0], p[1]-m.Heel[1]) < math.Hypot(p[0]-m.Toe[0], p[1]-m.Toe[1])
	}
	return len(m.Ball) == 2 && nearer(m.Ball[0]) && nearer(m.Ball[1]) || len(m.LittleToe) == 1 && nearer(m.LittleToe[0])
}

func sheetOf(name string) (Sheet, bool) {
	for _, s := range Sheets {
		if s.Name == name {
			return s, true
		}
	}
	return Sheet{}, false
}

func (m *Marks) check() document.Faults {
	var faults document.Faults
	if m.Sheet == "" {
		m.Corners = nil
		if len(m.Scale) != 2 {
			faults.Add("scale", "read %d marks; two marks of known distance give the scale", len(m.Scale))
		} else if m.Known < 10 || m.Known > 1000 {
			faults.Add("known_mm", "read %g mm; the two marks lie 10 to 1000 mm apart", float64(m.Known))
		} else if near(m.Scale[0], m.Scale[1]) {
			faults.Add("scale", "the two marks lie on top of each other")
		}
	} else {
		m.Scale = nil
		if _, known := sheetOf(m.Sheet); !known {
			faults.Add("sheet", "read %.20q, expected a4 or letter", m.Sheet)
		} else if len(m.Corners) != 4 {
			faults.Add("corners", "read %d marks; a sheet has four corners", len(m.Corners))
		} else if !convex([4]Point(m.Corners)) {
			faults.Add("corners", "the four marks do not go round a sheet: set them one after the other, in a circle")
		}
	}
	if n := len(m.Ball); n != 0 && n != 2 {
		faults.Add("ball", "read %d marks; the ball has two sides", n)
	}
	if n := len(m.LittleToe); n > 1 {
		faults.Add("little_toe", "read %d marks, expected one", n)
	}
	for _, p := range m.all() {
		if bad(p[0]) || bad(p[1]) {
			faults.Add("", "a mark lies at %g, %g, which is on no picture", p[0], p[1])
			break
		}
	}
	if near(m.Heel, m.Toe) {
		faults.Add("toe", "heel and toe lie on top of each other")
	} else if m.exchanged() {
		faults.Add("heel", "ball and toes lie nearer to the mark of the heel than to that of the toe: are the two exchanged?")
	}
	return faults
}

func bad(x float64) bool { return math.IsNaN(x) || math.Abs(x) > 1e5 }

// near is closer than marks can be told apart.
func near(a, b Point) bool { return math.Hypot(a[0]-b[0], a[1]-b[1]) < 4*markError }

// convex says whether four points go round without crossing or folding back,
// also when one of them is marked a little beside its place: no three may lie
// as good as in a line, which makes their triangle flat.
func convex(c [4]Point) bool {
	sign := 0.0
	for i := range 4 {
		a, b, d := c[i], c[(i+1)%4], c[(i+2)%4]
		turn := (b[0]-a[0])*(d[1]-b[1]) - (b[1]-a[1])*(d[0]-b[0])
		longest := max(math.Hypot(b[0]-a[0], b[1]-a[1]), math.Hypot(d[0]-b[0], d[1]-b[1]), math.Hypot(d[0]-a[0], d[1]-a[1]))
		if !(math.Abs(turn) > 4*markError*longest) || turn*sign < 0 {
			return false
		}
		sign = turn
	}
	return true
}
