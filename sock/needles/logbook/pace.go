package logbook

import (
	"slices"
	"time"
)

// Pace is how fast the rows go, from rows that were really knitted.
type Pace struct {
	// SecondsPerStitch is the median; 0 while too little was knitted to say.
	SecondsPerStitch float64 `json:"seconds_per_stitch"`
	// Counted rows went into it.
	Counted int `json:"counted"`
	// Worked is the time at the needles, breaks left out.
	Worked time.Duration `json:"worked_ns"`
	// Days on which rows were knitted.
	Days int `json:"days"`
}

// longestRow is the time after which somebody has put the work down.
const longestRow = 20 * time.Minute

// quickest and slowest of what a stitch takes; outside, a row was ticked late or a clock jumped.
const (
	quickest = 0.2 // seconds
	slowest  = 30
)

// fewestRows are needed before a pace is told.
const fewestRows = 3

// PaceOf takes the time between rows that follow each other on one device,
// with the stitches that each row works; breaks and clocks that jump are left out.
func PaceOf(standing []Event, stitches []int) Pace {
	var p Pace
	var each []float64
	last := map[string]Event{}
	days := map[string]bool{}
	for _, e := range standing {
		before, seen := last[e.Device]
		last[e.Device] = e
		if e.Kind != RowDone || e.Stray || !seen || before.Kind == Paused || e.Row >= len(stitches) || stitches[e.Row] == 0 {
			continue
		}
		took := time.Duration(e.At-before.At) * time.Millisecond
		rows := 1
		if before.Kind == RowDone && before.Sock == e.Sock {
			rows = e.Row - before.Row
		}
		per := took.Seconds() / float64(stitches[e.Row])
		if rows != 1 || took <= 0 || took > longestRow || per < quickest || per > slowest {
			continue
		}
		p.Worked += took
		days[time.UnixMilli(e.At).UTC().Format(time.DateOnly)] = true
		each = append(each, per)
	}
	p.Counted, p.Days = len(each), len(days)
	if p.Counted >= fewestRows {
		slices.Sort(each)
		p.SecondsPerStitch = each[len(each)/2]
	}
	return p
}

// TimeFor is how long so many stitches take at this pace; 0 while nobody can say.
func (p Pace) TimeFor(stitches int) time.Duration {
	return time.Duration(p.SecondsPerStitch * float64(stitches) * float64(time.Second))
}

// DaysFor is on how many days of knitting, as long as those before, so many
// stitches are done; 0 while nobody can say.
func (p Pace) DaysFor(stitches int) int {
	if p.Days == 0 || p.Worked == 0 || p.SecondsPerStitch == 0 || stitches == 0 {
		return 0
	}
	perDay := p.Worked / time.Duration(p.Days)
	return int((p.TimeFor(stitches) + perDay - 1) / perDay)
}
