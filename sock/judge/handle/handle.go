// Package handle is what can be dragged on the drawing of a sock: where the
// heel starts, how tall leg and cuff are, how deep the toe is. A handle stops
// only where knitting can stop: after a whole round, turn or repeat.
package handle

import (
	"fmt"
	"math"

	"acornstep/sock/cloth/shape"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/at"
	"acornstep/sock/papers/design"
	"acornstep/sock/rows/needle"
)

// Slide is a place on the drawing that moves along a line in even steps.
type Slide struct {
	// Field of the design that it sets.
	Field at.Path `json:"field"`
	Label string  `json:"label"`
	// Axis is x or y: along which it moves on the drawing.
	Axis string `json:"axis" enum:"x,y"`
	// Step is how far it moves on the drawing, in mm, from one stop to the next.
	Step float64 `json:"step_mm"`
	// Now is the stop where it is, from 0 to Stops - 1.
	Now   int `json:"now"`
	Stops int `json:"stops"`
	// First is the field's value at stop 0, Each what a stop adds.
	First float64 `json:"first"`
	Each  float64 `json:"each"`
	// FirstCount rounds or turns are counted at stop 0, EachCount more at each stop; Word names them.
	FirstCount int    `json:"first_count"`
	EachCount  int    `json:"each_count"`
	Word       string `json:"word"`
}

// Of lists the handles of a sock that was measured without a stop.
func Of(s *knit.Sock) []Slide {
	var list []Slide
	for _, part := range parts {
		if h, ok := part.of(s); ok && h.Stops > 1 {
			list = append(list, h)
		}
	}
	return list
}

// parts are what can be dragged: the handle, and where it lies on a drawing.
var parts = []struct {
	of func(*knit.Sock) (Slide, bool)
	at func(*shape.Profile) (shape.Point, bool)
}{
	{toeDepth, func(d *shape.Profile) (shape.Point, bool) { return lastOf(d, needle.Toe, shape.Line.Middle) }},
	{heelStart, func(d *shape.Profile) (shape.Point, bool) { return lastOf(d, needle.Foot, shape.Line.Lowest) }},
	{legHeight, func(d *shape.Profile) (shape.Point, bool) {
		if top, ok := d.Top(); ok {
			return top.Middle(), true
		}
		return shape.Point{}, false
	}},
	{cuffHeight, func(d *shape.Profile) (shape.Point, bool) {
		if list := d.In(needle.Cuff); len(list) > 0 {
			return list[0].Middle(), true
		}
		return shape.Point{}, false
	}},
}

func lastOf(d *shape.Profile, section needle.Section, at func(shape.Line) shape.Point) (shape.Point, bool) {
	list := d.In(section)
	if len(list) == 0 {
		return shape.Point{}, false
	}
	return at(list[len(list)-1]), true
}

// Grip is where a handle lies on a drawing, and at which of its stops it was then.
type Grip struct {
	Field at.Path     `json:"field"`
	At    shape.Point `json:"at"`
	Now   int         `json:"now"`
}

// Grips are where the handles of a sock lie on its drawing.
func Grips(s *knit.Sock, drawn *shape.Profile) []Grip {
	list := []Grip{}
	for _, part := range parts {
		if h, ok := part.of(s); ok && h.Stops > 1 {
			if at, seen := part.at(drawn); seen {
				list = append(list, Grip{h.Field, at, h.Now})
			}
		}
	}
	return list
}

// toeDepth moves as the toe says.
func toeDepth(s *knit.Sock) (Slide, bool) {
	d, ok := s.ToeDrag()
	return Slide{
		Field: d.Field, Label: "Depth of the toe", Axis: "x",
		Step: d.Step, Now: d.Now, Stops: d.Stops, First: d.First, Each: d.Each, FirstCount: d.FirstCount, EachCount: d.EachCount,
		Word: d.Word,
	}, ok && d.Now >= 0 && d.Now < d.Stops
}

// heelStart moves by whole rounds: the length ease takes what the rounds leave.
func heelStart(s *knit.Sock) (Slide, bool) {
	round := float64(s.Gauge.Height(1))
	ease := float64(s.Design.Fit.LengthEase)
	// A little less than half a round inside both limits, so that rounding never steps over them.
	shorter := int(math.Floor((float64(design.MostLengthEase) - ease) / round))
	longer := int(math.Floor(ease / round))
	shorter = min(shorter, s.FootRounds-1)
	return Slide{
		Field: at.FitLengthEase, Label: "Where the heel starts", Axis: "x",
		Step: round, Now: shorter, Stops: shorter + longer + 1,
		First: ease + float64(shorter)*round, Each: -round,
		FirstCount: s.FootRounds - shorter, EachCount: 1, Word: "rounds to the heel",
	}, shorter >= 0 && longer >= 0
}

// legHeight moves by whole repeats of the leg's pattern.
func legHeight(s *knit.Sock) (Slide, bool) {
	repeat := max(1, s.PatternRounds())
	step := float64(s.Gauge.Height(float64(repeat)))
	// The height that gives exactly these rounds, so that every stop is a whole number of them.
	height := float64(s.Gauge.Height(float64(s.Gauge.RoundsIn(s.Design.Leg.Height))))
	lower := s.LegRounds / repeat
	higher := int(math.Floor((float64(design.TallestLeg) - height) / step))
	return Slide{
		Field: at.LegHeight, Label: "Height of the leg", Axis: "y",
		Step: step, Now: lower, Stops: lower + max(0, higher) + 1,
		First: height - float64(lower)*step, Each: step,
		FirstCount: s.LegRounds - lower*repeat, EachCount: repeat, Word: "leg rounds",
	}, true
}

// cuffHeight moves the lower edge of the cuff, so that a taller cuff grows downward.
func cuffHeight(s *knit.Sock) (Slide, bool) {
	round := float64(s.Gauge.Height(1))
	most := min(s.CuffRounds+s.LegRounds, int(float64(design.TallestCuff)/round))
	if s.CuffRounds > most {
		return Slide{}, false
	}
	return Slide{
		Field: at.CuffHeight, Label: "Height of the cuff", Axis: "y",
		Step: -round, Now: s.CuffRounds, Stops: most + 1,
		First: 0, Each: round, FirstCount: 0, EachCount: 1, Word: "cuff rounds",
	}, true
}

// Value is what the field becomes at a stop, and the count there; the error names the stops there are.
func (h Slide) Value(stop int) (value float64, count int, err error) {
	if stop < 0 || stop >= h.Stops {
		return 0, 0, fmt.Errorf("%s: read stop %d of 0 to %d", h.Field, stop, h.Stops-1)
	}
	return h.First + float64(stop)*h.Each, h.FirstCount + stop*h.EachCount, nil
}
