package web

import (
	"context"
	"errors"
	"net/http"
	"strconv"
	"sync"
	"time"

	"github.com/gin-gonic/gin"
	lru "github.com/hashicorp/golang-lru/v2"
	"golang.org/x/sync/semaphore"
	"golang.org/x/sync/singleflight"
)

// What takes much memory waits in one queue for its share of it, in megabytes: a bound on all of it together, whoever asks for what.
const (
	roomForHeavy = 160
	// What one of each takes at most, as it was measured with the largest socks that are usual.
	ofDrawing = 60
	ofPattern = 60
	ofPreview = 40
	ofArchive = 80
)

// heavyWithin is how long somebody waits for a share; then it is said that there is none now.
const heavyWithin = 10 * time.Second

// errCrowded is given to whoever waited in vain.
var errCrowded = errors.New("too much is being drawn, printed or packed at this moment: try again soon")

// crowdedFor is when to try again, in seconds.
const crowdedFor = 5

// heavy is the queue.
type heavy struct{ room *semaphore.Weighted }

func newHeavy() *heavy { return &heavy{semaphore.NewWeighted(roomForHeavy)} }

// take waits for a share and gives what returns it. The error is errCrowded, or that of a context that ended meanwhile.
func (h *heavy) take(ctx context.Context, share int64) (back func(), err error) {
	waiting, cancel := context.WithTimeout(ctx, heavyWithin)
	defer cancel()
	if err := h.room.Acquire(waiting, share); err != nil {
		if ctx.Err() != nil {
			return nil, ctx.Err()
		}
		return nil, errCrowded
	}
	return func() { h.room.Release(share) }, nil
}

// shared works something out that takes a share.
func shared[T any](ctx context.Context, h *heavy, share int64, make func() (T, error)) (T, error) {
	back, err := h.take(ctx, share)
	if err != nil {
		var none T
		return none, err
	}
	defer back()
	return make()
}

// crowded says that there is no room now, and when to try again.
func crowded(c *gin.Context) {
	c.Header("Retry-After", strconv.Itoa(crowdedFor))
	fail(c, http.StatusServiceUnavailable, errCrowded.Error())
}

// mostPrinted is how many bytes of printed patterns are kept at hand.
const mostPrinted = 16 << 20

// prints keeps printed patterns at hand: one is made once, however many ask for it.
type prints struct {
	flight singleflight.Group

	mu    sync.Mutex
	kept  *lru.Cache[string, []byte]
	bytes int
}

func newPrints() (*prints, error) {
	p := &prints{}
	var err error
	p.kept, err = lru.NewWithEvict(1024, func(_ string, gone []byte) { p.bytes -= len(gone) })
	return p, err
}

// of gives what has a name, made when it is not at hand. Whoever asked first may leave: the others go on waiting.
func (p *prints) of(ctx context.Context, name string, make func(context.Context) ([]byte, error)) ([]byte, error) {
	p.mu.Lock()
	text, kept := p.kept.Get(name)
	p.mu.Unlock()
	if kept {
		return text, nil
	}
	made := p.flight.DoChan(name, func() (any, error) {
		working, cancel := context.WithTimeout(context.WithoutCancel(ctx), writeTimeout)
		defer cancel()
		text, err := make(working)
		if err == nil {
			p.keep(name, text)
		}
		return text, err
	})
	select {
	case result := <-made:
		if result.Err != nil {
			return nil, result.Err
		}
		return result.Val.([]byte), nil
	case <-ctx.Done():
		return nil, ctx.Err()
	}
}

func (p *prints) keep(name string, text []byte) {
	p.mu.Lock()
	defer p.mu.Unlock()
	if p.kept.Contains(name) {
		return
	}
	p.kept.Add(name, text)
	for p.bytes += len(text); p.bytes > mostPrinted; {
		p.kept.RemoveOldest()
	}
}
