package main

import (
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/demo"
	"acornstep/sqlite"
)

// A household copies its socks, loses the file, and has them again.
func TestBackupAndRestore(t *testing.T) {
	folder := t.TempDir()
	data, copied := filepath.Join(folder, "socks.db"), filepath.Join(folder, "copy.db")
	store, err := sqlite.Open(t.Context(), data, time.Now)
	require.NoError(t, err)
	require.NoError(t, demo.Fill(t.Context(), store))
	status, said, errs := call("", "backup", "--db", data, copied)
	require.Equal(t, 0, status, errs)
	assert.Regexp(t, `copy\.db: [1-9]\d* socks and [1-9]\d* events, the last of 2026-`, said)

	status, _, errs = call("yes\n", "restore", "--db", data, copied)
	assert.Equal(t, 1, status)
	assert.Contains(t, errs, "stop it first")
	require.NoError(t, store.Close())

	status, said, _ = call("no\n", "restore", "--db", data, copied)
	assert.Equal(t, 1, status)
	assert.Contains(t, said, "Nothing was changed")
	status, said, errs = call("yes\n", "restore", "--db", data, copied)
	require.Equal(t, 0, status, errs)
	assert.Contains(t, said, "What was there is now "+data+".before-")

	status, said, errs = call("", "doctor", data)
	require.Equal(t, 0, status, errs)
	assert.Contains(t, said, "every plan can be knitted")

	fresh := filepath.Join(folder, "new", "socks.db")
	status, said, errs = call("", "restore", "--yes", "--db", fresh, copied)
	require.Equal(t, 0, status, errs)
	assert.Contains(t, said, "Now: nothing at")
	old, err := sqlite.ContentsOf(t.Context(), data)
	require.NoError(t, err)
	again, err := sqlite.ContentsOf(t.Context(), fresh)
	require.NoError(t, err)
	assert.Equal(t, old, again)
}

func TestBackupNeedsAFileAndSocks(t *testing.T) {
	folder := t.TempDir()
	status, _, errs := call("", "backup", "--db", filepath.Join(folder, "socks.db"))
	assert.Equal(t, 1, status)
	assert.Contains(t, errs, "name the new file")
	status, _, errs = call("", "backup", "--db", filepath.Join(folder, "socks.db"), filepath.Join(folder, "copy.db"))
	assert.Equal(t, 1, status)
	assert.Contains(t, errs, "no such file")
	none, err := filepath.Glob(filepath.Join(folder, "*"))
	require.NoError(t, err)
	assert.Empty(t, none)
}

// Of a file of which only the first page is left nothing can be saved: it is said, and the status is not that of a success.
func TestMendingThatSavesNothingSaysSo(t *testing.T) {
	folder := t.TempDir()
	data, mended := filepath.Join(folder, "socks.db"), filepath.Join(folder, "mended.db")
	store, err := sqlite.Open(t.Context(), data, time.Now)
	require.NoError(t, err)
	require.NoError(t, demo.Fill(t.Context(), store))
	require.NoError(t, store.Close())
	text, err := os.ReadFile(data)
	require.NoError(t, err)
	require.NoError(t, os.WriteFile(data, append(text[:4096:4096], make([]byte, len(text)-4096)...), 0o600))
	status, said, errs := call("", "doctor", "--mend", mended, data)
	assert.Equal(t, 1, status, errs)
	assert.Contains(t, said, "Nothing could be saved")
}
