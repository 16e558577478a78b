package sqlite

import (
	"context"
	"database/sql"
	"encoding/binary"
	"errors"
	"fmt"
	"io"
	"os"
	"time"
)

// applicationID marks a data file as one of this program ("Acrn"), where SQLite
// keeps such a mark: 4 bytes of the header, read without opening the database.
const (
	applicationID   = 0x4163726e
	applicationIDAt = 68
	headerLength    = 100
	headerBegin     = "SQLite format 3\x00"
)

// errForeign is given for a file of somebody else. It is left as it is.
var errForeign = errors.New("this is not a data file of Acorn Step; it is left as it is")

// prepare makes a missing file for its owner's eyes only, and
// takes a file of its own away from others' eyes. A file of another program is refused before anything is written to it.
func prepare(ctx context.Context, path string) error {
	file, err := os.OpenFile(path, os.O_RDWR|os.O_CREATE, 0o600)
	if err != nil {
		return err
	}
	defer file.Close()
	if err := ours(ctx, file, path); err != nil {
		return err
	}
	info, err := file.Stat()
	if err != nil {
		return err
	}
	if info.Mode().Perm()&0o077 != 0 {
		return file.Chmod(0o600)
	}
	return nil
}

func ours(ctx context.Context, file io.Reader, path string) error {
	header := make([]byte, headerLength)
	switch _, err := io.ReadFull(file, header); {
	case errors.Is(err, io.EOF):
		return nil // a new one
	case errors.Is(err, io.ErrUnexpectedEOF):
		return errForeign
	case err != nil:
		return err
	}
	if string(header[:len(headerBegin)]) != headerBegin {
		return errForeign
	}
	switch binary.BigEndian.Uint32(header[applicationIDAt:]) {
	case applicationID:
		return nil
	case 0:
		return oursByTables(ctx, path)
	}
	return errForeign
}

// oursByTables looks into a file without a mark: an older program wrote it, or
// the mark still lies in the journal.
func oursByTables(ctx context.Context, path string) error {
	db, err := sql.Open("sqlite", uriOf(path))
	if err != nil {
		return err
	}
	defer db.Close()
	var tables, known, socks int
	err = db.QueryRowContext(ctx, `SELECT count(*), coalesce(sum(name = 'goose_db_version'), 0), coalesce(sum(name = 'socks'), 0)
		FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite\_%' ESCAPE '\'`).Scan(&tables, &known, &socks)
	switch {
	case err != nil:
		return err
	case tables == 0, tables == 1 && known == 1, known == 1 && socks == 1:
		return nil
	}
	return errForeign
}

// whole proves that nothing in the file is damaged.
func whole(ctx context.Context, db *sql.DB) error {
	var found string
	if err := db.QueryRowContext(ctx, `PRAGMA quick_check(1)`).Scan(&found); err != nil {
		return err
	}
	if found != "ok" {
		return fmt.Errorf("%w: %s", errDamaged, found)
	}
	return nil
}

// mark writes the mark into the file, and so proves that it can be written to.
func mark(ctx context.Context, db *sql.DB) error {
	_, err := db.ExecContext(ctx, fmt.Sprintf(`PRAGMA application_id = %d`, applicationID))
	return err
}

// named gives a file its identity, when it has none: it is new, or a copy that was put in the place of another,
// which knows of nothing after its last moment.
func named(ctx context.Context, db *sql.DB) error {
	if there, err := has(ctx, db, `SELECT 1 FROM identity`); err != nil || there {
		return err
	}
	c, err := contentsOf(ctx, db)
	if err != nil {
		return err
	}
	knows := int64(0)
	if !c.Last.IsZero() {
		knows = c.Last.UnixMilli()
	}
	_, err = db.ExecContext(ctx, `INSERT OR IGNORE INTO identity (one, id, knows_ms) VALUES (1, ?, ?)`, newID(), knows)
	return err
}

// Identity names the store, which a restore changes, and says up to when it knew of anything when it got its name; zero for a new one.
func (s *Store) Identity(ctx context.Context) (id string, knows time.Time, err error) {
	err = s.db.QueryRowContext(ctx, `SELECT id, knows_ms FROM identity`).Scan(&id, moment{&knows})
	if err != nil {
		return "", time.Time{}, fmt.Errorf("identity: %w", err)
	}
	if knows.UnixMilli() == 0 {
		knows = time.Time{}
	}
	return id, knows, nil
}
