package hands

import "strings"

// start is where the working yarn comes out: at the foot of the stitch that was worked last.
func (s scene) start() point {
	if r := strings.TrimLeft(s.lay.right, "|_"); r == "" || r[0] == '/' { // nothing was worked since the turn
		y := s.leftY(s.lay.firstLeft)
		return point{s.lay.firstLeft + 0.2, foot + y*0.55, 0.2}
	}
	y := s.rightY(s.lay.firstRight)
	return point{s.lay.firstRight - 0.2, foot + y*0.45, 0.2}
}

// behind leaves the yarn behind the work.
func (s scene) behind() scene {
	return s.draw().with(yarn(s.start(), s.start().plus(-0.3, -0.35).at(-3)).behind())
}

// front leaves it in front.
func (s scene) front() scene {
	return s.draw().with(yarn(s.start(), s.start().plus(-0.25, -0.1).at(3)).inFront())
}

// broughtFront takes the yarn to the front between the tips, not over a needle.
func (s scene) broughtFront() scene {
	return s.draw().with(yarn(s.start(), point{0, 0.75, -3}, point{-0.02, 0, -1},
		point{0.02, 0.5, 3}).inFront()).with(arrow(point{-0.1, -0.75, 0}, point{-0.35, 0, 0}, point{-0.2, 0.8, 0})...)
}

// broughtBack takes it to the back.
func (s scene) broughtBack() scene {
	return s.draw().with(yarn(s.start(), point{0.15, 1, 3}, point{0.02, 0.4, 3},
		point{0, -0.3, -1}).behind()).with(arrow(point{-0.2, 0.9, 0}, point{-0.4, 0.1, 0}, point{-0.15, -0.7, 0})...)
}

func (p point) at(z float64) point { return point{p.x, p.y, z} }

// tipToYarn is how far from the tip the yarn goes round it.
const tipToYarn = 0.28

// wrapped lays the yarn round the tip of the right needle that has entered a loop: for a knit from the back, for a purl from the front.
func (s scene) wrapped() scene {
	s.lay.round = true
	p := s.pivot()
	switch s.lay.entered {
	case purlwise, fromBehind:
		x := s.tip() + tipToYarn
		q := point{x, s.rightY(x), 0}
		z := depths[s.lay.entered][1]
		return s.draw().with(yarn(s.start().at(3), point{p.x + 0.5, 0.95, 3}, q.plus(0.26, 0.3).at(z+0.9), q.plus(0.12, -0.12).at(z+0.9),
			q.plus(0, -0.34).at(z+0.9), q.plus(-0.13, -0.16).at(z-0.25), q.plus(-0.13, 0.22).at(z-0.25), q.plus(0.05, 0.55).at(z+0.9)).inFront())
	default:
		x := s.tip() + tipToYarn
		q, z := point{x, s.rightY(x), 0}, depths[s.lay.entered][1]
		far, between := z-0.9, z/5*4 // behind the tip; between it and the left needle
		return s.draw().with(yarn(s.start(), point{p.x + 0.4, p.y + 0.85, far}, q.plus(0.1, 0.45).at(far), q.plus(-0.12, 0.12).at(far),
			q.plus(-0.12, -0.2).at(far), q.plus(0, -0.36).at(between), q.plus(0.12, -0.12).at(between), q.plus(0.16, 0.16).at(between),
			q.plus(0.45, 0.5).at(between)).behind())
	}
}

// through is the new loop, drawn to the front for a knit or to the back for a purl, while the old one hangs on the left needle still.
func (s scene) through() scene {
	n := s
	z := 1.0
	if s.lay.entered == purlwise || s.lay.entered == fromBehind {
		z = -1
		n.lay.entered = drawnToBack
	} else {
		n.lay.entered = drawnToFront
	}
	p := n.pivot()
	top := n.rightY(p.x)
	st := yarn(n.start().at(-2*z), point{p.x + 0.5, 1.05, -2 * z}, point{p.x + 0.1, 0.85, 0}, point{p.x + 0.26, top + 0.2, 2*z + 0.6},
		point{p.x + 0.18, top - 0.24, 2*z + 0.6},
		point{p.x - 0.02, top - 0.36, 2*z - 0.4}, point{p.x - 0.22, top - 0.1, 2*z - 0.4}, point{p.x - 0.24, top + 0.3, 2*z - 0.4},
		point{p.x - 0.06, 0.85, 0}, point{p.x - 0.25, 1.2, -2 * z})
	if z > 0 {
		return n.draw().with(st.behind())
	}
	return n.draw().with(st.inFront())
}

// overToBack lays the yarn from the front over the right needle to the back.
func (s scene) overToBack() scene {
	x := 0.55
	return s.draw().with(yarn(s.start().at(3), point{x - 0.2, 0.85, 3}, point{x - 0.16, 0.1, 3}, point{x, -0.38, 1},
		point{x + 0.2, -0.2, -3}, point{x + 0.3, 0.2, -3}, point{x + 0.6, 0.3, -3}).behind())
}

// overToFront lays it from the back to the front.
func (s scene) overToFront() scene {
	x := 0.55
	return s.draw().with(yarn(s.start(), point{x - 0.3, 0.85, -3}, point{x - 0.25, 0.1, -3}, point{x - 0.05, -0.38, 1},
		point{x + 0.16, 0, 3}, point{x + 0.2, 0.6, 3}).inFront())
}

// pulledUp pulls the yarn of the first loop on the right needle up and over it to the back, so that both legs below show.
func (s scene) pulledUp() scene {
	x := s.lay.firstRight
	return s.draw().with(yarn(point{x - 0.15, foot, 3}, point{x - 0.34, 0.5, 3}, point{x - 0.4, -0.3, 3}, point{x - 0.25, -0.85, 1},
		point{x + 0.12, -0.95, -3}).behind()).with(arrow(point{x - 0.95, 0.6, 0}, point{x - 1.05, -0.5, 0}, point{x - 0.5, -1.25, 0})...)
}

// pulledRound is the same, and the yarn comes round under the tip to the front again, before purls.
func (s scene) pulledRound() scene {
	x := s.lay.firstRight
	return s.draw().with(yarn(point{x - 0.15, foot, 1.4}, point{x - 0.3, 0.5, 1.4}, point{x - 0.12, -0.36, 1.4}, point{x - 0.3, -0.2, -3},
		point{x - 0.5, 0.4, -3}, point{x - 0.62, 0.75, 3}, point{x - 0.3, 1.15, 3}).inFront())
}

// turning is the work just turned: an arrow goes round it.
func (s scene) turning() scene {
	return s.with(arrow(point{-1.9, -0.75, 0}, point{0, -1.25, 0}, point{1.9, -0.75, 0})...)
}

// mark rings a loop: the first, second … on the left (below zero) or right needle.
func (s scene) mark(n int) scene {
	if n < 0 {
		x := s.lay.firstLeft + each*float64(n+1)
		return s.with(ring(x, s.leftY(x)+0.35, 0.72))
	}
	x := s.lay.firstRight + each*float64(n-1)
	return s.with(ring(x, s.rightY(x)+0.35, 0.72))
}
