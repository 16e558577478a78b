package sqlite

import (
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// Runs are counted by lesson, also on a file of an older release, and are there when it is opened again.
func TestRunsAreCounted(t *testing.T) {
	for _, path := range []string{filepath.Join(t.TempDir(), "socks.db"), copyOf(t, "testdata/schema-8.db")} {
		store := open(t, path)
		runs, err := store.Practised(t.Context())
		require.NoError(t, err)
		assert.Empty(t, runs)
		require.NoError(t, store.AddRun(t.Context(), "flap", 1))
		require.NoError(t, store.AddRun(t.Context(), "flap", 2))
		require.NoError(t, store.AddRun(t.Context(), "rib", 1))
		require.Error(t, store.AddRun(t.Context(), "rib", -5), "a count never falls to nothing")
		require.NoError(t, store.Close())
		again := open(t, path)
		runs, err = again.Practised(t.Context())
		require.NoError(t, err)
		assert.Equal(t, map[string]int{"flap": 3, "rib": 1}, runs)
	}
}
