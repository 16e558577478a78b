package main

import (
	"bufio"
	"bytes"
	"context"
	"crypto/rand"
	"encoding/json"
	"errors"
	"fmt"
	"net"
	"net/http"
	"net/http/cookiejar"
	"os"
	"os/signal"
	"strconv"
	"strings"
	"syscall"
	"time"

	"acornstep/scale"
	"acornstep/sock/needles/logbook"
	"acornstep/web"
)

// swings is how often the simulated scale says that the weight still moves.
const swings = 2

// runScale is a kitchen scale for those who have none: what is typed lies on it.
func runScale(args []string, s streams) error {
	set := flags("scale", "simulates a kitchen scale on a local port; each number typed is a new weight in grams.", s)
	address := set.String("listen", "127.0.0.1:7769", "address to listen on")
	grams := set.Float64("grams", 100, "weight at first")
	if err := set.Parse(args); err != nil {
		return err
	}
	listener, err := net.Listen("tcp", *address)
	if err != nil {
		return fmt.Errorf("cannot listen on %s: %w", *address, err)
	}
	var simulated scale.Simulated
	simulated.Put(*grams, 0)
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	go func() {
		<-ctx.Done()
		_ = listener.Close()
	}()
	fmt.Fprintf(s.out, "The scale is at %s with %g g on it. Type grams; stop with Ctrl-C.\n", listener.Addr(), *grams)
	go func() {
		for lines := bufio.NewScanner(s.in); lines.Scan(); {
			if g, err := strconv.ParseFloat(strings.TrimSpace(lines.Text()), 64); err == nil && g >= 0 {
				simulated.Put(g, swings)
			} else {
				fmt.Fprintf(s.err, "read %q; a weight looks like 71.3\n", lines.Text())
			}
		}
	}()
	return simulated.Serve(listener)
}

// runPedal is a foot pedal for those who have none: each line that is entered is a row done.
func runPedal(args []string, s streams) error {
	set := flags("pedal", "simulates a foot pedal: each press of Enter is a row done.", s)
	address := set.String("server", "http://127.0.0.1:7768", "address of the program")
	sock := set.String("sock", "", "id of the sock, as in its address")
	if err := set.Parse(args); err != nil {
		return err
	}
	if *sock == "" {
		return errors.New("--sock: name the sock by the id in its address")
	}
	jar, err := cookiejar.New(nil)
	if err != nil {
		return err
	}
	p := pedal{client: &http.Client{Jar: jar, Timeout: 10 * time.Second}, server: strings.TrimRight(*address, "/"), sock: *sock,
		device: "pedal-" + rand.Text()[:8]}
	if secret := os.Getenv(passphraseVariable); secret != "" {
		if err := p.post("/api/session", web.Login{Passphrase: secret}, nil); err != nil {
			return err
		}
	}
	fmt.Fprintln(s.out, "Press Enter for each row; stop with Ctrl-D.")
	for lines := bufio.NewScanner(s.in); lines.Scan(); {
		said, err := p.press()
		if err != nil {
			return err
		}
		fmt.Fprintln(s.out, said)
	}
	return nil
}

type pedal struct {
	client               *http.Client
	server, sock, device string
}

// press looks where the sock is and writes its next row down, by the same door as every other device.
func (p *pedal) press() (string, error) {
	var heard web.EventsSince
	path := "/api/socks/" + p.sock + "/events"
	if err := p.post(path, web.NewEvents{Events: []logbook.Event{}}, &heard); err != nil {
		return "", err
	}
	if heard.Deleted {
		return "", errors.New("this sock is out of the basket")
	}
	version := 1
	for _, e := range heard.Events {
		version = max(version, e.Version)
	}
	row := heard.Tally.Book.Places[0].Row
	e := logbook.Event{ID: rand.Text(), Device: p.device, Clock: heard.Tally.Book.Clock + 1, At: time.Now().UnixMilli(),
		Kind: logbook.RowDone, Version: version, Sock: 1, Row: row}
	return e.String(), p.post(path, web.NewEvents{Events: []logbook.Event{e}}, nil)
}

func (p *pedal) post(path string, question, answer any) error {
	body, err := json.Marshal(question)
	if err != nil {
		return err
	}
	response, err := p.client.Post(p.server+path, "application/json", bytes.NewReader(body))
	if err != nil {
		return fmt.Errorf("the program does not answer: %w", err)
	}
	defer response.Body.Close()
	if response.StatusCode >= http.StatusBadRequest {
		var problem web.Problem
		if err := json.NewDecoder(response.Body).Decode(&problem); err != nil {
			return fmt.Errorf("the program answered %s", response.Status)
		}
		return errors.New(problem.Detail)
	}
	if answer == nil {
		return nil
	}
	return json.NewDecoder(response.Body).Decode(answer)
}
