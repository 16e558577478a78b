package advise

import (
	"fmt"
	"math"
	"strings"
	"unicode"
	"unicode/utf8"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/pattern"
)

// Decision is one step on the path through a sock: a sentence that says what is
// decided, and word by word what can be changed about it.
type Decision struct {
	// Name is the part of the sock: foot, swatch, round, toe, length, heel, corners, ankle, leg, cuff, needles or yarn.
	Name string `json:"name"`
	// Title stands before its sentence.
	Title string `json:"title"`
	// Said is the sentence; empty while the sock cannot be worked out.
	Said string `json:"said"`
	// Lead is the field whose ways stand as cards; empty for none.
	Lead at.Path `json:"lead,omitempty"`
	// Pieces are what an expert changes in the sentence, in its order.
	Pieces []Piece `json:"pieces"`
	// Checks are the judgements on this decision.
	Checks verdict.Checks `json:"checks"`
	// Numbers can be asked where they come from.
	Numbers []Number `json:"numbers"`
}

// Piece is a word or a figure of the sentence that can be changed.
type Piece struct {
	Field at.Path `json:"field"`
	// Label stands before it.
	Label string `json:"label"`
	// Kind says how it is changed: one of several ways, a typed figure, or yes and no.
	Kind string `json:"kind" enum:"ways,figure,switch"`
	// Said is the way that is chosen.
	Said string `json:"said,omitempty"`
	// Value is what a figure that nobody typed comes to; absent where nothing stands in for it.
	Value *float64 `json:"value,omitempty"`
	// Suffix stands behind a figure that is no length; Hint explains it.
	Suffix string `json:"suffix,omitempty"`
	Hint   string `json:"hint,omitempty"`
}

// Number is a number of the decision whose arithmetic can be shown, by its name.
type Number struct {
	Name string `json:"name"`
	Said string `json:"said"`
}

// part is one decision of the path.
type part struct {
	name, title string
	lead        at.Path
	said        func(w *words) string
	numbers     func(w *words) []Number
}

// parts are the decisions in the order of the work.
var parts = []part{
	{name: "foot", title: "Foot", said: footSaid},
	{name: "swatch", title: "Swatch", said: swatchSaid},
	{name: "round", title: "Round", said: roundSaid, numbers: roundNumbers},
	{name: "toe", title: "Toe", lead: at.ToeKind, said: toeSaid, numbers: toeNumbers},
	{name: "length", title: "To the heel", said: lengthSaid, numbers: lengthNumbers},
	{name: "heel", title: "Heel", lead: at.HeelKind, said: heelSaid, numbers: heelNumbers},
	{name: "corners", title: "Corners", lead: at.CornerMethod, said: cornersSaid},
	{name: "ankle", title: "Ankle", said: ankleSaid, numbers: ankleNumbers},
	{name: "leg", title: "Leg", lead: at.LegPattern, said: legSaid, numbers: legNumbers},
	{name: "cuff", title: "Cuff", lead: at.CuffPattern, said: cuffSaid, numbers: cuffNumbers},
	{name: "needles", title: "Needles", lead: at.Needles, said: needlesSaid},
	{name: "yarn", title: "Yarn", said: yarnSaid, numbers: yarnNumbers},
}

// figure is a number of the design that an expert types.
type figure struct {
	field                           at.Path
	part, label, suffix, hint, kind string
}

