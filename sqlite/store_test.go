package sqlite

import (
	"bufio"
	"context"
	"database/sql"
	"errors"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/draft"
)

// TestMain lets the test binary play the program that is killed in mid-write.
func TestMain(m *testing.M) {
	if path := os.Getenv("ACORNSTEP_TEST_WRITER"); path != "" {
		writeForEver(path)
		return
	}
	if path, sockID, found := strings.Cut(os.Getenv("ACORNSTEP_TEST_TAPPER"), "|"); found {
		tapForEver(path, sockID)
		return
	}
	if copied, data, found := strings.Cut(os.Getenv("ACORNSTEP_TEST_RESTORER"), "|"); found {
		restoreForEver(copied, data)
		return
	}
	os.Exit(m.Run())
}

func open(t *testing.T, path string) *Store {
	t.Helper()
	store, err := Open(t.Context(), path, time.Now)
	require.NoError(t, err)
	t.Cleanup(func() { _ = store.Close() })
	return store
}

func roofSocks() basket.Sock {
	return basket.Sock{Name: "Observatory roof socks", Wearer: "Isolde", Draft: draft.Draft{
		Design: map[string]any{"foot": map[string]any{"length_mm": 251.0}}, Entries: map[string]string{"foot.ball_girth_mm": "ask her"},
	}, Digest: basket.Digest{Missing: "gauge"}}
}

func TestASockIsThereAfterReopening(t *testing.T) {
	path := filepath.Join(t.TempDir(), "new folder", "a name with spaces & 50%.db")
	store := open(t, path)
	added, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	require.NoError(t, store.Close())

	kept, err := open(t, path).Get(t.Context(), added.ID)
	require.NoError(t, err)
	assert.Equal(t, added, kept)
	assert.Equal(t, "ask her", kept.Draft.Entries["foot.ball_girth_mm"])
}

func TestAStaleSaveWritesNothing(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	mine, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	theirs := mine
	theirs.Name = "Theirs"
	theirs, err = store.Save(t.Context(), theirs)
	require.NoError(t, err)
	assert.Equal(t, 2, theirs.Revision)

	mine.Name = "Mine"
	_, err = store.Save(t.Context(), mine)
	var stale *basket.Stale
	require.True(t, errors.As(err, &stale))
	assert.Equal(t, "Theirs", stale.Current.Name)
	kept, err := store.Get(t.Context(), mine.ID)
	require.NoError(t, err)
	assert.Equal(t, "Theirs", kept.Name)
}

func TestOnlyOneOfManySavesOnTheSameRevisionWins(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	var wins, stales int
	var mu sync.Mutex
	var wg sync.WaitGroup
	for i := range 12 {
		wg.Go(func() {
			mine := sock
			mine.Name = fmt.Sprintf("writer %d", i)
			_, err := store.Save(t.Context(), mine)
			var stale *basket.Stale
			mu.Lock()
			defer mu.Unlock()
			switch {
			case err == nil:
				wins++
			case errors.As(err, &stale):
				stales++
			default:
				t.Error(err)
			}
		})
	}
	wg.Wait()
	assert.Equal(t, 1, wins)
	assert.Equal(t, 11, stales)
}

func TestDeletedSocksComeBack(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	require.NoError(t, store.Delete(t.Context(), sock.ID))
	_, err = store.Get(t.Context(), sock.ID)
	require.ErrorIs(t, err, basket.ErrNotFound)
	require.ErrorIs(t, store.Delete(t.Context(), sock.ID), basket.ErrNotFound)
	_, err = store.Save(t.Context(), sock)
	require.ErrorIs(t, err, basket.ErrNotFound)
	list, err := store.List(t.Context())
	require.NoError(t, err)
	assert.Empty(t, list)

	require.NoError(t, store.Restore(t.Context(), sock.ID))
	kept, err := store.Get(t.Context(), sock.ID)
	require.NoError(t, err)
	assert.Equal(t, sock, kept)
	require.ErrorIs(t, store.Restore(t.Context(), "nobody"), basket.ErrNotFound)
}

func TestOtherFilesAreRefusedAndLeftAlone(t *testing.T) {
	path := filepath.Join(t.TempDir(), "letter.db")
	letter := []byte(strings.Repeat("Dear Marit, the dome is frozen. ", 40))
	require.NoError(t, os.WriteFile(path, letter, 0o600))
	_, err := Open(t.Context(), path, time.Now)
	require.ErrorContains(t, err, "letter.db")
	kept, err := os.ReadFile(path)
	require.NoError(t, err)
	assert.Equal(t, letter, kept)
}

func TestANewerDatabaseIsRefused(t *testing.T) {
	path := filepath.Join(t.TempDir(), "socks.db")
	require.NoError(t, open(t, path).Close())
	db, err := sql.Open("sqlite", path)
	require.NoError(t, err)
	_, err = db.Exec(`INSERT INTO goose_db_version (version_id, is_applied) VALUES (9000, 1)`)
	require.NoError(t, err)
	require.NoError(t, db.Close())
	_, err = Open(t.Context(), path, time.Now)
	require.ErrorContains(t, err, "a newer program wrote it")
}

// writeForEver adds socks and prints the id of each one that was answered with success.
func writeForEver(path string) {
	store, err := Open(context.Background(), path, time.Now)
	if err != nil {
		fmt.Println("error", err)
		return
	}
	for {
		sock, err := store.Add(context.Background(), roofSocks())
		if err != nil {
			fmt.Println("error", err)
			return
		}
		fmt.Println(sock.ID)
	}
}

func TestWhatWasAnsweredSurvivesAKill(t *testing.T) {
	path := filepath.Join(t.TempDir(), "socks.db")
	var answered []string
	for round := range 8 {
		program, err := os.Executable()
		require.NoError(t, err)
		writer := exec.Command(program)
		writer.Env = append(os.Environ(), "ACORNSTEP_TEST_WRITER="+path)
		out, err := writer.StdoutPipe()
		require.NoError(t, err)
		require.NoError(t, writer.Start())
		lines := bufio.NewScanner(out)
		for range 5 + 7*round {
			require.True(t, lines.Scan())
			require.NotContains(t, lines.Text(), "error")
			answered = append(answered, lines.Text())
		}
		require.NoError(t, writer.Process.Kill()) // SIGKILL, most likely in the middle of the next write
		for lines.Scan() {
			if id := lines.Text(); len(id) == 12 {
				answered = append(answered, id)
			}
		}
		_ = writer.Wait()
	}
	list, err := open(t, path).List(t.Context())
	require.NoError(t, err)
	kept := map[string]bool{}
	for _, sock := range list {
		kept[sock.ID] = true
	}
	for _, id := range answered {
		assert.True(t, kept[id], "%s was answered and is gone", id)
	}
}

func TestWhatIsSentAgainSinceItsAnswerWasLostIsNoConflict(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	sent := sock
	sent.Name = "Socks for a night of wind"
	saved, err := store.Save(t.Context(), sent)
	require.NoError(t, err)

	again, err := store.Save(t.Context(), sent)
	require.NoError(t, err)
	assert.Equal(t, saved, again, "it is kept once, with its revision")

	sent.Notes = "gloves for the ladder"
	_, err = store.Save(t.Context(), sent)
	assert.ErrorAs(t, err, new(*basket.Stale), "anything else is one")
}
