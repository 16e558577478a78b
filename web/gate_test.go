package web

import (
	"context"
	"net/http/httptest"
	"strconv"
	"testing"
	"time"

	"github.com/gin-gonic/gin"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// A third hash waits until one of two is done, and not for somebody who has gone.
func TestAtMostTwoHashesAtOnce(t *testing.T) {
	g, err := newGate(&Options{Passphrase: "first light", Now: time.Now})
	require.NoError(t, err)
	require.True(t, g.hashes.TryAcquire(2))
	gone, leave := context.WithCancel(t.Context())
	leave()
	assert.False(t, g.opens(gone, "first light"))
	answered := make(chan bool)
	go func() { answered <- g.opens(t.Context(), "first light") }()
	select {
	case <-answered:
		t.Fatal("a third was worked out")
	default:
	}
	g.hashes.Release(1)
	assert.True(t, <-answered)
}

// However often somebody guesses, the waiting stays: it neither overflows nor ends.
func TestWaitingNeverRunsOut(t *testing.T) {
	now := time.Date(2026, 11, 1, 20, 0, 0, 0, time.UTC)
	b := newBrake(func() time.Time { return now })
	for n := range 500 {
		require.Zero(t, b.reserve("192.168.7.1", true))
		if n < 2 {
			continue
		}
		wait := b.reserve("192.168.7.1", true)
		require.Equal(t, min(5*time.Minute, time.Second<<min(n-2, 20)), wait, n)
		now = now.Add(wait)
	}
	now = now.Add(31 * time.Minute)
	require.Zero(t, b.reserve("192.168.7.1", true))
	require.Zero(t, b.reserve("192.168.7.1", true), "half an hour later all is forgotten")
}

// Whoever tries with ever new addresses fills no memory.
func TestCallersAreForgotten(t *testing.T) {
	now := time.Date(2026, 11, 1, 20, 0, 0, 0, time.UTC)
	b := newBrake(func() time.Time { return now })
	for n := range 3 * mostCallers {
		b.reserve(strconv.Itoa(n), false)
		now = now.Add(time.Second)
	}
	assert.LessOrEqual(t, len(b.callers), mostCallers)
}

// Who logs in for ever pushes out only who was away longest.
func TestVisitsAreBounded(t *testing.T) {
	now := time.Date(2026, 11, 1, 20, 0, 0, 0, time.UTC)
	g, err := newGuests(t.Context(), "key", &Options{Now: func() time.Time { return now }})
	require.NoError(t, err)
	var tokens []string
	gin.SetMode(gin.ReleaseMode)
	for range mostVisits + 2 {
		c, _ := gin.CreateTestContext(httptest.NewRecorder())
		c.Request = httptest.NewRequest("POST", "/api/session", nil)
		tokens = append(tokens, g.begin(c))
		now = now.Add(time.Second)
	}
	assert.Len(t, g.here, mostVisits)
	assert.False(t, g.knows(t.Context(), tokens[1]))
	assert.True(t, g.knows(t.Context(), tokens[2]))
	now = now.Add(sessionLasts)
	assert.False(t, g.knows(t.Context(), tokens[mostVisits]), "thirty days later")
	assert.Equal(t, "a device that does not say what it is", deviceOf(""))
}
