package hands

import (
	"math"
	"slices"
	"sync"
)

// Hold is the hand in which the yarn lies.
type Hold string

// The ways of holding the yarn: it is thrown with the right hand, or picked with the left.
const (
	Right Hold = "right"
	Left  Hold = "left"
)

// frame is how large a picture is, and where the origin, at which the first loop of the left needle hangs, lies from its upper left corner.
type frame struct{ wide, high, ox, oy float64 }

// Of a picture of a move.
const (
	wide, high = 240.0, 192.0
	ox, oy     = 124.0, 84.0
	// Fine is how many units of a picture that is sent are one pixel.
	Fine = 2
)

var (
	move = frame{wide, high, ox, oy}
	// onPractice is that of the needle to practise on.
	onPractice = frame{460, 200, 262, 78}
)

// scene gives what a picture shows, with the yarn in a hand.
type scene func(Hold) []body

// Picture is what is shown: bodies with depth. Lengths are in halves of a pixel, x to the right, y downwards, z towards the knitter.
type Picture struct {
	Width  int    `json:"width"`
	Height int    `json:"height"`
	Bodies []Body `json:"bodies"`

	// id names it among all pictures of this package; empty for one that was made for a moment.
	id string
}

// Body is one thing of a picture.
type Body struct {
	Part Part `json:"part" enum:"yarn,now,about,other,needle,working,cable,pin,skin,hint"`
	// Key is the same for the same thing in the next picture of a move.
	Key string `json:"key"`
	// At are x, y and z of each point of the line through its middle.
	At []int `json:"at"`
	// Tip says that it ends in the tip of a needle.
	Tip bool `json:"tip,omitempty"`
}

// seen gives the bodies of a scene of a move in a view.
func (v View) seen(s scene) []body { return v.seenIn(move, s) }

// seenIn gives them in a picture of any size.
func (v View) seenIn(f frame, s scene) []body {
	hold := v.Hold
	if v.Mirrored {
		// The hand that throws is the left one in the mirror.
		hold = map[Hold]Hold{Right: Left, Left: Right}[hold]
	}
	list := slices.Clone(s(hold))
	for i := range list {
		list[i].points = slices.Clone(list[i].points)
		for k := range list[i].points {
			p := &list[i].points[k]
			if v.Mirrored {
				p.x = f.wide - 2*f.ox - p.x
			}
		}
	}
	return list
}

// picture is a scene as it is sent.
func (v View) picture(s scene) Picture { return move.of(v.seen(s)) }

// of gives bodies as they are sent.
func (f frame) of(list []body) Picture {
	p := Picture{Width: int(f.wide) * Fine, Height: int(f.high) * Fine, Bodies: []Body{}}
	for _, b := range list {
		if !f.shows(&b) {
			continue
		}
		sent := Body{Part: b.part, Key: b.key, Tip: b.pointed, At: make([]int, 0, 3*len(b.points))}
		for _, q := range b.points {
			sent.At = append(sent.At, units(q.x+f.ox), units(f.oy-q.y), units(q.z))
		}
		p.Bodies = append(p.Bodies, sent)
	}
	return p
}

// shows says whether any of a body lies in the picture.
func (f frame) shows(b *body) bool {
	r := widths[b.part]
	box := [4]float64{math.Inf(1), math.Inf(1), math.Inf(-1), math.Inf(-1)}
	for _, p := range b.points {
		x, y := p.x+f.ox, f.oy-p.y
		box = [4]float64{min(box[0], x), min(box[1], y), max(box[2], x), max(box[3], y)}
	}
	return box[2] > -r && box[3] > -r && box[0] < f.wide+r && box[1] < f.high+r
}

func units(px float64) int { return int(math.Round(px * Fine)) }

// mostKept pictures are kept painted: those of a few socks in one view, some fifteen megabytes.
const mostKept = 300

// paintings are pictures of the moves, painted, by their names: paper shows the same ones again and again.
var paintings = struct {
	sync.Mutex
	kept map[string][]Stroke
}{kept: map[string][]Stroke{}}

// Painted is a picture as a painter lays it down, for paper. What it gives is shared, and not to be changed.
func (p *Picture) Painted() []Stroke {
	if p.id == "" {
		return p.paint()
	}
	paintings.Lock()
	strokes, is := paintings.kept[p.id]
	paintings.Unlock()
	if is {
		return strokes
	}
	strokes = p.paint()
	paintings.Lock()
	defer paintings.Unlock()
	if len(paintings.kept) >= mostKept {
		clear(paintings.kept)
	}
	paintings.kept[p.id] = strokes
	return strokes
}

// paint lays a picture down.
func (p *Picture) paint() []Stroke {
	list := make([]body, len(p.Bodies))
	for i, b := range p.Bodies {
		list[i] = body{part: b.Part, key: b.Key, pointed: b.Tip}
		for k := 0; k+2 < len(b.At); k += 3 {
			list[i].points = append(list[i].points, point{float64(b.At[k]) / Fine, float64(b.At[k+1]) / Fine, float64(b.At[k+2]) / Fine})
		}
	}
	strokes := painted(list)
	for i := range strokes {
		strokes[i].Points = fewer(strokes[i].Points)
	}
	return strokes
}

// fewer leaves out the points of a way without which it runs within a third of a pixel of where it ran.
func fewer(points []float64) []float64 {
	last := len(points) - 2
	far, at := 0.0, 0
	for i := 2; i < last; i += 2 {
		if d := offLine(points[i], points[i+1], points[0], points[1], points[last], points[last+1]); d > far {
			far, at = d, i
		}
	}
	if far <= 0.34 {
		return slices.Concat(points[:2], points[last:])
	}
	return append(fewer(points[:at+2]), fewer(points[at:])[2:]...)
}

// offLine is how far a place lies from the way between two others.
func offLine(x, y, ax, ay, bx, by float64) float64 {
	dx, dy := bx-ax, by-ay
	t := min(1, max(0, ((x-ax)*dx+(y-ay)*dy)/max(1e-9, dx*dx+dy*dy)))
	return math.Hypot(x-ax-t*dx, y-ay-t*dy)
}
