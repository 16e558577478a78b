package tally

import (
	"slices"

	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/needle"
)

// Scrap is another yarn of the sock, weighed or not.
type Scrap struct {
	// Yarn is contrast, or the section that is knitted in it.
	Yarn string `json:"yarn"`
	logbook.Ball
	Weighed bool `json:"weighed"`
	// Needs is what the sock that is knitted still takes of it, in grams, with the reserve; Pair the same for both socks.
	Needs float64 `json:"needs_g"`
	Pair  float64 `json:"pair_g"`
}

// scraps reckons the yarns beside the sock's own: first all contrast together, then each section that is knitted in it.
func (o socks) scraps(book logbook.Book) []Scrap {
	list := []Scrap{}
	for _, name := range o.scrapNames() {
		ball, weighed := logbook.BallOf(book.Standing, name, o.worked(name))
		scrap := Scrap{Yarn: name, Ball: ball, Weighed: weighed}
		per := ball.PerStitch
		if per == 0 {
			per = yarn.GramsPerStitch(&o[0].Plan.Design)
		}
		toDo := [2]float64{}
		for sock, place := range book.Places {
			toDo[sock] = float64(o[sock].workedIn(name, len(o[sock].Knitted.Steps))-o[sock].workedIn(name, place.Row)) * per / (1 - yarn.Reserve)
		}
		scrap.Needs, scrap.Pair = toDo[0], toDo[0]+toDo[1]
		if book.Places[0].Finished {
			scrap.Needs = toDo[1]
		}
		list = append(list, scrap)
	}
	return list
}

func (o socks) scrapNames() []string {
	var sections []string
	for _, k := range o {
		for i := range k.Plan.Rows {
			name := string(k.Plan.Rows[i].Section)
			if k.Plan.Rows[i].Colour == needle.Contrast && name != string(needle.CastOn) && name != string(needle.BindOff) &&
				!slices.Contains(sections, name) {
				sections = append(sections, name)
			}
		}
	}
	if len(sections) == 0 {
		return nil
	}
	return append([]string{needle.Contrast}, sections...)
}
