package knitting

import (
	"acornstep/sock/papers/design"
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
	list := append([]string{yarnReady(p)}, needlesReady(p)...)
	pins, lying, waste, strand := 0, 0, 0, false
	markers, hang := map[string]bool{}, marked(d)
	for i := range p.Rows {
		row := &p.Rows[i]
		for _, m := range row.Markers {
			markers[m.Name] = hang
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
	if hang {
		names := []string{"start"}
		for name, there := range markers {
			if there {
				names = append(names, name)
			}
		}
		if !slices.Contains(names, needle.SoleMarker) {
			names = append(names, needle.SoleMarker)
		}
		slices.Sort(names)
		list = append(list, measure.Count(len(names), "marker")+": "+strings.Join(names, ", "))
	}
	if d.Cuff.Elastic {
		list = append(list, "a fine elastic thread for the inside of the cuff")
	}
	if strand {
		list = append(list, "a strand of its own for the heel, wound off beforehand")
	}
	return append(list, "a darning needle for the ends, and a tape")
}

// marked says whether markers part the halves of the sock: on a single needle, and where the round begins within a half. On needles of
// its own each half is parted from the other anyhow.
func marked(d *design.Design) bool {
	if d.RoundStart != "" && d.RoundStart != "instep" {
		return true
	}
	for _, section := range needle.Sections {
		if d.ArrangementIn(string(section)).Backs == 0 {
			return true
		}
	}
	return false
}

// needlesReady are the needles: the usual ones, those of sections that have others, and what rests while a wide heel is worked.
func needlesReady(p *plan.Plan) []string {
	d := &p.Design
	list := []string{"needles on which your swatch was knitted: " + needleNames[d.Needles]}
	for _, section := range needle.Sections {
		if name, own := d.NeedlesBySection[string(section)]; own && name != d.Needles {
			list = append(list, fmt.Sprintf("for the %s: %s", strings.ReplaceAll(string(section), "_", "-"), needleNames[name]))
		}
	}
	for i := range p.Rows {
		if row := &p.Rows[i]; row.Section == needle.Heel && len(row.OnNeedles) > 2 && row.From > 0 {
			list = append(list, fmt.Sprintf("a spare needle or cable as a holder for %d stitches, and two needles for the heel",
				row.OnNeedles[0]))
			break
		}
	}
	return list
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
