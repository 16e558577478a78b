package http

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	nethttp "net/http"

	"github.com/gin-gonic/gin"

	"acornstep/archive"
	"acornstep/sock/basket"
	"acornstep/sock/document"
	"acornstep/sock/knitting"
	"acornstep/sock/logbook"
	"acornstep/sock/measure"
)

// Importer keeps socks that come from elsewhere.
type Importer interface {
	Import(ctx context.Context, sock basket.Sock, editions []*knitting.Edition, events []logbook.Event) error
}

// carried is what goes along, as it was ticked.
func carried(c *gin.Context) archive.Carries {
	return archive.Carries{Wearer: c.Query("wearer") == "1", Dates: c.Query("dates") == "1"}
}

// packable is a sock as an archive carries it.
func (s *server) packable(c context.Context, id string) (archive.Sock, error) {
	sock, err := s.Basket.Get(c, id)
	if err != nil {
		return archive.Sock{}, err
	}
	a := archive.Sock{ID: sock.ID, Name: sock.Name, Wearer: sock.Wearer, Notes: sock.Notes, Draft: sock.Draft}
	if sock.Swatch != nil {
		counted, err := s.Swatches.Swatch(c, sock.Swatch.SwatchID)
		if err != nil && !errors.Is(err, basket.ErrNotFound) {
			return a, err
		}
		a.Swatch = &archive.Swatch{Stitches: sock.Swatch.Stitches, Rounds: sock.Swatch.Rounds}
		if err == nil {
			if a.Swatch.Yarn, err = s.yarnName(c, &counted); err != nil {
				return a, err
			}
		}
	}
	versions, err := s.Logbook.Editions(c, id)
	if err != nil {
		return a, err
	}
	var steps []logbook.Step
	for _, v := range versions {
		e, err := s.Logbook.Edition(c, id, v.Version)
		if errors.Is(err, knitting.ErrNoRows) && len(a.Editions) == 0 && v.Version < len(versions) {
			continue
		}
		if err != nil {
			return a, err
		}
		a.Editions = append(a.Editions, packedEdition(e))
		steps = e.Steps
	}
	events, _, err := s.Logbook.Events(c, id, 0)
	if err != nil {
		return a, err
	}
	if bare := len(versions) - len(a.Editions); bare > 0 && len(a.Editions) > 0 {
		a.Editions, events = withoutBare(a.Editions, events, steps[:bare+1])
	}
	a.Events = events
	return a, nil
}

// packedEdition is an edition as an archive carries it.
func packedEdition(e *knitting.Edition) archive.Edition {
	created := e.Created.UTC()
	packed := archive.Edition{
		Version: e.Version, Reason: e.Reason, HeelPlace: e.HeelPlace, Places: e.Places, SecondPlaces: e.SecondPlaces, Board: e.Board, Created: &created, Plan: e.Plan, Second: e.Second,
	}
	if e.Holds != [2]int{} {
		packed.Holds = &e.Holds
	}
	return packed
}

// keptEdition is one of an archive as it is kept.
func keptEdition(e *archive.Edition) *knitting.Edition {
	kept := &knitting.Edition{
		Line: knitting.Line{Version: e.Version, Reason: e.Reason}, Plan: e.Plan, Second: e.Second, HeelPlace: e.HeelPlace, Places: e.Places, SecondPlaces: e.SecondPlaces, Board: e.Board,
	}
	if e.Created != nil {
		kept.Created = *e.Created
	}
	if e.Holds != nil {
		kept.Holds = *e.Holds
	}
	return kept
}

// withoutBare leaves out versions of which an older program kept a design and no rows: what was said on them is said on
// the first that has rows, with which an archive begins.
func withoutBare(editions []archive.Edition, events []logbook.Event, steps []logbook.Step) ([]archive.Edition, []logbook.Event) {
	bare := len(steps) - 1
	for i := range editions {
		editions[i].Version -= bare
	}
	editions[0].Places, editions[0].SecondPlaces, editions[0].Holds = nil, nil, nil
	var old, moved []logbook.Event
	for _, e := range events {
		switch {
		case e.Version > bare+1:
			e.Version -= bare
			moved = append(moved, e)
		case e.Kind != logbook.Bent:
			old = append(old, e)
		}
	}
	old = logbook.CoursesOf(steps).Today(old)
	for i := range old {
		old[i].Version = 1
	}
	return editions, append(old, moved...)
}

func (s *server) archiveFile(c *gin.Context) {
	a, err := s.packable(c, c.Param("id"))
	if err != nil {
		s.failWith(c, err)
		return
	}
	text, err := archive.Pack(a, carried(c))
	if err != nil {
		s.failWith(c, err)
		return
	}
	attached(c, a.Name, "zip", "application/zip", text)
}

