package web

import (
	"context"
	"errors"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/cloth/worn"
	"acornstep/sock/judge/board"
)

// Where there is no room a sock waits, unless whoever asked for it has gone; what is at hand waits for nobody.
func TestADrawingWaitsForRoom(t *testing.T) {
	room := newHeavy()
	a, err := newDrawings(room)
	require.NoError(t, err)
	never := func() (board.Drawing, error) { t.Error("it was not its turn"); return board.Drawing{}, nil }
	a.drawn[worn.Fine].Add("at hand", board.Drawing{})
	back, err := room.take(context.Background(), roomForHeavy)
	require.NoError(t, err)

	gone, cancel := context.WithCancel(context.Background())
	cancel()
	_, err = a.of(gone, worn.Fine, "another", never)
	require.ErrorIs(t, err, context.Canceled)
	_, err = a.of(gone, worn.Fine, "at hand", never)
	require.NoError(t, err)

	back()
	broken := errors.New("no foot")
	_, err = a.of(context.Background(), worn.Fine, "broken", func() (board.Drawing, error) { return board.Drawing{}, broken })
	require.ErrorIs(t, err, broken)
	made := 0
	for range 2 {
		_, err = a.of(context.Background(), worn.Fine, "broken", func() (board.Drawing, error) { made++; return board.Drawing{}, nil })
		require.NoError(t, err)
	}
	assert.Equal(t, 1, made, "what failed is tried again, what came of it is kept")
}
