package sqlite

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"os"
	"slices"
	"strings"
	"time"
)

// Mend writes everything that can still be read of a data file into a new one,
// and says in lines what it left behind. The file itself is not touched.
//
// Each table is read from its beginning until it cannot be, and then from its
// end: a torn page costs the rows on it. What belongs to a row that is gone goes too.
func Mend(ctx context.Context, path, to string) ([]string, error) {
	if _, err := os.Lstat(to); err == nil {
		return nil, fmt.Errorf("%s is there already: name a new file", to)
	}
	var left []string
	err := intoPlace(to, func(temporary string) error {
		store, err := Open(ctx, temporary, time.Now)
		if err != nil {
			return err
		}
		if err := store.Close(); err != nil {
			return err
		}
		defer os.Remove(temporary + ".lock")
		left, err = salvage(ctx, path, temporary)
		return err
	})
	if err != nil {
		return nil, fmt.Errorf("mend: %w", err)
	}
	return left, nil
}

func salvage(ctx context.Context, path, to string) (left []string, err error) {
	from, err := sql.Open("sqlite", uriOf(path)+"?mode=ro")
	if err != nil {
		return nil, err
	}
	defer from.Close()
	into, err := sql.Open("sqlite", uriOf(to))
	if err != nil {
		return nil, err
	}
	defer func() { err = errors.Join(err, into.Close()) }()
	tables, err := texts(ctx, into, `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite\_%' ESCAPE '\' AND name <> 'goose_db_version'`)
	if err != nil {
		return nil, err
	}
	tx, err := into.BeginTx(ctx, nil)
	if err != nil {
		return nil, err
	}
	defer func() { _ = tx.Rollback() }() // does nothing after a commit
	for _, table := range tables {
		said, err := salvageTable(ctx, from, tx, into, table)
		if err != nil {
			return nil, err
		}
		left = append(left, said...)
	}
	if err := tx.Commit(); err != nil {
		return nil, err
	}
	orphans, err := dropOrphans(ctx, into)
	return append(left, orphans...), err
}

// salvageTable copies the rows of a table that can be read and that the new one takes.
func salvageTable(ctx context.Context, from *sql.DB, tx *sql.Tx, into *sql.DB, table string) ([]string, error) {
	names, err := texts(ctx, into, `SELECT name FROM pragma_table_info('`+table+`')`)
	if err != nil {
		return nil, err
	}
	there, err := texts(ctx, from, `SELECT name FROM pragma_table_info('`+table+`')`)
	if err != nil || len(there) == 0 {
		return nil, nil // an older file does not have it, or its list of tables is torn: nothing can be read then
	}
	names = slices.DeleteFunc(names, func(name string) bool { return !slices.Contains(there, name) })
	columns := strings.Join(names, ", ")
	insert := `INSERT OR IGNORE INTO ` + table + ` (` + columns + `) VALUES (?` + strings.Repeat(", ?", len(names)-1) + `)`
	refused := 0
	copyRows := func(order string) (err error) {
		rows, err := from.QueryContext(ctx, `SELECT `+columns+` FROM `+table+order)
		if err != nil {
			return err
		}
		defer func() { err = errors.Join(err, rows.Close()) }()
		values := make([]any, len(names))
		for rows.Next() {
			into := make([]any, len(names))
			for i := range values {
				into[i] = &values[i]
			}
			if err := rows.Scan(into...); err != nil {
				return err
			}
			if _, err := tx.ExecContext(ctx, insert, values...); err != nil {
				refused++ // what is in it is nothing that this table holds
			}
		}
		return rows.Err()
	}
	var left []string
	if torn := copyRows(``); torn != nil {
		_ = copyRows(` ORDER BY 1 DESC`) // as far as it goes; the first error said what is wrong
		left = append(left, fmt.Sprintf("%s: some rows cannot be read any more: %s", table, torn))
	}
	if refused > 0 {
		left = append(left, fmt.Sprintf("%s: %d rows are damaged and were left out", table, refused))
	}
	return left, nil
}

// dropOrphans takes out what belongs to a row that could not be read, until nothing does.
func dropOrphans(ctx context.Context, db *sql.DB) ([]string, error) {
	var left []string
	for {
		rows, err := db.QueryContext(ctx, `SELECT "table", rowid, parent FROM pragma_foreign_key_check`)
		if err != nil {
			return left, err
		}
		type orphan struct {
			table, parent string
			row           sql.NullInt64
		}
		var list []orphan
		for rows.Next() {
			var o orphan
			if err := rows.Scan(&o.table, &o.row, &o.parent); err != nil {
				return left, errors.Join(err, rows.Close())
			}
			list = append(list, o)
		}
		if err := errors.Join(rows.Err(), rows.Close()); err != nil || len(list) == 0 {
			return left, err
		}
		for _, o := range list {
			statement, args := `DELETE FROM `+o.table+` WHERE rowid = ?`, []any{o.row}
			if !o.row.Valid { // a table without row numbers belongs to socks
				statement, args = `DELETE FROM `+o.table+` WHERE sock_id NOT IN (SELECT id FROM socks)`, nil
			}
			if o.table == "socks" { // a sock keeps what it took of a wearer or swatch that is gone
				statement = `UPDATE socks SET wearer_id = (SELECT id FROM wearers WHERE id = wearer_id), swatch_id = (SELECT id FROM swatches WHERE id = swatch_id) WHERE rowid = ?`
			}
			if _, err := db.ExecContext(ctx, statement, args...); err != nil {
				return left, err
			}
		}
		left = append(left, fmt.Sprintf("%d rows belonged to others that cannot be read any more", len(list)))
	}
}

// texts are the answers of a query that has one column.
func texts(ctx context.Context, db *sql.DB, query string) ([]string, error) {
	return each(ctx, db, query, func(rows *sql.Rows) (text string, err error) { return text, rows.Scan(&text) })
}
