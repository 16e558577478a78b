package hands

import (
	"fmt"
	"math"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
)

// A reader of the pictures: it knows of each stroke only of which strand it is, and in which order they are painted.

var command = regexp.MustCompile(`([Mcl])([^Mcl]*)`)

// drawnAs is the line of a stroke, as a pen runs along it.
func drawnAs(d string) []pixelAt {
	var line []pixelAt
	var pen pixelAt
	for _, c := range command.FindAllStringSubmatch(d, -1) {
		var n []float64
		for _, text := range strings.Fields(strings.ReplaceAll(c[2], "-", " -")) {
			v, _ := strconv.ParseFloat(text, 64)
			n = append(n, v)
		}
		switch c[1] {
		case "M":
			pen = pixelAt{n[0], n[1]}
			line = append(line, pen)
		case "l":
			for i := 0; i+1 < len(n); i += 2 {
				pen = pixelAt{pen.x + n[i], pen.y + n[i+1]}
				line = append(line, pen)
			}
		case "c":
			for i := 0; i+5 < len(n); i += 6 {
				a, b, e := pixelAt{pen.x + n[i], pen.y + n[i+1]}, pixelAt{pen.x + n[i+2], pen.y + n[i+3]}, pixelAt{pen.x + n[i+4], pen.y + n[i+5]}
				const parts = 12
				for k := 1; k <= parts; k++ {
					t := float64(k) / parts
					u := 1 - t
					line = append(line, pixelAt{u*u*u*pen.x + 3*u*u*t*a.x + 3*u*t*t*b.x + t*t*t*e.x,
						u*u*u*pen.y + 3*u*u*t*a.y + 3*u*t*t*b.y + t*t*t*e.y})
				}
				pen = e
			}
		}
	}
	return line
}

type pixelAt struct{ x, y float64 }

// meets are the places at which two lines cross.
func meets(a, b []pixelAt) []pixelAt {
	var list []pixelAt
	for i := 1; i < len(a); i++ {
		for k := 1; k < len(b); k++ {
			p, r := a[i-1], pixelAt{a[i].x - a[i-1].x, a[i].y - a[i-1].y}
			q, s := b[k-1], pixelAt{b[k].x - b[k-1].x, b[k].y - b[k-1].y}
			cross := r.x*s.y - r.y*s.x
			if math.Abs(cross) < 1e-9 {
				continue
			}
			t := ((q.x-p.x)*s.y - (q.y-p.y)*s.x) / cross
			u := ((q.x-p.x)*r.y - (q.y-p.y)*r.x) / cross
			if t >= 0 && t < 1 && u >= 0 && u < 1 {
				list = append(list, pixelAt{p.x + t*r.x, p.y + t*r.y})
			}
		}
	}
	return list
}

// crossing is where a needle meets another strand, and whether it is painted over it.
type crossing struct {
	x    float64
	over bool
}

// read gives, for each strand of a picture, where it meets a needle, along the needle from the right.
func read(list []strand, s scene, of rodOf) map[int][]crossing {
	found := map[int][]crossing{}
	pieces := painted(list, s.ox, s.oy)
	for i, a := range pieces {
		if list[a.strand].of != of {
			continue
		}
		for k, b := range pieces {
			if list[b.strand].of != noRod {
				continue
			}
			for _, at := range meets(drawnAs(a.D), drawnAs(b.D)) {
				found[b.strand] = append(found[b.strand], crossing{at.x, i > k})
			}
		}
	}
	for _, c := range found {
		slices.SortFunc(c, func(a, b crossing) int { return int(1000 * (b.x - a.x)) })
	}
	return found
}

// isIn says whether a needle is in a loop that it meets so: before one of its legs and behind the other.
func isIn(c []crossing) bool {
	over := 0
	for _, at := range c {
		if at.over {
			over++
		}
	}
	return over > 0 && over < len(c)
}

// allViews are the ways to see the hands.
var allViews = []View{{Right, false}, {Left, false}, {Right, true}, {Left, true}}

// eachPicture goes through every step of every sequence, in every view.
func eachPicture(t *testing.T, look func(name string, list []strand, s scene)) {
	t.Helper()
	for i := range Sequences {
		q := &Sequences[i]
		for n, step := range q.Steps {
			for _, v := range allViews {
				list, s := v.placed(step.draw)
				look(fmt.Sprintf("%s %d (%s, mirrored %t)", q.Name, n+1, v.Hold, v.Mirrored), list, s)
			}
		}
	}
}

