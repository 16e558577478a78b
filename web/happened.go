package web

import (
	"context"
	"errors"
	"fmt"
	"strings"

	"acornstep/sock/cloth/fabric"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/replan"
	"acornstep/sock/needles/whereami"
	"acornstep/sock/papers/basket"
	"acornstep/sock/rows/knitted"
)

// WhereQuestion asks where a sock is.
type WhereQuestion struct {
	// Sock is 1 or 2; 0 for the first.
	Sock int `json:"sock,omitempty"`
	// Logged is the row that was counted last, or -1.
	Logged int           `json:"logged"`
	Seen   whereami.Seen `json:"seen"`
	// Length as it was measured, in the unit in use; empty when it was not.
	Length string `json:"length,omitempty"`
	// Up the leg from the end of the heel, as it was measured; empty when it was not.
	Up   string `json:"up,omitempty"`
	Unit string `json:"unit" enum:"cm,in"`
}

// CountQuestion asks why the needles hold another count before a row.
type CountQuestion struct {
	// Sock is 1 or 2; 0 for the first.
	Sock    int `json:"sock,omitempty"`
	Row     int `json:"row"`
	Counted int `json:"counted"`
	// Waits is counted instead in short rows: what waits on the left, lies between and waits on the right, as the work is held.
	Waits []int `json:"waits,omitempty"`
}

// CauseList is what most likely happened.
type CauseList struct {
	Causes []replan.Cause `json:"causes"`
}

// ReplanQuestion says what really happened. It is only looked at until Accept is set.
type ReplanQuestion struct {
	Version  int             `json:"version"`
	Happened replan.Happened `json:"happened"`
	// Length as it was measured, in the unit in use; empty when it was not.
	Length string `json:"length,omitempty"`
	// ToHeel is how far the needle is from the heel's place, in the same unit; with a minus when it is past it.
	ToHeel string `json:"to_heel,omitempty"`
	// Height of the needle above the floor, at the back of the leg, as it was measured.
	Height string `json:"height,omitempty"`
	// HeelOff is how far behind the heel of the foot that of the sock sits; with a minus where it sits before it.
	HeelOff string `json:"heel_off,omitempty"`
	Unit    string `json:"unit" enum:"cm,in"`
	Accept  bool   `json:"accept"`
}

// WhereAnswer is where a sock can be, and what the first of these places look like.
type WhereAnswer struct {
	whereami.Answer
	Pictures []WherePicture `json:"pictures"`
}

// WherePicture is the fabric at one of the places that are left, marked where it differs from the others.
type WherePicture struct {
	Row     int            `json:"row"`
	Picture fabric.Picture `json:"picture"`
	Marks   []fabric.Place `json:"marks"`
}

// mostPlaces are as many pictures as somebody compares with a sock in the hand.
const mostPlaces = 4

// enoughShare is how sure it has to be, in per cent, that the sock is at one of the places that are drawn.
const enoughShare = 50

// pictured draws the first places that are left, when there are two or more and hardly any others.
func pictured(a whereami.Answer, f *fabric.Fabric, by *knitted.Sock) (WhereAnswer, error) {
	answer := WhereAnswer{a, []WherePicture{}}
	var pictures []fabric.Picture
	var share float64
	for _, m := range a.Matches {
		if len(pictures) == mostPlaces {
			break
		}
		if m.Half || m.Row == 0 {
			continue
		}
		p, err := f.At(m.Row, by.Before(m.Row).Side)
		if err != nil {
			return answer, err
		}
		if len(p.Strokes) > 0 {
			pictures, share = append(pictures, p), share+m.Share
			answer.Pictures = append(answer.Pictures, WherePicture{Row: m.Row, Picture: p})
		}
	}
	if len(pictures) < 2 || share < enoughShare {
		answer.Pictures = []WherePicture{}
		return answer, nil
	}
	for i, marks := range fabric.Apart(pictures) {
		answer.Pictures[i].Marks = marks
	}
	return answer, nil
}

func (s *server) whereAmI(c call[WhereQuestion]) (WhereAnswer, error) {
	o, err := s.shelf.sock(c, c.ID)
	if err != nil {
		return WhereAnswer{}, err
	}
	seen := c.Asked.Seen
	length, err := lengthOf(c.Asked.Length, c.Asked.Unit)
	if err != nil {
		return WhereAnswer{}, err
	}
	if length != nil {
		mm := float64(*length)
		seen.Length = &mm
	}
	up, err := lengthOf(c.Asked.Up, c.Asked.Unit)
	if err != nil {
		return WhereAnswer{}, err
	}
	if up != nil {
		mm := float64(*up)
		seen.Up = &mm
	}
	places := &o.Wheres
	if c.Asked.Sock == 2 && o.Other != nil {
		places = &o.SecondWheres
	}
	by := o.pair()[max(0, min(c.Asked.Sock, 2)-1)]
	return pictured(places.Ask(seen, c.Asked.Logged), o.Fabric(max(1, min(c.Asked.Sock, 2))), by.Knitted)
}

