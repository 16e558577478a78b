package web

import (
	"cmp"
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/hex"
	"log/slog"
	"slices"
	"sync"
	"time"

	"github.com/gin-gonic/gin"
	"github.com/mileusna/useragent"

	"acornstep/sock/papers/basket"
	"acornstep/web/visit"
)

// Visits keeps who is logged in, so that a restart of the program asks nobody again.
type Visits interface {
	KeepVisit(ctx context.Context, v visit.Visit) error
	// Visits gives those of one passphrase, and forgets those of any other.
	Visits(ctx context.Context, key string) ([]visit.Visit, error)
	EndVisit(ctx context.Context, hash string) error
}

const (
	// mostVisits are kept; who was seen longest ago has to log in again.
	mostVisits = 1000
	// seenEvery is how exactly it is known when a device was there last.
	seenEvery = 10 * time.Minute
)

// guests are the visits of this passphrase. They are looked up in memory; what
// is kept of them is for the next start, and no login fails because it cannot be written.
type guests struct {
	key  string
	kept Visits // nil where nothing is kept
	now  func() time.Time
	log  *slog.Logger

	mu   sync.Mutex
	here map[string]visit.Visit // by hash
}

func newGuests(ctx context.Context, key string, o *Options) (*guests, error) {
	g := &guests{key: key, kept: o.Visits, now: o.Now, log: o.Log, here: map[string]visit.Visit{}}
	if g.kept == nil {
		return g, nil
	}
	list, err := g.kept.Visits(ctx, key)
	for _, v := range list {
		g.here[v.Hash] = v
	}
	return g, err
}

func hashOf(token string) string {
	sum := sha256.Sum256([]byte(token))
	return hex.EncodeToString(sum[:])
}

// begin lets a device in and gives it its token.
func (g *guests) begin(c *gin.Context) string {
	token, now := rand.Text(), g.now()
	v := visit.Visit{Hash: hashOf(token), Key: g.key, Device: deviceOf(c.Request.UserAgent()), Began: now, Seen: now,
		Ends: now.Add(sessionLasts)}
	g.mu.Lock()
	g.here[v.Hash] = v
	var over []string
	if len(g.here) > mostVisits {
		over = append(over, g.longestAway())
		delete(g.here, over[0])
	}
	g.mu.Unlock()
	g.keep(c, v)
	for _, hash := range over {
		g.forget(c, hash)
	}
	return token
}

func (g *guests) longestAway() string {
	var first visit.Visit
	for _, v := range g.here {
		if first.Hash == "" || v.Seen.Before(first.Seen) {
			first = v
		}
	}
	return first.Hash
}

// knows says whether a token is that of a visit.
func (g *guests) knows(ctx context.Context, token string) bool {
	now := g.now()
	g.mu.Lock()
	v, there := g.here[hashOf(token)]
	there = there && now.Before(v.Ends)
	seen := there && now.Sub(v.Seen) > seenEvery
	if seen {
		v.Seen = now
		g.here[v.Hash] = v
	}
	g.mu.Unlock()
	if seen {
		g.keep(ctx, v)
	}
	return there
}

func (g *guests) end(ctx context.Context, hash string) {
	g.mu.Lock()
	delete(g.here, hash)
	g.mu.Unlock()
	g.forget(ctx, hash)
}

func (g *guests) keep(ctx context.Context, v visit.Visit) {
	if g.kept == nil {
		return
	}
	if err := g.kept.KeepVisit(ctx, v); err != nil {
		g.log.Error("a login is not known after a restart", "error", err)
	}
}

func (g *guests) forget(ctx context.Context, hash string) {
	if g.kept == nil {
		return
	}
	if err := g.kept.EndVisit(ctx, hash); err != nil {
		g.log.Error("a session that was ended may be back after a restart", "error", err)
	}
}

// deviceOf says in words what a browser says of itself.
func deviceOf(agent string) string {
	ua := useragent.Parse(agent)
	const longest = 40
	name, system := cut(ua.Name, longest), cut(ua.OS, longest)
	switch {
	case name == "" && system == "":
		return "a device that does not say what it is"
	case system == "":
		return name
	}
	return cmp.Or(name, "a browser") + " on " + system
}

func cut(text string, longest int) string {
	return string([]rune(text)[:min(len([]rune(text)), longest)])
}

// VisitView is a device that is logged in.
type VisitView struct {
	ID     string    `json:"id"`
	Device string    `json:"device"`
	Began  time.Time `json:"began"`
	// Seen is when it was there last, to ten minutes.
	Seen time.Time `json:"seen"`
	// Here: it is the one that asks.
	Here bool `json:"here"`
}

// VisitList is who is logged in, the last seen first.
type VisitList struct {
	Visits []VisitView `json:"visits"`
}

// idLength of a hash names a visit to those inside; the whole hash stays here.
const idLength = 16

func (s *server) listVisits(c call[nothing]) (VisitList, error) {
	own := hashOf(c.token)
	list := VisitList{Visits: []VisitView{}}
	g := s.gate.guests
	if g == nil {
		return list, nil // nobody has to log in
	}
	g.mu.Lock()
	defer g.mu.Unlock()
	for _, v := range g.here {
		list.Visits = append(list.Visits, VisitView{v.Hash[:idLength], v.Device, v.Began, v.Seen, v.Hash == own})
	}
	slices.SortFunc(list.Visits, func(a, b VisitView) int { return cmp.Or(b.Seen.Compare(a.Seen), cmp.Compare(a.ID, b.ID)) })
	return list, nil
}

func (s *server) endVisit(c call[nothing]) error {
	g := s.gate.guests
	if g == nil {
		return basket.ErrNotFound
	}
	g.mu.Lock()
	var hash string
	for h := range g.here {
		if h[:idLength] == c.ID {
			hash = h
		}
	}
	g.mu.Unlock()
	if hash == "" {
		return basket.ErrNotFound
	}
	g.end(c, hash)
	return nil
}
