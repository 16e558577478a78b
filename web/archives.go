package web

import (
	"bytes"
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
	"acornstep/sock/figures/measure"
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
		Version: e.Version, Reason: e.Reason, HeelPlace: e.HeelPlace, Places: e.Places, SecondPlaces: e.SecondPlaces, Holds: e.Holds,
		Board: e.Board, Created: &created, Plan: e.Plan, Second: e.Second,
	}
	return packed
}

// keptEdition is one of an archive as it is kept.
func keptEdition(e *archive.Edition) *knitting.Edition {
	kept := &knitting.Edition{
		Line: knitting.Line{Version: e.Version, Reason: e.Reason}, Plan: e.Plan, Second: e.Second, HeelPlace: e.HeelPlace,
		Places: e.Places, SecondPlaces: e.SecondPlaces, Holds: e.Holds, Board: e.Board,
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

// Imported is what became of an archive: for each sock whether it came, or was there already, or why it could not.
type Imported struct {
	Socks []ImportedSock `json:"socks"`
}

// ImportedSock is one of them.
type ImportedSock struct {
	// ID is empty for one that could not come; Name is then that of its file.
	ID   string `json:"id"`
	Name string `json:"name"`
	// Came is true for a sock that was not here; false for one that is here as it is, or could not come.
	Came bool `json:"came"`
	// Why says in a sentence what else is to be known of it; empty for nothing.
	Why string `json:"why"`
}

// openArchive takes the socks of an archive into the basket. One that is here already changes nothing; one that
// differs from what is here comes in beside it, under a name that says so. Of a basket what can come comes, and the rest is named.
func (s *server) openArchive(c *gin.Context) {
	file, err := spooled(c, "acornstep-upload-*.zip", archive.MostBytes)
	if err != nil {
		s.failWith(c, err)
		return
	}
	defer os.Remove(file.Name())
	defer file.Close()
	answer, err := s.takeAll(c, file)
	if err != nil {
		s.failWith(c, err)
		return
	}
	_ = http.NewResponseController(c.Writer).SetWriteDeadline(time.Now().Add(writeTimeout))
	c.JSON(http.StatusOK, answer)
}

// spooled takes a body to a file of this machine, which the caller removes: nobody who sends slowly holds memory or a place.
func spooled(c *gin.Context, pattern string, most int64) (*os.File, error) {
	_ = http.NewResponseController(c.Writer).SetReadDeadline(time.Now().Add(transferWithin))
	file, err := os.CreateTemp("", pattern)
	if err != nil {
		return nil, err
	}
	n, err := io.Copy(file, io.LimitReader(c.Request.Body, most+1))
	var tooLarge *http.MaxBytesError
	switch {
	case errors.As(err, &tooLarge), err == nil && n > most:
		err = document.Faults{{Field: "archive", Message: fmt.Sprintf("it has more than the %d bytes that are read", most)}}
	case err != nil && n > 0 || errors.Is(err, io.ErrUnexpectedEOF):
		err = document.Faults{{Field: "archive", Message: fmt.Sprintf("it ended after %d bytes: the line broke off, or was too slow; send it again", n)}}
	}
	if err != nil {
		return nil, errors.Join(err, file.Close(), os.Remove(file.Name()))
	}
	return file, nil
}

func (s *server) takeAll(c *gin.Context, file *os.File) (Imported, error) {
	answer := Imported{Socks: []ImportedSock{}}
	size, err := file.Seek(0, io.SeekEnd)
	if err != nil {
		return answer, err
	}
	r, err := archive.NewReader(file, size)
	if err != nil {
		return answer, err
	}
	back, err := s.heavy.take(c, ofArchive)
	if err != nil {
		return answer, err
	}
	defer back()
	return answer, r.Each(func(name string, o *archive.Opened, wrong error) error {
		_ = http.NewResponseController(c.Writer).SetWriteDeadline(time.Now().Add(transferWithin))
		one := ImportedSock{Name: name}
		if wrong == nil {
			one, wrong = s.take(c, o)
		}
		var faults document.Faults
		switch {
		case wrong == nil:
		case r.Kind == "sock", !errors.As(wrong, &faults) && !errors.Is(wrong, basket.ErrChanged):
			return wrong
		default:
			one = ImportedSock{Name: name, Why: wrong.Error()}
		}
		answer.Socks = append(answer.Socks, one)
		return nil
	})
}

// take puts one sock into the basket.
func (s *server) take(c context.Context, o *archive.Opened) (ImportedSock, error) {
	defer s.hold()()
	a := *o.Sock
	lay := ""
	if err := s.Basket.Restore(c, a.ID); err == nil {
		lay = "It lay in the bin, and is back."
	} else if !errors.Is(err, basket.ErrNotFound) {
		return ImportedSock{}, err
	}
	here, err := s.sameHere(c, a.ID, o)
	switch {
	case err != nil:
		return ImportedSock{}, err
	case here == same:
		return ImportedSock{ID: a.ID, Name: a.Name, Came: lay != "", Why: lay}, nil
	case here == differs:
		if lay != "" {
			lay = "The one that lies in the bin differs from it, and stays there."
			if err := s.Basket.Delete(c, a.ID); err != nil {
				return ImportedSock{}, err
			}
		}
		a = beside(a, o.CopyID())
		if _, err := s.Basket.Get(c, a.ID); err == nil {
			return ImportedSock{ID: a.ID, Name: a.Name, Why: lay}, nil // this very copy was taken before
		}
		if err := s.Basket.Restore(c, a.ID); err == nil {
			return ImportedSock{ID: a.ID, Name: a.Name, Came: true, Why: "This copy lay in the bin, and is back."}, nil
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
	return ImportedSock{ID: a.ID, Name: a.Name, Came: true, Why: lay}, nil
}

// hold keeps the file behind the program from being changed for another until the answer is called.
func (s *server) hold() func() {
	if s.Hold == nil {
		return func() {}
	}
	return s.Hold()
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
	const copied = " (another copy)"
	name := []rune(a.Name)
	a.ID, a.Name = id, string(name[:min(len(name), basket.MaxName-len(copied))])+copied
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
