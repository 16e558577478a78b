package sqlite

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"reflect"
	"strings"
	"time"

	"modernc.org/sqlite"
	sqlite3 "modernc.org/sqlite/lib"

	"acornstep/sock/papers/basket"
)

// record is how a Go value is kept as a row with an id and a revision.
type record[T any] struct {
	// kind names it in the history, table where it is kept.
	kind, table string
	// columns after id and revision, in the order of values and scan.
	columns []string
	values  func(*T) []any
	scan    func(*T) []any
	id      func(*T) *string
	rev     func(*T) *int
	// created is where the value says when it was made; nil when it does not.
	created func(*T) *time.Time
	// read completes a value that was scanned; nil when there is nothing to do.
	read func(*T) error
}

// row is a scanner of one row.
type row interface{ Scan(...any) error }

func (r *record[T]) list() string {
	return strings.Join(append([]string{"id", "revision"}, r.columns...), ", ")
}

func (r *record[T]) from(row row) (T, error) {
	var value T
	var made time.Time
	into := &made
	if r.created != nil {
		into = r.created(&value)
	}
	err := row.Scan(append(append([]any{r.id(&value), r.rev(&value)}, r.scan(&value)...), moment{into})...)
	if errors.Is(err, sql.ErrNoRows) {
		return value, basket.ErrNotFound
	}
	if err == nil && r.read != nil {
		err = r.read(&value)
	}
	return value, err
}

