package demo

import (
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/check"
	"acornstep/sock/craft/knit"
	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/draft"
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

// Everything that the demo shows can be knitted, belongs to the Observers, and was written down as a device would.
func TestTheDemoIsSound(t *testing.T) {
	store, err := sqlite.Open(t.Context(), filepath.Join(t.TempDir(), "demo.db"), time.Now)
	require.NoError(t, err)
	t.Cleanup(func() { _ = store.Close() })
	require.NoError(t, Fill(t.Context(), store))
	list, err := store.List(t.Context())
	require.NoError(t, err)
	onNeedles := 0
	for _, sock := range list {
		versions, err := store.Editions(t.Context(), sock.ID)
		require.NoError(t, err)
		assert.Equal(t, sock.OnNeedles, len(versions) > 0, sock.Name)
		if sock.Digest.Rows == 0 {
			continue
		}
		reading := draft.Read(sock.Draft, measure.Centimetres)
		require.Empty(t, reading.Faults, sock.Name)
		p, err := knit.Make(reading.Design)
		require.NoError(t, err)
		assert.Empty(t, check.Plan(p), sock.Name)
		assert.Len(t, p.Rows, sock.Digest.Rows)
		if !sock.OnNeedles {
			continue
		}
		onNeedles++
		events, _, err := store.Events(t.Context(), sock.ID, 0)
		require.NoError(t, err)
		require.NotEmpty(t, events)
		for i := range events {
			assert.Empty(t, events[i].Validate(), events[i].ID)
			assert.Less(t, events[i].Row, len(p.Rows))
		}
		book := logbook.Read(events)
		assert.Equal(t, "heel-8", p.Rows[book.Places[0].Row].ID)
	}
	assert.Equal(t, 1, onNeedles)
	wearers, err := store.Wearers(t.Context())
	require.NoError(t, err)
	assert.GreaterOrEqual(t, len(wearers), 5)
	for i := range wearers {
		assert.NotEmpty(t, wearers[i].Measurements, wearers[i].Name)
	}
}
