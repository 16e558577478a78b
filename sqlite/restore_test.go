package sqlite

import (
	"bufio"
	"context"
	"database/sql"
	"errors"
	"fmt"
	"io/fs"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/papers/basket"
	"acornstep/web/visit"
)

// A phone that was shut out and a link that was taken back since the copy was made stay out; who came since stays in.
func TestARestoreBringsNoGuestBack(t *testing.T) {
	folder := t.TempDir()
	data, copied := filepath.Join(folder, "socks.db"), filepath.Join(folder, "copy.db")
	store := open(t, data)
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	guest := func(hash string) visit.Visit {
		return visit.Visit{Hash: hash, Key: "key", Device: hash, Began: evening, Seen: evening, Ends: time.Now().Add(time.Hour)}
	}
	lend := func(hash, sock string) {
		require.NoError(t, store.AddShare(t.Context(), sock, basket.Share{Hash: hash, Created: evening, Key: "key"}))
	}
	for _, hash := range []string{"lost phone", "kitchen"} {
		require.NoError(t, store.KeepVisit(t.Context(), guest(hash)))
		lend(hash, sock.ID)
	}
	was, _, err := store.Identity(t.Context())
	require.NoError(t, err)
	_, err = Backup(t.Context(), data, copied)
	require.NoError(t, err)
	require.NoError(t, store.EndVisit(t.Context(), "lost phone"))
	require.NoError(t, store.EndShare(t.Context(), sock.ID, "lost phone"))
	require.NoError(t, store.KeepVisit(t.Context(), guest("attic")))
	later, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	lend("attic", sock.ID)
	lend("of a sock that the copy does not have", later.ID)
	require.NoError(t, store.Close())

	_, err = Restore(t.Context(), copied, data, evening)
	require.NoError(t, err)
	store = open(t, data)
	visits, err := store.Visits(t.Context(), "key")
	require.NoError(t, err)
	var names []string
	for _, v := range visits {
		names = append(names, v.Hash)
	}
	assert.ElementsMatch(t, []string{"kitchen", "attic"}, names)
	for hash, lent := range map[string]bool{"kitchen": true, "attic": true, "lost phone": false,
		"of a sock that the copy does not have": false} {
		_, err := store.Shared(t.Context(), hash)
		assert.Equal(t, lent, err == nil, hash)
	}
	is, knows, err := store.Identity(t.Context())
	require.NoError(t, err)
	assert.NotEqual(t, was, is, "it is another store")
	assert.WithinDuration(t, time.Now(), knows, time.Minute, "which knows of nothing after its last sock")

	ended, err := store.EndShares(t.Context(), "another passphrase")
	require.NoError(t, err)
	assert.EqualValues(t, 2, ended)
	_, err = store.Shared(t.Context(), "kitchen")
	require.ErrorIs(t, err, basket.ErrNotFound)
}

// Whoever looks while copies are put in place, again and again, always finds a data file.
func TestARestoreLeavesNoGap(t *testing.T) {
	folder := t.TempDir()
	data, copied := filepath.Join(folder, "socks.db"), filepath.Join(folder, "copy.db")
	require.NoError(t, open(t, data).Close())
	_, err := Backup(t.Context(), data, copied)
	require.NoError(t, err)
	looking, stop := context.WithCancel(t.Context())
	gaps := make(chan int)
	go func() {
		n := 0
		for looking.Err() == nil {
			if _, err := os.Lstat(data); errors.Is(err, fs.ErrNotExist) {
				n++
			}
		}
		gaps <- n
	}()
	for n := range 60 {
		_, err := Restore(t.Context(), copied, data, evening.Add(time.Duration(n)*time.Second))
		require.NoError(t, err)
	}
	stop()
	assert.Zero(t, <-gaps)
	aside, err := filepath.Glob(data + ".before-*")
	require.NoError(t, err)
	assert.Len(t, aside, 60)
}

