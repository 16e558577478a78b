package shape

import (
	"math"

	"acornstep/sock/cloth/foot"
	"acornstep/sock/cloth/worn"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/trace"
)

// Patch is where the cloth is stretched alike, as stretches of its rows.
type Patch struct {
	// Word is slack, sits, snug or tight.
	Word  string   `json:"word" enum:"slack,sits,snug,tight"`
	Lines []Points `json:"lines"`
}

// Spot is a place on the sock at which somebody may look.
type Spot struct {
	At  Point  `json:"at"`
	Row string `json:"row"`
	// AroundPct and AlongPct are how far the cloth is stretched there, round the foot and along it.
	AroundPct float64 `json:"around_pct"`
	AlongPct  float64 `json:"along_pct"`
	Word      string  `json:"word" enum:"slack,sits,snug,tight"`
	// Place is the place of the fit that lies nearest.
	Place string `json:"place"`
}

// Pull is where a sock pulls.
type Pull struct {
	Patches []Patch `json:"patches"`
	Spots   []Spot  `json:"spots"`
}

// Words of the stretch, from the least on.
var Words = []string{"slack", "sits", "snug", "tight"}

// slackBelow is the stretch below which cloth hangs loose.
const slackBelow = 0.02

// word says a stretch for cloth that is tight beyond a limit, and easy up to a share of it.
func word(stretch, limit, easy float64) string {
	switch {
	case stretch < slackBelow:
		return Words[0]
	case stretch <= easy*limit:
		return Words[1]
	case stretch <= limit:
		return Words[2]
	default:
		return Words[3]
	}
}

// spotEvery is how far apart the spots lie, in mm.
const spotEvery = 9.0

// WordsOf says the stretch of every loop in a word; see [PullOf].
func WordsOf(w *worn.Worn, t *trace.Trace, stretches []worn.Stretch, limit func(row *needle.Row) float64, easy float64) []string {
	words := make([]string, len(stretches))
	limits := make([]float64, len(t.Rows))
	for i := range t.Rows {
		limits[i] = limit(&t.Rows[i])
	}
	for i := range words {
		words[i] = word(math.Max(stretches[i].Around, stretches[i].Along), limits[w.Cloth.Loops[i].Row], easy)
	}
	return words
}

// PullOf maps the stretch. limit is how far the cloth of a row stretches before it is tight, easy the share of that up to which it sits.
func PullOf(w *worn.Worn, t *trace.Trace, limit func(row *needle.Row) float64, easy float64) Pull {
	sight, stretches := newSight(w, t), w.Stretches()
	words := WordsOf(w, t, stretches, limit, easy)
	p := Pull{}
	for _, name := range Words {
		patch := Patch{Word: name, Lines: []Points{}}
		for _, run := range sight.runs {
			for k := 0; k < len(run); k++ {
				if words[run[k]] != name {
					continue
				}
				first := k
				for k+1 < len(run) && words[run[k+1]] == name {
					k++
				}
				patch.Lines = append(patch.Lines, thinned(sight.stretch(run, first, k)))
			}
		}
		p.Patches = append(p.Patches, patch)
	}
	taken := map[[2]int]bool{}
	for _, run := range sight.runs {
		for _, i := range run {
			at := sight.place(i)
			cell := [2]int{int(math.Floor(at[0] / spotEvery)), int(math.Floor(at[1] / spotEvery))}
			if taken[cell] {
				continue
			}
			taken[cell] = true
			s := stretches[i]
			p.Spots = append(p.Spots, Spot{at, t.Rows[w.Cloth.Loops[i].Row].ID, percent(s.Around), percent(s.Along), words[i],
				nearest(w, i)})
		}
	}
	return p
}

func percent(share float64) float64 { return math.Round(1000*share) / 10 }

// nearest is the place of the fit next to a loop along the foot.
func nearest(w *worn.Worn, i int32) string {
	best, far := "", math.Inf(1)
	page := w.Foot.Page(w.Places[i])
	for _, name := range foot.Places {
		if at, ok := w.Foot.Station(name); ok && math.Abs(at-page) < far {
			best, far = name, math.Abs(at-page)
		}
	}
	return best
}
