// Package shape draws the sock as it lies flat, to scale in millimetres: every
// row is one line, so a change of the plan is a change of the picture.
//
// The foot lies along x from the toe tip, the sole at y = 0; the leg rises at
// the heel. Lying flat, one side shows: half of the instep above half of the
// sole. At the ankle the instep folds along a mitre, and at the heel the rows
// fold along the line of the turns.
package shape

import (
	"acornstep/sock/measure"
	"acornstep/sock/needle"
	"acornstep/sock/plan"
	"acornstep/sock/words"
)

// Point is a place in millimetres.
type Point [2]float64

// Line is one row as it lies in the sock.
type Line struct {
	Row    string  `json:"row"`
	Points []Point `json:"points"`
}

// Shape is the sock lying flat.
type Shape struct {
	Lines []Line `json:"lines"`
	// Ankle is the point about which the rows fold: the inner end of the heel's turns.
	Ankle Point `json:"ankle"`
	// Width and Height of the box round the whole sock.
	Width  float64 `json:"width_mm"`
	Height float64 `json:"height_mm"`
}

// Of draws a plan that has rows; said are the same rows in words.
func Of(p *plan.Plan, said []words.Row) Shape {
	f := frame{gauge: p.Design.Gauge.PerMM(), plan: p}
	f.measure()
	s := Shape{Ankle: Point{f.ankleX, f.sole}}
	for i := range p.Rows {
		if points := f.line(&p.Rows[i], said[i]); points != nil {
			s.Lines = append(s.Lines, Line{p.Rows[i].ID, rounded(points)})
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

type frame struct {
	plan  *plan.Plan
	gauge measure.Gauge
	// ankleX is where the heel begins; sole is half the sole's girth, which
	// shows below the middle of the foot; instep the same above it.
	ankleX, sole, instep float64
	// heelTop is the height at which the leg begins, heelX the back of the heel.
	heelX float64
	// narrow and widen are the turned rows of the heel, centre half of what is never turned on.
	narrow, widen int
	centre        float64
	heelSeen      int
	legSeen       int
	before        int // rounds before the heel seen so far
}

// half is half the girth of so many stitches: what shows of a tube lying flat.
func (f *frame) half(stitches int) float64 { return float64(f.gauge.Girth(float64(stitches))) / 2 }

func (f *frame) height(rows int) float64 { return float64(f.gauge.Height(float64(rows))) }

func (f *frame) measure() {
	s := f.plan.Summary
	f.ankleX = float64(s.HeelStartsAt)
	f.sole = f.half(s.HeelStitches)
	f.instep = f.half(s.FootStitches - s.HeelStitches)
	turns := 0
	if s.HeelTurnsPerSide != nil {
		turns = *s.HeelTurnsPerSide
	}
	if s.HeelCentreStitches != nil {
		f.centre = f.half(*s.HeelCentreStitches)
	}
	f.narrow, f.widen = 2*turns, 2*turns
	f.heelX = f.ankleX + f.height(f.narrow)
}

// line places one row; rows that add no fabric of their own have none.
func (f *frame) line(row *needle.Row, said words.Row) []Point {
	switch row.Section {
	case needle.CastOn:
		return nil
	case needle.Toe, needle.Foot:
		f.before++
		return f.footLine(f.height(f.before), row.Stitches)
	case needle.Heel:
		return f.heelLine(row, said)
	case needle.BindOff:
		return nil
	default:
		f.legSeen++
		return f.legLine(f.height(f.legSeen), row.Stitches)
	}
}

// footLine is a round of the foot: upright, about the middle of the foot, cut by the mitre near the ankle.
func (f *frame) footLine(x float64, stitches int) []Point {
	half := f.half(stitches) / 2
	low, high := f.sole-half, f.sole+half
	if fold := f.sole + f.ankleX - x; high > fold {
		high = max(fold, f.sole)
	}
	return []Point{{x, low}, {x, high}}
}

// heelLine places a row that turns. While it narrows, rows stand upright
// below the fold; while it widens, they fan from the fold to the back edge.
func (f *frame) heelLine(row *needle.Row, said words.Row) []Point {
	if row.Kind == needle.Round {
		return f.between()
	}
	ring, onInstep := row.Stitches, row.Stitches-f.plan.Summary.HeelStitches
	wayIn := row.Side == needle.RS && said.From+said.Worked <= onInstep && said.From < ring/2
	if said.Worked == 0 || wayIn || f.heelSeen == f.narrow+f.widen {
		return nil // a turn, the instep on the way to the heel, or the way home
	}
	f.heelSeen++
	if f.heelSeen <= f.narrow {
		along := float64(f.heelSeen) / float64(f.narrow)
		x := f.ankleX + along*(f.heelX-f.ankleX)
		return []Point{{x, 0}, {x, f.fold(along)[1]}}
	}
	along := float64(f.narrow+f.widen-f.heelSeen) / float64(f.widen)
	return []Point{f.fold(along), f.back(along)}
}

// fold is the line of the turns, from the ankle (0) to the end of the narrowing rows (1).
func (f *frame) fold(along float64) Point {
	return Point{f.ankleX + along*(f.heelX-f.ankleX), f.sole + along*(f.centre-f.sole)}
}

// back is the back edge of the heel, from the start of the leg (0) down to the sole (1).
func (f *frame) back(along float64) Point {
	legX := f.ankleX + f.sole
	return Point{legX + along*(f.heelX-legX), f.sole * (1 - along)}
}

// between is a full round between the halves: it lies in the fold.
func (f *frame) between() []Point {
	return []Point{{f.ankleX, f.sole}, f.fold(1), {f.heelX, 0}}
}

// legLine is a round of leg or cuff: level, cut by the mitre at the ankle.
func (f *frame) legLine(y float64, stitches int) []Point {
	half := f.half(stitches) / 2
	middle := f.ankleX + (f.sole-f.instep)/2
	left, right := middle-half, middle+half
	if fold := f.ankleX - y; left < fold {
		left = min(fold, f.ankleX)
	}
	return []Point{{left, f.sole + y}, {right, f.sole + y}}
}
