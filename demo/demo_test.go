package demo

import (
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sqlite"
)

func TestTheDemoIsAlmostFinishedSocks(t *testing.T) {
	store, err := sqlite.Open(t.Context(), filepath.Join(t.TempDir(), "demo.db"), time.Now)
	require.NoError(t, err)
	t.Cleanup(func() { _ = store.Close() })
	require.NoError(t, Fill(t.Context(), store))
	require.NoError(t, Fill(t.Context(), store), "a second start adds nothing")
	list, err := store.List(t.Context())
	require.NoError(t, err)
	assert.Len(t, list, len(socks))
	halfDesigned := 0
	for _, sock := range list {
		assert.NotEmpty(t, sock.Wearer)
		if sock.Digest.Rows == 0 {
			halfDesigned++
			assert.Equal(t, "Eclipse trip socks", sock.Name)
		}
	}
	assert.Equal(t, 1, halfDesigned)
}
