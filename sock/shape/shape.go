// Package shape draws the sock as it lies flat, to scale in millimetres: every
// row is one line, so a change of the plan is a change of the picture.
//
// The foot lies along x from the toe tip, the sole at y = 0; the leg rises at
// the heel. Lying flat, one side shows: half of the instep above half of the
// sole. At the ankle the instep folds along a mitre, and at the heel the rows
// fold along the line of the turns.
package shape

import (
	"math"
	"strconv"

	"acornstep/sock/measure"
	"acornstep/sock/needle"
	"acornstep/sock/plan"
	"acornstep/sock/trace"
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

// Line is one row as it lies in the sock.
type Line struct {
	Row    string `json:"row"`
	Colour string `json:"colour"`
	Points Points `json:"points"`
	// Purls are the stretches of the line in which purls stand, as shares of it.
	Purls [][2]float64 `json:"purls,omitempty"`
}

// Shape is the sock lying flat.
type Shape struct {
	Lines []Line `json:"lines"`
	// Ankle is the point about which the leg folds up from the foot.
	Ankle Point `json:"ankle"`
	// Width and Height of the box round the whole sock.
	Width  float64 `json:"width_mm"`
	Height float64 `json:"height_mm"`
}

// Of draws a plan that was traced.
func Of(p *plan.Plan, t *trace.Trace) Shape {
	f := newFrame(p)
	for i := range p.Rows {
		if p.Rows[i].Section == needle.Heel && t.Steps[i].Worked > 0 {
			f.heelRows++
		}
	}
	s := Shape{Ankle: f.ankle}
	for i := range p.Rows {
		row := &p.Rows[i]
		if points := f.line(row, t.Steps[i]); points != nil {
			s.Lines = append(s.Lines, Line{row.ID, row.Colour, rounded(points), purls(t, i)})
			for _, pt := range points {
				s.Width, s.Height = max(s.Width, pt[0]), max(s.Height, pt[1])
			}
		}
	}
	return s
}

func rounded(points []Point) []Point {
	for i := range points {
		for j := range points[i] {
			points[i][j] = float64(measure.HalfUp(points[i][j]*100)) / 100
		}
	}
	return points
}

// frame is the outline into which the rows are laid.
type frame struct {
	plan  *plan.Plan
	gauge measure.Gauge
	// sole is the height of the sole's half, instep that of the instep's above it.
	sole, instep float64
	// gusset is what increases on the foot add between them at the heel.
	gusset float64
	// heelRows are the rows of the heel that work loops.
	heelRows int
	// ankle is where the leg begins; heelX the back of the heel.
	ankle Point
	heelX float64
	// centre is half of what is never turned on.
	centre float64
	toe    toeFrame
	seen   map[needle.Section]int
}

// half is half the girth of so many stitches: what shows of a tube lying flat.
func (f *frame) half(stitches int) float64 { return float64(f.gauge.Girth(float64(stitches))) / 2 }

func (f *frame) height(rows int) float64 { return float64(f.gauge.Height(float64(rows))) }

func newFrame(p *plan.Plan) *frame {
	s := p.Summary
	f := &frame{plan: p, gauge: p.Design.Gauge.PerMM(), seen: map[needle.Section]int{}}
	heelStarts := float64(s.HeelStartsAt)
	f.sole = f.half(s.HeelStitches)
	f.instep = f.half(max(0, s.FootStitches-s.HeelStitches))
	if s.GussetIncreases != nil {
		f.gusset = f.half(2 * *s.GussetIncreases)
	}
	if s.HeelCentreStitches != nil {
		f.centre = f.half(*s.HeelCentreStitches)
	}
	f.ankle = Point{heelStarts, f.sole + f.gusset}
	f.heelX = heelStarts + float64(s.FinishedLength-s.HeelStartsAt)
	f.toe = newToeFrame(p, heelStarts-f.height(s.FootRounds))
	return f
}

// line places one row; rows that add no fabric of their own have none.
func (f *frame) line(row *needle.Row, step trace.Step) []Point {
	f.seen[row.Section]++
	n := f.seen[row.Section]
	switch row.Section {
	case needle.Toe:
		return f.toe.line(f, row, n, step)
	case needle.Foot:
		return f.footLine(f.toe.length+f.height(n), row.Stitches)
	case needle.Heel:
		return f.heelLine(row, step)
	case needle.Gusset, needle.Leg, needle.Cuff:
		if row.Kind != needle.Round {
			return nil
		}
		return f.legLine(row)
	default:
		return nil
	}
}

// footLine is a round of the foot: upright on the sole, cut by the mitre near the ankle.
func (f *frame) footLine(x float64, stitches int) []Point {
	whole := f.half(stitches)
	low, high := 0.0, whole
	if wide := f.sole + f.instep; whole < wide { // a toe still growing lies about the middle of the foot
		low, high = f.sole-whole*f.sole/wide, f.sole+whole*f.instep/wide
	}
	if fold := f.ankle[1] + f.ankle[0] - x; high > fold {
		high = max(fold, min(f.ankle[1], high))
	}
	return []Point{{x, low}, {x, high}}
}

// legLine is a round of gusset, leg or cuff: level, cut by the mitre at the ankle.
func (f *frame) legLine(row *needle.Row) []Point {
	rounds := f.seen[needle.Leg] + f.seen[needle.Cuff] + max(0, f.seen[needle.Gusset]-1)
	y := f.height(rounds)
	left := f.ankle[0] - f.instep
	right := left + f.half(row.Stitches)
	if fold := f.ankle[0] - y; left < fold {
		left = min(fold, f.ankle[0])
	}
	return []Point{{left, f.ankle[1] + y}, {right, f.ankle[1] + y}}
}

func lerp(a, b Point, t float64) Point {
	return Point{a[0] + t*(b[0]-a[0]), a[1] + t*(b[1]-a[1])}
}

// share is n of all, kept within 0 and 1.
func share(n, all int) float64 {
	if all <= 0 {
		return 1
	}
	return math.Min(1, float64(n)/float64(all))
}
