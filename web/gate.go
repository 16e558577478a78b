package web

import (
	"context"
	"crypto/hmac"
	"crypto/rand"
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"math"
	"net/http"
	"strconv"
	"strings"
	"time"

	"github.com/gin-gonic/gin"
	"golang.org/x/crypto/bcrypt"
	"golang.org/x/crypto/scrypt"
	"golang.org/x/sync/semaphore"
)

const (
	sessionCookie = "acornstep_session"
	sessionLasts  = 30 * 24 * time.Hour
	// deviceCookie names a device that knew the passphrase once.
	deviceCookie = "acornstep_device"
	deviceLasts  = 365 * 24 * time.Hour
	// mostHashes are worked out at once: each costs a core for a moment, and the knitters inside need it too.
	mostHashes = 2
)

// gate lets those in who know the passphrase. Without one it is open.
type gate struct {
	hash []byte
	// deviceKey signs the names of devices; it follows from the passphrase, so that they are known after a restart too.
	deviceKey []byte

	brake  *brake
	hashes *semaphore.Weighted

	guests *guests
}

func newGate(o *Options) (*gate, error) {
	g := &gate{brake: newBrake(o.Now), hashes: semaphore.NewWeighted(mostHashes)}
	passphrase := o.Passphrase
	if passphrase == "" {
		return g, nil
	}
	hash, err := bcrypt.GenerateFromPassword(digest(passphrase), bcrypt.DefaultCost)
	if err != nil {
		return nil, fmt.Errorf("passphrase: %w", err)
	}
	g.hash = hash
	// As dear as a login: what a device carries is no quick way to guess.
	if g.deviceKey, err = scrypt.Key([]byte(passphrase), []byte(deviceCookie), 1<<14, 8, 1, sha256.Size); err != nil {
		return nil, fmt.Errorf("passphrase: %w", err)
	}
	if g.guests, err = newGuests(context.Background(), g.sign(sessionCookie), o); err != nil {
		return nil, err
	}
	return g, nil
}

// digest brings a passphrase of any length under the 72 bytes that bcrypt reads.
func digest(passphrase string) []byte {
	sum := sha256.Sum256([]byte(passphrase))
	return fmt.Appendf(nil, "%x", sum)
}

// key names the passphrase without telling it; the same for all programs without one.
func (g *gate) key() string {
	if g.guests == nil {
		return "open"
	}
	return g.guests.key
}

func (g *gate) required() bool { return g.hash != nil }

// open says whether whoever carries a token is let in.
func (g *gate) open(c *gin.Context, token string) bool {
	return !g.required() || token != "" && g.guests.knows(c, token)
}

// inside lets those in who are known, and tells the others what is needed.
func (s *server) inside(c *gin.Context) {
	if token, _ := s.cookie(c, sessionCookie); !s.gate.open(c, token) {
		fail(c, http.StatusUnauthorized, "the passphrase is needed first")
	}
}

// opens says whether this is the passphrase, as soon as it is its turn; false too when the caller has gone.
func (g *gate) opens(ctx context.Context, passphrase string) bool {
	if g.hashes.Acquire(ctx, 1) != nil {
		return false
	}
	defer g.hashes.Release(1)
	return bcrypt.CompareHashAndPassword(g.hash, digest(passphrase)) == nil
}

// nameDevice makes a name for a device, with the signature that shows that it came from here.
func (g *gate) nameDevice() string {
	name := rand.Text()
	return name + "." + g.sign(name)
}

func (g *gate) sign(device string) string {
	mac := hmac.New(sha256.New, g.deviceKey)
	mac.Write([]byte(device))
	return hex.EncodeToString(mac.Sum(nil))
}

// caller is whose tries are counted: a known device by its name, a stranger by its address.
func (s *server) caller(c *gin.Context) (name string, known bool) {
	if cookie, there := s.cookie(c, deviceCookie); there {
		if device, signature, _ := strings.Cut(cookie, "."); hmac.Equal([]byte(signature), []byte(s.gate.sign(device))) {
			return "device " + device, true
		}
	}
	return s.stranger(c), false
}

func (s *server) session(c *gin.Context) {
	token, _ := s.cookie(c, sessionCookie)
	c.JSON(http.StatusOK, Session{Required: s.gate.required(), Open: s.gate.open(c, token)})
}

func (s *server) login(c *gin.Context) {
	var login Login
	if !readQuestion(c, &login) {
		return
	}
	if s.gate.required() {
		caller, known := s.caller(c)
		if wait := s.gate.brake.reserve(caller, known); wait > 0 {
			seconds := int(math.Ceil(wait.Seconds()))
			c.Header("Retry-After", strconv.Itoa(seconds))
			fail(c, http.StatusTooManyRequests, fmt.Sprintf("too many wrong tries: wait %d seconds", seconds))
			return
		}
		if !s.gate.opens(c.Request.Context(), login.Passphrase) {
			fail(c, http.StatusUnauthorized, "that is not the passphrase")
			return
		}
		s.gate.brake.forgive(caller, known)
		s.setCookie(c, sessionCookie, s.gate.guests.begin(c), int(sessionLasts.Seconds()))
		if !known {
			s.setCookie(c, deviceCookie, s.gate.nameDevice(), int(deviceLasts.Seconds()))
		}
	}
	c.JSON(http.StatusOK, Session{Required: s.gate.required(), Open: true})
}

func (s *server) logout(c *gin.Context) {
	if token, there := s.cookie(c, sessionCookie); there && s.gate.required() {
		s.gate.guests.end(c, hashOf(token))
	}
	s.setCookie(c, sessionCookie, "", -1)
	c.JSON(http.StatusOK, Session{Required: s.gate.required(), Open: !s.gate.required()})
}
