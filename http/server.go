package http

import (
	"context"
	"errors"
	"io/fs"
	"log/slog"
	"net"
	nethttp "net/http"
	"time"

	"github.com/gin-gonic/gin"

	"acornstep/sock/basket"
)

// Basket keeps socks.
type Basket interface {
	List(ctx context.Context) ([]basket.Sock, error)
	Get(ctx context.Context, id string) (basket.Sock, error)
	Add(ctx context.Context, sock basket.Sock) (basket.Sock, error)
	Save(ctx context.Context, sock basket.Sock) (basket.Sock, error)
	Delete(ctx context.Context, id string) error
	Restore(ctx context.Context, id string) error
	Versions(ctx context.Context, sockID string) ([]basket.Version, error)
	AddVersion(ctx context.Context, sockID string, v basket.Version) (basket.Version, error)
	MarkVersion(ctx context.Context, sockID, id string, deleted bool) error
}

// Options are what a server is made of.
type Options struct {
	Basket   Basket
	Feet     Feet
	Swatches Swatches
	Logbook  Logbook
	// Interface is the built interface; without an index.html a page says what to run.
	Interface fs.FS
	Log       *slog.Logger
	Version   string
	// Passphrase, when not empty, is asked for before anything else is answered.
	Passphrase string
	// Scale is the address of a kitchen scale; empty for none.
	Scale string
	// Names are host names, besides addresses and localhost, under which the program may be reached.
	Names []string
	Now   func() time.Time
}

// Limits of one request.
const (
	maxBody       = 1 << 20 // bytes; a design has about 2,000
	readTimeout   = 15 * time.Second
	writeTimeout  = 30 * time.Second
	idleTimeout   = 2 * time.Minute
	headerTimeout = 5 * time.Second
	stopTimeout   = 5 * time.Second
)

// New makes the handler of the whole program.
func New(o Options) (nethttp.Handler, error) {
	gin.SetMode(gin.ReleaseMode)
	engine := gin.New()
	engine.HandleMethodNotAllowed = true
	gate, err := newGate(o.Passphrase, o.Now)
	if err != nil {
		return nil, err
	}
	s := &server{Options: o, gate: gate}
	engine.Use(s.logged, s.recovered, guarded(o.Names), limited)
	s.routes(engine)
	pages, err := newPages(o.Interface)
	if err != nil {
		return nil, err
	}
	engine.NoRoute(func(c *gin.Context) {
		if isAPI(c.Request.URL.Path) {
			fail(c, nethttp.StatusNotFound, "there is nothing at "+c.Request.URL.Path)
			return
		}
		pages.serve(c)
	})
	engine.NoMethod(func(c *gin.Context) {
		fail(c, nethttp.StatusMethodNotAllowed, c.Request.Method+" is not possible at "+c.Request.URL.Path)
	})
	return engine, nil
}

type server struct {
	Options
	gate *gate
}

func (s *server) routes(engine *gin.Engine) {
	api := engine.Group("/api")
	api.GET("/health", func(c *gin.Context) { c.JSON(nethttp.StatusOK, Health{"ok", s.Version}) })
	api.GET("/openapi.json", serveDocument)
	api.GET("/session", s.session)
	api.POST("/session", s.login)
	api.DELETE("/session", s.logout)
	inside := api.Group("", s.gate.inside)
	s.sockRoutes(inside)
	s.askRoutes(inside)
	s.feetRoutes(inside)
	s.swatchRoutes(inside)
	s.knitRoutes(inside)
}

// Serve answers on the listener until the context ends, and then lets running requests finish.
func Serve(ctx context.Context, listener net.Listener, handler nethttp.Handler) error {
	server := &nethttp.Server{
		Handler: handler, ReadTimeout: readTimeout, WriteTimeout: writeTimeout,
		IdleTimeout: idleTimeout, ReadHeaderTimeout: headerTimeout,
	}
	failed := make(chan error, 1)
	go func() { failed <- server.Serve(listener) }()
	select {
	case err := <-failed:
		return err
	case <-ctx.Done():
	}
	stopping, cancel := context.WithTimeout(context.WithoutCancel(ctx), stopTimeout)
	defer cancel()
	if err := server.Shutdown(stopping); err != nil {
		return errors.Join(err, server.Close())
	}
	return nil
}
