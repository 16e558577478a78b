package web

import (
	"context"
	"errors"
	"fmt"
	"strings"

	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/rows/needle"
)

// Strayed are rows that were ticked on a version of the plan, by a device that did not know yet that they had
// become others. The ticks are kept, and count as far as both versions are the same; what lies on the needles is asked.
type Strayed struct {
	// Sock is 1 or 2; Version the one on which they were ticked, Rows how many of its rows are done by the last of them.
	Sock    int `json:"sock"`
	Version int `json:"version"`
	Rows    int `json:"rows"`
	// Row is the next row of the newest version as it is counted now; Alike the one that comes after as many rows of the
	// same sections.
	Row   int `json:"row"`
	Alike int `json:"alike"`
	// Text asks for it, in a sentence; Next and AlikeNext name both rows.
	Text      string `json:"text"`
	Next      string `json:"next"`
	AlikeNext string `json:"alike_next"`
}

// strayed puts what strays from the newest version into one question for each sock.
func (s *server) strayed(c context.Context, o *onNeedles, strays []logbook.Stray) ([]Strayed, error) {
	asked := []Strayed{}
	for sock := 1; sock <= 2; sock++ {
		var last *logbook.Stray
		for i := range strays {
			if of := &strays[i]; of.Sock == sock &&
				(last == nil || of.Version > last.Version || of.Version == last.Version && of.Rows > last.Rows) {
				last = of
			}
		}
		if last == nil {
			continue
		}
		one, err := s.strayedFrom(c, o, last)
		if err != nil {
			return nil, err
		}
		asked = append(asked, one)
	}
	return asked, nil
}

func (s *server) strayedFrom(c context.Context, o *onNeedles, last *logbook.Stray) (Strayed, error) {
	names := func(e *knitting.Edition, row int) string { return rowName(e, last.Sock, row) }
	q := Strayed{Sock: last.Sock, Version: last.Version, Rows: last.Rows, Row: o.tally(s.today()).Book.Places[last.Sock-1].Row}
	q.Alike = o.Courses.Place(last.Sock, last.Version, last.Rows)
	q.Next, q.AlikeNext = names(o.Edition, q.Row), names(o.Edition, q.Alike)
	old, err := s.Logbook.Edition(c, o.id, last.Version)
	if errors.Is(err, knitting.ErrNoRows) {
		q.Text = fmt.Sprintf("Rows of the %s sock were ticked by a plan of which only the counts are left. Which row comes next?",
			[]string{"", "first", "second"}[last.Sock])
		return q, nil
	}
	if err != nil {
		return q, err
	}
	held := o.Courses.Hold(last.Sock, last.Version)
	n := countRows(old.PlanOf(last.Sock).Rows, held, last.Rows)
	first, end := names(old, held), names(old, last.Rows-1)
	if n > 1 {
		first += " to " + end
	}
	q.Text = fmt.Sprintf("%s of the %s sock, %s, %s ticked on a device that did not know of the plan as it is now: those rows have become others. The ticks are kept. What is on the needles?",
		measure.Count(n, "row"), []string{"", "first", "second"}[last.Sock], first, map[bool]string{true: "was", false: "were"}[n == 1])
	return q, nil
}

// rowName is a row of a sock as people say it.
func rowName(e *knitting.Edition, sock, row int) string {
	rows := e.PlanOf(sock).Rows
	if row >= len(rows) {
		return "the end"
	}
	return fmt.Sprintf("%s %d", strings.ReplaceAll(string(rows[row].Section), "_", " "), needle.NumberOf(rows, row))
}

// countRows counts the rows from one to another, the latter not counted, as people do: a turn alone is none, unless it is all.
func countRows(rows []needle.Row, from, to int) int {
	n := 0
	for i := from; i < min(to, len(rows)); i++ {
		if !rows[i].TurnsOnly() {
			n++
		}
	}
	return max(n, min(1, to-from))
}

// placeAt writes down that a sock stands before a row, as somebody answered it; it is said by the program.
func (s *server) placeAt(c call[ReplanQuestion], o *onNeedles, version, sock, row int) error {
	fresh, err := s.shelf.sock(c, c.ID)
	if err != nil {
		return err
	}
	_, err = s.Logbook.AddEvents(c, o.id, []logbook.Event{{
		ID: fmt.Sprintf("placed-%s-%d-%d", o.id, version, sock), Device: "acornstep", Clock: fresh.clock + 1, At: s.Now().UnixMilli(),
		Kind: logbook.Placed, Version: version, Sock: sock, Row: row,
	}})
	return err
}
