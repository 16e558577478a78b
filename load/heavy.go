package main

import (
	"archive/zip"
	"bytes"
	"context"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"sync"
	"sync/atomic"
	"time"

	"acornstep/demo"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/basket"
	"acornstep/sqlite"
	"acornstep/web"
)

// heavySocks are in the basket whose memory is measured.
const heavySocks = 1500

// heavy starts the program anew for each of what takes much memory, has it asked for many times at once while
// somebody taps, and prints how much memory it took at most, and how long the taps took.
func heavy(program string) error {
	folder, err := os.MkdirTemp("", "acornstep-heavy-")
	if err != nil {
		return err
	}
	defer os.RemoveAll(folder)
	ids, err := fillHeavy(filepath.Join(folder, "socks.db"))
	if err != nil {
		return err
	}
	fmt.Printf("heavy: %d socks\n%-44s %8s %9s %26s\n", heavySocks, "", "took", "memory", "a tap meanwhile: 50/95/max")
	for _, one := range []struct {
		name string
		do   func(base string) (string, error)
	}{
		{"60 patterns of 60 socks at once", func(base string) (string, error) {
			return atOnce(60, func(n int) (int, error) { return get(base + "/api/socks/" + ids[n] + "/files/pattern.pdf") })
		}},
		{"150 opens of one lent link at once", func(base string) (string, error) {
			link, err := lend(base, ids[3])
			if err != nil {
				return "", err
			}
			return atOnce(150, func(int) (int, error) { return get(link) })
		}},
		{"60 previews of rows at once", func(base string) (string, error) {
			return atOnce(60, func(n int) (int, error) { return get(base + "/api/socks/" + ids[heavySocks-1-n] + "/knit") })
		}},
		{"40 hostile archives at once", func(base string) (string, error) {
			bomb, err := hostile()
			if err != nil {
				return "", err
			}
			return atOnce(40, func(int) (int, error) { return post(base+"/api/archive", bomb) })
		}},
		{"the whole basket as one archive", func(base string) (string, error) {
			return atOnce(1, func(int) (int, error) { return get(base + "/api/archive") })
		}},
		{"the whole basket in parts", func(base string) (string, error) {
			return atOnce(1, func(int) (int, error) { return parts(base) })
		}},
	} {
		if err := measured(program, folder, ids[0], one.name, one.do); err != nil {
			return fmt.Errorf("%s: %w", one.name, err)
		}
	}
	return nil
}

// fillHeavy makes a basket: two thirds are on the needles, the rest is designed only.
func fillHeavy(path string) ([]string, error) {
	ctx := context.Background()
	store, err := sqlite.Open(ctx, path, time.Now)
	if err != nil {
		return nil, err
	}
	defer store.Close()
	if err := demo.Fill(ctx, store); err != nil {
		return nil, err
	}
	list, err := store.List(ctx)
	if err != nil {
		return nil, err
	}
	first := list[slices.IndexFunc(list, func(s basket.Sock) bool { return s.OnNeedles })]
	plan, err := store.Edition(ctx, first.ID, 1)
	if err != nil {
		return nil, err
	}
	var ids []string
	for n := range heavySocks {
		sock := first
		sock.Name = fmt.Sprintf("Roof socks %d", n+1)
		if sock, err = store.Add(ctx, sock); err != nil {
			return nil, err
		}
		ids = append(ids, sock.ID)
		if n > 2*heavySocks/3 {
			continue
		}
		if err := store.AddEdition(ctx, sock.ID, plan, [2]int{}); err != nil {
			return nil, err
		}
		if _, err := store.AddEvents(ctx, sock.ID, made(sock.ID, 150)); err != nil {
			return nil, err
		}
	}
	return ids, nil
}

