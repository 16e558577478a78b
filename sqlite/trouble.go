package sqlite

import (
	"context"
	"errors"
	"fmt"
	"io/fs"
	"sync"
	"syscall"
	"time"

	"modernc.org/sqlite"
	sqlite3 "modernc.org/sqlite/lib"
)

var errDamaged = errors.New("the data file is damaged")

// trouble is what hinders the file from being read or written: nothing a request could do better.
type trouble struct {
	// full: there is no room on the disk.
	full bool
	// text is a sentence for the person at the screen.
	text string
	err  error
}

func (t *trouble) Error() string { return t.text }

func (t *trouble) Unwrap() error { return t.err }

// What is found by SQLite and by the system alike.
const (
	damaged  = "the data file is damaged: take the last copy of it; the damaged one is left as it is"
	readOnly = "the data file or its folder may not be written to: nothing was changed; give this user the right to write there"
)

// troubleOf says what hinders the file when an error came from that; nil for any other error.
func troubleOf(err error) *trouble {
	said := func(text string) *trouble { return &trouble{text: text, err: err} }
	full := &trouble{full: true, text: "there is no room left on the disk: nothing was changed; make room and try again", err: err}
	var broken *sqlite.Error
	switch {
	case errors.Is(err, errDamaged):
		return said(damaged)
	case errors.As(err, &broken):
		// The low byte is the kind, the others say it more closely.
		switch broken.Code() & 0xff {
		case sqlite3.SQLITE_FULL:
			return full
		case sqlite3.SQLITE_READONLY, sqlite3.SQLITE_PERM:
			return said(readOnly)
		case sqlite3.SQLITE_BUSY, sqlite3.SQLITE_LOCKED:
			return said("another program holds the data file: nothing was changed; end that program and try again")
		case sqlite3.SQLITE_CORRUPT, sqlite3.SQLITE_NOTADB:
			return said(damaged)
		case sqlite3.SQLITE_CANTOPEN, sqlite3.SQLITE_IOERR:
			return said("the disk with the data file does not answer: nothing was changed; look whether it is still there and has room")
		}
	case errors.Is(err, syscall.ENOSPC):
		return full
	case errors.Is(err, fs.ErrPermission), errors.Is(err, syscall.EROFS):
		return said(readOnly)
	}
	return nil
}

// checkedFor is how long the answer of a check holds: it costs the disk a write, and anybody may ask.
const checkedFor = 5 * time.Second

// lastCheck is the answer of the last check, and when it was made.
type lastCheck struct {
	sync.Mutex
	at  time.Time
	err error
}

// Check says whether the file can be written to; nothing in it changes.
func (s *Store) Check(ctx context.Context) error {
	s.checked.Lock()
	defer s.checked.Unlock()
	if now := s.now(); now.Sub(s.checked.at) >= checkedFor {
		s.checked.at, s.checked.err = now, mark(ctx, s.db)
	}
	if s.checked.err != nil {
		return fmt.Errorf("check: %w", s.checked.err)
	}
	return nil
}

// Trouble says in a sentence what hinders the file when an error came from that, and whether its disk is full.
func (s *Store) Trouble(err error) (text string, full bool) {
	if t := troubleOf(err); t != nil {
		return t.text, t.full
	}
	return "", false
}
