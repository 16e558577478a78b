package http

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"acornstep/sock/basket"
	"acornstep/sock/day"
	"acornstep/sock/design"
	"acornstep/sock/document"
	"acornstep/sock/draft"
	"acornstep/sock/knit"
	"acornstep/sock/logbook"
	"acornstep/sock/measure"
	"acornstep/sock/plan"
	"acornstep/sock/position"
	"acornstep/sock/replan"
	"acornstep/sock/tally"
	"acornstep/sock/whereami"
	"acornstep/sock/words"
)

// Logbook keeps what happens on the needles.
type Logbook interface {
	AddEvents(ctx context.Context, sockID string, events []logbook.Event) error
	Events(ctx context.Context, sockID string, after int64) ([]logbook.Event, int64, error)
	Plans(ctx context.Context, sockID string) ([]basket.Knitted, error)
	AddPlan(ctx context.Context, sockID string, before int, d design.Design, reason string) error
}

// KnitView is everything that knitting mode needs, also without a connection.
type KnitView struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Wearer string `json:"wearer"`
	// Version of the plan that is knitted, and the versions before it.
	Version  int           `json:"version"`
	Versions []PlanVersion `json:"versions"`
	Rows     []KnitRow     `json:"rows"`
	// Needles before each row and after the last.
	Needles []position.Needle `json:"needles"`
	Strip   []StripPart       `json:"strip"`
	// Flap: the heel has a flap, along which stitches are picked up.
	Flap bool `json:"flap"`
	// HeelStartsAt is from the tip of the toe, in mm, HeelPlace where that lies on the foot.
	HeelStartsAt measure.Length `json:"heel_starts_at_mm"`
	HeelPlace    string         `json:"heel_place"`
	// Second are the rows of the second sock, and its needles, where the mirrored sock is knitted otherwise.
	Second        []KnitRow         `json:"second,omitempty"`
	SecondNeedles []position.Needle `json:"second_needles,omitempty"`
	// Events that were heard, and the number of the last.
	Events []logbook.Event `json:"events"`
	Seq    int64           `json:"seq"`
	Tally  tally.Tally     `json:"tally"`
}

// PlanVersion is a version of the plan in a line.
type PlanVersion struct {
	Version int       `json:"version"`
	Reason  string    `json:"reason"`
	Created time.Time `json:"created"`
}

// KnitRow is a row as it is knitted.
type KnitRow struct {
	ID       string       `json:"id"`
	Section  string       `json:"section"`
	N        int          `json:"n"`
	Of       int          `json:"of"`
	Kind     string       `json:"kind"`
	Side     string       `json:"side"`
	Stitches int          `json:"stitches"`
	Worked   int          `json:"worked"`
	Parts    []words.Part `json:"parts"`
	Note     string       `json:"note"`
	Colour   string       `json:"colour"`
	// Special: the row is not worked like the one before it.
	Special bool `json:"special"`
	// Length from the tip of the toe after the row, in mm.
	Length float64 `json:"length_mm"`
}

// NewEvents are events of a device.
type NewEvents struct {
	Events []logbook.Event `json:"events"`
	// After is the number of the last event that the device has heard.
	After int64 `json:"after"`
	// Brief: only say that they are on the disk.
	Brief bool `json:"brief,omitempty"`
}

// Heard is what was heard since a number, from all devices.
type Heard struct {
	Events []logbook.Event `json:"events"`
	Seq    int64           `json:"seq"`
	Tally  tally.Tally     `json:"tally"`
	// Deleted: the sock is out of the basket; its events are kept all the same.
	Deleted bool `json:"deleted"`
}

// WhereQuestion asks where a sock is.
type WhereQuestion struct {
	// Logged is the row that was counted last, or -1.
	Logged int           `json:"logged"`
	Seen   whereami.Seen `json:"seen"`
	// Length as it was measured, in the unit in use; empty when it was not.
	Length string `json:"length,omitempty"`
	Unit   string `json:"unit" enum:"cm,in"`
}

// CountQuestion asks why the needles hold another count before a row.
type CountQuestion struct {
	Row     int `json:"row"`
	Counted int `json:"counted"`
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
	Unit   string `json:"unit" enum:"cm,in"`
	Accept bool   `json:"accept"`
}

func (s *server) knitRoutes(inside *gin.RouterGroup) {
	inside.POST("/socks/:id/knit", answering(s, 200, s.startKnitting))
	inside.GET("/socks/:id/knit", answering(s, 200, s.knitting))
	inside.GET("/socks/:id/progress", answering(s, 200, s.progress))
	inside.POST("/socks/:id/events", answering(s, 200, s.addEvents))
	inside.POST("/socks/:id/where", answering(s, 200, s.whereAmI))
	inside.POST("/socks/:id/count", answering(s, 200, s.countIsWrong))
	inside.POST("/socks/:id/replan", answering(s, 200, s.replan))
	inside.GET("/scale", answering(s, 200, s.readScale))
	inside.GET("/socks/:id/log.csv", s.logCSV)
	inside.GET("/socks/:id/plan.ics", s.calendar)
}

