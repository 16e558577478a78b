// Package sqlite keeps the basket in a SQLite file.
package sqlite

import (
	"context"
	"crypto/rand"
	"database/sql"
	"embed"
	"encoding/json"
	"errors"
	"fmt"
	"io/fs"
	"log/slog"
	"net/url"
	"os"
	"path/filepath"
	"time"

	"github.com/pressly/goose/v3"
	_ "modernc.org/sqlite" // the driver "sqlite", in pure Go

	"acornstep/sock/basket"
)

//go:embed migrations/*.sql
var migrations embed.FS

// Store is an open database file.
type Store struct {
	db  *sql.DB
	now func() time.Time
}

// busyTimeout is how long a writer waits for another one, in milliseconds.
const busyTimeout = 5000

// Open opens the file, makes it when it is missing, and brings its tables up to
// date. A file written by a newer program is refused and left as it is.
func Open(ctx context.Context, path string, now func() time.Time) (*Store, error) {
	if err := os.MkdirAll(filepath.Dir(path), 0o700); err != nil {
		return nil, fmt.Errorf("open %s: %w", path, err)
	}
	pragmas := url.Values{"_txlock": {"immediate"}, "_pragma": {
		fmt.Sprintf("busy_timeout(%d)", busyTimeout), "journal_mode(WAL)", "synchronous(FULL)", "foreign_keys(1)",
	}}
	db, err := sql.Open("sqlite", "file:"+(&url.URL{Path: path}).EscapedPath()+"?"+pragmas.Encode())
	if err != nil {
		return nil, fmt.Errorf("open %s: %w", path, err)
	}
	if err := migrate(ctx, db); err != nil {
		return nil, errors.Join(fmt.Errorf("open %s: %w", path, err), db.Close())
	}
	return &Store{db, now}, nil
}

func migrate(ctx context.Context, db *sql.DB) error {
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	provider, err := goose.NewProvider(goose.DialectSQLite3, db, files, goose.WithSlog(slog.New(slog.DiscardHandler)))
	if err != nil {
		return err
	}
	have, known, err := provider.GetVersions(ctx)
	if err != nil {
		return fmt.Errorf("this is not a database of Acorn Step: %w", err)
	}
	if have > known {
		return fmt.Errorf("the database has version %d and this program knows up to %d: a newer program wrote it", have, known)
	}
	_, err = provider.Up(ctx)
	return err
}

// Close closes the file.
func (s *Store) Close() error { return s.db.Close() }

const columns = `id, revision, name, wearer, draft, foot_stitches, row_count, missing, created_ms, updated_ms`

func scan(row interface{ Scan(...any) error }) (basket.Sock, error) {
	var sock basket.Sock
	var text string
	var created, updated int64
	err := row.Scan(&sock.ID, &sock.Revision, &sock.Name, &sock.Wearer, &text,
		&sock.Digest.FootStitches, &sock.Digest.Rows, &sock.Digest.Missing, &created, &updated)
	if errors.Is(err, sql.ErrNoRows) {
		return sock, basket.ErrNotFound
	}
	if err != nil {
		return sock, err
	}
	sock.Created, sock.Updated = time.UnixMilli(created).UTC(), time.UnixMilli(updated).UTC()
	return sock, json.Unmarshal([]byte(text), &sock.Draft)
}

