package plan

import (
	"acornstep/sock/figures/measure"
	"acornstep/sock/rows/needle"
)

// Caution is what to take care of for the health of whoever wears the sock, and the section of the work in which it matters.
type Caution struct {
	Section needle.Section `json:"section"`
	Text    string         `json:"text"`
}

// healthCheck is a check about the health of whoever wears the sock, and the section in which it matters; a wearer's is said because
// something was ticked for that person.
type healthCheck struct {
	code    string
	section needle.Section
	wearers bool
}

// health are all of them, in the order of the work.
var health = []healthCheck{
	{"allergy", needle.CastOn, true},
	{"ease_high", needle.CastOn, false},
	{"circulation_ease", needle.CastOn, true},
	{"numb_ridges", needle.Toe, true},
	{"circulation_cuff", needle.Cuff, true},
	{"circulation", needle.Cuff, true},
	{"knee_band", needle.Cuff, false},
	{"cuff_elastic", needle.BindOff, false},
	{"numb_feet", needle.BindOff, true},
	{"small_foot", needle.BindOff, true},
}

// Cautions are those about health, each at the section of the work in which it matters, in the order of the work.
func (p *Plan) Cautions(unit measure.Unit) []Caution {
	list := []Caution{}
	for _, h := range health {
		for _, c := range p.Checks {
			if c.Code == h.code {
				list = append(list, Caution{h.section, c.In(unit).Text})
			}
		}
	}
	return list
}
