package http

import (
	"crypto/rand"
	"crypto/sha256"
	"fmt"
	"math"
	nethttp "net/http"
	"strconv"
	"sync"
	"time"

	"github.com/gin-gonic/gin"
	"golang.org/x/crypto/bcrypt"
)

const (
	sessionCookie = "acornstep_session"
	sessionLasts  = 30 * 24 * time.Hour
	freeTries     = 3                // wrong tries before waiting begins
	longestWait   = 5 * time.Minute  // after many wrong tries
	forgetAfter   = 30 * time.Minute // without a try
	mostCallers   = 10_000           // whose wrong tries are remembered
)

// gate lets those in who know the passphrase. Without one it is open.
type gate struct {
	hash []byte
	now  func() time.Time

	mu       sync.Mutex
	sessions map[string]time.Time // by token, until when
	tries    map[string]wrongTries
}

type wrongTries struct {
	count int
	last  time.Time
}

func newGate(passphrase string, now func() time.Time) (*gate, error) {
	g := &gate{now: now, sessions: map[string]time.Time{}, tries: map[string]wrongTries{}}
	if passphrase == "" {
		return g, nil
	}
	hash, err := bcrypt.GenerateFromPassword(digest(passphrase), bcrypt.DefaultCost)
	if err != nil {
		return nil, fmt.Errorf("passphrase: %w", err)
	}
	g.hash = hash
	return g, nil
}

// digest brings a passphrase of any length under the 72 bytes that bcrypt reads.
func digest(passphrase string) []byte {
	sum := sha256.Sum256([]byte(passphrase))
	return fmt.Appendf(nil, "%x", sum)
}

func (g *gate) required() bool { return g.hash != nil }

func (g *gate) open(c *gin.Context) bool {
	if !g.required() {
		return true
	}
	token, err := c.Cookie(sessionCookie)
	if err != nil {
		return false
	}
	g.mu.Lock()
	defer g.mu.Unlock()
	return g.now().Before(g.sessions[token])
}

func (g *gate) inside(c *gin.Context) {
	if !g.open(c) {
		fail(c, nethttp.StatusUnauthorized, "the passphrase is needed first")
	}
}

// wait is how long a caller has to wait before the next try.
func (g *gate) wait(caller string) time.Duration {
	g.mu.Lock()
	defer g.mu.Unlock()
	t := g.tries[caller]
	if t.count < freeTries {
		return 0
	}
	pause := min(time.Duration(math.Pow(2, float64(t.count-freeTries)))*time.Second, longestWait)
	return max(0, t.last.Add(pause).Sub(g.now()))
}

func (g *gate) wrong(caller string) {
	g.mu.Lock()
	defer g.mu.Unlock()
	if len(g.tries) >= mostCallers {
		for name, t := range g.tries {
			if g.now().Sub(t.last) > forgetAfter {
				delete(g.tries, name)
			}
		}
	}
	t := g.tries[caller]
	if g.now().Sub(t.last) > forgetAfter {
		t.count = 0
	}
	g.tries[caller] = wrongTries{min(t.count+1, 60), g.now()}
}

func (g *gate) begin(caller string) string {
	token := rand.Text()
	g.mu.Lock()
	defer g.mu.Unlock()
	delete(g.tries, caller)
	g.sessions[token] = g.now().Add(sessionLasts)
	return token
}

func (s *server) session(c *gin.Context) {
	c.JSON(nethttp.StatusOK, Session{Required: s.gate.required(), Open: s.gate.open(c)})
}

func (s *server) login(c *gin.Context) {
	var login Login
	if !read(c, &login) {
		return
	}
	caller := c.RemoteIP()
	if wait := s.gate.wait(caller); wait > 0 {
		seconds := int(math.Ceil(wait.Seconds()))
		c.Header("Retry-After", strconv.Itoa(seconds))
		fail(c, nethttp.StatusTooManyRequests, fmt.Sprintf("too many wrong tries: wait %d seconds", seconds))
		return
	}
	if s.gate.required() && bcrypt.CompareHashAndPassword(s.gate.hash, digest(login.Passphrase)) != nil {
		s.gate.wrong(caller)
		fail(c, nethttp.StatusUnauthorized, "that is not the passphrase")
		return
	}
	if s.gate.required() {
		setCookie(c, s.gate.begin(caller), sessionLasts)
	}
	c.JSON(nethttp.StatusOK, Session{Required: s.gate.required(), Open: true})
}

func (s *server) logout(c *gin.Context) {
	if token, err := c.Cookie(sessionCookie); err == nil {
		s.gate.mu.Lock()
		delete(s.gate.sessions, token)
		s.gate.mu.Unlock()
	}
	setCookie(c, "", -time.Second)
	c.JSON(nethttp.StatusOK, Session{Required: s.gate.required(), Open: !s.gate.required()})
}

func setCookie(c *gin.Context, token string, lasts time.Duration) {
	nethttp.SetCookie(c.Writer, &nethttp.Cookie{
		Name: sessionCookie, Value: token, Path: "/", MaxAge: int(lasts.Seconds()),
		HttpOnly: true, SameSite: nethttp.SameSiteStrictMode, Secure: c.Request.TLS != nil,
	})
}
