package logbook

import (
	"fmt"
	"math"
	"slices"
	"testing"
	"time"

	"pgregory.net/rapid"
)

// A ball that is weighed at any rows, while every stitch takes the same, tells what a stitch weighs; what a stitch takes
// before the first weighing or after the last does not matter, nor do notes and pauses between.
func TestTheScaleTellsTheStitch(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		per := rapid.Float64Range(0.001, 0.01).Draw(t, "grams a stitch")
		start := rapid.Float64Range(40, 120).Draw(t, "the ball")
		worked := func(_, row int) int { return 60 * row }
		var events []Event
		add := func(e Event) {
			e.ID, e.Device, e.Clock, e.Sock = fmt.Sprint("e", len(events)), "d", int64(len(events)+1), 1
			events = append(events, e)
		}
		weighed, first, last := 0, 0, 0
		for row := range rapid.IntRange(2, 80).Draw(t, "rows") {
			add(Event{Kind: RowDone, Row: row})
			if rapid.IntRange(0, 9).Draw(t, "what else") == 0 {
				add(Event{Kind: Paused, Row: row + 1})
			}
			if left := start - per*float64(worked(1, row+1)); left > 0 && rapid.IntRange(0, 6).Draw(t, "weigh") == 0 {
				add(Event{Kind: Weighed, Row: row + 1, Grams: left})
				if weighed == 0 {
					first = row
				}
				weighed, last = weighed+1, row
			}
		}
		ball, told := BallOf(events, "", worked)
		switch {
		case told != (weighed > 0):
			t.Fatalf("weighed %d times, told %v", weighed, told)
		case last > first && math.Abs(ball.PerStitch-per) > 1e-9:
			t.Fatalf("a stitch weighs %g, told %g", per, ball.PerStitch)
		case last == first && ball.PerStitch != 0:
			t.Fatalf("one weighing tells %g a stitch", ball.PerStitch)
		}
		if other, known := BallOf(events, "contrast", worked); known || other.Left != 0 {
			t.Fatal("another yarn was weighed")
		}
	})
}

// The pace is that of the rows, whatever breaks, nights and jumping clocks lie between them.
func TestOnlyRowsMakeThePace(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		const stitches = 60
		per := rapid.Float64Range(0.5, 6).Draw(t, "seconds a stitch")
		rows := rapid.IntRange(8, 60).Draw(t, "rows")
		counts := slices.Repeat([]int{stitches}, rows)
		now := time.Date(2026, 11, 1, 20, 0, 0, 0, time.UTC)
		var events []Event
		even := 0
		for row := range rows {
			switch rapid.IntRange(0, 9).Draw(t, "before the row") {
			case 0:
				now = now.Add(time.Duration(rapid.IntRange(1, 60).Draw(t, "hours")) * time.Hour)
			case 1:
				now = now.Add(-time.Duration(rapid.IntRange(1, 60).Draw(t, "back")) * time.Hour)
			default:
				now = now.Add(time.Duration(per * stitches * float64(time.Second)))
				even++
			}
			events = append(events, Event{ID: fmt.Sprint("r", row), Device: "d", Clock: int64(row + 1), At: now.UnixMilli(),
				Kind: RowDone, Version: 1, Sock: 1, Row: row})
		}
		p := PaceOf(events, [2][]int{counts, counts})
		if even < fewestRows+1 {
			return
		}
		if math.Abs(p.SecondsPerStitch-per) > 0.02 {
			t.Fatalf("%.3f s a stitch, told %.3f from %d rows", per, p.SecondsPerStitch, p.Counted)
		}
		if p.Counted > even {
			t.Fatalf("%d rows went evenly, %d were counted", even, p.Counted)
		}
	})
}

// Whatever is taken back, the events that stand are those that nobody took back, in the order of all devices, and
// a book of them alone says the same.
func TestTheStandingEventsAreTheBook(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		events := anyEvents(t)
		book := Read(events)
		if again := Read(book.Standing); again.Places != book.Places {
			t.Fatalf("%+v, from what stands %+v", book.Places, again.Places)
		}
		if !slices.IsSortedFunc(book.Standing, compare) {
			t.Fatal("what stands is out of order")
		}
		for _, e := range book.Standing {
			if e.Kind == Undone {
				t.Fatalf("%s takes something back and stands itself", e.ID)
			}
			if e.Clock > book.Clock {
				t.Fatalf("the clock is %d, an event has %d", book.Clock, e.Clock)
			}
		}
	})
}
