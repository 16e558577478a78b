package web

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	"net/http"
	"os"
	"time"

	"github.com/gin-gonic/gin"

	"acornstep/files/archive"
	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/basket"
)

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
