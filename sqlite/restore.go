package sqlite

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"time"
)

// Restore puts a copy in the place of a data file. The file that was there is
// kept beside it under the name that is returned, empty when there was none. While a program has the data file open, it refuses.
//
// Who is logged in and which links are lent is said by the file that was there: a copy brings none of either back. At
// no moment is there no data file, and the one that is put in place is a store of its own ([Store.Identity]).
func Restore(ctx context.Context, copied, data string, now time.Time) (aside string, err error) {
	if err := os.MkdirAll(filepath.Dir(data), 0o700); err != nil {
		return "", fmt.Errorf("restore: %w", err)
	}
	lock, err := lockAlone(data)
	if err != nil {
		return "", fmt.Errorf("restore: %w", err)
	}
	defer lock.Close()
	err = intoPlace(data, func(temporary string) error {
		if err := copyTo(ctx, copied, temporary); err != nil {
			return err
		}
		if _, err := ContentsOf(ctx, temporary); err != nil {
			return err
		}
		if err := becomeAnother(ctx, temporary, data); err != nil {
			return err
		}
		aside, err = keepBeside(data, now)
		return err
	})
	if err != nil {
		return aside, fmt.Errorf("restore: %w", err)
	}
	return aside, nil
}

// ofToday are the tables that say who may come in now, and the sock on which a row of them stands, if it does.
var ofToday = []struct{ table, stands string }{{"visits", ""}, {"shares", "sock_id"}}

// becomeAnother makes a copy a store of its own, into which those come that may come into the one whose place it takes.
func becomeAnother(ctx context.Context, path, instead string) error {
	guests := map[string][][]any{}
	if _, err := os.Lstat(instead); err == nil {
		// What cannot be read of a damaged file lets nobody in.
		_ = inspect(ctx, instead, func(db *sql.DB) error {
			for _, of := range ofToday {
				rows, err := rowsOf(ctx, db, of.table)
				if err == nil {
					guests[of.table] = rows
				}
			}
			return nil
		})
	}
	return inspect(ctx, path, func(db *sql.DB) error {
		for _, of := range ofToday {
			columns, err := texts(ctx, db, `SELECT name FROM pragma_table_info('`+of.table+`')`)
			if err != nil || len(columns) == 0 {
				if err != nil {
					return err
				}
				continue // a copy of before there were any
			}
			if _, err := db.ExecContext(ctx, `DELETE FROM `+of.table); err != nil {
				return err
			}
			for _, row := range guests[of.table] {
				if len(row) != len(columns) {
					continue // the file that was there is older or newer than the copy: they come in anew
				}
				insert := `INSERT INTO ` + of.table + ` SELECT ?` + strings.Repeat(`, ?`, len(row)-1)
				if of.stands != "" {
					insert += ` WHERE EXISTS (SELECT 1 FROM socks WHERE id = ?)`
					row = append(slices.Clone(row), row[slices.Index(columns, of.stands)])
				}
				if _, err := db.ExecContext(ctx, insert, row...); err != nil {
					return err
				}
			}
		}
		if there, err := has(ctx, db, `SELECT 1 FROM sqlite_master WHERE name = 'identity'`); err != nil || !there {
			return err // it becomes one when it is opened
		}
		_, err := db.ExecContext(ctx, `DELETE FROM identity`)
		return err
	})
}

// rowsOf reads a small table whole.
func rowsOf(ctx context.Context, db *sql.DB, table string) ([][]any, error) {
	rows, err := db.QueryContext(ctx, `SELECT * FROM `+table)
	if err != nil {
		return nil, err
	}
	defer rows.Close()
	columns, err := rows.Columns()
	if err != nil {
		return nil, err
	}
	var list [][]any
	for rows.Next() {
		row, into := make([]any, len(columns)), make([]any, len(columns))
		for i := range row {
			into[i] = &row[i]
		}
		if err := rows.Scan(into...); err != nil {
			return nil, err
		}
		list = append(list, row)
	}
	return list, rows.Err()
}

// asideName is what a data file is called whose place another one takes.
const asideName = ".before-"

