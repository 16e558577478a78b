package web

import (
	"cmp"
	"context"
	"crypto/rand"
	"fmt"
	"net"
	"net/http"
	"net/url"
	"slices"
	"sync"
	"time"

	"github.com/gin-gonic/gin"

	"acornstep/files/pdf"
	"acornstep/sock/figures/measure"
	"acornstep/sock/papers/basket"
	"acornstep/sock/said/hands"
	"acornstep/sock/teach/leaflet"
)

// Shares keeps the links that show a pattern to somebody without a passphrase.
type Shares interface {
	AddShare(ctx context.Context, sockID string, share basket.Share) error
	Shares(ctx context.Context, sockID string) ([]basket.Share, error)
	Shared(ctx context.Context, hash string) (sockID string, err error)
	EndShare(ctx context.Context, sockID, hash string) error
	// EndShares takes back the links that were made under another passphrase than that of a key, and says how many.
	EndShares(ctx context.Context, key string) (int64, error)
}

const (
	// passLasts is how long a pass waits for the other device.
	passLasts = 5 * time.Minute
	// mostPasses wait at once.
	mostPasses = 64
)

// passes let one device each in, once, instead of the passphrase.
type passes struct {
	now func() time.Time

	mu      sync.Mutex
	waiting map[string]pass // by hash
}

type pass struct {
	path string
	ends time.Time
}

func newPasses(now func() time.Time) *passes {
	return &passes{now: now, waiting: map[string]pass{}}
}

// issue makes a pass that leads to a path; the oldest gives way when there are too many.
func (p *passes) issue(path string) (token string) {
	token = rand.Text()
	p.mu.Lock()
	defer p.mu.Unlock()
	now := p.now()
	first := ""
	for hash, one := range p.waiting {
		if one.ends.Before(now) {
			delete(p.waiting, hash)
		} else if first == "" || one.ends.Before(p.waiting[first].ends) {
			first = hash
		}
	}
	if len(p.waiting) >= mostPasses {
		delete(p.waiting, first)
	}
	p.waiting[hashOf(token)] = pass{path, now.Add(passLasts)}
	return token
}

// take uses a pass up.
func (p *passes) take(token string) (path string, ok bool) {
	p.mu.Lock()
	defer p.mu.Unlock()
	hash := hashOf(token)
	one, there := p.waiting[hash]
	delete(p.waiting, hash)
	return one.path, there && p.now().Before(one.ends)
}

// PassAnswer is the way to another device in the house.
type PassAnswer struct {
	// URL opens the needles of the sock there, once, without the passphrase; empty when no other device reaches the program.
	URL     string `json:"url"`
	Minutes int    `json:"minutes"`
	// Command starts the program so that the house reaches it; empty when it does.
	Command string `json:"command"`
}

// forTheHouse starts the program so that other devices reach it.
const forTheHouse = "acornstep serve --listen 0.0.0.0:7768 --passphrase-file FILE"

// house is the first address at which other devices reach the program; empty when none does.
func (s *server) house() string {
	if s.Addresses == nil {
		return ""
	}
	list := s.Addresses()
	at := slices.IndexFunc(list, func(address string) bool {
		u, err := url.Parse(address)
		if err != nil || u.Hostname() == "localhost" {
			return false
		}
		ip := net.ParseIP(u.Hostname())
		return ip == nil || !ip.IsLoopback()
	})
	if at < 0 {
		return ""
	}
	return list[at]
}

func (s *server) givePass(c call[nothing]) (PassAnswer, error) {
	if _, err := s.Basket.Get(c, c.ID); err != nil {
		return PassAnswer{}, err
	}
	base := cmp.Or(c.base, s.house())
	if base == "" {
		return PassAnswer{Command: forTheHouse}, nil
	}
	return PassAnswer{URL: base + "/pass/" + s.passes.issue("/socks/"+c.ID+"/knit"), Minutes: int(passLasts / time.Minute)}, nil
}

// GivenPass is a pass that a device shows.
type GivenPass struct {
	Token string `json:"token"`
}

// PassedTo is where a pass leads.
type PassedTo struct {
	Path string `json:"path"`
}

// showPass lets a device in that shows a pass. A wrong one counts like a wrong passphrase.
func (s *server) showPass(c *gin.Context) {
	var given GivenPass
	if !readQuestion(c, &given) {
		return
	}
	caller, known := s.stranger(c), false
	if s.gate.required() {
		caller, known = s.caller(c)
		if wait := s.gate.brake.reserve(caller, known); wait > 0 {
			fail(c, http.StatusTooManyRequests, fmt.Sprintf("too many wrong tries: wait %d seconds", int(wait.Seconds())+1))
			return
		}
	}
	path, ok := s.passes.take(given.Token)
	if !ok {
		fail(c, http.StatusForbidden, "this pass was used, or its five minutes are over: ask for another one, or give the passphrase")
		return
	}
	if s.gate.required() {
		s.gate.brake.forgive(caller, known)
		s.setCookie(c, sessionCookie, s.gate.guests.begin(c), int(sessionLasts.Seconds()))
	}
	c.JSON(http.StatusOK, PassedTo{path})
}

// ShareList are the links to a pattern.
type ShareList struct {
	Shares []basket.Share `json:"shares"`
}

// NewShare is a link that was just made: its address is said once.
type NewShare struct {
	URL string `json:"url"`
	// House is false when only this machine reaches the program, so that no friend can follow the link.
	House bool `json:"house"`
}

func (s *server) listShares(c call[nothing]) (ShareList, error) {
	list, err := s.Shares.Shares(c, c.ID)
	return ShareList{list}, err
}

func (s *server) addShare(c call[nothing]) (NewShare, error) {
	_, err := shared(c, s.heavy, ofPattern, func() (knittedPair, error) { return s.knittedFrom(c, c.ID) })
	if err != nil {
		return NewShare{}, err // a sock without rows has no pattern to lend
	}
	token := rand.Text()
	if err := s.Shares.AddShare(c, c.ID, basket.Share{Hash: hashOf(token), Created: s.Now(), Key: s.gate.key()}); err != nil {
		return NewShare{}, err
	}
	base := cmp.Or(c.base, s.house())
	return NewShare{base + "/api/shared/" + token, base != ""}, nil
}

// sharedPattern shows a pattern to whoever has a link to it, and nothing else: without the wearer's name.
func (s *server) sharedPattern(c *gin.Context) {
	id, err := s.Shares.Shared(c, hashOf(c.Param("id")))
	if err != nil {
		s.failWith(c, err)
		return
	}
	name, err := s.nameOfPrint(c, id, "lent")
	if err != nil {
		s.failWith(c, err)
		return
	}
	printed, err := s.prints.of(c, name, func(ctx context.Context) ([]byte, error) {
		return shared(ctx, s.heavy, ofPattern, func() ([]byte, error) {
			l, err := s.leafletOf(ctx, id, leaflet.Wish{Unit: measure.Centimetres, View: hands.View{Hold: hands.Right}})
			if err != nil {
				return nil, err
			}
			l.For = ""
			return pdf.Of(l, pdf.Print{})
		})
	})
	if err != nil {
		s.failWith(c, err)
		return
	}
	sock, err := s.Basket.Get(c, id)
	if err != nil {
		s.failWith(c, err)
		return
	}
	c.Header("Content-Disposition", fmt.Sprintf(`inline; filename="%s.pdf"`, fileName(sock.Name)))
	c.Data(http.StatusOK, "application/pdf", printed)
}
