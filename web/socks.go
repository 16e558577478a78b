package web

import (
	"context"
	"errors"
	"fmt"
	"runtime/debug"
	"time"

	"acornstep/sock/figures/document"
	"acornstep/sock/figures/measure"
	"acornstep/sock/judge/board"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/draft"
	"acornstep/sock/papers/swatch"
	"acornstep/sock/people/feet"
)

func planOf(c call[PlanQuestion]) (board.Answer, error) {
	unit, err := unitOf(c.Asked.Unit)
	if err != nil {
		return board.Answer{}, err
	}
	return board.Of(c.Asked.Name, draft.Read(c.Asked.Draft, unit), c.Asked.Brief)
}

// addNews adds to socks what has changed since they were designed, and what to do next.
func (s *server) addNews(ctx context.Context, socks []basket.Sock) error {
	wearers, swatches := map[string]*feet.Wearer{}, map[string]*swatch.Swatch{}
	for i := range socks {
		sock := &socks[i]
		sock.News = []basket.News{}
		if sock.Foot != nil {
			wearer, err := lookUp(ctx, wearers, sock.Foot.WearerID, s.Feet.Wearer)
			if err != nil {
				return err
			}
			if n := sock.Foot.FootNews(wearer); n != nil {
				sock.News = append(sock.News, *n)
			}
		}
		if sock.Swatch != nil {
			counted, err := lookUp(ctx, swatches, sock.Swatch.SwatchID, s.Swatches.Swatch)
			if err != nil {
				return err
			}
			if n := sock.Swatch.SwatchNews(counted, ""); n != nil {
				if n.Name, err = s.yarnName(ctx, counted); err != nil {
					return err
				}
				sock.News = append(sock.News, *n)
			}
		}
		sock.Next = basket.NextStep(sock, sock.News)
	}
	return nil
}

// lookUp finds a thing by its id, each once; nil for one that is gone.
func lookUp[T any](ctx context.Context, found map[string]*T, id string, get func(context.Context, string) (T, error)) (*T, error) {
	if thing, seen := found[id]; seen {
		return thing, nil
	}
	thing, err := get(ctx, id)
	switch {
	case errors.Is(err, basket.ErrNotFound):
		found[id] = nil
	case err != nil:
		return nil, err
	default:
		found[id] = &thing
	}
	return found[id], nil
}

// yarnName is what the yarn of a swatch is called; empty when either is gone.
func (s *server) yarnName(ctx context.Context, of *swatch.Swatch) (string, error) {
	if of == nil {
		return "", nil
	}
	yarns, err := s.Swatches.Yarns(ctx)
	for _, y := range yarns {
		if y.ID == of.YarnID {
			return y.Name, nil
		}
	}
	return "", err
}

// withNews is a sock with its news.
func (s *server) withNews(ctx context.Context, id string) (basket.Sock, error) {
	sock, err := s.Basket.Get(ctx, id)
	if err != nil {
		return sock, err
	}
	one := []basket.Sock{sock}
	err = s.addNews(ctx, one)
	return one[0], err
}

func (s *server) getSock(c call[nothing]) (basket.Sock, error) { return s.withNews(c, c.ID) }

// mostSocks are answered at once.
const mostSocks = 100

func (s *server) listSocks(c call[SocksQuestion]) (SockList, error) {
	q := c.Asked
	if q.Limit == 0 {
		q.Limit = mostSocks
	}
	if q.From < 0 || q.Limit < 1 || q.Limit > mostSocks {
		return SockList{}, document.Faults{{Field: "limit",
			Message: fmt.Sprintf("read %d socks from %d on; at most %d are answered at once", q.Limit, q.From, mostSocks)}}
	}
	socks, all, err := s.Basket.Page(c, basket.Page{From: q.From, Limit: q.Limit, Find: q.Find, Practice: q.Practice == 1})
	if err != nil {
		return SockList{}, err
	}
	return SockList{socks, all}, s.addNews(c, socks)
}

// digestWithin is how long a save waits for its digest.
const digestWithin = time.Second

