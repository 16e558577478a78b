package sqlite

import (
	"context"
	"database/sql"
	"fmt"
	"time"

	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/basket"
)

// Import puts a sock that comes from elsewhere into the basket under its own id, with
// the plans it was knitted from and all that happened; all of it or nothing. The error is basket.ErrChanged when the id is taken, in
// the bin too, or an event has the id of another.
func (s *Store) Import(ctx context.Context, sock basket.Sock, editions []*knitting.Edition, events []logbook.Event) error {
	return s.inside(ctx, "import sock", func(tx *sql.Tx) error {
		var taken bool
		if err := tx.QueryRowContext(ctx, `SELECT EXISTS (SELECT 1 FROM socks WHERE id = ?)`, sock.ID).Scan(&taken); err != nil {
			return err
		}
		if taken {
			return basket.ErrChanged
		}
		now := s.now().UTC()
		_, err := tx.ExecContext(ctx, `INSERT INTO socks (`+columns+`) VALUES (?,?,?,?,?,?,?,?,?,?,?,?,?,?,?)`,
			append(append([]any{sock.ID, 1}, content(&sock)...), now.UnixMilli(), now.UnixMilli(), false)...)
		if err != nil {
			return known(err)
		}
		for _, e := range editions {
			if e.Created.IsZero() {
				e.Created = now.Truncate(time.Millisecond)
			}
			_, err := tx.ExecContext(ctx, `INSERT INTO editions (sock_id, version, design, reason, created_ms) VALUES (?,?,?,?,?)`,
				sock.ID, e.Version, written(e.Plan.Design), e.Reason, e.Created.UnixMilli())
			if err == nil {
				err = keepRows(ctx, tx, sock.ID, e)
			}
			if err == nil {
				err = keepPair(ctx, tx, sock.ID, e)
			}
			if err != nil {
				return fmt.Errorf("version %d: %w", e.Version, known(err))
			}
		}
		for i := range events {
			same, err := writeEvent(ctx, tx, sock.ID, &events[i], now.UnixMilli())
			if err != nil {
				return known(err)
			}
			if !same {
				return basket.ErrChanged
			}
		}
		return nil
	})
}
