package shape

import (
	"math"
	"slices"

	"acornstep/sock/cloth/body"
	"acornstep/sock/cloth/worn"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
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
	Peaks   []Peak  `json:"peaks"`
}

// Peak is how far the cloth is stretched where it is stretched most of all at a place of the fit.
type Peak struct {
	Place string  `json:"place"`
	Pct   float64 `json:"pct"`
}

// Scale turns stretches into words. It is the one by which the fit is judged.
type Scale struct {
	// Limit is how far the cloth of a row stretches before it is tight, Easy the share of that up to which it sits.
	Limit func(row *needle.Row) float64
	Easy  float64
	// Whole is how each place of the fit sits as a whole. A place is judged as one: what is snug there is nowhere tight, and how far
	// its cloth is stretched at the most is a [Peak].
	Whole map[string]string
}

// atPlace is a word for a place that sits so as a whole. Lengthwise only the heel is judged.
func (s *Scale) atPlace(word, place string, stretch worn.Stretch) string {
	whole := slices.Index(Words, s.Whole[place])
	if whole < 0 || place != heelPlace && stretch.Along > stretch.Around {
		return word
	}
	return Words[min(slices.Index(Words, word), max(whole, slices.Index(Words, "sits")))]
}

// heelPlace is the place of the fit that goes along the sock as much as round it.
const heelPlace = "heel"

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
func WordsOf(w *worn.Worn, t *knitted.Sock, stretches []worn.Stretch, by Scale) []string {
	words, places := make([]string, len(stretches)), placesOf(w)
	limits := make([]float64, len(t.Rows))
	for i := range t.Rows {
		limits[i] = by.Limit(&t.Rows[i])
	}
	for i := range words {
		s := stretches[i]
		words[i] = by.atPlace(word(math.Max(s.Around, s.Along), limits[w.Cloth.Loops[i].Row], by.Easy), places[i], s)
	}
	return words
}

// PullOf maps the stretch.
func PullOf(w *worn.Worn, t *knitted.Sock, by Scale) Pull {
	sight, stretches := newSight(w, t), w.Stretches()
	words := WordsOf(w, t, stretches, by)
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
	places := placesOf(w)
	most := map[string]float64{}
	for i, s := range stretches {
		most[places[i]] = math.Max(most[places[i]], math.Max(s.Around, s.Along))
	}
	for _, place := range body.Places {
		if share, some := most[place]; some {
			p.Peaks = append(p.Peaks, Peak{place, percent(share)})
		}
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
				places[i]})
		}
	}
	return p
}

func percent(share float64) float64 { return math.Round(1000*share) / 10 }

// placesOf are the places of the fit that lie nearest to each loop along the foot.
func placesOf(w *worn.Worn) []string {
	type station struct {
		name string
		at   float64
	}
	var stations []station
	for _, name := range body.Places {
		if at, ok := w.Foot.Station(name); ok {
			stations = append(stations, station{name, at})
		}
	}
	list := make([]string, len(w.Places))
	for i := range list {
		far, page := math.Inf(1), w.Foot.Page(w.Places[i])
		for _, s := range stations {
			if d := math.Abs(s.at - page); d < far {
				list[i], far = s.name, d
			}
		}
	}
	return list
}
