// Package plan makes the document that a sock is knitted from: every row, the
// numbers a knitter asks for and the judgement on them. It checks plans of any
// origin by knitting them again.
package plan

import (
	"fmt"

	"acornstep/sock/design"
	"acornstep/sock/knit"
	"acornstep/sock/measure"
	"acornstep/sock/needle"
)

// Format and Version name the document; older versions stay readable.
const (
	Format  = "acorn-step.plan"
	Version = 1
)

// Plan is a design worked out to the last loop.
type Plan struct {
	Format  string        `json:"format"`
	Version int           `json:"version"`
	Design  design.Design `json:"design"`
	Summary Summary       `json:"summary"`
	Rows    []needle.Row  `json:"rows"`
	Checks  []knit.Check  `json:"checks"`
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
	LegStitches          int            `json:"leg_stitches"`
	LegRounds            int            `json:"leg_rounds"`
	CuffRounds           int            `json:"cuff_rounds"`
	FinishedLength       measure.Length `json:"finished_length_mm"`
	HeelDiagonalGirth    measure.Length `json:"heel_diagonal_girth_mm"`
}

// Make works a design out. Choices that cannot be knitted are
// document.Faults; any other error is a bug of the program, and no plan is
// given that does not replay. A plan whose checks stop it has no rows.
func Make(d design.Design) (*Plan, error) {
	p, _, err := MakeSock(d)
	return p, err
}

// MakeSock does as Make, and gives the sizes too.
func MakeSock(d design.Design) (*Plan, *knit.Sock, error) {
	if err := knit.Known(&d).Err(); err != nil {
		return nil, nil, err
	}
	p := &Plan{Format: Format, Version: Version, Design: d}
	sock := knit.Measure(&p.Design)
	p.Summary = summarise(sock)
	sock.Judge()
	p.Checks = sock.Checks
	if p.Checks == nil {
		p.Checks = []knit.Check{}
	}
	p.Rows = []needle.Row{}
	if sock.Stopped() {
		return p, sock, nil
	}
	rows, err := sock.Work()
	if err != nil {
		return nil, nil, err
	}
	p.Rows = rows
	if faults := Replay(p); len(faults) > 0 {
		return nil, nil, fmt.Errorf("plan: the rows do not replay: %w", faults[0])
	}
	return p, sock, nil
}

// Stopped is the check that forbids the sock, nil for a sock that can be knitted.
func (p *Plan) Stopped() *knit.Check {
	for i := range p.Checks {
		if p.Checks[i].Level == knit.Stop {
			return &p.Checks[i]
		}
	}
	return nil
}

func summarise(s *knit.Sock) Summary {
	flap := s.Design.Heel.Kind == "flap_under"
	return Summary{
		FootStitches:         s.Stitches,
		CastOnStitches:       s.Toe.CastOn,
		IncreaseRounds:       only(s.Design.Toe.Kind == "wedge", s.Toe.IncreaseRounds),
		ToeRounds:            s.Toe.Rounds,
		GussetIncreases:      only(s.Design.Heel.Kind == "gusset_turn", s.Heel.GussetIncreases),
		FootRounds:           s.FootRounds,
		HeelStartsAt:         s.HeelStarts.Tenth(),
		HeelStitches:         s.Heel.Stitches,
		HeelTurnsPerSide:     only(!flap, s.Heel.Turns),
		HeelCentreStitches:   only(!flap, s.Heel.Centre),
		FlapRows:             only(flap, s.Heel.FlapRows),
		TurnStitches:         only(flap, s.Heel.TurnStitches),
		GussetDecreaseRounds: only(flap, s.Heel.GussetDecreaseRounds),
		LegStitches:          s.LegStitches,
		LegRounds:            s.LegRounds,
		CuffRounds:           s.CuffRounds,
		FinishedLength:       (s.HeelStarts + s.Heel.Length).Tenth(),
		HeelDiagonalGirth:    s.HeelDiagonalGirth().Tenth(),
	}
}

// only gives a count that this kind of sock has, and nil otherwise.
func only(has bool, n int) *int {
	if !has {
		return nil
	}
	return &n
}