// figures are those that no technique brings along.
var figures = []figure{
	{field: at.FitGirthEase, part: "round", label: "smaller than the foot by", suffix: "%"},
	{field: at.FitLengthEase, part: "round", label: "shorter by"},
	{field: at.Mirror, part: "toe", label: "For the right foot, rows mirrored", kind: "switch"},
	{field: at.FootLengthToe, part: "length", label: "taken off for the toe"},
	{field: at.FootLengthHeel, part: "length", label: "taken off for the heel"},
	{field: at.HeelOwnStrand, part: "heel", label: "A strand of its own", kind: "switch"},
	{field: at.CornerPickUp, part: "corners", label: "extra at each corner", suffix: "sts"},
	{field: at.CornerHoldRounds, part: "corners", label: "they stay for", suffix: "rounds"},
	{field: at.LegHeight, part: "leg", label: "leg with its cuff"},
	{field: at.LegPlainRounds, part: "leg", label: "plain rounds first", suffix: "rounds"},
	{field: at.LegStitches, part: "leg", label: "stitches of the leg", suffix: "sts"},
	{field: at.CuffHeight, part: "cuff", label: "height of the cuff"},
	{field: at.CuffElastic, part: "cuff", label: "A fine elastic thread inside", kind: "switch"},
}

// Path is every decision on a sock that was measured, in the order of the work, with what was said of it and the
// grams that its rows take.
func Path(s *knit.Sock, checks verdict.Checks, grams float64, unit measure.Unit) []Decision {
	w := &words{s, unit, grams}
	pinned := *s.Design
	if !s.Stopped() {
		pinned = s.Pinned()
	}
	list := make([]Decision, len(parts))
	for i, p := range parts {
		d := Decision{Name: p.name, Title: p.title, Lead: p.lead, Pieces: []Piece{}, Numbers: []Number{}, Checks: p.of(checks)}
		if !s.Stopped() {
			d.Said = p.said(w)
			if p.numbers != nil {
				d.Numbers = p.numbers(w)
			}
		}
		d.Pieces = append(d.Pieces, p.words(s)...)
		d.Pieces = append(d.Pieces, p.figures(s, &pinned)...)
		list[i] = d
	}
	return list
}

// of are the checks on this part.
func (p *part) of(checks verdict.Checks) verdict.Checks {
	mine := verdict.Checks{}
	for _, c := range checks {
		if c.On() == verdict.On(p.name) {
			mine = append(mine, c)
		}
	}
	return mine
}

// words are the pieces that are one of several ways.
func (p *part) words(s *knit.Sock) []Piece {
	var list []Piece
	d := s.Design
	for i := range fields {
		f := &fields[i]
		if f.part != p.name || f.name == p.lead || !f.asks(d) {
			continue
		}
		said := f.chosen(d)
		if f.comes != nil && d.Get(f.name) == nil && !s.Stopped() {
			said = f.comes(s)
		}
		list = append(list, Piece{Field: f.name, Label: f.phrase, Kind: "ways", Said: said})
	}
	return list
}

// chosen is the way of a design in a sentence.
func (f *field) chosen(d *design.Design) string {
	now := d.Get(f.name)
	for _, way := range f.ways(d) {
		if way.value == now {
			return lower(way.label)
		}
	}
	return fmt.Sprint(now)
}

// figures are the pieces that are typed, those of the chosen techniques first.
func (p *part) figures(s *knit.Sock, pinned *design.Design) []Piece {
	var list []Piece
	d := s.Design
	for _, n := range s.Numbers(p.lead) {
		list = append(list, Piece{Field: n.Field, Label: lower(n.Label), Kind: "figure", Value: valueOf(pinned, n.Field),
			Suffix: n.Suffix, Hint: n.Hint})
	}
	for _, f := range figures {
		if f.part != p.name || !d.Uses(f.field) {
			continue
		}
		piece := Piece{Field: f.field, Label: f.label, Kind: "figure", Suffix: f.suffix, Hint: f.hint}
		if f.kind != "" {
			piece.Kind = f.kind
		} else {
			piece.Value = valueOf(pinned, f.field)
		}
		list = append(list, piece)
	}
	return list
}

// valueOf is a figure of a design; nil for one that it does not have.
func valueOf(d *design.Design, field at.Path) *float64 {
	var value float64
	switch v := d.Get(field).(type) {
	case float64:
		value = v
	case int:
		value = float64(v)
	case measure.Length:
		value = float64(v)
	default:
		return nil
	}
	return &value
}

// lower is a label inside a sentence.
func lower(label string) string {
	first, size := utf8.DecodeRuneInString(label)
	return string(unicode.ToLower(first)) + label[size:]
}

