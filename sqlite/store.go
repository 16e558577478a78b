// Package sqlite keeps the basket in a SQLite file.
package sqlite

import (
	"context"
	"crypto/rand"
	"database/sql"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"log/slog"
	"net/url"
	"os"
	"path/filepath"
	"reflect"
	"strings"
	"sync"
	"time"

	"github.com/pressly/goose/v3"
	_ "modernc.org/sqlite" // the driver "sqlite", in pure Go

	"acornstep/sock/papers/basket"
)

//go:embed migrations/*.sql
var migrations embed.FS

// Store is an open database file.
type Store struct {
	db *sql.DB
	// lock says to other programs that the file is open.
	lock *os.File
	now  func() time.Time
	// taps are events on their way to the disk.
	taps     chan tap
	tapsDone chan struct{}
	closing  sync.Once
	checked  lastCheck
}

// busyTimeout is how long a writer waits for another one, in milliseconds.
const busyTimeout = 5000

// Open opens the file, makes it when it is missing, and brings its tables up to
// date. A file of another program, or of a newer one of ours, is refused and left as it is.
func Open(ctx context.Context, path string, now func() time.Time) (*Store, error) {
	db, lock, err := openFile(ctx, path)
	if err != nil {
		if known := troubleOf(err); known != nil {
			err = known
		}
		return nil, fmt.Errorf("open %s: %w", path, err)
	}
	s := &Store{db: db, lock: lock, now: now, taps: make(chan tap), tapsDone: make(chan struct{})}
	go s.writeTaps()
	return s, nil
}

func openFile(ctx context.Context, path string) (*sql.DB, *os.File, error) {
	if err := os.MkdirAll(filepath.Dir(path), 0o700); err != nil {
		return nil, nil, err
	}
	lock, err := lockShared(path)
	if err != nil {
		return nil, nil, err
	}
	db, err := openLocked(ctx, path)
	if err != nil {
		return nil, nil, errors.Join(err, lock.Close())
	}
	return db, lock, nil
}

func openLocked(ctx context.Context, path string) (*sql.DB, error) {
	if err := prepare(ctx, path); err != nil {
		return nil, err
	}
	pragmas := url.Values{"_txlock": {"immediate"}, "_pragma": {
		fmt.Sprintf("busy_timeout(%d)", busyTimeout), "journal_mode(WAL)", "synchronous(FULL)", "foreign_keys(1)", "secure_delete(1)",
	}}
	db, err := sql.Open("sqlite", uriOf(path)+"?"+pragmas.Encode())
	if err != nil {
		return nil, err
	}
	upToDate := func(ctx context.Context, db *sql.DB) error { return migrate(ctx, db, path) }
	for _, step := range []func(context.Context, *sql.DB) error{whole, tablesAlone, upToDate, mark, named} {
		if err := step(ctx, db); err != nil {
			return nil, errors.Join(err, db.Close())
		}
	}
	return db, nil
}

// uriOf names a file as SQLite does, whatever letters are in its path.
func uriOf(path string) string { return "file:" + (&url.URL{Path: path}).EscapedPath() }

// migrate brings the tables up to date; a copy of how they were is kept beside the file.
func migrate(ctx context.Context, db *sql.DB, path string) error {
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	provider, err := goose.NewProvider(goose.DialectSQLite3, db, files, goose.WithSlog(slog.New(slog.DiscardHandler)),
		goose.WithGoMigrations(
			// The rows of plans from before editions were given here once, and here; where they come to lie is told by columns
			// and names that came later. Given again, they change nothing.
			goose.NewGoMigration(5, &goose.GoFunc{RunTx: nothing}, nil),
			goose.NewGoMigration(11, &goose.GoFunc{RunTx: nothing}, nil),
			goose.NewGoMigration(13, &goose.GoFunc{RunTx: giveRows}, nil),
		))
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
	if have > 0 && have < known {
		if err := keepBefore(ctx, db, path, have); err != nil {
			return err
		}
	}
	_, err = provider.Up(ctx)
	return err
}

func nothing(context.Context, *sql.Tx) error { return nil }

// Close writes what is on its way and closes the file; closing twice does nothing more.
func (s *Store) Close() error {
	var err error
	s.closing.Do(func() { err = errors.Join(s.stopTaps(), s.db.Close(), s.lock.Close()) })
	return err
}

const columns = `id, revision, name, wearer, draft, notes, foot_taken, swatch_taken, foot_stitches, row_count, cast_on, missing, created_ms, updated_ms, practice`

// onNeedles says of a row of socks whether a plan was frozen for it.
const onNeedles = `, EXISTS (SELECT 1 FROM editions WHERE editions.sock_id = socks.id) AS on_needles`

