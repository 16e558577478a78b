// Package board is what a person deciding a sock sees: a draft worked out as far
// as it goes, with its drawing, its fit and its yarn; what lists say of it; and
// where two socks differ.
package board

import (
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/advise"
	"acornstep/sock/judge/fit"
	"acornstep/sock/judge/handle"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/draft"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/strip"
	"acornstep/sock/said/hands"
	"acornstep/sock/said/position"
	"acornstep/sock/said/words"
)

// Answer is a draft worked out. Plan and all that follows it are left out while
// the draft has faults; rows, words and what a finished sock shows when a check stops it.
type Answer struct {
	// Draft has the entries that could be read folded into the design.
	Draft  draft.Draft      `json:"draft"`
	Faults []document.Fault `json:"faults"`
	Plan   *plan.Plan       `json:"plan,omitempty"`
	// Path is every decision in a sentence, in the order of the work.
	Path   []advise.Decision `json:"path,omitempty"`
	Counts []CountChoice     `json:"counts,omitempty"`
	Words  []words.Row       `json:"words,omitempty"`
	// Shows are the moves that each row asks for, in the order of its work.
	Shows [][]hands.Shown `json:"shows,omitempty"`
	// Fingers is what can be counted after each row where a turn holds stitches; otherwise empty.
	Fingers []string    `json:"fingers,omitempty"`
	Fit     []fit.Place `json:"fit,omitempty"`
	// Yarn of each section, Grams of all of them.
	Yarn  []yarn.Need `json:"yarn,omitempty"`
	Grams *Grams      `json:"grams,omitempty"`
	// Striping are the colours of a yarn that stripes by itself.
	Striping []yarn.Stripe `json:"striping,omitempty"`
	// Second is the other sock of the pair where its foot differs.
	Second *Second `json:"second,omitempty"`
	// ToeLength is what the toe adds to the sock.
	ToeLength measure.Length `json:"toe_length_mm,omitempty"`
	// Schools are the foot by each way of taking off toe and heel.
	Schools []School `json:"schools,omitempty"`
	// Strip is the stitches worked in each row, by section.
	Strip   []strip.Part   `json:"strip,omitempty"`
	Handles []handle.Slide `json:"handles,omitempty"`
	Effort  *plan.Effort   `json:"effort,omitempty"`
	// HeelPlace names where the heel begins on the foot when the sock is tried on.
	HeelPlace string `json:"heel_place,omitempty"`
}

// Grams is the yarn of a sock, a first guess.
type Grams struct {
	// Own is the sock's own yarn, Contrast the other one.
	Own      float64 `json:"own"`
	Contrast float64 `json:"contrast"`
	// DoubtPct is how far the reckoning may be off, in percent.
	DoubtPct float64 `json:"doubt_pct"`
}

// School is the foot by one way of taking off toe and heel.
type School struct {
	Name   string `json:"name"`
	Rounds int    `json:"rounds"`
	// Finished is what the sock then measures, by the rows that toe and heel really have.
	Finished measure.Length `json:"finished_mm"`
	// Longer is by how much the sock comes out longer than by its own rows; negative for shorter.
	Longer measure.Length `json:"longer_mm"`
}

// CountChoice is a stitch count round the foot with the ease it gives, in percent.
type CountChoice struct {
	Stitches int     `json:"stitches"`
	EasePct  float64 `json:"ease_pct"`
	Chosen   bool    `json:"chosen"`
	Nearest  bool    `json:"nearest"`
}

// Of works a draft out, as far as it goes; a name replaces that of the design. A brief answer leaves out rows and words.
func Of(name string, r draft.Reading, brief bool) (Answer, error) {
	a := Answer{Draft: r.Draft, Faults: design.Labelled(r.Faults)}
	if len(a.Faults) > 0 {
		return a, nil
	}
	if name != "" {
		r.Design.Name = name
	}
	return work(a, r.Design, r.Unit, brief)
}

