package whereami

import (
	"fmt"
	"math"
	"slices"

	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Question is one look that a sock can have.
type Question struct {
	// Name is the field of [Seen].
	Name string `json:"name"`
	// Label stands before what is seen; Text asks for it.
	Label string `json:"label"`
	Text  string `json:"text"`
	// Kind is a count, a length, or one of some options.
	Kind    string   `json:"kind" enum:"count,length,choice"`
	Options []Choice `json:"options,omitempty"`
}

// Choice is one of several things that can be seen.
type Choice struct {
	Value string `json:"value"`
	Label string `json:"label"`
}

// look is one thing that can be seen.
type look struct {
	name, label, question, kind string
	// choices are the words for what is seen.
	choices []Choice
	value   func(Look) string
	// cost is how much a seen value speaks against a look; ok is false while it was skipped.
	cost func(s *Seen, l Look) (cost float64, ok bool)
}

func counted(name, label, question string, pick func(*Seen) *int, of func(Look) int) look {
	return look{name, label, question, "count", nil, func(l Look) string { return fmt.Sprint(of(l)) },
		func(s *Seen, l Look) (float64, bool) {
			n := pick(s)
			if n == nil {
				return 0, false
			}
			switch off := math.Abs(float64(*n - of(l))); {
			case off == 0:
				return 0, true
			case off == 1:
				return offByOne, true
			default:
				return math.Min(offByMore+off/4, mostOff), true
			}
		}}
}

// long is a count of many rounds, of which a few are overlooked easily. One that is not there, such as the rounds
// of a cuff on the foot, is none.
func long(name, label, question string, pick func(*Seen) *int, of func(Look) int) look {
	l := counted(name, label, question, pick, of)
	l.cost = func(s *Seen, l Look) (float64, bool) {
		n := pick(s)
		if n == nil {
			return 0, false
		}
		off := math.Abs(float64(*n-of(l))) / (1 + longCount*float64(of(l)))
		return math.Min(offByOne*off, mostOff), true
	}
	return l
}

func chosen(name, label, question string, cost float64, choices []Choice, pick func(*Seen) *string, of func(Look) string) look {
	return look{name, label, question, "choice", choices, of, func(s *Seen, l Look) (float64, bool) {
		v := pick(s)
		if v == nil {
			return 0, false
		}
		if *v == of(l) {
			return 0, true
		}
		return cost, true
	}}
}

func taped(name, label, question string, pick func(*Seen) *float64, of func(Look) float64) look {
	return look{name, label, question, "length", nil, func(l Look) string { return fmt.Sprint(int(of(l) / (2 * tapeError))) },
		func(s *Seen, l Look) (float64, bool) {
			v := pick(s)
			if v == nil {
				return 0, false
			}
			off := (*v - of(l)) / tapeError
			return math.Min(off*off/2, mostByTape), true
		}}
}

// onNeedle counts the stitches on a needle, counted from 0; they come first among the looks.
func onNeedle(n int) look {
	return counted(fmt.Sprintf("needle%d", n+1), "Stitches on %s", "Count the stitches on %s.",
		func(s *Seen) *int { return s.needles()[n] }, func(l Look) int { return l.Needles[n] })
}

var looks = []look{
	onNeedle(0), onNeedle(1), onNeedle(2), onNeedle(3),
	counted("right", "%s at the right", "Count the %s at the right, as you hold it.", func(s *Seen) *int { return s.Right },
		func(l Look) int { return l.Right }),
	counted("left", "%s at the left", "Count the %s at the left, as you hold it.", func(s *Seen) *int { return s.Left },
		func(l Look) int { return l.Left }),
	counted("wait_right", "Stitches that wait beyond the gap at the right", "Count the stitches that wait beyond the gap at the right, as you hold it.",
		func(s *Seen) *int { return s.WaitRight }, func(l Look) int { return l.WaitRight }),
	counted("wait_left", "Stitches that wait beyond the gap at the left", "Count the stitches that wait beyond the gap at the left, as you hold it.",
		func(s *Seen) *int { return s.WaitLeft }, func(l Look) int { return l.WaitLeft }),
	chosen("side", "Side that faces you", "Which side faces you when the yarn is ready to go on?", wrongSide,
		[]Choice{{"RS", "right"}, {"WS", "wrong"}},
		func(s *Seen) *string { return s.Side }, func(l Look) string { return string(l.Side) }),
	chosen("yarn_at", "The yarn comes from", "Where does the yarn come from?", wrongSide,
		[]Choice{{"start", "the start of the round"}, {"middle", "between needle 1 and needle 2"}, {"within", "within a needle"}},
		func(s *Seen) *string { return s.YarnAt }, func(l Look) string { return l.YarnAt }),
	chosen("tail", "The tail of the cast-on hangs", "Where does the tail of the cast-on hang, with the yarn ready?", wrongSide,
		[]Choice{{"right", "right"}, {"left", "left"}},
		func(s *Seen) *string { return s.Tail }, func(l Look) string { return l.Tail }),
	chosen("last", "The last round shows", "Does the last round show increases, or a lone slanting stitch of a decrease?", wrongLast,
		[]Choice{{"plain", "plain"}, {"increase", "increases"}, {"decrease", "decreases"}},
		func(s *Seen) *string { return s.Last }, func(l Look) string { return l.Last }),
	counted("increases", "Bumps of increases in a column", "Count the bumps of increases in one column.",
		func(s *Seen) *int { return s.Increases }, func(l Look) int { return l.Increases }),
	counted("ridges", "Ridges on one face", "Count the ridges of garter on one face, the cast-on's own among them.",
		func(s *Seen) *int { return s.Ridges }, func(l Look) int { return l.Ridges }),
	counted("chains", "Chain edge stitches on one side", "Count the chain edge stitches of the flap: one for two rows.",
		func(s *Seen) *int { return s.Chains }, func(l Look) int { return l.Chains }),
	long("since_toe", "Rounds since the toe", "Count the rounds since the toe: Vs in a column, or rungs of the ladder between two.",
		func(s *Seen) *int { return s.SinceToe }, func(l Look) int { return l.SinceToe }),
	long("since_heel", "Rounds since the heel", "Count the rounds since the heel: Vs in a column, or rungs of the ladder between two.",
		func(s *Seen) *int { return s.SinceHeel }, func(l Look) int { return l.SinceHeel }),
	long("since_cuff", "Rounds of the cuff", "Count the rounds of the cuff.", func(s *Seen) *int { return s.SinceCuff },
		func(l Look) int { return l.SinceCuff }),
	chosen("colour", "Colour of the last round", "Which colour is the last round?", wrongSide, nil,
		func(s *Seen) *string { return s.Colour }, func(l Look) string { return l.Colour }),
	counted("colour_rounds", "Rounds of that colour", "Count the rounds of the colour that is on the needle.",
		func(s *Seen) *int { return s.ColourRounds }, func(l Look) int { return l.ColourRounds }),
	taped("length", "From the tip along the sole", "Measure from the tip of the toe, along the sole.",
		func(s *Seen) *float64 { return s.Length }, func(l Look) float64 { return l.Along }),
	taped("up", "Up the leg from the heel", "Measure up the leg, from the end of the heel.", func(s *Seen) *float64 { return s.Up },
		func(l Look) float64 { return l.Up }),
	// Asked for where somebody told of stripes.
	{"repeats", "Stripe repeats from the tip of the toe", "", "count", nil, func(Look) string { return "" }, byStripes},
}

// Stripes are told apart to a third of a repeat, and what a stitch takes is known to a twelfth.
const (
	stripeError = 1.0 / 3
	yarnError   = 1.0 / 12
)

func byStripes(s *Seen, l Look) (float64, bool) {
	if s.Repeats == nil || s.Repeat <= 0 {
		return 0, false
	}
	off := (*s.Repeats*s.Repeat - l.Yarn) / (stripeError*s.Repeat + yarnError*l.Yarn)
	return math.Min(off*off/2, mostByTape), true
}

// asks are the looks that the places of a sock can differ in.
func asks(all []Look, marks string, needles [mostNeedles]string) []Question {
	list := []Question{}
	for i, k := range looks {
		values, order := map[string]bool{}, []string{}
		for _, l := range all {
			if v := k.value(l); !values[v] {
				values[v] = true
				order = append(order, v)
			}
		}
		if len(values) < 2 {
			continue
		}
		q := Question{Name: k.name, Label: k.label, Text: k.question, Kind: k.kind}
		switch {
		case i < mostNeedles:
			q.Label, q.Text = fmt.Sprintf(k.label, needles[i]), fmt.Sprintf(k.question, needles[i])
		case k.name == "right" || k.name == "left":
			q.Label, q.Text = fmt.Sprintf(k.label, marks), fmt.Sprintf(k.question, marks)
		}
		q.Options = choicesOf(&k, values, order)
		list = append(list, q)
	}
	return list
}

// needleNames are the needles as the rows call them, each with the part of the foot that it holds.
func needleNames(p *plan.Plan) (names [mostNeedles]string) {
	for n := range names {
		names[n] = fmt.Sprintf("needle %d", n+1)
	}
	at := slices.IndexFunc(p.Rows, func(r needle.Row) bool { return r.Section == needle.Toe && r.Kind == needle.Round })
	foot := slices.IndexFunc(p.Rows, func(r needle.Row) bool { return r.Section == needle.Foot })
	if foot >= 0 && len(p.Rows[foot].OnNeedles) == 1 {
		names[0] += ", or in all on the short circular"
		return names
	}
	if foot >= 0 && (at < 0 || len(p.Rows[foot].OnNeedles) > len(p.Rows[at].OnNeedles)) {
		at = foot
	}
	if at < 0 {
		return names
	}
	r := &p.Rows[at]
	first := 0
	for n, loops := range r.OnNeedles {
		if first < r.SoleBegins(r.Stitches) {
			names[n] += " (instep, later the front)"
		} else {
			names[n] += " (sole, later the back)"
		}
		first += loops
	}
	return names
}

// choicesOf are the choices that a sock has.
func choicesOf(k *look, values map[string]bool, order []string) []Choice {
	if k.kind != "choice" {
		return nil
	}
	var list []Choice
	for _, c := range k.choices {
		if values[c.Value] {
			list = append(list, c)
		}
	}
	if k.choices == nil {
		for _, v := range order {
			label := v
			if v == "" {
				label = "the sock's own"
			}
			list = append(list, Choice{v, label})
		}
	}
	return list
}
