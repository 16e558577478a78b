package http

import (
	nethttp "net/http"

	"github.com/gin-gonic/gin"

	"acornstep/sock/basket"
	"acornstep/sock/document"
	"acornstep/sock/draft"
	"acornstep/sock/measure"
)

func (s *server) plan(c *gin.Context) {
	var q PlanQuestion
	if !read(c, &q) {
		return
	}
	unit, ok := readUnit(c, q.Unit)
	if !ok {
		return
	}
	a, err := answer(q.Name, draft.Read(q.Draft, unit))
	if err != nil {
		s.failWith(c, err)
		return
	}
	c.JSON(nethttp.StatusOK, a)
}

// readUnit reads cm or in; nothing means cm.
func readUnit(c *gin.Context, name string) (measure.Unit, bool) {
	if name == "" {
		return measure.Centimetres, true
	}
	unit, err := measure.ParseUnit(name)
	if err != nil {
		refuse(c, document.Faults{{Field: "unit", Message: err.Error()}})
		return "", false
	}
	return unit, true
}

// Digested tidies a sock before it is kept: entries that read become part of
// the design, and the digest says what lists show.
func Digested(sock basket.Sock, unit measure.Unit) (basket.Sock, error) {
	if faults := sock.Validate(); len(faults) > 0 {
		return sock, faults
	}
	a, err := answer(sock.Name, draft.Read(sock.Draft, unit))
	if err != nil {
		return sock, err
	}
	sock.Draft, sock.Digest = a.Draft, basket.Digest{}
	switch {
	case len(a.Faults) > 0:
		sock.Digest.Missing = a.Faults[0].Error()
	case a.Plan.Stopped() != nil:
		sock.Digest.Missing = a.Plan.Stopped().Text
	default:
		sock.Digest.FootStitches = a.Plan.Summary.FootStitches
		sock.Digest.Rows = len(a.Plan.Rows)
	}
	return sock, nil
}

func (s *server) listSocks(c *gin.Context) {
	socks, err := s.Basket.List(c)
	if err != nil {
		s.failWith(c, err)
		return
	}
	c.JSON(nethttp.StatusOK, SockList{socks})
}

func (s *server) addSock(c *gin.Context) {
	var q NewSock
	if !read(c, &q) {
		return
	}
	unit, ok := readUnit(c, q.Unit)
	if !ok {
		return
	}
	sock, err := Digested(basket.Sock{Name: q.Name, Wearer: q.Wearer, Draft: q.Draft}, unit)
	if err == nil {
		sock, err = s.Basket.Add(c, sock)
	}
	s.reply(c, nethttp.StatusCreated, sock, err)
}

func (s *server) reply(c *gin.Context, status int, sock basket.Sock, err error) {
	if err != nil {
		s.failWith(c, err)
		return
	}
	c.JSON(status, sock)
}

func (s *server) getSock(c *gin.Context) {
	sock, err := s.Basket.Get(c, c.Param("id"))
	s.reply(c, nethttp.StatusOK, sock, err)
}

func (s *server) saveSock(c *gin.Context) {
	var q SaveSock
	if !read(c, &q) {
		return
	}
	unit, ok := readUnit(c, q.Unit)
	if !ok {
		return
	}
	sock, err := Digested(basket.Sock{ID: c.Param("id"), Revision: q.Revision, Name: q.Name, Wearer: q.Wearer, Draft: q.Draft}, unit)
	if err == nil {
		sock, err = s.Basket.Save(c, sock)
	}
	s.reply(c, nethttp.StatusOK, sock, err)
}

func (s *server) deleteSock(c *gin.Context) {
	if err := s.Basket.Delete(c, c.Param("id")); err != nil {
		s.failWith(c, err)
		return
	}
	c.Status(nethttp.StatusNoContent)
}

func (s *server) restoreSock(c *gin.Context) {
	id := c.Param("id")
	if err := s.Basket.Restore(c, id); err != nil {
		s.failWith(c, err)
		return
	}
	sock, err := s.Basket.Get(c, id)
	s.reply(c, nethttp.StatusOK, sock, err)
}

func (s *server) duplicateSock(c *gin.Context) {
	sock, err := s.Basket.Get(c, c.Param("id"))
	if err == nil {
		sock.Name = copyName(sock.Name)
		sock, err = s.Basket.Add(c, sock)
	}
	s.reply(c, nethttp.StatusCreated, sock, err)
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
