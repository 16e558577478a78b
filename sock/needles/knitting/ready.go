package knitting

import (
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/needle"
)

// needleNames are the arrangements as they are laid ready.
var needleNames = map[string]string{
	"magic_loop":     "one long circular needle, 80 to 100 cm (32 to 40 in), with smooth joins",
	"two_circulars":  "two circular needles",
	"dpn4":           "four double-pointed needles",
	"dpn5":           "five double-pointed needles",
	"short_circular": "a short circular needle, and two needle tips or a long one for the toe",
}

// Ready is what lies ready before a plan is cast on: what its rows need, and no more.
func Ready(p *plan.Plan) []string {
	if !p.HasDesign() {
		return []string{}
	}
	d := &p.Design
	list := []string{yarnReady(p), "needles on which your swatch was knitted: " + needleNames[d.Needles]}
	pins, lying, waste, strand := 0, 0, 0, false
	markers := map[string]bool{}
	for i := range p.Rows {
		row := &p.Rows[i]
		for _, m := range row.Markers {
			markers[m.Name] = true
		}
		for _, o := range row.Ops {
			switch o.Code {
			case needle.SlPin:
				lying += o.N
			case needle.KPin, needle.PPin:
				lying = max(0, lying-o.N)
			case needle.COChain:
				waste = o.N
			}
			pins = max(pins, lying)
		}
		strand = strand || row.Section == needle.Heel && d.Heel.OwnStrand
	}
	if waste > 0 {
		list = append(list, fmt.Sprintf("smooth waste yarn in another colour, and a crochet hook: a chain of %d and a few more", waste))
	}
	if pins > 0 {
		list = append(list, measure.Count(pins, "removable pin")+", in two colours: one for each side")
	}
	if len(markers) > 0 {
		names := make([]string, 0, len(markers))
		for name := range markers {
			names = append(names, name)
		}
		slices.Sort(names)
		list = append(list, measure.Count(len(names), "marker")+": "+strings.Join(names, ", "))
	}
	if strand {
		list = append(list, "a strand of its own for the heel, wound off beforehand")
	}
	return append(list, "a darning needle for the ends, and a tape")
}

// yarnReady is the yarn by colour, a first guess.
func yarnReady(p *plan.Plan) string {
	own, other := 0.0, 0.0
	for _, need := range yarn.Needs(&p.Design, p.Rows) {
		if need.Colour == needle.Contrast {
			other += need.Grams
		} else {
			own += need.Grams
		}
	}
	text := fmt.Sprintf("yarn: about %.0f g a sock", own)
	if other > 0 {
		text += fmt.Sprintf(", and %.0f g of the contrast", other)
	}
	return text + fmt.Sprintf(" (± %.0f %%)", 100*yarn.Uncertainty)
}
