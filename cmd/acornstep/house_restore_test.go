package main

import (
	"bytes"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"testing/fstest"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sqlite"
	"acornstep/web"
)

// running is the program around a data file of its own.
func running(t *testing.T) *house {
	t.Helper()
	folder := t.TempDir()
	h := &house{data: filepath.Join(folder, "socks.db"), folder: filepath.Join(folder, "copies"), log: slog.New(slog.DiscardHandler)}
	h.open = func(store *sqlite.Store) (http.Handler, error) {
		return web.New(web.Options{Basket: store, Feet: store, Swatches: store, Logbook: store, Keeper: store, Visits: store,
			Discards: store, Importer: store, Shares: store, Practice: store,
			Copies: h, Hold: h.hold, Passphrase: "first light", Interface: fstest.MapFS{}, Log: h.log, Now: time.Now})
	}
	store, err := sqlite.Open(t.Context(), h.data, time.Now)
	require.NoError(t, err)
	require.NoError(t, h.settle(store))
	t.Cleanup(func() { _ = h.Close() })
	return h
}

// asks is a device that knows the passphrase.
func (h *house) asks(t *testing.T, method, path string, body io.Reader, cookies []*http.Cookie) *httptest.ResponseRecorder {
	t.Helper()
	request := httptest.NewRequest(method, "http://localhost"+path, body)
	for _, c := range cookies {
		request.AddCookie(c)
	}
	recorder := httptest.NewRecorder()
	h.ServeHTTP(recorder, request)
	return recorder
}

func TestACopyIsRestoredThroughTheRunningProgram(t *testing.T) {
	h := running(t)
	cookies := h.asks(t, "POST", "/api/session", strings.NewReader(`{"passphrase":"first light"}`), nil).Result().Cookies()
	ask := func(method, path string, body io.Reader) *httptest.ResponseRecorder {
		return h.asks(t, method, path, body, cookies)
	}
	name := func(n int) io.Reader {
		return strings.NewReader(fmt.Sprintf(`{"name":"Roof %d","wearer":"","unit":"cm","draft":{"design":{},"entries":{}}}`, n))
	}
	require.Equal(t, 201, ask("POST", "/api/socks", name(1)).Code)
	h.keepNow(t.Context())
	fresh := ask("GET", "/api/copies/fresh", nil)
	require.Equal(t, 200, fresh.Code, fresh.Body)
	copied := fresh.Body.Bytes()
	require.Equal(t, 201, ask("POST", "/api/socks", name(2)).Code)
	require.Equal(t, 201, ask("POST", "/api/socks", name(3)).Code)

	// From the folder of copies.
	status := ask("GET", "/api/copies", nil).Body.String()
	day := "socks-" + time.Now().Format(time.DateOnly) + ".db"
	assert.Contains(t, status, `"id":"`+day+`"`)
	look := ask("POST", "/api/copies/"+day+"/look", nil)
	assert.Contains(t, look.Body.String(), `"there":{"socks":1,`)
	assert.Contains(t, look.Body.String(), `"now":{"socks":3,`)
	assert.Equal(t, 404, ask("POST", "/api/copies/socks-2020-01-01.db/look", nil).Code)
	assert.Equal(t, 404, ask("GET", "/api/copies/..%2Fsocks.db/file", nil).Code)
	require.Equal(t, 204, ask("POST", "/api/copies/"+day+"/restore", nil).Code)
	list := ask("GET", "/api/socks", nil)
	require.Equal(t, 200, list.Code, "whoever is logged in stays so")
	assert.Contains(t, list.Body.String(), "Roof 1")
	assert.NotContains(t, list.Body.String(), "Roof 2")
	aside, err := filepath.Glob(h.data + ".before-*")
	require.NoError(t, err)
	require.Len(t, aside, 1)
	before, err := sqlite.ContentsOf(t.Context(), aside[0])
	require.NoError(t, err)
	assert.Equal(t, 3, before.Socks, "what was there is kept")

	// From a device.
	require.NoError(t, os.Rename(aside[0], aside[0]+"-kept"))
	require.Equal(t, 201, ask("POST", "/api/socks", name(4)).Code)
	bad := ask("POST", "/api/copies/upload", strings.NewReader("no database"))
	assert.Equal(t, 422, bad.Code)
	assert.Contains(t, bad.Body.String(), "not a data file of Acorn Step")
	assert.Equal(t, 404, ask("POST", "/api/copies/uploaded/restore", nil).Code, "nothing was taken")
	sent := ask("POST", "/api/copies/upload", bytes.NewReader(copied))
	require.Equal(t, 200, sent.Code, sent.Body)
	assert.Contains(t, sent.Body.String(), `"now":{"socks":2,`)
	require.Equal(t, 204, ask("POST", "/api/copies/uploaded/restore", nil).Code)
	assert.NotContains(t, ask("GET", "/api/socks", nil).Body.String(), "Roof 4")
	require.Equal(t, 201, ask("POST", "/api/socks", name(5)).Code, "and life goes on")
	require.NoError(t, h.Close())
	_, findings, err := sqlite.Doctor(t.Context(), h.data)
	require.NoError(t, err)
	assert.Empty(t, findings)
}

