package replan

import (
	"fmt"
	"slices"

	"acornstep/sock/craft/knit"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Sit is how a sock that was tried on sits at one place.
type Sit struct {
	Place string `json:"place" enum:"toes,ball,instep,ankle,leg,cuff"`
	How   string `json:"how" enum:"tight,loose"`
}

// Advice is what can still be done at one place, best first, each with its price.
type Advice struct {
	Sit
	Ways []string `json:"ways"`
	// Care is said beside what is tight; empty for what is loose.
	Care string `json:"care"`
}

// care is what to watch where a sock is tight.
const care = "Marks that stay, swelling or numb toes: take it off, and ask your clinician before you wear it."

// told are the places, those among them that were told before there were places.
func (h *Happened) told() ([]Sit, error) {
	before := map[string]Sit{
		"tight_foot": {"ball", "tight"}, "loose_foot": {"ball", "loose"}, "tight_leg": {"ankle", "tight"}, "loose_leg": {"ankle", "loose"},
	}
	list := h.Sits
	if h.Feels != "" {
		sit, known := before[h.Feels]
		if !known {
			return nil, fault("feels", "read %.20q, expected tight_foot, loose_foot, tight_leg or loose_leg", h.Feels)
		}
		list = append(list, sit)
	}
	return list, nil
}

// advise answers every place that was told. A leg still to come gets another count in the design; what is knitted gets advice.
func (h *Happened) advise(p *plan.Plan, d *design.Design) ([]Advice, error) {
	sits, err := h.told()
	if err != nil {
		return nil, err
	}
	list := []Advice{}
	seen := map[string]bool{}
	for _, sit := range sits {
		tight := sit.How == "tight"
		if !tight && sit.How != "loose" {
			return nil, fault("sits", "read %.20q, expected tight or loose", sit.How)
		}
		if seen[sit.Place] {
			return nil, fault("sits", "the %s is told twice", sit.Place)
		}
		seen[sit.Place] = true
		ways, err := h.ways(p, d, sit, tight)
		if err != nil {
			return nil, err
		}
		advice := Advice{Sit: sit, Ways: ways}
		if tight {
			advice.Care = care
		}
		list = append(list, advice)
	}
	return list, nil
}

// ways are what can be done at one place from where the needle is, best first.
func (h *Happened) ways(p *plan.Plan, d *design.Design, sit Sit, tight bool) ([]string, error) {
	foot, heel, leg, cuff := firstOf(p, needle.Foot), firstOf(p, needle.Heel), firstOf(p, needle.Leg), firstOf(p, needle.Cuff)
	early := func(at int, what string) error {
		if h.Row > at {
			return nil
		}
		return fault("sits", "the %s is not knitted yet: %s", sit.Place, what)
	}
	switch sit.Place {
	case "toes":
		return h.atToes(p, foot, tight), early(foot, "try the sock on when some rounds of the foot are done")
	case "ball":
		return h.atBall(p, foot, tight), early(foot, "try the sock on when some rounds of the foot are done")
	case "instep":
		return h.atInstep(p, heel, tight), early(foot, "try the sock on when some rounds of the foot are done")
	case "ankle":
		return h.atAnkle(p, d, leg, tight), nil
	case "leg":
		return h.onTheLeg(p, leg, tight), early(leg, "what it needs can still be decided on the board")
	case "cuff":
		return h.atCuff(p, cuff, tight), early(cuff, "what it needs can still be decided on the board")
	}
	return nil, fault("sits", "read %.20q, expected toes, ball, instep, ankle, leg or cuff", sit.Place)
}

// again is the price of going back to before a row.
func (h *Happened) again(p *plan.Plan, from int) string { return h.price(p, from, h.Row) }

func (h *Happened) atToes(p *plan.Plan, foot int, tight bool) []string {
	if tight {
		way := fmt.Sprintf("Rip back to the end of the toe (%s) and work one increase round and one plain round more: the toe grows deeper and four stitches rounder.",
			h.again(p, foot))
		if !knit.GrowsAtSides(&p.Design) {
			way = fmt.Sprintf("Rip the foot and the toe (%s and the toe) and begin again with four stitches more.", h.again(p, foot))
		}
		return []string{
			way, "Or go on: it gives a little when it is washed. For the next pair measure the toes to where the foot is widest.",
		}
	}
	return []string{
		"Go on: a toe that is a little wide wears well, as long as it lies in no fold.",
		fmt.Sprintf("Or rip back into the toe (%s and the toe) and cast on fewer stitches, with the rest as increases.", h.again(p, foot)),
	}
}

func (h *Happened) atBall(p *plan.Plan, foot int, tight bool) []string {
	multiple := max(2, p.Design.Fit.Multiple)
	if section(p, h.Row) != needle.Foot {
		if tight {
			return []string{
				"The foot is knitted. Wash the sock before you judge it: it gives a little.",
				fmt.Sprintf("Or rip back to the toe (%s) and take the next count up, %d. A sock that is too tight wears through, and is no good for poor circulation.",
					h.again(p, foot), p.Summary.FootStitches+multiple),
			}
		}
		return []string{
			"The foot is knitted. Wash the sock before you judge it: wool draws together.",
			fmt.Sprintf("Or rip back to the toe (%s) and take the next count down, %d.", h.again(p, foot), p.Summary.FootStitches-multiple),
		}
	}
	if tight {
		return []string{
			"Go on with a needle a quarter of a millimetre thicker: from here on it is about 3 % wider. What is knitted stays tight.",
			fmt.Sprintf("Or rip back to the toe (%s) and take the next count up, %d. A sock that is too tight wears through, and is no good for poor circulation.",
				h.again(p, foot), p.Summary.FootStitches+multiple),
		}
	}
	return []string{
		"Rib the instep from here: it grips. Choose its pattern on the board, from this round on.",
		"Or go on with a needle a quarter of a millimetre thinner.",
		fmt.Sprintf("Or rip back to the toe (%s) and take the next count down, %d.", h.again(p, foot), p.Summary.FootStitches-multiple),
	}
}

func (h *Happened) atInstep(p *plan.Plan, heel int, tight bool) []string {
	if !workedSince(p, heel, h.Row) {
		if tight {
			return []string{
				"The heel is still to come: choose one with more room on the board. A gusset takes the instep in, with its own number beside it.",
				"Or keep the heel and give it two more turns on each side: it grows deeper.",
			}
		}
		return []string{
			"The heel is still to come: one turn less on each side makes it shallower.",
			"Or rib the instep from here: it grips.",
		}
	}
	var ways []string
	stays := p.Design.Corner.PickUp > 0 && sectionDone(p, needle.Leg, h.Row) < p.Design.Corner.HoldRounds && section(p, h.Row) == needle.Leg
	if tight {
		if stays {
			ways = append(ways, "Keep the extra stitches at the corners for some rounds more: they are room just where it is wanted.")
		}
		return append(ways, fmt.Sprintf("Rip back to before the heel (%s) and choose one with more room.", h.again(p, heel)))
	}
	if stays {
		ways = append(ways, "Decrease the extra stitches at the corners in the next round.")
	}
	return append(ways, fmt.Sprintf("Rip back to before the heel (%s) and turn it with fewer turns.", h.again(p, heel)),
		"Or rib the leg from here: it holds what slides.")
}

// workedSince says whether a stitch was worked in the rows from one to another: a lone turn is no row.
func workedSince(p *plan.Plan, from, to int) bool {
	return from < to && slices.ContainsFunc(p.Rows[from:to], func(row needle.Row) bool {
		return slices.ContainsFunc(row.Ops, func(o needle.Op) bool { return o.Code != needle.Turn })
	})
}

// atAnkle gives a leg that is still to come another count.
func (h *Happened) atAnkle(p *plan.Plan, d *design.Design, leg int, tight bool) []string {
	if h.Row <= leg {
		step := legStep
		if !tight {
			step = -legStep
		}
		count := *d.Leg.Stitches + step
		d.Leg.Stitches, d.Ankle.Change = &count, "after_heel"
		return []string{fmt.Sprintf("The leg gets %d stitches instead of %d: shown below, and nothing is to be ripped.", count, p.Summary.LegStitches)}
	}
	if tight {
		return []string{
			"From here on a needle a quarter of a millimetre thicker, and increases in pairs at the centre back, two columns between them, in the next rounds.",
			fmt.Sprintf("Or rip back to the first round of the leg (%s) and give it four stitches more.", h.again(p, leg)),
		}
	}
	return []string{
		"Rib the leg from here: it draws in where it is needed.",
		fmt.Sprintf("Or rip back to the first round of the leg (%s) and give it four stitches less.", h.again(p, leg)),
	}
}

func (h *Happened) onTheLeg(p *plan.Plan, leg int, tight bool) []string {
	if tight {
		return []string{
			"Increase in pairs at the centre back from here, two columns between them, every fourth round, until it sits.",
			"Or end the leg here: begin the cuff, where a rib gives more than a plain leg.",
			fmt.Sprintf("Or rip back to the first round of the leg (%s) and measure the calf with its height.", h.again(p, leg)),
		}
	}
	return []string{
		"Rib the leg from here, or begin the cuff: a rib holds it up.",
		"Or decrease in pairs at the centre back, every fourth round, until it sits.",
	}
}

func (h *Happened) atCuff(p *plan.Plan, cuff int, tight bool) []string {
	if tight {
		return []string{
			"Bind off so that it stretches as far as the heel is round: sewn, or with yarn-overs.",
			fmt.Sprintf("Or rip the cuff (%s) and knit it with a needle half a millimetre thicker, or in a rib of two and two, which gives more.", h.again(p, cuff)),
		}
	}
	return []string{
		"Some rounds more of a rib of one and one, with a needle a quarter of a millimetre thinner; or draw a fine elastic thread through the bumps inside.",
		fmt.Sprintf("Or rip the cuff (%s) and take four stitches out in its first round.", h.again(p, cuff)),
	}
}

// stitchesOf is a count of stitches as one says it.
func stitchesOf(n int) string {
	if n == 1 {
		return "1 stitch"
	}
	return fmt.Sprintf("%d stitches", n)
}