func all[T any](ctx context.Context, s *Store, r *record[T], order string) ([]T, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT `+r.list()+`, created_ms FROM `+r.table+` WHERE deleted_ms IS NULL ORDER BY `+order)
	if err != nil {
		return nil, fmt.Errorf("list %s: %w", r.table, err)
	}
	defer rows.Close()
	values := []T{}
	for rows.Next() {
		value, err := r.from(rows)
		if err != nil {
			return nil, fmt.Errorf("list %s: %w", r.table, err)
		}
		values = append(values, value)
	}
	return values, rows.Err()
}

func one[T any](ctx context.Context, q querier, r *record[T], id string) (T, error) {
	value, err := r.from(q.QueryRowContext(ctx, `SELECT `+r.list()+`, created_ms FROM `+r.table+` WHERE id = ? AND deleted_ms IS NULL`,
		id))
	if err != nil {
		return value, fmt.Errorf("%s %q: %w", r.kind, id, err)
	}
	return value, nil
}

// add gives a value its id and first revision and keeps it.
func add[T any](ctx context.Context, s *Store, r *record[T], value *T) error {
	*r.id(value), *r.rev(value) = newID(), 1
	return s.inside(ctx, "add "+r.kind, func(tx *sql.Tx) error {
		now := s.now().UnixMilli()
		marks := "?, ?, ?, ?"
		for range r.columns {
			marks += ", ?"
		}
		args := append([]any{*r.id(value), 1}, r.values(value)...)
		_, err := tx.ExecContext(ctx, `INSERT INTO `+r.table+` (`+r.list()+`, created_ms, updated_ms) VALUES (`+marks+`)`,
			append(args, now, now)...)
		if err != nil {
			return known(err)
		}
		return remember(ctx, tx, r, value, now)
	})
}

// save replaces a value that was changed on its newest revision; basket.ErrChanged otherwise,
// unless the very same is kept already: then the value takes its revision.
func save[T any](ctx context.Context, s *Store, r *record[T], value *T) error {
	return s.inside(ctx, "save "+r.kind, func(tx *sql.Tx) error {
		kept, err := one(ctx, tx, r, *r.id(value))
		if err != nil {
			return err
		}
		if *r.rev(&kept) != *r.rev(value) && reflect.DeepEqual(r.values(&kept), r.values(value)) {
			*value = kept
			return nil
		}
		if *r.rev(&kept) != *r.rev(value) {
			return basket.ErrChanged
		}
		*r.rev(value)++
		now := s.now().UnixMilli()
		text := `UPDATE ` + r.table + ` SET revision = ?, updated_ms = ?`
		for _, c := range r.columns {
			text += ", " + c + " = ?"
		}
		args := append([]any{*r.rev(value), now}, r.values(value)...)
		if _, err := tx.ExecContext(ctx, text+` WHERE id = ?`, append(args, *r.id(value))...); err != nil {
			return known(err)
		}
		return remember(ctx, tx, r, value, now)
	})
}

// known says of a reference to what was never there that it is not found.
func known(err error) error {
	var broken *sqlite.Error
	if errors.As(err, &broken) && broken.Code() == sqlite3.SQLITE_CONSTRAINT_FOREIGNKEY {
		return basket.ErrNotFound
	}
	return err
}

// remember writes a value into the history.
func remember[T any](ctx context.Context, tx *sql.Tx, r *record[T], value *T, now int64) error {
	text, err := json.Marshal(value)
	if err != nil {
		return err
	}
	_, err = tx.ExecContext(ctx, `INSERT INTO history (kind, id, revision, document, at_ms) VALUES (?, ?, ?, ?, ?)`, r.kind, *r.id(value),
		*r.rev(value), string(text), now)
	return err
}

// inside does something in one transaction.
func (s *Store) inside(ctx context.Context, what string, do func(*sql.Tx) error) error {
	tx, err := s.db.BeginTx(ctx, nil)
	if err != nil {
		return fmt.Errorf("%s: %w", what, err)
	}
	defer func() { _ = tx.Rollback() }() // does nothing after a commit
	if err := do(tx); err != nil {
		return fmt.Errorf("%s: %w", what, err)
	}
	if err := tx.Commit(); err != nil {
		return fmt.Errorf("%s: %w", what, err)
	}
	return nil
}

// markDeleted deletes a row of a table, or brings it back; owner, when not
// empty, names a column that has to hold ownerID.
func (s *Store) markDeleted(ctx context.Context, table, id string, deleted bool, owner, ownerID string) error {
	text, args := `UPDATE `+table+` SET deleted_ms = NULL WHERE id = ? AND deleted_ms IS NOT NULL`, []any{id}
	if deleted {
		text, args = `UPDATE `+table+` SET deleted_ms = ? WHERE id = ? AND deleted_ms IS NULL`, []any{s.now().UnixMilli(), id}
	}
	if owner != "" {
		text, args = text+` AND `+owner+` = ?`, append(args, ownerID)
	}
	result, err := s.db.ExecContext(ctx, text, args...)
	if err != nil {
		return fmt.Errorf("%s %q: %w", table, id, err)
	}
	if n, err := result.RowsAffected(); err != nil || n == 0 {
		return errors.Join(fmt.Errorf("%s %q: %w", table, id, basket.ErrNotFound), err)
	}
	return nil
}

// moment reads a time that is kept in milliseconds.
type moment struct{ into *time.Time }

// Scan implements sql.Scanner.
func (m moment) Scan(value any) error {
	ms, ok := value.(int64)
	if !ok {
		return fmt.Errorf("read %T for a time in milliseconds", value)
	}
	*m.into = time.UnixMilli(ms).UTC()
	return nil
}

// document reads and writes a value that is kept as JSON; NULL leaves it as it is.
type document struct{ of any }

// Scan implements sql.Scanner.
func (d document) Scan(value any) error {
	switch text := value.(type) {
	case nil:
		return nil
	case string:
		return json.Unmarshal([]byte(text), d.of)
	default:
		return fmt.Errorf("read %T for a JSON document", value)
	}
}

// written is a value as JSON; it panics on values that no JSON can hold, of which there are none here.
func written(value any) string {
	text, err := json.Marshal(value)
	if err != nil {
		panic(fmt.Sprintf("sqlite: %T has no JSON: %v", value, err))
	}
	return string(text)
}
