package sqlite

import (
	"context"
	"database/sql"
	"fmt"
	"time"

	"acornstep/sock/papers/swatch"
)

var yarns = record[swatch.Yarn]{
	kind: "yarn", table: "yarns", columns: []string{"name", "ball_g", "ball_m", "fibre", "note"},
	values: func(y *swatch.Yarn) []any { return []any{y.Name, y.Grams, y.Metres, y.Fibre, y.Note} },
	scan:   func(y *swatch.Yarn) []any { return []any{&y.Name, &y.Grams, &y.Metres, &y.Fibre, &y.Note} },
	id:     func(y *swatch.Yarn) *string { return &y.ID },
	rev:    func(y *swatch.Yarn) *int { return &y.Revision },
}

var needles = record[swatch.Needle]{
	kind: "needle", table: "needles", columns: []string{"size_mm", "name"},
	values: func(n *swatch.Needle) []any { return []any{n.Size, n.Name} },
	scan:   func(n *swatch.Needle) []any { return []any{&n.Size, &n.Name} },
	id:     func(n *swatch.Needle) *string { return &n.ID },
	rev:    func(n *swatch.Needle) *int { return &n.Revision },
}

var swatches = record[swatch.Swatch]{
	kind: "swatch", table: "swatches", columns: []string{"yarn_id", "needle_id", "form", "washed", "note"},
	values:  func(w *swatch.Swatch) []any { return []any{w.YarnID, w.NeedleID, w.Form, w.Washed, w.Note} },
	scan:    func(w *swatch.Swatch) []any { return []any{&w.YarnID, &w.NeedleID, &w.Form, &w.Washed, &w.Note} },
	id:      func(w *swatch.Swatch) *string { return &w.ID },
	rev:     func(w *swatch.Swatch) *int { return &w.Revision },
	created: func(w *swatch.Swatch) *time.Time { return &w.Created },
	read:    func(w *swatch.Swatch) error { w.Readings = []swatch.Noted{}; return nil },
}

// Yarns gives all yarns by name.
func (s *Store) Yarns(ctx context.Context) ([]swatch.Yarn, error) {
	return all(ctx, s, &yarns, "name, id")
}

// AddYarn keeps a new yarn and gives its id.
func (s *Store) AddYarn(ctx context.Context, y swatch.Yarn) (swatch.Yarn, error) {
	err := add(ctx, s, &yarns, &y)
	return y, err
}

// SaveYarn replaces a yarn; basket.ErrChanged for an older revision.
func (s *Store) SaveYarn(ctx context.Context, y swatch.Yarn) (swatch.Yarn, error) {
	err := save(ctx, s, &yarns, &y)
	return y, err
}

// MarkYarn deletes a yarn, or brings it back.
func (s *Store) MarkYarn(ctx context.Context, id string, deleted bool) error {
	return s.markDeleted(ctx, "yarns", id, deleted, "", "")
}

// Needles gives all needles by size.
func (s *Store) Needles(ctx context.Context) ([]swatch.Needle, error) {
	return all(ctx, s, &needles, "size_mm, name, id")
}

// AddNeedle keeps a new needle and gives its id.
func (s *Store) AddNeedle(ctx context.Context, n swatch.Needle) (swatch.Needle, error) {
	err := add(ctx, s, &needles, &n)
	return n, err
}

// MarkNeedle deletes a needle, or brings it back.
func (s *Store) MarkNeedle(ctx context.Context, id string, deleted bool) error {
	return s.markDeleted(ctx, "needles", id, deleted, "", "")
}

// Swatches gives all swatches with their readings, the newest first.
func (s *Store) Swatches(ctx context.Context) ([]swatch.Swatch, error) {
	list, err := all(ctx, s, &swatches, "created_ms DESC, id")
	if err != nil {
		return nil, err
	}
	at := map[string]*swatch.Swatch{}
	for i := range list {
		at[list[i].ID] = &list[i]
	}
	return list, s.readings(ctx, at, "")
}

// Swatch gives one swatch with its readings, or basket.ErrNotFound.
func (s *Store) Swatch(ctx context.Context, id string) (swatch.Swatch, error) {
	w, err := one(ctx, s.db, &swatches, id)
	if err != nil {
		return w, err
	}
	return w, s.readings(ctx, map[string]*swatch.Swatch{id: &w}, id)
}

func (s *Store) readings(ctx context.Context, at map[string]*swatch.Swatch, id string) error {
	rows, err := s.db.QueryContext(ctx, `SELECT swatch_id, id, what, count, width_mm FROM readings
		WHERE deleted_ms IS NULL AND (? = '' OR swatch_id = ?) ORDER BY created_ms, rowid`, id, id)
	if err != nil {
		return fmt.Errorf("list readings: %w", err)
	}
	defer rows.Close()
	for rows.Next() {
		var owner string
		var t swatch.Noted
		if err := rows.Scan(&owner, &t.ID, &t.What, &t.Count, &t.Width); err != nil {
			return fmt.Errorf("list readings: %w", err)
		}
		if w := at[owner]; w != nil {
			w.Readings = append(w.Readings, t)
		}
	}
	return rows.Err()
}

// AddSwatch keeps a new swatch; its yarn and needle have to be there.
func (s *Store) AddSwatch(ctx context.Context, w swatch.Swatch) (swatch.Swatch, error) {
	if err := add(ctx, s, &swatches, &w); err != nil {
		return w, err
	}
	return s.Swatch(ctx, w.ID)
}

// SaveSwatch replaces a swatch but for its readings; basket.ErrChanged for an older revision.
func (s *Store) SaveSwatch(ctx context.Context, w swatch.Swatch) (swatch.Swatch, error) {
	if err := save(ctx, s, &swatches, &w); err != nil {
		return w, err
	}
	return s.Swatch(ctx, w.ID)
}

// MarkSwatch deletes a swatch, or brings it back. Socks keep the gauge they took.
func (s *Store) MarkSwatch(ctx context.Context, id string, deleted bool) error {
	return s.markDeleted(ctx, "swatches", id, deleted, "", "")
}

// AddReading keeps a new count on a swatch.
func (s *Store) AddReading(ctx context.Context, swatchID string, t swatch.Noted) error {
	return s.inside(ctx, "add reading", func(tx *sql.Tx) error {
		if _, err := one(ctx, tx, &swatches, swatchID); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, `INSERT INTO readings (id, swatch_id, what, count, width_mm, created_ms) VALUES (?,?,?,?,?,?)`,
			newID(), swatchID, t.What, t.Count, t.Width, s.now().UnixMilli())
		return err
	})
}

// MarkReading takes a count out, or brings it back.
func (s *Store) MarkReading(ctx context.Context, swatchID, id string, deleted bool) error {
	return s.markDeleted(ctx, "readings", id, deleted, "swatch_id", swatchID)
}
