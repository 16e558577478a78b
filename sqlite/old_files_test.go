package sqlite

import (
	"database/sql"
	"fmt"
	"os"
	"path/filepath"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/craft/check"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/design"
)

// oldFiles are data files of every schema that was released, as that release left them.
func oldFiles(t *testing.T) []string {
	t.Helper()
	files, err := filepath.Glob("testdata/schema-*.db")
	require.NoError(t, err)
	require.NotEmpty(t, files)
	return files
}

// neverAlone are schemas that came with a later one in the same release.
var neverAlone = []int{4, 10, 12}

// Every schema has a data file here: whoever adds a migration adds the file that its release leaves.
func TestEverySchemaHasItsFile(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	var newest int
	require.NoError(t, store.db.QueryRow(`SELECT max(version_id) FROM goose_db_version`).Scan(&newest))
	for v := 1; v <= newest; v++ {
		if !slices.Contains(neverAlone, v) {
			assert.FileExists(t, fmt.Sprintf("testdata/schema-%d.db", v))
		}
	}
	assert.Len(t, oldFiles(t), newest-len(neverAlone))
}

// copyOf lets a test open a file without changing it.
func copyOf(t *testing.T, path string) string {
	t.Helper()
	content, err := os.ReadFile(path)
	require.NoError(t, err)
	to := filepath.Join(t.TempDir(), filepath.Base(path))
	require.NoError(t, os.WriteFile(to, content, 0o600))
	return to
}

// A file of any release opens: every sock is there, what is on the needles has its plan with all rows, and every event.
func TestFilesOfEveryReleaseOpen(t *testing.T) {
	for _, file := range oldFiles(t) {
		t.Run(filepath.Base(file), func(t *testing.T) {
			store := open(t, copyOf(t, file))
			socks, err := store.List(t.Context())
			require.NoError(t, err)
			assert.Len(t, socks, 6)
			editions, events := 0, 0
			for _, sock := range socks {
				lines, err := store.Editions(t.Context(), sock.ID)
				require.NoError(t, err)
				for _, line := range lines {
					e, err := store.Edition(t.Context(), sock.ID, line.Version)
					require.NoError(t, err, sock.Name)
					assert.Empty(t, check.Plan(e.Plan), sock.Name)
					assert.Empty(t, check.Plan(e.SecondPlan()), sock.Name)
					_, err = e.Work()
					require.NoError(t, err, sock.Name)
					editions++
				}
				list, _, err := store.Events(t.Context(), sock.ID, 0)
				require.NoError(t, err)
				events += len(list)
			}
			var schema int
			_, err = fmt.Sscanf(filepath.Base(file), "schema-%d.db", &schema)
			require.NoError(t, err)
			want := map[bool][2]int{false: {5, 397}, true: {}}[schema < 3] // before the logbook nothing was knitted
			if schema >= 11 {
				want = [2]int{6, 435} // and then one of its pairs went two ways
			}
			assert.Equal(t, want, [2]int{editions, events})
		})
	}
}

// A file with half-knitted socks opens as it stood, whichever release left it: what was ticked names the same rows.
func TestHalfKnittedSocksStandWhereTheyStood(t *testing.T) {
	for _, file := range oldFiles(t) {
		store := open(t, copyOf(t, file))
		socks, err := store.List(t.Context())
		require.NoError(t, err)
		next := map[string]string{}
		for _, sock := range socks {
			lines, err := store.Editions(t.Context(), sock.ID)
			require.NoError(t, err)
			if len(lines) == 0 {
				continue
			}
			e, err := store.Edition(t.Context(), sock.ID, len(lines))
			require.NoError(t, err)
			events, _, err := store.Events(t.Context(), sock.ID, 0)
			require.NoError(t, err)
			next[sock.Name] = e.Plan.Rows[logbook.Read(logbook.CoursesOf(e.Steps).Today(events)).Places[0].Row].ID
			if sock.Name == "Observatory roof socks" {
				assert.Len(t, e.Places, len(e.Plan.Rows)+1-3, "three rounds more than the edition before it")
				assert.Equal(t, 68, e.Plan.Summary.FootRounds)
			}
			if sock.Name == "Transit socks" {
				assert.NotNil(t, e.Second, "its toe slants")
			}
		}
		if len(next) > 0 {
			assert.Equal(t, map[string]string{
				"Comet hunter's short socks": "heel-8", "Observatory roof socks": "foot-41", "Transit socks": "foot-65",
				"First frost, for the youngest": "leg-33",
			}, next, file)
		}
	}
}

// What was put aside under the old name of its table is there under the new one, in the sock that it belongs to and no other.
func TestVariantsOfOldFilesAreKept(t *testing.T) {
	for _, file := range oldFiles(t) {
		path := copyOf(t, file)
		db, err := sql.Open("sqlite", uriOf(path))
		require.NoError(t, err)
		there, err := has(t.Context(), db, `SELECT 1 FROM sqlite_master WHERE name = 'versions'`)
		require.NoError(t, err)
		var id, draft string
		require.NoError(t, db.QueryRow(`SELECT id, draft FROM socks ORDER BY id LIMIT 1`).Scan(&id, &draft))
		if there {
			_, err = db.Exec(`INSERT INTO versions (id, sock_id, name, draft, created_ms) VALUES ('ASIDE0000001', ?, 'Put aside', ?, 7)`, id, draft)
			require.NoError(t, err)
		}
		require.NoError(t, db.Close())
		store := open(t, path)
		variants, err := store.Variants(t.Context(), id)
		require.NoError(t, err)
		if !there {
			continue // of before anything could be put aside, or of after the new name
		}
		i := slices.IndexFunc(variants, func(v basket.Variant) bool { return v.Name == "Put aside" })
		require.GreaterOrEqual(t, i, 0, file)
		assert.Equal(t, written(variants[i].Draft), draft)
		_, err = store.db.Exec(`INSERT INTO variants (id, sock_id, name, draft, created_ms) VALUES ('NOBODYS00001', 'NOBODY', 'x', '{}', 7)`)
		assert.Error(t, err, "a variant of no sock")
	}
}

// bareSock puts a sock into a file of schema 3, whose plan is kept as a design alone, and gives its id.
func bareSock(t *testing.T, path string, d *design.Design) string {
	t.Helper()
	db, err := sql.Open("sqlite", uriOf(path))
	require.NoError(t, err)
	defer db.Close()
	const id = "BARESOCK0001"
	_, err = db.Exec(`INSERT INTO socks (id, revision, name, wearer, draft, foot_stitches, row_count, created_ms, updated_ms) VALUES (?,1,'Bare','','{"design":{},"entries":{}}',68,200,1,1)`, id)
	require.NoError(t, err)
	_, err = db.Exec(`INSERT INTO plans (sock_id, version, design, reason, created_ms) VALUES (?,1,?,'',1)`, id, written(d))
	require.NoError(t, err)
	return id
}

// tellBare says in such a file that rows are done, up to one.
func tellBare(t *testing.T, path, id string, row int) {
	t.Helper()
	db, err := sql.Open("sqlite", uriOf(path))
	require.NoError(t, err)
	defer db.Close()
	_, err = db.Exec(`INSERT INTO events (id, sock_id, document, received_ms) VALUES ('bare', ?, ?, 1)`, id,
		written(logbook.Event{ID: "bare", Device: "phone", Clock: 1, Kind: logbook.RowDone, Version: 1, Sock: 1, Row: row}))
	require.NoError(t, err)
}
