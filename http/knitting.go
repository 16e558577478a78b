package http

import (
	"context"
	"slices"
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

// tally is what the events come to today.
func (s *server) tally(o *onNeedles, events []logbook.Event) tally.Tally {
	return tally.Of(o.plan, o.said, events, day.Of(s.Now()))
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
		Needles: needles, Strip: strip(o.plan.Rows, o.said), Events: events, Seq: seq, Tally: s.tally(&o, events), Rows: o.rows(),
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
