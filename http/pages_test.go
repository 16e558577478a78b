package http_test

import (
	"log/slog"
	nethttp "net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"testing/fstest"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/http"
)

func handler(t *testing.T, o http.Options) nethttp.Handler {
	t.Helper()
	o.Log = slog.New(slog.DiscardHandler)
	if o.Interface == nil {
		o.Interface = fstest.MapFS{}
	}
	if o.Now == nil {
		o.Now = time.Now
	}
	h, err := http.New(o)
	require.NoError(t, err)
	return h
}

func ask(h nethttp.Handler, method, path, body string, change ...func(*nethttp.Request)) *httptest.ResponseRecorder {
	request := httptest.NewRequest(method, "http://127.0.0.1"+path, strings.NewReader(body))
	for _, c := range change {
		c(request)
	}
	recorder := httptest.NewRecorder()
	h.ServeHTTP(recorder, request)
	return recorder
}

func TestBeforeTheInterfaceIsBuiltAPageSaysWhatToRun(t *testing.T) {
	r := ask(handler(t, http.Options{}), "GET", "/", "")
	assert.Equal(t, 503, r.Code)
	assert.Contains(t, r.Body.String(), "make build")
	assert.Equal(t, 200, ask(handler(t, http.Options{}), "GET", "/api/health", "").Code, "the API answers all the same")
}

func TestPagesAreOnlyRead(t *testing.T) {
	h := handler(t, http.Options{Interface: fstest.MapFS{"index.html": {Data: []byte("x")}}})
	assert.Equal(t, 405, ask(h, "POST", "/socks/new", "").Code)
	assert.Equal(t, 200, ask(h, "HEAD", "/socks/new", "").Code)
	assert.Equal(t, 200, ask(h, "GET", "/../../etc/passwd", "").Code, "a path is a page of the interface, never a file outside")
	assert.Equal(t, "x", ask(h, "GET", "/../../etc/passwd", "").Body.String())
}

func TestHostsThatAreOurs(t *testing.T) {
	h := handler(t, http.Options{Names: []string{"attic"}})
	for host, status := range map[string]int{
		"localhost": 200, "localhost:7768": 200, "127.0.0.1:7768": 200, "[::1]:7768": 200, "192.168.1.20": 200, "attic:80": 200, "ATTIC": 200,
		"evil.example": 421, "localhost.evil.example": 421, "": 421, "attic.evil.example:7768": 421,
	} {
		r := ask(h, "GET", "/api/health", "", func(q *nethttp.Request) { q.Host = host })
		assert.Equal(t, status, r.Code, "%q", host)
	}
}

func TestASessionEnds(t *testing.T) {
	now := time.Date(2026, 11, 1, 20, 0, 0, 0, time.UTC)
	h := handler(t, http.Options{Passphrase: "first light", Now: func() time.Time { return now }})
	cookie := ask(h, "POST", "/api/session", `{"passphrase":"first light"}`).Result().Cookies()[0]
	with := func(q *nethttp.Request) { q.AddCookie(cookie) }
	open := func() bool {
		return strings.Contains(ask(h, "GET", "/api/session", "", with).Body.String(), `"open":true`)
	}
	assert.True(t, open())
	now = now.Add(29 * 24 * time.Hour)
	assert.True(t, open())
	now = now.Add(2 * 24 * time.Hour)
	assert.False(t, open(), "after thirty days")
	assert.Equal(t, 401, ask(h, "GET", "/api/reference", "", with).Code)
	forged := func(q *nethttp.Request) { q.AddCookie(&nethttp.Cookie{Name: cookie.Name, Value: "guess"}) }
	assert.Equal(t, 401, ask(h, "GET", "/api/reference", "", forged).Code)
}

// Waiting doubles with each wrong try and is forgotten after half an hour.
func TestWaitingGrowsAndIsForgotten(t *testing.T) {
	now := time.Date(2026, 11, 1, 20, 0, 0, 0, time.UTC)
	h := handler(t, http.Options{Passphrase: "first light", Now: func() time.Time { return now }})
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

func TestWithoutAPassphraseEverybodyIsInside(t *testing.T) {
	h := handler(t, http.Options{})
	assert.Contains(t, ask(h, "GET", "/api/session", "").Body.String(), `"required":false,"open":true`)
	assert.Empty(t, ask(h, "POST", "/api/session", `{"passphrase":"any"}`).Result().Cookies())
}

func TestABugIsAProblemAndNotACrash(t *testing.T) {
	r := ask(handler(t, http.Options{}), "GET", "/api/socks", "") // there is no basket to list
	assert.Equal(t, 500, r.Code)
	assert.Contains(t, r.Body.String(), "nothing was changed")
	assert.NotContains(t, r.Body.String(), "nil pointer", "what happened is for the log")
}
