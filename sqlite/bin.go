package sqlite

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"slices"
	"time"

	"acornstep/sock/papers/basket"
)

// discarded is how things of one kind lie in the bin.
type discarded struct {
	kind, table string
	// names gives id, name, whose it is, and when it was deleted.
	names string
	// with is what goes for ever with one of them, before it does.
	with []string
}

// bins are the kinds of things that can be deleted; what refers to others comes before them.
var bins = []discarded{
	{kind: "sock", table: "socks", names: `SELECT id, name, wearer, deleted_ms FROM socks`,
		with: []string{`DELETE FROM events WHERE sock_id = ?`, `DELETE FROM editions WHERE sock_id = ?`,
			`DELETE FROM variants WHERE sock_id = ?`}},
	{kind: "variant", table: "variants", names: `SELECT v.id, v.name, s.name, v.deleted_ms FROM variants v JOIN socks s ON s.id = v.sock_id`},
	{kind: "reading", table: "readings", names: `SELECT r.id, printf('%g %s over %.1f cm (%.2f in)', r.count, r.what, r.width_mm / 10, r.width_mm / 25.4), y.name, r.deleted_ms
		FROM readings r JOIN swatches w ON w.id = r.swatch_id JOIN yarns y ON y.id = w.yarn_id`},
	{kind: "measurement", table: "measurements", names: `SELECT m.id, printf('%s %.1f cm (%.2f in), %s foot, %s', replace(replace(m.what, '_mm', ''), '_', ' '), m.length_mm / 10, m.length_mm / 25.4, m.side, m.measured_on), w.name, m.deleted_ms
		FROM measurements m JOIN wearers w ON w.id = m.wearer_id`},
	{kind: "tracing", table: "tracings", names: `SELECT t.id, printf('%s foot, %s', t.side, t.measured_on), w.name, t.deleted_ms FROM tracings t JOIN wearers w ON w.id = t.wearer_id`},
	{kind: "swatch", table: "swatches", names: `SELECT w.id, y.name, printf('%g mm', n.size_mm), w.deleted_ms
		FROM swatches w JOIN yarns y ON y.id = w.yarn_id JOIN needles n ON n.id = w.needle_id`,
		with: []string{`UPDATE socks SET swatch_id = NULL WHERE swatch_id = ?`, `DELETE FROM readings WHERE swatch_id = ?`,
			`DELETE FROM history WHERE kind = 'swatch' AND id = ?`}},
	{kind: "wearer", table: "wearers", names: `SELECT id, name, '', deleted_ms FROM wearers`,
		with: []string{`UPDATE socks SET wearer_id = NULL WHERE wearer_id = ?`, `DELETE FROM measurements WHERE wearer_id = ?`,
			`DELETE FROM tracings WHERE wearer_id = ?`, `DELETE FROM history WHERE kind = 'wearer' AND id = ?`}},
	{kind: "yarn", table: "yarns", names: `SELECT id, name, '', deleted_ms FROM yarns`,
		with: []string{`DELETE FROM history WHERE kind = 'yarn' AND id = ?`}},
	{kind: "needle", table: "needles", names: `SELECT id, printf('%g mm', size_mm), name, deleted_ms FROM needles`,
		with: []string{`DELETE FROM history WHERE kind = 'needle' AND id = ?`}},
}

func binOf(kind string) (*discarded, error) {
	if kind == "version" {
		kind = "variant" // as pages call it that were opened before it had its name
	}
	if i := slices.IndexFunc(bins, func(d discarded) bool { return d.kind == kind }); i >= 0 {
		return &bins[i], nil
	}
	return nil, fmt.Errorf("bin %q: %w", kind, basket.ErrNotFound)
}

// Bin lists what was deleted, the last first.
func (s *Store) Bin(ctx context.Context) ([]basket.Discarded, error) {
	list := []basket.Discarded{}
	for i := range bins {
		of, err := s.inBin(ctx, &bins[i])
		if err != nil {
			return nil, err
		}
		list = append(list, of...)
	}
	slices.SortStableFunc(list, func(a, b basket.Discarded) int { return b.Deleted.Compare(a.Deleted) })
	return list, nil
}

