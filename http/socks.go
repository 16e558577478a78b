package http

import (
	"context"
	"errors"
	nethttp "net/http"
	"strings"

	"github.com/gin-gonic/gin"

	"acornstep/sock/basket"
	"acornstep/sock/document"
	"acornstep/sock/draft"
	"acornstep/sock/feet"
	"acornstep/sock/measure"
)

func (s *server) sockRoutes(inside *gin.RouterGroup) {
	inside.POST("/plan", answering(s, nethttp.StatusOK, planOf))
	inside.GET("/socks", answering(s, nethttp.StatusOK, s.listSocks))
	inside.POST("/socks", answering(s, nethttp.StatusCreated, s.addSock))
	inside.GET("/socks/:id", answering(s, nethttp.StatusOK, func(c call[nothing]) (basket.Sock, error) { return s.told(c, c.ID) }))
	inside.PUT("/socks/:id", answering(s, nethttp.StatusOK, s.saveSock))
	inside.DELETE("/socks/:id", answering(s, 204, func(c call[nothing]) (nothing, error) { return nothing{}, s.Basket.Delete(c, c.ID) }))
	inside.POST("/socks/:id/restore", answering(s, nethttp.StatusOK, s.restoreSock))
	inside.POST("/socks/:id/duplicate", answering(s, nethttp.StatusCreated, s.duplicateSock))
	inside.GET("/socks/:id/versions", answering(s, nethttp.StatusOK, s.listVersions))
	inside.POST("/socks/:id/versions", answering(s, nethttp.StatusCreated, s.addVersion))
	inside.DELETE("/socks/:id/versions/:part", answering(s, 204, func(c call[nothing]) (nothing, error) {
		return nothing{}, s.Basket.MarkVersion(c, c.ID, c.Part, true)
	}))
	inside.POST("/socks/:id/versions/:part/restore", answering(s, 204, func(c call[nothing]) (nothing, error) {
		return nothing{}, s.Basket.MarkVersion(c, c.ID, c.Part, false)
	}))
}

func planOf(c call[PlanQuestion]) (PlanAnswer, error) {
	unit, err := unitOf(c.Asked.Unit)
	if err != nil {
		return PlanAnswer{}, err
	}
	return answer(c.Asked.Name, draft.Read(c.Asked.Draft, unit), c.Asked.Brief)
}

// Digested tidies a sock before it is kept: entries that read become part of
// the design, and the digest says what lists show.
func Digested(sock basket.Sock, unit measure.Unit) (basket.Sock, error) {
	if faults := sock.Validate(); len(faults) > 0 {
		return sock, faults
	}
	a, err := answer(sock.Name, draft.Read(sock.Draft, unit), true)
	if err != nil {
		return sock, err
	}
	sock.Draft, sock.Digest = a.Draft, basket.Digest{}
	switch {
	case len(a.Faults) > 0:
		sock.Digest.Missing = missing(a.Faults[0])
	case a.Plan.Stopped() != nil:
		sock.Digest.Missing = a.Plan.Stopped().Text
	default:
		sock.Digest.FootStitches = a.Plan.Summary.FootStitches
		sock.Digest.CastOn = a.Plan.Summary.CastOnStitches
		sock.Digest.Rows = a.Effort.Rows
	}
	return sock, nil
}

// missing says what a half-designed sock lacks, as a knitter would.
func missing(f document.Fault) string {
	switch name := strings.TrimPrefix(f.Field, "foot."); {
	case f.Field == "gauge.stitches_per_100mm":
		return "count the stitches of the swatch"
	case f.Field == "gauge.rounds_per_100mm":
		return "count the rounds of the swatch"
	case name != f.Field:
		if kind, known := feet.KindOf(name); known {
			return "measure the " + strings.ToLower(kind.Label)
		}
	}
	return f.Error()
}

