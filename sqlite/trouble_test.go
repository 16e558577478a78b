package sqlite

import (
	"database/sql"
	"fmt"
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// Whose socks they are is nobody else's business on this machine; files that older programs left open are closed.
func TestTheFileIsForItsOwnerOnly(t *testing.T) {
	path := filepath.Join(t.TempDir(), "socks.db")
	store := open(t, path)
	_, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	for _, file := range []string{path, path + "-wal", path + "-shm"} {
		info, err := os.Stat(file)
		require.NoError(t, err)
		assert.Equal(t, os.FileMode(0o600), info.Mode().Perm(), file)
	}
	require.NoError(t, store.Close())
	require.NoError(t, os.Chmod(path, 0o644))
	open(t, path)
	info, err := os.Stat(path)
	require.NoError(t, err)
	assert.Equal(t, os.FileMode(0o600), info.Mode().Perm())
}

// A database of another program stays as it is to the byte, whether that marks its files or not.
func TestDatabasesOfOthersAreLeftAlone(t *testing.T) {
	for _, made := range []string{`CREATE TABLE stars (name TEXT)`,
		`PRAGMA application_id = 7; CREATE TABLE socks (id TEXT); CREATE TABLE goose_db_version (id INTEGER)`} {
		path := filepath.Join(t.TempDir(), "stars.db")
		db, err := sql.Open("sqlite", path)
		require.NoError(t, err)
		_, err = db.Exec(made)
		require.NoError(t, err)
		require.NoError(t, db.Close())
		before, err := os.ReadFile(path)
		require.NoError(t, err)
		_, err = Open(t.Context(), path, time.Now)
		require.ErrorContains(t, err, "not a data file of Acorn Step")
		after, err := os.ReadFile(path)
		require.NoError(t, err)
		assert.Equal(t, before, after)
	}
}

// A program that was killed while it made the file may try again.
func TestAnUnfinishedFileIsFinished(t *testing.T) {
	path := filepath.Join(t.TempDir(), "socks.db")
	require.NoError(t, os.WriteFile(path, nil, 0o600))
	require.NoError(t, open(t, path).Close())
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	var id int
	require.NoError(t, db.QueryRow(`PRAGMA application_id`).Scan(&id))
	assert.Equal(t, applicationID, id)
	_, err = db.Exec(`PRAGMA application_id = 0`)
	require.NoError(t, err)
	require.NoError(t, db.Close())
	open(t, path)
}

// A file with a torn page is not gone on with.
func TestADamagedFileSaysSo(t *testing.T) {
	path := filepath.Join(t.TempDir(), "socks.db")
	store := open(t, path)
	for range 40 {
		_, err := store.Add(t.Context(), roofSocks())
		require.NoError(t, err)
	}
	require.NoError(t, store.Close())
	file, err := os.OpenFile(path, os.O_RDWR, 0)
	require.NoError(t, err)
	info, err := file.Stat()
	require.NoError(t, err)
	garbage := make([]byte, info.Size()-4096)
	for i := range garbage {
		garbage[i] = 0xA5
	}
	_, err = file.WriteAt(garbage, 4096)
	require.NoError(t, err)
	require.NoError(t, file.Close())
	_, err = Open(t.Context(), path, time.Now)
	require.ErrorContains(t, err, "the data file is damaged")
}

// What hinders the file is said in a sentence of its own, and nothing is half written.
func TestTroubleIsSaid(t *testing.T) {
	for _, c := range []struct {
		name, hinder string
		full         bool
		said         string
	}{
		{"a full disk", `PRAGMA max_page_count = 1`, true, "no room left on the disk"},
		{"a file that may not be written", `PRAGMA query_only = 1`, false, "may not be written to"},
		{"a foreign lock", `PRAGMA busy_timeout = 0`, false, "another program holds the data file"},
	} {
		t.Run(c.name, func(t *testing.T) {
			path := filepath.Join(t.TempDir(), "socks.db")
			store := open(t, path)
			store.db.SetMaxOpenConns(1)
			_, err := store.db.Exec(c.hinder)
			require.NoError(t, err)
			if c.name == "a foreign lock" {
				other, err := sql.Open("sqlite", path)
				require.NoError(t, err)
				t.Cleanup(func() { _ = other.Close() })
				_, err = other.Exec(`BEGIN EXCLUSIVE`)
				require.NoError(t, err)
			}
			for range 2000 {
				if _, err = store.Add(t.Context(), roofSocks()); err != nil {
					break
				}
			}
			require.Error(t, err)
			text, full := store.Trouble(fmt.Errorf("save: %w", err))
			assert.Contains(t, text, c.said)
			assert.Equal(t, c.full, full)
			if !c.full {
				assert.Error(t, store.Check(t.Context()))
			}
		})
	}
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	require.NoError(t, store.Check(t.Context()))
	text, _ := store.Trouble(store.Delete(t.Context(), "nobody"))
	assert.Empty(t, text, "what is not there is no trouble of the file")
}
