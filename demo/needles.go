package demo

import (
	"context"
	"fmt"
	"time"

	"acornstep/sock/figures/measure"
	"acornstep/sock/needles/knitting"
	"acornstep/sock/needles/logbook"
	"acornstep/sock/papers/basket"
	"acornstep/sock/papers/draft"
	"acornstep/sqlite"
)

// onTheNeedles is the demo sock that is being knitted, and the row of its plan that comes next.
const (
	onTheNeedles = "Comet hunter's short socks"
	nextRow      = "heel-8"
)

// castOn puts the demo sock on the needles and ticks its rows off, at a believable pace, with two weighings and a note.
func castOn(ctx context.Context, store *sqlite.Store, sock basket.Sock) error {
	edition, err := knitting.Begin(draft.Read(sock.Draft, measure.Centimetres).Design)
	if err != nil {
		return err
	}
	p := edition.Plan
	if err := store.AddEdition(ctx, sock.ID, edition, [2]int{}); err != nil {
		return err
	}
	at := time.Date(2026, 11, 14, 19, 30, 0, 0, time.UTC)
	var events []logbook.Event
	say := func(e logbook.Event) {
		n := len(events) + 1
		e.ID, e.Device, e.Clock, e.At, e.Version, e.Sock = fmt.Sprintf("demo-%s-%d", sock.ID, n), "demo", int64(n), at.UnixMilli(), 1, 1
		events = append(events, e)
	}
	for i := range p.Rows {
		row := &p.Rows[i]
		if row.ID == nextRow {
			break
		}
		at = at.Add(time.Duration(2*row.Stitches) * time.Second)
		if row.N == 1 {
			at = at.Add(20 * time.Hour) // another evening
		}
		say(logbook.Event{Kind: logbook.RowDone, Row: i})
		switch row.ID {
		case "toe-15":
			say(logbook.Event{Kind: logbook.Weighed, Row: i + 1, Grams: 98})
		case "foot-40":
			say(logbook.Event{Kind: logbook.Noted, Row: i + 1, Text: "Clouds came in; put down here."})
		case "heel-1":
			say(logbook.Event{Kind: logbook.Weighed, Row: i + 1, Grams: 84.5})
		}
	}
	_, err = store.AddEvents(ctx, sock.ID, events)
	return err
}
