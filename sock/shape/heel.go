package shape

import (
	"acornstep/sock/needle"
	"acornstep/sock/trace"
)

// heelLine places a row of the heel by its kind. A bare turn and the way over
// the instep add no fabric to it.
func (f *frame) heelLine(row *needle.Row, step trace.Step) []Point {
	s := f.plan.Summary
	if row.Kind == needle.Round {
		return []Point{{f.ankle[0], f.sole}, f.fold(1), {f.heelX, 0}} // it lies in the fold
	}
	onInstep := row.Stitches - s.HeelStitches
	wayIn := row.Side == needle.RS && step.From+step.Worked <= onInstep && step.From < row.Stitches/2
	if step.Worked == 0 || wayIn {
		f.seen[needle.Heel]--
		return nil
	}
	n := f.seen[needle.Heel]
	switch {
	case s.FlapRows != nil:
		return f.flapLine(n, *s.FlapRows+1)
	case s.GussetIncreases != nil:
		return f.gussetTurnLine(n, 2**s.HeelTurnsPerSide, 2**s.GussetIncreases)
	default:
		return f.shortRowLine(n, 2**s.HeelTurnsPerSide)
	}
}

// shortRowLine: while the heel narrows, rows stand upright below the fold;
// while it widens, they fan from the fold to the back edge.
func (f *frame) shortRowLine(n, half int) []Point {
	switch {
	case n <= half:
		return f.narrowing(n, half)
	case n <= 2*half:
		along := 1 - share(n-half, half)
		return []Point{f.fold(along), f.back(along)}
	default:
		return nil // the way home
	}
}

func (f *frame) narrowing(n, half int) []Point {
	along := share(n, half)
	x := f.ankle[0] + along*(f.heelX-f.ankle[0])
	return []Point{{x, 0}, {x, f.fold(along)[1]}}
}

// fold is the line of the turns, from the ankle (0) to the end of the narrowing rows (1).
func (f *frame) fold(along float64) Point {
	return lerp(Point{f.ankle[0], f.sole}, Point{f.heelX, f.centre}, along)
}

// back is the back edge of the heel, from the start of the leg (0) down to the sole (1).
func (f *frame) back(along float64) Point {
	return lerp(Point{f.ankle[0] + f.sole, f.ankle[1]}, Point{f.heelX, 0}, along)
}

// gussetTurnLine: narrowing rows below the fold, then the flap at the back,
// whose rows close against the gusset that stands beside the ankle.
func (f *frame) gussetTurnLine(n, half, flap int) []Point {
	if n <= half {
		return f.narrowing(n, half)
	}
	const settlingRows = 2
	if n > half+settlingRows+flap {
		return nil
	}
	along := share(n-half, flap+settlingRows)
	return []Point{lerp(Point{f.ankle[0], f.sole}, f.ankle, along), f.back(1 - along)}
}

// flapLine: the flap goes on under the heel, and the turn fills the corner to the back of the leg.
func (f *frame) flapLine(n, flap int) []Point {
	if n <= flap {
		x := f.ankle[0] + share(n, flap)*(f.heelX-f.ankle[0])
		return []Point{{x, 0}, {x, f.sole}}
	}
	along := share(n-flap, f.heelRows-flap)
	reach := 0.0
	if t := f.plan.Summary.TurnStitches; t != nil {
		reach = f.half(*t)
	}
	return []Point{{f.heelX, along * f.sole}, {f.heelX + along*reach, along * f.sole}}
}
