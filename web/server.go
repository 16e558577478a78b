package web

import (
	"context"
	"crypto/tls"
	"errors"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"runtime"
	"time"

	"github.com/gin-gonic/gin"
	"golang.org/x/sync/semaphore"

	"acornstep/sock/papers/basket"
)

// Basket keeps socks.
type Basket interface {
	Page(ctx context.Context, page basket.Page) (socks []basket.Sock, all int, err error)
	Uses(ctx context.Context) ([]basket.Use, error)
	Get(ctx context.Context, id string) (basket.Sock, error)
	Add(ctx context.Context, sock basket.Sock) (basket.Sock, error)
	Save(ctx context.Context, sock basket.Sock) (basket.Sock, error)
	Delete(ctx context.Context, id string) error
	Restore(ctx context.Context, id string) error
	Variants(ctx context.Context, sockID string) ([]basket.Variant, error)
	AddVariant(ctx context.Context, sockID string, v basket.Variant) (basket.Variant, error)
	MarkVariant(ctx context.Context, sockID, id string, deleted bool) error
}

// Practice keeps how often each lesson was done without a fault.
type Practice interface {
	Practised(ctx context.Context) (map[string]int, error)
	AddRun(ctx context.Context, lesson string, times int) error
}

// Keeper answers for the file that everything is kept in.
type Keeper interface {
	// Check says whether it can be written to now.
	Check(ctx context.Context) error
	// Identity names what is kept; it changes when a copy is put in its place, which knows of nothing after a moment; zero for none.
	Identity(ctx context.Context) (id string, knows time.Time, err error)
	// Trouble says in a sentence what hinders the file when an error came from that, and whether its disk is full;
	// otherwise the text is empty.
	Trouble(err error) (text string, full bool)
}

// Options are what a server is made of.
type Options struct {
	Basket   Basket
	Feet     Feet
	Swatches Swatches
	Logbook  Logbook
	Keeper   Keeper
	Visits   Visits
	Discards Discards
	Importer Importer
	Shares   Shares
	Practice Practice
	// Addresses are those at which the program is reached, as it listens now; nil for nobody knows.
	Addresses func() []string
	// Copies may be nil: then none are made.
	Copies Copies
	// Hold keeps the file behind the program from being changed for another until the answer is called; nil where nobody changes it.
	Hold func() (release func())
	// Interface is the built interface; without an index.html a page says what to run.
	Interface fs.FS
	Log       *slog.Logger
	// Release names the version of the program.
	Release string
	// Passphrase, when not empty, is asked for before anything else is answered.
	Passphrase string
	// Scale is the address of a kitchen scale; empty for none.
	Scale string
	// Proxy: one on this machine passes requests on, and is believed what it says of whoever asks.
	Proxy bool
	// Names are host names, besides addresses and localhost, under which the program may be reached.
	Names []string
	Now   func() time.Time
}

// Limits of one request.
const (
	// Bytes of a body: a design has about 2,000, a passphrase some dozens; events may carry pictures.
	mostBytes = 256 << 10
	// Headers: the library reads 4 KB more before it says so.
	mostOfHeaders = 12 << 10
	mostLogin     = 4 << 10
	mostOfEvents  = 1 << 20
	mostOfFile    = 8 << 20
	readTimeout   = 15 * time.Second
	writeTimeout  = 30 * time.Second
	idleTimeout   = 2 * time.Minute
	headerTimeout = 5 * time.Second
	stopTimeout   = 5 * time.Second
)

// New makes the handler of the whole program.
func New(o Options) (http.Handler, error) {
	gin.SetMode(gin.ReleaseMode)
	engine := gin.New()
	engine.HandleMethodNotAllowed = true
	gate, err := newGate(&o)
	if err != nil {
		return nil, err
	}
	if err := endLent(&o, gate.key()); err != nil {
		return nil, err
	}
	room := newHeavy()
	drawn, err := newDrawings(room)
	if err != nil {
		return nil, err
	}
	printed, err := newPrints()
	if err != nil {
		return nil, err
	}
	shelf, err := newShelf(o.Logbook)
	if err != nil {
		return nil, err
	}
	s := &server{Options: o, gate: gate, shelf: shelf, passes: newPasses(o.Now), heavy: room, prints: printed, drawings: drawn,
		tables: semaphore.NewWeighted(int64(2 * runtime.GOMAXPROCS(0)))}
	pages := newPages(o.Interface)
	kept, err := keptHere(&o)
	if err != nil {
		return nil, err
	}
	engine.Use(s.logged, s.recovered, guarded(o.Names), kept, pages.named)
	s.register(engine)
	engine.NoRoute(func(c *gin.Context) {
		if isAPI(c.Request.URL.Path) {
			fail(c, http.StatusNotFound, "there is nothing at "+c.Request.URL.Path)
			return
		}
		pages.serve(c)
	})
	engine.NoMethod(func(c *gin.Context) {
		fail(c, http.StatusMethodNotAllowed, c.Request.Method+" is not possible at "+c.Request.URL.Path)
	})
	return engine, nil
}

type server struct {
	Options
	gate     *gate
	shelf    *shelf
	passes   *passes
	upload   upload
	heavy    *heavy
	prints   *prints
	drawings *drawings
	// tables are where socks are worked out, each by one request.
	tables *semaphore.Weighted
}

// health says that the program answers, and whether it can keep what it is told.
func (s *server) health(c *gin.Context) {
	if s.Keeper != nil {
		if err := s.Keeper.Check(c.Request.Context()); err != nil {
			s.failWith(c, err)
			return
		}
	}
	c.JSON(http.StatusOK, Health{"ok", s.Release})
}

// Serve answers on the listener until the context ends, and then lets running requests finish; with https where it
// is told how, nil for plain http.
func Serve(ctx context.Context, listener net.Listener, secure *tls.Config, handler http.Handler) error {
	server := &http.Server{
		Handler: handler, ReadTimeout: readTimeout, WriteTimeout: writeTimeout,
		IdleTimeout: idleTimeout, ReadHeaderTimeout: headerTimeout, MaxHeaderBytes: mostOfHeaders, TLSConfig: secure,
	}
	few := newFewEach(listener) // below https: the server has to see for itself that a connection is encrypted
	failed := make(chan error, 1)
	go func() {
		if secure == nil {
			failed <- server.Serve(few)
		} else {
			failed <- server.ServeTLS(few, "", "") // the configuration has the certificate
		}
	}()
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
