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

// Step is what a version of a plan says of the version before it.
type Step struct {
	// Places are where rows done of that version lie in this one; nil for the first, which says nothing.
	Places []int
	// Second are those of the second sock where they are others.
	Second []int
	// Holds is, for each sock, up to how many rows done both versions are the same sock; nil where nobody kept it.
	Holds *[2]int
}

// PlacesOf are those of a sock, 1 or 2.
func (s *Step) PlacesOf(sock int) []int {
	if sock == 2 && s.Second != nil {
		return s.Second
	}
	return s.Places
}

// Courses are those of both socks of a pair; the second has its own where it followed a plan of its own.
type Courses struct {
	First Course `json:"first"`
	// Second is nil where both went alike.
	Second Course `json:"second,omitempty"`
	// Holds is, for each sock and version, up to how many rows done that version and the newest are the same sock; what is
	// ticked beyond is a row that became another. A version beyond the list holds for ever.
	Holds [2][]int `json:"holds"`
}

// CoursesOf puts the courses of both socks together; a step that says nothing of the second sock holds for both.
func CoursesOf(steps []Step) Courses {
	var of [2][][]int
	own := false
	for i := range steps {
		of[0] = append(of[0], steps[i].Places)
		of[1] = append(of[1], steps[i].PlacesOf(2))
		own = own || steps[i].Second != nil
	}
	c := Courses{First: CourseOf(of[0])}
	if own {
		c.Second = CourseOf(of[1])
	}
	for i := range c.Holds {
		c.Holds[i] = holdsOf(steps, i+1)
	}
	return c
}

// forEver is more rows than a sock has.
const forEver = maxRow + 1

// holdsOf looks back from the newest version: what a version holds is what it has in common with the next one, as far as that holds.
func holdsOf(steps []Step, sock int) []int {
	holds := make([]int, len(steps))
	for v := len(steps) - 1; v >= 0; v-- {
		if v == len(steps)-1 {
			holds[v] = forEver
			continue
		}
		next := &steps[v+1]
		places := next.PlacesOf(sock)
		holds[v] = forEver
		if next.Holds != nil && len(places) > 0 {
			holds[v] = next.Holds[sock-1]
		}
		if len(places) == 0 {
			continue
		}
		at := min(holds[v], len(places)-1)
		for at > 0 && places[at] > holds[v+1] {
			at--
		}
		if at < len(places)-1 || holds[v] < forEver {
			holds[v] = at
		}
	}
	return holds
}

// of is the course of a sock, 1 or 2.
func (c *Courses) of(sock int) Course {
	if sock == 2 && c.Second != nil {
		return c.Second
	}
	return c.First
}

// Place is where so many rows of a version of a sock, 1 or 2, lie in the newest.
func (c *Courses) Place(sock, version, rows int) int { return c.of(sock).Place(version, rows) }

// Hold is up to how many rows done a version and the newest are the same sock, 1 or 2.
func (c *Courses) Hold(sock, version int) int {
	holds := c.Holds[max(1, min(sock, 2))-1]
	if version < 1 || version > len(holds) {
		return forEver
	}
	return holds[version-1]
}

// Today gives events on the rows of the newest version; they go on saying on which they were made. What
// counts rows that became others is marked as a stray: it is kept, and counts as far as both versions are the same.
func (c Courses) Today(events []Event) []Event {
	if len(c.First) < 2 {
		return events
	}
	moved := make([]Event, 0, len(events))
	for _, e := range events {
		course := c.of(e.Sock)
		place, next := course.Place(e.Version, e.Row), course.Place(e.Version, e.Row+1)
		hold := c.Hold(e.Sock, e.Version)
		switch {
		case e.rows() > hold:
			e.Stray, e.Held, e.counted, e.Row = true, course.Place(e.Version, hold), e.rows(), place
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
