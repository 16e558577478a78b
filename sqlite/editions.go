package sqlite

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"time"

	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
)

// Editions lists the versions of the plan a sock is knitted from, the oldest
// first; none while it is not on the needles, basket.ErrNotFound when it is not in the basket.
func (s *Store) Editions(ctx context.Context, sockID string) ([]knitting.Line, error) {
	return s.linesOf(ctx, sockID, "IS NULL")
}

// EditionsInBin lists those of a sock that lies in the bin; basket.ErrNotFound for any other.
func (s *Store) EditionsInBin(ctx context.Context, sockID string) ([]knitting.Line, error) {
	return s.linesOf(ctx, sockID, "IS NOT NULL")
}

func (s *Store) linesOf(ctx context.Context, sockID, deleted string) ([]knitting.Line, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT coalesce(editions.version, 0), coalesce(editions.reason, ''), coalesce(editions.created_ms, 0)
		FROM socks LEFT JOIN editions ON editions.sock_id = socks.id WHERE socks.id = ? AND socks.deleted_ms `+deleted+` ORDER BY editions.version`, sockID)
	if err != nil {
		return nil, fmt.Errorf("list editions: %w", err)
	}
	defer rows.Close()
	list, found := []knitting.Line{}, false
	for rows.Next() {
		var line knitting.Line
		if err := rows.Scan(&line.Version, &line.Reason, moment{&line.Created}); err != nil {
			return nil, fmt.Errorf("list editions: %w", err)
		}
		if found = true; line.Version > 0 {
			list = append(list, line)
		}
	}
	if !found && rows.Err() == nil {
		return nil, fmt.Errorf("sock %q: %w", sockID, basket.ErrNotFound)
	}
	return list, rows.Err()
}

// Edition reads one version of the plan a sock is knitted from.
func (s *Store) Edition(ctx context.Context, sockID string, version int) (*knitting.Edition, error) {
	e := knitting.Edition{Line: knitting.Line{Version: version}}
	var text, second, board []byte
	err := s.db.QueryRowContext(ctx, `SELECT reason, created_ms, document, second, heel_place, places, second_places, board, said_offer, holds, undecided
		FROM editions WHERE sock_id = ? AND version = ?`, sockID, version).
		Scan(&e.Reason, moment{&e.Created}, &text, &second, &e.HeelPlace, document{&e.Places}, document{&e.SecondPlaces}, &board,
			&e.SaidOffer, document{&e.Holds}, document{&e.Undecided})
	switch {
	case errors.Is(err, sql.ErrNoRows):
		return nil, fmt.Errorf("edition %d of sock %q: %w", version, sockID, basket.ErrNotFound)
	case err == nil && text == nil:
		return nil, fmt.Errorf("edition %d of sock %q: %w", version, sockID, knitting.ErrNoRows)
	}
	if err == nil {
		e.Plan, err = plan.Read(text)
	}
	if err == nil && second != nil {
		e.Second, err = plan.Read(second)
	}
	if err == nil && board != nil {
		var d design.Design
		if d, err = design.Read(board); err == nil {
			e.Board = &d
		}
	}
	if err == nil {
		e.Steps, err = stepsIn(ctx, s.db, sockID, version)
	}
	if err != nil {
		return nil, fmt.Errorf("edition %d of sock %q: %w", version, sockID, err)
	}
	return &e, nil
}

// asker reads rows, inside a transaction or outside of one.
type asker interface {
	QueryContext(context.Context, string, ...any) (*sql.Rows, error)
}

// stepsIn are what every version up to one says of the version before it.
func stepsIn(ctx context.Context, in asker, sockID string, version int) ([]logbook.Step, error) {
	rows, err := in.QueryContext(ctx, `SELECT places, second_places, holds FROM editions WHERE sock_id = ? AND version <= ? ORDER BY version`, sockID, version)
	if err != nil {
		return nil, err
	}
	defer rows.Close()
	var steps []logbook.Step
	for rows.Next() {
		var step logbook.Step
		if err := rows.Scan(document{&step.Places}, document{&step.Second}, document{&step.Holds}); err != nil {
			return nil, err
		}
		steps = append(steps, step)
	}
	return steps, rows.Err()
}

// AddEdition keeps the next version of a plan, made on the version before it, and,
// unless it is the first, the event that tells every device of it with the places
// of both socks; all of it or nothing. The error is basket.ErrChanged when another one came first.
// The edition gets the time at which it was kept.
func (s *Store) AddEdition(ctx context.Context, sockID string, e *knitting.Edition, at [2]int) error {
	return s.inside(ctx, "add edition", func(tx *sql.Tx) error {
		if _, err := s.get(ctx, tx, sockID); err != nil {
			return err
		}
		var newest int
		if err := tx.QueryRowContext(ctx, `SELECT coalesce(max(version), 0) FROM editions WHERE sock_id = ?`,
			sockID).Scan(&newest); err != nil {
			return err
		}
		if newest != e.Version-1 {
			return basket.ErrChanged
		}
		now := s.now().UnixMilli()
		_, err := tx.ExecContext(ctx, `INSERT INTO editions (sock_id, version, design, reason, created_ms) VALUES (?,?,?,?,?)`,
			sockID, e.Version, written(e.Plan.Design), e.Reason, now)
		if err != nil {
			return known(err)
		}
		e.Created = time.UnixMilli(now).UTC()
		return keepEdition(ctx, tx, sockID, e, at, now)
	})
}

// keepEdition writes the documents of an edition that has its row and, unless it is the first, the event that tells of it.
func keepEdition(ctx context.Context, tx *sql.Tx, sockID string, e *knitting.Edition, at [2]int, now int64) error {
	if err := keepRows(ctx, tx, sockID, e); err != nil {
		return err
	}
	if err := keepPair(ctx, tx, sockID, e); err != nil || e.Version == 1 {
		return err
	}
	bent := logbook.Event{
		ID: fmt.Sprintf("plan-%s-%d", sockID, e.Version), Device: theProgram, At: now, Kind: logbook.Bent,
		Version: e.Version, Sock: 1, Row: at[0], Text: e.Reason, Places: at[:],
	}
	if err := tx.QueryRowContext(ctx, `SELECT coalesce(max(document ->> '$.clock'), 0) + 1 FROM events WHERE sock_id = ?`,
		sockID).Scan(&bent.Clock); err != nil {
		return err
	}
	_, err := tx.ExecContext(ctx, `INSERT INTO events (id, sock_id, document, received_ms) VALUES (?,?,?,?)`, bent.ID, sockID,
		written(bent), now)
	return err
}

// theProgram is what it calls itself among the devices.
const theProgram = "acornstep"

// keepRows writes the documents of an edition that has its row, to the columns that the plans had when rows were first kept.
func keepRows(ctx context.Context, tx *sql.Tx, sockID string, e *knitting.Edition) error {
	_, err := tx.ExecContext(ctx, `UPDATE editions SET document = ?, second = ?, heel_place = ?, places = ? WHERE sock_id = ? AND version = ?`,
		written(e.Plan), orNull(e.Second != nil, e.Second), e.HeelPlace, orNull(e.Places != nil, e.Places), sockID, e.Version)
	return err
}

// keepPair writes what an edition says of the second sock's places, of the board, and of how far the edition before it holds.
func keepPair(ctx context.Context, tx *sql.Tx, sockID string, e *knitting.Edition) error {
	_, err := tx.ExecContext(ctx, `UPDATE editions SET second_places = ?, board = ?, holds = ? WHERE sock_id = ? AND version = ?`,
		orNull(e.SecondPlaces != nil, e.SecondPlaces), orNull(e.Board != nil, e.Board), orNull(e.Holds != nil, e.Holds), sockID,
		e.Version)
	if err == nil && e.Undecided != nil { // the column came last, and files of before pass here on their way to it
		_, err = tx.ExecContext(ctx, `UPDATE editions SET undecided = ? WHERE sock_id = ? AND version = ?`, written(e.Undecided), sockID,
			e.Version)
	}
	return err
}

// orNull is a value as it is written, or nothing where there is none.
func orNull(there bool, value any) any {
	if !there {
		return nil
	}
	return written(value)
}

// SayOffer notes that an offer was said of an edition, so that it is not said again.
func (s *Store) SayOffer(ctx context.Context, sockID string, version int, offer string) error {
	return s.inside(ctx, "say offer", func(tx *sql.Tx) error {
		_, err := tx.ExecContext(ctx, `UPDATE editions SET said_offer = ? WHERE sock_id = ? AND version = ?`, offer, sockID, version)
		return err
	})
}