func work(a Answer, d design.Design, unit measure.Unit, brief bool) (Answer, error) {
	p, sock, err := knit.MakeSock(d)
	if faults, ok := err.(document.Faults); ok {
		a.Faults = design.Labelled(faults)
		return a, nil
	}
	if err != nil {
		return a, err
	}
	p.Checks = p.Checks.In(unit)
	a.Plan, a.Path = p, advise.Path(sock, p.Checks, 0, unit)
	for _, c := range knit.CountChoices(&p.Design, p.Summary.FootStitches) {
		a.Counts = append(a.Counts, CountChoice(c))
	}
	if p.Stopped() != nil {
		return a, nil
	}
	if a.Second, err = secondOf(p); err != nil {
		return a, err
	}
	traced, err := knitted.Of(p.Rows)
	if err != nil {
		return a, err
	}
	a.Handles = handle.Of(sock)
	a.Fit, a.Yarn, a.HeelPlace, a.ToeLength = fit.Of(sock), yarn.Needs(&p.Design, p.Rows), sock.HeelPlace(), sock.Toe.Length.Tenth()
	a.Grams, a.Schools = gramsOf(a.Yarn), schools(sock)
	a.Striping = yarn.Striping(&p.Design, sock.Stitches, sock.LegStitches)
	a.Path = advise.Path(sock, p.Checks, a.Grams.Own+a.Grams.Contrast, unit)
	effort := plan.EffortOf(p.Rows)
	a.Effort, a.Strip = &effort, strip.Of(traced)
	if brief {
		short := *p
		short.Rows = []needle.Row{}
		a.Plan = &short
		return a, nil
	}
	a.Words, a.Shows, a.Fingers = words.Rows(traced, &p.Design), hands.Rows(p), position.Fingers(p, traced)
	return a, nil
}

func gramsOf(needs []yarn.Need) *Grams {
	g := Grams{DoubtPct: 100 * yarn.Uncertainty}
	for _, n := range needs {
		if n.Colour != "" {
			g.Contrast += n.Grams
		} else {
			g.Own += n.Grams
		}
	}
	return &g
}

func schools(s *knit.Sock) []School {
	all := s.FootRoundsBy()
	list := make([]School, len(all))
	for i, by := range all {
		list[i] = School{by.School, by.Rounds, by.Length.Tenth(), s.Gauge.Height(float64(by.Rounds - all[0].Rounds)).Tenth()}
	}
	return list
}

// Difference is a count that is not the same in both socks of a pair.
type Difference struct {
	Label string `json:"label"`
	Left  int    `json:"left"`
	Right int    `json:"right"`
}

// Differences lists the counts of two socks that are not the same.
func Differences(left, right Answer) []Difference {
	list := []Difference{}
	if left.Plan == nil || right.Plan == nil {
		return list
	}
	return differences(left.Plan.Summary, right.Plan.Summary)
}

// Second is what the other sock of a pair is where its foot differs.
type Second struct {
	// Differences have the first sock's count as left, and the second's as right.
	Differences []Difference `json:"differences"`
	// FinishedLength is the second sock's, in mm.
	FinishedLength measure.Length `json:"finished_length_mm"`
	FootLength     measure.Length `json:"foot_length_mm"`
	// Stop says why no sock results for that foot; empty when one does.
	Stop string `json:"stop"`
}

func secondOf(p *plan.Plan) (*Second, error) {
	if !p.Design.SecondFoot.Differs() {
		return nil, nil
	}
	other, err := knit.Make(p.Design.OfSecond())
	if err != nil {
		return nil, err
	}
	second := Second{Differences: []Difference{}, FootLength: other.Design.Foot.Length}
	if stop := other.Stopped(); stop != nil {
		second.Stop = stop.Text
		return &second, nil
	}
	second.Differences, second.FinishedLength = differences(p.Summary, other.Summary), other.Summary.FinishedLength
	return &second, nil
}

func differences(a, b plan.Summary) []Difference {
	list := []Difference{}
	for _, d := range []Difference{
		{"Cast on", a.CastOnStitches, b.CastOnStitches}, {"Stitches round the foot", a.FootStitches, b.FootStitches},
		{"Rounds of the toe", a.ToeRounds, b.ToeRounds}, {"Rounds to the heel", a.FootRounds, b.FootRounds},
		{"Heel stitches", a.HeelStitches, b.HeelStitches}, {"Stitches of the leg", a.LegStitches, b.LegStitches},
		{"Leg rounds", a.LegRounds, b.LegRounds}, {"Cuff rounds", a.CuffRounds, b.CuffRounds},
	} {
		if d.Left != d.Right {
			list = append(list, d)
		}
	}
	return list
}
