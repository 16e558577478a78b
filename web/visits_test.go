package web_test

import (
	"net/http"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/sqlite"
	"acornstep/web"
)

const phone = "Mozilla/5.0 (Android 15; Mobile; rv:140.0) Gecko/140.0 Firefox/140.0"

// house is the program on one data file, started again with each passphrase.
func house(t *testing.T, store *sqlite.Store, passphrase string) http.Handler {
	return handler(t, web.Options{Basket: store, Feet: store, Swatches: store, Logbook: store, Discards: store, Importer: store,
		Shares: store, Practice: store, Visits: store, Passphrase: passphrase})
}

// loggedIn gives the cookie of a device that knew the passphrase.
func loggedIn(t *testing.T, h http.Handler, passphrase string) func(*http.Request) {
	r := ask(h, "POST", "/api/session", `{"passphrase":"`+passphrase+`"}`, func(r *http.Request) { r.Header.Set("User-Agent", phone) })
	require.Equal(t, 200, r.Code, r.Body)
	cookies := r.Result().Cookies()
	return func(r *http.Request) {
		for _, c := range cookies {
			r.AddCookie(c)
		}
	}
}

func TestSessionsOutliveARestartAndEndWithThePassphrase(t *testing.T) {
	file := t.TempDir() + "/socks.db"
	store, err := sqlite.Open(t.Context(), file, time.Now)
	require.NoError(t, err)
	h := house(t, store, "first light")
	first, second := loggedIn(t, h, "first light"), loggedIn(t, h, "first light")
	require.NoError(t, store.Close())
	raw, err := sqlite.Open(t.Context(), file, time.Now)
	require.NoError(t, err)
	t.Cleanup(func() { _ = raw.Close() })

	h = house(t, raw, "first light")
	assert.Equal(t, 200, ask(h, "GET", "/api/socks", "", first).Code, "known after a restart")
	var list web.VisitList
	reply{text: ask(h, "GET", "/api/visits", "", first).Body.String()}.into(t, &list)
	require.Len(t, list.Visits, 2)
	var other string
	for _, v := range list.Visits {
		assert.Equal(t, "Firefox on Android", v.Device)
		if !v.Here {
			other = v.ID
		}
	}
	assert.Equal(t, 204, ask(h, "DELETE", "/api/visits/"+other, "", first).Code)
	assert.Equal(t, 404, ask(h, "DELETE", "/api/visits/"+other, "", first).Code)
	assert.Equal(t, 401, ask(h, "GET", "/api/socks", "", second).Code, "it was logged out from another device")
	assert.Equal(t, 200, ask(h, "GET", "/api/socks", "", first).Code)
	assert.Equal(t, 401, ask(house(t, raw, "first light"), "GET", "/api/socks", "", second).Code, "for good")

	assert.Equal(t, 401, ask(house(t, raw, "last light of all"), "GET", "/api/socks", "", first).Code, "another passphrase")
	assert.Equal(t, 401, ask(house(t, raw, "first light"), "GET", "/api/socks", "", first).Code, "and back again")
}
