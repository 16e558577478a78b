package fabric

import (
	"cmp"
	"math"
	"slices"
)

// Place is a place of a picture, in its own units.
type Place struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
}

// mostMarks are as many places as eyes can compare.
const mostMarks = 6

// sight is something that is seen at a place, as far from the yarn as it lies.
type sight struct {
	x, y int // in halves of a stitch
	what string
}

// Apart marks in each of some pictures where it shows what not all of them show at that place,
// the nearest to the yarn first: what can be counted before what is only shaped otherwise.
func Apart(list []Picture) [][]Place {
	seen := map[sight]int{}
	for i := range list {
		for _, s := range list[i].sights() {
			seen[s]++
		}
	}
	marks := make([][]Place, len(list))
	for i := range list {
		p := &list[i]
		marks[i] = []Place{}
		var own []sight
		for _, s := range p.sights() {
			if seen[s] < len(list) {
				own = append(own, s)
			}
		}
		counted := func(s sight) int {
			if texts[s.what] != "" {
				return 0
			}
			return 1
		}
		slices.SortStableFunc(own, func(a, b sight) int {
			return cmp.Or(cmp.Compare(counted(a), counted(b)),
				cmp.Compare(math.Hypot(float64(a.x), float64(a.y)), math.Hypot(float64(b.x), float64(b.y))))
		})
		for _, s := range own {
			at := Place{(float64(s.x)/2 + p.yarn) * Unit, (above + float64(s.y)/2) * Unit}
			if len(marks[i]) < mostMarks && !slices.Contains(marks[i], at) {
				marks[i] = append(marks[i], at)
			}
		}
	}
	return marks
}

// sights are the features and the stitches of a picture.
func (p *Picture) sights() []sight {
	half := func(v float64) int { return int(math.Round(2 * v)) }
	list := make([]sight, 0, len(p.Features)+len(p.Cells))
	for _, f := range p.Features {
		list = append(list, sight{half(f.X/Unit - p.yarn), half(f.Y/Unit - above), f.Name})
	}
	for i := range p.Cells {
		c := &p.Cells[i]
		list = append(list, sight{half(c.X - p.yarn), half(c.Y + c.High/2), c.Shape + " " + string(c.Face)})
	}
	slices.SortFunc(list, func(a, b sight) int {
		return cmp.Or(cmp.Compare(a.x, b.x), cmp.Compare(a.y, b.y), cmp.Compare(a.what, b.what))
	})
	return slices.Compact(list)
}