// List gives all socks in the basket, the last changed first.
func (s *Store) List(ctx context.Context) ([]basket.Sock, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT `+columns+` FROM socks WHERE deleted_ms IS NULL ORDER BY updated_ms DESC, id`)
	if err != nil {
		return nil, fmt.Errorf("list socks: %w", err)
	}
	defer rows.Close()
	socks := []basket.Sock{}
	for rows.Next() {
		sock, err := scan(rows)
		if err != nil {
			return nil, fmt.Errorf("list socks: %w", err)
		}
		socks = append(socks, sock)
	}
	return socks, rows.Err()
}

// Get gives one sock, or basket.ErrNotFound.
func (s *Store) Get(ctx context.Context, id string) (basket.Sock, error) {
	return s.get(ctx, s.db, id)
}

type querier interface {
	QueryRowContext(context.Context, string, ...any) *sql.Row
}

func (s *Store) get(ctx context.Context, q querier, id string) (basket.Sock, error) {
	sock, err := scan(q.QueryRowContext(ctx, `SELECT `+columns+` FROM socks WHERE id = ? AND deleted_ms IS NULL`, id))
	if err != nil {
		return sock, fmt.Errorf("sock %q: %w", id, err)
	}
	return sock, nil
}

// Add puts a new sock into the basket and gives it its id and first revision.
func (s *Store) Add(ctx context.Context, sock basket.Sock) (basket.Sock, error) {
	sock.ID, sock.Revision = newID(), 1
	sock.Created = s.now().UTC().Truncate(time.Millisecond)
	sock.Updated = sock.Created
	text, err := json.Marshal(sock.Draft)
	if err != nil {
		return sock, fmt.Errorf("add sock: %w", err)
	}
	_, err = s.db.ExecContext(ctx, `INSERT INTO socks (`+columns+`) VALUES (?,?,?,?,?,?,?,?,?,?)`,
		sock.ID, sock.Revision, sock.Name, sock.Wearer, string(text), sock.Digest.FootStitches, sock.Digest.Rows,
		sock.Digest.Missing, sock.Created.UnixMilli(), sock.Updated.UnixMilli())
	if err != nil {
		return sock, fmt.Errorf("add sock: %w", err)
	}
	return sock, nil
}

// Save replaces name, wearer and draft of a sock. sock.Revision is the one the
// change was made on; when another is kept, nothing is written and the error is a *basket.Stale.
func (s *Store) Save(ctx context.Context, sock basket.Sock) (basket.Sock, error) {
	tx, err := s.db.BeginTx(ctx, nil)
	if err != nil {
		return sock, fmt.Errorf("save sock %q: %w", sock.ID, err)
	}
	defer func() { _ = tx.Rollback() }() // does nothing after a commit
	kept, err := s.get(ctx, tx, sock.ID)
	if err != nil {
		return sock, err
	}
	if kept.Revision != sock.Revision {
		return sock, &basket.Stale{Current: kept, Given: sock.Revision}
	}
	text, err := json.Marshal(sock.Draft)
	if err != nil {
		return sock, fmt.Errorf("save sock %q: %w", sock.ID, err)
	}
	sock.Revision++
	sock.Created, sock.Updated = kept.Created, s.now().UTC().Truncate(time.Millisecond)
	_, err = tx.ExecContext(ctx, `UPDATE socks SET revision = ?, name = ?, wearer = ?, draft = ?, foot_stitches = ?, row_count = ?, missing = ?, updated_ms = ? WHERE id = ?`,
		sock.Revision, sock.Name, sock.Wearer, string(text), sock.Digest.FootStitches, sock.Digest.Rows, sock.Digest.Missing,
		sock.Updated.UnixMilli(), sock.ID)
	if err == nil {
		err = tx.Commit()
	}
	if err != nil {
		return sock, fmt.Errorf("save sock %q: %w", sock.ID, err)
	}
	return sock, nil
}

// Delete takes a sock out of the basket; Restore brings it back.
func (s *Store) Delete(ctx context.Context, id string) error {
	return s.mark(ctx, `UPDATE socks SET deleted_ms = ? WHERE id = ? AND deleted_ms IS NULL`, id, s.now().UnixMilli())
}

// Restore puts a deleted sock back into the basket.
func (s *Store) Restore(ctx context.Context, id string) error {
	return s.mark(ctx, `UPDATE socks SET deleted_ms = ? WHERE id = ? AND deleted_ms IS NOT NULL`, id, nil)
}

func (s *Store) mark(ctx context.Context, statement, id string, deleted any) error {
	result, err := s.db.ExecContext(ctx, statement, deleted, id)
	if err != nil {
		return fmt.Errorf("sock %q: %w", id, err)
	}
	if n, err := result.RowsAffected(); err != nil || n == 0 {
		return errors.Join(fmt.Errorf("sock %q: %w", id, basket.ErrNotFound), err)
	}
	return nil
}

// newID is 60 random bits: enough for every sock there will be, short enough for a URL.
func newID() string {
	const digits = 12
	return rand.Text()[:digits]
}
