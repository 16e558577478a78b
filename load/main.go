// Command load fills a database with many socks and events, lets many devices
// tap at once over HTTP, counts what was lost and prints how long things took.
// It fails when a tap was lost or written twice, never because a machine is slow.
package main

import (
	"bytes"
	"context"
	"encoding/json"
	"flag"
	"fmt"
	"io"
	"log/slog"
	"net/http/httptest"
	"os"
	"path/filepath"
	"slices"
	"sync"
	"syscall"
	"testing/fstest"
	"time"

	"net/http"

	"acornstep/demo"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/basket"
	"acornstep/sqlite"
	"acornstep/web"
)

func main() {
	socks := flag.Int("socks", 10_000, "socks in the database")
	events := flag.Int("events", 2_000_000, "events in the database")
	devices := flag.Int("devices", 50, "devices that tap at once")
	seconds := flag.Int("seconds", 60, "how long they tap, five times a second each")
	program := flag.String("heavy", "", "measure the memory of this program instead, started for each of what takes much")
	flag.Parse()
	if *program != "" {
		if err := heavy(*program); err != nil {
			fmt.Fprintln(os.Stderr, err)
			os.Exit(1)
		}
		return
	}
	if err := run(*socks, *events, *devices, *seconds); err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
}

func run(socks, events, devices, seconds int) error {
	ctx := context.Background()
	folder, err := os.MkdirTemp("", "acornstep-load-")
	if err != nil {
		return err
	}
	defer os.RemoveAll(folder)
	store, err := sqlite.Open(ctx, filepath.Join(folder, "load.db"), time.Now)
	if err != nil {
		return err
	}
	defer store.Close()
	if err := demo.Fill(ctx, store); err != nil {
		return err
	}
	sock, err := fill(ctx, store, socks, events)
	if err != nil {
		return err
	}
	handler, err := web.New(web.Options{
		Basket: store, Feet: store, Swatches: store, Logbook: store, Keeper: store, Discards: store, Importer: store, Shares: store,
		Interface: fstest.MapFS{}, Log: slog.New(slog.DiscardHandler), Release: "load", Now: time.Now,
	})
	if err != nil {
		return err
	}
	server := httptest.NewServer(handler)
	defer server.Close()
	path := server.URL + "/api/socks/" + sock.ID
	if err := open(path); err != nil {
		return err
	}
	if err := tapAll(ctx, store, sock, path, devices, seconds); err != nil {
		return err
	}
	var used syscall.Rusage
	if err := syscall.Getrusage(syscall.RUSAGE_SELF, &used); err != nil {
		return err
	}
	fmt.Printf("program and devices together took at most %d MB of memory\n", used.Maxrss>>10)
	return nil
}

// openedEvents are on the sock that is opened and tapped.
const openedEvents = 5000

// fill adds socks like the first that is on the needles, and spreads events over them.
func fill(ctx context.Context, store *sqlite.Store, socks, events int) (basket.Sock, error) {
	began := time.Now()
	list, err := store.List(ctx)
	if err != nil {
		return basket.Sock{}, err
	}
	i := slices.IndexFunc(list, func(s basket.Sock) bool { return s.OnNeedles })
	tapped := list[i]
	plan, err := store.Edition(ctx, tapped.ID, 1)
	if err != nil {
		return tapped, err
	}
	each := max(0, events-openedEvents) / max(1, socks-len(list))
	for n := len(list); n < socks; n++ {
		sock := tapped
		if sock, err = store.Add(ctx, sock); err != nil {
			return tapped, err
		}
		if err := store.AddEdition(ctx, sock.ID, plan, [2]int{}); err != nil {
			return tapped, err
		}
		if _, err := store.AddEvents(ctx, sock.ID, made(sock.ID, each)); err != nil {
			return tapped, err
		}
	}
	_, err = store.AddEvents(ctx, tapped.ID, made("opened", openedEvents))
	fmt.Printf("%d socks, about %d events, filled in %.0f s\n", socks, each*(socks-len(list))+openedEvents, time.Since(began).Seconds())
	return tapped, err
}

