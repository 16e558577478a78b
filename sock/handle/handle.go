// Package handle is what can be dragged on the drawing of a sock: where the
// heel starts, how tall leg and cuff are, how deep the toe is. A handle stops
// only where knitting can stop: after a whole round, turn or repeat.
package handle

import (
	"fmt"
	"math"

	"acornstep/sock/design"
	"acornstep/sock/knit"
	"acornstep/sock/shape"
)

// Handle is a place on the drawing that moves along a line in even steps.
type Handle struct {
	// Field of the design that it sets.
	Field string `json:"field"`
	Label string `json:"label"`
	// Axis is x or y; the handle lies at At, in mm on the drawing, where it is now.
	Axis string      `json:"axis" enum:"x,y"`
	At   shape.Point `json:"at"`
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

// Of lists the handles of a sock that was measured without a stop, and its drawing.
func Of(s *knit.Sock, drawn shape.Shape) []Handle {
	var list []Handle
	for _, part := range []func(*knit.Sock, shape.Shape) (Handle, bool){toeDepth, heelStart, legHeight, cuffHeight} {
		if h, ok := part(s, drawn); ok && h.Stops > 1 {
			list = append(list, h)
		}
	}
	return list
}

// toeDepth moves as the toe says.
func toeDepth(s *knit.Sock, drawn shape.Shape) (Handle, bool) {
	d, ok := s.ToeDrag()
	return Handle{
		Field: d.Field, Label: "Depth of the toe", Axis: "x", At: shape.Point{float64(s.Toe.Length), drawn.Ankle[1] / 2},
		Step: d.Step, Now: d.Now, Stops: d.Stops, First: d.First, Each: d.Each, FirstCount: d.FirstCount, EachCount: d.EachCount, Word: d.Word,
	}, ok && d.Now >= 0 && d.Now < d.Stops
}

// heelStart moves by whole rounds: the length ease takes what the rounds leave.
func heelStart(s *knit.Sock, drawn shape.Shape) (Handle, bool) {
	round := float64(s.Gauge.Height(1))
	ease := float64(s.Design.Fit.LengthEase)
	// A little less than half a round inside both limits, so that rounding never steps over them.
	shorter := int(math.Floor((float64(design.MostLengthEase) - ease) / round))
	longer := int(math.Floor(ease / round))
	shorter = min(shorter, s.FootRounds-1)
	return Handle{
		Field: "fit.length_ease_mm", Label: "Where the heel starts", Axis: "x",
		At: shape.Point{float64(s.HeelStarts), 0}, Step: round, Now: shorter, Stops: shorter + longer + 1,
		First: ease + float64(shorter)*round, Each: -round,
		FirstCount: s.FootRounds - shorter, EachCount: 1, Word: "rounds to the heel",
	}, shorter >= 0 && longer >= 0
}

// legHeight moves by whole repeats of the leg's pattern.
func legHeight(s *knit.Sock, drawn shape.Shape) (Handle, bool) {
	repeat := max(1, s.PatternRounds())
	step := float64(s.Gauge.Height(float64(repeat)))
	// The height that gives exactly these rounds, so that every stop is a whole number of them.
	height := float64(s.Gauge.Height(float64(s.Gauge.RoundsIn(s.Design.Leg.Height))))
	lower := s.LegRounds / repeat
	higher := int(math.Floor((float64(design.TallestLeg) - height) / step))
	return Handle{
		Field: "leg.height_mm", Label: "Height of the leg", Axis: "y",
		At: shape.Point{legMiddle(s, drawn), drawn.Height}, Step: step, Now: lower, Stops: lower + max(0, higher) + 1,
		First: height - float64(lower)*step, Each: step,
		FirstCount: s.LegRounds - lower*repeat, EachCount: repeat, Word: "leg rounds",
	}, true
}

// cuffHeight moves the lower edge of the cuff, so that a taller cuff grows downward.
func cuffHeight(s *knit.Sock, drawn shape.Shape) (Handle, bool) {
	round := float64(s.Gauge.Height(1))
	most := min(s.CuffRounds+s.LegRounds, int(float64(design.TallestCuff)/round))
	if s.CuffRounds > most {
		return Handle{}, false
	}
	return Handle{
		Field: "cuff.height_mm", Label: "Height of the cuff", Axis: "y",
		At: shape.Point{legMiddle(s, drawn), drawn.Height - float64(s.CuffRounds)*round}, Step: -round, Now: s.CuffRounds, Stops: most + 1,
		First: 0, Each: round, FirstCount: 0, EachCount: 1, Word: "cuff rounds",
	}, true
}

func legMiddle(s *knit.Sock, drawn shape.Shape) float64 {
	return drawn.Width - float64(s.Gauge.Girth(float64(s.LegStitches)))/4
}

// Value is what the field becomes at a stop, and the count there; the error names the stops there are.
func (h Handle) Value(stop int) (value float64, count int, err error) {
	if stop < 0 || stop >= h.Stops {
		return 0, 0, fmt.Errorf("%s: read stop %d of 0 to %d", h.Field, stop, h.Stops-1)
	}
	return h.First + float64(stop)*h.Each, h.FirstCount + stop*h.EachCount, nil
}