// measured starts the program, taps while something is done, and prints what it took.
func measured(program, folder, tapped, name string, do func(base string) (string, error)) error {
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return err
	}
	address := listener.Addr().String()
	if err := listener.Close(); err != nil {
		return err
	}
	child := exec.Command(program, "serve", "--listen", address, "--db", filepath.Join(folder, "socks.db"), "--copies", "none")
	child.Stderr = io.Discard
	if err := child.Start(); err != nil {
		return err
	}
	defer func() { _ = child.Process.Kill(); _ = child.Wait() }()
	base := "http://" + address
	for range 100 {
		if status, err := get(base + "/api/health"); err == nil && status == http.StatusOK {
			break
		}
		time.Sleep(50 * time.Millisecond)
	}
	var times []time.Duration
	var stop atomic.Bool
	var taps sync.WaitGroup
	taps.Go(func() {
		for n := 0; !stop.Load(); n++ {
			e := logbook.Event{ID: fmt.Sprintf("%s-%d-%d", strings.ReplaceAll(name, " ", "-")[:12], child.Process.Pid, n),
				Device: "heavy", Clock: int64(200 + n), At: time.Now().UnixMilli(), Kind: logbook.RowDone, Version: 1, Sock: 1,
				Row: n % 180}
			began := time.Now()
			if err := call(http.MethodPost, base+"/api/socks/"+tapped+"/events",
				web.NewEvents{Events: []logbook.Event{e}, Brief: true}); err == nil {
				times = append(times, time.Since(began))
			}
			time.Sleep(50 * time.Millisecond)
		}
	})
	began := time.Now()
	said, err := do(base)
	took := time.Since(began)
	stop.Store(true)
	taps.Wait()
	if err != nil {
		return err
	}
	slices.Sort(times)
	at := func(share float64) time.Duration {
		if len(times) == 0 {
			return 0
		}
		return times[int(share*float64(len(times)-1))].Round(time.Millisecond)
	}
	fmt.Printf("%-44s %7.1fs %6s MB %8s %8s %8s  %s\n", name, took.Seconds(), most(child.Process.Pid), at(0.5), at(0.95), at(1), said)
	return nil
}

var highWater = regexp.MustCompile(`VmHWM:\s+(\d+) kB`)

// most is the largest memory of a process so far, in megabytes, as the system tells.
func most(pid int) string {
	text, err := os.ReadFile(fmt.Sprintf("/proc/%d/status", pid))
	found := highWater.FindSubmatch(text)
	if err != nil || found == nil {
		return "?"
	}
	return string(found[1][:max(1, len(found[1])-3)])
}

// atOnce asks so many times at once and says how many got which answer.
func atOnce(n int, ask func(n int) (int, error)) (string, error) {
	var mu sync.Mutex
	answers := map[string]int{}
	var group sync.WaitGroup
	for i := range n {
		group.Go(func() {
			status, err := ask(i)
			answer := fmt.Sprint(status)
			if err != nil {
				answer = "broken off"
			}
			mu.Lock()
			answers[answer]++
			mu.Unlock()
		})
	}
	group.Wait()
	return strings.TrimPrefix(fmt.Sprint(answers), "map"), nil
}

func get(url string) (int, error) {
	answer, err := http.Get(url)
	if err != nil {
		return 0, err
	}
	defer answer.Body.Close()
	_, err = io.Copy(io.Discard, answer.Body)
	return answer.StatusCode, err
}

func post(url string, body []byte) (int, error) {
	answer, err := http.Post(url, "application/zip", bytes.NewReader(body))
	if err != nil {
		return 0, err
	}
	defer answer.Body.Close()
	_, err = io.Copy(io.Discard, answer.Body)
	return answer.StatusCode, err
}

var linkIn = regexp.MustCompile(`/api/shared/[A-Z0-9]+`)

func lend(base, id string) (string, error) {
	answer, err := http.Post(base+"/api/socks/"+id+"/shares", "application/json", nil)
	if err != nil {
		return "", err
	}
	defer answer.Body.Close()
	text, err := io.ReadAll(answer.Body)
	if err != nil {
		return "", err
	}
	return base + string(linkIn.Find(text)), nil
}

// parts takes the basket away part by part.
func parts(base string) (int, error) {
	for from := "0"; ; {
		answer, err := http.Get(base + "/api/archive?from=" + from)
		if err != nil {
			return 0, err
		}
		_, err = io.Copy(io.Discard, answer.Body)
		_ = answer.Body.Close()
		next := answer.Header.Get("Acorn-Step-Next")
		if err != nil || next == "" || answer.StatusCode != http.StatusOK {
			return answer.StatusCode, err
		}
		from = next
	}
}

// hostile is a small archive of a sock that becomes large: files of sixteen megabytes each, of nothing.
func hostile() ([]byte, error) {
	var b bytes.Buffer
	w := zip.NewWriter(&b)
	nothing := bytes.Repeat([]byte(`[{"id":"a"},`), (16<<20)/12)
	files := []string{"sock.json", "log.json", "plans/version-1.json", "plans/version-1-about.json", "plans/version-2.json",
		"plans/version-3.json"}
	var listed []string
	for _, name := range files {
		f, err := w.Create(name)
		if err != nil {
			return nil, err
		}
		if _, err := f.Write(nothing); err != nil {
			return nil, err
		}
		listed = append(listed, fmt.Sprintf(`{"name":%q,"bytes":%d,"sha256":"00"}`, name, len(nothing)))
	}
	f, err := w.Create("manifest.json")
	if err != nil {
		return nil, err
	}
	fmt.Fprintf(f, `{"format":"acorn-step.archive","version":1,"kind":"sock","name":"x","files":[%s]}`, strings.Join(listed, ","))
	err = w.Close()
	return b.Bytes(), err
}