// onNeedles is a sock with the plan that is knitted.
type onNeedles struct {
	sock     basket.Sock
	versions []basket.Knitted
	plan     *plan.Plan
	said     []words.Row
}

func (s *server) onNeedles(ctx context.Context, id string) (onNeedles, error) {
	var o onNeedles
	var err error
	if o.sock, err = s.Basket.Get(ctx, id); err != nil {
		return o, err
	}
	if o.versions, err = s.Logbook.Plans(ctx, id); err != nil {
		return o, err
	}
	if len(o.versions) == 0 {
		return o, document.Faults{{Message: "this sock is not on the needles yet: start it first"}}
	}
	if o.plan, err = plan.Make(o.versions[len(o.versions)-1].Design); err != nil {
		return o, err
	}
	o.said, err = words.Rows(o.plan.Rows, o.plan.Design.Needles)
	return o, err
}

// knitted is a sock on the needles with all its events, and the number of the last.
func (s *server) knitted(ctx context.Context, id string) (onNeedles, []logbook.Event, int64, error) {
	o, err := s.onNeedles(ctx, id)
	if err != nil {
		return o, nil, 0, err
	}
	events, seq, err := s.Logbook.Events(ctx, id, 0)
	return o, events, seq, err
}

// startKnitting freezes the design as the first version of the plan; for a sock
// that is on the needles already it changes nothing.
func (s *server) startKnitting(c call[nothing]) (KnitView, error) {
	sock, err := s.Basket.Get(c, c.ID)
	if err != nil {
		return KnitView{}, err
	}
	versions, err := s.Logbook.Plans(c, c.ID)
	if err != nil {
		return KnitView{}, err
	}
	if len(versions) == 0 {
		r := draft.Read(sock.Draft, measure.Centimetres)
		if err := r.Faults.Err(); err != nil {
			return KnitView{}, err
		}
		p, err := plan.Make(r.Design)
		if err != nil {
			return KnitView{}, err
		}
		if stop := p.Stopped(); stop != nil {
			return KnitView{}, document.Faults{{Message: stop.Text}}
		}
		if err := s.Logbook.AddPlan(c, c.ID, 0, p.Design, ""); err != nil {
			return KnitView{}, err
		}
	}
	return s.knitting(c)
}

func (s *server) knitting(c call[nothing]) (KnitView, error) {
	o, events, seq, err := s.knitted(c, c.ID)
	if err != nil {
		return KnitView{}, err
	}
	needles, err := position.All(o.plan)
	if err != nil {
		return KnitView{}, err
	}
	v := KnitView{
		ID: o.sock.ID, Name: o.sock.Name, Wearer: o.sock.Wearer, Version: len(o.versions), Versions: []PlanVersion{},
		Needles: needles, Strip: strip(o.plan.Rows, o.said), Events: events, Seq: seq, Tally: tally.Of(o.plan, o.said, events, day.Of(s.Now())), Rows: o.rows(),
		Flap: o.plan.Summary.FlapRows != nil, HeelStartsAt: o.plan.Summary.HeelStartsAt, HeelPlace: knit.Measure(&o.plan.Design).HeelPlace(),
	}
	if v.Second, v.SecondNeedles, err = o.mirrored(); err != nil {
		return KnitView{}, err
	}
	for _, k := range o.versions {
		v.Versions = append(v.Versions, PlanVersion{k.Version, k.Reason, k.Created})
	}
	return v, nil
}

func (o *onNeedles) rows() []KnitRow {
	of := map[string]int{}
	for i := range o.plan.Rows {
		of[string(o.plan.Rows[i].Section)]++
	}
	looks := whereami.Looks(o.plan, o.said)
	list := make([]KnitRow, 0, len(o.plan.Rows))
	for i := range o.plan.Rows {
		r := &o.plan.Rows[i]
		row := KnitRow{
			ID: r.ID, Section: string(r.Section), N: r.N, Of: of[string(r.Section)], Kind: string(r.Kind), Side: string(r.Side), Stitches: r.Stitches,
			Worked: o.said[i].Worked, Parts: o.said[i].Parts, Note: r.Note, Colour: r.Colour, Length: looks[i+1].Length,
		}
		row.Special = i == 0 || o.said[i].Sentence(false) != o.said[i-1].Sentence(false)
		list = append(list, row)
	}
	return list
}

// mirrored gives the second sock of the pair where mirroring changes its rows.
func (o *onNeedles) mirrored() ([]KnitRow, []position.Needle, error) {
	d := o.plan.Design
	d.Mirror = !d.Mirror
	p, err := plan.Make(d)
	if err != nil || p.Stopped() != nil {
		return nil, nil, err
	}
	said, err := words.Rows(p.Rows, d.Needles)
	if err != nil {
		return nil, nil, err
	}
	second := onNeedles{plan: p, said: said}
	same := slices.EqualFunc(o.said, said, func(a, b words.Row) bool { return a.Sentence(false) == b.Sentence(false) })
	if same && len(o.plan.Rows) == len(p.Rows) {
		return nil, nil, nil
	}
	needles, err := position.All(p)
	return second.rows(), needles, err
}

