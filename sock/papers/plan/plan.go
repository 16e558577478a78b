// Package plan is the document that a sock is knitted from: every row, the
// numbers a knitter asks for and the judgement on them. Who made the rows it
// does not know.
package plan

import (
	"encoding/json"

	"acornstep/sock/figures/measure"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
)

// Format and Version name the document; older versions stay readable.
const (
	Format  = "acorn-step.plan"
	Version = 1
	// Rules numbers what a plan has to hold to. A rule that came later is asked only of plans that were made by it: one that does not say
	// has those of 1.
	Rules = 2
)

// Plan is a design worked out to the last loop.
type Plan struct {
	Format  string         `json:"format"`
	Version int            `json:"version"`
	Rules   int            `json:"rules"`
	Design  design.Design  `json:"design"`
	Summary Summary        `json:"summary"`
	Rows    []needle.Row   `json:"rows"`
	Checks  verdict.Checks `json:"checks"`
}

// Summary holds the numbers that a knitter asks for. Counts that a design does
// not have are nil.
type Summary struct {
	FootStitches         int            `json:"foot_stitches"`
	CastOnStitches       int            `json:"cast_on_stitches"`
	IncreaseRounds       *int           `json:"increase_rounds"`
	ToeRounds            int            `json:"toe_rounds"`
	GussetIncreases      *int           `json:"gusset_increases"`
	FootRounds           int            `json:"foot_rounds"`
	HeelStartsAt         measure.Length `json:"heel_starts_at_mm"`
	HeelStitches         int            `json:"heel_stitches"`
	HeelTurnsPerSide     *int           `json:"heel_turns_per_side"`
	HeelCentreStitches   *int           `json:"heel_centre_stitches"`
	FlapRows             *int           `json:"flap_rows"`
	TurnStitches         *int           `json:"turn_stitches"`
	GussetDecreaseRounds *int           `json:"gusset_decrease_rounds"`
	// AnkleStitches is the count above the heel where the leg is shaped; nil where it keeps that count to its end.
	AnkleStitches     *int           `json:"ankle_stitches,omitempty"`
	LegStitches       int            `json:"leg_stitches"`
	LegRounds         int            `json:"leg_rounds"`
	CuffRounds        int            `json:"cuff_rounds"`
	FinishedLength    measure.Length `json:"finished_length_mm"`
	HeelDiagonalGirth measure.Length `json:"heel_diagonal_girth_mm"`
}

// HasDesign says whether the plan repeats a design from which rows can be made; a plan by others may lack it.
func (p *Plan) HasDesign() bool { return p.Design.Foot.Length > 0 }

// MarshalJSON writes the document; a design that has no foot is written without one.
func (p *Plan) MarshalJSON() ([]byte, error) {
	type document Plan
	if p.HasDesign() {
		return json.Marshal((*document)(p))
	}
	text, err := json.Marshal(p.Design)
	if err != nil {
		return nil, err
	}
	fields := map[string]json.RawMessage{}
	if err := json.Unmarshal(text, &fields); err != nil {
		return nil, err
	}
	delete(fields, "foot")
	if p.Design.Gauge == (design.Gauge{}) {
		delete(fields, "gauge")
	}
	return json.Marshal(struct {
		*document
		Design map[string]json.RawMessage `json:"design"`
	}{(*document)(p), fields})
}

// Stopped is the check that forbids the sock, nil for a sock that can be knitted.
func (p *Plan) Stopped() *verdict.Check { return p.Checks.Stopped() }

// ShortRowStitches is the number of heel stitches on which short rows are worked; 0 for a heel without them.
func (s *Summary) ShortRowStitches() int {
	if s.HeelTurnsPerSide == nil {
		return 0
	}
	return s.HeelStitches
}
