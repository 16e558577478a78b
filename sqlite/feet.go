package sqlite

import (
	"context"
	"database/sql"
	"fmt"

	"acornstep/sock/people/feet"
)

var wearers = record[feet.Wearer]{
	kind: "wearer", table: "wearers", columns: []string{"name", "cautions", "note"},
	values: func(w *feet.Wearer) []any { return []any{w.Name, written(w.Cautions), w.Note} },
	scan:   func(w *feet.Wearer) []any { return []any{&w.Name, document{&w.Cautions}, &w.Note} },
	id:     func(w *feet.Wearer) *string { return &w.ID },
	rev:    func(w *feet.Wearer) *int { return &w.Revision },
	read: func(w *feet.Wearer) error {
		w.Measurements, w.Tracings = []feet.Measurement{}, []feet.Tracing{}
		if w.Cautions == nil {
			w.Cautions = []string{}
		}
		return nil
	},
}

// Wearers gives everybody, by name, with all measurements.
func (s *Store) Wearers(ctx context.Context) ([]feet.Wearer, error) {
	list, err := all(ctx, s, &wearers, "name, id")
	if err != nil {
		return nil, err
	}
	at := map[string]*feet.Wearer{}
	for i := range list {
		at[list[i].ID] = &list[i]
	}
	return list, s.measurements(ctx, at, "")
}

// Wearer gives one wearer with all measurements and tracings, or basket.ErrNotFound.
func (s *Store) Wearer(ctx context.Context, id string) (feet.Wearer, error) {
	w, err := one(ctx, s.db, &wearers, id)
	if err != nil {
		return w, err
	}
	return w, s.measurements(ctx, map[string]*feet.Wearer{id: &w}, id)
}

// measurements reads those of the wearers given; of one of them when id is not empty.
func (s *Store) measurements(ctx context.Context, at map[string]*feet.Wearer, id string) error {
	rows, err := s.db.QueryContext(ctx, `SELECT wearer_id, id, side, what, length_mm, measured_on, source, uncertainty_mm FROM measurements
		WHERE deleted_ms IS NULL AND (? = '' OR wearer_id = ?) ORDER BY measured_on, created_ms, rowid`, id, id)
	if err != nil {
		return fmt.Errorf("list measurements: %w", err)
	}
	defer rows.Close()
	for rows.Next() {
		var owner string
		var m feet.Measurement
		if err := rows.Scan(&owner, &m.ID, &m.Side, &m.What, &m.Length, &m.On, &m.Source, &m.Uncertainty); err != nil {
			return fmt.Errorf("list measurements: %w", err)
		}
		if w := at[owner]; w != nil {
			w.Measurements = append(w.Measurements, m)
		}
	}
	if err := rows.Err(); err != nil || id == "" {
		return err
	}
	return s.tracings(ctx, at[id])
}

func (s *Store) tracings(ctx context.Context, w *feet.Wearer) error {
	rows, err := s.db.QueryContext(ctx, `SELECT id, side, measured_on, points, preview FROM tracings WHERE wearer_id = ? AND deleted_ms IS NULL ORDER BY created_ms`, w.ID)
	if err != nil {
		return fmt.Errorf("list tracings: %w", err)
	}
	defer rows.Close()
	for rows.Next() {
		var t feet.Tracing
		if err := rows.Scan(&t.ID, &t.Side, &t.On, &t.Points, &t.Preview); err != nil {
			return fmt.Errorf("list tracings: %w", err)
		}
		w.Tracings = append(w.Tracings, t)
	}
	return rows.Err()
}

// AddWearer keeps a new wearer and gives the id.
func (s *Store) AddWearer(ctx context.Context, w feet.Wearer) (feet.Wearer, error) {
	err := add(ctx, s, &wearers, &w)
	if err != nil {
		return w, err
	}
	return s.Wearer(ctx, w.ID)
}

// SaveWearer replaces name, cautions and note; basket.ErrChanged for an older revision.
func (s *Store) SaveWearer(ctx context.Context, w feet.Wearer) (feet.Wearer, error) {
	if err := save(ctx, s, &wearers, &w); err != nil {
		return w, err
	}
	return s.Wearer(ctx, w.ID)
}

// MarkWearer deletes a wearer, or brings one back. Socks keep the feet they took.
func (s *Store) MarkWearer(ctx context.Context, id string, deleted bool) error {
	return s.markDeleted(ctx, "wearers", id, deleted, "", "")
}

// AddMeasurements keeps new measurements of a wearer, and the tracing they were read from, if any.
func (s *Store) AddMeasurements(ctx context.Context, wearerID string, list []feet.Measurement, tracing *feet.Tracing) error {
	return s.inside(ctx, "add measurements", func(tx *sql.Tx) error {
		if _, err := one(ctx, tx, &wearers, wearerID); err != nil {
			return err
		}
		now := s.now().UnixMilli()
		for _, m := range list {
			if _, err := tx.ExecContext(ctx, `INSERT INTO measurements (id, wearer_id, side, what, length_mm, measured_on, source, uncertainty_mm, created_ms) VALUES (?,?,?,?,?,?,?,?,?)`,
				newID(), wearerID, m.Side, m.What, m.Length, m.On, m.Source, m.Uncertainty, now); err != nil {
				return err
			}
		}
		if tracing == nil {
			return nil
		}
		_, err := tx.ExecContext(ctx, `INSERT INTO tracings (id, wearer_id, side, measured_on, points, preview, created_ms) VALUES (?,?,?,?,?,?,?)`,
			newID(), wearerID, tracing.Side, tracing.On, tracing.Points, tracing.Preview, now)
		return err
	})
}

// MarkMeasurement takes a measurement out, or brings it back.
func (s *Store) MarkMeasurement(ctx context.Context, wearerID, id string, deleted bool) error {
	return s.markDeleted(ctx, "measurements", id, deleted, "wearer_id", wearerID)
}

// MarkTracing takes a tracing out, or brings it back.
func (s *Store) MarkTracing(ctx context.Context, wearerID, id string, deleted bool) error {
	return s.markDeleted(ctx, "tracings", id, deleted, "wearer_id", wearerID)
}
