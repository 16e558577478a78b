package logbook

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"
)

func row(id string, clock int64, sock, n int) Event {
	return Event{ID: id, Device: "d", Clock: clock, At: clock * 1000, Kind: RowDone, Version: 1, Sock: sock, Row: n}
}

func TestRowsAreCountedBySock(t *testing.T) {
	b := Read([]Event{row("a", 1, 1, 0), row("b", 2, 1, 1), row("c", 3, 2, 0)})
	assert.Equal(t, 2, b.Places[0].Row)
	assert.Equal(t, 1, b.Places[1].Row)
	assert.Equal(t, int64(3), b.Clock)
}

func TestUndoTakesBackAndCanBeTakenBack(t *testing.T) {
	events := []Event{row("a", 1, 1, 0), row("b", 2, 1, 1), {ID: "u", Device: "d", Clock: 3, Kind: Undone, Sock: 1, Of: "b"}}
	assert.Equal(t, 1, Read(events).Places[0].Row)
	events = append(events, Event{ID: "v", Device: "d", Clock: 4, Kind: Undone, Sock: 1, Of: "u"})
	assert.Equal(t, 2, Read(events).Places[0].Row, "undoing the undo")
	events = append(events, Event{ID: "w", Device: "e", Clock: 5, Kind: Undone, Sock: 1, Of: "gone"})
	assert.Equal(t, 2, Read(events).Places[0].Row, "nothing to undo")
}

// Two devices without a connection: one ticks rows 2 to 5, the other only 2 and 3, with a larger clock.
func TestADeviceThatLagsBehindTakesNoRowBack(t *testing.T) {
	var events []Event
	for i := range 5 {
		events = append(events, row(fmt.Sprint("a", i), int64(i+1), 1, i))
	}
	events = append(events, row("b2", 40, 1, 1), row("b3", 41, 1, 2))
	assert.Equal(t, 5, Read(events).Places[0].Row)
	events = append(events, Event{ID: "p", Device: "b", Clock: 42, Kind: Placed, Version: 1, Sock: 1, Row: 3})
	assert.Equal(t, 3, Read(events).Places[0].Row, "ripped back on purpose")
}

func TestHalfARound(t *testing.T) {
	events := []Event{row("a", 1, 1, 0), {ID: "h", Device: "d", Clock: 2, Kind: HalfDone, Sock: 1, Row: 1}}
	assert.Equal(t, Place{Row: 1, Half: true, Last: "h"}, Read(events).Places[0])
	assert.Equal(t, Place{Row: 2, Last: "b"}, Read(append(events, row("b", 3, 1, 1))).Places[0])
}

// anyEvents are events of three devices with honest logical clocks, undo and placing among them.
func anyEvents(t *rapid.T) []Event {
	var events []Event
	seen := map[string]int64{}
	for i := range rapid.IntRange(0, 60).Draw(t, "events") {
		device := rapid.SampledFrom([]string{"phone", "tablet", "pedal"}).Draw(t, "device")
		if rapid.IntRange(0, 3).Draw(t, "hears") == 0 {
			for _, e := range events {
				seen[device] = max(seen[device], e.Clock)
			}
		}
		seen[device]++
		e := Event{
			ID: fmt.Sprintf("%s-%d", device, i), Device: device, Clock: seen[device], Version: rapid.IntRange(1, 3).Draw(t, "version"),
			Sock: rapid.IntRange(1, 2).Draw(t, "sock"),
			Row:  rapid.IntRange(0, 40).Draw(t, "row"),
			Kind: rapid.SampledFrom([]Kind{RowDone, RowDone, RowDone, HalfDone, Placed, Undone, Noted}).Draw(t, "kind"),
		}
		if e.Kind == Undone && len(events) > 0 {
			of := rapid.SampledFrom(events).Draw(t, "of")
			e.Of, e.Clock = of.ID, max(e.Clock, of.Clock+1)
			seen[device] = e.Clock
		}
		events = append(events, e)
	}
	return events
}

// Events heard in any order, in any parts and any number of times come to the same book.
func TestOrderAndRepetitionChangeNothing(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		events := anyEvents(t)
		want := Read(events)
		shuffled := append([]Event{}, events...)
		seed := rapid.Uint64().Draw(t, "seed")
		rand.New(rand.NewPCG(seed, 1)).Shuffle(len(shuffled), func(i, j int) { shuffled[i], shuffled[j] = shuffled[j], shuffled[i] })
		cut := rapid.IntRange(0, len(shuffled)).Draw(t, "cut")
		again := Read(Merge(shuffled[cut:], shuffled[:cut], events))
		if fmt.Sprint(again) != fmt.Sprint(want) {
			t.Fatalf("%v\n%v", again, want)
		}
	})
}

func TestUndoingTheLastStepGivesTheBookBefore(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		events := anyEvents(t)
		before := Read(events)
		next := row("next", before.Clock+1, 1, before.Places[0].Row)
		undone := Read(append(events, next, Event{ID: "undo", Device: "d", Clock: before.Clock + 2, Kind: Undone, Sock: 1, Of: "next"}))
		if undone.Places != before.Places {
			t.Fatalf("%v, not %v", undone.Places, before.Places)
		}
		if Read(append(events, next)).Places[0].Row != before.Places[0].Row+1 {
			t.Fatal("the row was not counted")
		}
	})
}

