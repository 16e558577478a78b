package knit

import (
	"fmt"
	"slices"

	"acornstep/sock/craft/check"
	"acornstep/sock/figures/verdict"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/pattern"
)

// Make works a design out. Choices that cannot be knitted are
// document.Faults; any other error is a bug of the program, and no plan is
// given that does not replay. A plan whose checks stop it has no rows.
func Make(d design.Design) (*plan.Plan, error) {
	p, _, err := MakeSock(d)
	return p, err
}

// MakeSock does as Make, and gives the sizes too.
func MakeSock(d design.Design) (*plan.Plan, *Sock, error) {
	return makeSock(d, nil, func(s *Sock) bool { s.Judge(); return !s.Stopped() })
}

// MakeAnyway does as MakeSock for a sock that is on the needles already: a
// judgement that forbids it is said as a caution.
func MakeAnyway(d design.Design) (*plan.Plan, *Sock, error) {
	return makeSock(d, nil, judgeAnyway)
}

// judgeAnyway lets a sock pass that has sizes; what forbids it is said as a caution.
func judgeAnyway(s *Sock) bool {
	if s.Stopped() {
		return false // it has no sizes
	}
	s.Judge()
	for i := range s.Checks {
		if s.Checks[i].Level == verdict.Stop {
			s.Checks[i].Level = verdict.Caution
		}
	}
	return true
}

// makeSock works a design out, with what went otherwise; judge says whether what was sized is a sock.
func makeSock(d design.Design, went *Went, judge func(*Sock) bool) (*plan.Plan, *Sock, error) {
	if err := Known(&d).Err(); err != nil {
		return nil, nil, err
	}
	p := &plan.Plan{Format: plan.Format, Version: plan.Version, Rules: plan.Rules, Design: d, Rows: []needle.Row{}}
	carryPatterns(&p.Design)
	sock := measured(&p.Design, went)
	p.Summary = summarise(sock)
	possible := judge(sock)
	p.Checks = sock.Checks
	if p.Checks == nil {
		p.Checks = verdict.Checks{}
	}
	if !possible {
		return p, sock, nil
	}
	rows, err := sock.Work()
	if err != nil {
		return nil, nil, err
	}
	p.Rows = rows
	if faults := check.Plan(p); len(faults) > 0 {
		return nil, nil, fmt.Errorf("knit: the rows do not replay: %w", faults[0])
	}
	return p, sock, nil
}

func summarise(s *Sock) plan.Summary {
	summary := plan.Summary{
		FootStitches: s.Stitches, CastOnStitches: s.Toe.CastOn, ToeRounds: s.Toe.Rounds, FootRounds: s.FootRounds,
		HeelStartsAt: s.HeelStarts.Tenth(), HeelStitches: s.Heel.Stitches, LegStitches: s.LegStitches, LegRounds: s.LegRounds,
		CuffRounds:     s.CuffRounds,
		FinishedLength: (s.HeelStarts + s.Heel.Length).Tenth(), HeelDiagonalGirth: s.HeelDiagonalGirth().Tenth(),
	}
	if len(s.Ankle.calfRounds) > 0 {
		summary.AnkleStitches = &s.AnkleStitches
	}
	s.toe().Summarise(s, &summary)
	s.heel().Summarise(s, &summary)
	return summary
}

// carryPatterns writes the definitions of the stitch patterns that a design uses
// into it, so that whoever reads the plan has them.
func carryPatterns(d *design.Design) {
	for _, name := range []string{d.Leg.Pattern, d.Leg.InstepPattern, d.Cuff.Pattern} {
		p := pattern.Find(name, d.Patterns)
		if p != nil && p.Travels() && !slices.ContainsFunc(d.Patterns, func(own pattern.Pattern) bool { return own.Name == name }) {
			d.Patterns = append(slices.Clone(d.Patterns), *p)
		}
	}
}
