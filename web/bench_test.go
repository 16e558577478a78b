package web_test

import (
	"bytes"
	"context"
	"fmt"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"path/filepath"
	"testing"
	"testing/fstest"
	"time"

	"github.com/stretchr/testify/require"

	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/design"
	"acornstep/sock/papers/draft"
	"acornstep/sqlite"
	"acornstep/web"
)

// inMemory is a logbook without a disk: what is left is the work of the server.
type inMemory struct {
	web.Logbook
	edition *knitting.Edition
	events  []logbook.Event
}

func (m *inMemory) Editions(context.Context, string) ([]knitting.Line, error) {
	return []knitting.Line{m.edition.Line}, nil
}

func (m *inMemory) Edition(context.Context, string, int) (*knitting.Edition, error) {
	return m.edition, nil
}

func (m *inMemory) AddEvents(_ context.Context, _ string, events []logbook.Event) ([]int, error) {
	m.events = append(m.events, events...)
	return nil, nil
}

func (m *inMemory) Events(_ context.Context, _ string, after int64) ([]logbook.Event, int64, error) {
	return m.events[after:], int64(len(m.events)), nil
}

// benched serves a sock with so many events on it.
func benched(b *testing.B, events int) (http.Handler, string) {
	b.Helper()
	store, err := sqlite.Open(b.Context(), filepath.Join(b.TempDir(), "socks.db"), time.Now)
	require.NoError(b, err)
	b.Cleanup(func() { _ = store.Close() })
	sock, err := store.Add(b.Context(), basket.Sock{Name: "Roof", Draft: draft.Draft{Design: map[string]any{}}})
	require.NoError(b, err)
	d, err := design.Read([]byte(`{"format":"acorn-step.design","version":1,"foot":{"length_mm":251,"ball_girth_mm":236},"gauge":{"stitches_per_100mm":32,"rounds_per_100mm":44}}`))
	require.NoError(b, err)
	e, err := knitting.Begin(d)
	require.NoError(b, err)
	book := &inMemory{edition: e}
	for i := range events {
		book.events = append(book.events, logbook.Event{ID: fmt.Sprintf("e-%d", i), Device: "d", Clock: int64(i + 1),
			At: int64(i) * 90_000, Kind: logbook.RowDone, Version: 1, Sock: 1, Row: i % 180})
	}
	handler, err := web.New(web.Options{Basket: store, Feet: store, Swatches: store, Logbook: book, Discards: store, Importer: store,
		Shares: store, Practice: store, Log: slog.New(slog.DiscardHandler), Interface: fstest.MapFS{}, Now: time.Now})
	require.NoError(b, err)
	return handler, "/api/socks/" + sock.ID
}

func answered(b *testing.B, handler http.Handler, method, path, body string) {
	b.Helper()
	r := httptest.NewRequest(method, "http://localhost"+path, bytes.NewReader([]byte(body)))
	w := httptest.NewRecorder()
	handler.ServeHTTP(w, r)
	if w.Code != http.StatusOK {
		b.Fatal(w.Code, w.Body.String())
	}
}

// BenchmarkTap is a tap on a sock of an ordinary evening's log, without the disk.
func BenchmarkTap(b *testing.B) {
	handler, path := benched(b, 300)
	n := 0
	for b.Loop() {
		n++
		answered(b, handler, "POST", path+"/events",
			fmt.Sprintf(`{"events":[{"id":"t-%d","device":"d","clock":%d,"at_ms":1,"version":1,"sock":1,"kind":"row","row":%d}],"after":%d}`, n, 300+n, n%180, 300+n-1))
	}
}

// BenchmarkOpen is opening a sock with 5,000 events.
func BenchmarkOpen(b *testing.B) {
	handler, path := benched(b, 5000)
	for b.Loop() {
		answered(b, handler, "GET", path+"/knit", "")
	}
}
