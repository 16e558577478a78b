package sqlite

import (
	"context"
	"database/sql"
	"encoding/json"
	"fmt"
	"strings"

	"acornstep/sock/craft/check"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/plan"
)

// mostFindings of one kind are told; a torn page breaks hundreds of rows at once.
const mostFindings = 20

// Doctor looks at every page, row, plan and event of a data file and says in
// lines what is wrong with them and what to do. Nothing is changed. An error is what kept it from looking.
func Doctor(ctx context.Context, path string) (Contents, []string, error) {
	var findings []string
	err := inspect(ctx, path, func(db *sql.DB) error {
		for _, look := range []func(context.Context, *sql.DB) ([]string, error){pages, references, plansOf, eventsOf} {
			found, err := look(ctx, db)
			if err != nil {
				return err
			}
			if more := len(found) - mostFindings; more > 0 {
				found = append(found[:mostFindings], fmt.Sprintf("… and %d more like it", more))
			}
			findings = append(findings, found...)
		}
		return nil
	})
	if err != nil || len(findings) > 0 {
		return Contents{}, findings, err
	}
	c, err := ContentsOf(ctx, path)
	return c, nil, err
}

func pages(ctx context.Context, db *sql.DB) ([]string, error) {
	return each(ctx, db, `PRAGMA integrity_check`, func(rows *sql.Rows) (string, error) {
		var said string
		err := rows.Scan(&said)
		if said == "ok" {
			return "", err
		}
		return "the file is damaged: " + said + ": take the last copy of it, or save what can be read with acornstep doctor --mend NEW",
			err
	})
}

func references(ctx context.Context, db *sql.DB) ([]string, error) {
	return each(ctx, db, `PRAGMA foreign_key_check`, func(rows *sql.Rows) (string, error) {
		var table, parent string
		var row sql.NullInt64
		var key int
		err := rows.Scan(&table, &row, &parent, &key)
		return fmt.Sprintf("row %d of %s belongs to nothing in %s: take the last copy of the file", row.Int64, table, parent), err
	})
}

// plansOf reads and knits every plan that is kept, the second socks' too. A version without rows is no fault where a later one has them.
func plansOf(ctx context.Context, db *sql.DB) ([]string, error) {
	table, err := editionsIn(ctx, db)
	if err != nil || table == "" {
		return nil, err
	}
	query := strings.ReplaceAll(`SELECT name, version, which, text FROM (
		SELECT sock_id, version, 'the plan' AS which, document AS text FROM editions AS e
			WHERE document IS NOT NULL OR NOT EXISTS (SELECT 1 FROM editions AS later WHERE later.sock_id = e.sock_id AND later.version > e.version AND later.document IS NOT NULL)
		UNION ALL SELECT sock_id, version, 'the plan of the second sock', second FROM editions WHERE second IS NOT NULL
	) JOIN socks ON socks.id = sock_id`, "editions", table)
	return each(ctx, db, query, func(rows *sql.Rows) (string, error) {
		var name, which string
		var version int
		var text sql.NullString
		if err := rows.Scan(&name, &version, &which, &text); err != nil {
			return "", err
		}
		where := fmt.Sprintf("%q, %s, version %d", name, which, version)
		if !text.Valid {
			return where + ": it has no rows; open the sock on the board and begin anew", nil
		}
		p, err := plan.Read([]byte(text.String))
		if err != nil {
			return where + ": " + err.Error(), nil
		}
		if faults := check.Kept(p); len(faults) > 0 {
			return fmt.Sprintf("%s: %s; plan the rest anew on the board", where, faults[0]), nil
		}
		return "", nil
	})
}

func eventsOf(ctx context.Context, db *sql.DB) ([]string, error) {
	if there, err := has(ctx, db, `SELECT 1 FROM sqlite_master WHERE name = 'events'`); err != nil || !there {
		return nil, err
	}
	rows, err := rowsOfPlans(ctx, db)
	if err != nil {
		return nil, err
	}
	clocks := map[string]int64{}
	return each(ctx, db, `SELECT seq, id, sock_id, document FROM events ORDER BY seq`, func(list *sql.Rows) (string, error) {
		var seq int64
		var id, sock string
		var text []byte
		if err := list.Scan(&seq, &id, &sock, &text); err != nil {
			return "", err
		}
		var e logbook.Event
		switch err := json.Unmarshal(text, &e); {
		case err != nil:
			return fmt.Sprintf("event %d cannot be read: %s", seq, err), nil
		case e.ID != id:
			return fmt.Sprintf("event %d is kept as %s and says that it is %s", seq, id, e.ID), nil
		}
		faults := e.Kept(clocks[sock], func(of, version int) (int, bool) {
			n, there := rows[ofPlan{sock, of, version}]
			if _, planned := rows[ofPlan{sock, of, 1}]; !planned {
				return -2, true // a file of before plans were kept with their rows
			}
			return n, there
		})
		clocks[sock] = max(clocks[sock], e.Clock)
		if len(faults) > 0 {
			return fmt.Sprintf("event %d could not have been said: %s: %s", seq, faults[0].Field, faults[0].Message), nil
		}
		return "", nil
	})
}

// ofPlan names the plan of a sock of a pair, 1 or 2, in a version.
type ofPlan struct {
	sockID        string
	sock, version int
}

// rowsOfPlans is how many rows every plan has; -2 for one of which only the design was kept.
func rowsOfPlans(ctx context.Context, db *sql.DB) (map[ofPlan]int, error) {
	all := map[ofPlan]int{}
	table, err := editionsIn(ctx, db)
	if err != nil || table == "" {
		return all, err
	}
	rows, err := db.QueryContext(ctx, `SELECT sock_id, version, 
		coalesce(CASE WHEN json_valid(document) THEN json_array_length(document, '$.rows') END, -2),
		coalesce(CASE WHEN json_valid(coalesce(second, document)) THEN json_array_length(coalesce(second, document), '$.rows') END, -2) FROM `+table)
	if err != nil {
		return nil, err
	}
	defer rows.Close()
	for rows.Next() {
		var sockID string
		var version, first, second int
		if err := rows.Scan(&sockID, &version, &first, &second); err != nil {
			return nil, err
		}
		all[ofPlan{sockID, 1, version}], all[ofPlan{sockID, 2, version}] = first, second
	}
	return all, rows.Err()
}

// editionsIn is the table of a file, of this release or an older one, in which plans lie with their rows; "" for a file of before there were any.
func editionsIn(ctx context.Context, db *sql.DB) (string, error) {
	for _, table := range []string{"editions", "plans"} {
		there, err := has(ctx, db, `SELECT 1 FROM pragma_table_info('`+table+`') WHERE name = 'document'`)
		if err != nil || there {
			return table, err
		}
	}
	return "", nil
}

// has says whether a query has an answer.
func has(ctx context.Context, db *sql.DB, query string) (bool, error) {
	var there bool
	err := db.QueryRowContext(ctx, `SELECT EXISTS (`+query+`)`).Scan(&there)
	return there, err
}

// each says of each row of a query what is wrong with it; an empty text is left out.
func each(ctx context.Context, db *sql.DB, query string, say func(*sql.Rows) (string, error)) ([]string, error) {
	rows, err := db.QueryContext(ctx, query)
	if err != nil {
		return nil, err
	}
	defer rows.Close()
	var found []string
	for rows.Next() {
		said, err := say(rows)
		if err != nil {
			return nil, err
		}
		if said != "" {
			found = append(found, said)
		}
	}
	return found, rows.Err()
}
