package web

import (
	"bytes"
	"compress/gzip"
	"crypto/rand"
	"io/fs"
	"mime"
	"net/http"
	"path"
	"regexp"
	"strings"
	"sync"

	"github.com/gin-gonic/gin"
)

// noncePlace stands in index.html where the nonce of the page belongs.
const noncePlace = "__NONCE__"

// pages serves the built interface: files as they are, and index.html for
// every other path, since the interface reads the URL itself.
type pages struct {
	files fs.FS
	index []byte // nil when the interface is not built
	// build names the interface; empty when it is not built.
	build string

	mu     sync.Mutex
	zipped map[string][]byte
}

func newPages(files fs.FS) *pages {
	p := &pages{files: files, zipped: map[string][]byte{}}
	index, err := fs.ReadFile(files, "index.html")
	if err == nil {
		p.index = index
	}
	if found := buildPlace.FindSubmatch(index); found != nil {
		p.build = string(found[1])
	}
	return p
}

// buildPlace is where index.html says which build of the interface it is.
var buildPlace = regexp.MustCompile(`<meta name="build" content="([0-9a-f]+)"`)

// named says with every answer of the API which interface is served, so that an open page of an older one knows.
func (p *pages) named(c *gin.Context) {
	if p.build != "" && isAPI(c.Request.URL.Path) {
		c.Header("Acorn-Step-Build", p.build)
	}
}

const notBuilt = `<!doctype html><html lang="en"><meta charset="utf-8"><title>Acorn Step</title>
<h1>The interface is not built yet</h1><p>Run <code>make build</code> in the project's folder and start the program again.
The commands <code>acornstep plan</code> and <code>acornstep check</code> work without it.</p></html>`

func (p *pages) serve(c *gin.Context) {
	if c.Request.Method != http.MethodGet && c.Request.Method != http.MethodHead {
		fail(c, http.StatusMethodNotAllowed, c.Request.Method+" is not possible at "+c.Request.URL.Path)
		return
	}
	if p.index == nil {
		c.Data(http.StatusServiceUnavailable, "text/html; charset=utf-8", []byte(notBuilt))
		return
	}
	name := strings.TrimPrefix(path.Clean(c.Request.URL.Path), "/")
	if content, err := fs.ReadFile(p.files, name); err == nil && name != "index.html" {
		p.serveFile(c, name, content)
		return
	}
	if strings.HasPrefix(name, "assets/") {
		fail(c, http.StatusNotFound, "there is nothing at "+c.Request.URL.Path)
		return
	}
	nonce := rand.Text()
	c.Header("Content-Security-Policy", contentPolicy(nonce))
	c.Header("Cache-Control", "no-store")
	c.Data(http.StatusOK, "text/html; charset=utf-8", bytes.ReplaceAll(p.index, []byte(noncePlace), []byte(nonce)))
}

func (p *pages) serveFile(c *gin.Context, name string, content []byte) {
	kind := mime.TypeByExtension(path.Ext(name))
	if kind == "" {
		kind = "application/octet-stream"
	}
	if strings.HasPrefix(name, "assets/") {
		c.Header("Cache-Control", "public, max-age=31536000, immutable") // the name holds a hash of the content
	}
	c.Header("Vary", "Accept-Encoding")
	if strings.Contains(c.GetHeader("Accept-Encoding"), "gzip") {
		if zipped := p.zip(name, content); len(zipped) < len(content) {
			c.Header("Content-Encoding", "gzip")
			content = zipped
		}
	}
	c.Data(http.StatusOK, kind, content)
}

// zip compresses a file once.
func (p *pages) zip(name string, content []byte) []byte {
	p.mu.Lock()
	defer p.mu.Unlock()
	if done, ok := p.zipped[name]; ok {
		return done
	}
	var b bytes.Buffer
	w, _ := gzip.NewWriterLevel(&b, gzip.BestCompression) // the level is valid
	_, _ = w.Write(content)                               // a buffer takes everything
	_ = w.Close()
	p.zipped[name] = b.Bytes()
	return b.Bytes()
}
