// Package scale speaks with a kitchen scale over a local port, one line at a time.
//
// The one who asks sends "READ" and a line feed. The scale answers with one
// line: the grams with at most two decimals and the unit, as in "71.3 g"; or
// "WAIT" while the weight still swings; or "ERR" and a sentence. A connection
// may be used for any number of questions. A real scale on USB or Bluetooth needs a
// small bridge that speaks these lines; the program ships a simulated one.
package scale

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"net"
	"strconv"
	"strings"
	"sync"
	"time"
)

// Patience is how long a scale may take to answer, its waiting included.
const patience = 3 * time.Second

// maxLine is the longest line that is read.
const maxLine = 200

// most a kitchen scale weighs, in grams.
const most = 10_000

// Read asks the scale at an address for the weight on it, in grams. The error
// says whether nobody answers, or what the scale said.
func Read(ctx context.Context, address string) (float64, error) {
	ctx, cancel := context.WithTimeout(ctx, patience)
	defer cancel()
	connection, err := (&net.Dialer{}).DialContext(ctx, "tcp", address)
	if err != nil {
		return 0, fmt.Errorf("no scale answers at %s: is it switched on?", address)
	}
	defer connection.Close()
	deadline, _ := ctx.Deadline()
	if err := connection.SetDeadline(deadline); err != nil {
		return 0, err
	}
	lines := bufio.NewReaderSize(connection, maxLine)
	for {
		if _, err := connection.Write([]byte("READ\n")); err != nil {
			return 0, fmt.Errorf("the scale at %s went away", address)
		}
		line, err := lines.ReadSlice('\n')
		if err != nil {
			return 0, fmt.Errorf("the scale at %s did not answer in time, or not in a line", address)
		}
		grams, again, err := Parse(string(line))
		if !again {
			return grams, err
		}
		select {
		case <-ctx.Done():
			return 0, errors.New("the weight still swings: leave the ball alone for a moment")
		case <-time.After(patience / 20):
		}
	}
}

// Parse reads an answer of a scale; again means that the weight still swings.
func Parse(line string) (grams float64, again bool, err error) {
	line = strings.TrimSpace(line)
	if line == "WAIT" {
		return 0, true, nil
	}
	if text, said := strings.CutPrefix(line, "ERR"); said {
		return 0, false, fmt.Errorf("the scale says:%.120s", text)
	}
	number, unit := strings.CutSuffix(line, " g")
	grams, err = strconv.ParseFloat(number, 64)
	if !unit || err != nil || !(grams >= 0 && grams <= most) {
		return 0, false, fmt.Errorf("the scale said %.40q; an answer looks like 71.3 g", line)
	}
	return grams, false, nil
}

// Simulated is a scale on which a weight is put by hand.
type Simulated struct {
	mu    sync.Mutex
	grams float64
	swing int
}

// Put lays a weight on the scale; it swings for the next few questions.
func (s *Simulated) Put(grams float64, swing int) {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.grams, s.swing = grams, swing
}

func (s *Simulated) answer(question string) string {
	s.mu.Lock()
	defer s.mu.Unlock()
	switch {
	case question != "READ":
		return "ERR send READ\n"
	case s.swing > 0:
		s.swing--
		return "WAIT\n"
	default:
		return strconv.FormatFloat(s.grams, 'f', -1, 64) + " g\n"
	}
}

// Serve answers on a listener until it is closed.
func (s *Simulated) Serve(listener net.Listener) error {
	for {
		connection, err := listener.Accept()
		if err != nil {
			if errors.Is(err, net.ErrClosed) {
				return nil
			}
			return err
		}
		go func() {
			defer connection.Close()
			lines := bufio.NewScanner(connection)
			lines.Buffer(nil, maxLine)
			for lines.Scan() {
				if _, err := connection.Write([]byte(s.answer(strings.TrimSpace(lines.Text())))); err != nil {
					return
				}
			}
		}()
	}
}
