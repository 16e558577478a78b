package sqlite

import (
	"context"
	"database/sql"
	"encoding/json"
	"fmt"
	"slices"
	"time"

	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/plan"
	"acornstep/sock/rows/needle"
)

// adopted says once where the rows of a plan come from that an older program kept as a design alone.
const (
	adopted      = "An older program kept the design alone; its rows come from this one."
	adoptedMoved = "An older program kept the design alone; its rows come from this one, which counts some sections otherwise. What was counted stays counted, section by section."
)

// bare is a plan that was kept as a design alone.
type bare struct {
	version int
	design  design.Design
	// read is false for a design that cannot be read any more, kept for one that has its rows.
	read, kept bool
}

// giveRows makes the rows of plans that were kept as a design alone, as they were before editions. The rows are
// those of this program; where they count a section otherwise than the program of then, a version is put on top, in which every place
// that was counted has its own. The designs and the events stay as they are.
func giveRows(ctx context.Context, tx *sql.Tx) error {
	rows, err := tx.QueryContext(ctx, `SELECT DISTINCT sock_id FROM editions WHERE document IS NULL ORDER BY sock_id`)
	if err != nil {
		return err
	}
	socks, err := textsOf(rows)
	if err != nil {
		return err
	}
	for _, sockID := range socks {
		versions, err := versionsOf(ctx, tx, sockID)
		if err != nil {
			return err
		}
		if err := adopt(ctx, tx, sockID, versions); err != nil {
			return fmt.Errorf("sock %s: %w", sockID, err)
		}
	}
	return nil
}

// textsOf reads rows of one text each.
func textsOf(rows *sql.Rows) ([]string, error) {
	defer rows.Close()
	var list []string
	for rows.Next() {
		var text string
		if err := rows.Scan(&text); err != nil {
			return nil, err
		}
		list = append(list, text)
	}
	return list, rows.Err()
}

func versionsOf(ctx context.Context, tx *sql.Tx, sockID string) ([]bare, error) {
	rows, err := tx.QueryContext(ctx, `SELECT version, design, document IS NOT NULL FROM editions WHERE sock_id = ? ORDER BY version`,
		sockID)
	if err != nil {
		return nil, err
	}
	defer rows.Close()
	var list []bare
	for rows.Next() {
		var b bare
		var text []byte
		if err := rows.Scan(&b.version, &text, &b.kept); err != nil {
			return nil, err
		}
		var wrong error
		b.design, wrong = design.Read(text)
		b.read = wrong == nil
		list = append(list, b)
	}
	return list, rows.Err()
}

// adopt gives the versions of a sock their rows. A version that is counted otherwise today gets none, since its
// events would name other rows: for the newest of them the rows are put on top.
func adopt(ctx context.Context, tx *sql.Tx, sockID string, versions []bare) error {
	if err := keepThenPlaces(ctx, tx, sockID, versions); err != nil {
		return err
	}
	for i := range versions {
		v := &versions[i]
		if v.kept || !v.read {
			continue
		}
		e, err := knitting.Adopt(v.design)
		if err != nil {
			continue // it stays without rows, and says so when it is opened
		}
		e.Version = v.version
		then, ok := pairThen(&v.design)
		now := [2]counts{countsOf(e.Plan), countsOf(e.SecondPlan())}
		switch last := i == len(versions)-1; {
		case !ok || then == now:
			err = putIn(ctx, tx, sockID, e, &v.design)
		case last:
			err = putOnTop(ctx, tx, sockID, e, then, now)
		}
		if err != nil {
			return err
		}
	}
	return nil
}

// putIn keeps rows in the version that was counted as they are.
func putIn(ctx context.Context, tx *sql.Tx, sockID string, e *knitting.Edition, d *design.Design) error {
	_, err := tx.ExecContext(ctx, `UPDATE editions SET document = ?, second = ?, heel_place = ? WHERE sock_id = ? AND version = ?`,
		written(e.Plan), orNull(e.Second != nil, e.Second), e.HeelPlace, sockID, e.Version)
	if err != nil || e.Version > 1 {
		return err
	}
	_, err = tx.ExecContext(ctx, `UPDATE editions SET reason = ?, board = ? WHERE sock_id = ? AND version = 1`, adopted, written(d), sockID)
	return err
}