// digested is a sock as it is kept. What was typed is kept whatever becomes of
// the plan: where none can be made, or not soon, the sock has no digest until it is saved again.
func (s *server) digested(ctx context.Context, sock basket.Sock, unit measure.Unit) (kept basket.Sock, err error) {
	if faults := sock.Validate(); len(faults) > 0 {
		return sock, faults
	}
	undigested := sock
	undigested.Digest.Missing = "it was not worked out yet: open it on the board"
	waiting, cancel := context.WithTimeout(ctx, digestWithin)
	defer cancel()
	if s.tables.Acquire(waiting, 1) != nil {
		return undigested, nil
	}
	defer s.tables.Release(1)
	defer func() {
		if cause := recover(); cause != nil {
			s.Log.Error("a sock was saved without its plan", "id", sock.ID, "cause", cause, "stack", string(debug.Stack()))
			kept, err = undigested, nil
		}
	}()
	if kept, err = board.Digest(sock, unit); err != nil {
		s.Log.Error("a sock was saved without its plan", "id", sock.ID, "error", err)
		return undigested, nil
	}
	return kept, nil
}

func (s *server) addSock(c call[NewSock]) (basket.Sock, error) {
	q := c.Asked
	unit, err := unitOf(q.Unit)
	if err != nil {
		return basket.Sock{}, err
	}
	sock, err := s.digested(c, basket.Sock{Name: q.Name, Wearer: q.Wearer, Draft: q.Draft, Notes: q.Notes, Foot: q.Foot,
		Swatch: q.Swatch}, unit)
	if err == nil {
		sock, err = s.Basket.Add(c, sock)
	}
	if err != nil {
		return sock, err
	}
	return s.withNews(c, sock.ID)
}

func (s *server) saveSock(c call[SaveSock]) (basket.Sock, error) {
	q := c.Asked
	unit, err := unitOf(q.Unit)
	if err != nil {
		return basket.Sock{}, err
	}
	sock, err := s.digested(c, basket.Sock{ID: c.ID, Revision: q.Revision, Name: q.Name, Wearer: q.Wearer, Draft: q.Draft, Notes: q.Notes,
		Foot: q.Foot, Swatch: q.Swatch}, unit)
	if err == nil {
		sock, err = s.Basket.Save(c, sock)
	}
	var stale *basket.Stale
	if errors.As(err, &stale) {
		kept := []basket.Sock{stale.Current}
		if failed := s.addNews(c, kept); failed != nil {
			return sock, failed
		}
		stale.Current = kept[0]
	}
	if err != nil {
		return sock, err
	}
	return s.withNews(c, sock.ID)
}

func (s *server) restoreSock(c call[nothing]) (basket.Sock, error) {
	if err := s.Basket.Restore(c, c.ID); err != nil {
		return basket.Sock{}, err
	}
	return s.withNews(c, c.ID)
}

func (s *server) duplicateSock(c call[nothing]) (basket.Sock, error) {
	sock, err := s.Basket.Get(c, c.ID)
	if err == nil {
		sock.Name = copyName(sock.Name)
		sock, err = s.Basket.Add(c, sock)
	}
	if err != nil {
		return sock, err
	}
	return s.withNews(c, sock.ID)
}

// copyName marks a copy and keeps within the longest name.
func copyName(name string) string {
	const mark = " (copy)"
	runes := []rune(name)
	if len(runes) > basket.MaxName-len(mark) {
		runes = runes[:basket.MaxName-len(mark)]
	}
	return string(runes) + mark
}

func (s *server) listVariants(c call[nothing]) (VariantList, error) {
	list, err := s.Basket.Variants(c, c.ID)
	return VariantList{list}, err
}

func (s *server) addVariant(c call[NewVariant]) (basket.Variant, error) {
	v := basket.Variant{Name: c.Asked.Name, Draft: c.Asked.Draft}
	if err := v.Validate().Err(); err != nil {
		return v, err
	}
	return s.Basket.AddVariant(c, c.ID, v)
}
