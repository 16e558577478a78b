package tally

import (
	"fmt"

	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/needle"
)

// Ball is the sock's own yarn and what it is still good for.
type Ball struct {
	logbook.Ball
	// Each is how far it reaches on the first and on the second sock, when that one alone is knitted from it.
	Each [2]Reach `json:"each"`
	// SharedLeg is how tall both legs become, in rounds, when both socks are knitted from it.
	SharedLeg int `json:"shared_leg_rounds"`
	// Pair is what both socks still take of it as they are planned, in grams; Enough says whether so much is there with a reserve.
	Pair   float64 `json:"pair_g"`
	Enough bool    `json:"enough"`
	// Follow are the legs that follow the yarn, those of the pair first; none where it does not reach for what is knitted.
	Follow []Follow `json:"follow"`
	// Calibrated: weighed grams a stitch, not the first guess.
	Calibrated bool `json:"calibrated"`
}

// Reach is the leg that a ball gives one sock.
type Reach struct {
	// LegRounds that are left in it, with the rest of the sock and a reserve kept back.
	LegRounds int `json:"leg_rounds"`
	// FollowLeg is how tall the leg becomes, in rounds, when it is knitted until the yarn runs out.
	FollowLeg int `json:"follow_leg_rounds"`
	// Enough says whether the leg as planned is among them.
	Enough bool `json:"enough"`
	// Needs is what the sock still takes of it as it is planned, in grams.
	Needs float64 `json:"needs_g"`
	// Working is the arithmetic in a line.
	Working string `json:"working"`
}

// Follow is a leg that is knitted until the yarn runs out.
type Follow struct {
	// Socks are those whose leg becomes so tall: both, or one that has the ball for itself.
	Socks []int `json:"socks"`
	// Rounds of the leg below its cuff: the plain ones and whole repeats of the pattern.
	Rounds int `json:"rounds"`
	// Repeat is how many rounds its pattern repeats over.
	Repeat int `json:"repeat"`
	// Height is that of leg and cuff, from the end of the heel, and Edge that of the cuff's edge above the floor, both in mm.
	Height measure.Length `json:"height_mm"`
	Edge   measure.Length `json:"edge_mm"`
	// Calf is how high the calf is widest, in mm above the floor; 0 where nobody measured it.
	Calf measure.Length `json:"calf_mm"`
	// Takes is what each sock still takes with such a leg, in grams.
	Takes [2]float64 `json:"takes_g"`
}

// weight is what the rows of a pair weigh in a ball.
type weight struct {
	socks
	// stitch is grams a stitch.
	stitch float64
}

func (o socks) ball(book logbook.Book) *Ball {
	weighed, ok := logbook.BallOf(book.Standing, "", o.worked(""))
	if !ok {
		return nil
	}
	b := Ball{Ball: weighed, Calibrated: weighed.PerStitch > 0}
	w := weight{o, weighed.PerStitch}
	if w.stitch == 0 {
		w.stitch = yarn.GramsPerStitch(&o[0].Plan.Design)
	}
	free := b.Left * (1 - yarn.Reserve)
	for i, place := range book.Places {
		b.Each[i] = w.reach(i, place, b.Left)
		b.Pair += b.Each[i].Needs
	}
	b.Enough = b.Pair <= free
	b.SharedLeg = w.shared(book, free)
	b.Follow = w.follows(book, &b)
	return &b
}

// round is what a round of a sock's leg weighs, in grams.
func (w *weight) round(sock int) float64 { return w.stitch * float64(w.socks[sock].leg().Stitches) }

// rest is what a sock takes beside the rounds of its leg, in grams: what is still to come below it, its cuff and bind-off.
func (w *weight) rest(sock int, place logbook.Place) (grams float64, done int) {
	below, done := w.socks[sock].beforeLeg(place.Row)
	return w.stitch*float64(below) + yarn.KeptBack(w.stitch, w.socks[sock].leg()), done
}

