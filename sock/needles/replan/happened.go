package replan

import (
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/plan"
)

// Happened is what somebody says; nil is what went as planned.
type Happened struct {
	// Sock is the one of the pair that is told of, 1 or 2; 0 for the first.
	Sock int `json:"sock,omitempty"`
	// Row is its next row to knit, counted from 0.
	Row int `json:"row"`
	// Length is from the tip of the toes to the needle, in mm, as the tape read it under the sole of the foot that wears it.
	Length *measure.Length `json:"length_mm,omitempty"`
	// Should is what the tape should read there by the plan; whoever asks works it out on the foot. 0: the sock lay flat beside the tape.
	Should measure.Length `json:"-"`
	// Height is that of the needle above the floor, in mm, as the tape read it at the back of the leg, HeightShould what it should read.
	Height       *measure.Length `json:"height_mm,omitempty"`
	HeightShould measure.Length  `json:"-"`
	// HeelOff is how far behind the heel of the foot that of the sock sits, in mm; negative where it sits before it.
	HeelOff *measure.Length `json:"heel_off_mm,omitempty"`
	// CastOn is the number of loops that were really cast on.
	CastOn *int `json:"cast_on,omitempty"`
	// PickedUp at the left and the right of the flap, corners not counted.
	PickedUp *[2]int `json:"picked_up,omitempty"`
	// Missed is an increase of the toe that was forgotten.
	Missed *Missed `json:"missed,omitempty"`
	// HeelLate is how many rounds later than planned the heel begins; negative for earlier.
	HeelLate *int `json:"heel_late,omitempty"`
	// Sits are the places at which it sits tight or loose when it is tried on; none for well.
	Sits []Sit `json:"sits,omitempty"`
	// Feels is how that was told before there were places; it is read all the same.
	Feels string `json:"feels,omitempty" enum:"tight_foot,loose_foot,tight_leg,loose_leg"`
	// ToHeel is how far the needle still is from the heel's place on the foot, in mm; negative when it is past it.
	ToHeel *measure.Length `json:"to_heel_mm,omitempty"`
	// Other is what the other sock is to do about it; empty while nobody was asked, and then it goes on as it was planned.
	Other Answer `json:"other,omitempty" enum:"planned,alike,later"`
	// Decided answers, for this sock, what was left open when something happened to the other.
	Decided Answer `json:"decided,omitempty" enum:"planned,alike"`
	// OtherRow is read and ignored: what is knitted of the other sock is known from what happened to it.
	OtherRow *int `json:"other_row,omitempty"`
	// HeelTurns are the turns that a short-row heel really has on each side.
	HeelTurns *int `json:"heel_turns,omitempty"`
	// ToeTurns are the turns that a toe of short rows really has on each side, FlapRows the rows that a flap has.
	ToeTurns *int `json:"toe_turns,omitempty"`
	FlapRows *int `json:"flap_rows,omitempty"`
	// LegRounds is how tall the leg really becomes, below its cuff.
	LegRounds *int `json:"leg_rounds,omitempty"`
	// CuffRounds are those that the cuff really has.
	CuffRounds *int `json:"cuff_rounds,omitempty"`
	// ByVersion says that the rows before it were knitted by that version of the plan, of which Row counts the rows.
	ByVersion int `json:"by_version,omitempty"`
	// Before is that version; whoever asks looks it up.
	Before *knitting.Edition `json:"-"`
	// BackTo is the version of the plan to whose rows the knitter goes back, and Earlier that version; whoever asks looks it up.
	BackTo  int               `json:"back_to,omitempty"`
	Earlier *knitting.Edition `json:"-"`
	// Open are the versions of the plan that made what was left open, each with the one before it; whoever asks looks them up.
	Open []Step `json:"-"`
	// Unit is what is read.
	Unit measure.Unit `json:"-"`
	// Pace is the knitter's own; whoever asks looks it up.
	Pace logbook.Pace `json:"-"`
	// Done is what is knitted of both socks, from what happened to them.
	Done knitting.Done `json:"-"`
}

// Step is one version of a plan, and the one that it came from.
type Step struct{ Was, Made *knitting.Edition }

// sock is the one that is told of.
func (h *Happened) sock() int { return max(1, h.Sock) }

// answerable says why nothing that happens to a sock can change its rows.
func answerable(e *knitting.Edition, h Happened) error {
	p := e.PlanOf(h.sock())
	switch {
	case !p.HasDesign():
		return fault("", "this plan came without a design, so the rest cannot be worked out from it: go on as it says")
	case h.Row < 0 || h.Row > len(p.Rows):
		return fault("row", "read %d; the sock has rows 0 to %d", h.Row, len(p.Rows))
	case e.Off(h.sock(), h.Done):
		return fault("sock", "read %d; that sock is off the needles: what happened to it changes no row any more. Put it back on the needles first, or begin the second from what you noted", h.sock())
	}
	return nil
}

// alone says which of several things that were told at once has to be worked in first, by itself: what changes rows that are knitted.
func (h *Happened) alone(p *plan.Plan) error {
	knittedOtherwise := []struct {
		field, said string
		is          bool
	}{
		{"cast_on", "the count that was cast on", h.CastOn != nil && p != nil && *h.CastOn != p.Summary.CastOnStitches},
		{"missed", "the increase that was forgotten", h.Missed != nil}, {"picked_up", "what was picked up", h.PickedUp != nil},
	}
	others := h.Length != nil || h.Height != nil || h.ToHeel != nil || h.HeelOff != nil || h.HeelLate != nil ||
		h.HeelTurns != nil || h.ToeTurns != nil || h.FlapRows != nil || h.LegRounds != nil || h.CuffRounds != nil ||
		h.Feels != "" || len(h.Sits) > 0
	first := ""
	for _, told := range knittedOtherwise {
		switch {
		case !told.is:
		case first != "":
			return fault(told.field, "tell one of these at a time: take %s in first, then tell %s", first, told.said)
		default:
			first = told.said
		}
	}
	if first != "" && others {
		return fault("", "take %s in first, by itself: what else happened is told of the rows that come of it", first)
	}
	return nil
}
