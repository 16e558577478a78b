package http

import (
	"context"
	nethttp "net/http"

	"github.com/gin-gonic/gin"
)

// nothing is the question, or the answer, of a call that has none.
type nothing struct{}

// call is one request with its question read.
type call[Q any] struct {
	context.Context
	// ID is the id in the path, Part that of a part of the thing.
	ID, Part string
	Asked    Q
}

// answering makes a handler of a function from question to answer. The question
// is read strictly; an error becomes the problem that says it best.
func answering[Q, A any](s *server, status int, answer func(call[Q]) (A, error)) gin.HandlerFunc {
	return func(c *gin.Context) {
		asked := call[Q]{Context: c, ID: c.Param("id"), Part: c.Param("part")}
		if _, none := any(asked.Asked).(nothing); !none && !read(c, &asked.Asked) {
			return
		}
		a, err := answer(asked)
		if err != nil {
			s.failWith(c, err)
			return
		}
		if _, none := any(a).(nothing); none {
			c.Status(nethttp.StatusNoContent)
			return
		}
		c.JSON(status, a)
	}
}