func made(name string, n int) []logbook.Event {
	list := make([]logbook.Event, n)
	for i := range list {
		list[i] = logbook.Event{ID: fmt.Sprintf("%s-%d", name, i), Device: "load", Clock: int64(i + 1), At: int64(i+1) * 90_000,
			Kind: logbook.RowDone, Version: 1, Sock: 1, Row: i % 180}
	}
	return list
}

func open(path string) error {
	var times []time.Duration
	for range 20 {
		began := time.Now()
		if err := call(http.MethodGet, path+"/knit", nil); err != nil {
			return err
		}
		times = append(times, time.Since(began))
	}
	report("opening a sock with 5,000 events", times)
	times = nil
	for range 20 {
		began := time.Now()
		if err := call(http.MethodPost, path+"/where",
			map[string]any{"logged": 40, "unit": "cm", "seen": map[string]any{"needle1": 32, "right": 3, "left": 3}}); err != nil {
			return err
		}
		times = append(times, time.Since(began))
	}
	report("where am I", times)
	return nil
}

func call(method, url string, question any) error {
	var body io.Reader
	if question != nil {
		text, err := json.Marshal(question)
		if err != nil {
			return err
		}
		body = bytes.NewReader(text)
	}
	request, err := http.NewRequest(method, url, body)
	if err != nil {
		return err
	}
	request.Header.Set("Content-Type", "application/json")
	response, err := http.DefaultClient.Do(request)
	if err != nil {
		return err
	}
	defer response.Body.Close()
	text, err := io.ReadAll(response.Body)
	if err == nil && response.StatusCode != http.StatusOK {
		err = fmt.Errorf("%s: %s %.200s", url, response.Status, text)
	}
	return err
}

// tapAll lets devices tap at once, and counts what is on the disk afterwards.
func tapAll(ctx context.Context, store *sqlite.Store, sock basket.Sock, path string, devices, seconds int) error {
	const each = 200 * time.Millisecond
	var mu sync.Mutex
	var times []time.Duration
	var failed error
	sent := map[string]bool{}
	var group sync.WaitGroup
	for d := range devices {
		group.Go(func() {
			ticker := time.NewTicker(each)
			defer ticker.Stop()
			for n := range seconds * int(time.Second/each) {
				<-ticker.C
				e := logbook.Event{ID: fmt.Sprintf("tap-%d-%d", d, n), Device: fmt.Sprintf("device-%d", d),
					Clock: int64(openedEvents + n), At: time.Now().UnixMilli(), Kind: logbook.RowDone, Version: 1, Sock: 1, Row: n % 180}
				began := time.Now()
				err := call(http.MethodPost, path+"/events", web.NewEvents{Events: []logbook.Event{e}, Brief: true})
				took := time.Since(began)
				mu.Lock()
				times = append(times, took)
				if err != nil {
					failed = err
				} else {
					sent[e.ID] = true
				}
				mu.Unlock()
			}
		})
	}
	group.Wait()
	report(fmt.Sprintf("a tap on the disk, %d devices, 5 a second each", devices), times)
	events, _, err := store.Events(ctx, sock.ID, 0)
	if err != nil {
		return err
	}
	seen := map[string]int{}
	for _, e := range events {
		seen[e.ID]++
	}
	lost, twice := 0, 0
	for id := range sent {
		if seen[id] == 0 {
			lost++
		}
		if seen[id] > 1 {
			twice++
		}
	}
	fmt.Printf("%d taps acknowledged, %d lost, %d twice\n", len(sent), lost, twice)
	if failed != nil {
		return failed
	}
	if lost+twice > 0 {
		return fmt.Errorf("%d taps lost, %d twice", lost, twice)
	}
	return nil
}

func report(name string, times []time.Duration) {
	slices.Sort(times)
	at := func(share float64) time.Duration { return times[min(len(times)-1, int(float64(len(times))*share))] }
	fmt.Printf("%s: median %.1f ms, 95 %% %.1f ms, most %.1f ms\n", name, ms(at(0.5)), ms(at(0.95)), ms(at(1)))
}

func ms(d time.Duration) float64 { return float64(d.Microseconds()) / 1000 }
