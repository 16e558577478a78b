// Package leaflet puts the pattern of a sock together, as it is handed to
// somebody on paper: what it will be, what lies ready, the abbreviations that
// occur, the instructions, the charts, and room for notes. What concerns the health of whoever wears it stands in the knitter's own one only.
package leaflet

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"acornstep/sock/cloth/chart"
	"acornstep/sock/cloth/fabric"
	"acornstep/sock/cloth/shape"
	"acornstep/sock/cloth/worn"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/board"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
	"acornstep/sock/said/hands"
	"acornstep/sock/said/instructions"
	"acornstep/sock/said/words"
)

// Fact is a line of the front page.
type Fact struct {
	Label string `json:"label"`
	Text  string `json:"text"`
}

// Abbreviation is one that occurs in the instructions.
type Abbreviation struct {
	Short string `json:"short"`
	Text  string `json:"text"`
}

// Leaflet is the pattern of a sock.
type Leaflet struct {
	Title string `json:"title"`
	// For is whom it is knitted for; empty for nobody in particular.
	For   string `json:"for"`
	Facts []Fact `json:"facts"`
	// Cautions about the health of whoever wears it; none in a pattern for others.
	Cautions      []plan.Caution         `json:"cautions"`
	Ready         []string               `json:"ready"`
	Abbreviations []Abbreviation         `json:"abbreviations"`
	Sections      []instructions.Section `json:"sections"`
	// Second are the sections of the second sock that are worked otherwise.
	Second []instructions.Section `json:"second"`
	Charts []chart.Chart          `json:"charts"`
	// Moves are those that are new in it, in the order in which they come.
	Moves []hands.Move `json:"moves"`
	// Finish is what is left to do when the stitches are bound off.
	Finish []string `json:"finish"`
	Notes  []string `json:"notes"`

	// Drawing is the sock lying flat; nil where no design says how large it is.
	Drawing *shape.Profile `json:"-"`
	Plan    *plan.Plan     `json:"-"`
}

// Wish is what somebody wants of a pattern.
type Wish struct {
	// Name of the sock and of its wearer.
	Name, Wearer string
	Unit         measure.Unit
	// Own: it is the knitter's own, and says what was ticked for the wearer.
	Own bool
	// Every row on a line of its own, with a box to tick, instead of repeats.
	Every bool
	View  hands.View
	// Without names lessons whose moves are left out, because they are known; "all" leaves every move out.
	Without []string
}

// leavesOut says whether a move needs no pictures.
func (w *Wish) leavesOut(m *hands.Sequence) bool {
	return slices.Contains(basics, m.Name) || slices.Contains(w.Without, "all") || m.Lesson != "" && slices.Contains(w.Without, m.Lesson)
}

// Draw draws the sock on its foot, where the plan says for which; the error is that of the context or of rows that cannot be knitted.
func (l *Leaflet) Draw(ctx context.Context) error {
	if !l.Plan.HasDesign() {
		return nil
	}
	drawn, err := board.DrawPlan(ctx, l.Plan, knit.Measure(&l.Plan.Design), worn.Fine)
	if err != nil {
		return fmt.Errorf("leaflet: %w", err)
	}
	l.Drawing = drawn.Shape
	return nil
}

// basics are moves that need no strip of pictures on paper: whoever knits knows them, or they are another way to what is shown.
var basics = []string{"k", "p", "tug", "co-magic-knot", "sl-rs", "sl-ws", "rib"}

// Of writes the pattern of a plan; second is the plan of the second sock where it has one of its own, else nil.
// Rows that cannot be knitted are an error.
func Of(p, second *plan.Plan, wish Wish) (*Leaflet, error) {
	t, err := knitted.Of(p.Rows)
	if err != nil {
		return nil, fmt.Errorf("leaflet: %w", err)
	}
	l := &Leaflet{
		Title: wish.Name, For: wish.Wearer, Plan: p, Ready: knitting.Ready(p),
		Sections: instructions.Of(p, t, wish.Every), Charts: chart.Of(p, t, fabric.Of(t)), Second: []instructions.Section{},
		Notes: []string{"Really cast on", "Length of the toe", "From the tip to the heel", "Heel: turns on each side", "Leg and cuff",
			"Weighed before and after", "Where it fits, where not"},
	}
	if l.Title == "" {
		l.Title = p.Design.Name
	}
	l.Cautions = []plan.Caution{}
	if wish.Own {
		l.Cautions = p.Cautions(wish.Unit)
	}
	l.Finish = finish(second)
	if p.Design.Cuff.Elastic {
		l.Finish = append([]string{"Draw the elastic thread through the bumps inside the cuff, in three rounds and without any pull, and sew its ends down flat."}, l.Finish...)
	}
	l.abbreviate()
	if p.HasDesign() {
		l.Facts = facts(p, wish.Unit)
	}
	seen := map[string]bool{}
	for _, shown := range hands.Rows(p) {
		for _, s := range shown {
			if move := hands.Find(s.Move); !seen[s.Move] && !wish.leavesOut(move) {
				l.Moves = append(l.Moves, move.Seen(wish.View))
			}
			seen[s.Move] = true
		}
	}
	if second == nil {
		return l, nil
	}
	other, err := knitted.Of(second.Rows)
	if err != nil {
		return nil, fmt.Errorf("leaflet, second sock: %w", err)
	}
	first := map[needle.Section]string{}
	for _, s := range l.Sections {
		first[s.Section] = instructions.Text([]instructions.Section{s})
	}
	for _, s := range instructions.Of(second, other, wish.Every) {
		if instructions.Text([]instructions.Section{s}) != first[s.Section] {
			l.Second = append(l.Second, s)
		}
	}
	return l, nil
}

