package web

import (
	"context"
	"sync"

	lru "github.com/hashicorp/golang-lru/v2"

	"acornstep/sock/figures/day"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/needles/tally"
)

// Bounds of what is kept at hand: an edition with all that follows from it
// takes about half a megabyte, the log of a sock about a kilobyte an evening.
const (
	editionsAtHand = 48
	logsAtHand     = 48
	tapesAtHand    = 400
)

// shelf keeps at hand what was worked out of editions, which never change, and
// the events of socks, which only grow. What is put away is read again.
type shelf struct {
	books    Logbook
	editions *lru.Cache[edition, *knitting.Work]
	logs     *lru.Cache[string, *log]
	tapes    *lru.Cache[needleAt, tape]
}

// needleAt names the needle of a sock after a row.
type needleAt struct {
	edition
	sock, row int
}

// tape is what a tape should read of a sock that is tried on: how far its needle lies behind the tip of the toes, or above the floor.
type tape struct{ behind, above measure.Length }

// edition names one version of the plan of a sock.
type edition struct {
	sockID  string
	version int
}

// log is the events of a sock up to a number.
type log struct {
	mu     sync.Mutex
	events []logbook.Event
	seq    int64
	// clock is the largest of the events.
	clock int64
}

func newShelf(books Logbook) (*shelf, error) {
	editions, err := lru.New[edition, *knitting.Work](editionsAtHand)
	if err != nil {
		return nil, err
	}
	logs, err := lru.New[string, *log](logsAtHand)
	if err != nil {
		return nil, err
	}
	tapes, err := lru.New[needleAt, tape](tapesAtHand)
	return &shelf{books, editions, logs, tapes}, err
}

// onNeedles is a sock that is being knitted, with its newest plan and all its events.
type onNeedles struct {
	id       string
	versions []knitting.Line
	*knitting.Work
	// events as they were heard; seq is the number of the last, clock the largest they say.
	events     []logbook.Event
	seq, clock int64
}

// sock takes a sock on the needles from the shelf. One that was not begun is document.Faults.
func (s *shelf) sock(ctx context.Context, id string) (*onNeedles, error) {
	versions, err := s.books.Editions(ctx, id)
	if err != nil {
		return nil, err
	}
	return s.withVersions(ctx, id, versions)
}

// inBin takes a sock that was deleted while it was knitted. The error is basket.ErrNotFound for any other.
func (s *shelf) inBin(ctx context.Context, id string) (*onNeedles, error) {
	versions, err := s.books.EditionsInBin(ctx, id)
	if err != nil {
		return nil, err
	}
	return s.withVersions(ctx, id, versions)
}

func (s *shelf) withVersions(ctx context.Context, id string, versions []knitting.Line) (*onNeedles, error) {
	o := &onNeedles{id: id, versions: versions}
	var err error
	if len(o.versions) == 0 {
		return nil, document.Faults{{Message: "this sock is not on the needles yet: start it first"}}
	}
	if o.Work, err = s.work(ctx, edition{id, o.versions[len(o.versions)-1].Version}); err != nil {
		return nil, err
	}
	return o, s.listen(ctx, o)
}

func (s *shelf) work(ctx context.Context, name edition) (*knitting.Work, error) {
	if w, there := s.editions.Get(name); there {
		return w, nil
	}
	e, err := s.books.Edition(ctx, name.sockID, name.version)
	if err != nil {
		return nil, err
	}
	w, err := e.Work()
	if err != nil {
		return nil, err
	}
	s.editions.Add(name, w)
	return w, nil
}

// listen brings the events of a sock up to now, in the order in which they were heard; only what is new is read.
func (s *shelf) listen(ctx context.Context, o *onNeedles) error {
	l, there := s.logs.Get(o.id)
	if !there {
		l = &log{events: []logbook.Event{}}
		s.logs.Add(o.id, l)
	}
	l.mu.Lock()
	defer l.mu.Unlock()
	fresh, seq, err := s.books.Events(ctx, o.id, l.seq)
	if err != nil {
		return err
	}
	for i := range fresh {
		l.clock = max(l.clock, fresh[i].Clock)
	}
	l.events, l.seq = append(l.events, fresh...), seq
	o.events, o.seq, o.clock = l.events[:len(l.events):len(l.events)], l.seq, l.clock
	return nil
}

// forget puts an edition away whose notes have changed.
func (s *shelf) forget(id string, version int) { s.editions.Remove(edition{id, version}) }

// pair is what both socks are knitted by.
func (o *onNeedles) pair() [2]tally.Knitted {
	first := tally.Knitted{Plan: o.Plan, Knitted: o.Knitted}
	if o.Second == nil {
		return [2]tally.Knitted{first, first}
	}
	return [2]tally.Knitted{first, {Plan: o.Second, Knitted: o.SecondKnitted}}
}

// tally is what the events come to on a day.
func (o *onNeedles) tally(today day.Date) tally.Tally {
	return tally.Of(o.pair(), o.Courses.Today(o.events), today)
}

// done is what is knitted of both socks, by all that was written down: nobody else is asked.
func (o *onNeedles) done(today day.Date) knitting.Done {
	book := o.tally(today).Book
	return o.DoneIn(&book)
}

// places are the rows to come of both socks.
func (o *onNeedles) places(today day.Date) [2]int {
	places := o.tally(today).Book.Places
	return [2]int{places[0].Row, places[1].Row}
}
