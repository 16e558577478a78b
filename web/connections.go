package web

import (
	"net"
	"sync"
)

// Connections that are open at once, of one address and of all. A browser opens six.
const (
	mostOfAddress   = 256
	mostConnections = 1024
)

// fewEach is a listener that closes at once what one stranger opens beyond their share.
type fewEach struct {
	net.Listener

	mu   sync.Mutex
	open map[string]int
	all  int
}

func newFewEach(l net.Listener) *fewEach { return &fewEach{Listener: l, open: map[string]int{}} }

// Accept implements net.Listener.
func (l *fewEach) Accept() (net.Conn, error) {
	for {
		conn, err := l.Listener.Accept()
		if err != nil {
			return nil, err
		}
		from := addressOf(conn)
		l.mu.Lock()
		room := l.open[from] < mostOfAddress && l.all < mostConnections
		if room {
			l.open[from]++
			l.all++
		}
		l.mu.Unlock()
		if room {
			return &counted{Conn: conn, gone: sync.OnceFunc(func() { l.leave(from) })}, nil
		}
		_ = conn.Close() // nothing of it was read
	}
}

func (l *fewEach) leave(from string) {
	l.mu.Lock()
	defer l.mu.Unlock()
	l.all--
	if l.open[from]--; l.open[from] == 0 {
		delete(l.open, from)
	}
}

func addressOf(conn net.Conn) string {
	host, _, err := net.SplitHostPort(conn.RemoteAddr().String())
	if err != nil {
		return conn.RemoteAddr().String()
	}
	return host
}

// counted is a connection that is taken off the count when it is closed.
type counted struct {
	net.Conn
	gone func()
}

// Close implements net.Conn.
func (c *counted) Close() error {
	c.gone()
	return c.Conn.Close()
}