func scan(row row) (basket.Sock, error) {
	var sock basket.Sock
	err := row.Scan(&sock.ID, &sock.Revision, &sock.Name, &sock.Wearer, document{&sock.Draft}, &sock.Notes, document{&sock.Foot},
		document{&sock.Swatch},
		&sock.Digest.FootStitches, &sock.Digest.Rows, &sock.Digest.CastOn, &sock.Digest.Missing, moment{&sock.Created},
		moment{&sock.Updated}, &sock.Practice, &sock.OnNeedles)
	if errors.Is(err, sql.ErrNoRows) {
		return sock, basket.ErrNotFound
	}
	return sock, err
}

// inOrder is how the basket lies: what is on the needles first, then the last changed.
const inOrder = ` ORDER BY on_needles DESC, updated_ms DESC, rowid DESC`

// List gives all socks in the basket, those on the needles first, then the last changed.
func (s *Store) List(ctx context.Context) ([]basket.Sock, error) {
	return s.socks(ctx, `SELECT `+columns+onNeedles+` FROM socks WHERE deleted_ms IS NULL AND NOT practice`+inOrder)
}

func (s *Store) socks(ctx context.Context, query string, args ...any) ([]basket.Sock, error) {
	rows, err := s.db.QueryContext(ctx, query, args...)
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

// Page gives a part of the basket, and how many socks there are in all that are looked for.
func (s *Store) Page(ctx context.Context, page basket.Page) ([]basket.Sock, int, error) {
	ids, err := s.namedLike(ctx, page)
	if err != nil {
		return nil, 0, err
	}
	from := min(page.From, len(ids))
	socks := []basket.Sock{}
	for _, id := range ids[from:min(from+page.Limit, len(ids))] {
		sock, err := s.Get(ctx, id)
		if errors.Is(err, basket.ErrNotFound) {
			continue // deleted between two questions
		}
		if err != nil {
			return nil, 0, err
		}
		socks = append(socks, sock)
	}
	return socks, len(ids), nil
}

// namedLike gives the ids of socks whose name or wearer has a text in it, whatever its case.
func (s *Store) namedLike(ctx context.Context, page basket.Page) ([]string, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT id, name || ' ' || wearer, updated_ms`+onNeedles+
		` FROM socks WHERE deleted_ms IS NULL AND practice = ?`+inOrder, page.Practice)
	if err != nil {
		return nil, fmt.Errorf("find socks: %w", err)
	}
	defer rows.Close()
	text := strings.ToLower(page.Find)
	var ids []string
	for rows.Next() {
		var id, name string
		var updated int64
		var knitted bool
		if err := rows.Scan(&id, &name, &updated, &knitted); err != nil {
			return nil, fmt.Errorf("find socks: %w", err)
		}
		if strings.Contains(strings.ToLower(name), text) {
			ids = append(ids, id)
		}
	}
	return ids, rows.Err()
}

// Uses lists what the socks in the basket were designed for.
func (s *Store) Uses(ctx context.Context) ([]basket.Use, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT id, name, coalesce(wearer_id, ''), coalesce(swatch_id, '') FROM socks
		WHERE deleted_ms IS NULL AND (wearer_id IS NOT NULL OR swatch_id IS NOT NULL) ORDER BY updated_ms DESC, rowid DESC`)
	if err != nil {
		return nil, fmt.Errorf("list uses: %w", err)
	}
	defer rows.Close()
	var uses []basket.Use
	for rows.Next() {
		var u basket.Use
		if err := rows.Scan(&u.ID, &u.Name, &u.WearerID, &u.SwatchID); err != nil {
			return nil, fmt.Errorf("list uses: %w", err)
		}
		uses = append(uses, u)
	}
	return uses, rows.Err()
}

// Get gives one sock, or basket.ErrNotFound.
func (s *Store) Get(ctx context.Context, id string) (basket.Sock, error) {
	return s.get(ctx, s.db, id)
}

type querier interface {
	QueryRowContext(context.Context, string, ...any) *sql.Row
}

func (s *Store) get(ctx context.Context, q querier, id string) (basket.Sock, error) {
	sock, err := scan(q.QueryRowContext(ctx, `SELECT `+columns+onNeedles+` FROM socks WHERE id = ? AND deleted_ms IS NULL`, id))
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
	_, err := s.db.ExecContext(ctx, `INSERT INTO socks (`+columns+`, wearer_id, swatch_id) VALUES (?,?,?,?,?,?,?,?,?,?,?,?,?,?,?,`+
		stillThere+`)`,
		append(append([]any{sock.ID, sock.Revision}, content(&sock)...), sock.Created.UnixMilli(), sock.Updated.UnixMilli(),
			sock.Practice, wearerOf(&sock), swatchOf(&sock))...)
	if err != nil {
		return sock, fmt.Errorf("add sock: %w", known(err))
	}
	return sock, nil
}

