package web

import (
	"context"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net/http"
	"runtime/debug"
	"time"

	"github.com/gin-gonic/gin"

	"acornstep/sock/figures/document"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/design"
)

// write sends a problem and ends the request.
func write(c *gin.Context, p Problem) {
	p.Type = "about:blank"
	if p.Title == "" {
		p.Title = http.StatusText(p.Status)
	}
	c.Header("Content-Type", "application/problem+json")
	c.AbortWithStatusJSON(p.Status, p)
}

func fail(c *gin.Context, status int, detail string) {
	write(c, Problem{Status: status, Detail: detail})
}

func refuse(c *gin.Context, faults document.Faults) {
	faults = design.Labelled(faults)
	write(c, Problem{Status: http.StatusUnprocessableEntity, Title: "Some fields cannot be read", Detail: faults.Said(), Errors: faults})
}

// failWith turns an error into the problem that says it best.
func (s *server) failWith(c *gin.Context, err error) {
	var stale *basket.Stale
	var faults document.Faults
	var taken clashing
	switch {
	case errors.As(err, &stale):
		write(c, Problem{Status: http.StatusConflict, Title: "Changed elsewhere", Detail: stale.Error(), Current: &stale.Current})
	case errors.As(err, &faults):
		refuse(c, faults)
	case errors.As(err, &taken):
		write(c, Problem{Status: http.StatusConflict, Title: "The ids are taken", Detail: taken.Error(), Refused: taken.refused})
	case errors.Is(err, basket.ErrNotFound):
		fail(c, http.StatusNotFound, basket.ErrNotFound.Error())
	case errors.Is(err, basket.ErrChanged):
		write(c, Problem{Status: http.StatusConflict, Title: "Changed elsewhere", Detail: basket.ErrChanged.Error()})
	case errors.Is(err, basket.ErrInUse):
		write(c, Problem{Status: http.StatusConflict, Title: "Still in use", Detail: basket.ErrInUse.Error()})
	case errors.Is(err, knitting.ErrNoRows):
		write(c, Problem{Status: http.StatusConflict, Title: "A plan without rows", Detail: knitting.ErrNoRows.Error()})
	case errors.Is(err, errCrowded):
		crowded(c)
	case errors.Is(err, context.Canceled):
		c.Abort() // whoever asked has gone
	case s.troubled(c, err):
	default:
		s.Log.Error("request failed", "path", c.FullPath(), "error", err)
		fail(c, http.StatusInternalServerError, "something went wrong in the program; nothing was changed")
	}
}

// troubled answers when the data file is what hinders: its disk is full, it is held by another program …
func (s *server) troubled(c *gin.Context, err error) bool {
	if s.Keeper == nil {
		return false
	}
	text, full := s.Keeper.Trouble(err)
	if text == "" {
		return false
	}
	s.Log.Error("the data file hinders", "path", c.FullPath(), "error", err)
	status := http.StatusServiceUnavailable
	if full {
		status = http.StatusInsufficientStorage
	}
	fail(c, status, text)
	return true
}

// readQuestion reads the JSON body strictly; false means that the problem is sent.
func readQuestion(c *gin.Context, into any) bool {
	text, err := io.ReadAll(c.Request.Body)
	var tooLarge *http.MaxBytesError
	if errors.As(err, &tooLarge) {
		fail(c, http.StatusRequestEntityTooLarge, fmt.Sprintf("the request has more than %d bytes", tooLarge.Limit))
		return false
	}
	if err != nil {
		fail(c, http.StatusBadRequest, "the request ended before its body")
		return false
	}
	present, faults := document.Read(text, into)
	if present == nil {
		write(c, Problem{Status: http.StatusBadRequest, Title: "This is not a document", Detail: faults.Error(), Errors: faults})
		return false
	}
	if len(faults) > 0 {
		refuse(c, faults)
		return false
	}
	return true
}

// logged writes a line for each request that is not a plain page.
func (s *server) logged(c *gin.Context) {
	began := time.Now()
	c.Next()
	level := slog.LevelDebug
	if c.Writer.Status() >= http.StatusInternalServerError {
		level = slog.LevelError
	}
	s.Log.Log(c, level, "request", "method", c.Request.Method, "path", c.Request.URL.Path,
		"status", c.Writer.Status(), "ms", time.Since(began).Milliseconds())
}

func (s *server) recovered(c *gin.Context) {
	defer func() {
		if cause := recover(); cause == http.ErrAbortHandler {
			panic(cause) // what was sent is half of something, and has to end as such
		} else if cause != nil {
			s.Log.Error("a bug ended a request", "path", c.Request.URL.Path, "cause", cause, "stack", string(debug.Stack()))
			fail(c, http.StatusInternalServerError, "something went wrong in the program; nothing was changed")
		}
	}()
	c.Next()
}