func (s *server) countIsWrong(c call[CountQuestion]) (CauseList, error) {
	o, err := s.shelf.sock(c, c.ID)
	if err != nil {
		return CauseList{}, err
	}
	which, err := ofPair(c.Asked.Sock)
	if err != nil {
		return CauseList{}, err
	}
	by := o.pair()[which]
	if w := c.Asked.Waits; len(w) > 0 {
		if len(w) != len(replan.Waiting{}) {
			return CauseList{}, document.Faults{{Field: "waits", Message: fmt.Sprintf("read %d counts; they are left, between and right", len(w))}}
		}
		causes, err := replan.WaitingIsWrong(by.Plan, by.Knitted, c.Asked.Row, replan.Waiting(w))
		return CauseList{causes}, err
	}
	causes, err := replan.CountIsWrong(by.Plan, by.Knitted, c.Asked.Row, c.Asked.Counted)
	return CauseList{causes}, err
}

func (s *server) replan(c call[ReplanQuestion]) (replan.Proposal, error) {
	o, err := s.shelf.sock(c, c.ID)
	if err != nil {
		return replan.Proposal{}, err
	}
	if c.Asked.Version != o.Version {
		return replan.Proposal{}, basket.ErrChanged
	}
	h, err := s.told(c, o, &c.Asked)
	if err != nil {
		return replan.Proposal{}, err
	}
	if h.ByVersion > 0 && h.ByVersion < o.Version {
		if h.Before, err = s.Logbook.Edition(c, c.ID, h.ByVersion); err != nil {
			return replan.Proposal{}, err
		}
	}
	if h.BackTo > 0 && h.BackTo < o.Version {
		if h.Earlier, err = s.Logbook.Edition(c, c.ID, h.BackTo); err != nil {
			return replan.Proposal{}, err
		}
	}
	if u := o.Undecided; h.Decided != "" && u != nil {
		if h.Open, err = s.stepsOf(c, c.ID, u.Made()); err != nil {
			return replan.Proposal{}, err
		}
	}
	proposal, err := replan.Ask(o.Edition, h)
	if err != nil || !c.Asked.Accept || !proposal.Plans {
		return proposal, err
	}
	if err := s.Logbook.AddEdition(c, c.ID, proposal.Edition, proposal.Edition.From(o.places(s.today()))); err != nil ||
		h.ByVersion == 0 {
		return proposal, err
	}
	return proposal, s.placeAt(c, o, proposal.Edition.Version, max(1, h.Sock), proposal.Row)
}

// stepsOf looks versions of a plan up, each with the one before; none where an archive came without one of them.
func (s *server) stepsOf(c context.Context, id string, versions []int) ([]replan.Step, error) {
	var steps []replan.Step
	for _, version := range versions {
		var pair [2]*knitting.Edition
		for i := range pair {
			var err error
			if pair[i], err = s.Logbook.Edition(c, id, version-1+i); errors.Is(err, basket.ErrNotFound) {
				return nil, nil
			} else if err != nil {
				return nil, err
			}
		}
		steps = append(steps, replan.Step{Was: pair[0], Made: pair[1]})
	}
	return steps, nil
}

// told reads what was typed of a sock, and adds what the program knows of it: what is knitted, what a tape should read, how fast it goes.
func (s *server) told(c context.Context, o *onNeedles, asked *ReplanQuestion) (replan.Happened, error) {
	h := asked.Happened
	var err error
	if h.Unit, err = unitOf(asked.Unit); err != nil {
		return h, err
	}
	for _, read := range []struct {
		text, field string
		into        **measure.Length
	}{
		{asked.Length, "length", &h.Length}, {asked.Height, "height", &h.Height}, {asked.ToHeel, "to_heel", &h.ToHeel},
		{asked.HeelOff, "heel_off", &h.HeelOff},
	} {
		length, err := signed(read.text, read.field, asked.Unit)
		if err != nil {
			return h, err
		}
		if length != nil {
			*read.into = length
		}
	}
	today := s.today()
	h.Done, h.Pace = o.done(today), o.tally(today).Pace
	which, err := ofPair(h.Sock)
	if err != nil {
		return h, err
	}
	p := o.pair()[which].Plan
	if h.Length == nil && h.Height == nil || !p.HasDesign() || h.Row < 0 || h.Row > len(p.Rows) {
		return h, nil
	}
	should, err := s.tapeAt(c, o, which, h.Row)
	if faults := (document.Faults{}); errors.As(err, &faults) {
		return h, nil // too early to be tried on: what is asked says so
	}
	h.Should, h.HeightShould = should.behind, should.above
	return h, err
}

// signed reads a length that may be less than nothing.
func signed(text, field, unitName string) (*measure.Length, error) {
	distance, past := strings.CutPrefix(strings.Replace(strings.TrimSpace(text), "−", "-", 1), "-")
	length, err := lengthOf(distance, unitName)
	if err != nil {
		return nil, document.Faults{{Field: field, Message: strings.TrimPrefix(err.Error(), "length: ")}}
	}
	if length != nil && past {
		*length = -*length
	}
	return length, nil
}

// lengthOf reads a typed length; nil when nothing was typed.
func lengthOf(text, unitName string) (*measure.Length, error) {
	if text == "" {
		return nil, nil
	}
	unit, err := unitOf(unitName)
	if err != nil {
		return nil, err
	}
	length, err := measure.ParseLength(text, unit)
	if err != nil {
		return nil, document.Faults{{Field: "length", Message: err.Error()}}
	}
	return &length, nil
}
