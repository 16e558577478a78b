package web_test

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"strings"
	"sync"
	"sync/atomic"
	"testing"
	"testing/fstest"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sock/papers/basket"
	"acornstep/web"
)

func handler(t *testing.T, o web.Options) http.Handler {
	t.Helper()
	if o.Log == nil {
		o.Log = slog.New(slog.DiscardHandler)
	}
	if o.Interface == nil {
		o.Interface = fstest.MapFS{}
	}
	if o.Now == nil {
		o.Now = time.Now
	}
	h, err := web.New(o)
	require.NoError(t, err)
	return h
}

func ask(h http.Handler, method, path, body string, change ...func(*http.Request)) *httptest.ResponseRecorder {
	request := httptest.NewRequest(method, "http://127.0.0.1"+path, strings.NewReader(body))
	for _, c := range change {
		c(request)
	}
	recorder := httptest.NewRecorder()
	h.ServeHTTP(recorder, request)
	return recorder
}

func TestBeforeTheInterfaceIsBuiltAPageSaysWhatToRun(t *testing.T) {
	r := ask(handler(t, web.Options{}), "GET", "/", "")
	assert.Equal(t, 503, r.Code)
	assert.Contains(t, r.Body.String(), "make build")
	assert.Equal(t, 200, ask(handler(t, web.Options{}), "GET", "/api/health", "").Code, "the API answers all the same")
}

func TestPagesAreOnlyRead(t *testing.T) {
	h := handler(t, web.Options{Interface: fstest.MapFS{"index.html": {Data: []byte("x")}}})
	assert.Equal(t, 405, ask(h, "POST", "/socks/new", "").Code)
	assert.Equal(t, 200, ask(h, "HEAD", "/socks/new", "").Code)
	assert.Equal(t, 200, ask(h, "GET", "/../../etc/passwd", "").Code, "a path is a page of the interface, never a file outside")
	assert.Equal(t, "x", ask(h, "GET", "/../../etc/passwd", "").Body.String())
}

func TestHostsThatAreOurs(t *testing.T) {
	h := handler(t, web.Options{Names: []string{"attic"}})
	for host, status := range map[string]int{
		"localhost": 200, "localhost:7768": 200, "127.0.0.1:7768": 200, "[::1]:7768": 200, "192.168.1.20": 200, "attic:80": 200,
		"ATTIC":        200,
		"evil.example": 421, "localhost.evil.example": 421, "": 421, "attic.evil.example:7768": 421,
	} {
		r := ask(h, "GET", "/api/health", "", func(q *http.Request) { q.Host = host })
		assert.Equal(t, status, r.Code, "%q", host)
	}
}

func TestASessionEnds(t *testing.T) {
	now := time.Date(2026, 11, 1, 20, 0, 0, 0, time.UTC)
	h := handler(t, web.Options{Passphrase: "first light", Now: func() time.Time { return now }})
	cookie := ask(h, "POST", "/api/session", `{"passphrase":"first light"}`).Result().Cookies()[0]
	with := func(q *http.Request) { q.AddCookie(cookie) }
	open := func() bool {
		return strings.Contains(ask(h, "GET", "/api/session", "", with).Body.String(), `"open":true`)
	}
	assert.True(t, open())
	now = now.Add(29 * 24 * time.Hour)
	assert.True(t, open())
	now = now.Add(2 * 24 * time.Hour)
	assert.False(t, open(), "after thirty days")
	assert.Equal(t, 401, ask(h, "GET", "/api/reference", "", with).Code)
	forged := func(q *http.Request) { q.AddCookie(&http.Cookie{Name: cookie.Name, Value: "guess"}) }
	assert.Equal(t, 401, ask(h, "GET", "/api/reference", "", forged).Code)
}

// Waiting doubles with each wrong try and is forgotten after half an hour.
func TestWaitingGrowsAndIsForgotten(t *testing.T) {
	now := time.Date(2026, 11, 1, 20, 0, 0, 0, time.UTC)
	h := handler(t, web.Options{Passphrase: "first light", Now: func() time.Time { return now }})
	try := func(passphrase string) *httptest.ResponseRecorder {
		return ask(h, "POST", "/api/session", `{"passphrase":"`+passphrase+`"}`)
	}
	for range 3 {
		require.Equal(t, 401, try("x").Code)
	}
	require.Equal(t, "1", try("x").Header().Get("Retry-After"))
	now = now.Add(time.Second)
	require.Equal(t, 401, try("x").Code)
	require.Equal(t, "2", try("first light").Header().Get("Retry-After"), "even the right one has to wait")
	now = now.Add(2 * time.Second)
	require.Equal(t, 200, try("first light").Code)
	require.Equal(t, 401, try("x").Code, "and then all is forgiven")
}

