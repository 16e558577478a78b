package web

import (
	"net"
	"net/http"
	"strings"

	"github.com/gin-gonic/gin"
)

// behindProxy says whether a request came through the proxy that the program was told of: only one on this machine,
// or in its own network, is believed.
func (s *server) behindProxy(c *gin.Context) bool {
	if !s.Proxy {
		return false
	}
	ip := net.ParseIP(c.RemoteIP())
	return ip != nil && (ip.IsLoopback() || ip.IsPrivate())
}

// stranger is the address of whoever asks: the one that the proxy saw, where there is one. What stands before it in the
// list was written by the stranger.
func (s *server) stranger(c *gin.Context) string {
	if s.behindProxy(c) {
		seen := strings.Split(strings.Join(c.Request.Header.Values("X-Forwarded-For"), ","), ",")
		if ip := net.ParseIP(strings.TrimSpace(seen[len(seen)-1])); ip != nil {
			return ip.String()
		}
	}
	return c.RemoteIP()
}

// secure says whether whoever asks does so through https, here or at the proxy.
func (s *server) secure(c *gin.Context) bool {
	return c.Request.TLS != nil || s.behindProxy(c) && c.GetHeader("X-Forwarded-Proto") == "https"
}

// base is where the program is reached from outside through the proxy; empty without one.
func (s *server) base(c *gin.Context) string {
	switch {
	case !s.behindProxy(c):
		return ""
	case s.secure(c):
		return "https://" + c.Request.Host
	default:
		return "http://" + c.Request.Host
	}
}

// cookieName tells the cookies of programs apart that a browser reaches under one name at different ports: the port
// is the one at which this question came in, since one program may answer at two, at one of them only until every
// page has moved to the other.
func cookieName(c *gin.Context, name string) string {
	at, is := c.Request.Context().Value(http.LocalAddrContextKey).(net.Addr)
	if !is {
		return name
	}
	_, port, err := net.SplitHostPort(at.String())
	if err != nil {
		return name
	}
	return name + "_" + port
}

// cookie reads one by its name with the port, or as it was called before there was one.
func (s *server) cookie(c *gin.Context, name string) (string, bool) {
	for _, called := range []string{cookieName(c, name), name} {
		if value, err := c.Cookie(called); err == nil {
			return value, true
		}
	}
	return "", false
}

func (s *server) setCookie(c *gin.Context, name, value string, seconds int) {
	http.SetCookie(c.Writer, &http.Cookie{
		Name: cookieName(c, name), Value: value, Path: "/", MaxAge: seconds, HttpOnly: true, SameSite: http.SameSiteStrictMode,
		Secure: s.secure(c),
	})
}
