package sqlite

import (
	"context"
	"database/sql"
	"errors"
	"fmt"

	"acornstep/sock/papers/basket"
)

// AddShare keeps the hash of a link to the pattern of a sock.
func (s *Store) AddShare(ctx context.Context, sockID string, share basket.Share) error {
	_, err := s.db.ExecContext(ctx, `INSERT INTO shares (hash, sock_id, created_ms, key) VALUES (?,?,?,?)`, share.Hash, sockID,
		share.Created.UnixMilli(), share.Key)
	if err != nil {
		return fmt.Errorf("add share: %w", known(err))
	}
	return nil
}

// Shares lists the links to the pattern of a sock, the newest first.
func (s *Store) Shares(ctx context.Context, sockID string) ([]basket.Share, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT hash, created_ms FROM shares WHERE sock_id = ? ORDER BY created_ms DESC, hash`, sockID)
	if err != nil {
		return nil, fmt.Errorf("list shares: %w", err)
	}
	defer rows.Close()
	list := []basket.Share{}
	for rows.Next() {
		var share basket.Share
		if err := rows.Scan(&share.Hash, moment{&share.Created}); err != nil {
			return nil, fmt.Errorf("list shares: %w", err)
		}
		list = append(list, share)
	}
	return list, rows.Err()
}

// EndShares takes back the links that were made under another passphrase than that of a key, and says how many.
// Links of before that was kept are taken for this one's.
func (s *Store) EndShares(ctx context.Context, key string) (int64, error) {
	if _, err := s.db.ExecContext(ctx, `UPDATE shares SET key = ? WHERE key = ''`, key); err != nil {
		return 0, fmt.Errorf("end shares: %w", err)
	}
	result, err := s.db.ExecContext(ctx, `DELETE FROM shares WHERE key <> ?`, key)
	if err != nil {
		return 0, fmt.Errorf("end shares: %w", err)
	}
	return result.RowsAffected()
}

// Shared is the sock whose pattern a link shows; basket.ErrNotFound when it was taken back, or the sock is gone.
func (s *Store) Shared(ctx context.Context, hash string) (sockID string, err error) {
	err = s.db.QueryRowContext(ctx, `SELECT socks.id FROM shares JOIN socks ON socks.id = sock_id WHERE hash = ? AND deleted_ms IS NULL`,
		hash).Scan(&sockID)
	if errors.Is(err, sql.ErrNoRows) {
		return "", basket.ErrNotFound
	}
	if err != nil {
		return "", fmt.Errorf("shared: %w", err)
	}
	return sockID, nil
}

// EndShare takes a link back; one that is none changes nothing.
func (s *Store) EndShare(ctx context.Context, sockID, hash string) error {
	if _, err := s.db.ExecContext(ctx, `DELETE FROM shares WHERE sock_id = ? AND hash = ?`, sockID, hash); err != nil {
		return fmt.Errorf("end share: %w", err)
	}
	return nil
}
