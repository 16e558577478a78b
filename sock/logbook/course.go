package logbook

import "slices"

// Course is how the places of a pair moved from version to version of its plan:
// entry v-1 is for version v, and says for every number of rows done on it how
// many of the newest version that is. An entry without numbers, and a version
// beyond the list, moved nothing.
type Course [][]int

// CourseOf puts together what each version says of the one before it: steps[v-1]
// are the places of version v-1 in version v. The first says nothing.
func CourseOf(steps [][]int) Course {
	if len(steps) == 0 {
		return Course{}
	}
	c := make(Course, len(steps))
	c[len(steps)-1] = []int{}
	for v := len(steps) - 2; v >= 0; v-- {
		c[v] = slices.Clone(steps[v+1])
		for i, place := range c[v] {
			c[v][i] = c.Place(v+2, place)
		}
	}
	return c
}

// Place is where so many rows of a version lie in the newest.
func (c Course) Place(version, rows int) int {
	if version < 1 || version > len(c) || len(c[version-1]) == 0 {
		return rows
	}
	places := c[version-1]
	return places[min(max(rows, 0), len(places)-1)]
}

// Courses are those of both socks of a pair; the second has its own where it followed a plan of its own.
type Courses struct {
	First Course
	// Second is nil where both went alike.
	Second Course
}

// CoursesOf puts the courses of both socks together; a step that says nothing of the second sock holds for both.
func CoursesOf(steps, second [][]int) Courses {
	c := Courses{First: CourseOf(steps)}
	if !slices.ContainsFunc(second, func(places []int) bool { return places != nil }) {
		return c
	}
	own := slices.Clone(steps)
	for i, places := range second {
		if places != nil && i < len(own) {
			own[i] = places
		}
	}
	c.Second = CourseOf(own)
	return c
}

// of is the course of a sock, 1 or 2.
func (c Courses) of(sock int) Course {
	if sock == 2 && c.Second != nil {
		return c.Second
	}
	return c.First
}

// Today gives events on the rows of the newest version; they go on saying on which they were made.
func (c Courses) Today(events []Event) []Event {
	if len(c.First) < 2 {
		return events
	}
	moved := make([]Event, 0, len(events))
	for _, e := range events {
		c := c.of(e.Sock)
		place, next := c.Place(e.Version, e.Row), c.Place(e.Version, e.Row+1)
		switch {
		case e.Kind == RowDone && next == 0:
			continue // neither the row nor any before it is there any more
		case e.Kind == RowDone:
			// What counts is how much is done after it.
			e.Row = next - 1
		case e.Kind == HalfDone && next != place+1 && place > 0:
			// The row is none any more, and so is its half: what was done before it counts.
			e.Kind, e.Row = RowDone, place-1
		default:
			e.Row = place
		}
		moved = append(moved, e)
	}
	return moved
}
