package web

import (
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/advise"
	"acornstep/sock/judge/board"
	"acornstep/sock/judge/whatif"
	"acornstep/sock/judge/working"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/replan"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/draft"
	"acornstep/sock/papers/plan"
	"acornstep/sock/people/feet"
	"acornstep/sock/people/tracing"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/pattern"
	"acornstep/sock/said/hands"
	"acornstep/sock/said/position"
	"acornstep/sock/said/words"
)

// mostWays of the ranking are answered: as many as a knitter weighs against each other.
const mostWays = 3

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
	p, err := knit.Make(d)
	if err != nil {
		return nil, unit, err
	}
	if stop := p.Stopped(); stop != nil {
		return nil, unit, document.Faults{{Message: stop.In(unit).Text}}
	}
	return p, unit, nil
}

func rankWays(c call[CompareQuestion]) (advise.Report, error) {
	d, _, err := complete(c.Asked.Unit, c.Asked.Draft)
	if err != nil {
		return advise.Report{}, err
	}
	report, err := advise.Rank(d, advise.Wish(c.Asked.By), c.Asked.Known)
	report.Candidates = advise.Different(report.Candidates, mostWays)
	return report, err
}

func (s *server) options(c call[OptionsQuestion]) (OptionList, error) {
	d, unit, err := complete(c.Asked.Unit, c.Asked.Draft)
	if err != nil {
		return OptionList{}, err
	}
	choices, err := advise.Options(d, unit)
	if err != nil || c.Asked.SockID == "" {
		return OptionList{choices}, err
	}
	o, err := s.shelf.sock(c, c.Asked.SockID)
	if err != nil {
		return OptionList{}, err
	}
	done := o.done(s.today())
	if done == (knitting.Done{}) {
		return OptionList{choices}, nil
	}
	lock := replan.LockOf(o.Edition, d, replan.Bound{Done: done})
	for _, choice := range choices {
		for i := range choice.Options {
			if option := &choice.Options[i]; !option.Chosen && option.Stop == "" {
				option.Locked = lock(option.Changes)
			}
		}
	}
	return OptionList{choices}, nil
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

// pair works a draft out for both socks of the pair.
func pair(c call[PairQuestion]) (PairAnswer, error) {
	unit, err := unitOf(c.Asked.Unit)
	if err != nil {
		return PairAnswer{}, err
	}
	first := draft.Read(c.Asked.Draft, unit)
	second := first
	if len(first.Faults) == 0 {
		other, err := draft.OfSecond(first.Draft, first.Design)
		if err != nil {
			return PairAnswer{}, err
		}
		second = draft.Read(other, unit)
	}
	var answers [2]board.Answer
	for i, reading := range []draft.Reading{first, second} {
		if answers[i], err = board.Of("", reading, true); err != nil {
			return PairAnswer{}, err
		}
	}
	left, right := answers[0], answers[1]
	if first.Design.Mirror {
		left, right = right, left
	}
	return PairAnswer{left, right, board.Differences(left, right)}, nil
}

func positionOf(c call[PositionQuestion]) (position.Row, error) {
	p, _, err := planned(c.Asked.Unit, c.Asked.Draft)
	if err != nil {
		return position.Row{}, err
	}
	traced, err := knitted.Of(p.Rows)
	if err != nil {
		return position.Row{}, err
	}
	at, err := position.Of(p, traced, c.Asked.Row)
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
	r := Reference{Moves: hands.Of(), Glossary: words.Glossary(), Terms: words.Terms, Usual: knit.Usual(), Kinds: feet.Kinds,
		Cautions: feet.Cautions, Sheets: tracing.Sheets}
	for _, p := range pattern.Book {
		r.Patterns = append(r.Patterns, PatternName{p.Name, p.Label, p.Repeat, p.Shoe})
	}
	for _, kind := range knit.Kinds {
		for _, t := range kind.List() {
			a := *t.About()
			a.Uses, a.Resets, a.Numbers = orEmpty(a.Uses), orEmpty(a.Resets), orEmpty(a.Numbers)
			r.Techniques = append(r.Techniques, Technique{kind.Field, a, knit.Choose(kind.Field, a.Name),
				advise.Known(kind.Field, a.Name)})
		}
	}
	return r, nil
}

// orEmpty is a list that is written as one when nothing is in it.
func orEmpty[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}
