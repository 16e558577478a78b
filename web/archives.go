package web

import (
	"context"
	"errors"
	"fmt"
	"io"
	"net/http"
	"os"
	"strconv"
	"time"

	"github.com/gin-gonic/gin"

	"acornstep/files/archive"
	"acornstep/sock/figures/document"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/basket"
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
		Version: e.Version, Reason: e.Reason, HeelPlace: e.HeelPlace, Places: e.Places, SecondPlaces: e.SecondPlaces,
		Undecided: e.Undecided, Holds: e.Holds, Board: e.Board, Created: &created, Plan: e.Plan, Second: e.Second,
	}
	return packed
}

// keptEdition is one of an archive as it is kept.
func keptEdition(e *archive.Edition) *knitting.Edition {
	kept := &knitting.Edition{
		Line: knitting.Line{Version: e.Version, Reason: e.Reason}, Plan: e.Plan, Second: e.Second, HeelPlace: e.HeelPlace,
		Places: e.Places, SecondPlaces: e.SecondPlaces, Undecided: e.Undecided, Holds: e.Holds, Board: e.Board,
	}
	if e.Created != nil {
		kept.Created = *e.Created
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

// nextHeader says in the answer to a part of the basket with which sock the next one begins, and allHeader how many there are in all.
const (
	nextHeader = "Acorn-Step-Next"
	allHeader  = "Acorn-Step-All"
)

// basketArchive is every sock of the basket in one archive, which leaves as it is made; or, where a beginning is named,
// a part of it that can be opened again by itself.
func (s *server) basketArchive(c *gin.Context) {
	from, inParts := 0, c.Query("from") != ""
	if inParts {
		var err error
		if from, err = strconv.Atoi(c.Query("from")); err != nil || from < 0 {
			refuse(c, document.Faults{{Field: "from",
				Message: fmt.Sprintf("read %.20q, expected the number of a sock, from 0", c.Query("from"))}})
			return
		}
	}
	if !inParts {
		c.Header("Content-Disposition", `attachment; filename="basket.zip"`)
		c.Header("Content-Type", "application/zip")
		if _, _, err := s.packFrom(c, slowly{c}, from, false, carried(c)); err != nil {
			s.Log.Error("the archive of the basket was broken off", "error", err)
			panic(http.ErrAbortHandler) // half of it was sent: whoever reads has to learn that it is none
		}
		return
	}
	file, err := os.CreateTemp("", "acornstep-copy-*.zip")
	if err != nil {
		s.failWith(c, err)
		return
	}
	defer os.Remove(file.Name())
	next, all, err := s.packFrom(c, file, from, true, carried(c))
	if err = errors.Join(err, file.Close()); err != nil {
		s.failWith(c, err)
		return
	}
	c.Header(allHeader, strconv.Itoa(all))
	if next < all {
		c.Header(nextHeader, strconv.Itoa(next))
	}
	_ = http.NewResponseController(c.Writer).SetWriteDeadline(time.Now().Add(transferWithin))
	c.Header("Content-Type", "application/zip")
	c.FileAttachment(file.Name(), fmt.Sprintf("basket-%05d.zip", from+1))
}

// slowly writes to somebody who may read slowly: each sock has its time.
type slowly struct{ *gin.Context }

func (w slowly) Write(text []byte) (int, error) {
	_ = http.NewResponseController(w.Writer).SetWriteDeadline(time.Now().Add(writeTimeout))
	return w.Writer.Write(text)
}

// packFrom packs the socks of the basket from one on, one after another: each takes its share of memory for itself.
func (s *server) packFrom(c context.Context, to io.Writer, from int, part bool, carries archive.Carries) (next, all int, err error) {
	basketOf, err := archive.NewBasket(to, carries)
	if err != nil {
		return 0, 0, err
	}
	for next = from; ; {
		var socks []basket.Sock
		if socks, all, err = s.Basket.Page(c, basket.Page{From: next, Limit: mostSocks}); err != nil {
			return next, all, err
		}
		for i := range socks {
			if part && basketOf.Full() {
				return next, all, basketOf.Close()
			}
			_, err := shared(c, s.heavy, ofArchive, func() (nothing, error) {
				one, err := s.packable(c, socks[i].ID)
				if errors.Is(err, basket.ErrNotFound) {
					return nothing{}, nil // deleted between two looks
				}
				if err != nil {
					return nothing{}, err
				}
				return nothing{}, basketOf.Add(one)
			})
			if err != nil {
				return next, all, err
			}
			next++
		}
		if len(socks) == 0 || next >= all {
			return next, all, basketOf.Close()
		}
	}
}
