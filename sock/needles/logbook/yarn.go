package logbook

import (
	"fmt"

	"acornstep/sock/figures/day"
)

// Ball is what the weighings of one yarn come to.
type Ball struct {
	// Left is the newest weighing, in grams.
	Left float64 `json:"left_g"`
	// PerStitch is grams a stitch from the first to the newest weighing; 0 while there is only one.
	PerStitch float64 `json:"grams_per_stitch"`
	// Doubt says what is wrong with the weighings; empty for nothing.
	Doubt string `json:"doubt"`
}

// BallOf reads the weighings of a yarn, the main one having no name. worked gives
// the stitches that are knitted in it when a sock stands at a row. A ball that grew heavier was another
// ball: reckoning begins anew with it.
func BallOf(standing []Event, yarn string, worked func(sock, row int) int) (Ball, bool) {
	var b Ball
	weighed := false
	var at [2]Place
	firstGrams, firstStitches := 0.0, 0
	for _, e := range standing {
		at[e.Sock-1].take(e)
		if e.Kind != Weighed || e.Text != yarn {
			continue
		}
		stitches := worked(1, at[0].Row) + worked(2, at[1].Row)
		switch {
		case !weighed:
			firstGrams, firstStitches = e.Grams, stitches
		case e.Grams > b.Left:
			b = Ball{Doubt: fmt.Sprintf("The ball was %g g and is %g g now: is it another one? Reckoning begins anew with it.", b.Left,
				e.Grams)}
			firstGrams, firstStitches = e.Grams, stitches
		case stitches > firstStitches && e.Grams < firstGrams:
			b.PerStitch = (firstGrams - e.Grams) / float64(stitches-firstStitches)
			b.Doubt = ""
		}
		b.Left, weighed = e.Grams, true
	}
	return b, weighed
}

// Stripes are those of a self-striping yarn.
type Stripes struct {
	// Repeat is the yarn in one repeat, in mm.
	Repeat float64 `json:"repeat_mm"`
	// Began says where in the repeat the first sock began, in the knitter's words.
	Began string `json:"began"`
}

// StripesOf is what was said last of the stripes; false when the yarn has none.
func StripesOf(standing []Event) (Stripes, bool) {
	var s Stripes
	for _, e := range standing {
		if e.Kind == Striped {
			s.Repeat = e.Length
			if e.Text != "" {
				s.Began = e.Text
			}
		}
	}
	return s, s.Repeat > 0
}

// PromisedFor is the day for which the pair was promised last; false when it is nobody's present.
func PromisedFor(standing []Event) (day.Date, bool) {
	var on day.Date
	for _, e := range standing {
		if e.Kind == Promised {
			on = day.Date(e.Text)
		}
	}
	return on, on != ""
}
