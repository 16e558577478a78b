package sqlite

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"time"
)

// Contents is what a data file holds, in the figures by which somebody recognises it.
type Contents struct {
	Socks, Events int
	// Last is when something in it was changed or knitted last; zero for an empty one.
	Last time.Time
}

func (c Contents) String() string {
	text := fmt.Sprintf("%d socks and %d events", c.Socks, c.Events)
	if !c.Last.IsZero() {
		text += ", the last of " + c.Last.Local().Format("2006-01-02 15:04")
	}
	return text
}

// ContentsOf looks into a data file of ours, proves that it is whole, and changes nothing.
func ContentsOf(ctx context.Context, path string) (Contents, error) {
	var c Contents
	err := inspect(ctx, path, func(db *sql.DB) error {
		err := whole(ctx, db)
		if err == nil {
			err = tablesAlone(ctx, db)
		}
		if err == nil {
			c, err = contentsOf(ctx, db)
		}
		return err
	})
	return c, err
}

// errActs is given for a file in which something happens by itself: this program makes none, and runs none.
var errActs = errors.New("it has triggers or views, which no data file of Acorn Step has")

// tablesAlone refuses a file whose tables would do something that nobody asked for.
func tablesAlone(ctx context.Context, db *sql.DB) error {
	if acts, err := has(ctx, db, `SELECT 1 FROM sqlite_master WHERE type IN ('trigger', 'view')`); err != nil {
		return err
	} else if acts {
		return errActs
	}
	return nil
}

func contentsOf(ctx context.Context, db *sql.DB) (Contents, error) {
	var c Contents
	var last, knitted int64
	if err := db.QueryRowContext(ctx, `SELECT count(*), coalesce(max(updated_ms), 0) FROM socks WHERE deleted_ms IS NULL`).Scan(&c.Socks,
		&last); err != nil {
		return c, err
	}
	// The first programs had no log.
	logged, err := has(ctx, db, `SELECT 1 FROM sqlite_master WHERE name = 'events'`)
	if err == nil && logged {
		err = db.QueryRowContext(ctx, `SELECT count(*), coalesce(max(received_ms), 0) FROM events`).Scan(&c.Events, &knitted)
	}
	if last = max(last, knitted); last > 0 {
		c.Last = time.UnixMilli(last)
	}
	return c, err
}

// inspect opens a data file that is there, as it is: no table is brought up to date.
func inspect(ctx context.Context, path string, look func(*sql.DB) error) error {
	err := func() error {
		file, err := os.Open(path)
		if err != nil {
			return err
		}
		defer file.Close()
		if err := ours(ctx, file, path); err != nil {
			return err
		}
		db, err := sql.Open("sqlite", fmt.Sprintf("%s?_pragma=busy_timeout(%d)", uriOf(path), busyTimeout))
		if err != nil {
			return err
		}
		return errors.Join(look(db), db.Close())
	}()
	if err == nil {
		return nil
	}
	if known := troubleOf(err); known != nil {
		err = known
	}
	return fmt.Errorf("%s: %w", path, err)
}

// Backup writes a copy of a data file as it is at one moment, also while a
// server writes to it. The copy is one file, for its owner only, and is checked before it gets its name; a file
// that is there already is refused.
func Backup(ctx context.Context, data, to string) (Contents, error) {
	if _, err := os.Lstat(to); err == nil {
		return Contents{}, fmt.Errorf("%s is there already: name a new file", to)
	}
	var c Contents
	err := intoPlace(to, func(temporary string) error {
		err := copyTo(ctx, data, temporary)
		if err == nil {
			c, err = ContentsOf(ctx, temporary)
		}
		return err
	})
	if err != nil {
		return Contents{}, fmt.Errorf("backup: %w", err)
	}
	return c, nil
}

// keepBefore copies a file that is about to be brought up to date, so that the
// program it comes from can still open it. A copy that was made by an earlier, broken off try is the older and the better one.
//
// It copies through the open database: opening the file once more and closing it
// would let go of the locks that this program holds on it.
func keepBefore(ctx context.Context, db *sql.DB, path string, version int64) error {
	to := fmt.Sprintf("%s.version-%d", path, version)
	if _, err := os.Lstat(to); err == nil {
		return nil
	}
	err := intoPlace(to, func(temporary string) error {
		if err := vacuumInto(ctx, db, temporary); err != nil {
			return err
		}
		return inspect(ctx, temporary, func(copied *sql.DB) error { return whole(ctx, copied) })
	})
	if err != nil {
		return fmt.Errorf("before the tables are brought up to date: %w", err)
	}
	return nil
}

// vacuumInto copies all that a file and its journal hold at one moment.
func vacuumInto(ctx context.Context, db *sql.DB, to string) error {
	_, err := db.ExecContext(ctx, `VACUUM INTO ?`, to)
	return err
}

// copyTo is vacuumInto for a file that is not open here.
func copyTo(ctx context.Context, from, to string) error {
	return inspect(ctx, from, func(db *sql.DB) error { return vacuumInto(ctx, db, to) })
}

// intoPlace has a file written under another name beside its place, and gives
// it its name when it is whole and on the disk.
func intoPlace(path string, write func(temporary string) error) (err error) {
	folder := filepath.Dir(path)
	file, err := os.CreateTemp(folder, ".acornstep-*") // for its owner only
	if err != nil {
		return err
	}
	defer file.Close()
	defer func() {
		if err != nil {
			_ = os.Remove(file.Name())
		}
	}()
	if err := write(file.Name()); err != nil {
		return err
	}
	if err := file.Sync(); err != nil {
		return err
	}
	if err := os.Rename(file.Name(), path); err != nil {
		return err
	}
	return syncFolder(folder)
}

// syncFolder makes sure that the names in a folder are on the disk.
func syncFolder(folder string) error {
	f, err := os.Open(folder)
	if err != nil {
		return err
	}
	defer f.Close()
	return f.Sync()
}