// An older program was killed between two names: the file is taken from beside its place, journal and all.
func TestAStartTakesTheFileBack(t *testing.T) {
	folder := t.TempDir()
	data := filepath.Join(folder, "so[c]ks.db")
	taken, err := TakeBack(data)
	require.NoError(t, err)
	assert.Empty(t, taken, "a new basket")

	store := open(t, data)
	_, err = store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	for _, end := range []string{"", "-wal"} {
		text, err := os.ReadFile(data + end)
		require.NoError(t, err)
		require.NoError(t, os.WriteFile(data+".before-20261118-213000"+end, text, 0o600))
	}
	require.NoError(t, os.WriteFile(data+".before-20251118-213000", []byte("older"), 0o600))
	taken, err = TakeBack(data)
	require.NoError(t, err)
	assert.Empty(t, taken, "a file that is there stays")
	require.NoError(t, store.Close())
	require.NoError(t, os.Remove(data))
	taken, err = TakeBack(data)
	require.NoError(t, err)
	assert.Equal(t, data+".before-20261118-213000", taken)
	socks, err := open(t, data).List(t.Context())
	require.NoError(t, err)
	assert.Len(t, socks, 1)
	left, err := filepath.Glob(filepath.Join(folder, "*.before-2026*"))
	require.NoError(t, err)
	assert.Empty(t, left, "one file has one name")
}

func TestWhatWasLeftHalfMadeIsCleanedAway(t *testing.T) {
	folder := t.TempDir()
	t.Setenv("TMPDIR", t.TempDir())
	old, fresh, own := filepath.Join(folder, ".acornstep-1"), filepath.Join(folder, ".acornstep-2"), filepath.Join(folder, "socks.db")
	sent := filepath.Join(os.TempDir(), "acornstep-upload-3.db")
	copied := filepath.Join(os.TempDir(), "acornstep-copy-4")
	require.NoError(t, os.Mkdir(copied, 0o700))
	for _, name := range []string{old, fresh, own, sent, filepath.Join(copied, "copy.db")} {
		require.NoError(t, os.WriteFile(name, nil, 0o600))
	}
	ago := time.Now().Add(-2 * time.Hour)
	for _, name := range []string{old, own, sent, copied} {
		require.NoError(t, os.Chtimes(name, ago, ago))
	}
	require.NoError(t, Sweep(own, time.Now()))
	for name, there := range map[string]bool{old: false, sent: false, copied: false, fresh: true, own: true} {
		_, err := os.Lstat(name)
		assert.Equal(t, there, err == nil, name)
	}
}

// A copy in which something happens by itself is none of ours.
func TestACopyThatActsIsRefused(t *testing.T) {
	for _, acts := range []string{`CREATE TRIGGER sly AFTER INSERT ON events BEGIN DELETE FROM events; END`,
		`CREATE VIEW sly AS SELECT * FROM visits`} {
		folder := t.TempDir()
		data, copied := filepath.Join(folder, "socks.db"), filepath.Join(folder, "copy.db")
		require.NoError(t, open(t, data).Close())
		_, err := Backup(t.Context(), data, copied)
		require.NoError(t, err)
		db, err := sql.Open("sqlite", copied)
		require.NoError(t, err)
		_, err = db.Exec(acts)
		require.NoError(t, err)
		require.NoError(t, db.Close())
		_, err = Restore(t.Context(), copied, data, evening)
		require.ErrorContains(t, err, "triggers or views")
		_, err = Open(t.Context(), copied, time.Now)
		require.ErrorContains(t, err, "triggers or views")
	}
}

// A clock that was ahead for a day, and one that was behind, stop no copies; what changed is seen by what it is.
func TestCopiesAreMadeWhateverTheClockWas(t *testing.T) {
	folder, now := t.TempDir(), evening
	store, err := Open(t.Context(), filepath.Join(folder, "socks.db"), func() time.Time { return now })
	require.NoError(t, err)
	t.Cleanup(func() { _ = store.Close() })
	copies := filepath.Join(folder, "copies")
	knitted := func(at time.Time) []string {
		now = at
		_, err := store.Add(t.Context(), roofSocks())
		require.NoError(t, err)
		require.NoError(t, store.CopyOfDay(t.Context(), copies))
		list, err := Copies(copies)
		require.NoError(t, err)
		names := make([]string, len(list))
		for i, c := range list {
			names[i] = c.Name[len("socks-") : len(c.Name)-len(".db")]
		}
		return names
	}
	assert.Equal(t, []string{"2026-11-26"}, knitted(evening))
	assert.Equal(t, []string{"2036-11-26", "2026-11-26"}, knitted(evening.AddDate(10, 0, 0)))
	assert.Equal(t, []string{"2036-11-26", "2026-11-27", "2026-11-26"}, knitted(evening.AddDate(0, 0, 1)))
	assert.Equal(t, []string{"2036-11-26", "2026-11-27", "2026-11-26", "2016-11-26"}, knitted(evening.AddDate(-10, 0, 0)))
	list, err := Copies(copies)
	require.NoError(t, err)
	assert.Len(t, Ahead(list, evening.AddDate(0, 0, 1)), 1)
	now = evening.AddDate(0, 0, 2)
	require.NoError(t, store.CopyOfDay(t.Context(), copies))
	again, err := Copies(copies)
	require.NoError(t, err)
	assert.Len(t, again, 5, "the sock that was added while the clock was behind is in no copy of this year yet")
	now = evening.AddDate(0, 0, 3)
	require.NoError(t, store.CopyOfDay(t.Context(), copies))
	again, err = Copies(copies)
	require.NoError(t, err)
	assert.Len(t, again, 5, "nothing changed since")
}