// sentence joins what is not empty.
func sentence(said ...string) string {
	kept := said[:0]
	for _, s := range said {
		if s != "" {
			kept = append(kept, s)
		}
	}
	return strings.Join(kept, ", ")
}

func (w *words) said(field at.Path) string {
	return knit.Said(field, fmt.Sprint(w.sock.Design.Get(field)))
}

func footSaid(w *words) string {
	f := &w.sock.Design.Foot
	guessed := ""
	if f.Guessed("ball_girth_mm") {
		guessed = "about "
	}
	return fmt.Sprintf("%s long, %s%s round", w.long(f.Length), guessed, w.long(f.BallGirth))
}

func swatchSaid(w *words) string {
	g := w.sock.Design.Gauge
	return fmt.Sprintf("%s stitches × %s rounds in %s", w.unit.Gauge(g.Stitches), w.unit.Gauge(g.Rounds), w.unit.GaugeWidth())
}

func roundSaid(w *words) string { return strings.Join(roundHere(w), ", ") }

func toeSaid(w *words) string {
	t := w.sock.Toe
	rows := measure.Count(t.Rounds, strings.TrimSuffix(w.sock.ToeRows(), "s"))
	if t.IncreaseRounds > 0 {
		rows = measure.Count(t.IncreaseRounds, "increase round")
	}
	return sentence(w.said(at.ToeKind)+fmt.Sprintf(" from %d", t.CastOn), rows, w.long(t.Length))
}

func lengthSaid(w *words) string {
	d := w.sock.Design
	return sentence(strings.Join(footHere(w), ", "),
		otherThan("stockinette", d.Leg.InstepPattern, patternSaid(d, d.Leg.InstepPattern)+" on the instep"),
		otherThan("stockinette", d.FootLength.Sole, "smooth inside"))
}

// otherThan is what is said where a value is not the usual one.
func otherThan(usual, value, said string) string {
	if value == usual {
		return ""
	}
	return said
}

func patternSaid(d *design.Design, name string) string {
	if p := pattern.Find(name, d.Patterns); p != nil {
		return p.Label
	}
	return name
}

func heelSaid(w *words) string {
	s, d := w.sock, w.sock.Design
	h := s.Heel
	turns, increases, flap, turn := "", "", "", ""
	if d.Uses(at.HeelTurn) && h.Turns > 0 {
		turn = w.said(at.HeelTurn)
	}
	if h.GussetIncreases > 0 {
		increases = measure.Count(h.GussetIncreases, "increase") + " a side"
	}
	switch {
	case h.FlapRows > 0:
		flap = fmt.Sprintf("%d rows on %d, %d left after the turn", h.FlapRows, h.Stitches, h.TurnStitches)
	case h.Turns > 0:
		turns = fmt.Sprintf("%d over %d · %d · %d", h.Stitches, h.Turns, h.Centre, h.Turns)
	}
	return sentence(w.said(at.HeelKind), increases, turn, otherThan("stockinette", string(d.Heel.Fabric), "in garter"), turns, flap,
		overInstep(s))
}

func cornersSaid(w *words) string {
	return sentence(w.said(at.CornerMethod), strings.Join(cornerHere(w), ", "))
}

func ankleSaid(w *words) string { return strings.Join(ankleHere(w), ", ") }

func legSaid(w *words) string {
	s := w.sock
	return sentence(w.long(s.Design.Leg.Height)+" with its cuff", patternSaid(s.Design, s.Design.Leg.Pattern),
		measure.Count(s.LegRounds, "round")+" below the cuff")
}

func cuffSaid(w *words) string {
	s := w.sock
	return sentence(patternSaid(s.Design, s.Design.Cuff.Pattern), w.long(min(s.Design.Cuff.Height, s.Design.Leg.Height)),
		measure.Count(s.CuffRounds, "round")) + "; bound off " + w.said(at.BindOff)
}

