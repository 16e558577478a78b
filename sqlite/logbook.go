package sqlite

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"acornstep/sock/basket"
	"acornstep/sock/design"
	"acornstep/sock/logbook"
)

// tap is a request to write events, and where its answer goes.
type tap struct {
	sockID string
	events []logbook.Event
	done   chan error
}

// mostTaps are written in one transaction.
const mostTaps = 128

// writeTaps writes events of many devices together: whoever waits while one
// transaction is on its way to the disk goes into the next.
func (s *Store) writeTaps() {
	defer close(s.tapsDone)
	for first := range s.taps {
		batch := []tap{first}
		for len(batch) < mostTaps {
			select {
			case next, open := <-s.taps:
				if open {
					batch = append(batch, next)
					continue
				}
			default:
			}
			break
		}
		err := s.writeBatch(batch)
		if err != nil && len(batch) > 1 {
			// One that cannot be written must not take the others with it.
			for _, t := range batch {
				t.done <- s.writeBatch([]tap{t})
			}
			continue
		}
		for _, t := range batch {
			t.done <- err
		}
	}
}

func (s *Store) writeBatch(batch []tap) error {
	ctx := context.Background() // whoever asked may have gone; the tap still counts
	return s.inside(ctx, "add events", func(tx *sql.Tx) error {
		now := s.now().UnixMilli()
		for _, t := range batch {
			for _, e := range t.events {
				_, err := tx.ExecContext(ctx, `INSERT INTO events (id, sock_id, document, received_ms) VALUES (?,?,?,?) ON CONFLICT (id) DO NOTHING`, e.ID, t.sockID, written(e), now)
				if err != nil {
					return known(err)
				}
			}
		}
		return nil
	})
}

// AddEvents writes events of a sock; one that is there already changes nothing.
// They are on the disk when it returns. basket.ErrNotFound for a sock that never was.
func (s *Store) AddEvents(ctx context.Context, sockID string, events []logbook.Event) error {
	t := tap{sockID, events, make(chan error, 1)}
	select {
	case s.taps <- t:
	case <-ctx.Done():
		return ctx.Err()
	}
	return <-t.done
}

// Events gives the events of a sock that were heard after a number, and the number of the last.
func (s *Store) Events(ctx context.Context, sockID string, after int64) ([]logbook.Event, int64, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT seq, document FROM events WHERE sock_id = ? AND seq > ? ORDER BY seq`, sockID, after)
	if err != nil {
		return nil, after, fmt.Errorf("list events: %w", err)
	}
	defer rows.Close()
	list := []logbook.Event{}
	for rows.Next() {
		var text []byte
		var e logbook.Event
		if err := rows.Scan(&after, &text); err != nil {
			return nil, after, fmt.Errorf("list events: %w", err)
		}
		if err := json.Unmarshal(text, &e); err != nil {
			return nil, after, fmt.Errorf("event %d: %w", after, err)
		}
		list = append(list, e)
	}
	return list, after, rows.Err()
}

// Plans gives the versions of the plan a sock is knitted from, the oldest first.
func (s *Store) Plans(ctx context.Context, sockID string) ([]basket.Knitted, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT version, design, reason, created_ms FROM plans WHERE sock_id = ? ORDER BY version`, sockID)
	if err != nil {
		return nil, fmt.Errorf("list plans: %w", err)
	}
	defer rows.Close()
	list := []basket.Knitted{}
	for rows.Next() {
		var k basket.Knitted
		if err := rows.Scan(&k.Version, document{&k.Design}, &k.Reason, moment{&k.Created}); err != nil {
			return nil, fmt.Errorf("list plans: %w", err)
		}
		list = append(list, k)
	}
	return list, rows.Err()
}

// AddPlan keeps the next version of a plan, made on the version before it;
// basket.ErrChanged when another one came first.
func (s *Store) AddPlan(ctx context.Context, sockID string, before int, d design.Design, reason string) error {
	return s.inside(ctx, "add plan", func(tx *sql.Tx) error {
		if _, err := s.get(ctx, tx, sockID); err != nil {
			return err
		}
		var newest int
		if err := tx.QueryRowContext(ctx, `SELECT coalesce(max(version), 0) FROM plans WHERE sock_id = ?`, sockID).Scan(&newest); err != nil {
			return err
		}
		if newest != before {
			return basket.ErrChanged
		}
		_, err := tx.ExecContext(ctx, `INSERT INTO plans (sock_id, version, design, reason, created_ms) VALUES (?,?,?,?,?)`, sockID, before+1, written(d), reason, s.now().UnixMilli())
		return err
	})
}

// stopTaps waits until every tap is written.
func (s *Store) stopTaps() error {
	close(s.taps)
	select {
	case <-s.tapsDone:
		return nil
	case <-time.After(10 * time.Second):
		return errors.New("some taps could not be written in time")
	}
}
