package sqlite

import (
	"context"
	"fmt"
	"os"
	"path/filepath"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/needles/logbook"
)

// Knitted on every day of fourteen months but the first of each: fourteen days and the second of each of the twelve
// months before are kept.
func TestCopiesOfDaysAndMonths(t *testing.T) {
	day := time.Date(2025, 9, 30, 20, 0, 0, 0, time.UTC)
	end := time.Date(2026, 11, 26, 20, 0, 0, 0, time.UTC)
	names := []string{}
	for ; !day.After(end); day = day.AddDate(0, 0, 1) {
		if day.Day() == 1 {
			continue
		}
		names = append([]string{nameOfDay(day)}, names...)
		gone := map[string]bool{}
		for _, name := range over(names) {
			gone[name] = true
		}
		left := []string{}
		for _, name := range names {
			if !gone[name] {
				left = append(left, name)
			}
		}
		names = left
	}
	require.Len(t, names, 14+12)
	assert.Equal(t, "socks-2026-11-26.db", names[0])
	assert.Equal(t, "socks-2026-11-13.db", names[13])
	assert.Equal(t, "socks-2026-11-02.db", names[14])
	assert.Equal(t, "socks-2025-12-02.db", names[25])
}

// restored is how often a copy is made under taps, put in place elsewhere and proved: every day a few times, and two hundred for a proof.
func restored() int {
	if os.Getenv("ACORNSTEP_PROOF") != "" {
		return 200
	}
	return 25
}

// While fifty taps a second arrive, each copy holds every tap that was acknowledged before it, and is a whole house
// when it is put in place.
func TestACopyUnderTapsIsRestoredWhole(t *testing.T) {
	if testing.Short() {
		t.Skip("restores many copies")
	}
	folder := t.TempDir()
	store := open(t, filepath.Join(folder, "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	require.NoError(t, store.AddEdition(t.Context(), sock.ID, edition(t, 150), [2]int{}))
	var tapped atomic.Int64
	tapping, stop := context.WithCancel(t.Context())
	var hands sync.WaitGroup
	hands.Go(func() {
		beat := time.NewTicker(time.Second / 50)
		defer beat.Stop()
		for tapping.Err() == nil {
			<-beat.C
			n := tapped.Load() + 1
			tell(t, store, sock.ID, logbook.Event{ID: fmt.Sprint("t", n), Device: "d", Clock: n, At: n, Kind: logbook.RowDone, Version: 1,
				Sock: 1, Row: int(n % 150)})
			tapped.Store(n)
		}
	})
	place := filepath.Join(folder, "elsewhere", "socks.db")
	for n := range restored() {
		copied := filepath.Join(folder, fmt.Sprintf("copy-%d.db", n))
		before := tapped.Load()
		require.NoError(t, store.CopyTo(t.Context(), copied))
		_, err := Restore(t.Context(), copied, place, evening.Add(time.Duration(n)*time.Second))
		require.NoError(t, err)
		require.NoError(t, os.Remove(copied))
		there := open(t, place)
		events, _, err := there.Events(t.Context(), sock.ID, 0)
		require.NoError(t, err)
		require.GreaterOrEqual(t, int64(len(events)), before)
		for i, e := range events {
			require.Equal(t, fmt.Sprint("t", i+1), e.ID, "each once, in order")
		}
		require.NoError(t, there.Close())
	}
	stop()
	hands.Wait()
	_, findings, err := Doctor(t.Context(), place)
	require.NoError(t, err)
	assert.Empty(t, findings)
	t.Logf("%d copies restored while %d taps were written", restored(), tapped.Load())
}

func TestACopyOfEachDayOnWhichSomethingChanged(t *testing.T) {
	now := time.Now().Truncate(24 * time.Hour).Add(8 * time.Hour)
	folder := filepath.Join(t.TempDir(), "copies")
	store, err := Open(t.Context(), filepath.Join(t.TempDir(), "socks.db"), func() time.Time { return now })
	require.NoError(t, err)
	t.Cleanup(func() { _ = store.Close() })
	made := 0
	copies := func() []Copy {
		require.NoError(t, store.CopyOfDay(t.Context(), folder))
		list, err := Copies(folder)
		require.NoError(t, err)
		if len(list) > made { // the clock of the disk is not the one of this test
			require.NoError(t, os.Chtimes(filepath.Join(folder, list[0].Name), now, now))
			made = len(list)
		}
		return list
	}
	assert.Empty(t, copies(), "there is nothing to copy")
	_, err = store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	require.Len(t, copies(), 1)
	now = now.Add(time.Hour)
	_, err = store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	require.Len(t, copies(), 1, "one a day")
	now = now.AddDate(0, 0, 1)
	list := copies()
	require.Len(t, list, 2)
	contents, err := ContentsOf(t.Context(), filepath.Join(folder, list[0].Name))
	require.NoError(t, err)
	assert.Equal(t, 2, contents.Socks)
	now = now.AddDate(0, 0, 1)
	require.Len(t, copies(), 2, "a day on which nothing changed")
	info, err := os.Stat(filepath.Join(folder, list[0].Name))
	require.NoError(t, err)
	assert.Equal(t, os.FileMode(0o600), info.Mode().Perm())
	require.NoError(t, os.WriteFile(filepath.Join(folder, "socks-of-mine.db"), nil, 0o600))
	list, err = Copies(folder)
	require.NoError(t, err)
	assert.Len(t, list, 2, "what else lies there is nobody's copy")
}