func needlesSaid(w *words) string {
	for i := range fields {
		if f := &fields[i]; f.name == at.Needles {
			return sentence(f.chosen(w.sock.Design), strings.Join(needlesHere(w), ", "))
		}
	}
	return ""
}

func yarnSaid(w *words) string {
	y := w.sock.Design.Yarn
	said := fmt.Sprintf("about %.0f g a sock, %.0f g the pair, of a ball of %g g (± %.0f %%)", w.grams, 2*math.Round(w.grams), y.BallGrams, 100*yarn.Uncertainty)
	if len(y.Contrast) > 0 {
		said += "; " + strings.Join(y.Contrast, ", ") + " in contrast"
	}
	if len(y.Stripes) > 0 {
		said += "; striped"
	}
	return said + repeatSaid(w.sock)
}

// repeatSaid says a yarn that stripes by itself in rounds of the foot, and of the leg where that has another count.
func repeatSaid(s *knit.Sock) string {
	colours := yarn.Striping(s.Design, s.Stitches, s.LegStitches)
	if len(colours) == 0 {
		return ""
	}
	foot, leg := make([]string, len(colours)), make([]string, len(colours))
	for i, c := range colours {
		foot[i], leg[i] = fmt.Sprintf("%.1f", c.FootRounds), fmt.Sprintf("%.1f", c.LegRounds)
	}
	said := "; it stripes by itself, " + strings.Join(foot, " + ") + " rounds of the foot"
	if s.LegStitches != s.Stitches {
		said += ", " + strings.Join(leg, " + ") + " of the leg"
	}
	return said
}

func roundNumbers(w *words) []Number {
	return []Number{{"foot_stitches", fmt.Sprintf("%d stitches", w.sock.Stitches)},
		{"finished_length_mm", w.long(w.sock.HeelStarts+w.sock.Heel.Length) + " long"}}
}

func toeNumbers(w *words) []Number {
	t := w.sock.Toe
	list := []Number{{"cast_on_stitches", fmt.Sprintf("%d cast on", t.CastOn)}}
	if t.IncreaseRounds > 0 {
		list = append(list, Number{"increase_rounds", measure.Count(t.IncreaseRounds, "increase round")})
	}
	return append(list, Number{"toe_rounds", fmt.Sprintf("%d %s", t.Rounds, w.sock.ToeRows())}, Number{"toe_length", w.long(t.Length)})
}

func lengthNumbers(w *words) []Number {
	return []Number{{"foot_rounds", measure.Count(w.sock.FootRounds, "round")},
		{"heel_starts_at_mm", w.long(w.sock.HeelStarts) + " from the tip"}}
}

func heelNumbers(w *words) []Number {
	h := w.sock.Heel
	list := []Number{{"heel_stitches", fmt.Sprintf("%d stitches", h.Stitches)}}
	add := func(n int, name, noun string) {
		if n > 0 {
			list = append(list, Number{name, measure.Count(n, noun)})
		}
	}
	add(h.FlapRows, "flap_rows", "flap row")
	add(h.Turns, "heel_turns_per_side", "turn")
	add(h.GussetIncreases, "gusset_increases", "increase")
	if h.FlapRows > 0 {
		list = append(list, Number{"turn_stitches", fmt.Sprintf("%d after the turn", h.TurnStitches)})
	}
	return append(list, Number{"heel_length", w.long(h.Length) + " deep"}, Number{"fit.heel", stretches(heelStretch(w.sock))})
}

func ankleNumbers(w *words) []Number {
	return []Number{{"leg_stitches", fmt.Sprintf("%d stitches", w.sock.LegStitches)}}
}

func legNumbers(w *words) []Number {
	return []Number{{"leg_rounds", measure.Count(w.sock.LegRounds, "round")}}
}

func cuffNumbers(w *words) []Number {
	return []Number{{"cuff_rounds", measure.Count(w.sock.CuffRounds, "round")}}
}

func yarnNumbers(w *words) []Number {
	return []Number{{"grams", fmt.Sprintf("%.0f g", w.grams)}}
}
