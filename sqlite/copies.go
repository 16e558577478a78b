package sqlite

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"time"
)

// Copies that are made by themselves: one for each day on which something
// changed. The last fourteen are kept, and the first of each month for a year.
const (
	daysKept   = 14
	monthsKept = 12
)

// Copy is one of them.
type Copy struct {
	// Name says its day, as socks-2026-11-26.db.
	Name  string
	Made  time.Time
	Bytes int64
}

var copyName = regexp.MustCompile(`^socks-\d{4}-\d{2}-\d{2}\.db$`)

// nameOfDay is what the copy of a day is called.
func nameOfDay(day time.Time) string { return "socks-" + day.Format(time.DateOnly) + ".db" }

// Copies lists those in a folder, the newest first; a folder that is not there has none.
func Copies(folder string) ([]Copy, error) {
	entries, err := os.ReadDir(folder)
	if errors.Is(err, fs.ErrNotExist) {
		return nil, nil
	}
	if err != nil {
		return nil, fmt.Errorf("copies: %w", err)
	}
	var list []Copy
	for _, entry := range entries {
		if !copyName.MatchString(entry.Name()) {
			continue
		}
		info, err := entry.Info()
		if err != nil {
			continue // let go between two looks
		}
		list = append(list, Copy{entry.Name(), info.ModTime(), info.Size()})
	}
	slices.SortFunc(list, func(a, b Copy) int { return strings.Compare(b.Name, a.Name) })
	return list, nil
}

// CopyOfDay makes the copy of this day, unless there is one or nothing changed
// since the last, and lets those go whose time is over. Copies that a clock made which was ahead are no reason not to make today's.
func (s *Store) CopyOfDay(ctx context.Context, folder string) error {
	there, err := Copies(folder)
	if err != nil {
		return err
	}
	name := nameOfDay(s.now())
	there = there[len(ahead(there, name)):]
	due, err := s.due(ctx, folder, there, name)
	if err != nil || !due {
		return err
	}
	if err := os.MkdirAll(folder, 0o700); err != nil {
		return fmt.Errorf("copies: %w", err)
	}
	if err := s.CopyTo(ctx, filepath.Join(folder, name)); err != nil {
		return err
	}
	names := []string{name}
	for _, c := range there {
		names = append(names, c.Name)
	}
	for _, name := range over(names) {
		if err := os.Remove(filepath.Join(folder, name)); err != nil {
			return fmt.Errorf("copies: %w", err)
		}
	}
	return nil
}

// ahead are the copies that were made on a day that has not come yet; the list has the newest first.
func ahead(list []Copy, today string) []Copy {
	n := 0
	for n < len(list) && list[n].Name > today {
		n++
	}
	return list[:n]
}

// Ahead are copies whose day has not come yet: the clock was ahead when they were made.
func Ahead(list []Copy, now time.Time) []Copy { return ahead(list, nameOfDay(now)) }

// due says whether a copy of today is missing: there is something to copy, and the last copy holds something else. Figures are
// compared and not times, since the clock may have been set back.
func (s *Store) due(ctx context.Context, folder string, there []Copy, name string) (bool, error) {
	now, err := s.Contents(ctx)
	if err != nil || now.Last.IsZero() {
		return false, err
	}
	if len(there) == 0 {
		return true, nil
	}
	if there[0].Name == name {
		return false, nil
	}
	var last Contents
	err = inspect(ctx, filepath.Join(folder, there[0].Name), func(db *sql.DB) error {
		last, err = contentsOf(ctx, db)
		return err
	})
	return err != nil || last != now, nil // of a copy that cannot be read another one is all the more due
}

// over are the copies whose time is over; names come the newest first. Days are counted as copies that were made,
// so that a clock that jumps takes none away.
func over(names []string) []string {
	const month = len("socks-2026-11")
	var list []string
	months := 0
	for i, name := range names {
		firstOfMonth := i == len(names)-1 || names[i+1][:month] != name[:month]
		if firstOfMonth {
			months++
		}
		if i >= daysKept && (!firstOfMonth || months > monthsKept) {
			list = append(list, name)
		}
	}
	return list
}

// CopyTo writes a copy of the open file, as it is at one moment, checked before it gets its name.
//
// It copies through the open database: see keepBefore.
func (s *Store) CopyTo(ctx context.Context, to string) error {
	err := intoPlace(to, func(temporary string) error {
		if err := vacuumInto(ctx, s.db, temporary); err != nil {
			return err
		}
		_, err := ContentsOf(ctx, temporary)
		return err
	})
	if err != nil {
		return fmt.Errorf("copy: %w", err)
	}
	return nil
}

// Contents is what the open file holds.
func (s *Store) Contents(ctx context.Context) (Contents, error) { return contentsOf(ctx, s.db) }
