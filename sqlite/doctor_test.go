package sqlite

import (
	"database/sql"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// Each thing that can be wrong in a file is found and named with its sock; a whole file has none, also one of an older program.
func TestTheDoctorFindsWhatIsWrong(t *testing.T) {
	old := copyOf(t, "testdata/schema-3.db")
	_, findings, err := Doctor(t.Context(), old)
	require.NoError(t, err)
	assert.Empty(t, findings)
	require.NoError(t, open(t, old).Close())
	c, findings, err := Doctor(t.Context(), old)
	require.NoError(t, err)
	assert.Empty(t, findings)
	assert.Equal(t, 397, c.Events)

	for hurt, said := range map[string]string{
		`UPDATE editions SET document = NULL WHERE second IS NOT NULL`:                                            `"Transit socks", the plan, version 1: it has no rows`,
		`UPDATE editions SET document = replace(document, '"foot_rounds":', '"foot_rounds":1') WHERE version = 1`: "foot_rounds",
		`UPDATE events SET document = json_set(document, '$.id', 'X') WHERE seq = 7`:                              "event 7 is kept as",
		`UPDATE events SET document = '[]' WHERE seq = 8`:                                                         "event 8 cannot be read",
		`UPDATE events SET document = json_set(document, '$.sock', 7) WHERE seq = 7`:                              "event 7 could not have been said: sock: read 7",
		`UPDATE events SET document = json_set(document, '$.row', 9999) WHERE seq = 7`:                            "event 7 could not have been said: row: stands at row 9999",
		`UPDATE events SET document = json_set(document, '$.clock', 9007199254740991) WHERE seq = 7`:              "event 7 could not have been said: clock",
		`UPDATE events SET document = json_set(document, '$.version', 3) WHERE seq = 7`:                           "event 7 could not have been said: version: read 3",
		`PRAGMA foreign_keys = 0; UPDATE events SET sock_id = 'nobody' WHERE seq = 9`:                             "row 9 of events belongs to nothing in socks",
	} {
		path := copyOf(t, "testdata/schema-3.db")
		require.NoError(t, open(t, path).Close())
		db, err := sql.Open("sqlite", path)
		require.NoError(t, err)
		_, err = db.Exec(hurt)
		require.NoError(t, err)
		require.NoError(t, db.Close())
		_, findings, err := Doctor(t.Context(), path)
		require.NoError(t, err)
		require.NotEmpty(t, findings, hurt)
		assert.Contains(t, findings[0], said)
	}
}
