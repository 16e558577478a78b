package sqlite

import (
	"bufio"
	"context"
	"fmt"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/basket"
	"acornstep/sock/design"
	"acornstep/sock/logbook"
)

func rowDone(id string, clock int64) logbook.Event {
	return logbook.Event{ID: id, Device: "d", Clock: clock, At: clock, Kind: logbook.RowDone, Version: 1, Sock: 1, Row: int(clock)}
}

func TestSendingAnEventTwiceChangesNothing(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	for range 3 {
		require.NoError(t, store.AddEvents(t.Context(), sock.ID, []logbook.Event{rowDone("a", 1), rowDone("b", 2)}))
	}
	events, seq, err := store.Events(t.Context(), sock.ID, 0)
	require.NoError(t, err)
	assert.Equal(t, []logbook.Event{rowDone("a", 1), rowDone("b", 2)}, events)
	require.NoError(t, store.AddEvents(t.Context(), sock.ID, []logbook.Event{rowDone("c", 3)}))
	fresh, _, err := store.Events(t.Context(), sock.ID, seq)
	require.NoError(t, err)
	assert.Equal(t, []logbook.Event{rowDone("c", 3)}, fresh)

	// A sock that is out of the basket goes on hearing; one that never was does not.
	require.NoError(t, store.Delete(t.Context(), sock.ID))
	require.NoError(t, store.AddEvents(t.Context(), sock.ID, []logbook.Event{rowDone("d", 4)}))
	require.ErrorIs(t, store.AddEvents(t.Context(), "nobody", []logbook.Event{rowDone("e", 5)}), basket.ErrNotFound)
	require.NoError(t, store.Restore(t.Context(), sock.ID))
	events, _, err = store.Events(t.Context(), sock.ID, 0)
	require.NoError(t, err)
	assert.Len(t, events, 4)
}

func TestManyDevicesLoseNothing(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	const devices, taps = 50, 12
	var group sync.WaitGroup
	for d := range devices {
		group.Go(func() {
			for n := range taps {
				assert.NoError(t, store.AddEvents(context.Background(), sock.ID, []logbook.Event{rowDone(fmt.Sprintf("%d-%d", d, n), int64(n+1))}))
				if n == taps/2 { // somebody who names a sock that never was takes nobody along
					assert.Error(t, store.AddEvents(context.Background(), "nobody", []logbook.Event{rowDone(fmt.Sprintf("x%d", d), 1)}))
				}
			}
		})
	}
	group.Wait()
	events, _, err := store.Events(t.Context(), sock.ID, 0)
	require.NoError(t, err)
	assert.Len(t, events, devices*taps)
}

func TestAPlanKeepsItsOldVersions(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	first, second := design.Blank(), design.Blank()
	second.Name = "taller"
	require.NoError(t, store.AddPlan(t.Context(), sock.ID, 0, first, ""))
	require.ErrorIs(t, store.AddPlan(t.Context(), sock.ID, 0, second, "late"), basket.ErrChanged)
	require.NoError(t, store.AddPlan(t.Context(), sock.ID, 1, second, "5 fewer rounds before the heel."))
	plans, err := store.Plans(t.Context(), sock.ID)
	require.NoError(t, err)
	require.Len(t, plans, 2)
	assert.Equal(t, first, plans[0].Design)
	assert.Equal(t, "5 fewer rounds before the heel.", plans[1].Reason)
	kept, err := store.Get(t.Context(), sock.ID)
	require.NoError(t, err)
	assert.True(t, kept.OnNeedles)
	require.ErrorIs(t, store.AddPlan(t.Context(), "nobody", 0, first, ""), basket.ErrNotFound)
}

// tapForEver taps on three devices at once and prints each tap that was acknowledged.
func tapForEver(path, sockID string) {
	store, err := Open(context.Background(), path, time.Now)
	if err != nil {
		fmt.Println("error", err)
		return
	}
	var group sync.WaitGroup
	for device := range 3 {
		group.Go(func() {
			for n := int64(1); ; n++ {
				id := fmt.Sprintf("%d-%d-%d", os.Getpid(), device, n)
				if err := store.AddEvents(context.Background(), sockID, []logbook.Event{rowDone(id, n)}); err != nil {
					fmt.Println("error", err)
					return
				}
				fmt.Println(id)
			}
		})
	}
	group.Wait()
}

// killedTimes is how often the program is killed at a random moment while it taps.
const killedTimes = 200

func TestEveryAcknowledgedTapSurvivesAKill(t *testing.T) {
	if testing.Short() {
		t.Skip("kills a program 200 times")
	}
	path := filepath.Join(t.TempDir(), "socks.db")
	store := open(t, path)
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	require.NoError(t, store.Close())
	program, err := os.Executable()
	require.NoError(t, err)
	acknowledged := map[string]bool{}
	for range killedTimes {
		tapper := exec.Command(program)
		tapper.Env = append(os.Environ(), "ACORNSTEP_TEST_TAPPER="+path+"|"+sock.ID)
		out, err := tapper.StdoutPipe()
		require.NoError(t, err)
		require.NoError(t, tapper.Start())
		lines := bufio.NewScanner(out)
		moment := rand.IntN(25)
		for n := 0; lines.Scan(); n++ {
			require.NotContains(t, lines.Text(), "error")
			if strings.Count(lines.Text(), "-") == 2 {
				acknowledged[lines.Text()] = true
			}
			if n == moment {
				require.NoError(t, tapper.Process.Kill())
			}
		}
		_ = tapper.Wait()
	}
	events, _, err := open(t, path).Events(t.Context(), sock.ID, 0)
	require.NoError(t, err)
	seen := map[string]bool{}
	for _, e := range events {
		assert.False(t, seen[e.ID], "%s is there twice", e.ID)
		seen[e.ID] = true
	}
	lost := 0
	for id := range acknowledged {
		if !seen[id] {
			lost++
		}
	}
	assert.Zero(t, lost, "of %d acknowledged taps", len(acknowledged))
	t.Logf("%d kills, %d acknowledged taps, %d kept", killedTimes, len(acknowledged), len(events))
}

// What is in work lies on top of the basket; below it the last changed first.
func TestWhatIsOnTheNeedlesLiesOnTop(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	var ids []string
	for _, name := range []string{"first", "second", "third"} {
		sock := roofSocks()
		sock.Name = name
		kept, err := store.Add(t.Context(), sock)
		require.NoError(t, err)
		ids = append(ids, kept.ID)
	}
	names := func() (list []string) {
		socks, err := store.List(t.Context())
		require.NoError(t, err)
		for _, sock := range socks {
			list = append(list, sock.Name)
		}
		return list
	}
	assert.Equal(t, []string{"third", "second", "first"}, names())
	require.NoError(t, store.AddPlan(t.Context(), ids[0], 0, design.Blank(), ""))
	assert.Equal(t, []string{"first", "third", "second"}, names())
	require.NoError(t, store.Delete(t.Context(), ids[0]))
	assert.Equal(t, []string{"third", "second"}, names())
}