// basketArchive is every sock of the basket in one archive.
func (s *server) basketArchive(c *gin.Context) {
	var all []archive.Sock
	for from := 0; ; from += mostSocks {
		socks, count, err := s.Basket.Page(c, basket.Page{From: from, Limit: mostSocks})
		if err != nil {
			s.failWith(c, err)
			return
		}
		for i := range socks {
			one, err := s.packable(c, socks[i].ID)
			if err != nil {
				s.failWith(c, err)
				return
			}
			all = append(all, one)
		}
		if from+mostSocks >= count {
			break
		}
	}
	text, err := archive.PackBasket(all, carried(c))
	if err != nil {
		s.failWith(c, err)
		return
	}
	attached(c, "basket", "zip", "application/zip", text)
}

// Imported is what became of an archive: for each sock whether it came, or was there already.
type Imported struct {
	Socks []ImportedSock `json:"socks"`
}

// ImportedSock is one of them.
type ImportedSock struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Came is true for a sock that was not here; false for one that is here as it is.
	Came bool `json:"came"`
}

// openArchive takes the socks of an archive into the basket. One that is here already changes nothing; one that
// differs from what is here comes in beside it, under a name that says so.
func (s *server) openArchive(c *gin.Context) {
	text, err := io.ReadAll(nethttp.MaxBytesReader(c.Writer, c.Request.Body, archive.MostBytes+1))
	if err != nil {
		s.failWith(c, document.Faults{{Field: "archive", Message: fmt.Sprintf("it could not be read whole; at most %d bytes are", archive.MostBytes)}})
		return
	}
	opened, err := archive.Open(text)
	if err != nil {
		s.failWith(c, err)
		return
	}
	list := opened.Socks
	if opened.Sock != nil {
		list = []archive.Opened{*opened}
	}
	answer := Imported{Socks: []ImportedSock{}}
	for i := range list {
		one, err := s.take(c, &list[i])
		if err != nil {
			s.failWith(c, err)
			return
		}
		answer.Socks = append(answer.Socks, one)
	}
	c.JSON(nethttp.StatusOK, answer)
}

// take puts one sock into the basket.
func (s *server) take(c context.Context, o *archive.Opened) (ImportedSock, error) {
	a := *o.Sock
	here, err := s.sameHere(c, a.ID, o)
	switch {
	case err != nil:
		return ImportedSock{}, err
	case here == same:
		return ImportedSock{a.ID, a.Name, false}, nil
	case here == differs:
		a = beside(a, o.CopyID())
		if _, err := s.Basket.Get(c, a.ID); err == nil {
			return ImportedSock{a.ID, a.Name, false}, nil // this very copy was taken before
		}
	}
	for i := range a.Events {
		if err := checkPreview(a.Events[i].Picture); err != nil {
			return ImportedSock{}, document.Faults{{Field: "archive", Message: fmt.Sprintf("event %d: %v", i+1, err)}}
		}
	}
	sock, err := s.digested(c, basket.Sock{ID: a.ID, Name: a.Name, Wearer: a.Wearer, Notes: a.Notes, Draft: a.Draft}, measure.Centimetres)
	if err != nil {
		return ImportedSock{}, err
	}
	editions := make([]*knitting.Edition, len(a.Editions))
	for i := range a.Editions {
		editions[i] = keptEdition(&a.Editions[i])
	}
	if err := s.Importer.Import(c, sock, editions, a.Events); err != nil {
		return ImportedSock{}, err
	}
	return ImportedSock{a.ID, a.Name, true}, nil
}

// presence is how a sock of an archive lies to the basket.
type presence int

const (
	absent presence = iota
	same
	differs
)

// sameHere says whether a sock of this id is here, and is what the archive has: packed alike, it would be the same.
func (s *server) sameHere(c context.Context, id string, o *archive.Opened) (presence, error) {
	here, err := s.packable(c, id)
	switch {
	case errors.Is(err, basket.ErrNotFound):
		return absent, nil
	case err != nil:
		return absent, err
	}
	given := *o.Sock
	here.Swatch, given.Swatch = nil, nil // a swatch belongs to its book: it is told, not taken
	text, err := archive.Pack(here, o.Carries)
	if err != nil {
		return absent, err
	}
	// Both as this program packs them: an older one may have written the same sock otherwise.
	theirs, err := archive.Pack(given, o.Carries)
	if err != nil {
		return absent, err
	}
	if bytes.Equal(text, theirs) {
		return same, nil
	}
	return differs, nil
}

// beside is a copy of a sock that lies next to one that differs: with an id, a name and events of its own.
func beside(a archive.Sock, id string) archive.Sock {
	a.ID, a.Name = id, a.Name+" (another copy)"
	a.Events = append([]logbook.Event(nil), a.Events...)
	own := func(event string) string {
		if event == "" {
			return ""
		}
		return fmt.Sprintf("%s-%s", id, event[:min(len(event), 48)])
	}
	for i := range a.Events {
		a.Events[i].ID, a.Events[i].Of = own(a.Events[i].ID), own(a.Events[i].Of)
	}
	return a
}
