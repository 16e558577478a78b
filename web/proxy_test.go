package web_test

import (
	"crypto/tls"
	"io"
	"net"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/web"
)

// standing is a clock that stands: how long a machine takes over a passphrase decides nothing.
func standing() time.Time { return time.Date(2026, 11, 30, 21, 0, 0, 0, time.UTC) }

// Behind a proxy each who guesses is slowed by themselves, whatever they write before the address that the proxy
// saw; cookies are for https.
func TestBehindAProxy(t *testing.T) {
	h := handler(t, web.Options{Passphrase: "first light", Proxy: true, Names: []string{"socks.example"}, Now: standing})
	try := func(from, passphrase string) *httptest.ResponseRecorder {
		r := httptest.NewRequest("POST", "http://socks.example/api/session", strings.NewReader(`{"passphrase":"`+passphrase+`"}`))
		r.RemoteAddr = "127.0.0.1:5555"
		r.Header.Set("X-Forwarded-For", "203.0.113.9, "+from)
		r.Header.Set("X-Forwarded-Proto", "https")
		recorder := httptest.NewRecorder()
		h.ServeHTTP(recorder, r)
		return recorder
	}
	for range 4 {
		try("198.51.100.1", "guess")
	}
	assert.Equal(t, 429, try("198.51.100.1", "guess").Code)
	in := try("198.51.100.2", "first light")
	require.Equal(t, 200, in.Code, "another is not slowed by that")
	for _, cookie := range in.Result().Cookies() {
		assert.True(t, cookie.Secure)
	}

	// Without the flag nobody's word is taken.
	open := handler(t, web.Options{Passphrase: "first light", Now: standing})
	for n := range 4 {
		r := httptest.NewRequest("POST", "http://localhost/api/session", strings.NewReader(`{"passphrase":"guess"}`))
		r.RemoteAddr = "127.0.0.1:5555"
		r.Header.Set("X-Forwarded-For", "198.51.100."+string(rune('1'+n)))
		open.ServeHTTP(httptest.NewRecorder(), r)
	}
	r := httptest.NewRequest("POST", "http://localhost/api/session", strings.NewReader(`{"passphrase":"guess"}`))
	r.RemoteAddr = "127.0.0.1:5555"
	r.Header.Set("X-Forwarded-For", "198.51.100.77")
	recorder := httptest.NewRecorder()
	open.ServeHTTP(recorder, r)
	assert.Equal(t, 429, recorder.Code)
}

// What was bounded is still seen to be encrypted; a program that answers at two addresses names its cookies by
// where the question came in, so that a page that is open at the one it has left stays logged in there.
func TestTwoAddressesOfOneProgram(t *testing.T) {
	h := handler(t, web.Options{Passphrase: "first light"})
	certified := httptest.NewTLSServer(nil)
	t.Cleanup(certified.Close)
	for _, secure := range []*tls.Config{{Certificates: certified.TLS.Certificates}, nil} {
		listener, err := net.Listen("tcp", "127.0.0.1:0")
		require.NoError(t, err)
		go func() { _ = web.Serve(t.Context(), listener, secure, h) }()
		client, scheme := certified.Client(), "http://"
		if secure != nil {
			scheme = "https://"
			client.Transport.(*http.Transport).ForceAttemptHTTP2 = true
		}
		answer, err := client.Post(scheme+listener.Addr().String()+"/api/session", "application/json",
			strings.NewReader(`{"passphrase":"first light"}`))
		require.NoError(t, err)
		_ = answer.Body.Close()
		require.Equal(t, 200, answer.StatusCode)
		assert.Equal(t, secure != nil, answer.ProtoMajor == 2)
		_, port, err := net.SplitHostPort(listener.Addr().String())
		require.NoError(t, err)
		cookies := answer.Cookies()
		require.NotEmpty(t, cookies)
		for _, cookie := range cookies {
			assert.Equal(t, secure != nil, cookie.Secure)
			assert.True(t, strings.HasSuffix(cookie.Name, "_"+port), cookie.Name)
		}
	}
}

// One stranger opens so many connections and no more, the others are closed unread; headers that are too long are
// refused; and six plans of which only half was sent keep nobody else's from being worked out.
func TestStrangersHaveTheirShare(t *testing.T) {
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	go func() { _ = web.Serve(t.Context(), listener, nil, handler(t, web.Options{})) }()
	address := "http://" + listener.Addr().String()
	client := &http.Client{Timeout: 20 * time.Second}

	long, err := http.NewRequestWithContext(t.Context(), "GET", address+"/api/health", nil)
	require.NoError(t, err)
	long.Header.Set("X-Long", strings.Repeat("h", 20<<10))
	answer, err := client.Do(long)
	require.NoError(t, err)
	_ = answer.Body.Close()
	assert.Equal(t, 431, answer.StatusCode)

	dial := func(text string) net.Conn {
		conn, err := net.Dial("tcp", listener.Addr().String())
		require.NoError(t, err)
		t.Cleanup(func() { _ = conn.Close() })
		_, err = io.WriteString(conn, text)
		require.NoError(t, err)
		return conn
	}
	for range 6 {
		dial("POST /api/plan HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: 500\r\n\r\n{")
	}
	whole, err := client.Post(address+"/api/plan", "application/json", strings.NewReader(`{"unit":"cm","draft":`+isoldeDraft+`}`))
	require.NoError(t, err)
	_ = whole.Body.Close()
	assert.Equal(t, 200, whole.StatusCode)

	var last net.Conn
	for range 260 {
		last = dial("")
	}
	_, err = last.Read(make([]byte, 1))
	require.ErrorIs(t, err, io.EOF, "closed before anything was read of it")
}