// keepThenPlaces writes where the places of each version lay in the next, as they were counted then.
func keepThenPlaces(ctx context.Context, tx *sql.Tx, sockID string, versions []bare) error {
	for i := 1; i < len(versions); i++ {
		before, after := &versions[i-1], &versions[i]
		if after.kept || !before.read || !after.read {
			continue
		}
		a, okA := pairThen(&before.design)
		b, okB := pairThen(&after.design)
		if !okA || !okB {
			continue
		}
		places := [2][]int{a[0].placesIn(b[0]), a[1].placesIn(b[1])}
		_, err := tx.ExecContext(ctx, `UPDATE editions SET places = ?, second_places = ? WHERE sock_id = ? AND version = ? AND places IS NULL`,
			written(places[0]), orNull(!slices.Equal(places[0], places[1]), places[1]), sockID, after.version)
		if err != nil {
			return err
		}
	}
	return nil
}

// putOnTop keeps the rows as a version of their own, behind the one that was counted otherwise.
func putOnTop(ctx context.Context, tx *sql.Tx, sockID string, e *knitting.Edition, then, now [2]counts) error {
	e.Places, e.SecondPlaces = then[0].placesIn(now[0]), then[1].placesIn(now[1])
	if slices.Equal(e.Places, e.SecondPlaces) {
		e.SecondPlaces = nil
	}
	counted, err := placesCounted(ctx, tx, sockID, e.Version)
	if err != nil {
		return err
	}
	e.Version, e.Reason = e.Version+1, adoptedMoved
	at := time.Now().UnixMilli()
	_, err = tx.ExecContext(ctx, `INSERT INTO editions (sock_id, version, design, reason, created_ms) VALUES (?,?,?,?,?)`, sockID, e.Version,
		written(e.Plan.Design), e.Reason, at)
	if err != nil {
		return err
	}
	return keepEdition(ctx, tx, sockID, e, e.From(counted), at)
}

// placesCounted are where both socks stand on a version, by all that was written down.
func placesCounted(ctx context.Context, tx *sql.Tx, sockID string, version int) ([2]int, error) {
	steps, err := stepsIn(ctx, tx, sockID, version)
	if err != nil {
		return [2]int{}, err
	}
	rows, err := tx.QueryContext(ctx, `SELECT document FROM events WHERE sock_id = ? ORDER BY seq`, sockID)
	if err != nil {
		return [2]int{}, err
	}
	texts, err := textsOf(rows)
	if err != nil {
		return [2]int{}, err
	}
	events := make([]logbook.Event, len(texts))
	for i, text := range texts {
		if err := json.Unmarshal([]byte(text), &events[i]); err != nil {
			return [2]int{}, err
		}
	}
	book := logbook.Read(logbook.CoursesOf(steps).Today(events))
	return [2]int{book.Places[0].Row, book.Places[1].Row}, nil
}

// counts are how many rows each section has, in the order of needle.Sections.
type counts [8]int

func countsOf(p *plan.Plan) (c counts) {
	for i := range p.Rows {
		c[slices.Index(needle.Sections, p.Rows[i].Section)]++
	}
	return c
}

// pairThen counts both socks of a pair as schema 5 did; false for a design that gave no sock then.
func pairThen(d *design.Design) (pair [2]counts, ok bool) {
	for i := range pair {
		one := *d
		one.Mirror = d.Mirror != (i == 1)
		sections, knitted := countedThen(&one)
		if !knitted {
			return pair, false
		}
		for section, rows := range sections {
			pair[i][slices.Index(needle.Sections, section)] = rows
		}
	}
	return pair, true
}

// placesIn says where each place lies in other counts: before the same row of the same section, or behind the
// section where that is shorter.
func (c counts) placesIn(other counts) []int {
	places := []int{}
	begins := 0
	for s := range c {
		for n := range c[s] {
			places = append(places, begins+min(n, other[s]))
		}
		begins += other[s]
	}
	return append(places, begins)
}