// reach is how far the ball reaches on one sock alone.
func (w *weight) reach(sock int, place logbook.Place, left float64) Reach {
	rounds := w.socks[sock].Plan.Summary.LegRounds
	if place.Finished {
		return Reach{FollowLeg: rounds, Enough: true, Working: "off the needles"}
	}
	free := left * (1 - yarn.Reserve)
	below, done := w.socks[sock].beforeLeg(place.Row)
	rest, _ := w.rest(sock, place)
	perRound := w.round(sock)
	r := Reach{LegRounds: max(0, int((free-rest)/perRound)), Needs: rest + float64(max(0, rounds-done))*perRound}
	r.FollowLeg = done + r.LegRounds
	r.Enough = r.FollowLeg >= rounds
	r.Working = fmt.Sprintf("(%.1f g × %.2f − %.1f g below the leg − %.1f g for cuff and bind-off) / %.2f g a round → %d",
		left, 1-yarn.Reserve, w.stitch*float64(below), rest-w.stitch*float64(below), perRound, r.LegRounds)
	return r
}

// shared is how tall both legs become, in rounds, when all that is free goes into both; of one sock alone when the other is off.
func (w *weight) shared(book logbook.Book, free float64) int {
	perRound, rounds, open := 0.0, 0.0, 0
	for i, place := range book.Places {
		if place.Finished {
			continue
		}
		rest, done := w.rest(i, place)
		free -= rest
		perRound += w.round(i)
		rounds += float64(done) * w.round(i)
		open++
	}
	if open == 0 {
		return 0
	}
	return max(0, int((free+rounds)/perRound))
}

// follows are the legs that the yarn gives: both alike while both socks are on the needles, and each alone, for a ball that is split.
func (w *weight) follows(book logbook.Book, b *Ball) []Follow {
	list := []Follow{}
	var on []int
	for i, place := range book.Places {
		if !place.Finished && w.socks[i].Plan.HasDesign() {
			on = append(on, i)
		}
	}
	if len(on) == 2 {
		list = w.followed(list, book, b.SharedLeg, on...)
	}
	for _, i := range on {
		list = w.followed(list, book, b.Each[i].FollowLeg, i)
	}
	return list
}

// followed adds legs of at most so many rounds, in whole repeats. A leg that is taller already stays.
func (w *weight) followed(list []Follow, book logbook.Book, most int, on ...int) []Follow {
	p := w.socks[on[0]].Plan
	d := &p.Design
	s := knit.Measure(d)
	gauge := d.Gauge.PerMM()
	above := p.Summary.CuffRounds + len(s.Heel.GussetRounds)
	f := Follow{Repeat: max(1, s.PatternRounds())}
	most = min(most, gauge.RoundsIn(kneeOf(d)-s.HeelEnd())-above)
	f.Rounds = max(0, most)
	if most > s.PlainRounds {
		f.Rounds -= (most - s.PlainRounds) % f.Repeat
	}
	for _, i := range on {
		f.Socks = append(f.Socks, i+1)
		rest, done := w.rest(i, book.Places[i])
		if f.Rounds < done || most <= 0 {
			return list
		}
		f.Takes[i] = rest + float64(f.Rounds-done)*w.round(i)
	}
	f.Height = gauge.Height(float64(f.Rounds + above))
	f.Edge = s.HeelEnd() + f.Height
	if d.Foot.CalfHeight != nil {
		f.Calf = *d.Foot.CalfHeight
	}
	return append(list, f)
}

// kneeOf is how high above the floor the place below the knee lies: no leg goes higher, and yarn that would go further is left.
func kneeOf(d *design.Design) measure.Length {
	if d.Foot.KneeHeight != nil {
		return *d.Foot.KneeHeight
	}
	return design.KneeHeight * d.Foot.Length
}

// beforeLeg is what a sock still takes of its own yarn before its leg, in stitches, and the leg rounds that are done.
func (k *Knitted) beforeLeg(row int) (stitches, done int) {
	for i := range k.Plan.Rows {
		r := &k.Plan.Rows[i]
		switch r.Section {
		case needle.Leg:
			if i < row {
				done++
			}
		case needle.Cuff, needle.BindOff:
		default:
			if i >= row && r.Colour == "" {
				stitches += k.Knitted.Steps[i].Worked
			}
		}
	}
	return stitches, done
}

// leg is what the reckoning needs to know of the leg, from the rows.
func (k *Knitted) leg() yarn.Leg {
	leg := yarn.Leg{Stitches: k.Plan.Summary.LegStitches, CuffRounds: k.Plan.Summary.CuffRounds}
	for i := range k.Plan.Rows {
		if r := &k.Plan.Rows[i]; r.Section == needle.Cuff && r.Colour == needle.Contrast {
			leg.OtherCuff = true
		}
	}
	return leg
}
