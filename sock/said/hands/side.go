package hands

import (
	"fmt"
	"math"
	"strings"
)

// fromTheTips is the picture of a view down the needle, from the tips: the back of the work lies to the right, what is nearest hung nearest to the tips.
var fromTheTips = frame{132, 140, 72, 48}

// downTheNeedle shows the loop that a step is about from the tips, where the view from the front hides the point: the wrap round its foot, the strand
// that is pulled or laid over the needle. False where the front shows all.
func (w *work) downTheNeedle() ([]body, bool) {
	left, right := w.places()
	var about *wale
	needle := func(x float64) point { return point{x, leftY(x), 0} }
	switch {
	case (w.yarn == wrapping || w.yarn == pulled) && len(right) > 0:
		about = &right[0]
		needle = func(x float64) point { return point{x, w.rightY(x), w.rightZ(x)} }
	case len(left) > 0 && left[0].wraps > 0 && w.entered == out:
		about = &left[0]
	default:
		return nil, false
	}
	c := needle(about.c.x)
	list := []body{disc(Needle, c, c)}
	for _, b := range w.draw(Right) {
		of := b.key == "yarn" && about.right || strings.HasPrefix(b.key, fmt.Sprintf("w%d.", about.id)) || b.is.kind == onLeft && !about.right && b.is.n == about.n ||
			b.is.kind == onRight && about.right && b.is.n == about.n
		if b.part == Needle || b.part == Working || b.part == Hint || !of {
			continue
		}
		var near []point
		for _, p := range line(b.points, 3) {
			if math.Abs(p.x-about.c.x) < 27 && p.y > about.foot-14 && p.y < c.y+34 {
				near = append(near, seenFromTips(p, c))
			} else if len(near) > 2 {
				break
			} else {
				near = nil
			}
		}
		if len(near) > 2 {
			list = append(list, body{part: b.part, key: b.key, points: near})
		}
	}
	return list, true
}

// disc is a needle as it is seen from its end.
func disc(part Part, at, c point) body {
	q := seenFromTips(at, c)
	x, y := q.x, q.y
	const r = 1.6
	return body{part: part, key: string(part), points: []point{{x + r, y, 0}, {x, y + r, 0}, {x - r, y, 0}, {x, y - r, 0}, {x + r, y, 0}, {x, y + r, 0}}}
}

// seenFromTips is a place seen down the needle, whose middle is c. What lies far before or behind is drawn nearer, so that all has room.
func seenFromTips(p, c point) point {
	const far = 24.0
	return point{-1.55 * far * math.Tanh((p.z-c.z)/far), 1.2 * (p.y - c.y), p.x}
}
