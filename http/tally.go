package http

import (
	"acornstep/sock/knit"
	"acornstep/sock/logbook"
	"acornstep/sock/needle"
	"acornstep/sock/yarn"
)

// Tally is what the events come to.
type Tally struct {
	Book logbook.Book `json:"book"`
	Pace logbook.Pace `json:"pace"`
	// Sections still to knit, with the time they take at this pace.
	Sections []Ahead `json:"sections"`
	// StitchesLeft of both socks that are begun.
	StitchesLeft int `json:"stitches_left"`
	SecondsLeft  int `json:"seconds_left"`
	// DaysLeft of knitting as on the days before; 0 while nobody can say.
	DaysLeft int `json:"days_left"`
	// Ball is left out until something was weighed, Contrast until the second yarn was.
	Ball     *BallView     `json:"ball,omitempty"`
	Contrast *logbook.Ball `json:"contrast,omitempty"`
}

// Ahead is a section that is still to be knitted.
type Ahead struct {
	Section  string `json:"section"`
	Rows     int    `json:"rows"`
	Stitches int    `json:"stitches"`
	Seconds  int    `json:"seconds"`
}

// BallView is the ball and what it is still good for.
type BallView struct {
	logbook.Ball
	// LegRounds that are left in it, with the cuff and a reserve kept back.
	LegRounds int `json:"leg_rounds"`
	// Shared is the same when the second sock is knitted from this ball too.
	Shared int `json:"shared_leg_rounds"`
	// FollowLeg is how tall the leg becomes, in rounds, when it is knitted until the yarn runs out.
	FollowLeg int `json:"follow_leg_rounds"`
	// StripeRounds is how many leg rounds a metre of the yarn gives: stripes are that times their repeat.
	StripeRounds float64 `json:"rounds_per_metre"`
	// Enough says whether the leg as planned is among them.
	Enough bool `json:"enough"`
	// Calibrated: weighed grams a stitch, not the first guess.
	Calibrated bool `json:"calibrated"`
}

// reserve of the yarn is kept back for weaving in.
const reserve = 0.08

func (o *onNeedles) tally(events []logbook.Event) Tally {
	t := Tally{Book: logbook.Read(events), Sections: []Ahead{}}
	stitches := make([]int, len(o.said))
	for i := range o.said {
		stitches[i] = o.said[i].Worked
	}
	t.Pace = logbook.PaceOf(t.Book.Standing, stitches)
	for sock, place := range t.Book.Places {
		if place.Finished || sock == 1 && place.Row == 0 {
			continue // the second sock counts from its first row on
		}
		for i := place.Row; i < len(o.said); i++ {
			name := string(o.plan.Rows[i].Section)
			if n := len(t.Sections); n == 0 || t.Sections[n-1].Section != name {
				t.Sections = append(t.Sections, Ahead{Section: name})
			}
			last := &t.Sections[len(t.Sections)-1]
			last.Rows++
			last.Stitches += o.said[i].Worked
			t.StitchesLeft += o.said[i].Worked
		}
	}
	for i := range t.Sections {
		t.Sections[i].Seconds = int(t.Pace.TimeFor(t.Sections[i].Stitches).Seconds())
	}
	t.SecondsLeft = int(t.Pace.TimeFor(t.StitchesLeft).Seconds())
	t.DaysLeft = t.Pace.DaysFor(t.StitchesLeft)
	t.Ball = o.ball(t.Book)
	if ball, weighed := logbook.BallOf(t.Book.Standing, knit.Contrast, func(_, row int) int { return o.workedIn(knit.Contrast, row) }); weighed {
		t.Contrast = &ball
	}
	return t
}

func (o *onNeedles) ball(book logbook.Book) *BallView {
	ball, weighed := logbook.BallOf(book.Standing, "", func(_, row int) int { return o.workedIn("", row) })
	if !weighed {
		return nil
	}
	v := BallView{Ball: ball, Calibrated: ball.PerStitch > 0}
	per := ball.PerStitch
	if per == 0 {
		per = yarn.GramsPerStitch(&o.plan.Design)
	}
	sock := knit.Measure(&o.plan.Design)
	below, done := o.beforeLeg(book.Places[0].Row)
	v.LegRounds = yarn.LegRoundsLeft(ball.Left-per*float64(below), reserve, per, sock)
	other, otherDone := o.beforeLeg(book.Places[1].Row)
	both := (ball.Left - per*float64(below+other)) / 2
	v.Shared = max(0, yarn.LegRoundsLeft(both, reserve, per, sock)-otherDone/2)
	v.FollowLeg = done + v.LegRounds
	v.Enough = v.LegRounds >= sock.LegRounds-done
	v.StripeRounds = yarn.StripeRounds(1000, sock.LegStitches, sock.Gauge, yarn.Thickness(o.plan.Design.Yarn))
	return &v
}

// beforeLeg is what a sock still takes before its leg, in stitches, and the leg rounds that are done.
func (o *onNeedles) beforeLeg(row int) (stitches, done int) {
	for i := range o.plan.Rows {
		switch o.plan.Rows[i].Section {
		case needle.Leg:
			if i < row {
				done++
			}
		case needle.Cuff, needle.BindOff:
		default:
			if i >= row {
				stitches += o.said[i].Worked
			}
		}
	}
	return stitches, done
}
