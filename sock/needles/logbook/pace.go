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

// touch is one on a device: with both socks on the needles at once it counts a row of each, and the time went into both.
type touch struct {
	device string
	at     int64
}

// PaceOf takes the time between rows that follow each other on one device,
// with the stitches that each row of a sock works; breaks and clocks that jump are left out.
func PaceOf(standing []Event, stitches [2][]int) Pace {
	var p Pace
	var each []float64
	last := map[string]Event{}
	touched := touches(standing, stitches)
	days := map[string]bool{}
	for _, e := range standing {
		before, seen := last[e.Device]
		last[e.Device] = e
		worked := touched[touch{e.Device, e.At}]
		if e.Kind != RowDone || e.Stray || !seen || before.Kind == Paused || worked == 0 {
			continue
		}
		took := time.Duration(e.At-before.At) * time.Millisecond
		rows := 1
		if before.Kind == RowDone && before.Sock == e.Sock {
			rows = e.Row - before.Row
		}
		per := took.Seconds() / float64(worked)
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

// touches are the stitches that were worked for each touch.
func touches(standing []Event, stitches [2][]int) map[touch]int {
	worked := map[touch]int{}
	counted := map[touch][2]bool{}
	for _, e := range standing {
		rows := stitches[max(1, e.Sock)-1]
		at := touch{e.Device, e.At}
		socks := counted[at]
		if e.Kind != RowDone || e.Stray || e.Row >= len(rows) || socks[max(1, e.Sock)-1] {
			continue
		}
		socks[max(1, e.Sock)-1] = true
		counted[at] = socks
		worked[at] += rows[e.Row]
	}
	return worked
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