func TestACopyThatCannotBeMadeIsTold(t *testing.T) {
	h := running(t)
	cookies := h.asks(t, "POST", "/api/session", strings.NewReader(`{"passphrase":"first light"}`), nil).Result().Cookies()
	r := h.asks(t, "POST", "/api/socks", strings.NewReader(`{"name":"Roof","wearer":"","unit":"cm","draft":{"design":{},"entries":{}}}`),
		cookies)
	require.Equal(t, 201, r.Code)
	require.NoError(t, os.WriteFile(h.folder, nil, 0o600), "a file lies where the folder should be")
	h.keepNow(t.Context())
	assert.NotContains(t, h.asks(t, "GET", "/api/copies", nil, cookies).Body.String(), `"failed":""`)
	require.NoError(t, os.Remove(h.folder))
	h.keepNow(t.Context())
	assert.Contains(t, h.asks(t, "GET", "/api/copies", nil, cookies).Body.String(), `"failed":""`)
	_, err := copiesFolder(filepath.Join(t.TempDir(), "gone"), "")
	assert.ErrorContains(t, err, "plug in the disk")
}

// Three logins, an upload and events of which only half was sent, and a download that nobody reads: the restore waits for none of them,
// nor does anybody who asks meanwhile.
func TestARestoreWaitsForNoSlowLine(t *testing.T) {
	h := running(t)
	server := httptest.NewServer(h)
	t.Cleanup(server.CloseClientConnections)
	cookies := h.asks(t, "POST", "/api/session", strings.NewReader(`{"passphrase":"first light"}`), nil).Result().Cookies()
	made := h.asks(t, "POST", "/api/socks", strings.NewReader(`{"name":"Roof","wearer":"","unit":"cm","draft":{"design":{},"entries":{}}}`), cookies)
	require.Equal(t, 201, made.Code)
	h.keepNow(t.Context())
	session := ""
	for _, c := range cookies {
		session += c.Name + "=" + c.Value + "; "
	}
	half := func(method, path string, length int) {
		conn, err := net.Dial("tcp", server.Listener.Addr().String())
		require.NoError(t, err)
		t.Cleanup(func() { _ = conn.Close() })
		fmt.Fprintf(conn, "%s %s HTTP/1.1\r\nHost: localhost\r\nCookie: %s\r\nContent-Length: %d\r\n\r\n{", method, path, session, length)
	}
	for range 3 {
		half("POST", "/api/session", 40)
	}
	half("POST", "/api/copies/upload", 100_000)
	half("POST", "/api/socks/NOBODY000000/events", 400)
	half("GET", "/api/copies/fresh", 0)
	day := "socks-" + time.Now().Format(time.DateOnly) + ".db"
	was := made.Header().Get("Acorn-Step-Store")
	require.Equal(t, 204, h.asks(t, "POST", "/api/copies/"+day+"/restore", nil, cookies).Code)
	list := h.asks(t, "GET", "/api/socks", nil, cookies)
	require.Equal(t, 200, list.Code)

	// The page learns that it is another store, and writes nothing into it before it knows that one.
	is := list.Header().Get("Acorn-Step-Store")
	assert.NotEqual(t, was, is)
	assert.NotEmpty(t, list.Header().Get("Acorn-Step-Knows"))
	for store, status := range map[string]int{was: 412, is: 201} {
		request := httptest.NewRequest("POST", "http://localhost/api/socks",
			strings.NewReader(`{"name":"Roof","wearer":"","unit":"cm","draft":{"design":{},"entries":{}}}`))
		request.Header.Set("Acorn-Step-Store", store)
		for _, c := range cookies {
			request.AddCookie(c)
		}
		recorder := httptest.NewRecorder()
		h.ServeHTTP(recorder, request)
		assert.Equal(t, status, recorder.Code, recorder.Body)
	}
}