func (s *Store) inBin(ctx context.Context, d *discarded) ([]basket.Discarded, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT * FROM (`+d.names+`) WHERE deleted_ms IS NOT NULL`)
	if err != nil {
		return nil, fmt.Errorf("bin: %w", err)
	}
	defer rows.Close()
	var list []basket.Discarded
	for rows.Next() {
		one := basket.Discarded{Kind: d.kind}
		if err := rows.Scan(&one.ID, &one.Name, &one.Of, moment{&one.Deleted}); err != nil {
			return nil, fmt.Errorf("bin: %w", err)
		}
		one.Until = one.Deleted.Add(basket.InBinFor)
		list = append(list, one)
	}
	return list, rows.Err()
}

// BringBack takes something out of the bin, to where it was.
func (s *Store) BringBack(ctx context.Context, kind, id string) error {
	d, err := binOf(kind)
	if err != nil {
		return err
	}
	return s.markDeleted(ctx, d.table, id, false, "", "")
}

// Remove takes something out of the bin for ever, with all that belongs to it:
// nothing of it is left in the file. basket.ErrInUse when something else still stands on it.
func (s *Store) Remove(ctx context.Context, kind, id string) error {
	d, err := binOf(kind)
	if err != nil {
		return err
	}
	err = s.inside(ctx, "remove "+kind, func(tx *sql.Tx) error {
		there, err := inTable(ctx, tx, d.table, id)
		if err != nil || !there {
			return errors.Join(err, basket.ErrNotFound)
		}
		for _, statement := range append(d.with, `DELETE FROM `+d.table+` WHERE id = ?`) {
			if _, err := tx.ExecContext(ctx, statement, id); err != nil {
				if errors.Is(known(err), basket.ErrNotFound) {
					return basket.ErrInUse
				}
				return err
			}
		}
		_, err = tx.ExecContext(ctx, `INSERT INTO removed (id, kind, removed_ms) VALUES (?,?,?)`, id, kind, s.now().UnixMilli())
		return err
	})
	if err != nil {
		return err
	}
	// Until the journal is emptied, what was removed can be read there.
	_, err = s.db.ExecContext(ctx, `PRAGMA wal_checkpoint(TRUNCATE)`)
	return err
}

// inTable says whether something deleted is in a table.
func inTable(ctx context.Context, tx *sql.Tx, table, id string) (bool, error) {
	var n int
	err := tx.QueryRowContext(ctx, `SELECT count(*) FROM `+table+` WHERE id = ? AND deleted_ms IS NOT NULL`, id).Scan(&n)
	return n > 0, err
}

// daysBeyond is on how many days the program has to run after something's time in the bin is over, before it goes: a clock
// that jumps for an evening empties no bin.
const daysBeyond = 7

// SeeDay notes that the program runs today. Days that have not come yet were seen by a clock that was ahead.
func (s *Store) SeeDay(ctx context.Context) error {
	today := s.now().Format(time.DateOnly)
	return s.inside(ctx, "see day", func(tx *sql.Tx) error {
		if _, err := tx.ExecContext(ctx, `DELETE FROM seen_days WHERE day > ?`, today); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, `INSERT OR IGNORE INTO seen_days (day) VALUES (?)`, today)
		return err
	})
}

// EmptyBin removes what has lain in the bin for its time, and for some days more on which the program ran. What
// something else stands on waits with that.
func (s *Store) EmptyBin(ctx context.Context) error {
	if err := s.SeeDay(ctx); err != nil {
		return err
	}
	var days []string
	rows, err := s.db.QueryContext(ctx, `SELECT day FROM seen_days ORDER BY day DESC LIMIT ?`, daysBeyond)
	if err == nil {
		days, err = textsOf(rows)
	}
	if err != nil || len(days) < daysBeyond {
		return err
	}
	enough := days[daysBeyond-1]
	for i := range bins {
		list, err := s.inBin(ctx, &bins[i])
		if err != nil {
			return err
		}
		for _, one := range list {
			if one.Until.Format(time.DateOnly) > enough {
				continue
			}
			if err := s.Remove(ctx, one.Kind, one.ID); err != nil && !errors.Is(err, basket.ErrInUse) {
				return err
			}
		}
	}
	return nil
}
