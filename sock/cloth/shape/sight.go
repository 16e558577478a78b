package shape

import (
	"math"
	"slices"

	"acornstep/sock/cloth/fabric"
	"acornstep/sock/cloth/worn"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// sight is what is seen of a sock from the wearer's left.
type sight struct {
	worn    *worn.Worn
	knitted *knitted.Sock
	seen    []bool
	// runs are the loops in sight that lie beside each other along the yarn, the last one first: in a round from the front to the back.
	// Rounds are a spiral, and begin at the side that is seen: a run has the back of one round and the front of the next.
	runs [][]int32
}

// grazing is how far the cloth has to turn to the eye to be seen: the flat of a sole is not.
const grazing = 0.06

func newSight(w *worn.Worn, t *knitted.Sock) *sight {
	n := len(w.Places)
	s := &sight{worn: w, knitted: t, seen: make([]bool, n)}
	for i := range n {
		out := w.Outside(i)
		s.seen[i] = out[2] > grazing*math.Sqrt(out[0]*out[0]+out[1]*out[1]+out[2]*out[2])
	}
	var run []int32
	end := func() {
		if len(run) > 1 {
			slices.Reverse(run)
			s.runs = append(s.runs, run)
		}
		run = nil
	}
	for i := range n {
		if len(run) > 0 && !s.goesOn(i-1, i) {
			end()
		}
		if s.seen[i] {
			run = append(run, int32(i))
		} else {
			end()
		}
	}
	if len(run) > 0 {
		run = append(run, s.begins(run[len(run)-1])...)
	}
	end()
	return s
}

// goesOn says whether the yarn runs through two loops that were made one after the other as along one row.
func (s *sight) goesOn(a, b int) bool {
	row, next := s.worn.Cloth.Loops[a].Row, s.worn.Cloth.Loops[b].Row
	joined := s.knitted.Rows[row].Kind == needle.Round && s.knitted.Rows[next].Kind == needle.Round
	return (row == next || joined) && !s.apart(a, b)
}

// begins are the loops in sight with which the round of a loop begins: at the top of a sock its end is closed to them.
func (s *sight) begins(last int32) (list []int32) {
	row := s.worn.Cloth.Loops[last].Row
	if s.knitted.Rows[row].Kind != needle.Round {
		return nil
	}
	first := last
	for first > 0 && s.worn.Cloth.Loops[first-1].Row == row {
		first--
	}
	for i := first; i < last && s.seen[i]; i++ {
		list = append(list, i)
	}
	return list
}

// from is the row of which a run is seen: that of the loop in it which was made first.
func (s *sight) from(run []int32) *needle.Row {
	return &s.knitted.Rows[s.worn.Cloth.Loops[slices.Min(run)].Row]
}

// apart says whether two loops that were made one after the other do not lie beside each other, such as those
// before and after a turn over the instep.
func (s *sight) apart(a, b int) bool {
	const stitches = 8
	p, q := s.worn.Places[a], s.worn.Places[b]
	x, y, z := p[0]-q[0], p[1]-q[1], p[2]-q[2]
	far := stitches * s.worn.Cloth.Loops[a].Wide
	return x*x+y*y+z*z > far*far
}

func (s *sight) place(i int32) Point {
	p := s.worn.Places[i]
	return Point{rounded(p[0]), rounded(p[1])}
}

func (s *sight) line(run []int32) Points {
	line := make(Points, len(run))
	for k, i := range run {
		line[k] = s.place(i)
	}
	return line
}

// purls are the stretches of a run in which purls stand, each half a stitch longer to both sides.
func (s *sight) purls(run []int32) []Points {
	var list []Points
	for k := 0; k < len(run); k++ {
		if !s.purl(run[k]) {
			continue
		}
		first := k
		for k+1 < len(run) && s.purl(run[k+1]) {
			k++
		}
		list = append(list, thinned(s.stretch(run, first, k)))
	}
	return list
}

func (s *sight) purl(i int32) bool {
	made := &s.knitted.Loops[i]
	stitch := fabric.Stitch{Code: made.Code, Side: s.knitted.Rows[made.Row].Side}
	return stitch.Face() == fabric.Bump
}

func (s *sight) stretch(run []int32, first, last int) Points {
	const reach = 0.4 // of a stitch, beyond the first and the last
	var line Points
	towards := func(i, j int) {
		p, q := s.place(run[i]), s.place(run[j])
		line = append(line, Point{rounded(p[0] + reach*(q[0]-p[0])), rounded(p[1] + reach*(q[1]-p[1]))})
	}
	if first > 0 {
		towards(first, first-1)
	}
	for k := first; k <= last; k++ {
		line = append(line, s.place(run[k]))
	}
	if last+1 < len(run) {
		towards(last, last+1)
	}
	return line
}
