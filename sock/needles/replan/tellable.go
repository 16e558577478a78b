package replan

import (
	"slices"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// Tellable is one kind of thing that can have gone otherwise, while one of some rows is the next to knit.
type Tellable struct {
	// Kind is the field of Happened in which it is told.
	Kind string `json:"kind" enum:"cast_on,toe_turns,missed,picked_up,heel_late,heel_turns,flap_rows,leg_rounds,cuff_rounds"`
	// From and To are the first and the last of these rows, counted from 0.
	From int `json:"from"`
	To   int `json:"to"`
	// Planned is what the plan has there, 0 where it is no count.
	Planned int `json:"planned"`
}

// TellableIn lists what can be told of a sock in which rows, in the order of the work; nothing of one without a design.
func TellableIn(p *plan.Plan) []Tellable {
	list := []Tellable{}
	if !p.HasDesign() {
		return list
	}
	add := func(kind string, from, to, planned int) {
		if from <= to {
			list = append(list, Tellable{kind, from, to, planned})
		}
	}
	s := p.Summary
	foot, heel, leg, cuff, off := firstOf(p, needle.Foot), firstOf(p, needle.Heel), firstOf(p, needle.Leg), firstOf(p, needle.Cuff), firstOf(p, needle.BindOff)
	if leg == len(p.Rows) {
		leg = cuff
	}
	lastOfToe := foot - 1
	if knit.GrowsAtSides(&p.Design) {
		lastOfToe = foot // its rounds are counted, so that the last one still tells
	}
	add("cast_on", 1, lastOfToe, s.CastOnStitches)
	if turns := turnsOf(p, needle.Toe); p.Design.Uses(at.ToeTurnsPerSide) && turns > 0 {
		add("toe_turns", firstOf(p, needle.Toe), lastShortRow(p, needle.Toe), turns)
	}
	if first := firstIncrease(p); first >= 0 {
		add("missed", first+1, heel-1, 0)
	}
	add("heel_late", foot, leg-1, 0)
	if s.HeelTurnsPerSide != nil {
		add("heel_turns", heel, lastShortRow(p, needle.Heel), *s.HeelTurnsPerSide)
	}
	if s.FlapRows != nil {
		gusset := firstOf(p, needle.Gusset)
		add("flap_rows", heel, heel+*s.FlapRows, *s.FlapRows)
		add("picked_up", gusset, gusset+sectionDone(p, needle.Gusset, len(p.Rows))-1, 0)
	}
	add("leg_rounds", leg, cuff, s.LegRounds)
	add("cuff_rounds", leg, off, s.CuffRounds)
	return list
}

// firstIncrease is the first round that makes a stitch at an end of a needle, in the toe or for a gusset on the foot; -1 where none does.
func firstIncrease(p *plan.Plan) int {
	return slices.IndexFunc(p.Rows, func(r needle.Row) bool {
		return r.Kind == needle.Round && (r.Section == needle.Toe && knit.GrowsAtSides(&p.Design) || r.Section == needle.Foot) &&
			slices.ContainsFunc(r.Ops, func(o needle.Op) bool { return o.Code.IsIncrease() })
	})
}

// turnsOf are the turns on each side of a toe of short rows: the most stitches that wait on one.
func turnsOf(p *plan.Plan, s needle.Section) int {
	most := 0
	for _, r := range p.Rows {
		if r.Section == s && r.Groups != nil {
			most = max(most, r.Groups[0])
		}
	}
	return most
}

// lastShortRow is the last row of a section that leaves stitches waiting.
func lastShortRow(p *plan.Plan, s needle.Section) int {
	for i, r := range slices.Backward(p.Rows) {
		if r.Section == s && r.Groups != nil {
			return i
		}
	}
	return -1
}