// A hash takes a while; whoever asks a hundred times meanwhile has still only his free tries.
func TestManyTriesAtOnceAreNoWayRoundTheWaiting(t *testing.T) {
	h := handler(t, web.Options{Passphrase: "first light", Now: time.Now})
	var tried, slowed atomic.Int64
	var all sync.WaitGroup
	for range 40 {
		all.Go(func() {
			switch ask(h, "POST", "/api/session", `{"passphrase":"x"}`).Code {
			case 401:
				tried.Add(1)
			case 429:
				slowed.Add(1)
			}
		})
	}
	all.Wait()
	assert.EqualValues(t, 3, tried.Load())
	assert.EqualValues(t, 37, slowed.Load())
}

// A new address for each guess is of no use, and those who have been inside before are not kept out by it.
func TestStrangersShareTheirTries(t *testing.T) {
	now := time.Date(2026, 11, 1, 20, 0, 0, 0, time.UTC)
	o := web.Options{Passphrase: "first light", Now: func() time.Time { return now }}
	h := handler(t, o)
	right := `{"passphrase":"first light"}`
	inside := ask(h, "POST", "/api/session", right).Result().Cookies()
	require.Len(t, inside, 2)
	from := func(address string) func(*http.Request) {
		return func(q *http.Request) { q.RemoteAddr = address + ":40000" }
	}
	tried := 0
	for n := range 200 {
		if ask(h, "POST", "/api/session", `{"passphrase":"x"}`, from(fmt.Sprintf("192.168.7.%d", n))).Code == 401 {
			tried++
		}
	}
	assert.Equal(t, 30, tried)
	assert.Equal(t, 429, ask(h, "POST", "/api/session", right, from("192.168.8.1")).Code)
	now = now.Add(10 * time.Second)
	assert.Equal(t, 200, ask(h, "POST", "/api/session", right, from("192.168.8.1")).Code, "one try in ten seconds")

	known := func(q *http.Request) {
		for _, c := range inside {
			if c.Name == "acornstep_device" {
				q.AddCookie(c)
			}
		}
	}
	ask(h, "POST", "/api/session", `{"passphrase":"x"}`, from("192.168.8.2"))
	assert.Equal(t, 200, ask(h, "POST", "/api/session", right, from("192.168.8.3"), known).Code)
	assert.Equal(t, 200, ask(handler(t, o), "POST", "/api/session", right, known).Code, "and after a restart")
	forged := func(q *http.Request) { q.AddCookie(&http.Cookie{Name: "acornstep_device", Value: "A.00"}) }
	assert.Equal(t, 429, ask(h, "POST", "/api/session", right, from("192.168.8.4"), forged).Code)
}

func TestWithoutAPassphraseEverybodyIsInside(t *testing.T) {
	h := handler(t, web.Options{})
	assert.Contains(t, ask(h, "GET", "/api/session", "").Body.String(), `"required":false,"open":true`)
	assert.Empty(t, ask(h, "POST", "/api/session", `{"passphrase":"any"}`).Result().Cookies())
}

// hindered is a basket whose file hinders, as its keeper says.
type hindered struct {
	web.Basket
	full bool
}

func (h hindered) Identity(context.Context) (string, time.Time, error) {
	return "HINDERED0001", time.Time{}, nil
}

var errDisk = errors.New("input/output error")

func (h hindered) Page(context.Context, basket.Page) ([]basket.Sock, int, error) {
	return nil, 0, fmt.Errorf("list socks: %w", errDisk)
}

func (h hindered) Check(context.Context) error { return errDisk }

func (h hindered) Trouble(err error) (string, bool) {
	if errors.Is(err, errDisk) {
		return "the disk does not answer", h.full
	}
	return "", false
}

// A full disk is no bug and no lost connection: the answer says it, and so does the health.
func TestWhatHindersTheFileIsSaid(t *testing.T) {
	for full, status := range map[bool]int{true: 507, false: 503} {
		h := handler(t, web.Options{Basket: hindered{full: full}, Keeper: hindered{full: full}})
		for _, path := range []string{"/api/socks", "/api/health"} {
			r := ask(h, "GET", path, "")
			assert.Equal(t, status, r.Code, path)
			assert.Contains(t, r.Body.String(), "the disk does not answer")
		}
	}
}

func TestABugIsAProblemAndNotACrash(t *testing.T) {
	r := ask(handler(t, web.Options{}), "GET", "/api/socks", "") // there is no basket to list
	assert.Equal(t, 500, r.Code)
	assert.Contains(t, r.Body.String(), "nothing was changed")
	assert.NotContains(t, r.Body.String(), "nil pointer", "what happened is for the log")
}
