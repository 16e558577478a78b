package sqlite

import (
	"database/sql"
	"os"
	"path/filepath"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

var evening = time.Date(2026, 11, 26, 21, 30, 0, 0, time.UTC)

// A copy that is made while socks are added holds those that were answered before it, and is whole.
func TestACopyIsOfOneMoment(t *testing.T) {
	folder := t.TempDir()
	store := open(t, filepath.Join(folder, "socks.db"))
	stop, added := make(chan struct{}), make(chan int)
	var writer sync.WaitGroup
	writer.Go(func() {
		for n := 1; ; n++ {
			if _, err := store.Add(t.Context(), roofSocks()); err != nil {
				t.Error(err)
				return
			}
			select {
			case added <- n:
			case <-stop:
				return
			}
		}
	})
	for _, name := range []string{"one.db", "two.db", "three.db"} {
		before := <-added
		to := filepath.Join(folder, name)
		c, err := Backup(t.Context(), filepath.Join(folder, "socks.db"), to)
		require.NoError(t, err)
		assert.GreaterOrEqual(t, c.Socks, before)
		info, err := os.Stat(to)
		require.NoError(t, err)
		assert.Equal(t, os.FileMode(0o600), info.Mode().Perm())
		copied := open(t, to)
		socks, err := copied.List(t.Context())
		require.NoError(t, err)
		assert.Len(t, socks, c.Socks)
		require.NoError(t, copied.Close())
	}
	close(stop)
	writer.Wait()
	_, err := Backup(t.Context(), filepath.Join(folder, "socks.db"), filepath.Join(folder, "one.db"))
	require.ErrorContains(t, err, "is there already")
}

// The copy comes in the place of the file, the file of before is kept with what lay in its journal, and no program may have it open.
func TestACopyIsPutInPlace(t *testing.T) {
	folder := t.TempDir()
	data, copied := filepath.Join(folder, "socks.db"), filepath.Join(folder, "copy.db")
	store := open(t, data)
	first, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	_, err = Backup(t.Context(), data, copied)
	require.NoError(t, err)
	later, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)

	_, err = Restore(t.Context(), copied, data, evening)
	require.ErrorIs(t, err, errInUse)
	require.NoError(t, store.Close())
	aside, err := Restore(t.Context(), copied, data, evening)
	require.NoError(t, err)
	assert.Equal(t, data+".before-20261126-213000", aside)

	ids := func(path string) []string {
		socks, err := open(t, path).List(t.Context())
		require.NoError(t, err)
		list := make([]string, len(socks))
		for i, sock := range socks {
			list[i] = sock.ID
		}
		return list
	}
	assert.Equal(t, []string{first.ID}, ids(data))
	assert.ElementsMatch(t, []string{first.ID, later.ID}, ids(aside))
}

// A program that was killed leaves its last evenings in the journal: the file alone is not a copy, and what is kept aside is.
func TestWhatLiesInTheJournalIsKeptAside(t *testing.T) {
	folder := t.TempDir()
	killed := filepath.Join(folder, "killed.db")
	store := open(t, filepath.Join(folder, "socks.db"))
	_, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	for _, end := range []string{"", "-wal"} {
		text, err := os.ReadFile(filepath.Join(folder, "socks.db") + end)
		require.NoError(t, err)
		require.NoError(t, os.WriteFile(killed+end, text, 0o600))
	}
	empty := filepath.Join(folder, "empty.db")
	require.NoError(t, open(t, empty).Close())
	aside, err := Restore(t.Context(), empty, killed, evening)
	require.NoError(t, err)
	c, err := ContentsOf(t.Context(), aside)
	require.NoError(t, err)
	assert.Equal(t, 1, c.Socks)
	c, err = ContentsOf(t.Context(), killed)
	require.NoError(t, err)
	assert.Zero(t, c.Socks)
}

// What is no whole copy of ours is refused, and the file stays where it is.
func TestABadCopyIsRefused(t *testing.T) {
	folder := t.TempDir()
	data, stars := filepath.Join(folder, "socks.db"), filepath.Join(folder, "stars.db")
	require.NoError(t, open(t, data).Close())
	before, err := os.ReadFile(data)
	require.NoError(t, err)
	db, err := sql.Open("sqlite", stars)
	require.NoError(t, err)
	_, err = db.Exec(`CREATE TABLE stars (name TEXT)`)
	require.NoError(t, err)
	require.NoError(t, db.Close())
	torn := filepath.Join(folder, "torn.db")
	require.NoError(t, os.WriteFile(torn, before[:len(before)/2], 0o600))
	for _, bad := range []string{stars, torn, filepath.Join(folder, "nowhere.db")} {
		_, err := Restore(t.Context(), bad, data, evening)
		require.Error(t, err, bad)
		after, err := os.ReadFile(data)
		require.NoError(t, err)
		assert.Equal(t, before, after)
	}
	left, err := filepath.Glob(filepath.Join(folder, ".acornstep-*"))
	require.NoError(t, err)
	assert.Empty(t, left)
}

// Before its tables are brought up to date, a file is copied: the program it comes from still opens that.
func TestAFileIsCopiedBeforeItsTablesChange(t *testing.T) {
	path := copyOf(t, "testdata/schema-3.db")
	require.NoError(t, open(t, path).Close())
	db, err := sql.Open("sqlite", path+".version-3")
	require.NoError(t, err)
	defer db.Close()
	var version, plans int
	require.NoError(t, db.QueryRow(`SELECT max(version_id) FROM goose_db_version`).Scan(&version))
	require.NoError(t, db.QueryRow(`SELECT count(*) FROM plans WHERE design IS NOT NULL`).Scan(&plans))
	assert.Equal(t, 3, version)
	assert.Equal(t, 5, plans)
	require.NoError(t, open(t, path).Close())
	copies, err := filepath.Glob(path + ".version-*")
	require.NoError(t, err)
	assert.Len(t, copies, 1, "a file that is up to date is not copied again")
}
