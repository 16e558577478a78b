package scale

import (
	"bufio"
	"math"
	"net"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

func serve(t *testing.T, answer func(net.Conn)) string {
	t.Helper()
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	t.Cleanup(func() { _ = listener.Close() })
	go func() {
		for {
			connection, err := listener.Accept()
			if err != nil {
				return
			}
			go answer(connection)
		}
	}()
	return listener.Addr().String()
}

func TestTheSimulatedScaleOverItsPort(t *testing.T) {
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	var s Simulated
	served := make(chan error, 1)
	go func() { served <- s.Serve(listener) }()
	s.Put(71.3, 3)
	grams, err := Read(t.Context(), listener.Addr().String())
	require.NoError(t, err)
	assert.InDelta(t, 71.3, grams, 1e-9, "after it has stopped swinging")
	connection, err := net.Dial("tcp", listener.Addr().String())
	require.NoError(t, err)
	_, err = connection.Write([]byte("WEIGH\nREAD\n"))
	require.NoError(t, err)
	lines := bufio.NewScanner(connection)
	require.True(t, lines.Scan())
	assert.Equal(t, "ERR send READ", lines.Text())
	require.True(t, lines.Scan())
	assert.Equal(t, "71.3 g", lines.Text())
	require.NoError(t, connection.Close())
	require.NoError(t, listener.Close())
	require.NoError(t, <-served)
	_, err = Read(t.Context(), listener.Addr().String())
	assert.ErrorContains(t, err, "no scale answers")
}

func TestScalesThatMisbehave(t *testing.T) {
	for said, want := range map[string]string{
		"71.3 lb\n": "an answer looks like 71.3 g", "-4 g\n": "looks like", "NaN g\n": "looks like",
		"ERR battery low\n": "the scale says: battery low", "\n": "looks like",
	} {
		address := serve(t, func(c net.Conn) { _, _ = c.Write([]byte(said)) })
		_, err := Read(t.Context(), address)
		assert.ErrorContains(t, err, want, said)
	}
	address := serve(t, func(c net.Conn) { _ = c.Close() })
	_, err := Read(t.Context(), address)
	assert.Error(t, err)
}

func FuzzParse(f *testing.F) {
	for _, seed := range []string{"71.3 g", "WAIT", "ERR x", "1e309 g", " g", "0x1p-2 g"} {
		f.Add(seed)
	}
	f.Fuzz(func(t *testing.T, line string) {
		grams, _, err := Parse(line)
		if err == nil && (math.IsNaN(grams) || grams < 0 || grams > most) {
			t.Fatalf("%q is %v", line, grams)
		}
	})
}
