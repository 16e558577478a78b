package sqlite

import (
	"database/sql"
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/swatch"
	"acornstep/sock/people/feet"
)

func TestAWearerIsThereAfterReopening(t *testing.T) {
	path := filepath.Join(t.TempDir(), "socks.db")
	store := open(t, path)
	w, err := store.AddWearer(t.Context(), feet.Wearer{Name: "Isolde", Cautions: []string{"allergy"}, Note: "hand wash"})
	require.NoError(t, err)
	tracing := &feet.Tracing{Side: feet.Left, On: "2026-11-01", Points: `{"sheet":"a4"}`, Preview: "data:image/jpeg;base64,"}
	require.NoError(t, store.AddMeasurements(t.Context(), w.ID, []feet.Measurement{
		{Side: feet.Left, What: "length_mm", Length: 251, On: "2026-11-01", Source: "tracing", Uncertainty: 1.2},
		{Side: feet.Left, What: "length_mm", Length: 249, On: "2026-02-01", Source: "tape"},
	}, tracing))
	require.NoError(t, store.Close())

	kept, err := open(t, path).Wearer(t.Context(), w.ID)
	require.NoError(t, err)
	assert.Equal(t, []string{"allergy"}, kept.Cautions)
	require.Len(t, kept.Measurements, 2)
	assert.Equal(t, measure.Length(249), kept.Measurements[0].Length, "the oldest first")
	assert.Equal(t, measure.Length(1.2), kept.Measurements[1].Uncertainty)
	require.Len(t, kept.Tracings, 1)
	assert.Equal(t, tracing.Points, kept.Tracings[0].Points)
}

func TestMeasurementsAreTakenOutAndBroughtBackByTheirOwnWearerOnly(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	w, err := store.AddWearer(t.Context(), feet.Wearer{Name: "Isolde"})
	require.NoError(t, err)
	other, err := store.AddWearer(t.Context(), feet.Wearer{Name: "Oswin"})
	require.NoError(t, err)
	require.NoError(t, store.AddMeasurements(t.Context(), w.ID,
		[]feet.Measurement{{Side: feet.Left, What: "length_mm", Length: 251, On: "2026-11-01", Source: "tape"}}, nil))
	kept, err := store.Wearer(t.Context(), w.ID)
	require.NoError(t, err)
	id := kept.Measurements[0].ID
	require.ErrorIs(t, store.MarkMeasurement(t.Context(), other.ID, id, true), basket.ErrNotFound)
	require.NoError(t, store.MarkMeasurement(t.Context(), w.ID, id, true))
	kept, err = store.Wearer(t.Context(), w.ID)
	require.NoError(t, err)
	assert.Empty(t, kept.Measurements)
	require.NoError(t, store.MarkMeasurement(t.Context(), w.ID, id, false))
	list, err := store.Wearers(t.Context())
	require.NoError(t, err)
	require.Len(t, list, 2)
	assert.Len(t, list[0].Measurements, 1)
	require.ErrorIs(t, store.AddMeasurements(t.Context(), "nobody", nil, nil), basket.ErrNotFound)
}

func TestEveryRevisionIsRemembered(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	y, err := store.AddYarn(t.Context(), swatch.Yarn{Name: "Dusk", Grams: 100, Metres: 420})
	require.NoError(t, err)
	older := y
	y.Metres = 400
	y, err = store.SaveYarn(t.Context(), y)
	require.NoError(t, err)
	assert.Equal(t, 2, y.Revision)
	_, err = store.SaveYarn(t.Context(), older)
	require.ErrorIs(t, err, basket.ErrChanged)
	yarns, err := store.Yarns(t.Context())
	require.NoError(t, err)
	assert.Equal(t, []swatch.Yarn{y}, yarns, "the stale save wrote nothing")
	var first string
	require.NoError(t, store.db.QueryRow(`SELECT document FROM history WHERE kind = 'yarn' AND id = ? AND revision = 1`,
		y.ID).Scan(&first))
	assert.Contains(t, first, `"ball_m":420`)
}

