package web

import (
	"context"
	"net/http"
	"time"

	"github.com/gin-gonic/gin"
)

// What is kept here is named in every answer, and a page says in its questions which it knows. A copy that was put in
// place is another one: nothing is written into it by a page that has not seen that yet.
const (
	storeHeader = "Acorn-Step-Store"
	// knowsHeader is the last moment that a copy knows of which was put in place.
	knowsHeader = "Acorn-Step-Knows"
)

// anotherStore is what a page is told that knows another one.
const anotherStore = "a copy was put in the place of what this page knows: look at it before anything is written into it"

// keptHere names the store in every answer of the API, and refuses to write for a page that knows another one.
func keptHere(o *Options) (gin.HandlerFunc, error) {
	if o.Keeper == nil {
		return func(*gin.Context) {}, nil
	}
	id, knows, err := o.Keeper.Identity(context.Background())
	if err != nil {
		return nil, err
	}
	return func(c *gin.Context) {
		if !isAPI(c.Request.URL.Path) {
			return
		}
		c.Header(storeHeader, id)
		if !knows.IsZero() {
			c.Header(knowsHeader, knows.UTC().Format(time.RFC3339))
		}
		if known := c.GetHeader(storeHeader); known != "" && known != id && c.Request.Method != http.MethodGet &&
			c.Request.URL.Path != "/api/session" {
			write(c, Problem{Status: http.StatusPreconditionFailed, Title: "Put back", Detail: anotherStore})
		}
	}, nil
}

// endLent ends the links that were lent under another passphrase.
func endLent(o *Options, key string) error {
	if o.Shares == nil {
		return nil
	}
	n, err := o.Shares.EndShares(context.Background(), key)
	if n > 0 {
		o.Log.Info("the passphrase is another one: links that were lent under the one before have ended", "links", n)
	}
	return err
}