// In every picture the right needle is in the loops that its step takes, through both legs of a double stitch, and in no other of the left needle;
// and each needle is in every loop that hangs on it.
func TestTheNeedleIsInTheLoopsThatAStepTakes(t *testing.T) {
	wrong := map[string]bool{}
	eachPicture(t, func(name string, list []strand, s scene) {
		if s.lay.left+s.lay.right == "" {
			return
		}
		left, right := read(list, s, leftRod), read(list, s, rightRod)
		for i, st := range list {
			if !st.hangs || st.loop == 0 {
				continue
			}
			taken := s.lay.entered != out && s.lay.entered != drawnToFront && s.lay.entered != drawnToBack && st.loop > 0 && st.loop <= s.lay.taken
			switch {
			case taken != isIn(right[i]) && st.loop > 0:
				wrong[name] = true
				t.Errorf("%s: the right needle is in loop %d of the left one: %t, and should be: %t %v", name, st.loop, isIn(right[i]), taken, right[i])
			case st.loop < 0 && !isIn(right[i]):
				wrong[name] = true
				t.Errorf("%s: loop %d of the right needle does not hang on it %v", name, -st.loop, right[i])
			case st.loop > 0 && !isIn(left[i]) && !strings.Contains(s.lay.left, "_"):
				wrong[name] = true
				t.Errorf("%s: loop %d of the left needle does not hang on it %v", name, st.loop, left[i])
			}
		}
	})
	assert.Empty(t, wrong)
	t.Logf("%d pictures are wrong", len(wrong))
}

// Yarn that is laid round the tip goes behind it and before it, between the tip's end and the loops that the needle is in, and before or
// behind no other loop of the left needle.
func TestTheYarnGoesRoundTheTip(t *testing.T) {
	rounds := 0
	eachPicture(t, func(name string, list []strand, s scene) {
		if !s.lay.round {
			return
		}
		rounds++
		right := read(list, s, rightRod)
		side := 1.0
		if list[0].points[0].x > 0 { // the left needle lies at the right in the mirror
			side = -1
		}
		toLeft := func(x float64) float64 { return side * (s.ox*Unit - x) } // how far to the left needle's side
		last := math.Inf(-1)
		for i, st := range list {
			if st.hangs && st.loop > 0 && st.loop <= s.lay.taken {
				for _, c := range right[i] {
					last = max(last, toLeft(c.x))
				}
			}
		}
		moving := slices.IndexFunc(list, func(st strand) bool { return st.ball != noBall })
		if !assert.GreaterOrEqual(t, moving, 0, name) {
			return
		}
		var beyond []crossing
		for _, c := range right[moving] {
			if toLeft(c.x) > last {
				beyond = append(beyond, c)
			}
		}
		assert.True(t, isIn(beyond), "%s: the yarn goes round the tip beyond %.0f: %v", name, last, beyond)
	})
	assert.Greater(t, rounds, 100)
}

// Where a wrap is lifted the needle is in it as well, and in every one of two; no wrap is lifted where the words say nothing of it.
func TestALiftedWrapLiesOverTheNeedle(t *testing.T) {
	lifted := map[string]int{}
	eachPicture(t, func(name string, list []strand, s scene) {
		right := read(list, s, rightRod)
		n := 0
		for i, st := range list {
			if st.wraps {
				n++
				assert.True(t, isIn(right[i]), "%s: the needle is under the wrap: %v", name, right[i])
			}
		}
		assert.Equal(t, s.lay.lifts, n > 0, name)
		lifted[strings.Fields(name)[0]] += n
	})
	for _, move := range []string{"wrap-back-rs", "wrap-round", "wrap-second", "wrap-last", "wrapped-neighbour"} {
		assert.Positive(t, lifted[move], move)
	}
}

// A magic cast-on is worked with the tips to the left, the tail's loops above and the ball's below; half turned, they point to the right, and
// the ball's loops are above.
func TestTheMagicCastOnIsHeldAsItIsWorked(t *testing.T) {
	for _, name := range []string{"co-magic", "co-magic-knot", "co-magic-round"} {
		for n, step := range Find(name).Steps {
			list, s := View{Right, false}.placed(step.draw)
			if s.lay.left+s.lay.right != "" || name == "co-magic-round" && n > 1 {
				continue
			}
			tips, high := 0.0, map[Part][]float64{}
			for _, st := range list {
				switch {
				case st.part == Tip:
					tips += st.points[len(st.points)-1].x
				case st.round:
					high[st.part] = append(high[st.part], st.points[3].y)
				}
			}
			if name == "co-magic-round" {
				assert.Positive(t, tips, "%s %d", name, n+1)
				assert.Less(t, slices.Max(high[Now]), slices.Min(high[Other]), "%s %d", name, n+1)
				continue
			}
			assert.Negative(t, tips, "%s %d", name, n+1)
			if len(high[Now]) > 0 && len(high[Other]) > 0 {
				assert.Less(t, slices.Max(high[Other]), slices.Min(high[Now]), "%s %d", name, n+1)
			}
		}
	}
}
