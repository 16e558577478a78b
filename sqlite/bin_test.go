package sqlite

import (
	"bytes"
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/swatch"
	"acornstep/sock/people/feet"
)

func TestTheBinGivesBackOrForgetsForEver(t *testing.T) {
	now := time.Date(2026, 11, 1, 20, 0, 0, 0, time.UTC)
	path := filepath.Join(t.TempDir(), "socks.db")
	store, err := Open(t.Context(), path, func() time.Time { return now })
	require.NoError(t, err)
	t.Cleanup(func() { _ = store.Close() })
	wearer, err := store.AddWearer(t.Context(), feet.Wearer{Name: "Oswin of the cold roof", Cautions: []string{}})
	require.NoError(t, err)
	yarn, err := store.AddYarn(t.Context(), swatch.Yarn{Name: "Dusk", Grams: 100, Metres: 420})
	require.NoError(t, err)
	needle, err := store.AddNeedle(t.Context(), swatch.Needle{Size: 2.5})
	require.NoError(t, err)
	knitted, err := store.AddSwatch(t.Context(), swatch.Swatch{YarnID: yarn.ID, NeedleID: needle.ID, Form: "round"})
	require.NoError(t, err)
	sock := roofSocks()
	sock.Name = "Meridian socks to be forgotten"
	sock.Foot = &basket.FootTaken{WearerID: wearer.ID}
	sock.Swatch = &basket.SwatchTaken{SwatchID: knitted.ID}
	kept, err := store.Add(t.Context(), sock)
	require.NoError(t, err)
	gone, err := store.Add(t.Context(), sock)
	require.NoError(t, err)
	require.NoError(t, store.AddEdition(t.Context(), gone.ID, edition(t, 150), [2]int{}))
	tell(t, store, gone.ID, rowDone("a", 1))

	require.NoError(t, store.Delete(t.Context(), gone.ID))
	now = now.Add(time.Hour)
	require.NoError(t, store.MarkWearer(t.Context(), wearer.ID, true))
	require.NoError(t, store.MarkYarn(t.Context(), yarn.ID, true))
	bin, err := store.Bin(t.Context())
	require.NoError(t, err)
	require.Len(t, bin, 3)
	assert.Equal(t, "sock", bin[2].Kind, "deleted first")
	assert.Equal(t, now.Add(-time.Hour).Add(90*24*time.Hour), bin[2].Until)

	require.ErrorIs(t, store.BringBack(t.Context(), "sock", kept.ID), basket.ErrNotFound, "it is not in the bin")
	require.ErrorIs(t, store.Remove(t.Context(), "sock", kept.ID), basket.ErrNotFound, "nor can it be removed")
	require.ErrorIs(t, store.Remove(t.Context(), "moon", kept.ID), basket.ErrNotFound)
	require.NoError(t, store.BringBack(t.Context(), "sock", gone.ID))
	require.NoError(t, store.Delete(t.Context(), gone.ID))
	require.ErrorIs(t, store.Remove(t.Context(), "yarn", yarn.ID), basket.ErrInUse, "a swatch is knitted with it")

	require.NoError(t, store.Remove(t.Context(), "wearer", wearer.ID))
	again, err := store.Get(t.Context(), kept.ID)
	require.NoError(t, err)
	assert.Equal(t, wearer.ID, again.Foot.WearerID, "the sock keeps what it took")
	_, err = store.Save(t.Context(), again)
	require.NoError(t, err, "and a board that was open meanwhile can be saved")
	_, err = store.AddEvents(t.Context(), gone.ID, nil)
	require.NoError(t, err)

	// A clock that is ten years ahead for an evening empties no bin; nor does one that is ahead on six evenings.
	inBin := func() int {
		bin, err = store.Bin(t.Context())
		require.NoError(t, err)
		return len(bin)
	}
	before, right := inBin(), now
	for range daysBeyond - 1 {
		now = now.AddDate(10, 0, 1)
		require.NoError(t, store.EmptyBin(t.Context()))
	}
	assert.Equal(t, before, inBin())
	now = right
	require.NoError(t, store.EmptyBin(t.Context()))

	now = now.Add(90 * 24 * time.Hour)
	require.NoError(t, store.MarkSwatch(t.Context(), knitted.ID, true))
	week := func() {
		for range daysBeyond {
			now = now.Add(24 * time.Hour)
			require.NoError(t, store.EmptyBin(t.Context()))
		}
	}
	week()
	require.Equal(t, 2, inBin(), "the yarn waits for its swatch")
	now = now.Add(90 * 24 * time.Hour)
	week()
	bin, err = store.Bin(t.Context())
	require.NoError(t, err)
	assert.Empty(t, bin)
	_, findings, err := Doctor(t.Context(), path)
	require.NoError(t, err)
	assert.Empty(t, findings)
	require.NoError(t, store.Close())
	for _, name := range []string{path, path + "-wal"} {
		content, err := os.ReadFile(name)
		if err == nil {
			assert.False(t, bytes.Contains(content, []byte("Oswin of the cold roof")), "nothing of it is left in %s", name)
		}
	}
}

// Pages that were opened before a variant was called one bring it back by the word that they know.
func TestAVariantComesBackByBothItsNames(t *testing.T) {
	store := open(t, filepath.Join(t.TempDir(), "socks.db"))
	sock, err := store.Add(t.Context(), roofSocks())
	require.NoError(t, err)
	variant, err := store.AddVariant(t.Context(), sock.ID, basket.Variant{Name: "With short rows", Draft: sock.Draft})
	require.NoError(t, err)
	for _, name := range []string{"variant", "version"} {
		require.NoError(t, store.MarkVariant(t.Context(), sock.ID, variant.ID, true))
		bin, err := store.Bin(t.Context())
		require.NoError(t, err)
		require.Len(t, bin, 1)
		assert.Equal(t, "variant", bin[0].Kind)
		require.NoError(t, store.BringBack(t.Context(), name, variant.ID))
		kept, err := store.Variants(t.Context(), sock.ID)
		require.NoError(t, err)
		assert.Len(t, kept, 1)
	}
}
