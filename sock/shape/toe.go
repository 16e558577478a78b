package shape

import (
	"acornstep/sock/needle"
	"acornstep/sock/plan"
	"acornstep/sock/words"
)

// toeFrame is the part of the outline before the foot.
type toeFrame struct {
	kind   string
	length float64
	rows   int
}

func newToeFrame(p *plan.Plan, length float64) toeFrame {
	return toeFrame{p.Design.Toe.Kind, length, p.Summary.ToeRounds}
}

func (t toeFrame) line(f *frame, row *needle.Row, n int, said words.Row) []Point {
	switch t.kind {
	case "garter_square":
		return t.squareLine(f, n)
	case "short_row":
		return t.shortRowLine(f, row, n, said)
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
// widening rows below it, back again.
func (t toeFrame) shortRowLine(f *frame, row *needle.Row, n int, said words.Row) []Point {
	if said.Worked >= row.Stitches && n > t.rows/2 {
		return nil // the other half of the first round
	}
	middle := float64(t.rows) / 2
	x := t.length * (middle - float64(n)) / middle
	high := f.half(min(said.Worked, f.plan.Summary.CastOnStitches))
	if x >= 0 {
		return []Point{{x, f.sole}, {x, f.sole + high}}
	}
	return []Point{{-x, f.sole - high}, {-x, f.sole}}
}
