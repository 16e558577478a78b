package tally

import (
	"time"

	"acornstep/sock/figures/day"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/plan"
)

// evening is how long somebody knits on one day while no days were counted: an estimate.
const evening = 90 * time.Minute

// Due is a pair that is a present for a day.
type Due struct {
	On day.Date `json:"on"`
	// Days until then, today among them; none when the day is here, fewer when it is over.
	Days int `json:"days"`
	// Rows of both socks that are still to knit, and how many of them each day asks for.
	Rows     int `json:"rows"`
	RowsADay int `json:"rows_a_day"`
	// PairOn is when both are off the needles if it goes on like this; Late by how many days after the day.
	PairOn day.Date `json:"pair_on"`
	Late   int      `json:"late_days"`
}

// daysFor is on how many days so many stitches are done: as long as those
// before, or evenings at the usual pace while nobody can say.
func daysFor(pace logbook.Pace, stitches int) int {
	if days := pace.DaysFor(stitches); days > 0 {
		return days
	}
	takes := time.Duration(float64(stitches) / plan.UsualPace * float64(time.Hour))
	return int((takes + evening - 1) / evening)
}

// date gives each section its days: one section after the other, from tomorrow
// on, as today's knitting may be over. Short sections share a day.
func (t *Tally) date(today day.Date) {
	stitches, before := 0, today
	for i := range t.Sections {
		s := &t.Sections[i]
		stitches += s.Stitches
		s.Seconds = int(t.Pace.TimeFor(s.Stitches).Seconds())
		s.DoneOn = today.Add(max(1, daysFor(t.Pace, stitches)))
		s.From = min(before.Add(1), s.DoneOn)
		before, t.DoneOn = s.DoneOn, s.DoneOn
		t.Each[s.Sock-1].DoneOn = s.DoneOn
	}
}

// due reckons both socks of the pair, whether they are begun or not.
func (o socks) due(t *Tally, today day.Date) *Due {
	on, promised := logbook.PromisedFor(t.Book.Standing)
	if !promised {
		return nil
	}
	d := Due{On: on, Days: today.Until(on)}
	stitches := 0
	for _, s := range t.Sections {
		d.Rows += s.Rows
		stitches += s.Stitches
	}
	d.PairOn = today.Add(daysFor(t.Pace, stitches))
	d.Late = max(0, on.Until(d.PairOn))
	d.RowsADay = (d.Rows + max(1, d.Days) - 1) / max(1, d.Days)
	return &d
}
