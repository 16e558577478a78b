package hands

import (
	"fmt"
	"math"
	"os"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/rows/needle"
)

// A reader of the pictures: it knows of each stroke only of which body it is, and in which order they are painted.

type spot struct{ x, y float64 }

// meets are the places at which two strokes cross.
func meets(a, b *Stroke) []spot {
	var list []spot
	for i := 2; i+1 < len(a.Points); i += 2 {
		for k := 2; k+1 < len(b.Points); k += 2 {
			p, r := spot{a.Points[i-2], a.Points[i-1]}, spot{a.Points[i] - a.Points[i-2], a.Points[i+1] - a.Points[i-1]}
			q, s := spot{b.Points[k-2], b.Points[k-1]}, spot{b.Points[k] - b.Points[k-2], b.Points[k+1] - b.Points[k-1]}
			cross := r.x*s.y - r.y*s.x
			if math.Abs(cross) < 1e-9 {
				continue
			}
			t := ((q.x-p.x)*s.y - (q.y-p.y)*s.x) / cross
			u := ((q.x-p.x)*r.y - (q.y-p.y)*r.x) / cross
			if t >= 0 && t < 1 && u >= 0 && u < 1 {
				list = append(list, spot{p.x + t*r.x, p.y + t*r.y})
			}
		}
	}
	return list
}

// crossing is where a body meets a needle, and whether the needle is painted over it there.
type crossing struct {
	spot
	over bool
	last int
}

// box is what a stroke lies within.
func box(s *Stroke) [4]float64 {
	b := [4]float64{math.Inf(1), math.Inf(1), math.Inf(-1), math.Inf(-1)}
	for i := 0; i+1 < len(s.Points); i += 2 {
		b = [4]float64{min(b[0], s.Points[i]), min(b[1], s.Points[i+1]), max(b[2], s.Points[i]), max(b[3], s.Points[i+1])}
	}
	return b
}

// read gives, for each body of a picture, where it meets a needle: what was painted last there is what is seen.
func read(list []body, needle roleKind) map[int][]crossing {
	return readOf(list, func(b *body) bool { return b.is.kind == needle })
}

// readOf does the same for whatever else is looked for.
func readOf(list []body, is func(*body) bool) map[int][]crossing {
	found := map[int][]crossing{}
	strokes := painted(list)
	boxes := make([][4]float64, len(strokes))
	for i := range strokes {
		boxes[i] = box(&strokes[i])
	}
	for i := range strokes {
		if !is(&list[strokes[i].body]) {
			continue
		}
		for k := range strokes {
			of := list[strokes[k].body].is.kind
			if of == leftNeedle || of == rightNeedle || is(&list[strokes[k].body]) || boxes[i][2] < boxes[k][0] || boxes[k][2] < boxes[i][0] || boxes[i][3] < boxes[k][1] || boxes[k][3] < boxes[i][1] {
				continue
			}
			for _, at := range meets(&strokes[i], &strokes[k]) {
				found[strokes[k].body] = seenAt(found[strokes[k].body], crossing{at, i > k, max(i, k)})
			}
		}
	}
	for _, c := range found {
		slices.SortFunc(c, func(a, b crossing) int { return int(1000 * (b.x - a.x)) })
	}
	return found
}

