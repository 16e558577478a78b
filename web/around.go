package web

import (
	"bytes"
	"cmp"
	"errors"
	"fmt"
	"io"
	"net/http"
	"strings"

	"github.com/gin-gonic/gin"
)

// Around serves a program that may be changed for another while it runs. A request is read whole before it goes in, and its
// answer is sent after it came out: whoever changes the program waits for work, never for somebody's slow line.
//
// Files on their way in or out, and pages, pass by: they hold what they need themselves.
type Around struct {
	// Enter gives the program that answers now, which stays until leave is called.
	Enter func() (inside http.Handler, leave func())
}

// passesBy says whether a request has no business inside.
func passesBy(r *http.Request) bool {
	path := r.URL.Path
	return !isAPI(path) || strings.HasPrefix(path, "/api/copies") || path == "/api/archive"
}

// ServeHTTP implements net/http.Handler.
func (a Around) ServeHTTP(w http.ResponseWriter, r *http.Request) {
	if passesBy(r) {
		inside, leave := a.Enter()
		leave()
		inside.ServeHTTP(w, r)
		return
	}
	body, problem := received(r.Body, r.ContentLength, mostOf(r.Method, r.URL.Path))
	if problem != nil {
		problem.send(w)
		return
	}
	r.Body = io.NopCloser(bytes.NewReader(body))
	answer := &answer{header: http.Header{}}
	func() {
		inside, leave := a.Enter()
		defer leave()
		inside.ServeHTTP(answer, r)
	}()
	answer.send(w)
}

// notReceived is why a body could not be read.
type notReceived struct {
	status int
	detail string
}

func (p *notReceived) send(w http.ResponseWriter) {
	w.Header().Set("Content-Type", "application/problem+json")
	w.Header().Set("Connection", "close")
	w.WriteHeader(p.status)
	fmt.Fprintf(w, `{"type":"about:blank","title":%q,"status":%d,"detail":%q}`, http.StatusText(p.status), p.status, p.detail)
}

// received reads a body to its end, or says why not; one that is too large is not read.
func received(from io.Reader, length, most int64) ([]byte, *notReceived) {
	if length > most {
		return nil, &notReceived{http.StatusRequestEntityTooLarge,
			fmt.Sprintf("the request has %d bytes, at most %d are read", length, most)}
	}
	body, err := io.ReadAll(io.LimitReader(from, most+1))
	switch {
	case int64(len(body)) > most:
		return nil, &notReceived{http.StatusRequestEntityTooLarge, fmt.Sprintf("the request has more than %d bytes", most)}
	case err != nil:
		return nil, &notReceived{http.StatusBadRequest, "the request ended before its body"}
	}
	return body, nil
}

// mostOf is how many bytes a body may have at an address.
func mostOf(method, path string) int64 {
	parts := strings.Split(path, "/")
	for i := range routes {
		if r := &routes[i]; r.method == method && matches(strings.Split(r.path, "/"), parts) {
			return cmp.Or(r.most, mostBytes)
		}
	}
	return mostBytes
}

// matches says whether the parts of an address are those of a route, whose parts in braces stand for any.
func matches(route, parts []string) bool {
	if len(route) != len(parts) {
		return false
	}
	for i, part := range route {
		if part != parts[i] && !strings.HasPrefix(part, "{") {
			return false
		}
	}
	return true
}

// answer keeps what a program answers until it is sent.
type answer struct {
	header http.Header
	status int
	body   bytes.Buffer
}

func (a *answer) Header() http.Header { return a.header }

func (a *answer) WriteHeader(status int) { a.status = cmp.Or(a.status, status) }

func (a *answer) Write(text []byte) (int, error) {
	a.WriteHeader(http.StatusOK)
	return a.body.Write(text)
}

// Flush implements net/http.Flusher: everything is sent at the end.
func (a *answer) Flush() {}

func (a *answer) send(w http.ResponseWriter) {
	header := w.Header()
	for name, values := range a.header {
		header[name] = append(header[name], values...)
	}
	w.WriteHeader(cmp.Or(a.status, http.StatusOK))
	_, _ = w.Write(a.body.Bytes()) // whoever asked may have gone
}

// read takes the body in before a place is taken for it: who sends slowly waits alone.
func read(most int64) gin.HandlerFunc {
	return func(c *gin.Context) {
		body, err := io.ReadAll(c.Request.Body)
		var tooLarge *http.MaxBytesError
		switch {
		case errors.As(err, &tooLarge):
			fail(c, http.StatusRequestEntityTooLarge, fmt.Sprintf("the request has more than %d bytes", most))
		case err != nil:
			fail(c, http.StatusBadRequest, "the request ended before its body")
		default:
			c.Request.Body = io.NopCloser(bytes.NewReader(body))
		}
	}
}
