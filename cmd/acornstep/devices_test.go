package main

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"net"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"acornstep/scale"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/needles/tally"
	"acornstep/web"
)

// The pedal asks where the sock is, and writes the next row by the same door as every device.
func TestThePedalTicksRow(t *testing.T) {
	var written []logbook.Event
	server := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		assert.Equal(t, "/api/socks/ABC/events", r.URL.Path)
		var asked web.NewEvents
		assert.NoError(t, json.NewDecoder(r.Body).Decode(&asked))
		written = append(written, asked.Events...)
		assert.NoError(t, json.NewEncoder(w).Encode(web.EventsSince{Events: written, Tally: tally.Tally{Book: logbook.Read(written)}}))
	}))
	defer server.Close()
	var out bytes.Buffer
	err := runPedal([]string{"--server", server.URL + "/", "--sock", "ABC"}, streams{strings.NewReader("\n\n\n"), &out, io.Discard})
	require.NoError(t, err)
	require.Len(t, written, 3)
	assert.Equal(t, 3, logbook.Read(written).Places[0].Row)
	for _, e := range written {
		assert.Empty(t, e.Validate())
	}
	assert.Contains(t, out.String(), "row 3 done")
}

func TestThePedalSaysWhatIsWrong(t *testing.T) {
	quiet := streams{strings.NewReader("\n"), io.Discard, io.Discard}
	require.ErrorContains(t, runPedal(nil, quiet), "--sock")
	server := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		w.WriteHeader(http.StatusNotFound)
		fmt.Fprint(w, `{"type":"about:blank","title":"Not Found","status":404,"detail":"there is no such sock"}`)
	}))
	require.ErrorContains(t, runPedal([]string{"--server", server.URL, "--sock", "ABC"}, quiet), "there is no such sock")
	server.Close()
	quiet.in = strings.NewReader("\n")
	require.ErrorContains(t, runPedal([]string{"--server", server.URL, "--sock", "ABC"}, quiet), "does not answer")
}

func TestTheScaleWeighsWhatIsTyped(t *testing.T) {
	free, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	address := free.Addr().String()
	require.NoError(t, free.Close())
	typed, hand := io.Pipe()
	var said bytes.Buffer
	go func() {
		_ = runScale([]string{"--listen", address, "--grams", "98"}, streams{typed, io.Discard, &said})
	}()
	require.Eventually(t, func() bool {
		grams, err := scale.Read(t.Context(), address)
		return err == nil && grams == 98
	}, 5*time.Second, 20*time.Millisecond)
	_, err = hand.Write([]byte("heavy\n71.3\n"))
	require.NoError(t, err)
	require.Eventually(t, func() bool {
		grams, err := scale.Read(t.Context(), address)
		return err == nil && grams == 71.3
	}, 5*time.Second, 20*time.Millisecond)
}
