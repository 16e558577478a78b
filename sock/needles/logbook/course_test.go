package logbook

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"pgregory.net/rapid"
)

// anySteps are three versions of a plan of 41 rows or so: places never cross, and rows fall away or come in between.
func anySteps(t *rapid.T) [][]int {
	steps := [][]int{nil}
	rows := 41
	for range 2 {
		places := make([]int, rows+1)
		for i := range places[1:] {
			places[i+1] = places[i] + rapid.SampledFrom([]int{1, 1, 1, 1, 1, 0, 2}).Draw(t, "step")
		}
		steps, rows = append(steps, places), places[rows]
	}
	return steps
}

// anyPair are the same for a pair whose second sock goes its own way now and then, and which knows how far two versions are the same.
func anyPair(t *rapid.T) []Step {
	steps := make([]Step, 3)
	second := anySteps(t)
	for i, places := range anySteps(t) {
		steps[i].Places = places
		if i == 0 {
			continue
		}
		if rapid.Bool().Draw(t, "own way") {
			steps[i].Second = second[i]
		}
		steps[i].Holds = &[2]int{}
		for sock := range steps[i].Holds {
			steps[i].Holds[sock] = rapid.IntRange(0, len(steps[i].PlacesOf(sock+1))-1).Draw(t, "holds")
		}
	}
	return steps
}

// A foot of ten rows becomes one of seven when five are done, and a third version has the heel otherwise from its
// second row on. What a device ticked on the first meanwhile is kept: it counts as far as the rows are the same,
// and is asked about until somebody says where the sock is.
func TestATickOfARowThatBecameAnotherIsAsked(t *testing.T) {
	shorter := Step{Places: []int{0, 1, 2, 3, 4, 5, 6, 7, 7, 7, 7, 8, 9, 10, 11}, Holds: &[2]int{7, 14}}
	shorter.Second = []int{0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14}
	other := Step{Places: []int{0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11}, Holds: &[2]int{8, 12}}
	other.Second = shorter.Second
	c := CoursesOf([]Step{{}, shorter, other})
	assert.Equal(t, []int{7, 8, forEver}, c.Holds[0])
	tick := func(id string, version, sock, row int, kind Kind) Event {
		return Event{ID: id, Clock: int64(len(id)), Kind: kind, Version: version, Sock: sock, Row: row}
	}
	read := func(events ...Event) Book { return Read(c.Today(events)) }
	book := read(tick("a", 1, 1, 6, RowDone))
	assert.Equal(t, 7, book.Places[0].Row)
	assert.Empty(t, book.Strays, "seven rows are the same in all three")

	book = read(tick("a", 1, 1, 6, RowDone), tick("bb", 1, 1, 11, RowDone))
	assert.Equal(t, 7, book.Places[0].Row, "counted as far as they are the same")
	assert.Equal(t, []Stray{{ID: "bb", Sock: 1, Version: 1, Rows: 12, Held: 7}}, book.Strays)
	assert.Len(t, book.Standing, 2, "and kept")
	assert.Len(t, read(tick("a", 2, 1, 8, HalfDone)).Strays, 1, "half of a row that became another")
	assert.Empty(t, read(tick("a", 3, 1, 8, RowDone)).Strays, "made on the newest")
	assert.Empty(t, read(tick("a", 1, 1, 11, Noted)).Strays, "a note counts no rows")
	assert.Len(t, read(tick("a", 1, 2, 13, RowDone)).Strays, 1, "the second sock holds twelve")
	book = read(tick("a", 1, 1, 11, RowDone), tick("bb", 3, 1, 9, Placed))
	assert.Empty(t, book.Strays, "somebody said where it is")
	assert.Equal(t, 9, book.Places[0].Row)
	// Where another count was cast on before the first row was told, that row is another too.
	anew := CoursesOf([]Step{{}, {Places: []int{0, 1, 2}, Holds: &[2]int{}}})
	assert.Len(t, Read(anew.Today([]Event{tick("a", 1, 1, 0, RowDone)})).Strays, 1)
	book = read(tick("a", 1, 1, 11, RowDone), Event{ID: "bb", Clock: 2, Kind: Undone, Version: 3, Sock: 1, Of: "a"})
	assert.Empty(t, book.Strays, "taken back")
}

// Whatever the versions hold, a tick never counts more rows than it says, and one that holds counts all of them.
func TestAStrayCountsAsFarAsItHolds(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		c := CoursesOf(anyPair(t))
		e := Event{ID: "a", Clock: 1, Kind: RowDone, Version: rapid.IntRange(1, 3).Draw(t, "version"),
			Sock: rapid.IntRange(1, 2).Draw(t, "sock"), Row: rapid.IntRange(0, 40).Draw(t, "row")}
		book := Read(c.Today([]Event{e}))
		place, hold := book.Places[e.Sock-1].Row, c.Hold(e.Sock, e.Version)
		if got := len(book.Strays) == 1; got != (e.Row+1 > hold) {
			t.Fatalf("%d rows are ticked, %d hold: strays %v", e.Row+1, hold, book.Strays)
		}
		if want := c.Place(e.Sock, e.Version, min(e.Row+1, hold)); place != want {
			t.Fatalf("stands at %d, not at %d", place, want)
		}
	})
}

// A foot of ten rows becomes one of seven after the fifth: five stay, three fall away, and the heel of four follows.
func TestRowsOfAnOlderVersionAreFoundInTheNewest(t *testing.T) {
	places := []int{0, 1, 2, 3, 4, 5, 6, 7, 7, 7, 7, 8, 9, 10, 11}
	c := CourseOf([][]int{nil, places})
	on := func(version int, kind Kind, row int) Place {
		return Read(Courses{First: c}.Today([]Event{{ID: "a", Clock: 1, Kind: kind, Version: version, Sock: 1, Row: row}})).Places[0]
	}
	assert.Equal(t, 9, on(1, RowDone, 11).Row, "the second row of the heel is done on either")
	assert.Equal(t, 12, on(2, RowDone, 11).Row)
	assert.Equal(t, 7, on(1, RowDone, 8).Row, "the foot is done: the heel comes")
	assert.Equal(t, 7, on(1, Placed, 9).Row)
	half := on(1, HalfDone, 10)
	assert.Equal(t, 7, half.Row)
	assert.True(t, half.Half)
	half = on(1, HalfDone, 8)
	assert.Equal(t, 7, half.Row)
	assert.False(t, half.Half, "half of a row that there is no more")
	assert.Equal(t, 11, c.Place(1, 99))
	assert.Equal(t, 4, c.Place(3, 4), "a version that nobody knows moves nothing")
	// A third version adds two rows behind the toe of three.
	c = CourseOf([][]int{nil, places, {0, 1, 2, 3, 6, 7, 8, 9, 10, 11, 12, 13}})
	assert.Equal(t, 11, c.Place(1, 12))
}

// Moving events and then counting comes to the same as counting and then moving, where nobody stopped within a row.
func TestMovingAndCountingGoTogether(t *testing.T) {
	rapid.Check(t, func(t *rapid.T) {
		c := CourseOf(anySteps(t))
		events := anyEvents(t)
		for i := range events {
			events[i].Version = 1
			if events[i].Kind == HalfDone {
				events[i].Kind = RowDone
			}
		}
		then, now := Read(events).Places, Read(Courses{First: c}.Today(events)).Places
		for i := range then {
			want := c.Place(1, then[i].Row)
			if now[i].Row != want && then[i].Row > 0 {
				t.Fatalf("row %d is %d now, counted as %d", then[i].Row, want, now[i].Row)
			}
		}
	})
}
