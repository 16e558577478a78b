package fit

import (
	"fmt"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/papers/design"
)

// Ease is the choice that eases a place most.
type Ease struct {
	Place string `json:"place"`
	// Text says it with both figures, such as "two more flap rows: 24 → 19 %".
	Text string `json:"text"`
	// Changes of the design, by its fields.
	Changes design.Changes `json:"changes"`
	FromPct float64        `json:"from_pct"`
	ToPct   float64        `json:"to_pct"`
}

// leastEased is by how many percent points a change must ease a place more than the one before it, to be worth saying.
const leastEased = 0.5

// Eases finds for every place that is not easy which change of the design eases it most.
func Eases(s *knit.Sock) []Ease {
	list := []Ease{}
	for _, p := range Of(s) {
		if p.StretchPct <= p.HighPct {
			continue
		}
		best := Ease{Place: p.Name, FromPct: p.StretchPct, ToPct: p.StretchPct}
		for _, t := range triesFor(s, p.Name) {
			eased, ok := with(s, t.Changes)
			if !ok {
				continue
			}
			for _, q := range Of(eased) {
				if q.Name == p.Name && q.StretchPct < best.ToPct-leastEased && !worsens(s, eased, p.Name) {
					best.ToPct, best.Changes = q.StretchPct, t.Changes
					best.Text = fmt.Sprintf("%s: %.0f → %.0f %%", t.Said, p.StretchPct, q.StretchPct)
				}
			}
		}
		if best.Text != "" {
			list = append(list, best)
		}
	}
	return list
}

// worsens says whether a change that eases one place makes another one slack or tight that was neither.
func worsens(before, after *knit.Sock, name string) bool {
	was := map[string]Place{}
	for _, p := range Of(before) {
		was[p.Name] = p
	}
	for _, p := range Of(after) {
		if q := was[p.Name]; p.Name != name && q.Word == "sits" && p.Word != "sits" {
			return true
		}
	}
	return false
}

func with(s *knit.Sock, changes design.Changes) (*knit.Sock, bool) {
	d, err := s.Design.With(changes)
	if err != nil {
		return nil, false
	}
	eased := knit.Measure(&d)
	return eased, !eased.Stopped()
}

// triesFor are the changes that ease a place. Over the instep they are the heel's own, and then the other heels.
func triesFor(s *knit.Sock, place string) []knit.Easing {
	d := s.Design
	m := d.Fit.Multiple
	switch place {
	case "heel":
		return s.Eases()
	case "ankle", "cuff", "calf":
		return []knit.Easing{
			{Said: fmt.Sprintf("%d more stitches round the leg", m), Changes: design.Changes{at.LegStitches: s.LegStitches + m}},
			{Said: "a ribbed leg", Changes: design.Changes{at.LegPattern: "rib_2x2"}},
		}
	default:
		return []knit.Easing{{Said: fmt.Sprintf("%d more stitches round", m), Changes: design.Changes{at.Stitches: s.Stitches + m}}}
	}
}
