package sqlite

import (
	"context"
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
// since the last, and lets those go whose time is over.
func (s *Store) CopyOfDay(ctx context.Context, folder string) error {
	now := s.now()
	there, err := Copies(folder)
	if err != nil {
		return err
	}
	contents, err := s.Contents(ctx)
	if err != nil {
		return err
	}
	name := nameOfDay(now)
	if contents.Last.IsZero() || len(there) > 0 && (there[0].Name >= name || !contents.Last.After(there[0].Made)) {
		return nil
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
	for _, name := range over(names, now) {
		if err := os.Remove(filepath.Join(folder, name)); err != nil {
			return fmt.Errorf("copies: %w", err)
		}
	}
	return nil
}

// over are the copies whose time is over; names come the newest first.
func over(names []string, now time.Time) []string {
	const month = len("socks-2026-11")
	year := nameOfDay(now.AddDate(0, -monthsKept, 0))
	var list []string
	for i, name := range names {
		firstOfMonth := i == len(names)-1 || names[i+1][:month] != name[:month]
		if i >= daysKept && (!firstOfMonth || name < year) {
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

// CarryVisits takes who is logged in over into another file, which takes this one's place.
func (s *Store) CarryVisits(ctx context.Context, to *Store) error {
	rows, err := s.db.QueryContext(ctx, `SELECT hash, key, device, began_ms, seen_ms, ends_ms FROM visits`)
	if err != nil {
		return fmt.Errorf("carry visits: %w", err)
	}
	defer rows.Close()
	for rows.Next() {
		v, err := visitOf(rows)
		if err == nil {
			err = to.KeepVisit(ctx, v)
		}
		if err != nil {
			return err
		}
	}
	return rows.Err()
}