// stillThere are the wearer and the swatch that a sock refers to, or nothing for
// one that was removed for ever: what the sock took of them it keeps.
const stillThere = `(SELECT id FROM (SELECT ? AS id) WHERE id NOT IN (SELECT id FROM removed)), (SELECT id FROM (SELECT ? AS id) WHERE id NOT IN (SELECT id FROM removed))`

// content are the values of a sock from its name to its digest, in the order of columns.
func content(sock *basket.Sock) []any {
	d := sock.Digest
	return append(said(sock), d.FootStitches, d.Rows, d.CastOn, d.Missing)
}

// said are those of them that somebody said.
func said(sock *basket.Sock) []any {
	var foot, taken any
	if sock.Foot != nil {
		foot = written(sock.Foot)
	}
	if sock.Swatch != nil {
		taken = written(sock.Swatch)
	}
	return []any{sock.Name, sock.Wearer, written(sock.Draft), sock.Notes, foot, taken}
}

func wearerOf(sock *basket.Sock) any {
	if sock.Foot == nil {
		return nil
	}
	return sock.Foot.WearerID
}

func swatchOf(sock *basket.Sock) any {
	if sock.Swatch == nil {
		return nil
	}
	return sock.Swatch.SwatchID
}

// Save replaces name, wearer and draft of a sock. sock.Revision is the one the
// change was made on; when another is kept, nothing is written and the error is a *basket.Stale,
// unless the very same is kept already: who sends again what was saved, since the answer was lost, is told so.
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
	if kept.Revision != sock.Revision && reflect.DeepEqual(said(&kept), said(&sock)) {
		return kept, nil
	}
	if kept.Revision != sock.Revision {
		return sock, &basket.Stale{Current: kept, Given: sock.Revision}
	}
	sock.Revision++
	sock.Practice, sock.OnNeedles = kept.Practice, kept.OnNeedles
	sock.Created, sock.Updated = kept.Created, s.now().UTC().Truncate(time.Millisecond)
	_, err = tx.ExecContext(ctx, `UPDATE socks SET revision = ?, name = ?, wearer = ?, draft = ?, notes = ?, foot_taken = ?, swatch_taken = ?,
		foot_stitches = ?, row_count = ?, cast_on = ?, missing = ?, updated_ms = ?, (wearer_id, swatch_id) = (SELECT `+stillThere+`) WHERE id = ?`,
		append(append([]any{sock.Revision}, content(&sock)...), sock.Updated.UnixMilli(), wearerOf(&sock), swatchOf(&sock), sock.ID)...)
	if err == nil {
		err = tx.Commit()
	}
	if err != nil {
		return sock, fmt.Errorf("save sock %q: %w", sock.ID, known(err))
	}
	return sock, nil
}

// Delete takes a sock out of the basket; Restore brings it back.
func (s *Store) Delete(ctx context.Context, id string) error {
	return s.markDeleted(ctx, "socks", id, true, "", "")
}

// Restore puts a deleted sock back into the basket.
func (s *Store) Restore(ctx context.Context, id string) error {
	return s.markDeleted(ctx, "socks", id, false, "", "")
}

// Variants gives the designs that were put aside for a sock, the newest first.
func (s *Store) Variants(ctx context.Context, sockID string) ([]basket.Variant, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT id, name, draft, created_ms FROM variants WHERE sock_id = ? AND deleted_ms IS NULL ORDER BY created_ms DESC, id`, sockID)
	if err != nil {
		return nil, fmt.Errorf("list variants: %w", err)
	}
	defer rows.Close()
	list := []basket.Variant{}
	for rows.Next() {
		var v basket.Variant
		if err := rows.Scan(&v.ID, &v.Name, document{&v.Draft}, moment{&v.Created}); err != nil {
			return nil, fmt.Errorf("list variants: %w", err)
		}
		list = append(list, v)
	}
	return list, rows.Err()
}

// AddVariant puts a design aside for a sock.
func (s *Store) AddVariant(ctx context.Context, sockID string, v basket.Variant) (basket.Variant, error) {
	v.ID, v.Created = newID(), s.now().UTC().Truncate(time.Millisecond)
	err := s.inside(ctx, "add variant", func(tx *sql.Tx) error {
		if _, err := s.get(ctx, tx, sockID); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, `INSERT INTO variants (id, sock_id, name, draft, created_ms) VALUES (?,?,?,?,?)`, v.ID, sockID,
			v.Name, written(v.Draft), v.Created.UnixMilli())
		return err
	})
	return v, err
}

// MarkVariant takes a variant away, or brings it back.
func (s *Store) MarkVariant(ctx context.Context, sockID, id string, deleted bool) error {
	return s.markDeleted(ctx, "variants", id, deleted, "sock_id", sockID)
}

// newID is 60 random bits: enough for every sock there will be, short enough for a URL.
func newID() string {
	const digits = 12
	return rand.Text()[:digits]
}
