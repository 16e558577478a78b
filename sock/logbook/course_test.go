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