// seenAt adds a crossing; where one was found before, the one painted later counts.
func seenAt(list []crossing, c crossing) []crossing {
	for i := range list {
		if math.Hypot(list[i].x-c.x, list[i].y-c.y) < 1.2 {
			if c.last > list[i].last {
				list[i] = c
			}
			return list
		}
	}
	return append(list, c)
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

// seen is a picture that is read.
type seenPicture struct {
	name     string
	step     *Step
	list     []body
	mirrored bool
}

// toLeft is how far a place lies towards the left needle's side.
func (p *seenPicture) toLeft(x float64) float64 {
	if p.mirrored {
		return x - (wide - 2*ox)
	}
	return -x
}

// eachPicture goes through every step of every sequence, in every view.
func eachPicture(t *testing.T, look func(p seenPicture)) {
	t.Helper()
	for i := range Sequences {
		q := &Sequences[i]
		for n := range q.Steps {
			for _, v := range views {
				look(seenPicture{fmt.Sprintf("%s %d (%s, mirrored %t)", q.Name, n+1, v.Hold, v.Mirrored), &q.Steps[n], v.seen(q.Steps[n].draw), v.Mirrored})
			}
		}
	}
}

// In every picture the right needle is in the loops that its step takes, through both legs of a double stitch, and in no other of the left needle;
// and each needle is in every loop that hangs on it.
func TestTheNeedleIsInTheLoopsThatAStepTakes(t *testing.T) {
	wrong := map[string]bool{}
	eachPicture(t, func(p seenPicture) {
		w := p.step.at
		if w == nil {
			return
		}
		left, right := read(p.list, leftNeedle), read(p.list, rightNeedle)
		fail := func(i int, format string, args ...any) {
			wrong[p.name] = true
			t.Errorf("%s: "+format+" left %v right %v", append(append([]any{p.name}, args...), left[i], right[i])...)
		}
		for i, b := range p.list {
			takes := w.entered != out && w.yarn != drawnThrough && !w.wrapOnly && b.is.kind == onLeft && b.is.n <= w.taken
			switch {
			case b.is.n == 0:
			case b.is.kind == onLeft && takes != isIn(right[i]):
				fail(i, "the right needle is in loop %d of the left one: %t, and should be: %t", b.is.n, isIn(right[i]), takes)
			case b.is.kind == onLeft && !isIn(left[i]) && p.within(&b):
				fail(i, "loop %d of the left needle does not hang on it", b.is.n)
			case (b.is.kind == onRight || b.is.kind == drawnLoop) && !isIn(right[i]) && p.within(&b):
				fail(i, "loop %d of the right needle does not hang on it", b.is.n)
			}
		}
	})
	t.Logf("%d pictures are wrong", len(wrong))
}

// within says whether the whole of a loop is in the picture.
func (p *seenPicture) within(b *body) bool {
	for _, q := range b.points {
		if q.x+ox < 4 || q.x+ox > wide-4 {
			return false
		}
	}
	return true
}

// Yarn that is laid round the tip goes behind it and before it, beyond the last loop that the needle is in.
func TestTheYarnGoesRoundTheTip(t *testing.T) {
	rounds := 0
	eachPicture(t, func(p seenPicture) {
		if p.step.at == nil || p.step.at.yarn != roundTip {
			return
		}
		rounds++
		right := read(p.list, rightNeedle)
		last := math.Inf(-1)
		var beyond []crossing
		for i, b := range p.list {
			if b.is.kind == onLeft && b.is.n <= p.step.at.taken {
				for _, c := range right[i] {
					last = max(last, p.toLeft(c.x))
				}
			}
		}
		for i, b := range p.list {
			if b.is.kind != drawnLoop && b.is.kind != toHand {
				continue
			}
			for _, c := range right[i] {
				if p.toLeft(c.x) > last {
					beyond = append(beyond, c)
				}
			}
		}
		assert.True(t, isIn(beyond), "%s: the yarn goes round the tip beyond %.0f: %v", p.name, last, beyond)
	})
	assert.Greater(t, rounds, 100)
}

// A loop that is drawn through others comes out of each of them on the other side, and goes back through it: both its legs pass between theirs.
func TestANewLoopIsDrawnThroughTheOldOnes(t *testing.T) {
	drawn := 0
	eachPicture(t, func(p seenPicture) {
		w := p.step.at
		if w == nil || w.yarn != drawnThrough {
			return
		}
		at := slices.IndexFunc(p.list, func(b body) bool { return b.is.kind == drawnLoop })
		require.GreaterOrEqual(t, at, 0, p.name)
		for _, b := range p.list {
			if b.is.kind != onLeft || b.is.n > w.taken {
				continue
			}
			drawn++
			assert.Equal(t, 2, pierces(line(p.list[at].points, 1), line(b.points, 1)), "%s: loop %d", p.name, b.is.n)
		}
	})
	assert.Positive(t, drawn)
}

// pierces counts how often a strand goes through the skin between the legs of a loop.
func pierces(strand, loop []point) int {
	n, was := 0, 0
	for _, p := range strand {
		side, inside := sideOf(p, loop)
		if !inside {
			was = 0
			continue
		}
		if was != 0 && side != was {
			n++
		}
		was = side
	}
	return n
}

// sideOf says on which side of the skin of a loop a place lies: before it (1) or behind it (-1), and whether it lies between its legs at all.
func sideOf(p point, loop []point) (int, bool) {
	var legs []point
	for i := 1; i < len(loop); i++ {
		a, b := loop[i-1], loop[i]
		if (a.y-p.y)*(b.y-p.y) <= 0 && a.y != b.y {
			legs = append(legs, a.toward(b, (p.y-a.y)/(b.y-a.y)))
		}
	}
	slices.SortFunc(legs, func(a, b point) int { return int(1000 * (a.x - b.x)) })
	if len(legs) < 2 || p.x < legs[0].x || p.x > legs[len(legs)-1].x {
		return 0, false
	}
	l, r := legs[0], legs[len(legs)-1]
	if p.z > l.toward(r, (p.x-l.x)/max(1e-6, r.x-l.x)).z {
		return 1, true
	}
	return -1, true
}

// liftsWraps is what is said where a wrap comes on to the right needle.
var liftsWraps = regexp.MustCompile(`[Nn]eedle (?:goes )?under (?:the wrap|both bars)|lifts the wraps`)

// Where a wrap is lifted the needle is in it, and in every one of two; no wrap is lifted where nothing is said of it.
func TestALiftedWrapLiesOverTheNeedle(t *testing.T) {
	lifted := map[string]int{}
	eachPicture(t, func(p seenPicture) {
		if p.step.at == nil {
			return
		}
		right := read(p.list, rightNeedle)
		n := 0
		for i, b := range p.list {
			if b.is.kind == liftedWrap {
				n++
				assert.True(t, isIn(right[i]), "%s: the needle is under the wrap: %v", p.name, right[i])
			}
		}
		assert.Equal(t, p.step.at.under, n > 0, p.name)
		if liftsWraps.MatchString(p.step.Text) {
			assert.Positive(t, n, "%s: %s", p.name, p.step.Text)
		}
		lifted[strings.Fields(p.name)[0]] += n
	})
	for _, move := range []string{"wrap-back-rs", "wrap-round", "wrap-second", "wrap-last", "wrapped-neighbour"} {
		assert.Positive(t, lifted[move], move)
	}
}

// A pin that is hung hangs round a strand: before it and behind it, on the wrong side or the right one.
func TestAPinHangsRoundAStrand(t *testing.T) {
	hung := 0
	eachPicture(t, func(p seenPicture) {
		if p.step.at == nil || !regexp.MustCompile(`[Hh]ang (?:a|the first) pin|The pin stays`).MatchString(p.step.Text) {
			return
		}
		hung++
		round := readOf(p.list, func(b *body) bool { return b.key == "pin" })
		in := false
		for i, c := range round {
			in = in || p.list[i].part == Now && isIn(c)
		}
		assert.True(t, in, "%s: the pin hangs round no strand: %v", p.name, round)
	})
	assert.Greater(t, hung, 15)
}

// The yarn is one strand: it begins where a stitch ends, goes through what is on its way round the tip, and leaves the picture at the hand.
func TestTheYarnIsOneStrand(t *testing.T) {
	strands := 0
	eachPicture(t, func(p seenPicture) {
		w := p.step.at
		if w == nil || w.yarn == none {
			return
		}
		at := slices.IndexFunc(p.list, func(b body) bool { return b.is.kind == toHand })
		require.GreaterOrEqual(t, at, 0, "%s: no strand goes to the hand", p.name)
		strands++
		yarn := p.list[at].points
		first := yarn[0]
		for _, b := range p.list {
			if b.is.kind == drawnLoop && w.yarn == roundTip {
				assert.Less(t, b.points[len(b.points)-1].flat(first), 0.5, "%s: the strand round the tip goes on to the hand", p.name)
				first = b.points[0]
			}
		}
		nearest := math.Inf(1)
		for k, b := range p.list {
			if k == at || b.part == Needle || b.part == Working || b.is.kind == drawnLoop && w.yarn == roundTip {
				continue
			}
			for _, q := range line(b.points, 2) {
				nearest = min(nearest, q.flat(first))
			}
		}
		assert.Less(t, nearest, 4.0, "%s: the yarn begins at no stitch", p.name)
		end := yarn[len(yarn)-1]
		out := end.x+ox < 1 || end.x+ox > wide-1 || end.y > oy-1 || oy-end.y > high-1
		assert.True(t, out, "%s: the yarn ends in the middle of the picture: %v", p.name, end)
	})
	assert.Greater(t, strands, 500)
}

// The loops of a picture are those of the one before it, but for what was done to them: none is lost, and none comes from nowhere.
func TestTheLoopsOfAStepAreThoseOfTheStepBefore(t *testing.T) {
	lets := []string{"bo-"} // what is bound off is let go
	for i := range Sequences {
		q := &Sequences[i]
		for n := 1; n < len(q.Steps); n++ {
			if !q.Steps[n].goesOn || slices.ContainsFunc(lets, func(of string) bool { return strings.HasPrefix(q.Name, of) }) {
				continue
			}
			was, now := q.Steps[n-1].at.all(), q.Steps[n].at.all()
			for id := range was {
				assert.Contains(t, now, id, "%s %d: a loop was lost", q.Name, n+1)
			}
			for id, l := range now {
				if _, is := was[id]; !is {
					assert.True(t, len(l.below) > 0 || l.kind == over || l.kind == lifted || l.kind == wrapOver, "%s %d: loop %d comes from nowhere", q.Name, n+1, id)
				}
			}
		}
	}
}

// all are the loops on both needles, and those that others were drawn through, by their numbers.
func (w *work) all() map[int]loop {
	found := map[int]loop{}
	var add func(list []loop)
	add = func(list []loop) {
		for _, l := range list {
			found[l.id] = l
			add(l.below)
		}
	}
	add(w.left)
	add(w.right)
	return found
}

// What the hands do comes to what the move declares: the loops on both needles are as many more or fewer as one of its operations makes, or all of
// them together.
func TestTheHandsDoWhatIsDeclared(t *testing.T) {
	held := 0
	for i := range Sequences {
		q := &Sequences[i]
		e := q.Effect()
		first, last := q.Steps[0].at, q.Steps[len(q.Steps)-1].at
		whole := first != nil && last != nil && last.yarn != roundTip && last.yarn != drawnThrough && last.entered == out && !strings.HasPrefix(q.Name, "bo-")
		for n := 1; n < len(q.Steps); n++ {
			whole = whole && q.Steps[n].goesOn
		}
		if !whole || len(e.Ops) == 0 {
			continue
		}
		held++
		all, each := 0, []int{}
		for _, code := range e.Ops {
			each = append(each, code.Makes()-code.Takes())
			all += code.Makes() - code.Takes()
		}
		// What is lifted or pulled before the first picture is there already.
		did := loopsOf(last) - loopsOf(q.Steps[0].from)
		assert.Contains(t, append(each, all), did, "%s: %v", q.Name, e.Ops)
	}
	assert.Greater(t, held, 25)
}

// loopsOf counts the loops on both needles, a double stitch once.
func loopsOf(w *work) int {
	n := 0
	for _, l := range slices.Concat(w.left, w.right) {
		if l.kind != marker && l.kind != place {
			n++
		}
	}
	return n
}

// An arrow points as the sentence says: to the left needle where a strand is lifted on to it, over the upper needle or under the lower one where
// the tips swing so, and to the right above a pair that is turned like the hand of a clock.
func TestArrowsPointAsTheSentenceSays(t *testing.T) {
	seen := map[string]int{}
	for i := range Sequences {
		for n, step := range Sequences[i].Steps {
			name := fmt.Sprintf("%s %d", Sequences[i].Name, n+1)
			var way []point
			for _, b := range (View{Right, false}).seen(step.draw) {
				if b.key == "arrow" && len(b.points) == 3 {
					way = b.points
				}
			}
			said := func(text string) bool {
				if strings.Contains(step.Text, text) {
					seen[text]++
					return true
				}
				return false
			}
			switch {
			case way == nil:
			case said("Lift it with the {left} needle"), said("Lift the strand between the needles"):
				assert.Less(t, way[0].y, -40.0, name)
				assert.InDelta(t, leftY(way[2].x), way[2].y, 12, name)
				assert.Less(t, way[2].x, 12.0, name)
			case said("Swing both tips up and over"):
				assert.Greater(t, way[2].y, way[0].y+30, name)
			case said("swing down and under"):
				assert.Less(t, way[2].y, way[0].y-30, name)
			case said("like the hand of a clock"):
				assert.Greater(t, way[2].x, way[0].x+40, name)
				assert.Greater(t, way[1].y, way[0].y, name)
			case said("to the front between the tips"):
				assert.Less(t, way[2].y, way[0].y, name)
			case said("to the back between the tips"):
				assert.Greater(t, way[2].y, way[0].y, name)
			}
		}
	}
	assert.Len(t, seen, 7, "%v", seen)
}

// No picture stands for many places: where it stands twice, what lies on the needles is the same.
func TestPicturesDiffer(t *testing.T) {
	places := map[string][]string{}
	all := 0
	for i := range Sequences {
		q := &Sequences[i]
		for n, step := range q.Seen(View{Right, false}).Steps {
			all++
			key := fmt.Sprint(step.Picture.Bodies)
			places[key] = append(places[key], fmt.Sprintf("%s %d", q.Name, n+1))
		}
	}
	for _, same := range places {
		assert.LessOrEqual(t, len(same), 5, "%v", same)
	}
	assert.Greater(t, len(places), all*4/5)
}

// What moves is told from what waits also by an eye that sees no colour: by three times as much light, in either scheme.
func TestWhatMovesIsToldFromWhatWaits(t *testing.T) {
	text, err := os.ReadFile("../../../ui/src/tokens.ts")
	require.NoError(t, err)
	waits := regexp.MustCompile(`handsWait: "#(\w{6})"`).FindAllSubmatch(text, -1)
	moves := regexp.MustCompile(`handsNow: "#(\w{6})"`).FindAllSubmatch(text, -1)
	require.Len(t, waits, 2)
	require.Len(t, moves, 2)
	for i := range waits {
		a, b := light(t, string(waits[i][1])), light(t, string(moves[i][1]))
		assert.GreaterOrEqual(t, (max(a, b)+0.05)/(min(a, b)+0.05), 3.0, "%s %s", waits[i][1], moves[i][1])
	}
}

// light is the relative luminance of a colour, as the web's guidelines for contrast have it.
func light(t *testing.T, colour string) float64 {
	t.Helper()
	n, err := strconv.ParseUint(colour, 16, 32)
	require.NoError(t, err)
	sum := 0.0
	for i, share := range []float64{0.0722, 0.7152, 0.2126} {
		c := float64(n>>(8*i)&255) / 255
		if c <= 0.04045 {
			c /= 12.92
		} else {
			c = math.Pow((c+0.055)/1.055, 2.4)
		}
		sum += share * c
	}
	return sum
}

// lieOnNeedles says of each loop of a cast-on that goes over or under a needle, that the needle reaches as far as that.
func lieOnNeedles(t *testing.T, name string, bodies []body) {
	t.Helper()
	for _, b := range bodies {
		if b.key != "tail" && b.key != "ball" {
			continue
		}
		for _, p := range b.points {
			dy := p.y - (oy - high/2)
			if math.Abs(dy) < apart+9 || math.Abs(dy) > apart+12 || math.Abs(p.z) > 2 {
				continue
			}
			held := slices.ContainsFunc(bodies, func(n body) bool {
				if !n.pointed {
					return false
				}
				from, to := n.points[0], n.points[len(n.points)-1]
				return math.Abs(from.y-p.y) < 12 && p.x > min(from.x, to.x) && p.x < max(from.x, to.x)
			})
			assert.True(t, held, "%s: a loop at %.0f, %.0f hangs on no needle", name, p.x, p.y)
		}
	}
}

// A magic cast-on is worked with the tips to the left, the tail's loops above and the ball's below; half turned, they point to the right, and
// the ball's loops are above.
func TestTheMagicCastOnIsHeldAsItIsWorked(t *testing.T) {
	for _, name := range []string{"co-magic", "co-magic-knot", "co-magic-round"} {
		for n, step := range Find(name).Steps {
			if step.at != nil || name == "co-magic-round" && n > 1 {
				continue
			}
			tips, high := 0.0, map[Part][]float64{}
			bodies := View{Right, false}.seen(step.draw)
			lieOnNeedles(t, fmt.Sprintf("%s %d", name, n+1), bodies)
			for _, b := range bodies {
				switch {
				case b.pointed:
					tips += b.points[len(b.points)-1].x - b.points[0].x
				case b.key == "tail" || b.key == "ball":
					for _, p := range b.points {
						if p.z > 8 && p.x > -40 {
							high[b.part] = append(high[b.part], p.y)
						}
					}
				}
			}
			mean := func(of []float64) float64 {
				sum := 0.0
				for _, y := range of {
					sum += y
				}
				return sum / float64(max(1, len(of)))
			}
			if name == "co-magic-round" {
				assert.Positive(t, tips, "%s %d", name, n+1)
				assert.Greater(t, mean(high[Now]), mean(high[Yarn]), "%s %d", name, n+1)
				continue
			}
			assert.Negative(t, tips, "%s %d", name, n+1)
			if n > 3 {
				assert.Greater(t, mean(high[Yarn]), mean(high[Now]), "%s %d", name, n+1)
			}
		}
	}
}

// Whatever lies on the needle to practise on is drawn as it lies: each loop hangs on its needle, and the right needle is in none of the left one; a loop
// whose legs cross, and a strand that was left, are seen.
func TestTheNeedleToPractiseOnIsRead(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		ws := rapid.Bool().Draw(t, "wrong side")
		id := 0
		loops := func(name string, most int) []Held {
			list := make([]Held, rapid.IntRange(0, most).Draw(t, name))
			beyond := 0
			for i := range list {
				if i > 0 && rapid.IntRange(0, 5).Draw(t, "gap") == 0 {
					beyond++
				}
				id++
				list[i] = Held{ID: id, Kind: rapid.SampledFrom([]needle.Kind{needle.Plain, needle.Plain, needle.Plain, needle.Double}).Draw(t, "kind"), Purl: ws, Beyond: beyond,
					Now: name == "right" && beyond == 0, Wraps: rapid.SampledFrom([]int{0, 0, 0, 1, 2}).Draw(t, "wraps")}
				if list[i].Kind == needle.Plain {
					list[i].Turned = rapid.IntRange(0, 4).Draw(t, "turned") == 0
					list[i].Wrong = rapid.SampledFrom([]Wrong{0, 0, 0, Twisted, OneLeg}).Draw(t, "wrong")
				}
			}
			return list
		}
		left, right := loops("left", 6), loops("right", 4)
		w := onNeedles(ws, left, right, Yarned{Front: ws, After: len(right) == 0})
		bodies := View{Hold: Right}.seenIn(onPractice, w.draw)
		onL, onR := read(bodies, leftNeedle), read(bodies, rightNeedle)
		hung := 0
		for i, b := range bodies {
			if at := b.points[len(b.points)/2]; at.x < 20-onPractice.ox || at.x > onPractice.wide-onPractice.ox-20 {
				continue
			}
			switch b.is.kind {
			case onLeft:
				hung++
				if isIn(onR[i]) || !isIn(onL[i]) {
					t.Fatalf("loop %d of the left needle: on it %t, the right one in it %t", b.is.n, isIn(onL[i]), isIn(onR[i]))
				}
			case onRight:
				hung++
				if !isIn(onR[i]) {
					t.Fatalf("loop %d of the right needle does not hang on it: %v", b.is.n, onR[i])
				}
			}
		}
		if most := min(3, len(left)) + min(1, len(right)); hung < most { // gaps put the others off
			t.Fatalf("%d loops are seen, at least %d lie there", hung, most)
		}
	})
}
