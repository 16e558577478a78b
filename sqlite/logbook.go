package sqlite

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"reflect"
	"time"

	"acornstep/sock/needles/logbook"
)

// tap is a request to write events, and where its answer goes.
type tap struct {
	sockID string
	events []logbook.Event
	done   chan told
}

// told is what became of a tap.
type told struct {
	// clashes are the places in the list of events whose ids are taken by other events.
	clashes []int
	err     error
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
		clashes, err := s.writeBatch(batch)
		if err != nil && len(batch) > 1 {
			// One that cannot be written must not take the others with it.
			for _, t := range batch {
				alone, err := s.writeBatch([]tap{t})
				t.done <- told{alone[0], err}
			}
			continue
		}
		for i, t := range batch {
			t.done <- told{clashes[i], err}
		}
	}
}

// writeBatch writes all taps or none, and says for each of them which of its events clash.
func (s *Store) writeBatch(batch []tap) ([][]int, error) {
	ctx := context.Background() // whoever asked may have gone; the tap still counts
	clashes := make([][]int, len(batch))
	err := s.inside(ctx, "add events", func(tx *sql.Tx) error {
		now := s.now().UnixMilli()
		for i, t := range batch {
			for n := range t.events {
				same, err := writeEvent(ctx, tx, t.sockID, &t.events[n], now)
				if err != nil {
					return known(err)
				}
				if !same {
					clashes[i] = append(clashes[i], n)
				}
			}
		}
		return nil
	})
	return clashes, err
}

// writeEvent writes an event, or finds it written; false when its id is that of another event.
func writeEvent(ctx context.Context, tx *sql.Tx, sockID string, e *logbook.Event, now int64) (bool, error) {
	result, err := tx.ExecContext(ctx, `INSERT INTO events (id, sock_id, document, received_ms) VALUES (?,?,?,?) ON CONFLICT (id) DO NOTHING`, e.ID, sockID, written(e), now)
	if err != nil {
		return false, err
	}
	if n, err := result.RowsAffected(); n == 1 || err != nil {
		return true, err
	}
	var of string
	var there logbook.Event
	err = tx.QueryRowContext(ctx, `SELECT sock_id, document FROM events WHERE id = ?`, e.ID).Scan(&of, document{&there})
	return of == sockID && reflect.DeepEqual(there, *e), err
}

// AddEvents writes events of a sock; one that is there already changes nothing,
// and one whose id was given to something else is left out: their places in the list are returned.
// They are on the disk when it returns. basket.ErrNotFound for a sock that never was.
func (s *Store) AddEvents(ctx context.Context, sockID string, events []logbook.Event) (clashes []int, err error) {
	t := tap{sockID, events, make(chan told, 1)}
	select {
	case s.taps <- t:
	case <-ctx.Done():
		return nil, ctx.Err()
	}
	answer := <-t.done
	return answer.clashes, answer.err
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
