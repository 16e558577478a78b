package sqlite

import (
	"bufio"
	"context"
	"encoding/json"
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

	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/design"
)

func rowDone(id string, clock int64) logbook.Event {
	return logbook.Event{ID: id, Device: "d", Clock: clock, At: clock, Kind: logbook.RowDone, Version: 1, Sock: 1, Row: int(clock % 200)}
}

// tell has events of a sock written down, all of them.
func tell(t *testing.T, store *Store, sockID string, events ...logbook.Event) {
	clashes, err := store.AddEvents(context.Background(), sockID, events)
	assert.NoError(t, err)
	assert.Empty(t, clashes)
}

func TestAnIDIsGivenOnce(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	other, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	tell(t, store, sock.ID, rowDone("a", 1))
	changed := rowDone("a", 1)
	changed.Row++
	clashes, err := store.AddEvents(t.Context(), sock.ID, []logbook.Event{rowDone("b", 2), changed, rowDone("c", 3)})
	require.NoError(t, err)
	assert.Equal(t, []int{1}, clashes, "the same id with other content")
	clashes, err = store.AddEvents(t.Context(), other.ID, []logbook.Event{rowDone("a", 1)})
	require.NoError(t, err)
	assert.Equal(t, []int{0}, clashes, "the same id on another sock")
	events, _, err := store.Events(t.Context(), sock.ID, 0)
	require.NoError(t, err)
	assert.Equal(t, []logbook.Event{rowDone("a", 1), rowDone("b", 2), rowDone("c", 3)}, events, "those around it are written")
}

func TestSendingAnEventTwiceChangesNothing(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	for range 3 {
		tell(t, store, sock.ID, rowDone("a", 1), rowDone("b", 2))
	}
	events, seq, err := store.Events(t.Context(), sock.ID, 0)
	require.NoError(t, err)
	assert.Equal(t, []logbook.Event{rowDone("a", 1), rowDone("b", 2)}, events)
	tell(t, store, sock.ID, rowDone("c", 3))
	fresh, _, err := store.Events(t.Context(), sock.ID, seq)
	require.NoError(t, err)
	assert.Equal(t, []logbook.Event{rowDone("c", 3)}, fresh)

	// A sock that is out of the basket goes on hearing; one that never was does not.
	require.NoError(t, store.Delete(t.Context(), sock.ID))
	tell(t, store, sock.ID, rowDone("d", 4))
	_, err = store.AddEvents(t.Context(), "nobody", []logbook.Event{rowDone("e", 5)})
	require.ErrorIs(t, err, basket.ErrNotFound)
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
				tell(t, store, sock.ID, rowDone(fmt.Sprintf("%d-%d", d, n), int64(n+1)))
				if n == taps/2 { // somebody who names a sock that never was takes nobody along
					_, err := store.AddEvents(context.Background(), "nobody", []logbook.Event{rowDone(fmt.Sprintf("x%d", d), 1)})
					assert.Error(t, err)
				}
			}
		})
	}
	group.Wait()
	events, _, err := store.Events(t.Context(), sock.ID, 0)
	require.NoError(t, err)
	assert.Len(t, events, devices*taps)
}

// edition is the plan of the roof socks, or of the same with a taller leg.
func edition(t *testing.T, height int) *knitting.Edition {
	t.Helper()
	d, err := design.Read(fmt.Appendf(nil, `{"format":"acorn-step.design","version":1,"foot":{"length_mm":251},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44},
		"toe":{"kind":"garter_square"},"leg":{"height_mm":%d}}`, height))
	require.NoError(t, err)
	e, err := knitting.Begin(d)
	require.NoError(t, err)
	return e
}

