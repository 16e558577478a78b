package sqlite

import (
	"context"
	"fmt"
)

// Practised says how often each lesson was done without a fault; one that never was is not in it.
func (s *Store) Practised(ctx context.Context) (map[string]int, error) {
	rows, err := s.db.QueryContext(ctx, `SELECT lesson, runs FROM practised`)
	if err != nil {
		return nil, fmt.Errorf("list what was practised: %w", err)
	}
	defer rows.Close()
	runs := map[string]int{}
	for rows.Next() {
		var lesson string
		var n int
		if err := rows.Scan(&lesson, &n); err != nil {
			return nil, fmt.Errorf("list what was practised: %w", err)
		}
		runs[lesson] = n
	}
	return runs, rows.Err()
}

// AddRun notes that a lesson was done without a fault so many times more.
func (s *Store) AddRun(ctx context.Context, lesson string, times int) error {
	_, err := s.db.ExecContext(ctx, `INSERT INTO practised (lesson, runs) VALUES (?, ?) ON CONFLICT (lesson) DO UPDATE SET runs = runs + excluded.runs`,
		lesson, times)
	if err != nil {
		return fmt.Errorf("note a run: %w", err)
	}
	return nil
}