// Rows of 60 stitches: 120, 120 and 150 s, then a break of a day, a clock that jumps back, and 90 s: the median of 2, 2, 2.5 and 1.5 s.
func TestPaceLeavesBreaksOut(t *testing.T) {
	at := []int64{0, 120, 240, 390, 86_790, 3000, 3090}
	var events []Event
	for i, s := range at {
		e := row(fmt.Sprint(i), int64(i+1), 1, i)
		e.At = s * 1000
		events = append(events, e)
	}
	stitches := []int{60, 60, 60, 60, 60, 60, 60}
	p := PaceOf(events, [2][]int{stitches, stitches})
	assert.Equal(t, 4, p.Counted)
	assert.InDelta(t, 2, p.SecondsPerStitch, 1e-9)
	assert.Equal(t, 8*time.Minute, p.Worked)
	assert.Equal(t, 2*time.Minute, p.TimeFor(60))
	assert.Equal(t, 1, p.Days, "the eight minutes lie on one day")
	assert.Equal(t, 3, p.DaysFor(600), "twenty minutes at eight a day")
	assert.Zero(t, PaceOf(events[:2], [2][]int{stitches, stitches}).SecondsPerStitch)
}

// Both socks at once, a touch every 240 s: 240 s for 60 stitches of the first and 60 of the second are 2 s a stitch.
func TestPaceOfBothAtOnce(t *testing.T) {
	var events []Event
	for i := range 5 {
		for sock := 1; sock <= 2; sock++ {
			e := row(fmt.Sprint(sock, i), int64(len(events)+1), sock, i)
			e.At = int64(i) * 240_000
			events = append(events, e)
		}
	}
	p := PaceOf(events, [2][]int{{60, 60, 60, 60, 60}, {60, 60, 60, 60, 60}})
	assert.InDelta(t, 2, p.SecondsPerStitch, 1e-9)
	assert.Equal(t, 16*time.Minute, p.Worked)
}

// 100 g at 600 stitches, 88 g at 4600: 3 mg a stitch. Then another ball.
func TestWeighingTellsTheStitch(t *testing.T) {
	worked := func(_, row int) int { return row * 100 }
	weigh := func(clock int64, grams float64) Event {
		return Event{ID: fmt.Sprint("w", clock), Device: "d", Clock: clock, Kind: Weighed, Sock: 1, Grams: grams}
	}
	_, weighed := BallOf([]Event{row("a", 1, 1, 5)}, "", worked)
	assert.False(t, weighed)
	events := []Event{row("a", 1, 1, 5), weigh(2, 100), row("b", 3, 1, 45), weigh(4, 88)}
	b, _ := BallOf(events, "", worked)
	assert.InDelta(t, 0.003, b.PerStitch, 1e-12)
	assert.InDelta(t, 88, b.Left, 0)
	b, _ = BallOf(append(events, weigh(5, 97)), "", worked)
	assert.Contains(t, b.Doubt, "is it another one")
	assert.Zero(t, b.PerStitch)
	b, _ = BallOf(append(events, weigh(5, 97), row("c", 6, 1, 65), weigh(7, 91)), "", worked)
	assert.InDelta(t, 6./2000, b.PerStitch, 1e-12)
	assert.Empty(t, b.Doubt)
	late := append([]Event{row("late", 5, 1, 12)}, events...)
	b, _ = BallOf(Read(append(late, weigh(6, 82))).Standing, "", worked)
	assert.InDelta(t, 18./4000, b.PerStitch, 1e-12, "a device that lags behind takes no row back")
	contrast := weigh(8, 20)
	contrast.Text = "contrast"
	b, _ = BallOf(append(events, contrast), "", worked)
	assert.InDelta(t, 88, b.Left, 0, "the other yarn is another ball")
	b, _ = BallOf(append(events, contrast), "contrast", worked)
	assert.InDelta(t, 20, b.Left, 0)
}

func TestEventsThatCannotBe(t *testing.T) {
	e := Event{ID: "with blank", Device: "", Clock: 0, At: -1, Kind: "knot", Version: 0, Sock: 3, Row: -1, Grams: 9e9, Length: -2,
		Text: strings.Repeat("x", 3000)}
	faults := e.Validate()
	for _, field := range []string{"id", "device", "clock", "at_ms", "kind", "version", "sock", "row", "grams", "length_mm", "text"} {
		assert.ErrorContains(t, faults, field+": ")
	}
	good := row("a", 1, 1, 0)
	assert.Empty(t, good.Validate())
	good.Kind = Undone
	assert.ErrorContains(t, good.Validate(), "of: ")
	promise := row("b", 1, 1, 0)
	promise.Kind, promise.Text = Promised, "Christmas"
	assert.ErrorContains(t, promise.Validate(), `text: read "Christmas"; a day looks like 2026-11-23`)
	promise.Text = ""
	assert.Empty(t, promise.Validate(), "the promise is taken back")
}

func TestStripesAreSaidAnew(t *testing.T) {
	_, ok := StripesOf([]Event{row("a", 1, 1, 0)})
	assert.False(t, ok)
	said := []Event{{ID: "a", Kind: Striped, Length: 6200, Text: "with the first blue"}, {ID: "b", Kind: Striped, Length: 6400}}
	s, ok := StripesOf(said)
	assert.True(t, ok)
	assert.Equal(t, Stripes{Repeat: 6400, Began: "with the first blue"}, s)
	assert.Equal(t, "stripes repeat after 6.2 m. with the first blue", said[0].String())
}
