package web

import (
	"fmt"
	"net"
	"net/http"
	"slices"
	"strings"

	"github.com/gin-gonic/gin"
)

func isAPI(path string) bool { return path == "/api" || strings.HasPrefix(path, "/api/") }

// guarded refuses hosts and origins that are not ours, and says what a browser may do with the answer.
func guarded(names []string) gin.HandlerFunc {
	protection := http.NewCrossOriginProtection()
	return func(c *gin.Context) {
		h := c.Writer.Header()
		h.Set("X-Content-Type-Options", "nosniff")
		h.Set("X-Frame-Options", "DENY")
		h.Set("Referrer-Policy", "no-referrer")
		h.Set("Cross-Origin-Opener-Policy", "same-origin")
		h.Set("Content-Security-Policy", contentPolicy(""))
		if isAPI(c.Request.URL.Path) {
			h.Set("Cache-Control", "no-store")
		}
		if !ourHost(c.Request.Host, names) {
			fail(c, http.StatusMisdirectedRequest, fmt.Sprintf("the host %q is not this program", c.Request.Host))
			return
		}
		if isAPI(c.Request.URL.Path) {
			// Reading a basket is as much a secret as changing it: no method is safe for foreign pages.
			asked := *c.Request
			asked.Method = http.MethodPost
			if protection.Check(&asked) != nil {
				fail(c, http.StatusForbidden, "a page of another site may not ask this program")
				return
			}
		}
	}
}

// contentPolicy allows what this program serves and nothing else; styles that
// the interface makes as it runs carry the nonce of their page.
func contentPolicy(nonce string) string {
	style := "style-src 'self'"
	if nonce != "" {
		style += " 'nonce-" + nonce + "'"
	}
	return strings.Join([]string{
		"default-src 'none'", "script-src 'self'", style, "img-src 'self' data: blob:", "font-src 'self'",
		"connect-src 'self'", "manifest-src 'self'", "worker-src 'self'", "base-uri 'none'", "form-action 'self'",
		"frame-ancestors 'none'",
	}, "; ")
}

// ourHost lets addresses and localhost through, and names that were given at
// the start: a foreign name that points here is somebody else's page.
func ourHost(host string, names []string) bool {
	name := host
	if h, _, err := net.SplitHostPort(host); err == nil {
		name = h
	}
	name = strings.ToLower(strings.Trim(name, "[]"))
	return name == "localhost" || net.ParseIP(name) != nil || slices.Contains(names, name)
}

// limited refuses a body that is too large before it is read, and stops reading one that grows too large.
func limited(most int64) gin.HandlerFunc {
	return func(c *gin.Context) {
		if c.Request.ContentLength > most {
			fail(c, http.StatusRequestEntityTooLarge,
				fmt.Sprintf("the request has %d bytes, at most %d are read", c.Request.ContentLength, most))
			return
		}
		c.Request.Body = http.MaxBytesReader(c.Writer, c.Request.Body, most)
	}
}
