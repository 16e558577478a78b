package sqlite

import (
	"context"
	"fmt"

	"acornstep/web/visit"
)

// KeepVisit keeps a visit as it is now.
func (s *Store) KeepVisit(ctx context.Context, v visit.Visit) error {
	_, err := s.db.ExecContext(ctx, `INSERT INTO visits (hash, key, device, began_ms, seen_ms, ends_ms) VALUES (?,?,?,?,?,?)
		ON CONFLICT (hash) DO UPDATE SET seen_ms = excluded.seen_ms`, v.Hash, v.Key, v.Device, v.Began.UnixMilli(), v.Seen.UnixMilli(), v.Ends.UnixMilli())
	if err != nil {
		return fmt.Errorf("keep visit: %w", err)
	}
	return nil
}

// Visits gives those of one passphrase that have not ended; all others are forgotten.
func (s *Store) Visits(ctx context.Context, key string) ([]visit.Visit, error) {
	if _, err := s.db.ExecContext(ctx, `DELETE FROM visits WHERE key <> ? OR ends_ms <= ?`, key, s.now().UnixMilli()); err != nil {
		return nil, fmt.Errorf("list visits: %w", err)
	}
	rows, err := s.db.QueryContext(ctx, `SELECT hash, key, device, began_ms, seen_ms, ends_ms FROM visits`)
	if err != nil {
		return nil, fmt.Errorf("list visits: %w", err)
	}
	defer rows.Close()
	var list []visit.Visit
	for rows.Next() {
		v, err := visitOf(rows)
		if err != nil {
			return nil, err
		}
		list = append(list, v)
	}
	return list, rows.Err()
}

func visitOf(row row) (visit.Visit, error) {
	var v visit.Visit
	err := row.Scan(&v.Hash, &v.Key, &v.Device, moment{&v.Began}, moment{&v.Seen}, moment{&v.Ends})
	if err != nil {
		err = fmt.Errorf("read visit: %w", err)
	}
	return v, err
}

// EndVisit forgets a visit; one that is not there is ended already.
func (s *Store) EndVisit(ctx context.Context, hash string) error {
	if _, err := s.db.ExecContext(ctx, `DELETE FROM visits WHERE hash = ?`, hash); err != nil {
		return fmt.Errorf("end visit: %w", err)
	}
	return nil
}
