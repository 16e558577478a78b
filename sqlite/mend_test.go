package sqlite

import (
	"database/sql"
	"fmt"
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// A file with five hundred events, one of its pages torn: all socks and plans and most events are saved, the rest
// is named, and the damaged file stays as it is.
func TestATornFileIsMendedIntoANewOne(t *testing.T) {
	folder := t.TempDir()
	path := filepath.Join(folder, "socks.db")
	store := open(t, path)
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	require.NoError(t, store.AddEdition(t.Context(), sock.ID, edition(t, 150), [2]int{}))
	for n := range 500 {
		e := rowDone(fmt.Sprint("e", n), int64(n+1))
		e.Text = "clouds over the hill, then stars again and again"
		tell(t, store, sock.ID, e)
	}
	var page, size int64
	require.NoError(t, store.db.QueryRowContext(t.Context(),
		`SELECT pageno FROM dbstat WHERE name = 'events' AND pagetype = 'leaf' ORDER BY pageno LIMIT 1 OFFSET 5`).Scan(&page))
	require.NoError(t, store.db.QueryRowContext(t.Context(), `PRAGMA page_size`).Scan(&size))
	require.NoError(t, store.Close())
	file, err := os.OpenFile(path, os.O_RDWR, 0)
	require.NoError(t, err)
	_, err = file.WriteAt(make([]byte, size), (page-1)*size)
	require.NoError(t, err)
	require.NoError(t, file.Close())
	torn, err := os.ReadFile(path)
	require.NoError(t, err)
	_, err = Open(t.Context(), path, nil)
	require.ErrorContains(t, err, "damaged")

	mended := filepath.Join(folder, "mended.db")
	left, err := Mend(t.Context(), path, mended)
	require.NoError(t, err)
	require.Len(t, left, 1)
	assert.Contains(t, left[0], "events: some rows cannot be read any more")
	_, findings, err := Doctor(t.Context(), mended)
	require.NoError(t, err)
	assert.Empty(t, findings)
	again := open(t, mended)
	events, _, err := again.Events(t.Context(), sock.ID, 0)
	require.NoError(t, err)
	assert.Greater(t, len(events), 450, "a page holds a few")
	assert.Less(t, len(events), 500)
	_, err = again.Edition(t.Context(), sock.ID, 1)
	require.NoError(t, err)
	after, err := os.ReadFile(path)
	require.NoError(t, err)
	assert.Equal(t, torn, after)
	_, err = Mend(t.Context(), path, mended)
	require.ErrorContains(t, err, "is there already")
}

// What belongs to a sock that is gone goes with it; a sock whose wearer is gone stays.
func TestMendingLeavesNoOrphans(t *testing.T) {
	folder := t.TempDir()
	path := filepath.Join(folder, "socks.db")
	store := open(t, path)
	stays, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	goes, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	require.NoError(t, store.AddEdition(t.Context(), goes.ID, edition(t, 150), [2]int{}))
	tell(t, store, goes.ID, rowDone("a", 1))
	tell(t, store, stays.ID, rowDone("b", 1))
	require.NoError(t, store.Close())
	raw, err := sql.Open("sqlite", uriOf(path))
	require.NoError(t, err)
	for _, statement := range []string{`DELETE FROM socks WHERE id = '` + goes.ID + `'`, `UPDATE socks SET wearer_id = 'nobody'`} {
		_, err = raw.ExecContext(t.Context(), statement)
		require.NoError(t, err)
	}
	require.NoError(t, raw.Close())
	mended := filepath.Join(folder, "mended.db")
	left, err := Mend(t.Context(), path, mended)
	require.NoError(t, err)
	assert.NotEmpty(t, left)
	_, findings, err := Doctor(t.Context(), mended)
	require.NoError(t, err)
	assert.Empty(t, findings)
	again := open(t, mended)
	events, _, err := again.Events(t.Context(), stays.ID, 0)
	require.NoError(t, err)
	assert.Len(t, events, 1)
	_, err = again.Get(t.Context(), stays.ID)
	require.NoError(t, err)
}
