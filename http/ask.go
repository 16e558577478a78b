package http

import (
	"github.com/gin-gonic/gin"

	"acornstep/sock/advise"
	"acornstep/sock/design"
	"acornstep/sock/document"
	"acornstep/sock/draft"
	"acornstep/sock/feet"
	"acornstep/sock/knit"
	"acornstep/sock/measure"
	"acornstep/sock/plan"
	"acornstep/sock/position"
	"acornstep/sock/tracing"
	"acornstep/sock/whatif"
	"acornstep/sock/words"
	"acornstep/sock/working"
)

// mostCandidates of the ranking are answered.
const mostCandidates = 60

func (s *server) askRoutes(inside *gin.RouterGroup) {
	inside.POST("/compare", answering(s, 200, compare))
	inside.POST("/options", answering(s, 200, options))
	inside.POST("/working", answering(s, 200, showWorking))
	inside.POST("/whatif", answering(s, 200, whatIf))
	inside.POST("/pair", answering(s, 200, s.pair))
	inside.POST("/position", answering(s, 200, positionOf))
	inside.POST("/shoe", answering(s, 200, shoe))
	inside.GET("/reference", answering(s, 200, reference))
}

// complete reads a draft that has to be complete.
func complete(unitName string, typed draft.Draft) (design.Design, measure.Unit, error) {
	unit, err := unitOf(unitName)
	if err != nil {
		return design.Design{}, unit, err
	}
	r := draft.Read(typed, unit)
	return r.Design, unit, r.Faults.Err()
}

// planned is a draft that has to give a sock.
func planned(unitName string, typed draft.Draft) (*plan.Plan, measure.Unit, error) {
	d, unit, err := complete(unitName, typed)
	if err != nil {
		return nil, unit, err
	}
	p, err := plan.Make(d)
	if err != nil {
		return nil, unit, err
	}
	if stop := p.Stopped(); stop != nil {
		return nil, unit, document.Faults{{Message: stop.Text}}
	}
	return p, unit, nil
}

func compare(c call[CompareQuestion]) (advise.Report, error) {
	d, _, err := complete(c.Asked.Unit, c.Asked.Draft)
	if err != nil {
		return advise.Report{}, err
	}
	report, err := advise.Rank(d, advise.Wish(c.Asked.By), c.Asked.Known)
	report.Candidates = advise.Distinct(report.Candidates)
	report.Candidates = report.Candidates[:min(len(report.Candidates), mostCandidates)]
	return report, err
}

func options(c call[DraftQuestion]) (OptionList, error) {
	d, unit, err := complete(c.Asked.Unit, c.Asked.Draft)
	if err != nil {
		return OptionList{}, err
	}
	return OptionList{advise.Options(d, unit)}, nil
}

func showWorking(c call[DraftQuestion]) (WorkingList, error) {
	p, unit, err := planned(c.Asked.Unit, c.Asked.Draft)
	if err != nil {
		return WorkingList{}, err
	}
	return WorkingList{working.Of(p, unit)}, nil
}

func whatIf(c call[WhatIfQuestion]) (FigureList, error) {
	d, unit, err := complete(c.Asked.Unit, c.Asked.Draft)
	if err != nil {
		return FigureList{}, err
	}
	figures, err := whatif.Ask(d, c.Asked.Doubt, unit)
	return FigureList{figures}, err
}

// pair works a draft out for both feet of a wearer.
func (s *server) pair(c call[PairQuestion]) (PairAnswer, error) {
	unit, err := unitOf(c.Asked.Unit)
	if err != nil {
		return PairAnswer{}, err
	}
	w, err := s.Feet.Wearer(c, c.Asked.WearerID)
	if err != nil {
		return PairAnswer{}, err
	}
	var answers [2]PlanAnswer
	for i, side := range []feet.Side{feet.Left, feet.Right} {
		worn := draft.ForFoot(c.Asked.Draft, w.ForPair(side).Lengths(), side == feet.Right)
		if answers[i], err = answer("", draft.Read(worn, unit), true); err != nil {
			return PairAnswer{}, err
		}
	}
	return PairAnswer{answers[0], answers[1], differences(answers[0], answers[1])}, nil
}

// differences lists the counts of two socks that are not the same.
func differences(left, right PlanAnswer) []Difference {
	list := []Difference{}
	if left.Plan == nil || right.Plan == nil {
		return list
	}
	a, b := left.Plan.Summary, right.Plan.Summary
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

func positionOf(c call[PositionQuestion]) (position.Row, error) {
	p, _, err := planned(c.Asked.Unit, c.Asked.Draft)
	if err != nil {
		return position.Row{}, err
	}
	at, err := position.Of(p, c.Asked.Row)
	if err != nil {
		return at, document.Faults{{Field: "row", Message: err.Error()}}
	}
	return at, nil
}

func shoe(c call[ShoeQuestion]) (ShoeAnswer, error) {
	length, uncertainty, source, err := feet.FootOfShoe(c.Asked.System, c.Asked.Size)
	if err != nil {
		return ShoeAnswer{}, document.Faults{{Field: "size", Message: err.Error()}}
	}
	return ShoeAnswer{length, uncertainty, source}, nil
}

func reference(call[nothing]) (Reference, error) {
	r := Reference{Glossary: words.Glossary(), Terms: words.Terms, Kinds: feet.Kinds, Cautions: feet.Cautions, Sheets: tracing.Sheets}
	for _, p := range knit.Patterns {
		r.Patterns = append(r.Patterns, PatternName{p.Name, p.Label, p.Repeat, p.Shoe})
	}
	return r, nil
}
