package replan

import (
	"fmt"

	"acornstep/sock/needle"
	"acornstep/sock/plan"
)

// Cause is what most likely happened when a count disagrees, and the smallest repair.
type Cause struct {
	Text   string `json:"text"`
	Repair string `json:"repair"`
}

// CountIsWrong says what most likely happened when the needles hold another
// number of stitches before a row than the plan does. It is empty when they agree.
func CountIsWrong(p *plan.Plan, row, counted int) ([]Cause, error) {
	if row < 1 || row > len(p.Rows) {
		return nil, fault("row", "read %d; count after a row has been knitted, 1 to %d", row, len(p.Rows))
	}
	last := &p.Rows[row-1]
	off := counted - last.Stitches
	if off == 0 {
		return []Cause{}, nil
	}
	var causes []Cause
	add := func(text, repair string, args ...any) {
		causes = append(causes, Cause{text, fmt.Sprintf(repair, args...)})
	}
	increases, at := lastIncrease(p, row)
	heel := last.Section == needle.Heel || last.Section == needle.Gusset
	switch {
	case increases > 0 && off == -increases:
		add("The last increase round was knitted plain.", "Increase in the next round instead: nobody will see it. Or rip back to row %s.", p.Rows[at].ID)
	case increases > 0 && off < 0 && -off < increases:
		add(fmt.Sprintf("%d of the last %d increases were forgotten.", -off, increases), "In the next round make what is missing, at the side where the column of bumps stops: lift the strand between two stitches and knit it twisted.")
	case increases > 0 && off == increases:
		add("One increase round too many.", "Leave out the next one. Or rip back to row %s.", last.ID)
	}
	if off < 0 {
		add("A stitch was dropped: look for a ladder.", "Catch it with a crochet hook, bar by bar, and put it back on the needle.")
		if heel {
			add("A double stitch, or a wrap and its stitch, was counted as nothing.", "Count both legs as one stitch: held and worked together are %d.", last.Stitches)
		} else {
			add("Two stitches were knitted together.", "In the next round lift the strand beside the place and knit it twisted.")
		}
	} else {
		if heel {
			add("Two legs of one stitch, or an unlifted wrap, were counted as two.", "Count both legs as one. A wrap still lying on the needle is lifted and knitted with its stitch.")
		}
		add("A stitch was split: one of two neighbours has half the yarn.", "Let the half one go and pull its neighbour straight.")
		add("The yarn lay over the needle: an extra loop with nothing below it.", "Drop it and ease the slack into its neighbours.")
	}
	return causes, nil
}

// lastIncrease is the newest row before a row that increased in the toe or for a gusset, and by how many.
func lastIncrease(p *plan.Plan, row int) (increases, at int) {
	const near = 4
	for i := row - 1; i >= max(1, row-near); i-- {
		if up := p.Rows[i].Stitches - p.Rows[i-1].Stitches; up > 0 && (p.Rows[i].Section == needle.Toe || p.Rows[i].Section == needle.Foot) {
			return up, i
		}
	}
	return 0, 0
}
