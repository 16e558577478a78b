package knitting

import (
	"fmt"
	"slices"
	"strings"
	"sync"

	"acornstep/sock/cloth/fabric"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/document"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/needles/whereami"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/knitted"
	"acornstep/sock/rows/needle"
	"acornstep/sock/rows/strip"
	"acornstep/sock/said/hands"
	"acornstep/sock/said/position"
	"acornstep/sock/said/words"
)

// Work is an edition with everything that follows from its rows.
type Work struct {
	*Edition
	// Knitted is the sock itself, SecondKnitted the second where its rows are others.
	Knitted, SecondKnitted *knitted.Sock
	// First is the sock itself, or the first of a pair; Other the second where its rows are others.
	First Sock
	Other *Sock
	Strip []strip.Part
	// Courses are where the places of earlier editions lie in this one, for each sock.
	Courses logbook.Courses
	// Wheres are the places at which the first sock can be put down, and SecondWheres those of the second where its rows are others.
	Wheres, SecondWheres whereami.Places
	// fabrics are made when somebody first looks.
	fabrics [2]func() *fabric.Fabric
}

// Sock is one sock as it is knitted: its rows in words, and the needles before each of them and after the last.
type Sock struct {
	Rows    []Row
	Needles []position.Needles
}

// Row is a row as it is knitted.
type Row struct {
	ID       string       `json:"id"`
	Section  string       `json:"section"`
	N        int          `json:"n"`
	Of       int          `json:"of"`
	Kind     string       `json:"kind"`
	Side     string       `json:"side"`
	Stitches int          `json:"stitches"`
	Worked   int          `json:"worked"`
	Parts    []words.Part `json:"parts"`
	// Shows are the moves that the row asks for, in the order of its work.
	Shows []hands.Shown `json:"shows"`
	Note  string        `json:"note"`
	// Until says what to look for where a short row turns, so that nobody has to count; empty for other rows.
	Until  string `json:"until"`
	Colour string `json:"colour"`
	// Groups are, after a short row, the stitches that wait on the left, lie between and wait on the right, as the work is held; none elsewhere.
	Groups []int `json:"groups,omitempty"`
	// Special: the row is not worked like the one before it.
	Special bool `json:"special"`
	// Joined: it is a turn and no more, and is worked in one breath with the row after it, which says it too.
	Joined bool `json:"joined,omitempty"`
	// Reach is how far the fabric reaches after the row.
	whereami.Reach
}

// Fabric is that of a sock, 1 or 2.
func (w *Work) Fabric(sock int) *fabric.Fabric { return w.fabrics[sock-1]() }

// Rows is how many rows a version up to this one has for a sock, 1 or 2; false when nobody knows.
func (w *Work) Rows(sock, version int) (int, bool) {
	if version == w.Version {
		return len(w.PlanOf(sock).Rows), true
	}
	if version < 1 || version >= len(w.Steps) {
		return 0, false
	}
	places := w.Steps[version].PlacesOf(sock)
	return len(places) - 1, places != nil // its places, the one after the last row included
}

// Admit says what is wrong with an event that a device says of a sock whose
// largest clock so far is known.
func (w *Work) Admit(e *logbook.Event, clock int64) document.Faults {
	faults := e.Validate()
	if e.Clock > clock+logbook.MostAhead {
		faults.Add("clock", "read %d; the largest so far is %d, and no device can be more than %d ahead of it", e.Clock, clock,
			logbook.MostAhead)
	}
	if e.Version > w.Version {
		faults.Add("version", "read %d; this sock has %d versions of its plan", e.Version, w.Version)
		return faults
	}
	last, known := w.Rows(e.Sock, e.Version)
	if e.Kind == logbook.RowDone || e.Kind == logbook.HalfDone {
		last--
	}
	if known && e.Row > last {
		faults.Add("row", "read %d; in version %d of the plan it is 0 to %d", e.Row, e.Version, last)
	}
	return faults
}

// Work works out what follows from the rows of an edition. Rows that cannot be knitted are an error.
func (e *Edition) Work() (*Work, error) {
	t, err := knitted.Of(e.Plan.Rows)
	if err != nil {
		return nil, fmt.Errorf("edition %d: %w", e.Version, err)
	}
	w := &Work{Edition: e, Knitted: t, First: sockOf(e.Plan, t), Strip: strip.Of(t), Courses: logbook.CoursesOf(e.Steps),
		Wheres: whereami.Of(e.Plan, t, knit.Leaves(&e.Plan.Design))}
	w.fabrics[0] = sync.OnceValue(func() *fabric.Fabric { return fabric.Of(t) })
	w.fabrics[1] = w.fabrics[0]
	if e.Second == nil {
		return w, nil
	}
	second, err := knitted.Of(e.Second.Rows)
	if err != nil {
		return nil, fmt.Errorf("edition %d, second sock: %w", e.Version, err)
	}
	other := sockOf(e.Second, second)
	w.fabrics[1] = sync.OnceValue(func() *fabric.Fabric { return fabric.Of(second) })
	w.Other, w.SecondKnitted, w.SecondWheres = &other, second, whereami.Of(e.Second, second, knit.Leaves(&e.Second.Design))
	return w, nil
}

func sockOf(p *plan.Plan, t *knitted.Sock) Sock {
	of := map[string]int{}
	for i := range p.Rows {
		if !p.Rows[i].TurnsOnly() {
			of[string(p.Rows[i].Section)]++
		}
	}
	said, lengths, shows := words.Rows(t, &p.Design), whereami.Lengths(p), hands.Rows(p)
	untils := words.Untils(t, &p.Design)
	rows := make([]Row, len(p.Rows))
	for i := range p.Rows {
		r := &p.Rows[i]
		rows[i] = Row{
			ID: r.ID, Section: string(r.Section), N: needle.NumberOf(p.Rows, i), Of: of[string(r.Section)], Kind: string(r.Kind), Side: string(r.Side),
			Stitches: r.Stitches,
			Worked:   t.Steps[i].Worked, Parts: said[i].Parts, Shows: shows[i], Note: r.Note,
			Until:  untils[i],
			Colour: r.Colour, Groups: r.Groups, Reach: lengths[i],
		}
		if r.TurnsOnly() && i+1 < len(p.Rows) {
			rows[i].Joined = true
		}
		if i > 0 && rows[i-1].Joined {
			rows[i].Parts = append(slices.Clone(rows[i-1].Parts), rows[i].Parts...)
			rows[i].Shows = append(slices.Clone(rows[i-1].Shows), rows[i].Shows...)
			rows[i].Note = strings.TrimSpace(rows[i-1].Note + " " + rows[i].Note)
		}
		rows[i].Special = i == 0 || said[i].Sentence(false) != said[i-1].Sentence(false)
	}
	return Sock{rows, position.All(p, t)}
}