func TestAPlanKeepsItsOldEditionsWhole(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	lines, err := store.Editions(t.Context(), sock.ID)
	require.NoError(t, err)
	assert.Empty(t, lines)
	first := edition(t, 150)
	require.NotNil(t, first.Second, "a square slants: the second sock mirrors it")
	require.NoError(t, store.AddEdition(t.Context(), sock.ID, first, [2]int{}))
	require.ErrorIs(t, store.AddEdition(t.Context(), sock.ID, edition(t, 170), [2]int{}), basket.ErrChanged)
	to, err := first.Pair(1, edition(t, 170).Plan)
	require.NoError(t, err)
	second, _, err := first.Next(knitting.Bend{To: to, Reason: "A taller leg."}, knitting.Done{42, 7})
	require.NoError(t, err)
	second.Undecided = &logbook.Undecided{Sock: 2, Text: "A taller leg."}
	tell(t, store, sock.ID, rowDone("a", 41))
	require.NoError(t, store.AddEdition(t.Context(), sock.ID, second, [2]int{42, 7}))
	events, _, err := store.Events(t.Context(), sock.ID, 0)
	require.NoError(t, err)
	require.Len(t, events, 2, "the first edition needs no event, the next one is heard by every device")
	bent := events[1]
	assert.Equal(t, logbook.Bent, bent.Kind)
	assert.Equal(t, []int{42, 7}, bent.Places)
	assert.Equal(t, int64(42), bent.Clock, "after all that was heard")
	lines, err = store.Editions(t.Context(), sock.ID)
	require.NoError(t, err)
	require.Len(t, lines, 2)
	assert.Equal(t, "A taller leg.", lines[1].Reason)
	for _, want := range []*knitting.Edition{first, second} {
		kept, err := store.Edition(t.Context(), sock.ID, want.Version)
		require.NoError(t, err)
		require.Len(t, kept.Steps, want.Version)
		assert.Equal(t, logbook.Step{Places: want.Places, Second: want.SecondPlaces, Holds: want.Holds}, kept.Steps[want.Version-1])
		kept.Steps = nil
		was, err := json.Marshal(want)
		require.NoError(t, err)
		is, err := json.Marshal(kept)
		require.NoError(t, err)
		assert.JSONEq(t, string(was), string(is))
	}
	require.NoError(t, store.SayOffer(t.Context(), sock.ID, 2, "0f0f"))
	kept, err := store.Edition(t.Context(), sock.ID, 2)
	require.NoError(t, err)
	assert.Equal(t, "0f0f", kept.SaidOffer)
	_, err = store.Edition(t.Context(), sock.ID, 3)
	require.ErrorIs(t, err, basket.ErrNotFound)
	found, err := store.Get(t.Context(), sock.ID)
	require.NoError(t, err)
	assert.True(t, found.OnNeedles)
	require.ErrorIs(t, store.AddEdition(t.Context(), "nobody", edition(t, 150), [2]int{}), basket.ErrNotFound)
	_, err = store.Editions(t.Context(), "nobody")
	require.ErrorIs(t, err, basket.ErrNotFound)
}

// tapForEver taps on three devices at once, while a fourth changes the notes, and
// prints each tap and each save that was acknowledged.
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
				if _, err := store.AddEvents(context.Background(), sockID, []logbook.Event{rowDone(id, n)}); err != nil {
					fmt.Println("error", err)
					return
				}
				fmt.Println(id)
			}
		})
	}
	group.Go(func() {
		for {
			sock, err := store.Get(context.Background(), sockID)
			if err == nil {
				sock.Notes = fmt.Sprintf("changed %d times", sock.Revision)
				sock, err = store.Save(context.Background(), sock)
			}
			if err != nil {
				fmt.Println("error", err)
				return
			}
			fmt.Println("revision", sock.Revision)
		}
	})
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
	acknowledged, saved := map[string]bool{}, 0
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
			var revision int
			if n, _ := fmt.Sscanf(lines.Text(), "revision %d", &revision); n == 1 &&
				strings.HasSuffix(lines.Text(), fmt.Sprint(revision)) {
				saved = max(saved, revision)
			}
			if n == moment {
				require.NoError(t, tapper.Process.Kill())
			}
		}
		_ = tapper.Wait()
	}
	store = open(t, path)
	kept, err := store.Get(t.Context(), sock.ID)
	require.NoError(t, err)
	assert.GreaterOrEqual(t, kept.Revision, saved, "the last save that was acknowledged")
	assert.Equal(t, fmt.Sprintf("changed %d times", kept.Revision-1), kept.Notes)
	_, findings, err := Doctor(t.Context(), path)
	require.NoError(t, err)
	assert.Empty(t, findings)
	events, _, err := store.Events(t.Context(), sock.ID, 0)
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
	t.Logf("%d kills, %d acknowledged taps, %d kept, %d saves", killedTimes, len(acknowledged), len(events), saved-1)
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
	require.NoError(t, store.AddEdition(t.Context(), ids[0], edition(t, 150), [2]int{}))
	assert.Equal(t, []string{"first", "third", "second"}, names())
	require.NoError(t, store.Delete(t.Context(), ids[0]))
	assert.Equal(t, []string{"third", "second"}, names())
}