// keepBeside gives a data file a second name, under which it stays when another one is moved over the first; its
// journal goes with it: what lies in there belongs to it.
func keepBeside(data string, now time.Time) (string, error) {
	if _, err := os.Lstat(data); errors.Is(err, fs.ErrNotExist) {
		return "", nil
	}
	aside := data + asideName + now.Format("20060102-150405")
	if _, err := os.Lstat(aside); err == nil {
		return "", fmt.Errorf("%s is there already", aside)
	}
	// The journal first: a file that has its second name has all of itself.
	if err := alsoCalled(data+"-wal", aside+"-wal"); err != nil && !errors.Is(err, fs.ErrNotExist) {
		return "", err
	}
	if err := alsoCalled(data, aside); err != nil {
		return "", err
	}
	if err := syncFolder(filepath.Dir(data)); err != nil {
		return aside, err
	}
	for _, journal := range []string{"-wal", "-shm"} {
		if err := os.Remove(data + journal); err != nil && !errors.Is(err, fs.ErrNotExist) {
			return aside, err
		}
	}
	return aside, nil
}

// alsoCalled gives a file a second name, or, where the file system knows no second names, copies it.
func alsoCalled(name, other string) error {
	err := os.Link(name, other)
	if err == nil || errors.Is(err, fs.ErrNotExist) || errors.Is(err, fs.ErrExist) {
		return err
	}
	return intoPlace(other, func(temporary string) error {
		from, err := os.Open(name)
		if err != nil {
			return err
		}
		defer from.Close()
		to, err := os.OpenFile(temporary, os.O_WRONLY, 0o600)
		if err != nil {
			return err
		}
		_, err = io.Copy(to, from)
		return errors.Join(err, to.Close())
	})
}

// TakeBack looks for a data file that is not there: where a restore was broken off by an older program, the file lies beside its
// place under another name. The newest of those is put back, and named; empty when nothing had to be done.
func TakeBack(data string) (string, error) {
	if _, err := os.Lstat(data); !errors.Is(err, fs.ErrNotExist) {
		return "", nil
	}
	list, err := filepath.Glob(escaped(data) + asideName + "*")
	if err != nil {
		return "", fmt.Errorf("take back: %w", err)
	}
	list = slices.DeleteFunc(list, func(name string) bool {
		return strings.HasSuffix(name, "-wal") || strings.HasSuffix(name, "-shm") || strings.HasSuffix(name, ".lock")
	})
	if len(list) == 0 {
		return "", nil
	}
	newest := slices.Max(list)
	for _, end := range []string{"-wal", ""} {
		if err := alsoCalled(newest+end, data+end); err != nil && !(end != "" && errors.Is(err, fs.ErrNotExist)) {
			return "", fmt.Errorf("take back: %w", err)
		}
	}
	// One file with two names would be written to under both.
	return newest, errors.Join(os.Remove(newest), removeIfThere(newest+"-wal"), removeIfThere(newest+"-shm"))
}

func removeIfThere(name string) error {
	if err := os.Remove(name); err != nil && !errors.Is(err, fs.ErrNotExist) {
		return err
	}
	return nil
}

// escaped is a path in which no letter means another to Glob.
func escaped(path string) string {
	return strings.NewReplacer(`\`, `\\`, `*`, `\*`, `?`, `\?`, `[`, `\[`).Replace(path)
}

// leftAfter is how old something half made is before nobody can still be making it.
const leftAfter = time.Hour

// Sweep removes what was left half made beside a data file, and among the temporary files of this machine, when a program was killed.
func Sweep(data string, now time.Time) error {
	var wrong error
	for _, pattern := range []string{
		filepath.Join(escaped(filepath.Dir(data)), ".acornstep-*"), filepath.Join(escaped(os.TempDir()), "acornstep-copy-*"),
		filepath.Join(escaped(os.TempDir()), "acornstep-upload-*"),
	} {
		list, err := filepath.Glob(pattern)
		wrong = errors.Join(wrong, err)
		for _, name := range list {
			if info, err := os.Lstat(name); err == nil && now.Sub(info.ModTime()) > leftAfter {
				wrong = errors.Join(wrong, os.RemoveAll(name))
			}
		}
	}
	return wrong
}
