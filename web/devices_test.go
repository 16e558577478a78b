package web_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"pgregory.net/rapid"

	"acornstep/sock/needles/logbook"
	"acornstep/web"
)

// device counts on its own, as a phone does on a train, and speaks with the program now and then.
type device struct {
	name    string
	sock    string // part of its events' ids, which are never used again
	waiting []logbook.Event
	heard   []logbook.Event
	seq     int64
	clock   int64
}

func (d *device) tick(row int) {
	for _, e := range d.heard {
		d.clock = max(d.clock, e.Clock)
	}
	d.clock++
	d.waiting = append(d.waiting, logbook.Event{ID: fmt.Sprintf("%s-%s-%d", d.sock, d.name, d.clock), Device: d.name, Clock: d.clock,
		At: 1_795_000_000_000, Kind: logbook.RowDone, Version: 1, Sock: 1, Row: row})
}

// send gives away what waits and hears what is new; an answer that is lost on the way leaves everything waiting.
func (d *device) send(t *rapid.T, a api, path string, lost bool) web.EventsSince {
	var texts []string
	for _, e := range d.waiting {
		texts = append(texts, fmt.Sprintf(`{"id":%q,"device":%q,"clock":%d,"at_ms":%d,"kind":"row","version":1,"sock":1,"row":%d}`, e.ID,
			e.Device, e.Clock, e.At, e.Row))
	}
	r := a.do("POST", path+"/events", fmt.Sprintf(`{"events":[%s],"after":%d}`, strings.Join(texts, ","), d.seq))
	if r.status != 200 {
		t.Fatal(r.text)
	}
	var heard web.EventsSince
	r.into(a.t, &heard)
	if !lost {
		d.waiting, d.seq = nil, heard.Seq
		d.heard = append(d.heard, heard.Events...)
	}
	return heard
}

// However devices tick, send, lose answers and send again: each hears every event exactly once, and all of them and the
// program stand at the same row.
func TestDevicesHearEveryEventOnce(t *testing.T) {
	a := start(t, "")
	rapid.Check(t, func(t *rapid.T) {
		path, _ := a.onNeedles()
		var devices []*device
		for _, name := range []string{"phone", "tablet", "laptop"} {
			devices = append(devices, &device{name: name, sock: path[len("/api/socks/"):]})
		}
		ticked := 0
		for range rapid.IntRange(3, 25).Draw(t, "steps") {
			d := devices[rapid.IntRange(0, len(devices)-1).Draw(t, "device")]
			if rapid.Bool().Draw(t, "tick") {
				d.tick(rapid.IntRange(0, 60).Draw(t, "row"))
				ticked++
			} else {
				d.send(t, a, path, rapid.IntRange(0, 3).Draw(t, "lost") == 0)
			}
		}
		for range 2 { // the first time everything is given away, the second time everything is heard
			for _, d := range devices {
				d.send(t, a, path, false)
			}
		}
		var want logbook.Book
		for i, d := range devices {
			seen := map[string]bool{}
			for _, e := range d.heard {
				if seen[e.ID] {
					t.Fatalf("%s heard %s twice", d.name, e.ID)
				}
				seen[e.ID] = true
			}
			if len(seen) != ticked {
				t.Fatalf("%d rows were ticked, %s heard %d", ticked, d.name, len(seen))
			}
			book := logbook.Read(d.heard)
			if i == 0 {
				want = book
			}
			if book.Places != want.Places || devices[0].send(t, a, path, true).Tally.Book.Places != want.Places {
				t.Fatalf("%s stands at %+v, expected %+v", d.name, book.Places, want.Places)
			}
		}
	})
}

// A sock is opened while others tick on it: what it gets is whole, and what comes after it is heard next.
func TestOpeningWhileOthersTick(t *testing.T) {
	a := start(t, "")
	path, _ := a.onNeedles()
	done := make(chan error, 1)
	go func() {
		for row := range 40 {
			r := a.do("POST", path+"/events", fmt.Sprintf(`{"brief":true,"after":0,"events":[{"id":"t%d","device":"tablet","clock":%d,"at_ms":1795000000000,"kind":"row","version":1,"sock":1,"row":%d}]}`, row, row+1, row))
			if r.status != 200 {
				done <- fmt.Errorf("row %d: %s", row, r.text)
				return
			}
		}
		done <- nil
	}()
	var opened web.KnitView
	for len(opened.Events) < 20 {
		a.do("GET", path+"/knit", "").into(t, &opened)
		for i, e := range opened.Events {
			require.Equal(t, i, e.Row, "no event is left out")
		}
		assert.Equal(t, len(opened.Events), opened.Tally.Book.Places[0].Row)
	}
	require.NoError(t, <-done)
	var heard web.EventsSince
	a.do("POST", path+"/events", fmt.Sprintf(`{"events":[],"after":%d}`, opened.Seq)).into(t, &heard)
	require.Len(t, heard.Events, 40-len(opened.Events))
	assert.Equal(t, 40, heard.Tally.Book.Places[0].Row)
}
