// Package tally reckons what the events on a pair of socks come to: where it
// stands, how long the rest takes, and what the yarn is still good for.
package tally

import (
	"acornstep/sock/figures/day"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/plan"
	"acornstep/sock/papers/yarn"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
)

// Tally is what the events come to.
type Tally struct {
	Book logbook.Book `json:"book"`
	Pace logbook.Pace `json:"pace"`
	// Sections still to knit, with the time they take at this pace.
	Sections []Ahead `json:"sections"`
	// StitchesLeft of both socks of the pair, whether they are begun or not.
	StitchesLeft int `json:"stitches_left"`
	SecondsLeft  int `json:"seconds_left"`
	// Each is what of that is the first sock's and what the second's.
	Each [2]ToGo `json:"each"`
	// DoneOn is the day on which the pair comes off the needles; empty when nothing is left.
	DoneOn day.Date `json:"done_on,omitempty"`
	// Due is left out unless the pair is a present for a day.
	Due *Due `json:"due,omitempty"`
	// Ball is left out until something was weighed.
	Ball *Ball `json:"ball,omitempty"`
	// Scraps are the other yarns of the sock: one for all its contrast, or one for each section.
	Scraps []Scrap `json:"scraps"`
	// Stripes are left out until somebody says how they repeat.
	Stripes *Stripes `json:"stripes,omitempty"`
}

// None stands where nothing is reckoned.
var None = Tally{Sections: []Ahead{}, Scraps: []Scrap{}}

// Stripes is the repeat of the stripes in rounds.
type Stripes struct {
	logbook.Stripes
	// OfDesign says that the repeat is the one of the design, told on the board.
	OfDesign   bool    `json:"of_design"`
	FootRounds float64 `json:"foot_rounds"`
	LegRounds  float64 `json:"leg_rounds"`
}

// Ahead is a section that is still to be knitted.
type Ahead struct {
	// Sock is 1 or 2 of the pair.
	Sock     int    `json:"sock"`
	Section  string `json:"section"`
	Rows     int    `json:"rows"`
	Stitches int    `json:"stitches"`
	Seconds  int    `json:"seconds"`
	// From and DoneOn are the days on which it is begun and done; see [Pace] and [evening] for how much is knitted on a day.
	From   day.Date `json:"from"`
	DoneOn day.Date `json:"done_on"`
}

// ToGo is what is still to knit of one sock.
type ToGo struct {
	Stitches int `json:"stitches"`
	Seconds  int `json:"seconds"`
	// DoneOn is the day on which it comes off the needles; empty when nothing is left.
	DoneOn day.Date `json:"done_on,omitempty"`
}

// Knitted is the plan that a sock is knitted by, with its rows traced.
type Knitted struct {
	Plan    *plan.Plan
	Knitted *knitted.Sock
}

// socks are a pair on the needles.
type socks [2]Knitted

// stitches are those of every row of both socks.
func (o socks) stitches() (list [2][]int) {
	for sock := range o {
		for i := range o[sock].Knitted.Steps {
			list[sock] = append(list[sock], o[sock].Knitted.Steps[i].Worked)
		}
	}
	return list
}

// worked counts the stitches of a yarn that are knitted when a sock, 1 or 2, stands before a row; see [Knitted.workedIn].
func (o socks) worked(name string) func(sock, row int) int {
	return func(sock, row int) int { return o[sock-1].workedIn(name, row) }
}

// Of reckons a pair on a day. The second sock may follow rows of its own.
func Of(pair [2]Knitted, events []logbook.Event, today day.Date) Tally {
	o := socks(pair)
	t := Tally{Book: logbook.Read(events), Sections: []Ahead{}, Scraps: []Scrap{}}
	t.Pace = logbook.PaceOf(t.Book.Standing, o.stitches())
	for sock, place := range t.Book.Places {
		if place.Finished {
			continue
		}
		by := o[sock]
		for i := place.Row; i < len(by.Knitted.Steps); i++ {
			name := string(by.Plan.Rows[i].Section)
			if n := len(t.Sections); n == 0 || t.Sections[n-1].Section != name || t.Sections[n-1].Sock != sock+1 {
				t.Sections = append(t.Sections, Ahead{Sock: sock + 1, Section: name})
			}
			last := &t.Sections[len(t.Sections)-1]
			last.Rows++
			last.Stitches += by.Knitted.Steps[i].Worked
			t.StitchesLeft += by.Knitted.Steps[i].Worked
			t.Each[sock].Stitches += by.Knitted.Steps[i].Worked
		}
		t.Each[sock].Seconds = int(t.Pace.TimeFor(t.Each[sock].Stitches).Seconds())
	}
	t.SecondsLeft = int(t.Pace.TimeFor(t.StitchesLeft).Seconds())
	t.date(today)
	t.Due = o.due(&t, today)
	t.Ball = o.ball(t.Book)
	t.Scraps = o.scraps(t.Book)
	d := &o[0].Plan.Design
	stripes, ok := logbook.StripesOf(t.Book.Standing)
	told := measure.Length(0)
	for _, colour := range yarn.Repeat(d, o[0].Plan.Summary.FootStitches) {
		told += colour
	}
	if told > 0 { // on the board: nobody is asked again
		stripes.Repeat, ok = float64(told), true
	}
	if ok {
		rounds := func(stitches int) float64 {
			return yarn.StripeRounds(measure.Length(stripes.Repeat), stitches, d.Gauge.PerMM(), yarn.Thickness(d.Yarn))
		}
		t.Stripes = &Stripes{stripes, told > 0, rounds(o[0].Plan.Summary.FootStitches), rounds(o[0].Plan.Summary.LegStitches)}
	}
	return t
}

// workedIn counts the stitches of the rows before a row that are knitted in a
// yarn: the sock's own has no name, contrast is all of the other, and the name
// of a section is what it takes of that.
func (k *Knitted) workedIn(name string, row int) int {
	n := 0
	for i := range min(row, len(k.Knitted.Steps)) {
		r := &k.Plan.Rows[i]
		section := string(r.Section)
		switch r.Section {
		case needle.CastOn:
			section = string(needle.Toe)
		case needle.BindOff:
			section = string(needle.Cuff)
		}
		if r.Colour == name || r.Colour == needle.Contrast && section == name {
			n += k.Knitted.Steps[i].Worked
		}
	}
	return n
}