// tell adds to socks what has changed since they were designed, and what to do next.
func (s *server) tell(ctx context.Context, socks []basket.Sock) error {
	wearers, swatches := map[string]*feet.Wearer{}, map[string]SwatchView{}
	for i := range socks {
		if socks[i].Foot != nil && len(wearers) == 0 {
			list, err := s.Feet.Wearers(ctx)
			if err != nil {
				return err
			}
			for j := range list {
				wearers[list[j].ID] = &list[j]
			}
		}
		if socks[i].Swatch != nil && len(swatches) == 0 {
			b, err := s.book(ctx)
			if err != nil {
				return err
			}
			for _, v := range b.Swatches {
				swatches[v.Swatch.ID] = v
			}
		}
	}
	for i := range socks {
		sock := &socks[i]
		sock.News = []basket.News{}
		if sock.Foot != nil {
			if n := sock.Foot.FootNews(wearers[sock.Foot.WearerID]); n != nil {
				sock.News = append(sock.News, *n)
			}
		}
		if sock.Swatch != nil {
			sock.News = append(sock.News, swatchNews(sock.Swatch, swatches)...)
		}
		sock.Next = basket.NextStep(sock, sock.News)
	}
	return nil
}

func swatchNews(taken *basket.SwatchTaken, swatches map[string]SwatchView) []basket.News {
	v, there := swatches[taken.SwatchID]
	if !there {
		return []basket.News{*taken.SwatchNews(nil, "")}
	}
	name := ""
	if v.Yarn != nil {
		name = v.Yarn.Name
	}
	if n := taken.SwatchNews(&v.Swatch, name); n != nil {
		return []basket.News{*n}
	}
	return nil
}

// told is a sock with its news.
func (s *server) told(ctx context.Context, id string) (basket.Sock, error) {
	sock, err := s.Basket.Get(ctx, id)
	if err != nil {
		return sock, err
	}
	one := []basket.Sock{sock}
	err = s.tell(ctx, one)
	return one[0], err
}

func (s *server) listSocks(c call[nothing]) (SockList, error) {
	socks, err := s.Basket.List(c)
	if err != nil {
		return SockList{}, err
	}
	return SockList{socks}, s.tell(c, socks)
}

func (s *server) addSock(c call[NewSock]) (basket.Sock, error) {
	q := c.Asked
	unit, err := unitOf(q.Unit)
	if err != nil {
		return basket.Sock{}, err
	}
	sock, err := Digested(basket.Sock{Name: q.Name, Wearer: q.Wearer, Draft: q.Draft, Notes: q.Notes, Foot: q.Foot, Swatch: q.Swatch}, unit)
	if err == nil {
		sock, err = s.Basket.Add(c, sock)
	}
	if err != nil {
		return sock, err
	}
	return s.told(c, sock.ID)
}

func (s *server) saveSock(c call[SaveSock]) (basket.Sock, error) {
	q := c.Asked
	unit, err := unitOf(q.Unit)
	if err != nil {
		return basket.Sock{}, err
	}
	sock, err := Digested(basket.Sock{ID: c.ID, Revision: q.Revision, Name: q.Name, Wearer: q.Wearer, Draft: q.Draft, Notes: q.Notes, Foot: q.Foot, Swatch: q.Swatch}, unit)
	if err == nil {
		sock, err = s.Basket.Save(c, sock)
	}
	var stale *basket.Stale
	if errors.As(err, &stale) {
		kept := []basket.Sock{stale.Current}
		if told := s.tell(c, kept); told != nil {
			return sock, told
		}
		stale.Current = kept[0]
	}
	if err != nil {
		return sock, err
	}
	return s.told(c, sock.ID)
}

func (s *server) restoreSock(c call[nothing]) (basket.Sock, error) {
	if err := s.Basket.Restore(c, c.ID); err != nil {
		return basket.Sock{}, err
	}
	return s.told(c, c.ID)
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
	return s.told(c, sock.ID)
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

func (s *server) listVersions(c call[nothing]) (VersionList, error) {
	list, err := s.Basket.Versions(c, c.ID)
	return VersionList{list}, err
}

func (s *server) addVersion(c call[NewVersion]) (basket.Version, error) {
	v := basket.Version{Name: c.Asked.Name, Draft: c.Asked.Draft}
	if err := v.Validate().Err(); err != nil {
		return v, err
	}
	return s.Basket.AddVersion(c, c.ID, v)
}