// finish is what is left to do by hand; second is the plan of the second sock where it has one of its own.
func finish(second *plan.Plan) []string {
	other := "Knit the second sock the same way."
	if second != nil {
		other = "Knit the second sock: where its rows are others they stand above."
	}
	return []string{"Weave the ends in, further than in other knitting, above all in slippery machine-washable wool.",
		"Wash the sock as it will be washed, and dry it flat.", other}
}

// abbreviate lists the abbreviations of the operations that the rows have.
func (l *Leaflet) abbreviate() {
	used := map[string]bool{}
	for i := range l.Plan.Rows {
		for _, o := range l.Plan.Rows[i].Ops {
			used[o.Code.String()] = true
		}
	}
	l.Abbreviations = []Abbreviation{{"RS, WS", "the right side, the wrong side of the fabric"}}
	if used["sl"] {
		l.Abbreviations = append(l.Abbreviations, Abbreviation{"wyib, wyif", "with the yarn behind, in front"})
	}
	for _, e := range words.Glossary() {
		if used[e.Op] && e.Op != "co" && e.Op != "bo" && e.Op != "start" {
			l.Abbreviations = append(l.Abbreviations, Abbreviation{e.Words[0], e.Steps})
		}
	}
}

// facts are what the front page says beside the drawing.
func facts(p *plan.Plan, unit measure.Unit) []Fact {
	d, s := &p.Design, p.Summary
	g := d.Gauge.PerMM()
	list := []Fact{
		{"Finished", fmt.Sprintf("%s long, %s round the foot, leg and cuff %s high", unit.Show(s.FinishedLength),
			unit.Show(g.Girth(float64(s.FootStitches))), unit.Show(g.Height(float64(s.LegRounds+s.CuffRounds))))},
		{"For a foot", fmt.Sprintf("%s long, %s round the ball", unit.Show(d.Foot.Length), unit.Show(d.Foot.BallGirth))},
		{"Gauge", fmt.Sprintf("%s stitches and %s rounds in 10 cm (4 in), as counted on the swatch", trim(d.Gauge.Stitches),
			trim(d.Gauge.Rounds))},
		{"Toe", fmt.Sprintf("%s: cast on %d, %d at the end", knit.Said(at.ToeKind, d.Toe.Kind), s.CastOnStitches, s.FootStitches)},
		{"Heel", heelSaid(p, unit)},
	}
	own, other := yarn.Need{}, yarn.Need{}
	for _, n := range yarn.Needs(d, p.Rows) {
		at := &own
		if n.Colour != "" {
			at = &other
		}
		at.Grams, at.Metres = at.Grams+n.Grams, at.Metres+n.Metres
	}
	list = append(list, Fact{"Yarn for a pair", amount(own, unit) + ", " + reserve})
	if other.Grams > 0 {
		list = append(list, Fact{"Contrast for a pair", amount(other, unit)})
	}
	return list
}

// reserve is what is put on top of every amount of yarn.
var reserve = fmt.Sprintf("%.0f %% reserve in it", 100*yarn.Uncertainty)

// amount is what a pair takes of a yarn, with a reserve.
func amount(n yarn.Need, unit measure.Unit) string {
	pair := 2 * (1 + yarn.Uncertainty)
	return fmt.Sprintf("%.0f g, %s", n.Grams*pair, unit.Yarn(n.Metres*pair))
}

func heelSaid(p *plan.Plan, unit measure.Unit) string {
	s := p.Summary
	text := fmt.Sprintf("%s, %d stitches, after %d rounds of the foot, %s from the tip", knit.Said(at.HeelKind, p.Design.Heel.Kind),
		s.HeelStitches, s.FootRounds, unit.Show(s.HeelStartsAt))
	if s.HeelTurnsPerSide != nil {
		text += fmt.Sprintf("; %d turns on each side, %d in the centre", *s.HeelTurnsPerSide, *s.HeelCentreStitches)
	}
	return text
}

// trim is a number without decimals that say nothing.
func trim(x float64) string {
	return strings.TrimSuffix(fmt.Sprintf("%.1f", x), ".0")
}

// Text is the pattern as plain text.
func (l *Leaflet) Text() string {
	var b strings.Builder
	line := func(format string, args ...any) { fmt.Fprintf(&b, format+"\n", args...) }
	line("%s", strings.ToUpper(l.Title))
	if l.For != "" {
		line("for %s", l.For)
	}
	line("")
	for _, f := range l.Facts {
		line("%s: %s.", f.Label, f.Text)
	}
	if len(l.Cautions) > 0 {
		line("\nTAKE CARE")
		for _, c := range l.Cautions {
			line("- %s: %s", instructions.Title(c.Section), c.Text)
		}
	}
	line("\nWHAT LIES READY")
	for _, thing := range l.Ready {
		line("- %s", thing)
	}
	line("\nABBREVIATIONS")
	for _, a := range l.Abbreviations {
		line("%s: %s", a.Short, a.Text)
	}
	line("")
	b.WriteString(instructions.Text(l.Sections))
	if len(l.Second) > 0 {
		line("\nTHE SECOND SOCK: as the first, but")
		b.WriteString(instructions.Text(l.Second))
	}
	line("\nTO FINISH")
	for _, left := range l.Finish {
		line("- %s", left)
	}
	line("\nNOTES")
	for _, n := range l.Notes {
		line("%s: ____________________", n)
	}
	return b.String()
}
