package shape

import (
	"acornstep/sock/measure"
	"acornstep/sock/needle"
	"acornstep/sock/plan"
	"acornstep/sock/trace"
)

// toeFrame is the part of the outline before the foot.
type toeFrame struct {
	worked toeWork
	length float64
	rows   int
}

// toeWork is how a toe is worked, as its rows tell.
type toeWork int

const (
	wedge  toeWork = iota // in rounds from two needles
	square                // back and forth in garter stitch
	cup                   // in short rows from a chain
)

func workOf(p *plan.Plan) toeWork {
	for i := range p.Rows {
		switch row := &p.Rows[i]; {
		case row.Ops[0].Code == needle.COChain:
			return cup
		case row.Section == needle.Toe && row.Fabric == needle.Garter:
			return square
		case row.Section == needle.Foot:
			return wedge
		}
	}
	return wedge
}

func newToeFrame(p *plan.Plan, length float64) toeFrame {
	return toeFrame{workOf(p), length, p.Summary.ToeRounds}
}

func (t toeFrame) line(f *frame, row *needle.Row, n int, step trace.Step) []Point {
	switch t.worked {
	case square:
		return t.squareLine(f, n)
	case cup:
		return t.shortRowLine(f, n, step)
	default:
		return f.footLine(f.height(n), row.Stitches)
	}
}

// squareLine: the square folds over the toes; garter draws it together where it begins.
func (t toeFrame) squareLine(f *frame, n int) []Point {
	if n > t.rows {
		return nil // picking up along its edges
	}
	const bluntness = 0.6
	along := share(n, t.rows)
	grown := bluntness + (1-bluntness)*along
	x := along * t.length
	return []Point{{x, f.sole * (1 - grown)}, {x, f.sole + grown*f.instep}}
}

// shortRowLine: narrowing rows lie above the fold, from the foot to the tip;
// widening rows below it, back again. The first row only crosses the cast-on.
func (t toeFrame) shortRowLine(f *frame, n int, step trace.Step) []Point {
	half := measure.HalfUp(t.length * f.gauge.Rounds)
	high := f.half(min(step.Worked, f.plan.Summary.CastOnStitches))
	switch n--; {
	case n <= half:
		x := t.length * (1 - share(n, half))
		return []Point{{x, f.sole}, {x, f.sole + high}}
	case n <= 2*half:
		x := t.length * share(n-half, half)
		return []Point{{x, f.sole - high}, {x, f.sole}}
	default:
		return nil // the way back, and the other half of the first round
	}
}