// restoreForEver puts a copy in place, and what was there back again, until it is killed.
func restoreForEver(copied, data string) {
	for n := 0; ; n++ {
		aside, err := Restore(context.Background(), copied, data, time.Unix(int64(os.Getpid()), 0).Add(time.Duration(n)*time.Second))
		if err != nil {
			fmt.Println("error", err)
			return
		}
		fmt.Println(n)
		if err := os.Remove(aside); err != nil {
			fmt.Println("error", err)
			return
		}
	}
}

// kills is how often a program is killed while it puts a copy in place: every day a few times, and two hundred for a proof.
func kills() int {
	if os.Getenv("ACORNSTEP_PROOF") != "" {
		return 200
	}
	return 12
}

// Whenever the program is killed while it puts a copy in place: there is a data file, it is whole, it has every tap
// of the copy, nobody who was shut out since is in it, and what was left half made goes.
func TestAKilledRestoreLosesAndRevivesNothing(t *testing.T) {
	folder := t.TempDir()
	data, copied := filepath.Join(folder, "socks.db"), filepath.Join(folder, "kept", "copy.db")
	require.NoError(t, os.Mkdir(filepath.Dir(copied), 0o700))
	store := open(t, data)
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	require.NoError(t, store.AddEdition(t.Context(), sock.ID, edition(t, 150), [2]int{}))
	for n := range 60 {
		tell(t, store, sock.ID, rowDone(fmt.Sprint("t", n), int64(n+1)))
	}
	guest := visit.Visit{Hash: "lost phone", Key: "key", Device: "phone", Began: evening, Seen: evening, Ends: time.Now().Add(time.Hour)}
	require.NoError(t, store.KeepVisit(t.Context(), guest))
	_, err = Backup(t.Context(), data, copied)
	require.NoError(t, err)
	require.NoError(t, store.EndVisit(t.Context(), guest.Hash))
	require.NoError(t, store.Close())
	chance := rand.New(rand.NewPCG(23, 11))
	restores := 0
	for range kills() {
		child := exec.Command(os.Args[0])
		child.Env = append(os.Environ(), "ACORNSTEP_TEST_RESTORER="+copied+"|"+data)
		said, err := child.StdoutPipe()
		require.NoError(t, err)
		require.NoError(t, child.Start())
		lines := bufio.NewScanner(said)
		for range 1 + chance.IntN(3) {
			require.True(t, lines.Scan())
			require.NotContains(t, lines.Text(), "error")
			restores++
		}
		time.Sleep(time.Duration(chance.IntN(25_000)) * time.Microsecond)
		require.NoError(t, child.Process.Kill())
		_ = child.Wait()

		taken, err := TakeBack(data)
		require.NoError(t, err)
		require.Empty(t, taken, "there is always a data file")
		there, err := Open(t.Context(), data, time.Now)
		require.NoError(t, err)
		events, _, err := there.Events(t.Context(), sock.ID, 0)
		require.NoError(t, err)
		require.Len(t, events, 60)
		visits, err := there.Visits(t.Context(), "key")
		require.NoError(t, err)
		require.Empty(t, visits, "who was shut out stays out")
		require.NoError(t, there.Close())
	}
	require.NoError(t, Sweep(data, time.Now().Add(2*leftAfter)))
	left, err := filepath.Glob(filepath.Join(folder, ".acornstep-*"))
	require.NoError(t, err)
	assert.Empty(t, left)
	t.Logf("%d kills during or after %d restores", kills(), restores)
}