func (s *server) addEvents(c call[NewEvents]) (Heard, error) {
	const most = 2000
	var faults document.Faults
	if n := len(c.Asked.Events); n > most {
		faults.Add("events", "read %d events, at most %d are taken at once", n, most)
	}
	versions, err := s.Logbook.Plans(c, c.ID)
	if err != nil {
		return Heard{}, err
	}
	for i := range c.Asked.Events {
		e := &c.Asked.Events[i]
		if err := checkPreview(e.Picture); err != nil {
			faults.Add(fmt.Sprintf("events[%d].picture", i), "%s", err)
		}
		for _, f := range e.Validate() {
			faults.Add(fmt.Sprintf("events[%d].%s", i, f.Field), "%s", f.Message)
		}
		if e.Version > len(versions) {
			faults.Add(fmt.Sprintf("events[%d].version", i), "read %d; this sock has %d versions of its plan", e.Version, len(versions))
		}
	}
	if err := faults.Err(); err != nil {
		return Heard{}, err
	}
	if len(c.Asked.Events) > 0 {
		if err := s.Logbook.AddEvents(c, c.ID, c.Asked.Events); err != nil {
			return Heard{}, err
		}
	}
	if c.Asked.Brief {
		return Heard{Events: []logbook.Event{}, Seq: c.Asked.After, Tally: tally.None}, nil
	}
	return s.heard(c, c.Asked.After)
}

// heard gives what was heard after a number, and what all of it comes to.
func (s *server) heard(c call[NewEvents], after int64) (Heard, error) {
	o, events, seq, err := s.knitted(c, c.ID)
	if errors.Is(err, basket.ErrNotFound) {
		return Heard{Events: []logbook.Event{}, Seq: after, Tally: tally.None, Deleted: true}, nil
	}
	if err != nil {
		return Heard{}, err
	}
	h := Heard{Events: []logbook.Event{}, Seq: seq, Tally: tally.Of(o.plan, o.said, events, day.Of(s.Now()))}
	fresh, _, err := s.Logbook.Events(c, c.ID, after)
	if err == nil {
		h.Events = fresh
	}
	return h, err
}

func (s *server) whereAmI(c call[WhereQuestion]) (whereami.Answer, error) {
	o, err := s.onNeedles(c, c.ID)
	if err != nil {
		return whereami.Answer{}, err
	}
	seen := c.Asked.Seen
	length, err := lengthOf(c.Asked.Length, c.Asked.Unit)
	if err != nil {
		return whereami.Answer{}, err
	}
	if length != nil {
		mm := float64(*length)
		seen.Length = &mm
	}
	return whereami.Ask(whereami.Looks(o.plan, o.said), seen, c.Asked.Logged), nil
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

// toHeel reads how far the heel's place is; past it is less than nothing.
func toHeel(text, unitName string) (*measure.Length, error) {
	distance, past := strings.CutPrefix(strings.Replace(strings.TrimSpace(text), "−", "-", 1), "-")
	length, err := lengthOf(distance, unitName)
	if err != nil {
		return nil, document.Faults{{Field: "to_heel", Message: strings.TrimPrefix(err.Error(), "length: ")}}
	}
	if length != nil && past {
		*length = -*length
	}
	return length, nil
}

func (s *server) countIsWrong(c call[CountQuestion]) (CauseList, error) {
	o, err := s.onNeedles(c, c.ID)
	if err != nil {
		return CauseList{}, err
	}
	causes, err := replan.CountIsWrong(o.plan, c.Asked.Row, c.Asked.Counted)
	return CauseList{causes}, err
}

func (s *server) replan(c call[ReplanQuestion]) (replan.Proposal, error) {
	o, err := s.onNeedles(c, c.ID)
	if err != nil {
		return replan.Proposal{}, err
	}
	if c.Asked.Version != len(o.versions) {
		return replan.Proposal{}, basket.ErrChanged
	}
	h := c.Asked.Happened
	length, err := lengthOf(c.Asked.Length, c.Asked.Unit)
	if err != nil {
		return replan.Proposal{}, err
	}
	if length != nil {
		h.Length = length
	}
	if h.ToHeel, err = toHeel(c.Asked.ToHeel, c.Asked.Unit); err != nil {
		return replan.Proposal{}, err
	}
	proposal, err := replan.Ask(o.plan, h)
	if err != nil || !c.Asked.Accept || proposal.Design == nil {
		return proposal, err
	}
	return proposal, s.Logbook.AddPlan(c, c.ID, len(o.versions), *proposal.Design, proposal.Text)
}