func TestASwatchNeedsItsYarnAndNeedle(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	y, err := store.AddYarn(t.Context(), swatch.Yarn{Name: "Dusk", Grams: 100, Metres: 420})
	require.NoError(t, err)
	n, err := store.AddNeedle(t.Context(), swatch.Needle{Size: 2.5})
	require.NoError(t, err)
	_, err = store.AddSwatch(t.Context(), swatch.Swatch{YarnID: y.ID, NeedleID: "none", Form: "round"})
	require.ErrorIs(t, err, basket.ErrNotFound)
	w, err := store.AddSwatch(t.Context(), swatch.Swatch{YarnID: y.ID, NeedleID: n.ID, Form: "round", Washed: true})
	require.NoError(t, err)
	require.NoError(t, store.AddReading(t.Context(), w.ID, swatch.Noted{What: "stitches", Count: 16, Width: 50}))
	kept, err := store.Swatch(t.Context(), w.ID)
	require.NoError(t, err)
	require.Len(t, kept.Readings, 1)
	assert.True(t, kept.Washed)
	assert.WithinDuration(t, time.Now(), kept.Created, time.Minute)

	// A sock refers to the swatch by a foreign key, and the swatch stays in the file when it is deleted.
	sock := roofSocks()
	sock.Swatch = &basket.SwatchTaken{SwatchID: w.ID, Stitches: 32, Rounds: 44}
	added, err := store.Add(t.Context(), sock)
	require.NoError(t, err)
	require.NoError(t, store.MarkSwatch(t.Context(), w.ID, true))
	again, err := store.Get(t.Context(), added.ID)
	require.NoError(t, err)
	assert.Equal(t, sock.Swatch, again.Swatch)
	sock.Swatch = &basket.SwatchTaken{SwatchID: "none"}
	_, err = store.Add(t.Context(), sock)
	require.ErrorIs(t, err, basket.ErrNotFound)
}

func TestVersionsOfASock(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	v, err := store.AddVariant(t.Context(), sock.ID, basket.Variant{Name: "With the flap", Draft: sock.Draft})
	require.NoError(t, err)
	list, err := store.Variants(t.Context(), sock.ID)
	require.NoError(t, err)
	assert.Equal(t, []basket.Variant{v}, list)
	require.NoError(t, store.MarkVariant(t.Context(), sock.ID, v.ID, true))
	list, err = store.Variants(t.Context(), sock.ID)
	require.NoError(t, err)
	assert.Empty(t, list)
	_, err = store.AddVariant(t.Context(), "nobody", v)
	require.ErrorIs(t, err, basket.ErrNotFound)
}

// A file that the first version of the program wrote keeps its socks.
func TestAnOlderFileIsBroughtUpToDate(t *testing.T) {
	path := filepath.Join(t.TempDir(), "socks.db")
	old, err := sql.Open("sqlite", "file:"+path)
	require.NoError(t, err)
	schema, err := migrations.ReadFile("migrations/00001_socks.sql")
	require.NoError(t, err)
	for _, statement := range []string{
		string(schema),
		`CREATE TABLE goose_db_version (id INTEGER PRIMARY KEY AUTOINCREMENT, version_id INTEGER NOT NULL, is_applied INTEGER NOT NULL, tstamp TIMESTAMP DEFAULT (datetime('now')))`,
		`INSERT INTO goose_db_version (version_id, is_applied) VALUES (0, 1), (1, 1)`,
		`INSERT INTO socks (id, revision, name, wearer, draft, created_ms, updated_ms) VALUES ('OLD', 3, 'First light', 'Oswin', '{"design":{},"entries":{"foot.length_mm":"ask"}}', 1, 2)`,
	} {
		_, err = old.Exec(statement)
		require.NoError(t, err)
	}
	require.NoError(t, old.Close())

	sock, err := open(t, path).Get(t.Context(), "OLD")
	require.NoError(t, err)
	assert.Equal(t, "First light", sock.Name)
	assert.Equal(t, 3, sock.Revision)
	assert.Nil(t, sock.Foot)
	assert.Empty(t, sock.Notes)
	assert.Equal(t, "ask", sock.Draft.Entries["foot.length_mm"])
}
